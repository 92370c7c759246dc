"""The front door: everything the product says of a jar, computed from (setup, log, now)."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from enum import StrEnum

from ..kitchen.vessel import ROOM_WANTED, Vessel, line_mm, room_times
from ..kitchen.warmth import Warmth
from ..methods.keeping import is_kept
from ..mixing.feeding import FeedPlan
from ..mixing.weighing import ScaleStep, WalkStyle, scale_walk
from ..planner import HORIZON, MOST_STEPS, Act, Plan, Step, StepState, day_of, shorter
from ..planner.baking import FOR_A_BAKE
from ..planner.steps import Change, Doing, PlanTotals, ReadyDays, SightCode, Task, WaitsFor
from ..protocol.course import Course
from ..protocol.method import Normal
from ..ready_rule import DOUBLED, doubles_at
from ..record.ledger import Ledger
from ..record.log import Bake, Deed, DeedKind, Log
from ..setups import Setup, background_of, course_of, ledger_of, meals_ahead, plan_of
from ..signs import Finding
from ..signs.contract import Urgency
from ..tracker import Background, Forecast, Prior, Ready, Turn, forecast, prior_ready
from ..tracker.outlook import Outlook, outlook, yeast_unshown
from ..verdicts.cautions import Notice, notices
from ..verdicts.counsel import Counsel, counsel
from ..verdicts.expected import ExpectedLook, expected_look
from ..verdicts.holdups import HoldUp, hold_ups
from ..verdicts.judgement import Judgement, judgement
from ..verdicts.readiness import Readiness
from ..verdicts.stage import StageFound
from .chapters import Chapter, PutBy, chapters, put_by
from .told import (
    ColdSpan,
    InJar,
    RoundSeen,
    SinceFeed,
    Stands,
    Totals,
    in_jar,
    paste_in,
    round_seen,
    since_feed,
    stands,
    used_so_far,
)


class Move(StrEnum):
    MIX = "mix"
    FEED = "feed"
    STIR = "stir"
    LOOK = "look"
    TO_FRIDGE = "to_fridge"
    TO_COUNTER = "to_counter"
    BIN = "bin"
    BINNED = "binned"
    USE = "use"
    REST = "rest"
    NOTHING = "nothing"


# How far the plan is followed for the day of ready.
FORESEEN = timedelta(days=24)
MOVES = {act: Move(act.value) for act in Act}
# An act due within this is told as due now.
AS_GOOD_AS_NOW = timedelta(minutes=20)


@dataclass(frozen=True)
class NextMove:
    """What to do now or next. `state` and the times are of the act, `waits_for` the signs it waits for.

    `do` lists its tasks in order; `plan` and `scale_walk` are its grams, where it feeds. `is_now` says that its time
    has come, or is so near that it may as well be done.
    """

    move: Move
    state: StepState | None
    due: datetime | None
    earliest: datetime | None
    latest: datetime | None
    fits: bool
    waits_for: tuple[WaitsFor, ...]
    do: tuple[Doing, ...]
    plan: FeedPlan | None
    scale_walk: tuple[ScaleStep, ...]
    is_now: bool


@dataclass(frozen=True)
class AskedOfLook:
    """What a look asks for beside level, bubbles, top and smell: what the way tries, or was noted before."""

    thickness: bool
    ph: bool
    celsius: bool
    floats: bool


@dataclass(frozen=True)
class Assessment:
    """All that is known of a jar now.

    `doubles_at` is the level that counts as doubled for what the jar holds, as a multiple of the line.
    `day` is 0 before the first mix; `usual_line_mm` is where the fullest feed in sight stands, and `room_is_tight`
    warns that a lively one may overflow from there. `may_run_over` says that the running feed may, by its forecast.
    `counsel` is advice beyond the plan, taken, refused or open; `notices` are cautions that matter now.
    `discard_is_food`, once baked through: it is sour and awake, and shows no warning.

    `outlook` is which moment of the forecast is the one to tell; `yeast_unshown` says that no look has narrowed the day
    of ready yet. `hungry_again_at` and `ready_ahead` are what the forecast says of it where that is still to come;
    `held_up` is what holds it up where its likely day is over.
    `taught` is what the baker's earlier jars taught of it; None where none did.
    `chilled` are its stays in the fridge. `stands` is what is true of it now, after all that was changed on the way;
    `chapters` are those of its life, `put_by` what was dried. `asks_how_to_keep` says that it is ready, or its way at
    its end, and nobody has said how it goes on: its plan does not repeat then. `bakes` are planned and not mixed yet,
    the nearest first, with `bake_fed` feeds done for that one.
    """

    day: int
    normal: Normal | None
    in_jar: InJar | None
    since_feed: SinceFeed | None
    next_move: NextMove
    timeline: tuple[Step, ...]
    changes: tuple[Change, ...]
    ahead: PlanTotals
    ready: ReadyDays
    ready_on: Ready | None
    forecast: Forecast | None
    findings: tuple[Finding, ...]
    readiness: Readiness | None
    stage: StageFound | None
    outlook: Outlook | None
    yeast_unshown: bool
    hungry_again_at: datetime | None
    ready_ahead: Ready | None
    held_up: tuple[HoldUp, ...]
    taught: Prior | None
    expected_look: ExpectedLook
    asked: AskedOfLook
    chilled: tuple[ColdSpan, ...]
    stands: Stands
    chapters: tuple[Chapter, ...]
    put_by: tuple[PutBy, ...]
    asks_how_to_keep: bool
    is_kept: bool
    bakes: tuple[Bake, ...]
    bake_fed: int
    counsel: tuple[Counsel, ...]
    notices: tuple[Notice, ...]
    rounds: tuple[RoundSeen, ...]
    totals: Totals
    binned_at: datetime | None
    discard_is_food: bool
    doubles_at: float
    usual_line_mm: float
    room_is_tight: bool
    may_run_over: bool


Foresee = Callable[[Ledger, Background, tuple[Turn, ...]], Forecast | None]
"""`tracker.forecast`, or what keeps its answers: the same for the same log whatever the hour."""


@dataclass(frozen=True)
class Stood:
    """An assessment with what it was read off, for the other doors: the log replayed, and the plan walked until a
    moment."""

    assessment: Assessment
    course: Course
    ledger: Ledger
    walked: Plan
    walked_until: datetime


def assess(setup: Setup, log: Log, now: datetime) -> Assessment:
    """Assess a jar. Times are aware; entries may come in any order.

    Raises Refusal when the set-up itself cannot be planned.
    """
    return stood(setup, log, now).assessment


def stood(setup: Setup, log: Log, now: datetime, foresee: Foresee = forecast) -> Stood:
    """The same with what it stands on. Raises Refusal as that does."""
    now = now.astimezone(UTC)
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    begins = ledger.rounds[0].feed.at if ledger.rounds else setup.starts_at.astimezone(UTC)
    # Walked once, as far as anything asks for it.
    until = max(begins + FORESEEN, now + HORIZON)
    walked = plan_of(setup, course, ledger, now, until=until, most_ahead=MOST_STEPS)
    return Stood(_assessment(setup, course, ledger, walked, now, foresee), course, ledger, walked, until)


def _assessment(
    setup: Setup, course: Course, ledger: Ledger, walked: Plan, now: datetime, foresee: Foresee
) -> Assessment:
    start = ledger.rounds[0].feed.at if ledger.rounds else None
    begins = start or setup.starts_at.astimezone(UTC)
    made = shorter(walked, now, now + HORIZON)
    background = background_of(setup, course, ledger)
    meals = meals_ahead(shorter(walked, now, begins + FORESEEN, MOST_STEPS), begins)
    told, ready_on = _forecast(ledger, background, meals, begins, foresee)
    judged = judgement(course, ledger, background.place, made, told, now, setup.ready_after)
    advised = counsel(setup, course, ledger, made, judged, now)
    made = advised.plan
    is_ready = judged.readiness is not None and judged.readiness.ready
    danger = any(one.urgency is Urgency.DANGER for one in judged.findings)
    if danger:
        # It is binned whole: nothing else is said of it, nor is anything to come.
        made, ready_on = only_done(made), None
    asks = not danger and asks_how_to_keep(ledger, made, judged)
    if asks:
        made = not_repeating(made)
    usual_line = _usual_line_mm(made, ledger, ledger.vessel)
    if ledger.rests_since is not None or danger:
        told = None
    return Assessment(
        day=day_of(start, now) if start else 0,
        normal=None if danger or ledger.binned or _rises_no_more(judged) else _normal(made, start, now),
        in_jar=in_jar(ledger, ledger.vessel),
        since_feed=since_feed(ledger, now),
        next_move=_next_move(ledger, judged.findings, made, now),
        timeline=made.steps,
        changes=made.changes,
        ahead=made.to_ready,
        ready=made.ready,
        ready_on=ready_on,
        forecast=told,
        findings=judged.findings,
        readiness=None if danger or ledger.binned else judged.readiness,
        stage=None if danger else judged.stage,
        outlook=outlook(told, now) if told else None,
        yeast_unshown=told is not None and yeast_unshown(told),
        hungry_again_at=_hungry_again_at(told, now),
        ready_ahead=ready_on if ready_on and not is_ready and ready_on.on.likely > now else None,
        held_up=() if danger or asks or is_kept(made.course) else _held_up(ledger, background, judged, ready_on, now),
        taught=background.prior if background.prior.jars else None,
        expected_look=expected_look(
            judged.stage.stage if judged.stage else None, past_peak=told is not None and told.peaks.likely < now
        ),
        asked=_asked(ledger, made, near_peak=_near_peak(told, judged, now)),
        chilled=tuple(ColdSpan(since, until) for since, until in ledger.cold_spans),
        stands=stands(setup, ledger, made),
        chapters=chapters(course, ledger),
        put_by=put_by(ledger),
        asks_how_to_keep=asks,
        is_kept=is_kept(made.course),
        bakes=() if danger else made.bakes,
        bake_fed=made.bake_fed,
        counsel=advised.counsel,
        notices=notices(setup, course, ledger, made, judged),
        rounds=tuple(round_seen(turn, by_hand=course.by_hand) for turn in ledger.rounds),
        totals=used_so_far(ledger),
        binned_at=ledger.binned.at if ledger.binned else None,
        discard_is_food=judged.is_food and not any(one.urgency <= Urgency.WARNING for one in judged.findings),
        doubles_at=_doubles_at(ledger, told),
        usual_line_mm=usual_line,
        room_is_tight=room_times(ledger.vessel, usual_line) < ROOM_WANTED,
        may_run_over=told is not None and told.peak_times.high > ledger.rounds[-1].room_times,
    )


def _held_up(
    ledger: Ledger, background: Background, judged: Judgement, ready_on: Ready | None, now: datetime
) -> tuple[HoldUp, ...]:
    if not ledger.rounds or ledger.binned or ledger.rests_since is not None:
        return ()
    start = ledger.rounds[0].feed.at
    celsius = Warmth(background.place, start, background.cold)((now - start) / timedelta(hours=1))
    likely = ready_on.on.likely if ready_on and not ready_on.seldom else None
    return hold_ups(ledger, judged, likely, celsius, now)


def _doubles_at(ledger: Ledger, told: Forecast | None) -> float:
    """For the running feed, in its warmth; where nothing is forecast, for what the jar holds."""
    if told is not None:
        return told.doubles_at
    return round(doubles_at(paste_in(ledger)), 3) if ledger.rounds else DOUBLED


def _rises_no_more(judged: Judgement) -> bool:
    """What is usual on its day says nothing of such a jar."""
    return judged.readiness is not None and judged.readiness.rises_no_more


def _normal(made: Plan, start: datetime | None, now: datetime) -> Normal | None:
    return made.course.normal_at((now - start) / timedelta(hours=1)) if start else None


def _forecast(
    ledger: Ledger, background: Background, meals: tuple[Turn, ...], start: datetime, foresee: Foresee
) -> tuple[Forecast | None, Ready | None]:
    """The running feed and the day of ready, by the feeds that the whole plan shows ahead."""
    if ledger.rounds:
        told = foresee(ledger, background, meals)
        return told, told.ready if told else None
    return None, prior_ready(background, meals, start)


def _usual_line_mm(made: Plan, ledger: Ledger, vessel: Vessel) -> float:
    """Where the fullest feed in sight stands."""
    totals = [step.plan.total_g for step in made.steps if step.plan]
    return line_mm(vessel, max(totals, default=ledger.contents.total_g))


def _hungry_again_at(told: Forecast | None, now: datetime) -> datetime | None:
    """Where it runs low before it rises at all, that is no news."""
    if told is None or told.hungry_at is None:
        return None
    return told.hungry_at if told.hungry_at > max(now, told.peaks.likely) else None


def _near_peak(told: Forecast | None, judged: Judgement, now: datetime) -> bool:
    """A spoonful floats at the peak, if ever: not before, and not after the fall."""
    if told is None or judged.stage is None or not judged.stage.shows_yeast:
        return False
    return told.peaks.earliest <= now <= told.peaks.latest


def _asked(ledger: Ledger, made: Plan, *, near_peak: bool) -> AskedOfLook:
    tasks = {doing.do for step in made.steps for doing in step.do}
    sights = {wait.sight for step in made.steps for wait in step.waits_for}
    seen = ledger.sightings
    return AskedOfLook(
        thickness=SightCode.RUNNY in sights or any(one.thickness for one in seen),
        ph=Task.READ_PH in tasks or any(one.ph is not None for one in seen),
        celsius=any(one.celsius is not None for one in seen),
        floats=near_peak,
    )


def _no_move(move: Move) -> NextMove:
    return NextMove(move, None, None, None, None, True, (), (), None, (), is_now=True)  # noqa: FBT003  (a row of a table)


def asks_how_to_keep(ledger: Ledger, made: Plan, judged: Judgement) -> bool:
    """Whether it is ready, or its way is at its end, and nobody has said yet how it goes on."""
    if ledger.binned or judged.readiness is None or is_kept(made.course):
        return False
    if not judged.readiness.ready and made.next is not None:
        return False
    return not any(isinstance(deed, Deed) and deed.deed is DeedKind.LET_GO for deed in ledger.deeds)


def only_done(made: Plan) -> Plan:
    """Nothing is to come of it."""
    return replace(made, steps=tuple(step for step in made.steps if not step.to_come))


def not_repeating(made: Plan) -> Plan:
    """Nothing goes on for ever unasked: only the next act is told, and those of the bakes that are planned."""
    first = made.next
    kept = [step for step in made.steps if not step.to_come or step is first or step.stage == FOR_A_BAKE]
    return replace(made, steps=tuple(kept))


def _next_move(ledger: Ledger, found: tuple[Finding, ...], made: Plan, now: datetime) -> NextMove:
    if ledger.binned:
        return _no_move(Move.BINNED)
    if any(finding.urgency is Urgency.DANGER for finding in found):
        return _no_move(Move.BIN)
    step = made.next
    if step is None:
        return _no_move(Move.NOTHING)
    if step.state is StepState.RESTING:
        return replace(_no_move(Move.REST), state=step.state, is_now=False)
    there_is = ledger.contents.total_g if ledger.rounds else None
    style = WalkStyle.CLEAN_JAR if any(one.do is Task.CLEAN_JAR for one in step.do) else WalkStyle.IN_THE_JAR
    walk = scale_walk(step.plan, ledger.vessel.tare_g or None, there_is, style) if step.plan else ()
    return NextMove(
        MOVES[step.act],
        step.state,
        step.due,
        step.earliest,
        step.latest,
        step.fits,
        step.waits_for,
        step.do,
        step.plan,
        walk,
        is_now=step.due <= now + AS_GOOD_AS_NOW,
    )
