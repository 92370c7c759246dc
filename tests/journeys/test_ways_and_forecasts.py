"""Choosing a way to raise a jar, bending the plan, and what is forecast."""

from __future__ import annotations

from .base import Journey


class Ways(Journey):
    def plan(self, name: str, way: str, start: str = "Flour and water") -> None:
        page = self.browser
        page.open("/new?all=1")
        self.unfold()
        page.type("Name", name)
        page.press("toggle", start)
        page.press("toggle", way)
        page.type("Weight of the empty jar", "210")

    def test_a_way_that_waits_for_signs(self) -> None:
        page = self.browser
        self.enter(self.baker())
        self.plan("Fern", "Only when hungry")
        page.sees("once it runs when tipped")
        page.press("button", "Put it on the shelf")
        page.sees("Mix Fern now.")
        page.sees("10 g water and 10 g whole wheat")

    def test_dried_flakes_are_soaked_first(self) -> None:
        page = self.browser
        self.enter(self.baker())
        self.plan("Moss", "Soaked, then weighed", "Dried flakes")
        page.sees("Put in 3 g of the culture, add 40 g water.")
        page.press("button", "Put it on the shelf")
        page.sees("Mix Moss now.")
        page.press("link", "Mix it")
        page.press("button", "Next")
        page.sees("Put in 3 g of the culture")
        self.walk_to_the_end("It is mixed")
        page.press("button", "It is mixed")
        page.press("link", "To the kitchen")
        page.sees("Leave Moss be. Stir")

    def test_every_way_shows_its_plan(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("disclosure", "Another jar")
        page.type("Jar, filled to the rim", "2000")
        page.type("Inside height", "180")
        for way in ("Wet rye", "Feed on signs", "Acid start", "Small seed", "Spoons", "By feel", "Slow build", "Stiff"):
            with self.subTest(way):
                page.press("toggle", way)
                page.sees("Likely ready on day")
                page.until("no complaint", lambda: None if page.all("alert") else True)

    def test_an_option_that_does_not_fit_is_named_and_nothing_is_lost(self) -> None:
        type(self).expected = ("422",)
        page = self.browser
        self.enter(self.baker())
        self.plan("Thistle", "Small seed")
        page.press("disclosure", "More choices")
        page.type("Flour to one part of seed", "90")
        page.press("button", "Put it on the shelf")
        page.sees("Use a number from 3 to 10.")
        self.assertEqual(page.one("textbox", "Name").get_attribute("value"), "Thistle")


class Bending(Journey):
    def test_left_alone_until_tomorrow(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(40.0)
        self.enter(baker)
        page.sees("Feed Thistle now.")
        page.press("button", "Not now for Thistle")
        page.press("menuitem", "Leave it alone until tomorrow")
        page.sees("Leave Thistle be. Feed")
        page.press("link", "Rise line and log")
        page.sees("What moved it")
        page.sees("Left alone for")

    def test_a_deed_is_taken_back_and_its_time_corrected(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(40.0)
        self.enter(baker)
        page.press("button", "More for Thistle")
        page.press("menuitem", "It went into the fridge")
        page.sees("Resting")
        page.press("button", "Undo")
        page.sees_not("Resting")
        page.press("button", "More for Thistle")
        page.press("menuitem", "It went into the fridge")
        page.sees("Resting")
        before = baker.jar()["log"][0]["entry"]["at"]
        page.press("link", "Rise line and log")
        page.press("button", "Change or undo the into the fridge")
        page.press("menuitem", "Change")
        page.press("toggle", "1 h ago")
        page.press("button", "Save the change")
        page.sees("Changed. What it said before is kept.")
        (entry,) = [one for one in baker.jar()["log"] if one["revision"] == 2]
        self.assertEqual(entry["entry"]["did"], "to_fridge")
        self.assertLess(entry["entry"]["at"], before)


class Forecasts(Journey):
    def test_a_look_moves_the_forecast(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(150.0)
        for hours in (126, 102, 78, 54, 30, 6):
            baker.feed(float(hours))
        self.enter(baker, f"/jars/{baker.jar_id}")
        before = page.one("region", "Forecast").text
        baker.look(1.0, level={"value": 2.0, "unit": "times"})
        page.open(f"/jars/{baker.jar_id}")
        page.until("another forecast", lambda: True if page.one("region", "Forecast").text != before else None)

    def test_what_if_it_stood_elsewhere(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Harbour")
        page.press("link", "Rise line and log")
        page.press("disclosure", "Why, and what if")
        page.sees("This is a forecast, not a promise.")
        page.type("What if it stood at", "27")
        page.sees("Fed now, it peaks")
        page.sees("1:5:5")

    def test_what_some_bakers_measure(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(30.0)
        self.enter(baker, f"/jars/{baker.jar_id}/look")
        page.press("button", "A smear shows it was higher")
        page.type("High mark", "1.6")
        page.press("disclosure", "More to note")
        page.type("Warmth", "23.5")
        page.type("pH", "3.9")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        page.press("link", "Rise line and log")
        page.sees("high mark 1.6 × · 23.5 °C · pH 3.9")
