"""A kitchen's own rows for a parcel, and such rows put down again."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any
from uuid import UUID

from accounts.services import Account
from ferment.refusal import Refusal
from ferment.setups import course_of
from problems.stored import UnreadableError

from .cards import card_from_row
from .hours import bands_told
from .models import Jar, Kitchen
from .services import kitchen_of
from .shelf import flours_of, set_flours, shelf_flour

Row = Mapping[str, Any]
# What of a jar goes as it stands in its row.
COLUMNS = (
    "name",
    "family",
    "method",
    "choices",
    "tare_g",
    "volume_ml",
    "height_mm",
    "flare",
    "scale_step",
    "size",
    "warmth_c",
    "night_c",
    "ready_after",
    "taught",
    "starts_at",
    "came_by",
    "put_away_at",
    "made_at",
)


def hours_row(account: Account) -> object:
    """The hours as they are stored; None where none were told."""
    return Kitchen.objects.filter(owner=account).values_list("hours", flat=True).first()


def jar_rows(account: Account, only: UUID | None = None) -> list[dict[str, Any]]:
    """The jars of the account's own kitchen, mothers before daughters as they were made."""
    jars = Jar.objects.filter(kitchen__owner=account).order_by("made_at", "id")
    rows = jars.filter(id=only) if only else jars
    return [
        {
            "id": str(jar.id),
            **{name: getattr(jar, name) for name in COLUMNS},
            "thermometer": str(jar.thermometer) if jar.thermometer else None,
            "mother": str(jar.mother_id) if jar.mother_id else None,
        }
        for jar in rows
    ]


def flour_rows(account: Account) -> list[dict[str, Any]]:
    return [
        {
            "id": str(one.id),
            "flour": one.flour.value,
            "name": one.name,
            "price_per_kg": one.price_per_kg,
            "g": one.g,
            "weighed_at": one.weighed_at,
        }
        for one in flours_of(account)
    ]


def jars_elsewhere(account: Account, ids: Iterable[UUID]) -> bool:
    """Whether any of these jars stands in another kitchen."""
    return Jar.objects.filter(id__in=list(ids)).exclude(kitchen__owner=account).exists()


def own_ids(account: Account) -> set[UUID]:
    return set(Jar.objects.filter(kitchen__owner=account).values_list("id", flat=True))


def put_jars(account: Account, rows: Sequence[Row]) -> list[UUID]:
    """Put down the jars that are not there yet. Answers which; raises UnreadableError with the place of a row that no
    jar of today could be read from."""
    kitchen, there = kitchen_of(account), own_ids(account)
    made: list[UUID] = []
    for number, row in enumerate(rows, start=1):
        jar_id = UUID(row["id"])
        if jar_id in there:
            continue
        jar = Jar(id=jar_id, kitchen_id=kitchen, **{name: row[name] for name in COLUMNS if name != "made_at"})
        jar.thermometer = UUID(row["thermometer"]) if row["thermometer"] else None
        mother = UUID(row["mother"]) if row["mother"] else None
        jar.mother_id = mother if mother in there else None
        _check(jar, number, account)
        jar.save(force_insert=True)
        # The order of their making is the order on the shelf.
        Jar.objects.filter(id=jar_id).update(made_at=row["made_at"])
        there.add(jar_id)
        made.append(jar_id)
    return made


def _check(jar: Jar, number: int, account: Account) -> None:
    try:
        jar.kitchen = Kitchen.objects.select_related("owner").get(owner=account)
        course_of(card_from_row(jar).setup)
    except UnreadableError as error:
        raise UnreadableError(error.code, f"jars.{number}.{error.field}", error.facts) from error
    except Refusal as error:
        raise UnreadableError(error.code, f"jars.{number}.{error.field}", error.facts) from error
    except (KeyError, TypeError, ValueError, AttributeError) as error:
        raise UnreadableError("not_accepted", f"jars.{number}") from error


def put_hours(account: Account, hours: object) -> bool:
    """Take the hours over where the baker has told none here."""
    kitchen = kitchen_of(account)
    if not isinstance(hours, dict) or not bands_told(hours):
        return False
    return bool(Kitchen.objects.filter(id=kitchen, hours__isnull=True).update(hours=hours))


def put_flours(account: Account, rows: Sequence[Row]) -> int:
    """Put the flours on the shelf that are not there yet. Raises Refusal for one that there cannot be."""
    there = flours_of(account)
    known = {one.id for one in there}
    new = [one for row in rows if (one := shelf_flour(row)).id not in known]
    if new:
        set_flours(account, [*there, *new])
    return len(new)
