"""Twenty writes to one jar at the same moment: each is taken once, none is lost, none stands in another's way."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from typing import Any

from django.db import connections
from django.test import Client, TransactionTestCase

from logbook.models import Entry
from tests.server.base import Baker, look_body, new_jar, record

WRITERS = 20


class AtOnce(TransactionTestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)

    def together(self, calls: list[tuple[str, Any]]) -> list[int]:
        def write(call: tuple[str, Any]) -> int:
            one = Baker("Ines", Client())
            one.client.cookies = self.baker.client.cookies
            try:
                return one.call("POST", *call)[0]
            finally:
                connections.close_all()

        with ThreadPoolExecutor(WRITERS) as pool:
            return list(pool.map(write, calls))

    def test_twenty_looks(self) -> None:
        calls = [(f"/api/jars/{self.baker.jar_id}/log", record(look_body(1.0 + n / 10))) for n in range(WRITERS)]
        self.assertEqual(self.together(calls), [200] * WRITERS)
        ids = {body["id"] for _, body in calls}
        self.assertEqual({str(one.id) for one in Entry.objects.filter(kind="look")}, ids)

    def test_one_look_sent_twenty_times(self) -> None:
        call = (f"/api/jars/{self.baker.jar_id}/log", record(look_body(1.0)))
        self.assertEqual(self.together([call] * WRITERS), [200] * WRITERS)
        self.assertEqual(Entry.objects.filter(kind="look").count(), 1)

    def test_one_new_jar_sent_twenty_times(self) -> None:
        self.assertEqual(self.together([("/api/jars", new_jar())] * WRITERS), [200] * WRITERS)
        self.assertEqual(len(self.baker.ok("GET", "/api/kitchen")["jars"]), 2)
