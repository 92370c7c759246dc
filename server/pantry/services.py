"""The discard jars and the flour ledger of the account's own kitchen: worked out of every log, those put away too."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from django.db import IntegrityError, transaction

from accounts.services import Account
from ferment.doors.discard import (
    DiscardAct,
    DiscardEntry,
    DiscardJar,
    Giver,
    Nudge,
    Shelf,
    admit_discard,
    discard_jars,
    nudges,
)
from ferment.doors.flour import By, FlourRow, JarFlows, flour_ledger, jar_flows, whole
from ferment.doors.stock import Bag, Eater, Meal, Stock, fed_until, stock
from ferment.record.flows import Came, Went
from ferment.record.log import Log, Top
from ferment.refusal import Refusal
from ferment.signs.contract import Urgency
from guidance.told_now import told_now
from kitchen.cards import JarCard
from kitchen.services import all_jars, hours_of, kitchen_of, own_kitchen
from kitchen.shelf import ShelfFlour, flours_of, prices_of
from logbook.reading import logs_of
from problems import Problem, ServerProblem, not_found

from .models import DiscardNote


@dataclass(frozen=True)
class Noted:
    """What the baker did with a discard jar, with what for."""

    entry: DiscardEntry
    made_for: str


@dataclass(frozen=True)
class Discard:
    """The discard jars as they are now, and the latest that was done with them, the latest first."""

    jars: list[DiscardJar]
    latest: list[Noted]


@dataclass(frozen=True)
class FlourTold:
    """Where the flour went: all of it, by jar, by way and by month, and the names of the jars by their ids."""

    whole: FlourRow
    by_jar: list[FlourRow]
    by_way: list[FlourRow]
    by_month: list[FlourRow]
    names: dict[str, str]


LATEST = 20
# How far ahead the plans are asked what they need.
FOLLOWED = timedelta(days=14)


def discard_now(account: Account, now: datetime) -> Discard:
    givers = [_giver(card, log, flows, now) for card, log, flows in _flows(account, now)]
    notes = _notes(account)
    jars = discard_jars(givers, [one.entry for one in notes], now)
    return Discard(list(jars), list(reversed(notes[-LATEST:])))


def note_discard(account: Account, entry: DiscardEntry, made_for: str, now: datetime) -> Discard:
    """Write down what was done. The same id again changes nothing. Raises Refusal, and Problem for an id that is
    another's."""
    there = DiscardNote.objects.filter(id=entry.id).first()
    if there is None:
        admit_discard(discard_now(account, now).jars, entry, now)
        try:
            with transaction.atomic():
                DiscardNote.objects.create(
                    id=entry.id,
                    kitchen_id=kitchen_of(account),
                    shelf=entry.shelf,
                    act=entry.act,
                    at=entry.at,
                    g=entry.g,
                    top=sorted(entry.top),
                    ml=entry.ml,
                    made_for=made_for,
                    recorded_by=account,
                )
        except IntegrityError:
            there = DiscardNote.objects.get(id=entry.id)
    if there is not None and (there.kitchen_id != own_kitchen(account) or _entry(there) != entry):
        raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
    return discard_now(account, now)


def undo_discard(account: Account, note_id: UUID, now: datetime) -> Discard:
    """Raises Problem (not found)."""
    gone, _ = DiscardNote.objects.filter(id=note_id, kitchen__owner=account).delete()
    if not gone:
        raise not_found()
    return discard_now(account, now)


def forget(account: Account) -> None:
    """Only the demo kitchen is ever laid anew."""
    DiscardNote.objects.filter(kitchen__owner=account).delete()


def flour_told(account: Account, now: datetime) -> FlourTold:
    jars = [flows for _, _, flows in _flows(account, now)]
    prices, zone = prices_of(account), ZoneInfo(account.time_zone)
    by_jar, by_way, by_month = (list(flour_ledger(jars, by, prices, zone)) for by in (By.JAR, By.WAY, By.MONTH))
    return FlourTold(whole(jars, prices), by_jar, by_way, by_month, {one.jar: one.name for one in jars})


@dataclass(frozen=True)
class Shelved:
    """A kind of flour with the bags of it on the shelf."""

    stock: Stock
    bags: list[ShelfFlour]


@dataclass(frozen=True)
class StockTold:
    """The flour on the shelf, as far as the plans are followed, and the names of the jars by their ids."""

    kinds: list[Shelved]
    until: datetime


def stock_now(account: Account, now: datetime) -> StockTold:
    until = now + FOLLOWED
    shelf = flours_of(account)
    bags = [Bag(str(one.id), one.flour, one.g, one.weighed_at or now) for one in shelf]
    eaters = [_eater(card, log, flows, now, until) for card, log, flows in _flows(account, now)]
    kinds = [
        Shelved(kind, [one for bag in kind.bags for one in shelf if str(one.id) == bag.id])
        for kind in stock(bags, eaters)
    ]
    return StockTold(kinds, until)


def _eater(card: JarCard, log: Log, flows: JarFlows, now: datetime, until: datetime) -> Eater:
    """Nothing is planned of a jar that is put away, or that cannot be told."""
    fed = tuple(Meal(one.at, one.what.flours) for one in flows.flows.came if one.came is Came.FED)
    eater = Eater(flows.jar, flows.name, fed, ())
    if not card.on_shelf:
        return eater
    try:
        jar = told_now(card, log, now)
        return replace(eater, planned=fed_until(card.setup, jar, now, until), blends=jar.assessment.stands.blends)
    except Refusal:
        return eater


def nudges_of(account: Account, now: datetime) -> tuple[Nudge, ...]:
    """When the baker is to be reminded of the discard jars."""
    return nudges(discard_now(account, now).jars, hours_of(account))


def state_of_discard(account: Account) -> tuple[UUID, ...]:
    """What tells whether anything was done with the discard jars."""
    rows = DiscardNote.objects.filter(kitchen__owner=account).order_by("id")
    return tuple(rows.values_list("id", flat=True))


def _flows(account: Account, now: datetime) -> list[tuple[JarCard, Log, JarFlows]]:
    """Every jar of the account's own kitchen that can be read, in the order of their making."""
    kitchen = own_kitchen(account)
    cards = [one for one in all_jars(account, now) if one.kitchen_id == kitchen and isinstance(one, JarCard)]
    logs = logs_of(cards)
    found = []
    for card in cards:
        log = logs[card.id]
        if isinstance(log, tuple):
            # One that cannot be told at all says so on its own page.
            with suppress(Refusal):
                found.append((card, log, jar_flows(str(card.id), card.name, card.setup, log)))
    return found


def _giver(card: JarCard, log: Log, flows: JarFlows, now: datetime) -> Giver:
    """With when it was found spoiled, asked only of jars that gave something."""
    if not any(out.went is Went.DISCARD_JAR for out in flows.flows.went):
        return Giver(flows)
    try:
        found = told_now(card, log, now).assessment.findings
    except Refusal:
        # It cannot be told at all; its own page says why.
        return Giver(flows)
    return Giver(flows, min((one.seen_at for one in found if one.urgency is Urgency.DANGER), default=None))


def _notes(account: Account) -> list[Noted]:
    rows = DiscardNote.objects.filter(kitchen__owner=account).order_by("at", "id")
    return [Noted(_entry(row), row.made_for) for row in rows]


def _entry(row: DiscardNote) -> DiscardEntry:
    known = set(Top)
    top = frozenset(Top(one) for one in row.top if one in known)
    return DiscardEntry(str(row.id), row.at, Shelf(row.shelf), DiscardAct(row.act), row.g, top, row.ml)
