"""A camera before a jar: this device's own, one that posts, and pictures that were taken already."""

from __future__ import annotations

import tempfile
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from io import BytesIO
from pathlib import Path
from typing import ClassVar
from zoneinfo import ZoneInfo

import numpy as np
from django.core.cache import cache
from PIL import Image
from selenium.webdriver.common.keys import Keys

from standins.camera.__main__ import Camera
from standins.camera.draw import HEIGHT, WIDTH, Light, draw
from standins.camera.scene import OURS, Scene, course_of
from tests.server.base import files_of_its_own

from .base import Journey
from .browser import Browser, spaced

COURSE = ((0, 1.0), (1, 1.02), (2, 1.15), (3, 1.45), (4, 1.8), (5, 2.05), (6, 2.14), (7, 2.08), (8, 1.9), (9, 1.7))
# Where the jar stands in the stand-in's pictures, in hundredths.
LINES = {
    "bottom": 100 * OURS.bottom / HEIGHT,
    "the line": 100 * OURS.line / HEIGHT,
    "level": 100 * OURS.line / HEIGHT,
    "rim": 100 * OURS.rim / HEIGHT,
    "left wall": 100 * OURS.left / WIDTH,
    "right wall": 100 * OURS.right / WIDTH,
}


class Watching(Journey):
    def setUp(self) -> None:
        super().setUp()
        files_of_its_own(self)
        cache.clear()
        self.owner = self.baker().always_home().plan(name="Thistle", height_mm=140.0)
        for hours in (58.0, 34.0, 10.0):
            self.owner.feed(hours, keep_g=0.0 if hours == 58.0 else 30.0)
        fed_at = datetime.fromisoformat(self.owner.jar()["assessment"]["since_feed"]["fed_at"])
        self.scene = Scene(course_of(COURSE, fed_at), ZoneInfo("UTC"), light=Light.DAY)
        self.fed_at = fed_at

    def watch_page(self) -> str:
        return f"/jars/{self.owner.jar_id}/watch"

    def show(self, page: Browser, lines: dict[str, float]) -> None:
        """By the keyboard alone, as exactly as its steps are."""
        page.sees("Show where the jar stands")
        for name, wanted in lines.items():
            grip = page.one("slider", name)
            for steps, held in ((5, True), (1, False)):
                for _ in range(80):
                    off = wanted - float(grip.get_attribute("aria-valuenow") or 0)
                    if abs(off) < 0.5 * 0.4 * steps + 0.3:
                        break
                    key = Keys.ARROW_DOWN if off > 0 else Keys.ARROW_UP
                    grip.send_keys(Keys.SHIFT + key if held else key)
        page.press("button", "That is where it stands")

    def at(self, hour: float) -> datetime:
        return self.fed_at + timedelta(hours=hour)


class OneThatPosts(Watching):
    def test_the_curve_grows_survives_the_lamp_and_tells_the_peak(self) -> None:
        page = self.browser
        self.enter(self.owner, f"/jars/{self.owner.jar_id}")
        page.press("link", "Watch this jar")
        page.press("radio", "A camera that sends its pictures")
        page.press("button", "Set it up")
        page.sees("with this token, shown this once")
        token = next(word.split()[-1] for word in page.text().splitlines() if word.startswith("Authorization: Bearer"))
        camera = Camera(self.scene, f"{self.live_server_url}/api/frames", token)
        camera.send(self.at(0.05))
        page.press("button", "What the camera saw")
        page.press("button", "Show where the jar stands")
        self.show(page, LINES)
        page.sees("Highest so far")
        for hour in np.arange(0.25, 5.6, 0.25):
            camera.send(self.at(hour))
        self.scene.light = Light.NIGHT
        camera.send(self.at(5.7))
        page.sees("cannot read, too dark")
        self.scene.light = None
        for hour in np.arange(6.0, 8.1, 0.25):
            camera.send(self.at(hour))
        page.sees("Peak")
        self.assertEqual(page.axe(), [])
        # Through the pictures by the keyboard.
        film = page.one("slider-range", "Through the pictures")
        film.send_keys(Keys.HOME)
        page.sees("1 ×")
        said = spaced(film.get_attribute("aria-valuetext") or "")
        # As exactly as a line is drawn by hand.
        self.assertRegex(said, r": (1|0\.9[5-9]|1\.0[1-5]) ×$")
        page.size(390, 844)
        self.assertFalse(page.overflows())
        page.size(1280, 800)
        page.press("button", "Remove all pictures")
        page.press("button", "Remove them")
        page.sees("This picture is not kept any more.")
        page.press("link", "To the jar")
        page.sees("Seen by the camera")
        page.sees("It peaked at")
        page.open(self.watch_page())
        page.press("button", "Stop watching")
        page.press("button", "Stop it")
        page.sees("This device")
        self.assertEqual((camera.send(self.at(8.5)) or {})["refused"], 401)


class TakenAlready(Watching):
    expected = ("422 (Unprocessable",)

    def test_a_time_lapse_is_brought_in_with_progress_and_one_that_is_none_is_left_out(self) -> None:
        page = self.browser
        folder = Path(self.enterContext(tempfile.TemporaryDirectory()))
        files = []
        for number in range(28):
            files.append(folder / f"night-{number}.jpg")
            files[-1].write_bytes(self.scene.picture(self.at(0.1 + number / 3)))
        files.append(folder / "night-5b.jpg")
        files[-1].write_bytes(b"no picture at all")
        self.enter(self.owner, self.watch_page())
        page.press("radio", "Pictures taken already")
        page.choose_file("Choose pictures", *files)
        page.sees("29 pictures chosen")
        page.press("radio", "I give the first and the step")
        zone = ZoneInfo("Europe/Lisbon")
        first = page.one("textbox", "The first was taken at")
        page.driver.execute_script(
            "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;"
            "set.call(arguments[0], arguments[1]);"
            "arguments[0].dispatchEvent(new Event('input', { bubbles: true }))",
            first,
            f"{self.at(0.1).astimezone(zone):%Y-%m-%dT%H:%M}",
        )
        page.type("Minutes from one to the next", "20")
        page.press("button", "Show where the jar stands")
        self.show(page, LINES)
        page.press("button", "Bring them in")
        page.sees("night-5b.jpg could not be taken")
        page.press("button", "Go on without it")
        page.sees("of 27 pictures showed a level.")
        page.press("button", "What the camera saw")
        page.sees("Doubled")
        page.sees("Peak")
        self.assertEqual(page.axe(), [])


class OnePhoto(Watching):
    def test_it_proposes_lines_and_what_else_it_may_show(self) -> None:
        page = self.browser
        photo = Path(self.enterContext(tempfile.TemporaryDirectory())) / "jar.jpg"
        photo.write_bytes(self.scene.picture(self.at(6.0)))
        self.enter(self.owner, f"/jars/{self.owner.jar_id}/look")
        page.choose_file("Photo of the jar", photo)
        page.sees("These lines are proposed by the picture itself.")
        self.assertEqual(page.one("textbox", "Level").get_attribute("value"), "")
        page.press("button", "That is right")
        page.sees("The photo may also show")
        page.press("button", "a few bubbles")
        page.until("it noted", lambda: self.is_on("a few"))
        self.assertEqual(page.axe(), [])
        page.size(390, 844)
        self.assertFalse(page.overflows())
        page.size(1280, 800)
        # The mark a little lower: the level between the lines is read again, and counts as it is.
        page.one("button", "The mark").send_keys(Keys.ARROW_DOWN, Keys.ARROW_DOWN)
        page.press("button", "Save the look")
        page.sees("Look saved.")
        last = self.owner.jar()["assessment"]["since_feed"]["last"]
        self.assertAlmostEqual(last["times"], 2.14, delta=0.3)

    def is_on(self, name: str) -> bool:
        return any(one.get_attribute("aria-checked") == "true" for one in self.browser.all("toggle", name))


class ItsOwn(Watching):
    """Chromium takes a made video for its camera."""

    device: ClassVar[Browser]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        video = Path(folder.name) / "jar.mjpeg"
        scene = Scene(course_of(COURSE, datetime.now(UTC)), ZoneInfo("UTC"), light=Light.DAY)  # noqa: TID251
        moment = scene.moment(scene.course.fed_at)
        frames = [np.asarray(draw(OURS, replace(moment, number=number))) for number in range(10)]
        # As wide as a camera's: the wall goes on to both sides.
        wide = [np.pad(frame, ((0, 0), (140, 140), (0, 0)), mode="edge") for frame in frames]
        video.write_bytes(b"".join(jpeg(frame) for frame in wide * 3))
        cls.device = Browser(
            flags=(
                "--use-fake-device-for-media-stream",
                "--use-fake-ui-for-media-stream",
                f"--use-file-for-fake-video-capture={video}",
            )
        )
        cls.addClassCleanup(cls.device.quit)
        cls.device.base = cls.live_server_url

    def test_this_device_takes_a_picture_and_reads_it(self) -> None:
        page = self.device
        session = self.owner.client.cookies["despertar_session"].value
        # Fed just now: the paste stands at its line.
        self.owner.feed(0.02)
        page.open("/icon.svg")
        page.driver.add_cookie({"name": "despertar_session", "value": session, "path": "/"})
        page.open(self.watch_page())
        page.press("radio", "This device")
        page.press("radio", "1 minute")
        page.press("button", "Turn the camera on")
        page.press("button", "Take this picture")
        wide = WIDTH + 280
        walls = {"left wall": 100 * (OURS.left + 140) / wide, "right wall": 100 * (OURS.right + 140) / wide}
        self.show(page, {**LINES, **walls})
        page.sees("The camera is watching.")
        page.sees("Next picture in")
        read = page.until("a level", lambda: next((at for at in page.text().splitlines() if at.endswith("×")), None))
        self.assertRegex(read, r"(0\.9\d|1|1\.0\d?) ×$")
        self.assertEqual(page.axe(), [])
        page.press("button", "Stop watching")
        page.sees("What the camera saw")
        (camera,) = self.owner.ok("GET", f"/api/jars/{self.owner.jar_id}/watch")["cameras"]
        self.assertEqual((camera["kind"], camera["waits"], camera["asks"]), ("page", False, False))
        self.assertEqual(page.console(), [])


def jpeg(frame: np.ndarray) -> bytes:
    out = BytesIO()
    Image.fromarray(frame).save(out, "JPEG", quality=92)
    return out.getvalue()
