"""A new jar: many jars as it may be, weighed by what was seen, each run on to the day on which it is ready."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import NormalDist

import numpy as np

from ..jar_model import GAS, Course, Jar, Traits, run_many
from ..kinetics import YEAST_UPPER_C, Array, growth_pace
from ..log import Bubbles
from ..warmth import Warmth
from .rounds import Turn
from .stretch import quantiles

COUNT = 48
STEP_H = 0.5
# How much new jars differ in the logarithm: vigour, gas-holding, native life, lag; and how far the told warmth is off.
SPREADS = (0.30, 0.20, 0.9, 0.35)
# A model is not a jar: levels in the first days are held against it loosely.
LEVEL_SD = 0.16
FREEDOM = 4.0
LEAST_EFFECTIVE = 8.0
# The rule of ready, as far as the model can judge it: so many feeds in a row, doubled within so many hours at 24 °C.
IN_A_ROW, WITHIN_H, RULE_C = 3, 8.0, 24.0
ENOUGH = 0.93
# A jar fed once a day rises to about four fifths of what its paste can hold; nearly that is a doubling for it.
HOLDS_SHARE = 0.72


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


def traits() -> Traits[Array]:
    return Traits(*(np.exp(spread * row) for spread, row in zip(SPREADS, MEMBERS, strict=True)))


def doubling_mark(course: Course[Array] | Jar[Array]) -> Array:
    """What counts as doubled: 2 ×, or nearly what this flour and thickness can hold where that is less."""
    return np.minimum(2.0, 1.0 + HOLDS_SHARE * course.paste.most_gas * course.traits.height)


@dataclass(frozen=True)
class Ensemble:
    """Members after every turn of the log, and their weights."""

    courses: tuple[Course[Array], ...]
    weights: Array

    @property
    def likeliest(self) -> Traits[float]:
        """The traits that the weights point to, for one reference jar."""
        logs = [float((self.weights * spread * row).sum()) for spread, row in zip(SPREADS, MEMBERS, strict=True)]
        return Traits(*(math.exp(value) for value in logs))


def gather(turns: Sequence[Turn], start: Jar[Array] | None, until_h: float, warmth: Warmth) -> Ensemble:
    """Run every member through the log and weigh it by what was seen."""
    made = traits()
    courses: list[Course[Array]] = []
    told = np.zeros(COUNT)
    for number, turn in enumerate(turns):
        end = turns[number + 1].at_h if number + 1 < len(turns) else max(until_h, turn.at_h + STEP_H)
        jar = turn.into(courses[-1].end if courses else start, made)
        courses.append(run_many(jar, turn.at_h, end, warmth, STEP_H))
        told += _told(turn, courses[-1])
    return Ensemble(tuple(courses), _weights(told))


def _told(turn: Turn, course: Course[Array]) -> Array:
    told = np.zeros(COUNT)
    hours = np.array(course.hours) - turn.at_h
    levels = course.levels
    for reading in turn.readings:
        row = _row(levels, hours, reading.hours)
        if reading.times is not None:
            told += _bell(reading.times - row)
        if reading.high is not None:
            told += _bell(reading.high - _row(np.maximum.accumulate(levels, axis=0), hours, reading.hours))
        if reading.bubbles is Bubbles.NONE and reading.times is None:
            told += _bell(np.maximum(row - 1.08, 0.0))
    return told


def _row(levels: Array, hours: Array, hour: float) -> Array:
    after = int(np.clip(np.searchsorted(hours, hour), 1, len(hours) - 1))
    share = min(1.0, max(0.0, (hour - hours[after - 1]) / (hours[after] - hours[after - 1])))
    row: Array = levels[after - 1] + share * (levels[after] - levels[after - 1])
    return row


def _bell(off: Array) -> Array:
    made: Array = -0.5 * (FREEDOM + 1.0) * np.log1p((off / LEVEL_SD) ** 2 / FREEDOM)
    return made


def _weights(told: Array) -> Array:
    """Weights from log likelihoods, flattened until enough members count: few looks are not to choose one jar of 48."""
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
    """Days since the first mix: four of five fall between low and high. `awake` is the first lasting doubling."""

    low: float
    middle: float
    high: float
    awake_low: float
    awake_middle: float
    awake_high: float


def day_of_ready(
    ensemble: Ensemble, turns: Sequence[Turn], ahead: Sequence[Turn], warmth: Warmth, last_day: float
) -> DayOfReady | None:
    """Run the members on through the feeds that are planned, until all are ready or the days are over."""
    count = _Count(warmth)
    for number, (turn, course) in enumerate(zip(turns, ensemble.courses, strict=True)):
        if number + 1 < len(turns):
            count.add(turn, course)
    # The running round is run on to its end, which is the first feed ahead.
    jar = ensemble.courses[-1].end
    at_h, running = turns[-1].at_h, ensemble.courses[-1]
    for turn in ahead:
        if turn.at_h > last_day * 24.0 or count.told(ensemble.weights):
            break
        rest = run_many(jar, running.hours[-1], max(turn.at_h, running.hours[-1] + 0.1), warmth, STEP_H)
        whole = Course(rest.paste, rest.traits, running.hours + rest.hours[1:], running.states + rest.states[1:])
        count.add_at(at_h, whole)
        jar = turn.into(rest.end, rest.traits)
        at_h = turn.at_h
        running = Course(jar.paste, jar.traits, [at_h], [jar.state])
    return count.days(ensemble.weights, last_day)


class _Count:
    """Doublings in a row, member by member."""

    def __init__(self, warmth: Warmth) -> None:
        self._warmth = warmth
        self._row = np.zeros(COUNT)
        self._ready = np.full(COUNT, np.inf)
        self._awake = np.full(COUNT, np.inf)
        self._until_h = 0.0

    def told(self, weights: Array) -> bool:
        """Enough members are ready for the day to be told with its spread; the last few may take for ever."""
        return float(weights[np.isfinite(self._ready)].sum()) > ENOUGH

    def add(self, turn: Turn, course: Course[Array]) -> None:
        self.add_at(turn.at_h, course)

    def add_at(self, at_h: float, course: Course[Array]) -> None:
        self._until_h = course.hours[-1]
        hours = np.array(course.hours) - at_h
        gas = np.array([state[GAS] for state in course.states])
        over = gas + 1.0 >= doubling_mark(course)[None, :]
        ever = over.any(axis=0)
        reached = hours[np.argmax(over, axis=0)]
        pace = growth_pace(self._warmth(at_h + 4.0), YEAST_UPPER_C) / growth_pace(RULE_C, YEAST_UPPER_C)
        # Yeast explains a rise only once the early bacteria are gone: not in the first two and a half days.
        good = ever & (reached * pace <= WITHIN_H) & (at_h > 60.0)
        awake = ever & (at_h > 60.0)
        self._awake = np.where(awake & ~np.isfinite(self._awake), (at_h + reached) / 24.0, self._awake)
        self._row = np.where(good, self._row + 1.0, 0.0)
        done = (self._row >= IN_A_ROW) & ~np.isfinite(self._ready)
        self._ready = np.where(done, (at_h + reached) / 24.0, self._ready)

    def days(self, weights: Array, last_day: float) -> DayOfReady | None:
        if float(weights[np.isfinite(self._ready)].sum()) < 0.3:
            return None
        latest = min(last_day, self._until_h / 24.0)
        ready = np.where(np.isfinite(self._ready), self._ready, latest)
        awake = np.where(np.isfinite(self._awake), self._awake, latest)
        return DayOfReady(*quantiles(ready, weights), *quantiles(awake, weights))
