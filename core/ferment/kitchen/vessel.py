"""The jar: how high a mix stands in it, a level in any unit as a multiple of the line, and what fits."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from ..refusal import Refusal, RefusalCode, within

# A fresh mix of flour and water, before any gas (common practice: a little denser than water).
PASTE_G_PER_ML = 1.1
# Room to leave over the line: most starters double, a lively one goes near three times (common practice).
ROOM_WANTED = 2.5


class LevelUnit(StrEnum):
    """How a level is given: as a multiple of the line, as per cent risen above it, in mm from the bottom, or in ml."""

    TIMES = "times"
    PERCENT = "percent"
    MM = "mm"
    ML = "ml"


@dataclass(frozen=True)
class Level:
    value: float
    unit: LevelUnit


@dataclass(frozen=True)
class Vessel:
    """A round jar: empty weight in g, volume to the rim in ml, inside height in mm.

    `flare` is the inside width at the rim over the width at the bottom: 1 for a straight jar, more for one that opens.
    """

    tare_g: float
    volume_ml: float
    height_mm: float
    flare: float = 1.0


# No empty jar of a kitchen weighs more.
MOST_TARE_G = 5_000.0
LEAST_ML, MOST_ML = 30.0, 10_000.0


def check_vessel(vessel: Vessel) -> Vessel:
    """Raises Refusal (not_a_number, out_of_range) for a jar that no kitchen has."""
    within(vessel.tare_g, 0.0, MOST_TARE_G, "tare_g")
    within(vessel.volume_ml, LEAST_ML, MOST_ML, "volume_ml")
    within(vessel.height_mm, 20.0, 500.0, "height_mm")
    within(vessel.flare, 0.5, 2.0, "flare")
    return vessel


def volume_at(vessel: Vessel, mm: float) -> float:
    """What stands under a height, in ml: the frustum of a cone from the bottom up."""
    x = mm / vessel.height_mm
    widening = vessel.flare - 1.0
    share = x * (3.0 + 3.0 * widening * x + (widening * x) ** 2) / (3.0 + 3.0 * widening + widening**2)
    return vessel.volume_ml * share


def height_at(vessel: Vessel, ml: float) -> float:
    """The height in mm at which a volume stands; beyond the rim as if the wall went on."""
    share = ml / vessel.volume_ml
    widening = vessel.flare - 1.0
    if abs(widening) < 1e-9:
        return vessel.height_mm * share
    cube = max(0.0, 1.0 + share * (vessel.flare**3 - 1.0))
    return vessel.height_mm * (math.cbrt(cube) - 1.0) / widening


def line_mm(vessel: Vessel, total_g: float) -> float:
    """Height at which `total_g` of fresh mix stands, in mm from the inside bottom."""
    return height_at(vessel, total_g / PASTE_G_PER_ML)


def room_times(vessel: Vessel, line: float) -> float:
    """How many times its volume at the line a mix can take before it runs over."""
    return vessel.volume_ml / volume_at(vessel, line) if line > 0 else math.inf


def most_grams(vessel: Vessel) -> float:
    """The most that fits without any rise, in g."""
    return vessel.volume_ml * PASTE_G_PER_ML


@dataclass(frozen=True)
class Headroom:
    """Whether a feed fits at its likely rise; if not, the most that does, in g, and the jar that would, in ml."""

    fits: bool
    room_times: float
    most_total_g: float
    least_volume_ml: float


def headroom(vessel: Vessel, total_g: float, likely_rise: float = ROOM_WANTED) -> Headroom:
    """Will `total_g` of fresh mix rise `likely_rise` times (1 is no rise) without running over?"""
    room = room_times(vessel, line_mm(vessel, total_g))
    return Headroom(
        fits=room >= likely_rise - 1e-9,
        room_times=room,
        most_total_g=math.floor(most_grams(vessel) / likely_rise),
        least_volume_ml=math.ceil(total_g / PASTE_G_PER_ML * likely_rise),
    )


@dataclass(frozen=True)
class Mark:
    """One height on the glass in every unit: mm from the inside bottom, ml under it, and × the line by volume."""

    mm: float
    ml: float
    times: float


# Nobody marks a level lower than this share of the line's height.
LOWEST_MARK = 0.2
# A jar that opens is followed by so many straight pieces: to a hundredth of × over any jar that `check_vessel` takes.
PIECES = 24


def marks(vessel: Vessel, line: float) -> tuple[Mark, ...]:
    """The glass from low under the line to the rim, for who must convert a level without asking: straight between two
    marks. A straight jar has two; one that opens or closes has many."""
    lowest = LOWEST_MARK * line
    pieces = 1 if vessel.flare == 1.0 else PIECES
    heights = [lowest + (vessel.height_mm - lowest) * place / pieces for place in range(pieces + 1)]
    at_line = volume_at(vessel, line)
    # The line itself is a mark, so that it reads 1 × to the last digit.
    if pieces > 1 and lowest < line < vessel.height_mm:
        heights = sorted({*heights, line})
    return tuple(
        Mark(round(mm, 3), round(volume_at(vessel, mm), 3), round(volume_at(vessel, mm) / at_line, 6)) for mm in heights
    )


def as_times(level: Level, vessel: Vessel, line: float, field: str = "level") -> float:
    """A level as a multiple of the line, by volume (1.0 at the line, 2.0 doubled).

    A level in mm, ×, or % is a height, as the eye and the ruler see it; in a jar that opens the same height holds more.
    Raises Refusal (level_above_rim, level_below_bottom, not_a_number) below the bottom or above the rim, with the
    bounds in the unit given.
    """
    at_line = volume_at(vessel, line)
    mm = {
        LevelUnit.TIMES: lambda: level.value * line,
        LevelUnit.PERCENT: lambda: (1.0 + level.value / 100.0) * line,
        LevelUnit.MM: lambda: level.value,
        LevelUnit.ML: lambda: height_at(vessel, level.value) if level.value > 0 else 0.0,
    }[level.unit]()
    if not math.isfinite(mm):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field)
    if mm <= 0.1 * line:
        raise Refusal(RefusalCode.LEVEL_BELOW_BOTTOM, field, {"least": _in_unit(0.1 * line, level.unit, vessel, line)})
    # Half a millimetre of slack: the mix may stand at the very rim.
    if mm > vessel.height_mm + 0.5:
        raise Refusal(
            RefusalCode.LEVEL_ABOVE_RIM, field, {"most": _in_unit(vessel.height_mm, level.unit, vessel, line)}
        )
    return round(volume_at(vessel, mm) / at_line, 9)


def _in_unit(mm: float, unit: LevelUnit, vessel: Vessel, line: float) -> float:
    return {
        LevelUnit.TIMES: round(mm / line, 2),
        LevelUnit.PERCENT: round((mm / line - 1.0) * 100.0),
        LevelUnit.MM: round(mm),
        LevelUnit.ML: round(volume_at(vessel, mm)),
    }[unit]
