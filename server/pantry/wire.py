"""What goes over the wire about the discard jars and the flour ledger. Grams."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from accounts.wire import Moment, Request, Told
from ferment.doors.discard import DiscardAct, DiscardEntry, DiscardSign, Shelf
from ferment.kitchen.flours import Flour
from ferment.record.flows import Went
from ferment.record.log import Top

from .services import Discard, FlourTold, Noted


class DiscardIn(Request):
    """What was done with a discard jar: `g` and `made_for` of what was taken, `top` of a look."""

    id: UUID
    at: Moment
    shelf: Shelf
    act: DiscardAct
    g: float = 0.0
    top: Annotated[tuple[Top, ...], Field(max_length=8)] = ()
    made_for: Annotated[str, Field(max_length=60)] = ""


class FlourPart(Told):
    flour: Flour
    g: float


class GivenPart(Told):
    """What a jar gave at a feed, as far as it is in there still."""

    jar: str
    name: str
    at: datetime
    g: float


class DiscardJarOut(Schema):
    """A discard jar; `doubtful` names the jars that gave to it and were found spoiled later."""

    shelf: Shelf
    total_g: float
    hydration_percent: float | None
    oldest_at: datetime | None
    flours: list[FlourPart]
    parts: list[GivenPart]
    signs: list[DiscardSign]
    doubtful: list[str]
    washed: bool


class DiscardNoteOut(Schema):
    id: UUID
    at: datetime
    shelf: Shelf
    act: DiscardAct
    g: float
    top: list[Top]
    made_for: str


class DiscardOut(Schema):
    """The discard jars now, and what was done with them, the latest first."""

    now: datetime
    time_zone: str
    jars: list[DiscardJarOut]
    latest: list[DiscardNoteOut]


class WentPart(Told):
    went: Went
    flour_g: float


class FlourRowOut(Told):
    """One line of the flour ledger: what was fed of each kind, what came in with cultures and from elsewhere, where it
    went, and what stands in jars still. `cost` is that of the kinds that have a price, `unpriced_g` what the others
    weigh."""

    key: str
    fed: list[FlourPart]
    fed_g: float
    other_g: float
    went: list[WentPart]
    discard_g: float
    left_g: float | None
    cost: float
    unpriced_g: float


class FlourLedgerOut(Schema):
    """Where the flour went; `names` are the jars' by their ids."""

    whole: FlourRowOut
    by_jar: list[FlourRowOut]
    by_way: list[FlourRowOut]
    by_month: list[FlourRowOut]
    names: dict[str, str]


def entry_in(body: DiscardIn) -> DiscardEntry:
    return DiscardEntry(str(body.id), body.at, body.shelf, body.act, body.g, frozenset(body.top))


def discard_out(found: Discard, now: datetime, time_zone: str) -> DiscardOut:
    jars = [
        DiscardJarOut(
            shelf=jar.shelf,
            total_g=round(jar.total_g, 1),
            hydration_percent=jar.hydration_percent,
            oldest_at=jar.oldest_at,
            flours=[FlourPart.model_validate(part) for part in jar.flours],
            parts=[GivenPart(jar=one.jar, name=one.name, at=one.at, g=round(one.what.total_g, 1)) for one in jar.parts],
            signs=list(jar.signs),
            doubtful=list(jar.doubtful),
            washed=jar.washed,
        )
        for jar in found.jars
    ]
    return DiscardOut(now=now, time_zone=time_zone, jars=jars, latest=[_note_out(one) for one in found.latest])


def _note_out(noted: Noted) -> DiscardNoteOut:
    one = noted.entry
    return DiscardNoteOut(
        id=UUID(one.id), at=one.at, shelf=one.shelf, act=one.act, g=one.g, top=sorted(one.top), made_for=noted.made_for
    )


def flour_out(told: FlourTold) -> FlourLedgerOut:
    return FlourLedgerOut(
        whole=FlourRowOut.model_validate(told.whole),
        by_jar=[FlourRowOut.model_validate(one) for one in told.by_jar],
        by_way=[FlourRowOut.model_validate(one) for one in told.by_way],
        by_month=[FlourRowOut.model_validate(one) for one in told.by_month],
        names=told.names,
    )
