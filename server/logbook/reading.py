"""Logs as they are read: rows of the database as entries of the core and of the wire."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from contextlib import suppress
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.db.models import QuerySet

from accounts.services import Account
from ferment.record import log
from kitchen.stamps import JarLabel
from problems.latest import Latest
from problems.stored import UnreadableError

from .bodies import AnyBody, from_stored, to_core
from .models import Entry


@dataclass(frozen=True)
class Recorded:
    """An entry of a log with who wrote it; `revision` counts its changes from 1."""

    id: UUID
    jar_id: UUID
    revision: int
    body: AnyBody
    recorded_at: datetime
    recorded_by: str | None
    withdrawn: bool


@dataclass(frozen=True)
class Written:
    """An entry as it stands in the log, whether or not today's code can read what it says (`body` none)."""

    id: UUID
    kind: str
    at: datetime
    recorded_by: str | None
    withdrawn: bool
    body: AnyBody | None


def logs_of(jars: Sequence[JarLabel]) -> dict[UUID, log.Log | UnreadableError]:
    """The logs that count, by jar, in one query or none. A log of which an entry cannot be read is that error: what it
    says may matter, so the jar is not told without it.

    A log is kept in the process by its jar's revision, which was read before: so it is that one or a later one, and
    whoever asks by the later revision reads again. Not to be asked where a write may still be taken back.
    """
    found = {jar.id: kept for jar in jars if (kept := _LOGS.get((jar.id, jar.revision))) is not None}
    wanted = {jar.id: jar.revision for jar in jars if jar.id not in found}
    rows: dict[UUID, list[Entry]] = {jar_id: [] for jar_id in wanted}
    for row in rows_of(list(wanted)) if wanted else ():
        rows[row.jar_id].append(row)
    for jar_id, written in rows.items():
        try:
            found[jar_id] = core_log(written)
        except UnreadableError as error:
            found[jar_id] = error
        _LOGS.set((jar_id, wanted[jar_id]), found[jar_id])
    return found


# About 1 kB an entry, sixty entries a jar: some 15 MB a worker at the most usual.
_LOGS: Latest[tuple[UUID, int], log.Log | UnreadableError] = Latest(256)


# What of a log is sent with its jar: some two weeks of a tidy baker's. What is older is asked for.
MOST_SENT = 100


def latest_of(jar_id: UUID) -> tuple[list[Recorded], datetime | None]:
    """The latest entries of a jar that can be read, undone ones too, the latest first; and up to when there are
    others."""
    rows = list(_latest_first(jar_id)[: MOST_SENT + 1])
    older = rows[-1].at if len(rows) > MOST_SENT else None
    return _readable(rows[:MOST_SENT]), older


def older_of(jar_id: UUID, until: datetime) -> list[Recorded]:
    """The same up to a moment, all of them."""
    return _readable(_latest_first(jar_id).filter(at__lte=until))


def _readable(rows: Iterable[Entry]) -> list[Recorded]:
    return [_recorded(row, body) for row in rows if (body := body_if_readable(row))]


def written_in(jar_id: UUID) -> list[Written]:
    """Every entry of a jar, the latest first, readable or not."""
    return [
        Written(row.id, row.kind, row.at, name_of(row.recorded_by), row.withdrawn_at is not None, body_if_readable(row))
        for row in all_rows_of(jar_id)
    ]


def rows_of(jar_ids: Sequence[UUID]) -> list[Entry]:
    return list(Entry.objects.filter(jar_id__in=jar_ids, withdrawn_at__isnull=True).order_by("at"))


def all_rows_of(jar_id: UUID) -> list[Entry]:
    return list(_latest_first(jar_id))


def _latest_first(jar_id: UUID) -> QuerySet[Entry]:
    rows = Entry.objects.filter(jar_id=jar_id).select_related("recorded_by")
    return rows.order_by("-at", "-recorded_at", "id")


def as_core(row: Entry) -> log.Entry:
    return to_core(row.id, body_of(row))


def body_of(row: Entry) -> AnyBody:
    """Raises UnreadableError with the entry's id."""
    try:
        return from_stored(row.kind, row.at, row.body)
    except UnreadableError as error:
        raise UnreadableError(error.code, error.field, error.facts, str(row.id)) from error


def body_if_readable(row: Entry) -> AnyBody | None:
    with suppress(UnreadableError):
        return body_of(row)
    return None


def if_readable(row: Entry) -> log.Entry | None:
    body = body_if_readable(row)
    return to_core(row.id, body) if body else None


def core_log(rows: Iterable[Entry]) -> log.Log:
    return tuple(as_core(row) for row in rows)


def name_of(account: Account | None) -> str | None:
    return account.name if account else None


def recorded_of(row: Entry) -> Recorded:
    return _recorded(row, body_of(row))


def _recorded(row: Entry, body: AnyBody) -> Recorded:
    return Recorded(
        id=row.id,
        jar_id=row.jar_id,
        revision=row.revision,
        body=body,
        recorded_at=row.recorded_at,
        recorded_by=name_of(row.recorded_by),
        withdrawn=row.withdrawn_at is not None,
    )
