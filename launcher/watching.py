"""Keeping a kitchen running: what falls is begun again; all of it rests while another command changes what is kept."""

from __future__ import annotations

import os
import subprocess
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager, suppress
from pathlib import Path

from . import say, serving
from .database import Database
from .place import LOGS, RUN

# Seconds before what fell is begun again: soon, then less and less often.
RESTS_S = (0.0, 1.0, 2.0, 5.0, 10.0, 30.0, 60.0)
# Having run so long, it counts as sound again.
SOUND_AFTER_S = 120.0


class Kept:
    """A process that is begun again whenever it ends; its number is in `var/run`."""

    def __init__(self, name: str, begin: Callable[[], subprocess.Popen[bytes]]) -> None:
        self.name, self._begin = name, begin
        self.falls = 0
        self.again_at: float | None = None
        self.process = self._start()

    def _start(self) -> subprocess.Popen[bytes]:
        self.began = time.monotonic()
        process = self._begin()
        (RUN / f"{self.name.replace(' ', '-')}.pid").write_text(str(process.pid))
        return process

    def rest(self) -> None:
        """End it; it is begun again by `go_on`."""
        serving.end(self.process)

    def go_on(self) -> None:
        self.again_at = None
        self.process = self._start()

    def look(self) -> None:
        """Begin it again if it has ended and has rested."""
        if self.process.poll() is None:
            return
        now = time.monotonic()
        if self.again_at is None:
            self.falls = 0 if now - self.began > SOUND_AFTER_S else self.falls
            self.again_at = now + RESTS_S[min(self.falls, len(RESTS_S) - 1)]
            self.falls += 1
            say.line(f"  The {self.name} ended by itself (exit {self.process.returncode}); begun again. See {LOGS}.")
        if now >= self.again_at:
            self.again_at = None
            self.process = self._start()


# Another command of this house asks the launcher to rest meanwhile; it says so when all but the database has ended.
REST, RESTING = RUN / "rest", RUN / "resting"


def is_running() -> bool:
    """Whether a launcher of this house serves it."""
    return serving.ADDRESS_FILE.exists() and serving.database().pid() is not None


@contextmanager
def at_rest() -> Iterator[None]:
    """The running kitchen rests until this is over: only its database answers. Raises Stop where it does not rest."""
    RESTING.unlink(missing_ok=True)
    REST.write_text(str(os.getpid()))
    try:
        until = time.monotonic() + 60
        while not RESTING.exists():
            if time.monotonic() > until:
                raise say.Stop("The running kitchen does not rest. ./despertar stop ends it; then try again.")
            time.sleep(0.05)
        yield
    finally:
        REST.unlink(missing_ok=True)


def _rest_is_asked() -> bool:
    """Who asked for it may have been killed."""
    with suppress(OSError, ValueError):
        return Path(f"/proc/{int(REST.read_text())}").exists()
    return False


def _rest(kept: Sequence[Kept], again: Callable[[], None], asleep: Callable[[float], None]) -> None:
    say.line("  Resting …")
    for one in reversed(kept):
        one.rest()
    RESTING.touch()
    while _rest_is_asked():
        asleep(0.1)
    REST.unlink(missing_ok=True)
    RESTING.unlink(missing_ok=True)
    # What was changed meanwhile is brought to what the code of today wants, or taken back.
    again()
    for one in kept:
        one.go_on()
    say.line("  Going on.")


def keep(db: Database, kept: Sequence[Kept], again: Callable[[], None], asleep: Callable[[float], None]) -> None:
    """Watch over the database and the processes until asked to stop; after a rest, `again` sees to the database."""
    falls = 0
    while True:
        if _rest_is_asked():
            _rest(kept, again, asleep)
        if db.pid() is None:
            say.line(f"  The database ended by itself; begun again. See {db.log}.")
            try:
                db.start()
                falls = 0
            except say.Stop as reason:
                falls += 1
                say.line(f"  {reason}")
                asleep(RESTS_S[min(falls, len(RESTS_S) - 1)])
        for one in kept:
            one.look()
        asleep(0.5)
