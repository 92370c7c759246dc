"""How much of a way's own amounts a jar takes: what is offered to who has chosen no size, or one that does not fit."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta

from ..kitchen.vessel import ROOM_WANTED, headroom
from ..planner import MOST_STEPS
from ..setups import Setup, course_of, ledger_of, plan_of

# Of a way's own amounts, the most first. Nobody is offered more than the way asks for.
SIZES = (1.0, 0.5, 0.25, 0.125)
# How far a new plan is looked through for its fullest jar.
PLANNED_DAYS = timedelta(days=21)


def fullest_g(setup: Setup) -> float:
    """The most that the jar is to hold after a feed in its first three weeks, in g. Raises Refusal as the plan does."""
    course = course_of(setup)
    until = setup.starts_at + PLANNED_DAYS
    ledger = ledger_of(setup, course, ())
    made = plan_of(setup, course, ledger, setup.starts_at, until=until, most_ahead=MOST_STEPS)
    return max(step.plan.total_g for step in made.steps if step.plan)


def size_that_fits(setup: Setup) -> float:
    """The largest of the usual sizes that can rise in this jar as it should; the smallest where none can."""
    for size in SIZES:
        if headroom(setup.vessel, fullest_g(replace(setup, size=size)), ROOM_WANTED).fits:
            return size
    return SIZES[-1]
