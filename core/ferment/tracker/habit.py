"""What a jar does by habit: when it doubles and peaks after a meal at a steady warmth, and how high it goes, without
the differences of single days. Two jars are held beside each other by it: the same meal, the same warmth, whatever each
was really fed and where it stood, so that what is left is the jars themselves."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import UTC, datetime

import numpy as np

from ..kitchen.warmth import Place, Warmth
from ..model.jar import BOOK, mature
from ..model.kinetics import Array
from ..model.runs import run
from ..ready_rule import doubles_at
from ..record.ledger import Ledger
from .following import FEEDS_BACK, REFERENCE_STEP_H, curve_of, horizon_h
from .rounds import Background, Turn, follow_turns, turns_of
from .stretch import LIKELY_ENOUGH, Curve, nodes, track

# The first minutes after a feed have no logarithm worth the name.
LEAST_H = 0.25
# It holds while this much of its rise is there. A fall follows the rise less strictly than the rise a meal: how much
# less, as a spread of the logarithm, is assumed.
HELD, FALL_UNSURE = 0.9, 0.15
ANY_START = datetime(2000, 1, 1, tzinfo=UTC)


@dataclass(frozen=True)
class Habitual:
    """One thing of a habit, in hours since the feed or as a multiple of the line: the middle, and the spread of its
    logarithm."""

    middle: float
    unsure: float


@dataclass(frozen=True)
class Habit:
    """`doubles` is None where it hardly does. `holds` is how long it stays within a tenth of its rise."""

    doubles: Habitual | None
    peak: Habitual
    top: Habitual
    holds: Habitual


def habit(ledger: Ledger, background: Background, grown_since: int, meal: Turn, celsius: float) -> Habit:
    """The habit of a grown jar, by its feeds from number `grown_since` (from 0) on: what it would do after this meal at
    this warmth. The meal stands at hour 0."""
    start = ledger.rounds[0].feed.at
    warmth = Warmth(background.place, start, background.cold)
    turns = turns_of(ledger, start)[grown_since:][-FEEDS_BACK:]
    until_h = turns[-1].at_h + horizon_h(warmth, turns[-1].at_h)
    grown = mature(background.blend, BOOK)
    courses = follow_turns(grown, BOOK, turns, until_h, warmth, REFERENCE_STEP_H)
    curves = [curve_of(course, turn) for course, turn in zip(courses, turns, strict=True)]
    posterior = track(curves, [turn.sightings for turn in turns], wanders=False)
    steady = Warmth(Place(celsius), ANY_START)
    course = run(meal.into(grown, BOOK), 0.0, horizon_h(steady, 0.0) * 1.5, steady, REFERENCE_STEP_H)
    reference = curve_of(course, meal)
    of = nodes(posterior.jar)
    peak_h, top = float(reference.hours[int(reference.levels.argmax())]), float(reference.levels.max())
    doubled = doubles_at(course.paste, celsius, posterior.height)
    reaches = 1.0 + np.exp(of.height) * (top - 1.0) >= doubled
    doubles = None
    if of.weight[reaches].sum() > LIKELY_ENOUGH:
        rising = slice(0, int(reference.levels.argmax()) + 1)
        wanted = 1.0 + (doubled - 1.0) / np.exp(of.height[reaches])
        hours = np.interp(wanted, np.maximum.accumulate(reference.levels[rising]), reference.hours[rising])
        doubles = _habitual(np.log(np.maximum(hours, LEAST_H)) - of.pace[reaches], of.weight[reaches])
    return Habit(
        doubles,
        _habitual(np.log(peak_h) - of.pace, of.weight),
        _habitual(np.log1p(np.exp(of.height) * (top - 1.0)), of.weight),
        _held(reference, _habitual(-of.pace, of.weight)),
    )


def _held(reference: Curve, slower: Habitual) -> Habitual:
    """Whatever its height, what is left of its rise is the reference's."""
    up = reference.hours[reference.levels >= 1.0 + HELD * (float(reference.levels.max()) - 1.0)]
    whole = max(LEAST_H, float(up[-1] - up[0]))
    return Habitual(whole * slower.middle, math.hypot(slower.unsure, FALL_UNSURE))


def _habitual(logs: Array, weight: Array) -> Habitual:
    whole = float(weight.sum())
    middle = float((weight * logs).sum()) / whole
    return Habitual(math.exp(middle), math.sqrt(float((weight * (logs - middle) ** 2).sum()) / whole))
