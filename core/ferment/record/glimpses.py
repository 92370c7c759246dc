"""What a camera read of a jar: levels every few minutes, which are not as many looks."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

# Within such a time pictures err together (a shine, a smear, a paste that looks like the wall): they tell as one look.
TOGETHER_H = 1.0


@dataclass(frozen=True)
class Glimpse:
    """One picture's level as a multiple of the line that stood then, with its standard error."""

    id: str
    at: datetime
    times: float
    error: float


@dataclass(frozen=True)
class Weighed:
    """A glimpse, and as how many looks it counts: from nearly none to one."""

    glimpse: Glimpse
    counts: float


def as_looks(glimpses: Iterable[Glimpse]) -> tuple[Weighed, ...]:
    """In order of time; what came soon after another counts by the time between, so that a night of pictures counts by
    its hours."""
    told: list[Weighed] = []
    for one in sorted(glimpses, key=lambda one: (one.at, one.id)):
        since = (one.at - told[-1].glimpse.at) / timedelta(hours=TOGETHER_H) if told else 1.0
        told.append(Weighed(one, min(1.0, max(0.0, since))))
    return tuple(told)


def in_utc(glimpse: Glimpse) -> Glimpse:
    return Glimpse(glimpse.id, glimpse.at.astimezone(UTC), glimpse.times, glimpse.error)
