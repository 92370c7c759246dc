"""It smelt of cheese or socks and now of yoghurt, fruit or beer: the early bacteria are gone (common practice)."""

from __future__ import annotations

from ..record.log import Smell
from .clues import NotAwakeYet, SmellIs, SmeltBefore
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.SMELL_TURNED,
    urgency=Urgency.NORMAL,
    cases=(
        Case(
            (
                NotAwakeYet(),
                SmellIs(frozenset({Smell.YOGHURT, Smell.FRUITY, Smell.BEERY, Smell.SHARP})),
                SmeltBefore(frozenset({Smell.CHEESY, Smell.PUTRID})),
            ),
            sure=0.85,
        ),
    ),
    do=(Remedy.KEEP_TO_PLAN,),
    dont=(Caution.DO_NOT_USE_YET,),
)
