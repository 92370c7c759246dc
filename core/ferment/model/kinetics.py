"""How warmth and acid set the pace of the three populations in a jar.

Warmth: one law for all, equal to 1 at 25 °C, a Q10 law with an upper end in the form of Ratkowsky and others 1983 (from
memory): g(T) = Q10^((T - 25) / 10) (1 - e^(b (T - Tmax))) / (1 - e^(b (25 - Tmax))), 0 from Tmax on. Q10 and b are
fitted to practice, the upper ends set between those of a sourdough yeast and of baker's yeast (from memory). A
published cardinal model of baker's yeast was tried first and dropped: in the fridge it is far slower than practice
sees.

Acid: pH falls from that of fresh paste towards a floor, the faster the less a flour buffers:
pH = floor + (fresh - floor) e^(-A / buffer). Both ends are common knowledge, the buffering is set.

Written once: called by numbers and by arrays, and compiled into the loop over steps. Temperatures in °C, rates in 1/h.
"""

from __future__ import annotations

import math
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from .compiler import compiled_too

Array = NDArray[np.float64]
T = TypeVar("T", float, Array)


# --- warmth ---

REFERENCE_C = 25.0
# Fitted to practice: about half speed at 17 °C, a week in the fridge as 12 to 24 h at 22 °C, a quick jar at 30 °C.
Q10 = 3.1
UPPER_STEEPNESS = 0.12
YEAST_UPPER_C = 41.2
LACTIC_UPPER_C = 42.0
EARLY_UPPER_C = 46.0
HEAT_DEATH_C = 42.0
HEAT_DEATH_RATE = 0.5
MOST_HEAT_DEATH = 4.0


def growth_pace(celsius: float, upper_c: float) -> float:
    """Growth against that at 25 °C: a Q10 law with an upper end after Ratkowsky, 0 from `upper_c` on."""
    end = max(0.0, 1.0 - math.exp(UPPER_STEEPNESS * (celsius - upper_c)))
    at_reference = 1.0 - math.exp(UPPER_STEEPNESS * (REFERENCE_C - upper_c))
    return q10(celsius) * end / at_reference


def q10(celsius: float) -> float:
    return math.exp(math.log(Q10) * (celsius - REFERENCE_C) / 10.0)


def upkeep_pace(celsius: float) -> float:
    """What goes on without growth (upkeep, leaking, slackening) against that at 25 °C."""
    return q10(min(celsius, HEAT_DEATH_C))


def heat_death(celsius: float) -> float:
    """How fast everything dies, 1/h."""
    return min(MOST_HEAT_DEATH, HEAT_DEATH_RATE * max(0.0, celsius - HEAT_DEATH_C))


# Cold paste takes up more of its gas before any bubble grows: carbon dioxide is about twice as soluble at 4 °C as at
# 25 °C (from memory). Above this the difference is lost in the rest.
COLD_GAS_C = 14.0
COLD_GAS = 0.14


def gas_held(celsius: float) -> float:
    """The share of the gas made that stands as bubbles: 1 in any room, less in the cold."""
    return math.exp(-COLD_GAS * max(0.0, COLD_GAS_C - celsius))


# --- acid ---

PH_FRESH = 6.1
PH_FLOOR = 3.45
BUFFER = 0.55
# Early bacteria give way between these (enterobacteria stop at 4.2 to 4.5; from memory).
SWEET_PH, SOUR_PH = 5.2, 4.2
# The lactic bacteria's own brake (the sourdough kind stops near 3.8, hardier ones lower; Gänzle 1998, from memory).
LACTIC_STOP_PH, LACTIC_FREE_PH = 3.6, 4.3


@compiled_too
def ph_of(acid: T, buffer: T) -> T:
    """pH of a paste by its acid and its flour's buffering (`BUFFER` × the flour's own × 2 × flour share)."""
    made: T = (PH_FRESH - PH_FLOOR) * np.exp(-acid / buffer) + PH_FLOOR
    return made


@compiled_too
def sourness(ph: T) -> T:
    """The acid switch: 0 sweet to 1 sour."""
    made: T = np.minimum(np.maximum((SWEET_PH - ph) / (SWEET_PH - SOUR_PH), 0.0), 1.0)
    return made


@compiled_too
def lactic_freedom(ph: T) -> T:
    """The lactic brake: 1 free to 0 stopped by their own acid."""
    made: T = np.minimum(np.maximum((ph - LACTIC_STOP_PH) / (LACTIC_FREE_PH - LACTIC_STOP_PH), 0.0), 1.0)
    return made
