"""Jars: plan, put away, and the catalogue to choose from."""

from __future__ import annotations

from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import CatalogueOut, JarOut, NewJarIn, ReadyAfterIn, ShelfIn, card_out, catalogue_out, setup_in

router = Router(tags=["kitchen"], auth=signed_in)


@router.get("/catalogue", response=CatalogueOut)
def read_catalogue(request: HttpRequest) -> CatalogueOut:
    return catalogue_out(services.catalogue())


@router.post("/jars", response={200: JarOut, 409: ProblemsOut, 422: ProblemsOut})
def plan_jar(request: Baker, payload: NewJarIn) -> JarOut:
    card = services.plan_jar(request.auth, payload.id, payload.name, setup_in(payload, request.auth), timezone.now())
    return card_out(card)


@router.put("/jars/{jar_id}/shelf", response={200: JarOut, 404: ProblemsOut})
def set_on_shelf(request: Baker, jar_id: UUID, payload: ShelfIn) -> JarOut:
    return card_out(services.set_on_shelf(request.auth, jar_id, timezone.now(), on_shelf=payload.on_shelf))


@router.put("/jars/{jar_id}/ready-after", response={200: JarOut, 404: ProblemsOut, 422: ProblemsOut})
def set_ready_after(request: Baker, jar_id: UUID, payload: ReadyAfterIn) -> JarOut:
    return card_out(services.set_ready_after(request.auth, jar_id, payload.ready_after))
