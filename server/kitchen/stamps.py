"""What tells, without reading a jar, whether anything that is told of it has changed."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.db.models import F, Q, QuerySet

from accounts.services import Account

from .models import Jar, Kitchen


@dataclass(frozen=True)
class JarLabel:
    """What stands on a jar, whether or not the rest of it can be read."""

    id: UUID
    kitchen_id: UUID
    name: str
    on_shelf: bool
    owner: str
    revision: int


@dataclass(frozen=True)
class JarStamp(JarLabel):
    """What a jar stands on as it is now, without reading it: equal `by`, equal jar, but for what thermometers read."""

    by: tuple[object, ...]


def stamps(account: Account, *, only: UUID | None = None) -> list[JarStamp]:
    """The stamp of every jar within reach, in the order of their making, or of one alone; in one query."""
    rows = Jar.objects.filter(kitchen_id__in=reach_of(account)).order_by("made_at", "id")
    told = (rows.filter(id=only) if only else rows).values_list(*_LABEL, *_BESIDE)
    return [
        JarStamp(one, kitchen, name, away is None, owner, revision, (revision, str(beside), account.time_zone))
        for one, kitchen, name, away, owner, revision, *beside in told
    ]


_LABEL = ("id", "kitchen_id", "name", "put_away_at", "kitchen__owner__name", "revision")
_BESIDE = ("mother_id", "kitchen__hours", "kitchen__owner__time_zone", "kitchen__owner__earlier_zones")


def written_anew(jar_ids: Iterable[UUID]) -> None:
    """Something of these jars was written: what is kept of them holds no more."""
    Jar.objects.filter(id__in=list(jar_ids)).update(revision=F("revision") + 1)


def reach_of(account: Account) -> QuerySet[Kitchen, Any]:
    """The same as a query to be asked within another."""
    return Kitchen.objects.filter(Q(owner=account) | Q(hands__account=account)).values("id")
