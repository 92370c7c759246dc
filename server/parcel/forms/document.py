"""A parcel as one JSON document: the same rows by table, pictures in base64 where they are wanted."""

from __future__ import annotations

import base64
import binascii
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import IO, Any

import orjson

from .package import ForeignError, Opened, check_version
from .tables import FORMAT, TABLES, VERSION, Fault, Field, Kind, Row, Rows, Table, parsed_row, written

# The whole of it is read at once.
MOST_DOCUMENT = 200_000_000


def write(rows: Rows, pictures: Iterable[tuple[str, bytes]], made_at: datetime, file: IO[bytes]) -> None:
    told: dict[str, Any] = {"format": FORMAT, "version": VERSION, "made_at": written(made_at)}
    for table in TABLES:
        told[table.name] = [{name: written(value) for name, value in row.items()} for row in rows.get(table.name, [])]
    told["pictures"] = {photo: base64.b64encode(picture).decode() for photo, picture in pictures}
    file.write(orjson.dumps(told, option=orjson.OPT_INDENT_2))


def read(file: IO[bytes]) -> Opened:
    """Raises ForeignError, NewerError, or Fault with the place of what is wrong."""
    text = file.read(MOST_DOCUMENT + 1)
    try:
        told = orjson.loads(text) if len(text) <= MOST_DOCUMENT else None
    except (orjson.JSONDecodeError, RecursionError):
        told = None
    if not isinstance(told, dict) or told.get("format") != FORMAT:
        raise ForeignError("format")
    check_version(told.get("version"))
    rows: Rows = {}
    for table in TABLES:
        if not table.derived:
            rows[table.name] = _rows(table, told.get(table.name, []))
    pictures = told.get("pictures")
    return Opened(rows, lambda row: _picture(pictures if isinstance(pictures, dict) else {}, row))


def _rows(table: Table, told: object) -> list[Row]:
    if not isinstance(told, list):
        raise Fault(table.name, 0, "", "a list")
    made = []
    for number, row in enumerate(told, start=1):
        if not isinstance(row, dict):
            raise Fault(table.name, number, "", "an object")
        made.append(parsed_row(table, number, row))
    return made


def _picture(pictures: Mapping[str, object], row: Row) -> bytes | None:
    told = pictures.get(row["id"])
    try:
        return base64.b64decode(told, validate=True) if isinstance(told, str) else None
    except binascii.Error:
        return None


def schema() -> dict[str, Any]:
    """The JSON Schema (2020-12) of a document, made of the same tables."""
    tables = {
        table.name: {
            "type": "array",
            "description": table.means,
            "items": {
                "type": "object",
                "properties": {field.name: _of(field) for field in table.fields},
                "required": [field.name for field in table.fields if field.needed],
            },
        }
        for table in TABLES
    }
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "A kitchen of Despertar",
        "type": "object",
        "required": ["format", "version", "kitchen", "jars", "entries"],
        "properties": {
            "format": {"const": FORMAT},
            "version": {"const": VERSION},
            "made_at": {"type": "string", "format": "date-time"},
            **tables,
            "pictures": {
                "type": "object",
                "description": "JPEG by the id of its photo, in base64",
                "additionalProperties": {"type": "string", "contentEncoding": "base64"},
            },
        },
    }


_TYPES: Mapping[Kind, dict[str, Any]] = {
    Kind.TEXT: {"type": "string"},
    Kind.WHOLE: {"type": "integer", "minimum": 0},
    Kind.NUMBER: {"type": "number"},
    Kind.MOMENT: {"type": "string", "format": "date-time"},
    Kind.TRUTH: {"type": "boolean"},
    Kind.JSON: {"type": ["object", "array"]},
    Kind.LIST: {"type": "array"},
}


def _of(field: Field) -> dict[str, Any]:
    made: dict[str, Any] = {
        **_TYPES[field.kind],
        "description": f"{field.means}{f', in {field.unit}' if field.unit else ''}",
    }
    if field.is_id:
        made["format"] = "uuid"
    if not field.needed:
        kinds = made["type"] if isinstance(made["type"], list) else [made["type"]]
        made["type"] = [*kinds, "null"]
    return made
