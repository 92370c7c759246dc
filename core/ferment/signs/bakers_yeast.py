"""Baker's yeast was added: what rises now is that yeast, which an acid jar loses in some days; it tells nothing of the
jar's own (common practice)."""

from __future__ import annotations

from ..record.log import DeedKind
from .clues import Boosted
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.BAKERS_YEAST,
    urgency=Urgency.CARE,
    cases=(Case((Boosted(DeedKind.YEAST_ADDED),), sure=0.9),),
    do=(Remedy.KEEP_TO_PLAN,),
    dont=(Caution.DO_NOT_USE_YET,),
)
