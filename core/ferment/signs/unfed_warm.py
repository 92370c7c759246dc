"""Two warm days without a feed: hungry whatever it shows; look for film and liquid first, then feed (common
practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from .clues import Age, HoursSinceFeed, WarmthIs
from .contract import Also, Case, Remedy, Sign, SignCode, Urgency

OLD_ENOUGH = Age(from_h=EARLY_DAYS_H)

SIGN = Sign(
    code=SignCode.UNFED_WARM,
    urgency=Urgency.CARE,
    cases=(
        Case((OLD_ENOUGH, HoursSinceFeed(from_h=44), WarmthIs(from_c=27)), sure=0.9),
        Case((OLD_ENOUGH, HoursSinceFeed(from_h=68), WarmthIs(from_c=23)), sure=0.9),
    ),
    do=(Remedy.LOOK_FIRST, Remedy.FEED_NOW),
    also=(Also(Remedy.COOLER_SPOT, (WarmthIs(from_c=27),)),),
)
