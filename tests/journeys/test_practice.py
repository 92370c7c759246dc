"""The practice jar: a situation lived to its end, by the keyboard too; its result for a class; what is cut off."""

from __future__ import annotations

import csv
import json
import tempfile
from pathlib import Path

from selenium.webdriver.common.keys import Keys

from .base import Journey
from .browser import WITH_PYTHON_S


class Practising(Journey):
    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker()

    def test_a_streak_is_looked_at_meant_and_binned(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice")
        page.press("link", "A streak at the glass")
        page.sees("Day 6, 08:00")
        page.press("button", "An hour on")
        page.sees("Day 6, 09:00")
        page.press("button", "Look closely")
        page.sees("coloured streaks")
        page.one("slider", "Level on the jar").send_keys(Keys.ARROW_UP, Keys.ARROW_UP)
        page.sees("1.1 ×")
        page.press("toggle", "Spoiled")
        self.assertEqual(page.axe(), [])
        page.press("button", "That is what I see")
        page.sees("Noted. Time stands still")
        page.press("button", "Bin it")
        page.press("button", "Yes")
        page.sees("Binned, and rightly: it was spoiled.")
        page.sees("To remember")
        page.sees("You read 1.1 ×; it stood at")
        page.sees("So say its signs.")
        page.sees("Bin it: as the jar would have liked.")
        self.assertEqual(page.axe(), [])
        page.size(390, 844)
        self.assertFalse(page.overflows())
        page.size(1280, 800)
        # Nothing of it is in the kitchen.
        self.assertEqual(self.owner.ok("GET", "/api/kitchen")["jars"], [])

    def test_by_the_keyboard_alone_time_runs_and_stands_still(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice/hush?seed=5")
        page.sees("Let time run")
        page.tab_to("button", "Let time run")
        page.keys(Keys.ENTER)
        page.sees("Stop time")
        page.until("an hour later", lambda: "Day 4, 18:0" not in page.text() or None)
        page.keys(Keys.ENTER)
        page.sees("Let time run")
        page.tab_to("button", "Ask for a hint")
        page.keys(Keys.ENTER)
        page.sees("The smell has turned pleasant")
        page.tab_to("button", "A large feed")
        page.keys(Keys.ENTER)
        page.sees("Done: A large feed.")
        page.sees("Begin anew")

    def test_only_what_can_be_done_with_it_is_offered(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice/fridge_month?seed=5")
        page.one("button", "Out of the fridge")
        self.assertEqual([page.all("button", name) for name in ("Somewhere warmer", "Into the fridge")], [[], []])
        page.press("button", "Out of the fridge")
        page.press("button", "Somewhere warmer")
        page.press("button", "Somewhere warmer")
        page.sees("Done: Somewhere warmer.")
        page.until("no warmer place", lambda: not page.all("button", "Somewhere warmer") or None)
        page.one("button", "Into the fridge")

    def test_what_is_left_be_is_in_sight_on_a_phone_too(self) -> None:
        page = self.browser
        page.size(390, 844)
        self.enter(self.owner, "/practice/levain?seed=9")
        page.press("button", "Leave it be")
        page.sees("Stop time")
        page.sees("Done: Leave it be.")
        jar = page.one("region", "A practice jar, made by the model")
        top = page.driver.execute_script("return arguments[0].getBoundingClientRect().top", jar)
        self.assertGreaterEqual(top, 0)

    def test_what_is_done_while_time_runs_is_done_and_time_stands_still(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice/fridge_month?seed=9")
        page.press("button", "Let time run")
        page.press("button", "Out of the fridge")
        page.sees("Let time run")
        page.one("button", "Into the fridge")
        page.driver.refresh()
        page.one("button", "Into the fridge")

    def test_what_was_done_outlasts_the_page_and_the_same_seed_is_the_same_jar(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice/too_often?seed=9")
        page.press("button", "To what happens next")
        page.press("button", "Stir it")
        page.sees("Done: Stir it.")
        stood = next(line for line in page.text().splitlines() if line.startswith("Day "))
        page.driver.refresh()
        page.sees(stood)
        page.press("button", "Begin anew")
        page.sees("Day 5, 08:00")

    def test_the_page_is_come_back_to_where_time_had_run_to(self) -> None:
        page = self.browser
        self.enter(self.owner, "/practice/hush?seed=9")
        page.press("toggle", "fast")
        page.press("button", "Let time run")
        page.sees_not("Day 4, 18:")
        page.driver.refresh()
        page.sees("Let time run")
        page.sees("Day")
        self.assertNotIn("Day 4, 18:", page.text())
        # As fast as was chosen for the other.
        page.open("/practice/levain?seed=9")
        page.press("button", "Let time run")
        page.sees("What came of it")
        page.driver.refresh()
        page.sees("What came of it")

    def test_a_class_becomes_one_table(self) -> None:
        self.expected = ("422 (Unprocessable",)
        page = self.browser
        folder = Path(self.enterContext(tempfile.TemporaryDirectory()))
        page.downloads_to(folder)
        self.enter(self.owner, "/practice/pink?seed=3")
        page.press("button", "Bin it")
        page.press("button", "Yes")
        page.press("disclosure", "For a class")
        page.type("Your name on it", "Noor")
        page.press("button", "Save the result for a teacher")
        saved = folder / "practice-pink-3.json"
        page.until("the result", lambda: saved.exists() or None)
        self.assertEqual(json.loads(saved.read_text())["name"], "Noor")
        other = folder / "holiday.json"
        other.write_text("{}")
        mended = folder / "mended by hand.json"
        mended.write_text(saved.read_text().replace('"bin"', '"sing"'))
        page.open("/practice")
        page.press("disclosure", "For a class")
        page.choose_file("Choose result files", saved, other, mended)
        page.sees("1 result is in the table.")
        page.sees("1 file was left out: not a result of practice.")
        page.sees("mended by hand.json was left out. acts.0.what: Choose one of: look,")
        self.assertEqual(page.axe(), [])
        table = folder / "class.csv"
        page.until("the table", lambda: table.exists() or None)
        (row,) = csv.DictReader(table.read_text().splitlines())
        self.assertEqual((row["name"], row["situation"], row["ending"]), ("Noor", "pink", "binned_rightly"))


class CutOff(Journey):
    expected = ("ERR_INTERNET_DISCONNECTED", "ERR_BLOCKED_BY_CLIENT")

    def setUp(self) -> None:
        super().setUp()
        self.addCleanup(self.browser.offline, gone=False)
        # As on a device that never met practice.
        self.browser.driver.execute_async_script("caches.delete('python').then(arguments[0])")

    def test_a_device_that_has_it_goes_on_by_itself(self) -> None:
        page = self.browser
        owner = self.baker()
        self.enter(owner, "/practice/hush?seed=5")
        page.sees("Practice is on this device, and goes on without a network.", WITH_PYTHON_S)
        acts = [{"at_h": 83.0, "what": "feed"}, {"at_h": 84.0, "what": "bake"}]
        told = owner.ok("POST", "/api/practice/told", {"situation": "hush", "seed": 5, "acts": acts})
        page.offline(gone=True)
        page.press("button", "An hour on")
        page.sees("Day 4, 19:00")
        page.press("button", "Feed it")
        page.sees("this device works it out by itself")
        page.sees_not("this device works it out by itself", WITH_PYTHON_S)
        page.press("button", "An hour on")
        page.sees("Day 4, 20:00")
        page.press("button", "Ask for a hint")
        page.sees("The smell has turned pleasant", WITH_PYTHON_S)
        self.assertEqual(page.axe(), [])
        page.press("button", "Bake with it")
        page.press("button", "Yes")
        page.sees("What came of it", WITH_PYTHON_S)
        self.assertEqual(told["ending"], "baked_too_soon")
        page.sees("A brick: there was gas, but hardly any yeast.")
        page.sees("Day 4, 19:00 Feed it: not as the jar would have liked.")
        self.assertEqual([one["opinion"] for one in told["decisions"]], ["not_liked", "not_liked"])
        page.offline(gone=False)
        page.press("button", "The same jar again")
        page.press("button", "Feed it")
        page.sees("Done: Feed it.")
        page.sees_not("this device works it out by itself", WITH_PYTHON_S)

    def test_a_device_that_has_it_not_stands_still_and_goes_on(self) -> None:
        page = self.browser
        page.block("*/python/*")
        self.addCleanup(page.block)
        self.enter(self.baker(), "/practice/hush?seed=5")
        page.sees("It could not be put on this device; without a network it would stand still.")
        page.press("button", "An hour on")
        page.offline(gone=True)
        # What was foreseen is there: time goes on without a network.
        page.press("button", "An hour on")
        page.sees("Day 4, 20:00")
        page.press("button", "Feed it")
        page.sees("Time stands still; what you did is kept.")
        page.offline(gone=False)
        # The jar stays in sight, as it stood.
        page.sees("Day 4, 20:00")
        page.all("button", "Try again")[0].click()
        page.sees_not("Time stands still; what you did is kept.")
        page.press("button", "An hour on")
        page.sees("Day 4, 21:00")
        page.block()
        page.press("button", "Try again")
        page.sees("Practice is on this device, and goes on without a network.", WITH_PYTHON_S)


class HadItBeenOtherwise(Journey):
    def test_a_feed_of_a_jar_is_supposed_to_have_been_larger(self) -> None:
        page = self.browser
        owner = self.baker().always_home().plan(name="Thistle").mix(80.0)
        for hours in (56.0, 32.0, 8.0):
            owner.feed(hours, keep_g=30.0)
        self.enter(owner, f"/jars/{owner.jar_id}")
        page.sees("Fed")
        page.press("button", "Change or undo the fed")
        page.press("menuitem", "What if it had been otherwise?")
        page.sees("What if … with Thistle")
        page.sees("Simulated")
        before = page.until(
            "a sentence", lambda: next((at for at in page.text().splitlines() if "at most" in at), None)
        )
        page.press("toggle", "been a larger feed")
        page.until("another sentence", lambda: before not in page.text() or None)
        page.sees("what might have been")
        self.assertEqual(page.axe(), [])
        page.size(390, 844)
        self.assertFalse(page.overflows())
        page.size(1280, 800)
        self.assertEqual(len(owner.jar()["assessment"]["rounds"]), 4)
