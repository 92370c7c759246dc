"""The simulated camera: a jar on its course, what hands do before it, and pictures that wait while nobody answers."""

from __future__ import annotations

import json
import urllib.error
import urllib.request
from datetime import UTC, datetime, timedelta
from io import BytesIO
from unittest import TestCase
from zoneinfo import ZoneInfo

import numpy as np
from PIL import Image

from demo.services import STOOD
from standins.camera.__main__ import Camera, kept_back, scene_of, serve
from standins.camera.draw import HEIGHT, WIDTH, Light
from standins.camera.scene import ELSEWHERE, OURS, Scene, course_of

FED = datetime(2026, 3, 2, 9, tzinfo=UTC)
POINTS = ((0.0, 1.0), (4.0, 1.8), (8.0, 2.2), (12.0, 1.7))


def scene() -> Scene:
    return Scene(course_of(POINTS, FED), ZoneInfo("UTC"))


def mean(of: Scene, at: datetime) -> float:
    return float(np.asarray(Image.open(BytesIO(of.picture(at)))).mean())


class AScene(TestCase):
    def test_the_jar_follows_its_course(self) -> None:
        told = [scene().moment(FED + timedelta(hours=hour)) for hour in (2.0, 8.0, 10.0)]
        self.assertEqual([round(one.level, 2) for one in told], [1.4, 2.2, 1.95])
        self.assertEqual([round(one.high, 2) for one in told], [1.4, 2.2, 2.2])

    def test_light_by_the_clock_and_by_hand(self) -> None:
        of = scene()
        lights = [of.moment(FED.replace(hour=hour, minute=minute)).light for hour, minute in ((12, 0), (21, 0))]
        self.assertEqual(lights, [Light.DAY, Light.LAMP])
        self.assertIs(of.moment(FED + timedelta(hours=17, minutes=10)).light, Light.NIGHT)
        of.act({"light": "night"})
        dark = mean(of, FED)
        of.act({"light": "clock"})
        self.assertLess(dark, 0.2 * mean(of, FED))

    def test_what_hands_do_is_seen_and_what_none_does_is_refused(self) -> None:
        of = scene()
        plain = of.picture(FED)
        for said in ({"before": "hand"}, {"steam": True}, {"elsewhere": True}, {"other": True}):
            with self.subTest(said):
                one = scene()
                one.act(said)
                self.assertNotEqual(one.picture(FED), plain)
        for wrong in ({"light": "green"}, {"before": "dog"}, {"steam": 1}, {}):
            with self.assertRaises(ValueError):
                of.act(wrong)
        self.assertGreater(ELSEWHERE, 0)

    def test_the_demo_shows_the_jar_where_it_stands(self) -> None:
        shares = (OURS.bottom / HEIGHT, OURS.line / HEIGHT, OURS.rim / HEIGHT, OURS.left / WIDTH, OURS.right / WIDTH)
        shown = (STOOD.bottom, STOOD.line, STOOD.rim, STOOD.left, STOOD.right)
        for share, there in zip(shares, shown, strict=True):
            self.assertAlmostEqual(share, there, places=3)


class ACamera(TestCase):
    def test_what_it_kept_back_begins_after_the_feed_and_is_a_day_at_most(self) -> None:
        told = kept_back(scene(), FED + timedelta(hours=2))
        self.assertEqual(told[0], FED + timedelta(minutes=3))
        self.assertEqual(len(told), 23)
        self.assertLessEqual(len(kept_back(scene(), FED + timedelta(days=3))), 288)

    def test_nobody_answering_is_to_be_tried_again(self) -> None:
        self.assertIsNone(Camera(scene(), "http://127.0.0.1:9/api/frames", "t").send(FED))

    def test_its_course_is_told_as_json(self) -> None:
        told = scene_of(json.dumps({"fed_at": FED.isoformat(), "zone": "Europe/Lisbon", "points": POINTS}))
        self.assertAlmostEqual(told.course.level(FED + timedelta(hours=4)), 1.8)

    def test_its_page_and_its_hands(self) -> None:
        camera = Camera(scene(), "http://127.0.0.1:9/", "t")
        server = serve(camera, 0)
        self.addCleanup(server.server_close)
        self.addCleanup(server.shutdown)
        base = f"http://127.0.0.1:{server.server_address[1]}"
        with urllib.request.urlopen(f"{base}/", timeout=5) as page:
            self.assertIn("Simulated camera", page.read().decode())
        with urllib.request.urlopen(f"{base}/picture.jpg", timeout=5) as shown:
            self.assertEqual(Image.open(BytesIO(shown.read())).size, (WIDTH, HEIGHT))
        urllib.request.urlopen(f"{base}/hands", json.dumps({"before": "cat"}).encode(), timeout=5).close()
        self.assertEqual(camera.scene.before, "cat")
        for asked in (
            urllib.request.Request(f"{base}/hands", b'{"light": "green"}'),
            urllib.request.Request(f"{base}/hands", b"{}", {"Origin": "https://elsewhere.example"}),
            urllib.request.Request(f"{base}/nothing"),
        ):
            with self.assertRaises(urllib.error.HTTPError) as refused:
                urllib.request.urlopen(asked, timeout=5)
            refused.exception.close()
            self.assertIn(refused.exception.code, (403, 404, 422))
