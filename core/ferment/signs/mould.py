"""Fuzzy or hairy spots of any colour, or pink, orange or red streaks: spoiled. Bin all of it (common practice; public
food-safety agencies say the same of soft foods, from memory)."""

from __future__ import annotations

from ..record.log import Top
from .clues import TopIs
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.MOULD,
    urgency=Urgency.DANGER,
    cases=(Case((TopIs(frozenset({Top.FUZZY_SPOTS, Top.COLOURED_STREAKS})),), sure=1.0),),
    do=(Remedy.BIN_ALL,),
    dont=(Caution.DO_NOT_SCRAPE, Caution.DO_NOT_TASTE),
)
