"""A baker at the API: signs up, plans a jar, feeds and looks, as the front end would."""

from __future__ import annotations

import json
import tempfile
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import TestCase
from uuid import uuid4

from django.test import Client, override_settings

PASSWORD = "three quiet loaves"


def ago(hours: float) -> str:
    return (datetime.now(UTC) - timedelta(hours=hours)).isoformat()  # noqa: TID251  (the server's own clock)


def files_of_its_own(test: TestCase) -> None:
    """What a test keeps as files goes with it."""
    folder = tempfile.TemporaryDirectory()
    test.addCleanup(folder.cleanup)
    kept = override_settings(DESPERTAR_FILES=folder.name)
    kept.enable()
    test.addCleanup(kept.disable)


class Baker:
    """One account with its own session."""

    def __init__(self, name: str, client: Client | None = None) -> None:
        self.name = name
        self.client = client or Client()
        self.jar_id = ""
        self.last_feed: str | None = None

    def __getstate__(self) -> dict[str, object]:
        # A failed subtest is sent to the main process with its test case; a client cannot be.
        return {**self.__dict__, "client": None}

    def call(self, method: str, path: str, body: object = None) -> tuple[int, Any]:
        answer: Any = self.client.generic(
            method, path, data=b"" if body is None else _json(body), content_type="application/json"
        )
        content = b"".join(answer.streaming_content) if answer.streaming else answer.content
        return answer.status_code, json.loads(content) if content and "json" in answer["Content-Type"] else None

    def send_files(self, path: str, **parts: Any) -> tuple[int, Any]:
        """A form with files, as a browser sends it."""
        answer = self.client.post(path, parts)
        return answer.status_code, answer.json()

    def ok(self, method: str, path: str, body: object = None) -> Any:
        status, answer = self.call(method, path, body)
        if status not in (200, 204):
            raise AssertionError(f"{method} {path} answered {status}: {answer}")
        return answer

    def problem(self, method: str, path: str, body: object = None) -> tuple[int, str, str]:
        """Status, code and field of the first problem."""
        status, answer = self.call(method, path, body)
        first = answer["errors"][0]
        return status, first["code"], first["field"]

    def sign_up(self) -> Baker:
        self.ok("POST", "/api/accounts", {"name": self.name, "password": PASSWORD, "time_zone": "Europe/Lisbon"})
        return self

    def always_home(self) -> Baker:
        """No act is moved into the baker's hours: for tests that hold times against each other at any hour."""
        day = [{"start": 0, "end": 1440}]
        self.ok("PUT", "/api/hours", {"weekday": day, "weekend": day})
        return self

    def plan(self, **changes: object) -> Baker:
        jar = {**new_jar(), **changes}
        self.jar_id = self.ok("POST", "/api/jars", jar)["id"]
        return self

    def mix(self, hours_ago: float = 30.0) -> Baker:
        self.feed(hours_ago, keep_g=0.0)
        return self

    def feed(self, hours_ago: float, **changes: object) -> Any:
        body = record(feed_body(hours_ago, **changes), self.last_feed)
        made = self.ok("POST", f"/api/jars/{self.jar_id}/log", body)
        self.last_feed = made["id"]
        return made

    def look(self, hours_ago: float, **changes: object) -> Any:
        return self.ok("POST", f"/api/jars/{self.jar_id}/log", record(look_body(hours_ago, **changes)))

    def deed(self, hours_ago: float, did: str) -> Any:
        return self.record({"kind": "deed", "at": ago(hours_ago), "did": did, "note": ""})

    def record(self, entry: dict[str, Any]) -> Any:
        """Any entry of the log, as it is."""
        return self.ok("POST", f"/api/jars/{self.jar_id}/log", record(entry))

    def jar(self) -> Any:
        return self.ok("GET", f"/api/jars/{self.jar_id}")


def _json(body: object) -> bytes:
    return body if isinstance(body, bytes) else json.dumps(body).encode()


def new_jar() -> dict[str, Any]:
    return {
        "id": str(uuid4()),
        "name": "Thistle",
        "family": "equal_parts",
        "choices": {
            "every_hours": 24,
            "seed_grams": 30.0,
            "start_grams": 30.0,
            "first_blend": {"spelt": 2.0, "rye": 1.0},
            "blend": {"spelt": 2.0, "rye": 1.0},
        },
        "tare_g": 200.0,
        "volume_ml": 400.0,
        "height_mm": 100.0,
        "scale_step": 1.0,
        "size": 1.0,
        "warmth_c": 22.0,
        "night_c": None,
        "ready_after": "usual",
        "starts_at": ago(0),
    }


def feed_body(hours_ago: float, **changes: object) -> dict[str, Any]:
    flours = [{"flour": "spelt", "g": 20.0}, {"flour": "rye", "g": 10.0}]
    body = {"kind": "feed", "at": ago(hours_ago), "keep_g": 30.0, "flours": flours, "water_g": 30.0, "salt_g": 0.0}
    return {**body, "line_mm": None, "note": "", **changes}


def look_body(hours_ago: float, **changes: object) -> dict[str, Any]:
    body: dict[str, Any] = {"kind": "look", "at": ago(hours_ago), "level": {"value": 1.5, "unit": "times"}}
    return {**body, "bubbles": None, "top": [], "smell": [], "thickness": None, "note": "", **changes}


def record(entry: dict[str, Any], seen_feed: str | None = None) -> dict[str, Any]:
    return {"id": str(uuid4()), "seen_feed": seen_feed, "entry": entry}


def word_body(about: str, hours_ago: float = 0.0, *, yes: bool) -> dict[str, Any]:
    return {"kind": "word", "at": ago(hours_ago), "about": about, "yes": yes, "note": ""}
