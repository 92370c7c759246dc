"""What cameras saw of a jar, as its page tells it; and a feed as a film and as a table."""

from __future__ import annotations

import csv
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from io import BytesIO, StringIO
from uuid import UUID

from PIL import Image

from accounts.services import Account
from ferment.doors.watched import FeedToWatch, WatchedFeed, feeds_to_watch
from ferment.record.log import Log
from kitchen.cards import JarCard
from kitchen.services import jar_of
from logbook.reading import logs_of
from problems import Problem, ServerProblem, not_found
from problems.stored import UnreadableError

from . import keeping
from .models import Camera, Picture
from .noticing import what_was_seen
from .seeing import opened
from .services import space_of
from .terms import CameraKind, Unread

# As many feeds as are told at once, the latest.
MOST_FEEDS = 6
# So many pictures in a row in which the jar is not recognised: it is asked for.
ASKS_AFTER = 3
UNRECOGNISED = frozenset({Unread.BLOCKED, Unread.MOVED})
# A film of so many pictures at most, so tall, each for so long.
MOST_FRAMES, FILM_TALL, FRAME_MS = 120, 360, 120


@dataclass(frozen=True)
class Point:
    """One picture: its level and error (× the line), or why there is none; `picture` while its file is there."""

    at: datetime
    level: float | None
    error: float | None
    cause: Unread | None
    picture: int | None


@dataclass(frozen=True)
class SeenFeed:
    """A feed with its pictures and what they came to."""

    feed: FeedToWatch
    points: list[Point]
    watched: WatchedFeed


@dataclass(frozen=True)
class Before:
    """A camera before a jar. `asks` that the jar be shown again; `waits` that it has not been shown at all; `last` is
    its last picture, with the size of its file's box in pixels."""

    id: UUID
    kind: CameraKind
    every_min: float
    waits: bool
    asks: bool
    last: Point | None


@dataclass(frozen=True)
class Watch:
    """Feeds the latest first; `later` says that there are more before them."""

    cameras: list[Before]
    feeds: list[SeenFeed]
    more: bool
    pictures: int
    bytes: int
    most_bytes: int


def watch_of(account: Account, jar_id: UUID) -> Watch:
    """Raises Problem: not found, or that the jar cannot be read."""
    feeds = _feeds_of(account, jar_id)
    cameras = list(Camera.objects.filter(jar_id=jar_id, withdrawn_at=None).order_by("made_at", "id"))
    seen_ids = (
        Picture.objects.filter(camera__jar_id=jar_id).exclude(feed=None).values_list("feed", flat=True).distinct()
    )
    seen = {str(one) for one in seen_ids}
    watched = [one for one in reversed(feeds) if one.feed_id in seen]
    count, size = space_of(jar_id)
    return Watch(
        [_before(camera) for camera in cameras],
        [seen_feed(jar_id, one) for one in watched[:MOST_FEEDS]],
        len(watched) > MOST_FEEDS,
        count,
        size,
        keeping.MOST_BYTES,
    )


def seen_feed(jar_id: UUID, feed: FeedToWatch) -> SeenFeed:
    points = [_point(row) for row in _rows(jar_id, feed)]
    return SeenFeed(feed, points, what_was_seen(((one.at, one.level, one.error) for one in points), feed))


def running_feed(card: JarCard, log: Log) -> SeenFeed | None:
    """What cameras saw of the feed that runs; None where they saw nothing of it."""
    if not card.setup.glimpses:
        return None
    *_, feed = feeds_to_watch(card.setup, log)
    if card.setup.glimpses[-1].at < feed.at:
        return None
    seen = seen_feed(card.id, feed)
    return seen if seen.points else None


def feed_of(account: Account, jar_id: UUID, feed_id: UUID) -> SeenFeed:
    """Raises Problem (not found)."""
    feed = next((one for one in _feeds_of(account, jar_id) if one.feed_id == str(feed_id)), None)
    if feed is None:
        raise not_found()
    return seen_feed(jar_id, feed)


def _feeds_of(account: Account, jar_id: UUID) -> tuple[FeedToWatch, ...]:
    card = jar_of(account, jar_id)
    told = logs_of([card])[card.id]
    if isinstance(told, UnreadableError):
        raise Problem(ServerProblem.JAR_UNREADABLE, "", status=409)
    return feeds_to_watch(card.setup, told)


def _rows(jar_id: UUID, feed: FeedToWatch) -> list[Picture]:
    rows = Picture.objects.filter(camera__jar_id=jar_id, feed=feed.feed_id)
    return list(rows.defer("likely", "belief").order_by("at"))


def _before(camera: Camera) -> Before:
    latest = list(Picture.objects.filter(camera=camera).defer("likely", "belief").order_by("-at")[:ASKS_AFTER])
    asks = len(latest) == ASKS_AFTER and all(row.cause in UNRECOGNISED for row in latest)
    last = _point(latest[0]) if latest else None
    return Before(camera.id, CameraKind(camera.kind), camera.every_min, camera.lines is None, asks, last)


def _point(row: Picture) -> Point:
    cause = Unread(row.cause) if row.cause else None
    return Point(row.at, row.level, row.error, cause, row.id if row.size else None)


def picture_of(account: Account, picture_id: int) -> bytes:
    """Raises Problem (not found) for what is not there, and for one of a jar out of reach."""
    row = Picture.objects.filter(id=picture_id).select_related("camera").first()
    if row is None:
        raise not_found()
    jar_of(account, row.camera.jar_id)
    data = keeping.read(row.camera, row)
    if data is None:
        raise not_found()
    return data


def as_csv(seen: SeenFeed) -> str:
    """RFC 4180, times in UTC."""
    out = StringIO()
    table = csv.writer(out)
    table.writerow(("at", "hours_since_feed", "level_times", "error_times", "cause"))
    for one in seen.points:
        hours = (one.at - seen.feed.at) / timedelta(hours=1)
        level = ("", "") if one.level is None else (f"{one.level:.3f}", f"{one.error or 0.0:.3f}")
        table.writerow((one.at.isoformat(), f"{hours:.3f}", *level, one.cause or ""))
    return out.getvalue()


def as_film(jar_id: UUID, seen: SeenFeed) -> bytes:
    """An animated WebP of a feed's pictures, evenly chosen where there are too many. Raises Problem (not found) where
    none is kept."""
    frames = list(_frames(jar_id, seen))
    if not frames:
        raise not_found()
    out = BytesIO()
    frames[0].save(
        out, "WEBP", save_all=True, append_images=frames[1:], duration=FRAME_MS, loop=0, quality=70, method=0
    )
    return out.getvalue()


def _frames(jar_id: UUID, seen: SeenFeed) -> Iterator[Image.Image]:
    rows = [row for row in _rows(jar_id, seen.feed) if row.size and row.cause not in (Unread.DARK, Unread.NOT_SHOWN)]
    first: tuple[int, int] | None = None
    for row in _evenly(rows):
        data = keeping.read(row.camera, row)
        if data is None:
            continue
        frame = opened(data)
        first = first or (round(frame.width * FILM_TALL / frame.height), FILM_TALL)
        yield frame.resize(first, Image.Resampling.BILINEAR)


def _evenly(rows: Sequence[Picture]) -> list[Picture]:
    if len(rows) <= MOST_FRAMES:
        return list(rows)
    return [rows[round(number * (len(rows) - 1) / (MOST_FRAMES - 1))] for number in range(MOST_FRAMES)]
