"""A level followed from picture to picture: what each shows, held to what a jar can do.

The state is the level on a grid of 0.01 ×. Between two pictures it may rise or fall as fast as a jar can, or, seldom,
drop at once (a stir, a feed). A picture speaks for a level by its rows: paste up to it, glass above the highest that
the paste has stood since the feed, and in between glass that paste may stick to (`evidence`). It is a
hidden Markov chain (L. R. Rabiner, Proc. IEEE 77, 1989, from memory): forward while pictures come in, and both ways
when they are looked at afterwards.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from .evidence import Evidence, evidence, of_levels, since
from .place import AS_IT_STOOD, Set, where
from .rows import PER_LINE, Cells, cells, edge_of, in_view, light_between, lit, unchanged
from .terms import Array, Cause, Jar, Picture, Reading

LOWEST = 0.7
# × the line an hour: faster than any starter of ours rises or falls.
RISES, FALLS = 1.6, 0.9
# Rows that lie beside each other tell nearly the same: so many of them count as one.
ROWS_AS_ONE = 3.0
# How likely a level drops at once, or anything at all happened, between two pictures.
DROPS, ANYTHING = 1e-3, 1e-6
# How likely a picture misleads: what one alone says, and no jar can have done, is not believed before the next.
MISTAKEN = 1e-4
# How high a camera stands that looks down on a jar, × its rim.
EYE_ABOVE = 1.15
# Nobody knows how high: the far side may also show less than that.
TOP_SHARES = (1.0, 0.7, 0.4)
# How much more it must explain.
TOP_COSTS = 4.0
# Beyond that it is not sure enough to be said.
MOST_ERROR = 0.045
# So near the line the paste stands at it. Two pictures are never of one moment (hours).
AT_LINE, LEAST_H = 0.05, 1e-3
# So long a picture tells what cannot have changed in the next, and so much of that must not have; levels are told so
# exactly at most.
LATELY_H, LEAST_UNCHANGED, ABOUT = 1.1, 0.85, 0.06
# In logarithms, of what stands beside the jar.
MUCH_DARKER = -0.9
LEAST_EXPLAINED, LEAST_BRIGHT, LEAST_LIT, LEAST_IN_VIEW = 0.62, 8.0, 0.35, 0.65


@dataclass(frozen=True)
class Seen:
    """What one picture says of each level (the best is 1), or why it says nothing."""

    likely: Array | None
    cause: Cause | None


@dataclass(frozen=True)
class Earlier:
    """A picture that was read, and how high the paste stood in it and had stood by then."""

    shown: Cells
    level: float
    high: float
    at_h: float
    by: Set

    def may_have_moved(self, at_h: float) -> tuple[float, float]:
        """Between which levels anything may look otherwise by an hour."""
        hours = at_h - self.at_h
        return self.level - FALLS * hours - ABOUT, self.high + RISES * hours + ABOUT


@dataclass(frozen=True)
class Start:
    """The first picture after a feed, and where the paste stood in it (× the line): what later ones are held against.

    `levels` is the grid that is told about.
    """

    jar: Jar
    first: Cells
    stood: float
    edge: int
    levels: Array
    behind: Array

    @classmethod
    def of(cls, picture: Picture, jar: Jar, stood: float = 1.0) -> Start:
        """Raises ValueError for a jar that does not stand in the picture."""
        first = cells(picture, jar)
        levels = grid_of(jar)
        low = abs(stood - 1.0) < AT_LINE
        edge = edge_of(first, jar) if low else round(stood * PER_LINE)
        # How far the far side shows above the near one: looked down on from a little above the rim, the less the higher
        # the paste stands.
        eye = jar.rim_level * EYE_ABOVE
        far = edge / PER_LINE - 1.0 if low else 0.0
        return cls(jar, first, stood, edge, levels, far * np.maximum(eye - levels, 0) / (eye - 1))

    @property
    def belief(self) -> Array:
        made: Array = np.exp(-0.5 * ((self.levels - self.stood) / 0.03) ** 2)
        made /= made.sum()
        return made

    def see(self, now: Cells, high: float, at_h: float, by: Set = AS_IT_STOOD, earlier: Earlier | None = None) -> Seen:
        """A later picture, so many hours after the first; `high` is the highest level that has been read since, `by`
        how far the jar stands from where it stood, `earlier` the last picture that was read."""
        highest = int(max(high, self.stood) * PER_LINE)
        if np.percentile(now.plain, 80) < LEAST_BRIGHT:
            return Seen(None, Cause.DARK)
        if lit(now, self.first, highest) < LEAST_LIT:
            # Nothing stands out any more: for want of light, or because something stands before it.
            darker = float(np.median(light_between(now, self.first))) < MUCH_DARKER
            return Seen(None, Cause.DARK if darker else Cause.BLOCKED)
        if in_view(now, self.first, highest) < LEAST_IN_VIEW:
            return Seen(None, Cause.BLOCKED)
        if earlier is not None and earlier.by == by and at_h - earlier.at_h < LATELY_H:
            low, top = earlier.may_have_moved(at_h)
            if unchanged(now, earlier.shown, int(low * PER_LINE), int(top * PER_LINE)) < LEAST_UNCHANGED:
                return Seen(None, Cause.BLOCKED)
        told = evidence(now, *since(now, self.first, self.edge, highest), highest)
        if told.explained < LEAST_EXPLAINED:
            return Seen(None, Cause.BLOCKED)
        return Seen(likelihood(told, self.levels, self.behind, highest / PER_LINE), None)


def grid_of(jar: Jar) -> Array:
    """The levels that are told about, × the line."""
    levels: Array = np.arange(int(LOWEST * PER_LINE), round(PER_LINE * jar.rim_level)) / PER_LINE
    return levels


def highest_read(belief: Array, levels: Array, so_far: float) -> float:
    """The highest level of a round, after what is believed now."""
    level, error = mean_of(belief, levels)
    return level if error <= MOST_ERROR and level - error > so_far else so_far


@dataclass
class Follower:
    """One round as it comes in, each picture read by itself and those before it."""

    start: Start
    belief: Array = field(init=False)
    high: float = field(init=False)
    at_h: float = 0.0

    earlier: Earlier | None = None

    def __post_init__(self) -> None:
        self.belief, self.high = self.start.belief, self.start.stood

    @classmethod
    def begin(cls, picture: Picture, jar: Jar) -> Follower:
        return cls(Start.of(picture, jar))

    def see(self, picture: Picture, at_h: float) -> Reading:
        """The next picture, so many hours after the first."""
        return self.look(picture, at_h)[1]

    def look(self, picture: Picture, at_h: float, by: Set = AS_IT_STOOD) -> tuple[Seen, Reading]:
        """The same with what the picture says by itself, of a jar that stands so far from where it stood."""
        now = cells(picture, where(self.start.jar, by))
        seen = self.start.see(now, self.high, at_h, by, self.earlier)
        self.take(seen, at_h)
        reading = told(self.belief, self.start.levels, seen)
        if reading.level is not None:
            self.earlier = Earlier(now, reading.level, self.high, at_h, by)
        return seen, reading

    def take(self, seen: Seen, at_h: float) -> None:
        self.belief = moved(self.belief, max(at_h - self.at_h, LEAST_H))
        self.at_h = at_h
        if seen.likely is not None:
            self.belief = weighed(self.belief, seen)
            self.high = highest_read(self.belief, self.start.levels, self.high)


def both_ways(start_belief: Array, levels: Array, pictures: Sequence[tuple[float, Seen]]) -> list[Reading]:
    """A round read again when it is over, or as far as it has come: each picture by all, those after it too.

    `pictures` are hours since the first, in order, with what each says.
    """
    forward: list[tuple[float, Seen, Array]] = []
    belief, before = start_belief, 0.0
    for at_h, seen in pictures:
        belief = weighed(moved(belief, max(at_h - before, LEAST_H)), seen)
        forward.append((at_h, seen, belief))
        before = at_h
    return back_over(levels, forward)


def back_over(levels: Array, pictures: Sequence[tuple[float, Seen, Array]]) -> list[Reading]:
    """The same for the last pictures of a round, with what was believed after each."""
    readings: list[Reading] = []
    later: Array = np.ones_like(levels)
    after: tuple[float, Seen] | None = None
    for at_h, seen, ahead in reversed(pictures):
        if after is not None:
            weight = later if after[1].likely is None else later * after[1].likely
            later = looked_back(weight, max(after[0] - at_h, LEAST_H))
        both = ahead * later
        readings.append(told(both / both.sum(), levels, seen))
        after = (at_h, seen)
    return readings[::-1]


def weighed(belief: Array, seen: Seen) -> Array:
    if seen.likely is None:
        return belief
    new: Array = belief * seen.likely
    new /= new.sum()
    return new


def told(belief: Array, levels: Array, seen: Seen) -> Reading:
    """Of one picture, by what is believed after it: never a level of one that was not read."""
    if seen.cause is not None:
        return Reading.none(seen.cause)
    level, error = mean_of(belief, levels)
    return Reading(level, error, None) if error <= MOST_ERROR else Reading.none(Cause.UNSURE)


def likelihood(told: Evidence, levels: Array, behind: Array, high: float) -> Array:
    """Of each level, by the rows of one picture; the best is 1. `behind`: how far the paste's top shows above each."""
    near = np.round(levels * PER_LINE).astype(int)
    tall = [np.round(behind * share * PER_LINE).astype(int) for share in TOP_SHARES]
    best = of_levels(told, near, tall, int((high + 0.02) * PER_LINE), TOP_COSTS)
    likely: Array = np.maximum(np.exp((best - best.max()) / ROWS_AS_ONE), MISTAKEN)
    return likely


def moved(belief: Array, hours: float) -> Array:
    """What may have become of a level in so many hours."""
    kernel, down = _reach(hours)
    spread = np.convolve(belief, kernel)[down : down + belief.size]
    # A drop may end anywhere lower.
    fallen = np.cumsum((belief / np.arange(1, belief.size + 1))[::-1])[::-1]
    new: Array = (1 - DROPS) * spread + DROPS * fallen + ANYTHING / belief.size
    new /= new.sum()
    return new


def looked_back(weight: Array, hours: float) -> Array:
    """How well each level explains what came so many hours later: `moved`, turned round; the best is 1."""
    kernel, down = _reach(hours)
    spread = np.convolve(weight, kernel[::-1])[kernel.size - 1 - down :][: weight.size]
    fallen = np.cumsum(weight) / np.arange(1, weight.size + 1)
    new: Array = (1 - DROPS) * spread + DROPS * fallen + ANYTHING * weight.sum() / weight.size
    new /= new.max()
    return new


def _reach(hours: float) -> tuple[Array, int]:
    """How likely a level moves by so many rows, from the lowest up, and how many of them are downward."""
    up, down = max(1, round(RISES * hours * PER_LINE)), max(1, round(FALLS * hours * PER_LINE))
    reach = np.arange(-down, up + 1)
    kernel: Array = np.where(reach >= 0, 1 - reach / (up + 1), 1 + reach / (down + 1))
    kernel /= kernel.sum()
    return kernel, down


def mean_of(belief: Array, levels: Array) -> tuple[float, float]:
    mean = float((belief * levels).sum())
    return mean, float(np.sqrt(max((belief * (levels - mean) ** 2).sum(), (0.5 / PER_LINE) ** 2)))
