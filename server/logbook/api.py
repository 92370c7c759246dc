"""The log: record, amend, withdraw, restore, and what changed."""

from __future__ import annotations

from uuid import UUID

from django.utils import timezone
from ninja import Router
from pydantic import AwareDatetime

from accounts.security import Baker, signed_in
from kitchen.wire import JarOut, NewJarIn, PlaceIn, beside_in, card_out, setup_in
from problems import ProblemsOut

from . import services
from .lessons import taught_by_earlier
from .wire import AmendIn, ChangeOut, EntryOut, RecordIn, changed_out, recorded_out

router = Router(tags=["logbook"], auth=signed_in)
WRITES = {200: EntryOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut}


@router.post("/jars", response={200: JarOut, 409: ProblemsOut, 422: ProblemsOut})
def plan_jar(request: Baker, payload: NewJarIn) -> JarOut:
    """A new jar, with what was done since its start where it was begun before."""
    now = timezone.now()
    setup = setup_in(payload, request.auth)
    if payload.by_earlier_jars:
        setup = taught_by_earlier(request.auth, setup, now)
    new = services.NewJar(payload.id, payload.name, setup, beside_in(payload), payload.begun)
    return card_out(services.plan_new(request.auth, new, now))


@router.get("/jars/{jar_id}/log", response={200: list[EntryOut], 404: ProblemsOut})
def read_older(request: Baker, jar_id: UUID, until: AwareDatetime) -> list[EntryOut]:
    """The entries up to a moment, the latest first: what an opened jar left out."""
    return [recorded_out(one) for one in services.older(request.auth, jar_id, until)]


@router.post("/jars/{jar_id}/log", response=WRITES)
def record(request: Baker, jar_id: UUID, payload: RecordIn) -> EntryOut:
    now = timezone.now()
    return recorded_out(services.record(request.auth, jar_id, payload.id, payload.entry, payload.seen_feed, now))


@router.put("/jars/{jar_id}/place", response={200: JarOut, 404: ProblemsOut, 422: ProblemsOut})
def set_place(request: Baker, jar_id: UUID, payload: PlaceIn) -> JarOut:
    """Where it stands from now on."""
    place = services.Standing(payload.warmth_c, payload.night_c, payload.thermometer)
    return card_out(services.stand(request.auth, jar_id, place, timezone.now()))


@router.put("/log/{entry_id}", response=WRITES)
def amend(request: Baker, entry_id: UUID, payload: AmendIn) -> EntryOut:
    return recorded_out(services.amend(request.auth, entry_id, payload.revision, payload.entry, timezone.now()))


@router.post("/log/{entry_id}/withdraw", response={**WRITES, 204: None})
def withdraw(request: Baker, entry_id: UUID) -> tuple[int, EntryOut | None]:
    """No content is answered for an entry that cannot be read: it is undone all the same."""
    withdrawn = services.withdraw(request.auth, entry_id, timezone.now())
    return (200, recorded_out(withdrawn)) if withdrawn else (204, None)


@router.post("/log/{entry_id}/restore", response=WRITES)
def restore(request: Baker, entry_id: UUID) -> EntryOut:
    return recorded_out(services.restore(request.auth, entry_id, timezone.now()))


@router.get("/log/{entry_id}/history", response={200: list[ChangeOut], 404: ProblemsOut})
def history(request: Baker, entry_id: UUID) -> list[ChangeOut]:
    return [changed_out(change) for change in services.history(request.auth, entry_id)]
