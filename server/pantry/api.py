"""The discard jars, and where the flour went."""

from __future__ import annotations

from uuid import UUID

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import DiscardIn, DiscardOut, FlourLedgerOut, StockOut, discard_out, entry_in, flour_out, stock_out

router = Router(tags=["pantry"], auth=signed_in)


@router.get("/discard", response=DiscardOut)
def read_discard(request: Baker) -> DiscardOut:
    now = timezone.now()
    return discard_out(services.discard_now(request.auth, now), now, request.auth.time_zone)


@router.post("/discard", response={200: DiscardOut, 409: ProblemsOut, 422: ProblemsOut})
def note_discard(request: Baker, payload: DiscardIn) -> DiscardOut:
    """What was done with a discard jar. Sent twice it is done once."""
    now = timezone.now()
    found = services.note_discard(request.auth, entry_in(payload), payload.made_for, now)
    return discard_out(found, now, request.auth.time_zone)


@router.delete("/discard/{note_id}", response={200: DiscardOut, 404: ProblemsOut})
def undo_discard(request: Baker, note_id: UUID) -> DiscardOut:
    now = timezone.now()
    return discard_out(services.undo_discard(request.auth, note_id, now), now, request.auth.time_zone)


@router.get("/flour", response=FlourLedgerOut)
def read_flour(request: Baker) -> FlourLedgerOut:
    """Where the flour went."""
    return flour_out(services.flour_told(request.auth, timezone.now()))


@router.get("/stock", response=StockOut)
def read_stock(request: Baker) -> StockOut:
    """What is left of the flour on the shelf, and until when it is enough."""
    now = timezone.now()
    return stock_out(services.stock_now(request.auth, now), now, request.auth.time_zone)
