"""The backup of each day: made by a process beside the kitchen when the last is a day old; old ones are forgotten."""

from __future__ import annotations

import signal
import sys
import time
from datetime import datetime, timedelta

from . import backup, clock, say, serving
from .place import RUN

EVERY = timedelta(days=1)
LOOKED_EVERY_S, AGAIN_AFTER_S = 60.0, 3600.0
FAILED = RUN / "backup-failed"


def latest(now: datetime) -> timedelta | None:
    """How old the newest daily backup is; None where there is none."""
    made = [at for file in backup.FOLDER.glob("daily-*.tar.gz") if (at := backup.made_at(file.name)) is not None]
    return now - max(made) if made else None


def is_due(now: datetime) -> bool:
    age = latest(now)
    return age is None or age >= EVERY


def make(now: datetime) -> None:
    """Raises Stop; why is kept for who asks how the house stands."""
    try:
        backup.write(serving.database(), backup.FOLDER / backup.daily_name(now), now)
    except say.Stop as reason:
        FAILED.write_text(str(reason))
        raise
    FAILED.unlink(missing_ok=True)
    backup.forget_old(backup.FOLDER, now)


def main() -> None:
    # What was begun is cleared away when the kitchen is told to stop meanwhile.
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    # And what a killed one left.
    for half in backup.FOLDER.glob("daily-*.part"):
        half.unlink(missing_ok=True)
    while True:
        rest = LOOKED_EVERY_S
        now = clock.now()
        if is_due(now):
            try:
                make(now)
            except say.Stop as reason:
                print(reason, flush=True)
                rest = AGAIN_AFTER_S
        time.sleep(rest)


if __name__ == "__main__":
    main()
