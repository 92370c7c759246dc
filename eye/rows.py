"""A picture of a jar reduced to what can be told of it, and whether it is the jar that one knows.

Cells are rows of a hundredth of the line's height, a few columns between the walls. Light
multiplies all colours of a place alike, so cells are told in logarithms: how the picture of today differs from the
first one after the feed is then a shift. It is found beside the jar, where nothing rises; the paste is found below the
line, where it always stands, and glass for sure below the rim. What rows resemble is told in `evidence`.
"""

from __future__ import annotations

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from .terms import Array, Jar, Picture

# Rows to the height of the line, so that a row is 0.01 ×; columns of cells between the walls, and the share between
# them.
PER_LINE, COLUMNS, BETWEEN = 100, 12, 0.70
# Added before the logarithm: darker than this a sensor tells nothing.
DARKEST = 6.0
# The rows where the paste always is.
SURE = slice(12, 80)
# The rows below the rim, as a share of all, and how far above the highest level they must lie to be glass for
# sure; fewer tell nothing.
NEAR_RIM, CLEAR_OF, FEW = (0.75, 0.97), 25, 8
# Over the line a mark hides so many rows; the paste's top, seen from above, is so tall at most (of its width).
MARK_ROWS, TOP_SEEN = 9, 0.40
# In logarithms: the top's tint is the paste's, its light may differ so much, and its end is a step of so much.
SAME_TINT, TOP_DARKER, TOP_LIGHTER, ENDS = 0.05, 0.2, 0.3, 0.05
# A column that differs so much from the others where all are paste shows something on the glass.
LABELLED = 0.22
# What has not changed differs by less, after so much more or less light on the jar than beside it (logarithms).
SAME, MORE_LIGHT = 0.2, 0.35
# Rows at the very bottom, where glass is thick.
FOOT = 8
# How little is enough to believe that light leans otherwise than it did (of all rows).
SLOPE_COSTS = 0.01
# Less variance than this in all that stands still is nothing to tell light by.
PLAIN = 0.04**2


@dataclass(frozen=True)
class Cells:
    """`colour` rows×columns×3 and `unrest` rows×columns, both in logarithms, from the bottom up; `beside` rows×3, the
    same of what stands left and right of the jar, None where nothing does; `plain` the mean brightness of the rows, 0
    to 255."""

    colour: Array
    unrest: Array
    beside: Array | None
    plain: Array


def cells(picture: Picture, jar: Jar) -> Cells:
    """Raises ValueError for a jar that does not stand in the picture."""
    rows = round(PER_LINE * jar.rim_level)
    width = (jar.right - jar.left) * BETWEEN
    left = (jar.left + jar.right - width) / 2
    top, low = round(jar.rim), round(jar.bottom)
    within = picture[max(0, top) : low, max(0, int(left)) : int(left + width)].astype(np.float32)
    if within.shape[0] < 40 or within.shape[1] < COLUMNS * 2:
        raise ValueError("the jar is too small in the picture")
    mean = cv2.resize(within, (COLUMNS, rows), interpolation=cv2.INTER_AREA)
    fine = cv2.resize(within, (within.shape[1], rows), interpolation=cv2.INTER_AREA).mean(axis=2)
    smooth = cv2.blur(fine, (9, 7))
    spread = np.sqrt(np.maximum(cv2.blur(fine * fine, (9, 7)) - smooth * smooth, 0))
    unrest = cv2.resize(spread, (COLUMNS, rows), interpolation=cv2.INTER_AREA)
    gap = (jar.right - jar.left) * 0.06
    # Where the jar nearly fills the picture, half of what is left.
    ends = max(jar.left - gap, jar.left / 2), min(jar.right + gap, (jar.right + picture.shape[1]) / 2)
    sides = [picture[max(0, top) : low, : max(0, int(ends[0]))], picture[max(0, top) : low, int(ends[1]) :]]
    wide = [side for side in sides if side.shape[1] >= 4]
    each = [cv2.resize(side.astype(np.float32), (1, rows), interpolation=cv2.INTER_AREA)[:, 0] for side in wide]
    up = slice(None, None, -1)
    return Cells(
        colour=np.log(mean[up] + DARKEST).astype(np.float64),
        unrest=np.log((unrest[up] + 1.0) / (mean[up].mean(axis=2) + DARKEST)).astype(np.float64),
        beside=np.log(np.mean(each, axis=0)[up] + DARKEST).astype(np.float64) if each else None,
        plain=mean[up].mean(axis=(1, 2)).astype(np.float64),
    )


def light_between(now: Cells, first: Cells) -> Array:
    """Rows×3: by how much today's light differs (logarithms), as it is seen beside the jar: a slope, robustly, from
    none on."""
    rows = now.colour.shape[0]
    if now.beside is None or first.beside is None:
        # Of all that is left, paste below the line changes least.
        alike: Array = np.median(now.colour[SURE] - first.colour[SURE], axis=(0, 1))
        return np.tile(alike, (rows, 1))
    at = np.linspace(-1, 1, rows)
    design = np.stack([np.ones(rows), at], axis=1)
    difference = now.beside - first.beside
    flat = np.diag([0.0, SLOPE_COSTS * rows])
    off = np.abs(difference - np.median(difference, axis=0)).max(axis=1)
    found: Array = np.zeros((2, 3))
    for _ in range(4):
        weights = 1 / (1 + (off / 0.08) ** 2)
        weighted = design * weights[:, None]
        found = np.asarray(np.linalg.solve(weighted.T @ design + flat, weighted.T @ difference), dtype=np.float64)
        off = np.abs(difference - design @ found).max(axis=1)
    return design @ found


def under_rim(now: Cells, highest: int) -> NDArray[np.intp]:
    """The rows that are glass for sure, when the paste has stood up to the row `highest`; none where they are few."""
    rows = now.colour.shape[0]
    known = np.arange(max(int(NEAR_RIM[0] * rows), highest + CLEAR_OF), int(NEAR_RIM[1] * rows))
    return known if known.size >= FEW else known[:0]


def clean_columns(now: Cells, sure: slice = SURE) -> NDArray[np.intp]:
    """The columns that show paste where paste is: not those that a label or a strip of paper covers."""
    each = np.median(now.colour[sure], axis=0)
    off = np.abs(each - np.median(each, axis=0)).max(axis=1)
    order = np.argsort(off)
    kept = int(np.clip((off < LABELLED).sum(), COLUMNS // 2, COLUMNS))
    return np.sort(order[:kept])


def edge_of(first: Cells, jar: Jar) -> int:
    """The row up to which the first picture shows paste: the line, or, from above, the far rim of the paste's top.

    The top is of the paste's colour, in more or less light, and it ends: where nothing ends within reach, it may be the
    wall behind, and the line is taken at its word.
    """
    rows = first.colour.shape[0]
    paste = np.median(first.colour[SURE], axis=0)
    clean = clean_columns(first)
    tall = TOP_SEEN * (jar.right - jar.left) / (jar.bottom - jar.line)
    end = min(rows - 20, round(PER_LINE * (1 + tall)))
    # Above where a mark may be; where the top ends before that, from the line on.
    for start in (PER_LINE + MARK_ROWS, PER_LINE + 1):
        top = np.median(first.colour[start : start + 4], axis=0)
        light = (top - paste).mean(axis=1, keepdims=True)
        tint = np.abs(top - paste - light).max(axis=1)[clean]
        if np.median(tint) > SAME_TINT or not -TOP_DARKER < np.median(light[clean]) < TOP_LIGHTER:
            continue
        off = np.median(np.abs(first.colour[start:end] - top).max(axis=2)[:, clean], axis=1)
        ends = np.flatnonzero((off[:-1] > ENDS) & (off[1:] > ENDS))
        if ends.size and ends[0] >= 3:
            return start + int(ends[0])
    return PER_LINE


def in_view(now: Cells, first: Cells, highest: int) -> float:
    """The share of what cannot have changed, paste below the line and glass below the rim, that looks as it did in
    another light: little of it does when something stands before the jar, or when it is another jar."""
    off = now.colour - first.colour - light_between(now, first)[:, None, :]
    return _alike(off, np.arange(SURE.start, SURE.stop), under_rim(now, highest))


def unchanged(now: Cells, before: Cells, low: int, high: int) -> float:
    """The share of what a jar cannot have changed since a picture shortly before, up to the row `low` and from the row
    `high` on, that looks as it did then in another light."""
    rows = now.colour.shape[0]
    off = now.colour - before.colour - light_between(now, before)[:, None, :]
    return _alike(off, np.arange(FOOT, low), np.arange(high, int(NEAR_RIM[1] * rows)))


def _alike(off: Array, *zones: NDArray[np.intp]) -> float:
    """The least share of any zone whose cells have hardly changed; of none, all."""
    shares = []
    for zone in zones:
        if zone.size >= FEW:
            here = off[zone] - np.clip(np.median(off[zone], axis=(0, 1)), -MORE_LIGHT, MORE_LIGHT)
            shares.append(float((np.abs(here).max(axis=2) < SAME).mean()))
    return min(shares, default=1.0)


def lit(now: Cells, first: Cells, highest: int) -> float:
    """How much of what stood out in the first picture stands out in this one: 1 in any light to see by, next to
    nothing in the dark, whatever the camera makes of it. What may have changed since is left out; where nothing stood
    out, 1."""
    still = np.concatenate([np.arange(SURE.start, SURE.stop), under_rim(now, highest)])
    before, after = first.colour[still].reshape(-1, 3), now.colour[still].reshape(-1, 3)
    if now.beside is not None and first.beside is not None:
        before, after = np.concatenate([before, first.beside]), np.concatenate([after, now.beside])
    before, after = before - before.mean(axis=0), after - after.mean(axis=0)
    spread = float((before**2).mean())
    return float((before * after).mean()) / spread if spread > PLAIN else 1.0
