"""Liquid on top in the first two days: a wet mix settling; stir it in (common practice)."""

from __future__ import annotations

from ..log import Top
from .contract import Age, Case, Remedy, Sign, SignCode, TopIs, Urgency

SIGN = Sign(
    code=SignCode.SETTLING_LIQUID,
    urgency=Urgency.NORMAL,
    cases=(Case((TopIs(frozenset({Top.LIQUID})), Age(to_h=48)), sure=0.9),),
    do=(Remedy.STIR_IN, Remedy.KEEP_TO_PLAN),
)
