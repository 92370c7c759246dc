"""Units of mass and volume, spoons and cups, and what a kitchen scale can show."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

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
# Measuring cups come in these parts of one, and a third is filled twice (common practice).
CUP_PARTS = (0.25, 1 / 3, 0.5, 2 / 3, 0.75)
# Nobody fills a spoon or a cup closer than this share of it (common practice: flour varies by a tenth).
NEAR_ENOUGH = 1 / 16


@lru_cache(maxsize=4096)
def in_spoons(millilitres: float) -> tuple[Spoonful, ...]:
    """A volume in the fewest spoons and cups that there are and that come within a sixteenth of it: `½ cup`, or
    `1 cup 2 tbsp`, or `1 tbsp ½ tsp`; to the nearest quarter of a teaspoon, at least one, where nothing else does."""
    wanted = abs(millilitres)
    whole = wanted // MILLILITRES_PER[Unit.CUP]
    cups = [Spoonful(whole + part, Unit.CUP) for part in (0.0, *CUP_PARTS, 1.0) if whole + part]
    spoons = [Spoonful(float(count), unit) for unit, most in SPOONS_BESIDE for count in range(1, most + 1)]
    measures: tuple[list[tuple[Spoonful, ...]], ...] = (
        [(cup,) for cup in cups],
        [(Spoonful(float(count), Unit.TABLESPOON),) for count in range(1, MOST_TABLESPOONS + 1)],
        [(cup, spoon) for cup in cups for spoon in spoons],
    )
    for made in measures:
        best = min(made, key=lambda one: abs(_millilitres(one) - wanted))
        if abs(_millilitres(best) - wanted) <= NEAR_ENOUGH * wanted:
            return best
    return _to_the_quarter_teaspoon(wanted)


# What comes out even in so many tablespoons is counted in them, rather than in parts of a cup and a rest.
MOST_TABLESPOONS = 7
# More tablespoons than three are a quarter of a cup, more teaspoons than two a tablespoon.
SPOONS_BESIDE = ((Unit.TABLESPOON, 3), (Unit.TEASPOON, 2))


def _millilitres(made: tuple[Spoonful, ...]) -> float:
    return sum(part.count * MILLILITRES_PER[part.unit] for part in made)


def _to_the_quarter_teaspoon(wanted: float) -> tuple[Spoonful, ...]:
    quarters = max(1, steps_of(wanted / MILLILITRES_PER[Unit.TEASPOON], SPOON_STEP))
    spoons, rest = divmod(quarters, round(3 / SPOON_STEP))
    made = (Spoonful(float(spoons), Unit.TABLESPOON), Spoonful(rest * SPOON_STEP, Unit.TEASPOON))
    return tuple(part for part in made if part.count)


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
