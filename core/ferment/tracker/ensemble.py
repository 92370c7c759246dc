"""A new jar: many jars as it may be, weighed by what was seen, each run on to the day on which it is ready.

Before yeast shows, a jar cannot be told by stretching one curve: which of many it is, is the question. `COUNT` members
differ in the logarithms of vigour, gas-holding, native life and lag, spread evenly over the normal distributions of the
jar's `Prior` (an additive recurrence on the root of x^5 = x + 1, a quasi-random sequence after Roberts 2018, from
memory: the same members every time). Each runs through the logged feeds; its weight is the product over the looks of

    a level, a high mark   Student's t with MEMBER_FREEDOM degrees, of width LEVEL_SD
    no bubbles, no level   the same against a rise of 8 %, where it rises more
    a pH                   the same, of width PH_SD

flattened until at least LEAST_EFFECTIVE members count (the effective number is 1 / sum of squared weights): a few looks
are not to choose one jar of all. Looks change the weights, not the runs, so the runs are kept. The day of ready is the
weighted spread of the days on which the members meet the rule of ready, run on through the feeds that are planned.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache
from statistics import NormalDist

import numpy as np

from ..kitchen.warmth import Warmth
from ..mixing.contents import Origin
from ..model.jar import ACID, Jar, Traits, culture_jar
from ..model.kinetics import Array, ph_of
from ..model.runs import Run, not_run_yet, run_many
from ..ready_rule import (
    AT_C,
    DOUBLED,
    IN_A_ROW,
    OWN_HEIGHT,
    RISEN,
    WARMTH_AFTER_H,
    early_days_h,
    holds_share,
    limit_h,
)
from ..record.log import Bubbles
from .prior import Prior
from .rounds import Background, Turn
from .stretch import quantiles

COUNT = 256
MEMBER_STEP_H = 0.5
# A model is not a jar: levels in the first days are held against it loosely.
LEVEL_SD = 0.16
# A strip reads to about a quarter of a unit, and jars of one age differ by as much again.
PH_SD = 0.35
MEMBER_FREEDOM = 4.0
LEAST_EFFECTIVE = 8.0
ENOUGH = 0.93
# With fewer than this share ready within the days looked at, no day is told.
LEAST_TOLD = 0.3
# Where no other member became ready for so many days, those left fed so do not within the days looked at.
STALLED_DAYS = 3.5


def _members() -> tuple[Array, ...]:
    """Points that fill four dimensions evenly (an additive recurrence), as standard normal deviates."""
    root = 1.0
    for _ in range(60):
        root = (1.0 + root) ** (1.0 / 5.0)
    bell = NormalDist()
    rows = []
    for dimension in range(4):
        step = (1.0 / root) ** (dimension + 1)
        row = np.array([bell.inv_cdf((0.5 + step * (number + 1)) % 1.0) for number in range(COUNT)])
        rows.append((row - row.mean()) / row.std())
    return tuple(rows)


MEMBERS = _members()


@lru_cache(maxsize=16)
def traits(prior: Prior) -> Traits[Array]:
    return Traits(*(np.exp(row) for row in log_traits(prior)))


def log_traits(prior: Prior) -> tuple[Array, ...]:
    return tuple(
        middle + spread * row for middle, spread, row in zip(prior.middles, prior.spreads, MEMBERS, strict=True)
    )


def doubling_mark(course: Run[Array] | Jar[Array], celsius: float = AT_C) -> Array:
    """What counts as doubled for each member: as the rule has it, by its own gas-holding."""
    own = np.clip(course.traits.height, *OWN_HEIGHT)
    return np.clip(1.0 + holds_share(celsius) * course.paste.most_gas * own, RISEN, DOUBLED)


@dataclass(frozen=True)
class Feeding:
    """What the members' runs depend on: where the jar came from and stands, and its feeds, without what was read."""

    background: Background
    start: datetime
    turns: tuple[Turn, ...]
    until_h: float

    @property
    def warmth(self) -> Warmth:
        return _warmth(self.background, self.start)


def of_the_same_feeds(background: Background, start: datetime, turns: Sequence[Turn], until_h: float) -> Feeding:
    return Feeding(background, start, tuple(replace(turn, sightings=()) for turn in turns), until_h)


def run_members(fed: Feeding) -> tuple[Run[Array], ...]:
    """Every member through its feeds, the last until the end that is asked for."""
    warmth = fed.warmth
    courses: list[Run[Array]] = []
    for number, turn in enumerate(fed.turns):
        end = fed.turns[number + 1].at_h if number + 1 < len(fed.turns) else max(fed.until_h, turn.at_h + MEMBER_STEP_H)
        before = courses[-1] if courses else _outside(fed.background)
        courses.append(_round(before, turn, end, warmth, fed.background.prior))
    return tuple(courses)


# A look changes what the members weigh, not how they run, and a feed leaves the rounds before it as they were: so the
# rounds of the last few jars are kept, each known by the very one that it follows.
@lru_cache(maxsize=512)
def _round(before: Run[Array] | None, turn: Turn, end_h: float, warmth: Warmth, prior: Prior) -> Run[Array]:
    return run_many(turn.into(before.end if before else None, traits(prior)), turn.at_h, end_h, warmth, MEMBER_STEP_H)


@lru_cache(maxsize=64)
def _outside(background: Background) -> Run[Array] | None:
    """A culture from outside, as a run that has not begun."""
    if background.origin is Origin.FLOUR_AND_WATER:
        return None
    jar = culture_jar(background.origin, background.blend, traits(background.prior))
    return not_run_yet(jar, 0.0)


@lru_cache(maxsize=64)
def _warmth(background: Background, start: datetime) -> Warmth:
    return Warmth(background.place, start, background.cold)


@dataclass(frozen=True)
class Ensemble:
    """Members after every turn of the log, and their weights."""

    fed: Feeding
    courses: tuple[Run[Array], ...]
    weights: Array

    @property
    def likeliest(self) -> Traits[float]:
        """The traits that the weights point to, for one reference jar."""
        logs = [float((self.weights * row).sum()) for row in log_traits(self.fed.background.prior)]
        return Traits(*(math.exp(value) for value in logs))

    @property
    def vigour_spread(self) -> float:
        """How unsure the likeliest vigour is, in the logarithm."""
        row, *_ = log_traits(self.fed.background.prior)
        return float(np.sqrt((self.weights * (row - (self.weights * row).sum()) ** 2).sum()))


def gather(fed: Feeding, turns: Sequence[Turn]) -> Ensemble:
    """The members' runs, each weighed by what was seen of the jar."""
    courses = run_members(fed)
    told = np.zeros(COUNT)
    for turn, course in zip(turns, courses, strict=True):
        told += _told(turn, course)
    return Ensemble(fed, courses, _weights(told))


def _told(turn: Turn, course: Run[Array]) -> Array:
    told = np.zeros(COUNT)
    hours = np.array(course.hours) - turn.at_h
    levels = course.levels
    for sighting in turn.sightings:
        row = _row(levels, hours, sighting.hours)
        if sighting.times is not None:
            told += sighting.counts * _bell(sighting.times - row)
        if sighting.high is not None:
            told += _bell(sighting.high - _row(np.maximum.accumulate(levels, axis=0), hours, sighting.hours))
        if sighting.bubbles is Bubbles.NONE and sighting.times is None:
            told += _bell(np.maximum(row - 1.08, 0.0))
        if sighting.ph is not None:
            acid = _row(course.row(ACID), hours, sighting.hours)
            buffer = np.full_like(acid, course.paste.buffer)
            told += _bell((sighting.ph - ph_of(acid, buffer)) * (LEVEL_SD / PH_SD))
    return told


def _row(levels: Array, hours: Array, hour: float) -> Array:
    after = int(np.clip(np.searchsorted(hours, hour), 1, len(hours) - 1))
    share = min(1.0, max(0.0, (hour - hours[after - 1]) / (hours[after] - hours[after - 1])))
    row: Array = levels[after - 1] + share * (levels[after] - levels[after - 1])
    return row


def _bell(off: Array) -> Array:
    made: Array = -0.5 * (MEMBER_FREEDOM + 1.0) * np.log1p((off / LEVEL_SD) ** 2 / MEMBER_FREEDOM)
    return made


def _weights(told: Array) -> Array:
    """Weights from log likelihoods, flattened until enough members count: a few looks are not to choose one of all."""
    share = 1.0
    weights: Array = np.full(COUNT, 1.0 / COUNT)
    for _ in range(12):
        weights = np.exp(share * (told - told.max()))
        weights /= weights.sum()
        if 1.0 / float((weights**2).sum()) >= LEAST_EFFECTIVE:
            break
        share *= 0.7
    return weights


@dataclass(frozen=True)
class DayOfReady:
    """Days since the first mix: four of five fall between low and high. `awake` is the first lasting doubling.

    `share` is how many get ready by the last day looked at; the others are counted as ready then, so that where few do,
    `high` or even `middle` is only as far as was looked.
    """

    low: float
    middle: float
    high: float
    awake_low: float
    awake_middle: float
    awake_high: float
    share: float


def day_of_ready(members: Ensemble, ahead: tuple[Turn, ...], last_day: float) -> DayOfReady | None:
    """The members run on through the feeds that are planned, until nearly all are ready or the days are over."""
    count = _count_days(members.fed, ahead, last_day)
    return count.days(members.weights, last_day)


@lru_cache(maxsize=64)
def _count_days(fed: Feeding, ahead: tuple[Turn, ...], last_day: float) -> _Count:
    warmth, courses = fed.warmth, run_members(fed)
    count = _Count(warmth, IN_A_ROW[fed.background.ready_after])
    for turn, course in zip(fed.turns[:-1], courses[:-1], strict=True):
        count.add(turn.at_h, course, turn.parts)
    last, running = fed.turns[-1], courses[-1]
    for turn in ahead:
        if turn.at_h > last_day * 24.0 or count.enough:
            break
        whole = _until(running, max(turn.at_h, last.at_h + 0.1), warmth)
        count.add(last.at_h, whole, last.parts)
        jar = turn.into(whole.end, whole.traits)
        last, running = turn, not_run_yet(jar, turn.at_h)
    return count


def _until(course: Run[Array], end_h: float, warmth: Warmth) -> Run[Array]:
    """A run cut off at an hour, or run on to it."""
    if course.hours[-1] < end_h:
        rest = run_many(course.end, course.hours[-1], end_h, warmth, MEMBER_STEP_H)
        return course.then(rest)
    steps = max(1, sum(hour <= end_h for hour in course.hours))
    return course.first(steps)


class _Count:
    """Doublings in a row, member by member."""

    def __init__(self, warmth: Warmth, wanted: int) -> None:
        self._warmth = warmth
        self._wanted = wanted
        self._row = np.zeros(COUNT)
        self._ready = np.full(COUNT, np.inf)
        self._awake = np.full(COUNT, np.inf)
        self._until_h = 0.0

    @property
    def enough(self) -> bool:
        """So many are ready that the day can be told with its spread; the last few may take for ever."""
        return self._share > ENOUGH or self._stalled

    @property
    def _share(self) -> float:
        return float(np.isfinite(self._ready).mean())

    @property
    def _stalled(self) -> bool:
        known = self._ready[np.isfinite(self._ready)]
        return self._share > LEAST_TOLD and self._until_h / 24.0 - float(known.max()) > STALLED_DAYS

    def add(self, at_h: float, course: Run[Array], parts: float) -> None:
        self._until_h = course.hours[-1]
        celsius = self._warmth(at_h + WARMTH_AFTER_H)
        hours = np.array(course.hours) - at_h
        over = course.levels >= doubling_mark(course, celsius)[None, :]
        ever = over.any(axis=0)
        reached = hours[np.argmax(over, axis=0)]
        # Yeast explains a rise only once the early bacteria are gone.
        awake = ever & (at_h > early_days_h(celsius))
        good = awake & (reached <= limit_h(celsius, parts))
        self._awake = np.where(awake & ~np.isfinite(self._awake), (at_h + reached) / 24.0, self._awake)
        self._row = np.where(good, self._row + 1.0, 0.0)
        done = (self._row >= self._wanted) & ~np.isfinite(self._ready)
        self._ready = np.where(done, (at_h + reached) / 24.0, self._ready)

    def days(self, weights: Array, last_day: float) -> DayOfReady | None:
        share = float(weights[np.isfinite(self._ready)].sum())
        if share < LEAST_TOLD:
            return None
        latest = last_day if self._stalled else min(last_day, self._until_h / 24.0)
        ready = np.where(np.isfinite(self._ready), self._ready, latest)
        awake = np.where(np.isfinite(self._awake), self._awake, latest)
        return DayOfReady(*quantiles(ready, weights), *quantiles(awake, weights), round(share, 3))
