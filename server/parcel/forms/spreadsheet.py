"""A baker's own spreadsheet: cells out of CSV or XLSX, and what a row of them says once its columns are matched."""

from __future__ import annotations

import csv
import io
import re
import zipfile
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date, datetime, time
from enum import StrEnum

from openpyxl import load_workbook
from openpyxl.utils.exceptions import InvalidFileException

Cell = str | float | datetime | date | time | None
MOST_ROWS, MOST_COLUMNS = 600, 40
MOST_BYTES, MOST_UNPACKED = 5_000_000, 60_000_000


class NotASheetError(Exception):
    """A file that is neither."""


class Part(StrEnum):
    """What a column holds. `when` is date and time in one."""

    WHEN = "when"
    DATE = "date"
    TIME = "time"
    WHAT = "what"
    LEVEL = "level"
    WARMTH = "warmth"
    PH = "ph"
    KEEP = "keep"
    FLOUR = "flour"
    WATER = "water"
    NOTE = "note"


class DateOrder(StrEnum):
    DMY = "dmy"
    MDY = "mdy"
    YMD = "ymd"


@dataclass(frozen=True)
class Matched:
    """Which column holds what, by its place from 0, and how dates and levels are written in it."""

    columns: Mapping[Part, int] = field(default_factory=dict)
    dates: DateOrder = DateOrder.DMY


# What stands at the head of a column, as bakers write it: common practice, in a few languages.
HEADS: Mapping[Part, tuple[str, ...]] = {
    Part.WHEN: ("when", "datetime", "timestamp", "date and time", "data e hora"),
    Part.DATE: ("date", "day", "data", "fecha", "datum"),
    Part.TIME: ("time", "hour", "hora", "uhrzeit"),
    Part.WHAT: ("what", "act", "event", "done", "action", "o que"),
    Part.LEVEL: ("level", "height", "rise", "mm", "altura", "nível"),
    Part.WARMTH: ("temp", "°c", "°f", "warm", "celsius", "degrees"),
    Part.PH: ("ph",),
    Part.KEEP: ("keep", "kept", "seed", "starter"),
    Part.FLOUR: ("flour", "farinha", "harina", "mehl"),
    Part.WATER: ("water", "água", "agua", "wasser"),
    Part.NOTE: ("note", "remark", "comment", "smell", "nota"),
}


def cells_of(data: bytes) -> list[list[Cell]]:
    """The rows of the first sheet, empty ones at the end left out. Raises NotASheetError."""
    rows = _of_xlsx(data) if data[:2] == b"PK" else _of_csv(data)
    rows = [row[:MOST_COLUMNS] for row in rows[: MOST_ROWS + 1]]
    while rows and all(cell in (None, "") for cell in rows[-1]):
        rows.pop()
    if not rows:
        raise NotASheetError
    return rows


def _of_xlsx(data: bytes) -> list[list[Cell]]:
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as zipped:
            if sum(one.file_size for one in zipped.infolist()) > MOST_UNPACKED:
                raise NotASheetError
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
        sheet = book.worksheets[0]
        rows = sheet.iter_rows(max_row=MOST_ROWS + 1, max_col=MOST_COLUMNS, values_only=True)
        return [[_plain(cell) for cell in row] for row in rows]
    except (zipfile.BadZipFile, InvalidFileException, KeyError, IndexError, ValueError, TypeError, OSError) as error:
        raise NotASheetError from error


def _plain(cell: object) -> Cell:
    if isinstance(cell, bool) or cell is None:
        return None if cell is None else str(cell)
    if isinstance(cell, datetime | date | time | str):
        return cell
    return float(cell) if isinstance(cell, int | float) else str(cell)


def _of_csv(data: bytes) -> list[list[Cell]]:
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        # What spreadsheet programs of another age write.
        text = data.decode("cp1252", errors="replace")
    if "\x00" in text:
        raise NotASheetError
    try:
        dialect: type[csv.Dialect] | csv.Dialect = csv.Sniffer().sniff(text[:4_000], delimiters=",;\t|")
    except csv.Error:
        dialect = csv.excel
    try:
        return [list(row) for row, _ in zip(csv.reader(io.StringIO(text), dialect), range(MOST_ROWS + 1), strict=False)]
    except csv.Error as error:
        raise NotASheetError from error


def guessed(head: Sequence[Cell], rows: Sequence[Sequence[Cell]]) -> Matched:
    """What the columns likely hold, by what stands over them, and in which order its dates are."""
    columns: dict[Part, int] = {}
    for part, words in HEADS.items():
        for place, cell in enumerate(head):
            said = str(cell or "").strip().lower()
            if place not in columns.values() and any(said.startswith(word) or word == said for word in words):
                columns[part] = place
                break
    dated = columns.get(Part.DATE, columns.get(Part.WHEN))
    texts = [str(row[dated]) for row in rows if dated is not None and dated < len(row) and isinstance(row[dated], str)]
    return Matched(columns, _order_of(texts))


def _order_of(texts: Sequence[str]) -> DateOrder:
    """By the first date that can be read only one way; day first where none can."""
    for text in texts:
        found = _DATE.search(text)
        if found is None:
            continue
        first, second = int(found[1]), int(found[2])
        if len(found[1]) == 4:
            return DateOrder.YMD
        if first > 12:
            return DateOrder.DMY
        if second > 12:
            return DateOrder.MDY
    return DateOrder.DMY


_DATE = re.compile(r"(\d{1,4})[./\-](\d{1,2})[./\-](\d{1,4})")
_TIME = re.compile(r"(\d{1,2})\s*[:.hH]\s*(\d{2})?(?::\d{2})?\s*([ap]\.?m)?", re.IGNORECASE)


def number_in(cell: Cell) -> float | None:
    """`1,8`, `1.8 x`, `120 g`, `1.234,5`. None for nothing. Raises ValueError for what is no number."""
    if cell is None or (isinstance(cell, str) and not cell.strip()):
        return None
    if isinstance(cell, float):
        return cell
    if not isinstance(cell, str):
        raise ValueError("a number")
    found = re.search(r"[+-]?\d[\d.,]*", cell)
    if found is None:
        raise ValueError("a number")
    text = found[0].rstrip(".,")
    if "," in text and "." in text:
        # The last sign is the decimal one.
        thousands = "," if text.rfind(".") > text.rfind(",") else "."
        text = text.replace(thousands, "")
    return float(text.replace(",", "."))


def moment_in(row: Sequence[Cell], matched: Matched) -> datetime | None:
    """Date and time of a row, by the wall. Raises ValueError for what is none."""

    def cell(part: Part) -> Cell:
        place = matched.columns.get(part)
        return row[place] if place is not None and place < len(row) else None

    both = cell(Part.WHEN)
    if both is not None and both != "":
        if isinstance(both, datetime):
            return both.replace(tzinfo=None)
        if not isinstance(both, str):
            raise ValueError("a date and a time")
        rest = _DATE.sub("", both, count=1)
        return datetime.combine(_date_in(both, matched.dates), _time_in(rest))
    day = cell(Part.DATE)
    if day is None or day == "":
        return None
    return datetime.combine(_date_in(day, matched.dates), _time_in(cell(Part.TIME)))


def _date_in(cell: Cell, order: DateOrder) -> date:
    if isinstance(cell, datetime):
        return cell.date()
    if isinstance(cell, date):
        return cell
    found = _DATE.search(cell) if isinstance(cell, str) else None
    if found is None:
        raise ValueError("a date")
    parts = dict(zip(order.value, (int(one) for one in found.groups()), strict=True))
    if len(found[1]) == 4:
        parts = dict(zip("ymd", (int(one) for one in found.groups()), strict=True))
    year = parts["y"] + 2000 if parts["y"] < 100 else parts["y"]
    return date(year, parts["m"], parts["d"])


def _time_in(cell: Cell) -> time:
    if isinstance(cell, datetime):
        return cell.time()
    if isinstance(cell, time):
        return cell
    if isinstance(cell, float) and 0 <= cell < 1:
        # A spreadsheet keeps hours as parts of a day.
        minutes = round(cell * 1440)
        return time(minutes // 60 % 24, minutes % 60)
    found = _TIME.search(cell) if isinstance(cell, str) else None
    if found is None:
        raise ValueError("a time")
    hour, minute = int(found[1]), int(found[2] or 0)
    if found[3]:
        hour = hour % 12 + (12 if found[3].lower().startswith("p") else 0)
    return time(hour, minute)
