"""Pictures as files: kept, thinned, and taken away. What was read off them stays."""

from __future__ import annotations

import logging
from collections.abc import Iterable
from datetime import datetime, timedelta
from uuid import UUID

from django.db.models import Sum

import files
from problems import Problem, ServerProblem

from .models import Camera, Picture
from .terms import Unread

log = logging.getLogger("despertar.watching")

# All of the last day; of the days before one an hour, and the extremes; and no more than so much of a jar.
WHOLE_FOR = timedelta(days=1)
MOST_BYTES = 60_000_000
# Thinned when so many have come since.
EACH = 12


def name_of(camera: Camera, picture_id: int) -> str:
    return f"{folder_of(camera.jar_id)}/{picture_id}.jpg"


def folder_of(jar_id: UUID) -> str:
    """Where the pictures of a jar's cameras lie."""
    return f"watching/{jar_id}"


def put(camera: Camera, row: Picture, jpeg: bytes) -> None:
    """Keep a picture with its row. Raises Problem where there is no room, AwayError from a store that is away."""
    row.size = len(jpeg)
    row.save()
    try:
        files.put(name_of(camera, row.id), jpeg)
    except files.AwayError:
        raise
    except OSError as error:
        log.error("a picture of jar %s could not be kept: %s", camera.jar_id, error)
        raise Problem(ServerProblem.NO_ROOM, "picture", status=507) from error


def read(camera: Camera, row: Picture) -> bytes | None:
    return files.get(name_of(camera, row.id)) if row.size else None


def drop_whole(camera: Camera) -> None:
    """Pictures in which the jar had not been shown: only the last is ever needed."""
    rows = list(Picture.objects.filter(camera=camera, cause=Unread.NOT_SHOWN))
    _drop(camera, rows)
    Picture.objects.filter(id__in=[row.id for row in rows]).delete()


def thin(camera: Camera, now: datetime) -> None:
    """Older pictures go but for one an hour, the first of a feed, and its highest; then the oldest, where there are too
    many bytes."""
    kept = Picture.objects.filter(camera__jar_id=camera.jar_id).exclude(size=0)
    if kept.count() % EACH and (kept.aggregate(all=Sum("size"))["all"] or 0) <= MOST_BYTES:
        return
    rows = list(kept.select_related("camera").defer("likely", "belief").order_by("at"))
    stay = _staying(rows, now - WHOLE_FOR)
    gone = [row for row in rows if row.id not in stay]
    room = MOST_BYTES - sum(row.size for row in rows if row.id in stay)
    for row in rows:
        if room >= 0:
            break
        if row.id in stay and not row.starts:
            gone.append(row)
            room += row.size
    _drop(camera, gone)
    Picture.objects.filter(id__in=[row.id for row in gone]).update(size=0, likely=None, belief=None)


def _staying(rows: list[Picture], whole_since: datetime) -> set[int]:
    hours: set[tuple[UUID, datetime]] = set()
    highest: dict[tuple[UUID, UUID | None], Picture] = {}
    stay: set[int] = set()
    for row in rows:
        if row.level is not None:
            so_far = highest.get((row.camera_id, row.feed))
            if so_far is None or (so_far.level or 0.0) < row.level:
                highest[row.camera_id, row.feed] = row
        hour = (row.camera_id, row.at.replace(minute=0, second=0, microsecond=0))
        if row.at >= whole_since or row.starts or hour not in hours:
            stay.add(row.id)
        hours.add(hour)
    return stay | {row.id for row in highest.values()}


def clear(jar_id: UUID) -> int:
    """Every picture of a jar goes; what was read off them stays. Answers how many went."""
    rows = list(Picture.objects.filter(camera__jar_id=jar_id).exclude(size=0).select_related("camera"))
    for row in rows:
        _drop(row.camera, [row])
    Picture.objects.filter(id__in=[row.id for row in rows]).update(size=0, likely=None, belief=None, starts=False)
    return len(rows)


def forget_pictures(jars: Iterable[UUID]) -> None:
    """The pictures of jars that are no more."""
    for jar in jars:
        try:
            files.drop_folder(folder_of(jar))
        except OSError as error:
            log.error("pictures of a jar that is no more stay where they were: %s", error)


def _drop(camera: Camera, rows: Iterable[Picture]) -> None:
    for row in rows:
        try:
            files.drop(name_of(camera, row.id))
        except OSError as error:
            log.error("a picture that is shown no more stays where it was: %s", error)
