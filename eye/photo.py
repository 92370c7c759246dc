"""One photo by itself: where a jar stands in it, and how high its paste. A proposal, never a claim.

A round jar before a wall has two long upright edges; between them a bottom and a rim run from one to the other. What is
left is one change from paste to glass, and perhaps a narrow mark. Nothing is held against an earlier picture, so that
all is less sure than what a camera in its place says.
"""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from .rows import FLOOR
from .terms import Array, Jar, Picture

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
DARKEST = 6.0
# Paste is told by the rows above the bottom, glass by those under the rim; shares of the height between them.
PASTE_ROWS, GLASS_ROWS = (0.04, 0.16), (0.90, 0.98)
# A paste lower or higher than this is none; shares of the jar's height.
LEAST_LEVEL, MOST_LEVEL = 0.10, 0.96
# Rows next to each other tell nearly the same, as in `follow`; here they are shares of the height.
ROWS, ROWS_AS_ONE, SD = 120, 4.0, 0.06
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
    """How high the paste stands in a jar whose bottom, rim and walls are shown, by one picture alone; None where paste
    and glass look too much alike."""
    top, low = round(jar.rim), round(jar.bottom)
    wide = jar.right - jar.left
    within = picture[max(0, top) : low, int(jar.left + 0.15 * wide) : int(jar.right - 0.15 * wide)]
    if within.shape[0] < 40 or within.shape[1] < 12:
        return None
    mean = cv2.resize(within.astype(np.float32), (10, ROWS), interpolation=cv2.INTER_AREA)[::-1]
    colour = np.log(mean + DARKEST).astype(np.float64)
    paste = np.median(colour[int(PASTE_ROWS[0] * ROWS) : int(PASTE_ROWS[1] * ROWS)], axis=0)
    glass = np.median(colour[int(GLASS_ROWS[0] * ROWS) : int(GLASS_ROWS[1] * ROWS)], axis=0)
    as_paste = _told(colour, paste)
    as_glass = _told(colour, glass)
    behind = _behind(picture, jar)
    if behind is not None:
        under_rim = slice(int(GLASS_ROWS[0] * ROWS), int(GLASS_ROWS[1] * ROWS))
        shift = np.median(colour[under_rim] - behind[under_rim], axis=(0, 1))
        as_glass = np.maximum(as_glass, _told(colour, behind + shift))
    # What is above a change is alike among itself too, whatever it is: the wall may look otherwise under the rim.
    likely = np.array([_change(colour, as_paste, as_glass, at) for at in range(ROWS)])
    likely[: int(LEAST_LEVEL * ROWS)] = likely[int(MOST_LEVEL * ROWS) :] = likely.min()
    weight = np.exp((likely - likely.max()) / ROWS_AS_ONE)
    weight /= weight.sum()
    at = (np.arange(ROWS) + 0.0) / ROWS
    level = float((weight * at).sum())
    error = float(np.sqrt(max((weight * (at - level) ** 2).sum(), (0.5 / ROWS) ** 2)))
    return Read(_near_edge(colour, paste, as_paste, round(level * ROWS)) / ROWS, error)


def _near_edge(colour: Array, paste: Array, as_paste: Array, far: int) -> float:
    """Where paste ends at the near wall, if what lies under the found end is its top seen from above: of its tint, in
    a light of its own, with a step to both sides."""
    best, where = float(as_paste[max(0, far - TOP_ROWS[1]) : far].sum()), float(far)
    for near in range(max(1, far - TOP_ROWS[1]), far - TOP_ROWS[0] + 1):
        zone = colour[near:far]
        light = float(np.median(zone - paste))
        if abs(light) < TOP_LIGHT[0] or abs(light) > TOP_LIGHT[1]:
            continue
        step = float(np.median(colour[near : near + 3]) - np.median(colour[max(0, near - 3) : near]))
        if step * np.sign(light) < TOP_BEGINS * abs(light):
            continue
        as_top = _told(zone, paste + light)
        told = float(as_paste[max(0, far - TOP_ROWS[1]) : near].sum() + as_top.sum()) - TOP_COSTS
        if told > best:
            best, where = told, float(near)
    return where


def _behind(picture: Picture, jar: Jar) -> Array | None:
    """What stands beside the jar, row by row: through its glass it is seen too. None where the jar fills the
    picture."""
    wide = jar.right - jar.left
    top, low = max(0, round(jar.rim)), round(jar.bottom)
    spans = ((jar.left - 0.30 * wide, jar.left - 0.05 * wide), (jar.right + 0.05 * wide, jar.right + 0.30 * wide))
    strips = [picture[top:low, max(0, int(start)) : max(0, int(end))] for start, end in spans]
    rows = [
        cv2.resize(strip.astype(np.float32), (1, ROWS), interpolation=cv2.INTER_AREA)[::-1]
        for strip in strips
        if strip.shape[1] >= 4 and strip.shape[0] >= 40
    ]
    if not rows:
        return None
    beside: Array = np.log(np.mean(rows, axis=0) + DARKEST).astype(np.float64)
    return beside


def _told(colour: Array, as_this: Array) -> Array:
    """How well each row is of a colour: the middle columns of it."""
    off = -0.5 * np.minimum(((colour - as_this) / SD) ** 2, 2 * FLOOR * 9).mean(axis=2)
    told: Array = np.sort(np.maximum(off, -FLOOR), axis=1)[:, 2:-2].mean(axis=1)
    return told


# The paste's top, seen from above, is so many rows at least and at most, in so much more or less light (logarithms);
# it is believed only where it explains so much more.
TOP_ROWS, TOP_LIGHT, TOP_COSTS = (2, 18), (0.025, 0.30), 1.0
# Most of that light comes at its edge.
TOP_BEGINS = 0.6
# A mark differs so much from what is above and below it (logarithms).
MARKED = 0.25
# The rows about a change that are held against each other.
ABOUT = 10


def _change(colour: Array, as_paste: Array, as_glass: Array, at: int) -> float:
    """The logarithm of how likely paste ends at a row: paste up to it, none above it, and a step between."""
    below, above = colour[max(0, at - ABOUT) : at], colour[at : at + ABOUT]
    step = 0.0
    if below.size and above.size:
        step = float(np.abs(np.median(below, axis=0) - np.median(above, axis=0)).mean() / SD)
    unlike = np.maximum(as_glass[at:], -FLOOR - as_paste[at:])
    return float(as_paste[:at].sum() + unlike.sum() + 3.0 * min(step, 4.0))


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
