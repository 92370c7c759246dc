"""Photos as rows of a parcel with their pictures, and such photos kept again."""

from __future__ import annotations

import logging
from collections.abc import Iterable, Iterator, Mapping, Sequence
from typing import Any
from uuid import UUID

import files
from accounts.services import Account

from .models import Photo
from .services import add_photo, folder_of, name_of, points_from

Row = Mapping[str, Any]
log = logging.getLogger("despertar.photos")


def photo_rows(jars: Sequence[UUID]) -> list[dict[str, Any]]:
    rows = Photo.objects.filter(jar_id__in=jars, withdrawn_at=None).order_by("at", "id")
    return [
        {
            "id": str(row.id),
            "jar": str(row.jar_id),
            "look": str(row.look) if row.look else None,
            "at": row.at,
            "width": row.width,
            "height": row.height,
            "points": row.points,
            "file": f"photos/{row.id}.jpg",
        }
        for row in rows
    ]


def pictures_of(rows: Iterable[Row]) -> Iterator[tuple[str, bytes]]:
    """The large picture of each row, read when it is asked for; one whose file is gone is passed over."""
    for row in rows:
        picture = files.get(name_of(UUID(row["jar"]), UUID(row["id"]), "large"))
        if picture is not None:
            yield row["id"], picture


def photos_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    return Photo.objects.filter(id__in=list(ids)).exclude(jar__kitchen__owner=account).exists()


def there_already(ids: Iterable[UUID]) -> set[UUID]:
    return set(Photo.objects.filter(id__in=list(ids)).values_list("id", flat=True))


def put_photo(account: Account, row: Row, picture: bytes, now: Any) -> None:
    """Keep a photo as if it had been sent. Raises Problem for what is no picture."""
    look = UUID(row["look"]) if row["look"] else None
    add_photo(account, UUID(row["jar"]), UUID(row["id"]), picture, row["at"], look, points_from(row["points"]), now)


def forget_pictures(jars: Sequence[UUID]) -> None:
    """The pictures of jars that are no more."""
    for jar in jars:
        try:
            files.drop_folder(folder_of(jar))
        except OSError as error:
            log.error("pictures of a jar that is no more stay where they were: %s", error)
