"""The log replayed: what each feed left in the jar, where its line stands, what was seen until the next."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from datetime import datetime

from ..kitchen.hours import HOUR
from ..kitchen.vessel import Level, Vessel, as_times, line_mm, room_times
from ..mixing.contents import EMPTY, Contents, Culture, culture_of
from ..refusal import Refusal
from .log import Bin, Bubbles, Deed, DeedKind, Feed, Leave, Log, Look, Smell, Thickness, Top, Word, in_order


@dataclass(frozen=True)
class Sighting:
    """One look as everything above the log reads it: what it showed, and when.

    `hours` since the feed before it. `times` is the level and `high` the high mark, as multiples of the line that stood
    then; None where it was not read, or where an edited feed has since moved the line past what can be read. An empty
    set, and None, mean not noted. `ph` as the strip says it, `celsius` at the jar, `floats` how a float test went.
    """

    look_id: str
    at: datetime
    hours: float
    times: float | None = None
    high: float | None = None
    bubbles: Bubbles | None = None
    top: frozenset[Top] = frozenset()
    smell: frozenset[Smell] = frozenset()
    thickness: Thickness | None = None
    ph: float | None = None
    celsius: float | None = None
    floats: bool | None = None

    @property
    def level_read(self) -> bool:
        """Whether a level or a high mark was read."""
        return self.times is not None or self.high is not None


def highest(sightings: Iterable[Sighting]) -> float:
    """The highest level or high mark among them, as a multiple of the line; 1 where none was read."""
    return max((level for seen in sightings for level in (seen.times, seen.high) if level is not None), default=1.0)


@dataclass(frozen=True)
class Round:
    """One feed and everything up to the next: contents before and after it, its line (mm), and what was seen."""

    feed: Feed
    before: Contents
    contents: Contents
    line_mm: float
    room_times: float
    sightings: tuple[Sighting, ...]

    @property
    def discard_g(self) -> float:
        return max(0.0, self.before.total_g - self.feed.keep_g)


@dataclass(frozen=True)
class Ledger:
    """All rounds of a jar, in order, what else was done, what the baker said of verdicts and advice, and the end of the
    jar when there was one."""

    rounds: tuple[Round, ...]
    deeds: tuple[Deed | Leave, ...]
    binned: Bin | None
    words: tuple[Word, ...] = ()

    def word(self, about: str) -> Word | None:
        """The latest that the baker said of it."""
        return next((word for word in reversed(self.words) if word.about == about), None)

    @property
    def sightings(self) -> tuple[Sighting, ...]:
        """Everything that was seen of the jar, in order."""
        return tuple(seen for turn in self.rounds for seen in turn.sightings)

    @property
    def cold_spans(self) -> tuple[tuple[datetime, datetime | None], ...]:
        """When the jar stood in the fridge, the last stay without an end while it is there."""
        spans: list[tuple[datetime, datetime | None]] = []
        since: datetime | None = None
        for deed in self.deeds:
            kind = deed.deed if isinstance(deed, Deed) else None
            if kind is DeedKind.TO_FRIDGE and since is None:
                since = deed.at
            elif kind is DeedKind.TO_COUNTER and since is not None:
                spans.append((since, deed.at))
                since = None
        return (*spans, (since, None)) if since is not None else tuple(spans)

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
    sightings: list[Sighting] = field(default_factory=list)

    def close(self) -> Round:
        return Round(self.feed, self.before, self.contents, self.line, self.room, tuple(self.sightings))


def replay(vessel: Vessel, log: Log, culture: Culture | None = None) -> Ledger:
    """Follow a log from the first mix on. A feed that keeps more than there was keeps all: the log is never refused."""
    rounds: list[_Open] = []
    deeds: list[Deed | Leave] = []
    words: list[Word] = []
    binned: Bin | None = None
    for entry in in_order(log):
        match entry:
            case Feed():
                before = rounds[-1].contents if rounds else EMPTY
                kept = before.keep(entry.keep_g)
                if not rounds and culture and entry.keep_g > 0:
                    kept = culture_of(entry.keep_g, culture)
                contents = kept.add(entry.flours, entry.liquid_g, entry.salt_g)
                line = entry.line_mm or line_mm(vessel, contents.total_g)
                rounds.append(_Open(entry, before, contents, line, room_times(vessel, line)))
            case Look():
                # What was seen before there was a jar to see tells nothing.
                if rounds:
                    rounds[-1].sightings.append(_sighting(vessel, rounds[-1], entry))
            case Deed() | Leave():
                deeds.append(entry)
            case Word():
                words.append(entry)
            case Bin():
                binned = binned or entry
    return Ledger(tuple(turn.close() for turn in rounds), tuple(deeds), binned, tuple(words))


def _sighting(vessel: Vessel, turn: _Open, look: Look) -> Sighting:
    return Sighting(
        look_id=look.id,
        at=look.at,
        hours=(look.at - turn.feed.at) / HOUR,
        times=_times(vessel, turn.line, look.level),
        high=_times(vessel, turn.line, look.high),
        bubbles=look.bubbles,
        top=look.top,
        smell=look.smell,
        thickness=look.thickness,
        ph=look.ph,
        celsius=look.celsius,
        floats=look.floats,
    )


def _times(vessel: Vessel, line: float, level: Level | None) -> float | None:
    if level is None:
        return None
    try:
        return as_times(level, vessel, line)
    except Refusal:
        # An edited feed can move the line under an old level in mm; the look stays, its level counts for nothing.
        return None
