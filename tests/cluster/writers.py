"""Bakers who write through the door of a cluster as a browser does: again, under the same id, until it is confirmed."""

from __future__ import annotations

import threading
import time
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
from uuid import uuid4

from tests.server.base import PASSWORD, look_body, record
from tests.survival.house import Baker, Door

REST_S = 0.05
# Of so many looks one is asked for again, by a read that may go to another machine.
READ_EVERY = 6


@dataclass(frozen=True)
class Act:
    """A look that was confirmed."""

    id: str
    note: str
    sent: float
    confirmed: float

    @property
    def waited(self) -> float:
        return self.confirmed - self.sent


class Writer(Baker):
    """Writes until it is told to stop. `stale` are looks that a read did not show although they were confirmed."""

    def __init__(self, door: Door, name: str) -> None:
        super().__init__(door, name)
        self.acts: list[Act] = []
        self.stale: list[str] = []
        self.fault: BaseException | None = None
        self._stop = threading.Event()
        self._writing = threading.Thread(target=self._write, daemon=True)

    def second_device(self) -> Writer:
        """The same baker at the same jar, signed in on another device."""
        other = Writer(self.house, self.name)
        other.call("GET", "/api/session")
        other.call("POST", "/api/session", {"name": self.name, "password": PASSWORD})
        other.jar = self.jar
        return other

    def begin(self) -> None:
        self._writing.start()

    def end(self) -> None:
        """Stop after the act that is under way. Raises what went wrong in between."""
        self._stop.set()
        self._writing.join(60)
        if self.fault is not None:
            raise AssertionError(f"{self.name} could not go on") from self.fault

    def _write(self) -> None:
        try:
            while not self._stop.wait(REST_S):
                self._one()
        except BaseException as error:
            self.fault = error

    def _one(self) -> None:
        note = str(uuid4())
        body = record({**look_body(0.0), "level": None, "bubbles": "few", "note": note})
        sent = time.monotonic()
        self.call("POST", f"/api/jars/{self.jar}/log", body)
        self.acts.append(Act(body["id"], note, sent, time.monotonic()))
        if len(self.acts) % READ_EVERY == 0:
            told: Any = self.call("GET", f"/api/jars/{self.jar}")
            if body["id"] not in {entry["id"] for entry in told["log"]}:
                self.stale.append(body["id"])


@dataclass
class Phase:
    """What happened to the cluster, and what was written while it did."""

    title: str
    began: float
    ended: float = 0.0

    def acts(self, writers: Sequence[Writer]) -> list[Act]:
        """Those that were confirmed in it."""
        return [act for one in writers for act in one.acts if self.began <= act.confirmed < self.ended]
