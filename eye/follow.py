"""A level followed from picture to picture: what each shows, held to what a jar can do.

The state is the level on a grid of 0.01 ×. Between two pictures it may rise or fall as fast as a jar can, or, seldom,
drop at once (a stir, a feed). A picture speaks for a level by its rows: paste up to it, glass above the highest that
the paste has stood since the feed, and in between glass that paste may stick to (`rows`). It is a
filter over a hidden Markov chain (L. R. Rabiner, Proc. IEEE 77, 1989, from memory), forward in time.
"""

from __future__ import annotations

from dataclasses import dataclass, field

import numpy as np

from .rows import PER_LINE, Cells, Evidence, cells, edge_of, evidence, in_view, lit
from .terms import Array, Cause, Jar, Picture, Reading

LOWEST = 0.7
# × the line an hour: faster than any starter of ours rises or falls.
RISES, FALLS = 1.6, 0.9
# Rows that lie beside each other tell nearly the same: so many of them count as one.
ROWS_AS_ONE = 3.0
# How likely a level drops at once, or anything at all happened, between two pictures.
DROPS, ANYTHING = 1e-3, 1e-6
# How high a camera stands that looks down on a jar, × its rim.
EYE_ABOVE = 1.15
# Nobody knows how high: the far side may also show less than that.
TOP_SHARES = (1.0, 0.7, 0.4, 0.0)
# Beyond that it is not sure enough to be said.
MOST_ERROR = 0.06
# In logarithms, of what stands beside the jar.
MUCH_DARKER = -0.9
LEAST_EXPLAINED, LEAST_BRIGHT, LEAST_LIT, LEAST_IN_VIEW = 0.62, 8.0, 0.35, 0.65


@dataclass
class Follower:
    """One camera before one jar, from the first picture after a feed on, when the paste stands at the line."""

    jar: Jar
    first: Cells
    belief: Array = field(init=False)
    high: float = 1.0
    at_h: float = 0.0

    @classmethod
    def begin(cls, picture: Picture, jar: Jar) -> Follower:
        return cls(jar, cells(picture, jar))

    def __post_init__(self) -> None:
        rows = self.first.colour.shape[0]
        self.levels = np.arange(int(LOWEST * PER_LINE), rows) / PER_LINE
        self.edge = edge_of(self.first)
        # How far the far side shows above the near one: looked down on from a little above the rim, the less the higher
        # the paste stands.
        eye = self.jar.rim_level * EYE_ABOVE
        self.behind = (self.edge / PER_LINE - 1.0) * np.maximum(eye - self.levels, 0) / (eye - 1)
        self.belief = np.exp(-0.5 * ((self.levels - 1.0) / 0.03) ** 2)
        self.belief /= self.belief.sum()

    def see(self, picture: Picture, at_h: float) -> Reading:
        """The next picture, so many hours after the first."""
        now = cells(picture, self.jar)
        self.belief = moved(self.belief, max(at_h - self.at_h, 1e-3))
        self.at_h = at_h
        highest = int(self.high * PER_LINE)
        if np.percentile(now.plain, 80) < LEAST_BRIGHT:
            return Reading.none(Cause.DARK)
        if lit(now, self.first, highest) < LEAST_LIT:
            # Nothing stands out any more: for want of light, or because something stands before it.
            darker = float(np.median(now.beside - self.first.beside)) < MUCH_DARKER
            return Reading.none(Cause.DARK if darker else Cause.BLOCKED)
        if in_view(now, self.first, highest) < LEAST_IN_VIEW:
            return Reading.none(Cause.BLOCKED)
        told = evidence(now, self.first, self.edge, highest)
        if told.explained < LEAST_EXPLAINED:
            return Reading.none(Cause.BLOCKED)
        self.belief = self.belief * likelihood(told, self.levels, self.behind, self.high)
        self.belief /= self.belief.sum()
        level, error = mean_of(self.belief, self.levels)
        if error > MOST_ERROR:
            return Reading.none(Cause.UNSURE)
        if level - error > self.high:
            self.high = level
        return Reading(level, error, None)


def likelihood(told: Evidence, levels: Array, behind: Array, high: float) -> Array:
    """Of each level, by the rows of one picture; the best is 1. `behind`: how far the paste's top shows above each."""
    rows = told.paste.shape[0]
    at = np.arange(1, rows + 1) / PER_LINE
    paste, top = _summed(told.paste), _summed(told.top)
    # Between level and high mark glass may be clean or not; above it is clean.
    clear = _summed(np.where(at <= high + 0.02, np.maximum(told.film, told.glass), told.glass))
    near = np.clip(np.round(levels * PER_LINE).astype(int), 0, rows)
    best = np.full(levels.shape, -np.inf)
    for share in TOP_SHARES if behind.any() else (0.0,):
        far = np.clip(near + np.round(behind * share * PER_LINE).astype(int), 0, rows)
        best = np.maximum(best, paste[near] + top[far] - top[near] + clear[-1] - clear[far])
    likely: Array = np.exp((best - best.max()) / ROWS_AS_ONE)
    return likely


def _summed(told: Array) -> Array:
    summed: Array = np.concatenate([[0.0], np.cumsum(told)])
    return summed


def moved(belief: Array, hours: float) -> Array:
    """What may have become of a level in so many hours."""
    up, down = max(1, round(RISES * hours * PER_LINE)), max(1, round(FALLS * hours * PER_LINE))
    reach = np.arange(-down, up + 1)
    kernel = np.where(reach >= 0, 1 - reach / (up + 1), 1 + reach / (down + 1))
    kernel /= kernel.sum()
    spread = np.convolve(belief, kernel)[down : down + belief.size]
    # A drop may end anywhere lower.
    fallen = np.cumsum(belief[::-1])[::-1] / np.arange(1, belief.size + 1)
    new: Array = (1 - DROPS) * spread + DROPS * fallen + ANYTHING / belief.size
    new /= new.sum()
    return new


def mean_of(belief: Array, levels: Array) -> tuple[float, float]:
    mean = float((belief * levels).sum())
    return mean, float(np.sqrt(max((belief * (levels - mean) ** 2).sum(), (0.5 / PER_LINE) ** 2)))
