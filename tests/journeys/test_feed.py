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
        self.browser.one("button", "It is fed")

    def test_a_slip_is_mended_on_the_spot(self) -> None:
        page = self.browser
        self.open()
        for reading in ("230 g", "260 g", "280 g", "290 g"):
            page.sees(reading)
        page.type("Spelt, if not 20 g", "26")
        page.sees("Add 6 g more water to keep it even.")
        page.sees("296 g")
        page.press("button", "Added")
        page.sees("That is close enough; leave it.")
        page.press("button", "It is fed")
        page.sees("Saved. Mark the new line")
        fed = self.owner.jar()["log"][0]["entry"]
        self.assertEqual((fed["keep_g"], fed["water_g"], [part["g"] for part in fed["flours"]]), (30, 36, [26, 10]))

    def test_a_draft_survives_a_reload(self) -> None:
        page = self.browser
        self.open()
        page.type("Water, if not 30 g", "33")
        page.driver.refresh()
        self.assertEqual(page.one("textbox", "Water, if not 30 g").get_attribute("value"), "33")

    def test_bad_grams_are_named_by_their_field(self) -> None:
        page = self.browser
        self.open()
        page.type("Kept, if not 30 g", "400")
        page.press("button", "It is fed")
        page.sees("There are only 60 g in the jar.")
        page.type("Kept, if not 30 g", "")
        page.type("Whole rye, if not 10 g", "-5")
        page.press("button", "It is fed")
        page.sees("Use a number from 0 to")

    def test_fed_on_another_device_meanwhile(self) -> None:
        page = self.browser
        self.open()
        self.owner.feed(0.5)
        page.press("button", "It is fed")
        page.sees("Someone fed this jar")
        page.press("button", "Fed twice, save mine too")
        page.sees("Saved. Mark the new line")
        self.assertEqual(self.owner.jar()["assessment"]["totals"]["feeds"], 3)

    def test_the_same_feed_on_another_device(self) -> None:
        page = self.browser
        self.open()
        self.owner.feed(0.5)
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
