"""Photos of jars: added, looked at by those who keep the jar, taken away."""

from __future__ import annotations

from typing import Literal
from uuid import UUID

from django.http import HttpResponse
from django.utils import timezone
from ninja import Router

from accounts.security import PHOTOS, Baker, signed_in
from logbook.wire import EntryOut, recorded_out
from problems import ProblemsOut

from . import services
from .wire import MoveIn, PhotoIn, PhotoOut, photo_out, points_in

router = Router(tags=["photos"], auth=signed_in)


@router.post(
    "/jars/{jar_id}/photos",
    response={
        200: PhotoOut,
        404: ProblemsOut,
        409: ProblemsOut,
        422: ProblemsOut,
        429: ProblemsOut,
        507: ProblemsOut,
    },
    throttle=PHOTOS,
)
def add_photo(request: Baker, jar_id: UUID, payload: PhotoIn) -> PhotoOut:
    points = points_in(payload.points)
    return photo_out(
        services.add_photo(
            request.auth, jar_id, payload.id, payload.photo, payload.at, payload.look, points, timezone.now()
        )
    )


@router.post("/log/{entry_id}/move", response={200: EntryOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut})
def move_entry(request: Baker, entry_id: UUID, payload: MoveIn) -> EntryOut:
    """A feed or a look that was noted with the wrong jar goes over to its own, its photos with it."""
    return recorded_out(services.move_entry(request.auth, entry_id, payload.jar_id, timezone.now()))


@router.get(
    "/photos/{photo_id}/{size}",
    response={404: ProblemsOut},
    openapi_extra={"responses": {200: {"content": {"image/jpeg": {}}}}},
)
def read_picture(request: Baker, photo_id: UUID, size: Literal["large", "small"]) -> HttpResponse:
    answer = HttpResponse(services.picture_of(request.auth, photo_id, size), content_type="image/jpeg")
    # A photo never changes; it is kept by this baker's browser and by nothing between.
    answer["Cache-Control"] = "private, max-age=31536000, immutable"
    return answer


@router.delete("/photos/{photo_id}", response={204: None, 404: ProblemsOut})
def take_away(request: Baker, photo_id: UUID) -> tuple[int, None]:
    services.take_away(request.auth, photo_id, timezone.now())
    return 204, None
