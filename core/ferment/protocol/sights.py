"""What a method can wait for: conditions on what was seen, as data, and one table that judges them."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from ..record.ledger import Sighting
from ..record.log import Bubbles, Thickness, Top


@dataclass(frozen=True)
class Bubbling:
    """Bubbles, at least so many."""

    at_least: Bubbles


@dataclass(frozen=True)
class Risen:
    """The level at least so many times the line, within so many hours of the feed where that is said."""

    times: float
    within_h: float | None = None


@dataclass(frozen=True)
class BelowHighMark:
    """It rose and has dropped by this share of its rise, or its top has sunk."""

    by_share: float


@dataclass(frozen=True)
class RisenAndFallen:
    """It rose so far and has begun to fall."""

    times: float


@dataclass(frozen=True)
class Runny:
    """It was thick and now runs when the jar is tipped."""


@dataclass(frozen=True)
class InARow:
    """So many feeds in a row, the running one included, each rose so far within so many hours."""

    feeds: int
    times: float
    within_h: float


@dataclass(frozen=True)
class AnyOf:
    sights: tuple[Sight, ...]


@dataclass(frozen=True)
class AllOf:
    sights: tuple[Sight, ...]


Sight = Bubbling | Risen | BelowHighMark | RisenAndFallen | Runny | InARow | AnyOf | AllOf


@dataclass(frozen=True)
class Evidence:
    """What was seen since the last feed, in order, and since each feed before it; and how many hours ago that feed
    was."""

    now: Sequence[Sighting]
    before: Sequence[Sequence[Sighting]]
    since_h: float = 0.0


# A thick paste that is full of bubbles shows no froth: the one is as good as the other.
_BUBBLES = {Bubbles.NONE: 0, Bubbles.FEW: 1, Bubbles.THROUGHOUT: 2, Bubbles.FROTH: 2}
# What is seen so soon after mixing was stirred in (common practice).
STIRRED_IN_H = 2.0
# Liquid on top so long after a feed is hunger, and ends any wait; so do three days, in the warm two (common practice).
HUNGER_FROM_H = 36.0
LONGEST_WAIT_H, BY_WARMTH_C = (72.0, 48.0), (24.0, 28.0)
_RISE_AT_LEAST = 1.08
"""Below this a level tells no rise: it is how exactly a mark on a jar can be read (common practice)."""


def _levels(seen: Sequence[Sighting]) -> list[float]:
    return [sighting.times for sighting in seen if sighting.times is not None]


def _bubbling(sight: Bubbling, evidence: Evidence) -> bool:
    return any(one.bubbles and _BUBBLES[one.bubbles] >= _BUBBLES[sight.at_least] for one in evidence.now)


def _rose(seen: Sequence[Sighting], times: float, within_h: float | None) -> bool:
    return any(
        one.times is not None and one.times >= times and (within_h is None or one.hours <= within_h) for one in seen
    )


def _risen(sight: Risen, evidence: Evidence) -> bool:
    return _rose(evidence.now, sight.times, sight.within_h)


def _below_high_mark(sight: BelowHighMark, evidence: Evidence) -> bool:
    levels = _levels(evidence.now)
    highest = max(levels, default=1.0)
    dropped = len(levels) > 1 and levels[-1] <= highest - sight.by_share * (highest - 1.0)
    return highest >= _RISE_AT_LEAST and (dropped or Top.SUNKEN in evidence.now[-1].top)


def _risen_and_fallen(sight: RisenAndFallen, evidence: Evidence) -> bool:
    return _rose(evidence.now, sight.times, None) and _below_high_mark(BelowHighMark(0.1), evidence)


def _runny(_: Runny, evidence: Evidence) -> bool:
    return any(one.thickness in (Thickness.RUNNY, Thickness.THIN_BATTER) for one in evidence.now)


def _in_a_row(sight: InARow, evidence: Evidence) -> bool:
    rounds = [*evidence.before, evidence.now][-sight.feeds :]
    return len(rounds) == sight.feeds and all(_rose(seen, sight.times, sight.within_h) for seen in rounds)


def _any_of(sight: AnyOf, evidence: Evidence) -> bool:
    return any(is_seen(one, evidence) for one in sight.sights)


def _all_of(sight: AllOf, evidence: Evidence) -> bool:
    return all(is_seen(one, evidence) for one in sight.sights)


_JUDGES: Mapping[type, Callable[[Any, Evidence], bool]] = {
    Bubbling: _bubbling,
    Risen: _risen,
    BelowHighMark: _below_high_mark,
    RisenAndFallen: _risen_and_fallen,
    Runny: _runny,
    InARow: _in_a_row,
    AnyOf: _any_of,
    AllOf: _all_of,
}


def waited_enough_h(evidence: Evidence, usual_h: float, cold_h: float, celsius: float = 24.0) -> float | None:
    """How many hours after the feed no sign was to be waited for any longer, where that is so by now: it starved, or
    it stood three days, or half as long again as usual, without one; in a warm room two days, or no longer than usual.
    Hours in the cold do not count."""
    warm = min(1.0, max(0.0, (celsius - BY_WARMTH_C[0]) / (BY_WARMTH_C[1] - BY_WARMTH_C[0])))
    longest = LONGEST_WAIT_H[0] + warm * (LONGEST_WAIT_H[1] - LONGEST_WAIT_H[0])
    enough = max(longest, (1.5 - 0.5 * warm) * usual_h) + cold_h
    ends = [one.hours for one in evidence.now if Top.LIQUID in one.top and one.hours - cold_h >= HUNGER_FROM_H]
    return min([*ends, enough]) if ends or evidence.since_h >= enough else None


def is_seen(sight: Sight, evidence: Evidence) -> bool:
    """Whether the evidence shows it. Nothing seen since the feed shows nothing."""
    return bool(evidence.now) and _JUDGES[type(sight)](sight, evidence)


def first_seen(sight: Sight, evidence: Evidence) -> Sighting | None:
    """The look at which it was first to be seen, if at any."""
    for count in range(1, len(evidence.now) + 1):
        if is_seen(sight, replace(evidence, now=evidence.now[:count])):
            return evidence.now[count - 1]
    return None
