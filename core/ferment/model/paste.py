"""What a paste of flour and water brings and holds: native life, buffering, food, the most gas it can hold."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, fields

from ..kitchen.flours import Flour, FlourLot, weight
from .kinetics import BUFFER

# It holds most when a little stiffer than 100 %.
BEST_THICKNESS = 0.75


@dataclass(frozen=True)
class FlourKind:
    """What a flour brings per gram: native yeast, lactic and early bacteria (as parts of a mature density), buffering,
    how high its paste can stand, food, and how well it wakes what sleeps (bran and germ do)."""

    yeast: float
    lactic: float
    early: float
    buffer: float
    height: float
    food: float
    wakes: float


# Set to match practice; the order is rye, whole wheat, white, gluten-free. The spread of the yeast is larger than
# counted (10 to 100 ×): here it also stands for how fit the wild strains are.
FLOURS: Mapping[Flour, FlourKind] = {
    Flour.WHITE: FlourKind(2.0e-8, 4.5e-7, 7.2e-5, 0.90, 1.70, 1.00, 0.5),
    Flour.HIGH_EXTRACTION: FlourKind(2.4e-7, 1.2e-6, 2.3e-4, 0.98, 1.62, 1.02, 0.6),
    Flour.WHOLE_WHEAT: FlourKind(2.8e-6, 3.0e-6, 7.1e-4, 1.05, 1.54, 1.05, 1.1),
    Flour.SPELT: FlourKind(2.8e-6, 3.0e-6, 6.0e-4, 1.05, 1.42, 1.05, 1.0),
    Flour.EINKORN: FlourKind(2.8e-6, 3.0e-6, 6.0e-4, 1.05, 1.25, 1.05, 1.0),
    Flour.RYE: FlourKind(3.6e-5, 5.1e-6, 3.3e-4, 1.10, 1.17, 1.10, 1.0),
    Flour.GLUTEN_FREE: FlourKind(1.0e-9, 2.6e-7, 1.8e-5, 0.90, 1.33, 0.95, 1.0),
}

# A soak has next to no flour; the numbers that divide by it need a little.
LEAST_FLOUR_SHARE = 1e-3
# Water with a trace of flour in it holds next to no gas and buffers next to nothing; the model divides by both.
LEAST_HELD = 1e-3

# A kind that weighs nothing in a blend.
NO_FLOUR = FlourKind(0.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0)


@dataclass(frozen=True)
class Paste:
    """What the paste is made of: flour as a share of its weight, its flours together, salt in per cent of them."""

    flour_share: float
    kind: FlourKind
    salt_percent: float

    @property
    def thickness(self) -> float:
        """Water to flour, 1 at 100 %."""
        return max(1e-3, (1.0 - self.flour_share) / self.flour_share)

    @property
    def most_gas(self) -> float:
        """The most gas it can hold, in volumes of itself: most when a little stiffer than 100 %, less when wet."""
        off = math.log(self.thickness / BEST_THICKNESS)
        return max(LEAST_HELD, self.kind.height * math.exp(-(off**2)))

    @property
    def buffer(self) -> float:
        return max(LEAST_HELD, BUFFER * self.kind.buffer * 2.0 * self.flour_share)


def paste_of(lot: FlourLot, liquid_g: float, salt_g: float) -> Paste:
    """The paste that flours, liquid and salt make together, in grams."""
    flour_g = weight(lot)
    total = flour_g + liquid_g + salt_g
    share = max(flour_g / total, LEAST_FLOUR_SHARE) if total else LEAST_FLOUR_SHARE
    kind = blended([(part.g, FLOURS[part.flour]) for part in lot]) if flour_g else NO_FLOUR
    return Paste(share, kind, 100.0 * salt_g / flour_g if flour_g else 0.0)


def blended(parts: Sequence[tuple[float, FlourKind]]) -> FlourKind:
    """Flours taken together, by weight."""
    whole = sum(g for g, _ in parts) or 1.0
    return FlourKind(*(sum(g * getattr(kind, one.name) for g, kind in parts) / whole for one in fields(FlourKind)))
