"""Ports for servers that are put down and taken up again at the same address."""

from __future__ import annotations

import secrets
import socket
from contextlib import suppress
from pathlib import Path

from launcher.database import free_port

GIVEN_TO_LINES = Path("/proc/sys/net/ipv4/ip_local_port_range")
USUALLY_FROM = 32_768
LOWEST, FEWEST = 10_000, 1_000
_taken: set[int] = set()


def steady_port() -> int:
    """A free port that the kernel gives to no line going out and to nobody who asks for just any: none sits on it while
    its server is down, or listens at it only now and then. Where this machine keeps none back, just any."""
    given_from = _given_from()
    if given_from < LOWEST + FEWEST:
        return free_port()
    while True:
        port = LOWEST + secrets.randbelow(given_from - LOWEST)
        if port not in _taken and _is_free(port):
            _taken.add(port)
            return port


def _given_from() -> int:
    """`ip_local_port_range`, of the kernel's networking/ip-sysctl."""
    with suppress(OSError):
        return int(GIVEN_TO_LINES.read_text().split()[0])
    return USUALLY_FROM


def _is_free(port: int) -> bool:
    with socket.socket() as probe, suppress(OSError):
        probe.bind(("127.0.0.1", port))
        return True
    return False
