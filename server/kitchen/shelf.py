"""The flours on the baker's shelf."""

from __future__ import annotations

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from accounts.services import Account
from ferment.kitchen.flours import Flour
from ferment.refusal import within
from problems.stored import Body, Step, UnreadableError, in_form_of_today, marked

from .models import Kitchen
from .services import kitchen_of

log = logging.getLogger("despertar.kitchen")


@dataclass(frozen=True)
class ShelfFlour:
    """A flour that the baker has: its kind, what they call it, what a kilo of it costs, and how much of it there was
    (g) when it was last weighed, where they said."""

    id: UUID
    flour: Flour
    name: str
    price_per_kg: float | None = None
    g: float | None = None
    weighed_at: datetime | None = None


def flours_of(account: Account) -> list[ShelfFlour]:
    """The baker's shelf; a flour that today's code has no name for is left out."""
    kitchen = Kitchen.objects.filter(owner=account).first()
    if kitchen is None:
        return []
    # Form 0 was the bare list.
    stored = kitchen.flours if isinstance(kitchen.flours, dict) else {"shelf": kitchen.flours, "form": 1}
    try:
        shelf: Any = in_form_of_today(stored, FLOURS_STEPS, "flours")["shelf"]
        return [_from_stored(one) for one in shelf if one["flour"] in set(Flour)]
    except (UnreadableError, KeyError, TypeError, ValueError) as error:
        log.error("the flours of kitchen %s cannot be read: %r", kitchen.id, error)
        return []


def set_flours(account: Account, flours: Sequence[ShelfFlour]) -> list[ShelfFlour]:
    """The baker's shelf anew, a flour once by its id: of two the later one. Raises Refusal for a price or a weight that
    no bag has."""
    for number, one in enumerate(flours):
        if one.price_per_kg is not None:
            within(one.price_per_kg, 0.0, MOST_PRICE, f"flours.{number}.price_per_kg")
        if one.g is not None:
            within(one.g, 0.0, MOST_BAG_G, f"flours.{number}.g")
    shelf = {one.id: one for one in flours}
    kitchen_of(account)
    told = {"shelf": [_to_stored(one) for one in shelf.values()]}
    Kitchen.objects.filter(owner=account).update(flours=marked(told, FLOURS_STEPS))
    return flours_of(account)


def prices_of(account: Account) -> dict[Flour, float]:
    """What a kilo costs, of the kinds of which the baker said so: the middle of those of one kind."""
    priced: dict[Flour, list[float]] = {}
    for one in flours_of(account):
        if one.price_per_kg is not None:
            priced.setdefault(one.flour, []).append(one.price_per_kg)
    return {flour: sum(prices) / len(prices) for flour, prices in priced.items()}


def _to_stored(one: ShelfFlour) -> dict[str, object]:
    return {
        "id": str(one.id),
        "flour": one.flour.value,
        "name": one.name,
        "price_per_kg": one.price_per_kg,
        "g": one.g,
        "weighed_at": one.weighed_at.isoformat() if one.weighed_at else None,
    }


def _from_stored(one: Any) -> ShelfFlour:
    weighed = one["weighed_at"]
    return shelf_flour({**one, "weighed_at": datetime.fromisoformat(weighed) if weighed else None})


def shelf_flour(one: Any) -> ShelfFlour:
    """A flour of its plain values. Raises ValueError for a kind that there is not, KeyError for a part missing."""
    return ShelfFlour(
        UUID(one["id"]),
        Flour(one["flour"]),
        one["name"][:MOST_NAME],
        one["price_per_kg"],
        one["g"],
        one["weighed_at"],
    )


def _as_it_is(body: Body) -> Body:
    """Form 0 differs from form 1 only by not saying so."""
    return body


# Any one: the same flour of an old shelf has the same id whenever it is read.
OLD_SHELF = UUID("5f0d6a0e-3c55-4f6f-9d0c-6d1f3f6c2b11")


def _each_with_a_bag(body: Body) -> Body:
    """Before form 2 there was one flour of a kind, and nobody weighed it."""
    old: Any = body["shelf"]
    blank = {"price_per_kg": None, "g": None, "weighed_at": None}
    return {"shelf": [{"id": str(uuid5(OLD_SHELF, one["flour"])), **blank, **one} for one in old]}


FLOURS_STEPS: tuple[Step, ...] = (_as_it_is, _each_with_a_bag)
MOST_NAME = 60
MOST_PRICE = 1_000.0
MOST_BAG_G = 50_000.0
