"""No bubbles at a day and a half: cold, weak flour, or just early; stir, warmer, wait (common practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from ..record.log import Bubbles
from .clues import Age, BubblesAre, NotAwakeYet
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.NOTHING_YET,
    urgency=Urgency.NORMAL,
    cases=(
        Case(
            (Age(from_h=20, to_h=EARLY_DAYS_H), BubblesAre(frozenset({Bubbles.NONE})), NotAwakeYet()),
            sure=0.85,
        ),
    ),
    do=(Remedy.STIR, Remedy.WAIT),
    dont=(Caution.DO_NOT_FEED_MORE, Caution.DO_NOT_GIVE_UP),
)
