"""What is said of cameras and of their pictures."""

from __future__ import annotations

from enum import StrEnum


class CameraKind(StrEnum):
    """This page's own camera, one that posts to a private address, or pictures that were taken already."""

    PAGE = "page"
    POSTS = "posts"
    LAPSE = "lapse"


# A picture so often.
LEAST_EVERY_MIN, MOST_EVERY_MIN = 0.25, 60.0


class Moment(StrEnum):
    """What a camera gives notice of."""

    DOUBLED = "doubled"
    PEAK = "peak"
    NEAR_RIM = "near_rim"


class Unread(StrEnum):
    """Why no level was read off a picture. The eye's own causes, and those of what is round about."""

    DARK = "dark"
    BLOCKED = "blocked"
    BLURRED = "blurred"
    STEAMED = "steamed"
    MOVED = "moved"
    UNSURE = "unsure"
    # The jar has not been shown yet; before the first mix; the feed was not seen from its beginning.
    NOT_SHOWN = "not_shown"
    NO_FEED = "no_feed"
    TOO_LATE = "too_late"
