"""How taken advice bends a method for its next feeds: rhythm, amounts, flour and jar. Values are common practice."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Blend, Flour, FlourShare


class Advice(StrEnum):
    """What an experienced baker may advise beyond the plan."""

    FEED_NOW = "feed_now"
    HOLD_OFF = "hold_off"
    MORE_OFTEN = "more_often"
    LESS_OFTEN = "less_often"
    LARGER_FEED = "larger_feed"
    SMALLER_FEED = "smaller_feed"
    WHOLE_FLOUR = "whole_flour"
    THICKER = "thicker"
    CLEAN_JAR = "clean_jar"
    SKIP_DISCARD = "skip_discard"
    WARMER_PLACE = "warmer_place"
    COOLER_PLACE = "cooler_place"
    SET_SPARE = "set_spare"


@dataclass(frozen=True)
class Effect:
    """What it does to a feed of the method. `every` multiplies the wait, `seed` what is kept for the same flour, `wet`
    the liquid; `whole` is the share of the flour that becomes whole rye or wheat; `feeds` is for how many feeds."""

    every: float = 1.0
    seed: float = 1.0
    wet: float = 1.0
    whole: float = 0.0
    clean_jar: bool = False
    keeps_all: bool = False
    feeds: int = 1


NO_EFFECT = Effect()

EFFECTS: Mapping[Advice, Effect] = {
    # When the next feed falls is the planner's to say; it concerns that one feed alone.
    Advice.FEED_NOW: Effect(),
    Advice.HOLD_OFF: Effect(),
    Advice.MORE_OFTEN: Effect(every=0.5, feeds=6),
    Advice.LESS_OFTEN: Effect(every=1.5, feeds=4),
    Advice.LARGER_FEED: Effect(seed=0.5, feeds=4),
    Advice.SMALLER_FEED: Effect(seed=2.0, feeds=4),
    Advice.WHOLE_FLOUR: Effect(whole=0.25, feeds=4),
    Advice.THICKER: Effect(wet=0.85, feeds=4),
    Advice.CLEAN_JAR: Effect(clean_jar=True, feeds=1),
    Advice.SKIP_DISCARD: Effect(keeps_all=True, feeds=1),
    # These are done once, with the hands, and change nothing on the scale.
    Advice.WARMER_PLACE: Effect(feeds=0),
    Advice.COOLER_PLACE: Effect(feeds=0),
    Advice.SET_SPARE: Effect(feeds=0),
}

# One takes the place of the other.
OPPOSITES: Mapping[Advice, Advice] = {
    Advice.MORE_OFTEN: Advice.LESS_OFTEN,
    Advice.LESS_OFTEN: Advice.MORE_OFTEN,
    Advice.LARGER_FEED: Advice.SMALLER_FEED,
    Advice.SMALLER_FEED: Advice.LARGER_FEED,
    Advice.FEED_NOW: Advice.HOLD_OFF,
    Advice.HOLD_OFF: Advice.FEED_NOW,
}


def combined(taken: Iterable[Advice]) -> Effect:
    """All that was taken, as one effect."""
    made = NO_EFFECT
    for one in taken:
        effect = EFFECTS[one]
        made = Effect(
            made.every * effect.every,
            made.seed * effect.seed,
            made.wet * effect.wet,
            max(made.whole, effect.whole),
            made.clean_jar or effect.clean_jar,
            made.keeps_all or effect.keeps_all,
        )
    return made


WHOLE = frozenset({Flour.RYE, Flour.WHOLE_WHEAT, Flour.GLUTEN_FREE})


def with_whole_flour(blend: Blend, share: float) -> Blend:
    """The blend with a share of it turned to whole rye; one that is whole or gluten-free stays as it is."""
    there = sum(part.share for part in blend if part.flour in WHOLE)
    if there >= share or not blend:
        return blend
    less = (1.0 - share) / (1.0 - there)
    kept = tuple(FlourShare(part.flour, part.share * less) for part in blend if part.flour not in WHOLE)
    whole = tuple(part for part in blend if part.flour in WHOLE and part.flour is not Flour.RYE)
    rye = share - sum(part.share for part in whole)
    return (*kept, *whole, FlourShare(Flour.RYE, rye))
