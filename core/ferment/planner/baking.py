"""A planned bake in the course of a jar: which feed of it is next, when it goes before the way's own, and its end."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta

from ..kitchen.flours import FlourShare
from ..kitchen.hours import Hours, days_later
from ..mixing.feeding import FeedPlan, weighed
from ..protocol.amounts import Bench
from ..protocol.course import Course, SettledPhase, SettledWait
from ..protocol.method import Add, BlendFrom, Keep, Measure, Otherwise, PourOff, PutIn, Turns
from ..protocol.options import OptionCode
from ..record.log import Bake, BakeFeed
from .standing import Standing, Window, in_hours, phase_of
from .steps import Doing, Task

# A feed this much before or after its time is still the one that was planned for the bake.
EARLY, LATE = timedelta(hours=6), timedelta(hours=9)
# Dough is mixed this much around the hour it was planned for; a levain older than that is past its best.
READY_BEFORE, HOLDS_FOR = timedelta(hours=3), timedelta(hours=4)
GIVEN_UP = timedelta(hours=12)
# What the way itself asks for so shortly before a bake's first feed is left out.
MAKES_WAY, MAKES_WAY_SHARE = timedelta(hours=48), 0.5
FEED_SLACK = timedelta(hours=1)

NO_WAIT = SettledWait(timedelta(), timedelta(), timedelta(), None, Otherwise.DO_IT, timedelta(hours=1), beat=False)
# What a bake's acts are, in the terms of a way; their grams are the bake's own.
FOR_A_BAKE = "for_a_bake"
FEED = SettledPhase(
    FOR_A_BAKE,
    NO_WAIT,
    (PourOff(), Keep(Measure(1)), Add(Measure(1), Measure(1), BlendFrom(OptionCode.BLEND))),
    Turns(),
    None,
)
FIRST = SettledPhase(
    FOR_A_BAKE,
    NO_WAIT,
    (PourOff(), PutIn(Measure(1)), Add(Measure(1), Measure(1), BlendFrom(OptionCode.BLEND))),
    Turns(),
    None,
)
USE = SettledPhase(FOR_A_BAKE, NO_WAIT, (), Turns(), None)


def planned(standing: Standing, bake: Bake) -> Standing:
    bakes = (*standing.bakes, bake)
    return replace(standing, bakes=tuple(sorted(bakes, key=lambda one: one.mixed_at)))


def next_feed(standing: Standing) -> BakeFeed | None:
    bake = standing.bake
    return bake.feeds[standing.bake_fed] if bake and standing.bake_fed < len(bake.feeds) else None


def phase_now(standing: Standing) -> SettledPhase | None:
    """The act of the nearest bake that comes next."""
    if standing.bake is None:
        return None
    if next_feed(standing) is None:
        return USE
    # What sleeps elsewhere is put into its jar with the first feed.
    return FIRST if standing.last is None else FEED


def bake_window(standing: Standing, hours: Hours) -> Window:
    """When that act is due."""
    bake, feed = standing.bake, next_feed(standing)
    assert bake is not None
    if feed is not None:
        return in_hours(Window(feed.at, feed.at - FEED_SLACK, feed.at + FEED_SLACK), hours)
    return Window(bake.mixed_at, bake.mixed_at - READY_BEFORE, bake.mixed_at + HOLDS_FOR)


def goes_first(standing: Standing, phase: SettledPhase | None, due: datetime) -> bool:
    """Whether the bake's act comes before what the way asks for at `due`."""
    bake, feed = standing.bake, next_feed(standing)
    if bake is None:
        return False
    if standing.bake_fed or standing.last is None or phase is None:
        return True
    at = feed.at if feed else bake.mixed_at
    return due > at - min(MAKES_WAY, phase.wait.usual * MAKES_WAY_SHARE)


def belongs(standing: Standing, at: datetime) -> bool:
    """Whether a feed at a moment is the bake's next one."""
    feed = next_feed(standing)
    if feed is None:
        return False
    last = standing.last
    early = min(EARLY, (feed.at - last) / 2) if last and last < feed.at else EARLY
    return feed.at - early <= at <= feed.at + LATE


def weigh_for_bake(feed: BakeFeed, bench: Bench, step: float, keep_g: float | None = None) -> FeedPlan:
    """The bake's own meal on what is kept of the jar: what the dough needs counts more than the ratio."""
    whole = feed.flour_g
    blend = tuple(FlourShare(part.flour, part.g / whole) for part in feed.flours) if whole else ()
    there_is = round(bench.jar_g, 6) if bench.start else feed.keep_g
    keep = min(feed.keep_g, there_is) if keep_g is None else keep_g
    return weighed(keep, whole, feed.water_g, blend, step=step)


def used_for(bake: Bake) -> tuple[Doing, ...]:
    return (Doing(Task.TAKE_FOR_DOUGH, bake.grams),)


def fed_for_bake(standing: Standing, at: datetime) -> Standing:
    return replace(standing, bake_fed=standing.bake_fed + 1, last=at, start=standing.start or at, soon=None)


def after_the_bake(course: Course, standing: Standing, at: datetime, hours: Hours, *, mixed: bool) -> Standing:
    """The nearest bake is over, mixed or given up: the next of its row is planned, and the rest is fed again."""
    bake = standing.bake
    assert bake is not None
    rest = standing.bakes[1:]
    fed = standing.bake_fed > 0 or mixed
    moved = replace(standing, bakes=rest, bake_fed=0, soon=at if fed else standing.soon)
    if bake.every_days:
        moved = planned(moved, again(bake, hours))
    return _to_a_feed(course, moved) if fed else moved


def again(bake: Bake, hours: Hours) -> Bake:
    """The same bake so many days later, at the same hours of the clock."""
    days = bake.every_days
    feeds = tuple(replace(feed, at=days_later(feed.at, days, hours.zone)) for feed in bake.feeds)
    return replace(bake, mixed_at=days_later(bake.mixed_at, days, hours.zone), feeds=feeds)


def _to_a_feed(course: Course, standing: Standing) -> Standing:
    """Past what adds nothing, to the way's next feed."""
    for _ in course.phases:
        phase = phase_of(course, standing)
        if phase is None or (phase.feeds and standing.index != 0):
            break
        assert standing.index is not None
        standing = replace(standing, index=course.after(standing.index), turns=0)
    return standing
