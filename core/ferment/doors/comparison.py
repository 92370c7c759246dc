"""Families side by side: days, feeds, hands-on minutes, flour, discard and what is needed; and which of them suits."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

from ..kitchen.flours import Flour, FlourLot
from ..mixing.contents import Origin
from ..planner import MOST_STEPS, Plan, shorter, totals
from ..planner.readytable import ready_days
from ..planner.steps import ReadyDays
from ..protocol.course import Course
from ..protocol.method import Method, Thing
from ..protocol.options import BlendOption, Choice, Choices
from ..setups import Setup, course_of, ledger_of, plan_of
from ..tracker import Ready
from .assessment import stood


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


class Reason(StrEnum):
    """Why a family is suggested or advised against, here and now."""

    SOONEST = "soonest"
    LEAST_FLOUR = "least_flour"
    LEAST_DISCARD = "least_discard"
    LEAST_WORK = "least_work"
    NO_SCALE = "no_scale"
    NEEDS_SCALE = "needs_scale"
    TOO_COLD = "too_cold"
    SLOW_FLOUR = "slow_flour"
    SELDOM_READY = "seldom_ready"


# A way made for so much more than a kitchen has is advised against.
TOO_COLD_BY_C = 4.0


@dataclass(frozen=True)
class Offered:
    """A family with the day of ready foreseen for this kitchen and flour, and what speaks for it and against it;
    `suggested` is the one for who does not want to choose."""

    compared: Compared
    ready_on: Ready | None
    suits: tuple[Reason, ...]
    speaks_against: tuple[Reason, ...]
    suggested: bool


def side_by_side(families: Iterable[Method], setup: Setup, origin: Origin, *, has_scale: bool) -> tuple[Offered, ...]:
    """The families that can begin so, with this kitchen's warmth and, wherever a family lets it be chosen, this blend
    (`blend` among the choices of the set-up)."""
    blend = setup.choices.get("blend")
    if not has_scale:
        setup = replace(setup, scale_step=None)
    rows = []
    for family in families:
        way = next((way for way in family.ways if way.origin is origin), None)
        if family.origin is not origin and way is None:
            continue
        choices: dict[str, Choice] = {}
        if blend is not None:
            choices |= {option.code.value: blend for option in family.options if isinstance(option, BlendOption)}
        if way is not None and family.origin is not origin:
            choices[way.code.value] = way.pick.value
        own = replace(setup, family=family.code, method=family, choices=choices)
        jar = stood(own, (), setup.starts_at)
        is_walked = _likely_ready(own, jar.course) <= jar.walked_until
        taken = _taken(own, jar.course, jar.walked) if is_walked else to_ready(own)
        rows.append((taken, jar.assessment.ready_on))
    made = [_Row(*row, setup.starts_at) for row in rows]
    flours = set(blend) if isinstance(blend, Mapping) else set()
    against = [tuple(_against(row, setup, flours, has_scale=has_scale)) for row in made]
    burdens = [len(speaks) + _asked_for(row, has_scale=has_scale) for row, speaks in zip(made, against, strict=True)]
    best_of_all = _suggested(made, burdens)
    return tuple(
        Offered(
            row.compared,
            row.ready_on,
            tuple(reason for reason, best in _BEST.items() if _is_best(best, row, made))
            + ((Reason.NO_SCALE,) if not has_scale and Thing.SCALE not in row.compared.needs else ()),
            speaks,
            suggested=row is best_of_all,
        )
        for row, speaks in zip(made, against, strict=True)
    )


# Who does not want to choose waits no longer than this for less waste.
PATIENCE_DAYS = 3.0


# What not every kitchen has.
UNUSUAL = frozenset({Thing.JUICE, Thing.WARM_PLACE, Thing.SALT, Thing.PH_STRIPS})


def _asked_for(row: _Row, *, has_scale: bool) -> int:
    """What a way asks for beyond a usual kitchen; who has a scale had better use it (volumes vary by a tenth)."""
    needs = row.compared.needs
    return sum(thing in UNUSUAL for thing in needs) + (1 if has_scale and Thing.SCALE not in needs else 0)


def _suggested(made: Sequence[_Row], burdens: Sequence[int]) -> _Row | None:
    """Of the ways that the least speaks against and that are ready about as soon as any, the one that wastes least."""
    least = min(burdens, default=0)
    fitting = [row for row, burden in zip(made, burdens, strict=True) if burden == least]
    soonest = min((row.ready_days for row in fitting), default=0.0)
    soon = [row for row in fitting if row.ready_days <= soonest + PATIENCE_DAYS]
    return min(soon, key=lambda row: (row.compared.discard_g, row.ready_days), default=None)


@dataclass(frozen=True)
class _Row:
    compared: Compared
    ready_on: Ready | None
    start: datetime

    @property
    def ready_days(self) -> float:
        """By what is foreseen for this kitchen, else by the plain table."""
        if self.ready_on is None:
            return self.compared.ready.likely
        return (self.ready_on.on.likely - self.start) / timedelta(days=1)


_BEST: Mapping[Reason, Callable[[_Row], float]] = {
    Reason.SOONEST: lambda row: row.ready_days,
    Reason.LEAST_FLOUR: lambda row: row.compared.flour_g,
    Reason.LEAST_DISCARD: lambda row: row.compared.discard_g,
    Reason.LEAST_WORK: lambda row: row.compared.minutes_a_day,
}


def _is_best(by: Callable[[_Row], float], one: _Row, all_: Sequence[_Row]) -> bool:
    return len(all_) > 1 and by(one) <= min(by(other) for other in all_)


def _against(row: _Row, setup: Setup, flours: set[str], *, has_scale: bool) -> Iterable[Reason]:
    one = row.compared
    if not has_scale and Thing.SCALE in one.needs:
        yield Reason.NEEDS_SCALE
    if one.wants_c is not None and setup.warmth_c < one.wants_c - TOO_COLD_BY_C:
        yield Reason.TOO_COLD
    if Flour.GLUTEN_FREE in flours:
        yield Reason.SLOW_FLOUR
    # Where next to none gets ready, no day is told at all.
    from_flour = one.origin is Origin.FLOUR_AND_WATER
    if (row.ready_on is None and from_flour) or (row.ready_on is not None and row.ready_on.seldom):
        yield Reason.SELDOM_READY


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
    until = _likely_ready(setup, course)
    ledger = ledger_of(setup, course, ())
    return _taken(setup, course, plan_of(setup, course, ledger, setup.starts_at, until=until, most_ahead=MOST_STEPS))


def _likely_ready(setup: Setup, course: Course) -> datetime:
    return setup.starts_at + timedelta(days=ready_days(course, setup.warmth_c).likely) - timedelta(minutes=1)


def _taken(setup: Setup, course: Course, walked: Plan) -> Compared:
    """The same of a plan that was walked as far, or farther."""
    days = ready_days(course, setup.warmth_c).likely
    made = shorter(walked, setup.starts_at, _likely_ready(setup, course), MOST_STEPS)
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
