"""What a forecast is made of. Levels are multiples of the line, hours are since a feed, moments are in UTC."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from .stretch import Spread


@dataclass(frozen=True)
class TimeSpread:
    """A moment with the two between which it falls four times of five."""

    earliest: datetime
    likely: datetime
    latest: datetime


@dataclass(frozen=True)
class FanPoint:
    """The level forecast at a moment, as multiples of the line."""

    at: datetime
    low: float
    middle: float
    high: float


# A difference of fewer per cent is within what any two jars differ.
LEAST_PERCENT = 4


def _worth_telling(factor: float) -> int:
    percent = round(100.0 * (factor - 1.0))
    return percent if abs(percent) >= LEAST_PERCENT else 0


@dataclass(frozen=True)
class Basis:
    """What a forecast rests on: the warmth now, how this jar differs from the book, and how many feeds were watched.

    `pace` above 1 is faster, `height` above 1 rises higher. `young` says that a new jar was judged, by many jars as it
    may be. `as_if_c` is the warmth at which it would go as it does, where its looks contradict the warmth that was
    told.
    """

    celsius: float
    pace: float
    height: float
    watched: int
    young: bool
    as_if_c: int | None = None

    @property
    def faster_percent(self) -> int:
        """By how many per cent it is faster than the book; 0 where the difference is not worth telling."""
        return _worth_telling(self.pace)

    @property
    def higher_percent(self) -> int:
        """By how many per cent it rises higher than the book; 0 where the difference is not worth telling."""
        return _worth_telling(self.height)


HALF_OF_THEM, NEARLY_ALL = 0.5, 0.9


@dataclass(frozen=True)
class Ready:
    """The day of ready as moments, and the first lasting doubling.

    `share` of the jars that this may be get ready, fed so, within what is foreseen: where not nearly all do, the latest
    moment is only as far as that, and where fewer than half do, the likely one too.
    """

    on: TimeSpread
    awake: TimeSpread
    share: float

    @property
    def seldom(self) -> bool:
        """Whether fewer than half get ready, fed so: then there is no likely day."""
        return self.share < HALF_OF_THEM

    @property
    def latest_is_open(self) -> bool:
        """Whether it may be later than the latest moment told."""
        return self.share < NEARLY_ALL


@dataclass(frozen=True)
class RoundFit:
    """One of the last feeds as its looks have it: how likely it doubled, and did so in time; hours since the feed.

    `doubles_at` is the level that counts as doubled for its flour, thickness and warmth, `limit_h` the hours of the
    rule for its warmth and ratio. `expected_peak_h` is when it was to peak as far as the feeds before told.
    `yeast_share` is the yeast's share of those that make gas at its peak; the rest are early bacteria.
    """

    feed_id: str
    doubles_at: float
    doubled_chance: float
    doubled_h: float | None
    in_time_chance: float
    limit_h: float
    peak_h: float
    expected_peak_h: float
    peak_times: float
    yeast_share: float


@dataclass(frozen=True)
class Forecast:
    """What is to come of the running feed; everything in it is a forecast.

    `doubles_at` is the level that counts as doubled for its flour and thickness. `doubles` and `back_to_line` are None
    where that is unlikely; `doubles_chance` is from 0 to 1. `surprising` lists
    looks that contradict what was expected: misread, or something changed.
    """

    fan: tuple[FanPoint, ...]
    doubles_at: float
    doubles: TimeSpread | None
    doubles_chance: float
    peaks: TimeSpread
    peak_times: Spread
    back_to_line: TimeSpread | None
    hungry_at: datetime | None
    surprising: tuple[str, ...]
    basis: Basis
    ready: Ready | None
    rounds: tuple[RoundFit, ...]


@dataclass(frozen=True)
class IfFed:
    """What a feed would do: when it doubles, peaks and is back at its line, and how high it goes."""

    doubles: TimeSpread | None
    peaks: TimeSpread
    peak_times: Spread
    back_to_line: TimeSpread | None
