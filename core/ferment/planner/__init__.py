"""Method, log, the baker's hours and now to a timeline: what was done, what comes next and when, in grams.

Knows courses and the ledger; nothing of verdicts or forecasts, which read the plan. Offers `plan`.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta

from ..kitchen.flours import FlourLot, combine
from ..kitchen.hours import ANY_TIME, HOUR, Hours
from ..mixing.feeding import FeedPlan
from ..protocol.amounts import as_measured, weigh, weigh_on_the_way
from ..protocol.course import Course, SettledPhase
from ..protocol.method import Spot
from ..protocol.sights import Evidence
from ..record.ledger import Ledger
from . import baking
from .altering import LaterHours
from .desk import Desk, Done, day_of, make_step
from .doings import doings
from .readytable import ready_days
from .standing import Standing, Window, after_turn, evidence_of, phase_of, poured, window
from .steps import Act, Change, ChangeCode, Doing, Plan, PlanTotals, Step, StepState, Task
from .steps import name_acts as name_acts
from .walking import Walk

HORIZON = timedelta(days=7)
MOST_STEPS_AHEAD = 14
# A plan is never longer than this, whatever a method says.
MOST_STEPS = 240
# Minutes of hands-on work (common practice: five to ten a day, the looks included).
MINUTES = {
    Act.MIX: 7.0,
    Act.FEED: 5.0,
    Act.STIR: 1.0,
    Act.LOOK: 1.0,
    Act.TO_FRIDGE: 0.5,
    Act.TO_COUNTER: 0.5,
    Act.USE: 1.0,
}
LOOK_MINUTES_A_DAY = 1.0
NOTHING_SEEN = Evidence((), ())


def plan(
    course: Course,
    ledger: Ledger,
    starts_at: datetime,
    now: datetime,
    *,
    hours: Hours = ANY_TIME,
    step: float = 1.0,
    later: tuple[LaterHours, ...] = (),
    warmth_c: float = 24.0,
    until: datetime | None = None,
    most_ahead: int = MOST_STEPS_AHEAD,
) -> Plan:
    """The plan of a jar: every step of the log and every act ahead until a moment (seven days from now by itself).

    Nothing lies ahead of a binned jar.
    Raises Refusal (not_a_choice, not_a_number, nothing_added, out_of_range) when the method's own amounts cannot be
    weighed out.
    """
    now = now.astimezone(UTC)
    walk = Walk(Desk(course, hours, starts_at.astimezone(UTC), step, later, warmth_c), ledger, now)
    phase = phase_of(walk.desk.course, walk.standing)
    ahead: tuple[Step, ...] = ()
    ends = phase is None
    changes = list(walk.changes)
    if not ledger.binned:
        ahead, ends, ahead_changes = _ahead(walk, until or now + HORIZON, min(most_ahead, MOST_STEPS))
        changes += ahead_changes
    bake = walk.standing.bake
    return Plan(
        steps=(*walk.steps, *ahead),
        changes=tuple(changes),
        stage=phase.name if phase else None,
        ends=ends,
        done=_done_totals(ledger, walk.steps, starts_at, now, is_by_hand=course.by_hand),
        to_ready=_totals_ahead(ahead, now),
        ready=ready_days(course, warmth_c),
        taken=walk.standing.taken,
        bakes=walk.standing.bakes,
        bake_fed=walk.standing.bake_fed if bake else 0,
        course=walk.desk.course,
        hours=walk.desk.hours,
        own=walk.standing.own,
        every=walk.standing.every,
    )


def shorter(made: Plan, now: datetime, until: datetime, most_ahead: int = MOST_STEPS_AHEAD) -> Plan:
    """The same plan as it is made for a nearer moment and fewer steps, without walking it again."""
    ahead = made.ahead
    count = next((place for place, step in enumerate(ahead) if place and step.due > until), len(ahead))
    kept = ahead[: min(count, most_ahead)]
    done = tuple(step for step in made.steps if not step.to_come)
    return replace(
        made,
        steps=(*done, *kept),
        ends=made.ends and len(kept) == len(ahead),
        to_ready=_totals_ahead(kept, now.astimezone(UTC)),
    )


def _ahead(walk: Walk, until: datetime, most: int) -> tuple[tuple[Step, ...], bool, list[Change]]:
    desk, now, standing = walk.desk, walk.now, walk.standing
    rests = walk.ledger.rests_since is not None
    steps: list[Step] = []
    changes: list[Change] = []
    while len(steps) < most:
        phase = phase_of(desk.course, standing)
        # What rests is taken to go on from this moment: the cold so far counts little towards the next feed.
        counted = _thawed(standing, now) if not steps else standing
        found = _found(walk, phase, counted, first=not steps)
        if baking.goes_first(standing, phase, found.due if found else now):
            phase, found = baking.phase_now(standing), baking.bake_window(standing, desk.hours)
            rests = False
        if phase is None or found is None:
            return tuple(steps), True, changes
        if not steps:
            changes += _why(phase, standing, found, now)
        elif found.due > until:
            break
        # What comes after an overdue act is planned as if that were done now.
        at = max(found.due, now) if not steps else found.due
        state = _state(found, now, phase, rests=rests) if not steps else StepState.AHEAD
        number = len(walk.steps) + len(steps) + 1
        step, standing = _step(walk, phase, standing, found, number, state, at)
        steps.append(step)
        if state is StepState.RESTING:
            # What follows has no time before it is taken out.
            break
    return tuple(steps), False, changes


def _found(walk: Walk, phase: SettledPhase | None, standing: Standing, *, first: bool) -> Window | None:
    if phase is None:
        return None
    desk = walk.desk
    evidence = evidence_of(walk.ledger, standing.round, walk.now) if first else NOTHING_SEEN
    at = walk.now if first else standing.last or walk.now
    return window(desk.course, standing, desk.starts_at, evidence, at, desk.hours)


def _thawed(standing: Standing, now: datetime) -> Standing:
    since = standing.cold_since
    return replace(standing, cold=standing.cold + (now - since)) if since is not None else standing


def _ends_the_rest(phase: SettledPhase) -> bool:
    return phase.moves_to is not None and phase.moves_to.place is Spot.COUNTER


def _step(
    walk: Walk,
    phase: SettledPhase,
    standing: Standing,
    found: Window,
    number: int,
    state: StepState,
    at: datetime,
) -> tuple[Step, Standing]:
    """A step ahead, and where the course stands when it is done."""
    desk = walk.desk
    if phase is baking.USE:
        assert standing.bake is not None
        done = Done(do=baking.used_for(standing.bake), act=Act.USE)
        step = make_step(desk, phase, standing, found, number, state, at, done)
        left = replace(standing, jar_g=max(0.0, standing.jar_g - standing.bake.grams))
        return step, baking.after_the_bake(desk.course, left, at, desk.hours, mixed=True)
    feed = baking.next_feed(standing) if phase in (baking.FEED, baking.FIRST) else None
    if feed is not None:
        meant = baking.weigh_for_bake(feed, standing.bench, desk.step)
        weighed: FeedPlan | None = as_measured(meant, desk.course, standing.bench)
    else:
        # A set-up that cannot be weighed out is refused; a jar that is fed already, or for which a bake is planned, is
        # not: what the bake leaves is the baker's.
        weigh_ahead = weigh_on_the_way if walk.ledger.rounds or walk.ledger.bakes else weigh
        weighed = weigh_ahead(desk.course, phase, standing.bench, desk.step, advised=standing.advised)
    tasks = doings(phase, weighed, standing.jar_g, standing.advised)
    if feed is not None and walk.ledger.rests_since is not None and number == len(walk.steps) + 1:
        tasks = (Doing(Task.TO_COUNTER), *tasks)
    done = Done(weighed, tasks)
    step = make_step(desk, phase, standing, found, number, state, at, done)
    if weighed:
        standing = poured(standing, weighed.flour_g, weighed.liquid_g, weighed.total_g)
    standing = replace(standing, cold=timedelta(), cold_since=None)
    if feed is not None:
        return step, baking.fed_for_bake(standing, at)
    return step, _as_usual(desk.course, phase, after_turn(desk.course, standing, at))


def _as_usual(course: Course, phase: SettledPhase, standing: Standing) -> Standing:
    """A phase that ends on a sight is taken to end after its usual turns."""
    same = phase_of(course, standing) is phase
    if same and phase.turns.until is not None and phase.turns.most is not None and standing.turns >= phase.turns.usual:
        assert standing.index is not None
        return replace(standing, index=course.after(standing.index), turns=0)
    return standing


def _state(found: Window, now: datetime, phase: SettledPhase, *, rests: bool) -> StepState:
    """Inside the fridge nothing is late, and nothing is due that the way does not take it out for."""
    if rests and not _ends_the_rest(phase):
        return StepState.RESTING
    if now < found.earliest:
        return StepState.NOT_YET
    if found.waiting:
        return StepState.WAITING
    return StepState.DUE if now <= found.latest or rests else StepState.LATE


def _why(phase: SettledPhase, standing: Standing, found: Window, now: datetime) -> list[Change]:
    """What is to be said of the next step's time."""
    changes = []
    last = standing.last
    if found.seen is not None and last is not None and found.seen.at < last + phase.wait.usual:
        early = round((last + phase.wait.usual - found.seen.at) / HOUR, 2)
        changes.append(Change(ChangeCode.SIGN_EARLY, found.seen.at, found.seen.look_id, {"hours": early}))
    if found.overdue_h:
        changes.append(Change(ChangeCode.SIGN_OVERDUE, now, None, {"hours": round(found.overdue_h, 2)}))
    if phase.turns.until is not None and standing.turns >= phase.turns.usual and phase.turns.most is not None:
        over = float(standing.turns - phase.turns.usual + 1)
        changes.append(Change(ChangeCode.STAGE_LONGER, now, None, {"turns": over, "stage": phase.name}))
    if not found.fits:
        changes.append(Change(ChangeCode.NO_ROOM_IN_HOURS, found.due, None, {"stage": phase.name}))
    elif abs(found.moved) >= timedelta(minutes=30):
        moved = round(found.moved / HOUR, 2)
        changes.append(Change(ChangeCode.MOVED_INTO_HOURS, found.due, None, {"hours": moved}))
    return changes


# --- totals ---


def _minutes(steps: tuple[Step, ...] | list[Step], days: float) -> float:
    acts = sum(MINUTES[step.act] for step in steps if step.state is not StepState.SKIPPED)
    return round(acts + LOOK_MINUTES_A_DAY * max(0.0, days), 1)


def _done_totals(
    ledger: Ledger, steps: list[Step], starts_at: datetime, now: datetime, *, is_by_hand: bool
) -> PlanTotals:
    rounds = ledger.rounds
    start = rounds[0].feed.at if rounds else starts_at
    return PlanTotals(
        flours=combine(turn.feed.flours for turn in rounds),
        water_g=round(sum(turn.feed.water_g for turn in rounds), 3),
        juice_g=round(sum(turn.feed.juice_g for turn in rounds), 3),
        discard_g=round(sum(turn.discard_g for turn in rounds), 3),
        feeds=len(rounds),
        minutes=_minutes(steps, (now - start) / timedelta(days=1)),
        is_by_hand=is_by_hand,
    )


def _totals_ahead(steps: tuple[Step, ...], now: datetime) -> PlanTotals:
    return totals(steps, (steps[-1].due - now) / timedelta(days=1) if steps else 0.0)


def totals(steps: tuple[Step, ...], days: float) -> PlanTotals:
    """What steps ahead take together."""
    plans: list[FeedPlan] = [step.plan for step in steps if step.plan]
    lots: list[FlourLot] = [one.flours for one in plans]
    out = sum(doing.out_g or 0.0 for step in steps for doing in step.do)
    return PlanTotals(
        flours=combine(lots),
        water_g=round(sum(one.water_g for one in plans), 3),
        juice_g=round(sum(one.juice_g for one in plans), 3),
        discard_g=round(out, 3),
        feeds=len(plans),
        minutes=_minutes(steps, days),
        is_by_hand=any(one.is_by_hand for one in plans),
    )


__all__ = ["Act", "Plan", "Step", "StepState", "day_of", "plan", "totals"]
