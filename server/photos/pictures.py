"""A picture made anew: checked, turned upright, made small, and stripped of everything but what is seen."""

from __future__ import annotations

import warnings
from dataclasses import dataclass
from datetime import datetime, tzinfo
from io import BytesIO

from PIL import ExifTags, Image, ImageOps, UnidentifiedImageError

from problems import Problem, ServerProblem

FORMATS = ("JPEG", "PNG", "WEBP")
MOST_BYTES = 12_000_000
# Twice what a good phone takes; a bomb is far beyond it.
MOST_PIXELS = 50_000_000
LEAST_SIDE = 60
SIDE, SMALL_SIDE = 1600, 320


@dataclass(frozen=True)
class Picture:
    """Two JPEGs of one picture, large and small, with the large one's size in pixels."""

    large: bytes
    small: bytes
    width: int
    height: int


def made_anew(sent: bytes) -> Picture:
    """Raises Problem naming what would be accepted."""
    upright = upright_of(sent)
    large, small = _fit(upright, SIDE), _fit(upright, SMALL_SIDE)
    return Picture(_jpeg(large), _jpeg(small), large.width, large.height)


def upright_of(sent: bytes, side: int = SIDE) -> Image.Image:
    """A checked picture, turned as it was taken, of at least about `side` where it was so large. Raises Problem naming
    what would be accepted."""
    if len(sent) > MOST_BYTES:
        raise Problem(ServerProblem.PHOTO_TOO_LARGE, "photo", facts={"most_mb": MOST_BYTES / 1e6})
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            opened = Image.open(BytesIO(sent), formats=FORMATS)
            if opened.width * opened.height > MOST_PIXELS:
                raise Problem(ServerProblem.PHOTO_TOO_LARGE, "photo", facts={"most_mp": MOST_PIXELS / 1e6})
            opened.draft("RGB", (side * 2, side * 2))
            upright = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, Image.DecompressionBombWarning, Image.DecompressionBombError):
        raise Problem(ServerProblem.NOT_A_PHOTO, "photo", facts={"kinds": "JPEG, PNG, WebP"}) from None
    except (OSError, ValueError, SyntaxError):
        # A file that begins like a picture and is cut off or broken further on.
        raise Problem(ServerProblem.PHOTO_BROKEN, "photo") from None
    if min(upright.size) < LEAST_SIDE:
        raise Problem(ServerProblem.PHOTO_TOO_SMALL, "photo", facts={"least": float(LEAST_SIDE)})
    return upright


def taken_at(sent: bytes, zone: tzinfo) -> datetime | None:
    """When a picture says that it was taken (Exif 2.31, DateTimeOriginal with OffsetTimeOriginal where there is one,
    else by the clock of `zone`); None where it does not say."""
    try:
        exif = Image.open(BytesIO(sent), formats=FORMATS).getexif().get_ifd(ExifTags.IFD.Exif)
    except (OSError, ValueError, SyntaxError, Image.DecompressionBombError):
        return None
    said, offset = exif.get(ExifTags.Base.DateTimeOriginal), exif.get(ExifTags.Base.OffsetTimeOriginal)
    try:
        at = datetime.strptime(str(said).strip("\0 "), "%Y:%m:%d %H:%M:%S").replace(tzinfo=zone)
        return datetime.fromisoformat(f"{at:%Y-%m-%dT%H:%M:%S}{str(offset).strip(chr(0) + ' ')}") if offset else at
    except ValueError:
        return None


def _fit(picture: Image.Image, side: int) -> Image.Image:
    fitted = picture.copy()
    fitted.thumbnail((side, side), Image.Resampling.LANCZOS)
    return fitted


def _jpeg(picture: Image.Image) -> bytes:
    """Pixels alone: no place, no device, no comment goes along."""
    out = BytesIO()
    bare = Image.new("RGB", picture.size)
    bare.paste(picture)
    bare.save(out, "JPEG", quality=82, optimize=True)
    return out.getvalue()
