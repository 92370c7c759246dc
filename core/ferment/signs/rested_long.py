"""More than a month in the fridge unfed: it lives, four to six weeks and longer, and wants waking (common practice)."""

from __future__ import annotations

from .clues import Rests
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.RESTED_LONG,
    urgency=Urgency.CARE,
    cases=(Case((Rests(from_h=35 * 24.0),), sure=0.9),),
    do=(Remedy.WAKE_SLOWLY,),
    dont=(Caution.DO_NOT_GIVE_UP,),
    at_rest=True,
)
