"""Jars that differ in one thing: set up at once or split off, fed and looked at in rounds, ended, kept as a page."""

from __future__ import annotations

from typing import Any
from uuid import uuid4

from tests.server.base import Baker, ago, new_jar

from .base import Journey

FLOURS = {"White": "white", "Spelt": "spelt", "Rye": "rye"}


def of(flour: str) -> dict[str, Any]:
    blend = {flour: 1.0}
    return {"every_hours": 24, "seed_grams": 30.0, "start_grams": 30.0, "first_blend": blend, "blend": blend}


class Trials(Journey):
    def choose(self, group: str, said: str) -> None:
        """One of the choices of a group, where others are called the same."""
        choices = self.browser.one("group", group).find_elements("css selector", "button")
        self.browser.press_element(next(one for one in choices if one.text == said))


class ThreeFloursOverFiveDays(Trials):
    def raised(self, baker: Baker) -> str:
        """Five days of three jars of one hour, the rye up sooner and higher from the third day on."""
        jars = [
            {**new_jar(), "name": name, "choices": of(flour), "starts_at": ago(126.0)} for name, flour in FLOURS.items()
        ]
        asked = {"id": str(uuid4()), "name": "Which flour", "jars": [{"new": jar} for jar in jars]}
        baker.ok("POST", "/api/trials", asked)
        for jar, (name, flour) in zip(jars, FLOURS.items(), strict=True):
            baker.jar_id, baker.last_feed = str(jar["id"]), None
            for day in range(5):
                at = 126.0 - 24.0 * day
                baker.feed(at, keep_g=30.0 if day else 0.0, flours=[{"flour": flour, "g": 30.0}])
                lively = day > 1
                for after, level in ((4.0, 1.5), (8.0, 2.1)):
                    seen = (level + (0.2 if name == "Rye" else 0.0)) if lively else 1.1
                    baker.look(
                        at - after, smell=["fruity" if lively else "floury"], level={"value": seen, "unit": "times"}
                    )
        return str(asked["id"])

    def test_their_page_their_rounds_and_their_end(self) -> None:
        page = self.browser
        baker = self.baker().always_home()
        trial = self.raised(baker)
        self.enter(baker)
        page.sees("Side by side: Which flour")
        page.press("link", "See how they stand")
        page.one("heading", "Which flour")
        page.sees("They differ in their flour.")
        page.sees("White is the plain one")
        page.sees("90 g water for the three: 30 g each")
        rows = page.until("the table", lambda: page.all("row") or None)
        self.assertEqual([page.spaced(row).split()[0] for row in rows[1:]], ["White", "Spelt", "Rye"])
        page.press("toggle", "Over all days")
        page.sees("day 5")
        self.assertEqual(page.axe(), [])

        page.press("link", "Look at them, one after another")
        page.one("heading", "Look at White")
        page.press("toggle", "all through")
        page.press("toggle", "yoghurt")
        page.press("button", "Save, next jar")
        page.one("heading", "Look at Spelt")
        page.press("button", "As at White, but for the level")
        page.press("button", "Save, next jar")
        page.one("heading", "Look at Rye")
        page.press("button", "As at Spelt, but for the level")
        page.press("button", "Save, next jar")
        page.one("heading", "Which flour")
        looks = [self.last(baker, jar) for jar in self.jars(baker, trial)]
        self.assertEqual([(one["bubbles"], one["smell"]) for one in looks], [("throughout", ["yoghurt"])] * 3)

        page.press("link", "Feed them, one after another")
        for name, following in (("White", "Spelt"), ("Spelt", "Rye"), ("Rye", None)):
            page.one("heading", f"Feed {name}")
            self.walk_to_the_end()
            page.press("button", "It is fed")
            page.one("heading", f"{name} is fed")
            page.press("link", f"Next: feed {following}" if following else "Back to the jars side by side")
        page.one("heading", "Which flour")
        self.assertEqual(page.path, f"/trials/{trial}")

        page.press("disclosure", "End it")
        page.press("button", "End it so")
        page.sees("Say of each jar what becomes of it.")
        for name in ("White", "Spelt", "Rye"):
            self.choose(f"What becomes of {name}", "kept" if name == "Rye" else "into the bin")
        page.press("button", "End it so")
        page.sees("What stands here is what was known then.")
        page.sees("Rye: kept")
        page.sees("White: into the bin")
        page.press("link", "To the kitchen")
        page.one("tab", "Rye")
        page.until("one jar alone", lambda: len(page.all("tab")) == 1 or None)
        page.open("/trials")
        page.one("heading", "Ended")
        page.press("link", "Which flour")
        page.press("button", "Take it up again")
        page.one("link", "Feed them, one after another")
        page.press("button", "Rename")
        page.type("Name", "Three flours")
        page.press("button", "Keep the name")
        page.one("heading", "Three flours")

    def jars(self, baker: Baker, trial: str) -> list[str]:
        return [place["jar"] for place in baker.ok("GET", f"/api/trials/{trial}")["trial"]["places"]]

    def last(self, baker: Baker, jar: str) -> Any:
        return baker.ok("GET", f"/api/jars/{jar}")["log"][0]["entry"]


class SetUpAtOnce(Trials):
    def test_juice_against_water(self) -> None:
        page = self.browser
        baker = self.baker().always_home()
        self.enter(baker, "/trials")
        page.sees("Nothing stands side by side yet.")
        page.press("link", "Set up new jars side by side")
        page.press("toggle", "Equal parts by the clock")
        page.type("Name", "Heron")
        page.press("toggle", "Of the liquid, juice")
        page.sees("Choose one to three others.")
        page.type("Jar 2", "100")
        page.sees("Heron as above is the plain one.")
        page.sees("Held equal in all: the way, the flour, the amounts, where they stand, the jar")
        page.press("button", "Put the 2 jars on the shelf")
        page.one("heading", "Heron")
        page.sees("They differ in their liquid.")
        page.press("link", "Feed them, one after another")
        page.one("heading", "Mix Heron")
        jars = [one["jar"]["name"] for one in baker.ok("GET", "/api/kitchen")["jars"]]
        self.assertEqual(len(jars), 2)
        self.assertRegex(jars[1], r"^Heron, Of the liquid, juice 100")

    def test_what_is_wrong_with_one_of_them_is_said_and_all_that_was_typed_stays(self) -> None:
        type(self).expected = ("422 (Unprocessable",)
        page = self.browser
        baker = self.baker().always_home()
        self.enter(baker, "/new?all=1&several=1")
        page.press("toggle", "Equal parts by the clock")
        page.type("Name", "Heron")
        self.choose("What differs", "Where it stands")
        page.type("Jar 2", "27")
        page.type("Jar 3", "70")
        page.press("button", "Put the 3 jars on the shelf")
        page.sees("Heron, 70 °C:")
        self.assertIn("27", page.fields())
        self.assertEqual(baker.ok("GET", "/api/kitchen")["jars"], [])
        page.type("Jar 3", "19")
        page.press("button", "Put the 3 jars on the shelf")
        page.sees("They differ in where they stand.")
        self.assertEqual(page.axe(), [])

    def test_a_pinch_of_yeast_for_show(self) -> None:
        page = self.browser
        baker = self.baker().always_home()
        self.enter(baker, "/new?all=1&several=1")
        page.press("toggle", "Equal parts by the clock")
        page.type("Name", "Heron")
        page.press("toggle", "A pinch of yeast, for show")
        page.press("button", "Put the 2 jars on the shelf")
        page.sees("They differ in a pinch of baker's yeast.")
        (trial,) = baker.ok("GET", "/api/trials")
        for place in trial["places"]:
            baker.jar_id, baker.last_feed = place["jar"], None
            baker.feed(0.0, keep_g=0.0)
        page.driver.refresh()
        page.press("button", "The pinch is in")
        page.sees("Baker's yeast noted in Heron, with yeast")
        page.sees_not("The pinch is in")


class SplitOff(Journey):
    def test_one_to_one_against_one_to_two(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Heron", starts_at=ago(200.0), volume_ml=700.0, height_mm=150.0)
        for day in range(8):
            at = 199.0 - 24.0 * day
            baker.feed(at, keep_g=50.0 if day else 0.0, flours=[{"flour": "white", "g": 80.0}], water_g=80.0)
            baker.look(at - 6.0, smell=["fruity"], level={"value": 2.3 if day > 2 else 1.2, "unit": "times"})
        self.enter(baker, f"/jars/{baker.jar_id}/part?for=split")
        page.type("How much", "40")
        page.press("toggle", "its ratio")
        page.press("toggle", "1:1:1")
        page.press("toggle", "1:2:2")
        page.press("button", "Note it")
        page.sees("They differ in their ratio.")
        used = next(one["entry"] for one in baker.jar()["log"] if one["entry"]["kind"] == "use")
        self.assertEqual((used["g"], used["used_for"]), (80.0, "split"))
        (trial,) = baker.ok("GET", "/api/trials")
        self.assertEqual([place["name"].split(", ")[1] for place in trial["places"]], ["1:1:1", "1:2:2"])

    def test_jars_that_run_are_kept_as_a_page_of_their_own(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Heron").mix(20.0)
        first, baker.last_feed = baker.jar_id, None
        other = baker.plan(name="Stork").mix(20.0).jar_id
        self.enter(baker, f"/jars/{first}/beside?other={other}")
        page.press("button", "Keep it as a page of its own")
        page.one("heading", "Heron · Stork")
        page.sees("Nothing that is known of them differs.")
