"""Fed so often or so large that the few yeasts are thinned out before they grow: wait, keep more (common practice)."""

from __future__ import annotations

from ..ready_rule import YEASTS_OWN_H
from .clues import Age, NotAwakeYet, Rose, ThinnedTo
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.DILUTED,
    urgency=Urgency.CARE,
    cases=(Case((Age(from_h=YEASTS_OWN_H), NotAwakeYet(), Rose(at_most=1.15), ThinnedTo(1.0 / 80.0)), sure=0.8),),
    do=(Remedy.WAIT, Remedy.SKIP_DISCARD, Remedy.FEED_LESS_OFTEN, Remedy.SMALLER_RATIO),
    dont=(Caution.DO_NOT_FEED_MORE, Caution.DO_NOT_GIVE_UP),
)
