"""Set up a thermometer, take what it posts, and tell how warm its place was, hour by hour."""

from __future__ import annotations

import hashlib
import secrets
from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from functools import lru_cache
from statistics import mean, median
from uuid import UUID, uuid4

from django.db import transaction
from django.db.models import F, Max, Q

from accounts.services import Account
from ferment.kitchen.warmth import Degrees
from ferment.refusal import within
from problems import Problem, ServerProblem, not_found

from .models import Hour, Reading, Thermometer

# What a kitchen, a fridge or a proofing box can be; beyond it the device is broken.
LEAST_C, MOST_C = -10.0, 60.0
# A reading this far from the others around it is a wild one: a hand on the probe, a draught, a fault.
WILD_C = 6.0
AROUND = timedelta(minutes=45)
# A jar's forecast looks no further back; what was read word for word is kept for a week, then its hours stand.
REMEMBERED = timedelta(days=30)
KEPT_RAW = timedelta(days=7)
HOUR, HALF_AN_HOUR = timedelta(hours=1), timedelta(minutes=30)
MOST_AT_ONCE = 500
CLOCK_SLACK = timedelta(minutes=5)


@dataclass(frozen=True)
class Station:
    """A thermometer as its owner sees it: its place, and the last it said."""

    id: UUID
    place: str
    last_at: datetime | None
    last_c: float | None


@dataclass(frozen=True)
class NewStation:
    """A thermometer just set up. The token is told this once."""

    station: Station
    token: str


def set_up(account: Account, place: str, token: str | None = None) -> NewStation:
    """A thermometer for a place. Its token is made here, unless the launcher brings one for the demo."""
    token = token or secrets.token_urlsafe(32)
    row = Thermometer.objects.create(id=uuid4(), owner=account, place=place, token_hash=token_hash(token))
    return NewStation(Station(row.id, row.place, None, None), token)


def withdraw(account: Account, station_id: UUID, now: datetime) -> None:
    """From now on its token opens nothing; what it wrote stays."""
    if not Thermometer.objects.filter(owner=account, id=station_id, withdrawn_at=None).update(withdrawn_at=now):
        raise not_found()


def stations_of(account: Account) -> list[Station]:
    rows = list(
        Thermometer.objects.filter(owner=account, withdrawn_at=None)
        .annotate(last_at=Max("readings__at"))
        .order_by("made_at", "id")
    )
    wanted = Q(pk__in=[])
    for row in rows:
        wanted |= Q(thermometer=row, at=row.last_at)
    last = {one.thermometer_id: one.celsius for one in Reading.objects.filter(wanted)}
    return [Station(row.id, row.place, row.last_at, last.get(row.id)) for row in rows]


def with_token(account: Account, token: str) -> UUID | None:
    """The account's thermometer that posts with this token."""
    row = Thermometer.objects.filter(owner=account, token_hash=token_hash(token), withdrawn_at=None).first()
    return row.id if row else None


def owns(account: Account, station_id: UUID) -> bool:
    return Thermometer.objects.filter(owner=account, id=station_id, withdrawn_at=None).exists()


def give(account: Account, to: Account, station_ids: Iterable[UUID]) -> None:
    """These of the account's thermometers are another's from now on."""
    Thermometer.objects.filter(owner=account, id__in=list(station_ids)).update(owner=to)


def owners_of(station_ids: Iterable[UUID]) -> dict[UUID, int]:
    """By thermometer, the key of the account that owns it."""
    return dict(Thermometer.objects.filter(id__in=list(station_ids)).values_list("id", "owner_id"))


def take(token: str, readings: Sequence[tuple[datetime, float]], now: datetime) -> int:
    """Write down what a thermometer posts; sent twice it is written once. Raises Problem for a token that opens
    nothing, Refusal for degrees that no kitchen has or a time to come. Answers how many were new."""
    row = Thermometer.objects.filter(token_hash=token_hash(token), withdrawn_at=None).first()
    if row is None:
        raise Problem(ServerProblem.SIGN_IN_FIRST, "token", status=401)
    for at, celsius in readings:
        within(celsius, LEAST_C, MOST_C, "celsius")
        if at > now + CLOCK_SLACK:
            raise Problem(ServerProblem.NOT_A_TIME, "at")
    known = set(Reading.objects.filter(thermometer=row, at__in=[at for at, _ in readings]).values_list("at", flat=True))
    new = {at: celsius for at, celsius in readings if at not in known and at > now - REMEMBERED}
    with transaction.atomic():
        Reading.objects.bulk_create(
            [Reading(thermometer=row, at=at, celsius=celsius) for at, celsius in new.items()], ignore_conflicts=True
        )
        _close_hours(row.id, new, now)
    return len(new)


def _close_hours(station: UUID, new: Iterable[datetime], now: datetime) -> None:
    """Put down the mean of each hour that is over: of those that got readings, and of those that were never put down.

    Whenever an hour is closed, readings older than a week go; their hours stand.
    """
    this_hour = _hour(now)
    last = Hour.objects.filter(thermometer_id=station).aggregate(last=Max("at"))["last"]
    open_since = last + HOUR if last else now - REMEMBERED
    waiting = Reading.objects.filter(thermometer_id=station, at__gte=open_since, at__lt=this_hour).values_list("at")
    hours = {_hour(at) for at in new} | ({_hour(at) for (at,) in waiting} if this_hour > open_since else set())
    closed = sorted(hour for hour in hours if hour < this_hour)
    if not closed:
        return
    around = Reading.objects.filter(
        thermometer_id=station, at__gt=closed[0] - AROUND, at__lt=closed[-1] + HOUR + AROUND
    )
    tamed = tame([Degrees(at, celsius) for at, celsius in around.order_by("at").values_list("at", "celsius")])
    by_hour: dict[datetime, list[float]] = defaultdict(list)
    for one in tamed:
        by_hour[_hour(one.at)].append(one.celsius)
    rows = [
        Hour(thermometer_id=station, at=hour, celsius=round(mean(by_hour[hour]), 2))
        for hour in closed
        if hour in by_hour
    ]
    Hour.objects.bulk_create(rows, update_conflicts=True, update_fields=["celsius"])
    Thermometer.objects.filter(id=station).update(revision=F("revision") + 1)
    Reading.objects.filter(thermometer_id=station, at__lt=now - KEPT_RAW).delete()


def _hour(at: datetime) -> datetime:
    return at.astimezone(UTC).replace(minute=0, second=0, microsecond=0)


def revisions_of(station_ids: Iterable[UUID]) -> dict[UUID, int]:
    """How often an hour of each thermometer was put down so far: equal revisions, equal hours."""
    return dict(Thermometer.objects.filter(id__in=list(station_ids)).values_list("id", "revision"))


def warmth_of(station_ids: Iterable[UUID], now: datetime) -> dict[UUID, tuple[Degrees, ...]]:
    """By thermometer, the mean of each whole hour without its wild readings, of the last month.

    The hour that runs is left out, so that a forecast does not move with every post. One query where nothing was put
    down since it was asked last.
    """
    known = revisions_of(station_ids)
    warmth = {station: _hours_of(station, revision, _hour(now)) for station, revision in known.items()}
    return {station: degrees for station, degrees in warmth.items() if degrees}


@lru_cache(maxsize=256)
def _hours_of(station: UUID, _revision: int, before: datetime) -> tuple[Degrees, ...]:
    hours = Hour.objects.filter(thermometer_id=station, at__gt=before - REMEMBERED, at__lt=before).order_by("at")
    return tuple(Degrees(at + HALF_AN_HOUR, celsius) for at, celsius in hours.values_list("at", "celsius"))


def tame(readings: Sequence[Degrees]) -> list[Degrees]:
    """Without those far from the median of what was read around them; a lasting change stays."""
    kept = []
    for index, one in enumerate(readings):
        near = [other.celsius for other in readings[max(0, index - 4) : index + 5] if abs(other.at - one.at) <= AROUND]
        if len(near) < 3 or abs(one.celsius - median(near)) <= WILD_C:
            kept.append(one)
    return kept


def token_hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
