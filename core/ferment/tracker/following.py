"""What the looks say about this jar, and what follows: the running feed's rise, its moments, and the day of ready.

A young jar is judged by many jars as it may be (`ensemble`), and its running feed by the likeliest of them, stretched;
a grown one by the book's jar, stretched (`stretch`). Nothing is stored; the same log gives the same answer at any
hour, so the last few answers are kept.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from functools import lru_cache

import numpy as np

from ..kitchen.flours import Blend
from ..kitchen.warmth import Place, Warmth
from ..mixing.contents import Origin
from ..model.jar import BOOK, EARLY, FOOD, HUNGRY, WALLS, YEAST, Jar, culture_jar, hunger, mature
from ..model.kinetics import REFERENCE_C, YEAST_UPPER_C, Array, growth_pace
from ..model.runs import Run, run
from ..ready_rule import WARMTH_AFTER_H, doubles_at, flour_parts, limit_h
from ..record.ledger import Ledger
from .ensemble import DayOfReady, Ensemble, day_of_ready, doubling_mark, gather, log_traits, of_the_same_feeds
from .forecasts import Basis, FanPoint, Forecast, IfFed, Ready, RoundFit, TimeSpread
from .prior import Lesson, lesson_of
from .rounds import Background, Turn, follow_turns, turns_of
from .stretch import LIKELY_ENOUGH, PACES, Curve, Moments, Posterior, Spread, fan, moments, nodes, quantiles, track

# A new jar is judged by many jars as it may be until it is this old; then by itself.
YOUNG_DAYS = 16.0
# How many feeds back the book's jar is followed; what was before is forgotten by then.
FEEDS_BACK = 16
REFERENCE_STEP_H = 0.25
FAN_STEP_H = 0.5
# A jar of which the model says that it hardly rises tells nothing by being stretched.
STRETCHABLE = 1.4
LAST_DAY = 24.0
# A jar teaches something once levels were read after so many feeds.
TEACHES_FROM = 3
# The told warmth is doubted after so many watched feeds, where the jar is surely (four times of five) faster or slower
# than jars of one kitchen differ anyway, and by no less than this.
DOUBTS_WARMTH_FROM, EIGHT_OF_TEN, AS_JARS_DIFFER, LEAST_OFF_C = 3, 1.28, 0.15, 2.5
# Rooms that starters stand in.
ROOMS_C = (8.0, 34.0, 0.5)
# When a jar has taken on the warmth of its place after a feed.
SETTLED_H = 2.0
# Beyond this a running round is no longer followed.
LONGEST_H = 96.0


@lru_cache(maxsize=256)
def forecast(ledger: Ledger, background: Background, ahead: tuple[Turn, ...]) -> Forecast | None:
    """The forecast of a jar by its log; `ahead` are the feeds that are planned. None before the first mix and after the
    end. The same log gives the same answer at any hour, so the last few are kept."""
    if not ledger.rounds or ledger.binned:
        return None
    start = ledger.rounds[0].feed.at
    warmth = Warmth(background.place, start, background.cold)
    turns = turns_of(ledger, start)
    at_h = turns[-1].at_h
    seen_h = at_h + max((sighting.hours for sighting in turns[-1].sightings), default=0.0) + 0.5
    young = at_h < YOUNG_DAYS * 24.0 and background.origin is not Origin.ASLEEP
    until_h = max(at_h + min(LONGEST_H, horizon_h(warmth, at_h)), seen_h)
    members = gather(of_the_same_feeds(background, start, turns, until_h), turns) if young else None
    traits = members.likeliest if members else BOOK
    seen = turns if young else turns[-FEEDS_BACK:]
    courses = follow_turns(_before(background, seen, turns), traits, seen, until_h, warmth, REFERENCE_STEP_H)
    curves = [curve_of(course, turn) for course, turn in zip(courses, seen, strict=True)]
    posterior = track(curves[-FEEDS_BACK:], [turn.sightings for turn in seen[-FEEDS_BACK:]])
    fed_at = start + timedelta(hours=at_h)
    own = posterior.height * traits.height
    doubled = doubles_at(courses[-1].paste, warmth(at_h + WARMTH_AFTER_H), own)
    made = _of_running(curves[-1], posterior, fed_at, doubled)
    if members and curves[-1].levels.max() < STRETCHABLE:
        made = _of_members(members, at_h, fed_at)
    days = day_of_ready(members, ahead, LAST_DAY) if members else None
    return Forecast(
        fan=made.fan,
        doubles_at=round(doubled, 3),
        doubles=made.doubles,
        doubles_chance=round(made.chance, 3),
        peaks=made.peaks,
        peak_times=made.peak_times,
        back_to_line=made.back,
        hungry_at=_hungry_at(courses[-1], posterior.pace, fed_at),
        surprising=posterior.surprising,
        basis=Basis(
            round(warmth(at_h + SETTLED_H), 1),
            round(posterior.pace * traits.vigour, 3),
            round(posterior.height * traits.height, 3),
            posterior.watched,
            young,
            _as_if_c(background, warmth(at_h + SETTLED_H), posterior, members),
        ),
        ready=_ready(days, start) if days else None,
        rounds=_fits(ledger, courses, curves, posterior, warmth, traits.height),
    )


def prior_ready(background: Background, ahead: tuple[Turn, ...], start: datetime) -> Ready | None:
    """The day of ready of a jar that is not mixed yet, by the feeds of its plan."""
    if not ahead:
        return None
    members = gather(of_the_same_feeds(background, start, ahead[:1], 0.5), ahead[:1])
    days = day_of_ready(members, ahead[1:], LAST_DAY)
    return _ready(days, start) if days else None


def _as_if_c(background: Background, celsius: float, posterior: Posterior, members: Ensemble | None) -> int | None:
    """The warmth at which a jar of the book would go as this one does, where that is surely another than was told.

    None where a thermometer says how warm it is: then the jar is what differs.
    """
    if posterior.watched < DOUBTS_WARMTH_FROM or background.place.readings:
        return None
    pace = posterior.pace * (members.likeliest.vigour if members else 1.0)
    spread = math.hypot(posterior.pace_spread, members.vigour_spread if members else 0.0)
    if abs(math.log(pace)) - EIGHT_OF_TEN * spread < AS_JARS_DIFFER:
        return None
    told = growth_pace(celsius, YEAST_UPPER_C)
    rooms = np.arange(*ROOMS_C)
    paces = np.array([growth_pace(float(room), YEAST_UPPER_C) for room in rooms])
    elsewhere = round(float(rooms[int(np.abs(paces - told * pace).argmin())]))
    return elsewhere if abs(elsewhere - celsius) >= LEAST_OFF_C else None


def lesson(ledger: Ledger, background: Background) -> Lesson | None:
    """What a jar's first days teach of the baker's next; None of a culture from outside, and of one hardly watched."""
    if not ledger.rounds or background.origin is not Origin.FLOUR_AND_WATER:
        return None
    start = ledger.rounds[0].feed.at
    turns = tuple(turn for turn in turns_of(ledger, start) if turn.at_h < YOUNG_DAYS * 24.0)
    watched = sum(any(seen.level_read for seen in turn.sightings) for turn in turns)
    if watched < TEACHES_FROM:
        return None
    until_h = turns[-1].at_h + max((seen.hours for seen in turns[-1].sightings), default=0.0) + 0.5
    members = gather(of_the_same_feeds(background, start, turns, until_h), turns)
    flour = max(ledger.rounds[0].feed.flours, key=lambda part: part.g).flour
    return lesson_of(background.prior, log_traits(background.prior), members.weights, flour, watched)


@lru_cache(maxsize=256)
def if_fed(ledger: Ledger, background: Background, *meals: Turn) -> IfFed:
    """What this jar would do after the last of these feeds, each at the hour that it names (counted from the first
    mix)."""
    return _if_fed(ledger, background, ledger.rounds[0].feed.at, meals)


@lru_cache(maxsize=64)
def if_woken(ledger: Ledger, background: Background, start: datetime, *meals: Turn) -> IfFed:
    """The same of a culture that is not mixed yet, the hours counted from a moment."""
    return _if_fed(ledger, background, start, meals)


def _if_fed(ledger: Ledger, background: Background, start: datetime, meals: tuple[Turn, ...]) -> IfFed:
    warmth = Warmth(background.place, start, background.cold)
    turns = turns_of(ledger, start)
    seen = turns[-FEEDS_BACK:]
    last = meals[-1]
    until_h = last.at_h + min(LONGEST_H, horizon_h(warmth, last.at_h))
    courses = follow_turns(_before(background, seen, turns), BOOK, (*seen, *meals), until_h, warmth, REFERENCE_STEP_H)
    curves = [curve_of(course, turn) for course, turn in zip(courses, (*seen, *meals), strict=True)]
    posterior = track(curves, [*(turn.sightings for turn in seen), *(() for _ in meals)])
    doubled = doubles_at(courses[-1].paste, warmth(last.at_h + WARMTH_AFTER_H), posterior.height)
    told = moments(curves[-1], nodes(posterior.running), doubled)
    fed_at = start + timedelta(hours=last.at_h)
    return IfFed(
        _when(told.doubles, fed_at) if told.doubles else None,
        _when(told.peak, fed_at),
        told.peak_times,
        _when(told.back_to_line, fed_at) if told.back_to_line else None,
    )


@lru_cache(maxsize=512)
def of_a_grown_jar(meal: Turn, blend: Blend, celsius: float, vigour: float = 1.0) -> Moments:
    """What a feed of a grown jar does at a steady warmth, in hours since it, with the spread of jars nobody watched."""
    jar = mature(blend, BOOK)
    mixed = meal.into(jar, replace(BOOK, vigour=vigour))
    warmth = Warmth(Place(celsius), datetime(2000, 1, 1, tzinfo=UTC))
    lively = replace(mixed, traits=replace(BOOK, vigour=vigour))
    course = run(lively, 0.0, horizon_h(warmth, 0.0) * 1.5, warmth, REFERENCE_STEP_H)
    curve = Curve(np.array(course.hours), course.levels)
    return moments(curve, nodes(track([curve], [()]).running), doubles_at(course.paste, celsius))


# --- the reference ---


def _before(background: Background, seen: tuple[Turn, ...], turns: tuple[Turn, ...]) -> Jar[float] | None:
    """What the first followed feed was fed from: a grown jar, or what came from outside."""
    if len(seen) < len(turns):
        return mature(background.blend, BOOK)
    if background.origin is Origin.FLOUR_AND_WATER:
        return None
    return culture_jar(background.origin, background.blend, BOOK)


def horizon_h(warmth: Warmth, at_h: float) -> float:
    """Long enough to rise and fall at this warmth: a day and a half at 25 °C."""
    pace = max(0.15, growth_pace(warmth(at_h + 2.0), YEAST_UPPER_C) / growth_pace(REFERENCE_C, YEAST_UPPER_C))
    return 30.0 / min(1.0, pace)


def curve_of(course: Run[float], turn: Turn) -> Curve:
    return Curve(np.array(course.hours) - turn.at_h, course.levels)


def _hungry_at(course: Run[float], pace: float, fed_at: datetime) -> datetime | None:
    for hour, state in zip(course.hours, course.states.tolist(), strict=True):
        if hunger(course.paste, state[FOOD], state[WALLS]) >= HUNGRY:
            return fed_at + timedelta(hours=(hour - course.hours[0]) / pace)
    return None


def _fits(
    ledger: Ledger, courses: list[Run[float]], curves: list[Curve], posterior: Posterior, warmth: Warmth, height: float
) -> tuple[RoundFit, ...]:
    """`height` is how much more or less gas than others do the jar holds that was run. What counts as doubled goes by
    what was known of this one when the feed was over, so that no later look untells it."""
    count = len(posterior.rounds)
    fits = []
    for turn, course, curve, weights, thought, own in zip(
        ledger.rounds[-count:],
        courses[-count:],
        curves[-count:],
        posterior.rounds,
        posterior.expected,
        posterior.heights,
        strict=True,
    ):
        celsius = warmth(course.hours[0] + WARMTH_AFTER_H)
        doubled = doubles_at(course.paste, celsius, own * height)
        limit = limit_h(celsius, flour_parts(turn.feed.flour_g, turn.feed.keep_g))
        told = moments(curve, nodes(weights), doubled, limit)
        top = course.states[int(curve.levels.argmax())].tolist()
        fits.append(
            RoundFit(
                turn.feed.id,
                round(doubled, 3),
                round(told.doubles_chance, 3),
                told.doubles.middle if told.doubles else None,
                round(told.in_time_chance, 3),
                round(limit, 2),
                told.peak.middle,
                _expected_peak_h(curve, thought),
                round(told.peak_times.middle, 3),
                round(top[YEAST] / max(top[YEAST] + top[EARLY], 1e-9), 3),
            )
        )
    return tuple(fits)


def _expected_peak_h(curve: Curve, thought: Array) -> float:
    """When the peak was expected before anything was seen of the feed, in hours since it."""
    stretch = float(np.exp(-(thought.sum(axis=1) * PACES).sum()))
    return round(float(curve.hours[int(curve.levels.argmax())]) * stretch, 2)


# --- what is told ---


@dataclass(frozen=True)
class _Told:
    fan: tuple[FanPoint, ...]
    doubles: TimeSpread | None
    chance: float
    peaks: TimeSpread
    peak_times: Spread
    back: TimeSpread | None


def _when(spread: Spread, since: datetime) -> TimeSpread:
    return TimeSpread(*(since + timedelta(hours=hours) for hours in (spread.low, spread.middle, spread.high)))


def _hours_of(curve: Curve) -> list[float]:
    return [float(hour) for hour in np.arange(0.0, float(curve.hours[-1]) + 1e-6, FAN_STEP_H)]


def _of_running(curve: Curve, posterior: Posterior, fed_at: datetime, doubled: float) -> _Told:
    of = nodes(posterior.running)
    hours = _hours_of(curve)
    points = tuple(
        FanPoint(fed_at + timedelta(hours=hour), round(one.low, 3), round(one.middle, 3), round(one.high, 3))
        for hour, one in zip(hours, fan(curve, of, hours), strict=True)
    )
    told = moments(curve, of, doubled)
    return _Told(
        points,
        _when(told.doubles, fed_at) if told.doubles else None,
        told.doubles_chance,
        _when(told.peak, fed_at),
        told.peak_times,
        _when(told.back_to_line, fed_at) if told.back_to_line else None,
    )


def _of_members(members: Ensemble, at_h: float, fed_at: datetime) -> _Told:
    """The spread of a jar that is hardly awake: by the members themselves."""
    course = members.courses[-1]
    hours, levels = np.array(course.hours) - at_h, course.levels
    spreads = [Spread(*quantiles(row, members.weights)) for row in levels]
    points = tuple(
        FanPoint(fed_at + timedelta(hours=float(hour)), round(one.low, 3), round(one.middle, 3), round(one.high, 3))
        for hour, one in zip(hours, spreads, strict=True)
    )
    over = levels >= doubling_mark(course)[None, :]
    doubled = over.any(axis=0)
    chance = float(members.weights[doubled].sum())
    doubles = None
    if chance > LIKELY_ENOUGH:
        at = hours[np.argmax(over, axis=0)][doubled]
        doubles = _when(Spread(*quantiles(at, members.weights[doubled] / chance)), fed_at)
    peak = Spread(*quantiles(hours[levels.argmax(axis=0)], members.weights))
    tops = Spread(*quantiles(levels.max(axis=0), members.weights))
    return _Told(points, doubles, chance, _when(peak, fed_at), tops, None)


def _ready(days: DayOfReady, start: datetime) -> Ready:
    def at(*values: float) -> TimeSpread:
        return TimeSpread(*(start + timedelta(days=value) for value in values))

    awake = at(days.awake_low, days.awake_middle, days.awake_high)
    return Ready(at(days.low, days.middle, days.high), awake, days.share)
