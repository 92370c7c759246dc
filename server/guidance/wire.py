"""What goes over the wire about how the jars are doing: the core's own facts, and the jars they are of."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from accounts.services import Account
from accounts.wire import Moment, Request
from ferment.assessment import Assessment, InJar, NextMove, SinceFeed
from ferment.cautions import Notice
from ferment.comparison import Offered
from ferment.counsel import Counsel
from ferment.flours import Flour
from ferment.foresight import BuildUp, Otherwise, RatioOffer, WholePlan
from ferment.log import Bubbles, Look, Smell, Thickness, Top
from ferment.lookup import Described
from ferment.methods import FAMILIES
from ferment.protocol.method import Normal, Origin
from ferment.readiness import Readiness, StageFound
from ferment.setups import Setup
from ferment.sheet import Sheet, WentIn
from ferment.signs import Finding
from ferment.tracker import Forecast, Ready, When
from ferment.tracker.stretch import Spread
from ferment.vessel import Vessel
from ferment.weighing import WalkStyle
from kitchen.services import hours_of
from kitchen.wire import JarBody, JarOut, card_out, setup_in
from logbook.bodies import LookBody, to_core
from logbook.wire import EntryOut, recorded_out
from photos.wire import PhotoOut, photo_out

from .services import Assessed, OpenJar

AssessmentOut = Assessment
OfferedOut = Offered
SheetOut = Sheet
BuildUpOut = BuildUp
__all__ = ["AssessmentOut", "BuildUpOut", "OfferedOut", "SheetOut", "card_out", "setup_in"]


class RiseOut(Schema):
    """The running feed's forecast in short."""

    doubles: When | None
    peaks: When
    peak_times: Spread
    ready: Ready | None


class GlanceOut(Schema):
    """A jar as the kitchen shows it."""

    jar: JarOut
    day: int
    normal: Normal | None
    in_jar: InJar | None
    since_feed: SinceFeed | None
    next_move: NextMove
    findings: list[Finding]
    stage: StageFound | None
    readiness: Readiness | None
    counsel: list[Counsel]
    notices: list[Notice]
    rise: RiseOut | None
    binned_at: datetime | None


class KitchenOut(Schema):
    """All jars at one moment; `now` is the server's clock, by which `next_move` was judged."""

    now: datetime
    time_zone: str
    is_demo: bool
    jars: list[GlanceOut]


class OpenJarOut(Schema):
    now: datetime
    time_zone: str
    jar: JarOut
    assessment: Assessment
    log: list[EntryOut]
    photos: list[PhotoOut]


class PreviewIn(JarBody):
    """A jar that is not planned yet."""


class WhatIfIn(Request):
    """Another place for the jar, in °C."""

    warmth_c: float


class WhatIfOut(Schema):
    """What would be told if the jar stood there: the running feed, the day of ready, and a feed now by each ratio."""

    forecast: Forecast | None
    ready_on: Ready | None
    offers: list[RatioOffer]


class CompareIn(Request):
    """This kitchen and flour, to hold the families against: the blend by parts, or none for each family's own."""

    origin: Origin
    warmth_c: float
    night_c: float | None
    blend: Annotated[dict[Flour, float], Field(max_length=8)]
    has_scale: bool
    starts_at: Moment


class OtherwiseIn(Request):
    """What a baker wonders about; null leaves it as it is."""

    warmth_c: float | None
    flour: Flour | None
    every_h: float | None
    size: float | None
    starts_in_h: float | None


class OtherwiseOut(Schema):
    """The plan as it would be, and when it would be ready."""

    ready_on: Ready | None
    plan: WholePlan


class WholePlanOut(Schema):
    """A jar's plan from its first mix to ready, with the jar it is of."""

    now: datetime
    time_zone: str
    jar: JarOut
    plan: WholePlan
    ready_on: Ready | None


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


def otherwise_in(body: OtherwiseIn) -> Otherwise:
    return Otherwise(body.warmth_c, body.flour, body.every_h, body.size, body.starts_in_h)


class WeighIn(Request):
    """What was weighed other than planned, in grams; null or left out where it went as planned or is to come."""

    keep_g: float | None
    water_g: float | None
    flours: Annotated[dict[Flour, float], Field(max_length=8)]
    style: WalkStyle | None = None
    keeps_all: bool = False


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


class BuildIn(Request):
    """The grams that a recipe needs, and the hour it needs them, where that is known."""

    target_g: float
    at: Moment | None


class SignsOut(Schema):
    findings: list[Finding]


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
    return WentIn(body.keep_g, body.water_g, body.flours, body.style, body.keeps_all)


def kitchen_out(account: Account, assessed: list[Assessed], now: datetime) -> KitchenOut:
    return KitchenOut(
        now=now,
        time_zone=account.time_zone,
        is_demo=account.is_demo,
        jars=[_glance(one) for one in assessed],
    )


def open_jar_out(account: Account, opened: OpenJar, now: datetime) -> OpenJarOut:
    return OpenJarOut(
        now=now,
        time_zone=account.time_zone,
        jar=card_out(opened.card),
        assessment=opened.assessment,
        log=[recorded_out(entry) for entry in opened.entries],
        photos=[photo_out(one) for one in opened.photos],
    )


def _rise(found: Assessment) -> RiseOut | None:
    told = found.forecast
    if told is None:
        return None
    return RiseOut(doubles=told.doubles, peaks=told.peaks, peak_times=told.peak_times, ready=told.ready)


def _glance(one: Assessed) -> GlanceOut:
    found = one.assessment
    return GlanceOut(
        jar=card_out(one.card),
        day=found.day,
        normal=found.normal,
        in_jar=found.in_jar,
        since_feed=found.since_feed,
        next_move=found.next_move,
        findings=list(found.findings),
        stage=found.stage,
        readiness=found.readiness,
        counsel=list(found.counsel),
        notices=list(found.notices),
        rise=_rise(found),
        binned_at=found.binned_at,
    )
