"""The flours on the baker's shelf."""

from __future__ import annotations

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from accounts.services import Account
from ferment.kitchen.flours import Flour
from ferment.refusal import within
from problems.stored import Body, Step, UnreadableError, in_form_of_today, marked

from .models import Kitchen
from .services import kitchen_of

log = logging.getLogger("despertar.kitchen")


@dataclass(frozen=True)
class ShelfFlour:
    """A flour that the baker has: its kind, what they call it, and what a kilo of it costs, where they said."""

    flour: Flour
    name: str
    price_per_kg: float | None = None


def flours_of(account: Account) -> list[ShelfFlour]:
    """The baker's shelf; a flour that today's code has no name for is left out."""
    kitchen = Kitchen.objects.filter(owner=account).first()
    if kitchen is None:
        return []
    # Form 0 was the bare list.
    stored = kitchen.flours if isinstance(kitchen.flours, dict) else {"shelf": kitchen.flours, "form": 1}
    try:
        shelf: Any = in_form_of_today(stored, FLOURS_STEPS, "flours")["shelf"]
        known = set(Flour)
        return [
            ShelfFlour(Flour(one["flour"]), one["name"][:MOST_NAME], one.get("price_per_kg"))
            for one in shelf
            if one["flour"] in known
        ]
    except (UnreadableError, KeyError, TypeError) as error:
        log.error("the flours of kitchen %s cannot be read: %r", kitchen.id, error)
        return []


def set_flours(account: Account, flours: Sequence[ShelfFlour]) -> list[ShelfFlour]:
    """The baker's shelf anew, one flour of a kind: of two the later one. Raises Refusal for a price that none costs."""
    for number, one in enumerate(flours):
        if one.price_per_kg is not None:
            within(one.price_per_kg, 0.0, MOST_PRICE, f"flours.{number}.price_per_kg")
    shelf = {one.flour: one for one in flours}
    kitchen_of(account)
    told = {
        "shelf": [
            {"flour": flour.value, "name": one.name, "price_per_kg": one.price_per_kg} for flour, one in shelf.items()
        ]
    }
    Kitchen.objects.filter(owner=account).update(flours=marked(told, FLOURS_STEPS))
    return flours_of(account)


def prices_of(account: Account) -> dict[Flour, float]:
    """What a kilo costs, of the flours of which the baker said so."""
    return {one.flour: one.price_per_kg for one in flours_of(account) if one.price_per_kg is not None}


def _as_it_is(body: Body) -> Body:
    """Form 0 differs from form 1 only by not saying so."""
    return body


FLOURS_STEPS: tuple[Step, ...] = (_as_it_is,)
MOST_NAME = 60
MOST_PRICE = 1_000.0
