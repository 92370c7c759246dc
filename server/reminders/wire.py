"""What goes over the wire about the postbox."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field

from accounts.wire import Request, Told
from ferment.doors.discard import DiscardSign, Shelf
from ferment.planner import Act
from watching.terms import Moment


class Posted(Told):
    """A reminder in the postbox, or one that will be (`sent_at` to come); `late_h` hours after the act was due."""

    about: Literal["jar"]
    jar_id: UUID
    jar: str
    act: Act
    due: datetime
    sent_at: datetime
    late_h: float
    harmless: bool


class Nudged(Told):
    """The same of a discard jar that is old or full."""

    about: Literal["discard"]
    shelf: Shelf
    sign: DiscardSign
    due: datetime
    sent_at: datetime


class Watched(Told):
    """What a camera saw of a jar: that it doubled, peaked (at `times` the line) or neared the rim, and when (`due`)."""

    about: Literal["watched"]
    jar_id: UUID
    jar: str
    what: Moment
    times: float
    due: datetime
    sent_at: datetime


Letter = Annotated[Posted | Nudged | Watched, Field(discriminator="about")]


class WantedIn(Request):
    """Whether this baker is to be reminded."""

    wanted: bool


class Postbox(Told):
    """What was sent, the latest first, and what would be, the soonest first; nothing where none are `wanted`."""

    wanted: bool
    sent: list[Letter]
    to_come: list[Letter]
