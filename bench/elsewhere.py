"""A model that is wrong on purpose: the truth behind simulated jars is drawn anew, the tracker's stays as it is.

Whoever judges jars by the model that made them learns little. Here the constants of growth, upkeep, gas, leak, waking,
warmth and flours are redrawn by log-normal factors, about as wide as practice and the published values differ (the
widths are common practice, from memory): twenty of them for every world. Only the plain Python form of the equations
reads them; the compiled loop keeps the book's.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from dataclasses import replace
from typing import Any

import numpy as np

from ferment.model import jar, kinetics, paste, runs

# By how much (in the logarithm) each constant of the truth is off.
OFF: Mapping[str, float] = {
    "YEAST_GROWTH": 0.08,
    "LACTIC_GROWTH": 0.10,
    "EARLY_GROWTH": 0.10,
    "HALF_FOOD": 0.25,
    "YEAST_UPKEEP": 0.15,
    "LACTIC_UPKEEP": 0.15,
    "YEAST_GAS": 0.10,
    "EARLY_GAS": 0.25,
    "LACTIC_ACID": 0.12,
    "EARLY_ACID": 0.20,
    "EARLY_DEATH": 0.25,
    "WAKING": 0.25,
    "FALLING_ASLEEP": 0.20,
    "LAG_H": 0.20,
    "LEAK": 0.15,
    "SLACK_LEAK": 0.20,
    "SLACKENING": 0.20,
    "DRY_BRAKE": 0.20,
}
Q10_OFF, HEIGHT_OFF, BUFFER_OFF = 0.05, 0.08, 0.10


@contextmanager
def another_world(seed: int) -> Iterator[None]:
    """Within it, jars are run by other constants. Nothing of the tracker may be asked here."""
    dice = np.random.default_rng(90_000 + seed)

    def off(sd: float) -> float:
        return float(np.exp(dice.normal(0.0, sd)))

    flours = {
        name: replace(kind, height=kind.height * off(HEIGHT_OFF), buffer=kind.buffer * off(BUFFER_OFF))
        for name, kind in paste.FLOURS.items()
    }
    drawn: list[tuple[Any, str, Any]] = [(jar, name, getattr(jar, name) * off(sd)) for name, sd in OFF.items()]
    drawn += [(kinetics, "Q10", kinetics.Q10 * off(Q10_OFF)), (paste, "FLOURS", flours), (jar, "FLOURS", flours)]
    # The plain form reads the constants as they stand; the compiled one has them built in.
    drawn.append((runs, "follow", runs._follow_rows))
    before = [(module, name, getattr(module, name)) for module, name, _ in drawn]
    _set(drawn)
    try:
        yield
    finally:
        _set(before)


def _set(values: list[tuple[Any, str, Any]]) -> None:
    for module, name, value in values:
        setattr(module, name, value)
    for kept in (jar.pace_of, runs._stride):
        kept.cache_clear()
