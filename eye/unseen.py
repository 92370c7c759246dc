"""Why a picture in which the jar is not recognised shows so little of it: blurred as a whole, steamed, or hidden."""

from __future__ import annotations

import cv2
import numpy as np
from numpy.typing import NDArray

from .terms import Cause, Jar, Picture

# So much less stands out than before: through steam, or in a picture that was shaken.
FAINT = 0.45
DARKEST = 6.0


def why_unseen(picture: Picture, before: Picture, jar: Jar) -> Cause:
    """Of a picture that was refused as blocked; `before` is the one that it is held against."""
    top, low, left, right = int(jar.rim), int(jar.bottom), int(jar.left), int(jar.right)
    within = (slice(top, low), slice(left, right))
    now, then = _steep(picture), _steep(before)
    beside = [np.concatenate([one[top:low, :left].ravel(), one[top:low, right:].ravel()]) for one in (now, then)]
    inside = _share(now[within], then[within])
    if inside >= FAINT:
        return Cause.BLOCKED
    return Cause.BLURRED if _share(*beside) < FAINT else Cause.STEAMED


def _steep(picture: Picture) -> NDArray[np.float32]:
    plain = np.log(picture.astype(np.float32).mean(axis=2) + DARKEST).astype(np.float32)
    smooth = cv2.GaussianBlur(plain, (0, 0), 1.0)
    return np.asarray(
        cv2.magnitude(cv2.Sobel(smooth, cv2.CV_32F, 1, 0), cv2.Sobel(smooth, cv2.CV_32F, 0, 1)), dtype=np.float32
    )


def _share(now: NDArray[np.float32], then: NDArray[np.float32]) -> float:
    """How much of what stands out most stands out still."""
    return float(np.percentile(now, 95) / max(float(np.percentile(then, 95)), 1e-6))
