"""What the eye is told, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

# H×W×3, red, green, blue.
Picture = NDArray[np.uint8]
Array = NDArray[np.float64]


class Cause(StrEnum):
    """Why a picture cannot be read."""

    DARK = "dark"
    BLOCKED = "blocked"
    BLURRED = "blurred"
    STEAMED = "steamed"
    MOVED = "moved"
    UNSURE = "unsure"


@dataclass(frozen=True)
class Jar:
    """Where a jar stands before its camera: rows of its inner bottom, its line and its rim in the picture, and the
    columns of its walls. Shown once by the baker."""

    bottom: float
    line: float
    rim: float
    left: float
    right: float

    @property
    def rim_level(self) -> float:
        """The rim, × the line."""
        return (self.bottom - self.rim) / (self.bottom - self.line)


@dataclass(frozen=True)
class Reading:
    """A level (× the line) with its standard error, or why there is none."""

    level: float | None
    error: float | None
    cause: Cause | None

    @classmethod
    def none(cls, cause: Cause) -> Reading:
        return cls(None, None, cause)
