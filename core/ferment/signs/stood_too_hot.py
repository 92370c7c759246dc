"""Above about 42 °C yeast dies, slowly at first: it may be dead, and two feeds in a warm place show it (common
practice)."""

from __future__ import annotations

from .clues import WasAsHotAs
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.STOOD_TOO_HOT,
    urgency=Urgency.WARNING,
    cases=(Case((WasAsHotAs(42.0),), sure=0.8),),
    do=(Remedy.TEST_FEEDS,),
    dont=(Caution.DO_NOT_USE_YET, Caution.DO_NOT_GIVE_UP),
)
