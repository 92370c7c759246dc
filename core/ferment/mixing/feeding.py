"""The arithmetic of a feed: seed, flour and water by a ratio, from whichever end the baker begins."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Blend, FlourLot, divide
from ..kitchen.quantities import Unit, grams, on_scale
from ..kitchen.vessel import ROOM_WANTED, Vessel, headroom
from ..refusal import Refusal, RefusalCode, within
from . import by_hand as hand

SCALE_STEPS = (0.1, 1.0, 5.0)
# Salt is weighed in tenths whatever the scale shows otherwise: 0.3 % of a feed's flour is less than a gram.
SALT_STEP = 0.1


@dataclass(frozen=True)
class Ratio:
    """Seed : flour : water by weight."""

    seed: float
    flour: float
    water: float

    def __str__(self) -> str:
        return ":".join(f"{part:g}" for part in (self.seed, self.flour, self.water))

    @property
    def whole(self) -> float:
        return self.seed + self.flour + self.water


def parse_ratio(text: str, field: str = "ratio") -> Ratio:
    """Read `1:2:2`. Two parts are refused, never guessed: `1:1` is said of flour and water, and of seed and flour."""
    parts = [part.strip() for part in text.split(":")]
    if not all(re.fullmatch(r"\d{1,5}(\.\d{1,3})?", part, re.ASCII) for part in parts):
        raise Refusal(RefusalCode.RATIO_FORM, field, {"example": "1:2:2"})
    if len(parts) == 2:
        first, second = parts
        readings = {"as_flour_and_water": f"1:{first}:{second}", "as_seed_and_flour": f"{first}:{second}:{second}"}
        raise Refusal(RefusalCode.RATIO_TWO_PARTS, field, {"given": f"{first}:{second}", **readings})
    if len(parts) != 3:
        raise Refusal(RefusalCode.RATIO_FORM, field, {"example": "1:2:2"})
    seed, flour, water = (float(part) for part in parts)
    if not (seed and flour and water):
        raise Refusal(RefusalCode.RATIO_WITHOUT_FOOD, field, {"example": "1:2:2"})
    return Ratio(seed, flour, water)


class Ingredient(StrEnum):
    SEED = "seed"
    FLOUR = "flour"
    WATER = "water"
    JUICE = "juice"
    SALT = "salt"


@dataclass(frozen=True)
class Measured:
    """An amount as the method says it (2 tbsp of rye), beside its grams."""

    what: Ingredient
    value: float
    unit: Unit


@dataclass(frozen=True)
class FeedPlan:
    """One feed to weigh out. Grams, multiples of the scale's step.

    `keep_g` is what is left of the jar, or for a first mix the culture put in (0 for flour and water alone). `juice_g`
    stands in for water. `hold_back_g` of the water is kept at hand until the thickness shows whether it is needed.
    `mix_ahead` is the blend where so little of it cannot be weighed apart: it is mixed ahead, and taken from that.
    `keep_part` is the part of the jar that is kept, where an eye can judge it.
    """

    keep_g: float
    flours: FlourLot
    water_g: float
    salt_g: float
    total_g: float
    ratio: str
    fresh_hydration_percent: float | None
    juice_g: float = 0.0
    hold_back_g: float = 0.0
    measured: tuple[Measured, ...] = ()
    mix_ahead: Blend = ()
    is_by_hand: bool = False
    keep_part: float | None = None

    @property
    def by_hand(self) -> hand.ByHand | None:
        """The same in spoons, cups and by eye, where that is how it is measured."""
        if not self.is_by_hand:
            return None
        parts = (self.keep_g, self.flours, self.water_g, self.juice_g, self.salt_g, self.hold_back_g, self.keep_part)
        return hand.of_feed(*parts)

    @property
    def flour_g(self) -> float:
        return sum(part.g for part in self.flours)

    @property
    def liquid_g(self) -> float:
        return self.water_g + self.juice_g


def plan_feed(keep_g: float, ratio: Ratio, blend: Blend, *, salt_percent: float = 0.0, step: float = 1.0) -> FeedPlan:
    """The flour, water and salt for `keep_g` of seed.

    Flour and water are each within half a scale step of the exact ratio. `salt_percent` is of the flour.
    Raises Refusal (not_a_choice, not_a_number, out_of_range) for amounts that no kitchen means and for a step no scale
    has.
    """
    known_step(step)
    keep = on_scale(grams(keep_g, "keep_g", least=step), step)
    unit = keep / ratio.seed
    flour, water = grams(unit * ratio.flour, "flour_g"), grams(unit * ratio.water, "water_g")
    if on_scale(flour, step) <= 0 or on_scale(water, step) <= 0:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "keep_g", {"least": step, "most": 10_000.0})
    return weighed(keep, flour, water, blend, salt_percent=salt_percent, step=step)


def plan_total(total_g: float, ratio: Ratio, blend: Blend, *, salt_percent: float = 0.0, step: float = 1.0) -> FeedPlan:
    """A feed by `ratio` of which seed, flour and water make `total_g` to within half a scale step.

    Each stands within a step of the exact ratio of what is made: what rounding leaves over goes to the water.
    Raises Refusal as `plan_feed` does.
    """
    known_step(step)
    total = on_scale(grams(total_g, "total_g", least=step), step)
    keep = on_scale(seed_for_total(total, ratio), step)
    flour = on_scale((total - keep) * ratio.flour / (ratio.flour + ratio.water), step)
    water = round(total - keep - flour, 6)
    if keep <= 0 or flour <= 0 or water <= 0:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "total_g", {"least": step, "most": 10_000.0})
    return weighed(keep, flour, water, blend, salt_percent=salt_percent, step=step)


def known_step(step: float) -> None:
    if step not in SCALE_STEPS:
        raise Refusal(RefusalCode.NOT_A_CHOICE, "scale_step", {"known": ", ".join(f"{s:g}" for s in SCALE_STEPS)})


def weighed(
    keep: float,
    flour: float,
    water: float,
    blend: Blend,
    *,
    juice: float = 0.0,
    salt_percent: float = 0.0,
    step: float = 1.0,
) -> FeedPlan:
    """Exact amounts as the scale can show them, the total being the sum of what it shows."""
    within(salt_percent, 0.0, 5.0, "salt_percent")
    flour_g = on_scale(grams(flour, "flour_g"), step)
    water_g = on_scale(grams(water, "water_g"), step)
    juice_g = on_scale(grams(juice, "juice_g"), step)
    salt_g = on_scale(flour_g * salt_percent / 100.0, SALT_STEP)
    return FeedPlan(
        keep_g=keep,
        flours=divide(flour_g, blend, step),
        water_g=water_g,
        juice_g=juice_g,
        salt_g=salt_g,
        total_g=round(keep + flour_g + water_g + juice_g + salt_g, 6),
        ratio=ratio_as_weighed(keep, flour_g, water_g + juice_g),
        fresh_hydration_percent=round(100.0 * (water_g + juice_g) / flour_g, 1) if flour_g else None,
        mix_ahead=blend if _is_lost(flour_g, blend, step) else (),
    )


# A part of a blend that is off by more than this of itself is not that blend any more.
OFF_SHARE = 0.34


def _is_lost(flour_g: float, blend: Blend, step: float) -> bool:
    there = {part.flour: part.g for part in divide(flour_g, blend, step)}
    exact = {part.flour: part.share * flour_g for part in blend}
    return any(abs(there.get(flour, 0.0) - g) > OFF_SHARE * g + 1e-9 for flour, g in exact.items() if g > 0)


def ratio_as_weighed(keep_g: float, flour_g: float, water_g: float) -> str:
    """The ratio that amounts make, the seed as 1, to two places; a first mix reads `0:1:1`."""
    unit = keep_g or flour_g
    if not unit:
        return "0:0:0"
    parts = (keep_g / unit, flour_g / unit, water_g / unit)
    return ":".join(f"{round(part, 2):g}" for part in parts)


# --- from the other ends ---


def seed_for_total(total_g: float, ratio: Ratio) -> float:
    """The seed, in g, of which a feed by `ratio` makes `total_g`."""
    return grams(total_g, "total_g") * ratio.seed / ratio.whole


def seed_for_jar(vessel: Vessel, ratio: Ratio, likely_rise: float = ROOM_WANTED) -> float:
    """The most seed, in g, whose feed by `ratio` can rise `likely_rise` times in this jar."""
    return seed_for_total(headroom(vessel, 1.0, likely_rise).most_total_g, ratio)


def seed_for_flour(flour_g: float, ratio: Ratio) -> float:
    """The seed, in g, that what is left of the flour can feed by `ratio`."""
    return grams(flour_g, "flour_g") * ratio.seed / ratio.flour


@dataclass(frozen=True)
class From:
    """Where a feed's size comes from: the seed, the total wanted, what the jar takes, or the flour that is left."""

    seed_g: float | None = None
    total_g: float | None = None
    vessel: Vessel | None = None
    flour_g: float | None = None


def seed_from(size: From, ratio: Ratio) -> float:
    """The seed in g, from the one end that is given.

    Raises Refusal (does_not_fit_together, not_a_number, out_of_range) when none or several are.
    """
    ends: list[Callable[[], float]] = []
    if size.seed_g is not None:
        ends.append(lambda: grams(size.seed_g or 0.0, "keep_g"))
    if size.total_g is not None:
        ends.append(lambda: seed_for_total(size.total_g or 0.0, ratio))
    if size.flour_g is not None:
        ends.append(lambda: seed_for_flour(size.flour_g or 0.0, ratio))
    if size.vessel is not None:
        vessel = size.vessel
        ends.append(lambda: seed_for_jar(vessel, ratio))
    if len(ends) != 1:
        known = "one of keep, total, flour, jar"
        raise Refusal(RefusalCode.DOES_NOT_FIT_TOGETHER, "keep_g", {"known": known})
    return ends[0]()
