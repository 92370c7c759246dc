"""What the pages say of a jar: its stage, what its signs mean, ready or not and why."""

from __future__ import annotations

from .base import Journey


class Verdicts(Journey):
    def open_demo(self, name: str) -> None:
        self.enter_demo()
        self.browser.press("tab", name)
        self.browser.press("link", "Rise line and log")
        self.browser.one("heading", name)

    def test_a_worried_beginner_on_day_four_is_calmed_and_told_what_next(self) -> None:
        page = self.browser
        self.open_demo("Moth")
        page.sees("Hush: the quiet days before the yeast shows.")
        page.sees("Quiet is normal now.")
        page.sees("Do not give up on it.")
        # Whether that is now or later hangs on the hour of the clock.
        self.assertRegex(page.text(), r"Leave Moth be\. Feed \w+|Feed Moth \w+")
        self.assertEqual(page.all("heading", "Ready?"), [], "not asked before yeast shows")

    def test_nearly_ready_shows_what_is_missing_and_the_evidence(self) -> None:
        page = self.browser
        self.open_demo("Harbour")
        page.sees("Awake: it doubles, though not yet by habit.")
        page.sees("it is not a habit yet: one more good feed in a row")
        page.sees("At 3 feeds in a row: 2 so far")
        page.sees("is in time.")

    def test_a_film_is_told_from_mould_by_a_question(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(150.0)
        baker.feed(10.0)
        self.enter(baker, f"/jars/{baker.jar_id}/look")
        page.press("toggle", "white film")
        page.press("button", "Save the look")
        page.sees("A thin white film is wild yeast on the surface")
        page.press("link", "Rise line and log")
        page.sees("Is it fuzzy, raised or coloured? Then it is mould")
        page.press("link", "Look")
        page.press("toggle", "fuzzy spots")
        page.press("button", "Save the look")
        page.sees("Bin all of Thistle.")


class LookedUp(Journey):
    def test_without_a_jar(self) -> None:
        page = self.browser
        self.enter(self.baker())
        page.press("link", "Signs")
        page.sees("Nothing pressed yet.")
        page.press("toggle", "at its line")
        page.sees("Quiet is normal now.")
        page.press("toggle", "doubled or more")
        page.press("toggle", "day 2 or 3")
        page.sees("This rise comes from early bacteria.")
        page.press("toggle", "apple, fruit")
        page.press("toggle", "a week or more")
        page.sees("Nothing unusual in that.")
        page.press("toggle", "coloured streaks")
        page.sees("Do not scrape it off or rescue the rest.")
        self.assertFalse(page.overflows())
