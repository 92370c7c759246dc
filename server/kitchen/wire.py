"""What goes over the wire about a kitchen and its jars."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from datetime import datetime
from typing import Annotated, Any
from uuid import UUID, uuid4

from ninja import Schema
from pydantic import Field

from accounts.services import Account
from accounts.wire import Moment, Name, Request, Told
from ferment.doors.begun import BegunAs
from ferment.doors.fitting import size_that_fits
from ferment.kitchen.flours import Flour
from ferment.kitchen.hours import Band, Hours
from ferment.kitchen.vessel import Vessel
from ferment.mixing.contents import Origin
from ferment.protocol.method import Method, Thing
from ferment.ready_rule import Strictness
from ferment.record.log import UsedFor
from ferment.setups import Setup

from .cards import Ancestor, JarCard
from .hands import Hands, Helper, Passed
from .offered import Days
from .services import Beside, hours_of, method_from_outside
from .shelf import ShelfFlour

Choice = float | Annotated[str, Field(max_length=40)] | Annotated[dict[str, float], Field(max_length=8)]


class JarBody(Request):
    """A jar as planned: its method with what was chosen of it, its glass, and where it stands. Grams, ml, mm, °C.

    `flare` is the inside width at the rim over that at the bottom: 1 for a straight jar. `scale_step` is null without a
    scale, `size` where it is what this jar takes. `by_earlier_jars` lets what the baker's earlier jars showed count.
    """

    name: Name
    family: Annotated[str, Field(max_length=60)]
    method: dict[str, Any] | None = None
    choices: Annotated[dict[str, Choice], Field(max_length=30)]
    tare_g: float
    volume_ml: float
    height_mm: float
    flare: float = 1.0
    scale_step: float | None
    size: float | None
    warmth_c: float
    night_c: float | None
    ready_after: Strictness
    starts_at: Moment
    by_earlier_jars: bool = True


class NewJarIn(JarBody):
    """A new jar; `mother` is the one that it comes out of, and `came_by` what by. `begun` is what was done since its
    start, where that lies in the past: it is written down with it."""

    id: UUID
    mother: UUID | None = None
    came_by: UsedFor | None = None
    begun: BegunAs | None = None
    thermometer: UUID | None = None


class ShelfIn(Request):
    on_shelf: bool


class ReadyAfterIn(Request):
    """How many good feeds in a row the baker asks for."""

    ready_after: Strictness


class PlaceIn(Request):
    """How warm it stands, °C, and the thermometer that says so hour by hour."""

    warmth_c: float
    night_c: float | None
    thermometer: UUID | None


class BandBody(Request):
    """From one time of day to another, in minutes after midnight; one that ends earlier runs over midnight."""

    start: int
    end: int


class HoursBody(Request):
    """When the baker can be at the jars; no bands: at no time on such days."""

    weekday: Annotated[list[BandBody], Field(max_length=6)]
    weekend: Annotated[list[BandBody], Field(max_length=6)]


class ShelfFlourBody(Request):
    """A flour on the baker's shelf: its kind, what they call it, what a kilo costs, in their own money, and how much of
    it there was when it was weighed. One that comes without an id is new; a weight without a moment is of now."""

    id: UUID | None = None
    flour: Flour
    name: Name
    price_per_kg: float | None = None
    g: float | None = None
    weighed_at: Moment | None = None


class ShelfFloursBody(Request):
    flours: Annotated[list[ShelfFlourBody], Field(max_length=20)]


class MethodIn(Request):
    """A method file, as brought in."""

    method: dict[str, Any]


class CheckedMethodOut(Schema):
    """A method that was read and is sound: what it is, how many phases it has, and when it is ready."""

    code: str
    origin: Origin
    phases: int
    options: int
    ready: Days
    needs: list[Thing]


class CodeIn(Request):
    code: Annotated[str, Field(max_length=60)]


class CodeOut(Schema):
    """An invitation, told this once."""

    code: str


class HelperOut(Schema):
    id: UUID
    name: str
    since: datetime


class PassingOut(Told):
    """One line of the door's book; `who` is empty for an invitation, which knows nobody yet."""

    at: datetime
    what: Passed
    who: str
    by: str


class HandsOut(Schema):
    """Who keeps this kitchen too, how many invitations are open, whose kitchens this account keeps, and who came and
    went of late, the latest first."""

    mine: list[HelperOut]
    open_invitations: int
    others: list[HelperOut]
    passed: list[PassingOut]


class AncestorOut(Told):
    """A jar that another came out of, or that came out of it."""

    id: UUID
    name: str


class JarOut(Told):
    id: UUID
    name: str
    family: str
    choices: dict[str, Choice]
    tare_g: float
    volume_ml: float
    height_mm: float
    flare: float
    scale_step: float | None
    size: float
    warmth_c: float
    night_c: float | None
    ready_after: Strictness
    starts_at: datetime
    on_shelf: bool
    owner: str
    thermometer: UUID | None
    came_by: UsedFor | None
    mothers: list[AncestorOut]


def setup_in(body: JarBody, account: Account) -> Setup:
    method = method_from_outside(body.method) if body.method is not None else None
    setup = Setup(
        family=method.code if method else body.family,
        method=method,
        choices=body.choices,
        vessel=Vessel(body.tare_g, body.volume_ml, body.height_mm, body.flare),
        starts_at=body.starts_at,
        scale_step=body.scale_step,
        size=1.0 if body.size is None else body.size,
        hours=hours_of(account),
        warmth_c=body.warmth_c,
        night_c=body.night_c,
        ready_after=body.ready_after,
    )
    return replace(setup, size=size_that_fits(setup)) if body.size is None else setup


def card_out(card: JarCard) -> JarOut:
    setup = card.setup
    return JarOut(
        id=card.id,
        name=card.name,
        family=setup.family,
        choices={code: dict(value) if isinstance(value, Mapping) else value for code, value in setup.choices.items()},
        tare_g=setup.vessel.tare_g,
        volume_ml=setup.vessel.volume_ml,
        height_mm=setup.vessel.height_mm,
        flare=setup.vessel.flare,
        scale_step=setup.scale_step,
        size=setup.size,
        warmth_c=setup.warmth_c,
        night_c=setup.night_c,
        ready_after=setup.ready_after,
        starts_at=setup.starts_at,
        on_shelf=card.on_shelf,
        owner=card.owner,
        thermometer=card.thermometer,
        came_by=UsedFor(card.lineage.came_by) if card.lineage.came_by in set(UsedFor) else None,
        mothers=ancestors_out(card.lineage.mothers),
    )


def ancestors_out(jars: Iterable[Ancestor]) -> list[AncestorOut]:
    return [AncestorOut(id=jar.id, name=jar.name) for jar in jars]


def beside_in(body: NewJarIn) -> Beside:
    return Beside(body.thermometer, body.mother, body.came_by or UsedFor.SPLIT)


def hours_out(hours: Hours) -> HoursBody:
    def bands(told: Iterable[Band]) -> list[BandBody]:
        return [BandBody(start=band.start, end=band.end) for band in told]

    return HoursBody(weekday=bands(hours.weekday), weekend=bands(hours.weekend))


def flours_out(flours: Iterable[ShelfFlour]) -> ShelfFloursBody:
    return ShelfFloursBody(
        flours=[
            ShelfFlourBody(
                id=one.id,
                flour=one.flour,
                name=one.name,
                price_per_kg=one.price_per_kg,
                g=one.g,
                weighed_at=one.weighed_at,
            )
            for one in flours
        ]
    )


def flours_in(body: ShelfFloursBody, now: datetime) -> list[ShelfFlour]:
    return [
        ShelfFlour(
            one.id or uuid4(),
            one.flour,
            one.name,
            one.price_per_kg,
            one.g,
            None if one.g is None else min(one.weighed_at or now, now),
        )
        for one in body.flours
    ]


def bands_in(body: list[BandBody]) -> list[Band]:
    return [Band(band.start, band.end) for band in body]


def checked_out(method: Method) -> CheckedMethodOut:
    return CheckedMethodOut(
        code=method.code,
        origin=method.origin,
        phases=len(method.phases),
        options=len(method.options),
        ready=Days.model_validate(method.ready),
        needs=list(method.needs),
    )


def hands_out(hands: Hands) -> HandsOut:
    def told(helpers: Iterable[Helper]) -> list[HelperOut]:
        return [HelperOut(id=one.id, name=one.name, since=one.since) for one in helpers]

    return HandsOut(
        mine=told(hands.mine),
        open_invitations=hands.open_invitations,
        others=told(hands.others),
        passed=[PassingOut.model_validate(one) for one in hands.passed],
    )
