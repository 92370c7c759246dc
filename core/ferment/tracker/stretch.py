"""How this jar differs from the book: its pace and its height, on a small grid, from what was read after each feed.

One reference jar is simulated with the logged feeds. This jar's level is taken to be the reference's, stretched in time
and in height: level(t) = 1 + e^h (ref(e^p t) - 1), t in hours since the feed, levels as multiples of the line.

The grid holds how likely each (p, h) is. With y_i the levels read after feed n, and m_i(p, h) what the stretched
reference would show then,

    prior              p ~ N(0, PRIOR_PACE), h ~ N(0, PRIOR_HEIGHT)              how much jars differ (logarithms)
    between two feeds  (p, h) widened by WANDER                                  a jar changes slowly
    one feed           (p_n, h_n) = (p, h) + N(0, DAY)                           no two days are alike
    a reading          (y_i - m_i) / sd ~ Student's t with FREEDOM degrees,      sd = READ_FIXED + READ_SHARE (m_i - 1)
    a high mark        the same against the highest level so far
    a camera's level   the same, sd = WATCHED_FIXED, or its own error where that is more, in the place of READ_FIXED; it
                       counts for as much of a look as it stands apart from the one before (`record.glimpses`)

so that the running feed's posterior is prior x likelihood, normalised (`track`): exact on the grid, no sampling. A t
instead of a bell, so that one misread level cannot carry a jar away; one that lies SURPRISE spreads off is named.
The widths are set from what practice says of reading a mark on a glass and of jars fed alike; none is fitted to a jar.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ..model.kinetics import Array
from ..record.ledger import Sighting

PACES = np.linspace(-1.0, 1.0, 61)
HEIGHTS = np.linspace(-0.8, 0.8, 33)
# Before anything is read: how much jars differ (logarithms), and what one day differs from the next.
PRIOR_PACE, PRIOR_HEIGHT = 0.27, 0.22
DAY_PACE, DAY_HEIGHT = 0.10, 0.07
WANDER_PACE, WANDER_HEIGHT = 0.03, 0.02
# How exactly a level is read: a fixed part, and a share of the rise.
READ_FIXED, READ_SHARE = 0.04, 0.07
WATCHED_FIXED = 0.025
# A level so far out that nothing explains it counts no more than this (Student's t instead of a bell).
FREEDOM = 4.0
SURPRISE = 3.2


def _kernel(grid: Array, sd: float) -> Array:
    made: Array = np.exp(-0.5 * ((grid[:, None] - grid[None, :]) / sd) ** 2)
    made /= made.sum(axis=1, keepdims=True)
    return made


_DAY = (_kernel(PACES, DAY_PACE), _kernel(HEIGHTS, DAY_HEIGHT))
_WANDER = (_kernel(PACES, WANDER_PACE), _kernel(HEIGHTS, WANDER_HEIGHT))


@dataclass(frozen=True)
class Curve:
    """The reference after one feed: hours since it, levels, and the highest level so far."""

    hours: Array
    levels: Array

    @property
    def highest(self) -> Array:
        return np.maximum.accumulate(self.levels)


@dataclass(frozen=True)
class Posterior:
    """Weights over the grid (paces down, heights across) that sum to 1: of the jar itself, and of the running feed.

    `rounds` are those of each feed in turn, the running one last; `expected` what was thought of each before its looks,
    `heights` what was thought of the jar's height after them, as a factor.
    """

    jar: Array
    running: Array
    watched: int
    surprising: tuple[str, ...]
    rounds: tuple[Array, ...]
    expected: tuple[Array, ...]
    heights: tuple[float, ...]

    @property
    def pace(self) -> float:
        """How much faster than the book, as a factor."""
        return float(np.exp((self.jar.sum(axis=1) * PACES).sum()))

    @property
    def pace_spread(self) -> float:
        """How unsure that is, in the logarithm."""
        weights = self.jar.sum(axis=1)
        return float(np.sqrt((weights * (PACES - (weights * PACES).sum()) ** 2).sum()))

    @property
    def height(self) -> float:
        return self.heights[-1]


def _height(jar: Array) -> float:
    return float(np.exp((jar.sum(axis=0) * HEIGHTS).sum()))


def prior(spread: float = 1.0) -> Array:
    pace = np.exp(-0.5 * (PACES / (PRIOR_PACE * spread)) ** 2)
    height = np.exp(-0.5 * (HEIGHTS / PRIOR_HEIGHT) ** 2)
    made: Array = pace[:, None] * height[None, :]
    made /= made.sum()
    return made


def predicted(curve: Curve, hours: float, *, highest: bool = False) -> Array:
    """The level at an hour for every node of the grid."""
    rows = np.interp(np.exp(PACES) * hours, curve.hours, curve.highest if highest else curve.levels)
    return 1.0 + np.exp(HEIGHTS)[None, :] * (rows[:, None] - 1.0)


def _log_likelihood(level: float, expected: Array, fixed: float = READ_FIXED) -> Array:
    sd = fixed + READ_SHARE * np.maximum(expected - 1.0, 0.0)
    off = (level - expected) / sd
    return -0.5 * (FREEDOM + 1.0) * np.log1p(off**2 / FREEDOM) - np.log(sd)


def track(
    curves: Sequence[Curve], sightings: Sequence[Sequence[Sighting]], spread: float = 1.0, *, wanders: bool = True
) -> Posterior:
    """Every feed in turn, the last being the one that runs. A jar that does not wander is told as it was over all of
    them."""
    jar = prior(spread)
    running = jar
    surprising: list[str] = []
    rounds: list[Array] = []
    thought: list[Array] = []
    heights: list[float] = []
    watched = 0
    for curve, seen in zip(curves, sightings, strict=True):
        if wanders:
            jar = _WANDER[0] @ jar @ _WANDER[1].T
        before = _DAY[0] @ jar @ _DAY[1].T
        thought.append(before)
        told = np.zeros_like(jar)
        for sighting in seen:
            for level, expected in _expected(curve, sighting):
                told += sighting.counts * _log_likelihood(level, expected, _fixed(sighting))
                # A camera is not asked whether it has misread.
                if not sighting.watched and _is_surprising(level, expected, before):
                    surprising.append(sighting.look_id)
        watched += 1 if any(one.times is not None or one.high is not None for one in seen) else 0
        likely = np.exp(told - told.max())
        running = before * likely
        running /= running.sum()
        rounds.append(running)
        # What one day tells of the jar itself is blurred by that day's own difference.
        jar = jar * (_DAY[0].T @ likely @ _DAY[1])
        jar /= jar.sum()
        heights.append(_height(jar))
    return Posterior(
        jar, running, watched, tuple(dict.fromkeys(surprising)), tuple(rounds), tuple(thought), tuple(heights)
    )


def _expected(curve: Curve, sighting: Sighting) -> list[tuple[float, Array]]:
    told = []
    if sighting.times is not None:
        told.append((sighting.times, predicted(curve, sighting.hours)))
    if sighting.high is not None:
        told.append((sighting.high, predicted(curve, sighting.hours, highest=True)))
    return told


def _fixed(sighting: Sighting) -> float:
    return READ_FIXED if sighting.error is None else max(WATCHED_FIXED, sighting.error)


def _is_surprising(level: float, expected: Array, weights: Array) -> bool:
    """Farther off than the spread that was told before, by more than a careless reading explains."""
    mean = float((weights * expected).sum())
    spread = float(np.sqrt((weights * (expected - mean) ** 2).sum()))
    error = READ_FIXED + READ_SHARE * max(mean - 1.0, 0.0)
    return abs(level - mean) > SURPRISE * float(np.hypot(spread, error))


# --- what it says of the running feed ---


@dataclass(frozen=True)
class Spread:
    """Hours since the feed: the middle, and the bounds between which four of five fall."""

    low: float
    middle: float
    high: float


Order = NDArray[np.intp]
LOW, MIDDLE, HIGH = 0.1, 0.5, 0.9
LEAST_WEIGHT = 2e-5
# A doubling less likely than this has no hour worth telling.
LIKELY_ENOUGH = 0.2


@dataclass(frozen=True)
class Nodes:
    """The part of the grid that matters: pace and height of each node, and its weight."""

    pace: Array
    height: Array
    weight: Array


def nodes(weights: Array) -> Nodes:
    rows, columns = np.nonzero(weights > LEAST_WEIGHT)
    weight = weights[rows, columns]
    return Nodes(PACES[rows], HEIGHTS[columns], weight / weight.sum())


def quantiles(values: Array, weight: Array) -> tuple[float, float, float]:
    """10, 50 and 90 % of weighted values."""
    return _quantiles_at(values, weight, np.argsort(values))


def _quantiles_at(values: Array, weight: Array, order: Order) -> tuple[float, float, float]:
    heavy = weight[order]
    reach = np.cumsum(heavy) - 0.5 * heavy
    low, middle, high = np.interp((LOW, MIDDLE, HIGH), reach, values[order])
    return float(low), float(middle), float(high)


def fan(curve: Curve, of: Nodes, hours: Sequence[float]) -> list[Spread]:
    """The level's spread at each hour since the feed."""
    at = np.exp(of.pace) * np.reshape(np.asarray(hours), (-1, 1))
    levels = 1.0 + np.exp(of.height) * (np.interp(at, curve.hours, curve.levels) - 1.0)
    orders = np.argsort(levels, axis=1)
    return [Spread(*_quantiles_at(row, of.weight, order)) for row, order in zip(levels, orders, strict=True)]


@dataclass(frozen=True)
class Moments:
    """When the running feed doubles, peaks, and is back at its line, in hours since it; None where that is unlikely."""

    doubles: Spread | None
    doubles_chance: float
    in_time_chance: float
    peak: Spread
    peak_times: Spread
    back_to_line: Spread | None


# A model is not a jar: what its own spread says of an hour is widened so (measured with a model wrong on purpose).
MODEL_DOUBT = 1.15


def _doubted(told: tuple[float, float, float]) -> Spread:
    """In the logarithm, so that no hour comes before the feed."""
    low, middle, high = (math.log(max(hour, 1e-3)) for hour in told)
    return Spread(
        math.exp(middle - MODEL_DOUBT * (middle - low)), told[1], math.exp(middle + MODEL_DOUBT * (high - middle))
    )


def moments(curve: Curve, of: Nodes, doubled: float, within_h: float = float("inf")) -> Moments:
    """The moments of a feed; `doubled` is the level that counts as that, `in_time_chance` that it does within so many
    hours."""
    top = int(np.argmax(curve.levels))
    peak_h, peak_level = float(curve.hours[top]), float(curve.levels[top])
    stretch = np.exp(-of.pace)
    # The level on the reference's own scale at which this node stands doubled.
    wanted = 1.0 + (doubled - 1.0) / np.exp(of.height)
    rising_hours, rising = curve.hours[: top + 1], np.maximum.accumulate(curve.levels[: top + 1])
    reaches = wanted <= peak_level
    chance = float(of.weight[reaches].sum())
    doubles = None
    times = np.interp(wanted[reaches], rising, rising_hours) * stretch[reaches]
    in_time = float(of.weight[reaches][times <= within_h].sum())
    if chance > LIKELY_ENOUGH:
        doubles = _doubted(quantiles(times, of.weight[reaches] / chance))
    falling = curve.levels[top:]
    back = None
    under = np.nonzero(falling <= 1.0 + 0.1 * (peak_level - 1.0))[0]
    if under.size and peak_level > 1.1:
        back_h = float(curve.hours[top + under[0]])
        back = Spread(*quantiles(back_h * stretch, of.weight))
    return Moments(
        doubles,
        chance,
        in_time,
        _doubted(quantiles(peak_h * stretch, of.weight)),
        Spread(*quantiles(1.0 + np.exp(of.height) * (peak_level - 1.0), of.weight)),
        back,
    )
