"""A jar's rounds in hours: what went in and what was read, for the model to follow."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from ..flours import Blend, FlourLot
from ..jar_model import Course, Jar, Traits, feed, run
from ..kinetics import T
from ..ledger import Ledger, Round
from ..log import Bubbles
from ..protocol.method import Origin
from ..warmth import Place, Warmth

HOUR = timedelta(hours=1)


@dataclass(frozen=True)
class Reading:
    """One look in hours since its feed: level and high mark as multiples of the line, bubbles, pH, where noted."""

    look_id: str
    hours: float
    times: float | None
    high: float | None
    bubbles: Bubbles | None
    ph: float | None


@dataclass(frozen=True)
class Turn:
    """One feed at an hour (counted from the first mix), and the looks until the next."""

    at_h: float
    keep_g: float
    flours: FlourLot
    liquid_g: float
    juice_g: float
    salt_g: float
    readings: tuple[Reading, ...] = ()

    def into(self, jar: Jar[T] | None, traits: Traits[T]) -> Jar[T]:
        return feed(jar, traits, self.keep_g, self.flours, self.liquid_g, self.juice_g, self.salt_g)


@dataclass(frozen=True)
class Background:
    """What a jar is, beside its log: where it came from, its flour, where it stands, and when it was in the cold."""

    origin: Origin
    blend: Blend
    place: Place
    cold: tuple[tuple[datetime, datetime | None], ...] = ()


def turns_of(ledger: Ledger, since: datetime) -> tuple[Turn, ...]:
    return tuple(_turn(one, since) for one in ledger.rounds)


def _turn(one: Round, since: datetime) -> Turn:
    feed_, seen = one.feed, {reading.look.id: reading for reading in one.readings}
    readings = []
    for look in one.looks:
        read = seen.get(look.id)
        times, high = (read.times, read.high) if read else (None, None)
        readings.append(Reading(look.id, (look.at - feed_.at) / HOUR, times, high, look.bubbles, look.ph))
    return Turn(
        (feed_.at - since) / HOUR,
        # What was there is all that can have been kept.
        min(feed_.keep_g, one.before.total_g) if one.before.total_g else feed_.keep_g,
        feed_.flours,
        feed_.liquid_g,
        feed_.juice_g,
        feed_.salt_g,
        tuple(readings),
    )


def follow(
    jar: Jar[float] | None,
    traits: Traits[float],
    turns: Sequence[Turn],
    until_h: float,
    warmth: Warmth,
    step_h: float,
) -> list[Course[float]]:
    """One jar through its turns, the last until an hour."""
    courses: list[Course[float]] = []
    for number, turn in enumerate(turns):
        end = turns[number + 1].at_h if number + 1 < len(turns) else until_h
        mixed = turn.into(courses[-1].end if courses else jar, traits)
        courses.append(run(mixed, turn.at_h, max(end, turn.at_h + 0.1), warmth, step_h))
    return courses
