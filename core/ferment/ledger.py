"""The log replayed: what each feed left in the jar, where its line stands, what was seen until the next."""

from __future__ import annotations

from dataclasses import dataclass, field

from .contents import EMPTY, Contents, culture_of
from .flours import Blend
from .log import Bin, Deed, Feed, Leave, Log, Look, Word, in_order
from .refusal import Refusal
from .vessel import Level, Vessel, as_times, line_mm, room_times


@dataclass(frozen=True)
class Culture:
    """What a first mix with a seed of its own brings: flakes, a frozen pinch, a sleeping starter."""

    blend: Blend
    hydration_percent: float


@dataclass(frozen=True)
class Reading:
    """The level seen by one look, as a multiple of the line that stood then, and the high mark where it was noted."""

    look: Look
    times: float | None
    high: float | None = None


@dataclass(frozen=True)
class Round:
    """One feed and everything up to the next: contents before and after it, its line, the looks and levels seen."""

    feed: Feed
    before: Contents
    contents: Contents
    line_mm: float
    room_times: float
    looks: tuple[Look, ...]
    readings: tuple[Reading, ...]

    @property
    def discard_g(self) -> float:
        return max(0.0, self.before.total_g - self.feed.keep_g)


@dataclass(frozen=True)
class Ledger:
    """All rounds of a jar, in order, the looks, what else was done, what the baker said of verdicts and advice, and the
    end of the jar when there was one."""

    rounds: tuple[Round, ...]
    looks: tuple[Look, ...]
    deeds: tuple[Deed | Leave, ...]
    binned: Bin | None
    words: tuple[Word, ...] = ()

    def word(self, about: str) -> Word | None:
        """The latest that the baker said of it."""
        return next((one for one in reversed(self.words) if one.about == about), None)

    @property
    def contents(self) -> Contents:
        return self.rounds[-1].contents if self.rounds else EMPTY


@dataclass
class _Open:
    """A round while its looks come in."""

    feed: Feed
    before: Contents
    contents: Contents
    line: float
    room: float
    looks: list[Look] = field(default_factory=list)
    readings: list[Reading] = field(default_factory=list)

    def close(self) -> Round:
        return Round(
            self.feed, self.before, self.contents, self.line, self.room, tuple(self.looks), tuple(self.readings)
        )


def replay(vessel: Vessel, log: Log, culture: Culture | None = None) -> Ledger:
    """Follow a log from the first mix on. A feed that keeps more than there was keeps all: the log is never refused."""
    rounds: list[_Open] = []
    looks: list[Look] = []
    deeds: list[Deed | Leave] = []
    words: list[Word] = []
    binned: Bin | None = None
    for entry in in_order(log):
        match entry:
            case Feed():
                before = rounds[-1].contents if rounds else EMPTY
                kept = before.keep(entry.keep_g)
                if not rounds and culture and entry.keep_g > 0:
                    kept = culture_of(entry.keep_g, culture.blend, culture.hydration_percent)
                contents = kept.add(entry.flours, entry.liquid_g, entry.salt_g)
                line = entry.line_mm or line_mm(vessel, contents.total_g)
                rounds.append(_Open(entry, before, contents, line, room_times(vessel, line)))
            case Look():
                looks.append(entry)
                if rounds:
                    rounds[-1].looks.append(entry)
                    rounds[-1].readings.extend(_reading(vessel, rounds[-1].line, entry))
            case Deed() | Leave():
                deeds.append(entry)
            case Word():
                words.append(entry)
            case Bin():
                binned = binned or entry
    return Ledger(tuple(turn.close() for turn in rounds), tuple(looks), tuple(deeds), binned, tuple(words))


def _reading(vessel: Vessel, line: float, look: Look) -> tuple[Reading, ...]:
    times, high = _times(vessel, line, look.level), _times(vessel, line, look.high)
    return () if times is None and high is None else (Reading(look, times, high),)


def _times(vessel: Vessel, line: float, level: Level | None) -> float | None:
    if level is None:
        return None
    try:
        return as_times(level, vessel, line)
    except Refusal:
        # An edited feed can move the line under an old level in mm; the look stays, its level counts for nothing.
        return None
