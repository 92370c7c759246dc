"""Whatever is written, what is told next is what would be worked out from the start: no page that was kept outlives it.

A second worker keeps pages of its own by the same stamps, so what holds for one that has kept the page before a write
holds for each.
"""

from __future__ import annotations

import base64
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import mock
from uuid import uuid4

from django.core.cache import caches
from django.test import TestCase
from django.utils import timezone

from accounts.models import Account
from guidance import pages, services, told_now
from kitchen.services import remove_jars
from logbook import reading

from .base import Baker, ago, feed_body, files_of_its_own, look_body, new_jar, record
from .test_photos import jpeg


def forget() -> None:
    """As if the process had just started, and nothing were kept anywhere."""
    for kept in (pages._pages, services._told, told_now._kept, reading._LOGS):
        kept.clear()
    caches["answers"].clear()


class NeverStale(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        forget()
        self.baker = Baker("Ines").sign_up().always_home().plan().mix(60.0)
        self.baker.feed(20.0)
        self.look = self.baker.look(3.0)
        self.log = f"/api/jars/{self.baker.jar_id}/log"
        # Well within a minute, so that the pages are kept while all this is written.
        self.now = timezone.now().replace(second=20, microsecond=0) + timedelta(minutes=1)

    def pages(self, by: Baker | None = None) -> list[Any]:
        paths = (
            "/api/kitchen",
            f"/api/jars/{self.baker.jar_id}",
            f"/api/jars/{self.baker.jar_id}/plan",
            "/api/postbox",
        )
        with mock.patch("django.utils.timezone.now", return_value=self.now):
            return [(by or self.baker).call("GET", path) for path in paths]

    def assert_seen(self, write: Callable[[], object], by: Baker | None = None, *, changes: bool = True) -> None:
        before = self.pages(by)
        made = write()
        told = self.pages(by)
        forget()
        self.assertEqual(told, self.pages(by))
        if changes:
            self.assertNotEqual(told, before)
        self.made: Any = made

    def test_the_log(self) -> None:
        ok = self.baker.ok
        self.assert_seen(lambda: self.baker.look(1.0, level={"value": 2.2, "unit": "times"}))
        entry = f"/api/log/{self.made['id']}"
        other = look_body(1.0, level={"value": 1.9, "unit": "times"})
        self.assert_seen(lambda: ok("PUT", entry, {"revision": 1, "entry": other}))
        self.assert_seen(lambda: ok("POST", f"{entry}/withdraw"))
        self.assert_seen(lambda: ok("POST", f"{entry}/restore"))
        self.assert_seen(lambda: ok("POST", self.log, record(feed_body(0.5), self.baker.last_feed)))
        self.assert_seen(lambda: self.baker.record({"kind": "deed", "at": ago(0.1), "did": "stirred", "note": ""}))

    def test_what_is_moved_to_another_jar(self) -> None:
        here, look = self.baker.jar_id, self.look["id"]
        self.baker.plan(name="Harbour").mix(30.0)
        there, self.baker.jar_id = self.baker.jar_id, here
        self.assert_seen(lambda: self.baker.ok("POST", f"/api/log/{look}/move", {"jar_id": there}))

    def test_the_jar_and_its_kitchen(self) -> None:
        jar, ok = f"/api/jars/{self.baker.jar_id}", self.baker.ok
        self.assert_seen(lambda: ok("PUT", f"{jar}/ready-after", {"ready_after": "strict"}))
        self.assert_seen(lambda: ok("PUT", f"{jar}/place", {"warmth_c": 26.0, "night_c": None, "thermometer": None}))
        daughter = {**new_jar(), "name": "Daughter", "mother": self.baker.jar_id, "came_by": "spare"}
        self.assert_seen(lambda: ok("POST", "/api/jars", daughter))
        evenings = [{"start": 1080, "end": 1320}]
        self.assert_seen(lambda: ok("PUT", "/api/hours", {"weekday": evenings, "weekend": evenings}))
        self.assert_seen(lambda: ok("PUT", "/api/time-zone", {"time_zone": "Asia/Tokyo"}))
        self.assert_seen(lambda: ok("PUT", "/api/postbox", {"wanted": False}), changes=False)
        notice = self.baker.jar()["assessment"]["notices"][0]
        self.assert_seen(lambda: ok("POST", "/api/heard", {"notice": notice}))
        self.assert_seen(lambda: ok("PUT", f"{jar}/shelf", {"on_shelf": False}))
        self.assert_seen(lambda: ok("PUT", f"{jar}/shelf", {"on_shelf": True}))

    def test_a_jar_that_is_laid_anew_under_the_same_id(self) -> None:
        """As the demo's are: as much was written of it as of the one before, and it is another."""
        account = Account.objects.get(name="Ines")

        def lay() -> None:
            remove_jars(account)
            self.baker.last_feed = None
            self.baker.plan(id=self.baker.jar_id, warmth_c=26.0).mix(40.0)
            self.baker.feed(10.0)
            self.baker.look(2.0)

        self.assert_seen(lay)

    def test_photos(self) -> None:
        photo = {"id": str(uuid4()), "at": ago(1.0), "look": None, "points": None}
        photo["photo"] = base64.b64encode(jpeg()).decode()
        self.assert_seen(lambda: self.baker.ok("POST", f"/api/jars/{self.baker.jar_id}/photos", photo))
        self.assert_seen(lambda: self.baker.ok("DELETE", f"/api/photos/{photo['id']}"))

    def test_other_hands(self) -> None:
        other = Baker("Rui").sign_up()
        code = self.baker.ok("POST", "/api/hands/invitations")["code"]
        self.assert_seen(lambda: other.ok("POST", "/api/hands", {"code": code}), other)
        self.assert_seen(lambda: self.baker.look(0.2, level={"value": 2.4, "unit": "times"}), other)
        hand = self.baker.ok("GET", "/api/hands")["mine"][0]["id"]
        self.assert_seen(lambda: self.baker.ok("DELETE", f"/api/hands/{hand}"), other)

    def test_thermometers(self) -> None:
        station = self.baker.ok("POST", "/api/thermometers", {"place": "Shelf"})
        self.baker.plan(thermometer=station["station"]["id"]).mix(60.0)
        hour = datetime.now(UTC).replace(minute=0, second=0, microsecond=0) - timedelta(hours=2)  # noqa: TID251
        readings = [{"at": (hour + timedelta(minutes=m)).isoformat(), "celsius": 29.0} for m in (5, 25, 45)]
        self.assert_seen(lambda: self.post(station["token"], readings))

    def post(self, token: str, readings: list[dict[str, object]]) -> None:
        answer = self.baker.client.post(
            "/api/degrees",
            {"readings": readings},
            content_type="application/json",
            headers={"Authorization": f"Bearer {token}"},
        )
        self.assertEqual(answer.status_code, 200, answer.content)
