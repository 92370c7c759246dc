"""Amounts for a kitchen without a scale: in spoons and cups that there are, and the seed as a part of the jar by eye.

Grams stay the truth; a spoon of flour varies by a tenth with how it was filled (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..kitchen.flours import Flour, FlourLot, FlourShare, g_per_ml
from ..kitchen.quantities import Spoonful, in_spoons
from ..kitchen.vessel import PASTE_G_PER_ML

# Parts of a jar that an eye can judge, and how near one must be to be called so (common practice).
EYE_PARTS = (1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4)
EYE_NEAR = 0.04
# Grams of salt in a level millilitre (fine salt, common practice).
SALT_G_PER_ML = 1.2


@dataclass(frozen=True)
class FlourSpoons:
    flour: Flour
    spoons: tuple[Spoonful, ...]


@dataclass(frozen=True)
class ByHand:
    """A feed in spoons and cups; `keep_part` is the part of the jar that stays, where an eye can judge it."""

    keep: tuple[Spoonful, ...]
    keep_part: float | None
    water: tuple[Spoonful, ...]
    juice: tuple[Spoonful, ...]
    flours: tuple[FlourSpoons, ...]
    salt: tuple[Spoonful, ...]
    hold_back: tuple[Spoonful, ...]


def of_feed(
    keep_g: float,
    flours: FlourLot,
    water_g: float,
    juice_g: float,
    salt_g: float,
    hold_back_g: float = 0.0,
    keep_part: float | None = None,
) -> ByHand:
    return ByHand(
        keep=of_seed(keep_g),
        keep_part=keep_part,
        water=of_liquid(water_g),
        juice=of_liquid(juice_g),
        flours=tuple(FlourSpoons(part.flour, of_flour(part.flour, part.g)) for part in flours),
        salt=of_salt(salt_g),
        hold_back=of_liquid(hold_back_g),
    )


def by_eye(part_g: float, whole_g: float) -> float | None:
    """The part of a jar that an eye would call it: a quarter to three quarters; None for less, more, or in between."""
    if whole_g <= 0:
        return None
    share = part_g / whole_g
    best = min(EYE_PARTS, key=lambda part: abs(part - share))
    return best if abs(best - share) <= EYE_NEAR else None


def of_liquid(g: float) -> tuple[Spoonful, ...]:
    return in_spoons(g) if g else ()


def of_seed(g: float) -> tuple[Spoonful, ...]:
    return in_spoons(g / PASTE_G_PER_ML) if g else ()


def of_flour(flour: Flour, g: float) -> tuple[Spoonful, ...]:
    return in_spoons(g / g_per_ml((FlourShare(flour, 1.0),))) if g else ()


def of_salt(g: float) -> tuple[Spoonful, ...]:
    return in_spoons(g / SALT_G_PER_ML) if g else ()
