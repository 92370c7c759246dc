"""A week and more, and still flat: cold, white or bleached flour, chlorine; at worst it takes three weeks; what
holds it back is asked for (common practice)."""

from __future__ import annotations

from ..record.log import Bubbles
from .clues import Age, BubblesAre, FromFlourAndWater, HoursSinceFeed, NotAwakeYet, Rose, WarmthIs
from .contract import Also, Case, Caution, Question, Remedy, Sign, SignCode, Urgency

WHEN = (Age(from_h=168), HoursSinceFeed(from_h=5), FromFlourAndWater(), NotAwakeYet())
ASKED = Question.IS_IT_FLOUR_OR_WATER

SIGN = Sign(
    code=SignCode.SLOW_TO_WAKE,
    urgency=Urgency.CARE,
    cases=(
        Case((*WHEN, Rose(at_most=1.15)), sure=0.75, ask=ASKED),
        Case((*WHEN, BubblesAre(frozenset({Bubbles.NONE}))), sure=0.75, ask=ASKED),
    ),
    do=(Remedy.ADD_WHOLE_FLOUR, Remedy.KEEP_TO_PLAN),
    dont=(Caution.DO_NOT_GIVE_UP, Caution.DO_NOT_FEED_MORE),
    also=(Also(Remedy.MOVE_WARMER, (WarmthIs(to_c=22),)),),
    asks_for_cause=True,
    if_so=(Remedy.OTHER_FLOUR_AND_WATER,),
)
