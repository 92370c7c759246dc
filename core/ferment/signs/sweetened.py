"""Sugar, honey or fruit were added: never needed, and food for bacteria as much as for yeast (common practice)."""

from __future__ import annotations

from ..record.log import DeedKind
from .clues import Boosted
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.SWEETENED,
    urgency=Urgency.NORMAL,
    cases=(Case((Boosted(DeedKind.SWEETENED),), sure=0.9),),
    do=(Remedy.KEEP_TO_PLAN,),
)
