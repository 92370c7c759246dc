"""What the log shows, put before the judges: the signs found, ready or not by steps, and the stage."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from .ledger import Ledger, Reading, Round
from .log import READY, Look
from .planner import Plan, StepState
from .protocol.course import Course
from .protocol.method import Origin
from .readiness import RISEN, Attempt, Readiness, StageFound, Standing, Strictness, judge, stage_of
from .setups import cold_spans
from .signs import Finding, Ruled, findings
from .signs.contract import Glimpse, Scene, Urgency
from .tracker import Forecast, RoundFit
from .warmth import Place, Warmth

# A round tells by its looks once one came so far on the way to its peak.
NEAR_PEAK = 0.7
# A level this near what counts as doubled was read as doubled: a third of a measuring error.
READS_AS = 0.98
# From this share of the gas on, a rise is the yeast's; in the days of the early bacteria only beyond doubt.
YEASTS, YEASTS_EARLY = 2.0 / 3.0, 0.9
EARLY_DAYS = timedelta(hours=60)
# So much of a rise by yeast, and the quiet days are over.
WOKE = 1.3
# What nobody saw doubled stays open, however likely.
NOT_SEEN = 0.5
DAY = timedelta(hours=24)


@dataclass(frozen=True)
class Judgement:
    """All verdicts on a jar; before the first mix there is nothing to judge: `readiness` and `stage` are None.

    `woke` is true once a rise was seen that was the yeast's.
    """

    findings: tuple[Finding, ...]
    readiness: Readiness | None
    stage: StageFound | None
    woke: bool


def judgement(
    course: Course,
    ledger: Ledger,
    place: Place,
    made: Plan,
    told: Forecast | None,
    now: datetime,
    strictness: Strictness,
) -> Judgement:
    """Judge a jar by its log, its plan and its forecast."""
    if not ledger.rounds:
        return Judgement((), None, None, woke=False)
    woken = course.origin is not Origin.FLOUR_AND_WATER
    begun_sour = woken or ledger.rounds[0].feed.juice_g > 0
    before = ledger.rounds[:-1]
    fits = told.rounds if told else ()
    doubt_until = ledger.rounds[0].feed.at + (timedelta() if begun_sour else EARLY_DAYS)
    pairs = zip(ledger.rounds[-len(fits) :], fits, strict=True) if fits else ()
    risen = next((turn.feed.at for turn in ledger.rounds if _highest(turn.readings) >= RISEN), now)
    attempts = tuple(
        _attempt(turn, fit, in_doubt=turn.feed.at < doubt_until, first_rise=turn.feed.at <= risen)
        for turn, fit in pairs
    )
    by_yeast = max((one.highest for one in attempts if one.by_yeast), default=1.0)
    peaks = tuple(fit.peak_times for one, fit in zip(attempts[:-1], fits, strict=False) if one.watched)
    scene = _scene(ledger, place, made, now, peaks, begun_sour=begun_sour, woke=by_yeast >= WOKE)
    ruled = {word.about: Ruled(word.yes, word.at) for word in ledger.words}
    found = findings(scene, [glimpse for turn in before for glimpse in _glimpses(turn)], now, ruled)
    if ledger.binned:
        found = tuple(one for one in found if one.urgency is Urgency.DANGER)
    warned = any(one.urgency <= Urgency.WARNING for one in found)
    ready = judge(attempts, [look.smell for look in ledger.looks], strictness, warned=warned)
    word = ledger.word(READY)
    ready = replace(
        ready,
        ready=word.yes if word else ready.by_rule,
        word=word.yes if word else None,
        floats=next((look.floats for look in reversed(ledger.looks) if look.floats is not None), None),
        earliest=None if ready.by_rule else _earliest(ledger, made, fits, ready, now),
    )
    lately = [look for look in ledger.looks if look.at > now - DAY]
    spans = cold_spans(ledger)
    stage = stage_of(
        Standing(
            binned=ledger.binned is not None,
            in_the_cold=bool(spans) and spans[-1][1] is None,
            age_h=scene.age_h,
            highest=max((_highest(turn.readings, lately) for turn in ledger.rounds[-3:]), default=1.0),
            highest_by_yeast=by_yeast,
            doubles_at=fits[-1].doubles_at if fits else 2.0,
            yeast_explains=fits[-1].yeast_share if fits else 1.0,
            ready=ready.ready,
            seen=len(lately),
            woken=woken,
            begun_sour=begun_sour,
        )
    )
    settles_at = _settles_at(attempts, now) if stage.settles else None
    return Judgement(found, ready, replace(stage, settles_at=settles_at), woke=scene.woke)


def _settles_at(attempts: tuple[Attempt, ...], now: datetime) -> datetime | None:
    """When a look would tell: at the hour by which it is to have doubled."""
    if not attempts:
        return None
    at = attempts[-1].at + timedelta(hours=attempts[-1].limit_h)
    return at if at > now else None


def _earliest(
    ledger: Ledger, made: Plan, fits: tuple[RoundFit, ...], ready: Readiness, now: datetime
) -> datetime | None:
    """When the good feeds that are missing can be there at the earliest, by the feeds of the plan."""
    limit = timedelta(hours=fits[-1].limit_h) if fits else timedelta(hours=8)
    running = ledger.rounds[-1].feed
    counted = bool(ready.feeds) and ready.feeds[-1].feed_id == running.id
    open_still = [running.at] if not counted and now < running.at + limit else []
    ahead = [step.due for step in made.steps if step.plan and step.state not in (StepState.DONE, StepState.SKIPPED)]
    at = [*open_still, *(max(due, now) for due in ahead)][max(1, ready.feeds_to_go) - 1 :]
    return at[0] + limit if at else None


# The stretch over which it is reckoned how far feeds thinned the jar out.
THINNED_OVER = timedelta(hours=48)


def _thinned_to(ledger: Ledger, now: datetime) -> float:
    share = 1.0
    for turn in ledger.rounds[1:]:
        if turn.feed.at > now - THINNED_OVER and turn.contents.total_g:
            share *= min(1.0, turn.feed.keep_g / turn.contents.total_g)
    return share


def _scene(
    ledger: Ledger, place: Place, made: Plan, now: datetime, peaks: tuple[float, ...], *, begun_sour: bool, woke: bool
) -> Scene:
    start, running = ledger.rounds[0].feed.at, ledger.rounds[-1]
    step = next((step for step in made.steps if step.state not in (StepState.DONE, StepState.SKIPPED)), None)
    late = step is not None and step.plan is not None and step.state is StepState.LATE
    warmth = Warmth(place, start, cold_spans(ledger))
    return Scene(
        age_h=_hours(start, now),
        since_feed_h=_hours(running.feed.at, now),
        glimpses=_glimpses(running),
        peaks_before=peaks,
        late_h=_hours(step.due, now) if step and late else 0.0,
        celsius=warmth(_hours(start, now)),
        room_times=running.room_times,
        hydration_percent=ledger.contents.hydration_percent or 100.0,
        begun_sour=begun_sour,
        woke=woke,
        smelt_before=frozenset().union(*(look.smell for look in [one for one in ledger.looks if one.smell][:-1])),
        thinned_to=_thinned_to(ledger, now),
    )


def _hours(earlier: datetime, later: datetime) -> float:
    return (later - earlier) / timedelta(hours=1)


def _glimpses(turn: Round) -> tuple[Glimpse, ...]:
    levels = {reading.look.id: reading for reading in turn.readings}
    return tuple(
        Glimpse(
            look_id=look.id,
            at=look.at,
            hours=_hours(turn.feed.at, look.at),
            times=levels[look.id].times if look.id in levels else None,
            high=levels[look.id].high if look.id in levels else None,
            bubbles=look.bubbles,
            top=look.top,
            smell=look.smell,
            thickness=look.thickness,
        )
        for look in turn.looks
    )


def _highest(readings: Sequence[Reading], of: Sequence[Look] | None = None) -> float:
    """The highest level or high mark, of these looks where they are given."""
    seen = [one for one in readings if of is None or one.look in of]
    return max((level for one in seen for level in (one.times, one.high) if level is not None), default=1.0)


def _attempt(turn: Round, fit: RoundFit, *, in_doubt: bool, first_rise: bool) -> Attempt:
    """What was seen goes before what the model makes of it.

    In the days of the early bacteria the first rise that anybody saw is theirs, whatever the model expects.

    A feed that was seen doubled before its hour did so in time. One that nobody saw doubled may be thought to have, but
    does not count; nor does one at which nobody looked near its peak.
    """
    counts_as = READS_AS * fit.doubles_at
    highest = _highest(turn.readings)
    doubled = highest >= counts_as
    seen_h = [
        _hours(turn.feed.at, one.look.at) for one in turn.readings if one.times is not None and one.times >= counts_as
    ]
    last_h = max((_hours(turn.feed.at, one.look.at) for one in turn.readings), default=0.0)
    in_time = fit.in_time_chance if doubled else min(fit.in_time_chance, NOT_SEEN)
    doubled_h = fit.doubled_h if doubled or fit.doubled_chance >= 0.5 else None
    if seen_h and min(seen_h) <= fit.limit_h:
        in_time = 1.0
        doubled_h = min(seen_h) if doubled_h is None else min(doubled_h, min(seen_h))
    return Attempt(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        watched=doubled or last_h >= NEAR_PEAK * fit.peak_h,
        highest=highest,
        doubles_at=fit.doubles_at,
        doubled_h=doubled_h,
        in_time=in_time,
        limit_h=fit.limit_h,
        peak_h=_peak_h(turn, fit, doubled=doubled),
        by_yeast=not (first_rise and in_doubt) and fit.yeast_share >= (YEASTS_EARLY if in_doubt else YEASTS),
    )


def _peak_h(turn: Round, fit: RoundFit, *, doubled: bool) -> float:
    """The model's, but where that did not believe in the rise that was seen: the hour of the highest level then."""
    if not doubled or fit.doubled_chance >= 1.0 - NOT_SEEN:
        return fit.peak_h
    seen = [(one.times, _hours(turn.feed.at, one.look.at)) for one in turn.readings if one.times is not None]
    return max(seen)[1] if seen else fit.peak_h
