"""What goes over the wire about parcels."""

from __future__ import annotations

from accounts.wire import Told


class TakenIn(Told):
    """How many of each were new here, photos still to come; `as_copy` says that it came under ids of its own, for
    another account here has it too. `baker` is whose it was."""

    jars: int
    entries: int
    readings: int
    flours: int
    discard: int
    photos: int
    as_copy: bool
    baker: str


class PhotosIn(Told):
    """So many of the parcel's photos were looked at, of so many."""

    done: int
    of: int


class PartOut(Told):
    """How many bytes of it are here."""

    received: int
