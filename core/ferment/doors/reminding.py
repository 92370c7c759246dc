"""When a baker is reminded of an act: once, when it is due, and never in the baker's quiet hours."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta

from ..kitchen.hours import Hours, fit
from ..planner import Act, Step, StepState, name_acts

# What is later than this says so.
LATE_AFTER = timedelta(minutes=30)


@dataclass(frozen=True)
class Reminder:
    """One act, when it is reminded of, and by how many hours that is later than its due time (0 where it is not).

    `name` is what the act is known by while its time moves.

    `harmless` is true while the act is inside the window in which it is as good.
    """

    name: str
    act: Act
    due: datetime
    at: datetime
    late_h: float
    harmless: bool


def reminders(steps: Iterable[Step], hours: Hours, now: datetime) -> tuple[Reminder, ...]:
    """What there is to remind of in a whole plan, the earliest first: one an act, none for one done or left out.

    Outside the baker's hours it is quiet: a reminder waits for the next time that they are at home.
    """
    whole = tuple(steps)
    named = name_acts(whole)
    ahead = [step for step in whole if step.to_come]
    told = []
    for step in ahead:
        if step.state is StepState.RESTING:
            continue
        if step.waits_for and step.seen_by is None and step.state is StepState.WAITING and step.due > now:
            continue
        wished = max(step.due, now) if step is ahead[0] else step.due
        at = fit(hours, wished, wished, wished + timedelta(days=1)).at
        late = at - step.due
        late_h = round(late / timedelta(hours=1), 1) if late > LATE_AFTER else 0.0
        told.append(Reminder(named[step.number], step.act, step.due, at, late_h, at <= step.latest))
    return tuple(sorted(told, key=lambda one: (one.at, one.due)))
