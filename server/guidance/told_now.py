"""What was told of a jar this minute, kept in the process: kitchen, jar, plan and postbox ask the same.

A jar is told as of the minute that runs, or of what was written after it began: so the answer is the same whoever
asks first. The key is all that the answer depends on; what is written makes another key, so nothing kept is ever stale.

What its log says beside the hour is kept for every worker (`kept`): the tracker follows a log once, wherever it is
asked for, and again when something is written or the plan ahead moves.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta

from ferment.doors.assessment import Stood, stood
from ferment.record.ledger import Ledger
from ferment.record.log import Log
from ferment.setups import Setup
from ferment.tracker import Background, Forecast, Turn, forecast
from kitchen.cards import JarCard
from problems.latest import Latest

from .kept import found_of, keep

MINUTE = timedelta(minutes=1)
_kept: Latest[tuple[object, ...], Stood] = Latest(512)


def stands_on(card: JarCard) -> tuple[object, ...]:
    """All that a jar and its log are told by: what was written of it, its baker's hours, and what was read near it."""
    setup = card.setup
    return card.id, card.revision, setup.hours, setup.later_hours, setup.readings


def moment_of(setup: Setup, log: Log, now: datetime) -> datetime:
    """The minute that runs, or what came after it and is not ahead of `now`: an entry, its start, other hours."""
    minute = now.replace(second=0, microsecond=0)
    return max((minute, *(at for at in _dated(setup, log) if at <= now)))


def holds_until(setup: Setup, log: Log, now: datetime) -> datetime:
    """The next moment that is told as itself: the minute after, or what is dated before that."""
    ends = now.replace(second=0, microsecond=0) + MINUTE
    return min((ends, *(at for at in _dated(setup, log) if now < at < ends)))


def _dated(setup: Setup, log: Log) -> tuple[datetime, ...]:
    return (setup.starts_at, *(later.at for later in setup.later_hours), *(entry.at for entry in log))


@dataclass(frozen=True)
class Foreseen:
    """What the tracker said of a log when these feeds were planned; also that it said nothing."""

    ahead: tuple[Turn, ...]
    told: Forecast | None


def foreseen_of(cards: Iterable[JarCard]) -> dict[str, Foreseen]:
    """What any worker followed these jars' logs to, in one query."""
    return found_of("forecast", (stands_on(card) for card in cards), Foreseen)


def told_now(card: JarCard, log: Log, now: datetime, foreseen: Mapping[str, Foreseen] | None = None) -> Stood:
    """The jar as it stands this minute. `foreseen` is what was asked for it and others before.

    Raises Refusal as `assess` does.
    """
    at = moment_of(card.setup, log, now)
    by = stands_on(card)
    found = _kept.get((*by, at))
    if found is None:
        before = foreseen_of([card]) if foreseen is None else foreseen

        def foresee(ledger: Ledger, background: Background, ahead: tuple[Turn, ...]) -> Forecast | None:
            said = before.get(repr(by))
            if said is None or said.ahead != ahead:
                said = Foreseen(ahead, forecast(ledger, background, ahead))
                keep("forecast", by, said)
            return said.told

        found = stood(card.setup, log, at, foresee)
        _kept.set((*by, at), found)
    return found


def is_told(card: JarCard, log: Log, now: datetime) -> bool:
    """Whether this process has told it this minute."""
    return _kept.get((*stands_on(card), moment_of(card.setup, log, now))) is not None
