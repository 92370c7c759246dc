"""Looking: levels in every unit, bad input, a draft that survives, mould."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from threading import Event
from typing import Any
from unittest import mock

from selenium.webdriver.common.keys import Keys

from ferment.kitchen.vessel import Vessel, height_at, volume_at
from ferment.refusal import Refusal, RefusalCode
from logbook import services as logbook

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
        page.press("button", "It ran over: note it at the rim")
        self.assertNotEqual(page.one("textbox", "Level").get_attribute("value"), "9")
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
        page.press("link", "Bin it, step by step")
        page.press("button", "All of it is in the bin")
        page.sees("Thistle is binned.")
        page.press("link", "To the kitchen")
        page.press("button", "Put it away")
        page.sees("The shelf is empty.")
        page.press("link", "Thistle")
        page.press("button", "Back on the shelf")
        page.one("button", "Put it away")


class AJarThatOpensWide(Journey):
    def test_twice_the_volume_is_less_than_twice_the_height(self) -> None:
        page = self.browser
        owner = self.baker()
        self.board(owner)
        page.type("Name", "Thistle")
        page.press("disclosure", "Another jar: measure it")
        page.press("toggle", "opens wide")
        page.press("button", "Put it on the shelf")
        page.sees("Mix Thistle now.")
        jar = owner.ok("GET", "/api/kitchen")["jars"][0]["jar"]
        self.assertGreater(jar["flare"], 1.3)
        owner.jar_id = jar["id"]
        owner.mix(0.1)
        page.open(f"/jars/{owner.jar_id}/look")
        glass = Vessel(0.0, jar["volume_ml"], jar["height_mm"], jar["flare"])
        line = owner.jar()["assessment"]["in_jar"]["line_mm"]
        doubled = 2.0 * volume_at(glass, line)
        page.press("toggle", "ml")
        page.type("Level", f"{doubled:.1f}")
        page.press("toggle", "mm")
        shown = float(page.one("textbox", "Level").get_attribute("value") or 0)
        self.assertAlmostEqual(shown, height_at(glass, doubled), delta=0.6)
        self.assertLess(shown, 1.9 * line)
        page.press("button", "Save the look")
        page.sees("Look saved.")
        self.assertAlmostEqual(owner.jar()["assessment"]["since_feed"]["last"]["times"], 2.0, delta=0.05)


class TheUsualLook(Journey):
    """Counted as a thumb counts: from the kitchen, home again."""

    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(30.0)
        self.owner.look(2.0, bubbles="few", top=["flat"])
        self.enter(self.owner)
        self.presses = 0

    def tap(self, role: str, name: str) -> None:
        self.browser.press(role, name)
        self.presses += 1

    def test_takes_four_presses(self) -> None:
        page = self.browser
        self.tap("link", "Look")
        page.one("slider", "Level on the jar").send_keys(Keys.ARROW_UP)
        self.presses += 1
        self.tap("toggle", "a few")
        self.tap("button", "Save the look")
        page.sees("Look saved.")
        self.assertLessEqual(self.presses, 4)
        self.assertEqual(self.owner.jar()["log"][0]["entry"]["bubbles"], "few")

    def test_nothing_changed_takes_two(self) -> None:
        page = self.browser
        self.tap("link", "Look")
        self.tap("button", "Nothing changed")
        page.sees("Look saved.")
        self.assertEqual(self.presses, 2)
        entry = self.owner.jar()["log"][0]["entry"]
        self.assertEqual((entry["level"]["value"], entry["bubbles"], entry["top"]), (1.5, "few", ["flat"]))

    def test_the_smear_of_a_peak_that_nobody_saw(self) -> None:
        page = self.browser
        self.tap("link", "Look")
        page.press("button", "A smear shows it was higher")
        page.one("slider", "High mark on the glass").send_keys(Keys.ARROW_UP)
        page.press("button", "Save the look")
        page.sees("Look saved.")
        self.assertAlmostEqual(self.owner.jar()["log"][0]["entry"]["high"]["value"], 1.75, delta=0.01)

    def test_several_jars_one_after_another(self) -> None:
        page = self.browser
        second = self.baker("Noor").plan(name="Fern").mix(20.0)
        second.plan(name="Moss").mix(20.0)
        self.enter(second)
        # What comes late moves what stands below it.
        page.sees("Peaks about")
        page.press("link", "Look at all 2, one after another")
        page.sees("Look at Fern")
        page.press("toggle", "none")
        page.press("button", "Save, next jar")
        page.sees("Look at Moss")
        page.press("toggle", "a few")
        page.press("button", "Save, next jar")
        page.one("tab", "Fern")
        self.assertEqual(len(second.jar()["log"]), 2)


class SlowServer(Journey):
    expected = ("422 (Unprocessable",)

    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(self.owner)
        self.browser.press("link", "Look")

    @contextmanager
    def held(self, error: Exception | None = None) -> Iterator[Event]:
        """The server takes what is written only when it is let go, or refuses it then."""
        real, let_go = logbook.record, Event()

        def record(*asked: Any) -> object:
            assert let_go.wait(30.0)
            if error is not None:
                raise error
            return real(*asked)

        with mock.patch.object(logbook, "record", record):
            yield let_go

    def save(self) -> None:
        self.browser.type("Level", "1.37")
        self.browser.press("button", "Save the look")

    def test_a_look_is_drawn_before_the_server_has_answered(self) -> None:
        page = self.browser
        with self.held() as let_go:
            self.save()
            page.sees("1.37 ×")
            let_go.set()
            page.sees("Look saved.")
        self.assertEqual(self.owner.jar()["log"][0]["entry"]["level"]["value"], 1.37)

    def test_what_is_refused_late_comes_back_as_it_was_typed(self) -> None:
        page = self.browser
        with self.held(Refusal(RefusalCode.OUT_OF_RANGE, "level.value", {"least": 0.5, "most": 1.2})) as let_go:
            self.save()
            page.sees("1.37 ×")
            let_go.set()
            page.one("button", "Save the look")
            page.until("told", lambda: "1.2" in page.text() or None)
        self.assertEqual(page.one("textbox", "Level").get_attribute("value"), "1.37")
        self.assertEqual(len(self.owner.jar()["log"]), 1)
