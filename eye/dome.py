"""How much higher the paste's top stands in the middle than at the wall, as it shows across one photo of a jar.

Paste and what is above it are told cell by cell; between them runs a curve, flat or bent, and the bend that explains
the cells best is the dome. A hollow is not told: from above, the near edge of a flat top looks bent down as well.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from .evidence import FLOOR, UNREST_SD, alone, as_film, as_glass, as_paste
from .photo import LOW, SURE_HIGH, UNDER_RIM
from .rows import BETWEEN, COLUMNS, SURE, cells
from .terms import Array, Jar, Picture

# Shares of the jar's height: about a level the edge is looked for so far; paste is known to somewhat below it; so much
# higher the middle may be.
BELOW, ABOVE, WELL_BELOW = 0.08, 0.10, 0.06
BENDS = np.arange(-0.06, 0.1001, 0.005)
# So many cells tell nearly the same.
CELLS_AS_ONE = 6.0
# A bend less sure than this is none that is told; one so large, and surely no flat one, is a dome.
MOST_ERROR, LEAST_DOME, SURELY = 0.03, 0.015, 2.0


def domed(picture: Picture, jar: Jar, level: float) -> bool | None:
    """Of a jar whose paste stands at `level`, a share of its inner height; None where it cannot be told."""
    bend = bend_of(picture, jar, level)
    if bend is None or bend[1] > MOST_ERROR:
        return None
    height, error = bend
    return height > LEAST_DOME and height > SURELY * error


def bend_of(picture: Picture, jar: Jar, level: float) -> tuple[float, float] | None:
    """How much higher the middle stands than the wall, with its error, shares of the jar's inner height."""
    try:
        now = cells(picture, replace(jar, line=jar.bottom - LOW * (jar.bottom - jar.rim)))
    except ValueError:
        return None
    rows = now.colour.shape[0]
    sure = slice(SURE.start, int(max(SURE_HIGH[0], level - WELL_BELOW) * rows))
    paste, glass = alone(now, sure, slice(int(UNDER_RIM[0] * rows), int(UNDER_RIM[1] * rows)), ())
    low, high = max(1, int((level - BELOW) * rows)), min(rows - 1, int((level + ABOVE) * rows))
    if high - low < 8:
        return None
    restless = 0.5 * ((now.unrest - paste.unrest) / UNREST_SD) ** 2
    still = 0.5 * ((now.unrest - glass.unrest) / UNREST_SD) ** 2

    def told(squares: Array, unrest: Array) -> Array:
        return np.maximum(-squares - unrest, -FLOOR)[low:high]

    above = np.maximum(
        told(as_glass(now, glass), still), told(as_film(now, paste, glass), 0.5 * np.minimum(restless, still))
    )
    gained = np.concatenate(
        [np.zeros((1, COLUMNS)), np.cumsum(told(as_paste(now, paste, 0.0), restless) - above, axis=0)]
    )
    across = np.linspace(-1, 1, COLUMNS) * BETWEEN * (1 - 1 / COLUMNS)
    edges = np.arange(gained.shape[0])[:, None]
    likely = []
    for bend in BENDS:
        curve = bend * (np.mean(across**2) - across**2) * rows
        at = np.clip(np.round(edges + curve).astype(int), 0, gained.shape[0] - 1)
        likely.append(gained[at, np.arange(COLUMNS)].sum(axis=1).max())
    weight = np.exp((np.array(likely) - max(likely)) / CELLS_AS_ONE)
    weight /= weight.sum()
    height = float((weight * BENDS).sum())
    return height, float(np.sqrt((weight * (BENDS - height) ** 2).sum()))
