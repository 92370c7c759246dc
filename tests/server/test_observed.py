"""What is told of the application to who keeps it: health, metrics, lines of the log; and a disk that fills up."""

from __future__ import annotations

import json
import logging
import tempfile
from contextlib import ExitStack
from unittest import mock

from django.db import OperationalError
from django.test import Client, TestCase, override_settings
from prometheus_client import REGISTRY

from config import observed, room
from config.observed import LineOfJson

from .base import Baker, look_body, record


class Health(TestCase):
    def test_live_and_ready(self) -> None:
        for path, word in (("/health/live", "live"), ("/health/ready", "ready")):
            answer = Client().get(path)
            self.assertEqual((answer.status_code, answer.json()[word]), (200, True))
            self.assertIn("no-store", answer["Cache-Control"])

    def test_without_its_database_it_lives_and_is_not_ready(self) -> None:
        with mock.patch("config.observed.connection.cursor", side_effect=OperationalError("gone")):
            self.assertEqual(Client().get("/health/live").status_code, 200)
            answer = Client().get("/health/ready")
        self.assertEqual((answer.status_code, answer.json()["errors"][0]["code"]), (503, "out_of_reach"))

    def test_behind_its_code_it_is_not_ready(self) -> None:
        executor = mock.Mock()
        executor.return_value.migration_plan.return_value = [("kitchen", "0009_later")]
        with ExitStack() as patched:
            patched.enter_context(mock.patch.object(observed, "_is_migrated", new=False))
            patched.enter_context(mock.patch.object(observed, "MigrationExecutor", executor))
            self.assertEqual(Client().get("/health/ready").status_code, 503)

    @override_settings(SECURE_SSL_REDIRECT=True)
    def test_who_asks_on_this_machine_is_not_sent_to_https(self) -> None:
        for path in ("/health/live", "/health/ready", "/api/health"):
            self.assertEqual(Client().get(path).status_code, 200, path)
        self.assertEqual(Client().get("/api/session").status_code, 301)

    def test_nobody_else_lives_there(self) -> None:
        self.assertEqual(Client().get("/health/other").status_code, 404)
        self.assertEqual(Client().post("/health/live").status_code, 405)


class Counted(TestCase):
    def count(self, **labels: str) -> float:
        return REGISTRY.get_sample_value("despertar_requests_total", labels) or 0.0

    def test_by_the_pattern_of_the_route_never_by_the_path(self) -> None:
        baker = Baker("Ines").sign_up().plan()
        labels = {"method": "GET", "route": "/api/jars/<jar_id>", "status": "200"}
        before = self.count(**labels)
        baker.jar()
        self.assertEqual(self.count(**labels), before + 1)
        told = [value for metric in REGISTRY.collect() for sample in metric.samples for value in sample.labels.values()]
        self.assertFalse([one for one in told if baker.jar_id in one])

    def test_pages_and_what_leads_nowhere_are_one_each(self) -> None:
        for path, route in (
            ("/jars/some/look", "page"),
            ("/assets/none-12345678.js", "file"),
            ("/health/x", "nowhere"),
        ):
            before = sum(
                sample.value
                for metric in REGISTRY.collect()
                for sample in metric.samples
                if sample.name == "despertar_requests_total" and sample.labels["route"] == route
            )
            Client().get(path)
            after = sum(
                sample.value
                for metric in REGISTRY.collect()
                for sample in metric.samples
                if sample.name == "despertar_requests_total" and sample.labels["route"] == route
            )
            self.assertEqual(after, before + 1, path)


class Lines(TestCase):
    @override_settings(LOGS_REQUESTS=True)
    def test_one_object_a_line_with_the_request_that_its_answer_names(self) -> None:
        with self.assertLogs("despertar.requests", logging.INFO) as said:
            answer = Client().get("/api/session", HTTP_X_REQUEST_ID="forged\nline")
        self.assertRegex(answer["X-Request-Id"], r"^[0-9a-f]{32}$")
        self.assertRegex(said.records[0].getMessage(), r"^GET /api/session 200 \d+ ms$")

    def test_what_it_says(self) -> None:
        token = observed._request_id.set("abc")
        self.addCleanup(observed._request_id.reset, token)
        record_ = logging.LogRecord("despertar.api", logging.ERROR, "", 0, "%s went wrong", ("é",), None)
        told = json.loads(LineOfJson().format(record_))
        self.assertEqual(
            {name: told[name] for name in ("level", "logger", "said", "request")},
            {"level": "error", "logger": "despertar.api", "said": "é went wrong", "request": "abc"},
        )

    @override_settings(LOGS_REQUESTS=True)
    def test_no_token_is_in_any_of_it(self) -> None:
        with self.assertLogs("despertar.requests", logging.INFO) as said:
            Client().get("/api/calendar/a-secret-token.ics")
            Client().get("/api/shared/another-secret")
        self.assertNotIn("secret", " ".join(said.output))


class AFullDisk(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(20.0)
        self.path = f"/api/jars/{self.baker.jar_id}/log"
        # What was asked of the disk before is forgotten, before and after.
        self.enterContext(mock.patch.object(room, "_asked_at", new=0.0))
        self.enterContext(mock.patch.object(room, "_free", new=0))

    def test_writes_stop_with_why_and_all_that_is_there_is_read(self) -> None:
        body = record(look_body(1.0))
        with mock.patch.object(room, "free_bytes", return_value=99_000_000):
            self.assertEqual(self.baker.problem("POST", self.path, body), (507, "no_room", ""))
            self.assertEqual(len(self.baker.jar()["log"]), 1)
            # What makes room is let through.
            self.assertEqual(self.baker.call("DELETE", "/api/calendar")[0], 204)
        with mock.patch.object(room, "free_bytes", return_value=101_000_000):
            self.baker.ok("POST", self.path, body)
        self.assertEqual(len(self.baker.jar()["log"]), 2)

    def test_it_is_asked_of_the_place_where_files_come_to_lie(self) -> None:
        with tempfile.TemporaryDirectory() as folder, override_settings(DESPERTAR_FILES=f"{folder}/not/there/yet"):
            self.assertGreater(room.free_bytes(), 0)
