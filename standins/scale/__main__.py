"""`python -m standins.scale [--port 8421] [--allow ORIGIN …]`: the simulated scale and its page, on loopback alone.

It speaks the interface in `docs/devices.md`; `POST /hands` is the page's own, for the hands that a simulation lacks.
"""

from __future__ import annotations

import argparse
import json
import threading
import time
from http import HTTPStatus
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit

from .cell import STEPS, Cell, Shown

PAGE = Path(__file__).with_name("page.html")
SAMPLE_S = 0.1
MOST_BODY = 10_000


class Scale:
    """The cell with its clock; readers wait for the next sample."""

    def __init__(self) -> None:
        self.cell = Cell()
        self.changed = threading.Condition()
        self.shown = Shown(0.0, 0.0, stable=True)

    def run(self) -> None:
        while True:
            time.sleep(SAMPLE_S)
            with self.changed:
                self.shown = self.cell.sample(SAMPLE_S)
                self.changed.notify_all()

    def told(self) -> dict[str, Any]:
        shown, cell = self.shown, self.cell
        return {
            "grams": shown.grams,
            "zeroed_g": shown.zeroed_g,
            "stable": shown.stable,
            "step_g": cell.step_g,
        }

    def act(self, said: dict[str, Any]) -> None:
        """What hands do. Raises ValueError for what no hand does."""
        cell = self.cell
        with self.changed:
            match said:
                case {"put_g": int() | float() as grams}:
                    cell.put(float(grams))
                case {"pour_g_per_s": int() | float() as pace}:
                    cell.pours_g_per_s = float(pace)
                case {"drifts": bool() as drifts}:
                    cell.drifts = drifts
                case {"jitters": bool() as jitters}:
                    cell.jitters = jitters
                case {"plugged": bool() as plugged}:
                    cell.plugged = plugged
                case {"step_g": int() | float() as step} if float(step) in STEPS:
                    cell.step_g = float(step)
                case {"clear": True}:
                    cell.load_g, cell.zero_g, cell.pours_g_per_s = 0.0, 0.0, 0.0
                case _:
                    raise ValueError("put_g, pour_g_per_s, drifts, jitters, plugged, step_g or clear")


class Handler(BaseHTTPRequestHandler):
    scale: Scale
    allowed: frozenset[str]
    protocol_version = "HTTP/1.1"

    def log_message(self, *_: object) -> None:
        """Nobody reads a scale's log."""

    def _head(self, status: HTTPStatus, kind: str, length: int | None = None) -> None:
        self.send_response(status)
        self.send_header("Content-Type", kind)
        self.send_header("Cache-Control", "no-store")
        origin = self.headers.get("Origin")
        if origin and self._may(origin):
            self.send_header("Access-Control-Allow-Origin", origin)
            self.send_header("Vary", "Origin")
        if length is None:
            self.send_header("Connection", "close")
        else:
            self.send_header("Content-Length", str(length))
        self.end_headers()

    def _may(self, origin: str) -> bool:
        """The application on this machine, whatever its port, and what was allowed by name."""
        return urlsplit(origin).hostname in ("127.0.0.1", "localhost") or origin in self.allowed

    def _json(self, value: object, status: HTTPStatus = HTTPStatus.OK) -> None:
        body = json.dumps(value).encode()
        self._head(status, "application/json", len(body))
        self.wfile.write(body)

    def do_GET(self) -> None:
        path = urlsplit(self.path).path
        if path == "/":
            body = PAGE.read_bytes()
            self._head(HTTPStatus.OK, "text/html; charset=utf-8", len(body))
            self.wfile.write(body)
        elif path == "/state":
            cell = self.scale.cell
            self._json({**self.scale.told(), "load_g": round(cell.load_g, 1), "plugged": cell.plugged})
        elif path == "/reading":
            if self.scale.cell.plugged:
                self._json(self.scale.told())
            else:
                self._json({"error": "unplugged"}, HTTPStatus.SERVICE_UNAVAILABLE)
        elif path == "/live":
            self._live()
        else:
            self._json({"error": "There is /, /reading, /live and /tare."}, HTTPStatus.NOT_FOUND)

    def _live(self) -> None:
        """Server-sent events: a reading whenever it changes, at most ten a second, and a sign of life each second."""
        self._head(HTTPStatus.OK, "text/event-stream")
        scale, last, told_at = self.scale, None, 0.0
        try:
            while True:
                with scale.changed:
                    scale.changed.wait(timeout=2.0)
                    now = scale.told() if scale.cell.plugged else None
                if now == last and time.monotonic() - told_at < 1.0:
                    continue
                event = "event: unplugged\ndata: {}\n\n" if now is None else f"data: {json.dumps(now)}\n\n"
                self.wfile.write(event.encode())
                self.wfile.flush()
                last, told_at = now, time.monotonic()
        except (BrokenPipeError, ConnectionResetError):
            self.close_connection = True

    def do_POST(self) -> None:
        origin = self.headers.get("Origin")
        if origin and not self._may(origin):
            self._json({"error": "not from there"}, HTTPStatus.FORBIDDEN)
            return
        length = min(int(self.headers.get("Content-Length") or 0), MOST_BODY)
        body = self.rfile.read(length)
        path = urlsplit(self.path).path
        if path == "/tare":
            with self.scale.changed:
                self.scale.cell.tare()
            self._json(self.scale.told())
        elif path == "/hands":
            try:
                said = json.loads(body)
                self.scale.act(said if isinstance(said, dict) else {})
            except ValueError as wrong:
                self._json({"error": str(wrong)}, HTTPStatus.UNPROCESSABLE_ENTITY)
                return
            self._json({**self.scale.told(), "load_g": round(self.scale.cell.load_g, 1)})
        else:
            self._json({"error": "There is /tare."}, HTTPStatus.NOT_FOUND)


def serve(port: int, allowed: frozenset[str] = frozenset()) -> ThreadingHTTPServer:
    """A running scale on loopback; port 0 takes a free one. Its server stops with `shutdown()`."""
    scale = Scale()
    handler = type("ScaleHandler", (Handler,), {"scale": scale, "allowed": allowed})
    server = ThreadingHTTPServer(("127.0.0.1", port), handler)
    server.daemon_threads = True
    threading.Thread(target=scale.run, daemon=True).start()
    threading.Thread(target=server.serve_forever, daemon=True).start()
    return server


def main() -> None:
    parser = argparse.ArgumentParser(prog="python -m standins.scale", description=__doc__)
    parser.add_argument("--port", type=int, default=8421)
    parser.add_argument("--allow", action="append", default=[], metavar="ORIGIN")
    arguments = parser.parse_args()
    serve(arguments.port, frozenset(arguments.allow))
    threading.Event().wait()


if __name__ == "__main__":
    main()
