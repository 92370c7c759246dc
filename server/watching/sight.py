"""A camera's pictures while they are taken: each to its feed, held against the first of it, and told again by those
that came after."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, timedelta
from uuid import UUID

from django.db.models import Max
from PIL import Image

from eye.follow import LATELY_H, Seen
from eye.place import AS_IT_STOOD, Set, where
from eye.terms import Cause, Jar
from ferment.doors.watched import FeedToWatch

from . import keeping
from .models import Camera, Picture
from .seeing import (
    Read,
    Round,
    Shown,
    as_jpeg,
    jar_as_stored,
    jar_from,
    kept_of,
    opened,
    packed,
    pixels,
    told_again,
    unpacked,
)
from .terms import Unread

# After a feed so long the paste still stands at its line: the first picture of it.
AT_ITS_LINE = timedelta(hours=1)
# What was read is told again by what came after it, so far back.
TOLD_AGAIN = timedelta(hours=3)
# A picture that was read so lately tells what cannot have changed since.
LATELY = timedelta(hours=LATELY_H)
# One picture in such a time is enough for a forecast.
TELLS_EVERY = timedelta(minutes=20)
# A picture in which the jar has not been shown yet is kept whole, and smaller.
WHOLE_SIDE = 960
# As exactly as a line is drawn by hand.
START_ERROR = 0.02


class Sight:
    """A camera's pictures while they are taken, one after the other."""

    def __init__(self, camera: Camera, feeds: Sequence[FeedToWatch]) -> None:
        self.camera, self.feeds = camera, feeds
        self.shown = Shown(**camera.lines) if camera.lines else None
        self.feed: FeedToWatch | None = None
        self.round: Round | None = None
        self.since: datetime | None = None
        self.first_new: datetime | None = None
        self.new: dict[int, Picture] = {}
        self.told_at = Picture.objects.filter(camera=camera, tells=True).aggregate(last=Max("at"))["last"]

    def take(self, at: datetime, picture: Image.Image) -> Picture:
        row = Picture(camera=self.camera, at=at)
        if self.shown is None:
            row.cause = Unread.NOT_SHOWN
            keeping.drop_whole(self.camera)
            picture.thumbnail((WHOLE_SIDE, WHOLE_SIDE))
            keeping.put(self.camera, row, as_jpeg(picture))
            return row
        jpeg = as_jpeg(kept_of(picture, self.shown))
        feed = feed_at(self.feeds, at)
        if feed is None:
            row.cause = Unread.NO_FEED
        else:
            row.feed = UUID(feed.feed_id)
            # As it will be kept: later pictures are held against it so.
            self._read(row, feed, opened(jpeg), self.shown)
        keeping.put(self.camera, row, jpeg)
        self.new[row.id] = row
        return row

    def _read(self, row: Picture, feed: FeedToWatch, kept: Image.Image, shown: Shown) -> None:
        if feed != self.feed:
            self.tell_again()
            self.feed, self.round, self.since = feed, None, None
            self._resume(feed, row.at)
        if self.round is None or self.since is None:
            self._begin(row, feed, kept, shown)
            return
        read = self.round.see(pixels(kept), (row.at - self.since) / timedelta(hours=1))
        self.camera.right, self.camera.down = self.round.stands.right, self.round.stands.down
        self._note(row, read.seen)
        row.high, row.belief, row.likely = read.high, packed(read.belief), packed(read.seen.likely)

    def _note(self, row: Picture, seen: Seen) -> None:
        """What a picture says by itself, until it is told again."""
        row.cause = seen.cause.value if seen.cause else None
        self.first_new = self.first_new or row.at
        if seen.likely is not None and (self.told_at is None or row.at - self.told_at >= TELLS_EVERY):
            row.tells, self.told_at = True, row.at

    def _resume(self, feed: FeedToWatch, at: datetime) -> None:
        """Go on where the last picture of this feed left off."""
        of_feed = Picture.objects.filter(camera=self.camera, feed=feed.feed_id, at__lt=at)
        first = of_feed.filter(starts=True).order_by("-at").first()
        if first is None:
            return
        made = self._round_of(first)
        last = of_feed.filter(at__gt=first.at).exclude(belief=None).order_by("-at").first()
        if made is None:
            return
        belief = unpacked(last.belief) if last else None
        if last is not None and belief is not None:
            made.resume(belief, last.high, (last.at - first.at) / timedelta(hours=1))
            read = of_feed.filter(at__gte=at - LATELY).exclude(level=None).exclude(size=0).order_by("-at").first()
            data = keeping.read(self.camera, read) if read else None
            if read is not None and data is not None:
                picture = pixels(opened(data))
                made.resume_beside(picture, read.level or 1.0, (read.at - first.at) / timedelta(hours=1))
        self.round, self.since = made, first.at

    def _round_of(self, first: Picture) -> Round | None:
        data = keeping.read(self.camera, first)
        if data is None:
            return None
        stands = Set(self.camera.right, self.camera.down)
        return Round.begin(pixels(opened(data)), jar_from(first.lines), first.stood or 1.0, stands)

    def _begin(self, row: Picture, feed: FeedToWatch, kept: Image.Image, shown: Shown) -> None:
        """The first picture of a feed, if it shows the jar as the feed before left it, and the paste at its line."""
        if row.at - feed.at > AT_ITS_LINE:
            row.cause = Unread.TOO_LATE
            return
        jar = shown.jar(kept, feed.line_mm)
        before = Picture.objects.filter(camera=self.camera, starts=True, at__lt=row.at).order_by("-at").first()
        earlier = self._round_of(before) if before else None
        if earlier is not None:
            seen = earlier.see(pixels(kept), 0.1).seen
            if seen.cause is not None and seen.cause is not Cause.UNSURE:
                row.cause = seen.cause.value
                return
            # As it stood in the picture before, and by so much further; the line is this feed's.
            own = where(earlier.follower.start.jar, earlier.stands)
            line = own.bottom - (jar.bottom - jar.line)
            jar = type(own)(own.bottom, line, own.rim, own.left, own.right)
        self.camera.right = self.camera.down = 0
        as_start(row, jar, 1.0)
        row.tells, self.told_at = True, row.at
        self.round = Round.begin(pixels(kept), jar, 1.0, AS_IT_STOOD)
        self.since = row.at

    def tell_again(self) -> None:
        """What was read in the last hours, by what came after it."""
        if self.round is None or self.since is None or self.feed is None or self.first_new is None:
            return
        since = self.first_new - TOLD_AGAIN
        rows = list(
            Picture.objects.filter(
                camera=self.camera, feed=self.feed.feed_id, at__gt=max(since, self.since), starts=False
            )
            .exclude(belief=None)
            .order_by("at")
        )
        pictures = [((row.at - self.since) / timedelta(hours=1), _read_of(row)) for row in rows]
        for row, reading in zip(rows, told_again(self.round.follower.start.levels, pictures), strict=True):
            row.level, row.error = reading.level, reading.error
            row.cause = reading.cause.value if reading.cause else None
            new = self.new.get(row.id)
            if new is not None:
                new.level, new.error, new.cause = row.level, row.error, row.cause
        Picture.objects.bulk_update(rows, ["level", "error", "cause"], batch_size=200)
        self.first_new = None


def _read_of(row: Picture) -> Read:
    belief = unpacked(row.belief)
    assert belief is not None
    likely = unpacked(row.likely)
    # Read and unsure is not unread: what came after may make it sure.
    return Read(Seen(likely, None if likely is not None else Cause(row.cause or Cause.UNSURE)), belief, row.high)


def as_start(row: Picture, jar: Jar, stood: float) -> None:
    row.starts, row.stood, row.lines = True, stood, jar_as_stored(jar)
    row.level, row.error, row.high, row.cause = stood, START_ERROR, stood, None


def feed_at(feeds: Sequence[FeedToWatch], at: datetime) -> FeedToWatch | None:
    return next((one for one in reversed(feeds) if one.at <= at and (one.until is None or at < one.until)), None)
