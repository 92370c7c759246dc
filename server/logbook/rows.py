"""Entries of logs as rows of a parcel, and such rows put down again."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any
from uuid import UUID

from accounts.services import Account
from problems.stored import UnreadableError

from .bodies import FeedBody, LookBody, from_stored
from .models import Change, Entry
from .reading import body_if_readable, name_of

Row = Mapping[str, Any]
AT_ONCE = 1_000


def entry_rows(jars: Sequence[UUID]) -> list[dict[str, Any]]:
    """Every entry, undone ones too, in the order of their moments."""
    rows = Entry.objects.filter(jar_id__in=jars).select_related("recorded_by").order_by("at", "id")
    return [
        {
            "id": str(row.id),
            "jar": str(row.jar_id),
            "kind": row.kind,
            "at": row.at,
            "body": row.body,
            "revision": row.revision,
            "recorded_at": row.recorded_at,
            "recorded_by": name_of(row.recorded_by),
            "withdrawn_at": row.withdrawn_at,
        }
        for row in rows
    ]


def change_rows(jars: Sequence[UUID]) -> list[dict[str, Any]]:
    rows = Change.objects.filter(entry__jar_id__in=jars).select_related("made_by").order_by("made_at", "id")
    return [
        {
            "entry": str(row.entry_id),
            "what": row.what,
            "at": row.at,
            "body": row.body,
            "made_at": row.made_at,
            "made_by": name_of(row.made_by),
        }
        for row in rows
    ]


def to_read(jars: Mapping[UUID, str]) -> tuple[list[dict[str, Any]], list[dict[str, Any]]]:
    """Feeds and looks that count, flat, for a spreadsheet."""
    feeds, looks = [], []
    for row in Entry.objects.filter(jar_id__in=list(jars), withdrawn_at=None).order_by("at", "id"):
        body = body_if_readable(row)
        told = {"id": str(row.id), "jar": jars[row.jar_id], "at": row.at}
        if isinstance(body, FeedBody):
            feeds.append({**told, **_feed(body)})
        elif isinstance(body, LookBody):
            looks.append({**told, **_look(body)})
    return feeds, looks


def _feed(body: FeedBody) -> dict[str, Any]:
    return {
        "keep_g": body.keep_g,
        "flour_g": sum(part.g for part in body.flours),
        "flours": " + ".join(f"{part.flour.value} {part.g:g}" for part in body.flours),
        "water_g": body.water_g,
        "juice_g": body.juice_g,
        "salt_g": body.salt_g,
        "line_mm": body.line_mm,
        "discard_to": body.discard_to,
        "note": body.note,
    }


def _look(body: LookBody) -> dict[str, Any]:
    return {
        "level": body.level.value if body.level else None,
        "level_unit": body.level.unit.value if body.level else None,
        "bubbles": body.bubbles,
        "top": " + ".join(sorted(body.top)),
        "smell": " + ".join(sorted(body.smell)),
        "thickness": body.thickness,
        "ph": body.ph,
        "celsius": body.celsius,
        "note": body.note,
    }


def entries_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    """Whether any of these entries is of another kitchen's jar."""
    return any(
        Entry.objects.filter(id__in=some).exclude(jar__kitchen__owner=account).exists() for some in _parts(list(ids))
    )


def put_entries(account: Account, jars: set[UUID], rows: Sequence[Row], changes: Sequence[Row]) -> int:
    """Put down the entries that are not there yet, with what they said before; those of jars that are not there are
    passed over. What others wrote stands as nobody's here. Raises UnreadableError with the place of a row that today's
    code cannot read. Answers how many were new."""
    there: set[UUID] = set()
    for some in _parts([UUID(row["id"]) for row in rows]):
        there |= set(Entry.objects.filter(id__in=some).values_list("id", flat=True))
    made: dict[UUID, Entry] = {}
    for number, row in enumerate(rows, start=1):
        entry_id, jar_id = UUID(row["id"]), UUID(row["jar"])
        if entry_id in there or jar_id not in jars:
            continue
        _check(f"entries.{number}", row["kind"], row["at"], row["body"])
        made[entry_id] = Entry(
            id=entry_id,
            jar_id=jar_id,
            kind=row["kind"],
            at=row["at"],
            body=row["body"],
            revision=row["revision"],
            recorded_at=row["recorded_at"],
            recorded_by=_by(account, row["recorded_by"]),
            withdrawn_at=row["withdrawn_at"],
        )
    Entry.objects.bulk_create(made.values(), batch_size=AT_ONCE)
    before = []
    for number, row in enumerate(changes, start=1):
        if (entry := made.get(UUID(row["entry"]))) is not None:
            _check(f"changes.{number}", entry.kind, row["at"], row["body"])
            before.append(
                Change(
                    entry=entry,
                    what=row["what"][:10],
                    at=row["at"],
                    body=row["body"],
                    made_at=row["made_at"],
                    made_by=_by(account, row["made_by"]),
                )
            )
    Change.objects.bulk_create(before, batch_size=AT_ONCE)
    return len(made)


def _by(account: Account, name: str | None) -> Account | None:
    return account if name is not None and name == account.name else None


def _check(place: str, kind: str, at: object, body: Mapping[str, object]) -> None:
    try:
        from_stored(kind, at, body)
    except UnreadableError as error:
        raise UnreadableError(error.code, f"{place}.{error.field}", error.facts) from error
    except (AttributeError, TypeError) as error:
        raise UnreadableError("not_accepted", place) from error


def _parts(ids: list[UUID]) -> Iterable[list[UUID]]:
    return (ids[start : start + AT_ONCE] for start in range(0, len(ids), AT_ONCE))
