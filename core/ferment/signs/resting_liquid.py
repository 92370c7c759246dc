"""Liquid on top in the fridge: normal there, grey to dark brown; poured off before the next feed (common practice)."""

from __future__ import annotations

from ..record.log import Top
from .clues import Rests, TopIs
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.RESTING_LIQUID,
    urgency=Urgency.NORMAL,
    cases=(Case((TopIs(frozenset({Top.LIQUID})), Rests()), sure=0.95),),
    do=(Remedy.KEEP_TO_PLAN,),
    at_rest=True,
)
