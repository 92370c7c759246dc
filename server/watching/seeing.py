"""One feed's pictures as the eye sees them: each held against the first, and what was read told again by what came
after."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict, dataclass, replace
from io import BytesIO
from statistics import median
from typing import Any

import numpy as np
from PIL import Image

from eye.beside import Beside, beside
from eye.follow import Earlier, Follower, Seen, Start, back_over
from eye.photo import MOST_ERROR, proposed, read_alone
from eye.place import Edges, Set, edges_of, set_down, where
from eye.rows import cells
from eye.terms import Array, Cause, Jar, Picture, Reading
from eye.unseen import why_unseen

# Of a picture is kept what stands around the jar, no taller than this; the eye needs no more.
TALL = 480
BESIDE, ABOVE, BELOW = 0.35, 0.12, 0.06
QUALITY = 85


@dataclass(frozen=True)
class Shown:
    """Where the baker showed a jar in a picture, as shares of its height (from the top) and of its width; `line_mm` is
    how high the line stood then."""

    bottom: float
    line: float
    rim: float
    left: float
    right: float
    line_mm: float

    @property
    def box(self) -> tuple[float, float, float, float]:
        """Left, top, right, bottom of what is kept, as shares."""
        wide, tall = self.right - self.left, self.bottom - self.rim
        return (
            max(0.0, self.left - BESIDE * wide),
            max(0.0, self.rim - ABOVE * tall),
            min(1.0, self.right + BESIDE * wide),
            min(1.0, self.bottom + BELOW * tall),
        )

    def jar(self, kept: Image.Image, line_mm: float) -> Jar:
        """Where it stands in what is kept, with the line of another feed."""
        left, top, right, low = self.box

        def row(at: float) -> float:
            return (at - top) / (low - top) * kept.height

        def column(at: float) -> float:
            return (at - left) / (right - left) * kept.width

        line = self.bottom - (self.bottom - self.line) * line_mm / self.line_mm
        return Jar(row(self.bottom), row(line), row(self.rim), column(self.left), column(self.right))


def kept_of(picture: Image.Image, shown: Shown) -> Image.Image:
    """The box around the jar, small."""
    left, top, right, low = shown.box
    cut = picture.crop(
        (
            round(left * picture.width),
            round(top * picture.height),
            round(right * picture.width),
            round(low * picture.height),
        )
    )
    if cut.height > TALL:
        cut = cut.resize((max(1, round(cut.width * TALL / cut.height)), TALL), Image.Resampling.BOX)
    return cut


def as_jpeg(kept: Image.Image) -> bytes:
    out = BytesIO()
    kept.save(out, "JPEG", quality=QUALITY)
    return out.getvalue()


def opened(jpeg: bytes) -> Image.Image:
    """What is kept, as it was kept."""
    return Image.open(BytesIO(jpeg), formats=("JPEG",)).convert("RGB")


def pixels(kept: Image.Image) -> Picture:
    return np.asarray(kept, dtype=np.uint8)


@dataclass(frozen=True)
class Proposed:
    """Where a jar seems to stand in a photo, as shares of its height from the top and of its width; `sure` from 0 to
    1. `mark` is None where none is seen."""

    bottom: float
    rim: float
    left: float
    right: float
    level: float
    mark: float | None
    sure: float


def proposal_for(photo: Image.Image) -> Proposed | None:
    """None where no jar is seen."""
    seen = proposed(pixels(photo))
    if seen is None:
        return None
    tall, wide = photo.height, photo.width
    mark = None if seen.mark is None else seen.mark / tall
    return Proposed(
        seen.bottom / tall, seen.rim / tall, seen.left / wide, seen.right / wide, seen.level / tall, mark, seen.sure
    )


def read_within(photo: Image.Image, shown: Proposed) -> Proposed:
    """The level between lines that the baker set; the one that was shown, and not sure at all, where it cannot be
    read."""
    read = read_alone(pixels(photo), _jar_in(photo, shown))
    if read is None or read.error > MOST_ERROR:
        return replace(shown, sure=0.0)
    level = shown.bottom - read.level * (shown.bottom - shown.rim)
    return replace(shown, level=level, sure=max(0.0, 1.0 - read.error / (2 * MOST_ERROR)))


def beside_of(photo: Image.Image, stands: Proposed) -> Beside:
    """What else the photo may show of the jar; `high` as a share of the photo's height from the top."""
    tall = stands.bottom - stands.rim
    mark = None if stands.mark is None else (stands.bottom - stands.mark) / tall
    told = beside(pixels(photo), _jar_in(photo, stands), (stands.bottom - stands.level) / tall, mark)
    return told if told.high is None else replace(told, high=stands.bottom - told.high * tall)


def _jar_in(photo: Image.Image, stands: Proposed) -> Jar:
    tall, wide = photo.height, photo.width
    line = stands.level if stands.mark is None else stands.mark
    return Jar(stands.bottom * tall, line * tall, stands.rim * tall, stands.left * wide, stands.right * wide)


@dataclass(frozen=True)
class Correction:
    """How much lower a baker set bottom and level than was proposed, × the jar's height in the picture; `mark` is where
    it really was between bottom and rim."""

    bottom: float
    level: float
    mark: float

    @classmethod
    def of(cls, found: Proposed, bottom: float, mark: float, level: float) -> Correction:
        tall = found.bottom - found.rim
        return cls((bottom - found.bottom) / tall, (level - found.level) / tall, (found.bottom - mark) / tall)


def corrected(found: Proposed, by: Sequence[Correction]) -> Proposed:
    """By the median of what was corrected before; a mark that is not seen is taken to be where it was."""
    if not by:
        return found
    tall = found.bottom - found.rim
    lower, level, mark = (median(getattr(one, name) for one in by) for name in ("bottom", "level", "mark"))
    return replace(
        found,
        bottom=min(1.0, found.bottom + lower * tall),
        level=min(1.0, max(0.0, found.level + level * tall)),
        mark=found.mark if found.mark is not None else found.bottom - mark * tall,
    )


def packed(numbers: Array | None) -> bytes | None:
    return None if numbers is None else numbers.astype(np.float32).tobytes()


def unpacked(numbers: bytes | memoryview | None) -> Array | None:
    return None if numbers is None else np.frombuffer(bytes(numbers), dtype=np.float32).astype(np.float64)


@dataclass
class Round:
    """The pictures of one feed by one camera, while they come in; `stands` is how far the jar stands from where it
    stood in the first."""

    first: Picture
    edges: Edges
    follower: Follower
    stands: Set

    @classmethod
    def begin(cls, first: Picture, jar: Jar, stood: float, stands: Set) -> Round:
        """Raises ValueError for a jar that is too small in the picture."""
        return cls(first, edges_of(first), Follower(Start.of(first, jar, stood)), stands)

    def resume(self, belief: Array, high: float, at_h: float) -> None:
        """Go on as it was after a picture, so many hours after the first."""
        self.follower.belief, self.follower.high, self.follower.at_h = belief, high, at_h

    def resume_beside(self, picture: Picture, level: float, at_h: float) -> None:
        """What is to come is held against a picture that was read too."""
        start, high = self.follower.start, self.follower.high
        self.follower.earlier = Earlier(cells(picture, where(start.jar, self.stands)), level, high, at_h, self.stands)

    def see(self, picture: Picture, at_h: float) -> Read:
        """The next picture, so many hours after the first one. One of another size is of another camera, or turned."""
        if picture.shape != self.first.shape:
            seen = Seen(None, Cause.MOVED)
            self.follower.take(seen, at_h)
        else:
            jar = self.follower.start.jar
            stands = set_down(edges_of(picture), self.edges, jar, self.stands)
            seen, _ = self.follower.look(picture, at_h, stands)
            if seen.likely is not None:
                self.stands = stands
            elif seen.cause is Cause.BLOCKED:
                seen = Seen(None, why_unseen(picture, self.first, where(jar, stands)))
        return Read(seen, self.follower.belief, self.follower.high)


@dataclass(frozen=True)
class Read:
    """What one picture says, what is believed after it, and the highest level read so far."""

    seen: Seen
    belief: Array
    high: float


def told_again(levels: Array, pictures: Sequence[tuple[float, Read]]) -> list[Reading]:
    """The readings of pictures in order, hours since the first of the feed beside each, by those after them too."""
    return back_over(levels, [(at_h, read.seen, read.belief) for at_h, read in pictures])


def jar_as_stored(jar: Jar) -> dict[str, float]:
    return asdict(jar)


def jar_from(stored: Any) -> Jar:
    """Raises TypeError, KeyError or ValueError for what is none."""
    return Jar(**{name: float(stored[name]) for name in ("bottom", "line", "rim", "left", "right")})
