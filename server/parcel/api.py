"""All that a baker owns as a file, and such a file taken in."""

from __future__ import annotations

from typing import Any
from uuid import UUID

from django.http import FileResponse, HttpRequest, HttpResponse
from django.utils import timezone
from ninja import File, Router
from ninja.files import UploadedFile

from accounts.security import Baker, check_own_password, signed_in
from accounts.wire import PasswordIn
from problems import ProblemsOut

from . import services
from .services import Form
from .wire import PartOut, PhotosIn, TakenIn

router = Router(tags=["parcel"])
ZIP: dict[str, Any] = {"responses": {200: {"content": {"application/zip": {}}}}}
JSON: dict[str, Any] = {"responses": {200: {"content": {"application/json": {}}}}}


def _sent(request: Baker, form: Form, jar: UUID | None, *, photos: bool) -> FileResponse:
    now = timezone.now()
    file = services.pack(request.auth, form, now, jar=jar, with_photos=photos)
    answer = FileResponse(file, as_attachment=True, filename=f"despertar-{now:%Y-%m-%d}.{form}")
    answer["Cache-Control"] = "private, no-store"
    return answer


@router.get("/parcel.zip", response={404: ProblemsOut}, auth=signed_in, openapi_extra=ZIP)
def read_package(request: Baker, jar: UUID | None = None, photos: bool = True) -> FileResponse:  # noqa: FBT001, FBT002
    """The whole kitchen, or one jar, as a tabular data package."""
    return _sent(request, Form.PACKAGE, jar, photos=photos)


@router.get("/parcel.json", response={404: ProblemsOut}, auth=signed_in, openapi_extra=JSON)
def read_document(request: Baker, jar: UUID | None = None, photos: bool = False) -> FileResponse:  # noqa: FBT001, FBT002
    """The same as one JSON document."""
    return _sent(request, Form.DOCUMENT, jar, photos=photos)


@router.get("/parcel/schema.json", openapi_extra=JSON)
def read_schema(request: HttpRequest) -> HttpResponse:
    """The JSON Schema of the document."""
    return HttpResponse(services.document_schema(), content_type="application/schema+json")


@router.post(
    "/parcels/{parcel_id}/parts",
    response={200: PartOut, 409: ProblemsOut, 422: ProblemsOut, 507: ProblemsOut},
    auth=signed_in,
)
def add_part(request: Baker, parcel_id: UUID, offset: int, part: File[UploadedFile]) -> PartOut:
    """One piece of a parcel, of 8 MB at most; they come one after the other."""
    data = part.read(services.MOST_PART)
    return PartOut(received=services.add_part(request.auth, parcel_id, offset, data, timezone.now()))


@router.post(
    "/parcels/{parcel_id}/open",
    response={200: TakenIn, 404: ProblemsOut, 422: ProblemsOut},
    auth=signed_in,
)
def take_in(request: Baker, parcel_id: UUID) -> TakenIn:
    """Take in what was sent, all or nothing; what is there already stays as it is."""
    return TakenIn.model_validate(services.take_in_sent(request.auth, parcel_id))


@router.post(
    "/parcels/{parcel_id}/photos",
    response={200: PhotosIn, 404: ProblemsOut, 422: ProblemsOut, 507: ProblemsOut},
    auth=signed_in,
)
def take_in_photos(request: Baker, parcel_id: UUID, start: int = 0) -> PhotosIn:
    """The next few of its photos."""
    return PhotosIn.model_validate(services.photos_of_sent(request.auth, parcel_id, max(0, start), timezone.now()))


@router.post("/account/delete", response={204: None, 422: ProblemsOut, 429: ProblemsOut}, auth=signed_in)
def leave(request: Baker, payload: PasswordIn) -> tuple[int, None]:
    """The account and all that is its own, for good."""
    check_own_password(request, payload.password)
    services.leave(request.auth, request)
    return 204, None
