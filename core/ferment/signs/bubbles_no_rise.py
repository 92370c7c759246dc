"""Bubbles all through but no rise: too wet to hold its gas, or a flour with little gluten (common practice)."""

from __future__ import annotations

from ..ready_rule import YEASTS_OWN_H
from ..record.log import Bubbles
from .clues import Age, BubblesAre, HoursSinceFeed, LittleGluten, Rose, WetterThan
from .contract import Also, Case, Remedy, Sign, SignCode, Urgency

BUBBLY = BubblesAre(frozenset({Bubbles.THROUGHOUT, Bubbles.FROTH}))
FLAT = (Age(from_h=YEASTS_OWN_H), HoursSinceFeed(from_h=6), BUBBLY, Rose(at_most=1.25))

SIGN = Sign(
    code=SignCode.BUBBLES_NO_RISE,
    urgency=Urgency.CARE,
    cases=(Case((*FLAT, WetterThan(115)), sure=0.8), Case((*FLAT, LittleGluten()), sure=0.8)),
    do=(Remedy.BY_ITS_BUBBLES,),
    also=(Also(Remedy.LESS_WATER, (WetterThan(90),)),),
)
