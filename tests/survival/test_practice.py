"""Practice once opened, and the kitchen gone: stopped altogether, and the page asked for anew."""

from __future__ import annotations

import csv
import tempfile
from pathlib import Path
from unittest import TestCase

from tests.journeys.browser import WITH_PYTHON_S, Browser
from tests.server.base import PASSWORD

from .house import House

WANTED = "fetch('/assets/en/scripts.json').then((is) => is.json()).then((all) => arguments[0](all.length))"
KEPT = "caches.open('scripts').then((kept) => kept.keys()).then((all) => arguments[0](all.length))"


class WithoutAKitchen(TestCase):
    def test_a_jar_is_opened_lived_and_judged(self) -> None:
        house = House()
        self.addCleanup(house.close)
        house.start()
        self.folder = Path(self.enterContext(tempfile.TemporaryDirectory()))
        self.page = page = Browser(390, 844)
        self.addCleanup(page.quit)
        page.downloads_to(self.folder)
        page.base = house.base
        page.sign_up("Ines", PASSWORD)
        page.sees("The shelf is empty.")
        # The page's own worker must have the page before it can give it again.
        page.until(
            "a worker", lambda: page.driver.execute_script("return !!navigator.serviceWorker.controller") or None
        )
        page.open("/practice")
        page.sees("Practice is on this device, and goes on without a network.", WITH_PYTHON_S)
        all_there = page.driver.execute_async_script(WANTED)
        page.until("all scripts", lambda: True if page.driver.execute_async_script(KEPT) >= all_there else None)
        house.stop()

        page.driver.refresh()
        page.sees("Practice is on this device, and goes on without a network.", WITH_PYTHON_S)
        page.press("link", "A streak at the glass")
        page.sees("Day 6, 08:00", WITH_PYTHON_S)
        page.press("button", "An hour on")
        page.sees("Day 6, 09:00")
        page.driver.refresh()
        page.sees("Day 6, 09:00", WITH_PYTHON_S)
        page.press("button", "Bin it")
        page.press("button", "Yes")
        page.sees("Binned, and rightly: it was spoiled.", WITH_PYTHON_S)
        page.sees("Bin it: as the jar would have liked.")
        self.assertFalse(page.overflows())
        page.press("disclosure", "For a class")
        page.type("Your name on it", "Noor")
        page.press("button", "Save the result for a teacher")
        (saved,) = self.downloaded("practice-pink-*.json")
        page.press("link", "Other situations")
        page.press("disclosure", "For a class")
        page.choose_file("Choose result files", saved)
        page.sees("1 result is in the table.", WITH_PYTHON_S)
        (table,) = self.downloaded("class.csv")
        (row,) = csv.DictReader(table.read_text().splitlines())
        self.assertEqual((row["name"], row["ending"], row["acts"]), ("Noor", "binned_rightly", "1"))

    def downloaded(self, pattern: str) -> list[Path]:
        return self.page.until(pattern, lambda: list(self.folder.glob(pattern)) or None)
