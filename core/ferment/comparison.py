"""Families side by side: days, feeds, hands-on minutes, flour, discard and what is needed."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import timedelta

from .flours import FlourLot
from .planner import MOST_STEPS, totals
from .planner.steps import ReadyDays
from .protocol.method import Method, Origin, Thing
from .protocol.options import Choices
from .setups import Setup, course_of, ledger_of, plan_of


@dataclass(frozen=True)
class Compared:
    """What a family takes until its likely day of ready, from the same start, hours and warmth."""

    family: str
    origin: Origin
    ready: ReadyDays
    feeds: int
    feeds_a_day: float
    minutes: float
    minutes_a_day: float
    flours: FlourLot
    flour_g: float
    liquid_g: float
    discard_g: float
    needs: tuple[Thing, ...]
    wants_c: float | None


def compare(families: Iterable[Method], setup: Setup) -> tuple[Compared, ...]:
    """Each family at its own defaults; choices of the set-up count where it is the family's own."""
    return tuple(
        to_ready(replace(setup, family=family.code, method=family, choices=_choices(setup, family)))
        for family in families
    )


def _choices(setup: Setup, family: Method) -> Choices:
    return setup.choices if setup.family == family.code else {}


def to_ready(setup: Setup) -> Compared:
    """What a jar takes from its first mix to the likely day of ready."""
    course = course_of(setup)
    now = setup.starts_at
    first = plan_of(setup, course, ledger_of(setup, course, ()), now, most_ahead=1)
    days = first.ready.likely
    made = plan_of(
        setup,
        course,
        ledger_of(setup, course, ()),
        now,
        until=now + timedelta(days=days) - timedelta(minutes=1),
        most_ahead=MOST_STEPS,
    )
    whole = totals(made.steps, days)
    return Compared(
        family=course.method.code,
        origin=course.origin,
        ready=made.ready,
        feeds=whole.feeds,
        feeds_a_day=round(whole.feeds / days, 2),
        minutes=whole.minutes,
        minutes_a_day=round(whole.minutes / days, 1),
        flours=whole.flours,
        flour_g=round(sum(part.g for part in whole.flours), 1),
        liquid_g=round(whole.water_g + whole.juice_g, 1),
        discard_g=round(whole.discard_g, 1),
        needs=course.method.needs,
        wants_c=course.method.wants_c,
    )
