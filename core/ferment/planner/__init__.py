"""Method, log, the baker's hours and now to a timeline: what was done, what comes next and when, in grams.

Knows courses and the ledger; nothing of verdicts or forecasts, which read the plan. Offers `plan`.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta

from ..kitchen.flours import FlourLot, combine
from ..kitchen.hours import ANY_TIME, HOUR, Hours
from ..mixing.feeding import FeedPlan
from ..protocol.amounts import weigh, weigh_on_the_way
from ..protocol.course import Course, SettledPhase
from ..protocol.sights import Evidence
from ..record.ledger import Ledger
from .doings import doings
from .readytable import ready_days
from .standing import Standing, Window, after_turn, phase_of, poured, window
from .steps import Act, Change, ChangeCode, Plan, PlanTotals, Step, StepState
from .steps import name_acts as name_acts
from .walking import Desk, Done, Walk, day_of, make_step

HORIZON = timedelta(days=7)
MOST_STEPS_AHEAD = 14
# A plan is never longer than this, whatever a method says.
MOST_STEPS = 240
# Minutes of hands-on work (common practice: five to ten a day, the looks included).
MINUTES = {Act.MIX: 7.0, Act.FEED: 5.0, Act.STIR: 1.0, Act.LOOK: 1.0, Act.TO_FRIDGE: 0.5, Act.TO_COUNTER: 0.5}
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
    desk = Desk(course, hours, starts_at.astimezone(UTC), step)
    walk = Walk(desk, ledger, now)
    phase = phase_of(course, walk.standing)
    ahead: tuple[Step, ...] = ()
    ends = phase is None
    changes = list(walk.changes)
    if not ledger.binned:
        ahead, ends, ahead_changes = _ahead(walk, until or now + HORIZON, min(most_ahead, MOST_STEPS))
        changes += ahead_changes
    ready = ready_days(course, warmth_c)
    return Plan(
        steps=(*walk.steps, *ahead),
        changes=tuple(changes),
        stage=phase.name if phase else None,
        ends=ends,
        done=_done_totals(ledger, walk.steps, starts_at, now),
        to_ready=_totals_ahead(ahead, now),
        ready=ready,
        taken=walk.standing.taken,
    )


def _ahead(walk: Walk, until: datetime, most: int) -> tuple[tuple[Step, ...], bool, list[Change]]:
    desk, now, standing = walk.desk, walk.now, walk.standing
    # A set-up that cannot be weighed out is refused; a jar that is fed already is not.
    weigh_ahead = weigh_on_the_way if walk.ledger.rounds else weigh
    steps: list[Step] = []
    changes: list[Change] = []
    while len(steps) < most:
        phase = phase_of(desk.course, standing)
        if phase is None:
            return tuple(steps), True, changes
        if not steps:
            found = walk.window(now)
            changes += _why(phase, standing, found, now)
        else:
            found = window(desk.course, standing, desk.starts_at, NOTHING_SEEN, standing.last or now, desk.hours)
        if steps and found.due > until:
            break
        # What comes after an overdue act is planned as if that were done now.
        at = max(found.due, now) if not steps else found.due
        state = _state(found, now) if not steps else StepState.AHEAD
        weighed = weigh_ahead(desk.course, phase, standing.bench, desk.step, advised=standing.advised)
        done = Done(weighed, doings(phase, weighed, standing.jar_g, standing.advised))
        number = len(walk.steps) + len(steps) + 1
        steps.append(make_step(desk, phase, standing, found, number, state, at, done))
        if weighed:
            standing = poured(standing, weighed.flour_g, weighed.liquid_g, weighed.total_g)
        standing = _as_usual(desk.course, phase, after_turn(desk.course, replace(standing, cold=timedelta()), at))
    return tuple(steps), False, changes


def _as_usual(course: Course, phase: SettledPhase, standing: Standing) -> Standing:
    """A phase that ends on a sight is taken to end after its usual turns."""
    same = phase_of(course, standing) is phase
    if same and phase.turns.until is not None and phase.turns.most is not None and standing.turns >= phase.turns.usual:
        assert standing.index is not None
        return replace(standing, index=course.after(standing.index), turns=0)
    return standing


def _state(found: Window, now: datetime) -> StepState:
    if now < found.earliest:
        return StepState.NOT_YET
    if found.waiting:
        return StepState.WAITING
    return StepState.DUE if now <= found.latest else StepState.LATE


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


def _done_totals(ledger: Ledger, steps: list[Step], starts_at: datetime, now: datetime) -> PlanTotals:
    rounds = ledger.rounds
    start = rounds[0].feed.at if rounds else starts_at
    return PlanTotals(
        flours=combine(turn.feed.flours for turn in rounds),
        water_g=round(sum(turn.feed.water_g for turn in rounds), 3),
        juice_g=round(sum(turn.feed.juice_g for turn in rounds), 3),
        discard_g=round(sum(turn.discard_g for turn in rounds), 3),
        feeds=len(rounds),
        minutes=_minutes(steps, (now - start) / timedelta(days=1)),
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
    )


__all__ = ["Act", "Plan", "Step", "StepState", "day_of", "plan", "totals"]
