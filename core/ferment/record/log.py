"""What a baker records: feeds, looks, changes, bakes, and the end of a jar. The log is the truth; the rest follows."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from enum import StrEnum
from typing import get_args

from ..kitchen.flours import FlourLot, weight
from ..kitchen.vessel import Level
from .terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay, Terms


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


class DiscardTo(StrEnum):
    """Where what is taken out goes. The discard jar is food, once it is baked; the others are not."""

    COMPOST = "compost"
    BIN = "bin"
    JAR = "jar"


@dataclass(frozen=True)
class Feed:
    """A first mix (`keep_g` 0, or a culture from outside) or a feed, with what really went in.

    `line_mm` is the measured line, when it was. `juice_g` is the acid juice that stood in for water. `discard_to` is
    where the discard went, where that was said. `tare_g` is what the empty jar weighs, where that was found out now.
    """

    id: str
    at: datetime
    keep_g: float
    flours: FlourLot
    water_g: float
    salt_g: float
    line_mm: float | None
    juice_g: float = 0.0
    discard_to: DiscardTo | None = None
    tare_g: float | None = None

    @property
    def liquid_g(self) -> float:
        return self.water_g + self.juice_g

    @property
    def flour_g(self) -> float:
        return weight(self.flours)

    @property
    def total_g(self) -> float:
        return self.keep_g + self.flour_g + self.liquid_g + self.salt_g


@dataclass(frozen=True)
class Look:
    """What was seen, smelt and measured; an empty field was not looked at.

    `high` is the smear left on the glass at the highest point since the feed, a peak that nobody saw. `floats` is how
    a float test went.
    """

    id: str
    at: datetime
    level: Level | None
    bubbles: Bubbles | None
    top: frozenset[Top]
    smell: frozenset[Smell]
    thickness: Thickness | None
    has_note: bool
    high: Level | None = None
    ph: float | None = None
    celsius: float | None = None
    floats: bool | None = None

    @property
    def is_empty(self) -> bool:
        measured = self.level or self.high or any(one is not None for one in (self.ph, self.celsius, self.floats))
        return not (measured or self.bubbles or self.top or self.smell or self.thickness or self.has_note)


@dataclass(frozen=True)
class Bin:
    """The end of the jar."""

    id: str
    at: datetime


class DeedKind(StrEnum):
    """What else a baker does with a jar. Going cold or warm is a change of place that may last; one that is let go is
    fed no more. What was added beside flour and water (sugar, honey, fruit; baker's yeast) is never needed, but
    noted."""

    STIRRED = "stirred"
    SKIPPED = "skipped"
    TO_FRIDGE = "to_fridge"
    TO_COUNTER = "to_counter"
    SPARE_SET_ASIDE = "spare_set_aside"
    LET_GO = "let_go"
    SWEETENED = "sweetened"
    YEAST_ADDED = "yeast_added"


@dataclass(frozen=True)
class Deed:
    """An act that adds nothing: stirred, a step of the plan skipped, moved into the cold or out of it."""

    id: str
    at: datetime
    deed: DeedKind


@dataclass(frozen=True)
class Leave:
    """The baker leaves the jar alone until a moment: nothing is due before it."""

    id: str
    at: datetime
    until: datetime


# What the baker may say yes or no to beside the signs and the advice: that the jar is ready.
READY = "ready"


@dataclass(frozen=True)
class Word:
    """The baker's own word on a verdict or on advice: `about` is the code of a sign or of an advice, or `READY`.

    No to a sign overrules it; yes or no to advice takes or refuses it; yes or no to ready goes before the rule.
    """

    id: str
    at: datetime
    about: str
    yes: bool


class UsedFor(StrEnum):
    """What a part of a jar was taken out for; all but the discard jar's is no discard."""

    DOUGH = "dough"
    GIFT = "gift"
    SPARE = "spare"
    FLAKES = "flakes"
    SPLIT = "split"
    OTHER_JAR = "other_jar"
    RECIPE = "recipe"
    DISCARD_JAR = "discard_jar"


@dataclass(frozen=True)
class Use:
    """So many grams were taken out and used. `bake` names the planned bake that they were for."""

    id: str
    at: datetime
    g: float
    used_for: UsedFor
    bake: str | None = None


@dataclass(frozen=True)
class PutBack:
    """A starter that was put in from elsewhere, without a feed: the rest of a levain, another jar. Grams."""

    id: str
    at: datetime
    flours: FlourLot
    water_g: float

    @property
    def flour_g(self) -> float:
        return weight(self.flours)

    @property
    def total_g(self) -> float:
        return self.flour_g + self.water_g


@dataclass(frozen=True)
class BakeFeed:
    """One feed towards a bake: when, and its grams."""

    at: datetime
    keep_g: float
    flours: FlourLot
    water_g: float

    @property
    def flour_g(self) -> float:
        return weight(self.flours)


@dataclass(frozen=True)
class Bake:
    """A bake that is planned: so many grams at the hour of mixing, and the feeds that lead there.

    `every_days` plans it again after so many days (0: once). `leaves_g` is what stays in the jar.
    """

    id: str
    at: datetime
    mixed_at: datetime
    grams: float
    feeds: tuple[BakeFeed, ...]
    leaves_g: float
    every_days: int = 0


Entry = (
    Feed
    | Look
    | Deed
    | Leave
    | Word
    | Moved
    | OtherJar
    | OtherFlour
    | OtherRhythm
    | OtherAmount
    | OtherWay
    | Use
    | PutBack
    | Bake
    | Bin
)
Log = tuple[Entry, ...]


# What is used is of what stood there before a feed; what is put back, and every change, holds from the feed on.
RANK: Mapping[type, int] = {
    Look: 0,
    Deed: 1,
    Word: 2,
    Use: 3,
    Feed: 4,
    PutBack: 5,
    **dict.fromkeys(get_args(Terms), 6),
    Bake: 7,
    Leave: 8,
    Bin: 9,
}


def in_order(log: Log) -> Log:
    """The log by time, in UTC. Entries of one minute stand as practised: look, stir, use, feed, change, leave; never as
    they came.

    In UTC, because hours between two moments of one zone are read off the wall, where clocks are changed.
    """
    moments: Log = tuple(
        entry if entry.at.tzinfo is UTC else replace(entry, at=entry.at.astimezone(UTC)) for entry in log
    )
    return tuple(sorted(moments, key=lambda entry: (entry.at, RANK[type(entry)], entry.id)))


def feeds_of(log: Log) -> tuple[Feed, ...]:
    return tuple(entry for entry in in_order(log) if isinstance(entry, Feed))
