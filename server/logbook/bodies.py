"""An entry as it goes over the wire and into the database, and as the core knows it."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, TypeAdapter, ValidationError

from accounts.wire import Moment, Request
from ferment.kitchen.vessel import Level, LevelUnit
from ferment.protocol.advised import Advice
from ferment.record.log import (
    READY,
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    DiscardTo,
    Entry,
    Feed,
    Leave,
    Look,
    Smell,
    Thickness,
    Top,
    Word,
)
from ferment.signs.contract import SignCode
from problems import ServerProblem
from problems.stored import Body, Step, UnreadableError, in_form_of_today, marked

from .terms import MOST_NOTE, FlourBody, Note, TermBody, lot, term_from_core, term_to_core, told


class LevelBody(Request):
    value: float
    unit: LevelUnit


class FeedBody(Request):
    """A first mix (`keep_g` 0) or a feed, in grams as they really went in; `line_mm` when the line was measured,
    `tare_g` when the empty jar was weighed."""

    kind: Literal["feed"]
    at: Moment
    keep_g: float
    flours: Annotated[list[FlourBody], Field(max_length=8)]
    water_g: float
    juice_g: float = 0.0
    salt_g: float
    line_mm: float | None
    discard_to: DiscardTo | None = None
    tare_g: float | None = None
    note: Note


class LookBody(Request):
    """What was seen, smelt and measured; null or empty where nobody looked. `high` is the smear on the glass."""

    kind: Literal["look"]
    at: Moment
    level: LevelBody | None
    bubbles: Bubbles | None
    top: Annotated[list[Top], Field(max_length=8)]
    smell: Annotated[list[Smell], Field(max_length=8)]
    thickness: Thickness | None
    high: LevelBody | None = None
    ph: float | None = None
    celsius: float | None = None
    floats: bool | None = None
    note: Note


class DeedBody(Request):
    """An act that adds nothing: stirred, a step skipped, moved into the cold or out of it."""

    kind: Literal["deed"]
    at: Moment
    did: DeedKind
    note: Note


class LeaveBody(Request):
    """Left alone until a moment: nothing is due before it."""

    kind: Literal["leave"]
    at: Moment
    until: Moment
    note: Note


# One enumeration for the contract, so that the client words all of it or does not compile.
ABOUT = (READY, *(sign.value for sign in SignCode), *(one.value for one in Advice))
About = StrEnum("About", {code.upper(): code for code in ABOUT})  # type: ignore[misc]


class WordBody(Request):
    """The baker's own word: yes or no to advice, no to a sign, yes or no to being ready."""

    kind: Literal["word"]
    at: Moment
    about: About
    yes: bool
    note: Note


class BinBody(Request):
    """The end of the jar."""

    kind: Literal["bin"]
    at: Moment
    note: Note


AnyBody = FeedBody | LookBody | DeedBody | LeaveBody | WordBody | TermBody | BinBody
EntryBody = Annotated[AnyBody, Field(discriminator="kind")]
_ADAPTER: TypeAdapter[AnyBody] = TypeAdapter(EntryBody)


def to_core(entry_id: UUID, body: AnyBody) -> Entry:
    match body:
        case FeedBody():
            return Feed(
                str(entry_id),
                body.at,
                body.keep_g,
                lot(body.flours),
                body.water_g,
                body.salt_g,
                body.line_mm,
                body.juice_g,
                body.discard_to,
                body.tare_g,
            )
        case LookBody():
            level = Level(body.level.value, body.level.unit) if body.level else None
            high = Level(body.high.value, body.high.unit) if body.high else None
            return Look(
                str(entry_id),
                body.at,
                level,
                body.bubbles,
                frozenset(body.top),
                frozenset(body.smell),
                body.thickness,
                bool(body.note.strip()),
                high,
                body.ph,
                body.celsius,
                body.floats,
            )
        case DeedBody():
            return Deed(str(entry_id), body.at, body.did)
        case LeaveBody():
            return Leave(str(entry_id), body.at, body.until)
        case WordBody():
            return Word(str(entry_id), body.at, body.about.value, body.yes)
        case BinBody():
            return Bin(str(entry_id), body.at)
        case _:
            return term_to_core(str(entry_id), body)


def from_core(entry: Entry, note: str = "") -> AnyBody:
    """An entry of the core as it goes over the wire."""
    match entry:
        case Feed():
            return FeedBody(
                kind="feed",
                at=entry.at,
                keep_g=entry.keep_g,
                flours=told(entry.flours),
                water_g=entry.water_g,
                juice_g=entry.juice_g,
                salt_g=entry.salt_g,
                line_mm=entry.line_mm,
                discard_to=entry.discard_to,
                tare_g=entry.tare_g,
                note=note,
            )
        case Look():
            return LookBody(
                kind="look",
                at=entry.at,
                level=_level(entry.level),
                bubbles=entry.bubbles,
                top=sorted(entry.top),
                smell=sorted(entry.smell),
                thickness=entry.thickness,
                high=_level(entry.high),
                ph=entry.ph,
                celsius=entry.celsius,
                floats=entry.floats,
                note=note,
            )
        case Deed():
            return DeedBody(kind="deed", at=entry.at, did=entry.deed, note=note)
        case Leave():
            return LeaveBody(kind="leave", at=entry.at, until=entry.until, note=note)
        case Word():
            return WordBody(kind="word", at=entry.at, about=About(entry.about), yes=entry.yes, note=note)
        case Bin():
            return BinBody(kind="bin", at=entry.at, note=note)
        case _:
            return term_from_core(entry, note)


def _level(level: Level | None) -> LevelBody | None:
    return LevelBody(value=level.value, unit=level.unit) if level else None


def _with_what_came_later(body: Body) -> Body:
    """Form 0 was written from the first day on, before juice, the way of the discard, the smear, pH, warmth and
    floating were asked for: nobody said anything of them."""
    # A note may have grown beyond its measure when its letters were taken apart: it is told as far as it goes.
    note = str(body.get("note", ""))[:MOST_NOTE]
    return {**NOT_ASKED.get(_kind_by_its_parts(body), {}), **body, "note": note}


NOT_ASKED: Mapping[str, Body] = {
    "feed": {"juice_g": 0.0, "discard_to": None, "tare_g": None},
    "look": {"high": None, "ph": None, "celsius": None, "floats": None},
}


def _kind_by_its_parts(body: Body) -> str:
    return "feed" if "keep_g" in body else "look" if "bubbles" in body else ""


STEPS: tuple[Step, ...] = (_with_what_came_later,)


def to_stored(body: AnyBody) -> dict[str, object]:
    """What the `body` column holds: all but the columns of its own, in the form of today."""
    return marked(body.model_dump(mode="json", exclude={"kind", "at"}), STEPS)


def from_stored(kind: str, at: object, stored: Mapping[str, object]) -> AnyBody:
    """What was stored, in whatever form. A part that today's form has no name for is passed over and stays stored.

    Raises UnreadableError.
    """
    body = in_form_of_today(stored, STEPS, kind)
    try:
        return _ADAPTER.validate_python({**body, "kind": kind, "at": at}, extra="ignore")
    except ValidationError as error:
        place = ".".join(str(part) for part in error.errors()[0]["loc"])
        raise UnreadableError(ServerProblem.STORED_BROKEN, place or kind) from error
