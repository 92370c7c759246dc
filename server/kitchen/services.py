"""Keeping jars: plan one, find one, put one away. An account reaches its own kitchen and nothing else."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID
from zoneinfo import ZoneInfo

from django.db import IntegrityError, transaction

from accounts.services import Account
from ferment.admission import admit_setup
from ferment.hours import Hours, waking_hours
from ferment.methods import FAMILIES
from ferment.protocol.method import Method
from ferment.readiness import Strictness
from ferment.setups import Setup
from ferment.vessel import Vessel
from problems import Problem, ServerProblem, not_found

from .models import Jar, Kitchen


@dataclass(frozen=True)
class JarCard:
    """A jar as the rest of the server knows it."""

    id: UUID
    kitchen_id: UUID
    name: str
    setup: Setup
    on_shelf: bool


def kitchen_of(account: Account) -> UUID:
    """The account's kitchen, made at the first visit."""
    kitchen, _ = Kitchen.objects.get_or_create(owner=account)
    return kitchen.id


def hours_of(account: Account) -> Hours:
    """When the baker can be at the jars: awake, in the account's time zone."""
    return waking_hours(ZoneInfo(account.time_zone))


def all_jars(account: Account) -> list[JarCard]:
    """Every jar, those put away too, in the order of their making."""
    jars = Jar.objects.filter(kitchen__owner=account).order_by("made_at", "id")
    return [_card(jar, account) for jar in jars]


def jar_of(account: Account, jar_id: UUID) -> JarCard:
    """Raises Problem (not found) for what is not there and for another account's jar alike."""
    return _card(_own(account, jar_id), account)


def lock_jar(account: Account, jar_id: UUID) -> JarCard:
    """The same, holding the jar's row until the transaction ends: two devices write one after the other."""
    return _card(_own(account, jar_id, lock=True), account)


def plan_jar(account: Account, jar_id: UUID, name: str, setup: Setup, now: datetime) -> JarCard:
    """Put a new jar on the shelf. The same id again gives the jar that is there."""
    there = Jar.objects.filter(id=jar_id).select_related("kitchen").first()
    if there is None:
        admit_setup(setup, now)
        try:
            with transaction.atomic():
                return _card(_make(account, jar_id, name, setup), account)
        except IntegrityError:
            there = Jar.objects.select_related("kitchen").get(id=jar_id)
    if there.kitchen.owner_id != account.pk:
        raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
    return _card(there, account)


def set_on_shelf(account: Account, jar_id: UUID, now: datetime, *, on_shelf: bool) -> JarCard:
    """Put a jar away or back; its log stays."""
    jar = _own(account, jar_id)
    jar.put_away_at = None if on_shelf else now
    jar.save(update_fields=["put_away_at"])
    return _card(jar, account)


def set_ready_after(account: Account, jar_id: UUID, strictness: Strictness) -> JarCard:
    """The baker's own rule of ready for a jar."""
    jar = _own(account, jar_id)
    jar.ready_after = strictness
    jar.save(update_fields=["ready_after"])
    return _card(jar, account)


def remove_jars(account: Account) -> None:
    """Delete all jars of a kitchen and their logs; only the demo kitchen is ever laid anew."""
    Jar.objects.filter(kitchen__owner=account).delete()


def _make(account: Account, jar_id: UUID, name: str, setup: Setup) -> Jar:
    return Jar.objects.create(
        id=jar_id,
        kitchen_id=kitchen_of(account),
        name=name,
        family=setup.family,
        choices=dict(setup.choices),
        tare_g=setup.vessel.tare_g,
        volume_ml=setup.vessel.volume_ml,
        height_mm=setup.vessel.height_mm,
        scale_step=setup.scale_step,
        size=setup.size,
        warmth_c=setup.warmth_c,
        night_c=setup.night_c,
        ready_after=setup.ready_after,
        starts_at=setup.starts_at,
    )


def _own(account: Account, jar_id: UUID, *, lock: bool = False) -> Jar:
    if lock:
        # Asked for apart, so that the lock takes the jar's row and not the kitchen's.
        jars = Jar.objects.select_for_update().filter(kitchen_id=kitchen_of(account), id=jar_id)
    else:
        jars = Jar.objects.filter(kitchen__owner=account, id=jar_id)
    jar = jars.first()
    if jar is None:
        raise not_found()
    return jar


def _card(jar: Jar, account: Account) -> JarCard:
    setup = Setup(
        family=jar.family,
        choices=jar.choices,
        vessel=Vessel(jar.tare_g, jar.volume_ml, jar.height_mm),
        starts_at=jar.starts_at,
        scale_step=jar.scale_step,
        size=jar.size,
        hours=hours_of(account),
        warmth_c=jar.warmth_c,
        night_c=jar.night_c,
        ready_after=Strictness(jar.ready_after),
    )
    return JarCard(jar.id, jar.kitchen_id, jar.name, setup, jar.put_away_at is None)


def catalogue() -> tuple[Method, ...]:
    """The families to choose from."""
    return FAMILIES
