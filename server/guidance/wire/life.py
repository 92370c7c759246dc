"""What goes over the wire of a jar's whole life: what holds now, its chapters, how it could be kept, and its bakes."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime

from accounts.wire import Told
from ferment.doors import bakes
from ferment.doors import keeping as doors
from ferment.doors.bakes import Where
from ferment.doors.chapters import ChapterKind
from ferment.doors.sparing import Spare, Sparing
from ferment.methods.keeping import Keeping
from ferment.planner.steps import Act
from kitchen.offered import FamilyCode
from logbook.terms import TermBody, term_from_core

from .mixing import FlourGrams, FlourShare


class Vessel(Told):
    """A jar: empty weight in g, volume to the rim in ml, inside height in mm, and its flare."""

    tare_g: float
    volume_ml: float
    height_mm: float
    flare: float


class Stands(Told):
    """What is true of a jar now: the jar itself, its warmth as told (°C), its way, and how that is fed.

    `family`, `choices` and `size` are of the way; `every_h` is null where it feeds by signs. `blends` are what the
    baker has since decided to feed with, one a feed in turn; null in `seed_g`, `flour_parts` and `hydration_percent` is
    what the way says. `by_hand` says that it is measured in spoons, cups and by eye.
    """

    vessel: Vessel
    warmth_c: float
    night_c: float | None
    family: str
    choices: Mapping[str, str | float]
    size: float
    every_h: float | None
    blends: tuple[tuple[FlourShare, ...], ...]
    seed_g: float | None
    flour_parts: float | None
    hydration_percent: float | None
    by_hand: bool


class Chapter(Told):
    """One stretch of a jar's life; `until` is null while it lasts. `family` is the way, `entry_id` what began it."""

    kind: ChapterKind
    family: str
    since: datetime
    until: datetime | None
    entry_id: str | None
    feeds: int


class PutBy(Told):
    """What was spread to dry: grams, when, between when it snaps, and until when it keeps at least."""

    entry_id: str
    g: float
    since: datetime
    dry_from: datetime
    dry_to: datetime
    keeps_until: datetime


class BakeFeed(Told):
    """One feed towards a bake: when, and its grams."""

    at: datetime
    keep_g: float
    flours: tuple[FlourGrams, ...]
    water_g: float


class Bake(Told):
    """A bake that is planned: grams at the hour of mixing, the feeds that lead there, and what stays in the jar.

    `every_days` is after how many days it comes again, 0 for once.
    """

    id: str
    mixed_at: datetime
    grams: float
    feeds: tuple[BakeFeed, ...]
    leaves_g: float
    every_days: int


class KeepingOffer(Told):
    """One answer to how often the baker bakes: its way, the next act and when, and what a week of it takes.

    `too_early` says that the jar is not ready: what it costs is days.
    """

    keeping: Keeping
    family: FamilyCode
    choices: Mapping[str, str | float]
    next_act: Act | None
    due: datetime | None
    feeds_a_week: float
    flour_g_a_week: float
    discard_g_a_week: float
    minutes_a_week: float
    too_early: bool


class SparingOut(Told):
    """One change that wastes less, with the entry that makes it: what it saves until the jar is ready, or in four weeks
    where it is (`until_ready`), and by how many days its day of ready and its span move."""

    how: Spare
    entry: TermBody
    until_ready: bool
    saves_discard_g: float
    saves_flour_g: float
    later_days: float
    wider_days: float


def sparing_out(one: Sparing) -> SparingOut:
    return SparingOut(
        how=one.how,
        entry=term_from_core(one.entry, ""),
        until_ready=one.until_ready,
        saves_discard_g=one.saves_discard_g,
        saves_flour_g=one.saves_flour_g,
        later_days=one.later_days,
        wider_days=one.wider_days,
    )


class FeedTowards(Told):
    """One feed towards a bake: when, its grams and ratio."""

    at: datetime
    keep_g: float
    flours: tuple[FlourGrams, ...]
    water_g: float
    ratio: str


class Peaks(Told):
    """The moments between which the levain is at its peak four times of five, and the likely one."""

    earliest: datetime
    likely: datetime
    latest: datetime


class BakeOffer(Told):
    """One way to have it: the feeds, and when the last of them is at its peak.

    `weaker` says that it takes fewer feeds than so long a sleep asks for. `celsius` is how warm it stands for it.
    """

    feeds: tuple[FeedTowards, ...]
    mixed_at: datetime
    peaks: Peaks
    where: Where
    celsius: float
    weaker: bool


class BakeOffers(Told):
    """The ways that fit, the best first; where none does, the soonest that is possible.

    `usual_feeds` is how many so long a sleep asks for, `there_is_g` what the jar holds.
    """

    offers: tuple[BakeOffer, ...]
    soonest: BakeOffer | None
    usual_feeds: int
    there_is_g: float


def keeping_out(offer: doors.KeepingOffer) -> KeepingOffer:
    told = {**vars(offer), "choices": dict(offer.choices)}
    return KeepingOffer.model_validate(told)


def bakes_out(found: bakes.BakeOffers) -> BakeOffers:
    return BakeOffers(
        offers=tuple(_offer(one) for one in found.offers),
        soonest=_offer(found.soonest) if found.soonest else None,
        usual_feeds=found.usual_feeds,
        there_is_g=found.there_is_g,
    )


def _offer(offer: bakes.Offer) -> BakeOffer:
    earliest, likely, latest = offer.peaks
    return BakeOffer(
        feeds=tuple(FeedTowards.model_validate(one) for one in offer.feeds),
        mixed_at=offer.mixed_at,
        peaks=Peaks(earliest=earliest, likely=likely, latest=latest),
        where=offer.where,
        celsius=offer.celsius,
        weaker=offer.weaker,
    )
