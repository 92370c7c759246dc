"""Thermometers: posted to with a token that opens nothing else; gaps, wild values, and what a jar makes of it."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import TestCase as PlainTestCase
from unittest import mock
from uuid import UUID

from django.core.cache import cache
from django.test import Client, TestCase

from ferment.kitchen.warmth import Degrees
from places.api import POSTS
from places.models import Reading
from places.services import tame, warmth_of

from .base import Baker, ago

START = datetime.fromisoformat("2026-03-02T08:00+00:00")


class Thermometers(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up()
        made = self.baker.ok("POST", "/api/thermometers", {"place": "Top of the fridge"})
        self.token, self.station = made["token"], made["station"]["id"]

    def post(self, *readings: tuple[str, object], token: str | None = None) -> tuple[int, Any]:
        answer = Client(HTTP_AUTHORIZATION=f"Bearer {token or self.token}").post(
            "/api/degrees",
            {"readings": [{"at": at, "celsius": celsius} for at, celsius in readings]},
            content_type="application/json",
        )
        return answer.status_code, answer.json()

    def test_what_is_posted_is_told_and_taken_once(self) -> None:
        at = ago(0.2)
        self.assertEqual(self.post((at, 21.4), (ago(0.1), 21.6)), (200, {"taken": 2}))
        self.assertEqual(self.post((at, 21.4)), (200, {"taken": 0}))
        (told,) = self.baker.ok("GET", "/api/thermometers")
        self.assertEqual((told["place"], told["last_c"]), ("Top of the fridge", 21.6))

    def test_what_no_kitchen_has_is_named(self) -> None:
        for reading, field in (((ago(0.1), 300), "celsius"), ((ago(-3), 20), "at"), (("noon", 20), "readings.0.at")):
            status, answer = self.post(reading)
            self.assertEqual((status, answer["errors"][0]["field"]), (422, field))

    def test_the_token_opens_nothing_else_and_ends_when_withdrawn(self) -> None:
        stranger = Client(HTTP_AUTHORIZATION=f"Bearer {self.token}")
        self.assertEqual(stranger.get("/api/kitchen").status_code, 401)
        self.assertEqual(self.post((ago(0.1), 20), token="guess")[0], 401)
        self.baker.ok("DELETE", f"/api/thermometers/{self.station}")
        self.assertEqual(self.post((ago(0.1), 20))[0], 401)
        self.assertEqual(self.baker.ok("GET", "/api/thermometers"), [])

    def test_hours_are_put_down_when_they_are_over_and_readings_go_after_a_week(self) -> None:
        now = datetime.now(UTC).replace(minute=20, second=0, microsecond=0)  # noqa: TID251
        with mock.patch("django.utils.timezone.now", return_value=now):
            readings = [(now - timedelta(minutes=10 * n), 20.0 + n % 3) for n in range(300)]
            # A hand on the probe, which no hour believes.
            readings[50] = (readings[50][0], 45.0)
            self.post(*((at.isoformat(), celsius) for at, celsius in readings))
        told = warmth_of([UUID(self.station)], now)[UUID(self.station)]
        self.assertEqual(told[-1].at, now.replace(minute=30) - timedelta(hours=1))
        self.assertTrue(all(20.0 <= one.celsius <= 22.0 for one in told))
        self.assertGreaterEqual(len(told), 49)
        later = now + timedelta(days=9)
        with mock.patch("django.utils.timezone.now", return_value=later):
            self.post(((later - timedelta(hours=2)).isoformat(), 19.0))
        self.assertEqual(Reading.objects.count(), 1)
        self.assertEqual(len(warmth_of([UUID(self.station)], later)[UUID(self.station)]), len(told) + 2)

    def test_one_that_posts_without_rest_is_told_to_wait(self) -> None:
        cache.clear()
        with mock.patch.object(POSTS, "num_requests", 2):
            answers = [self.post((ago(0.1 + n / 100), 20.0))[0] for n in range(4)]
        self.assertEqual(answers, [200, 200, 429, 429])
        cache.clear()

    def test_it_goes_with_the_hand_that_owns_it(self) -> None:
        owner = Baker("Noor").sign_up().plan()
        code = owner.ok("POST", "/api/hands/invitations")["code"]
        hand = self.baker.ok("POST", "/api/hands", {"code": code})["others"][0]["id"]
        place = {"warmth_c": 26.0, "night_c": None, "thermometer": self.station}
        self.baker.ok("PUT", f"/api/jars/{owner.jar_id}/place", place)
        self.assertEqual(owner.jar()["jar"]["thermometer"], self.station)
        owner.ok("DELETE", f"/api/hands/{hand}")
        self.assertIsNone(owner.jar()["jar"]["thermometer"])

    def test_a_jar_beside_it_is_judged_by_it(self) -> None:
        self.baker.plan(warmth_c=26.0)
        place = {"warmth_c": 26.0, "night_c": None, "thermometer": self.station}
        self.baker.ok("PUT", f"/api/jars/{self.baker.jar_id}/place", place)
        self.baker.mix(40.0)
        warm = self.baker.jar()["assessment"]["ready_on"]["on"]["likely"]
        self.post(*((ago(hour), 16.0) for hour in range(1, 40)))
        cold = self.baker.jar()["assessment"]["ready_on"]["on"]["likely"]
        self.assertGreater(cold, warm)

    def test_another_bakers_thermometer_is_not_there(self) -> None:
        other = Baker("Noor").sign_up().plan()
        place = {"warmth_c": 22.0, "night_c": None, "thermometer": self.station}
        refused = other.problem("PUT", f"/api/jars/{other.jar_id}/place", place)
        self.assertEqual(refused, (404, "not_found", "thermometer"))
        self.assertEqual(other.problem("DELETE", f"/api/thermometers/{self.station}")[0], 404)

    def test_a_place_that_no_jar_stands_in(self) -> None:
        self.baker.plan()
        place = {"warmth_c": 90.0, "night_c": None, "thermometer": None}
        refused = self.baker.problem("PUT", f"/api/jars/{self.baker.jar_id}/place", place)
        self.assertEqual(refused[1:], ("out_of_range", "warmth_c"))


class Wild(PlainTestCase):
    def read(self, *celsius: float, every: float = 5.0) -> list[Degrees]:
        return [Degrees(START + timedelta(minutes=every * index), value) for index, value in enumerate(celsius)]

    def test_a_hand_on_the_probe_is_left_out(self) -> None:
        kept = tame(self.read(21, 21.2, 34, 21.1, 21.0, 20.9))
        self.assertEqual([one.celsius for one in kept], [21, 21.2, 21.1, 21.0, 20.9])

    def test_a_lasting_change_stays(self) -> None:
        values = [21.0] * 6 + [14.0] * 6
        self.assertEqual([one.celsius for one in tame(self.read(*values))], values)

    def test_what_stands_alone_is_believed(self) -> None:
        lonely = self.read(21, 35, 12, every=180.0)
        self.assertEqual(tame(lonely), lonely)
