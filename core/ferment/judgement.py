"""What the log shows, put before the judges: the signs found, ready or not by steps, and the stage."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from .ledger import Ledger, Reading, Round
from .log import Look
from .planner import Plan, StepState
from .protocol.course import Course
from .protocol.method import Origin
from .readiness import Attempt, Readiness, StageFound, Standing, Strictness, judge, stage_of
from .setups import cold_spans
from .signs import Finding, findings
from .signs.contract import Glimpse, Scene, Urgency
from .tracker import Forecast, RoundFit
from .warmth import Place, Warmth

# A round tells by its looks once one came so far on the way to its peak.
NEAR_PEAK = 0.7
# A level this near what counts as doubled was read as doubled: a third of a measuring error.
READS_AS = 0.98
# From this share of the gas on, a rise is the yeast's.
YEASTS = 2.0 / 3.0
# So much of a rise by yeast, and the quiet days are over.
WOKE = 1.3
DAY = timedelta(hours=24)


@dataclass(frozen=True)
class Judgement:
    """All verdicts on a jar; before the first mix there is nothing to judge: `readiness` and `stage` are None."""

    findings: tuple[Finding, ...]
    readiness: Readiness | None
    stage: StageFound | None


def judgement(
    course: Course,
    ledger: Ledger,
    place: Place,
    made: Plan,
    told: Forecast | None,
    now: datetime,
    strictness: Strictness = Strictness.USUAL,
) -> Judgement:
    """Judge a jar by its log, its plan and its forecast."""
    if not ledger.rounds:
        return Judgement((), None, None)
    woken = course.origin is not Origin.FLOUR_AND_WATER
    begun_sour = woken or ledger.rounds[0].feed.juice_g > 0
    before = ledger.rounds[:-1]
    fits = told.rounds if told else ()
    attempts = tuple(_attempt(*one) for one in zip(ledger.rounds[-len(fits) :], fits, strict=True)) if fits else ()
    by_yeast = max((one.highest for one in attempts if one.by_yeast), default=1.0)
    peaks = tuple(fit.peak_times for one, fit in zip(attempts[:-1], fits, strict=False) if one.watched)
    scene = _scene(ledger, place, made, now, peaks, begun_sour=begun_sour, woke=by_yeast >= WOKE)
    found = findings(scene, [glimpse for turn in before for glimpse in _glimpses(turn)], now)
    if ledger.binned:
        found = tuple(one for one in found if one.urgency is Urgency.DANGER)
    warned = any(one.urgency <= Urgency.WARNING for one in found)
    ready = judge(attempts, [look.smell for look in ledger.looks], strictness, warned=warned)
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
    return Judgement(found, ready, stage)


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


def _attempt(turn: Round, fit: RoundFit) -> Attempt:
    """A feed nobody looked at near its peak says nothing, unless it was seen doubled before."""
    highest = _highest(turn.readings)
    doubled = highest >= READS_AS * fit.doubles_at
    last_h = max((_hours(turn.feed.at, one.look.at) for one in turn.readings), default=0.0)
    return Attempt(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        watched=doubled or last_h >= NEAR_PEAK * fit.peak_h,
        highest=highest,
        doubles_at=fit.doubles_at,
        doubled_h=fit.doubled_h if doubled or fit.doubled_chance >= 0.5 else None,
        in_time=fit.in_time_chance,
        limit_h=fit.limit_h,
        peak_h=fit.peak_h,
        by_yeast=fit.yeast_share >= YEASTS,
    )
