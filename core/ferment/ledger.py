"""The log replayed: what each feed left in the jar, where its line stands, and how far it rose."""

from __future__ import annotations

from dataclasses import dataclass, replace

from .contents import EMPTY, Contents
from .log import Bin, Feed, Log, Look, in_order
from .refusal import Refusal
from .vessel import Vessel, as_times, line_mm, room_times


@dataclass(frozen=True)
class Reading:
    """The level seen by one look, as a multiple of the line that stood then."""

    look: Look
    times: float


@dataclass(frozen=True)
class Round:
    """One feed and everything up to the next: contents after it, discard before it, its line, the levels seen."""

    feed: Feed
    contents: Contents
    discard_g: float
    line_mm: float
    room_times: float
    readings: tuple[Reading, ...]


@dataclass(frozen=True)
class Ledger:
    """All rounds of a jar, in order, the looks in order, and the end of the jar when there was one."""

    rounds: tuple[Round, ...]
    looks: tuple[Look, ...]
    binned: Bin | None

    @property
    def contents(self) -> Contents:
        return self.rounds[-1].contents if self.rounds else EMPTY


def replay(vessel: Vessel, log: Log) -> Ledger:
    """Follow a log from the first mix on. A feed that keeps more than there was keeps all: the log is never refused."""
    rounds: list[Round] = []
    looks: list[Look] = []
    binned: Bin | None = None
    readings: list[Reading] = []
    for entry in in_order(log):
        match entry:
            case Feed():
                before = rounds[-1].contents if rounds else EMPTY
                kept = before.keep(entry.keep_g)
                contents = kept.add(entry.flours, entry.water_g, entry.salt_g)
                line = entry.line_mm or line_mm(vessel, contents.total_g)
                readings = []
                rounds.append(Round(entry, contents, before.total_g - kept.total_g, line, room_times(vessel, line), ()))
            case Look():
                looks.append(entry)
                reading = _reading(vessel, rounds, entry)
                if reading is not None:
                    readings.append(reading)
                    rounds[-1] = replace(rounds[-1], readings=tuple(readings))
            case Bin():
                binned = binned or entry
    return Ledger(tuple(rounds), tuple(looks), binned)


def _reading(vessel: Vessel, rounds: list[Round], look: Look) -> Reading | None:
    if look.level is None or not rounds:
        return None
    try:
        return Reading(look, as_times(look.level, vessel, rounds[-1].line_mm))
    except Refusal:
        # An edited feed can move the line under an old level in mm; the look stays, its level counts for nothing.
        return None
