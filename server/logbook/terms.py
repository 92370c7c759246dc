"""What a baker changes, uses and plans, as it goes over the wire and into the database, and as the core knows it."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from pydantic import Field, StringConstraints

from accounts.wire import Composed, Moment, PlainText, Request
from ferment.kitchen.flours import Flour, FlourGrams, FlourLot, blend_of
from ferment.kitchen.vessel import Vessel
from ferment.record.log import Bake, BakeFeed, PutBack, Use, UsedFor
from ferment.record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay

MOST_NOTE = 2_000
Note = Annotated[str, StringConstraints(max_length=MOST_NOTE), PlainText, Composed]
Code = Annotated[str, StringConstraints(max_length=60)]


class FlourBody(Request):
    flour: Flour
    g: float


class MovedBody(Request):
    """It stands somewhere else from now on: °C by day and night, and the thermometer that reads there."""

    kind: Literal["moved"]
    at: Moment
    warmth_c: float
    night_c: float | None
    thermometer: UUID | None
    note: Note


class OtherJarBody(Request):
    """It went into another jar; `line_mm` when the line there was measured."""

    kind: Literal["jar"]
    at: Moment
    tare_g: float
    volume_ml: float
    height_mm: float
    flare: float
    line_mm: float | None
    note: Note


class OtherFlourBody(Request):
    """Other flour from the next feed on, by parts; of several blends one a feed, in turn."""

    kind: Literal["flour"]
    at: Moment
    blends: Annotated[list[Annotated[dict[Flour, float], Field(max_length=8)]], Field(max_length=4)]
    note: Note


class OtherRhythmBody(Request):
    kind: Literal["rhythm"]
    at: Moment
    every_h: float
    note: Note


class OtherAmountBody(Request):
    """Other amounts from the next feed on; null is what the way says. `size` multiplies the way's own amounts."""

    kind: Literal["amount"]
    at: Moment
    size: float
    seed_g: float | None
    flour_parts: float | None
    hydration_percent: float | None
    note: Note


class OtherWayBody(Request):
    """Another way of the catalogue from now on."""

    kind: Literal["way"]
    at: Moment
    family: Code
    choices: Annotated[dict[Code, Code | float], Field(max_length=20)]
    size: float
    note: Note


class UseBody(Request):
    """Taken out and used, which is no discard; `bake` is the planned bake that it was for."""

    kind: Literal["use"]
    at: Moment
    g: float
    used_for: UsedFor
    bake: UUID | None
    note: Note


class PutBackBody(Request):
    """A starter that was put in from elsewhere, without a feed."""

    kind: Literal["put_back"]
    at: Moment
    flours: Annotated[list[FlourBody], Field(max_length=8)]
    water_g: float
    note: Note


class BakeFeedBody(Request):
    at: Moment
    keep_g: float
    flours: Annotated[list[FlourBody], Field(max_length=8)]
    water_g: float


class BakeBody(Request):
    """A bake that is planned: grams at the hour of mixing, the feeds that lead there, what stays in the jar, and every
    how many days it comes again (0: once)."""

    kind: Literal["bake"]
    at: Moment
    mixed_at: Moment
    grams: float
    feeds: Annotated[list[BakeFeedBody], Field(max_length=6)]
    leaves_g: float
    every_days: int
    note: Note


TermBody = (
    MovedBody
    | OtherJarBody
    | OtherFlourBody
    | OtherRhythmBody
    | OtherAmountBody
    | OtherWayBody
    | UseBody
    | PutBackBody
    | BakeBody
)
Term = Moved | OtherJar | OtherFlour | OtherRhythm | OtherAmount | OtherWay | Use | PutBack | Bake


def lot(flours: list[FlourBody]) -> FlourLot:
    return tuple(FlourGrams(part.flour, part.g) for part in flours)


def told(flours: FlourLot) -> list[FlourBody]:
    return [FlourBody(flour=part.flour, g=part.g) for part in flours]


def term_to_core(entry: str, body: TermBody) -> Term:
    """Raises Refusal for a blend that is none."""
    match body:
        case MovedBody():
            station = str(body.thermometer) if body.thermometer else None
            return Moved(entry, body.at, body.warmth_c, body.night_c, station)
        case OtherJarBody():
            vessel = Vessel(body.tare_g, body.volume_ml, body.height_mm, body.flare)
            return OtherJar(entry, body.at, vessel, body.line_mm)
        case OtherFlourBody():
            blends = tuple(blend_of({flour.value: g for flour, g in parts.items()}, "blends") for parts in body.blends)
            return OtherFlour(entry, body.at, blends)
        case OtherRhythmBody():
            return OtherRhythm(entry, body.at, body.every_h)
        case OtherAmountBody():
            return OtherAmount(entry, body.at, body.size, body.seed_g, body.flour_parts, body.hydration_percent)
        case OtherWayBody():
            return OtherWay(entry, body.at, body.family, tuple(body.choices.items()), body.size)
        case UseBody():
            return Use(entry, body.at, body.g, body.used_for, str(body.bake) if body.bake else None)
        case PutBackBody():
            return PutBack(entry, body.at, lot(body.flours), body.water_g)
        case BakeBody():
            feeds = tuple(BakeFeed(one.at, one.keep_g, lot(one.flours), one.water_g) for one in body.feeds)
            return Bake(entry, body.at, body.mixed_at, body.grams, feeds, body.leaves_g, body.every_days)


def term_from_core(entry: Term, note: str) -> TermBody:
    at = entry.at
    match entry:
        case Moved():
            station = UUID(entry.thermometer) if entry.thermometer else None
            return MovedBody(
                kind="moved", at=at, warmth_c=entry.warmth_c, night_c=entry.night_c, thermometer=station, note=note
            )
        case OtherJar():
            glass = entry.vessel
            return OtherJarBody(
                kind="jar",
                at=at,
                tare_g=glass.tare_g,
                volume_ml=glass.volume_ml,
                height_mm=glass.height_mm,
                flare=glass.flare,
                line_mm=entry.line_mm,
                note=note,
            )
        case OtherFlour():
            blends = [{part.flour: part.share for part in blend} for blend in entry.blends]
            return OtherFlourBody(kind="flour", at=at, blends=blends, note=note)
        case OtherRhythm():
            return OtherRhythmBody(kind="rhythm", at=at, every_h=entry.every_h, note=note)
        case OtherAmount():
            return OtherAmountBody(
                kind="amount",
                at=at,
                size=entry.size,
                seed_g=entry.seed_g,
                flour_parts=entry.flour_parts,
                hydration_percent=entry.hydration_percent,
                note=note,
            )
        case OtherWay():
            return OtherWayBody(
                kind="way", at=at, family=entry.family, choices=dict(entry.choices), size=entry.size, note=note
            )
        case Use():
            bake = UUID(entry.bake) if entry.bake else None
            return UseBody(kind="use", at=at, g=entry.g, used_for=entry.used_for, bake=bake, note=note)
        case PutBack():
            return PutBackBody(kind="put_back", at=at, flours=told(entry.flours), water_g=entry.water_g, note=note)
        case Bake():
            feeds = [
                BakeFeedBody(at=one.at, keep_g=one.keep_g, flours=told(one.flours), water_g=one.water_g)
                for one in entry.feeds
            ]
            return BakeBody(
                kind="bake",
                at=at,
                mixed_at=entry.mixed_at,
                grams=entry.grams,
                feeds=feeds,
                leaves_g=entry.leaves_g,
                every_days=entry.every_days,
                note=note,
            )
