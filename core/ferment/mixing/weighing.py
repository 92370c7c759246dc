"""A feed on the scale: what to do and what the scale should show after it, in the order of good practice."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Flour, FlourShare, g_per_ml
from ..kitchen.vessel import PASTE_G_PER_ML
from ..refusal import Refusal, RefusalCode
from .feeding import FeedPlan


class WalkStyle(StrEnum):
    """In the jar itself; into a clean jar; or in the jar, held against its weight after the first mix."""

    IN_THE_JAR = "in_the_jar"
    CLEAN_JAR = "clean_jar"
    REFERENCE = "reference"


class ScaleAct(StrEnum):
    """One act at the scale. `take_out` goes down to the seed; the others add."""

    EMPTY_JAR = "empty_jar"
    TAKE_OUT = "take_out"
    ADD_SEED = "add_seed"
    ADD_CULTURE = "add_culture"
    ADD_WATER = "add_water"
    ADD_JUICE = "add_juice"
    ADD_FLOUR = "add_flour"
    ADD_SALT = "add_salt"


@dataclass(frozen=True)
class ScaleStep:
    """An act, the grams it adds (negative when taken out, 0 when not known), the reading after it, and the level
    millilitres that it adds, for who measures in spoons (a converter's answer: a spoon of flour varies by a tenth)."""

    do: ScaleAct
    flour: Flour | None
    add_g: float
    scale_shows_g: float
    add_ml: float


def scale_walk(
    plan: FeedPlan, tare_g: float, there_is_g: float | None = None, style: WalkStyle = WalkStyle.IN_THE_JAR
) -> tuple[ScaleStep, ...]:
    """The readings of one feed: what is kept, then water, juice, flour, salt.

    `tare_g` is the weight of the empty jar that is fed into: 0 when the scale was zeroed with it; for one that was
    never weighed empty see `tare_from_reference`. `there_is_g` is what the old jar holds; None before the first mix,
    where `keep_g` is a culture put in.
    """
    shows = tare_g
    steps: list[ScaleStep] = []

    def act(do: ScaleAct, add_g: float, flour: Flour | None = None) -> None:
        nonlocal shows
        shows = round(shows + add_g, 6)
        steps.append(ScaleStep(do, flour, add_g, shows, _ml(do, flour, add_g)))

    if there_is_g is None or style is WalkStyle.CLEAN_JAR:
        act(ScaleAct.EMPTY_JAR, 0.0)
        if plan.keep_g:
            act(ScaleAct.ADD_CULTURE if there_is_g is None else ScaleAct.ADD_SEED, plan.keep_g)
    else:
        shows = round(tare_g + plan.keep_g, 6)
        out = min(0.0, round(plan.keep_g - there_is_g, 6))
        steps.append(ScaleStep(ScaleAct.TAKE_OUT, None, out, shows, _ml(ScaleAct.TAKE_OUT, None, out)))
    if plan.water_g:
        act(ScaleAct.ADD_WATER, plan.water_g)
    if plan.juice_g:
        act(ScaleAct.ADD_JUICE, plan.juice_g)
    for part in plan.flours:
        act(ScaleAct.ADD_FLOUR, part.g, part.flour)
    if plan.salt_g:
        act(ScaleAct.ADD_SALT, plan.salt_g)
    return tuple(steps)


# Grams of salt in a level millilitre (fine salt, common practice).
SALT_G_PER_ML = 1.2


def _ml(do: ScaleAct, flour: Flour | None, add_g: float) -> float:
    heavy = 1.0
    if flour is not None:
        heavy = g_per_ml((FlourShare(flour, 1.0),))
    elif do in (ScaleAct.TAKE_OUT, ScaleAct.ADD_SEED, ScaleAct.ADD_CULTURE):
        heavy = PASTE_G_PER_ML
    elif do is ScaleAct.ADD_SALT:
        heavy = SALT_G_PER_ML
    return round(add_g / heavy, 2)


def tare_from_reference(shows_g: float, holds_g: float) -> float:
    """The weight of a jar that was weighed with its first mix of `holds_g` in it. Raises Refusal when it cannot be."""
    if shows_g < holds_g:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "reference_g", {"least": holds_g, "most": 10_000.0})
    return round(shows_g - holds_g, 6)
