"""Kinds of flour, blends of them by weight, and what a spoon or a cup of each weighs."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..refusal import Refusal, RefusalCode
from .quantities import MILLILITRES_PER, Unit, from_grams, grams, on_scale, steps_of, to_grams


class Flour(StrEnum):
    RYE = "rye"
    WHOLE_WHEAT = "whole_wheat"
    HIGH_EXTRACTION = "high_extraction"
    WHITE = "white"
    SPELT = "spelt"
    EINKORN = "einkorn"
    GLUTEN_FREE = "gluten_free"


# Grams in a level US cup. White, whole wheat and rye (dark) are the household weights of USDA FoodData Central, from
# memory; the others are common practice.
GRAMS_PER_CUP: Mapping[Flour, float] = {
    Flour.RYE: 128.0,
    Flour.WHOLE_WHEAT: 120.0,
    Flour.HIGH_EXTRACTION: 122.0,
    Flour.WHITE: 125.0,
    Flour.SPELT: 120.0,
    Flour.EINKORN: 120.0,
    Flour.GLUTEN_FREE: 140.0,
}


@dataclass(frozen=True)
class FlourShare:
    """One flour of a blend; the shares of a blend sum to 1."""

    flour: Flour
    share: float


Blend = tuple[FlourShare, ...]


@dataclass(frozen=True)
class FlourGrams:
    """An amount of one flour, in grams."""

    flour: Flour
    g: float


FlourLot = tuple[FlourGrams, ...]


def flour_named(name: str, field: str = "flour") -> Flour:
    try:
        return Flour(name)
    except ValueError:
        raise Refusal(RefusalCode.UNKNOWN_FLOUR, field, {"given": name[:40], "known": ", ".join(Flour)}) from None


def blend_of(parts: Mapping[str, float], field: str = "blend") -> Blend:
    """A blend from parts by weight in any unit (white 10, whole wheat 1).

    Raises Refusal (no_flour, not_a_number, out_of_range, unknown_flour).
    """
    weighed = {flour_named(name, field): grams(part, field) for name, part in parts.items()}
    whole = sum(weighed.values())
    if whole <= 0:
        raise Refusal(RefusalCode.NO_FLOUR, field)
    return tuple(FlourShare(flour, part / whole) for flour, part in weighed.items() if part > 0)


def g_per_ml(blend: Blend) -> float:
    """How heavy a level cup of a blend is by volume: the flours' own weights, each by its share of the weight."""
    return 1.0 / sum(part.share * MILLILITRES_PER[Unit.CUP] / GRAMS_PER_CUP[part.flour] for part in blend)


def flour_to_grams(value: float, unit: Unit, blend: Blend) -> float:
    """`2 tbsp` of rye in grams. Weight beats volume: how a cup was filled moves it by a tenth (common practice)."""
    return to_grams(value, unit, g_per_ml(blend))


def flour_from_grams(g: float, unit: Unit, blend: Blend) -> float:
    return from_grams(g, unit, g_per_ml(blend))


def divide(total_g: float, blend: Blend, step: float) -> FlourLot:
    """`total_g` (a multiple of `step`) divided by a blend, each part a multiple of `step`, the sum kept.

    Largest remainder: every part is less than one step from its exact share.
    """
    whole = steps_of(total_g, step)
    exact = [part.share * whole for part in blend]
    counts = [int(value) for value in exact]
    by_remainder = sorted(range(len(blend)), key=lambda i: (counts[i] - exact[i], i))
    for i in by_remainder[: whole - sum(counts)]:
        counts[i] += 1
    return tuple(
        FlourGrams(part.flour, on_scale(count * step, step)) for part, count in zip(blend, counts, strict=True) if count
    )


def combine(lots: Iterable[FlourLot]) -> FlourLot:
    """All lots in one, a flour once, in the order of the kinds."""
    sums: dict[Flour, float] = {}
    for lot in lots:
        for part in lot:
            sums[part.flour] = sums.get(part.flour, 0.0) + part.g
    return tuple(FlourGrams(flour, sums[flour]) for flour in Flour if sums.get(flour, 0.0) > 0)


def weight(lot: FlourLot) -> float:
    return sum(part.g for part in lot)


def scaled(lot: FlourLot, factor: float) -> FlourLot:
    return tuple(FlourGrams(part.flour, part.g * factor) for part in lot)
