"""Two jars side by side: chosen on the shelf, what differs is said, and no more is said of them than is known."""

from __future__ import annotations

from .base import Journey


class SideBySide(Journey):
    def test_from_the_shelf(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Quarry")
        page.press("link", "Hold jars side by side")
        page.one("heading", "Side by side")
        page.sees("The plain one: Quarry")
        page.sees("Choose what stands beside it")
        page.press("toggle", "Moth")
        page.sees("They differ in more than one thing:")
        page.sees("where they stand and when they began.")
        page.sees("Not yet to be told of Moth")
        rows = page.until("the table", lambda: page.all("row") or None)
        self.assertRegex(page.spaced(rows[1]), r"^Quarry .*\d h")
        self.assertIn("not yet", page.spaced(rows[2]))
        self.assertEqual(page.axe(), [])
        page.driver.refresh()
        page.sees("Not yet to be told of Moth")
        page.press("link", "Back to Quarry")
        page.one("heading", "Quarry")

    def test_one_jar_alone(self) -> None:
        baker = self.baker().plan(name="Heron").mix(20.0)
        self.enter(baker, f"/jars/{baker.jar_id}/beside")
        self.browser.sees("There is only one jar on the shelf.")

    def test_one_is_begun_beside_it_with_one_difference(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Heron").mix(20.0)
        self.enter(baker, f"/jars/{baker.jar_id}/beside")
        page.press("link", "Begin one beside it, with one difference")
        page.one("heading", "One beside Heron")
        page.sees("All of it is as in Heron still.")
        self.unfold()
        page.type("Warmth where it stands", "19")
        page.sees("Other than in Heron: Warmth. All else is the same.")
        page.type("Name", "Stork")
        page.press("button", "Put it on the shelf")
        page.one("heading", "Heron · Stork")
        page.sees("Heron is the plain one")
        page.sees("where they stand")
        page.sees("Not yet to be told of Heron and Stork")

    def test_one_round_looks_at_all_of_them_and_comes_back(self) -> None:
        page = self.browser
        plain = self.baker().always_home().plan(name="Heron").mix(20.0)
        first = plain.jar_id
        plain.last_feed = None
        other = plain.plan(name="Stork").mix(20.0).jar_id
        self.enter(plain, f"/jars/{first}/beside?other={other}")
        page.press("link", "Look at them, one after another")
        for name in ("Heron", "Stork"):
            page.one("heading", f"Look at {name}")
            page.press("toggle", "a few")
            page.press("button", "Save, next jar")
        page.sees("The plain one: Heron")
        self.assertEqual(page.path, f"/jars/{first}/beside")

    def test_a_jar_out_of_reach_is_told_and_nothing_is_lost(self) -> None:
        type(self).expected = ("404 (Not Found)",)
        theirs = self.baker("Noor").plan(name="Theirs").jar_id
        baker = self.baker().plan(name="Heron").mix(20.0)
        self.enter(baker, f"/jars/{baker.jar_id}/beside?other={theirs}")
        self.browser.sees("This is not there, or not yours.")
        self.browser.one("link", "Back to Heron")
