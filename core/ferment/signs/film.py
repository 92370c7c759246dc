"""A thin flat white film: wild surface yeast, harmless, unwelcome; told from mould by a question (common practice)."""

from __future__ import annotations

from ..record.log import Top
from .clues import TopSeen
from .contract import Case, Caution, Question, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.FILM,
    urgency=Urgency.WARNING,
    cases=(Case((TopSeen(frozenset({Top.WHITE_FILM})),), sure=0.7, ask=Question.IS_IT_FUZZY_OR_COLOURED),),
    do=(Remedy.LIFT_OFF, Remedy.FRESH_JAR, Remedy.FEED_LARGER),
    dont=(Caution.DO_NOT_TASTE,),
    at_rest=True,
)
