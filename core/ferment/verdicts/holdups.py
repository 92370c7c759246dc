"""What holds up a jar that was to be ready by now: not seen, cool, thin, low or slow; what is to be seen is first."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from ..ready_rule import ALL_BUT, LIKELY, TELLS_FROM
from ..record.ledger import Ledger
from .judgement import Judgement
from .readiness import Attempt


class HoldUp(StrEnum):
    """Each says by itself what would help."""

    NO_LEVEL = "no_level"
    NOT_WATCHED = "not_watched"
    COOL = "cool"
    THIN = "thin"
    FEW = "few"
    LOW = "low"
    SLOW = "slow"


# From this age on a jar that nobody can tell a day of is asked about too (common practice: most are ready by day 14).
ASKED_FROM = timedelta(days=8)
# So many of the last feeds are looked back on.
LAST_FEEDS = 3
# Below this a room makes a jar slow (common practice).
COOL_C = 20.0
MOST_TOLD = 2


@dataclass(frozen=True)
class _Seen:
    """The last feeds: whether a level was read, the last that was watched, how warm it stands, and whether it woke."""

    read: bool
    last: Attempt | None
    watched: bool
    celsius: float
    woke: bool


_TABLE: tuple[tuple[HoldUp, Callable[[_Seen], bool]], ...] = (
    (HoldUp.NO_LEVEL, lambda it: not it.read),
    (HoldUp.NOT_WATCHED, lambda it: it.read and not it.watched),
    (HoldUp.COOL, lambda it: it.celsius < COOL_C),
    (HoldUp.THIN, lambda it: it.last is not None and it.last.doubles_at < TELLS_FROM),
    (HoldUp.FEW, lambda it: it.watched and not it.woke),
    (HoldUp.LOW, lambda it: it.woke and it.last is not None and _is_low(it.last)),
    (HoldUp.SLOW, lambda it: it.last is not None and not _is_low(it.last) and it.last.in_time < LIKELY),
)


def _is_low(one: Attempt) -> bool:
    return one.highest - 1.0 < ALL_BUT * (one.doubles_at - 1.0)


def hold_ups(
    ledger: Ledger, judged: Judgement, likely: datetime | None, celsius: float, now: datetime
) -> tuple[HoldUp, ...]:
    """At most two, once its likely day is over; `likely` is None where no day can be told, and then from day 8 on."""
    ready = judged.readiness
    due = likely if likely is not None else ledger.rounds[0].feed.at + ASKED_FROM
    if ready is None or ready.ready or ready.rises_no_more or now <= due:
        return ()
    lately = ledger.rounds[-LAST_FEEDS:]
    fed = {turn.feed.id for turn in lately}
    watched = [one for one in ready.feeds if one.feed_id in fed]
    seen = _Seen(
        read=any(one.level_read for turn in lately for one in turn.sightings),
        last=watched[-1] if watched else None,
        watched=bool(watched),
        celsius=celsius,
        woke=judged.woke,
    )
    return tuple(code for code, holds in _TABLE if holds(seen))[:MOST_TOLD]
