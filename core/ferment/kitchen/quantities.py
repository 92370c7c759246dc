"""Units of mass and volume, spoons and cups, and what a kitchen scale can show."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
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


@dataclass(frozen=True)
class Spoonful:
    """So many level cups, tablespoons or teaspoons."""

    count: float
    unit: Unit


# The smallest measure that a kitchen has is a quarter of a teaspoon.
SPOON_STEP = 0.25


def in_spoons(millilitres: float) -> tuple[Spoonful, ...]:
    """A volume in the spoons and cups that there are, to the nearest quarter of a teaspoon, at least one quarter.

    Whole cups first, then whole tablespoons, the rest in teaspoons: `1 cup 2 tbsp ¼ tsp`.
    """
    per = MILLILITRES_PER
    quarters = max(1, steps_of(abs(millilitres) / per[Unit.TEASPOON], SPOON_STEP))
    made: list[Spoonful] = []
    for unit in (Unit.CUP, Unit.TABLESPOON):
        size = round(per[unit] / per[Unit.TEASPOON] / SPOON_STEP)
        count, quarters = divmod(quarters, size)
        if count:
            made.append(Spoonful(float(count), unit))
    if quarters:
        made.append(Spoonful(quarters * SPOON_STEP, Unit.TEASPOON))
    return tuple(made)


def grams(value: float, field: str, *, least: float = LEAST_G) -> float:
    """An amount in grams that a kitchen could mean: from `least` to 10 kg.

    Raises Refusal (not_a_number, out_of_range).
    """
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
