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

from .services import Discard, FlourTold, Noted, StockTold


class DiscardIn(Request):
    """What was done with a discard jar: `g` and `made_for` of what was taken, `top` of a look, `ml` of its size."""

    id: UUID
    at: Moment
    shelf: Shelf
    act: DiscardAct
    g: float = 0.0
    top: Annotated[tuple[Top, ...], Field(max_length=8)] = ()
    ml: float = 0.0
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
    holds_ml: float | None


class DiscardNoteOut(Schema):
    id: UUID
    at: datetime
    shelf: Shelf
    act: DiscardAct
    g: float
    top: list[Top]
    ml: float
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


class BagOut(Told):
    """A flour on the shelf: `left_g` of it by what was fed since it was weighed; null where it never was."""

    id: UUID
    name: str
    g: float | None
    weighed_at: datetime | None
    left_g: float | None


class InsteadOut(Told):
    """Another flour for a jar, and what it is fed with from then on: shares by flour, one blend a feed in turn."""

    jar: UUID
    name: str
    flour: Flour
    blends: list[dict[Flour, float]]


class StockKindOut(Schema):
    """A kind of flour: its bags, what the plans ask for until then, when a feed finds too little (null: it lasts, or
    nobody knows how much there is), and what is to be bought for the plans."""

    flour: Flour
    bags: list[BagOut]
    left_g: float | None
    needs_g: float
    runs_out_at: datetime | None
    buy_g: float
    instead: list[InsteadOut]


class StockOut(Schema):
    """The flour on the shelf, and what the plans ask of it until a moment."""

    now: datetime
    time_zone: str
    until: datetime
    kinds: list[StockKindOut]


def stock_out(told: StockTold, now: datetime, time_zone: str) -> StockOut:
    kinds = []
    for one in told.kinds:
        left = {bag.id: bag.left_g for bag in one.stock.bags}
        kinds.append(
            StockKindOut(
                flour=one.stock.flour,
                bags=[
                    BagOut(id=bag.id, name=bag.name, g=bag.g, weighed_at=bag.weighed_at, left_g=left[str(bag.id)])
                    for bag in one.bags
                ],
                left_g=one.stock.left_g,
                needs_g=one.stock.needs_g,
                runs_out_at=one.stock.runs_out_at,
                buy_g=one.stock.buy_g,
                instead=[
                    InsteadOut(
                        jar=UUID(other.jar),
                        name=other.name,
                        flour=other.flour,
                        blends=[{part.flour: part.share for part in blend} for blend in other.blends],
                    )
                    for other in one.stock.instead
                ],
            )
        )
    return StockOut(now=now, time_zone=time_zone, until=told.until, kinds=kinds)


def entry_in(body: DiscardIn) -> DiscardEntry:
    return DiscardEntry(str(body.id), body.at, body.shelf, body.act, body.g, frozenset(body.top), body.ml)


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
            holds_ml=jar.holds_ml,
        )
        for jar in found.jars
    ]
    return DiscardOut(now=now, time_zone=time_zone, jars=jars, latest=[_note_out(one) for one in found.latest])


def _note_out(noted: Noted) -> DiscardNoteOut:
    one = noted.entry
    return DiscardNoteOut(
        id=UUID(one.id),
        at=one.at,
        shelf=one.shelf,
        act=one.act,
        g=one.g,
        top=sorted(one.top),
        ml=one.ml,
        made_for=noted.made_for,
    )


def flour_out(told: FlourTold) -> FlourLedgerOut:
    return FlourLedgerOut(
        whole=FlourRowOut.model_validate(told.whole),
        by_jar=[FlourRowOut.model_validate(one) for one in told.by_jar],
        by_way=[FlourRowOut.model_validate(one) for one in told.by_way],
        by_month=[FlourRowOut.model_validate(one) for one in told.by_month],
        names=told.names,
    )
