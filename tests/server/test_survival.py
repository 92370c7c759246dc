"""What was confirmed survives the server being killed between two saves."""

from __future__ import annotations

import http.cookiejar
import json
import os
import signal
import tempfile
import urllib.request
from pathlib import Path
from typing import Any

from django.db import connection
from django.test import TransactionTestCase

from launcher import serving
from launcher.database import free_port

from .base import PASSWORD, feed_body, look_body, new_jar, record


class OverTheWire:
    """A browser's session against a real server."""

    def __init__(self) -> None:
        self.cookies = http.cookiejar.CookieJar()
        self.opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(self.cookies))
        self.base = ""

    def call(self, method: str, path: str, body: object = None) -> Any:
        token = next((cookie.value for cookie in self.cookies if cookie.name == "despertar_csrf"), None)
        headers = {"Content-Type": "application/json", "X-CSRFToken": token or "", "Origin": self.base}
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(self.base + path, data=data, method=method, headers=headers)
        with self.opener.open(request, timeout=20) as answer:
            return json.loads(answer.read())


class Survival(TransactionTestCase):
    def serve(self, baker: OverTheWire) -> Any:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        env = {**os.environ, "DESPERTAR_DB_NAME": str(connection.settings_dict["NAME"])}
        port = free_port()
        web = serving.gunicorn(env, port, pid_file=Path(folder.name, "web.pid"))
        self.addCleanup(serving.end, web)
        serving.wait_until_it_answers(port, web)
        baker.base = f"http://127.0.0.1:{port}"
        return web

    def test_killed_between_two_saves(self) -> None:
        baker = OverTheWire()
        web = self.serve(baker)
        baker.call("GET", "/api/session")
        baker.call("POST", "/api/accounts", {"name": "Ines", "password": PASSWORD, "time_zone": "UTC"})
        jar = baker.call("POST", "/api/jars", new_jar())["id"]
        mix = baker.call("POST", f"/api/jars/{jar}/log", record(feed_body(5, keep_g=0)))
        os.killpg(web.pid, signal.SIGKILL)
        web.wait(20)

        self.serve(baker)
        look = baker.call("POST", f"/api/jars/{jar}/log", record(look_body(1)))
        log = baker.call("GET", f"/api/jars/{jar}")["log"]
        self.assertEqual([entry["id"] for entry in log], [look["id"], mix["id"]])
