"""Photos: made anew on the way in, for those who keep the jar; and what a kitchen sends instead."""

from __future__ import annotations

import base64
import errno
from io import BytesIO
from pathlib import Path
from typing import Any
from unittest import mock
from uuid import uuid4

from django.conf import settings
from django.test import TestCase
from PIL import Image

from photos.models import Photo

from .base import Baker, ago, files_of_its_own

POINTS = {"bottom": {"x": 0.5, "y": 0.9}, "mark": {"x": 0.5, "y": 0.6}, "level": {"x": 0.5, "y": 0.3}}


def jpeg(width: int = 400, height: int = 600, *, exif: bool = False, kind: str = "JPEG") -> bytes:
    out = BytesIO()
    picture = Image.new("RGB", (width, height), (200, 170, 120))
    about = Image.Exif()
    if exif:
        # Orientation 6: taken upright with the phone turned. 0x8825 is where a phone writes the place (Exif 2.3, from
        # memory).
        about[0x0112] = 6
        about.get_ifd(0x8825)[1] = "N"
        about[0x010F] = "Phone"
    picture.save(out, kind, **({"exif": about} if exif else {}))
    return out.getvalue()


def photo_body(sent: bytes, **changes: object) -> dict[str, Any]:
    photo = base64.b64encode(sent).decode()
    return {"id": str(uuid4()), "at": ago(1.0), "look": None, "points": None, "photo": photo, **changes}


class Photos(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.path = f"/api/jars/{self.baker.jar_id}/photos"

    def body(self, sent: bytes, **changes: object) -> dict[str, Any]:
        return photo_body(sent, **changes)

    def picture(self, photo: str, size: str, by: Baker | None = None) -> Any:
        return (by or self.baker).client.get(f"/api/photos/{photo}/{size}")

    def test_kept_with_its_points_and_shown_with_the_jar(self) -> None:
        made = self.baker.ok("POST", self.path, self.body(jpeg(), points=POINTS))
        (told,) = self.baker.jar()["photos"]
        self.assertEqual(told, made)
        self.assertEqual((told["width"], told["height"], told["points"]), (400, 600, POINTS))
        answer = self.picture(made["id"], "small")
        self.assertEqual((answer.status_code, answer["Content-Type"]), (200, "image/jpeg"))
        self.assertIn("private", answer["Cache-Control"])

    def test_sent_twice_it_is_one(self) -> None:
        body = self.body(jpeg())
        self.assertEqual(self.baker.ok("POST", self.path, body), self.baker.ok("POST", self.path, body))
        self.assertEqual(len(self.baker.jar()["photos"]), 1)

    def test_upright_small_and_without_a_place_in_it(self) -> None:
        made = self.baker.ok("POST", self.path, self.body(jpeg(4000, 3000, exif=True)))
        self.assertEqual((made["width"], made["height"]), (1200, 1600))
        for size, longest in (("large", 1600), ("small", 320)):
            shown = Image.open(BytesIO(self.picture(made["id"], size).content))
            self.assertEqual(max(shown.size), longest)
            self.assertEqual(dict(shown.getexif()), {})

    def test_a_full_disk_is_named_and_leaves_nothing_behind(self) -> None:
        full = OSError(errno.ENOSPC, "No space left on device")
        with mock.patch.object(Path, "write_bytes", side_effect=full):
            answer = self.baker.problem("POST", self.path, self.body(jpeg()))
        self.assertEqual(answer, (507, "no_room", "photo"))
        self.assertEqual(self.baker.jar()["photos"], [])
        self.assertEqual([one for one in Path(settings.DESPERTAR_FILES).rglob("*") if one.is_file()], [])

    def test_marks_that_cannot_be_read_leave_the_photo(self) -> None:
        made = self.baker.ok("POST", self.path, self.body(jpeg(), points=POINTS))
        for points in ({"form": 9}, {"bottom": 3}, {"bottom": [1, 2, 3], "mark": [], "level": []}):
            Photo.objects.update(points=points)
            (told,) = self.baker.jar()["photos"]
            self.assertEqual((told["id"], told["points"]), (made["id"], None))

    def test_other_kinds_of_picture(self) -> None:
        for kind in ("PNG", "WEBP"):
            self.baker.ok("POST", self.path, self.body(jpeg(kind=kind)))

    def test_what_a_kitchen_sends_instead(self) -> None:
        whole = jpeg(800, 800)
        for name, sent, code in (
            ("a PDF", b"%PDF-1.7 a recipe", "not_a_photo"),
            ("nothing", b"", "not_a_photo"),
            ("cut off", whole[: len(whole) // 3], "photo_broken"),
            ("60 megapixels", jpeg(10_000, 6_000), "photo_too_large"),
            ("a thumbnail of a thumbnail", jpeg(20, 20), "photo_too_small"),
            ("a GIF", jpeg(kind="GIF"), "not_a_photo"),
        ):
            with self.subTest(name):
                self.assertEqual(self.baker.problem("POST", self.path, self.body(sent)), (422, code, "photo"))
        self.assertEqual(self.baker.jar()["photos"], [])
        wrong = self.body(jpeg(), points={**POINTS, "mark": {"x": 2.0, "y": 0.1}})
        self.assertEqual(self.baker.problem("POST", self.path, wrong)[2], "points.mark.x")

    def test_nobody_else_sees_it(self) -> None:
        made = self.baker.ok("POST", self.path, self.body(jpeg()))
        stranger = Baker("Noor").sign_up()
        self.assertEqual(self.picture(made["id"], "large", stranger).status_code, 404)
        self.assertEqual(self.picture(made["id"], "large", Baker("")).status_code, 401)
        self.assertEqual(stranger.problem("DELETE", f"/api/photos/{made['id']}")[0], 404)
        self.assertEqual(stranger.problem("POST", self.path, self.body(jpeg()))[0], 404)

    def test_taken_away_it_is_gone(self) -> None:
        made = self.baker.ok("POST", self.path, self.body(jpeg()))
        self.baker.ok("DELETE", f"/api/photos/{made['id']}")
        self.assertEqual(self.baker.jar()["photos"], [])
        self.assertEqual(self.picture(made["id"], "small").status_code, 404)
