"""Notice of what a camera sees: that a feed doubled, peaked, or came near the rim; once each."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from ferment.doors.watched import FeedToWatch, WatchedFeed, watched_feed
from ferment.record.glimpses import Glimpse

from .models import Camera, Notice, Picture
from .terms import CameraKind, Moment


@dataclass(frozen=True)
class Noticed:
    """A moment that a camera saw, and when it was noticed."""

    jar_id: UUID
    jar: str
    what: Moment
    at: datetime
    times: float
    told_at: datetime


def give_notice(camera: Camera, feed: FeedToWatch | None, now: datetime) -> None:
    """Write down what has happened of the feed that runs; what is found otherwise later is told otherwise, once."""
    if camera.kind == CameraKind.LAPSE or feed is None or feed.until is not None:
        return
    rows = Picture.objects.filter(camera=camera, feed=feed.feed_id).exclude(level=None).order_by("at")
    told = what_was_seen(rows.values_list("at", "level", "error"), feed)
    happened = {Moment.DOUBLED: told.doubled, Moment.PEAK: told.peak, Moment.NEAR_RIM: told.near_rim}
    for what, moment in happened.items():
        if moment is not None and moment.sure:
            found = {"at": moment.at, "times": moment.times}
            Notice.objects.update_or_create(
                jar_id=camera.jar_id,
                feed=feed.feed_id,
                what=what,
                defaults=found,
                create_defaults={**found, "told_at": now},
            )


def what_was_seen(levels: Iterable[tuple[datetime, float | None, float | None]], feed: FeedToWatch) -> WatchedFeed:
    """Of levels and errors in order; where there is no level nothing was seen."""
    glimpses = [Glimpse(str(at), at, level, error or 0.0) for at, level, error in levels if level is not None]
    return watched_feed(glimpses, feed.doubles_at, feed.room_times)


def notices_of(jars: Iterable[UUID], most: int) -> list[Noticed]:
    """The latest first."""
    rows = Notice.objects.filter(jar_id__in=list(jars)).select_related("jar").order_by("-told_at", "-id")[:most]
    return [Noticed(row.jar_id, row.jar.name, Moment(row.what), row.at, row.times, row.told_at) for row in rows]
