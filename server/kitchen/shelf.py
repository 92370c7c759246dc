"""The flours on the baker's shelf."""

from __future__ import annotations

import logging
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from accounts.services import Account
from ferment.kitchen.flours import Flour
from problems.stored import Body, Step, UnreadableError, in_form_of_today, marked

from .models import Kitchen
from .services import kitchen_of

log = logging.getLogger("despertar.kitchen")


@dataclass(frozen=True)
class ShelfFlour:
    """A flour that the baker has: its kind, and what they call it."""

    flour: Flour
    name: str


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
        return [ShelfFlour(Flour(one["flour"]), one["name"][:MOST_NAME]) for one in shelf if one["flour"] in known]
    except (UnreadableError, KeyError, TypeError) as error:
        log.error("the flours of kitchen %s cannot be read: %r", kitchen.id, error)
        return []


def set_flours(account: Account, flours: Sequence[ShelfFlour]) -> list[ShelfFlour]:
    """The baker's shelf anew, one flour of a kind: of two the later one."""
    shelf = {one.flour: one.name for one in flours}
    kitchen_of(account)
    told = {"shelf": [{"flour": flour.value, "name": name} for flour, name in shelf.items()]}
    Kitchen.objects.filter(owner=account).update(flours=marked(told, FLOURS_STEPS))
    return flours_of(account)


def _as_it_is(body: Body) -> Body:
    """Form 0 differs from form 1 only by not saying so."""
    return body


FLOURS_STEPS: tuple[Step, ...] = (_as_it_is,)
MOST_NAME = 60
