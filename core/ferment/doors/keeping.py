"""How a jar could be kept from now on: each answer as a way, what comes next by it, and what it takes a week."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from ..kitchen.flours import weight
from ..methods.keeping import KEEPING, Keeping
from ..planner import Act, Step
from ..record.log import Log, feeds_of
from ..record.terms import OtherWay, Picks
from ..setups import Setup, course_of, ledger_of, plan_of
from .assessment import assess

# What a way takes is reckoned over so long, and told by the week.
WATCHED = timedelta(days=28)
WEEK = timedelta(days=7)
MOST_STEPS = 80


@dataclass(frozen=True)
class KeepingOffer:
    """One answer: its way, the next act and when, and what a week of it takes.

    `too_early` says that the jar is not ready: what it costs is days.
    """

    keeping: Keeping
    family: str
    choices: Picks
    next_act: Act | None
    due: datetime | None
    feeds_a_week: float
    flour_g_a_week: float
    discard_g_a_week: float
    minutes_a_week: float
    too_early: bool


def keeping_offers(setup: Setup, log: Log, now: datetime) -> tuple[KeepingOffer, ...]:
    """None before the first mix."""
    if not feeds_of(log):
        return ()
    now = now.astimezone(UTC)
    readiness = assess(setup, log, now).readiness
    too_early = readiness is None or not readiness.ready
    return tuple(_offer(setup, log, now, keeping, too_early=too_early) for keeping in KEEPING)


def _offer(setup: Setup, log: Log, now: datetime, keeping: Keeping, *, too_early: bool) -> KeepingOffer:
    way = KEEPING[keeping]
    course = course_of(setup)
    ledger = ledger_of(setup, course, (*log, OtherWay(keeping, now, way.family, way.choices)))
    made = plan_of(setup, course, ledger, now, until=now + WATCHED, most_ahead=MOST_STEPS)
    steps: tuple[Step, ...] = made.ahead
    weeks = WATCHED / WEEK
    feeds = [step for step in steps if step.plan]
    return KeepingOffer(
        keeping=keeping,
        family=way.family,
        choices=way.choices,
        next_act=steps[0].act if steps else None,
        due=steps[0].due if steps else None,
        feeds_a_week=round(len(feeds) / weeks, 1),
        flour_g_a_week=round(sum(weight(step.plan.flours) for step in feeds if step.plan) / weeks),
        discard_g_a_week=round(sum(one.out_g or 0.0 for step in feeds for one in step.do) / weeks),
        minutes_a_week=round(made.to_ready.minutes / weeks),
        too_early=too_early,
    )
