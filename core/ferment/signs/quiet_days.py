"""Quiet and flat on days 3 to 6: the normal gap; more feeding only thins out the few yeasts (common practice)."""

from __future__ import annotations

from ..ready_rule import EARLY_DAYS_H
from ..record.log import Bubbles
from .clues import Age, BubblesAre, HoursSinceFeed, NotAwakeYet, Rose
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

WHEN = (Age(from_h=EARLY_DAYS_H, to_h=168), HoursSinceFeed(from_h=5), NotAwakeYet())

SIGN = Sign(
    code=SignCode.QUIET_DAYS,
    urgency=Urgency.NORMAL,
    cases=(
        Case((*WHEN, Rose(at_most=1.15)), sure=0.85),
        Case((*WHEN, BubblesAre(frozenset({Bubbles.NONE}))), sure=0.85),
    ),
    do=(Remedy.STIR, Remedy.KEEP_TO_PLAN),
    dont=(Caution.DO_NOT_GIVE_UP, Caution.DO_NOT_FEED_MORE),
)
