"""What a plan is made on, and a step of it put together."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta

from ..kitchen.hours import HOUR, Hours
from ..mixing.feeding import FeedPlan
from ..protocol.course import Course, SettledPhase
from .altering import LaterHours
from .doings import main_act, waits_for
from .standing import Standing, Window
from .steps import Act, Doing, Step, StepState


@dataclass(frozen=True)
class Desk:
    """What a plan is made on: the course, the baker's hours, the start, the scale; the hours that were told later, each
    from a moment on; and how warm it stands at first."""

    course: Course
    hours: Hours
    starts_at: datetime
    step: float
    later: tuple[LaterHours, ...] = ()
    warmth_c: float = 24.0


def day_of(start: datetime, at: datetime) -> int:
    """Day 1 is the first 24 hours after the first mix."""
    return max(0, (at - start) // timedelta(days=1)) + 1


@dataclass(frozen=True)
class Done:
    """How a step was done or is to be: its grams and tasks, and for one in the log the entry and how far off it was."""

    plan: FeedPlan | None = None
    do: tuple[Doing, ...] = ()
    entry_id: str | None = None
    off_by_h: float | None = None
    act: Act | None = None


NOT_DONE = Done()


def make_step(
    desk: Desk,
    phase: SettledPhase,
    standing: Standing,
    found: Window,
    number: int,
    state: StepState,
    at: datetime,
    done: Done = NOT_DONE,
) -> Step:
    """A step of a phase; `at` is when it was or will be done."""
    start = standing.start or at
    return Step(
        number=number,
        day=day_of(start, at),
        stage=phase.name,
        act=done.act or main_act(phase, first=standing.last is None),
        state=state,
        due=found.due,
        earliest=found.earliest,
        latest=found.latest,
        fits=found.fits,
        waits_for=waits_for(phase.wait.sight),
        seen_by=found.seen.look_id if found.seen else None,
        entry_id=done.entry_id,
        off_by_h=done.off_by_h,
        do=done.do,
        plan=done.plan,
        normal=desk.course.normal_at((at - start) / HOUR),
    )
