"""How a jar is kept once it is ready: on the counter, half the day in the cold, or in the fridge (common practice)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..protocol.course import Course
from ..protocol.options import OptionCode, Pick
from ..record.terms import Picks
from . import wake_and_keep


class Keeping(StrEnum):
    """The answers to "how often do you bake?": three times a week or more, so in heat, once a week, now and then."""

    COUNTER = "counter"
    COUNTER_TWICE = "counter_twice"
    COUNTER_AND_COLD = "counter_and_cold"
    FRIDGE = "fridge"
    SPARE = "spare"


@dataclass(frozen=True)
class KeepingWay:
    """A way of keeping, as a choice of the catalogue: its family and what is chosen of it."""

    family: str
    choices: Picks


def _way(pick: Pick, **numbers: float) -> KeepingWay:
    return KeepingWay(wake_and_keep.METHOD.code, ((OptionCode.WAY.value, pick.value), *numbers.items()))


# Small, one to two to two; in the fridge a larger meal, so that it lasts; a spare is fed about once a month.
KEEPING: Mapping[Keeping, KeepingWay] = {
    Keeping.COUNTER: _way(Pick.COUNTER, seed_grams=20, flour_parts=2),
    Keeping.COUNTER_TWICE: _way(Pick.COUNTER, seed_grams=15, flour_parts=2, every_hours=12),
    Keeping.COUNTER_AND_COLD: _way(Pick.COUNTER_AND_COLD, seed_grams=20, flour_parts=2),
    Keeping.FRIDGE: _way(Pick.FRIDGE, seed_grams=20, flour_parts=2, cold_days=6),
    Keeping.SPARE: _way(Pick.FRIDGE, seed_grams=10, flour_parts=2, cold_days=28),
}
KEPT = frozenset({Pick.COUNTER, Pick.COUNTER_AND_COLD, Pick.FRIDGE})


def is_kept(course: Course) -> bool:
    """Whether a jar on this course is kept, not raised or woken."""
    return course.chosen.picks.get(OptionCode.WAY) in KEPT and course.method.code == wake_and_keep.METHOD.code


def rests_in_the_cold(course: Course) -> bool:
    """Whether it is kept in the fridge, and out of it only to be fed."""
    return is_kept(course) and course.chosen.picks.get(OptionCode.WAY) is Pick.FRIDGE
