"""Units of mass, volume and temperature, and what a kitchen scale can show."""

from __future__ import annotations

import math
from collections.abc import Mapping
from enum import StrEnum

from ..refusal import Refusal, RefusalCode, within

LEAST_G = 0.0
MOST_G = 10_000.0


class Unit(StrEnum):
    """What a baker measures an amount in. A volume becomes a weight only by what is in it (see `flours`)."""

    GRAM = "g"
    OUNCE = "oz"
    MILLILITRE = "ml"
    TEASPOON = "tsp"
    TABLESPOON = "tbsp"
    CUP = "cup"


# International avoirdupois ounce and US customary volumes, exact by definition (NIST Special Publication 811, app. B).
GRAMS_PER: Mapping[Unit, float] = {Unit.GRAM: 1.0, Unit.OUNCE: 28.349523125}
MILLILITRES_PER: Mapping[Unit, float] = {
    Unit.MILLILITRE: 1.0,
    Unit.TEASPOON: 4.92892159375,
    Unit.TABLESPOON: 14.78676478125,
    Unit.CUP: 236.5882365,
}


def unit_named(name: str, field: str = "unit") -> Unit:
    try:
        return Unit(name)
    except ValueError:
        raise Refusal(RefusalCode.UNKNOWN_UNIT, field, {"given": name[:40], "known": ", ".join(Unit)}) from None


def to_grams(value: float, unit: Unit, g_per_ml: float = 1.0) -> float:
    """An amount in grams; `g_per_ml` is how heavy the thing is by volume (water 1)."""
    return value * (GRAMS_PER[unit] if unit in GRAMS_PER else MILLILITRES_PER[unit] * g_per_ml)


def from_grams(grams: float, unit: Unit, g_per_ml: float = 1.0) -> float:
    return grams / to_grams(1.0, unit, g_per_ml)


def to_celsius(fahrenheit: float) -> float:
    return (fahrenheit - 32.0) / 1.8


def to_fahrenheit(celsius: float) -> float:
    return celsius * 1.8 + 32.0


def grams(value: float, field: str, *, least: float = LEAST_G) -> float:
    """An amount in grams that a kitchen could mean: from `least` to 10 kg. Raises Refusal."""
    return within(value, least, MOST_G, field)


def steps_of(value: float, step: float) -> int:
    """How many scale steps `value` is, to the nearest; halves go up, as on a scale's display."""
    # A sum of tenths must not fall under its half by the last bit of a float.
    return math.floor(round(value / step, 9) + 0.5)


def on_scale(value: float, step: float) -> float:
    """`value` as a scale that shows multiples of `step` grams would show it.

    Sums and multiples of 0.1 are rounded to six places, so that 0.1 + 0.2 reads 0.3.
    """
    return round(steps_of(value, step) * step, 6)
