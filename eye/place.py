"""Whether a jar stands where it stood: how far it was set down from its place, by its own edges.

Light changes a picture's colours, not where its edges are. Those of the jar, its walls, bottom and rim, are looked for
around where they were; what lies between them rises and falls and tells nothing of the place.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import cv2
import numpy as np
from numpy.typing import NDArray

from .terms import Jar, Picture

Edges = NDArray[np.float32]

# So far it is looked for, as a share of its width and of its height; how wide its edges are, as a share of its width.
FAR, HIGH, WIDE = 0.22, 0.06, 0.09
# As well as this it is explained where it stood last, it is looked for no further; another place must explain it by so
# much better, and so well at all.
THERE, BETTER, ALIKE = 0.90, 0.02, 0.86
DARKEST = 6.0


@dataclass(frozen=True)
class Set:
    """By how many pixels a jar stands further right and down than in the picture that it is held against."""

    right: int = 0
    down: int = 0


AS_IT_STOOD = Set()


def edges_of(picture: Picture) -> Edges:
    """How steep each place is, of any light: in logarithms, and no edge counts above another for being strong."""
    plain = np.log(picture.astype(np.float32).mean(axis=2) + DARKEST).astype(np.float32)
    smooth = cv2.GaussianBlur(plain, (0, 0), 1.2)
    steep = cv2.magnitude(cv2.Sobel(smooth, cv2.CV_32F, 1, 0), cv2.Sobel(smooth, cv2.CV_32F, 0, 1))
    around = cv2.blur(steep, (31, 31)) + 0.02
    return np.asarray(np.tanh(steep / around), dtype=np.float32)


def set_down(now: Edges, old: Edges, jar: Jar, last: Set) -> Set:
    """Where the jar of an earlier picture stands in this one, by the edges of both (`edges_of`), of one size. `last` is
    where it was seen last, and where it is taken to be while it cannot be told."""
    height, width = old.shape
    across, tall = jar.right - jar.left, jar.bottom - jar.rim
    reach_x, reach_y, rim = round(across * FAR), round(tall * HIGH), round(across * WIDE)
    left, right = max(reach_x, int(jar.left) - rim), min(width - reach_x, int(jar.right) + rim)
    top, low = max(reach_y, int(jar.rim) - rim), min(height - reach_y, int(jar.bottom) + rim)
    if right - left < 3 * rim or low - top < 3 * rim or abs(last.right) > reach_x or abs(last.down) > reach_y:
        return last
    mask = np.zeros((low - top, right - left), dtype=np.float32)
    for column in (jar.left, jar.right):
        mask[:, max(0, int(column) - rim - left) : max(0, int(column) + rim - left)] = 1.0
    mask[max(0, int(jar.bottom) - rim - top) :, :] = 1.0
    mask[: max(1, int(jar.rim) + rim - top), :] = 1.0
    looked_for = old[top:low, left:right]

    def likeness(within: Edges) -> Edges:
        return np.asarray(cv2.matchTemplate(within, looked_for, cv2.TM_CCORR_NORMED, mask=mask), dtype=np.float32)

    y, x = top + last.down, left + last.right
    there = float(likeness(now[y : y + low - top, x : x + right - left])[0, 0])
    if there >= THERE:
        return last
    found = likeness(now[top - reach_y : low + reach_y, left - reach_x : right + reach_x])
    down, across_by = np.unravel_index(int(found.argmax()), found.shape)
    best = float(found.max())
    if best < ALIKE or best - there < BETTER:
        return last
    return Set(int(across_by) - reach_x, int(down) - reach_y)


def where(jar: Jar, by: Set) -> Jar:
    return replace(
        jar,
        bottom=jar.bottom + by.down,
        line=jar.line + by.down,
        rim=jar.rim + by.down,
        left=jar.left + by.right,
        right=jar.right + by.right,
    )
