"""The postbox."""

from __future__ import annotations

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in

from . import services
from .wire import PostboxOut

router = Router(tags=["reminders"], auth=signed_in)


@router.get("/postbox", response=PostboxOut)
def read_postbox(request: Baker) -> PostboxOut:
    return services.postbox_of(request.auth, timezone.now())
