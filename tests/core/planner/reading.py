"""Plans made and read in the tests of the planner."""

from __future__ import annotations

from datetime import timedelta

from ferment.planner import MOST_STEPS, Plan, Step, StepState
from ferment.planner.steps import ChangeCode
from ferment.record.log import Log
from ferment.setups import Setup, course_of, ledger_of, plan_of

from ..builders import START, hours


def plan(made: Setup, log: Log, after_h: float, days: float = 7) -> Plan:
    course = course_of(made)
    now = START + hours(after_h)
    return plan_of(
        made, course, ledger_of(made, course, log), now, until=now + timedelta(days=days), most_ahead=MOST_STEPS
    )


def next_step(found: Plan) -> Step:
    return next(step for step in found.steps if step.state not in (StepState.DONE, StepState.SKIPPED))


def after(step: Step) -> float:
    return (step.due - START) / timedelta(hours=1)


def codes(found: Plan) -> list[ChangeCode]:
    return [change.code for change in found.changes]
