"""How warm a jar stands: one value, a day and a night, the thermometer's own log, and nights in the fridge."""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta, tzinfo

from .hours import HOUR

FRIDGE_C = 4.0
# A jar takes about an hour and a half to come near the warmth of a new place (common practice).
SETTLING_H = 1.5
NIGHT_FROM, NIGHT_TO = 22.0, 7.0
# A thermometer's word holds for so long when no other follows.
READING_HOLDS_H = 6.0


@dataclass(frozen=True)
class Degrees:
    """A reading of the place, or of the jar."""

    at: datetime
    celsius: float


@dataclass(frozen=True)
class Stay:
    """How warm it is where the jar was moved to, from a moment on."""

    since: datetime
    day_c: float
    night_c: float | None = None


@dataclass(frozen=True)
class Place:
    """The kitchen as told: its warmth by day, by night where that differs, and what a thermometer wrote down.

    `moves` are the places that it stood in later, in their order. A reading is of the place in which it was taken.
    """

    day_c: float
    night_c: float | None = None
    zone: tzinfo = UTC
    readings: tuple[Degrees, ...] = ()
    moves: tuple[Stay, ...] = ()


@dataclass(frozen=True)
class _Stretch:
    """A stretch of hours in one place: its stay, whether in the fridge, and how much warmer than the place the jar came
    into it, in °C."""

    start: float
    stay: int
    cold: bool
    off_c: float


class Warmth:
    """Degrees Celsius of a jar at any hour, hours counted from a moment.

    A jar that comes into another place, or into the fridge or out of it, comes near its warmth by one exponential of
    `SETTLING_H`, from what it had when it came.
    """

    def __init__(self, place: Place, since: datetime, cold: Sequence[tuple[datetime, datetime | None]] = ()) -> None:
        self._place, self._since = place, since
        self._offsets: dict[int, float] = {}
        self._stays = (Stay(since, place.day_c, place.night_c), *place.moves)
        ordered = sorted(place.readings, key=lambda one: one.at)
        self._hours = [(one.at - since) / HOUR for one in ordered]
        self._celsius = [one.celsius for one in ordered]
        self._stretches: list[_Stretch] = []
        self._starts: list[float] = []
        self._lay(cold)

    def _lay(self, cold: Sequence[tuple[datetime, datetime | None]]) -> None:
        stay, inside = 0, False
        self._add(-math.inf, stay, cold=inside, off_c=0.0)
        moves: list[tuple[float, int, int | bool]] = [
            *((self._hour(one.since), 0, number) for number, one in enumerate(self._place.moves, start=1)),
            *((self._hour(start), 1, True) for start, _ in cold),
            *((self._hour(end), 1, False) for _, end in cold if end is not None),
        ]
        # By time; out of the fridge before into it, where one minute holds both.
        for hour, kind, to in sorted(moves):
            had = self(hour)
            if kind == 0:
                stay = int(to)
            else:
                inside = bool(to)
            self._add(hour, stay, cold=inside, off_c=had - self._around(hour, stay, cold=inside))

    def _add(self, start: float, stay: int, *, cold: bool, off_c: float) -> None:
        self._stretches.append(_Stretch(start, stay, cold, off_c))
        self._starts.append(start)

    def _hour(self, at: datetime) -> float:
        return (at - self._since) / HOUR

    def __call__(self, hour: float) -> float:
        now = self._stretches[bisect_right(self._starts, hour) - 1]
        around = self._around(hour, now.stay, cold=now.cold)
        if not now.off_c:
            return around
        return around + now.off_c * math.exp(-(hour - now.start) / SETTLING_H)

    def steady_until(self, hour: float) -> float:
        """An hour until which it stays as warm as it is at this one; the hour itself where it changes by and by."""
        place = bisect_right(self._starts, hour)
        now = self._stretches[place - 1]
        until = self._starts[place] if place < len(self._starts) else math.inf
        if now.off_c:
            return hour
        if now.cold:
            return until
        if self._read(hour, now.stay) is not None:
            return hour
        after = bisect_right(self._hours, hour)
        if after < len(self._hours):
            until = min(until, self._hours[after])
        return until if self._stays[now.stay].night_c is None else min(until, self._same_half(hour))

    def _same_half(self, hour: float) -> float:
        """Until when it is day, or night, without a break."""
        clock = (hour + self._offset(hour)) % 24.0
        ends = NIGHT_FROM if NIGHT_TO <= clock < NIGHT_FROM else NIGHT_TO
        until = hour + (ends - clock) % 24.0
        return until if self._offset(until) == self._offset(hour) else min(until, math.floor(hour) + 1.0)

    def _around(self, hour: float, stay: int, *, cold: bool) -> float:
        """How warm it is around the jar: in the fridge, as read, or as told."""
        if cold:
            return FRIDGE_C
        read = self._read(hour, stay)
        return self._told(hour, stay) if read is None else read

    def _told(self, hour: float, stay: int) -> float:
        told = self._stays[stay]
        if told.night_c is None:
            return told.day_c
        clock = (hour + self._offset(hour)) % 24.0
        return told.night_c if clock >= NIGHT_FROM or clock < NIGHT_TO else told.day_c

    def _offset(self, hour: float) -> float:
        """What the wall shows at hour 0 by the clock that holds at this hour: clocks are changed on whole hours."""
        whole = math.floor(hour)
        if whole not in self._offsets:
            local = (self._since.astimezone(UTC) + timedelta(hours=hour)).astimezone(self._place.zone)
            ahead = local.utcoffset() or timedelta()
            start = self._since.astimezone(UTC)
            self._offsets[whole] = start.hour + start.minute / 60.0 + ahead / HOUR
        return self._offsets[whole]

    def _read(self, hour: float, stay: int) -> float | None:
        """Between two readings near each other by a straight line, after one for a while as it said."""
        after = bisect_right(self._hours, hour)
        if after == 0 or self._hours[after - 1] < self._since_stay(stay):
            return None
        since = hour - self._hours[after - 1]
        near = after < len(self._hours) and self._hours[after] - self._hours[after - 1] <= 2.0 * READING_HOLDS_H
        if near and self._hours[after] < self._since_stay(stay + 1):
            share = since / (self._hours[after] - self._hours[after - 1])
            return self._celsius[after - 1] + share * (self._celsius[after] - self._celsius[after - 1])
        return self._celsius[after - 1] if since <= READING_HOLDS_H else None

    def _since_stay(self, stay: int) -> float:
        if stay >= len(self._stays):
            return math.inf
        return self._hour(self._stays[stay].since) if stay else -math.inf
