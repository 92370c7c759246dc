"""Jars: plan, put away, and the catalogue to choose from."""

from __future__ import annotations

from typing import Any
from uuid import UUID

from django.db import transaction
from django.http import HttpRequest
from django.utils import timezone
from django.views.decorators.csrf import csrf_protect
from ninja import Router
from ninja.decorators import decorate_view

from accounts.api import made_account, session_out
from accounts.security import INVITATIONS, SIGN_UPS, Baker, before_guessing, guessed_wrong, signed_in
from accounts.wire import InvitedIn, SessionOut
from problems import Problem, ProblemsOut, ServerProblem

from . import hands, services, shelf
from .offered import CatalogueOut, catalogue_out
from .wire import (
    CheckedMethodOut,
    CodeIn,
    CodeOut,
    HandsOut,
    HoursBody,
    JarOut,
    MethodIn,
    ReadyAfterIn,
    ShelfFloursBody,
    ShelfIn,
    bands_in,
    card_out,
    checked_out,
    flours_in,
    flours_out,
    hands_out,
    hours_out,
)

router = Router(tags=["kitchen"], auth=signed_in)


@router.get("/catalogue", response=CatalogueOut)
def read_catalogue(request: HttpRequest) -> CatalogueOut:
    return catalogue_out(services.catalogue())


@router.put("/jars/{jar_id}/shelf", response={200: JarOut, 404: ProblemsOut})
def set_on_shelf(request: Baker, jar_id: UUID, payload: ShelfIn) -> JarOut:
    return card_out(services.set_on_shelf(request.auth, jar_id, timezone.now(), on_shelf=payload.on_shelf))


@router.put("/jars/{jar_id}/ready-after", response={200: JarOut, 404: ProblemsOut, 422: ProblemsOut})
def set_ready_after(request: Baker, jar_id: UUID, payload: ReadyAfterIn) -> JarOut:
    return card_out(services.set_ready_after(request.auth, jar_id, payload.ready_after))


@router.get("/hands", response=HandsOut)
def read_hands(request: Baker) -> HandsOut:
    return hands_out(hands.hands_of(request.auth, timezone.now()))


@router.post("/hands/invitations", response={200: CodeOut, 422: ProblemsOut, 429: ProblemsOut}, throttle=INVITATIONS)
def invite(request: Baker) -> CodeOut:
    return CodeOut(code=hands.invite(request.auth, timezone.now()))


@router.delete("/hands/invitations", response={204: None})
def call_back(request: Baker) -> tuple[int, None]:
    hands.call_back(request.auth, timezone.now())
    return 204, None


@router.post("/hands", response={200: HandsOut, 422: ProblemsOut})
def come_in(request: Baker, payload: CodeIn) -> HandsOut:
    return hands_out(hands.come_in(request.auth, payload.code, timezone.now()))


@router.post(
    "/hands/accounts",
    response={200: SessionOut, 422: ProblemsOut, 429: ProblemsOut},
    auth=None,
    throttle=SIGN_UPS,
)
@decorate_view(csrf_protect)
def come_in_new(request: HttpRequest, payload: InvitedIn) -> SessionOut:
    """A new account by an invitation, which lets it into that kitchen too; neither without the other."""
    before_guessing(request, "code")
    now = timezone.now()
    if not hands.is_open(payload.code, now):
        guessed_wrong(request)
        raise Problem(ServerProblem.NO_SUCH_INVITATION, "code")
    with transaction.atomic():
        hands.come_in(made_account(request, payload), payload.code, now)
    return session_out(request)


@router.post("/hands/{hand_id}/kitchen", response={200: HandsOut, 404: ProblemsOut, 422: ProblemsOut})
def hand_over(request: Baker, hand_id: UUID) -> HandsOut:
    """Give all jars of the kitchen to one who keeps it with its owner."""
    return hands_out(hands.hand_over(request.auth, hand_id, timezone.now()))


@router.delete("/hands/{hand_id}", response={200: HandsOut, 404: ProblemsOut})
def show_out(request: Baker, hand_id: UUID) -> HandsOut:
    return hands_out(hands.show_out(request.auth, hand_id, timezone.now()))


@router.get("/hours", response=HoursBody)
def read_hours(request: Baker) -> HoursBody:
    return hours_out(services.hours_of(request.auth))


@router.put("/hours", response={200: HoursBody, 422: ProblemsOut})
def set_hours(request: Baker, payload: HoursBody) -> HoursBody:
    return hours_out(
        services.set_hours(request.auth, bands_in(payload.weekday), bands_in(payload.weekend), timezone.now())
    )


@router.post("/methods/check", response={200: CheckedMethodOut, 422: ProblemsOut})
def check_method(request: Baker, payload: MethodIn) -> CheckedMethodOut:
    return checked_out(services.method_from_outside(payload.method))


@router.get("/methods/{code}", response={200: dict[str, Any], 422: ProblemsOut})
def read_method(request: Baker, code: str) -> dict[str, Any]:
    return services.family_as_file(code)


@router.get("/flours", response=ShelfFloursBody)
def read_flours(request: Baker) -> ShelfFloursBody:
    return flours_out(shelf.flours_of(request.auth))


@router.put("/flours", response={200: ShelfFloursBody, 422: ProblemsOut})
def set_flours(request: Baker, payload: ShelfFloursBody) -> ShelfFloursBody:
    return flours_out(shelf.set_flours(request.auth, flours_in(payload, timezone.now())))
