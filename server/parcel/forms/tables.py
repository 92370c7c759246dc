"""The tables of a parcel: one definition of which the package, the document, their schemas and the reader are made.

A row is a mapping of plain values: text, numbers, truth, aware moments, and JSON where a field is one. `version` rises
when a table changes its meaning; a file of a later version is refused, one of an earlier is read for ever.
"""

from __future__ import annotations

import json
import math
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum
from typing import Any
from uuid import UUID

FORMAT, VERSION = "despertar.kitchen", 1
Row = dict[str, Any]
Rows = dict[str, list[Row]]


class Kind(StrEnum):
    """The type of a field, by its name in a table schema."""

    TEXT = "string"
    WHOLE = "integer"
    NUMBER = "number"
    MOMENT = "datetime"
    TRUTH = "boolean"
    JSON = "object"
    LIST = "array"


class Fault(Exception):
    """A value that a parcel may not hold, by its table, its row from 1, and its field."""

    def __init__(self, table: str, row: int, field: str, expected: str) -> None:
        super().__init__(table, row, field, expected)
        self.table, self.row, self.field, self.expected = table, row, field, expected


@dataclass(frozen=True)
class Field:
    """One column. `unit` is that of its numbers; `needed` says that no row is without it."""

    name: str
    kind: Kind
    means: str
    unit: str = ""
    needed: bool = False
    is_id: bool = False


@dataclass(frozen=True)
class Table:
    """`derived` tables are written for the reader and passed over when a parcel is taken in."""

    name: str
    means: str
    fields: tuple[Field, ...]
    key: str = ""
    derived: bool = False


def _id(name: str, means: str, *, needed: bool = True) -> Field:
    return Field(name, Kind.TEXT, means, needed=needed, is_id=True)


def _text(name: str, means: str, *, needed: bool = False) -> Field:
    return Field(name, Kind.TEXT, means, needed=needed)


def _number(name: str, unit: str, means: str, *, needed: bool = False) -> Field:
    return Field(name, Kind.NUMBER, means, unit, needed)


def _moment(name: str, means: str, *, needed: bool = False) -> Field:
    return Field(name, Kind.MOMENT, means, needed=needed)


def _json(name: str, means: str, *, needed: bool = False, kind: Kind = Kind.JSON) -> Field:
    return Field(name, kind, means, needed=needed)


_JAR = _id("jar", "the jar that it is of")
_AT = _moment("at", "when it was", needed=True)
_NOTE = _text("note", "the baker's own words")

TABLES: tuple[Table, ...] = (
    Table(
        "kitchen",
        "The baker, in one row",
        (
            _text("baker", "name of the account", needed=True),
            _text("time_zone", "zone of the baker's clock, by its IANA name", needed=True),
            _json("earlier_zones", "zones before, each with the moment until which it held", kind=Kind.LIST),
            _json("hours", "when the baker can be at the jars, minutes of the day"),
        ),
    ),
    Table(
        "flours",
        "Flours on the shelf",
        (
            _id("id", "its id"),
            _text("flour", "kind of flour", needed=True),
            _text("name", "what the baker calls it", needed=True),
            _number("price_per_kg", "", "what a kilo costs, in the baker's money"),
            _number("g", "g", "what there was of it when it was weighed"),
            _moment("weighed_at", "when that was"),
        ),
        key="id",
    ),
    Table(
        "thermometers",
        "Thermometers; their tokens stay where they are",
        (_id("id", "its id"), _text("place", "where it hangs", needed=True)),
        key="id",
    ),
    Table(
        "readings",
        "What thermometers wrote down: readings of the last week, and means of whole hours before",
        (
            _id("thermometer", "which one"),
            _AT,
            _number("celsius", "°C", "how warm it was", needed=True),
            Field("whole_hour", Kind.TRUTH, "whether it is the mean of an hour", needed=True),
        ),
    ),
    Table(
        "jars",
        "Jars, as they were begun; what changed on the way stands among the entries",
        (
            _id("id", "its id"),
            _text("name", "its name", needed=True),
            _text("family", "the way that it was planned by", needed=True),
            _json("method", "that way itself, as a method document"),
            _json("choices", "what was chosen of it", needed=True),
            _number("tare_g", "g", "the empty jar", needed=True),
            _number("volume_ml", "ml", "what it holds to its rim", needed=True),
            _number("height_mm", "mm", "its height inside", needed=True),
            _number("flare", "", "how much wider it is at the top than at the bottom", needed=True),
            _number("scale_step", "g", "what the scale shows at least; empty where there is none"),
            _number("size", "", "share of the way's own amounts", needed=True),
            _number("warmth_c", "°C", "how warm it stood by day", needed=True),
            _number("night_c", "°C", "and by night, where that differs"),
            _id("thermometer", "the thermometer beside it", needed=False),
            _text("ready_after", "the baker's rule of ready", needed=True),
            _json("taught", "what earlier jars taught of it"),
            _moment("starts_at", "when it was to be begun", needed=True),
            _id("mother", "the jar that it came out of", needed=False),
            _text("came_by", "what it came by"),
            _moment("put_away_at", "when it was put away"),
            _moment("made_at", "when it was put on the shelf", needed=True),
        ),
        key="id",
    ),
    Table(
        "entries",
        "Logs: everything that was written down, as it was written",
        (
            _id("id", "its id"),
            _JAR,
            _text("kind", "what it is: feed, look, deed …", needed=True),
            _AT,
            _json("body", "what it says, with the form in which it was written", needed=True),
            Field("revision", Kind.WHOLE, "counts its changes from 1", needed=True),
            _moment("recorded_at", "when it was written down", needed=True),
            _text("recorded_by", "who wrote it"),
            _moment("withdrawn_at", "when it was undone"),
        ),
        key="id",
    ),
    Table(
        "changes",
        "What entries said before they were changed",
        (
            _id("entry", "which entry"),
            _text("what", "amended, withdrawn, restored …", needed=True),
            _moment("at", "the moment that the entry told then", needed=True),
            _json("body", "what it said then", needed=True),
            _moment("made_at", "when it was changed", needed=True),
            _text("made_by", "who changed it"),
        ),
    ),
    Table(
        "feeds",
        "Feeds that count, to read",
        (
            _id("id", "the entry"),
            _text("jar", "name of the jar"),
            _AT,
            _number("keep_g", "g", "what was kept of the jar"),
            _number("flour_g", "g", "flour that went in"),
            _text("flours", "its kinds and grams"),
            _number("water_g", "g", "water that went in"),
            _number("juice_g", "g", "juice that went in"),
            _number("salt_g", "g", "salt that went in"),
            _number("line_mm", "mm", "height of the line, where it was measured"),
            _text("discard_to", "where the discard went"),
            _NOTE,
        ),
        derived=True,
    ),
    Table(
        "looks",
        "Looks that count, to read",
        (
            _id("id", "the entry"),
            _text("jar", "name of the jar"),
            _AT,
            _number("level", "", "the level as it was told, in its own unit"),
            _text("level_unit", "that unit: times the line, mm, percent …"),
            _text("bubbles", "bubbles"),
            _text("top", "what was seen on top"),
            _text("smell", "what it smelt of"),
            _text("thickness", "how thick it was"),
            _number("ph", "", "pH"),
            _number("celsius", "°C", "how warm it was inside"),
            _NOTE,
        ),
        derived=True,
    ),
    Table(
        "photos",
        "Photos; the pictures lie in the folder photos",
        (
            _id("id", "its id"),
            _JAR,
            _id("look", "the look that it was taken with", needed=False),
            _AT,
            Field("width", Kind.WHOLE, "width of the picture", "px", needed=True),
            Field("height", Kind.WHOLE, "height of the picture", "px", needed=True),
            _json("points", "bottom, mark and level on the picture, as shares of width and height"),
            _text("file", "the picture in this package"),
        ),
        key="id",
    ),
    Table(
        "cameras",
        "Cameras that watched a jar; their tokens and pictures stay where they are",
        (
            _id("id", "its id"),
            _JAR,
            _text("kind", "a page, one that posts, or pictures taken already", needed=True),
            _number("every_min", "min", "how often it took a picture", needed=True),
            _moment("made_at", "when it was set up", needed=True),
        ),
        key="id",
    ),
    Table(
        "levels",
        "What was read off their pictures",
        (
            _id("camera", "which one"),
            _AT,
            _id("feed", "the feed that it is of"),
            _number("level", "", "the level, times the line"),
            _number("error", "", "its standard error"),
            _text("cause", "why there is none"),
            Field("tells", Kind.TRUTH, "whether it counts; those in between only draw the curve", needed=True),
        ),
    ),
    Table(
        "discard",
        "What was done with the discard jars",
        (
            _id("id", "its id"),
            _text("shelf", "which discard jar", needed=True),
            _text("act", "taken, emptied, washed …", needed=True),
            _AT,
            _number("g", "g", "what was taken", needed=True),
            _json("top", "what a look showed", kind=Kind.LIST),
            _number("ml", "ml", "what the jar holds", needed=True),
            _text("made_for", "what it was taken for"),
        ),
        key="id",
    ),
    Table(
        "trials",
        "Jars that were raised side by side to differ in one thing",
        (
            _id("id", "its id"),
            _text("name", "its name", needed=True),
            _moment("begun_at", "when it was begun", needed=True),
            _moment("ended_at", "when it was ended"),
            _json("jars", "its jars, the plain one first, with what became of each", needed=True, kind=Kind.LIST),
        ),
        key="id",
    ),
)
BY_NAME: Mapping[str, Table] = {table.name: table for table in TABLES}
MOST_TEXT = 20_000


def parsed(field: Field, value: Any) -> Any:
    """A value as it came, from a cell of text or from JSON, as its field has it. Raises ValueError with what is
    expected."""
    if value is None or value == "":
        if field.needed and field.kind is not Kind.TEXT:
            raise ValueError("something")
        return "" if field.needed and value == "" and field.kind is Kind.TEXT and not field.is_id else _none(field)
    return _PARSERS[field.kind](value, field)


def _none(field: Field) -> None:
    if field.needed:
        raise ValueError("something")


def _as_text(value: Any, field: Field) -> str:
    if not isinstance(value, str) or len(value) > MOST_TEXT:
        raise ValueError("text")
    if field.is_id:
        try:
            return str(UUID(value))
        except ValueError:
            raise ValueError("an id") from None
    return value


def _as_number(value: Any, _: Field) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float | str):
        raise ValueError("a number")
    try:
        number = float(value)
    except ValueError:
        raise ValueError("a number") from None
    if not math.isfinite(number):
        raise ValueError("a number")
    return number


def _as_whole(value: Any, field: Field) -> int:
    number = _as_number(value, field)
    if number != int(number) or not 0 <= number < 2**31:
        raise ValueError("a whole number")
    return int(number)


def _as_moment(value: Any, _: Field) -> datetime:
    try:
        at = datetime.fromisoformat(value) if isinstance(value, str) else None
    except ValueError:
        at = None
    if at is None or at.tzinfo is None:
        raise ValueError("a moment like 2026-03-04T08:00:00Z")
    return at


def _as_truth(value: Any, _: Field) -> bool:
    known = {"true": True, "false": False, "1": True, "0": False}
    if isinstance(value, bool):
        return value
    if isinstance(value, str) and value.lower() in known:
        return known[value.lower()]
    raise ValueError("true or false")


def _as_json(value: Any, field: Field) -> Any:
    if isinstance(value, str):
        try:
            value = json.loads(value)
        except ValueError:
            raise ValueError("JSON") from None
    if not isinstance(value, dict | list):
        raise ValueError("JSON")
    if field.kind is Kind.LIST and not isinstance(value, list):
        raise ValueError("a list")
    return value


_PARSERS = {
    Kind.TEXT: _as_text,
    Kind.NUMBER: _as_number,
    Kind.WHOLE: _as_whole,
    Kind.MOMENT: _as_moment,
    Kind.TRUTH: _as_truth,
    Kind.JSON: _as_json,
    Kind.LIST: _as_json,
}


def parsed_row(table: Table, number: int, row: Mapping[str, Any]) -> Row:
    """A row with every field of its table, others passed over. Raises Fault."""
    made: Row = {}
    for field in table.fields:
        try:
            made[field.name] = parsed(field, row.get(field.name))
        except (ValueError, OverflowError, RecursionError) as error:
            raise Fault(table.name, number, field.name, str(error)) from None
    return made


def written(value: Any) -> Any:
    """A value as JSON has it."""
    if isinstance(value, datetime):
        return value.isoformat().replace("+00:00", "Z")
    return value
