"""Feeds held against the rule of ready: what was seen of one, and where nobody looked what the tracker makes of it."""

from __future__ import annotations

from collections.abc import Iterable, Sequence, Set
from dataclasses import replace
from datetime import datetime, timedelta

from ..kitchen.hours import HOUR
from ..ready_rule import (
    AROUND_PEAK,
    BEFORE_PEAK,
    BEYOND_DOUBT,
    DOUBT_LASTS,
    EARLY_DAYS_H,
    EARLY_SMELLS,
    FAILED_BEFORE,
    FAILED_SHARE,
    FLAT_FROM,
    FLAT_LOOKS,
    LATE_FROM,
    NEAR_PEAK,
    NOT_SEEN,
    READS_AS,
    RISEN,
    SOUR_PH,
    SOUR_SMELLS,
    TELLS_FROM,
    YEASTS,
    YEASTS_EARLY,
)
from ..record.ledger import Round, Sighting, highest
from ..record.log import Bubbles, Top
from ..tracker import RoundFit
from .readiness import Attempt

Spans = Sequence[tuple[datetime, datetime | None]]


def attempts_of(
    rounds: Sequence[Round],
    fits: Sequence[RoundFit],
    now: datetime,
    cold: Spans = (),
    *,
    begun_sour: bool,
    early_h: float = EARLY_DAYS_H,
    doubted: Set[str] = frozenset(),
    lent: Spans = (),
) -> tuple[Attempt, ...]:
    """Every round as an attempt at the rule, the running one last: those that the tracker has fitted by its looks and
    that fit, those before by what was seen alone.

    In the days of the early bacteria, which last `early_h`, the first rise that anybody saw is theirs, whatever the
    model expects, and a later one the yeast's only where the jar had turned sour and it doubled; for a while longer a
    small rise is theirs too, until there was a quiet feed. A jar `begun_sour` has no such days. What went into the
    `cold` before its hour says nothing of how it rises. Levels of the looks that are `doubted` count for nothing where
    no other look bears them out. In the `lent` spans baker's yeast lifts it, and none of its own.
    """
    if not fits:
        return ()
    start = rounds[0].feed.at
    doubt_until = start + timedelta(hours=0.0 if begun_sour else early_h)
    small_until = start + timedelta(hours=0.0 if begun_sour else DOUBT_LASTS * early_h)
    risen = next((turn.feed.at for turn in rounds if highest(turn.sightings) >= RISEN), now)
    fitted = [_unseen(fits[0], turn) for turn in rounds[: -len(fits)]] + list(fits)
    sour, quiet = begun_sour, False
    made = []
    ends = [*(turn.feed.at for turn in rounds[1:]), now]
    for turn, fit, end in zip(rounds, fitted, ends, strict=True):
        sour = sour or is_sour(turn.sightings)
        seen = borne_out(turn.sightings, doubted)
        top, was_read = highest(seen), any(one.level_read for one in seen)
        if turn.feed.at < doubt_until:
            theirs = turn.feed.at <= risen or not sour or top < READS_AS * fit.doubles_at
        else:
            theirs = turn.feed.at < small_until and not quiet and top < BEYOND_DOUBT
        theirs = theirs or any(since < end and (until is None or turn.feed.at < until) for since, until in lent)
        quiet = quiet or (turn.feed.at > risen and was_read and top < RISEN)
        made.append(
            _attempt(
                replace(turn, sightings=seen),
                fit,
                in_doubt=turn.feed.at < doubt_until,
                theirs=theirs,
                chilled=any(turn.feed.at <= since < turn.feed.at + fit.limit_h * HOUR for since, _ in cold),
            )
        )
    return tuple(made)


def is_sour(sightings: Iterable[Sighting]) -> bool:
    """Whether some look smelt or read that the jar had turned sour."""
    return any(seen.smell & SOUR_SMELLS or (seen.ph is not None and seen.ph <= SOUR_PH) for seen in sightings)


def _unseen(first: RoundFit, turn: Round) -> RoundFit:
    """What is made of a round from before the tracker's memory: nothing but what was seen of it."""
    return replace(
        first, feed_id=turn.feed.id, doubled_chance=0.0, doubled_h=None, in_time_chance=NOT_SEEN, peak_times=1.0
    )


# A level is borne out by another that rose so much of it.
BORNE_OUT = 0.6
# Up to here bubbles all through say enough; beyond it the top was domed too.
GASSY_RISE = 0.6


def borne_out(sightings: Sequence[Sighting], doubted: Set[str], *, nothing_said: bool = False) -> tuple[Sighting, ...]:
    """The same without levels that nobody expected and that stand alone: no other look of the round comes near, and
    what was seen of bubbles and top does not go with such a rise. `nothing_said` is what is thought of a level beside
    which no bubbles were noted."""
    if not doubted:
        return tuple(sightings)
    return tuple(
        replace(seen, times=None, high=None)
        if seen.look_id in doubted and not _is_borne_out(seen, sightings, nothing_said=nothing_said)
        else seen
        for seen in sightings
    )


def _is_borne_out(one: Sighting, sightings: Sequence[Sighting], *, nothing_said: bool) -> bool:
    rise = highest([one]) - 1.0
    others = [seen for seen in sightings if seen.look_id != one.look_id]
    if rise < RISEN - 1.0 or (one.bubbles is None and nothing_said):
        return True
    if one.bubbles in (Bubbles.THROUGHOUT, Bubbles.FROTH) and (Top.DOMED in one.top or rise < GASSY_RISE):
        return True
    fell = any(Top.SUNKEN in seen.top and seen.hours > one.hours for seen in others)
    return fell or highest(others) - 1.0 >= BORNE_OUT * rise


def _attempt(turn: Round, fit: RoundFit, *, in_doubt: bool, theirs: bool, chilled: bool) -> Attempt:
    """What was seen goes before what the model makes of it.

    A feed that was seen doubled before its hour did so in time. One that nobody saw doubled may be thought to have, but
    does not count; nor does one at which nobody looked near its peak.
    """
    counts_as = READS_AS * fit.doubles_at
    top = highest(turn.sightings)
    doubled = top >= counts_as
    seen_h = [seen.hours for seen in turn.sightings if seen.times is not None and seen.times >= counts_as]
    last_h = max((seen.hours for seen in turn.sightings if seen.level_read), default=0.0)
    late = _seen_late(turn.sightings, fit, counts_as)
    in_time = fit.in_time_chance if doubled else min(fit.in_time_chance, NOT_SEEN)
    doubled_h = fit.doubled_h if doubled or fit.doubled_chance >= NOT_SEEN else None
    if seen_h and min(seen_h) <= fit.limit_h:
        in_time = 1.0
        doubled_h = min(seen_h) if doubled_h is None else min(doubled_h, min(seen_h))
    elif doubled and not late:
        # It had doubled when somebody came, and nobody knows since when.
        in_time = max(in_time, NOT_SEEN)
    if fit.doubles_at < TELLS_FROM:
        # So thin a paste hardly rises whatever lives in it: a thicker one would tell.
        in_time = min(in_time, NOT_SEEN)
    failed = not chilled and not doubled and _failed(turn.sightings, fit)
    share = YEASTS_EARLY if in_doubt else YEASTS
    smelt = next((seen.smell for seen in reversed(turn.sightings) if seen.smell), frozenset())
    return Attempt(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        watched=doubled or failed or (not chilled and last_h >= NEAR_PEAK * fit.peak_h),
        highest=top,
        doubles_at=fit.doubles_at,
        doubled_h=None if failed else doubled_h,
        doubled_by_h=min((seen.hours for seen in turn.sightings if highest([seen]) >= counts_as), default=None),
        in_time=0.0 if failed else in_time,
        limit_h=fit.limit_h,
        peak_h=_peak_h(turn, fit, doubled=doubled),
        by_yeast=not theirs and fit.yeast_share >= share and not smelt & EARLY_SMELLS,
        failed=failed,
        late=late,
        full_of_gas=any(Top.DOMED in seen.top and seen.bubbles is Bubbles.THROUGHOUT for seen in turn.sightings),
    )


def _seen_late(sightings: Sequence[Sighting], fit: RoundFit, counts_as: float) -> bool:
    """Whether somebody saw it not doubled yet when its time was nearly over."""
    levels = [(seen.hours, seen.times) for seen in sightings if seen.times is not None]
    first_h = min((hour for hour, level in levels if level >= counts_as), default=0.0)
    return any(LATE_FROM * fit.limit_h <= hour < first_h for hour, _ in levels)


def _failed(sightings: Sequence[Sighting], fit: RoundFit) -> bool:
    """Somebody looked when it should have been high, and it was not; and nothing tells of a rise that nobody saw."""
    if any(seen.high is not None or Top.SUNKEN in seen.top for seen in sightings):
        return False
    wanted = fit.doubles_at - 1.0
    looks = [
        (seen.hours / max(fit.expected_peak_h, 0.1), seen.times - 1.0) for seen in sightings if seen.times is not None
    ]
    around = any(AROUND_PEAK[0] <= way <= AROUND_PEAK[1] and rise < FAILED_SHARE * wanted for way, rise in looks)
    before = any(BEFORE_PEAK[0] <= way < BEFORE_PEAK[1] and rise < FAILED_BEFORE * wanted for way, rise in looks)
    flat = [way for way, rise in looks if way >= FLAT_FROM and rise < RISEN - 1.0]
    return around or before or (len(flat) >= FLAT_LOOKS and max(flat) >= NEAR_PEAK)


def _peak_h(turn: Round, fit: RoundFit, *, doubled: bool) -> float:
    """The model's, but where that did not believe in the rise that was seen: the hour of the highest level then."""
    if not doubled or fit.doubled_chance >= 1.0 - NOT_SEEN:
        return fit.peak_h
    levels = [(seen.times, seen.hours) for seen in turn.sightings if seen.times is not None]
    return max(levels)[1] if levels else fit.peak_h
