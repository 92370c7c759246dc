"""The baker's hours: bands of the local day in which an act can be done, and fitting a moment into them."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta, tzinfo
from functools import lru_cache

from ..refusal import Refusal, RefusalCode

HOUR = timedelta(hours=1)
MOST_BANDS = 6
# How far from its window an act is still looked for, so that hours without room end in a plain answer.
FARTHEST = timedelta(days=8)


@dataclass(frozen=True)
class Band:
    """From one local time of day to another, in minutes after midnight; one that ends earlier runs over midnight."""

    start: int
    end: int

    def on(self, day: date, zone: tzinfo) -> tuple[datetime, datetime]:
        """The band of the day it begins on, as moments in UTC; the wall's clock decides, also where it is changed."""
        ends_on = day if self.end > self.start else day + timedelta(days=1)
        return _moment(day, self.start, zone), _moment(ends_on, self.end, zone)


def _moment(day: date, minutes: int, zone: tzinfo) -> datetime:
    whole, rest = divmod(minutes, 60)
    on, at = (day + timedelta(days=1), time(0, rest)) if whole == 24 else (day, time(whole, rest))
    return datetime.combine(on, at, zone).astimezone(UTC)


@dataclass(frozen=True)
class Hours:
    """When the baker can be at the jar, on weekdays and at weekends, in a time zone. No bands: at any time."""

    zone: tzinfo
    weekday: tuple[Band, ...] = ()
    weekend: tuple[Band, ...] = ()

    def bands_of(self, day: date) -> tuple[Band, ...]:
        return self.weekend if day.weekday() >= 5 else self.weekday


# Awake, at home or not: the hours of a baker who has told none. No feed is planned into the night.
WAKING = (Band(7 * 60, 22 * 60 + 30),)
ANY_TIME = Hours(UTC)


def waking_hours(zone: tzinfo) -> Hours:
    return Hours(zone, WAKING, WAKING)


def parse_bands(text: str, field: str = "hours") -> tuple[Band, ...]:
    """Read `07:00-09:00,19:00-22:30`.

    Raises Refusal (hours_form, hours_overlap, out_of_range); bands may not overlap.
    """
    bands = []
    for part in text.split(","):
        found = re.fullmatch(r"\s*(\d{1,2}):(\d{2})\s*-\s*(\d{1,2}):(\d{2})\s*", part, re.ASCII)
        if not found:
            raise Refusal(RefusalCode.HOURS_FORM, field, {"given": part[:40], "example": "07:00-09:00,19:00-22:30"})
        h1, m1, h2, m2 = (int(group) for group in found.groups())
        bands.append(Band(h1 * 60 + m1, h2 * 60 + m2))
    return check_bands(tuple(bands), field)


def check_bands(bands: tuple[Band, ...], field: str = "hours") -> tuple[Band, ...]:
    """The bands in their order.

    Raises Refusal (hours_form, hours_overlap, out_of_range) for times of day that are none, for too many bands and
    for bands that overlap.
    """
    if len(bands) > MOST_BANDS:
        raise Refusal(RefusalCode.OUT_OF_RANGE, field, {"least": 1, "most": MOST_BANDS})
    for band in bands:
        if not (0 <= band.start < 1440 and 0 < band.end <= 1440 and band.start != band.end):
            raise Refusal(RefusalCode.HOURS_FORM, field, {"example": "07:00-09:00,19:00-22:30"})
    ends = sorted((band.start, band.end if band.end > band.start else band.end + 1440) for band in bands)
    for (_, end), (start, _) in zip(ends, [*ends[1:], (ends[0][0] + 1440, 0)] if ends else [], strict=True):
        if start < end:
            raise Refusal(RefusalCode.HOURS_OVERLAP, field)
    return tuple(sorted(bands, key=lambda band: band.start))


@dataclass(frozen=True)
class Fitted:
    """A moment in the baker's hours; `fits` is false when it had to be put outside its window."""

    at: datetime
    fits: bool


def fit(hours: Hours, due: datetime, earliest: datetime, latest: datetime, *, may_be_early: bool = False) -> Fitted:
    """The moment in the hours that is nearest to `due` inside the window, else the first after it: what takes its time
    is never cut short. One of a rhythm may come early instead, where that is nearer to the window.

    Of two moments as near, the earlier one.
    """
    if not (hours.weekday or hours.weekend):
        return Fitted(due, fits=True)
    inside: list[datetime] = []
    outside: list[datetime] = []
    for start, end in _spans(hours, earliest, latest):
        low, high = max(start, earliest), min(end, latest)
        if low <= high:
            inside.append(min(max(due, low), high))
        elif start > latest:
            outside.append(start)
        elif may_be_early and earliest - end <= latest - earliest:
            # Not by more than the window is long: that would come too soon upon the act before.
            outside.append(end)
    if inside:
        return Fitted(min(inside, key=lambda at: (abs(at - due), at)), fits=True)
    if not outside:
        return Fitted(due, fits=False)
    out_by = min(outside, key=lambda at: (max(earliest - at, at - latest), at))
    return Fitted(out_by, fits=False)


def days_later(at: datetime, days: int, zone: tzinfo) -> datetime:
    """The same hour of the clock so many days later, in UTC."""
    return (at.astimezone(zone) + timedelta(days=days)).astimezone(UTC)


def _spans(hours: Hours, earliest: datetime, latest: datetime) -> tuple[tuple[datetime, datetime], ...]:
    """Every band from the day before the window to the day after it, and on until there is one."""
    first = earliest.astimezone(hours.zone).date() - timedelta(days=1)
    return _bands_between(hours, first, latest.astimezone(hours.zone).date() + timedelta(days=1))


# A plan asks for the same few days again and again.
@lru_cache(maxsize=8192)
def _bands_between(hours: Hours, day: date, last: date) -> tuple[tuple[datetime, datetime], ...]:
    found: list[tuple[datetime, datetime]] = []
    while day <= last or (not found and day <= last + FARTHEST):
        found += [band.on(day, hours.zone) for band in hours.bands_of(day)]
        day += timedelta(days=1)
    return tuple(found)
