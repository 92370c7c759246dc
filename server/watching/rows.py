"""What cameras read of jars, as rows of a parcel, and such rows put down again. Their pictures stay where they are."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence, Set
from datetime import datetime
from enum import StrEnum
from typing import Any
from uuid import UUID

from accounts.services import Account
from ferment.refusal import within
from problems.stored import UnreadableError

from .models import Camera, Picture
from .terms import LEAST_EVERY_MIN, MOST_EVERY_MIN, CameraKind, Unread

Row = Mapping[str, Any]
AT_ONCE = 1_000
MOST_LEVEL = 20.0


def camera_rows(jars: Sequence[UUID]) -> list[dict[str, Any]]:
    rows = Camera.objects.filter(jar_id__in=jars).order_by("made_at", "id")
    return [
        {
            "id": str(row.id),
            "jar": str(row.jar_id),
            "kind": row.kind,
            "every_min": row.every_min,
            "made_at": row.made_at,
        }
        for row in rows
    ]


def level_rows(cameras: Sequence[UUID]) -> list[dict[str, Any]]:
    rows = Picture.objects.filter(camera_id__in=cameras).exclude(feed=None).order_by("at", "camera_id")
    return [
        {
            "camera": str(camera),
            "at": at,
            "feed": str(feed),
            "level": level,
            "error": error,
            "cause": cause,
            "tells": tells,
        }
        for camera, at, feed, level, error, cause, tells in rows.values_list(
            "camera_id", "at", "feed", "level", "error", "cause", "tells"
        )
    ]


def cameras_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    return Camera.objects.filter(id__in=list(ids)).exclude(jar__kitchen__owner=account).exists()


def put_cameras(own: Set[UUID], cameras: Sequence[Row], levels: Sequence[Row], now: datetime) -> int:
    """Put down the cameras of own jars that are not there yet, each watching no more, and what is new of their levels.
    Raises Refusal for a level that no jar has, UnreadableError for a word that is none of ours. Answers how many levels
    were new."""
    some = {UUID(row["id"]): row for row in cameras if UUID(row["jar"]) in own}
    there = set(Camera.objects.filter(id__in=list(some)).values_list("id", flat=True))
    for number, row in enumerate(cameras, start=1):
        _one_of(CameraKind, row["kind"], f"cameras.{number}.kind")
        within(row["every_min"], LEAST_EVERY_MIN, MOST_EVERY_MIN, f"cameras.{number}.every_min")
    Camera.objects.bulk_create(
        Camera(
            id=key,
            jar_id=UUID(row["jar"]),
            kind=row["kind"],
            every_min=row["every_min"],
            made_at=row["made_at"],
            withdrawn_at=now,
        )
        for key, row in some.items()
        if key not in there
    )
    for number, row in enumerate(levels, start=1):
        if row["cause"] is not None:
            _one_of(Unread, row["cause"], f"levels.{number}.cause")
        if row["level"] is not None:
            within(row["level"], 0.0, MOST_LEVEL, f"levels.{number}.level")
            within(row["error"] if row["error"] is not None else -1.0, 0.0, MOST_LEVEL, f"levels.{number}.error")
    of_own = Picture.objects.filter(camera_id__in=list(some))
    before = of_own.count()
    Picture.objects.bulk_create(
        (_picture(row) for row in levels if UUID(row["camera"]) in some), ignore_conflicts=True, batch_size=AT_ONCE
    )
    return of_own.count() - before


def _one_of(words: type[StrEnum], told: str, place: str) -> None:
    if told not in set(words):
        raise UnreadableError("not_a_choice", place, {"known": ", ".join(words)})


def _picture(row: Row) -> Picture:
    return Picture(
        camera_id=UUID(row["camera"]),
        at=row["at"],
        feed=UUID(row["feed"]),
        level=row["level"],
        error=row["error"],
        cause=row["cause"],
        tells=row["tells"],
    )
