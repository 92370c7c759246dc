"""Where the flour went: every gram that came into a jar and every gram that left it, so that the balance closes.

What came in is flour, water and salt of the feeds, the culture that a jar was begun with, and what was put back from
elsewhere. What left it is what was taken out at feeds (compost, bin, the discard jar, or nobody said where), what was
used, and what was in it when it was binned. The rest stands in the jar. What evaporates or is eaten is not counted.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..mixing.contents import EMPTY, Contents, Culture, culture_of
from .log import Bin, DiscardTo, Feed, Log, PutBack, Use, UsedFor, in_order


class Came(StrEnum):
    FED = "fed"
    CULTURE = "culture"
    PUT_BACK = "put_back"


class Went(StrEnum):
    """Discard by where it went, what was used by what for, and the end of a jar."""

    COMPOST = "compost"
    BIN = "bin"
    DISCARD_JAR = "discard_jar"
    UNSAID = "unsaid"
    DOUGH = "dough"
    GIFT = "gift"
    SPARE = "spare"
    FLAKES = "flakes"
    SPLIT = "split"
    OTHER_JAR = "other_jar"
    RECIPE = "recipe"
    BINNED = "binned"


OF_DISCARD = {DiscardTo.COMPOST: Went.COMPOST, DiscardTo.BIN: Went.BIN, DiscardTo.JAR: Went.DISCARD_JAR}
OF_USE = {used: Went(used.value) for used in UsedFor}
# Less than this is what sums of tenths leave over.
NOTHING_G = 1e-6


@dataclass(frozen=True)
class In:
    """What came in with an entry of the log, in grams by flour, water and salt."""

    entry_id: str
    at: datetime
    came: Came
    what: Contents


@dataclass(frozen=True)
class Out:
    """What left with an entry, in grams by flour, water and salt."""

    entry_id: str
    at: datetime
    went: Went
    what: Contents


@dataclass(frozen=True)
class Flows:
    """All that came in and went out, in order, and what stands in the jar: in is out and what is left."""

    came: tuple[In, ...]
    went: tuple[Out, ...]
    left: Contents


@dataclass
class _Jar:
    culture: Culture | None
    came: list[In]
    went: list[Out]
    begun: bool = False
    left: Contents = EMPTY

    def put(self, entry: Feed | PutBack, came: Came, what: Contents) -> None:
        if what.total_g > NOTHING_G:
            self.came.append(In(entry.id, entry.at, came, what))
        self.left = together((self.left, what))

    def take(self, entry: Feed | Use | Bin, went: Went, keep_g: float) -> None:
        kept = self.left.keep(keep_g)
        gone = EMPTY
        if self.left.total_g - kept.total_g > NOTHING_G:
            gone = self.left.keep(self.left.total_g - kept.total_g)
            self.went.append(Out(entry.id, entry.at, went, gone))
        self.left = kept

    def feed(self, entry: Feed) -> None:
        if self.begun:
            went = Went.UNSAID if entry.discard_to is None else OF_DISCARD[entry.discard_to]
            self.take(entry, went, entry.keep_g)
        elif self.culture and entry.keep_g > 0:
            self.put(entry, Came.CULTURE, culture_of(entry.keep_g, self.culture))
        self.begun = True
        self.put(entry, Came.FED, EMPTY.add(entry.flours, entry.liquid_g, entry.salt_g))


def flows_of(log: Log, culture: Culture | None = None) -> Flows:
    """Follow a log; `culture` is what its first mix brings a seed of, where it does."""
    jar = _Jar(culture, [], [])
    for entry in in_order(log):
        match entry:
            case Feed():
                jar.feed(entry)
            case Use() if jar.begun:
                jar.take(entry, OF_USE[entry.used_for], max(0.0, jar.left.total_g - entry.g))
            case PutBack() if jar.begun:
                jar.put(entry, Came.PUT_BACK, EMPTY.add(entry.flours, entry.water_g))
            case Bin():
                jar.take(entry, Went.BINNED, 0.0)
                break
            case _:
                pass
    return Flows(tuple(jar.came), tuple(jar.went), jar.left)


def together(parts: Iterable[Contents]) -> Contents:
    """All of them in one."""
    whole = EMPTY
    for part in parts:
        whole = whole.add(part.flours, part.water_g, part.salt_g)
    return whole
