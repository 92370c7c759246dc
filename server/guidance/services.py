"""What the core says of the baker's jars at this moment. Nothing here is stored."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime
from uuid import UUID

from accounts.services import Account
from ferment.admission import admit_setup
from ferment.assessment import Assessment, assess
from ferment.foresight import RatioOffer, moved_to, offers
from ferment.lookup import Described, look_up
from ferment.setups import Setup
from ferment.sheet import Sheet, WentIn, sheet
from ferment.signs import Finding
from kitchen.services import JarCard, all_jars, jar_of
from logbook.services import Recorded, entries_of, logs_of


@dataclass(frozen=True)
class Assessed:
    card: JarCard
    assessment: Assessment


@dataclass(frozen=True)
class OpenJar:
    """A jar with everything about it."""

    card: JarCard
    assessment: Assessment
    entries: list[Recorded]


def kitchen_now(account: Account, now: datetime) -> list[Assessed]:
    """Every jar of the kitchen, in a fixed number of queries."""
    cards = all_jars(account)
    logs = logs_of([card.id for card in cards])
    return [Assessed(card, assess(card.setup, logs[card.id], now)) for card in cards]


def jar_now(account: Account, jar_id: UUID, now: datetime) -> OpenJar:
    card = jar_of(account, jar_id)
    log = logs_of([card.id])[card.id]
    return OpenJar(card, assess(card.setup, log, now), entries_of(card.id))


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
    card = jar_of(account, jar_id)
    log = logs_of([card.id])[card.id]
    return WhatIf(
        moved_to(card.setup, log, now, warmth_c), offers(replace(card.setup, warmth_c=warmth_c, night_c=None), log, now)
    )


def look_up_signs(it: Described, now: datetime) -> list[Finding]:
    """What a jar shows that has no log here."""
    return list(look_up(it, now))


def weigh(account: Account, jar_id: UUID, went_in: WentIn, now: datetime) -> Sheet:
    """The feed sheet with what has gone in so far."""
    card = jar_of(account, jar_id)
    return sheet(card.setup, logs_of([card.id])[card.id], went_in, now)
