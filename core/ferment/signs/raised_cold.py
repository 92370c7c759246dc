"""In the fridge while it is still being raised: that only slows it; the yeast wants the warmth first (common practice).
Nights in the cold of a hot kitchen are no such thing."""

from __future__ import annotations

from .clues import Age, FromFlourAndWater, NotAwakeYet, RaisedInTheCold
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.RAISED_COLD,
    urgency=Urgency.CARE,
    cases=(Case((Age(to_h=504), FromFlourAndWater(), NotAwakeYet(), RaisedInTheCold(from_h=14)), sure=0.9),),
    do=(Remedy.BACK_TO_WARM,),
    at_rest=True,
)
