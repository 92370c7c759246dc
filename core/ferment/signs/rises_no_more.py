"""It rose, and now it does not: too hot for an hour, another flour or water, long starved, salt; to be found out by one
feed with what it rose on before, in a warm place (common practice)."""

from __future__ import annotations

from .clues import RisesNoMore
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.RISES_NO_MORE,
    urgency=Urgency.WARNING,
    cases=(Case((RisesNoMore(),), sure=0.85),),
    do=(Remedy.THINK_BACK, Remedy.SMALLER_RATIO, Remedy.ADD_WHOLE_FLOUR, Remedy.MOVE_WARMER),
    dont=(Caution.DO_NOT_USE_YET, Caution.DO_NOT_FEED_MORE),
)
