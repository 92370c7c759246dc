"""The postbox."""

from __future__ import annotations

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in

from . import services
from .wire import Postbox

router = Router(tags=["reminders"], auth=signed_in)


@router.get("/postbox", response=Postbox)
def read_postbox(request: Baker) -> Postbox:
    return Postbox.model_validate(services.postbox_of(request.auth, timezone.now()))
