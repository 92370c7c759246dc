"""Pack all that a baker owns, and take such a parcel in.

What comes in is read as a whole before anything is written, and written in one piece; what is there already stays as it
is, so that the same parcel twice is one. Where its ids stand in another's kitchen it comes as a copy under ids of its
own, the same ones each time. Photos follow one by one.
"""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum
from tempfile import TemporaryFile
from typing import IO, Any
from uuid import UUID, uuid5

from django.db import transaction
from django.db.models import Q, QuerySet
from django.http import HttpRequest

import files
from accounts.access import sign_out_everywhere
from accounts.services import Account, sign_out, take_zones
from ferment.refusal import Fact, Refusal
from kitchen import rows as kitchen
from kitchen.services import in_reach, kitchen_of
from kitchen.stamps import written_anew
from logbook import rows as logbook
from pantry import rows as pantry
from photos import rows as photos
from places import rows as places
from problems import Problem, ServerProblem
from problems.stored import UnreadableError
from trials import rows as trials
from watching import keeping as watching
from watching import rows as cameras

from .forms import document, package
from .forms.package import ForeignError, NewerError, Opened
from .forms.tables import TABLES, Fault, Row, Rows
from .models import Incoming

MOST_PART = 8_000_000
MOST_PARCEL = 500_000_000
# What was begun to be sent and never taken in goes after this.
FORGOTTEN = timedelta(days=1)
PHOTOS_AT_ONCE = 8


class Form(StrEnum):
    PACKAGE = "zip"
    DOCUMENT = "json"


# --- out ---


def pack(account: Account, form: Form, now: datetime, *, jar: UUID | None = None, with_photos: bool) -> IO[bytes]:
    """The parcel as a file to be read from its beginning: the whole kitchen, or one jar of it. Raises Problem for a jar
    out of reach."""
    rows = rows_of(account, jar)
    pictures: Iterator[tuple[str, bytes]] = photos.pictures_of(rows["photos"]) if with_photos else iter(())
    if not with_photos:
        rows["photos"] = []
    # It is deleted when it is closed.
    file: IO[bytes] = TemporaryFile()  # noqa: SIM115
    (package if form is Form.PACKAGE else document).write(rows, pictures, now, file)
    file.seek(0)
    return file


def rows_of(account: Account, jar: UUID | None = None) -> Rows:
    """Every row of the account's own kitchen by table; of one jar no more than is its own."""
    if jar is not None:
        in_reach(account, jar)
    jars = kitchen.jar_rows(account, jar)
    ids = [UUID(row["id"]) for row in jars]
    hung = {UUID(row["thermometer"]) for row in jars if row["thermometer"]}
    stations = places.thermometer_rows(account, None if jar is None else hung)
    feeds, looks = logbook.to_read({UUID(row["id"]): row["name"] for row in jars})
    seen_by = cameras.camera_rows(ids)
    baker = {
        "baker": account.name,
        "time_zone": account.time_zone,
        "earlier_zones": account.earlier_zones,
        "hours": kitchen.hours_row(account),
    }
    return {
        "kitchen": [baker],
        "flours": [] if jar else kitchen.flour_rows(account),
        "thermometers": stations,
        "readings": places.reading_rows([UUID(row["id"]) for row in stations]),
        "jars": jars,
        "entries": logbook.entry_rows(ids),
        "changes": logbook.change_rows(ids),
        "feeds": feeds,
        "looks": looks,
        "photos": photos.photo_rows(ids),
        "cameras": seen_by,
        "levels": cameras.level_rows([UUID(row["id"]) for row in seen_by]),
        "discard": [] if jar else pantry.discard_rows(account),
        "trials": [] if jar else trials.trial_rows(account),
    }


# --- in ---


@dataclass(frozen=True)
class TakenIn:
    """How many of each were new here; `photos` are still to come. `as_copy` says that it came under ids of its own."""

    jars: int
    entries: int
    readings: int
    flours: int
    discard: int
    photos: int
    levels: int
    as_copy: bool
    baker: str


@dataclass(frozen=True)
class PhotosIn:
    """So many of the parcel's photos were looked at so far, of so many."""

    done: int
    of: int


def add_part(account: Account, parcel_id: UUID, offset: int, part: bytes, now: datetime) -> int:
    """One part of a file that is sent in pieces, each after the one before. Answers how much of it is here; raises
    Problem (parcel_part, with that) where the part is not the next one."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "")
    if offset == 0:
        _forget_others(account, now)
    with transaction.atomic():
        sent = Incoming.objects.select_for_update().filter(account=account, parcel=parcel_id).first()
        there = sum(sent.parts) if sent else 0
        if sent is None or offset == 0:
            sent, there = Incoming(account=account, parcel=parcel_id, begun_at=now, parts=[]), 0
        if offset != there:
            raise Problem(ServerProblem.PARCEL_PART, "offset", status=409, facts={"expected": float(there)})
        if there + len(part) > MOST_PARCEL:
            raise Problem(ServerProblem.PARCEL_TOO_LARGE, "part", facts={"most_mb": MOST_PARCEL / 1e6})
        try:
            files.put(_part(sent, len(sent.parts)), part)
        except files.AwayError:
            raise
        except OSError as error:
            raise Problem(ServerProblem.NO_ROOM, "part", status=507) from error
        sent.parts = [*sent.parts, len(part)]
        # An account has one of them: what it began before is no more.
        sent.save()
    return there + len(part)


def take_in_sent(account: Account, parcel_id: UUID, now: datetime) -> TakenIn:
    """Take in what was sent in parts. Raises Problem naming what is wrong with it; nothing is written then."""
    with _put_together(account, parcel_id) as file:
        return take_in(account, file, now)


def photos_of_sent(account: Account, parcel_id: UUID, start: int, now: datetime) -> PhotosIn:
    """The next of its photos; sent twice they are kept once. With the last one what was sent is deleted."""
    with _put_together(account, parcel_id) as file:
        found = take_in_photos(account, file, now, start, PHOTOS_AT_ONCE)
    if found.done >= found.of:
        _forget(Incoming.objects.filter(account=account))
    return found


@contextmanager
def _put_together(account: Account, parcel_id: UUID) -> Iterator[IO[bytes]]:
    """What was sent in parts, as one file. Raises Problem (not found) where nothing was, or not all of it is here."""
    sent = Incoming.objects.filter(account=account, parcel=parcel_id).first()
    if sent is None:
        raise Problem(ServerProblem.NOT_FOUND, "id", status=404)
    with TemporaryFile() as file:
        for number in range(len(sent.parts)):
            part = files.get(_part(sent, number))
            if part is None:
                raise Problem(ServerProblem.NOT_FOUND, "id", status=404)
            file.write(part)
        file.seek(0)
        yield file


def take_in(account: Account, file: IO[bytes], now: datetime) -> TakenIn:
    """All but the photos of a parcel. Raises Problem; nothing is written then."""
    opened = _opened(file)
    (baker, *_) = opened.rows["kitchen"] or [{"baker": "", "time_zone": "", "earlier_zones": None, "hours": None}]
    with transaction.atomic():
        rows, as_copy = _as_own(account, opened.rows)
        try:
            fresh = not kitchen.own_ids(account)
            if fresh:
                take_zones(account, baker["time_zone"], baker["earlier_zones"])
            kitchen.put_hours(account, baker["hours"])
            flours = kitchen.put_flours(account, rows["flours"])
            readings = places.put_stations(account, rows["thermometers"], rows["readings"])
            jars = kitchen.put_jars(account, rows["jars"])
            own = kitchen.own_ids(account)
            entries = logbook.put_entries(account, own, rows["entries"], rows["changes"])
            levels = cameras.put_cameras(own, rows["cameras"], rows["levels"], now)
            written_anew(own & {UUID(row["id"]) for row in rows["jars"]})
            notes = pantry.put_notes(account, rows["discard"])
            trials.put_trials(account, own, rows["trials"])
        except (UnreadableError, Refusal) as error:
            raise _fault(str(error.field), error.code) from error
        except (KeyError, ValueError) as error:
            raise _fault("flours", str(error)) from error
        wanted = [UUID(row["id"]) for row in rows["photos"] if UUID(row["jar"]) in own]
        new_photos = len(set(wanted) - photos.there_already(wanted))
    return TakenIn(len(jars), entries, readings, flours, notes, new_photos, levels, as_copy, baker["baker"])


def take_in_photos(account: Account, file: IO[bytes], now: datetime, start: int, most: int) -> PhotosIn:
    """So many of a parcel's photos from a place on; one that is no picture is passed over."""
    opened = _opened(file)
    rows, _ = _as_own(account, opened.rows)
    there = photos.there_already(UUID(row["id"]) for row in rows["photos"])
    own = kitchen.own_ids(account)
    some = list(zip(opened.rows["photos"], rows["photos"], strict=True))[start : start + most]
    for sent, row in some:
        if UUID(row["id"]) in there or UUID(row["jar"]) not in own:
            continue
        picture = opened.picture(sent)
        if picture is not None:
            try:
                photos.put_photo(account, row, picture, now)
            except Problem as problem:
                if problem.status == 507:
                    raise
    return PhotosIn(start + len(some), len(rows["photos"]))


def _opened(file: IO[bytes]) -> Opened:
    start = file.read(4)
    file.seek(0)
    try:
        return package.read(file) if start[:2] == b"PK" else document.read(file)
    except ForeignError as error:
        raise Problem(ServerProblem.PARCEL_FOREIGN, "file", facts={"missing": error.why}) from error
    except NewerError as error:
        raise Problem(ServerProblem.PARCEL_NEWER, "file", facts={"given": float(error.version)}) from error
    except Fault as fault:
        facts: dict[str, Fact] = {
            "table": fault.table,
            "row": float(fault.row),
            "column": fault.field,
            "expected": fault.expected,
        }
        raise Problem(ServerProblem.PARCEL_FAULT, "file", facts=facts) from fault


def _fault(place: str, expected: str) -> Problem:
    """`entries.12.keep_g` as its table, row and column."""
    table, _, rest = place.partition(".")
    row, _, column = rest.partition(".")
    facts: dict[str, Fact] = {
        "table": table,
        "row": float(row) if row.isdigit() else 0.0,
        "column": column,
        "expected": expected,
    }
    return Problem(ServerProblem.PARCEL_FAULT, "file", facts=facts)


ID = re.compile(r"[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}")
KEYED = tuple(table.name for table in TABLES if table.key and not table.derived and table.name != "flours")


def _as_own(account: Account, rows: Rows) -> tuple[Rows, bool]:
    """The rows under ids that are this account's to use: as they are, or, where any of them stands in another's
    kitchen, all under ids of their own."""
    ids = {name: [UUID(row["id"]) for row in rows[name]] for name in KEYED}
    taken = (
        kitchen.jars_elsewhere(account, ids["jars"])
        or logbook.entries_elsewhere(account, ids["entries"])
        or photos.photos_elsewhere(account, ids["photos"])
        or cameras.cameras_elsewhere(account, ids["cameras"])
        or places.stations_elsewhere(account, ids["thermometers"])
        or pantry.notes_elsewhere(account, ids["discard"])
        or trials.trials_elsewhere(account, ids["trials"])
    )
    if not taken:
        return rows, False
    space = kitchen_of(account)
    own = {str(one): str(uuid5(space, str(one))) for some in ids.values() for one in some}
    return {name: [_with_ids(row, own) for row in some] for name, some in rows.items()}, True


def _with_ids(row: Row, own: Mapping[str, str]) -> Row:
    return {name: _renamed(value, own) for name, value in row.items()}


def _renamed(value: Any, own: Mapping[str, str]) -> Any:
    """The same value with every id in it, however deep, by its new name."""
    match value:
        case str():
            return own.get(value, value) if ID.fullmatch(value) else value
        case dict():
            return {name: _renamed(one, own) for name, one in value.items()}
        case list():
            return [_renamed(one, own) for one in value]
        case _:
            return value


def _folder(sent: Incoming) -> str:
    return f"incoming/{sent.account_id}"


def _part(sent: Incoming, number: int) -> str:
    return f"{_folder(sent)}/{number:04}"


def _forget_others(account: Account, now: datetime) -> None:
    """One parcel an account is on its way at a time; what anybody left lying goes after a day."""
    _forget(Incoming.objects.filter(Q(account=account) | Q(begun_at__lt=now - FORGOTTEN)))


def _forget(some: QuerySet[Incoming]) -> None:
    for sent in some:
        files.drop_folder(_folder(sent))
        sent.delete()


# --- for good ---


def leave(account: Account, request: HttpRequest) -> None:
    """Delete the account with all that is its own: jars, logs, photos, thermometers, hours, flours. What it wrote in
    others' jars stays there, as nobody's. Raises Problem in the demo."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "")
    jars = [UUID(row["id"]) for row in kitchen.jar_rows(account)]
    _forget(Incoming.objects.filter(account=account))
    with transaction.atomic():
        sign_out_everywhere(account)
        account.delete()
        transaction.on_commit(lambda: photos.forget_pictures(jars))
        transaction.on_commit(lambda: watching.forget_pictures(jars))
    sign_out(request)


def document_schema() -> str:
    return json.dumps(document.schema(), indent=2, ensure_ascii=False)
