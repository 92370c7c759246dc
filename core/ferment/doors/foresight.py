"""Questions about what would be: another place, another ratio now, and when to feed to have it peak at an hour."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from ..kitchen.flours import Blend, Flour, FlourGrams, blend_of
from ..mixing.building import Build
from ..planner import MOST_STEPS, Step, shorter
from ..planner.standing import keeps_a_rhythm
from ..planner.steps import Change, PlanTotals
from ..protocol.course import LEAST_SIZE, MOST_SIZE
from ..protocol.options import BlendOption, OptionCode
from ..record.log import Log, feeds_of
from ..record.terms import LEAST_RHYTHM_H, MOST_RHYTHM_H, Moved, OtherAmount, OtherFlour, OtherRhythm, Terms
from ..refusal import Refusal, RefusalCode, within
from ..setups import LEAST_C, MOST_C, Setup, background_of, course_of, feed_now, ledger_of, plan_of
from ..tracker import IfFed, if_fed, of_a_grown_jar
from ..tracker.rounds import Turn
from ..tracker.stretch import Moments, Spread
from .assessment import Assessment, Move, Stood, assess, not_repeating, only_done, stood

# Flour (and as much water) to one part of seed, as bakers say them.
RATIOS = (1.0, 2.0, 3.0, 5.0, 10.0)


# The ids of what is only wondered about.
WHAT_IF = "what_if"


def moved_to(setup: Setup, log: Log, now: datetime, celsius: float) -> Assessment:
    """The jar as it would be told if it were moved to another warmth now; not mixed yet, if it stood there from the
    start."""
    return assess(*standing_at(setup, log, now, celsius), now)


def standing_at(setup: Setup, log: Log, now: datetime, celsius: float) -> tuple[Setup, Log]:
    """The set-up and the log of a jar that is moved now. Raises Refusal (out_of_range)."""
    within(celsius, LEAST_C, MOST_C, "warmth_c")
    if not feeds_of(log):
        return replace(setup, warmth_c=celsius, night_c=None, readings=()), log
    return setup, (*log, Moved(WHAT_IF, now, celsius))


@dataclass(frozen=True)
class Supposition:
    """What a baker may wonder about; None leaves it as it is. `size` multiplies the jar's own, `starts_in_h` moves the
    first mix of a jar that is not mixed yet."""

    warmth_c: float | None = None
    flour: Flour | None = None
    every_h: float | None = None
    size: float | None = None
    starts_in_h: float | None = None


def otherwise(setup: Setup, log: Log, now: datetime, what: Supposition) -> tuple[Assessment, WholePlan]:
    """The jar as it would be told and planned otherwise; nothing is changed. Raises Refusal."""
    changed, supposed = (setup, (*log, *as_entries(setup, log, now, what))) if feeds_of(log) else _set_up(setup, what)
    if what.starts_in_h is not None and not log:
        changed = replace(
            changed, starts_at=now + timedelta(hours=within(what.starts_in_h, 0.0, 1440.0, "starts_in_h"))
        )
    jar = stood(changed, supposed, now)
    return jar.assessment, whole_plan(changed, supposed, now, jar)


def as_entries(setup: Setup, log: Log, now: datetime, what: Supposition) -> tuple[Terms, ...]:
    """What a baker would write into the log to do it. Raises Refusal."""
    course = course_of(setup)
    made = plan_of(setup, course, ledger_of(setup, course, log), now, most_ahead=1)
    entries: list[Terms] = []
    if what.warmth_c is not None:
        entries.append(Moved(f"{WHAT_IF}-place", now, within(what.warmth_c, LEAST_C, MOST_C, "warmth_c")))
    if what.flour is not None:
        entries.append(OtherFlour(f"{WHAT_IF}-flour", now, (blend_of({what.flour: 1.0}),)))
    if what.every_h is not None:
        if not any(keeps_a_rhythm(phase) for phase in made.course.phases):
            raise Refusal(RefusalCode.NO_RHYTHM, "every_h", {"family": made.course.method.code})
        every_h = within(what.every_h, LEAST_RHYTHM_H, MOST_RHYTHM_H, "every_h")
        entries.append(OtherRhythm(f"{WHAT_IF}-rhythm", now, every_h))
    if what.size is not None:
        size = made.course.size * within(what.size, 0.1, 10.0, "size")
        entries.append(OtherAmount(f"{WHAT_IF}-amount", now, within(size, LEAST_SIZE, MOST_SIZE, "size")))
    return tuple(entries)


def _set_up(setup: Setup, what: Supposition) -> tuple[Setup, Log]:
    """A jar that is not mixed yet is set up otherwise."""
    course = course_of(setup)
    choices = dict(setup.choices)
    codes = {option.code.value for option in course.method.options}
    if what.flour is not None:
        blends = [option.code.value for option in course.method.options if isinstance(option, BlendOption)]
        choices |= {code: {what.flour.value: 1.0} for code in blends}
    if what.every_h is not None:
        if OptionCode.EVERY_HOURS not in codes:
            raise Refusal(RefusalCode.UNKNOWN_OPTION, "every_h", {"known": ", ".join(sorted(codes))})
        choices[OptionCode.EVERY_HOURS.value] = what.every_h
    changed = replace(setup, choices=choices)
    if what.warmth_c is not None:
        changed = replace(changed, warmth_c=what.warmth_c, night_c=None, readings=())
    if what.size is not None:
        changed = replace(changed, size=setup.size * within(what.size, 0.1, 10.0, "size"))
    return changed, ()


@dataclass(frozen=True)
class WholePlan:
    """A jar's plan from its first mix to the day it is likely ready, and what that takes: done, and still to come."""

    steps: tuple[Step, ...]
    changes: tuple[Change, ...]
    done: PlanTotals
    to_come: PlanTotals
    until: datetime


# A plan is shown for so long at least and at most.
LEAST_SHOWN, MOST_SHOWN = timedelta(days=7), timedelta(days=28)


def whole_plan(setup: Setup, log: Log, now: datetime, jar: Stood | None = None) -> WholePlan:
    """Every act from the first mix to ready, one that waits for a sign at its usual time. `jar` is as it stands now,
    where that is known already."""
    now = now.astimezone(UTC)
    jar = jar or stood(setup, log, now)
    found, ledger = jar.assessment, jar.ledger
    told = found.ready_on
    start = ledger.rounds[0].feed.at if ledger.rounds else setup.starts_at.astimezone(UTC)
    likely = told.on.likely if told else now
    until = min(max(likely, now + LEAST_SHOWN, start + LEAST_SHOWN), max(now, start) + MOST_SHOWN)
    if any(bake.mixed_at > until for bake in found.bakes):
        until = found.bakes[-1].mixed_at
    if until <= jar.walked_until:
        made = shorter(jar.walked, now, until, MOST_STEPS)
    else:
        made = plan_of(setup, jar.course, ledger, now, until=until, most_ahead=MOST_STEPS)
    if found.asks_how_to_keep:
        made = not_repeating(made)
    if found.next_move.move is Move.BIN:
        made = only_done(made)
    return WholePlan(made.steps, made.changes, made.done, made.to_ready, until)


@dataclass(frozen=True)
class RatioOffer:
    """A feed now by a ratio, and what it would do."""

    flour_parts: float
    keep_g: float
    flour_g: float
    water_g: float
    does: IfFed


def offers(setup: Setup, log: Log, now: datetime) -> tuple[RatioOffer, ...]:
    """What feeding now by each usual ratio would do, by the method's own seed and flours; none before the first mix."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    if not ledger.rounds or ledger.binned:
        return ()
    usual = feed_now(setup, course, ledger, now).plan
    start = ledger.rounds[0].feed.at
    at_h = max(ledger.rounds[-1].feed.at, now) - start
    background = background_of(setup, course, ledger)
    made = []
    for parts in RATIOS:
        keep = min(usual.keep_g, ledger.contents.total_g)
        flour = keep * parts
        flours = tuple(FlourGrams(part.flour, flour * part.g / usual.flour_g) for part in usual.flours)
        # To the quarter of an hour, so that the answer of a moment ago still holds.
        hour = round(at_h / timedelta(hours=0.25)) / 4.0
        does = if_fed(ledger, background, Turn(hour, keep, flours, flour, 0.0, 0.0))
        made.append(RatioOffer(parts, keep, round(flour, 1), round(flour, 1), does))
    return tuple(made)


def peak_of(ratio: tuple[float, float, float], blend: Blend, celsius: float, vigour: float = 1.0) -> Moments:
    """The moments of a grown jar's feed by seed : flour : water, hours since the feed."""
    seed, flour, water = ratio
    flours = tuple(FlourGrams(part.flour, part.share * flour) for part in blend)
    return of_a_grown_jar(Turn(0.0, seed, flours, water, 0.0, 0.0), blend, celsius, vigour)


@dataclass(frozen=True)
class TimedFeed:
    """When to do a feed of a build, and when it is then at its peak."""

    feed_at: datetime
    peaks: tuple[datetime, datetime, datetime]


def timed(build: Build, blend: Blend, wanted: datetime, celsius: float) -> tuple[TimedFeed, ...]:
    """Back from the hour at which the last feed is to peak, each feed at the peak of the one before.

    Raises Refusal (out_of_range).
    """
    told: list[TimedFeed] = []
    # In UTC: hours that pass are not hours of the wall where clocks are changed.
    at = wanted.astimezone(UTC)
    for plan in reversed(build.feeds):
        peak = peak_of((plan.keep_g, plan.flour_g, plan.liquid_g), blend, celsius).peak
        if peak.middle <= 0:
            raise Refusal(RefusalCode.OUT_OF_RANGE, "temp", {"least": 10.0, "most": 38.0})
        at -= timedelta(hours=peak.middle)
        told.append(TimedFeed(at, _around(at, peak)))
    return tuple(reversed(told))


def _around(fed_at: datetime, peak: Spread) -> tuple[datetime, datetime, datetime]:
    low, middle, high = (fed_at + timedelta(hours=hours) for hours in (peak.low, peak.middle, peak.high))
    return low, middle, high
