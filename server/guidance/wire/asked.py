"""What a client asks: how a jar would be, what a look or a feed would say. Grams, °C, hours."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from accounts.services import Account
from accounts.wire import Moment, Request
from ferment.doors.bakes import Wanted
from ferment.doors.foresight import Supposition
from ferment.doors.lookup import Described
from ferment.doors.sheet import WentIn
from ferment.kitchen.flours import Flour
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.mixing.contents import Origin
from ferment.mixing.weighing import WalkStyle
from ferment.record.log import Bubbles, Look, Smell, Thickness, Top
from ferment.setups import Setup
from kitchen.services import hours_of
from kitchen.wire import JarBody
from logbook.bodies import LookBody, to_core


class PreviewIn(JarBody):
    """A jar that is not planned yet."""


class WhatIfIn(Request):
    """Another place for the jar, in °C."""

    warmth_c: float


class CompareIn(Request):
    """This kitchen and flour, to hold the families against: the blend by parts, or none for each family's own."""

    origin: Origin
    warmth_c: float
    night_c: float | None
    blend: Annotated[dict[Flour, float], Field(max_length=8)]
    has_scale: bool
    starts_at: Moment
    by_earlier_jars: bool = True


class OtherwiseIn(Request):
    """What a baker wonders about; null leaves it as it is."""

    warmth_c: float | None
    flour: Flour | None
    every_h: float | None
    size: float | None
    starts_in_h: float | None


class WeighIn(Request):
    """What was weighed other than planned, in grams; null or left out where it went as planned or is to come."""

    keep_g: float | None
    water_g: float | None
    flours: Annotated[dict[Flour, float], Field(max_length=8)]
    style: WalkStyle | None = None
    keeps_all: bool = False
    tare_g: float | None = None
    jar_and_all_g: float | None = None


class SignsIn(Request):
    """A jar described without a log: days old, hours since its feed, and what one look shows; null where not known."""

    days: float
    since_feed_h: float
    times: float | None
    high: float | None
    bubbles: Bubbles | None
    top: Annotated[list[Top], Field(max_length=8)]
    smell: Annotated[list[Smell], Field(max_length=8)]
    thickness: Thickness | None
    celsius: float | None
    begun_sour: bool


class LookedAtIn(Request):
    """A look at a jar that is not kept, to ask what it shows."""

    look: LookBody


class BakeIn(Request):
    """The grams of levain for the dough, the hour of mixing, what is to stay in the jar, and every how many days."""

    grams: float
    mixed_at: Moment
    leaves_g: float
    every_days: int


# A jar big enough for any family: what is compared is the way, not the glass.
ROOMY = Vessel(300.0, 4_000.0, 200.0)


def compared_setup(body: CompareIn, account: Account) -> Setup:
    return Setup(
        family=FAMILIES[0].code,
        choices={"blend": {flour.value: part for flour, part in body.blend.items()}} if body.blend else {},
        vessel=ROOMY,
        starts_at=body.starts_at,
        hours=hours_of(account),
        warmth_c=body.warmth_c,
        night_c=body.night_c,
    )


def otherwise_in(body: OtherwiseIn) -> Supposition:
    return Supposition(body.warmth_c, body.flour, body.every_h, body.size, body.starts_in_h)


def wanted_in(body: BakeIn) -> Wanted:
    return Wanted(body.grams, body.mixed_at, body.leaves_g, body.every_days)


def described(body: SignsIn) -> Described:
    return Described(
        body.days,
        body.since_feed_h,
        body.times,
        body.high,
        body.bubbles,
        frozenset(body.top),
        frozenset(body.smell),
        body.thickness,
        body.celsius,
        body.begun_sour,
    )


def looked_at(body: LookedAtIn) -> Look:
    look = to_core(UUID(int=0), body.look)
    assert isinstance(look, Look)
    return look


def went_in(body: WeighIn) -> WentIn:
    return WentIn(body.keep_g, body.water_g, body.flours, body.style, body.keeps_all, body.tare_g, body.jar_and_all_g)
