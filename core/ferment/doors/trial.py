"""Jars side by side: what differs between them, and what that did, with how sure it is (`surety`).

Each jar's habit is told by its own looks (`tracker.habit`), for one meal and one warmth, so that a warmer shelf, a late
feed or another ratio is not taken for what is tried.
"""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum
from functools import cached_property
from itertools import pairwise
from statistics import median

from ..kitchen.flours import weight
from ..mixing.feeding import FeedPlan
from ..protocol.course import Course
from ..protocol.options import OptionCode
from ..record.ledger import Ledger
from ..record.log import Deed, DeedKind, Log, Smell
from ..refusal import Refusal
from ..setups import Setup, background_of, course_of, feed_now, ledger_of, warmth_told
from ..tracker import Background, Turn, forecast
from ..tracker.habit import Habit, Habitual, habit
from .surety import Difference, SmellApart, Woken, Yardstick, awake_apart, habits_apart, smells_apart

# One feed tells nothing, and of two just after it woke the jar is not yet what it will be (`bench/trials.md`).
LEAST_FEEDS = 3
# The warmths told of two jars are another place from here on, two ratios and two hydrations another from these shares.
ANOTHER_PLACE_C, ANOTHER_SHARE = 1.0, 0.08
ANOTHER_START_H = 6.0
# Two rhythms are another where the usual waits differ by half; one late feed makes none.
ANOTHER_RHYTHM, WAITS = 1.5, 6
# Somebody looked when it was past its peak: by so much of the time to it.
PAST_PEAK = 1.2


class Apart(StrEnum):
    """What two jars can differ in."""

    FLOUR = "flour"
    LIQUID = "liquid"
    RATIO = "ratio"
    RHYTHM = "rhythm"
    THICKNESS = "thickness"
    YEAST = "yeast"
    PLACE = "place"
    WAY = "way"
    START = "start"


@dataclass(frozen=True)
class TriedJar:
    """One of the jars; the plain one comes first. `yeast`: a pinch of baker's yeast goes into it, for show."""

    id: str
    setup: Setup
    log: Log
    yeast: bool = False


@dataclass(frozen=True)
class StandsBeside:
    """Where a jar of a trial stands: its yeast doubles it feed after feed since a moment, if it does, with so many of
    them watched since, and its habit where three or more tell of it. `fall_seen` says that as many were seen past their
    peak, `smelt` at how many feeds which smell was noted, of `smelt_of` at which any was. `binned` ends its part."""

    id: str
    grown_since: datetime | None
    woken: Woken | None
    watched: int
    habit: Habit | None
    smelt: Mapping[Smell, int]
    smelt_of: int
    fall_seen: bool = False
    binned: bool = False


@dataclass(frozen=True)
class Trial:
    """What is known of jars side by side. `apart` is what differs between them, the most telling first; `celsius` the
    warmth at which their habits are told."""

    apart: tuple[Apart, ...]
    celsius: float
    standings: tuple[StandsBeside, ...]
    differences: tuple[Difference, ...]
    smells: tuple[SmellApart, ...]


def trial(jars: Sequence[TriedJar], now: datetime) -> Trial:
    """Jars beside the first of them. Raises Refusal for a set-up that cannot be planned."""
    told = [_Told.of(jar, now) for jar in jars]
    plain = told[0]
    apart = tuple(what for what, differs in _APART.items() if any(differs(plain, one) for one in told[1:]))
    celsius = warmth_told(plain.jar.setup, plain.ledger)
    standings = tuple(_standing(one, plain, celsius, apart) for one in told)
    first, others = standings[0], standings[1:]
    return Trial(
        apart,
        celsius,
        standings,
        tuple(
            difference
            for other in others
            for measure in Yardstick
            if (difference := _difference(first, other, measure)) is not None
        ),
        tuple(
            found
            for other in others
            for found in smells_apart(other.id, first.smelt, first.smelt_of, other.smelt, other.smelt_of)
        ),
    )


@dataclass(frozen=True)
class _Told:
    jar: TriedJar
    course: Course
    ledger: Ledger
    background: Background
    now: datetime

    @classmethod
    def of(cls, jar: TriedJar, now: datetime) -> _Told:
        course = course_of(jar.setup)
        ledger = ledger_of(jar.setup, course, tuple(entry for entry in jar.log if entry.at <= now))
        return cls(jar, course, ledger, background_of(jar.setup, course, ledger), now)

    @cached_property
    def meal(self) -> Turn | None:
        """What it was fed last: that is what it is fed now. Before anything was mixed, what is to be."""
        if self.ledger.rounds:
            fed = self.ledger.rounds[-1].feed
            return Turn(0.0, fed.keep_g, fed.flours, fed.liquid_g, fed.juice_g, fed.salt_g)
        planned = _planned(self)
        if planned is None:
            return None
        return Turn(0.0, planned.keep_g, planned.flours, planned.liquid_g, planned.juice_g, planned.salt_g)

    @property
    def every_h(self) -> float:
        """The usual wait between its feeds: as it was fed of late, else as was chosen. 0: nothing tells."""
        fed = [turn.feed.at for turn in self.ledger.rounds][-WAITS - 1 :]
        if len(fed) > LEAST_FEEDS:
            return median((after - before) / timedelta(hours=1) for before, after in pairwise(fed))
        return self.course.chosen.numbers.get(OptionCode.EVERY_HOURS, 0.0)


def _planned(one: _Told) -> FeedPlan | None:
    try:
        return feed_now(one.jar.setup, one.course, one.ledger, one.now).plan
    except Refusal:
        return None


def _flours(one: _Told) -> dict[str, float]:
    meal = one.meal
    whole = weight(meal.flours) if meal else 0.0
    return {part.flour: part.g / whole for part in meal.flours} if meal and whole else {}


def _other_flour(one: _Told, other: _Told) -> bool:
    mine, theirs = _flours(one), _flours(other)
    return any(abs(mine.get(name, 0.0) - theirs.get(name, 0.0)) > ANOTHER_SHARE for name in {*mine, *theirs})


def _juice(one: _Told) -> bool:
    return any(turn.feed.juice_g > 0 for turn in one.ledger.rounds) or bool(one.meal and one.meal.juice_g > 0)


def _yeast(one: _Told) -> bool:
    return one.jar.yeast or any(
        isinstance(deed, Deed) and deed.deed is DeedKind.YEAST_ADDED for deed in one.ledger.deeds
    )


def _other_rhythm(one: _Told, other: _Told) -> bool:
    mine, theirs = one.every_h, other.every_h
    return bool(mine and theirs) and max(mine, theirs) / min(mine, theirs) >= ANOTHER_RHYTHM


def _ratio(one: _Told) -> float:
    return one.meal.parts if one.meal and one.meal.keep_g else 0.0


def _wet(one: _Told) -> float:
    meal = one.meal
    return meal.liquid_g / weight(meal.flours) if meal and weight(meal.flours) else 0.0


def _far(mine: float, theirs: float) -> bool:
    return bool(mine and theirs) and abs(math.log(mine / theirs)) > ANOTHER_SHARE


def _began(one: _Told) -> datetime:
    return one.ledger.rounds[0].feed.at if one.ledger.rounds else one.jar.setup.starts_at


def _alike_begun(one: _Told, other: _Told) -> bool:
    """Of a jar and what was split off from it, neither the way that raised it nor its age is what is tried."""
    return one.course.origin is other.course.origin


# In the order in which they are told: what goes in before where it stands and when it began.
_APART: dict[Apart, Callable[[_Told, _Told], bool]] = {
    Apart.FLOUR: _other_flour,
    Apart.LIQUID: lambda one, other: _juice(one) != _juice(other),
    Apart.RATIO: lambda one, other: _far(_ratio(one), _ratio(other)),
    Apart.RHYTHM: _other_rhythm,
    Apart.THICKNESS: lambda one, other: _far(_wet(one), _wet(other)),
    Apart.YEAST: lambda one, other: _yeast(one) != _yeast(other),
    Apart.WAY: lambda one, other: _alike_begun(one, other) and one.jar.setup.family != other.jar.setup.family,
    Apart.PLACE: lambda one, other: (
        abs(warmth_told(one.jar.setup, one.ledger) - warmth_told(other.jar.setup, other.ledger)) >= ANOTHER_PLACE_C
    ),
    Apart.START: lambda one, other: (
        _alike_begun(one, other) and abs((_began(one) - _began(other)).total_seconds()) > ANOTHER_START_H * 3600.0
    ),
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
    smelt = Counter(smell for turn in ledger.rounds for smell in {one for seen in turn.sightings for one in seen.smell})
    smelt_of = sum(any(seen.smell for seen in turn.sightings) for turn in ledger.rounds)
    if since is None or one.meal is None:
        return StandsBeside(one.jar.id, None, _woken(one, None), 0, None, smelt, smelt_of, binned=binned)
    grown = ledger.rounds[since:]
    watched = sum(any(seen.level_read for seen in turn.sightings) for turn in grown)
    found = None
    if watched >= LEAST_FEEDS:
        # What is tried is told as it is; where only the place or the hour differs, at one warmth.
        warm = warmth_told(one.jar.setup, ledger) if apart[:1] == (Apart.PLACE,) else celsius
        found = habit(ledger, one.background, since, _alike(one.meal, plain.meal, apart), warm)
    falls = found is not None and _falls_seen(one, since) >= LEAST_FEEDS
    at = grown[0].feed.at
    return StandsBeside(
        one.jar.id, at, _woken(one, at), watched, found, smelt, smelt_of, fall_seen=falls, binned=binned
    )


def _woken(one: _Told, grown_since: datetime | None) -> Woken | None:
    """None before the first mix, and for a jar that was binned: nobody will know when it would have woken."""
    if not one.ledger.rounds or (grown_since is None and one.ledger.binned is not None):
        return None
    hours = ((grown_since or one.now) - one.ledger.rounds[0].feed.at) / timedelta(hours=1)
    return Woken(hours, grown_since is not None)


def _falls_seen(one: _Told, since: int) -> int:
    """The feeds at which somebody looked when it was past its peak."""
    told = forecast(one.ledger, one.background, ())
    peaks = {fit.feed_id: fit.peak_h for fit in told.rounds} if told else {}
    return sum(
        any(seen.times is not None and seen.hours > PAST_PEAK * peaks.get(turn.feed.id, math.inf) for seen in looks)
        for turn in one.ledger.rounds[since:]
        if (looks := turn.sightings)
    )


def _alike(meal: Turn, plain: Turn | None, apart: tuple[Apart, ...]) -> Turn:
    """A jar's own meal, at the plain one's ratio where the ratio is not what is tried."""
    if plain is None or not plain.keep_g or not meal.keep_g or apart[:1] == (Apart.RATIO,):
        return meal
    return Turn(0.0, weight(meal.flours) / plain.parts, meal.flours, meal.liquid_g, meal.juice_g, meal.salt_g)


def _of(found: StandsBeside, measure: Yardstick) -> Habitual | None:
    if found.habit is None:
        return None
    return {
        Yardstick.TO_DOUBLE: found.habit.doubles,
        Yardstick.TO_PEAK: found.habit.peak,
        Yardstick.HEIGHT: found.habit.top,
        Yardstick.HOLDS: found.habit.holds if found.fall_seen else None,
    }[measure]


def _difference(plain: StandsBeside, other: StandsBeside, measure: Yardstick) -> Difference | None:
    if measure is Yardstick.AWAKE:
        return awake_apart(other.id, plain.woken, other.woken) if plain.woken and other.woken else None
    mine, theirs = _of(plain, measure), _of(other, measure)
    if mine is None or theirs is None:
        return None
    return habits_apart(other.id, measure, mine, theirs, min(plain.watched, other.watched))
