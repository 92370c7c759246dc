"""Mornings and evenings of many kitchens over the time zones: how many requests a second, and how many cores, at the
busiest minute.

PYTHONPATH=core:. .venv/bin/python -m bench peaks

What one visit asks for is counted from the front end (a page, the kitchen, a jar, a look or two, what is asked again
after a write, a kitchen left open); what each costs is measured by `bench/server.py` (docs/performance.md). When bakers
come, and how they are spread over the zones, is assumed, and said beside the numbers.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np

DAY_MIN = 24 * 60


@dataclass(frozen=True)
class Asked:
    """How often in one visit, and what it takes of one core, in ms."""

    times: float
    ms: float


# Of a kitchen of two jars. The kitchen after a write is worked out for the jar that changed.
VISIT: Mapping[str, Asked] = {
    "page and session": Asked(2.0, 4.0),
    "kitchen, kept from before": Asked(1.0, 59.0),
    "a jar's page": Asked(1.5, 15.0),
    "a look or a feed": Asked(1.5, 20.0),
    "kitchen and jar again after a write": Asked(1.5, 75.0),
    "a kitchen left open, each minute": Asked(4.0, 9.0),
}
# Visits of a baker by local time: share of bakers on a day, middle and spread in minutes of the day (assumed).
COMES = ((0.9, 7.5 * 60, 50.0), (0.5, 13.0 * 60, 120.0), (0.95, 19.5 * 60, 80.0))
# Reminders look at each kitchen at least once an hour.
REMINDED_MS_A_DAY = 24 * 30.0
# Where bakers live, by hours from UTC (assumed): all in one zone is the worst there is.
ZONES: Mapping[str, Mapping[int, float]] = {
    "one zone": {0: 1.0},
    "Europe": {0: 0.25, 1: 0.6, 2: 0.15},
    "the world": {-8: 0.1, -6: 0.08, -5: 0.17, -3: 0.08, 0: 0.1, 1: 0.22, 2: 0.08, 5: 0.05, 8: 0.06, 9: 0.03, 10: 0.03},
}
# How many processors may be busy before lines form, at peaks that a day exceeds by chance.
BUSY = 0.6


def visits_a_minute(zones: Mapping[int, float]) -> np.ndarray[tuple[int], np.dtype[np.float64]]:
    """Of one kitchen, over a day in UTC."""
    minutes = np.arange(DAY_MIN, dtype=np.float64)
    found = np.zeros(DAY_MIN)
    for share, middle, spread in COMES:
        # Around midnight a day has no end.
        off = (minutes - middle + DAY_MIN / 2) % DAY_MIN - DAY_MIN / 2
        bell = np.exp(-0.5 * (off / spread) ** 2)
        found += share * bell / bell.sum()
    whole = sum(zones.values())
    return sum(part / whole * np.roll(found, -hours * 60) for hours, part in zones.items())  # type: ignore[return-value]


def report() -> Iterator[str]:
    asked = sum(one.times for one in VISIT.values())
    ms = sum(one.times * one.ms for one in VISIT.values())
    a_day = sum(share for share, _, _ in COMES)
    day_s = (ms * a_day + REMINDED_MS_A_DAY) / 1e3
    yield f"one kitchen: {a_day:.1f} visits a day, {asked * a_day:.0f} requests, {day_s:.1f} s of one core"
    for name, zones in ZONES.items():
        rate = visits_a_minute(zones)
        peak, mean = float(rate.max()), float(rate.mean())
        for kitchens in (1_000, 10_000, 1_000_000):
            second = peak * kitchens / 60.0
            cores = second * ms / 1e3 + REMINDED_MS_A_DAY * kitchens / 86_400_000
            yield (
                f"{name}, {kitchens:>9,} kitchens: {second * asked:8.1f} requests a second at the peak "
                f"({peak / mean:.1f} × the mean), {cores / BUSY:7.1f} cores"
            )
