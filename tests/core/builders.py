"""Short ways to write logs and set-ups in tests, and hypothesis strategies for them."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from hypothesis import strategies as st

from ferment.kitchen.flours import Flour, FlourGrams, FlourLot
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.protocol.options import Choices
from ferment.record.log import Feed, Log, Look, Top
from ferment.setups import Setup

START = datetime(2026, 3, 2, 8, 0, tzinfo=UTC)
VESSEL = Vessel(tare_g=412.0, volume_ml=500.0, height_mm=120.0)


def hours(count: float) -> timedelta:
    return timedelta(hours=count)


def setup(every_h: int = 24, seed_g: float = 30.0, blend: dict[str, float] | None = None) -> Setup:
    flours = blend or {"white": 1.0}
    choices: Choices = {
        "every_hours": float(every_h),
        "seed_grams": seed_g,
        "start_grams": seed_g,
        "blend": flours,
        "first_blend": flours,
    }
    return Setup("equal_parts", choices, VESSEL, START)


def lot(**grams: float) -> FlourLot:
    return tuple(FlourGrams(Flour(name), g) for name, g in grams.items())


def feed(at_h: float, keep_g: float = 30.0, flour_g: float = 30.0, water_g: float = 30.0, id: str = "") -> Feed:  # noqa: A002
    return Feed(id or f"feed-{at_h}", START + hours(at_h), keep_g, lot(white=flour_g), water_g, 0.0, None)


def first_mix(flour_g: float = 30.0, water_g: float = 30.0) -> Feed:
    return feed(0.0, 0.0, flour_g, water_g, id="mix")


def look(
    at_h: float, times: float | None = None, unit: LevelUnit = LevelUnit.TIMES, top: frozenset[Top] = frozenset()
) -> Look:
    level = None if times is None else Level(times, unit)
    return Look(f"look-{at_h}", START + hours(at_h), level, None, top, frozenset(), None, has_note=False)


def daily(feeds: int) -> Log:
    """A first mix and so many feeds to the hour."""
    return (first_mix(), *(feed(24.0 * day) for day in range(1, feeds + 1)))


grams = st.floats(min_value=1.0, max_value=2_000.0).map(lambda value: round(value, 1))
parts = st.floats(min_value=0.1, max_value=20.0).map(lambda value: round(value, 2))
blends = st.dictionaries(st.sampled_from([flour.value for flour in Flour]), parts, min_size=1, max_size=4)
lots = st.dictionaries(st.sampled_from(list(Flour)), grams, min_size=1, max_size=3).map(
    lambda weights: tuple(FlourGrams(flour, g) for flour, g in weights.items())
)
