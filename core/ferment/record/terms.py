"""What a baker changes of a jar on the way: each an entry of the log, true from its time on and not before."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from ..kitchen.flours import Blend
from ..kitchen.vessel import Vessel

# Nobody feeds a jar on the counter oftener or more seldom than this (common practice).
LEAST_RHYTHM_H, MOST_RHYTHM_H = 6.0, 72.0


@dataclass(frozen=True)
class Moved:
    """It stands somewhere else: °C by day, and at night where that differs.

    `thermometer` names the one that reads there, where there is one; it counts before both.
    """

    id: str
    at: datetime
    warmth_c: float
    night_c: float | None = None
    thermometer: str | None = None


@dataclass(frozen=True)
class OtherJar:
    """What is in it went into another jar; `line_mm` is the line marked there, when it was measured."""

    id: str
    at: datetime
    vessel: Vessel
    line_mm: float | None = None


@dataclass(frozen=True)
class OtherFlour:
    """Other flour from the next feed on; of several blends one a feed, in turn."""

    id: str
    at: datetime
    blends: tuple[Blend, ...]


@dataclass(frozen=True)
class OtherRhythm:
    """So many hours from feed to feed."""

    id: str
    at: datetime
    every_h: float


@dataclass(frozen=True)
class OtherAmount:
    """Other amounts from the next feed on; None leaves what the way says.

    `size` multiplies the way's own amounts; `seed_g` is kept of the jar, `flour_parts` is flour to seed, and
    `hydration_percent` is the liquid to a feed's flour.
    """

    id: str
    at: datetime
    size: float = 1.0
    seed_g: float | None = None
    flour_parts: float | None = None
    hydration_percent: float | None = None


# What is chosen of a way: picks and numbers by their code.
Picks = tuple[tuple[str, str | float], ...]


@dataclass(frozen=True)
class OtherWay:
    """Another way of the catalogue from now on, by its picks and numbers; its flour is what the jar is fed with."""

    id: str
    at: datetime
    family: str
    choices: Picks = ()
    size: float = 1.0


Terms = Moved | OtherJar | OtherFlour | OtherRhythm | OtherAmount | OtherWay
