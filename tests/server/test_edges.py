"""What is answered where something is wrong with the call itself, or with us: always in the one shape."""

from __future__ import annotations

import logging
from unittest import mock

from django.test import TestCase, override_settings

from config.private import WithoutSecrets
from kitchen import shelf

from .base import Baker, feed_body, look_body, new_jar, record

GROWS = "\u0958"


class OneShape(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.path = f"/api/jars/{self.baker.jar_id}/log"

    def test_text_that_grows_when_it_is_composed(self) -> None:
        """U+0958 becomes two signs (Unicode normalisation form C): 31 of it are 62."""
        self.assertEqual(len(GROWS * 31), 31)
        self.assertEqual(
            self.baker.problem("POST", "/api/jars", {**new_jar(), "name": GROWS * 31}), (422, "too_long", "name")
        )
        self.baker.ok("POST", "/api/jars", {**new_jar(), "name": GROWS * 30})
        flours = {"flours": [{"flour": "rye", "name": GROWS * 31}]}
        self.assertEqual(self.baker.problem("PUT", "/api/flours", flours)[:2], (422, "too_long"))
        body = record(look_body(1.0, note=GROWS * 1_001))
        self.assertEqual(self.baker.problem("POST", self.path, body)[:2], (422, "too_long"))

    def test_times_at_the_ends_of_the_calendar(self) -> None:
        for at in ("0001-01-01T00:00:00+14:00", "9999-12-31T23:59:59-14:00", "1969-12-31T00:00:00Z"):
            with self.subTest(at):
                body = record({**feed_body(1.0), "at": at}, self.baker.last_feed)
                self.assertEqual(self.baker.problem("POST", self.path, body), (422, "time_out_of_range", "at"))

    def test_a_name_of_two_lines(self) -> None:
        for name in ("Thistle\nSUMMARY:x", "Thistle\r\nx", "Thistle\tx", "Thistle\u2028x"):
            with self.subTest(repr(name)):
                answer = self.baker.problem("POST", "/api/jars", {**new_jar(), "name": name})
                self.assertEqual(answer, (422, "not_text", "name"))

    def test_a_body_that_is_no_json(self) -> None:
        self.assertEqual(self.baker.problem("POST", self.path, b"{"), (400, "not_json", ""))

    @override_settings(DATA_UPLOAD_MAX_MEMORY_SIZE=100)
    def test_a_body_that_is_too_large(self) -> None:
        self.assertEqual(self.baker.problem("POST", self.path, b" " * 200), (413, "too_large", ""))

    def test_a_fault_of_ours(self) -> None:
        with (
            mock.patch.object(shelf, "flours_of", side_effect=ZeroDivisionError),
            self.assertLogs("despertar.api", logging.ERROR) as said,
        ):
            self.assertEqual(self.baker.problem("GET", "/api/flours"), (500, "went_wrong", ""))
        self.assertIn("GET /api/flours went wrong", said.output[0])

    def test_no_such_path(self) -> None:
        self.assertEqual(self.baker.problem("GET", "/api/nowhere"), (404, "not_found", ""))

    def test_what_opens_something_is_in_no_line_of_the_log(self) -> None:
        line = logging.LogRecord("x", logging.ERROR, "", 1, "GET %s failed", ("/api/calendar/opens.ics",), None)
        WithoutSecrets().filter(line)
        self.assertEqual(line.getMessage(), "GET /api/calendar/….ics failed")
