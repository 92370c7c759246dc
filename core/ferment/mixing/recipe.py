"""A recipe's starter for a jar wetter or stiffer than the recipe's: as much flour, the rest in water."""

from __future__ import annotations

from dataclasses import dataclass

from ..kitchen.quantities import grams, on_scale
from ..refusal import within
from .feeding import known_step

LEAST_HYDRATION, MOST_HYDRATION = 40.0, 250.0


@dataclass(frozen=True)
class Swap:
    """So much of the own starter in place of the recipe's, in g, and what that changes of the recipe's water (negative:
    so much less). `flour_g` is what both bring."""

    starter_g: float
    water_change_g: float
    flour_g: float


def swap(recipe_g: float, recipe_percent: float, own_percent: float, *, step: float = 1.0) -> Swap:
    """Own starter at `own_percent` (water to flour) for `recipe_g` at `recipe_percent`, so that the dough stays as it
    is: the flour of both is the same, and the water in all.

    Raises Refusal (not_a_choice, not_a_number, out_of_range).
    """
    known_step(step)
    asked = grams(recipe_g, "recipe_g", least=step)
    wet = within(recipe_percent, LEAST_HYDRATION, MOST_HYDRATION, "recipe_percent") / 100.0
    own = within(own_percent, LEAST_HYDRATION, MOST_HYDRATION, "own_percent") / 100.0
    flour = asked / (1.0 + wet)
    return Swap(
        starter_g=on_scale(flour * (1.0 + own), step),
        water_change_g=on_scale(flour * abs(wet - own), step) * (1.0 if wet >= own else -1.0),
        flour_g=round(flour, 1),
    )
