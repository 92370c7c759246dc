"""What the baker chose when a jar was planned, and the course and the ledger that follow from it."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from .feeding import FeedPlan, Ratio, plan_feed
from .hours import ANY_TIME, Hours
from .ledger import Culture, Ledger, replay
from .log import Deed, DeedKind, Log
from .methods import family_named
from .planner import Plan, StepState, plan
from .planner.walking import Desk, Walk
from .protocol.course import Course, Stage, culture, settle, weigh
from .protocol.method import Into, Method
from .protocol.options import Choices
from .readiness import Strictness
from .refusal import within
from .tracker import Background, Turn
from .vessel import Vessel, check_vessel
from .warmth import Degrees, Place

LEAST_C, MOST_C = 2.0, 45.0


@dataclass(frozen=True)
class Setup:
    """A jar as planned. `method` is a baker's own; without one `family` names one of the catalogue.

    `size` multiplies the method's amounts. The jar stands at `warmth_c` °C, at night at `night_c` where that differs;
    what a thermometer wrote down in `readings` counts before both. `ready_after` is the baker's own rule of ready.
    """

    family: str
    choices: Choices
    vessel: Vessel
    starts_at: datetime
    scale_step: float = 1.0
    size: float = 1.0
    hours: Hours = ANY_TIME
    warmth_c: float = 24.0
    night_c: float | None = None
    readings: tuple[Degrees, ...] = ()
    method: Method | None = None
    ready_after: Strictness = Strictness.USUAL


def place_of(setup: Setup) -> Place:
    """Where the jar stands, without what was read at the jar itself."""
    return Place(setup.warmth_c, setup.night_c, setup.hours.zone, setup.readings)


def course_of(setup: Setup) -> Course:
    """Raises Refusal for a set-up that cannot be planned."""
    check_vessel(setup.vessel)
    within(setup.warmth_c, LEAST_C, MOST_C, "warmth_c")
    if setup.night_c is not None:
        within(setup.night_c, LEAST_C, MOST_C, "night_c")
    return settle(setup.method or family_named(setup.family), setup.choices, setup.size)


def ledger_of(setup: Setup, course: Course, log: Log) -> Ledger:
    blend, hydration = culture(course)
    return replay(setup.vessel, log, Culture(blend, hydration))


def background_of(setup: Setup, course: Course, ledger: Ledger) -> Background:
    """What the tracker needs beside the log; temperatures noted with looks count as a thermometer's."""
    blend, _ = culture(course)
    noted = tuple(Degrees(look.at, look.celsius) for look in ledger.looks if look.celsius is not None)
    place = replace(place_of(setup), readings=(*setup.readings, *noted))
    return Background(course.origin, blend, place, cold_spans(ledger))


def cold_spans(ledger: Ledger) -> tuple[tuple[datetime, datetime | None], ...]:
    """When the jar stood in the fridge, the last stay without an end while it is there."""
    spans: list[tuple[datetime, datetime | None]] = []
    since: datetime | None = None
    for deed in ledger.deeds:
        kind = deed.deed if isinstance(deed, Deed) else None
        if kind is DeedKind.TO_FRIDGE and since is None:
            since = deed.at
        elif kind is DeedKind.TO_COUNTER and since is not None:
            spans.append((since, deed.at))
            since = None
    return (*spans, (since, None)) if since is not None else tuple(spans)


def meals_ahead(made: Plan, start: datetime) -> tuple[Turn, ...]:
    """The feeds that a plan shows ahead, as the model follows them: to the half hour, counted from `start`."""
    ahead = [step for step in made.steps if step.plan and step.state not in (StepState.DONE, StepState.SKIPPED)]
    return tuple(
        Turn(
            round((step.due - start) / timedelta(hours=0.5)) / 2.0,
            step.plan.keep_g,
            step.plan.flours,
            step.plan.liquid_g,
            step.plan.juice_g,
            step.plan.salt_g,
        )
        for step in ahead
        if step.plan
    )


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

    @property
    def clean_jar(self) -> bool:
        by_method = self.stage is not None and any(isinstance(act, Into) for act in self.stage.do)
        return by_method or self.walk.standing.advised.clean_jar


def feed_now(setup: Setup, course: Course, ledger: Ledger, now: datetime, keep_g: float | None = None) -> FeedNow:
    """The feed of this moment, for the seed really kept where it is known. Raises Refusal for amounts nobody means."""
    desk = Desk(course, setup.hours, setup.starts_at.astimezone(UTC), setup.scale_step)
    walk = Walk(desk, ledger, now.astimezone(UTC))
    stage = walk.pass_to_feed()
    if stage is not None:
        found = weigh(course, stage, walk.standing.bench, setup.scale_step, keep_g, walk.standing.advised)
        assert found is not None  # a stage that feeds weighs something out
        return FeedNow(found, stage, walk)
    return FeedNow(_once_more(setup, course, ledger, keep_g), None, walk)


def _once_more(setup: Setup, course: Course, ledger: Ledger, keep_g: float | None) -> FeedPlan:
    last = ledger.rounds[-1].feed
    kept = last.keep_g if keep_g is None else keep_g
    ratio = Ratio(last.keep_g or 1.0, last.flour_g, last.liquid_g)
    blend, _ = culture(course)
    return plan_feed(min(kept, ledger.contents.total_g), ratio, blend, step=setup.scale_step)
