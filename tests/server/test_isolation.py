"""Another account's jar is not found, for every verb."""

from __future__ import annotations

from django.test import TestCase

from .base import Baker, ago, feed_body, new_jar, record


class Isolation(TestCase):
    def setUp(self) -> None:
        self.owner = Baker("Ines").sign_up().plan().mix(10.0)
        self.stranger = Baker("Noor").sign_up()

    def test_every_verb(self) -> None:
        jar, entry = self.owner.jar_id, self.owner.last_feed
        for method, path, body in (
            ("GET", f"/api/jars/{jar}", None),
            ("PUT", f"/api/jars/{jar}/shelf", {"on_shelf": False}),
            ("POST", f"/api/jars/{jar}/weigh", {"keep_g": None, "water_g": None, "flours": {}}),
            ("POST", f"/api/jars/{jar}/what-if", {"warmth_c": 24}),
            ("PUT", f"/api/jars/{jar}/place", {"warmth_c": 24, "night_c": None, "thermometer": None}),
            ("PUT", f"/api/jars/{jar}/ready-after", {"ready_after": "loose"}),
            ("POST", f"/api/jars/{jar}/bakes", {"grams": 100, "mixed_at": ago(-30), "leaves_g": 20, "every_days": 0}),
            ("GET", f"/api/jars/{jar}/keeping", None),
            ("POST", f"/api/jars/{jar}/log", record(feed_body(1), entry)),
            ("PUT", f"/api/log/{entry}", {"revision": 1, "entry": feed_body(1)}),
            ("POST", f"/api/log/{entry}/withdraw", None),
            ("POST", f"/api/log/{entry}/restore", None),
            ("GET", f"/api/log/{entry}/history", None),
        ):
            with self.subTest(f"{method} {path}"):
                self.assertEqual(self.stranger.problem(method, path, body), (404, "not_found", "id"))
        self.assertEqual(self.stranger.ok("GET", "/api/kitchen")["jars"], [])
        self.assertEqual(len(self.owner.jar()["log"]), 1)

    def test_ids_cannot_be_taken_over(self) -> None:
        self.stranger.plan()
        body = {**record(feed_body(1, keep_g=0)), "id": self.owner.last_feed}
        self.assertEqual(
            self.stranger.problem("POST", f"/api/jars/{self.stranger.jar_id}/log", body), (409, "id_taken", "id")
        )
        jar = {**new_jar(), "id": self.owner.jar_id}
        self.assertEqual(self.stranger.problem("POST", "/api/jars", jar), (409, "id_taken", "id"))

    def test_nobody_sees_anything_unsigned(self) -> None:
        nobody = Baker("")
        jar, entry = self.owner.jar_id, self.owner.last_feed
        for path in ("/api/kitchen", "/api/catalogue", f"/api/jars/{jar}", f"/api/log/{entry}/history"):
            with self.subTest(path):
                self.assertEqual(nobody.problem("GET", path), (401, "sign_in_first", ""))

    def test_nothing_between_keeps_an_answer(self) -> None:
        for path in ("/api/kitchen", "/api/session", f"/api/jars/{self.owner.jar_id}", "/api/jars/none"):
            with self.subTest(path):
                self.assertEqual(self.owner.client.get(path)["Cache-Control"], "private, no-store")
