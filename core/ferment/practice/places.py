"""In which glass a practice jar stands and where, and what of that can be changed."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import reduce

from ..kitchen.vessel import Vessel
from .terms import Handling, Made, Situation

# Another place is so much warmer or cooler, where a home has one: from a cellar to an oven with only its lamp on
# (common practice).
ANOTHER_PLACE_C, COOLEST_C, WARMEST_C = 6.0, 12.0, 35.0
# Another jar is the next in size, where there is one.
LARGER, TALLER, LARGEST_ML = 2.0, 1.3, 1500.0


@dataclass(frozen=True)
class Housed:
    """`warmth_c` is the place's that it has, or comes back to when it is out of the fridge."""

    vessel: Vessel
    warmth_c: float
    in_fridge: bool = False

    def after(self, what: Handling) -> Housed:
        """The same where there is no such place or jar."""
        match what:
            case Handling.TO_FRIDGE | Handling.TO_COUNTER:
                return replace(self, in_fridge=what is Handling.TO_FRIDGE)
            case Handling.WARMER | Handling.COOLER if not self.in_fridge:
                moved = self.warmth_c + (ANOTHER_PLACE_C if what is Handling.WARMER else -ANOTHER_PLACE_C)
                return replace(self, warmth_c=moved) if COOLEST_C <= moved <= WARMEST_C else self
            case Handling.OTHER_JAR if self.vessel.volume_ml * LARGER <= LARGEST_ML:
                volume, height = self.vessel.volume_ml * LARGER, self.vessel.height_mm * TALLER
                return replace(self, vessel=replace(self.vessel, volume_ml=volume, height_mm=height))
            case _:
                return self


PLACES = frozenset({Handling.TO_FRIDGE, Handling.TO_COUNTER, Handling.WARMER, Handling.COOLER, Handling.OTHER_JAR})


def at_first(situation: Situation) -> Housed:
    return Housed(situation.vessel, situation.warmth_c)


def housed(situation: Situation, acts: Iterable[Made]) -> Housed:
    """After what was done before the situation, and after `acts`, in their order."""
    return reduce(lambda stands, act: stands.after(act.what), (*situation.before, *acts), at_first(situation))


def offered(stands: Housed) -> tuple[Handling, ...]:
    """What can be done with it, a look aside: into such places as there are, and it is not in."""
    return tuple(
        what for what in Handling if what is not Handling.LOOK and (what not in PLACES or stands.after(what) != stands)
    )
