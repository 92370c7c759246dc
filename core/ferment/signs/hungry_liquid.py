"""Grey or brown liquid on top of a thin mix, later on: it has run out of food (common practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from ..record.log import Thickness, Top
from .clues import Age, HoursSinceFeed, ThicknessIs, TopIs, WarmthIs, WetterThan
from .contract import Also, Case, Remedy, Sign, SignCode, Urgency

LIQUID = TopIs(frozenset({Top.LIQUID}))
THIN = ThicknessIs(frozenset({Thickness.RUNNY, Thickness.THIN_BATTER}))

SIGN = Sign(
    code=SignCode.HUNGRY_LIQUID,
    urgency=Urgency.WARNING,
    cases=(
        Case((LIQUID, THIN, Age(from_h=48)), sure=0.95),
        Case((LIQUID, Age(from_h=EARLY_DAYS_H), HoursSinceFeed(from_h=12)), sure=0.8),
    ),
    do=(Remedy.POUR_OFF, Remedy.FEED_NOW, Remedy.FEED_LARGER),
    also=(Also(Remedy.LESS_WATER, (WetterThan(105),)), Also(Remedy.COOLER_SPOT, (WarmthIs(from_c=25),))),
)
