"""A dome and bubbles all through: in full swing, near its peak, soon to be fed or used (common practice)."""

from __future__ import annotations

from ..ready_rule import YEASTS_OWN_H
from ..record.log import Bubbles, Top
from .clues import Age, BubblesAre, IsAwake, Rose, TopIs
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.THRIVING,
    urgency=Urgency.NORMAL,
    cases=(
        Case(
            (
                Age(from_h=YEASTS_OWN_H),
                IsAwake(),
                TopIs(frozenset({Top.DOMED})),
                BubblesAre(frozenset({Bubbles.THROUGHOUT})),
                Rose(at_least=1.4),
            ),
            sure=0.9,
        ),
    ),
    do=(Remedy.KEEP_TO_PLAN,),
)
