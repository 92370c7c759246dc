"""Looking: levels in every unit, bad input, a draft that survives, mould."""

from __future__ import annotations

from .base import Journey


class Looking(Journey):
    expected = ("422 (Unprocessable",)

    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/look")

    def test_a_level_in_three_units(self) -> None:
        page = self.browser
        page.type("Level", "1,5")
        page.sees("+50 %")
        page.press("toggle", "mm")
        self.assertEqual(page.one("textbox", "Level").get_attribute("value"), "20")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        level = self.owner.jar()["assessment"]["since_feed"]["last"]["times"]
        self.assertAlmostEqual(level, 1.5, delta=0.04)

    def test_bad_input_is_named_and_nothing_is_lost(self) -> None:
        page = self.browser
        note = "🫧 " + "very bubbly " * 200
        page.type("Level", "9")
        page.type("Note", note)
        page.press("button", "Save the look")
        page.sees("Not saved yet.")
        page.sees("This is too long. Use up to 2000 characters.")
        page.type("Note", "fine")
        page.press("button", "Save the look")
        page.sees("That is above the rim.")
        page.type("Level", "tall")
        page.press("button", "Save the look")
        page.sees("This is not a number.")
        page.driver.refresh()
        self.assertEqual(page.one("textbox", "Level").get_attribute("value"), "tall")
        self.assertEqual(page.one("textbox", "Note").get_attribute("value"), "fine")

    def test_nothing_noted(self) -> None:
        self.browser.press("button", "Save the look")
        self.browser.sees("Nothing was noted yet.")

    def test_undo_from_the_notice(self) -> None:
        page = self.browser
        page.type("Level", "1.3")
        page.press("button", "Save the look")
        page.press("button", "Undo")
        page.until("the look to be undone", lambda: self.owner.jar()["log"][0]["withdrawn"] or None)

    def test_pink_streaks_change_the_page_to_one_act(self) -> None:
        page = self.browser
        page.press("toggle", "coloured streaks")
        page.press("button", "Save the look")
        page.sees("Bin all of Thistle.")
        page.sees("That is mould or spoilage.")
        self.assertEqual(page.all("link", "Feed"), [])
        page.press("button", "I have binned it")
        page.press("button", "Yes, all of it")
        page.sees("Thistle was binned.")
        page.press("button", "Put it away")
        page.sees("The shelf is empty.")
        page.press("link", "Thistle")
        page.press("button", "Back on the shelf")
        page.one("button", "Put it away")
