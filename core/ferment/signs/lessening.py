"""It rises less with each feed: thinned out too far or too often, cold, or tired (common practice)."""

from __future__ import annotations

from .clues import Age, RisesLessen
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.LESSENING,
    urgency=Urgency.WARNING,
    cases=(Case((Age(from_h=120), RisesLessen(feeds=3, by=0.3, to=1.8)), sure=0.8),),
    do=(Remedy.FEED_AT_PEAK, Remedy.SMALLER_RATIO, Remedy.ADD_WHOLE_FLOUR, Remedy.MOVE_WARMER),
    dont=(Caution.DO_NOT_FEED_MORE,),
)
