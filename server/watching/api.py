"""Cameras before jars: set up, shown where the jar stands, and fed with pictures by the page or by a device."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from django.http import HttpResponse
from django.utils import timezone
from ninja import Router

from accounts.security import FRAMES, TOKENS, Baker, ByToken, Device, Post, signed_in
from kitchen.services import in_reach
from kitchen.stamps import written_anew
from problems import Problem, ProblemsOut, ServerProblem

from . import keeping, services, views
from .wire import (
    CameraIn,
    ClearedOut,
    NewCameraOut,
    PicturesIn,
    PictureTakenOut,
    ProposalIn,
    ProposedOut,
    ShownIn,
    WatchOut,
    lines_in,
    new_camera_out,
    proposal_out,
    sent_in,
    stands_in,
    taken_out,
    watch_out,
)

router = Router(tags=["watching"])
ERRORS = {404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut, 507: ProblemsOut}


# One a second for a night that was kept back; a camera that floods is slowed.
POSTS = ByToken("60/m", "frames")


@router.get("/jars/{jar_id}/watch", response={200: WatchOut, 404: ProblemsOut, 409: ProblemsOut}, auth=signed_in)
def read_watch(request: Baker, jar_id: UUID) -> WatchOut:
    return watch_out(views.watch_of(request.auth, jar_id))


@router.post("/jars/{jar_id}/photos/proposal", response={200: ProposedOut, **ERRORS}, auth=signed_in, throttle=FRAMES)
def propose_lines(request: Baker, jar_id: UUID, payload: ProposalIn) -> ProposedOut:
    shown = stands_in(payload.shown) if payload.shown else None
    found = services.propose(request.auth, jar_id, payload.photo, shown)
    return ProposedOut(proposal=proposal_out(found) if found else None)


@router.post("/jars/{jar_id}/cameras", response={200: NewCameraOut, **ERRORS}, auth=signed_in, throttle=TOKENS)
def set_up_camera(request: Baker, jar_id: UUID, payload: CameraIn) -> NewCameraOut:
    return new_camera_out(
        services.set_up(request.auth, jar_id, payload.id, payload.kind, payload.every_min, timezone.now())
    )


@router.put("/cameras/{camera_id}/lines", response={204: None, **ERRORS}, auth=signed_in, throttle=FRAMES)
def show_jar(request: Baker, camera_id: UUID, payload: ShownIn) -> tuple[int, None]:
    sent = sent_in(payload.picture) if payload.picture else None
    services.show(request.auth, camera_id, lines_in(payload.lines), sent, timezone.now())
    return 204, None


@router.delete("/cameras/{camera_id}/lines", response={204: None, 404: ProblemsOut}, auth=signed_in)
def forget_lines(request: Baker, camera_id: UUID) -> tuple[int, None]:
    """The jar was turned, or is another: it is to be shown again, in the next picture."""
    services.look_away(request.auth, camera_id)
    return 204, None


@router.post(
    "/cameras/{camera_id}/pictures",
    response={200: list[PictureTakenOut], **ERRORS},
    auth=signed_in,
    throttle=FRAMES,
)
def add_pictures(request: Baker, camera_id: UUID, payload: PicturesIn) -> list[PictureTakenOut]:
    camera = services.own_camera(request.auth, camera_id)
    sent = [sent_in(one) for one in payload.pictures]
    return [taken_out(one) for one in services.take(camera, sent, timezone.now(), request.auth)]


@router.delete("/cameras/{camera_id}", response={204: None, 404: ProblemsOut}, auth=signed_in)
def withdraw_camera(request: Baker, camera_id: UUID) -> tuple[int, None]:
    services.withdraw(request.auth, camera_id, timezone.now())
    return 204, None


@router.delete("/jars/{jar_id}/watch", response={200: ClearedOut, 404: ProblemsOut}, auth=signed_in)
def clear_pictures(request: Baker, jar_id: UUID) -> ClearedOut:
    """Every picture of the jar's cameras goes; what was read off them stays."""
    in_reach(request.auth, jar_id)
    gone = keeping.clear(jar_id)
    written_anew([jar_id])
    return ClearedOut(pictures=gone)


@router.get(
    "/watched/{picture_id}",
    response={404: ProblemsOut},
    auth=signed_in,
    openapi_extra={"responses": {200: {"content": {"image/jpeg": {}}}}},
)
def read_frame(request: Baker, picture_id: int) -> HttpResponse:
    answer = HttpResponse(views.picture_of(request.auth, picture_id), content_type="image/jpeg")
    answer["Cache-Control"] = "private, max-age=31536000, immutable"
    return answer


@router.get(
    "/jars/{jar_id}/watch/{feed_id}.csv",
    response={404: ProblemsOut},
    auth=signed_in,
    openapi_extra={"responses": {200: {"content": {"text/csv": {}}}}},
)
def read_curve(request: Baker, jar_id: UUID, feed_id: UUID) -> HttpResponse:
    seen = views.feed_of(request.auth, jar_id, feed_id)
    return _file(views.as_csv(seen).encode(), "text/csv; charset=utf-8", f"watched-{seen.feed.at:%Y%m%d-%H%M}.csv")


@router.get(
    "/jars/{jar_id}/watch/{feed_id}.webp",
    response={404: ProblemsOut},
    auth=signed_in,
    openapi_extra={"responses": {200: {"content": {"image/webp": {}}}}},
)
def read_film(request: Baker, jar_id: UUID, feed_id: UUID) -> HttpResponse:
    seen = views.feed_of(request.auth, jar_id, feed_id)
    return _file(views.as_film(jar_id, seen), "image/webp", f"watched-{seen.feed.at:%Y%m%d-%H%M}.webp")


def _file(data: bytes, kind: str, name: str) -> HttpResponse:
    answer = HttpResponse(data, content_type=kind)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer


@router.post(
    "/frames",
    response={
        200: PictureTakenOut,
        401: ProblemsOut,
        409: ProblemsOut,
        422: ProblemsOut,
        429: ProblemsOut,
        507: ProblemsOut,
    },
    auth=Device(),
    throttle=POSTS,
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {kind: {} for kind in ("image/jpeg", "image/png", "image/webp")},
        }
    },
)
def take_frame(request: Post, at: str = "") -> PictureTakenOut:
    """One picture, the body of the request; `at` is when it was taken (ISO 8601), now where it is not given."""
    now = timezone.now()
    camera = services.by_token(request.auth)
    sent = services.Sent(request.body, _moment(at) if at else now)
    (taken,) = services.take(camera, [sent], now)
    return taken_out(taken)


def _moment(at: str) -> datetime:
    try:
        told = datetime.fromisoformat(at)
    except ValueError:
        raise Problem(ServerProblem.NOT_A_TIME, "at") from None
    if told.tzinfo is None:
        raise Problem(ServerProblem.NOT_A_TIME, "at")
    return told
