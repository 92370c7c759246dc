"""All that a baker owns as a file, and such a file taken in."""

from __future__ import annotations

from typing import Any
from uuid import UUID

from django.http import FileResponse, HttpRequest, HttpResponse
from django.utils import timezone
from ninja import File, Form, Router
from ninja.files import UploadedFile
from pydantic import ValidationError

from accounts.security import FILES, Baker, check_own_password, signed_in
from accounts.wire import PasswordIn
from problems import Problem, ProblemsOut, ServerProblem

from . import services, spreadsheet
from .forms.spreadsheet import MOST_BYTES
from .services import Form as ParcelForm
from .spreadsheet import HowWritten
from .wire import (
    HowWrittenBody,
    KeptOut,
    PartOut,
    PhotosIn,
    SheetOut,
    TakenIn,
    UndoIn,
    UndoneOut,
    how_in,
    sheet_out,
)

router = Router(tags=["parcel"])
ZIP: dict[str, Any] = {"responses": {200: {"content": {"application/zip": {}}}}}
JSON: dict[str, Any] = {"responses": {200: {"content": {"application/json": {}}}}}


def _sent(request: Baker, form: ParcelForm, jar: UUID | None, *, photos: bool) -> FileResponse:
    now = timezone.now()
    file = services.pack(request.auth, form, now, jar=jar, with_photos=photos)
    answer = FileResponse(file, as_attachment=True, filename=f"despertar-{now:%Y-%m-%d}.{form}")
    answer["Cache-Control"] = "private, no-store"
    return answer


@router.get("/parcel.zip", response={404: ProblemsOut}, auth=signed_in, openapi_extra=ZIP)
def read_package(request: Baker, jar: UUID | None = None, photos: bool = True) -> FileResponse:  # noqa: FBT001, FBT002
    """The whole kitchen, or one jar, as a tabular data package."""
    return _sent(request, ParcelForm.PACKAGE, jar, photos=photos)


@router.get("/parcel.json", response={404: ProblemsOut}, auth=signed_in, openapi_extra=JSON)
def read_document(request: Baker, jar: UUID | None = None, photos: bool = False) -> FileResponse:  # noqa: FBT001, FBT002
    """The same as one JSON document."""
    return _sent(request, ParcelForm.DOCUMENT, jar, photos=photos)


@router.get("/parcel/schema.json", openapi_extra=JSON)
def read_schema(request: HttpRequest) -> HttpResponse:
    """The JSON Schema of the document."""
    return HttpResponse(services.document_schema(), content_type="application/json")


@router.post(
    "/parcels/{parcel_id}/parts",
    response={200: PartOut, 409: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut, 507: ProblemsOut},
    throttle=FILES,
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
    return TakenIn.model_validate(services.take_in_sent(request.auth, parcel_id, timezone.now()))


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


def _how(written: str | None) -> HowWritten | None:
    if not written:
        return None
    try:
        return how_in(HowWrittenBody.model_validate_json(written))
    except ValidationError as error:
        raise Problem(ServerProblem.NOT_ACCEPTED, "how") from error


@router.post(
    "/jars/{jar_id}/spreadsheet",
    response={200: SheetOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut},
    throttle=FILES,
    auth=signed_in,
)
def read_spreadsheet(request: Baker, jar_id: UUID, file: File[UploadedFile], how: Form[str] = "") -> SheetOut:
    """What a baker's own CSV or XLSX says of this jar; nothing is written. `how` is JSON, as it was answered before."""
    data = file.read(MOST_BYTES + 1)
    return sheet_out(spreadsheet.read_sheet(request.auth, jar_id, data, _how(how), timezone.now()))


@router.post(
    "/jars/{jar_id}/spreadsheet/keep",
    response={200: KeptOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut},
    auth=signed_in,
)
def keep_spreadsheet(request: Baker, jar_id: UUID, file: File[UploadedFile], how: Form[str]) -> KeptOut:
    """Write every row that can be, all at once; the same sheet again writes what is new of it."""
    told = _how(how)
    if told is None:
        raise Problem(ServerProblem.MISSING, "how")
    now = timezone.now()
    kept = spreadsheet.keep_sheet(request.auth, jar_id, file.read(MOST_BYTES + 1), told, now)
    return KeptOut(entries=kept, at=now)


@router.post("/spreadsheet/undo", response={200: UndoneOut, 404: ProblemsOut, 422: ProblemsOut}, auth=signed_in)
def undo_spreadsheet(request: Baker, payload: UndoIn) -> UndoneOut:
    """Undo what was kept of a sheet."""
    return UndoneOut(undone=spreadsheet.undo_sheet(request.auth, payload.entries, timezone.now()))
