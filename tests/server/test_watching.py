"""A camera before a jar: shown where that stands, it reads a rise through the night, and says what it cannot read."""

from __future__ import annotations

import base64
from datetime import UTC, datetime, timedelta
from io import BytesIO
from pathlib import Path
from typing import Any
from uuid import uuid4
from zoneinfo import ZoneInfo

import numpy as np
from django.conf import settings
from django.core.cache import cache
from django.db.models import F
from django.test import TestCase
from PIL import Image

from standins.camera.draw import HEIGHT, WIDTH, Before, Kitchen, Light, Mark, Moment, draw, kitchen
from watching.keeping import EACH, thin
from watching.models import Camera, Picture

from .base import Baker, ago, files_of_its_own
from .test_photos import jpeg

OURS = kitchen(12, Mark.NONE)
# Hours since the feed, and the level: up to a peak at six hours and down again.
COURSE = np.array(
    [[0, 1.0], [1, 1.02], [2, 1.15], [3, 1.45], [4, 1.8], [5, 2.05], [6, 2.14], [7, 2.08], [8, 1.9], [9, 1.7]]
)


def level_at(hour: float) -> float:
    return float(np.interp(hour, COURSE[:, 0], COURSE[:, 1]))


def sent(moment: Moment, of: Kitchen = OURS, exif_at: str | None = None) -> bytes:
    out = BytesIO()
    about = Image.Exif()
    if exif_at:
        # DateTimeOriginal and OffsetTimeOriginal (Exif 2.31, from memory).
        about.get_ifd(0x8769)[0x9003] = exif_at
    Image.fromarray(draw(of, moment)).save(out, "JPEG", quality=92, exif=about)
    return out.getvalue()


def at_hour(hour: float, **changes: Any) -> Moment:
    level = level_at(hour)
    high = max(level_at(each) for each in np.arange(0, hour + 0.01, 0.1))
    return Moment(level, high, number=round(hour * 60), gas=min(0.8, 0.1 + 0.4 * (level - 1)), **changes)


def lines_of(of: Kitchen, level: float = 1.0) -> dict[str, float]:
    height = of.bottom - of.line
    return {
        "bottom": of.bottom / HEIGHT,
        "line": of.line / HEIGHT,
        "rim": of.rim / HEIGHT,
        "level": (of.bottom - level * height) / HEIGHT,
        "left": of.left / WIDTH,
        "right": of.right / WIDTH,
    }


def picture(data: bytes, at: str | None) -> dict[str, Any]:
    return {"at": at, "picture": base64.b64encode(data).decode()}


class Watched(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        cache.clear()
        self.baker = Baker("Ines").sign_up().always_home().plan(height_mm=140.0)
        # Fed ten hours ago, after two days.
        for hours in (58.0, 34.0, 10.0):
            self.baker.feed(hours, keep_g=0.0 if hours == 58.0 else 30.0)
        self.jar = f"/api/jars/{self.baker.jar_id}"
        self.camera = str(uuid4())

    def set_up(self, kind: str = "page") -> Any:
        return self.baker.ok("POST", f"{self.jar}/cameras", {"id": self.camera, "kind": kind, "every_min": 5.0})

    def show(self, hour: float = 0.05, **changes: Any) -> None:
        shown = {"lines": lines_of(OURS, level_at(hour)), "picture": picture(sent(at_hour(hour)), ago(10.0 - hour))}
        self.baker.ok("PUT", f"/api/cameras/{self.camera}/lines", {**shown, **changes})

    def take(self, *moments: tuple[float, Moment], of: Kitchen = OURS) -> list[Any]:
        pictures = [picture(sent(moment, of), ago(10.0 - hour)) for hour, moment in moments]
        told: list[Any] = self.baker.ok("POST", f"/api/cameras/{self.camera}/pictures", {"pictures": pictures})
        return told

    def watch(self) -> Any:
        return self.baker.ok("GET", f"{self.jar}/watch")

    def night(self, step: float = 0.25, until: float = 9.0) -> None:
        for start in np.arange(step, until + 0.01, step * 10):
            hours = np.arange(start, min(start + step * 9.5, until + 0.01), step)
            self.take(*((hour, at_hour(hour)) for hour in hours))


class ANight(Watched):
    def test_its_curve_its_peak_and_what_it_tells_of_the_jar(self) -> None:
        before = self.baker.jar()["assessment"]
        self.set_up()
        self.show()
        self.night()
        told = self.watch()
        (feed,) = told["feeds"]
        read = [point for point in feed["points"] if point["level"] is not None]
        self.assertGreaterEqual(len(read), 0.8 * len(feed["points"]))
        fed = datetime.fromisoformat(feed["at"])

        def hours(at: str) -> float:
            return (datetime.fromisoformat(at) - fed) / timedelta(hours=1)

        off = np.abs([point["level"] - level_at(hours(point["at"])) for point in read])
        self.assertLess(float(np.median(off)), 0.02)
        self.assertLess(float(off.max()), 0.15)
        self.assertLess(abs(hours(feed["peak"]["at"]) - 6.0), 0.6)
        self.assertLess(abs(feed["peak"]["times"] - 2.14), 0.05)
        crossed = next(hour for hour in np.arange(0, 6, 0.01) if level_at(hour) >= feed["doubles_at"])
        self.assertLess(abs(hours(feed["doubled"]["at"]) - crossed), 0.4)
        self.assertIsNone(feed["back_to_line"])
        after = self.baker.jar()["assessment"]
        # The forecast narrows, and the feed counts as watched.
        self.assertEqual(before["forecast"]["basis"]["watched"] + 1, after["forecast"]["basis"]["watched"])

        def spread(of: Any) -> float:
            peaks = of["forecast"]["peaks"]
            early, late = (datetime.fromisoformat(peaks[name]) for name in ("earliest", "latest"))
            return (late - early) / timedelta(hours=1)

        self.assertLess(spread(after), 0.7 * spread(before))
        self.assertGreater(after["since_feed"]["highest"]["times"], 2.0)

    def test_a_lamp_put_out_a_hand_and_a_jar_set_down_elsewhere(self) -> None:
        self.set_up()
        self.show()
        self.take(*((hour, at_hour(hour)) for hour in (0.5, 1.0, 1.5, 2.0)))
        dark, hand, free = self.take(
            (2.25, at_hour(2.25, light=Light.NIGHT)), (2.5, at_hour(2.5, before=Before.HAND)), (2.75, at_hour(2.75))
        )
        self.assertEqual((dark["cause"], dark["level"]), ("dark", None))
        self.assertIsNone(hand["level"])
        self.assertLess(abs(free["level"] - level_at(2.75)), 0.05)
        beside = Kitchen(**{**OURS.__dict__, "left": OURS.left + 14, "right": OURS.right + 14})
        told = self.take((3.0, at_hour(3.0)), (3.25, at_hour(3.25)), of=beside)
        self.assertLess(abs(told[-1]["level"] - level_at(3.25)), 0.06)

    def test_another_jar_is_asked_about(self) -> None:
        self.set_up()
        self.show()
        other = kitchen(53, Mark.BAND)
        self.take(*((hour, at_hour(hour)) for hour in (0.5, 1.0)))
        self.take(*((hour, at_hour(hour)) for hour in (1.5, 2.0, 2.5)), of=other)
        (camera,) = self.watch()["cameras"]
        self.assertTrue(camera["asks"])
        # Shown again, in the next picture, it is read on.
        self.baker.ok("DELETE", f"/api/cameras/{self.camera}/lines")
        self.take((3.0, at_hour(3.0)), of=other)
        (camera,) = self.watch()["cameras"]
        self.assertEqual((camera["waits"], camera["asks"]), (True, False))
        lines = lines_of(other, level_at(3.0))
        self.baker.ok("PUT", f"/api/cameras/{self.camera}/lines", {"lines": lines, "picture": None})
        (told,) = self.take((3.25, at_hour(3.25)), of=other)
        self.assertLess(abs(told["level"] - level_at(3.25)), 0.1)

    def test_the_next_feed_is_followed_from_its_own_line(self) -> None:
        self.set_up()
        self.show()
        self.take(*((hour, at_hour(hour)) for hour in np.arange(0.5, 8.01, 0.5)))
        self.baker.feed(1.5)
        told = self.take((8.6, Moment(1.0, 1.0, number=900)), (9.0, Moment(1.02, 1.02, number=901)))
        self.assertEqual([one["cause"] for one in told], [None, None])
        latest, first = self.watch()["feeds"]
        self.assertEqual(len(latest["points"]), 2)
        self.assertLess(abs(latest["points"][1]["level"] - 1.02), 0.05)
        self.assertIsNotNone(first["peak"])


class WhatIsSent(Watched):
    def test_lines_that_cross_are_named(self) -> None:
        self.set_up()
        for name, value in (("line", 0.99), ("rim", 0.9), ("right", 0.1), ("level", 0.0)):
            lines = {**lines_of(OURS), name: value}
            body = {"lines": lines, "picture": picture(sent(at_hour(0.1)), ago(9.9))}
            self.assertEqual(
                self.baker.problem("PUT", f"/api/cameras/{self.camera}/lines", body), (422, "lines_cross", name)
            )

    def test_what_is_no_picture_is_refused_by_its_number_and_loses_nothing(self) -> None:
        self.set_up()
        self.show()
        path = f"/api/cameras/{self.camera}/pictures"
        good = picture(sent(at_hour(1.0)), ago(9.0))
        cases = (
            (b"GIF89a nothing", "not_a_photo"),
            (jpeg()[:300], "photo_broken"),
            (jpeg(30, 30), "photo_too_small"),
            (jpeg(9000, 7000), "photo_too_large"),
        )
        for data, code in cases:
            with self.subTest(code):
                body = {"pictures": [good, picture(data, ago(8.5))]}
                self.assertEqual(self.baker.problem("POST", path, body), (422, code, "pictures.1"))
        self.assertEqual(len(self.watch()["feeds"][0]["points"]), 1)
        (told,) = self.take((1.0, at_hour(1.0)))
        self.assertTrue(told["is_new"])
        # Sent again it is one.
        again = self.baker.ok("POST", path, {"pictures": [good]})
        self.assertEqual([one["is_new"] for one in again], [False])

    def test_a_picture_tells_its_own_time(self) -> None:
        self.set_up("lapse")
        self.show()
        zone = self.baker.ok("GET", "/api/session")["account"]["time_zone"]
        self.assertEqual(zone, "Europe/Lisbon")
        at = (datetime.now(UTC) - timedelta(hours=9.0)).replace(microsecond=0)  # noqa: TID251
        said = f"{at.astimezone(ZoneInfo(zone)):%Y:%m:%d %H:%M:%S}"
        path = f"/api/cameras/{self.camera}/pictures"
        (told,) = self.baker.ok("POST", path, {"pictures": [picture(sent(at_hour(1.0), exif_at=said), None)]})
        self.assertEqual(datetime.fromisoformat(told["at"]), at)
        without = {"pictures": [picture(sent(at_hour(1.2)), None)]}
        self.assertEqual(self.baker.problem("POST", path, without), (422, "not_a_time", "pictures.0.at"))

    def test_a_device_posts_with_its_token_and_opens_nothing_else(self) -> None:
        token = self.set_up("posts")["token"]
        device = {"Authorization": f"Bearer {token}"}

        def post(data: bytes, at: str) -> Any:
            return self.baker.client.post(f"/api/frames?at={at}", data, content_type="image/jpeg", headers=device)

        first = post(sent(at_hour(0.1)), ago(9.9).replace("+00:00", "Z"))
        self.assertEqual((first.status_code, first.json()["cause"]), (200, "not_shown"))
        # The jar is shown in what the camera sent.
        self.baker.ok("PUT", f"/api/cameras/{self.camera}/lines", {"lines": lines_of(OURS), "picture": None})
        second = post(sent(at_hour(1.0)), ago(9.0).replace("+00:00", "Z")).json()
        self.assertLess(abs(second["level"] - level_at(1.0)), 0.05)
        stranger = Baker("").client
        for path in ("/api/kitchen", f"{self.jar}/watch", self.jar):
            self.assertEqual(stranger.get(path, headers=device).status_code, 401, path)
        self.assertEqual(stranger.post("/api/frames", b"x", content_type="image/jpeg").status_code, 401)
        self.baker.ok("DELETE", f"/api/cameras/{self.camera}")
        self.assertEqual(post(sent(at_hour(1.2)), ago(8.8).replace("+00:00", "Z")).status_code, 401)

    def test_a_device_that_floods_is_slowed(self) -> None:
        token = self.set_up("posts")["token"]
        codes = [
            self.baker.client.post(
                "/api/frames", b"none", content_type="image/jpeg", HTTP_AUTHORIZATION=f"Bearer {token}"
            ).status_code
            for _ in range(62)
        ]
        self.assertEqual((codes[0], codes[-1]), (422, 429))


class WhatIsKept(Watched):
    def test_the_box_alone_thinned_and_gone_with_one_press(self) -> None:
        self.set_up()
        self.show()
        wide = Image.new("RGB", (WIDTH * 3, HEIGHT), (90, 140, 90))
        wide.paste(Image.fromarray(draw(OURS, at_hour(0.1))), (WIDTH, 0))
        out = BytesIO()
        wide.save(out, "JPEG", quality=92)
        lines = lines_of(OURS)
        lines["left"], lines["right"] = (1 + lines["left"]) / 3, (1 + lines["right"]) / 3
        self.show(lines=lines, picture=picture(out.getvalue(), ago(9.9)))
        told = self.watch()
        shown = told["feeds"][0]["points"][-1]["picture"]
        answer = self.baker.client.get(f"/api/watched/{shown}")
        self.assertEqual((answer.status_code, answer["Content-Type"]), (200, "image/jpeg"))
        self.assertLess(Image.open(BytesIO(answer.content)).width, WIDTH * 1.2)
        self.assertEqual(Baker("Noor").sign_up().client.get(f"/api/watched/{shown}").status_code, 404)
        gone = self.baker.ok("DELETE", f"{self.jar}/watch")
        self.assertEqual(gone["pictures"], told["pictures"])
        left = list(Path(settings.DESPERTAR_FILES).rglob("*.jpg"))
        self.assertEqual(left, [])
        after = self.watch()
        self.assertEqual((after["pictures"], after["bytes"]), (0, 0))
        self.assertEqual(
            [point["level"] for point in after["feeds"][0]["points"]],
            [point["level"] for point in told["feeds"][0]["points"]],
        )

    def test_after_a_day_one_an_hour_and_the_highest(self) -> None:
        self.set_up()
        self.show()
        self.night(0.2, 9.0)
        Picture.objects.update(at=F("at") - timedelta(days=2))
        self.assertGreater(EACH, 1)
        camera = Camera.objects.get()
        while Picture.objects.exclude(size=0).count() % EACH:
            Picture.objects.exclude(size=0).order_by("at")[1].delete()
        before = list(Picture.objects.exclude(size=0).values_list("at", flat=True))
        top = Picture.objects.exclude(level=None).order_by("-level")[0]
        thin(camera, datetime.now(UTC))  # noqa: TID251
        kept = list(Picture.objects.exclude(size=0).order_by("at"))
        self.assertLess(len(kept), 14)
        self.assertLess(len(kept), len(before) / 2)
        self.assertIn(top.id, [row.id for row in kept])
        self.assertTrue(kept[0].starts)
        self.assertEqual(
            {row.at.replace(minute=0, second=0, microsecond=0) for row in kept},
            {at.replace(minute=0, second=0, microsecond=0) for at in before},
        )

    def test_as_a_table_and_as_a_film(self) -> None:
        self.set_up()
        self.show()
        self.night(1.0)
        feed = self.watch()["feeds"][0]["feed_id"]
        table = self.baker.client.get(f"{self.jar}/watch/{feed}.csv")
        rows = table.content.decode().splitlines()
        self.assertEqual(rows[0], "at,hours_since_feed,level_times,error_times,cause")
        self.assertEqual(len(rows), 11)
        film = Image.open(BytesIO(self.baker.client.get(f"{self.jar}/watch/{feed}.webp").content))
        self.assertEqual((film.format, getattr(film, "n_frames", 1), film.height), ("WEBP", 10, 360))


class Notices(Watched):
    def letters(self) -> tuple[list[Any], list[Any]]:
        box = self.baker.ok("GET", "/api/postbox")
        sent, to_come = ([one for one in box[name] if one["about"] == "watched"] for name in ("sent", "to_come"))
        return sent, to_come

    def test_of_doubling_and_peak_once_each(self) -> None:
        self.set_up()
        self.show()
        self.night(0.5)
        sent, to_come = self.letters()
        self.assertEqual({one["what"] for one in sent}, {"doubled", "peak"})
        self.assertEqual(to_come, [])
        self.night(9.25, 9.5)
        self.assertEqual(len(self.letters()[0]), 2)
        peak = next(one for one in sent if one["what"] == "peak")
        self.assertLess(abs(peak["times"] - 2.14), 0.05)

    def test_outside_the_bakers_hours_it_waits(self) -> None:
        now = datetime.now(ZoneInfo("Europe/Lisbon"))  # noqa: TID251
        ahead = (now.hour * 60 + now.minute + 120) % 1380
        band = [{"start": ahead, "end": ahead + 60}]
        self.baker.ok("PUT", "/api/hours", {"weekday": band, "weekend": band})
        self.set_up()
        self.show()
        self.night(0.5)
        sent, to_come = self.letters()
        self.assertEqual(sent, [])
        self.assertEqual({one["what"] for one in to_come}, {"doubled", "peak"})

    def test_of_what_was_brought_in_there_is_none(self) -> None:
        self.set_up("lapse")
        self.show()
        self.night(0.5)
        self.assertEqual(self.letters(), ([], []))


class OnePhoto(Watched):
    def propose(self, data: bytes, shown: object = None) -> Any:
        body = {"photo": base64.b64encode(data).decode(), "shown": shown}
        return self.baker.ok("POST", f"{self.jar}/photos/proposal", body)["proposal"]

    def test_its_lines_are_proposed_and_nothing_is_kept(self) -> None:
        told = self.propose(sent(at_hour(6.0)))
        lines = lines_of(OURS, level_at(6.0))
        near = {"bottom": 0.02, "level": 0.02, "rim": 0.04, "left": 0.07, "right": 0.07}
        for name, off in near.items():
            self.assertLess(abs(told[name] - lines[name]), off, name)
        self.assertEqual(self.baker.jar()["photos"], [])
        self.assertEqual(self.watch()["pictures"], 0)

    def test_between_lines_that_were_set_the_level_is_read_again(self) -> None:
        lines = lines_of(OURS, level_at(6.0))
        shown = {name: lines[name] for name in ("bottom", "rim", "left", "right")} | {"mark": lines["line"]}
        told = self.propose(sent(at_hour(6.0)), {**shown, "level": lines["line"]})
        self.assertLess(abs(told["level"] - lines["level"]), 0.02)
        self.assertEqual([told[name] for name in shown], list(shown.values()))
        self.assertGreater(told["sure"], 0.5)
        self.assertEqual(told["beside"]["bubbles"], "throughout")
        body = {"photo": base64.b64encode(sent(at_hour(6.0))).decode(), "shown": {**shown, "level": shown["bottom"]}}
        refused = self.baker.problem("POST", f"{self.jar}/photos/proposal", body)
        self.assertEqual(refused[:3], (422, "lines_cross", "shown.level"))

    def test_a_photo_without_a_jar_says_so(self) -> None:
        self.assertIsNone(self.propose(jpeg()))
        body = {"photo": base64.b64encode(b"none").decode()}
        self.assertEqual(self.baker.problem("POST", f"{self.jar}/photos/proposal", body)[:2], (422, "not_a_photo"))

    def test_what_was_corrected_in_one_photo_is_corrected_in_the_next(self) -> None:
        before = self.propose(sent(at_hour(6.0)))
        middle = (before["left"] + before["right"]) / 2
        bottom, mark, level = before["bottom"] + 0.02, before["bottom"] - 0.25, before["level"] + 0.03
        points = {
            name: {"x": middle, "y": round(y, 4)} for name, y in (("bottom", bottom), ("mark", mark), ("level", level))
        }
        photo = {"id": str(uuid4()), "at": ago(4.0), "look": None, "points": points}
        photo["photo"] = base64.b64encode(sent(at_hour(6.0))).decode()
        self.baker.ok("POST", f"{self.jar}/photos", photo)
        after = self.propose(sent(at_hour(6.0)))
        self.assertAlmostEqual(after["bottom"], bottom, delta=0.006)
        self.assertAlmostEqual(after["level"], level, delta=0.006)
        if before["mark"] is None:
            self.assertAlmostEqual(after["mark"], mark, delta=0.02)
