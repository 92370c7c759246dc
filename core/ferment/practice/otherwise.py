"""What would have happened if: a real jar's log with one decision changed, as a simulation beside what was.

The jar in it is the model's, with the vigour and the height that tell its looks best. Both lines are simulated, so that
what differs between them comes from the one decision alone.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from enum import StrEnum
from itertools import product

import numpy as np

from ..kitchen.flours import FlourGrams
from ..kitchen.hours import HOUR
from ..kitchen.warmth import Warmth
from ..mixing.contents import Origin
from ..model.jar import Jar, Traits, after_feed, culture_jar, mature, stir
from ..model.runs import run
from ..protocol.course import Course
from ..record.ledger import Ledger
from ..record.log import Bin, Deed, DeedKind, Entry, Feed, Log, in_order
from ..record.terms import Moved
from ..refusal import Refusal, RefusalCode
from ..setups import Setup, course_of, ledger_of, place_of, warmth_told
from .living import ONCE_MORE_G, rises_fed_again


class Supposed(StrEnum):
    """What is supposed of an entry of the log: that it was not done, done so much later, done with a smaller or larger
    share kept, or that the jar stood warmer or cooler from then on."""

    LEFT_OUT = "left_out"
    LATER = "later"
    LARGER_FEED = "larger_feed"
    SMALLER_FEED = "smaller_feed"
    WARMER = "warmer"
    COOLER = "cooler"


OF_FEEDS = frozenset({Supposed.LARGER_FEED, Supposed.SMALLER_FEED})
LATER = timedelta(hours=8)
WARMER_BY_C = 4.0
# A larger feed keeps so much of what was kept, a smaller one gives so much of the flour and the liquid.
KEEPS = 0.5
# Told from so long before the decision, to so long after it at most.
BEFORE, AFTER = timedelta(hours=12), timedelta(days=5)
VIGOURS, HEIGHTS = (0.7, 0.85, 1.0, 1.2, 1.4), (0.75, 0.9, 1.0, 1.15, 1.3)


@dataclass(frozen=True)
class LevelThen:
    """A level (× the line that stood then) at a moment."""

    at: datetime
    level: float


@dataclass(frozen=True)
class BesideWhatWas:
    """Both lines from a little before the decision on. `was` is the simulation of what was done, `might` of what is
    supposed; `once_more_was` and `once_more_might` are how far each would rise in the end, fed once more (× the line,
    less one)."""

    changed_at: datetime
    was: tuple[LevelThen, ...]
    might: tuple[LevelThen, ...]
    fed_was: tuple[datetime, ...]
    fed_might: tuple[datetime, ...]
    once_more_was: float
    once_more_might: float


# Of a jar that is older no more than so much before the decision is run, begun as one that is awake.
RUN_FROM = timedelta(days=21)


def beside(setup: Setup, log: Log, entry_id: str, supposed: Supposed, now: datetime) -> BesideWhatWas:
    """Raises Refusal (not_a_choice) for an entry of which that cannot be supposed, and (no_line_yet) before the first
    mix."""
    ordered = tuple(one for one in in_order(log) if one.at <= now)
    entry = next((one for one in ordered if one.id == entry_id and isinstance(one, Feed | Deed | Moved)), None)
    first = next((one for one in ordered if isinstance(one, Feed)), None)
    if first is None:
        raise Refusal(RefusalCode.NO_LINE_YET, "entry")
    if entry is None or (entry is first and supposed in (Supposed.LEFT_OUT, Supposed.LATER, *OF_FEEDS)):
        raise Refusal(RefusalCode.NOT_A_CHOICE, "entry")
    until = min(now.astimezone(UTC), entry.at + AFTER, _ended(ordered) or now)
    done, is_awake = _lately(tuple(_until(ordered, until)), entry.at)
    other = _otherwise(setup, done, entry, supposed, until)
    traits = _traits(setup, done, until, is_awake=is_awake)
    since = entry.at - BEFORE
    was, might = (_followed(setup, one, traits, until, is_awake=is_awake) for one in (done, other))

    def levels(one: _Followed) -> tuple[LevelThen, ...]:
        return tuple(point for point in one.levels if point.at >= since)

    def fed(one: _Followed) -> tuple[datetime, ...]:
        return tuple(at for at in one.fed if at >= since)

    return BesideWhatWas(entry.at, levels(was), levels(might), fed(was), fed(might), _once_more(was), _once_more(might))


def _otherwise(setup: Setup, log: Log, entry: Feed | Deed | Moved, supposed: Supposed, now: datetime) -> Log:
    rest = tuple(one for one in log if one is not entry)
    match supposed:
        case Supposed.LEFT_OUT:
            return rest
        case Supposed.LATER:
            following = min((one.at for one in rest if isinstance(one, Feed) and one.at > entry.at), default=now)
            later = min(entry.at + LATER, entry.at + (following - entry.at) * 0.9)
            return in_order((*rest, replace(entry, at=later)))
        case Supposed.WARMER | Supposed.COOLER:
            stood = warmth_told(setup, ledger_of(setup, course_of(setup), tuple(_until(log, entry.at))))
            by = WARMER_BY_C if supposed is Supposed.WARMER else -WARMER_BY_C
            kept = log if not isinstance(entry, Moved) else rest
            return in_order((*kept, Moved("otherwise", entry.at, stood + by)))
        case _:
            if not isinstance(entry, Feed):
                raise Refusal(RefusalCode.NOT_A_CHOICE, "supposed")
            return in_order((*rest, _resized(entry, larger=supposed is Supposed.LARGER_FEED)))


def _until(log: Log, at: datetime) -> Iterator[Entry]:
    return (one for one in log if one.at <= at)


def _ended(log: Log) -> datetime | None:
    return next((one.at for one in log if isinstance(one, Bin)), None)


def _resized(feed: Feed, *, larger: bool) -> Feed:
    """The same weight in the jar, with less or more kept of it."""
    fed = feed.total_g - feed.keep_g
    keep = feed.keep_g * KEEPS if larger else min(0.8 * feed.total_g, feed.total_g - fed * KEEPS)
    by = (feed.total_g - keep) / fed
    flours = tuple(FlourGrams(part.flour, part.g * by) for part in feed.flours)
    return replace(feed, keep_g=keep, flours=flours, water_g=feed.water_g * by, juice_g=feed.juice_g * by)


@dataclass(frozen=True)
class _Followed:
    levels: tuple[LevelThen, ...]
    fed: tuple[datetime, ...]
    end: Jar[float]
    last: Feed


def _followed(setup: Setup, log: Log, traits: Traits[float], until: datetime, *, is_awake: bool) -> _Followed:
    """A log run through the model, with a level at each of its steps."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    begins = next(one.at for one in log if isinstance(one, Feed))
    warmth = Warmth(place_of(setup, ledger), begins, ledger.cold_spans)
    jar = mature(course.culture.blend, traits) if is_awake else None
    levels: list[LevelThen] = []
    fed: list[Feed] = []
    done = [one for one in log if isinstance(one, Feed | Deed) and begins <= one.at <= until]
    for number, entry in enumerate(done):
        if isinstance(entry, Feed):
            jar = _fed(jar, course, traits, entry)
            fed.append(entry)
        elif jar is not None and entry.deed is DeedKind.STIRRED:
            jar = stir(jar)
        assert jar is not None  # the first of them is a feed
        ends = done[number + 1].at if number + 1 < len(done) else until
        jar = _on(jar, warmth, begins, (entry.at, ends), levels)
    assert jar is not None
    return _Followed(tuple(levels), tuple(one.at for one in fed), jar, fed[-1])


def _fed(jar: Jar[float] | None, course: Course, traits: Traits[float], feed: Feed) -> Jar[float]:
    if jar is None and course.origin is not Origin.FLOUR_AND_WATER:
        jar = culture_jar(course.origin, course.culture.blend, traits)
    return after_feed(jar, traits, feed.keep_g, feed.flours, feed.liquid_g, feed.juice_g, feed.salt_g)


def _on(
    jar: Jar[float], warmth: Warmth, begins: datetime, span: tuple[datetime, datetime], levels: list[LevelThen]
) -> Jar[float]:
    since, until = ((one - begins) / HOUR for one in span)
    done = run(jar, since, until, warmth)
    levels += (
        LevelThen(begins + timedelta(hours=hour), round(float(level), 3))
        for hour, level in zip(done.hours, done.levels, strict=True)
    )
    return done.end


def _once_more(one: _Followed) -> float:
    flours = tuple(FlourGrams(part.flour, ONCE_MORE_G * part.g / one.last.flour_g) for part in one.last.flours)
    return round(rises_fed_again(one.end, flours), 3)


def _traits(setup: Setup, log: Log, now: datetime, *, is_awake: bool) -> Traits[float]:
    """The vigour and the height that tell the levels of the log best; those of the book where there are none."""
    read = _read(ledger_of(setup, course_of(setup), log))
    if not read:
        return Traits(1.0, 1.0, 1.0, 1.0)

    def off(traits: Traits[float]) -> float:
        told = _followed(setup, log, traits, now, is_awake=is_awake).levels
        at = np.array([(one.at - told[0].at) / HOUR for one in told])
        levels = np.interp([(when - told[0].at) / HOUR for when, _ in read], at, [one.level for one in told])
        # The book's is preferred where the looks tell little.
        doubt = 0.02 * (math.log(traits.vigour) ** 2 + math.log(traits.height) ** 2)
        return float(np.mean(np.minimum(np.abs(levels - [times for _, times in read]), 0.6))) + doubt

    return min((Traits(vigour, height, 1.0, 1.0) for vigour, height in product(VIGOURS, HEIGHTS)), key=off)


def _lately(log: Log, at: datetime) -> tuple[Log, bool]:
    """Where it stood and what was done lately, from a feed on; and whether anything was left out for that."""
    fed = [one.at for one in log if isinstance(one, Feed)]
    since = next((one for one in fed if one >= at - RUN_FROM), fed[0])
    kept = tuple(one for one in log if one.at >= since or isinstance(one, Moved))
    return kept, since > fed[0]


def _read(ledger: Ledger) -> Sequence[tuple[datetime, float]]:
    return [(seen.at, seen.times) for seen in ledger.sightings if seen.times is not None]
