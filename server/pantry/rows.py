"""What was done with the discard jars, as rows of a parcel, and such rows put down again."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any
from uuid import UUID

from accounts.services import Account
from ferment.doors.discard import DiscardAct, Shelf
from kitchen.services import kitchen_of
from problems.stored import UnreadableError

from .models import DiscardNote

Row = Mapping[str, Any]


def discard_rows(account: Account) -> list[dict[str, Any]]:
    return [
        {
            "id": str(row.id),
            "shelf": row.shelf,
            "act": row.act,
            "at": row.at,
            "g": row.g,
            "top": row.top,
            "ml": row.ml,
            "made_for": row.made_for,
        }
        for row in DiscardNote.objects.filter(kitchen__owner=account).order_by("at", "id")
    ]


def notes_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    return DiscardNote.objects.filter(id__in=list(ids)).exclude(kitchen__owner=account).exists()


def put_notes(account: Account, rows: Sequence[Row]) -> int:
    """Put down the notes that are not there yet. Raises UnreadableError with the place of one that cannot be."""
    kitchen = kitchen_of(account)
    there = set(DiscardNote.objects.filter(kitchen_id=kitchen).values_list("id", flat=True))
    made = []
    for number, row in enumerate(rows, start=1):
        if UUID(row["id"]) in there:
            continue
        for field, kind in (("shelf", Shelf), ("act", DiscardAct)):
            if row[field] not in set(kind):
                raise UnreadableError("not_a_choice", f"discard.{number}.{field}", {"known": ", ".join(kind)})
        made.append(
            DiscardNote(
                id=UUID(row["id"]),
                kitchen_id=kitchen,
                shelf=row["shelf"],
                act=row["act"],
                at=row["at"],
                g=row["g"],
                top=[str(one) for one in row["top"] or []],
                ml=row["ml"],
                made_for=(row["made_for"] or "")[:60],
                recorded_by=account,
            )
        )
    DiscardNote.objects.bulk_create(made)
    return len(made)
