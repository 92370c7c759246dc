"""Above 38 °C it comes to harm, above 42 °C it dies; an oven with its light on can be that hot (common practice)."""

from __future__ import annotations

from .clues import WarmthIs
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.TOO_HOT,
    urgency=Urgency.WARNING,
    cases=(Case((WarmthIs(from_c=37.5),), sure=0.95),),
    do=(Remedy.MOVE_COOLER,),
    dont=(Caution.DO_NOT_LEAVE_THERE,),
)
