"""Units of mass, volume and temperature, and what a kitchen scale can show."""

from __future__ import annotations

import math
from collections.abc import Mapping
from enum import StrEnum

from .refusal import within

LEAST_G = 0.0
MOST_G = 10_000.0


class MassUnit(StrEnum):
    GRAM = "g"
    OUNCE = "oz"


class VolumeUnit(StrEnum):
    MILLILITRE = "ml"
    TEASPOON = "tsp"
    TABLESPOON = "tbsp"
    CUP = "cup"


# International avoirdupois ounce and US customary volumes, exact by definition (NIST Special Publication 811, app. B).
GRAMS_PER: Mapping[MassUnit, float] = {MassUnit.GRAM: 1.0, MassUnit.OUNCE: 28.349523125}
MILLILITRES_PER: Mapping[VolumeUnit, float] = {
    VolumeUnit.MILLILITRE: 1.0,
    VolumeUnit.TEASPOON: 4.92892159375,
    VolumeUnit.TABLESPOON: 14.78676478125,
    VolumeUnit.CUP: 236.5882365,
}


def to_grams(value: float, unit: MassUnit) -> float:
    return value * GRAMS_PER[unit]


def from_grams(grams: float, unit: MassUnit) -> float:
    return grams / GRAMS_PER[unit]


def to_millilitres(value: float, unit: VolumeUnit) -> float:
    return value * MILLILITRES_PER[unit]


def from_millilitres(millilitres: float, unit: VolumeUnit) -> float:
    return millilitres / MILLILITRES_PER[unit]


def to_celsius(fahrenheit: float) -> float:
    return (fahrenheit - 32.0) / 1.8


def to_fahrenheit(celsius: float) -> float:
    return celsius * 1.8 + 32.0


def grams(value: float, field: str, *, least: float = LEAST_G) -> float:
    """An amount in grams that a kitchen could mean: from `least` to 10 kg. Raises Refusal."""
    return within(value, least, MOST_G, field)


def steps_of(value: float, step: float) -> int:
    """How many scale steps `value` is, to the nearest; halves go up, as on a scale's display."""
    return math.floor(value / step + 0.5)


def on_scale(value: float, step: float) -> float:
    """`value` as a scale that shows multiples of `step` grams would show it.

    Sums and multiples of 0.1 are rounded to six places, so that 0.1 + 0.2 reads 0.3.
    """
    return round(steps_of(value, step) * step, 6)
