"""Files that bakers bring: in a folder of this machine, or in a store that several machines share (settings: `files`).

Django's storages are the door to both. What lies under a name never changes, so nothing here waits for anything, and
what is kept twice is the same.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import IO, Any

from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.storage import FileSystemStorage, Storage, storages


class AwayError(OSError):
    """The store is elsewhere and cannot be reached, or refuses; later it may be otherwise."""


class WholeFiles(FileSystemStorage):
    """Files below `DESPERTAR_FILES` that are whole or not there."""

    @property
    def base_location(self) -> str:  # Asked each time: tests have folders of their own.
        return str(settings.DESPERTAR_FILES)

    @property
    def location(self) -> str:
        return str(Path(self.base_location).absolute())

    def get_available_name(self, name: str, max_length: int | None = None) -> str:  # noqa: ARG002  (the base's)
        return name

    def _save(self, name: str, content: IO[Any]) -> str:
        path = Path(self.path(name))
        path.parent.mkdir(parents=True, exist_ok=True)
        half = path.with_suffix(".part")
        try:
            half.write_bytes(content.read())
            half.replace(path)
        except OSError:
            half.unlink(missing_ok=True)
            raise
        return name


def put(name: str, data: bytes) -> None:
    """Raises OSError where there is no room, AwayError from a store that is away; nothing lies there then."""
    with _told_as_away():
        _place().save(name, ContentFile(data))


def get(name: str) -> bytes | None:
    """None where there is none. Raises AwayError where nobody can tell."""
    try:
        with _told_as_away(), _place().open(name) as file:
            data: bytes = file.read()
            return data
    except FileNotFoundError:
        return None


def drop(name: str) -> None:
    """Raises AwayError where nobody can tell whether it is gone."""
    with _told_as_away():
        _place().delete(name)


def drop_folder(folder: str) -> None:
    """A folder with the files that lie in it. Raises AwayError, as `drop` does."""
    with _told_as_away():
        place = _place()
        try:
            _, names = place.listdir(folder)
        except FileNotFoundError:
            return
        for name in names:
            place.delete(f"{folder}/{name}")
        if isinstance(place, FileSystemStorage):
            place.delete(folder)


@contextmanager
def _told_as_away() -> Iterator[None]:
    """A store elsewhere has errors of its own."""
    try:
        yield
    except OSError:
        raise
    except Exception as error:
        raise AwayError(repr(error)) from error


def _place() -> Storage:
    return storages["files"]
