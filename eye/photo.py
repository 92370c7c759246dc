"""One photo by itself: where a jar stands in it, and how high its paste. A proposal, never a claim.

A round jar before a wall has two long upright edges; between them a bottom and a rim run from one to the other. What is
left is one change from paste to glass, and perhaps a narrow mark. Nothing is held against an earlier picture, so that
all is less sure than what a camera in its place says.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

import cv2
import numpy as np
from numpy.typing import NDArray

from .evidence import alone, evidence, of_levels
from .rows import DARKEST, SURE, cells
from .terms import Jar, Picture

Plane = NDArray[np.float32]

# It is looked at so small; a jar is so wide and so tall at least, as shares of the picture, and so slender.
SIDE = 360
LEAST_WIDE, MOST_WIDE, LEAST_TALL = 0.18, 0.92, 0.35
LEAST_SLENDER, MOST_SLENDER = 0.8, 3.2
# How much the outer of two pairs of edges is the jar's rather than the inner.
OUTER = 0.7
# So many upright edges are held against each other.
MOST_EDGES = 80
# So many pairs of them are looked along; none lies so near the picture's own edge (shares of it).
MOST_PAIRS, MARGIN = 24, 0.02
# So many rows off its ends a jar's walls do not go on; how much an edge that does is another thing's.
AWAY, BEYOND = 6, 0.8
# Of the rows between bottom and rim so many must show both walls.
LEAST_WALL = 0.35
# As shares of its height: the line that a jar is given here; from near its bottom up to which paste is known (a label
# may hide it lower, and it may not stand higher); and where glass is.
LOW, SURE_HIGH, UNDER_RIM = 0.25, (0.2, 0.35), (0.90, 0.97)
# Seen from above, the paste's top is in so much more or less light (logarithms), and so tall (of the jar's width).
TOP_LIGHTS, TOP_TALL = (-0.12, 0.08, 0.16, 0.24), (0.03, 0.06, 0.09, 0.13, 0.18, 0.24)
# Where no other picture has shown one, it must explain more.
TOP_COSTS = 12.0
# A paste lower or higher than this is none; shares of the jar's height.
LEAST_LEVEL, MOST_LEVEL = 0.10, 0.97
# Of so many rows, those that lie beside each other tell nearly the same: so many count as one.
USUAL_ROWS, ROWS_AS_ONE = 400, 3.0
# How unsure a level may be, and how well all must fit together, for a jar to be there at all.
MOST_ERROR, LEAST_SURE = 0.05, 0.5


@dataclass(frozen=True)
class Read:
    """A level as a share of the jar's inner height, with its error."""

    level: float
    error: float


@dataclass(frozen=True)
class Proposal:
    """Rows and columns of the picture: the inner bottom, the rim, the walls, the level, and the mark where there seems
    to be one. `sure` is from 0 to 1."""

    bottom: float
    rim: float
    left: float
    right: float
    level: float
    mark: float | None
    sure: float


def proposed(picture: Picture) -> Proposal | None:
    """Where a jar seems to stand; None where there is none to be seen."""
    scale = SIDE / max(picture.shape[:2])
    size = (round(picture.shape[1] * scale), round(picture.shape[0] * scale))
    small = np.asarray(cv2.resize(picture, size, interpolation=cv2.INTER_AREA), dtype=np.uint8)
    plain = np.log(cv2.GaussianBlur(small.astype(np.float32), (0, 0), 1.2) + DARKEST)
    across = np.asarray(np.abs(cv2.Sobel(plain, cv2.CV_32F, 1, 0)).max(axis=2), dtype=np.float32)
    along = np.asarray(np.abs(cv2.Sobel(plain, cv2.CV_32F, 0, 1)).max(axis=2), dtype=np.float32)
    stands = _stands(across, along)
    if stands is None:
        return None
    left, right, rim, bottom, seen = stands
    jar = Jar(float(bottom), float(bottom) - 0.4 * (bottom - rim), float(rim), float(left), float(right))
    read = read_alone(small, jar)
    if read is None:
        return None
    level = bottom - read.level * (bottom - rim)
    mark = _mark(small, left, right, rim, bottom)
    sure = float(np.clip(seen * (1.0 - read.error / (2 * MOST_ERROR)), 0.0, 1.0))
    if sure < LEAST_SURE:
        return None
    return Proposal(
        bottom / scale, rim / scale, left / scale, right / scale, level / scale, mark and mark / scale, sure
    )


def _stands(across: Plane, along: Plane) -> tuple[int, int, int, int, float] | None:
    """Two upright edges that run together over many rows and are joined at both ends: left, right, rim, bottom, and the
    share of rows between that show both."""
    height, width = across.shape
    strong = across > np.maximum(np.percentile(across, 80), 0.03)
    # An edge may wander by a pixel; thin it to where it is steepest.
    steepest = strong & (across >= cv2.dilate(across, np.ones((1, 5), np.uint8)))
    near = cv2.dilate(steepest.astype(np.uint8), np.ones((1, 3), np.uint8)).astype(np.float32)
    near[:, : round(MARGIN * width)] = near[:, width - round(MARGIN * width) :] = 0.0
    tall = near.sum(axis=0)
    columns = np.array(
        [at for at in np.argsort(tall)[::-1][:MOST_EDGES] if tall[at] > LEAST_WALL * LEAST_TALL * height]
    )
    if columns.size < 2:
        return None
    wide = (columns[None, :] - columns[:, None]) / width
    both = near[:, columns].T @ near[:, columns]
    # A shine runs as straight as a wall, within it.
    alike = (both + 0.25 * np.minimum.outer(tall[columns], tall[columns])) * np.maximum(wide, 0) ** OUTER
    alike[(wide < LEAST_WIDE) | (wide > MOST_WIDE)] = 0.0
    best: tuple[float, tuple[int, int, int, int, float]] | None = None
    for _ in range(MOST_PAIRS):
        one, other = np.unravel_index(int(alike.argmax()), alike.shape)
        value = float(alike[one, other])
        if value <= 0:
            break
        left, right = int(columns[one]), int(columns[other])
        # Its neighbours are the same edges.
        alike[np.ix_(np.abs(columns - left) <= 3, np.abs(columns - right) <= 3)] = 0.0
        ends = _ends(across, along, left, right)
        if ends is None:
            continue
        rim, bottom = ends
        shown = float((near[rim:bottom, left] * near[rim:bottom, right]).mean())
        # What goes on above the rim or below the bottom is of the wall behind.
        beyond = np.concatenate([near[: max(0, rim - AWAY)], near[bottom + AWAY :]])
        further = float(beyond[:, [left, right]].mean(axis=0).max()) if beyond.shape[0] >= AWAY else 0.0
        value *= 1.0 - BEYOND * further
        if best is None or value > best[0]:
            best = value, (left, right, rim, bottom, min(1.0, shown * 1.1))
    return best and best[1]


def _ends(across: Plane, along: Plane, left: int, right: int) -> tuple[int, int] | None:
    """Rim and bottom: where the walls end, at the nearest edge that runs from one to the other."""
    height = across.shape[0]
    wide = right - left
    walls = np.maximum(across[:, max(0, left - 2) : left + 3].max(axis=1), 0) + across[
        :, max(0, right - 2) : right + 3
    ].max(axis=1)
    shown = cv2.blur(walls.reshape(-1, 1), (1, 9)).ravel()
    rows = np.flatnonzero(shown > 0.45 * np.percentile(shown, 75))
    if rows.size == 0:
        return None
    first, last = _longest(rows)
    inner = along[:, left + wide // 8 : right - wide // 8]
    runs = np.percentile(inner, 40, axis=1)

    def edge(around: int) -> int:
        reach = max(4, round(0.05 * height))
        low, high = max(0, around - reach), min(int(height), around + reach)
        near = runs[low:high] * np.exp(-0.5 * ((np.arange(low, high) - around) / (0.6 * reach)) ** 2)
        return int(low + int(near.argmax()))

    rim, bottom = edge(first), edge(last)
    tall = bottom - rim
    if tall < LEAST_TALL * height or not LEAST_SLENDER <= tall / wide <= MOST_SLENDER:
        return None
    if rim < MARGIN * height or bottom > (1 - MARGIN / 2) * height:
        return None
    return rim, bottom


def _longest(rows: NDArray[np.intp]) -> tuple[int, int]:
    """The longest run, over small gaps."""
    breaks = np.flatnonzero(np.diff(rows) > 12)
    starts = np.concatenate([[0], breaks + 1])
    ends = np.concatenate([breaks, [rows.size - 1]])
    at = int(np.argmax(rows[ends] - rows[starts]))
    return int(rows[starts[at]]), int(rows[ends[at]])


def read_alone(picture: Picture, jar: Jar) -> Read | None:
    """How high the paste stands in a jar whose bottom, rim and walls are shown, by one picture alone; None where it is
    too small to be read."""
    low = replace(jar, line=jar.bottom - LOW * (jar.bottom - jar.rim))
    try:
        now = cells(picture, low)
    except ValueError:
        return None
    rows = now.colour.shape[0]
    levels = np.arange(int(LEAST_LEVEL * rows), int(MOST_LEVEL * rows))
    wide = (jar.right - jar.left) / (jar.bottom - jar.rim) * rows
    tall = [np.full(levels.shape, round(share * wide)) for share in TOP_TALL]
    under = slice(int(UNDER_RIM[0] * rows), int(UNDER_RIM[1] * rows))
    likely = np.full(levels.shape, -np.inf)
    for high in SURE_HIGH:
        told = evidence(now, *alone(now, slice(SURE.start, int(high * rows)), under, TOP_LIGHTS), rows)
        likely = np.maximum(likely, of_levels(told, levels, tall, rows, TOP_COSTS))
    weight = np.exp((likely - likely.max()) / (ROWS_AS_ONE * rows / USUAL_ROWS))
    weight /= weight.sum()
    level = float((weight * levels).sum())
    error = float(np.sqrt(max((weight * (levels - level) ** 2).sum(), 0.25)))
    return Read(level / rows, error / rows)


# A mark differs so much from what is above and below it (logarithms).
MARKED = 0.25


def _mark(small: Picture, left: int, right: int, rim: int, bottom: int) -> float | None:
    """The row of a narrow mark across the jar: unlike what is above and below it, which are like each other or not."""
    inner = small[rim:bottom, left + (right - left) // 6 : right - (right - left) // 6].astype(np.float32)
    rows = np.log(np.median(inner, axis=1) + DARKEST)
    tall = rows.shape[0]
    half, gap = max(2, round(0.012 * tall)), max(4, round(0.035 * tall))
    inside = slice(gap + half, tall - gap - half)
    here = cv2.blur(rows, (1, 2 * half + 1))
    off = np.minimum(
        np.abs(here[inside] - rows[: tall - 2 * (gap + half)]).max(axis=1),
        np.abs(here[inside] - rows[2 * (gap + half) :]).max(axis=1),
    )
    at = int(off.argmax())
    return None if off[at] < MARKED else float(rim + at + gap + half)
