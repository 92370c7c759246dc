"""It rose and fell well before the next feed: hungry again (common practice)."""

from __future__ import annotations

from ..ready_rule import YEASTS_OWN_H
from .clues import Age, FellBy, Rose
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.HUNGRY_AGAIN,
    urgency=Urgency.CARE,
    cases=(Case((Age(from_h=YEASTS_OWN_H), Rose(at_least=1.4), FellBy(0.5)), sure=0.85),),
    do=(Remedy.FEED_SOONER, Remedy.FEED_LARGER),
)
