"""How warm a jar stands: one value, a day and a night, the thermometer's own log, and nights in the fridge."""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta, tzinfo

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
class Place:
    """The kitchen as told: its warmth by day, by night where that differs, and what a thermometer wrote down."""

    day_c: float
    night_c: float | None = None
    zone: tzinfo = UTC
    readings: tuple[Degrees, ...] = ()


class Warmth:
    """Degrees Celsius at any hour, hours counted from a moment; a change comes to the jar with its settling time."""

    def __init__(self, place: Place, since: datetime, cold: Sequence[tuple[datetime, datetime | None]] = ()) -> None:
        self._place = place
        offset = since.astimezone(place.zone)
        self._clock = offset.hour + offset.minute / 60.0
        ordered = sorted(place.readings, key=lambda one: one.at)
        self._hours = [(one.at - since) / timedelta(hours=1) for one in ordered]
        self._celsius = [one.celsius for one in ordered]
        self._cold = [
            ((start - since) / timedelta(hours=1), math.inf if end is None else (end - since) / timedelta(hours=1))
            for start, end in cold
        ]

    def __call__(self, hour: float) -> float:
        room = self._room(hour)
        for start, end in self._cold:
            if start <= hour < end:
                return FRIDGE_C + (room - FRIDGE_C) * math.exp(-(hour - start) / SETTLING_H)
            if hour >= end and hour - end < 6.0 * SETTLING_H:
                return room - (room - FRIDGE_C) * math.exp(-(hour - end) / SETTLING_H)
        return room

    def _room(self, hour: float) -> float:
        read = self._read(hour)
        if read is not None:
            return read
        if self._place.night_c is None:
            return self._place.day_c
        clock = (self._clock + hour) % 24.0
        return self._place.night_c if clock >= NIGHT_FROM or clock < NIGHT_TO else self._place.day_c

    def _read(self, hour: float) -> float | None:
        """Between two readings near each other by a straight line, after one for a while as it said."""
        after = bisect_right(self._hours, hour)
        if after == 0:
            return None
        since = hour - self._hours[after - 1]
        if after < len(self._hours) and self._hours[after] - self._hours[after - 1] <= 2.0 * READING_HOLDS_H:
            share = since / (self._hours[after] - self._hours[after - 1])
            return self._celsius[after - 1] + share * (self._celsius[after] - self._celsius[after - 1])
        return self._celsius[after - 1] if since <= READING_HOLDS_H else None
