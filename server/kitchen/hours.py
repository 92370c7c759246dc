"""The baker's hours as they are stored: each set of bands from its moment on, in the time zone of then."""

from __future__ import annotations

import logging
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime, timedelta
from typing import Any

from accounts.services import Account, zones_of
from ferment.kitchen.hours import Band, Hours, waking_hours
from ferment.planner.altering import LaterHours
from problems.stored import Body, Step, UnreadableError, in_form_of_today

log = logging.getLogger("despertar.kitchen")

Told = dict[str, Any]
MOST_TOLD = 40
# Hours told again so soon are a correction of what was told.
CORRECTED = timedelta(minutes=10)
BEGINNING = datetime.min.replace(tzinfo=UTC)


def _as_it_is(body: Body) -> Body:
    """Form 0 differs from form 1 only by not saying so."""
    return body


def with_since(body: Body) -> Body:
    """Form 1 held for all time."""
    return {"told": [{"since": None, **body}]}


HOURS_STEPS: tuple[Step, ...] = (_as_it_is, with_since)


def bands_told(stored: Mapping[str, object] | None) -> list[Told]:
    """Every set of bands in its order; none where none were told, or none that can be read."""
    if stored is None:
        return []
    try:
        told = in_form_of_today(stored, HOURS_STEPS, "hours")["told"]
        rows: list[Told] = list(told) if isinstance(told, list) else []
        for row in rows:
            _bands(row)
            _since(row)
    except (UnreadableError, KeyError, TypeError, ValueError) as error:
        log.error("the hours of a kitchen cannot be read: %r", error)
        return []
    return rows


def with_hours(told: Sequence[Told], bands: Told, now: datetime) -> list[Told]:
    """The same with other bands from now on."""
    rows = list(told) or [{"since": None, "weekday": None, "weekend": None}]
    last = _since(rows[-1])
    if last is not None and now - last < CORRECTED:
        return [*rows[:-1], {**rows[-1], **bands}]
    rows.append({"since": now.isoformat(), **bands})
    first, *later = rows[-MOST_TOLD:]
    return [{**first, "since": None}, *later]


def hours_told(stored: Mapping[str, object] | None, account: Account) -> tuple[LaterHours, ...]:
    """All hours in their order, of the bands and the zone that held then; the moment of the first means nothing."""
    told = bands_told(stored) or [{"since": None, "weekday": None, "weekend": None}]
    zones = zones_of(account)
    moments = sorted({since for since in (*map(_since, told), *(since for since, _ in zones)) if since is not None})
    found = []
    for at in (None, *moments):
        row = next(one for one in reversed(told) if _holds(_since(one), at))
        zone = next(zone for since, zone in reversed(zones) if _holds(since, at))
        bands = _bands(row)
        found.append(LaterHours(at or BEGINNING, Hours(zone, *bands) if bands else waking_hours(zone)))
    return tuple(found)


def _holds(since: datetime | None, at: datetime | None) -> bool:
    return since is None or (at is not None and since <= at)


def _since(row: Told) -> datetime | None:
    return datetime.fromisoformat(row["since"]) if row["since"] else None


def _bands(row: Told) -> tuple[tuple[Band, ...], tuple[Band, ...]] | None:
    """None for a baker who had told none: awake."""
    if row["weekday"] is None:
        return None
    weekday, weekend = (tuple(Band(start, end) for start, end in row[day]) for day in ("weekday", "weekend"))
    return weekday, weekend
