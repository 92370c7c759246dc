"""What else a photo of a jar may show beside its level: bubbles at the glass, a domed top, a smear above the
level, liquid on the paste, spots that do not belong. Each a suggestion, none where it cannot be told."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

import cv2
import numpy as np

from .dome import domed
from .terms import Array, Jar, Picture

# The jar between its walls, bottom up, in so many rows and columns; so much of its width is left out at each wall.
ROWS, COLUMNS, AT_THE_WALLS = 200, 96, 0.10
DARKEST = 6.0
# Logarithms of light are told apart from so much on; below that a paste is too like what is behind it.
UNLIKE = 0.10


class Holes(StrEnum):
    NONE = "none"
    FEW = "few"
    THROUGHOUT = "throughout"


@dataclass(frozen=True)
class Beside:
    """`high` is a share of the jar's inner height, where a smear ends; None stands for what cannot be told. `liquid`
    and `spots` only ask whether there is any."""

    bubbles: Holes | None
    domed: bool | None
    high: float | None
    liquid: bool
    spots: bool


def beside(picture: Picture, jar: Jar, level: float, mark: float | None) -> Beside:
    """What else a photo shows of a jar whose paste stands at `level`; that and `mark`, a narrow mark on the glass, are
    shares of its inner height."""
    wide = jar.right - jar.left
    top, low = max(0, round(jar.rim)), round(jar.bottom)
    within = picture[top:low, max(0, int(jar.left + AT_THE_WALLS * wide)) : int(jar.right - AT_THE_WALLS * wide)]
    stands = round(level * ROWS)
    if within.shape[0] < 60 or within.shape[1] < 30 or not 16 <= stands <= ROWS - 12:
        return Beside(None, None, None, liquid=False, spots=False)
    small = cv2.resize(within, (COLUMNS, ROWS), interpolation=cv2.INTER_AREA)[::-1]
    colour = np.log(small.astype(np.float64) + DARKEST)
    # The middle of the paste, and what is seen through the glass well above it.
    paste = np.median(colour[8 : stands - 6], axis=(0, 1))
    glass = np.median(colour[min(ROWS - 10, stands + 12) : ROWS - 4], axis=(0, 1))
    marked = None if mark is None else round(mark * ROWS)
    return Beside(
        _holes(colour, stands),
        domed(picture, jar, level),
        _smeared(colour, stands, paste, glass, marked),
        liquid=_liquid(colour, stands, paste, glass, marked),
        spots=_spotted(np.ascontiguousarray(small), stands),
    )


# --- bubbles at the glass ---

# How rough a paste is between a fine scale and a coarse one, less what a picture's own grain makes.
FINE, COARSE = 1.0, 4.0
FEW_FROM, MANY_FROM = 0.0065, 0.0175


def roughness(colour: Array, stands: int) -> float:
    """How uneven a paste is at the glass, of the size of bubbles; lines and shades across and along do not count."""
    grey = colour[6 : stands - 5].mean(axis=2)
    grey = grey - np.median(grey, axis=1, keepdims=True)
    grey = grey - np.median(grey, axis=0, keepdims=True)
    between = cv2.GaussianBlur(grey, (0, 0), FINE) - cv2.GaussianBlur(grey, (0, 0), COARSE)
    finest = grey - cv2.GaussianBlur(grey, (0, 0), FINE)
    rough, grain = (float(np.median(np.abs(one)) * 1.48) for one in (between, finest))
    # White noise of a pixel keeps about a quarter of its spread through the finer blur.
    return float(np.sqrt(max(rough**2 - (0.28 * grain) ** 2, 0.0)))


def _holes(colour: Array, stands: int) -> Holes | None:
    if stands < 30:
        return None
    rough = roughness(colour, stands)
    return Holes.THROUGHOUT if rough > MANY_FROM else Holes.FEW if rough > FEW_FROM else Holes.NONE


# --- a smear ---

# What sticks to the glass is of the paste's colour by such a share at least, over so much of the jar's height.
STICKS, LEAST_SMEAR = 0.12, 0.09


def _smeared(colour: Array, stands: int, paste: Array, glass: Array, marked: int | None) -> float | None:
    away = paste - glass
    if np.abs(away).max() < 2 * UNLIKE:
        return None
    share = np.median(((colour - glass) @ away) / float(away @ away), axis=1)
    above = cv2.blur(share[stands + 3 :].reshape(-1, 1), (1, 5)).ravel()
    if marked is not None:
        here = np.abs(np.arange(above.size) + stands + 3 - marked) < 8
        above[here] = np.nan
    sticks = np.where(np.isnan(above), True, above > STICKS)  # noqa: FBT003  (a mark hides what is behind it)
    ends = int(np.argmin(sticks)) if not sticks.all() else sticks.size
    # A smear ends: what goes on to the rim is the wall behind.
    if ends < LEAST_SMEAR * ROWS or ends > above.size - 12:
        return None
    beyond = np.nanmedian(above[ends + 3 : ends + 12])
    return (stands + 3 + ends) / ROWS if np.nanmedian(above[:ends]) - beyond > STICKS else None


# --- liquid ---

# Darker than paste and glass by so much, over so many rows.
DARKER, LEAST_ROWS, MOST_ROWS = 0.28, 4, 40


def _liquid(colour: Array, stands: int, paste: Array, glass: Array, marked: int | None) -> bool:
    low, high = max(2, stands - MOST_ROWS), min(ROWS, stands + MOST_ROWS)
    rows = np.median(colour[low:high], axis=1).mean(axis=1)
    dark = rows < min(paste.mean(), glass.mean()) - DARKER
    if marked is not None:
        dark &= np.abs(np.arange(low, high) - marked) > 8
    runs = np.flatnonzero(np.diff(np.concatenate([[0], dark.astype(int), [0]])))
    long = [(start, end) for start, end in runs.reshape(-1, 2) if LEAST_ROWS <= end - start <= MOST_ROWS]
    return any(low + start - 6 <= stands <= low + end + 6 for start, end in long)


# --- spots ---

# Of another tint than the paste by so much (CIE Lab, a and b), and of such a share of it; none so long and thin that it
# is a line or so ragged that it is a shine, none at the edge of what is looked at.
OTHER_TINT, LEAST_SPOT, MOST_SPOT, MOST_SLENDER, LEAST_FULL = 18.0, 0.0008, 0.05, 3.0, 0.5


def _spotted(small: Picture, stands: int) -> bool:
    tint = cv2.GaussianBlur(cv2.cvtColor(small, cv2.COLOR_RGB2LAB).astype(np.float32)[..., 1:], (0, 0), 1.2)
    paste = tint[6 : stands - 2]
    own = np.median(paste, axis=1, keepdims=True)
    other = (np.linalg.norm(paste - own, axis=2) > OTHER_TINT).astype(np.uint8)
    count, _, about, _ = cv2.connectedComponentsWithStats(other)
    for left, top, wide, tall, area in about[1:count]:
        inside = left > 0 and left + wide < COLUMNS and top > 0 and top + tall < other.shape[0]
        slender = max(wide, tall) / max(1, min(wide, tall))
        full = area / (wide * tall)
        if full > LEAST_FULL and inside and LEAST_SPOT < area / other.size < MOST_SPOT and slender < MOST_SLENDER:
            return True
    return False
