"""What the baker chose when a jar was planned, and the course and the ledger that follow from it."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from .kitchen.flours import Blend
from .kitchen.hours import ANY_TIME, Hours
from .kitchen.vessel import Vessel, check_vessel
from .kitchen.warmth import Degrees, Place, Stay
from .methods import family_named
from .mixing.feeding import SCALE_STEPS, FeedPlan, Ratio, known_step, plan_feed
from .planner import Plan, plan
from .planner.altering import LaterHours
from .planner.baking import weigh_for_bake
from .planner.desk import Desk
from .planner.walking import Walk
from .protocol.amounts import as_any_starter, as_measured, weigh, weigh_on_the_way
from .protocol.course import Course, SettledPhase, settle
from .protocol.method import Into, Method
from .protocol.options import Choices
from .ready_rule import Strictness
from .record.glimpses import Glimpse
from .record.ledger import Ledger, replay
from .record.log import Log
from .record.terms import Moved
from .refusal import Refusal, within
from .tracker import Background, Prior, Turn
from .tracker.prior import BOOK_PRIOR

LEAST_C, MOST_C = 2.0, 45.0


@dataclass(frozen=True)
class Setup:
    """A jar as planned: what was true on its first morning; what changed since is in its log.

    `scale_step` is in grams, None without a scale. `method` is a baker's own; without one `family` names one of the
    catalogue. `size` multiplies the method's amounts. The jar stands at `warmth_c` °C, at night at `night_c` where that
    differs; what a thermometer wrote down in `readings` counts before both. `ready_after` is the baker's own rule of
    ready. `hours` are the baker's, and those in `later_hours` from their time on. `prior` is what the baker's earlier
    jars taught of this one. `glimpses` are what a camera read of it.
    """

    family: str
    choices: Choices
    vessel: Vessel
    starts_at: datetime
    scale_step: float | None = 1.0
    size: float = 1.0
    hours: Hours = ANY_TIME
    warmth_c: float = 24.0
    night_c: float | None = None
    readings: tuple[Degrees, ...] = ()
    method: Method | None = None
    ready_after: Strictness = Strictness.USUAL
    later_hours: tuple[LaterHours, ...] = ()
    prior: Prior = BOOK_PRIOR
    glimpses: tuple[Glimpse, ...] = ()

    @property
    def step(self) -> float:
        """To what grams are rounded: the scale's step, or tenths where spoons are filled."""
        return SCALE_STEPS[0] if self.scale_step is None else self.scale_step


def place_of(setup: Setup, ledger: Ledger) -> Place:
    """Where the jar stands and stood, without what was read at the jar itself."""
    stays = tuple(Stay(one.at, one.warmth_c, one.night_c) for one in ledger.terms if isinstance(one, Moved))
    return Place(setup.warmth_c, setup.night_c, setup.hours.zone, setup.readings, stays)


def warmth_told(setup: Setup, ledger: Ledger) -> float:
    """How warm it is by day where the jar stands now, as told, in °C."""
    return next((one.warmth_c for one in reversed(ledger.terms) if isinstance(one, Moved)), setup.warmth_c)


def course_of(setup: Setup) -> Course:
    """Raises Refusal for a set-up that cannot be planned."""
    check_vessel(setup.vessel)
    known_step(setup.step)
    within(setup.warmth_c, LEAST_C, MOST_C, "warmth_c")
    if setup.night_c is not None:
        within(setup.night_c, LEAST_C, MOST_C, "night_c")
    method = setup.method or family_named(setup.family)
    return settle(method, setup.choices, setup.size, has_scale=setup.scale_step is not None)


def ledger_of(setup: Setup, course: Course, log: Log) -> Ledger:
    return replay(setup.vessel, log, course.culture, setup.glimpses)


def background_of(setup: Setup, course: Course, ledger: Ledger) -> Background:
    """What the tracker needs beside the log; temperatures noted with looks count as a thermometer's."""
    noted = tuple(Degrees(seen.at, seen.celsius) for seen in ledger.sightings if seen.celsius is not None)
    place = replace(place_of(setup, ledger), readings=(*setup.readings, *noted))
    return Background(course.origin, course.culture.blend, place, ledger.cold_spans, setup.ready_after, setup.prior)


def meals_ahead(made: Plan, start: datetime) -> tuple[Turn, ...]:
    """The feeds that a plan shows ahead, as the model follows them: to the half hour, counted from `start`."""
    return tuple(
        Turn(
            round((step.due - start) / timedelta(hours=0.5)) / 2.0,
            step.plan.keep_g,
            step.plan.flours,
            step.plan.liquid_g,
            step.plan.juice_g,
            step.plan.salt_g,
        )
        for step in made.ahead
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
        step=setup.step,
        later=setup.later_hours,
        warmth_c=setup.warmth_c,
        until=until,
        **extra,
    )


@dataclass(frozen=True)
class FeedNow:
    """What a feed at this moment would be: its plan, and whether it goes into a clean jar.

    `phase` is None beyond the end of the course, where the last feed's amounts are offered again.
    """

    plan: FeedPlan
    phase: SettledPhase | None
    walk: Walk

    @property
    def clean_jar(self) -> bool:
        by_method = self.phase is not None and any(isinstance(act, Into) for act in self.phase.do)
        return by_method or self.walk.standing.advised.clean_jar


def feed_now(setup: Setup, course: Course, ledger: Ledger, now: datetime, keep_g: float | None = None) -> FeedNow:
    """The feed of this moment, for the seed really kept where it is known.

    Raises Refusal (not_a_choice, not_a_number, nothing_added, out_of_range) for amounts nobody means.
    """
    desk = Desk(course, setup.hours, setup.starts_at.astimezone(UTC), setup.step, setup.later_hours, setup.warmth_c)
    walk = Walk(desk, ledger, now.astimezone(UTC))
    phase = walk.pass_to_feed()
    bench = walk.standing.bench
    if (feed := walk.bake_feed_now) is not None:
        found = weigh_for_bake(feed, bench, setup.step, keep_g)
        return FeedNow(as_measured(found, walk.desk.course, bench), phase, walk)
    if phase is not None:
        by = weigh_on_the_way if ledger.rounds else weigh
        weighed = by(walk.desk.course, phase, bench, setup.step, keep_g, walk.standing.advised)
        assert weighed is not None  # a phase that feeds weighs something out
        return FeedNow(weighed, phase, walk)
    again = _once_more(setup, walk.standing.own.blend or course.culture.blend, ledger, keep_g)
    return FeedNow(as_measured(again, walk.desk.course, bench), None, walk)


def _once_more(setup: Setup, blend: Blend, ledger: Ledger, keep_g: float | None) -> FeedPlan:
    last = ledger.rounds[-1].feed
    kept = last.keep_g if keep_g is None else keep_g
    step = setup.step
    ratio = Ratio(last.keep_g or 1.0, last.flour_g or step, last.liquid_g or step)
    there_is = ledger.contents.total_g
    try:
        return plan_feed(min(kept, there_is), ratio, blend, step=step)
    except Refusal:
        return as_any_starter(there_is, blend, step, keep_g)
