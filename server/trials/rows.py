"""Trials as rows of a parcel, and such rows put down again."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any
from uuid import UUID

from accounts.services import Account
from kitchen.services import kitchen_of
from problems.stored import UnreadableError

from .models import Part, Trial
from .services import EndedAs

Row = Mapping[str, Any]


def trial_rows(account: Account) -> list[dict[str, Any]]:
    trials = Trial.objects.filter(kitchen__owner=account).prefetch_related("parts").order_by("begun_at", "id")
    return [
        {
            "id": str(trial.id),
            "name": trial.name,
            "begun_at": trial.begun_at,
            "ended_at": trial.ended_at,
            "jars": [
                {"jar": str(part.jar_id), "yeast": part.yeast, "ended_as": part.ended_as, "wrote": part.wrote}
                for part in sorted(trial.parts.all(), key=lambda part: part.number)
            ],
        }
        for trial in trials
    ]


def trials_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    return Trial.objects.filter(id__in=list(ids)).exclude(kitchen__owner=account).exists()


def put_trials(account: Account, own: set[UUID], rows: Sequence[Row]) -> int:
    """Put down the trials that are not there yet, over jars that are the account's `own`. Raises UnreadableError with
    the place of one that cannot be."""
    there = set(Trial.objects.filter(kitchen__owner=account).values_list("id", flat=True))
    new = 0
    for number, row in enumerate(rows, start=1):
        if UUID(row["id"]) in there:
            continue
        try:
            parts = [
                Part(
                    jar_id=UUID(one["jar"]),
                    number=place,
                    yeast=one.get("yeast") is True,
                    ended_as=None if one.get("ended_as") is None else EndedAs(one["ended_as"]).value,
                    wrote=[str(UUID(entry)) for entry in one.get("wrote") or ()],
                )
                for place, one in enumerate(row["jars"])
            ]
        except (AttributeError, KeyError, TypeError, ValueError) as error:
            raise UnreadableError("not_accepted", f"trials.{number}.jars") from error
        jars = [part.jar_id for part in parts]
        if len(jars) < 2 or len(set(jars)) < len(jars) or not set(jars) <= own:
            raise UnreadableError("not_accepted", f"trials.{number}.jars")
        made = Trial.objects.create(
            id=UUID(row["id"]),
            kitchen_id=kitchen_of(account),
            name=row["name"][:60],
            begun_at=row["begun_at"],
            ended_at=row["ended_at"],
            begun_by=account,
        )
        for part in parts:
            part.trial = made
        Part.objects.bulk_create(parts)
        new += 1
    return new
