"""What may enter the log beside feeds and looks: changes on the way, what is used and put back, bakes planned."""

from __future__ import annotations

from datetime import datetime, timedelta

from ..kitchen.flours import weight
from ..kitchen.quantities import grams
from ..kitchen.vessel import check_vessel, most_grams
from ..methods import family_named
from ..planner.standing import keeps_a_rhythm
from ..protocol.course import LEAST_SIZE, MOST_SIZE, settle
from ..record.ledger import Ledger
from ..record.log import Bake, Log, PutBack, Use
from ..record.terms import (
    LEAST_RHYTHM_H,
    MOST_RHYTHM_H,
    Moved,
    OtherAmount,
    OtherFlour,
    OtherJar,
    OtherRhythm,
    OtherWay,
    Terms,
)
from ..refusal import Refusal, RefusalCode, within
from ..setups import LEAST_C, MOST_C, Setup, course_of, ledger_of, plan_of

# Grams by which the sums of a kitchen may be off.
WEIGHING_SLACK_G = 2.0
MOST_BLENDS = 4
MOST_BAKE_FEEDS = 6
# A bake is planned for a day that can still be seen from here.
BAKE_AT_MOST_AHEAD = timedelta(days=60)
MOST_EVERY_DAYS = 60


def _admit_move(_setup: Setup, _ledger: Ledger, entry: Moved) -> None:
    within(entry.warmth_c, LEAST_C, MOST_C, "warmth_c")
    if entry.night_c is not None:
        within(entry.night_c, LEAST_C, MOST_C, "night_c")


def _admit_jar(_setup: Setup, ledger: Ledger, entry: OtherJar) -> None:
    check_vessel(entry.vessel)
    _fits(ledger.contents.total_g, most_grams(entry.vessel), "volume_ml")
    if entry.line_mm is not None:
        within(entry.line_mm, 1.0, entry.vessel.height_mm, "line_mm")


def _fits(total_g: float, most_g: float, field: str) -> None:
    if total_g > most_g:
        raise Refusal(RefusalCode.JAR_TOO_SMALL, field, {"total_g": round(total_g, 1), "most_g": round(most_g)})


def admit_term(setup: Setup, before: Log, entry: Terms) -> None:
    """Check a change against the log before it. Raises Refusal naming the field that does not fit."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, before)
    match entry:
        case Moved():
            _admit_move(setup, ledger, entry)
        case OtherJar():
            _admit_jar(setup, ledger, entry)
        case OtherFlour():
            if not 1 <= len(entry.blends) <= MOST_BLENDS or not all(entry.blends):
                raise Refusal(RefusalCode.OUT_OF_RANGE, "blends", {"least": 1.0, "most": float(MOST_BLENDS)})
        case OtherRhythm():
            within(entry.every_h, LEAST_RHYTHM_H, MOST_RHYTHM_H, "every_h")
            going = plan_of(setup, course, ledger, entry.at, most_ahead=1).course
            if not any(keeps_a_rhythm(phase) for phase in going.phases):
                raise Refusal(RefusalCode.NO_RHYTHM, "every_h", {"family": going.method.code})
        case OtherAmount():
            _admit_amount(setup, before, entry)
        case OtherWay():
            settle(family_named(entry.family), dict(entry.choices), entry.size)
            _next_fits(setup, before, entry, "family")


def _admit_amount(setup: Setup, before: Log, entry: OtherAmount) -> None:
    within(entry.size, LEAST_SIZE, MOST_SIZE, "size")
    for value, least, most, field in (
        (entry.seed_g, 1.0, 1_000.0, "seed_g"),
        (entry.flour_parts, 0.2, 20.0, "flour_parts"),
        (entry.hydration_percent, 40.0, 250.0, "hydration_percent"),
    ):
        if value is not None:
            within(value, least, most, field)
    _next_fits(setup, before, entry, "size")


def _next_fits(setup: Setup, before: Log, entry: OtherAmount | OtherWay, field: str) -> None:
    """Whether the feeds that follow fit the jar."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, (*before, entry))
    made = plan_of(setup, course, ledger, entry.at)
    fullest = max((step.plan.total_g for step in made.ahead if step.plan), default=0.0)
    _fits(fullest, most_grams(ledger.vessel), field)


def admit_use(setup: Setup, before: Log, use: Use) -> None:
    """No more is used than there is."""
    there_is = ledger_of(setup, course_of(setup), before).contents.total_g
    grams(use.g, "g", least=0.1)
    if use.g > there_is + WEIGHING_SLACK_G:
        raise Refusal(RefusalCode.TAKES_MORE_THAN_THERE_IS, "g", {"there_is_g": round(there_is, 1)})


def admit_put_back(setup: Setup, before: Log, entry: PutBack) -> None:
    for part in entry.flours:
        grams(part.g, f"flours.{part.flour}")
    grams(entry.water_g, "water_g")
    if entry.total_g <= 0:
        raise Refusal(RefusalCode.NOTHING_ADDED, "water_g", {"least": 1.0})
    ledger = ledger_of(setup, course_of(setup), before)
    _fits(ledger.contents.total_g + entry.total_g, most_grams(ledger.vessel), "water_g")


def admit_bake(setup: Setup, before: Log, bake: Bake) -> None:
    """A bake lies ahead, its feeds before it in their order, and no meal is more than the jar takes."""
    grams(bake.grams, "grams", least=1.0)
    grams(bake.leaves_g, "leaves_g")
    within(bake.every_days, 0, MOST_EVERY_DAYS, "every_days")
    latest = bake.at + BAKE_AT_MOST_AHEAD
    if not bake.at < bake.mixed_at <= latest:
        facts = {"earliest": bake.at.isoformat(), "latest": latest.isoformat()}
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, "mixed_at", facts)
    if len(bake.feeds) > MOST_BAKE_FEEDS:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "feeds", {"least": 0.0, "most": float(MOST_BAKE_FEEDS)})
    _admit_feeds(setup, before, bake)


def _admit_feeds(setup: Setup, before: Log, bake: Bake) -> None:
    vessel = ledger_of(setup, course_of(setup), before).vessel
    earliest: datetime = bake.at - timedelta(hours=1)
    for number, feed in enumerate(bake.feeds):
        place = f"feeds[{number}]"
        if not earliest <= feed.at < bake.mixed_at:
            facts = {"earliest": earliest.isoformat(), "latest": bake.mixed_at.isoformat()}
            raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, f"{place}.at", facts)
        earliest = feed.at
        for part in feed.flours:
            grams(part.g, f"{place}.flours.{part.flour}")
        total = grams(feed.keep_g, f"{place}.keep_g") + weight(feed.flours) + grams(feed.water_g, f"{place}.water_g")
        if feed.flour_g <= 0:
            raise Refusal(RefusalCode.NO_FLOUR, f"{place}.flours")
        _fits(total, most_grams(vessel), f"{place}.water_g")
