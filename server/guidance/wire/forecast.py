"""What goes over the wire about what is to come. Levels are multiples of the line, moments in UTC."""

from __future__ import annotations

from datetime import datetime

from accounts.wire import Told


class When(Told):
    """A moment with the two between which it falls four times of five."""

    earliest: datetime
    likely: datetime
    latest: datetime


class Spread(Told):
    """Hours since the feed: the middle, and the bounds between which four of five fall."""

    low: float
    middle: float
    high: float


class Ready(Told):
    """The day of ready as moments, and the first lasting doubling.

    `share` of the jars that this may be get ready, fed so, within what is foreseen. Where `latest_is_open`, the latest
    moment is only as far as that; where they `seldom` do, the likely one too.
    """

    on: When
    awake: When
    share: float
    seldom: bool
    latest_is_open: bool


class FanPoint(Told):
    """The level forecast at a moment, as multiples of the line."""

    at: datetime
    low: float
    middle: float
    high: float


class Basis(Told):
    """What a forecast rests on: the warmth now, how this jar differs from the book, and how many feeds were watched.

    `pace` above 1 is faster, `height` above 1 rises higher. `young` says that a new jar was judged, by many jars as it
    may be. The per cents say the same of pace and height, 0 where the difference is not worth telling.
    `as_if_c` is the warmth at which it would go as it does, where its looks contradict the warmth that was told.
    """

    celsius: float
    pace: float
    height: float
    watched: int
    young: bool
    as_if_c: int | None
    faster_percent: int
    higher_percent: int


class RoundFit(Told):
    """One of the last feeds as its looks have it: how likely it doubled, and did so in time; hours since the feed.

    `doubles_at` is the level that counts as doubled for its flour and thickness, `limit_h` the hours of the
    rule in its warmth. `yeast_share` is the yeast's share of those that make gas at its peak; the rest are early
    bacteria.
    """

    feed_id: str
    doubles_at: float
    doubled_chance: float
    doubled_h: float | None
    in_time_chance: float
    limit_h: float
    peak_h: float
    peak_times: float
    yeast_share: float


class Forecast(Told):
    """What is to come of the running feed; everything in it is a forecast.

    `doubles` and `back_to_line` are None where that is unlikely; `doubles_chance` is from 0 to 1. `surprising` lists
    looks that contradict what was expected: misread, or something changed.
    """

    fan: tuple[FanPoint, ...]
    doubles: When | None
    doubles_chance: float
    peaks: When
    peak_times: Spread
    back_to_line: When | None
    hungry_at: datetime | None
    surprising: tuple[str, ...]
    basis: Basis
    ready: Ready | None
    rounds: tuple[RoundFit, ...]


class IfFed(Told):
    """What a feed would do: when it doubles, peaks and is back at its line, and how high it goes."""

    doubles: When | None
    peaks: When
    peak_times: Spread
    back_to_line: When | None
