"""The log replayed: what each feed left in the jar, where its line stands, what was seen until the next."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from datetime import datetime
from functools import cached_property

from ..kitchen.hours import HOUR
from ..kitchen.vessel import Level, Vessel, as_times, line_mm, room_times
from ..mixing.contents import EMPTY, Contents, Culture, culture_of
from ..refusal import Refusal
from .glimpses import Glimpse, Weighed, as_looks, in_utc
from .log import (
    Bake,
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    Entry,
    Feed,
    Leave,
    Log,
    Look,
    PutBack,
    Smell,
    Thickness,
    Top,
    Use,
    Word,
    in_order,
)
from .terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay, Terms


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
    # Of a camera alone: how unsure it is, and as how many looks it counts.
    error: float | None = None
    counts: float = 1.0

    @property
    def watched(self) -> bool:
        """Whether a camera saw it, not the baker."""
        return self.error is not None

    @property
    def level_read(self) -> bool:
        """Whether a level or a high mark was read."""
        return self.times is not None or self.high is not None


def highest(sightings: Iterable[Sighting]) -> float:
    """The highest level or high mark among them, as a multiple of the line; 1 where none was read."""
    return max((level for seen in sightings for level in (seen.times, seen.high) if level is not None), default=1.0)


@dataclass(frozen=True)
class Round:
    """One feed and everything up to the next: contents before and after it, its line (mm), and what was seen.

    `left` is what stands in the jar at its end, after what was used and put back; the line and the room above it are of
    then, in the jar of then.
    """

    feed: Feed
    before: Contents
    contents: Contents
    left: Contents
    line_mm: float
    room_times: float
    sightings: tuple[Sighting, ...]

    @property
    def discard_g(self) -> float:
        return max(0.0, self.before.total_g - self.feed.keep_g)


@dataclass(frozen=True)
class Ledger:
    """All rounds of a jar, in order, what else was done, what the baker said of verdicts and advice, and the end of the
    jar when there was one.

    `terms` are what was changed on the way, `uses` and `put_back` what went out and in beside the feeds, `bakes` what
    is planned; `vessel` is the jar of now.
    """

    rounds: tuple[Round, ...]
    deeds: tuple[Deed | Leave, ...]
    binned: Bin | None
    words: tuple[Word, ...]
    vessel: Vessel
    terms: tuple[Terms, ...] = ()
    uses: tuple[Use, ...] = ()
    put_back: tuple[PutBack, ...] = ()
    bakes: tuple[Bake, ...] = ()

    def word(self, about: str) -> Word | None:
        """The latest that the baker said of it."""
        return next((word for word in reversed(self.words) if word.about == about), None)

    @property
    def sightings(self) -> tuple[Sighting, ...]:
        """Everything that was seen of the jar, in order."""
        return tuple(seen for turn in self.rounds for seen in turn.sightings)

    @cached_property
    def cold_spans(self) -> tuple[tuple[datetime, datetime | None], ...]:
        """When the jar stood in the fridge, the last stay without an end while it is there. Who feeds it has it out."""
        spans: list[tuple[datetime, datetime | None]] = []
        since: datetime | None = None
        came: list[tuple[datetime, bool]] = [
            *((deed.at, True) for deed in self.deeds if _did(deed, DeedKind.TO_FRIDGE)),
            *((deed.at, False) for deed in self.deeds if _did(deed, DeedKind.TO_COUNTER)),
            *((turn.feed.at, False) for turn in self.rounds),
        ]
        # Of one minute: fed, and then into the cold.
        for at, into in sorted(came):
            if into and since is None:
                since = at
            elif not into and since is not None:
                if at > since:
                    spans.append((since, at))
                since = None
        return (*spans, (since, None)) if since is not None else tuple(spans)

    @property
    def rests_since(self) -> datetime | None:
        """Since when it stands in the fridge, where it does."""
        spans = self.cold_spans
        return spans[-1][0] if spans and spans[-1][1] is None else None

    @property
    def contents(self) -> Contents:
        return self.rounds[-1].left if self.rounds else EMPTY


def is_cold(ledger: Ledger, at: datetime) -> bool:
    """Whether the jar stood in the fridge at a moment."""
    return any(since <= at and (until is None or at < until) for since, until in ledger.cold_spans)


def _did(deed: Deed | Leave, kind: DeedKind) -> bool:
    return isinstance(deed, Deed) and deed.deed is kind


@dataclass
class _Open:
    """A round while its looks come in."""

    feed: Feed
    before: Contents
    contents: Contents
    left: Contents
    vessel: Vessel
    line: float
    sightings: list[Sighting] = field(default_factory=list)

    def close(self) -> Round:
        room = room_times(self.vessel, self.line)
        return Round(self.feed, self.before, self.contents, self.left, self.line, room, tuple(self.sightings))

    def holds(self, left: Contents, vessel: Vessel, line: float | None = None) -> None:
        """What stands in it is other than it was, or stands in another jar; its line moves with that."""
        if left.total_g > 0 and self.left.total_g > 0 and line is None:
            scale = line_mm(vessel, left.total_g) / line_mm(self.vessel, self.left.total_g)
            line = self.line * scale if vessel == self.vessel else line_mm(vessel, left.total_g)
        self.left, self.vessel, self.line = left, vessel, line or self.line


@dataclass
class _Replay:
    """A log while it is followed."""

    vessel: Vessel
    culture: Culture | None
    rounds: list[_Open] = field(default_factory=list)
    deeds: list[Deed | Leave] = field(default_factory=list)
    words: list[Word] = field(default_factory=list)
    terms: list[Terms] = field(default_factory=list)
    uses: list[Use] = field(default_factory=list)
    put_back: list[PutBack] = field(default_factory=list)
    bakes: list[Bake] = field(default_factory=list)
    binned: Bin | None = None

    def take(self, entry: Entry) -> None:
        match entry:
            case Feed():
                self.feed(entry)
            case Look():
                self.look(entry)
            case Use():
                self.use(entry)
            case PutBack():
                self.put(entry)
            case Bin():
                self.binned = self.binned or entry
            case _:
                self.note(entry)

    def note(self, entry: Deed | Leave | Word | Bake | Terms) -> None:
        """What leaves the contents as they are."""
        match entry:
            case Deed() | Leave():
                self.deeds.append(entry)
            case Word():
                self.words.append(entry)
            case Bake():
                self.bakes.append(entry)
            case Moved() | OtherJar() | OtherFlour() | OtherRhythm() | OtherAmount() | OtherWay():
                self.change(entry)

    @property
    def running(self) -> _Open | None:
        return self.rounds[-1] if self.rounds else None

    def feed(self, entry: Feed) -> None:
        if entry.tare_g is not None:
            self.vessel = replace(self.vessel, tare_g=entry.tare_g)
        running = self.running
        before = running.left if running else EMPTY
        kept = before.keep(entry.keep_g)
        if running is None and self.culture and entry.keep_g > 0:
            kept = culture_of(entry.keep_g, self.culture)
        contents = kept.add(entry.flours, entry.liquid_g, entry.salt_g)
        line = entry.line_mm or line_mm(self.vessel, contents.total_g)
        self.rounds.append(_Open(entry, before, contents, contents, self.vessel, line))

    def look(self, entry: Look) -> None:
        # What was seen before there was a jar to see tells nothing.
        if self.running:
            self.running.sightings.append(_sighting(self.running.vessel, self.running, entry))

    def glimpse(self, one: Weighed) -> None:
        if self.running:
            self.running.sightings.append(_glimpsed(self.running, one))

    def use(self, entry: Use) -> None:
        self.uses.append(entry)
        if self.running:
            left = self.running.left
            self.running.holds(left.keep(max(0.0, left.total_g - entry.g)), self.vessel)

    def put(self, entry: PutBack) -> None:
        self.put_back.append(entry)
        if self.running:
            self.running.holds(self.running.left.add(entry.flours, entry.water_g), self.vessel)

    def change(self, entry: Terms) -> None:
        self.terms.append(entry)
        if isinstance(entry, OtherJar):
            self.vessel = entry.vessel
            if self.running:
                self.running.holds(self.running.left, entry.vessel, entry.line_mm)


def replay(vessel: Vessel, log: Log, culture: Culture | None = None, glimpses: tuple[Glimpse, ...] = ()) -> Ledger:
    """Follow a log from the first mix on. What takes more than there was took all: the log is never refused.

    `glimpses` are what a camera read in between; of one minute with a feed they are of what stood there before.
    """
    so_far = _Replay(vessel, culture)
    between = deque(as_looks(in_utc(one) for one in glimpses))
    for entry in in_order(log):
        while between and between[0].glimpse.at <= entry.at:
            so_far.glimpse(between.popleft())
        so_far.take(entry)
    for one in between:
        so_far.glimpse(one)
    return Ledger(
        tuple(turn.close() for turn in so_far.rounds),
        tuple(so_far.deeds),
        so_far.binned,
        tuple(so_far.words),
        so_far.vessel,
        tuple(so_far.terms),
        tuple(so_far.uses),
        tuple(so_far.put_back),
        tuple(so_far.bakes),
    )


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


def _glimpsed(turn: _Open, one: Weighed) -> Sighting:
    it = one.glimpse
    hours = (it.at - turn.feed.at) / HOUR
    return Sighting(it.id, it.at, hours, times=it.times, error=it.error, counts=one.counts)


def _times(vessel: Vessel, line: float, level: Level | None) -> float | None:
    if level is None:
        return None
    try:
        return as_times(level, vessel, line)
    except Refusal:
        # An edited feed can move the line under an old level in mm; the look stays, its level counts for nothing.
        return None
