"""Add a photo to a jar, read it, take it away. Its pictures are files, one folder a jar."""

from __future__ import annotations

import logging
from dataclasses import dataclass
from datetime import datetime
from functools import partial
from typing import Any
from uuid import UUID

from django.db import transaction

import files
from accounts.services import Account
from kitchen.services import jar_of, lock_jar, lock_label
from logbook.reading import Recorded
from logbook.services import move
from problems import Problem, ServerProblem, not_found
from problems.stored import Step, UnreadableError, in_form_of_today, marked

from .models import Photo
from .pictures import Picture, made_anew

log = logging.getLogger("despertar.photos")

MOST_PHOTOS = 400


@dataclass(frozen=True)
class Points:
    """Three places on the picture, as shares of its width and height: the jar's bottom, the mark, the level."""

    bottom: tuple[float, float]
    mark: tuple[float, float]
    level: tuple[float, float]


@dataclass(frozen=True)
class Taken:
    """A photo without its pixels."""

    id: UUID
    jar_id: UUID
    look: UUID | None
    at: datetime
    width: int
    height: int
    points: Points | None


def add_photo(
    account: Account,
    jar_id: UUID,
    photo_id: UUID,
    sent: bytes,
    at: datetime,
    look: UUID | None,
    points: Points | None,
    now: datetime,
) -> Taken:
    """Keep a photo. The same id again gives the photo that is there. Raises Problem for what is no photo of a jar's."""
    jar_of(account, jar_id)
    picture = made_anew(sent)
    with transaction.atomic():
        lock_jar(account, jar_id)
        there = Photo.objects.filter(id=photo_id).first()
        if there is not None:
            if there.jar_id != jar_id:
                raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
            return _taken(there)
        if Photo.objects.filter(jar_id=jar_id, withdrawn_at=None).count() >= MOST_PHOTOS:
            raise Problem(ServerProblem.TOO_MANY_PHOTOS, "photo", facts={"most": float(MOST_PHOTOS)})
        row = Photo.objects.create(
            id=photo_id,
            jar_id=jar_id,
            look=look,
            at=at,
            width=picture.width,
            height=picture.height,
            points=_stored(points),
            added_by=account,
            added_at=now,
        )
        _keep(jar_id, photo_id, picture)
        return _taken(row)


def _keep(jar_id: UUID, photo_id: UUID, picture: Picture) -> None:
    """Both sizes, or none. Raises Problem where there is no room for them, AwayError from a store that is away."""
    try:
        for size, data in (("large", picture.large), ("small", picture.small)):
            files.put(name_of(jar_id, photo_id, size), data)
    except files.AwayError:
        _clear(jar_id, photo_id)
        raise
    except OSError as error:
        _clear(jar_id, photo_id)
        log.error("a photo of jar %s could not be kept: %s", jar_id, error)
        raise Problem(ServerProblem.NO_ROOM, "photo", status=507) from error


def photos_of(jar_id: UUID) -> list[Taken]:
    """A jar's photos, the earliest first. Asked by those who have opened the jar already."""
    return [_taken(row) for row in Photo.objects.filter(jar_id=jar_id, withdrawn_at=None).order_by("at", "id")]


def picture_of(account: Account, photo_id: UUID, size: str) -> bytes:
    """The pixels of a photo, for those who keep its jar. Raises Problem (not found) for all others."""
    row = _own(account, photo_id)
    picture = files.get(name_of(row.jar_id, row.id, size))
    if picture is None:
        raise not_found()
    return picture


def large_picture(jar_id: UUID, photo_id: UUID) -> bytes | None:
    """The pixels of a photo of a jar that has been opened already."""
    return files.get(name_of(jar_id, photo_id, "large"))


def take_away(account: Account, photo_id: UUID, now: datetime) -> None:
    """The photo is shown no more; its files go."""
    row = _own(account, photo_id)
    with transaction.atomic():
        lock_label(account, row.jar_id)
        row.withdrawn_at = now
        row.save(update_fields=["withdrawn_at"])
    _clear(row.jar_id, row.id)


def move_entry(account: Account, entry_id: UUID, to_jar: UUID, now: datetime) -> Recorded:
    """Take a feed or a look over to the jar that it was of, its photos with it. Raises Refusal or Problem."""
    with transaction.atomic():
        moved = move(account, entry_id, to_jar, now)
        _go_with(entry_id, to_jar)
    return moved


def _go_with(look: UUID, to_jar: UUID) -> None:
    """The photos of a look go where it goes, their files with them."""
    rows = list(Photo.objects.select_for_update().filter(look=look, withdrawn_at=None).exclude(jar_id=to_jar))
    for row in rows:
        for size in SIZES:
            picture = files.get(name_of(row.jar_id, row.id, size))
            if picture is not None:
                # A copy, so that a move that is not kept after all loses nothing.
                files.put(name_of(to_jar, row.id, size), picture)
        transaction.on_commit(partial(_clear, row.jar_id, row.id))
        row.jar_id = to_jar
        row.save(update_fields=["jar"])


def _clear(jar_id: UUID, photo_id: UUID) -> None:
    """What cannot be taken away now stays where nobody is shown it."""
    for size in SIZES:
        try:
            files.drop(name_of(jar_id, photo_id, size))
        except OSError as error:
            log.error("a picture that is shown no more stays where it was: %s", error)


def _own(account: Account, photo_id: UUID) -> Photo:
    row = Photo.objects.filter(id=photo_id, withdrawn_at=None).first()
    if row is None:
        raise not_found()
    jar_of(account, row.jar_id)
    return row


SIZES = ("large", "small")


def folder_of(jar_id: UUID) -> str:
    """Where a jar's pictures lie."""
    return f"photos/{jar_id}"


def name_of(jar_id: UUID, photo_id: UUID, size: str) -> str:
    """Where one picture of a photo lies."""
    return f"{folder_of(jar_id)}/{photo_id}.{size}.jpg"


def _stored(points: Points | None) -> dict[str, object] | None:
    if points is None:
        return None
    return marked({"bottom": points.bottom, "mark": points.mark, "level": points.level}, POINTS_STEPS)


def _taken(row: Photo) -> Taken:
    return Taken(row.id, row.jar_id, row.look, row.at, row.width, row.height, points_from(row.points))


def points_from(stored: Any) -> Points | None:
    """The places as they are stored; what cannot be read is none."""
    if not stored:
        return None
    try:
        marks: Any = in_form_of_today(stored, POINTS_STEPS, "points")
        return Points(*(_place(marks[name]) for name in ("bottom", "mark", "level")))
    except (UnreadableError, KeyError, TypeError, ValueError, AttributeError) as error:
        log.error("the marks of a photo cannot be read: %r", error)
        return None


def _place(stored: Any) -> tuple[float, float]:
    x, y = stored
    return float(x), float(y)


POINTS_STEPS: tuple[Step, ...] = (lambda body: body,)
