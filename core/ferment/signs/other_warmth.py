"""It goes as it would in another warmth than was told: a thermometer beside it, or the place told anew, would settle it
(common practice: the shelf is not as warm as the room)."""

from __future__ import annotations

from .clues import AsIfElsewhere, IsAwake
from .contract import Case, Question, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.OTHER_WARMTH,
    urgency=Urgency.CARE,
    cases=(Case((AsIfElsewhere(), IsAwake()), sure=0.75, ask=Question.STANDS_IT_ELSEWHERE),),
    do=(Remedy.TELL_WARMTH,),
    no_ends=True,
)
