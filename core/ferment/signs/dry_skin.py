"""A dark skin or crust: drying; lift it off and cover better (common practice)."""

from __future__ import annotations

from ..record.log import Top
from .clues import TopSeen
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.DRY_SKIN,
    urgency=Urgency.CARE,
    cases=(Case((TopSeen(frozenset({Top.SKIN})),), sure=0.9),),
    do=(Remedy.LIFT_OFF, Remedy.COVER_BETTER),
    dont=(Caution.DO_NOT_SEAL,),
    at_rest=True,
)
