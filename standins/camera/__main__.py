"""`python -m standins.camera --to URL [--port 8422] [--every 20]`: a simulated camera before the demo's jar, with a
page to play with. It posts as a real one does (docs/devices.md).

Its token is taken from DESPERTAR_CAMERA_TOKEN, the jar's course from DESPERTAR_CAMERA_COURSE (JSON: `fed_at`, `zone`
and `points`, hours since the feed with levels × the line).
"""

from __future__ import annotations

import argparse
import json
import os
import threading
import time
import urllib.error
import urllib.parse
import urllib.request
from datetime import UTC, datetime, timedelta
from http import HTTPStatus
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit
from zoneinfo import ZoneInfo

from .scene import Scene, course_of

PAGE = Path(__file__).with_name("page.html")
MOST_BODY = 10_000
# Of the hours before it was begun it has a picture each so many minutes, and sends so many a minute.
KEPT_EVERY, SENDS_A_MINUTE = timedelta(minutes=5), 50
KEPT_FOR = timedelta(hours=24)
LATER_S = 15.0


def scene_of(told: str) -> Scene:
    course = json.loads(told)
    return Scene(course_of(course["points"], datetime.fromisoformat(course["fed_at"])), ZoneInfo(course["zone"]))


def kept_back(scene: Scene, now: datetime) -> list[datetime]:
    """When it took pictures before it was begun: since shortly after the feed, a day at most."""
    first = max(scene.course.fed_at + timedelta(minutes=3), now - KEPT_FOR)
    return [first + KEPT_EVERY * number for number in range(max(0, int((now - first) / KEPT_EVERY)))]


class Camera:
    """Takes pictures of a scene and sends them; `last` is the last one, with what became of it."""

    def __init__(self, scene: Scene, to: str, token: str) -> None:
        self.scene, self.to, self.token = scene, to, token
        self.said = ""

    def send(self, at: datetime) -> dict[str, Any] | None:
        """What was answered; None where it is to be sent again."""
        asked = urllib.parse.urlencode({"at": at.isoformat()})
        request = urllib.request.Request(  # noqa: S310  (the address is the owner's own)
            f"{self.to}?{asked}",
            self.scene.picture(at),
            {"Content-Type": "image/jpeg", "Authorization": f"Bearer {self.token}"},
        )
        try:
            with urllib.request.urlopen(request, timeout=30) as answer:  # noqa: S310
                told: dict[str, Any] = json.load(answer)
        except urllib.error.HTTPError as refused:
            self.said = f"refused: {refused.code}"
            return {"refused": refused.code} if 400 <= refused.code < 500 and refused.code != 429 else None
        except (OSError, ValueError) as away:
            self.said = f"nobody there: {away}"
            return None
        level = told.get("level")
        self.said = f"read: {level} × the line" if level is not None else f"not read: {told.get('cause')}"
        return told

    def run(self, every_s: float) -> None:
        waiting = kept_back(self.scene, datetime.now(UTC))
        while True:
            at = waiting[0] if waiting else datetime.now(UTC)
            told = self.send(at)
            if told is None:
                time.sleep(LATER_S)
                continue
            if waiting:
                # What was sent before it was begun anew is passed over.
                del waiting[: 1 if told.get("is_new") else 12]
            time.sleep(60.0 / SENDS_A_MINUTE if waiting else every_s)


class Handler(BaseHTTPRequestHandler):
    camera: Camera
    protocol_version = "HTTP/1.1"

    def log_message(self, *_: object) -> None:
        """Nobody reads a camera's log."""

    def _answer(self, body: bytes, kind: str, status: HTTPStatus = HTTPStatus.OK) -> None:
        self.send_response(status)
        self.send_header("Content-Type", kind)
        self.send_header("Cache-Control", "no-store")
        self.send_header("Content-Length", str(len(body)))
        self.end_headers()
        self.wfile.write(body)

    def _json(self, value: object, status: HTTPStatus = HTTPStatus.OK) -> None:
        self._answer(json.dumps(value).encode(), "application/json", status)

    def do_GET(self) -> None:
        scene = self.camera.scene
        match urlsplit(self.path).path:
            case "/":
                self._answer(PAGE.read_bytes(), "text/html; charset=utf-8")
            case "/picture.jpg":
                self._answer(scene.picture(datetime.now(UTC)), "image/jpeg")
            case "/state":
                self._json({**scene.told(), "said": self.camera.said})
            case _:
                self._json({"error": "There is /, /picture.jpg, /state and /hands."}, HTTPStatus.NOT_FOUND)

    def do_POST(self) -> None:
        origin = self.headers.get("Origin")
        if origin and urlsplit(origin).hostname not in ("127.0.0.1", "localhost"):
            self._json({"error": "not from there"}, HTTPStatus.FORBIDDEN)
            return
        body = self.rfile.read(min(int(self.headers.get("Content-Length") or 0), MOST_BODY))
        try:
            said = json.loads(body)
            self.camera.scene.act(said if isinstance(said, dict) else {})
        except ValueError as wrong:
            self._json({"error": str(wrong)}, HTTPStatus.UNPROCESSABLE_ENTITY)
            return
        self._json(self.camera.scene.told())


def serve(camera: Camera, port: int) -> ThreadingHTTPServer:
    """Its page on loopback; port 0 takes a free one. Its server stops with `shutdown()`."""
    server = ThreadingHTTPServer(("127.0.0.1", port), type("CameraHandler", (Handler,), {"camera": camera}))
    server.daemon_threads = True
    threading.Thread(target=server.serve_forever, daemon=True).start()
    return server


def main() -> None:
    parser = argparse.ArgumentParser(prog="python -m standins.camera", description=__doc__)
    parser.add_argument("--to", required=True, help="such as http://127.0.0.1:8420/api/frames")
    parser.add_argument("--port", type=int, default=8422)
    parser.add_argument("--every", type=float, default=20.0, help="seconds")
    arguments = parser.parse_args()
    # In the environment, where other users of the machine do not see it.
    token, course = os.environ.get("DESPERTAR_CAMERA_TOKEN"), os.environ.get("DESPERTAR_CAMERA_COURSE")
    if not token or not course:
        parser.error("a token is needed in DESPERTAR_CAMERA_TOKEN and a course in DESPERTAR_CAMERA_COURSE")
    camera = Camera(scene_of(course), arguments.to, token)
    serve(camera, arguments.port)
    camera.run(arguments.every)


if __name__ == "__main__":
    main()
