"""The log as the signs see it: one scene of this moment."""

from __future__ import annotations

from datetime import datetime, timedelta

from ..kitchen.flours import Flour
from ..kitchen.hours import HOUR
from ..kitchen.warmth import Place, Warmth
from ..planner import Plan, StepState
from ..record.ledger import Ledger
from ..record.log import Deed, DeedKind
from ..signs.clues import Scene

# The stretch over which it is reckoned how far feeds thinned the jar out.
THINNED_OVER = timedelta(hours=48)
# What heat did to a jar is asked about for so long.
HOT_LATELY_H = 72
# So long after it was added baker's yeast is still what rises (from memory: an acid jar loses it in some feeds), and
# sugar what is eaten.
BOOSTS = {DeedKind.YEAST_ADDED: timedelta(days=5), DeedKind.SWEETENED: timedelta(days=1)}
LITTLE_GLUTEN = frozenset({Flour.RYE, Flour.GLUTEN_FREE})


def scene_of(
    ledger: Ledger, place: Place, made: Plan, now: datetime, peaks: tuple[float, ...], *, begun_sour: bool, woke: bool
) -> Scene:
    """`peaks` are how high the watched feeds before the running one went, the latest last."""
    start, running = ledger.rounds[0].feed.at, ledger.rounds[-1]
    step = made.next
    late = step is not None and step.plan is not None and step.state is StepState.LATE
    smelt = [seen.smell for seen in ledger.sightings if seen.smell]
    age_h = (now - start) / HOUR
    warmth = Warmth(place, start, ledger.cold_spans)
    return Scene(
        age_h=age_h,
        since_feed_h=(now - running.feed.at) / HOUR,
        sightings=running.sightings,
        peaks_before=peaks,
        late_h=(now - step.due) / HOUR if step and late else 0.0,
        celsius=warmth(age_h),
        room_times=running.room_times,
        hydration_percent=ledger.contents.hydration_percent or 100.0,
        begun_sour=begun_sour,
        woke=woke,
        smelt_before=frozenset().union(*smelt[:-1]),
        thinned_to=_thinned_to(ledger, now),
        rests_h=(now - ledger.rests_since) / HOUR if ledger.rests_since else None,
        little_gluten=_has_little_gluten(ledger),
        hottest_c=_hottest(ledger, warmth, age_h, now),
        boosted=frozenset(kind for kind, since, until in boosts(ledger) if since <= now < until),
    )


def boosts(ledger: Ledger) -> tuple[tuple[DeedKind, datetime, datetime], ...]:
    """What was added that is no food of a starter's own, and from when until when it tells."""
    return tuple(
        (one.deed, one.at, one.at + BOOSTS[one.deed])
        for one in ledger.deeds
        if isinstance(one, Deed) and one.deed in BOOSTS
    )


def _has_little_gluten(ledger: Ledger) -> bool:
    flours = ledger.contents.flours
    return 2.0 * sum(part.g for part in flours if part.flour in LITTLE_GLUTEN) >= sum(part.g for part in flours) > 0.0


def _hottest(ledger: Ledger, warmth: Warmth, age_h: float, now: datetime) -> float:
    """The warmest of the last days, by its place and by what was measured in it."""
    measured = [
        seen.celsius
        for seen in ledger.sightings
        if seen.celsius is not None and seen.at > now - timedelta(hours=HOT_LATELY_H)
    ]
    stood = (warmth(age_h - hour) for hour in range(min(HOT_LATELY_H, int(age_h) + 1)))
    return max([*measured, *stood])


def mean_warmth(place: Place, ledger: Ledger, hours: float) -> float:
    """How warm its first hours were on the whole, in °C."""
    warmth = Warmth(place, ledger.rounds[0].feed.at, ledger.cold_spans)
    return sum(warmth(hours * (part + 0.5) / PARTS) for part in range(PARTS)) / PARTS


PARTS = 12


def _thinned_to(ledger: Ledger, now: datetime) -> float:
    share = 1.0
    for turn in ledger.rounds[1:]:
        if turn.feed.at > now - THINNED_OVER and turn.contents.total_g:
            share *= min(1.0, turn.feed.keep_g / turn.contents.total_g)
    return share
