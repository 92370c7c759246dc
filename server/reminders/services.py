"""Send what is due to the postbox, and show what was sent and what will be."""

from __future__ import annotations

import hashlib
import logging
from dataclasses import dataclass
from datetime import datetime, timedelta
from functools import partial
from typing import ClassVar
from uuid import UUID, uuid4

from django.db import OperationalError
from django.db.models import Q

from accounts.services import Account, accounts_to_remind
from ferment.doors.discard import DiscardSign, Nudge, Shelf
from ferment.doors.reminding import Reminder, reminders
from ferment.kitchen.hours import Hours, fit
from ferment.planner import Act
from guidance.services import Assessed, kitchen_now
from kitchen.services import hours_of, jars_in_reach, kitchens_of, state_of
from logbook.services import changes_of, undone_in
from pantry.services import nudges_of, state_of_discard
from problems.taken_back import repeated
from watching.noticing import Noticed, notices_of
from watching.terms import Moment

from .models import DiscardMessage, Message, Watch

log = logging.getLogger("despertar.reminders")
MOST_SHOWN = 40
# A reminder this long overdue when it could first be sent is no news any more.
STALE = timedelta(hours=36)


@dataclass(frozen=True)
class Posted:
    """A reminder in the postbox, or one that will be (`sent_at` to come)."""

    about: ClassVar[str] = "jar"
    jar_id: UUID
    jar: str
    act: Act
    due: datetime
    sent_at: datetime
    late_h: float
    harmless: bool


@dataclass(frozen=True)
class Nudged:
    """The same of a discard jar that is old or full."""

    about: ClassVar[str] = "discard"
    shelf: Shelf
    sign: DiscardSign
    due: datetime
    sent_at: datetime


@dataclass(frozen=True)
class Watched:
    """What a camera saw of a jar, told as it happened."""

    about: ClassVar[str] = "watched"
    jar_id: UUID
    jar: str
    what: Moment
    times: float
    due: datetime
    sent_at: datetime


@dataclass(frozen=True)
class Postbox:
    """What was sent and what will be; nothing will, where the baker does not want to be reminded."""

    wanted: bool
    sent: list[Posted | Nudged | Watched]
    to_come: list[Posted | Nudged | Watched]


# Several workers may run: each takes so many at a time, and none what another took within a round.
SHARE = 50
ROUND = timedelta(seconds=45)


def remind_all(now: datetime) -> int:
    """Everybody's due reminders go out, whatever goes wrong with somebody else's. Answers how many did.

    Any number of workers may do this at once, on any machines: rows of the database are their queue. One that dies
    leaves what it had taken to the next round, and an act is written once to each (`Message`), whoever writes it.
    """
    worker, sent = uuid4(), 0
    to_remind = {account.pk: account for account in accounts_to_remind()}
    known = set(Watch.objects.values_list("account_id", flat=True))
    fresh = [Watch(account_id=key, next_at=now) for key in to_remind if key not in known]
    repeated(lambda: Watch.objects.bulk_create(fresh, ignore_conflicts=True))
    while mine := repeated(lambda: _take(list(to_remind), worker, now)):
        for watch in mine:
            account = to_remind[watch.account_id]
            try:
                sent += repeated(partial(_look_at, account, watch, now))
            except OperationalError:
                raise
            except Exception:
                log.exception("account %s could not be reminded", account.pk)
    return sent


def _take(keys: list[int], worker: UUID, now: datetime) -> list[Watch]:
    """The next few that nobody has looked at in this round, for this worker alone. A clock that was put back keeps
    nobody waiting."""
    free = Q(taken_at__lte=now - ROUND) | Q(taken_at__gt=now + ROUND)
    some = list(
        Watch.objects.filter(free, account_id__in=keys).order_by("taken_at").values_list("pk", flat=True)[:SHARE]
    )
    # Asked again by the database as it writes: of two workers one has each.
    if some:
        Watch.objects.filter(free, pk__in=some).update(taken_at=now, taken_by=worker)
    return list(Watch.objects.filter(pk__in=some, taken_by=worker))


def _look_at(account: Account, watch: Watch, now: datetime) -> int:
    """What is due goes out, if it is time, or if anything has changed since. Answers how many went."""
    state = _state(account)
    if watch.state == state and watch.next_at > now:
        return 0
    count, watch.next_at = remind(account, now)
    watch.state = state
    watch.save(update_fields=["next_at", "state"])
    return count


def remind(account: Account, now: datetime) -> tuple[int, datetime]:
    """One account's due reminders go to its postbox: one an act, none for what is done. Answers how many did, and when
    there may be anything to send again, if nothing changes before."""
    due, told = _due_or_to_come(account, now), nudges_of(account, now)
    sent = _send(account, due, now) + _send_nudges(account, told, now)
    return sent, min((_next_at(due, now), *(one.at for one in told if one.at > now)))


# A thermometer may hurry a jar, and a forecast may move: no jar is left unlooked at for longer.
LOOKED_AT_LEAST = timedelta(hours=1)


def _next_at(due: list[tuple[Assessed, tuple[Reminder, ...]]], now: datetime) -> datetime:
    to_come = (one.at for _, told in due for one in told if one.at > now)
    return min((now + LOOKED_AT_LEAST, *to_come))


def _state(account: Account) -> str:
    """What tells whether anything has changed that moves a reminder: jars, hours, and what was written in the logs."""
    logs = sorted(changes_of(jars_in_reach(account)).items())
    return hashlib.sha256(repr((state_of(account), logs, state_of_discard(account))).encode()).hexdigest()


def _send(account: Account, due: list[tuple[Assessed, tuple[Reminder, ...]]], now: datetime) -> int:
    undone = undone_in([jar.card.id for jar, _ in due])
    before = Message.objects.filter(account=account).count()
    Message.objects.bulk_create(
        (
            Message(
                account=account,
                jar_id=jar.card.id,
                name=one.name,
                undone=undone[jar.card.id],
                act=one.act,
                due=one.due,
                sent_at=now,
                late_h=one.late_h,
                harmless=one.harmless,
            )
            for jar, told in due
            for one in told
            if one.at <= now < one.due + STALE
        ),
        ignore_conflicts=True,
    )
    return Message.objects.filter(account=account).count() - before


def _send_nudges(account: Account, told: tuple[Nudge, ...], now: datetime) -> int:
    before = DiscardMessage.objects.filter(account=account).count()
    DiscardMessage.objects.bulk_create(
        (
            DiscardMessage(account=account, shelf=one.shelf, name=one.name, sign=one.sign, due=one.due, sent_at=now)
            for one in told
            if one.at <= now < one.due + STALE
        ),
        ignore_conflicts=True,
    )
    return DiscardMessage.objects.filter(account=account).count() - before


def postbox_of(account: Account, now: datetime) -> Postbox:
    """What was sent, the latest first, and what would be sent when, by the plan as it stands. Looking changes nothing.

    Of a jar that is out of reach by now nothing is shown.
    """
    sent, to_come = _of_jars(account, now)
    nudged, nudges_to_come = _of_discard(account, now)
    watched = [_watched(one, hours_of(account)) for one in notices_of(jars_in_reach(account), MOST_SHOWN)]
    latest: list[Posted | Nudged | Watched] = sorted(
        [*sent, *nudged, *(one for one in watched if one.sent_at <= now)], key=_sent_at, reverse=True
    )
    soonest: list[Posted | Nudged | Watched] = sorted(
        [*to_come, *nudges_to_come, *(one for one in watched if one.sent_at > now)], key=_sent_at
    )
    return Postbox(account.wants_reminders, latest[:MOST_SHOWN], soonest[:MOST_SHOWN])


def _watched(one: Noticed, hours: Hours) -> Watched:
    """At night nobody is told: it waits for the morning."""
    at = fit(hours, one.told_at, one.told_at, one.told_at + timedelta(days=1)).at
    return Watched(one.jar_id, one.jar, one.what, one.times, one.at, at)


def _sent_at(letter: Posted | Nudged | Watched) -> datetime:
    return letter.sent_at


def _of_jars(account: Account, now: datetime) -> tuple[list[Posted], list[Posted]]:
    mine = Message.objects.filter(account=account, jar__kitchen_id__in=kitchens_of(account))
    sent = mine.select_related("jar").order_by("-sent_at", "-id")[:MOST_SHOWN]
    due = _due_or_to_come(account, now) if account.wants_reminders else []
    undone = undone_in([jar.card.id for jar, _ in due])
    done = set(mine.values_list("jar_id", "name", "undone"))
    to_come = [
        Posted(jar.card.id, jar.card.name, one.act, one.due, one.at, one.late_h, one.harmless)
        for jar, told in due
        for one in told
        if (jar.card.id, one.name, undone[jar.card.id]) not in done and one.at > now
    ]
    return [
        Posted(one.jar_id, one.jar.name, Act(one.act), one.due, one.sent_at, one.late_h, one.harmless) for one in sent
    ], to_come


def _of_discard(account: Account, now: datetime) -> tuple[list[Nudged], list[Nudged]]:
    sent = DiscardMessage.objects.filter(account=account).order_by("-sent_at", "-id")[:MOST_SHOWN]
    told = nudges_of(account, now) if account.wants_reminders else ()
    return (
        [Nudged(Shelf(one.shelf), DiscardSign(one.sign), one.due, one.sent_at) for one in sent],
        [Nudged(one.shelf, one.sign, one.due, one.at) for one in told if one.at > now],
    )


def _due_or_to_come(account: Account, now: datetime) -> list[tuple[Assessed, tuple[Reminder, ...]]]:
    """What there is to remind of, in this account's own hours: another pair of hands keeps other hours."""
    hours = hours_of(account)
    return [
        (jar, reminders(jar.assessment.timeline, hours, now))
        for jar in kitchen_now(account, now).jars
        if jar.assessment.binned_at is None
    ]
