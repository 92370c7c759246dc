"""What goes over the wire about amounts: feeds to weigh out, scale walks, slips, builds. Grams, ml, mm."""

from __future__ import annotations

from accounts.wire import Told
from ferment.kitchen.flours import Flour
from ferment.kitchen.quantities import Unit
from ferment.mixing.feeding import Ingredient
from ferment.mixing.weighing import ScaleAct


class FlourGrams(Told):
    """An amount of one flour, in grams."""

    flour: Flour
    g: float


class Measured(Told):
    """An amount as the method says it (2 tbsp of rye), beside its grams."""

    what: Ingredient
    value: float
    unit: Unit


class FlourShare(Told):
    """One flour of a blend; the shares of a blend sum to 1."""

    flour: Flour
    share: float


class Spoonful(Told):
    """So many level cups, tablespoons or teaspoons."""

    count: float
    unit: Unit


class FlourSpoons(Told):
    flour: Flour
    spoons: tuple[Spoonful, ...]


class ByHand(Told):
    """A feed in spoons and cups; `keep_part` is the part of the jar that stays, where an eye can judge it."""

    keep: tuple[Spoonful, ...]
    keep_part: float | None
    water: tuple[Spoonful, ...]
    juice: tuple[Spoonful, ...]
    flours: tuple[FlourSpoons, ...]
    salt: tuple[Spoonful, ...]
    hold_back: tuple[Spoonful, ...]


class FeedPlan(Told):
    """One feed to weigh out. Grams, multiples of the scale's step.

    `keep_g` is what is left of the jar, or for a first mix the culture put in (0 for flour and water alone). `juice_g`
    stands in for water. `hold_back_g` of the water is kept at hand until the thickness shows whether it is needed.
    `by_hand` is the same in spoons and by eye, for a jar that is measured so.
    """

    keep_g: float
    flours: tuple[FlourGrams, ...]
    water_g: float
    salt_g: float
    total_g: float
    ratio: str
    fresh_hydration_percent: float | None
    juice_g: float = 0.0
    hold_back_g: float = 0.0
    measured: tuple[Measured, ...] = ()
    mix_ahead: tuple[FlourShare, ...] = ()
    by_hand: ByHand | None = None


class ScaleStep(Told):
    """An act, the grams it adds (negative when taken out, 0 when not known), the reading after it, and the same amount
    in spoons (a converter's answer: a spoon of flour varies by a tenth).

    `brings_g` is what the jar that is fed into holds more for it: for taking out, what stays. `corrects` is what
    a baker may have weighed otherwise. `from_zero` asks for the scale to be zeroed first; `spoon_g` is the weight of
    one of the largest measure in `in_spoons`.
    """

    do: ScaleAct
    flour: Flour | None
    add_g: float
    scale_shows_g: float
    brings_g: float
    from_zero: bool
    corrects: Ingredient | None
    in_spoons: tuple[Spoonful, ...]
    spoon_g: float | None


class Mend(Told):
    """What brings a feed back to its ratio.

    `add_*` are grams to add to what is in; `extra_g` is what that costs beyond the plan. `worth_it` is false for a slip
    within 2 g or 3 % of the amount that went wrong. `ratio_as_is` is what it is without mending.
    """

    worth_it: bool
    add_flour_g: float
    add_water_g: float
    extra_g: float
    total_g: float
    ratio_as_is: str
    ratio_mended: str


class Build(Told):
    """The seed to begin with and each feed in turn, nothing taken out between. Grams."""

    seed_g: float
    feeds: tuple[FeedPlan, ...]
    total_g: float
    reserve_g: float
