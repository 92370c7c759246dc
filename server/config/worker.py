"""The edge: gunicorn keeps the processes, waitress reads and writes in each.

A thread of the application is given only to a request that has arrived whole, so that slow lines hold up nobody but
themselves; what a line may take of time and size is bounded. Photos have a thread of their own, so that a burst of them
does not stand before the kitchen.
"""

from __future__ import annotations

import os
import socket
import time
from collections.abc import Mapping
from typing import Any

from gunicorn.workers.base import Worker
from waitress.adjustments import Adjustments
from waitress.channel import HTTPChannel
from waitress.server import TcpWSGIServer
from waitress.task import ThreadedTaskDispatcher

THREADS, PHOTO_THREADS = 4, 1
# Lines open at once in one process; more wait to be let in.
MOST_LINES = 500
# Seconds without a byte, and seconds in which a request must have arrived: a photo over a poor line takes a while.
SILENT_S, ARRIVES_WITHIN_S = 20, 120
LOOKED_AFTER_EVERY_S = 2
# More than the application itself takes, so that it is the one to say no, in its own shape.
MOST_BODY = 40_000_000
MOST_HEADER = 32_768


HEAVY = ("/photos", "/parts", "/open", "/spreadsheet", "/spreadsheet/keep")


def is_heavy(command: str, path: str) -> bool:
    """Whether a request brings photos or a whole file, or takes one out."""
    return (command == "POST" and path.endswith(HEAVY)) or path.startswith("/api/parcel.")


class Lanes:
    """What waitress gives a whole request to: one lane for photos, one for everything else."""

    def __init__(self) -> None:
        self.usual, self.photos = ThreadedTaskDispatcher(), ThreadedTaskDispatcher()
        self.usual.set_thread_count(THREADS)
        self.photos.set_thread_count(PHOTO_THREADS)

    def add_task(self, channel: HTTPChannel) -> None:
        first = channel.requests[0]
        lane = self.photos if is_heavy(first.command or "", first.path or "") else self.usual
        lane.add_task(channel)

    def shutdown(self, timeout: float = 5) -> None:
        for lane in (self.usual, self.photos):
            lane.shutdown(timeout=timeout)


class Edge(TcpWSGIServer):  # type: ignore[misc]  # (waitress is not typed)
    """A server that also ends a request that trickles in without end."""

    def maintenance(self, now: float) -> None:
        super().maintenance(now)
        for channel in list(self.active_channels.values()):
            if channel.request is None:
                channel.arriving_since = None
                continue
            since = getattr(channel, "arriving_since", None)
            if since is None or since[0] is not channel.request:
                channel.arriving_since = (channel.request, now)
            elif now - since[1] > ARRIVES_WITHIN_S:
                channel.will_close = True

    def look_after(self, at_most_s: float) -> None:
        """Whatever comes in or can go out, once."""
        self.asyncore.loop(timeout=at_most_s, use_poll=True, map=self._map, count=1)

    @property
    def is_answering(self) -> bool:
        return any(channel.requests or channel.total_outbufs_len for channel in self.active_channels.values())


def edge(application: Any, listening: socket.socket, lanes: Lanes) -> Edge:
    adjustments = Adjustments(
        sockets=[listening],
        ident="",
        connection_limit=MOST_LINES,
        channel_timeout=SILENT_S,
        cleanup_interval=LOOKED_AFTER_EVERY_S,
        max_request_body_size=MOST_BODY,
        max_request_header_size=MOST_HEADER,
        log_socket_errors=False,
        expose_tracebacks=False,
        asyncore_use_poll=True,
        clear_untrusted_proxy_headers=True,
        **proxy(os.environ),
    )
    about = (listening.family, listening.type, listening.proto, listening.getsockname())
    return Edge(application, {}, _sock=listening, dispatcher=lanes, adj=adjustments, bind_socket=False, sockinfo=about)


def proxy(environ: Mapping[str, str]) -> dict[str, Any]:
    """What waitress is told of the proxies of one's own before it: how many, and the address of the nearest. Theirs is
    the word on whose request it is and whether it came over HTTPS; from anybody else it is not heard."""
    count = int(environ.get("DESPERTAR_PROXIES", "0"))
    if count == 0:
        return {}
    return {
        "trusted_proxy": environ.get("DESPERTAR_PROXY_ADDRESS", "127.0.0.1"),
        "trusted_proxy_count": count,
        "trusted_proxy_headers": {"x-forwarded-for", "x-forwarded-proto"},
    }


class PatientWorker(Worker):  # type: ignore[misc]  # (gunicorn is not typed)
    """A process of gunicorn's with waitress inside; it listens at one address."""

    def run(self) -> None:
        lanes = Lanes()
        (listening,) = self.sockets
        door = edge(self.wsgi, listening.sock, lanes)
        while self.alive and self.ppid == os.getppid():
            self.notify()
            door.look_after(1.0)
        door.accepting = False
        until = time.monotonic() + float(self.cfg.graceful_timeout)
        while door.is_answering and time.monotonic() < until:
            door.look_after(0.2)
        lanes.shutdown()
