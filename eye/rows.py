"""What each row of a jar looks like in one picture: like its paste, like its glass, or like paste that sticks to it.

A picture is reduced to cells: rows of a hundredth of the line's height, a few columns between the walls. Light
multiplies all colours of a place alike, so cells are told in logarithms: how the picture of today differs from the
first one after the feed is then a shift. It is found beside the jar, where nothing rises, and the paste is found
below the line, where it always stands. What is left to tell is, for each row, which of the two it resembles more.
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
# Where the paste always is, × the line.
SURE_LOW, SURE_HIGH = 0.12, 0.80
# How far cells of one kind differ by themselves at least, in logarithms: colours, and their unrest; and by how many of
# 255 the sensor errs in the mean of a cell.
COLOUR_SD, UNREST_SD, SENSOR_SD = 0.025, 0.45, 0.8
# The rows below the rim, as a share of all, and how far above the highest level they must lie to be glass for sure.
NEAR_RIM, CLEAR_OF = (0.75, 0.97), 25
# So much less likely than anything known a cell can be at most: a shine, a label, a finger.
FLOOR = 5.0
# Over the line a mark hides so many rows, and the paste's top, seen from above, reaches so many at most.
MARK_ROWS, TOP_ROWS = 9, 45
# In logarithms: the top's tint is the paste's, its light may differ so much, and its end is a step of so much.
SAME_TINT, TOP_DARKER, TOP_LIGHTER, ENDS = 0.05, 0.2, 0.3, 0.05
# A column that differs so much from the others where all are paste shows something on the glass.
LABELLED = 0.22
# What has not changed differs by less, after so much more or less light on the jar than beside it (logarithms).
SAME, MORE_LIGHT = 0.2, 0.35
# Rows at the very bottom, where glass is thick.
FOOT = 8
# Less variance than this in all that stands still is nothing to tell light by.
PLAIN = 0.04**2
# What mixes paste and glass is believed only where it explains a cell better than either.
MIXED_COSTS = 0.8
MIXED = (0.15, 0.85)


@dataclass(frozen=True)
class Cells:
    """`colour` rows×columns×3 and `unrest` rows×columns, both in logarithms, from the bottom up; `beside` rows×3, the
    same of what stands left and right of the jar; `plain` the mean brightness of the rows, 0 to 255."""

    colour: Array
    unrest: Array
    beside: Array
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
    sides = [
        picture[max(0, top) : low, : max(1, int(jar.left - gap))],
        picture[max(0, top) : low, int(jar.right + gap) :],
    ]
    wide = [side for side in sides if side.shape[1] >= 4]
    beside = np.mean(
        [cv2.resize(side.astype(np.float32), (1, rows), interpolation=cv2.INTER_AREA)[:, 0] for side in wide]
        or [mean.mean(1)],
        axis=0,
    )
    up = slice(None, None, -1)
    return Cells(
        colour=np.log(mean[up] + DARKEST).astype(np.float64),
        unrest=np.log((unrest[up] + 1.0) / (mean[up].mean(axis=2) + DARKEST)).astype(np.float64),
        beside=np.log(beside[up] + DARKEST).astype(np.float64),
        plain=mean[up].mean(axis=(1, 2)).astype(np.float64),
    )


@dataclass(frozen=True)
class Evidence:
    """Log-likelihoods of each row as paste, as glass, and as what sticks to the glass; `explained` is the share of rows
    that are any of them."""

    paste: Array
    # The paste's top, seen from above, behind the near wall's line.
    top: Array
    glass: Array
    film: Array
    explained: float
    contrast: float


def light_between(now: Cells, first: Cells) -> Array:
    """Rows×3: by how much today's light differs (logarithms), as it is seen beside the jar: a slope, robustly."""
    rows = now.beside.shape[0]
    at = np.linspace(-1, 1, rows)
    design = np.stack([np.ones(rows), at], axis=1)
    difference = now.beside - first.beside
    weights: Array = np.ones(rows)
    found: Array = np.zeros((2, 3))
    for _ in range(4):
        weighted = design * weights[:, None]
        found = np.asarray(np.linalg.lstsq(weighted, difference * weights[:, None], rcond=None)[0], dtype=np.float64)
        off = np.abs(difference - design @ found).max(axis=1)
        weights = 1 / (1 + (off / 0.08) ** 2)
    return design @ found


def edge_of(first: Cells) -> int:
    """The row up to which the first picture shows paste: the line, or, from above, the far rim of the paste's top.

    The top is of the paste's colour, in more or less light, and it ends: where nothing ends within reach, it may be the
    wall behind, and the line is taken at its word.
    """
    rows = first.colour.shape[0]
    sure = first.colour[int(SURE_LOW * PER_LINE) : int(SURE_HIGH * PER_LINE)]
    paste = np.median(sure, axis=0)
    clean = _clean_columns(sure)
    end = min(rows - 20, PER_LINE + TOP_ROWS)
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
    rows = now.colour.shape[0]
    low, high = int(SURE_LOW * PER_LINE), int(SURE_HIGH * PER_LINE)
    near_rim = np.arange(max(int(NEAR_RIM[0] * rows), highest + CLEAR_OF), int(NEAR_RIM[1] * rows))
    off = now.colour - first.colour - light_between(now, first)[:, None, :]
    shares = []
    for zone in (np.arange(low, high), near_rim):
        if zone.size >= 8:
            here = off[zone] - np.clip(np.median(off[zone], axis=(0, 1)), -MORE_LIGHT, MORE_LIGHT)
            shares.append(float((np.abs(here).max(axis=2) < SAME).mean()))
    return min(shares)


def unchanged(now: Cells, before: Cells, low: int, high: int) -> float:
    """The share of what a jar cannot have changed since a picture shortly before, up to the row `low` and from the row
    `high` on, that looks as it did then in another light."""
    rows = now.colour.shape[0]
    off = now.colour - before.colour - light_between(now, before)[:, None, :]
    shares = []
    for zone in (np.arange(FOOT, low), np.arange(high, int(NEAR_RIM[1] * rows))):
        if zone.size >= 8:
            here = off[zone] - np.clip(np.median(off[zone], axis=(0, 1)), -MORE_LIGHT, MORE_LIGHT)
            shares.append(float((np.abs(here).max(axis=2) < SAME).mean()))
    return min(shares, default=1.0)


def lit(now: Cells, first: Cells, highest: int) -> float:
    """How much of what stood out in the first picture stands out in this one: 1 in any light to see by, next to
    nothing in the dark, whatever the camera makes of it. What may have changed since is left out; where nothing stood
    out, 1."""
    rows = now.colour.shape[0]
    low, high = int(SURE_LOW * PER_LINE), int(SURE_HIGH * PER_LINE)
    near_rim = np.arange(max(int(NEAR_RIM[0] * rows), highest + CLEAR_OF), int(NEAR_RIM[1] * rows))
    still = np.concatenate([np.arange(low, high), near_rim])
    before = np.concatenate([first.colour[still].reshape(-1, 3), first.beside])
    after = np.concatenate([now.colour[still].reshape(-1, 3), now.beside])
    before, after = before - before.mean(axis=0), after - after.mean(axis=0)
    spread = float((before**2).mean())
    return float((before * after).mean()) / spread if spread > PLAIN else 1.0


def _clean_columns(sure: Array) -> NDArray[np.intp]:
    """The columns that show paste where paste is: not those that a label or a strip of paper covers."""
    each = np.median(sure, axis=0)
    off = np.abs(each - np.median(each, axis=0)).max(axis=1)
    order = np.argsort(off)
    kept = int(np.clip((off < LABELLED).sum(), COLUMNS // 2, COLUMNS))
    return np.sort(order[:kept])


def evidence(now: Cells, first: Cells, edge: int, highest: int) -> Evidence:
    """`first` is the picture after the feed, when the paste was seen up to the row `edge`; `highest` is the row up to
    which it has been seen since."""
    rows = now.colour.shape[0]
    shift = light_between(now, first)
    low, high = int(SURE_LOW * PER_LINE), int(SURE_HIGH * PER_LINE)
    glass = first.colour + shift[:, None, :]
    # What was paste in the first picture, below its edge, tells nothing of glass: it is as just above.
    clear = edge + 6
    above = slice(clear, min(rows, clear + 40))
    near_rim = np.arange(max(int(NEAR_RIM[0] * rows), highest + CLEAR_OF), int(NEAR_RIM[1] * rows))
    glass_sd = COLOUR_SD
    if near_rim.size >= 8:
        off = now.colour[near_rim] - glass[near_rim]
        middle = np.median(off, axis=(0, 1))
        glass = glass + middle
        shift = shift + middle
        glass_sd = float(np.hypot(COLOUR_SD, 1.48 * np.median(np.abs(off - middle))))
    glass[:clear] = np.median(glass[above], axis=0)
    sure = now.colour[low:high]
    paste = np.median(sure, axis=0)[None] + (shift - shift[low:high].mean(axis=0))[:, None, :]
    brightness = np.exp(now.colour)
    sd = np.sqrt(glass_sd**2 + (SENSOR_SD / brightness) ** 2)
    own = np.median(np.abs(sure - np.median(sure, axis=0)), axis=0) * 1.48
    paste_sd = np.sqrt(sd**2 + own[None] ** 2)
    unrest_paste = np.median(now.unrest[low:high], axis=0)[None]
    unrest_glass = first.unrest.copy()
    unrest_glass[:clear] = np.median(first.unrest[above], axis=0)
    toward = paste - glass
    share = ((now.colour - glass) * toward).sum(axis=2) / np.maximum((toward**2).sum(axis=2), 1e-6)
    mixed = glass + np.clip(share, *MIXED)[..., None] * toward
    as_paste = ((now.colour - paste) / paste_sd) ** 2
    as_glass = ((now.colour - glass) / sd) ** 2
    # It keeps the light that it had in the first picture, beside the paste's.
    lighter = first.colour[min(PER_LINE + MARK_ROWS, edge - 3) : edge] - np.median(first.colour[low:high], axis=0)
    as_top = ((now.colour - paste - np.median(lighter, axis=0)) / paste_sd) ** 2 if edge > PER_LINE else as_paste
    as_film = ((now.colour - mixed) / sd) ** 2
    restless = ((now.unrest - unrest_paste) / UNREST_SD) ** 2
    still = ((now.unrest - unrest_glass) / UNREST_SD) ** 2

    clean = _clean_columns(sure)

    def told(squares: Array, unrest: Array, cost: float = 0.0) -> Array:
        per_cell = np.maximum(-0.5 * (squares.mean(axis=2) * 2 + unrest) - cost, -FLOOR)[:, clean]
        # Of the columns the middle ones: a shine is in few of them.
        few = per_cell.shape[1] // 4
        ordered: Array = np.sort(per_cell, axis=1)[:, few : per_cell.shape[1] - few].mean(axis=1)
        return ordered

    between = 0.5 * np.minimum(restless, still)
    found = (
        told(as_paste, restless),
        told(as_top, between),
        told(as_glass, still),
        told(as_film, between, MIXED_COSTS),
    )
    best = np.max(np.stack(found), axis=0)
    contrast = float(np.median(np.sqrt(((toward / sd) ** 2).mean(axis=2))))
    return Evidence(*found, explained=float((best > -0.6 * FLOOR).mean()), contrast=contrast)
