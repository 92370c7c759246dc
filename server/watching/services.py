"""Set cameras up before jars, take what they send, and tell what they saw."""

from __future__ import annotations

import hashlib
import logging
import secrets
from collections.abc import Iterable, Sequence
from dataclasses import asdict, dataclass
from datetime import datetime, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from django.db import transaction
from django.db.models import Max, Sum
from PIL import Image

from accounts.services import Account
from eye.beside import Beside
from eye.place import AS_IT_STOOD
from ferment.doors.watched import FeedToWatch, feeds_to_watch
from ferment.record.glimpses import Glimpse
from ferment.refusal import within
from kitchen.cards import JarCard
from kitchen.services import card_of_row, jar_of, lock_label
from kitchen.stamps import written_anew
from logbook.reading import logs_of
from photos.pictures import taken_at, upright_of
from photos.services import large_picture, photos_of
from problems import Problem, ServerProblem, not_found
from problems.stored import UnreadableError

from . import keeping
from .models import Camera, Picture
from .noticing import give_notice
from .seeing import (
    Correction,
    Proposed,
    Round,
    Shown,
    as_jpeg,
    beside_of,
    corrected,
    kept_of,
    opened,
    pixels,
    proposal_for,
    read_within,
)
from .sight import WHOLE_SIDE, Sight, as_start, feed_at
from .terms import LEAST_EVERY_MIN, MOST_EVERY_MIN, CameraKind, Unread

log = logging.getLogger("despertar.watching")

MOST_CAMERAS, MOST_AT_ONCE = 4, 40
CLOCK_SLACK = timedelta(minutes=5)


@dataclass(frozen=True)
class NewCamera:
    """A camera just set up. The token is told this once, and only of one that posts."""

    camera: Camera
    token: str | None


@dataclass(frozen=True)
class Sent:
    """One picture as it came; without a time it is asked for its own."""

    picture: bytes
    at: datetime | None


def set_up(
    account: Account,
    jar_id: UUID,
    camera_id: UUID,
    kind: CameraKind,
    every_min: float,
    now: datetime,
    token: str | None = None,
) -> NewCamera:
    """A camera before a jar; the same id again is the same camera. Its token is made here, unless the launcher brings
    one for the demo. Raises Problem, Refusal."""
    # Whose it is comes first.
    jar_of(account, jar_id)
    within(every_min, LEAST_EVERY_MIN, MOST_EVERY_MIN, "every_min")
    if kind is CameraKind.POSTS:
        token = token or secrets.token_urlsafe(32)
    with transaction.atomic():
        lock_label(account, jar_id)
        there = Camera.objects.filter(id=camera_id).first()
        if there is not None:
            if there.jar_id != jar_id:
                raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
            return NewCamera(there, None)
        if Camera.objects.filter(jar_id=jar_id, withdrawn_at=None).count() >= MOST_CAMERAS:
            raise Problem(ServerProblem.TOO_MANY_CAMERAS, "id", facts={"most": float(MOST_CAMERAS)})
        row = Camera.objects.create(
            id=camera_id,
            jar_id=jar_id,
            kind=kind,
            every_min=every_min,
            token_hash=token_hash(token) if token else None,
            made_by=account,
            made_at=now,
        )
    return NewCamera(row, token)


def token_hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


def withdraw(account: Account, camera_id: UUID, now: datetime) -> None:
    """It watches no more: its token opens nothing. What it saw stays."""
    camera = own_camera(account, camera_id)
    camera.withdrawn_at, camera.token_hash = now, None
    camera.save(update_fields=["withdrawn_at", "token_hash"])


def own_camera(account: Account, camera_id: UUID) -> Camera:
    """Raises Problem (not found) for one before a jar out of reach, too."""
    row = Camera.objects.filter(id=camera_id, withdrawn_at=None).first()
    if row is None:
        raise not_found()
    jar_of(account, row.jar_id)
    return row


def by_token(token: str) -> Camera:
    """Raises Problem for a token that opens nothing."""
    row = Camera.objects.filter(token_hash=token_hash(token), withdrawn_at=None).first()
    if row is None:
        raise Problem(ServerProblem.SIGN_IN_FIRST, "token", status=401)
    return row


# --- where the jar stands ---


@dataclass(frozen=True)
class Lines:
    """Bottom, line, rim and level of a jar in a picture, as shares of its height from the top; its walls as shares of
    its width."""

    bottom: float
    line: float
    rim: float
    level: float
    left: float
    right: float


def show(account: Account, camera_id: UUID, lines: Lines, sent: Sent | None, now: datetime) -> Camera:
    """The baker shows where the jar stands: in a picture sent along, or in the last that the camera sent. Raises
    Problem naming the line that cannot be."""
    own_camera(account, camera_id)
    _check(lines)
    with transaction.atomic():
        camera = Camera.objects.select_for_update().get(id=camera_id)
        last = Picture.objects.filter(camera=camera, cause=Unread.NOT_SHOWN).exclude(size=0).order_by("-at").first()
        if sent is not None:
            at, picture = _time_of(sent, 0, account, now), upright_of(sent.picture, WHOLE_SIDE)
        elif last is not None:
            at, picture = last.at, opened(keeping.read(camera, last) or b"")
        else:
            raise Problem(ServerProblem.MISSING, "picture")
        feed = feed_at(_feeds(camera), at)
        if feed is None:
            raise Problem(ServerProblem.NO_FEED_YET, "at", status=409)
        shown = Shown(lines.bottom, lines.line, lines.rim, lines.left, lines.right, feed.line_mm)
        kept = kept_of(picture, shown)
        stood = (lines.bottom - lines.level) / (lines.bottom - lines.line)
        try:
            Round.begin(pixels(kept), shown.jar(kept, feed.line_mm), stood, AS_IT_STOOD)
        except ValueError:
            raise Problem(ServerProblem.JAR_TOO_FAR, "rim") from None
        camera.lines, camera.right, camera.down = asdict(shown), 0, 0
        camera.save(update_fields=["lines", "right", "down"])
        Picture.objects.filter(camera=camera, at=at).delete()
        row = Picture(camera=camera, at=at, feed=UUID(feed.feed_id))
        as_start(row, shown.jar(kept, feed.line_mm), stood)
        keeping.put(camera, row, as_jpeg(kept))
        keeping.drop_whole(camera)
    written_anew([camera.jar_id])
    return camera


def look_away(account: Account, camera_id: UUID) -> None:
    """Where the jar stood holds no more: it was turned, or is another. It is shown again in the next picture, whole."""
    camera = own_camera(account, camera_id)
    camera.lines = None
    camera.save(update_fields=["lines"])


def show_once(account: Account, camera_id: UUID, lines: Lines) -> None:
    """Where the jar stands, without a picture, of a camera that has not been shown it: the first picture after a feed
    is what later ones are held against."""
    camera = own_camera(account, camera_id)
    feeds = _feeds(camera)
    if camera.lines is None and feeds:
        shown = Shown(lines.bottom, lines.line, lines.rim, lines.left, lines.right, feeds[-1].line_mm)
        camera.lines = asdict(shown)
        camera.save(update_fields=["lines"])


LEAST_APART = 0.03


def _check(lines: Lines) -> None:
    for name, upper, lower in (("line", lines.line, lines.bottom), ("rim", lines.rim, lines.line)):
        if lower - upper < LEAST_APART:
            raise Problem(ServerProblem.LINES_CROSS, name)
    if lines.right - lines.left < LEAST_APART:
        raise Problem(ServerProblem.LINES_CROSS, "right")
    if not lines.rim <= lines.level < lines.bottom:
        raise Problem(ServerProblem.LINES_CROSS, "level")


# --- what it sends ---


@dataclass(frozen=True)
class Taken:
    """What was made of one picture; `is_new` is false for one that was sent before, or came after later ones."""

    at: datetime
    is_new: bool
    level: float | None
    error: float | None
    cause: Unread | None


def take(camera: Camera, sent: Sequence[Sent], now: datetime, account: Account | None = None) -> list[Taken]:
    """Take pictures in the order of their times, one camera's after the other. Raises Problem for what is no picture
    or has no time, naming which; nothing of the others is lost by sending them again."""
    timed = sorted(
        ((_time_of(one, number, account, now), number, one) for number, one in enumerate(sent)), key=lambda one: one[:2]
    )
    pictures = [(at, _upright(one, number)) for at, number, one in timed]
    with transaction.atomic():
        camera = Camera.objects.select_for_update().get(id=camera.id)
        taken, feed = _take(camera, pictures)
        give_notice(camera, feed, now)
        keeping.thin(camera, now)
    written_anew([camera.jar_id])
    return taken


def _upright(one: Sent, number: int) -> Image.Image:
    try:
        return upright_of(one.picture, WHOLE_SIDE)
    except Problem as problem:
        raise Problem(problem.code, f"pictures.{number}", status=problem.status, facts=problem.facts) from None


def _time_of(one: Sent, number: int, account: Account | None, now: datetime) -> datetime:
    zone = ZoneInfo(account.time_zone if account else "UTC")
    at = one.at or taken_at(one.picture, zone)
    if at is None or at > now + CLOCK_SLACK:
        raise Problem(ServerProblem.NOT_A_TIME, f"pictures.{number}.at")
    return at


def _take(camera: Camera, pictures: Iterable[tuple[datetime, Image.Image]]) -> tuple[list[Taken], FeedToWatch | None]:
    """With the feed of the last one that was new."""
    last_at = Picture.objects.filter(camera=camera).aggregate(last=Max("at"))["last"]
    feeds = _feeds(camera)
    sight = Sight(camera, feeds)
    taken: list[tuple[Picture | None, datetime]] = []
    for at, picture in pictures:
        if last_at is not None and at <= last_at:
            taken.append((None, at))
            continue
        row = sight.take(at, picture)
        taken.append((row, at))
        last_at = at
    sight.tell_again()
    camera.save(update_fields=["right", "down"])
    return [_taken(row, at) for row, at in taken], sight.feed


def _taken(row: Picture | None, at: datetime) -> Taken:
    if row is None:
        return Taken(at, False, None, None, None)  # noqa: FBT003  (a row of a table)
    return Taken(at, True, row.level, row.error, Unread(row.cause) if row.cause else None)  # noqa: FBT003


def _feeds(camera: Camera) -> tuple[FeedToWatch, ...]:
    card = card_of_row(camera.jar_id)
    if not isinstance(card, JarCard):
        raise Problem(ServerProblem.JAR_UNREADABLE, "", status=409)
    told = logs_of([card])[card.id]
    if isinstance(told, UnreadableError):
        raise Problem(ServerProblem.JAR_UNREADABLE, "", status=409)
    return feeds_to_watch(card.setup, told)


# --- one photo ---


def propose(
    account: Account, jar_id: UUID, sent: bytes, shown: Proposed | None = None
) -> tuple[Proposed, Beside] | None:
    """Where the jar seems to stand in a photo of it, how high its paste, and what else it may show; nothing is kept.
    What the baker corrected in the last photos of this jar is corrected here; between lines that she has set in this
    one the level is read again. Raises Problem for what is no photo."""
    jar_of(account, jar_id)
    photo = upright_of(sent, WHOLE_SIDE)
    if shown is not None:
        if not (shown.rim < shown.level < shown.bottom and shown.left < shown.right):
            raise Problem(ServerProblem.LINES_CROSS, "shown.level")
        stands = read_within(photo, shown)
    else:
        found = proposal_for(photo)
        if found is None:
            return None
        stands = corrected(found, _corrections(jar_id))
    return stands, beside_of(photo, stands)


# So many photos of a jar teach its next.
TEACH = 3


def _corrections(jar_id: UUID) -> list[Correction]:
    """What the baker moved in the last photos of the jar, against what would have been proposed."""
    told: list[Correction] = []
    for photo in [one for one in photos_of(jar_id) if one.points is not None][-TEACH:]:
        data = large_picture(jar_id, photo.id)
        found = proposal_for(opened(data)) if data else None
        if found is not None and photo.points is not None:
            told.append(Correction.of(found, photo.points.bottom[1], photo.points.mark[1], photo.points.level[1]))
    return told


# --- what it saw ---


def glimpses_of(jar_ids: Iterable[UUID]) -> dict[UUID, tuple[Glimpse, ...]]:
    """By jar, what cameras read of it: one in twenty minutes, in one query."""
    found: dict[UUID, list[Glimpse]] = {}
    rows = (
        Picture.objects.filter(camera__jar_id__in=list(jar_ids), tells=True)
        .exclude(level=None)
        .order_by("at")
        .values_list("camera__jar_id", "camera_id", "at", "level", "error")
    )
    for jar, camera, at, level, error in rows:
        found.setdefault(jar, []).append(
            Glimpse(f"{camera}.{at:%Y%m%dT%H%M%S}", at, float(level or 0.0), float(error or 0.0))
        )
    return {jar: tuple(told) for jar, told in found.items()}


def space_of(jar_id: UUID) -> tuple[int, int]:
    """How many pictures of a jar are kept, and how many bytes."""
    kept = Picture.objects.filter(camera__jar_id=jar_id).exclude(size=0)
    return kept.count(), kept.aggregate(all=Sum("size"))["all"] or 0
