"""What the log shows, put before the judges: the signs found, ready or not by steps, and the stage."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import partial

from ..kitchen.warmth import Place
from ..methods.keeping import is_kept
from ..mixing.contents import Origin
from ..planner import Plan
from ..protocol.course import Course
from ..ready_rule import AWAKE_LEVEL, DOUBLED, EARLY_DAYS_H, RISEN, WITHIN_H, WOKE, Strictness, early_days_h
from ..record.ledger import Ledger, Round, highest
from ..record.log import READY, DeedKind
from ..signs import Finding, Ruled, findings
from ..signs.clues import Scene
from ..signs.contract import Urgency
from ..tracker import Forecast, RoundFit
from .attempts import attempts_of, borne_out, is_sour
from .readiness import Attempt, Readiness, judge, rises_no_more
from .scene import boosts, mean_warmth, scene_of
from .stage import StageEvidence, StageFound, find_stage

DAY = timedelta(hours=24)
# How many rounds back a rise of the last day may have begun.
ROUNDS_OF_A_DAY = 3
# Where none of so many feeds had a level read, one look with a level is asked for.
LEVEL_ROUNDS = 4
# Discard is food after so many rises by yeast, once it had turned sour.
FOOD_RISES = 2
# A look within this of the hour of the peak tells how high it went.
_AT_ITS_PEAK = (0.75, 1.3)


@dataclass(frozen=True)
class Judgement:
    """All verdicts on a jar; before the first mix there is nothing to judge: `readiness` and `stage` are None.

    `woke` is true once a rise was seen that was the yeast's; `is_food` once there were two, and it had turned sour.
    `peak_h` is how many hours after it the running feed peaks.
    """

    findings: tuple[Finding, ...]
    readiness: Readiness | None
    stage: StageFound | None
    woke: bool
    is_food: bool = False
    peak_h: float | None = None


def judgement(
    course: Course,
    ledger: Ledger,
    place: Place,
    made: Plan,
    forecast: Forecast | None,
    now: datetime,
    strictness: Strictness,
) -> Judgement:
    """Judge a jar by its log, its plan and its forecast."""
    if not ledger.rounds:
        return Judgement((), None, None, woke=False, is_food=False)
    fits = forecast.rounds if forecast else ()
    begun_sour = course.origin is not Origin.FLOUR_AND_WATER or ledger.rounds[0].feed.juice_g > 0
    early_h = early_days_h(mean_warmth(place, ledger, EARLY_DAYS_H))
    doubted = frozenset(forecast.surprising) if forecast else frozenset()
    lent = tuple((since, until) for kind, since, until in boosts(ledger) if kind is DeedKind.YEAST_ADDED)
    judge_feeds = partial(
        attempts_of, ledger.rounds, fits, now, ledger.cold_spans, begun_sour=begun_sour, early_h=early_h, lent=lent
    )
    attempts = judge_feeds(doubted=doubted)
    lone = _lone_rise(attempts, ledger.rounds)
    if lone is not None:
        doubted |= {lone}
        attempts = judge_feeds(doubted=doubted)
    yeasts = [attempt for attempt in attempts if attempt.by_yeast]
    by_yeast = max((attempt.highest for attempt in yeasts), default=1.0)
    fitted = zip(attempts[-len(fits) : -1], ledger.rounds[-len(fits) : -1], strict=True) if fits else ()
    peaks = tuple(attempt.highest for attempt, turn in fitted if _was_seen_at_its_peak(attempt, turn))
    scene = replace(
        scene_of(ledger, place, made, now, peaks, begun_sour=begun_sour, woke=by_yeast >= WOKE),
        rises_no_more=rises_no_more(attempts),
        is_kept=is_kept(made.course) or bool((said := ledger.word(READY)) and said.yes),
        as_if_c=forecast.basis.as_if_c if forecast else None,
    )
    found = _findings(ledger, scene, now)
    readiness = _readiness(ledger, made, fits, attempts, found, strictness, now)
    if readiness.rises_no_more:
        # What it once did says nothing of what it does now.
        yeasts = [attempt for attempt in yeasts if attempt.watched][-readiness.failed :]
    stage = _stage(course, ledger, scene, fits, yeasts, early_h, doubted, now, ready=readiness.ready)
    settles_at = _settles_at(attempts, now) if stage.settles else None
    rose = sum(attempt.highest >= RISEN for attempt in yeasts)
    is_food = rose >= FOOD_RISES and (begun_sour or is_sour(ledger.sightings))
    return Judgement(
        found,
        readiness,
        replace(stage, settles_at=settles_at),
        woke=scene.woke,
        is_food=is_food,
        peak_h=fits[-1].peak_h if fits else None,
    )


def _is_raised_and_kept(made: Plan) -> bool:
    """A jar that was raised and is kept now is asked less of than one that is being raised, or that only slept."""
    return is_kept(made.course) and made.course.origin is not Origin.ASLEEP


def _findings(ledger: Ledger, scene: Scene, now: datetime) -> tuple[Finding, ...]:
    """The signs that hold, the baker's word heard; after the end of a jar only what ended it."""
    ruled = {word.about: Ruled(word.yes, word.at) for word in ledger.words}
    earlier = [seen for turn in ledger.rounds[:-1] for seen in turn.sightings]
    found = findings(scene, earlier, now, ruled)
    return tuple(one for one in found if one.urgency is Urgency.DANGER) if ledger.binned else found


def _readiness(
    ledger: Ledger,
    made: Plan,
    fits: Sequence[RoundFit],
    attempts: Sequence[Attempt],
    found: Sequence[Finding],
    strictness: Strictness,
    now: datetime,
) -> Readiness:
    """By the rule, and then by the baker's own word, which goes before it."""
    warned = any(finding.urgency <= Urgency.WARNING for finding in found)
    ready = judge(
        attempts, [seen.smell for seen in ledger.sightings], strictness, warned=warned, kept=_is_raised_and_kept(made)
    )
    word = ledger.word(READY)
    is_ready = word.yes if word else ready.by_rule
    return replace(
        ready,
        ready=is_ready,
        # By the baker's word nothing is missing.
        feeds_to_go=0 if is_ready else ready.feeds_to_go,
        word=word.yes if word else None,
        floats=next((seen.floats for seen in reversed(ledger.sightings) if seen.floats is not None), None),
        earliest=None if ready.by_rule else _earliest(ledger, made, fits, ready, now),
    )


def _earliest(ledger: Ledger, made: Plan, fits: Sequence[RoundFit], ready: Readiness, now: datetime) -> datetime | None:
    """When the good feeds that are missing can be there at the earliest, by the feeds of the plan."""
    limit = timedelta(hours=fits[-1].limit_h if fits else WITHIN_H)
    running = ledger.rounds[-1].feed
    counted = bool(ready.feeds) and ready.feeds[-1].feed_id == running.id
    open_still = [running.at] if not counted and now < running.at + limit else []
    ahead = [max(step.due, now) for step in made.ahead if step.plan]
    missing = [*open_still, *ahead][max(1, ready.feeds_to_go) - 1 :]
    return missing[0] + limit if missing else None


def _stage(
    course: Course,
    ledger: Ledger,
    scene: Scene,
    fits: Sequence[RoundFit],
    yeasts: Sequence[Attempt],
    early_h: float,
    doubted: frozenset[str],
    now: datetime,
    *,
    ready: bool,
) -> StageFound:
    spans = ledger.cold_spans
    lately = [
        seen
        for turn in ledger.rounds[-ROUNDS_OF_A_DAY:]
        for seen in borne_out(turn.sightings, doubted, nothing_said=True)
        if seen.at > now - DAY
    ]
    return find_stage(
        StageEvidence(
            binned=ledger.binned is not None,
            in_the_cold=bool(spans) and spans[-1][1] is None,
            age_h=scene.age_h,
            highest=highest(lately),
            highest_by_yeast=max((attempt.highest for attempt in yeasts), default=1.0),
            rises=sum(_rose_well(attempt) for attempt in yeasts),
            early_h=early_h,
            doubles_at=fits[-1].doubles_at if fits else DOUBLED,
            yeast_explains=fits[-1].yeast_share if fits else 1.0,
            ready=ready,
            seen=sum(seen.at > now - DAY for seen in ledger.sightings),
            level_read=any(seen.level_read for turn in ledger.rounds[-LEVEL_ROUNDS:] for seen in turn.sightings),
            woken=course.origin is not Origin.FLOUR_AND_WATER,
            begun_sour=scene.begun_sour,
        )
    )


def _lone_rise(attempts: Sequence[Attempt], rounds: Sequence[Round]) -> str | None:
    """The look that alone of all shows a rise by yeast: another jar's, perhaps, until something bears it out."""
    risen = [
        seen.look_id
        for attempt, turn in zip(attempts, rounds, strict=False)
        if attempt.by_yeast
        for seen in turn.sightings
        if highest([seen]) >= RISEN
    ]
    return risen[0] if len(risen) == 1 else None


def _was_seen_at_its_peak(attempt: Attempt, turn: Round) -> bool:
    """Whether its height is known: somebody read it about when it peaked, or the mark that it left."""
    since, until = (share * attempt.peak_h for share in _AT_ITS_PEAK)
    return any(
        seen.high is not None or (seen.times is not None and since <= seen.hours <= until) for seen in turn.sightings
    )


def _rose_well(one: Attempt) -> bool:
    """Well enough for a jar that is awake: by its level, or where its paste holds too little, by dome and bubbles."""
    return one.highest >= min(AWAKE_LEVEL, one.doubles_at) or (one.full_of_gas and one.doubles_at < AWAKE_LEVEL)


def _settles_at(attempts: Sequence[Attempt], now: datetime) -> datetime | None:
    """When a look would tell: at the hour by which it is to have doubled."""
    if not attempts:
        return None
    at = attempts[-1].at + timedelta(hours=attempts[-1].limit_h)
    return at if at > now else None
