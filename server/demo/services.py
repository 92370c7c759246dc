"""The demo kitchen: laid with invented jars, dated back from now, and left alone once a visitor has used it."""

from __future__ import annotations

import json
from datetime import datetime, timedelta
from uuid import UUID, uuid5

from django.conf import settings
from django.db import transaction
from django.http import HttpRequest

from accounts import services as accounts
from accounts.languages import Language, language_asked
from accounts.services import Account
from ferment.doors.discard import DiscardAct, DiscardEntry, Shelf
from ferment.kitchen.vessel import line_mm
from guidance.services import jar_now
from kitchen import services as kitchen
from kitchen.cards import JarCard
from kitchen.shelf import ShelfFlour, set_flours
from logbook import services as logbook
from logbook.bodies import AnyBody, LookBody
from pantry import services as pantry
from photos import services as photos
from places import services as places
from problems import Problem, ServerProblem
from trials import services as trials
from watching import services as watching
from watching.services import Lines
from watching.terms import CameraKind

from .kitchen_data import BAGS, CAMERA_EVERY_MIN, DISCARD_ML, JARS, TRIAL, DemoJar
from .pictures import jar_picture
from .told import told

# Any fixed namespace does: it makes the demo's ids the same at every laying.
NAMESPACE = UUID("6f0c7a1e-52d4-4c1c-9a52-0d8e5a2b9c11")


def visit(request: HttpRequest, time_zone: str) -> None:
    """Enter the demo kitchen with one press; only where the launcher offers it."""
    if not settings.DESPERTAR_DEMO:
        raise Problem(ServerProblem.NO_DEMO_HERE, "", status=404)
    accounts.sign_in_as_demo(request, accounts.demo_account(language_asked(request)), time_zone)


@transaction.atomic
def lay_kitchen(now: datetime, language: Language = Language.ENGLISH) -> bool:
    """Lay a language's demo kitchen as of `now`, unless somebody has written in it. True when it was laid."""
    account = accounts.demo_account(language)
    there = kitchen.own_jars(account)
    ours = {_id(language, jar.name) for jar in JARS}
    if set(there) - ours or logbook.written_by_someone(there):
        return False
    kitchen.remove_jars(account)
    pantry.forget(account)
    trials.forget(account)
    for jar in JARS:
        starts_at = jar.starts_at(now)
        name = told(language, jar.name)
        card = kitchen.plan_jar(account, _id(language, jar.name), name, jar.setup(starts_at), starts_at)
        entries = _entries(jar, now, language)
        logbook.lay_log(card, entries, now)
        if jar.name == PHOTOGRAPHED:
            _lay_photos(account, card, entries, now, language)
    _fill_the_shelf(account, now, language)
    beside = [trials.Entrant(_id(language, name), yeast=False) for name in TRIAL.jars]
    begun_at = next(jar.starts_at(now) for jar in JARS if jar.name == TRIAL.jars[0])
    trials.begin(account, _id(language, "trial"), told(language, TRIAL.name), beside, begun_at)
    return True


def _fill_the_shelf(account: Account, now: datetime, language: Language) -> None:
    bags = [
        ShelfFlour(
            _id(language, "bag", bag.name),
            bag.flour,
            told(language, bag.name),
            bag.price_per_kg,
            bag.g,
            now - timedelta(days=bag.days_ago),
        )
        for bag in BAGS
    ]
    set_flours(account, bags)
    sized = DiscardEntry(
        str(_id(language, "discard", "sized")),
        now - timedelta(days=30),
        Shelf.WITH_GLUTEN,
        DiscardAct.SIZED,
        ml=DISCARD_ML,
    )
    pantry.note_discard(account, sized, "", now)


# The demo jar that was photographed now and then, and how often.
PHOTOGRAPHED, PHOTOS = "Harbour", 6


def _lay_photos(
    account: Account,
    card: JarCard,
    entries: list[tuple[UUID, AnyBody]],
    now: datetime,
    language: Language,
) -> None:
    """A picture beside each of the last looks at a level."""
    vessel = card.setup.vessel
    looks = [(entry_id, body) for entry_id, body in entries if isinstance(body, LookBody) and body.level]
    for number, (entry_id, body) in enumerate(looks[-PHOTOS:]):
        assert body.level is not None
        # The demo's jar is filled to the same line at each feed.
        share = line_mm(vessel, FED_G) / vessel.height_mm
        sent, points = jar_picture(body.level.value, share, number)
        photo_id = _id(language, PHOTOGRAPHED, "photo", str(number))
        photos.add_photo(account, card.id, photo_id, sent, body.at, entry_id, points, now)


FED_G = 120.0
# Where the jar stands in the stand-in camera's pictures (`standins.camera.scene.OURS`).
STOOD = Lines(bottom=0.9456, line=0.6679, rim=0.0672, level=0.6679, left=0.1426, right=0.7989)


# The demo jar beside which the simulated thermometer hangs.
BESIDE = "Moth"


def hang_thermometer(token: str) -> None:
    """The demo kitchen's thermometer, for the stand-in that posts with this token; hung once, and by its jar again
    whenever the kitchen is laid anew."""
    account = accounts.demo_account()
    station = places.with_token(account, token) or places.set_up(account, "Kitchen shelf", token).station.id
    card = next((one for one in JARS if one.name == BESIDE), None)
    if card is not None and _id(Language.ENGLISH, BESIDE) in kitchen.own_jars(account):
        kitchen.set_place(account, _id(Language.ENGLISH, BESIDE), card.warmth_c, None, station)


def hang_camera(token: str, now: datetime) -> None:
    """The demo's camera, for the stand-in that posts with this token, before the jar that is photographed; shown where
    the jar stands in the stand-in's pictures. Hung once, and anew whenever the kitchen is laid anew."""
    account, jar = accounts.demo_account(), _id(Language.ENGLISH, PHOTOGRAPHED)
    if jar in kitchen.own_jars(account):
        camera = _id(Language.ENGLISH, PHOTOGRAPHED, "camera")
        watching.set_up(account, jar, camera, CameraKind.POSTS, CAMERA_EVERY_MIN, now, token)
        watching.show_once(account, camera, STOOD)


def camera_course(now: datetime) -> str | None:
    """For the stand-in camera: how the watched jar goes by its forecast, from the feed on, as JSON; None where it does
    nothing. What is forecast is not quite what comes: it is a little sooner, and a little higher."""
    account, jar = accounts.demo_account(), _id(Language.ENGLISH, PHOTOGRAPHED)
    if jar not in kitchen.own_jars(account):
        return None
    found = jar_now(account, jar, now).assessment
    if found.forecast is None or found.since_feed is None:
        return None
    fed_at = found.since_feed.fed_at
    points = [
        [round(SOONER * ((one.at - fed_at) / timedelta(hours=1)), 3), round(1 + HIGHER * (one.middle - 1), 3)]
        for one in found.forecast.fan
    ]
    return json.dumps({"fed_at": fed_at.isoformat(), "zone": account.time_zone, "points": points})


SOONER, HIGHER = 0.93, 1.05


def _id(language: Language, *parts: str) -> UUID:
    kitchen_of = [] if language is Language.ENGLISH else [str(language)]
    return uuid5(NAMESPACE, "/".join([*kitchen_of, *parts]))


def _entries(jar: DemoJar, now: datetime, language: Language) -> list[tuple[UUID, AnyBody]]:
    bodies = (body.model_copy(update={"note": told(language, body.note)}) for body in jar.log(now))
    return [(_id(language, jar.name, str(number)), body) for number, body in enumerate(bodies)]
