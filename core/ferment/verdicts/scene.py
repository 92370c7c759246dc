"""The log as the signs see it: one scene of this moment."""

from __future__ import annotations

from datetime import datetime, timedelta

from ..kitchen.hours import HOUR
from ..kitchen.warmth import Place, Warmth
from ..planner import Plan, StepState
from ..record.ledger import Ledger
from ..signs.contract import Scene

# The stretch over which it is reckoned how far feeds thinned the jar out.
THINNED_OVER = timedelta(hours=48)


def scene_of(
    ledger: Ledger, place: Place, made: Plan, now: datetime, peaks: tuple[float, ...], *, begun_sour: bool, woke: bool
) -> Scene:
    """`peaks` are how high the watched feeds before the running one went, the latest last."""
    start, running = ledger.rounds[0].feed.at, ledger.rounds[-1]
    step = made.next
    late = step is not None and step.plan is not None and step.state is StepState.LATE
    smelt = [seen.smell for seen in ledger.sightings if seen.smell]
    return Scene(
        age_h=(now - start) / HOUR,
        since_feed_h=(now - running.feed.at) / HOUR,
        sightings=running.sightings,
        peaks_before=peaks,
        late_h=(now - step.due) / HOUR if step and late else 0.0,
        celsius=Warmth(place, start, ledger.cold_spans)((now - start) / HOUR),
        room_times=running.room_times,
        hydration_percent=ledger.contents.hydration_percent or 100.0,
        begun_sour=begun_sour,
        woke=woke,
        smelt_before=frozenset().union(*smelt[:-1]),
        thinned_to=_thinned_to(ledger, now),
        rests_h=(now - ledger.rests_since) / HOUR if ledger.rests_since else None,
    )


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
