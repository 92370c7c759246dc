"""The house around the jars: several hands, thermometers, photos."""

from __future__ import annotations

import tempfile
from pathlib import Path

from django.test import override_settings
from PIL import Image
from selenium.webdriver.common.keys import Keys

from .base import Journey


class SeveralHands(Journey):
    def test_invited_helping_and_shown_out(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(24.0)
        helper = self.baker("Noor")
        code = owner.ok("POST", "/api/hands/invitations")["code"]
        self.enter(helper, "/house")
        page.type("An invitation you were given", code)
        page.press("button", "Come in")
        page.sees("You keep Ines's kitchen")
        page.press("link", "Kitchen")
        page.sees("of Ines")
        page.press("link", "Look")
        page.press("toggle", "a few")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        self.enter(owner, f"/jars/{owner.jar_id}")
        page.sees("bubbles: a few by Noor")
        page.press("link", "House")
        page.press("button", "Show out")
        page.sees_not("keeps your kitchen")
        self.assertEqual(helper.ok("GET", "/api/kitchen")["jars"], [])

    def test_an_invitation_is_told_once_and_a_wrong_one_is_named(self) -> None:
        type(self).expected = ("422 (Unprocessable",)
        page = self.browser
        self.enter(self.baker(), "/house")
        page.press("button", "Invite somebody")
        page.sees("Tell it to one person.")
        page.press("button", "Call back the open invitation")
        page.sees_not("Tell it to one person.")
        page.type("An invitation you were given", "abcd-efgh")
        page.press("button", "Come in")
        page.sees("This invitation is not known, was used, or is too old.")

    def test_a_thermometer_is_set_up_and_a_jar_put_beside_it(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(24.0)
        self.enter(owner, "/house")
        page.type("Place", "Top of the fridge")
        page.press("button", "Set one up")
        page.sees("shown this once")
        page.open(f"/jars/{owner.jar_id}/change/moved")
        page.press("toggle", "Top of the fridge")
        page.press("button", "Save it")
        page.sees("Moved")
        moved = next(one["entry"] for one in owner.jar()["log"] if one["entry"]["kind"] == "moved")
        self.assertEqual(moved["thermometer"], owner.ok("GET", "/api/thermometers")[0]["id"])
        page.open("/house")
        page.press("button", "Withdraw")
        page.press("button", "Not now")
        page.press("button", "Withdraw")
        page.press("button", "Withdraw it")
        page.until("it gone", lambda: None if owner.ok("GET", "/api/thermometers") else True)


class Photos(Journey):
    def setUp(self) -> None:
        super().setUp()
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        kept = override_settings(DESPERTAR_FILES=folder.name)
        kept.enable()
        self.addCleanup(kept.disable)
        self.owner = self.baker().plan(name="Thistle").mix(24.0)

    def photo(self, name: str) -> Path:
        path = self.folder / name
        Image.new("RGB", (300, 400), (200, 170, 120)).save(path)
        return path

    def take(self, name: str) -> None:
        page = self.browser
        page.open(f"/jars/{self.owner.jar_id}/look")
        page.one("button", "Add a photo")
        page.choose_file("Photo of the jar", self.photo(name))
        page.one("button", "The level now").send_keys(Keys.ARROW_UP)
        page.sees("by the photo, between")
        page.press("button", "Save the look")
        page.sees("Look saved.")

    def test_three_lines_give_the_level_and_the_days_are_flipped_through(self) -> None:
        page = self.browser
        self.enter(self.owner)
        self.take("first.jpg")
        page.until("the photo", lambda: self.owner.jar()["photos"] or None)
        level = self.owner.jar()["log"][0]["entry"]["level"]["value"]
        self.assertAlmostEqual(level, 2.27, delta=0.05)
        self.take("second.png")
        page.until("two photos", lambda: True if len(self.owner.jar()["photos"]) == 2 else None)
        page.open(f"/jars/{self.owner.jar_id}")
        page.press("link", "Flip through 2 photos")
        page.one("button", "Earlier")
        page.press("button", "Hold against the first")
        page.one("slider-range", "How much of the earlier photo shows")
        self.assertEqual(page.axe(), [])
        page.press("button", "One at a time")
        page.press("button", "Earlier")
        page.press("button", "Take this photo away")
        page.press("button", "Take it away")
        page.until("one photo", lambda: True if len(self.owner.jar()["photos"]) == 1 else None)

    def test_what_is_no_photo_is_named_and_the_look_stays(self) -> None:
        page = self.browser
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/look")
        page.press("toggle", "a few")
        wrong = self.folder / "recipe.pdf"
        wrong.write_bytes(b"%PDF-1.7")
        page.choose_file("Photo of the jar", wrong)
        page.sees("This is not a photo. Choose a JPEG, PNG or WebP picture.")
        page.press("button", "Save the look")
        page.sees("Look saved.")
