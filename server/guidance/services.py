"""What the core says of the baker's jars at this moment. Nothing here is stored."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime
from uuid import UUID

from accounts.services import Account, heard_by
from ferment.doors.admission import admit, admit_setup
from ferment.doors.assessment import Assessment, assess
from ferment.doors.comparison import Offered, side_by_side
from ferment.doors.foresight import (
    BuildUp,
    RatioOffer,
    Supposition,
    WholePlan,
    build_up_from,
    moved_to,
    offers,
    otherwise,
    whole_plan,
)
from ferment.doors.lookup import Described, look_up
from ferment.doors.sheet import AS_PLANNED, Sheet, WentIn, sheet
from ferment.mixing.contents import Origin
from ferment.record.log import Log, Look
from ferment.refusal import Refusal
from ferment.setups import Setup
from ferment.signs import Finding
from kitchen.services import JarCard, all_jars, catalogue, jar_of
from logbook.services import Recorded, entries_of, logs_of
from photos.services import Taken, photos_of


@dataclass(frozen=True)
class Assessed:
    card: JarCard
    assessment: Assessment


@dataclass(frozen=True)
class OpenJar:
    """A jar with everything about it."""

    card: JarCard
    assessment: Assessment
    sheet: Sheet | None
    entries: list[Recorded]
    photos: list[Taken]


def kitchen_now(account: Account, now: datetime) -> list[Assessed]:
    """Every jar of the kitchen, in a fixed number of queries."""
    cards = all_jars(account, now)
    logs = logs_of([card.id for card in cards])
    heard = heard_by(account)
    return [Assessed(card, _unheard(assess(card.setup, logs[card.id], now), heard)) for card in cards]


def jar_now(account: Account, jar_id: UUID, now: datetime) -> OpenJar:
    card = jar_of(account, jar_id, now)
    log = logs_of([card.id])[card.id]
    found = _unheard(assess(card.setup, log, now), heard_by(account))
    return OpenJar(card, found, _sheet_now(card.setup, log, now, found), entries_of(card.id), photos_of(card.id))


def _sheet_now(setup: Setup, log: Log, now: datetime, found: Assessment) -> Sheet | None:
    """The feed sheet that goes with an opened jar, so that a device can weigh on without a connection."""
    try:
        return sheet(setup, log, AS_PLANNED, now, found)
    except Refusal:
        # After what went in, the method's own amounts make no sense; the page says so when it asks itself.
        return None


def _unheard(found: Assessment, heard: frozenset[str]) -> Assessment:
    """Without the cautions that the baker has acknowledged."""
    return replace(found, notices=tuple(one for one in found.notices if one not in heard))


def preview(setup: Setup, now: datetime) -> Assessment:
    """What a jar would ask for, before it is planned. Raises Refusal as planning it would."""
    admit_setup(setup, now)
    return assess(setup, (), now)


@dataclass(frozen=True)
class WhatIf:
    """A jar as it would be told at another warmth, and what a feed now would do there."""

    assessment: Assessment
    offers: tuple[RatioOffer, ...]


def what_if(account: Account, jar_id: UUID, warmth_c: float, now: datetime) -> WhatIf:
    card = jar_of(account, jar_id, now)
    log = logs_of([card.id])[card.id]
    return WhatIf(
        moved_to(card.setup, log, now, warmth_c), offers(replace(card.setup, warmth_c=warmth_c, night_c=None), log, now)
    )


def compare(origin: Origin, setup: Setup, *, has_scale: bool) -> list[Offered]:
    """The families that begin so, side by side, for this kitchen and flour."""
    return list(side_by_side(catalogue(), setup, origin, has_scale=has_scale))


@dataclass(frozen=True)
class Planned:
    """A jar with its plan from the first mix to ready."""

    card: JarCard
    assessment: Assessment
    plan: WholePlan


def planned_jar(account: Account, jar_id: UUID, now: datetime) -> Planned:
    """Raises Problem (not found) for a jar out of reach."""
    card = jar_of(account, jar_id, now)
    return _planned(card, logs_of([card.id])[card.id], now)


def planned_kitchen(account: Account, now: datetime) -> list[Planned]:
    """The jars on the shelf that are still kept, in a fixed number of queries."""
    cards = [card for card in all_jars(account, now) if card.on_shelf]
    logs = logs_of([card.id for card in cards])
    made = [_planned(card, logs[card.id], now) for card in cards]
    return [one for one in made if one.assessment.binned_at is None]


def _planned(card: JarCard, log: Log, now: datetime) -> Planned:
    return Planned(card, assess(card.setup, log, now), whole_plan(card.setup, log, now))


@dataclass(frozen=True)
class Wondered:
    """A jar as it would be otherwise, beside how it is."""

    assessment: Assessment
    plan: WholePlan


def plan_otherwise(account: Account, jar_id: UUID, what: Supposition, now: datetime) -> Wondered:
    """Nothing is changed by asking. Raises Refusal."""
    card = jar_of(account, jar_id, now)
    return Wondered(*otherwise(card.setup, logs_of([card.id])[card.id], now, what))


def look_up_signs(it: Described, now: datetime) -> list[Finding]:
    """What a jar shows that has no log here."""
    return list(look_up(it, now))


def signs_of(account: Account, jar_id: UUID, look: Look, now: datetime) -> list[Finding]:
    """What a jar would show with one more look that is not kept. Raises Refusal as recording it would."""
    card = jar_of(account, jar_id, now)
    log = logs_of([card.id])[card.id]
    admit(card.setup, log, look, now)
    return list(assess(card.setup, (*log, look), now).findings)


def build_up(account: Account, jar_id: UUID, target_g: float, at: datetime | None) -> BuildUp:
    """The feeds from this jar to the grams that a recipe needs. Raises Refusal."""
    return build_up_from(jar_of(account, jar_id).setup, target_g, at)


def weigh(account: Account, jar_id: UUID, went_in: WentIn, now: datetime) -> Sheet:
    """The feed sheet with what has gone in so far."""
    card = jar_of(account, jar_id, now)
    return sheet(card.setup, logs_of([card.id])[card.id], went_in, now)
