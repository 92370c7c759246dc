"""Cautions, each at the moment where it matters. Whether a baker has heard one before is the server's to know.

They rest on common practice and on public advice, all from memory: raw flour and raw dough are not tasted (U.S. FDA,
"Flour is a raw food"; U.S. CDC, "Raw flour and dough"); wheat, rye, barley and spelt are named as allergens and cereals
with gluten (Regulation (EU) No 1169/2011, annex II); what is mouldy and soft or wet is thrown away whole (USDA FSIS,
"Molds on food: are they dangerous?"). Local rules and licensed advice come first.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Flour
from ..planner import Plan
from ..protocol.course import Course
from ..record.ledger import Ledger
from ..setups import Setup, warmth_told
from ..signs.contract import Urgency
from .judgement import Judgement


class Notice(StrEnum):
    RAW_FLOUR = "raw_flour"
    NEVER_SEAL = "never_seal"
    HOLDS_GLUTEN = "holds_gluten"
    GLUTEN_FREE_TOOLS = "gluten_free_tools"
    WARM_PLACE = "warm_place"
    DISCARD_NOT_FOOD = "discard_not_food"
    COOK_DISCARD = "cook_discard"
    FOR_WHOM_YOU_BAKE = "for_whom_you_bake"


# From here on a place is warm by a machine, not by the weather alone.
WARM_C = 29.0


@dataclass(frozen=True)
class _Moment:
    setup: Setup
    flours: frozenset[Flour]
    ledger: Ledger
    made: Plan
    judged: Judgement

    @property
    def mixed(self) -> bool:
        return bool(self.ledger.rounds)

    @property
    def takes_out(self) -> bool:
        """The next act takes some of it out."""
        step = self.made.next
        return step is not None and any(doing.out_g for doing in step.do)

    @property
    def ready(self) -> bool:
        return self.judged.readiness is not None and self.judged.readiness.ready


# In the order of the work.
_WHEN: Mapping[Notice, Callable[[_Moment], bool]] = {
    Notice.RAW_FLOUR: lambda it: not it.mixed,
    Notice.HOLDS_GLUTEN: lambda it: not it.mixed and it.flours != {Flour.GLUTEN_FREE},
    Notice.GLUTEN_FREE_TOOLS: lambda it: not it.mixed and Flour.GLUTEN_FREE in it.flours,
    Notice.WARM_PLACE: lambda it: warmth_told(it.setup, it.ledger) >= WARM_C,
    Notice.NEVER_SEAL: lambda it: it.mixed,
    Notice.DISCARD_NOT_FOOD: lambda it: it.mixed and it.takes_out and not it.judged.woke,
    Notice.COOK_DISCARD: lambda it: it.mixed and it.takes_out and it.judged.woke,
    Notice.FOR_WHOM_YOU_BAKE: lambda it: it.ready,
}


def notices(setup: Setup, course: Course, ledger: Ledger, made: Plan, judged: Judgement) -> tuple[Notice, ...]:
    """The cautions that matter at this moment; none beside a danger, which has words of its own."""
    if ledger.binned or any(one.urgency is Urgency.DANGER for one in judged.findings):
        return ()
    moment = _Moment(setup, frozenset(part.flour for part in course.culture.blend), ledger, made, judged)
    return tuple(notice for notice, holds in _WHEN.items() if holds(moment))
