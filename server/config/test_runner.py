"""Django's test runner, which counts what passed for the launcher and lets no test reach beyond this machine."""

from __future__ import annotations

import ipaddress
import json
import os
import socket
import unittest
from pathlib import Path
from typing import Any

from django.conf import settings
from django.test.runner import DiscoverRunner

from accounts import security
from places.api import POSTS

_connect = socket.socket.connect


def _only_loopback(self: socket.socket, address: Any) -> None:
    if self.family in (socket.AF_INET, socket.AF_INET6):
        host = str(address[0])
        if host != "localhost" and not ipaddress.ip_address(host).is_loopback:
            raise AssertionError(f"A test tried to reach {host}, which is not this machine.")
    _connect(self, address)


class CountingRunner(DiscoverRunner):
    def setup_test_environment(self, **kwargs: Any) -> None:
        super().setup_test_environment(**kwargs)
        # The tests sign up hundreds of bakers at one address; what a slow hash defends is not at stake here.
        for throttle in (*security.LIMITS, POSTS):
            throttle.num_requests = 1_000_000
        # Each client of a test is a server of its own: none of them looks through all files of the front end first.
        settings.WHITENOISE_AUTOREFRESH = True
        settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]

    def run_tests(self, test_labels: list[str], **kwargs: Any) -> int:
        socket.socket.connect = _only_loopback  # type: ignore[method-assign, assignment]
        return super().run_tests(test_labels, **kwargs)

    def suite_result(self, suite: unittest.TestSuite, result: Any, **kwargs: Any) -> int:
        bad = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
        report = os.environ.get("DESPERTAR_TEST_COUNTS")
        if report:
            passed = result.testsRun - bad - len(result.skipped)
            Path(report).write_text(json.dumps({"passed": max(0, passed), "failed": bad}))
        return super().suite_result(suite, result, **kwargs)
