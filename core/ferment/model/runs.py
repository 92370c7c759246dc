"""Jars run from an hour to another: one or many, through the compiled loop where there is one; and the run itself.

Steps are longer in the cold, where everything goes slower; warmth is asked once a step, or once while it stays.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from typing import Generic

import numpy as np

from ..kitchen.warmth import Warmth
from .compiler import compiled
from .jar import GAS, Jar, Pace, Traits, heun, pace_of, setting_of
from .kinetics import Array, T, q10
from .paste import Paste


def _follow_rows(out: Array, settings: Array, plain: Array, steps: Array, paces: Array) -> None:
    """All jars at once, step by step, as rows of numbers; `out` holds the first state and takes the others.

    Shapes: `out` (steps + 1, 9, jars), `settings` (4, jars), `plain` (2), `steps` (steps), `paces` (steps, 6).
    """
    setting = (*settings, *plain.tolist())
    now = tuple(out[0])
    for at, (step, pace) in enumerate(zip(steps.tolist(), paces.tolist(), strict=True), 1):
        now = heun(now, setting, tuple(pace), step)
        out[at] = now


def _follow_each(out: Array, settings: Array, plain: Array, steps: Array, paces: Array) -> None:
    """The same for the compiler: step by step, and in each step jar by jar, as they lie beside each other."""
    dryness, waking = plain[0], plain[1]
    for at in range(steps.size):
        now, then, step = out[at], out[at + 1], steps[at]
        row = paces[at]
        pace = (row[0], row[1], row[2], row[3], row[4], row[5])
        for jar in range(out.shape[2]):
            setting = (settings[0, jar], settings[1, jar], settings[2, jar], settings[3, jar], dryness, waking)
            state = (
                now[0, jar],
                now[1, jar],
                now[2, jar],
                now[3, jar],
                now[4, jar],
                now[5, jar],
                now[6, jar],
                now[7, jar],
                now[8, jar],
            )
            moved = heun(state, setting, pace, step)
            for place in range(9):
                then[place, jar] = moved[place]


follow: Callable[[Array, Array, Array, Array, Array], None] = compiled(_follow_each) if compiled else _follow_rows


MODEL_STEP_H = 0.2
# In the cold, where everything goes slower, a step may be longer: as exact, up to so many times.
LONGEST_STEP = 2.0
WarmthAt = Callable[[float], float]
"""Degrees Celsius at an hour, hours counted as the run counts them."""


@dataclass(eq=False)
class Run(Generic[T]):
    """A stretch between two feeds as it was run: the hours, and the state at each. One is itself alone.

    `states` has the shape (steps, 9) for one jar and (steps, 9, jars) for many.
    """

    paste: Paste
    traits: Traits[T]
    hours: list[float]
    states: Array

    @property
    def end(self) -> Jar[T]:
        last = self.states[-1]
        state = tuple(last) if last.ndim > 1 else tuple(last.tolist())
        return Jar(self.paste, state, self.traits)

    def row(self, row: int) -> Array:
        """One row over time; of shape (steps,) for one jar, (steps, jars) for many."""
        found: Array = self.states[:, row]
        return found

    @property
    def levels(self) -> Array:
        return self.row(GAS) + 1.0

    def first(self, steps: int) -> Run[T]:
        """Cut off after so many."""
        return Run(self.paste, self.traits, self.hours[:steps], self.states[:steps])

    def then(self, rest: Run[T]) -> Run[T]:
        """Gone on with; `rest` begins where this ends."""
        states = np.concatenate((self.states, rest.states[1:]))
        return Run(self.paste, self.traits, self.hours + rest.hours[1:], states)


def not_run_yet(jar: Jar[T], at_h: float) -> Run[T]:
    """A jar as a run of its first moment alone."""
    return Run(jar.paste, jar.traits, [at_h], np.array([jar.state]))


@lru_cache(maxsize=4096)
def _stride(celsius: float) -> float:
    """How many times longer a step may be in that warmth."""
    return min(LONGEST_STEP, max(1.0, 1.0 / q10(celsius)))


def _schedule(from_h: float, to_h: float, warmth: WarmthAt, step_h: float) -> tuple[list[float], list[Pace]]:
    """The hours of a run, and the pace of each step; warmth is taken once a step, or once while it stays."""
    hours, paces = [from_h], []
    hour = from_h
    while hour < to_h - 1e-9:
        here = warmth(hour)
        step = step_h * _stride(here)
        steady = min(warmth.steady_until(hour), to_h) if isinstance(warmth, Warmth) else hour
        if hour + step <= steady:
            pace = pace_of(round(here, 3))
            while hour + step <= steady:
                paces.append(pace)
                hour += step
                hours.append(hour)
            continue
        step = min(step, to_h - hour)
        paces.append(pace_of(round(warmth(hour + step / 2.0), 3)))
        hour += step
        hours.append(hour)
    return hours, paces


def _run(
    jar: Jar[T], jars: int, from_h: float, to_h: float, warmth: WarmthAt, step_h: float
) -> tuple[list[float], Array]:
    hours, paces = _schedule(from_h, to_h, warmth, step_h)
    *each, dryness, waking = setting_of(jar)
    out = np.empty((len(hours), 9, jars))
    out[0] = np.reshape(np.array(jar.state), (9, jars))
    if paces:
        settings = np.reshape(np.array(each), (4, jars))
        follow(out, settings, np.array([dryness, waking]), np.diff(np.array(hours)), np.array(paces))
    return hours, out


def run(jar: Jar[float], from_h: float, to_h: float, warmth: WarmthAt, step_h: float = MODEL_STEP_H) -> Run[float]:
    """One jar from an hour to another by Heun's rule, negatives clipped to 0; warmth taken once a step.

    `step_h` holds at 25 °C and above; in the cold steps are longer.
    """
    hours, states = _run(jar, 1, from_h, to_h, warmth, step_h)
    return Run(jar.paste, jar.traits, hours, states[:, :, 0])


def run_many(jar: Jar[Array], from_h: float, to_h: float, warmth: WarmthAt, step_h: float = MODEL_STEP_H) -> Run[Array]:
    """The same for many jars at once, each with its own traits."""
    hours, states = _run(jar, len(jar.traits.vigour), from_h, to_h, warmth, step_h)
    return Run(jar.paste, jar.traits, hours, states)


def warm_up() -> bool:
    """Load the compiled loop, or compile it where that was not kept; False without a compiler."""
    if compiled is None:
        return False
    follow(np.ones((2, 9, 1)), np.ones((4, 1)), np.ones(2), np.ones(1), np.ones((1, 6)))
    return True
