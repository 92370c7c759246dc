"""A big rise in the first days: gas-forming bacteria, before it is sour; not ready, however high (common practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from .clues import Age, FromFlourAndWater, Rose
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.FALSE_DAWN,
    urgency=Urgency.NORMAL,
    cases=(Case((Age(to_h=EARLY_DAYS_H), Rose(at_least=1.25), FromFlourAndWater()), sure=0.9),),
    do=(Remedy.KEEP_TO_PLAN,),
    dont=(Caution.DO_NOT_USE_YET,),
)
