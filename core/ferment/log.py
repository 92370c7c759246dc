"""What a baker records: feeds, looks, and the end of a jar. The log is the truth; the rest is computed from it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from .flours import FlourLot, weight
from .vessel import Level


class Bubbles(StrEnum):
    NONE = "none"
    FEW = "few"
    THROUGHOUT = "throughout"
    FROTH = "froth"


class Top(StrEnum):
    FLAT = "flat"
    DOMED = "domed"
    SUNKEN = "sunken"
    LIQUID = "liquid"
    SKIN = "skin"
    WHITE_FILM = "white_film"
    FUZZY_SPOTS = "fuzzy_spots"
    COLOURED_STREAKS = "coloured_streaks"


class Smell(StrEnum):
    FLOURY = "floury"
    CHEESY = "cheesy"
    YOGHURT = "yoghurt"
    FRUITY = "fruity"
    BEERY = "beery"
    SHARP = "sharp"
    NAIL_VARNISH = "nail_varnish"
    PUTRID = "putrid"


class Thickness(StrEnum):
    """Thin to thick, in bakers' words."""

    RUNNY = "runny"
    THIN_BATTER = "thin_batter"
    THICK_BATTER = "thick_batter"
    TOOTHPASTE = "toothpaste"
    SOFT_DOUGH = "soft_dough"
    PUTTY = "putty"


@dataclass(frozen=True)
class Feed:
    """A first mix (`keep_g` 0) or a feed, with what really went in. `line_mm` is the measured line, when it was."""

    id: str
    at: datetime
    keep_g: float
    flours: FlourLot
    water_g: float
    salt_g: float
    line_mm: float | None

    @property
    def flour_g(self) -> float:
        return weight(self.flours)

    @property
    def total_g(self) -> float:
        return self.keep_g + self.flour_g + self.water_g + self.salt_g


@dataclass(frozen=True)
class Look:
    """What was seen and smelt; an empty field was not looked at."""

    id: str
    at: datetime
    level: Level | None
    bubbles: Bubbles | None
    top: frozenset[Top]
    smell: frozenset[Smell]
    thickness: Thickness | None
    has_note: bool

    @property
    def is_empty(self) -> bool:
        return not (self.level or self.bubbles or self.top or self.smell or self.thickness or self.has_note)


@dataclass(frozen=True)
class Bin:
    """The end of the jar."""

    id: str
    at: datetime


Entry = Feed | Look | Bin
Log = tuple[Entry, ...]


def in_order(log: Log) -> Log:
    """The log by time. Entries of one minute stand as practised: look, then feed, then bin; never as they came in."""
    rank = {Look: 0, Feed: 1, Bin: 2}
    return tuple(sorted(log, key=lambda entry: (entry.at, rank[type(entry)], entry.id)))


def feeds_of(log: Log) -> tuple[Feed, ...]:
    return tuple(entry for entry in in_order(log) if isinstance(entry, Feed))
