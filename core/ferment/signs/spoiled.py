"""A putrid smell that stays after the early days: spoiled (common practice)."""

from __future__ import annotations

from ..record.log import Smell
from .clues import Age, SmellIs
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.SPOILED,
    urgency=Urgency.DANGER,
    cases=(Case((SmellIs(frozenset({Smell.PUTRID})), Age(from_h=132)), sure=0.9),),
    do=(Remedy.BIN_ALL,),
    dont=(Caution.DO_NOT_TASTE,),
)
