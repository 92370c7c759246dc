"""Method, log and clock to a timeline: what was done, what comes next and when, in this jar's own grams."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from .feeding import FeedPlan, plan_feed, plan_mix
from .ledger import Ledger
from .protocol import Course

HORIZON = timedelta(days=7)
MOST_STEPS_AHEAD = 14


class Act(StrEnum):
    MIX = "mix"
    FEED = "feed"


class StepState(StrEnum):
    """Where a step stands: done; not yet (before its window); due (inside it); late (after it); later ones follow."""

    DONE = "done"
    NOT_YET = "not_yet"
    DUE = "due"
    LATE = "late"
    AHEAD = "ahead"


@dataclass(frozen=True)
class Step:
    """One act of the plan.

    `due` is the usual time, `earliest` and `latest` bound the window in which it is as good. A done step names its
    entry and by how many hours it missed `due` (late is positive); the others carry the grams to weigh.
    """

    number: int
    day: int
    act: Act
    state: StepState
    due: datetime
    earliest: datetime
    latest: datetime
    entry_id: str | None
    off_by_h: float | None
    plan: FeedPlan | None


@dataclass(frozen=True)
class Window:
    due: datetime
    earliest: datetime
    latest: datetime


def day_of(start: datetime, at: datetime) -> int:
    """Day 1 is the first 24 hours after the first mix."""
    return max(0, (at - start) // timedelta(days=1)) + 1


def next_window(course: Course, start: datetime, last: datetime) -> Window:
    """When the feed after `last` is due.

    Intervals count in hours that pass, so a change of clocks does not stretch one. The rhythm set by the first mix is
    kept: the due time is the beat nearest to a full interval after `last`, inside the window that the method allows, so
    that a late feed is caught up over the next ones and does not move every feed after it.
    """
    every = timedelta(hours=course.every_h)
    earliest = last + timedelta(hours=course.earliest_h)
    latest = last + timedelta(hours=course.latest_h)
    beats = round((last + every - start) / every)
    due = min(max(start + beats * every, earliest), latest)
    return Window(due, earliest, latest)


def timeline(course: Course, starts_at: datetime, ledger: Ledger, now: datetime, scale_step: float) -> tuple[Step, ...]:
    """Every feed of the log and every act of the next seven days; nothing ahead once the jar is binned."""
    done = _done(course, starts_at, ledger)
    return done if ledger.binned else (*done, *_ahead(course, starts_at, ledger, now, scale_step))


def _done(course: Course, starts_at: datetime, ledger: Ledger) -> tuple[Step, ...]:
    steps: list[Step] = []
    start = ledger.rounds[0].feed.at if ledger.rounds else starts_at
    for number, turn in enumerate(ledger.rounds, start=1):
        at = turn.feed.at
        first = number == 1
        window = (
            Window(starts_at, starts_at, starts_at)
            if first
            else next_window(course, start, ledger.rounds[number - 2].feed.at)
        )
        steps.append(
            Step(
                number=number,
                day=day_of(start, at),
                act=Act.MIX if first else Act.FEED,
                state=StepState.DONE,
                due=window.due,
                earliest=window.earliest,
                latest=window.latest,
                entry_id=turn.feed.id,
                off_by_h=round((at - window.due) / timedelta(hours=1), 2),
                plan=None,
            )
        )
    return tuple(steps)


def _ahead(course: Course, starts_at: datetime, ledger: Ledger, now: datetime, scale_step: float) -> tuple[Step, ...]:
    steps: list[Step] = []
    in_jar_g = ledger.contents.total_g
    start = ledger.rounds[0].feed.at if ledger.rounds else None
    last = ledger.rounds[-1].feed.at if ledger.rounds else None
    while len(steps) < MOST_STEPS_AHEAD:
        if start is None or last is None:
            # The first mix waits for the baker, not for a clock: it is due from the chosen start on and never late.
            window = Window(starts_at, starts_at, max(starts_at, now))
            plan = plan_mix(course.mix_flour_g, course.mix_hydration_percent, course.blend, step=scale_step)
            act = Act.MIX
        else:
            window = next_window(course, start, last)
            plan = plan_feed(min(course.keep_g, in_jar_g), course.ratio, course.blend, step=scale_step)
            act = Act.FEED
        if steps and window.due > now + HORIZON:
            break
        # What comes after an overdue act is planned as if that were done now.
        done_at = max(window.due, now) if not steps else window.due
        start = start or done_at
        steps.append(
            Step(
                number=len(ledger.rounds) + len(steps) + 1,
                day=day_of(start, done_at),
                act=act,
                state=_state(window, now) if not steps else StepState.AHEAD,
                due=window.due,
                earliest=window.earliest,
                latest=window.latest,
                entry_id=None,
                off_by_h=None,
                plan=plan,
            )
        )
        last, in_jar_g = done_at, plan.total_g
    return tuple(steps)


def _state(window: Window, now: datetime) -> StepState:
    if now < window.earliest:
        return StepState.NOT_YET
    return StepState.DUE if now <= window.latest else StepState.LATE
