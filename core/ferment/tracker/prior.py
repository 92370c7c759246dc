"""What a jar is thought to be like before it is seen: the book's, or what a baker's earlier jars taught of the next.

Jars differ in the logarithms of four traits: vigour (which holds how far the told warmth is off), gas-holding, native
life, lag. A jar of the book spreads by `SPREADS` about nought. What jars of one baker share (the hand, the water, the
shelf that is cooler than told), and those of one flour share beside it, makes them alike: of the variance of a trait
`SHARED` is one baker's, `FLOURS_OWN` that of one flour with that baker, the rest each jar's own. With the lessons y of
earlier jars and how unsure each is, R, the next jar is told by the usual best linear predictor of a random effect
(Henderson 1975, from memory):

    K = shared part of the variance between two earlier jars, the whole of it of one with itself
    k = shared part between an earlier jar and the next
    middle = kᵀ (K + R)⁻¹ y,  variance = spread² - kᵀ (K + R)⁻¹ k

The shares are assumed (common practice: the second jar of a kitchen is no stranger, nor is it the first again);
`bench/learning.py` says what they bring.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..kitchen.flours import Flour
from ..model.kinetics import Array

# How much new jars differ in the logarithm: vigour, gas-holding, native life, lag; and how far the told warmth is off.
SPREADS = (0.30, 0.20, 0.9, 0.35)
SHARED, FLOURS_OWN = 0.35, 0.25
# However sure the jars before, the next is not thought to be stranger than this, in spreads.
STRANGEST = 1.5
# What is told of it is told in per cent, and not where it is less than any two jars differ.
LEAST_PERCENT = 5
# An evidence that hardly narrowed a trait tells nothing of it.
HARDLY = 1e-6


@dataclass(frozen=True)
class Lesson:
    """What the looks at a jar in its first days say by themselves of each trait: a middle in the logarithm, and its
    variance (infinite where they say nothing). `flour` is its main one, `watched` its feeds at which a level was
    read."""

    flour: Flour
    middles: tuple[float, ...]
    variances: tuple[float, ...]
    watched: int


@dataclass(frozen=True)
class Prior:
    """What a jar may be like: the logarithm of each trait about a middle, with a spread; taught by so many jars."""

    middles: tuple[float, ...] = (0.0,) * len(SPREADS)
    spreads: tuple[float, ...] = SPREADS
    jars: int = 0

    @property
    def faster_percent(self) -> int:
        """By how many per cent it is thought to be faster than the book's; 0 where that is not worth telling."""
        return _percent(self.middles[0])

    @property
    def higher_percent(self) -> int:
        """The same of how high it rises."""
        return _percent(self.middles[1])

    @property
    def later_percent(self) -> int:
        """The same of how long it lies before it wakes."""
        return _percent(self.middles[3])


BOOK_PRIOR = Prior()


def prior_as_json(prior: Prior) -> dict[str, object] | None:
    """None of a jar that nothing taught of."""
    if not prior.jars:
        return None
    return {"middles": list(prior.middles), "spreads": list(prior.spreads), "jars": prior.jars}


def prior_from_json(written: object) -> Prior:
    """Raises ValueError for what is no such thing."""
    if written is None:
        return BOOK_PRIOR
    try:
        middles, spreads = (tuple(float(one) for one in written[name]) for name in ("middles", "spreads"))  # type: ignore[index]
        made = Prior(middles, spreads, int(written["jars"]))  # type: ignore[index]
        sound = all(
            abs(middle) <= STRANGEST * most and 0.0 < spread <= most
            for middle, spread, most in zip(middles, spreads, SPREADS, strict=True)
        )
    except (TypeError, KeyError) as error:
        raise ValueError(written) from error
    if not sound or made.jars < 1:
        raise ValueError(written)
    return made


def _percent(middle: float) -> int:
    percent = round(100.0 * (math.exp(middle) - 1.0))
    return percent if abs(percent) >= LEAST_PERCENT else 0


def lesson_of(prior: Prior, rows: Sequence[Array], weights: Array, flour: Flour, watched: int) -> Lesson:
    """What the weights say beyond what the jar was thought to be: the prior taken out of the posterior again.

    `rows` are the members' traits in the logarithm.
    """
    middles, variances = [], []
    for before, spread, row in zip(prior.middles, prior.spreads, rows, strict=True):
        middle = float((weights * row).sum())
        variance = max(float((weights * (row - middle) ** 2).sum()), HARDLY)
        told = 1.0 / variance - 1.0 / spread**2
        sure = told > HARDLY
        middles.append((middle / variance - before / spread**2) / told if sure else 0.0)
        variances.append(1.0 / told if sure else math.inf)
    return Lesson(flour, tuple(middles), tuple(variances), watched)


def taught_by(lessons: Sequence[Lesson], flour: Flour) -> Prior:
    """What the next jar, begun with this flour, may be like after these."""
    middles, spreads = [], []
    for trait, spread in enumerate(SPREADS):
        told = [(one, one.variances[trait]) for one in lessons if math.isfinite(one.variances[trait])]
        if not told:
            middles.append(0.0)
            spreads.append(spread)
            continue
        alike = [[_alike(one.flour, other.flour) for other, _ in told] for one, _ in told]
        between = spread**2 * (np.array(alike) + np.eye(len(told)) * (1.0 - SHARED - FLOURS_OWN))
        to_next = spread**2 * np.array([_alike(one.flour, flour) for one, _ in told])
        solved = np.linalg.solve(between + np.diag([unsure for _, unsure in told]), to_next)
        middle = float(solved @ np.array([one.middles[trait] for one, _ in told]))
        middles.append(max(-STRANGEST * spread, min(STRANGEST * spread, middle)))
        spreads.append(math.sqrt(spread**2 - float(solved @ to_next)))
    return Prior(tuple(middles), tuple(spreads), len(lessons))


def _alike(one: Flour, other: Flour) -> float:
    return SHARED + (FLOURS_OWN if one is other else 0.0)
