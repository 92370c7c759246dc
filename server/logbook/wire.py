"""What goes over the wire about a log."""

from __future__ import annotations

from datetime import datetime
from typing import Literal
from uuid import UUID

from accounts.wire import Request, Told

from .bodies import EntryBody
from .reading import Recorded
from .services import Changed


class RecordIn(Request):
    """A new entry, its id made by the client; `seen_feed` is the last feed that the device knew of."""

    id: UUID
    seen_feed: UUID | None
    entry: EntryBody


class AmendIn(Request):
    """A correction of the revision that the device saw."""

    revision: int
    entry: EntryBody


class EntryOut(Told):
    id: UUID
    revision: int
    recorded_at: datetime
    recorded_by: str | None
    withdrawn: bool
    entry: EntryBody


class ChangeOut(Told):
    what: Literal["amended", "withdrawn", "restored", "moved"]
    made_at: datetime
    made_by: str | None
    before: EntryBody


def recorded_out(recorded: Recorded) -> EntryOut:
    return EntryOut(
        id=recorded.id,
        revision=recorded.revision,
        recorded_at=recorded.recorded_at,
        recorded_by=recorded.recorded_by,
        withdrawn=recorded.withdrawn,
        entry=recorded.body,
    )


def changed_out(changed: Changed) -> ChangeOut:
    return ChangeOut.model_validate(
        {
            "what": changed.what,
            "made_at": changed.made_at,
            "made_by": changed.made_by,
            "before": changed.body,
        }
    )
