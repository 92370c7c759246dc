"""The demo kitchen: laid with invented jars, dated back from now, and left alone once a visitor has used it."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID, uuid5

from django.conf import settings
from django.db import transaction
from django.http import HttpRequest

from accounts import services as accounts
from kitchen import services as kitchen
from logbook import services as logbook
from logbook.bodies import AnyBody
from places import services as places
from problems import Problem, ServerProblem

from .kitchen_data import JARS, DemoJar

# Any fixed namespace does: it makes the demo's ids the same at every laying.
NAMESPACE = UUID("6f0c7a1e-52d4-4c1c-9a52-0d8e5a2b9c11")


def visit(request: HttpRequest, time_zone: str) -> None:
    """Enter the demo kitchen with one press; only where the launcher offers it."""
    if not settings.DESPERTAR_DEMO:
        raise Problem(ServerProblem.NO_DEMO_HERE, "", status=404)
    accounts.sign_in_as_demo(request, accounts.demo_account(), time_zone)


@transaction.atomic
def lay_kitchen(now: datetime) -> bool:
    """Lay the demo kitchen as of `now`, unless somebody has written in it. True when it was laid."""
    account = accounts.demo_account()
    there = kitchen.own_jars(account)
    ours = {_id(jar.name) for jar in JARS}
    if set(there) - ours or logbook.written_by_someone(there):
        return False
    kitchen.remove_jars(account)
    for jar in JARS:
        starts_at = jar.starts_at(now)
        card = kitchen.plan_jar(account, _id(jar.name), jar.name, jar.setup(starts_at), starts_at)
        logbook.lay_log(card, _entries(jar, now), now)
    return True


# The demo jar beside which the simulated thermometer hangs.
BESIDE = "Moth"


def hang_thermometer(token: str) -> None:
    """The demo kitchen's thermometer, for the stand-in that posts with this token; hung once, and by its jar again
    whenever the kitchen is laid anew."""
    account = accounts.demo_account()
    station = places.with_token(account, token) or places.set_up(account, "Kitchen shelf", token).station.id
    card = next((one for one in JARS if one.name == BESIDE), None)
    if card is not None and _id(BESIDE) in kitchen.own_jars(account):
        kitchen.set_place(account, _id(BESIDE), card.warmth_c, None, station)


def _id(*parts: str) -> UUID:
    return uuid5(NAMESPACE, "/".join(parts))


def _entries(jar: DemoJar, now: datetime) -> list[tuple[UUID, AnyBody]]:
    return [(_id(jar.name, str(number)), body) for number, body in enumerate(jar.log(now))]
