"""Bubbles all through but no rise: too wet to hold its gas, or a flour with little gluten (common practice)."""

from __future__ import annotations

from ..ready_rule import YEASTS_OWN_H
from ..record.log import Bubbles
from .contract import Age, BubblesAre, Case, HoursSinceFeed, Remedy, Rose, Sign, SignCode, Urgency, WetterThan

OLD_ENOUGH = Age(from_h=YEASTS_OWN_H)
BUBBLY = BubblesAre(frozenset({Bubbles.THROUGHOUT, Bubbles.FROTH}))

SIGN = Sign(
    code=SignCode.BUBBLES_NO_RISE,
    urgency=Urgency.CARE,
    cases=(
        Case(
            (Age(from_h=YEASTS_OWN_H), HoursSinceFeed(from_h=6), BUBBLY, Rose(at_most=1.25), WetterThan(115)), sure=0.8
        ),
    ),
    do=(Remedy.LESS_WATER, Remedy.WAIT),
)
