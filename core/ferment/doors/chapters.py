"""The chapters of a jar's life: raised or woken by one way or another, kept, let go, ended; and what was put by."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

from ..mixing.contents import Origin
from ..protocol.course import Course
from ..protocol.options import OptionCode, Pick
from ..record.ledger import Ledger
from ..record.log import Deed, DeedKind, UsedFor
from ..record.terms import OtherWay


class ChapterKind(StrEnum):
    RAISED = "raised"
    WOKEN = "woken"
    COUNTER = "counter"
    COUNTER_AND_COLD = "counter_and_cold"
    FRIDGE = "fridge"
    LET_GO = "let_go"
    ENDED = "ended"


@dataclass(frozen=True)
class Chapter:
    """One stretch of a jar's life; `until` is None while it lasts. `family` is the way, `entry_id` what began it."""

    kind: ChapterKind
    family: str
    since: datetime
    until: datetime | None
    entry_id: str | None
    feeds: int


BY_PICK = {
    Pick.COUNTER: ChapterKind.COUNTER,
    Pick.COUNTER_AND_COLD: ChapterKind.COUNTER_AND_COLD,
    Pick.FRIDGE: ChapterKind.FRIDGE,
}


# Thin flakes snap after one to three days in a dry room, and keep for a year and more (common practice).
DRY_FROM, DRY_TO, KEEPS_FOR = timedelta(days=1), timedelta(days=3), timedelta(days=365)


@dataclass(frozen=True)
class PutBy:
    """What was spread to dry: grams, when, between when it snaps, and until when it keeps at least."""

    entry_id: str
    g: float
    since: datetime
    dry_from: datetime
    dry_to: datetime
    keeps_until: datetime


def put_by(ledger: Ledger) -> tuple[PutBy, ...]:
    dried = (use for use in ledger.uses if use.used_for is UsedFor.FLAKES)
    return tuple(PutBy(use.id, use.g, use.at, use.at + DRY_FROM, use.at + DRY_TO, use.at + KEEPS_FOR) for use in dried)


def chapters(course: Course, ledger: Ledger) -> tuple[Chapter, ...]:
    """None before the first mix."""
    begun = list(_begun(course, ledger))
    ends: list[datetime | None] = [*(one.since for one in begun[1:]), None]
    told = []
    for one, until in zip(begun, ends, strict=False):
        feeds = sum(one.since <= turn.feed.at and (until is None or turn.feed.at < until) for turn in ledger.rounds)
        told.append(replace(one, until=until, feeds=feeds))
    return tuple(told)


def _begun(course: Course, ledger: Ledger) -> Iterator[Chapter]:
    if not ledger.rounds:
        return
    first = ChapterKind.RAISED if course.origin is Origin.FLOUR_AND_WATER else ChapterKind.WOKEN
    kind = BY_PICK.get(course.chosen.picks.get(OptionCode.WAY, Pick.BUILD), first)
    yield Chapter(kind, course.method.code, ledger.rounds[0].feed.at, None, None, 0)
    family = course.method.code
    turns: list[OtherWay | Deed] = [
        *(one for one in ledger.terms if isinstance(one, OtherWay)),
        *(one for one in ledger.deeds if isinstance(one, Deed) and one.deed is DeedKind.LET_GO),
    ]
    for one in sorted(turns, key=lambda entry: entry.at):
        if isinstance(one, OtherWay):
            family = one.family
            picked = dict(one.choices).get(OptionCode.WAY.value)
            kind = next((kind for pick, kind in BY_PICK.items() if pick.value == picked), first)
            yield Chapter(kind, family, one.at, None, one.id, 0)
        else:
            yield Chapter(ChapterKind.LET_GO, family, one.at, None, one.id, 0)
    if ledger.binned:
        yield Chapter(ChapterKind.ENDED, family, ledger.binned.at, None, ledger.binned.id, 0)
