"""Days until ready by family, flour and warmth: a plain table, until the jar model knows better (common practice)."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import pairwise

from ..kitchen.flours import Blend, Flour
from ..mixing.contents import Origin
from ..protocol.course import Course
from ..protocol.method import Add, BlendFrom
from ..protocol.options import BlendOption
from .steps import ReadyDays

# How much longer the first days take with a flour, against whole rye or whole wheat.
FLOUR_PACE: Mapping[Flour, float] = {
    Flour.RYE: 0.95,
    Flour.WHOLE_WHEAT: 1.0,
    Flour.HIGH_EXTRACTION: 1.1,
    Flour.SPELT: 1.0,
    Flour.EINKORN: 1.0,
    Flour.WHITE: 1.3,
    Flour.GLUTEN_FREE: 1.4,
}
# Warmth in °C, and how many times as long as at 24 °C.
WARMTH_PACE = ((13.0, 3.6), (17.0, 2.1), (20.0, 1.5), (22.0, 1.2), (24.0, 1.0), (27.0, 0.8), (30.0, 0.65), (34.0, 0.6))
# A kitchen's warmth is never quite what it is said to be.
DOUBT = 0.1


def warmth_pace(celsius: float) -> float:
    """By straight lines between the rows; beyond them as at the nearest."""
    if celsius <= WARMTH_PACE[0][0]:
        return WARMTH_PACE[0][1]
    for (low, slow), (high, fast) in pairwise(WARMTH_PACE):
        if celsius <= high:
            return slow + (fast - slow) * (celsius - low) / (high - low)
    return WARMTH_PACE[-1][1]


def flour_pace(blend: Blend) -> float:
    return sum(part.share * FLOUR_PACE[part.flour] for part in blend)


def ready_days(course: Course, warmth_c: float) -> ReadyDays:
    """Days from the first mix, in the family's own usual flour corrected for the one chosen and for the warmth."""
    method = course.method
    usual_c = method.wants_c or 24.0
    pace = warmth_pace(warmth_c) / warmth_pace(usual_c)
    if course.origin is Origin.FLOUR_AND_WATER:
        first = next(act for phase in course.phases for act in phase.do if isinstance(act, Add))
        usual = next((one.default for one in _blends(course, first)), course.blend_of(first))
        pace *= flour_pace(course.blend_of(first)) / flour_pace(usual)
    days = course.ready
    return ReadyDays(
        round(days.earliest * pace * (1 - DOUBT), 1),
        round(days.likely * pace, 1),
        round(days.latest * pace * (1 + DOUBT), 1),
    )


def _blends(course: Course, first: Add) -> list[BlendOption]:
    return [
        option
        for option in course.method.options
        if isinstance(option, BlendOption) and isinstance(first.blend, BlendFrom) and option.code is first.blend.code
    ]
