"""What goes over the wire about cameras."""

from __future__ import annotations

from dataclasses import asdict
from datetime import datetime
from typing import Annotated
from uuid import UUID

from pydantic import Base64Bytes, Field

from accounts.wire import Moment, Request, Told
from eye.beside import Beside, Holes
from ferment.doors.watched import WatchedMoment

from .seeing import Proposed
from .services import MOST_AT_ONCE, Lines, NewCamera, Sent, Taken
from .terms import CameraKind, Unread
from .views import Before, Point, SeenFeed, Watch

Share = Annotated[float, Field(ge=0.0, le=1.0)]


class StandsIn(Request):
    """Where the baker says that the jar stands in a photo: shares of its height from the top, its walls of its
    width."""

    bottom: Share
    rim: Share
    left: Share
    right: Share
    level: Share
    mark: Share | None


class ProposalIn(Request):
    """A photo of the jar: JPEG, PNG or WebP, base64. It is looked at, and not kept. Where lines are `shown` in it, the
    level is read between them."""

    photo: Base64Bytes
    shown: StandsIn | None = None


class MayShowOut(Told):
    """What else a photo may show, each null where it cannot be told: bubbles at the glass, a domed top, where a smear
    ends (a share of the height from the top); and whether there seem to be liquid and spots."""

    bubbles: Holes | None
    domed: bool | None
    high: float | None
    liquid: bool
    spots: bool


class ProposalOut(Told):
    """Where the jar seems to stand: shares of the height from the top, its walls of the width; `mark` is null where it
    is not seen, `sure` from 0 to 1."""

    bottom: float
    rim: float
    left: float
    right: float
    level: float
    mark: float | None
    sure: float
    beside: MayShowOut


def proposal_out(found: tuple[Proposed, Beside]) -> ProposalOut:
    stands, told = found
    return ProposalOut(**asdict(stands), beside=MayShowOut.model_validate(told))


def stands_in(shown: StandsIn) -> Proposed:
    return Proposed(**shown.model_dump(), sure=0.0)


class ProposedOut(Told):
    """`proposal` is null where no jar is seen."""

    proposal: ProposalOut | None


class CameraIn(Request):
    """A camera before a jar, its id made by the client; a picture each so many minutes."""

    id: UUID
    kind: CameraKind
    every_min: float


class NewCameraOut(Told):
    """The token, of one that posts, is told this once."""

    id: UUID
    token: str | None


class LinesIn(Request):
    """Where the jar stands in a picture: shares of its height from the top, its walls shares of its width."""

    bottom: Share
    line: Share
    rim: Share
    level: Share
    left: Share
    right: Share


class PictureIn(Request):
    """A picture: JPEG, PNG or WebP, base64; without a time it is taken from the picture itself (Exif)."""

    at: Moment | None
    picture: Base64Bytes


class ShownIn(Request):
    """Where the jar stands in the picture that comes with it, or in the last that the camera sent."""

    lines: LinesIn
    picture: PictureIn | None


class PicturesIn(Request):
    pictures: Annotated[list[PictureIn], Field(min_length=1, max_length=MOST_AT_ONCE)]


class PictureTakenOut(Told):
    """What was made of one picture; `is_new` is false for one that was sent before, or came after later ones."""

    at: datetime
    is_new: bool
    level: float | None
    error: float | None
    cause: Unread | None


class PointOut(Told):
    """One picture: its level and error, × the line, or why there is none; `picture` while it is kept."""

    at: datetime
    level: float | None
    error: float | None
    cause: Unread | None
    picture: int | None


class WatchedMomentOut(Told):
    """When a level was seen. `sure` is false where it may have been passed while the camera was blind."""

    at: datetime
    times: float
    sure: bool


class BlindOut(Told):
    """A time in which nothing could be read."""

    since: datetime
    until: datetime


class SeenFeedOut(Told):
    """A feed with its pictures: the level that counts as doubled and the rim, × the line, and what was seen of it.
    `peak` is told once it has fallen."""

    feed_id: str
    at: datetime
    until: datetime | None
    doubles_at: float
    room_times: float
    points: list[PointOut]
    highest: WatchedMomentOut | None
    doubled: WatchedMomentOut | None
    peak: WatchedMomentOut | None
    back_to_line: WatchedMomentOut | None
    near_rim: WatchedMomentOut | None
    unseen: list[BlindOut]


class WatchedOut(Told):
    """What a camera saw of the running feed, the last time at `seen_at`."""

    seen_at: datetime
    doubled: WatchedMomentOut | None
    peak: WatchedMomentOut | None
    back_to_line: WatchedMomentOut | None
    near_rim: WatchedMomentOut | None


class CameraOut(Told):
    """`waits` for the jar to be shown to it, `asks` for it to be shown again."""

    id: UUID
    kind: CameraKind
    every_min: float
    waits: bool
    asks: bool
    last: PointOut | None


class WatchOut(Told):
    """What cameras saw of a jar, the latest feeds first, and the room that its pictures take."""

    cameras: list[CameraOut]
    feeds: list[SeenFeedOut]
    more: bool
    pictures: int
    bytes: int
    most_bytes: int


class ClearedOut(Told):
    """How many pictures went."""

    pictures: int


def lines_in(body: LinesIn) -> Lines:
    return Lines(body.bottom, body.line, body.rim, body.level, body.left, body.right)


def sent_in(body: PictureIn) -> Sent:
    return Sent(body.picture, body.at)


def new_camera_out(made: NewCamera) -> NewCameraOut:
    return NewCameraOut(id=made.camera.id, token=made.token)


def taken_out(one: Taken) -> PictureTakenOut:
    return PictureTakenOut(
        at=one.at, is_new=one.is_new, level=_fine(one.level), error=_fine(one.error), cause=one.cause
    )


def watch_out(told: Watch) -> WatchOut:
    return WatchOut(
        cameras=[_camera_out(one) for one in told.cameras],
        feeds=[_feed_out(one) for one in told.feeds],
        more=told.more,
        pictures=told.pictures,
        bytes=told.bytes,
        most_bytes=told.most_bytes,
    )


def _camera_out(one: Before) -> CameraOut:
    return CameraOut(
        id=one.id,
        kind=one.kind,
        every_min=one.every_min,
        waits=one.waits,
        asks=one.asks,
        last=_point_out(one.last) if one.last else None,
    )


def _feed_out(one: SeenFeed) -> SeenFeedOut:
    feed, seen = one.feed, one.watched
    return SeenFeedOut(
        feed_id=feed.feed_id,
        at=feed.at,
        until=feed.until,
        doubles_at=feed.doubles_at,
        room_times=round(feed.room_times, 3),
        points=[_point_out(point) for point in one.points],
        highest=_moment_out(seen.highest),
        doubled=_moment_out(seen.doubled),
        peak=_moment_out(seen.peak),
        back_to_line=_moment_out(seen.back_to_line),
        near_rim=_moment_out(seen.near_rim),
        unseen=[BlindOut(since=since, until=until) for since, until in seen.unseen],
    )


def watched_out(seen: SeenFeed) -> WatchedOut:
    told = seen.watched
    return WatchedOut(
        seen_at=seen.points[-1].at,
        doubled=_moment_out(told.doubled),
        peak=_moment_out(told.peak),
        back_to_line=_moment_out(told.back_to_line),
        near_rim=_moment_out(told.near_rim),
    )


def _point_out(one: Point) -> PointOut:
    return PointOut(at=one.at, level=_fine(one.level), error=_fine(one.error), cause=one.cause, picture=one.picture)


def _moment_out(one: WatchedMoment | None) -> WatchedMomentOut | None:
    return WatchedMomentOut(at=one.at, times=round(one.times, 3), sure=one.sure) if one else None


def _fine(value: float | None) -> float | None:
    return None if value is None else round(value, 3)
