"""A parcel as a tabular data package (Frictionless Data, specs.frictionlessdata.io): CSV tables with their schemas, and
the pictures, in one zip file."""

from __future__ import annotations

import csv
import io
import json
import zipfile
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import IO, Any

from .tables import FORMAT, TABLES, VERSION, Fault, Field, Kind, Row, Rows, Table, parsed_row, written

DESCRIPTOR = "datapackage.json"
# A kitchen of ten years has some 40,000 entries of half a kilobyte.
MOST_TABLE = 80_000_000
MOST_ROWS = 400_000
MOST_PICTURE = 12_000_000
# What a cell may hold: a whole method document is some 20 kB.
csv.field_size_limit(2_000_000)


class ForeignError(Exception):
    """A file that is no parcel; `why` says what is missing."""

    def __init__(self, why: str) -> None:
        super().__init__(why)
        self.why = why


class NewerError(Exception):
    """A parcel of a later version than is known here."""

    def __init__(self, version: int) -> None:
        super().__init__(str(version))
        self.version = version


def picture_file(photo_id: str) -> str:
    return f"photos/{photo_id}.jpg"


def write(rows: Rows, pictures: Iterable[tuple[str, bytes]], made_at: datetime, file: IO[bytes]) -> None:
    """The rows by table, and pictures by their photo's id, one after the other."""
    with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as zipped:
        zipped.writestr(DESCRIPTOR, json.dumps(descriptor(made_at), indent=2, ensure_ascii=False))
        for table in TABLES:
            zipped.writestr(f"{table.name}.csv", _as_csv(table, rows.get(table.name, [])))
        for photo_id, picture in pictures:
            # A JPEG grows no smaller.
            zipped.writestr(zipfile.ZipInfo(picture_file(photo_id), made_at.timetuple()[:6]), picture)


def descriptor(made_at: datetime) -> dict[str, Any]:
    return {
        "profile": "tabular-data-package",
        "name": "despertar-kitchen",
        "title": "A kitchen of Despertar",
        "description": "Jars, logs, readings and photos of a baker's kitchen. Moments are in UTC.",
        "created": written(made_at),
        "format": FORMAT,
        "version": f"{VERSION}.0.0",
        "resources": [_resource(table) for table in TABLES],
    }


def _resource(table: Table) -> dict[str, Any]:
    schema: dict[str, Any] = {"fields": [_field(field) for field in table.fields], "missingValues": [""]}
    if table.key:
        schema["primaryKey"] = [table.key]
    return {
        "profile": "tabular-data-resource",
        "name": table.name,
        "path": f"{table.name}.csv",
        "title": table.means,
        "format": "csv",
        "mediatype": "text/csv",
        "encoding": "utf-8",
        "dialect": {"delimiter": ",", "lineTerminator": "\r\n", "quoteChar": '"', "header": True},
        "schema": schema,
    }


def _field(field: Field) -> dict[str, Any]:
    made: dict[str, Any] = {"name": field.name, "type": field.kind.value, "description": field.means}
    if field.kind is Kind.MOMENT:
        made["format"] = "any"
    if field.is_id:
        made["format"] = "uuid"
    if field.unit:
        made["unit"] = field.unit
    if field.needed:
        made["constraints"] = {"required": True}
    return made


def _as_csv(table: Table, rows: Iterable[Row]) -> str:
    text = io.StringIO(newline="")
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow([field.name for field in table.fields])
    for row in rows:
        writer.writerow([_cell(field, row.get(field.name)) for field in table.fields])
    return text.getvalue()


def _cell(field: Field, value: Any) -> str:
    if value is None:
        return ""
    if field.kind in (Kind.JSON, Kind.LIST):
        return json.dumps(value, ensure_ascii=False, separators=(",", ":"))
    if field.kind is Kind.TRUTH:
        return "true" if value else "false"
    return str(written(value))


@dataclass(frozen=True)
class Opened:
    """A parcel that was read: its rows, and a picture by its photo's row, where there is one."""

    rows: Rows
    picture: Callable[[Row], bytes | None]


def read(file: IO[bytes]) -> Opened:
    """Raises ForeignError, NewerError, or Fault with the place of what is wrong."""
    try:
        zipped = zipfile.ZipFile(file)
        described = json.loads(_member(zipped, DESCRIPTOR, 5_000_000))
    except (zipfile.BadZipFile, KeyError, ValueError, RecursionError, NotImplementedError, RuntimeError):
        raise ForeignError(DESCRIPTOR) from None
    if not isinstance(described, dict) or described.get("format") != FORMAT:
        raise ForeignError(DESCRIPTOR)
    check_version(described.get("version"))
    return Opened(
        {table.name: list(_rows(zipped, table)) for table in TABLES if not table.derived}, _picture_in(zipped)
    )


def check_version(told: object) -> None:
    """Raises ForeignError for no version, NewerError for a later one."""
    try:
        version = int(str(told).split(".")[0])
    except ValueError:
        raise ForeignError("version") from None
    if version > VERSION:
        raise NewerError(version)


def _member(zipped: zipfile.ZipFile, name: str, most: int) -> bytes:
    """What is told of a member's size may be a lie: no more is read than is allowed."""
    with zipped.open(name) as member:
        data = member.read(most + 1)
    if len(data) > most:
        raise ForeignError(name)
    return data


def _rows(zipped: zipfile.ZipFile, table: Table) -> Iterator[Row]:
    try:
        text = _member(zipped, f"{table.name}.csv", MOST_TABLE).decode("utf-8-sig")
    except KeyError:
        # Nobody has to have thermometers, or a discard jar.
        return
    except (UnicodeDecodeError, zipfile.BadZipFile, EOFError, OSError):
        raise ForeignError(f"{table.name}.csv") from None
    reader = csv.DictReader(io.StringIO(text, newline=""))
    missing = [field.name for field in table.fields if field.needed and field.name not in (reader.fieldnames or ())]
    if missing:
        raise Fault(table.name, 0, missing[0], "a column")
    try:
        for number, row in enumerate(reader, start=1):
            if number > MOST_ROWS:
                raise Fault(table.name, number, "", f"at most {MOST_ROWS} rows")
            yield parsed_row(table, number, row)
    except csv.Error as error:
        raise Fault(table.name, reader.line_num, "", str(error)) from None


def _picture_in(zipped: zipfile.ZipFile) -> Callable[[Row], bytes | None]:
    names = set(zipped.namelist())

    def picture(row: Row) -> bytes | None:
        name = picture_file(row["id"])
        return _member(zipped, name, MOST_PICTURE) if name in names else None

    return picture
