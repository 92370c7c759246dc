"""The postbox."""

from __future__ import annotations

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in
from accounts.services import want_reminders
from problems import ProblemsOut

from . import services
from .wire import Postbox, WantedIn

router = Router(tags=["reminders"], auth=signed_in)


@router.get("/postbox", response=Postbox)
def read_postbox(request: Baker) -> Postbox:
    return Postbox.model_validate(services.postbox_of(request.auth, timezone.now()))


@router.put("/postbox", response={200: Postbox, 422: ProblemsOut})
def set_wanted(request: Baker, payload: WantedIn) -> Postbox:
    want_reminders(request.auth, wanted=payload.wanted)
    return Postbox.model_validate(services.postbox_of(request.auth, timezone.now()))
