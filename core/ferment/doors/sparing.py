"""Less waste on a running jar: what could change from here on, what that saves, and what it costs in days or surety."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from enum import StrEnum

from ..kitchen.flours import weight
from ..kitchen.vessel import ROOM_WANTED, headroom, line_mm
from ..methods import when_hungry
from ..methods.keeping import KEEPING, Keeping, rests_in_the_cold
from ..mixing.contents import Origin
from ..planner import MOST_STEPS, Step, shorter
from ..protocol.course import LEAST_SIZE
from ..record.log import Log
from ..record.terms import OtherAmount, OtherRhythm, OtherWay, Terms
from ..refusal import Refusal
from ..setups import Setup, plan_of
from ..tracker import Ready
from .assessment import Stood, stood
from .fitting import SIZES
from .thrift import LEAST_LINE_MM, LEAST_STEPS, WORTH_G


class Spare(StrEnum):
    """A smaller size; one feed a day; fed when it is hungry; kept in the fridge from now on."""

    SMALLER = "smaller"
    SELDOMER = "seldomer"
    ON_HUNGER = "on_hunger"
    FRIDGE = "fridge"


@dataclass(frozen=True)
class Sparing:
    """One change, as the entry that makes it, and what it saves in grams until the jar is ready, or in four weeks where
    it is or no day is told (`until_ready` tells which).

    `later_days` is by how much its likely day of ready moves (more is later), `wider_days` by how much its span widens;
    both 0 where nothing is waited for.
    """

    how: Spare
    entry: Terms
    until_ready: bool
    saves_discard_g: float
    saves_flour_g: float
    later_days: float
    wider_days: float


# A jar that is ready goes on: what a way takes is reckoned over so long.
KEPT_FOR = timedelta(days=28)
ONCE_A_DAY_H, OFTEN_H = 24.0, 16.0
# Who waits longer than this for less waste has another way.
MOST_LATER_DAYS = 5.0


def sparings(setup: Setup, log: Log, now: datetime) -> tuple[Sparing, ...]:
    """What would waste less from here on, what saves most first; none before the first mix, of a binned jar, of
    one that is measured in spoons (what it saves is told in grams), and where the baker is being asked how it goes on.
    Raises Refusal."""
    now = now.astimezone(UTC)
    jar = stood(setup, log, now)
    found = jar.assessment
    if not jar.ledger.rounds or jar.ledger.binned or found.asks_how_to_keep or found.stands.by_hand:
        return ()
    is_ready = found.is_kept or (found.readiness is not None and found.readiness.ready)
    told = []
    for how, entries in _changes(setup, jar, now, is_ready=is_ready):
        tried = (_sparing(setup, log, now, jar, how, entry) for entry in entries)
        first = next((one for one in tried if one is not None), None)
        if first is not None and _is_worth_it(first):
            told.append(first)
    return tuple(sorted(told, key=lambda one: -one.saves_discard_g))


def _is_worth_it(one: Sparing) -> bool:
    return one.saves_discard_g >= WORTH_G and one.later_days <= MOST_LATER_DAYS


def _changes(setup: Setup, jar: Stood, now: datetime, *, is_ready: bool) -> Iterable[tuple[Spare, tuple[Terms, ...]]]:
    """What could change, each with its entries in the order in which they are tried: the first that can be done."""
    stands, course = jar.assessment.stands, jar.walked.course
    own = (stands.seed_g, stands.flour_parts, stands.hydration_percent)
    sizes = [share * stands.size for share in reversed(SIZES) if share < 1.0 and _can_be_weighed(setup, jar, share)]
    yield Spare.SMALLER, tuple(OtherAmount("", now, size, *own) for size in sizes if size >= LEAST_SIZE)
    if stands.every_h is not None and stands.every_h < OFTEN_H:
        yield Spare.SELDOMER, (OtherRhythm("", now, ONCE_A_DAY_H),)
    if not is_ready and jar.course.origin is Origin.FLOUR_AND_WATER and course.method.code != when_hungry.METHOD.code:
        yield Spare.ON_HUNGER, tuple(OtherWay("", now, when_hungry.METHOD.code, size=size) for size in SIZES)
    if is_ready and not rests_in_the_cold(course):
        way = KEEPING[Keeping.FRIDGE]
        yield Spare.FRIDGE, (OtherWay("", now, way.family, way.choices),)


def _can_be_weighed(setup: Setup, jar: Stood, share: float) -> bool:
    """Whether a scale still weighs what is kept, and an eye reads the line, at a share of the amounts ahead."""
    feeds = [step.plan for step in jar.assessment.timeline if step.plan and step.to_come]
    kept = [one.keep_g * share for one in feeds if one.keep_g > 0]
    lines = [line_mm(jar.ledger.vessel, one.total_g * share) for one in feeds]
    return bool(feeds) and min(kept, default=LEAST_STEPS) >= LEAST_STEPS * setup.step and min(lines) >= LEAST_LINE_MM


@dataclass(frozen=True)
class _Takes:
    discard_g: float
    flour_g: float


def _sparing(setup: Setup, log: Log, now: datetime, jar: Stood, how: Spare, entry: Terms) -> Sparing | None:
    """None where it cannot be done, or where nobody could say when the jar would be ready."""
    try:
        other = stood(setup, (*log, entry), now)
    except Refusal:
        return None
    before, after = jar.assessment.ready_ahead, other.assessment.ready_ahead
    until_ready = before is not None and not before.seldom
    if until_ready and (after is None or after.seldom):
        return None
    if not all(_fits(other, step) for step in other.walked.ahead):
        return None
    takes = _until(setup, now, jar, before if until_ready else None)
    instead = _until(setup, now, other, after if until_ready else None)
    return Sparing(
        how=how,
        entry=entry,
        until_ready=until_ready,
        saves_discard_g=round(takes.discard_g - instead.discard_g, 1),
        saves_flour_g=round(takes.flour_g - instead.flour_g, 1),
        later_days=round(_days(after) - _days(before), 1) if until_ready else 0.0,
        wider_days=round(_width(after) - _width(before), 1) if until_ready else 0.0,
    )


def _fits(jar: Stood, step: Step) -> bool:
    return step.plan is None or headroom(jar.ledger.vessel, step.plan.total_g, ROOM_WANTED).fits


def _until(setup: Setup, now: datetime, jar: Stood, ready: Ready | None) -> _Takes:
    """What is thrown out and fed until it is ready, or for four weeks."""
    if ready is not None:
        until = min(ready.on.likely, jar.walked_until)
        ahead = shorter(jar.walked, now, until, MOST_STEPS).ahead
    else:
        until = now + KEPT_FOR
        ahead = plan_of(setup, jar.course, jar.ledger, now, until=until, most_ahead=MOST_STEPS).ahead
    steps = [step for step in ahead if step.due <= until]
    out = sum(doing.out_g or 0.0 for step in steps for doing in step.do)
    return _Takes(out, sum(weight(step.plan.flours) for step in steps if step.plan))


def _days(ready: Ready | None) -> float:
    return ready.on.likely.timestamp() / 86_400.0 if ready else 0.0


def _width(ready: Ready | None) -> float:
    return (ready.on.latest - ready.on.earliest) / timedelta(days=1) if ready else 0.0
