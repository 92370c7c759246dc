"""When a baker is reminded of an act: once, when it is due, and never in the baker's quiet hours."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta

from ..kitchen.hours import Hours, fit
from ..planner import Act, Step, StepState

# What is later than this says so.
LATE_AFTER = timedelta(minutes=30)


@dataclass(frozen=True)
class Reminder:
    """One act, when it is reminded of, and by how many hours that is later than its due time (0 where it is not).

    `harmless` is true while the act is inside the window in which it is as good.
    """

    step: int
    act: Act
    due: datetime
    at: datetime
    late_h: float
    harmless: bool


def reminders(steps: Iterable[Step], hours: Hours, now: datetime) -> tuple[Reminder, ...]:
    """What there is to remind of, the earliest first: one an act, none for an act that is done or left out.

    Outside the baker's hours it is quiet: a reminder waits for the next time that they are at home.
    """
    ahead = [step for step in steps if step.to_come]
    told = []
    for step in ahead:
        if step.waits_for and step.seen_by is None and step.state is StepState.WAITING and step.due > now:
            continue
        wished = max(step.due, now) if step is ahead[0] else step.due
        at = fit(hours, wished, wished, wished + timedelta(days=1)).at
        late = at - step.due
        late_h = round(late / timedelta(hours=1), 1) if late > LATE_AFTER else 0.0
        told.append(Reminder(step.number, step.act, step.due, at, late_h, at <= step.latest))
    return tuple(sorted(told, key=lambda one: (one.at, one.step)))
