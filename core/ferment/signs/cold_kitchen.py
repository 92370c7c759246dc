"""Below 18 °C it is slow, not dead: a warmer spot, or longer times (common practice)."""

from __future__ import annotations

from .clues import WarmthIs
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.COLD_KITCHEN,
    urgency=Urgency.CARE,
    cases=(Case((WarmthIs(from_c=8, to_c=18),), sure=0.9),),
    do=(Remedy.MOVE_WARMER, Remedy.WAIT),
    dont=(Caution.DO_NOT_GIVE_UP, Caution.DO_NOT_FEED_MORE),
)
