"""A baker's own spreadsheet read into a jar's log: shown first, row by row, then kept as a whole, and undone as one."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass
from datetime import UTC, datetime
from enum import StrEnum
from uuid import UUID, uuid5
from zoneinfo import ZoneInfo

from django.db import transaction

from accounts.services import Account
from ferment.doors.admission import admit
from ferment.kitchen.flours import Flour
from ferment.kitchen.vessel import LevelUnit
from ferment.record.log import Log
from ferment.refusal import Fact, Refusal
from kitchen.cards import JarCard
from kitchen.services import any_jar_of, lock_jar
from logbook import rows
from logbook.bodies import AnyBody, FeedBody, LevelBody, LookBody, to_core, to_stored
from logbook.reading import core_log, rows_of
from logbook.services import withdraw
from logbook.terms import FlourBody
from problems import Problem, ServerProblem
from problems.stored import UnreadableError

from .forms.spreadsheet import MOST_BYTES, Cell, Matched, NotASheetError, Part, cells_of, guessed, moment_in, number_in

# Any one: the same row for the same jar has the same id each time it is brought in.
NAMESPACE = UUID("3a1f0d0c-6d3e-4b77-8a5e-0f5b7a1c9d44")
FED = ("feed", "fed", "refresh", "mix", "start", "aliment", "refresc", "mistur")
# What says no more than that somebody looked.
LOOKED = frozenset({"look", "looked", "check", "checked", "vista", "visto", "olhar"})
MIXED = ("mix", "start", "mistur")


class Warmth(StrEnum):
    CELSIUS = "c"
    FAHRENHEIT = "f"


@dataclass(frozen=True)
class HowWritten:
    """How the sheet is to be read: its columns and dates, in what levels and warmth are told, and of what flour feeds
    are."""

    matched: Matched
    level: LevelUnit
    warmth: Warmth
    flour: Flour


@dataclass(frozen=True)
class RowRead:
    """One row, from 1: what would be written, or what is wrong with it; neither where it says nothing. `there` says
    that it was brought in before."""

    row: int
    entry_id: UUID | None = None
    body: AnyBody | None = None
    fault: tuple[str, str, dict[str, Fact]] | None = None
    there: bool = False


@dataclass(frozen=True)
class SheetRead:
    """The columns by their heads with what stands under them, what they were taken for, and the rows."""

    heads: list[str]
    samples: list[list[str]]
    how: HowWritten
    rows: list[RowRead]


SAMPLES = 3


def read_sheet(account: Account, jar_id: UUID, data: bytes, how: HowWritten | None, now: datetime) -> SheetRead:
    """What a sheet says; nothing is written. Raises Problem for a file that is none, or a jar out of reach."""
    card, log = _jar(account, jar_id, now)
    try:
        if len(data) > MOST_BYTES:
            raise NotASheetError
        head, *body = cells_of(data)
    except NotASheetError as error:
        facts: dict[str, Fact] = {"most_mb": MOST_BYTES / 1e6}
        raise Problem(ServerProblem.NOT_A_SHEET, "file", facts=facts) from error
    how = how or _likely(card, head, body)
    samples = [[str(row[place]) if place < len(row) else "" for row in body[:SAMPLES]] for place in range(len(head))]
    read = [_row(card, number, row, how, account) for number, row in enumerate(body, start=2)]
    return SheetRead([str(cell or "") for cell in head], samples, how, _admitted(card, log, read, now))


def keep_sheet(account: Account, jar_id: UUID, data: bytes, how: HowWritten, now: datetime) -> list[UUID]:
    """Write every row that can be, all or none. Answers the new entries' ids, by which it can be undone."""
    with transaction.atomic():
        lock_jar(account, jar_id)
        found = read_sheet(account, jar_id, data, how, now)
        new = [row for row in found.rows if row.body is not None and row.fault is None and not row.there]
        written = [
            {
                "id": str(row.entry_id),
                "jar": str(jar_id),
                "kind": row.body.kind,
                "at": row.body.at,
                "body": to_stored(row.body),
                "revision": 1,
                "recorded_at": now,
                "recorded_by": account.name,
                "withdrawn_at": None,
            }
            for row in new
            if row.body is not None
        ]
        rows.put_entries(account, {jar_id}, written, [])
    return [row.entry_id for row in new if row.entry_id is not None]


def undo_sheet(account: Account, entry_ids: Sequence[UUID], now: datetime) -> int:
    """Undo what was kept, the latest first. Answers how many are undone now."""
    undone = 0
    with transaction.atomic():
        for entry_id in reversed(entry_ids):
            with suppress(Refusal):
                withdraw(account, entry_id, now)
                undone += 1
    return undone


def _jar(account: Account, jar_id: UUID, now: datetime) -> tuple[JarCard, Log]:
    card = any_jar_of(account, jar_id, now)
    try:
        # Read anew: what is kept by revision may not be asked where a write may still be taken back.
        log = core_log(rows_of([jar_id]))
    except UnreadableError as error:
        raise Problem(ServerProblem.JAR_UNREADABLE, "id", status=409) from error
    if not isinstance(card, JarCard):
        raise Problem(ServerProblem.JAR_UNREADABLE, "id", status=409)
    return card, log


def _likely(card: JarCard, head: Sequence[Cell], body: Sequence[Sequence[Cell]]) -> HowWritten:
    """By what stands over the columns; feeds are of what the jar is mainly planned with."""
    matched = guessed(head, body)
    heads = {part: str(head[place] or "").lower() for part, place in matched.columns.items()}
    level = heads.get(Part.LEVEL, "")
    unit = next((unit for sign, unit in LEVELS.items() if sign in level), LevelUnit.TIMES)
    warm = heads.get(Part.WARMTH, "").split()
    in_f = any(word.strip("()°") in ("f", "fahrenheit") for word in warm)
    blend = card.setup.choices.get("blend")
    flours = blend if isinstance(blend, Mapping) else {}
    main = max(flours, key=lambda flour: flours[flour], default=Flour.WHITE.value)
    return HowWritten(matched, unit, Warmth.FAHRENHEIT if in_f else Warmth.CELSIUS, Flour(main))


LEVELS = {"mm": LevelUnit.MM, "%": LevelUnit.PERCENT, "ml": LevelUnit.ML}


def _row(card: JarCard, number: int, row: Sequence[Cell], how: HowWritten, account: Account) -> RowRead:
    try:
        body = _body(row, how, ZoneInfo(account.time_zone))
    except _FaultyCell as fault:
        return RowRead(number, fault=(ServerProblem.NOT_ACCEPTED, fault.part, {"expected": fault.expected}))
    if body is None:
        return RowRead(number)
    said = hashlib.sha256(body.model_dump_json().encode()).hexdigest()
    return RowRead(number, uuid5(NAMESPACE, f"{card.id}/{said}"), body)


class _FaultyCell(Exception):
    def __init__(self, part: Part, expected: str) -> None:
        super().__init__(part, expected)
        self.part, self.expected = part, expected


def _body(row: Sequence[Cell], how: HowWritten, zone: ZoneInfo) -> AnyBody | None:
    """The entry that a row is; None for one that says nothing."""

    def text(part: Part) -> str:
        place = how.matched.columns.get(part)
        cell = row[place] if place is not None and place < len(row) else None
        return str(cell).strip() if cell is not None else ""

    def number(part: Part) -> float | None:
        place = how.matched.columns.get(part)
        try:
            return number_in(row[place]) if place is not None and place < len(row) else None
        except ValueError as error:
            raise _FaultyCell(part, str(error)) from None

    try:
        wall = moment_in(row, how.matched)
    except (ValueError, OverflowError) as error:
        raise _FaultyCell(Part.DATE, str(error)) from None
    flour, level = number(Part.FLOUR), number(Part.LEVEL)
    keep, water, warmth, ph = number(Part.KEEP), number(Part.WATER), number(Part.WARMTH), number(Part.PH)
    what, note = text(Part.WHAT).lower(), text(Part.NOTE)[:2_000]
    if all(one is None for one in (flour, level, keep, water, warmth, ph)) and not what and not note:
        return None
    if wall is None:
        raise _FaultyCell(Part.DATE, "a date")
    at = wall.replace(tzinfo=zone).astimezone(UTC)
    if flour is not None or any(word in what for word in FED):
        first = any(word in what for word in MIXED)
        return FeedBody(
            kind="feed",
            at=at,
            keep_g=0.0 if first else keep or 0.0,
            flours=[FlourBody(flour=how.flour, g=flour or 0.0)],
            water_g=water or 0.0,
            salt_g=0.0,
            line_mm=None,
            note=note,
        )
    if warmth is not None and how.warmth is Warmth.FAHRENHEIT:
        warmth = round((warmth - 32.0) * 5.0 / 9.0, 2)
    return LookBody(
        kind="look",
        at=at,
        level=LevelBody(value=level, unit=how.level) if level is not None else None,
        bubbles=None,
        top=[],
        smell=[],
        thickness=None,
        ph=ph,
        celsius=warmth,
        note=" · ".join(one for one in ("" if what in LOOKED else text(Part.WHAT), note) if one)[:2_000],
    )


def _admitted(card: JarCard, log: Log, read: Sequence[RowRead], now: datetime) -> list[RowRead]:
    """Each row held against the log with the rows before it in time; what does not fit says why."""
    there = {entry.id for entry in log}
    told: dict[int, RowRead] = {one.row: one for one in read}
    whole = log
    for one in sorted(
        (one for one in read if one.body is not None), key=lambda one: (one.body.at, one.row) if one.body else (now, 0)
    ):
        assert one.body is not None
        assert one.entry_id is not None
        if str(one.entry_id) in there:
            told[one.row] = RowRead(one.row, one.entry_id, one.body, there=True)
            continue
        try:
            entry = to_core(one.entry_id, one.body)
            admit(card.setup, whole, entry, now)
            whole = (*whole, entry)
            there.add(str(one.entry_id))
        except Refusal as refusal:
            fault = (str(refusal.code), refusal.field, dict(refusal.facts))
            told[one.row] = RowRead(one.row, one.entry_id, one.body, fault)
    return [told[one.row] for one in read]
