"""A feed was forgotten: feed and go on; after two warm days look for film and liquid first (common practice)."""

from __future__ import annotations

from .clues import Late, WarmthIs
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.FORGOTTEN,
    urgency=Urgency.CARE,
    cases=(Case((Late(from_h=12), WarmthIs(from_c=10)), sure=0.95),),
    do=(Remedy.FEED_NOW,),
)
