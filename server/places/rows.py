"""Thermometers and what they wrote, as rows of a parcel, and such rows put down again."""

from __future__ import annotations

import secrets
from collections.abc import Iterable, Mapping, Sequence
from typing import Any
from uuid import UUID

from accounts.services import Account
from ferment.refusal import within

from .models import Hour, Reading, Thermometer
from .services import LEAST_C, MOST_C, token_hash

Row = Mapping[str, Any]
AT_ONCE = 1_000


def thermometer_rows(account: Account, only: Iterable[UUID] | None = None) -> list[dict[str, Any]]:
    rows = Thermometer.objects.filter(owner=account, withdrawn_at=None).order_by("made_at", "id")
    if only is not None:
        rows = rows.filter(id__in=list(only))
    return [{"id": str(row.id), "place": row.place} for row in rows]


def reading_rows(stations: Sequence[UUID]) -> list[dict[str, Any]]:
    """Word for word where it is kept so, and the means of whole hours."""
    found = []
    for model, whole in ((Hour, True), (Reading, False)):
        rows = model.objects.filter(thermometer_id__in=stations).order_by("at", "thermometer_id")
        found += [
            {"thermometer": str(station), "at": at, "celsius": celsius, "whole_hour": whole}
            for station, at, celsius in rows.values_list("thermometer_id", "at", "celsius")
        ]
    return found


def stations_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    return Thermometer.objects.filter(id__in=list(ids)).exclude(owner=account).exists()


def put_stations(account: Account, rows: Sequence[Row], readings: Sequence[Row]) -> int:
    """Put down the thermometers that are not there yet, each with a token that nobody knows, and what is new of their
    readings. Raises Refusal for degrees that no kitchen has. Answers how many readings were new."""
    wanted = [UUID(row["id"]) for row in rows]
    there = set(Thermometer.objects.filter(owner=account, id__in=wanted).values_list("id", flat=True))
    Thermometer.objects.bulk_create(
        Thermometer(
            id=station, owner=account, place=row["place"][:60], token_hash=token_hash(secrets.token_urlsafe(32))
        )
        for station, row in zip(wanted, rows, strict=True)
        if station not in there
    )
    own = [row for row in readings if UUID(row["thermometer"]) in set(wanted)]
    for number, row in enumerate(own, start=1):
        within(row["celsius"], LEAST_C, MOST_C, f"readings.{number}.celsius")
    before = _count(wanted)
    Hour.objects.bulk_create(
        (Hour(**_reading(row)) for row in own if row["whole_hour"]), ignore_conflicts=True, batch_size=AT_ONCE
    )
    Reading.objects.bulk_create(
        (Reading(**_reading(row)) for row in own if not row["whole_hour"]), ignore_conflicts=True, batch_size=AT_ONCE
    )
    return _count(wanted) - before


def _reading(row: Row) -> dict[str, Any]:
    return {"thermometer_id": UUID(row["thermometer"]), "at": row["at"], "celsius": row["celsius"]}


def _count(stations: Sequence[UUID]) -> int:
    return sum(model.objects.filter(thermometer_id__in=stations).count() for model in (Hour, Reading))
