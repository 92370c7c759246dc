"""A feed with the simulated scale: no typing at all, and nothing lost when the scale falls silent."""

from __future__ import annotations

import json
import urllib.request

from django.test import override_settings

from config.settings import CONTENT_SECURITY_POLICY
from standins.scale.__main__ import serve

from .base import Journey


class WithTheScale(Journey):
    # The stream breaks off when the scale is switched off for good.
    expected = ("ERR_CONNECTION_REFUSED", "ERR_INCOMPLETE_CHUNKED_ENCODING")

    def setUp(self) -> None:
        super().setUp()
        self.server = serve(0)
        self.addCleanup(self.server.server_close)
        self.addCleanup(self.server.shutdown)
        self.address = f"http://127.0.0.1:{self.server.server_address[1]}"
        directives = CONTENT_SECURITY_POLICY["DIRECTIVES"]
        policy = {"DIRECTIVES": {**directives, "connect-src": ["'self'", self.address]}}
        settings = override_settings(DESPERTAR_SCALE=self.address, CONTENT_SECURITY_POLICY=policy)
        settings.enable()
        self.addCleanup(settings.disable)
        self.owner = self.baker().plan(name="Thistle").mix(24.0)
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/feed")
        self.browser.press("button", "Read my scale")

    def hands(self, **what: object) -> None:
        urllib.request.urlopen(f"{self.address}/hands", json.dumps(what).encode(), timeout=5).close()

    def step(self, grams: float, sees: str) -> None:
        self.hands(put_g=grams)
        self.browser.sees(sees)
        before = self.browser.step()
        self.browser.press("button", "Next")
        self.browser.until("the next step", lambda: True if self.browser.step() != before else None)

    def test_a_feed_without_typing(self) -> None:
        page = self.browser
        self.hands(put_g=260)
        page.sees("30 g still to take out")
        self.step(-30, "That is it.")
        self.hands(put_g=12)
        page.sees("18 g to go")
        self.step(18, "That is it.")
        self.step(26, "6 g too much")
        page.sees("Add 10 g whole rye")
        page.sees("Add 6 g more water to keep it even.")
        self.step(10, "That is it.")
        page.press("button", "It is fed")
        page.sees("Thistle is fed.")
        fed = self.owner.jar()["log"][0]["entry"]
        self.assertEqual((fed["keep_g"], fed["water_g"], [part["g"] for part in fed["flours"]]), (30, 30, [26, 10]))

    def test_zeroed_in_between_it_still_knows(self) -> None:
        page = self.browser
        self.hands(put_g=230)
        page.sees("That is it.")
        urllib.request.urlopen(f"{self.address}/tare", b"", timeout=5).close()
        self.step(0, "That is it.")
        self.step(30, "That is it.")
        page.sees("Step 3 of 5")

    def test_when_it_falls_silent_typing_takes_over(self) -> None:
        page = self.browser
        self.step(230, "That is it.")
        self.hands(plugged=False)
        page.sees("The scale is silent.")
        page.type("Water, if not 30 g", "34")
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.sees("Thistle is fed.")
        self.assertEqual(self.owner.jar()["log"][0]["entry"]["water_g"], 34)
