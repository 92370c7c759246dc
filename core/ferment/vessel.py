"""The jar: how high a mix stands in it, and a level in any unit as a multiple of the line."""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import StrEnum

from .refusal import Refusal, RefusalCode, within

# A fresh mix of flour and water, before any gas (common practice: a little denser than water).
PASTE_G_PER_ML = 1.1
# Room to leave over the line: most starters double, a lively one goes near three times (common practice).
ROOM_WANTED = 2.5


class LevelUnit(StrEnum):
    """How a level is given: as a multiple of the line, as per cent risen above it, or in mm from the inside bottom."""

    TIMES = "times"
    PERCENT = "percent"
    MM = "mm"


@dataclass(frozen=True)
class Level:
    value: float
    unit: LevelUnit


@dataclass(frozen=True)
class Vessel:
    """A straight jar: empty weight in g, volume to the rim in ml, inside height in mm."""

    tare_g: float
    volume_ml: float
    height_mm: float


def check_vessel(vessel: Vessel) -> Vessel:
    """Raises Refusal for a jar that no kitchen has."""
    within(vessel.tare_g, 0.0, 5_000.0, "tare_g")
    within(vessel.volume_ml, 30.0, 10_000.0, "volume_ml")
    within(vessel.height_mm, 20.0, 500.0, "height_mm")
    return vessel


def line_mm(vessel: Vessel, total_g: float) -> float:
    """Height at which `total_g` of fresh mix stands, in mm from the inside bottom."""
    return vessel.height_mm * (total_g / PASTE_G_PER_ML) / vessel.volume_ml


def room_times(vessel: Vessel, line: float) -> float:
    """The rim as a multiple of the line: how far the mix can rise before it runs over."""
    return vessel.height_mm / line if line > 0 else math.inf


def most_grams(vessel: Vessel) -> float:
    """The most that fits without any rise, in g."""
    return vessel.volume_ml * PASTE_G_PER_ML


def as_times(level: Level, vessel: Vessel, line: float, field: str = "level") -> float:
    """A level as a multiple of the line (1.0 at the line, 2.0 doubled).

    Raises Refusal below the bottom or above the rim, with the bounds in the unit given.
    """
    rim = room_times(vessel, line)
    times = {
        LevelUnit.TIMES: lambda: level.value,
        LevelUnit.PERCENT: lambda: 1.0 + level.value / 100.0,
        LevelUnit.MM: lambda: level.value / line,
    }[level.unit]()
    if not math.isfinite(times):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field)
    if times <= 0.1:
        raise Refusal(RefusalCode.LEVEL_BELOW_BOTTOM, field, {"least": _in_unit(0.1, level.unit, line)})
    # Half a millimetre of slack: the mix may stand at the very rim.
    if times > rim + 0.5 / line:
        raise Refusal(RefusalCode.LEVEL_ABOVE_RIM, field, {"most": _in_unit(rim, level.unit, line)})
    return times


def _in_unit(times: float, unit: LevelUnit, line: float) -> float:
    return {
        LevelUnit.TIMES: round(times, 2),
        LevelUnit.PERCENT: round((times - 1.0) * 100.0),
        LevelUnit.MM: round(times * line),
    }[unit]
