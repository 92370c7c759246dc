"""A feed on the scale: what to do and what the scale should show after it, in the order of good practice."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Flour, FlourShare, g_per_ml
from ..kitchen.quantities import MILLILITRES_PER, Spoonful, in_spoons
from ..kitchen.vessel import PASTE_G_PER_ML
from .by_hand import SALT_G_PER_ML
from .feeding import FeedPlan, Ingredient


class WalkStyle(StrEnum):
    """In the jar itself, or into a clean jar."""

    IN_THE_JAR = "in_the_jar"
    CLEAN_JAR = "clean_jar"


class ScaleAct(StrEnum):
    """One act of a feed. `take_out` goes down to the seed, `add_held_back` is as much of the water kept at hand as it
    takes; those before `empty_jar` weigh nothing."""

    POUR_OFF = "pour_off"
    READ_PH = "read_ph"
    EMPTY_JAR = "empty_jar"
    TAKE_OUT = "take_out"
    ADD_SEED = "add_seed"
    ADD_CULTURE = "add_culture"
    ADD_WATER = "add_water"
    ADD_JUICE = "add_juice"
    ADD_FLOUR = "add_flour"
    ADD_SALT = "add_salt"
    ADD_HELD_BACK = "add_held_back"


# What an act brings in that a baker may have weighed otherwise; the others are not corrected.
CORRECTS: Mapping[ScaleAct, Ingredient] = {
    ScaleAct.TAKE_OUT: Ingredient.SEED,
    ScaleAct.ADD_SEED: Ingredient.SEED,
    ScaleAct.ADD_CULTURE: Ingredient.SEED,
    ScaleAct.ADD_WATER: Ingredient.WATER,
    ScaleAct.ADD_FLOUR: Ingredient.FLOUR,
}


@dataclass(frozen=True)
class ScaleStep:
    """An act, the grams it adds (negative when taken out, 0 when not known), the reading after it, and the level
    millilitres that it adds, for who measures in spoons (a converter's answer: a spoon of flour varies by a tenth).

    `brings_g` is what the jar that is fed into holds more for it: for taking out, what stays. `from_zero` asks for the
    scale to be zeroed before it, where nobody knows what the jar weighs.
    """

    do: ScaleAct
    flour: Flour | None
    add_g: float
    scale_shows_g: float
    add_ml: float
    brings_g: float
    from_zero: bool = False

    @property
    def corrects(self) -> Ingredient | None:
        return CORRECTS.get(self.do)

    @property
    def in_spoons(self) -> tuple[Spoonful, ...]:
        """The amount in level spoons and cups, whether it goes in or out; none where nothing does."""
        return in_spoons(self.add_ml) if self.add_ml else ()

    @property
    def spoon_g(self) -> float | None:
        """Grams of one of the largest measure that it is said in."""
        if not self.in_spoons:
            return None
        return round(MILLILITRES_PER[self.in_spoons[0].unit] * self.add_g / self.add_ml, 3)


@dataclass(frozen=True)
class Tolerance:
    """How what was weighed is read against what was planned (common practice).

    Within `near_g` it went as planned, and a display that moved no farther has not been poured on yet. An amount of at
    least `from_g` that is `far_times` as much as planned, or as little, is likely a slip of the hand and asked about.
    """

    near_g: float = 1.5
    far_times: float = 3.0
    from_g: float = 5.0


TOLERANCE = Tolerance()


def scale_walk(
    plan: FeedPlan,
    tare_g: float | None,
    there_is_g: float | None = None,
    style: WalkStyle = WalkStyle.IN_THE_JAR,
    first: tuple[ScaleAct, ...] = (),
) -> tuple[ScaleStep, ...]:
    """The readings of one feed: what is kept, then water, juice, flour, salt, and what was held back of the water.

    `tare_g` is the weight of the empty jar that is fed into: None where nobody knows it, so that the scale is zeroed
    instead. `there_is_g` is what the old jar holds; None before the first mix, where `keep_g` is a culture put in.
    `first` is done to the old jar before anything is weighed.
    """
    into_clean = there_is_g is None or style is WalkStyle.CLEAN_JAR
    steps: list[ScaleStep] = [ScaleStep(do, None, 0.0, _stands(tare_g, there_is_g), 0.0, 0.0) for do in first]
    shows = tare_g or 0.0
    zero_next = tare_g is None and not into_clean

    def act(do: ScaleAct, add_g: float, flour: Flour | None = None) -> None:
        nonlocal shows, zero_next
        shows = round(shows + add_g, 6)
        steps.append(ScaleStep(do, flour, add_g, shows, _ml(do, flour, add_g), add_g, from_zero=zero_next))
        zero_next = False

    if into_clean:
        if not plan.is_by_hand:
            act(ScaleAct.EMPTY_JAR, 0.0)
        if plan.keep_g:
            act(ScaleAct.ADD_CULTURE if there_is_g is None else ScaleAct.ADD_SEED, plan.keep_g)
    else:
        assert there_is_g is not None
        out = min(0.0, round(plan.keep_g - there_is_g, 6))
        shown = out if tare_g is None else round(tare_g + plan.keep_g, 6)
        out_ml = _ml(ScaleAct.TAKE_OUT, None, out)
        steps.append(ScaleStep(ScaleAct.TAKE_OUT, None, out, shown, out_ml, plan.keep_g, from_zero=zero_next))
        shows = 0.0 if tare_g is None else shown
    held = min(plan.hold_back_g, plan.water_g)
    if plan.water_g - held > 0:
        act(ScaleAct.ADD_WATER, round(plan.water_g - held, 6))
    if plan.juice_g:
        act(ScaleAct.ADD_JUICE, plan.juice_g)
    for part in plan.flours:
        act(ScaleAct.ADD_FLOUR, part.g, part.flour)
    if plan.salt_g:
        act(ScaleAct.ADD_SALT, plan.salt_g)
    if held:
        act(ScaleAct.ADD_HELD_BACK, held)
    return tuple(steps)


def _stands(tare_g: float | None, there_is_g: float | None) -> float:
    return round((tare_g or 0.0) + (there_is_g or 0.0), 6)


def _ml(do: ScaleAct, flour: Flour | None, add_g: float) -> float:
    heavy = 1.0
    if flour is not None:
        heavy = g_per_ml((FlourShare(flour, 1.0),))
    elif do in (ScaleAct.TAKE_OUT, ScaleAct.ADD_SEED, ScaleAct.ADD_CULTURE):
        heavy = PASTE_G_PER_ML
    elif do is ScaleAct.ADD_SALT:
        heavy = SALT_G_PER_ML
    return round(add_g / heavy, 2)
