"""A connection lost while saving: kept on the device, said, sent when it is back; and one that is only slow."""

from __future__ import annotations

from threading import Event
from typing import Any
from unittest.mock import patch

from guidance import pages

from .base import Journey
from .test_no_network import ACTIVE

# A page shows what it has kept where a kitchen takes longer than four.
SLOW_S = 5.0


class LostConnection(Journey):
    expected = ("ERR_INTERNET_DISCONNECTED", "422 (Unprocessable")

    def setUp(self) -> None:
        super().setUp()
        self.addCleanup(self.browser.offline, gone=False)
        self.owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/look")

    def save_offline(self, level: str) -> None:
        page = self.browser
        page.type("Level", level)
        page.offline(gone=True)
        page.press("button", "Save the look")
        page.sees("Not sent yet: Look at Thistle.")

    def test_kept_said_and_sent_once(self) -> None:
        page = self.browser
        self.save_offline("1.6")
        page.sees("Kept on this device.")
        self.assertEqual(len(self.owner.jar()["log"]), 1)
        page.offline(gone=False)
        page.sees_not("Not sent yet")
        page.sees("1.6 ×")
        self.assertEqual(len(self.owner.jar()["log"]), 2)

    def test_a_reload_while_it_waits_loses_nothing(self) -> None:
        page = self.browser
        self.save_offline("1.7")
        page.offline(gone=False)
        page.driver.refresh()
        page.sees("1.7 ×")
        self.assertEqual(len(self.owner.jar()["log"]), 2)

    def test_refused_later_it_can_be_opened_again(self) -> None:
        page = self.browser
        self.save_offline("9")
        page.offline(gone=False)
        page.sees("Not taken: Look at Thistle.")
        page.press("button", "Open it again")
        self.assertEqual(page.one("textbox", "Level").get_attribute("value"), "9")
        page.type("Level", "1.9")
        page.press("button", "Save the look")
        page.sees("Look saved.")

    def test_what_cannot_wait_says_that_it_was_not_done(self) -> None:
        page = self.browser
        page.open("/house")
        page.one("button", "Invite somebody")
        page.offline(gone=True)
        page.press("button", "Invite somebody")
        page.sees("The kitchen cannot be reached.")
        page.offline(gone=False)
        page.press("button", "Invite somebody")
        page.sees("Tell it to one person.")
        page.sees_not("The kitchen cannot be reached.")


class ASlowKitchen(Journey):
    def test_what_was_written_is_shown_and_not_what_was_kept_before_it(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(owner)
        page.driver.execute_async_script(ACTIVE)
        # What is seen once the worker is there is what it keeps.
        page.open(f"/jars/{owner.jar_id}")
        page.press("link", "Look")
        page.type("Level", "1.6")
        told, answered = pages.kitchen_page, Event()

        def slowly(*asked: Any) -> Any:
            answered.wait(SLOW_S)
            answered.set()
            return told(*asked)

        with patch.object(pages, "kitchen_page", slowly):
            page.press("button", "Save the look")
            page.sees("1.6 ×")
            page.until("the kitchen's answer", lambda: answered.is_set() or None)
            page.sees("1.6 ×")
