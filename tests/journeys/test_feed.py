"""Feeding: the scale's readings, a slip mended on the spot, two devices at once."""

from __future__ import annotations

from .base import Journey


class Feeding(Journey):
    expected = ("422 (Unprocessable", "409 (Conflict)")

    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(24.0)

    def open(self) -> None:
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/feed")
        self.browser.one("button", "Next")

    def test_one_number_a_step_and_a_slip_mended_on_the_spot(self) -> None:
        page = self.browser
        self.open()
        for reading in ("230 g", "260 g"):
            page.sees(reading)
            page.press("button", "Next")
        page.sees("280 g")
        page.type("Spelt, if not 20 g", "26")
        page.sees("286 g")
        page.sees("Add 6 g more water to keep it even.")
        page.press("button", "Added")
        page.sees("That is close enough; leave it.")
        page.press("button", "Next")
        page.sees("Add 10 g whole rye")
        page.press("button", "Back")
        self.assertEqual(page.one("textbox", "Spelt, if not 20 g").get_attribute("value"), "26")
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.sees("Thistle is fed.")
        page.sees("Next: ")
        fed = self.owner.jar()["log"][0]["entry"]
        self.assertEqual((fed["keep_g"], fed["water_g"], [part["g"] for part in fed["flours"]]), (30, 36, [26, 10]))

    def test_a_reload_in_the_middle_goes_on_there(self) -> None:
        page = self.browser
        self.open()
        page.press("button", "Next")
        page.type("Water, if not 30 g", "33")
        page.driver.refresh()
        page.sees("Step 2 of 5")
        self.assertEqual(page.one("textbox", "Water, if not 30 g").get_attribute("value"), "33")

    def test_a_begun_feed_shows_in_the_kitchen_and_goes_on_there(self) -> None:
        page = self.browser
        self.open()
        page.press("button", "Next")
        page.type("Water, if not 30 g", "33")
        # What it asks for comes up over the rest and moves the link down.
        page.sees("Then add 33 g flour")
        page.press("link", "Leave it for now")
        page.one("heading", "Thistle")
        page.open(f"/?jar={self.owner.jar_id}")
        page.press("link", "Go on weighing")
        page.sees("Step 2 of 5")
        self.assertEqual(page.one("textbox", "Water, if not 30 g").get_attribute("value"), "33")
        page.press("button", "Forget what was weighed")
        page.press("link", "Feed")
        page.sees("Step 1 of 5")

    def test_bad_grams_are_named_where_they_belong(self) -> None:
        page = self.browser
        self.open()
        page.type("Kept, if not 30 g", "400")
        page.press("button", "Next")
        page.press("button", "Yes, that is right")
        page.sees("Step 2 of 5")
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.sees("There are only 60 g in the jar.")
        page.press("button", "Go back to it")
        page.sees("Step 1 of 5")
        page.sees("There are only 60 g in the jar.")

    def test_ten_times_the_plan_is_asked_about(self) -> None:
        page = self.browser
        self.open()
        page.press("button", "Next")
        page.type("Water, if not 30 g", "300")
        page.sees("Pour water off again until the scale shows 260 g.")
        page.press("button", "Next")
        page.sees("300 g? Planned are 30 g.")
        page.press("button", "Let me look")
        page.sees("Step 2 of 5")
        page.type("Water, if not 30 g", "30")
        page.press("button", "Next")
        page.sees("Add 20 g spelt")
        self.assertEqual(len(self.owner.jar()["log"]), 1)

    def test_a_feed_on_the_heels_of_another_is_asked_about(self) -> None:
        self.owner.feed(0.02)
        self.open()
        self.browser.sees("You fed it a minute ago. Again?")

    def test_another_way_this_time(self) -> None:
        page = self.browser
        self.open()
        page.press("disclosure", "Another way")
        page.press("toggle", "In a clean jar")
        page.sees("Put the empty jar on the scale")
        page.press("toggle", "ounces")
        page.press("button", "Next")
        page.sees("Spoon over 1.06 oz of the old jar")
        page.press("button", "Back")
        page.press("disclosure", "Another way")
        page.press("toggle", "Take nothing out")
        page.press("toggle", "spoons")
        page.press("button", "Next")
        page.sees("Add 2 tbsp water")

    def test_the_discard_is_not_food_yet_and_goes_to_the_compost(self) -> None:
        page = self.browser
        self.open()
        self.walk_to_the_end()
        page.sees("Not for the discard jar yet")
        self.assertEqual(page.all("toggle", "Discard jar"), [])
        page.press("toggle", "Compost")
        page.press("button", "It is fed")
        page.sees("Thistle is fed.")
        self.assertEqual(self.owner.jar()["log"][0]["entry"]["discard_to"], "compost")

    def test_done_already_it_is_only_noted(self) -> None:
        page = self.browser
        self.enter(self.owner)
        page.press("button", "Not now for Thistle")
        page.press("menuitem", "I did it already")
        page.press("toggle", "20 min ago")
        page.press("button", "It is fed")
        page.sees("Thistle is fed.")

    def test_fed_on_another_device_meanwhile(self) -> None:
        page = self.browser
        self.open()
        self.owner.feed(0.5)
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.sees("Someone fed this jar")
        page.press("button", "Fed twice, save mine too")
        page.sees("Thistle is fed.")
        self.assertEqual(self.owner.jar()["assessment"]["totals"]["feeds"], 3)

    def test_the_same_feed_on_another_device(self) -> None:
        page = self.browser
        self.open()
        self.owner.feed(0.5)
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.press("link", "The same, drop mine")
        page.sees("Leave Thistle be.")
        self.assertEqual(self.owner.jar()["assessment"]["totals"]["feeds"], 2)


class Correcting(Journey):
    def test_change_undo_and_what_it_said_before(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(30.0)
        owner.feed(6.0)
        self.enter(owner, f"/jars/{owner.jar_id}")
        page.press("button", "Change or undo the fed")
        page.press("menuitem", "Change")
        page.type("Water", "35")
        page.press("button", "Save the change")
        page.sees("added 35 g water")

        page.press("button", "Change or undo the fed")
        page.press("menuitem", "What it said before")
        page.sees("added 30 g water")

        page.press("button", "Change or undo the fed")
        page.press("menuitem", "Undo")
        page.sees("Undone. It counts for nothing")
        page.until("one feed", lambda: True if owner.jar()["assessment"]["totals"]["feeds"] == 1 else None)
        page.press("button", "Change or undo the fed")
        page.press("menuitem", "Put back")
        page.until("two feeds", lambda: True if owner.jar()["assessment"]["totals"]["feeds"] == 2 else None)
