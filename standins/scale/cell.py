"""What a kitchen scale shows: a load, seen through steps, drift and jitter, after its zero. Chance has a seed."""

from __future__ import annotations

import random
from dataclasses import dataclass

STEPS = (0.1, 1.0, 5.0)
MOST_G = 5_000.0
# A display is steady once the last few samples lie within its step.
SETTLES_AFTER = 4


@dataclass(frozen=True)
class Shown:
    """What the display says: grams since zero, what was zeroed away, and whether it stands still."""

    grams: float
    zeroed_g: float
    stable: bool


class Cell:
    """The weighing cell and its display, sampled a few times a second."""

    def __init__(self, seed: int = 1) -> None:
        self.load_g = 0.0
        self.zero_g = 0.0
        self.step_g = 1.0
        self.pours_g_per_s = 0.0
        self.drifts = False
        self.jitters = False
        self.plugged = True
        self._drift_g = 0.0
        self._still = 0
        self._last = 0.0
        self._dice = random.Random(seed)  # noqa: S311  (a trembling table, no secret)

    def put(self, grams: float) -> None:
        """Lay something on, or take it off (negative)."""
        self.load_g = min(MOST_G, max(0.0, self.load_g + grams))

    def tare(self) -> None:
        self.zero_g = self._raw()

    def sample(self, seconds: float) -> Shown:
        """Let time pass and read."""
        if self.pours_g_per_s:
            self.put(self.pours_g_per_s * seconds)
        if self.drifts:
            self._drift_g += 0.05 * seconds
        value = self._stepped(self._raw() - self.zero_g + (self._dice.gauss(0, 0.6) if self.jitters else 0.0))
        self._still = self._still + 1 if abs(value - self._last) <= self.step_g / 2 else 0
        self._last = value
        return Shown(value, self._stepped(self.zero_g), self._still >= SETTLES_AFTER)

    def _raw(self) -> float:
        return self.load_g + self._drift_g

    def _stepped(self, grams: float) -> float:
        return round(round(grams / self.step_g) * self.step_g, 1)
