"""What each row of one picture resembles, paste, the paste's top, glass, or paste that sticks to the glass; and how
likely each level is by that.

Paste is as it is today low in the jar, and the light on it may lean on its way up: one lean for the whole picture, so
that a step is not taken for it. The top, seen from above, is the paste in a light of its own; what sticks to the near
wall lies before it. Glass is as in the first picture after the feed, in today's light; or, where there is no other
picture, as what stands beside the jar, in the light under its rim.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from .rows import COLUMNS, MARK_ROWS, PER_LINE, SURE, Cells, clean_columns, light_between, under_rim
from .terms import Array

# How far cells of one kind differ by themselves at least, in logarithms: colours, and their unrest; and by how many of
# 255 the sensor errs in the mean of a cell. What stands beside a jar is not quite what stands behind it.
COLOUR_SD, BESIDE_SD, UNREST_SD, SENSOR_SD = 0.025, 0.04, 0.45, 0.8
# So much less likely than anything known a cell can be at most: a shine, a label, a finger.
FLOOR = 5.0
# Less likely than so much of it, a row is none of what is known.
EXPLAINED = 0.6 * FLOOR
# How much more or less light there may be on the paste, a line's height further up than where it is known
# (logarithms); each is less likely the more it is.
LEANS, LEAN_SD = (-0.08, -0.05, -0.025, 0.0, 0.025, 0.05, 0.08), 0.03
# Just above where paste was seen in the first picture its edge may blur; so many rows further glass is alike.
BLURS, ALIKE = 6, 40
# What mixes paste and glass is believed only where it explains a cell better than either; such shares of paste it has.
MIXED_COSTS, MIXED = 0.8, (0.15, 0.85)
# What sticks is uneven: the more of a share above the first there is, the less it is believed.
THIN, THICK_COSTS = 0.6, 6.0
# A top that is seen through what sticks is believed only where it explains a cell better.
DIMMED_COSTS = 0.4


@dataclass(frozen=True)
class Paste:
    """How paste should look: colours rows×columns×3, the variances by which a cell may be off, rows×columns, and its
    unrest, columns. In the rows `sure` it is known; `costs` is what it costs a row that paste is uneven. `lights` are
    those in which its top may be seen, beside its own, each columns×3."""

    colour: Array
    off: Array
    unrest: Array
    sure: slice
    costs: float
    lights: tuple[Array, ...]

    @classmethod
    def of(cls, now: Cells, sure: slice, shift: Array, lights: tuple[Array, ...]) -> Paste:
        """`shift`, rows×3, is how the light differs from row to row."""
        known = now.colour[sure]
        middle = np.median(known, axis=0)
        own = 1.48 * np.median(np.abs(known - middle), axis=0)
        sensor = (SENSOR_SD / np.exp(now.colour)) ** 2
        return cls(
            colour=middle + (shift - shift[sure].mean(axis=0))[:, None, :],
            off=np.sqrt(COLOUR_SD**2 + sensor + own**2).mean(axis=2) ** 2,
            unrest=np.median(now.unrest[sure], axis=0),
            sure=sure,
            costs=float(np.log(np.median(np.sqrt(COLOUR_SD**2 + own**2).mean(axis=1)) / COLOUR_SD)),
            lights=lights,
        )


@dataclass(frozen=True)
class Glass:
    """How glass should look: colours and variances rows×columns×3, unrest rows×columns."""

    colour: Array
    off: Array
    unrest: Array

    @classmethod
    def of(cls, now: Cells, colour: Array, unrest: Array, sd: float) -> Glass:
        return cls(colour, sd**2 + (SENSOR_SD / np.exp(now.colour)) ** 2, unrest)


def since(now: Cells, first: Cells, edge: int, highest: int) -> tuple[Paste, Glass]:
    """How they should look so long after `first`, the picture after the feed, in which paste was seen up to the row
    `edge`; `highest` is the row up to which it has been seen since."""
    shift = light_between(now, first)
    glass = first.colour + shift[:, None, :]
    sd = COLOUR_SD
    known = under_rim(now, highest)
    if known.size:
        off = now.colour[known] - glass[known]
        middle = np.median(off, axis=(0, 1))
        glass, shift = glass + middle, shift + middle
        sd = float(np.hypot(COLOUR_SD, 1.48 * np.median(np.abs(off - middle))))
    # What was paste in the first picture tells nothing of glass: it is as just above.
    above = slice(edge + BLURS, edge + BLURS + ALIKE)
    unrest = first.unrest.copy()
    glass[: above.start] = np.median(glass[above], axis=0)
    unrest[: above.start] = np.median(unrest[above], axis=0)
    lights: tuple[Array, ...] = ()
    if edge > PER_LINE:
        # The top keeps the light that it had beside the paste's.
        shown = first.colour[min(PER_LINE + MARK_ROWS, edge - 3) : edge]
        lights = (np.median(shown - np.median(first.colour[SURE], axis=0), axis=0),)
    # All is held against the first picture: what is uneven was so then.
    paste = replace(Paste.of(now, SURE, shift, lights), costs=0.0)
    return paste, Glass.of(now, glass, unrest, sd)


def alone(now: Cells, sure: slice, under: slice, lights: Sequence[float]) -> tuple[Paste, Glass]:
    """How they should look in one picture by itself, whose rows `sure` are taken for paste and whose rows `under` the
    rim are glass."""
    shown = now.colour[under]
    glass = np.broadcast_to(np.median(shown, axis=0), now.colour.shape)
    if now.beside is not None:
        behind = now.beside[:, None, :]
        glass = behind + np.median(shown - behind[under], axis=0)
    sd = float(np.hypot(BESIDE_SD, 1.48 * np.median(np.abs(shown - glass[under]))))
    unrest = np.broadcast_to(np.median(now.unrest[under], axis=0), now.unrest.shape)
    straight = np.zeros((now.colour.shape[0], 3))
    tops = tuple(np.full((COLUMNS, 3), light) for light in lights)
    return Paste.of(now, sure, straight, tops), Glass.of(now, glass, unrest, sd)


@dataclass(frozen=True)
class Evidence:
    """Log-likelihoods of each row. `explained` is the share of rows that are any of what is known."""

    # Leans×rows, for each way in which the light may lean along the paste; and how likely each is.
    paste: Array
    leans: Array
    # Lights×leans×rows: the paste's top, seen from above, behind the near wall's line.
    top: Array
    # Rows.
    glass: Array
    film: Array
    explained: float


def evidence(now: Cells, paste: Paste, glass: Glass, highest: int) -> Evidence:
    """Up to the row `highest` paste may stick to the wall."""
    clean = clean_columns(now, paste.sure)
    restless = ((now.unrest - paste.unrest) / UNREST_SD) ** 2
    still = ((now.unrest - glass.unrest) / UNREST_SD) ** 2
    either = 0.5 * np.minimum(restless, still)
    rows = now.colour.shape[0]
    tops = [
        _of_rows(_as_top(now, paste, lean, light, highest), either, clean) for light in paste.lights for lean in LEANS
    ]
    bodies = np.stack([_of_rows(as_paste(now, paste, lean), restless, clean) for lean in LEANS])
    clear = _of_rows(as_glass(now, glass), still, clean)
    film = _of_rows(as_film(now, paste, glass), either, clean)
    best = np.max(np.stack([*bodies, *tops, clear, film]), axis=0)
    return Evidence(
        paste=bodies,
        leans=-0.5 * (np.array(LEANS) / LEAN_SD) ** 2,
        top=np.reshape(tops, (len(paste.lights), len(LEANS), rows)),
        glass=clear,
        film=film,
        explained=float((best > -EXPLAINED).mean()),
    )


def of_levels(
    told: Evidence, levels: NDArray[np.intp], tall: Sequence[NDArray[np.intp]], high: int, top_costs: float
) -> Array:
    """The log-likelihood of each level, a row up to which paste stands at the near wall. `tall` are so many rows by
    which its top may show above each, believed only where that explains so much more than none; up to the row `high`
    paste may stick to the glass."""
    rows = told.glass.shape[0]
    at = np.arange(1, rows + 1)
    clear = _summed(np.where(at <= high, np.maximum(told.film, told.glass), told.glass))
    ends = [np.minimum(levels + each, rows) for each in tall]
    best = np.full(levels.shape, -np.inf)
    for number, lean in enumerate(told.leans):
        paste = lean + _summed(told.paste[number])[levels] + clear[-1]
        best = np.maximum(best, paste - clear[levels])
        for light in told.top:
            top = _summed(light[number])
            for far in ends:
                best = np.maximum(best, paste + top[far] - top[levels] - clear[far] - top_costs)
    return best


def _summed(told: Array) -> Array:
    summed: Array = np.concatenate([[0.0], np.cumsum(told)])
    return summed


def as_paste(now: Cells, paste: Paste, lean: float, light: Array | float = 0.0) -> Array:
    """Rows×columns: squares of what each cell is off."""
    beyond = np.maximum(np.arange(now.colour.shape[0]) - paste.sure.stop, 0) / PER_LINE
    off = now.colour - paste.colour - light - lean * beyond[:, None, None]
    squares: Array = (off**2).mean(axis=2) / paste.off + paste.costs
    return squares


def as_glass(now: Cells, glass: Glass) -> Array:
    squares: Array = (((now.colour - glass.colour) ** 2) / glass.off).mean(axis=2)
    return squares


def _as_top(now: Cells, paste: Paste, lean: float, light: Array, highest: int) -> Array:
    squares = as_paste(now, paste, lean, light)
    behind = as_paste(now, paste, lean, light / 2) + DIMMED_COSTS
    squares[:highest] = np.minimum(squares, behind)[:highest]
    return squares


def as_film(now: Cells, paste: Paste, glass: Glass) -> Array:
    toward = paste.colour - glass.colour
    share = ((now.colour - glass.colour) * toward).sum(axis=2) / np.maximum((toward**2).sum(axis=2), 1e-6)
    mixed = glass.colour + np.clip(share, *MIXED)[..., None] * toward
    squares = (((now.colour - mixed) ** 2) / glass.off).mean(axis=2)
    told: Array = squares + MIXED_COSTS + THICK_COSTS * np.maximum(share - THIN, 0)
    return told


def _of_rows(squares: Array, unrest: Array, clean: NDArray[np.intp]) -> Array:
    """The log-likelihood of each row, by its clean columns."""
    each = np.maximum(-squares - 0.5 * unrest, -FLOOR)[:, clean]
    # Of the columns the middle ones: a shine is in few of them.
    few = each.shape[1] // 4
    told: Array = np.sort(each, axis=1)[:, few : each.shape[1] - few].mean(axis=1)
    return told
