"""What the baker chose when a jar was planned, and the course and the ledger that follow from it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime

from .feeding import FeedPlan, Ratio, plan_feed
from .hours import ANY_TIME, Hours
from .ledger import Culture, Ledger, replay
from .log import Log
from .methods import family_named
from .planner import Plan, plan
from .planner.walking import Desk, Walk
from .protocol.course import Course, Stage, culture, settle, weigh
from .protocol.method import Method
from .protocol.options import Choices
from .refusal import within
from .vessel import Vessel, check_vessel

LEAST_C, MOST_C = 2.0, 45.0


@dataclass(frozen=True)
class Setup:
    """A jar as planned. `method` is a baker's own; without one `family` names one of the catalogue.

    `size` multiplies the method's amounts; `warmth_c` is where the jar stands, in °C.
    """

    family: str
    choices: Choices
    vessel: Vessel
    starts_at: datetime
    scale_step: float = 1.0
    size: float = 1.0
    hours: Hours = ANY_TIME
    warmth_c: float = 24.0
    method: Method | None = None


def course_of(setup: Setup) -> Course:
    """Raises Refusal for a set-up that cannot be planned."""
    check_vessel(setup.vessel)
    within(setup.warmth_c, LEAST_C, MOST_C, "warmth_c")
    return settle(setup.method or family_named(setup.family), setup.choices, setup.size)


def ledger_of(setup: Setup, course: Course, log: Log) -> Ledger:
    blend, hydration = culture(course)
    return replay(setup.vessel, log, Culture(blend, hydration))


def plan_of(
    setup: Setup,
    course: Course,
    ledger: Ledger,
    now: datetime,
    *,
    until: datetime | None = None,
    most_ahead: int | None = None,
) -> Plan:
    extra = {} if most_ahead is None else {"most_ahead": most_ahead}
    return plan(
        course,
        ledger,
        setup.starts_at,
        now,
        hours=setup.hours,
        step=setup.scale_step,
        warmth_c=setup.warmth_c,
        until=until,
        **extra,
    )


@dataclass(frozen=True)
class FeedNow:
    """What a feed at this moment would be: its plan, and whether it goes into a clean jar.

    `stage` is None beyond the end of the course, where the last feed's amounts are offered again.
    """

    plan: FeedPlan
    stage: Stage | None
    walk: Walk


def feed_now(setup: Setup, course: Course, ledger: Ledger, now: datetime, keep_g: float | None = None) -> FeedNow:
    """The feed of this moment, for the seed really kept where it is known. Raises Refusal for amounts nobody means."""
    desk = Desk(course, setup.hours, setup.starts_at.astimezone(UTC), setup.scale_step)
    walk = Walk(desk, ledger, now.astimezone(UTC))
    stage = walk.pass_to_feed()
    if stage is not None:
        found = weigh(course, stage, walk.standing.bench, setup.scale_step, keep_g)
        assert found is not None  # a stage that feeds weighs something out
        return FeedNow(found, stage, walk)
    return FeedNow(_once_more(setup, course, ledger, keep_g), None, walk)


def _once_more(setup: Setup, course: Course, ledger: Ledger, keep_g: float | None) -> FeedPlan:
    last = ledger.rounds[-1].feed
    kept = last.keep_g if keep_g is None else keep_g
    ratio = Ratio(last.keep_g or 1.0, last.flour_g, last.liquid_g)
    blend, _ = culture(course)
    return plan_feed(min(kept, ledger.contents.total_g), ratio, blend, step=setup.scale_step)
