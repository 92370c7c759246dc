"""What goes over the wire about the postbox."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from accounts.wire import Request, Told
from ferment.planner import Act


class Posted(Told):
    """A reminder in the postbox, or one that will be (`sent_at` to come); `late_h` hours after the act was due."""

    jar_id: UUID
    jar: str
    act: Act
    due: datetime
    sent_at: datetime
    late_h: float
    harmless: bool


class WantedIn(Request):
    """Whether this baker is to be reminded."""

    wanted: bool


class Postbox(Told):
    """What was sent, the latest first, and what would be, the soonest first; nothing where none are `wanted`."""

    wanted: bool
    sent: list[Posted]
    to_come: list[Posted]
