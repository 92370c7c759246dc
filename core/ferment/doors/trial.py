"""Jars side by side: what differs between them, and what that did, with how sure it is.

Each jar's habit is told by its own looks (`tracker.habit`), for one meal and one warmth, so that a warmer shelf, a late
feed or another ratio is not taken for what is tried. Of two jars, in the logarithm, with the spreads s of their habits,

    difference   d = ln b - ln a
    its spread   s = sqrt(s_a² + s_b² + EQUAL_JARS²)        two jars of one sort are no twins
    surely       |d| > SURELY s                             19 times of 20 (two-sided bell)

What one day differs from the next is in each habit's spread already, and shrinks with the feeds watched; what two equal
jars differ by for good does not.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..kitchen.flours import weight
from ..record.ledger import Ledger
from ..record.log import Log
from ..setups import Setup, background_of, course_of, ledger_of, warmth_told
from ..tracker import Background, Turn, forecast
from ..tracker.habit import Habit, Habitual, habit

# By how much two jars of one sort go on differing, whatever is averaged over (assumed: of the 10 to 20 % by which two
# feeds of equal jars differ, common practice, most is the day's).
EQUAL_JARS = 0.03
# Of a bell: 19 of 20 within, and four of five.
SURELY, EIGHT_OF_TEN = 1.96, 1.2816
# One feed tells nothing, and of two just after it woke the jar is not yet what it will be (`bench/trials.md`).
LEAST_FEEDS = 3
# A difference within this is none that a baker would notice.
NO_MATTER = 0.10
MOST_MORE_FEEDS = 12
# The warmths told of two jars are another place from here on, two ratios and two hydrations another from these shares.
ANOTHER_PLACE_C, ANOTHER_SHARE = 1.0, 0.08
ANOTHER_START_H = 6.0


class Apart(StrEnum):
    """What two jars can differ in."""

    FLOUR = "flour"
    LIQUID = "liquid"
    RATIO = "ratio"
    THICKNESS = "thickness"
    PLACE = "place"
    WAY = "way"
    START = "start"


class Yardstick(StrEnum):
    """What two jars are compared by."""

    TO_DOUBLE = "to_double"
    TO_PEAK = "to_peak"
    HEIGHT = "height"


class Surety(StrEnum):
    """How sure a difference is; `NO_MATTER`: surely too small to matter."""

    SURELY = "surely"
    LIKELY = "likely"
    OPEN = "open"
    NO_MATTER = "no_matter"


@dataclass(frozen=True)
class TriedJar:
    """One of the jars; the plain one comes first."""

    id: str
    setup: Setup
    log: Log


@dataclass(frozen=True)
class StandsBeside:
    """Where a jar of a trial stands: its yeast doubles it feed after feed since a moment, if it does, with so many of
    them watched since, and its habit where three or more tell of it. `binned` ends its part."""

    id: str
    grown_since: datetime | None
    watched: int
    habit: Habit | None
    binned: bool


@dataclass(frozen=True)
class Difference:
    """Of one jar against the plain one: a share (0.2: 20 % more), with the bounds between which it lies 19 times of 20.
    `hours` is the same in hours, for a moment. `more_feeds` would likely settle what is open; None where no such number
    would."""

    jar: str
    measure: Yardstick
    share: float
    low: float
    high: float
    hours: float | None
    surety: Surety
    more_feeds: int | None


@dataclass(frozen=True)
class Trial:
    """What is known of jars side by side. `apart` is what differs between them, the most telling first; `celsius` the
    warmth at which their habits are told."""

    apart: tuple[Apart, ...]
    celsius: float
    standings: tuple[StandsBeside, ...]
    differences: tuple[Difference, ...]


def trial(jars: Sequence[TriedJar], now: datetime) -> Trial:
    """Jars beside the first of them. Raises Refusal for a set-up that cannot be planned."""
    told = [_Told.of(jar, now) for jar in jars]
    plain = told[0]
    apart = tuple(what for what, differs in _APART.items() if any(differs(plain, one) for one in told[1:]))
    celsius = warmth_told(plain.jar.setup, plain.ledger)
    standings = tuple(_standing(one, plain, celsius, apart) for one in told)
    differences = [
        difference
        for other in standings[1:]
        for measure in Yardstick
        if (difference := _difference(standings[0], other, measure)) is not None
    ]
    return Trial(apart, celsius, standings, tuple(differences))


@dataclass(frozen=True)
class _Told:
    jar: TriedJar
    ledger: Ledger
    background: Background

    @classmethod
    def of(cls, jar: TriedJar, now: datetime) -> _Told:
        course = course_of(jar.setup)
        ledger = ledger_of(jar.setup, course, tuple(entry for entry in jar.log if entry.at <= now))
        return cls(jar, ledger, background_of(jar.setup, course, ledger))

    @property
    def meal(self) -> Turn | None:
        """What it was fed last: that is what it is fed now."""
        if not self.ledger.rounds:
            return None
        fed = self.ledger.rounds[-1].feed
        return Turn(0.0, fed.keep_g, fed.flours, fed.liquid_g, fed.juice_g, fed.salt_g)


def _flours(one: _Told) -> dict[str, float]:
    meal = one.meal
    whole = weight(meal.flours) if meal else 0.0
    return {part.flour: part.g / whole for part in meal.flours} if meal and whole else {}


def _other_flour(one: _Told, other: _Told) -> bool:
    mine, theirs = _flours(one), _flours(other)
    return any(abs(mine.get(name, 0.0) - theirs.get(name, 0.0)) > ANOTHER_SHARE for name in {*mine, *theirs})


def _juice(one: _Told) -> bool:
    return any(turn.feed.juice_g > 0 for turn in one.ledger.rounds)


def _ratio(one: _Told) -> float:
    return one.meal.parts if one.meal and one.meal.keep_g else 0.0


def _wet(one: _Told) -> float:
    meal = one.meal
    return meal.liquid_g / weight(meal.flours) if meal and weight(meal.flours) else 0.0


def _far(mine: float, theirs: float) -> bool:
    return bool(mine and theirs) and abs(math.log(mine / theirs)) > ANOTHER_SHARE


def _began(one: _Told) -> datetime:
    return one.ledger.rounds[0].feed.at if one.ledger.rounds else one.jar.setup.starts_at


# In the order in which they are told: what goes in before where it stands and when it began.
_APART: dict[Apart, Callable[[_Told, _Told], bool]] = {
    Apart.FLOUR: _other_flour,
    Apart.LIQUID: lambda one, other: _juice(one) != _juice(other),
    Apart.RATIO: lambda one, other: _far(_ratio(one), _ratio(other)),
    Apart.THICKNESS: lambda one, other: _far(_wet(one), _wet(other)),
    Apart.WAY: lambda one, other: one.jar.setup.family != other.jar.setup.family,
    Apart.PLACE: lambda one, other: (
        abs(warmth_told(one.jar.setup, one.ledger) - warmth_told(other.jar.setup, other.ledger)) >= ANOTHER_PLACE_C
    ),
    Apart.START: lambda one, other: abs((_began(one) - _began(other)).total_seconds()) > ANOTHER_START_H * 3600.0,
}


def _grown_since(one: _Told) -> int | None:
    """The number of the feed from which on its yeast doubled it, one lapse forgiven: the early bacteria's rise, which
    two quiet feeds follow, is none of its habit."""
    told = forecast(one.ledger, one.background, ())
    if told is None:
        return None
    doubled = {fit.feed_id: fit.doubled_chance >= 0.5 and fit.yeast_share >= 0.5 for fit in told.rounds}
    since, lapses = None, 0
    for number, turn in reversed(list(enumerate(one.ledger.rounds))):
        if not any(seen.level_read for seen in turn.sightings):
            continue
        if doubled.get(turn.feed.id, False):
            since, lapses = number, 0
        elif (lapses := lapses + 1) > 1:
            break
    return since


def _standing(one: _Told, plain: _Told, celsius: float, apart: tuple[Apart, ...]) -> StandsBeside:
    ledger, binned = one.ledger, one.ledger.binned is not None
    since = None if binned else _grown_since(one)
    if since is None or one.meal is None:
        return StandsBeside(one.jar.id, None, 0, None, binned)
    watched = sum(any(seen.level_read for seen in turn.sightings) for turn in ledger.rounds[since:])
    found = None
    if watched >= LEAST_FEEDS:
        # What is tried is told as it is; where only the place or the hour differs, at one warmth.
        warm = warmth_told(one.jar.setup, ledger) if apart[:1] == (Apart.PLACE,) else celsius
        found = habit(ledger, one.background, since, _alike(one.meal, plain.meal, apart), warm)
    return StandsBeside(one.jar.id, ledger.rounds[since].feed.at, watched, found, binned)


def _alike(meal: Turn, plain: Turn | None, apart: tuple[Apart, ...]) -> Turn:
    """A jar's own meal, at the plain one's ratio where the ratio is not what is tried."""
    if plain is None or not plain.keep_g or not meal.keep_g or apart[:1] == (Apart.RATIO,):
        return meal
    return Turn(0.0, weight(meal.flours) / plain.parts, meal.flours, meal.liquid_g, meal.juice_g, meal.salt_g)


def _of(found: Habit, measure: Yardstick) -> Habitual | None:
    return {Yardstick.TO_DOUBLE: found.doubles, Yardstick.TO_PEAK: found.peak, Yardstick.HEIGHT: found.top}[measure]


def _difference(plain: StandsBeside, other: StandsBeside, measure: Yardstick) -> Difference | None:
    if plain.habit is None or other.habit is None:
        return None
    mine, theirs = _of(plain.habit, measure), _of(other.habit, measure)
    if mine is None or theirs is None:
        return None
    found = math.log(theirs.middle / mine.middle)
    days = math.hypot(mine.unsure, theirs.unsure)
    spread = math.hypot(days, EQUAL_JARS)
    low, high = found - SURELY * spread, found + SURELY * spread
    surety = _surety(found, low, high, spread)
    hours = None if measure is Yardstick.HEIGHT else round(theirs.middle - mine.middle, 2)
    return Difference(
        other.id,
        measure,
        round(math.expm1(found), 3),
        round(math.expm1(low), 3),
        round(math.expm1(high), 3),
        hours,
        surety,
        _more_feeds(found, days, min(plain.watched, other.watched)) if surety in _UNSETTLED else None,
    )


_UNSETTLED = (Surety.LIKELY, Surety.OPEN)


def _surety(found: float, low: float, high: float, spread: float) -> Surety:
    if abs(found) > SURELY * spread:
        return Surety.SURELY
    if max(abs(low), abs(high)) < NO_MATTER:
        return Surety.NO_MATTER
    return Surety.LIKELY if abs(found) > EIGHT_OF_TEN * spread else Surety.OPEN


def _more_feeds(found: float, days: float, watched: int) -> int | None:
    """How many more watched feeds would make this difference sure, or surely too small to matter, if it stays as it is:
    the days' part of the spread shrinks with the root of their number."""
    for more in range(1, MOST_MORE_FEEDS + 1):
        spread = math.hypot(days * math.sqrt(watched / (watched + more)), EQUAL_JARS)
        if abs(found) > SURELY * spread or abs(found) + SURELY * spread < NO_MATTER:
            return more
    return None
