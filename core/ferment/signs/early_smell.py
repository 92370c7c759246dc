"""Cheese, socks, sick in the first days: the early bacteria; it goes away (common practice)."""

from __future__ import annotations

from ..record.log import Smell
from .clues import Age, SmellIs
from .contract import Case, Caution, Question, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.EARLY_SMELL,
    urgency=Urgency.NORMAL,
    cases=(
        Case((SmellIs(frozenset({Smell.CHEESY})), Age(to_h=120)), sure=0.9),
        Case(
            (SmellIs(frozenset({Smell.PUTRID})), Age(to_h=132)),
            sure=0.6,
            ask=Question.DOES_IT_STILL_SMELL_SO,
        ),
    ),
    do=(Remedy.KEEP_TO_PLAN,),
    dont=(Caution.DO_NOT_TASTE, Caution.DO_NOT_USE_YET),
)
