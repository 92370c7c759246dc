"""Feeds held against the rule of ready: what was seen of one, and where nobody looked what the tracker makes of it."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, timedelta

from ..kitchen.hours import HOUR
from ..ready_rule import (
    EARLY_DAYS_H,
    NEAR_PEAK,
    NOT_SEEN,
    READS_AS,
    RISEN,
    YEASTS,
    YEASTS_EARLY,
)
from ..record.ledger import Round, highest
from ..tracker import RoundFit
from .readiness import Attempt


def attempts_of(
    rounds: Sequence[Round],
    fits: Sequence[RoundFit],
    now: datetime,
    cold: Sequence[tuple[datetime, datetime | None]] = (),
    *,
    begun_sour: bool,
) -> tuple[Attempt, ...]:
    """The last rounds, as many as the tracker has fitted, each as an attempt at the rule; the running one last.

    In the days of the early bacteria the first rise that anybody saw is theirs, whatever the model expects; a jar
    `begun_sour` has no such days. What went into the `cold` before its hour says nothing of how it rises.
    """
    if not fits:
        return ()
    doubt_until = rounds[0].feed.at + timedelta(hours=0.0 if begun_sour else EARLY_DAYS_H)
    risen = next((turn.feed.at for turn in rounds if highest(turn.sightings) >= RISEN), now)
    return tuple(
        _attempt(
            turn,
            fit,
            in_doubt=turn.feed.at < doubt_until,
            first_rise=turn.feed.at <= risen,
            chilled=any(turn.feed.at <= since < turn.feed.at + fit.limit_h * HOUR for since, _ in cold),
        )
        for turn, fit in zip(rounds[-len(fits) :], fits, strict=True)
    )


def _attempt(turn: Round, fit: RoundFit, *, in_doubt: bool, first_rise: bool, chilled: bool) -> Attempt:
    """What was seen goes before what the model makes of it.

    A feed that was seen doubled before its hour did so in time. One that nobody saw doubled may be thought to have, but
    does not count; nor does one at which nobody looked near its peak.
    """
    counts_as = READS_AS * fit.doubles_at
    top = highest(turn.sightings)
    doubled = top >= counts_as
    seen_h = [seen.hours for seen in turn.sightings if seen.times is not None and seen.times >= counts_as]
    last_h = max((seen.hours for seen in turn.sightings if seen.level_read), default=0.0)
    in_time = fit.in_time_chance if doubled else min(fit.in_time_chance, NOT_SEEN)
    doubled_h = fit.doubled_h if doubled or fit.doubled_chance >= NOT_SEEN else None
    if seen_h and min(seen_h) <= fit.limit_h:
        in_time = 1.0
        doubled_h = min(seen_h) if doubled_h is None else min(doubled_h, min(seen_h))
    return Attempt(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        watched=doubled or (not chilled and last_h >= NEAR_PEAK * fit.peak_h),
        highest=top,
        doubles_at=fit.doubles_at,
        doubled_h=doubled_h,
        doubled_by_h=min((seen.hours for seen in turn.sightings if highest([seen]) >= counts_as), default=None),
        in_time=in_time,
        limit_h=fit.limit_h,
        peak_h=_peak_h(turn, fit, doubled=doubled),
        by_yeast=not (first_rise and in_doubt) and fit.yeast_share >= (YEASTS_EARLY if in_doubt else YEASTS),
    )


def _peak_h(turn: Round, fit: RoundFit, *, doubled: bool) -> float:
    """The model's, but where that did not believe in the rise that was seen: the hour of the highest level then."""
    if not doubled or fit.doubled_chance >= 1.0 - NOT_SEEN:
        return fit.peak_h
    levels = [(seen.times, seen.hours) for seen in turn.sightings if seen.times is not None]
    return max(levels)[1] if levels else fit.peak_h
