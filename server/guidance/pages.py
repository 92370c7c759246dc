"""The pages that are asked for most, as they are sent: worked out once a minute and jar in each process.

What is kept of a jar is found by its stamp, which one query reads for a whole kitchen. Neither the jar nor its log is
read again while nothing was written of it and the minute runs. A jar with a thermometer near it is read each time: an
hour that is closed there is no writing of the jar.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

import orjson
from pydantic import BaseModel

from accounts.services import Account, heard_by
from kitchen.stamps import JarLabel, JarStamp, stamps
from problems import not_found
from problems.latest import Latest

from . import services
from .wire.pages import JarLabelOut, glance_out, open_jar_out, whole_plan_out


@dataclass(frozen=True)
class Page:
    """What is sent of a jar, and until when."""

    body: bytes
    until: datetime


HEAVIEST_BYTES = 48_000_000
_pages: Latest[tuple[object, ...], Page] = Latest(HEAVIEST_BYTES, lambda page: len(page.body))


def kitchen_page(account: Account, now: datetime) -> bytes:
    """A `KitchenOut`."""
    everything = stamps(account)
    shelf = [stamp for stamp in everything if stamp.on_shelf]
    heard = heard_by(account)
    keys = {stamp.id: _key("glance", account, stamp, heard, now) for stamp in shelf}
    sent = {jar: body for jar, key in keys.items() if (body := _kept(key, now)) is not None}
    unread: Sequence[JarLabel] = ()
    if len(sent) < len(shelf):
        kitchen = services.kitchen_now(account, now, everything)
        unread = [one.label for one in kitchen.unread]
        for one in kitchen.jars:
            if one.card.id in keys and one.card.id not in sent:
                sent[one.card.id] = _keep(keys[one.card.id], glance_out(one), one.holds_until)
    return orjson.dumps(
        {
            "now": now,
            "time_zone": account.time_zone,
            "is_demo": account.is_demo,
            "jars": [orjson.Fragment(sent[stamp.id]) for stamp in shelf if stamp.id in sent],
            "unread": _labels(unread),
            "away": _labels(stamp for stamp in everything if not stamp.on_shelf),
        }
    )


def jar_page(account: Account, jar_id: UUID, now: datetime) -> bytes:
    """An `OpenJarOut`. Raises Problem: not found, or that it cannot be told (jar_unreadable)."""
    key = _key("jar", account, _stamp(account, jar_id), heard_by(account), now)
    body = _kept(key, now)
    if body is None:
        opened = services.jar_now(account, jar_id, now)
        body = _keep(key, open_jar_out(account, opened, now), opened.holds_until)
    return _headed(now, body)


def plan_page(account: Account, jar_id: UUID, now: datetime) -> bytes:
    """A `WholePlanOut`. Raises Problem for a jar out of reach, and for one that cannot be told."""
    key = _key("plan", account, _stamp(account, jar_id), frozenset(), now)
    body = _kept(key, now)
    if body is None:
        planned = services.planned_jar(account, jar_id, now)
        body = _keep(key, whole_plan_out(account, planned, now), planned.holds_until)
    return _headed(now, body)


def _stamp(account: Account, jar_id: UUID) -> JarStamp:
    found = stamps(account, only=jar_id)
    if not found:
        raise not_found()
    return found[0]


def _key(name: str, account: Account, stamp: JarStamp, heard: frozenset[str], now: datetime) -> tuple[object, ...]:
    return name, account.pk, stamp.id, stamp.by, heard, now.replace(second=0, microsecond=0)


def _kept(key: tuple[object, ...], now: datetime) -> bytes | None:
    page = _pages.get(key)
    return page.body if page is not None and now < page.until else None


def _keep(key: tuple[object, ...], told: BaseModel, until: datetime | None) -> bytes:
    """Everything but the moment of asking."""
    body = told.model_dump_json(exclude={"now"}).encode()
    if until is not None:
        _pages.set(key, Page(body, until))
    return body


def _headed(now: datetime, body: bytes) -> bytes:
    return orjson.dumps({"now": now})[:-1] + b"," + body[1:]


def _labels(labels: Iterable[JarLabel]) -> list[dict[str, object]]:
    return [JarLabelOut.model_validate(label).model_dump() for label in labels]
