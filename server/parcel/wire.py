"""What goes over the wire about parcels."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from accounts.wire import Request, Told
from ferment.kitchen.flours import Flour
from ferment.kitchen.vessel import LevelUnit
from logbook.bodies import EntryBody
from problems import ProblemCode, ProblemOut, body

from .forms.spreadsheet import DateOrder, Matched, Part
from .spreadsheet import HowWritten, RowRead, SheetRead, Warmth


class TakenIn(Told):
    """How many of each were new here, photos still to come; `as_copy` says that it came under ids of its own, for
    another account here has it too. `baker` is whose it was."""

    jars: int
    entries: int
    readings: int
    flours: int
    discard: int
    photos: int
    levels: int
    as_copy: bool
    baker: str


class PhotosIn(Told):
    """So many of the parcel's photos were looked at, of so many."""

    done: int
    of: int


class PartOut(Told):
    """How many bytes of it are here."""

    received: int


class HowWrittenBody(Request):
    """How a sheet is to be read: which column (from 0) holds what, in which order its dates are, in what levels and
    warmth are told, and of what flour its feeds are."""

    columns: Annotated[dict[Part, int], Field(max_length=20)]
    dates: DateOrder
    level: LevelUnit
    warmth: Warmth
    flour: Flour


class RowOut(Schema):
    """One row, counted as the sheet counts: what would be written, or what is wrong with it; `there` says that it was
    brought in before."""

    row: int
    entry: EntryBody | None
    problem: ProblemOut | None
    there: bool


class SheetOut(Schema):
    """The columns by their heads with what stands under them, how it was read, and its rows."""

    heads: list[str]
    samples: list[list[str]]
    how: HowWrittenBody
    rows: list[RowOut]


class KeptOut(Schema):
    """The new entries, by which the whole can be undone."""

    entries: list[UUID]
    at: datetime


class UndoneOut(Schema):
    undone: int


class UndoIn(Request):
    entries: Annotated[list[UUID], Field(max_length=1_000)]


def how_in(told: HowWrittenBody) -> HowWritten:
    return HowWritten(Matched(told.columns, told.dates), told.level, told.warmth, told.flour)


def sheet_out(found: SheetRead) -> SheetOut:
    how = found.how
    return SheetOut(
        heads=found.heads,
        samples=found.samples,
        how=HowWrittenBody(
            columns=dict(how.matched.columns),
            dates=how.matched.dates,
            level=how.level,
            warmth=how.warmth,
            flour=how.flour,
        ),
        rows=[_row_out(one) for one in found.rows if one.body is not None or one.fault is not None],
    )


def _row_out(one: RowRead) -> RowOut:
    problem = None
    if one.fault is not None:
        code, field, facts = one.fault
        problem = ProblemOut.model_validate({**body(ProblemCode(code), field, facts)})
    return RowOut(row=one.row, entry=one.body, problem=problem, there=one.there)
