"""What was told of a jar this minute, kept in the process: kitchen, jar, plan and postbox ask the same.

A jar is told as of the minute that runs, or of what was written after it began: so the answer is the same whoever
asks first. The key is all that the answer depends on; what is written makes another key, so nothing kept is ever stale.
"""

from __future__ import annotations

import threading
from collections import OrderedDict
from datetime import datetime

from ferment.doors.assessment import Assessment, assess
from ferment.record.log import Log
from ferment.setups import Setup

MOST_KEPT = 512
_Key = tuple[str, Log, datetime]
_kept: OrderedDict[_Key, Assessment] = OrderedDict()
_lock = threading.Lock()


def moment_of(setup: Setup, log: Log, now: datetime) -> datetime:
    """The minute that runs, or what came after it and is not ahead of `now`: an entry, its start, other hours."""
    minute = now.replace(second=0, microsecond=0)
    dated = (setup.starts_at, *(later.at for later in setup.later_hours), *(entry.at for entry in log))
    return max((minute, *(at for at in dated if at <= now)))


def told_now(setup: Setup, log: Log, now: datetime) -> Assessment:
    """`assess` as of this minute. Raises Refusal as that does."""
    at = moment_of(setup, log, now)
    key = (repr(setup), log, at)
    with _lock:
        found = _kept.get(key)
        if found is not None:
            _kept.move_to_end(key)
            return found
    made = assess(setup, log, at)
    with _lock:
        _kept[key] = made
        while len(_kept) > MOST_KEPT:
            _kept.popitem(last=False)
    return made
