"""Liquid on top on day 1 or 2, or soon after a feed: a wet mix settles; stir it in (common practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from ..record.log import Top
from .clues import Age, HoursSinceFeed, TopIs
from .contract import Case, Remedy, Sign, SignCode, Urgency

LIQUID = TopIs(frozenset({Top.LIQUID}))

SIGN = Sign(
    code=SignCode.SETTLING_LIQUID,
    urgency=Urgency.NORMAL,
    cases=(
        Case((LIQUID, Age(to_h=EARLY_DAYS_H)), sure=0.9),
        Case((LIQUID, Age(from_h=EARLY_DAYS_H), HoursSinceFeed(to_h=12)), sure=0.8),
    ),
    do=(Remedy.STIR_IN, Remedy.KEEP_TO_PLAN),
)
