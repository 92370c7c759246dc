"""Keeping jars: plan one, find one, put one away. An account reaches its own kitchen, those it was let into, and
nothing else."""

from __future__ import annotations

import logging
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from uuid import UUID

from django.db import IntegrityError, transaction
from django.db.models import F, Q, QuerySet

from accounts.services import Account
from ferment.doors.admission import admit_setup
from ferment.kitchen.hours import Band, Hours, check_bands
from ferment.methods import FAMILIES, family_named
from ferment.protocol.lint import check
from ferment.protocol.method import Method
from ferment.protocol.written import from_json, to_json
from ferment.ready_rule import Strictness
from ferment.record.log import UsedFor
from ferment.setups import Setup, course_of
from ferment.tracker.prior import prior_as_json
from places.services import owns, warmth_of
from problems import Problem, ServerProblem, not_found
from problems.stored import marked

from .cards import GENERATIONS, NO_WARMTH, Ancestor, JarCard, UnreadCard, card_from_row, card_or_why
from .hours import HOURS_STEPS, bands_told, hours_told, with_hours
from .models import Jar, Kitchen
from .stamps import reach_of

log = logging.getLogger("despertar.kitchen")


@dataclass(frozen=True)
class Beside:
    """What a new jar has beside its set-up: its thermometer, and the jar that it comes out of."""

    thermometer: UUID | None = None
    mother: UUID | None = None
    came_by: UsedFor | None = None


NOTHING_BESIDE = Beside()


def count_jars() -> int:
    return Jar.objects.count()


def kitchen_of(account: Account) -> UUID:
    """The account's kitchen, made at the first visit."""
    kitchen, _ = Kitchen.objects.get_or_create(owner=account)
    return kitchen.id


def own_kitchen(account: Account) -> UUID | None:
    """The account's kitchen where it has one; reading makes none."""
    return Kitchen.objects.filter(owner=account).values_list("id", flat=True).first()


def hours_of(account: Account) -> Hours:
    """When the baker can be at the jars now, in the account's time zone; awake, where nothing else was told."""
    kitchen = Kitchen.objects.filter(owner=account).first()
    return hours_told(kitchen.hours if kitchen else None, account)[-1].hours


def set_hours(account: Account, weekday: Sequence[Band], weekend: Sequence[Band], now: datetime) -> Hours:
    """The baker's own hours from now on, on weekdays and at weekends; what was planned by the earlier ones stays.

    Raises Refusal for bands that are none or that overlap.
    """
    bands = {
        "weekday": _pairs(check_bands(tuple(weekday), "weekday")),
        "weekend": _pairs(check_bands(tuple(weekend), "weekend")),
    }
    kitchen_id = kitchen_of(account)
    with transaction.atomic():
        kitchen = Kitchen.objects.select_for_update().get(id=kitchen_id)
        kitchen.hours = marked({"told": with_hours(bands_told(kitchen.hours), bands, now)}, HOURS_STEPS)
        kitchen.save(update_fields=["hours"])
    return hours_of(account)


def kitchens_of(account: Account) -> list[UUID]:
    """The account's own kitchen and those that it keeps with others."""
    reached = Kitchen.objects.filter(Q(owner=account) | Q(hands__account=account))
    return list(reached.values_list("id", flat=True).distinct())


def keepers_of(kitchen_ids: Iterable[UUID]) -> dict[UUID, frozenset[int]]:
    """By kitchen, the keys of its owner's account and of those that keep it with them."""
    found: dict[UUID, set[int]] = {}
    rows = Kitchen.objects.filter(id__in=list(kitchen_ids)).values_list("id", "owner_id", "hands__account_id")
    for kitchen_id, owner, hand in rows:
        found.setdefault(kitchen_id, set()).update(one for one in (owner, hand) if one is not None)
    return {kitchen_id: frozenset(keepers) for kitchen_id, keepers in found.items()}


def state_of(account: Account) -> str:
    """What tells whether anything of this baker's kitchens, hours or jars has changed; logs say so themselves."""
    kitchens = kitchens_of(account)
    hours = Kitchen.objects.filter(owner=account).values_list("hours", flat=True).first()
    facts = ("id", "put_away_at", "warmth_c", "night_c", "thermometer", "ready_after")
    jars = Jar.objects.filter(kitchen_id__in=kitchens).order_by("id").values_list(*facts)
    return repr((hours, account.time_zone, list(jars)))


def jars_in_reach(account: Account) -> list[UUID]:
    """Every jar of the account's own kitchen and of those that it keeps with others."""
    return list(Jar.objects.filter(kitchen_id__in=kitchens_of(account)).values_list("id", flat=True))


def all_jars(account: Account, now: datetime) -> list[JarCard | UnreadCard]:
    """Every jar within reach, in the order of their making, each as warm as its thermometer says."""
    jars = list(_jars().filter(kitchen_id__in=reach_of(account)).order_by("made_at", "id"))
    warmth = warmth_of({jar.thermometer for jar in jars if jar.thermometer}, now)
    return [card_or_why(jar, warmth) for jar in jars]


def any_jar_of(account: Account, jar_id: UUID, now: datetime) -> JarCard | UnreadCard:
    """The same of one jar. Raises Problem (not found)."""
    jar = _own(account, jar_id)
    return card_or_why(jar, warmth_of([jar.thermometer], now) if jar.thermometer else {})


def own_jars(account: Account) -> list[UUID]:
    """The jars of the account's own kitchen."""
    return list(Jar.objects.filter(kitchen__owner=account).values_list("id", flat=True))


def jar_of(account: Account, jar_id: UUID, now: datetime | None = None) -> JarCard:
    """Raises Problem (not found) for what is not there and for a jar out of reach alike, UnreadableError for one that
    cannot be read. With `now`, as warm as its thermometer says."""
    jar = _own(account, jar_id)
    return card_from_row(jar, warmth_of([jar.thermometer], now) if now and jar.thermometer else {})


def card_of_row(jar_id: UUID) -> JarCard | UnreadCard:
    """For a device that has opened the jar by a token of its own."""
    return card_or_why(_jars().get(id=jar_id), NO_WARMTH)


def lock_jar(account: Account, jar_id: UUID) -> JarCard:
    """The same, holding the jar's row until the transaction ends: two devices write one after the other.

    Something is to be written, so the jar's revision is counted on: what is kept of it holds no more.
    """
    return card_from_row(_own(account, jar_id, lock=True))


def in_reach(account: Account, jar_id: UUID) -> None:
    """Raises Problem (not found) for a jar out of reach."""
    if not Jar.objects.filter(kitchen_id__in=reach_of(account), id=jar_id).exists():
        raise not_found()


def lock_label(account: Account, jar_id: UUID) -> None:
    """Hold the row of a jar within reach, whether or not it can be read."""
    _own(account, jar_id, lock=True)


def plan_jar(
    account: Account, jar_id: UUID, name: str, setup: Setup, now: datetime, beside: Beside = NOTHING_BESIDE
) -> JarCard:
    """Put a new jar on the shelf. The same id again gives the jar that is there, if it was planned like this.

    Raises Problem where its thermometer, or the jar that it comes out of, is out of reach.
    """
    there = _jars().filter(id=jar_id).first()
    if there is None:
        admit_setup(setup, now)
        if beside.mother is not None:
            lock_label(account, beside.mother)
        if beside.thermometer is not None and not owns(account, beside.thermometer):
            raise Problem(ServerProblem.NOT_FOUND, "thermometer", status=404)
        try:
            with transaction.atomic():
                return card_from_row(_make(account, jar_id, name, setup, beside))
        except IntegrityError:
            there = _jars().get(id=jar_id)
    if there.kitchen.owner_id != account.pk or not _planned_so(there, name, setup):
        raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
    return card_from_row(there)


def _planned_so(jar: Jar, name: str, setup: Setup) -> bool:
    """Whether a jar was planned like this; where it stands and its rule of ready may have changed since."""
    planned = (jar.name, jar.family, jar.starts_at, jar.size, jar.choices)
    return planned == (name, setup.family, setup.starts_at, setup.size, dict(setup.choices))


def set_on_shelf(account: Account, jar_id: UUID, now: datetime, *, on_shelf: bool) -> JarCard:
    """Put a jar away or back; its log stays."""
    jar = _own(account, jar_id)
    jar.put_away_at = None if on_shelf else now
    _save(jar, "put_away_at")
    return card_from_row(jar)


def set_place(
    account: Account, jar_id: UUID, warmth_c: float, night_c: float | None, thermometer: UUID | None
) -> JarCard:
    """How warm a jar stands, and the thermometer that says so hour by hour. Raises Refusal or Problem."""
    jar = _own(account, jar_id)
    if thermometer is not None and thermometer != jar.thermometer and not owns(account, thermometer):
        raise Problem(ServerProblem.NOT_FOUND, "thermometer", status=404)
    course_of(replace(card_from_row(jar).setup, warmth_c=warmth_c, night_c=night_c))
    jar.warmth_c, jar.night_c, jar.thermometer = warmth_c, night_c, thermometer
    _save(jar, "warmth_c", "night_c", "thermometer")
    return card_from_row(jar)


def set_ready_after(account: Account, jar_id: UUID, strictness: Strictness) -> JarCard:
    """The baker's own rule of ready for a jar."""
    jar = _own(account, jar_id)
    jar.ready_after = strictness
    _save(jar, "ready_after")
    return card_from_row(jar)


def _save(jar: Jar, *fields: str) -> None:
    jar.revision = F("revision") + 1
    jar.save(update_fields=[*fields, "revision"])
    jar.refresh_from_db(fields=["revision"])


def remove_jars(account: Account) -> None:
    """Delete all jars of a kitchen and their logs; only the demo kitchen is ever laid anew."""
    Jar.objects.filter(kitchen__owner=account).delete()


def _make(account: Account, jar_id: UUID, name: str, setup: Setup, beside: Beside) -> Jar:
    return Jar.objects.create(
        id=jar_id,
        kitchen_id=kitchen_of(account),
        name=name,
        family=setup.family,
        # Of the catalogue too: the jar goes on by what it was planned with, whatever the catalogue comes to say.
        method=to_json(setup.method or family_named(setup.family)),
        choices=dict(setup.choices),
        tare_g=setup.vessel.tare_g,
        volume_ml=setup.vessel.volume_ml,
        height_mm=setup.vessel.height_mm,
        flare=setup.vessel.flare,
        scale_step=setup.scale_step,
        size=setup.size,
        warmth_c=setup.warmth_c,
        night_c=setup.night_c,
        ready_after=setup.ready_after,
        taught=prior_as_json(setup.prior),
        starts_at=setup.starts_at,
        thermometer=beside.thermometer,
        mother_id=beside.mother,
        came_by=beside.came_by if beside.mother else None,
    )


def _jars() -> QuerySet[Jar]:
    return Jar.objects.select_related("kitchen__owner", *GENERATIONS)


def _own(account: Account, jar_id: UUID, *, lock: bool = False) -> Jar:
    if lock:
        # Counting on takes the row's lock, first and alone: a join would lock the kitchen and its owner too.
        Jar.objects.filter(kitchen_id__in=kitchens_of(account), id=jar_id).update(revision=F("revision") + 1)
    # Who writes asks little of where a jar came from: that is read when it is asked for.
    jars = Jar.objects.select_related("kitchen__owner") if lock else _jars()
    jar = jars.filter(kitchen_id__in=reach_of(account), id=jar_id).first()
    if jar is None:
        raise not_found()
    return jar


def daughters_of(account: Account, jar_id: UUID) -> list[Ancestor]:
    """The jars that came out of this one, and are within reach."""
    rows = Jar.objects.filter(mother_id=jar_id, kitchen_id__in=reach_of(account)).order_by("made_at", "id")
    return [Ancestor(row.id, row.name) for row in rows]


def _pairs(bands: Sequence[Band]) -> list[list[int]]:
    return [[band.start, band.end] for band in bands]


def catalogue() -> tuple[Method, ...]:
    """The families to choose from."""
    return FAMILIES


def method_from_outside(written: Mapping[str, object]) -> Method:
    """A method file, read and held against what a method owes. Raises Refusal with the place of what is wrong."""
    method = from_json(written)
    check(method)
    return method


def family_as_file(code: str) -> dict[str, object]:
    """A family of the catalogue as a method file. Raises Refusal."""
    return to_json(family_named(code))
