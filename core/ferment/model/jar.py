"""A small mechanistic model of a jar: early bacteria, lactic bacteria, yeast, food, acid, gas, and walls that hold it.

Nothing here is scripted: the false dawn, the hush and the waking come out of three populations and two brakes, food and
acid. There is no ceiling on growth either: fed at any ratio, a culture settles by itself near a density of 1.

State, per unit mass of paste (`EARLY` .. `SINCE`; time in h, °C, grams; f is the flour share of the paste):

    E, L     early gas-forming bacteria, acid-tolerant lactic bacteria; 1 is the density of a mature culture
    Y, D     yeast awake, and yeast asleep: native, dried, or asleep from hunger
    S        food; 1 is fresh white paste at 100 %
    A        acid
    G        gas held, in volumes of the paste: level = 1 + G, as a multiple of the line
    W        strength of the walls of flour that hold the gas: 1 fresh to 0 slack
    th       thermal hours since the last mixing, at 25 °C

Pace by warmth is in `kinetics` (g for growth, q for what goes on without growth, K for death by heat), and so are the
acid switch a (0 sweet, 1 sour) and the lactic brake l. With

    fS = S / (S + HALF_FOOD)                    how well fed it is (Monod)
    on = fS min(1, th / (LAG_H lag))            and how far it is through its lag after a mixing
    dry, salt                                   brakes of a stiff and of a salted paste

growth r, food eaten e and the turn of yeast between asleep and awake are

    rY = YEAST_GROWTH   vigour gY on Y          eY = YEAST_FOOD rY + YEAST_UPKEEP q on Y
    rL = LACTIC_GROWTH  gL fS l L               eL = LACTIC_FOOD rL + LACTIC_UPKEEP q fS L
    rE = EARLY_GROWTH   gE fS (1 - a) E         eE = EARLY_FOOD rE
    turn = WAKING wakes gY fS (w0 + (1 - w0) a) D - FALLING_ASLEEP q (1 - fS) Y

and the nine derivatives (`rates`)

    E' = rE - EARLY_DEATH gE a E - K E          S' = -(eY + eL + eE)
    L' = rL - K L                               A' = LACTIC_ACID eL + EARLY_ACID eE
    Y' = rY + turn - K Y                        W' = -SLACKENING q a W
    D' = -turn - SLEEPERS_DIE q D - K D         th' = gY
    G' = (YEAST_GAS eY + EARLY_GAS eE) held max(0, 1 - G / Gmax) - LEAK q (1 + SLACK_LEAK (1 - W)) G

A feed dilutes all of it by what was kept, adds the flour's own life and food, lets the gas out and makes the walls anew
(`after_feed`). Followed by Heun's rule, negatives clipped to 0.

Where the numbers come from: the forms are usual ones (Monod growth with upkeep after Pirt; a lag as a ramp, simpler
than Baranyi and Roberts 1994; from memory), the order of the growth rates follows Gänzle, Ehmann and Hammes 1998 (from
memory), and the values are fitted by hand to the ranges of practice that `tests/core/model/test_practice.py` lists;
`HALF_FOOD`, the foods per unit of growth and the pH of the switches are set. That acid helps yeast to wake is trade
lore, needed for those ranges, and not established biology. Calibrated, not validated on measured jars.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Generic

import numpy as np

from ..kitchen.flours import Blend, FlourLot, weight
from ..mixing.contents import CULTURE_HYDRATION, Origin
from .compiler import compiled_too
from .kinetics import (
    EARLY_UPPER_C,
    LACTIC_UPPER_C,
    YEAST_UPPER_C,
    T,
    gas_held,
    growth_pace,
    heat_death,
    lactic_freedom,
    ph_of,
    sourness,
    upkeep_pace,
)
from .paste import FLOURS, LEAST_FLOUR_SHARE, NO_FLOUR, Paste, blended

# --- what organisms do (1/h at 25 °C unless said; food in units of fresh white paste at 100 %) ---

YEAST_GROWTH, LACTIC_GROWTH, EARLY_GROWTH = 0.33, 0.55, 0.49
HALF_FOOD = 0.12
YEAST_FOOD, LACTIC_FOOD, EARLY_FOOD = 0.50, 0.30, 0.25
YEAST_UPKEEP, LACTIC_UPKEEP = 0.036, 0.029
YEAST_GAS, EARLY_GAS = 15.0, 1.8
LACTIC_ACID, EARLY_ACID = 3.2, 1.8
EARLY_DEATH = 0.25
WAKING, WAKING_IN_SWEET = 0.011, 0.05
FALLING_ASLEEP = 0.040
# Sleeping cells do not last for ever: about half are gone after a month unfed in a warm room.
SLEEPERS_DIE = 0.001
LAG_H = 1.7
LEAK, SLACK_LEAK = 0.068, 4.1
SLACKENING = 0.023
DRY_BRAKE = 0.53
SALT_BRAKE = 0.12
JUICE_ACID = 1.4
STIRRED_GAS = 0.1


@dataclass(frozen=True)
class Traits(Generic[T]):
    """How a jar differs from the book: vigour of its yeast, its gas-holding, its native life, its lag; 1 by default."""

    vigour: T
    height: T
    native: T
    lag: T


BOOK: Traits[float] = Traits(1.0, 1.0, 1.0, 1.0)

EARLY, LACTIC, YEAST, SLEEPING, FOOD, ACID, GAS, WALLS, SINCE = range(9)
"""The rows of a state: populations, food, acid, gas held (level = 1 + gas), walls, thermal hours since mixing."""


# What a gram of a culture from outside holds, in parts of a mature density; fitted to how dried flakes come back, and
# for a starter three weeks in the fridge what this model makes of it.
CULTURES: Mapping[Origin, Mapping[int, float]] = {
    Origin.FLOUR_AND_WATER: {},
    Origin.DRIED: {SLEEPING: 0.004, LACTIC: 0.05},
    Origin.FROZEN: {SLEEPING: 0.1, LACTIC: 0.1, ACID: 1.5, WALLS: 0.3},
    Origin.ASLEEP: {YEAST: 0.16, SLEEPING: 0.77, LACTIC: 0.96, ACID: 1.38, WALLS: 0.3},
}


@dataclass(frozen=True)
class Jar(Generic[T]):
    """A jar at a moment: its paste, and the nine numbers of its state."""

    paste: Paste
    state: tuple[T, ...]
    traits: Traits[T]

    @property
    def level(self) -> T:
        """As a multiple of the line."""
        return self.state[GAS] + 1.0


# A grown jar as it stands half a day after its last feed (seeded, fed 1:2:2 every 12 h at 25 °C for three days).
GROWN: Mapping[int, float] = {LACTIC: 0.94, YEAST: 0.74, SLEEPING: 0.19, ACID: 1.39, WALLS: 0.73}


def mature(blend: Blend, traits: Traits[T], water_to_flour: float = 1.0) -> Jar[T]:
    """A jar that has long been awake."""
    return _made_of(GROWN, blend, water_to_flour, traits)


def culture_jar(origin: Origin, blend: Blend, traits: Traits[T]) -> Jar[T]:
    """What comes from outside as a jar of its own: flakes, a frozen pinch, a starter three weeks in the fridge."""
    return _made_of(CULTURES[origin], blend, CULTURE_HYDRATION[origin] / 100.0, traits)


def _made_of(rows: Mapping[int, float], blend: Blend, water_to_flour: float, traits: Traits[T]) -> Jar[T]:
    kind = blended([(part.share, FLOURS[part.flour]) for part in blend])
    zero = traits.vigour * 0.0
    state = [zero] * 9
    for row, value in rows.items():
        state[row] = zero + value
    return Jar(Paste(1.0 / (1.0 + water_to_flour), kind, 0.0), tuple(state), traits)


def after_feed(
    jar: Jar[T] | None,
    traits: Traits[T],
    keep_g: float,
    lot: FlourLot,
    liquid_g: float,
    juice_g: float = 0.0,
    salt_g: float = 0.0,
) -> Jar[T]:
    """A first mix (no jar) or a feed: everything diluted, the flour's own life and food added, gas out, walls anew.

    `liquid_g` is all the liquid, the juice in it included. Grams.
    """
    flour_g = weight(lot)
    old_g = keep_g if jar else 0.0
    total = old_g + flour_g + liquid_g + salt_g
    kept, fresh = old_g / total, flour_g / total
    new_kind = blended([(part.g, FLOURS[part.flour]) for part in lot]) if flour_g else NO_FLOUR
    old_flour, old_kind, old_salt = 0.0, NO_FLOUR, 0.0
    if jar:
        old_flour, old_kind = kept * jar.paste.flour_share, jar.paste.kind
        old_salt = old_flour * jar.paste.salt_percent / 100.0
    share = max(old_flour + fresh, LEAST_FLOUR_SHARE)
    kind = blended([(old_flour, old_kind), (fresh, new_kind)])
    zero = traits.native * 0.0
    old = [row * kept for row in jar.state] if jar else [zero] * 9
    native = traits.native * fresh
    state = list(old)
    state[EARLY] = old[EARLY] + native * new_kind.early
    state[LACTIC] = old[LACTIC] + native * new_kind.lactic
    state[SLEEPING] = old[SLEEPING] + native * new_kind.yeast
    state[FOOD] = old[FOOD] + 2.0 * fresh * new_kind.food
    state[ACID] = old[ACID] + JUICE_ACID * juice_g / total
    state[GAS] = zero
    state[WALLS] = old[WALLS] + (1.0 - kept)
    state[SINCE] = zero
    return Jar(Paste(share, kind, 100.0 * (old_salt + salt_g / total) / share), tuple(state), traits)


def stir(jar: Jar[T]) -> Jar[T]:
    """Stirring knocks the gas out and changes nothing else here."""
    state = list(jar.state)
    state[GAS] = state[GAS] * STIRRED_GAS
    return replace(jar, state=tuple(state))


# What does not change between two feeds: buffer, most gas, lag, vigour (one for each jar), dryness, waking.
_Setting = tuple[T, T, T, T, float, float]
# What warmth makes of every rate, for one step: growth of yeast, lactic and early bacteria, upkeep, death, gas held.
Pace = tuple[float, float, float, float, float, float]
_State = tuple[T, T, T, T, T, T, T, T, T]


def setting_of(jar: Jar[T]) -> _Setting[T]:
    paste, traits = jar.paste, jar.traits
    dry = min(1.0, max(0.1, 1.0 - DRY_BRAKE * max(0.0, 1.0 - paste.thickness)))
    return (
        traits.vigour * 0.0 + paste.buffer,
        traits.height * paste.most_gas,
        traits.lag * LAG_H,
        traits.vigour,
        dry * math.exp(-SALT_BRAKE * paste.salt_percent),
        WAKING * paste.kind.wakes,
    )


@lru_cache(maxsize=4096)
def pace_of(celsius: float) -> Pace:
    return (
        growth_pace(celsius, YEAST_UPPER_C),
        growth_pace(celsius, LACTIC_UPPER_C),
        growth_pace(celsius, EARLY_UPPER_C),
        upkeep_pace(celsius),
        heat_death(celsius),
        gas_held(celsius),
    )


@compiled_too
def rates(state: _State[T], setting: _Setting[T], pace: Pace) -> _State[T]:
    """The nine derivatives, 1/h."""
    early, lactic, yeast, sleeping, food, acid, gas, walls, since = state
    buffer, most_gas, lag, vigour, dry, wakes = setting
    yeast_pace, lactic_pace, early_pace, upkeep, death, held = pace
    ph_now = ph_of(acid, buffer)
    sour = sourness(ph_now)
    fed = food / (food + HALF_FOOD)
    awake = fed * np.minimum(since / lag, 1.0)
    yeast_grows = (YEAST_GROWTH * yeast_pace * dry) * vigour * awake * yeast
    yeast_eats = YEAST_FOOD * yeast_grows + (YEAST_UPKEEP * upkeep) * awake * yeast
    lactic_grows = (LACTIC_GROWTH * lactic_pace * dry) * fed * lactic_freedom(ph_now) * lactic
    lactic_eats = LACTIC_FOOD * lactic_grows + (LACTIC_UPKEEP * upkeep) * fed * lactic
    early_grows = (EARLY_GROWTH * early_pace * dry) * fed * (1.0 - sour) * early
    early_eats = EARLY_FOOD * early_grows
    waking = (wakes * yeast_pace) * fed * ((1.0 - WAKING_IN_SWEET) * sour + WAKING_IN_SWEET) * sleeping
    turned = waking - (FALLING_ASLEEP * upkeep) * (1.0 - fed) * yeast
    blown = held * (YEAST_GAS * yeast_eats + EARLY_GAS * early_eats) * np.maximum(1.0 - gas / most_gas, 0.0)
    leaked = (LEAK * upkeep) * (1.0 + SLACK_LEAK * (1.0 - walls)) * gas
    return (
        early_grows - (EARLY_DEATH * early_pace) * sour * early - death * early,
        lactic_grows - death * lactic,
        yeast_grows + turned - death * yeast,
        -turned - (SLEEPERS_DIE * upkeep) * sleeping - death * sleeping,
        -(yeast_eats + lactic_eats + early_eats),
        LACTIC_ACID * lactic_eats + EARLY_ACID * early_eats,
        blown - leaked,
        (-SLACKENING * upkeep) * sour * walls,
        walls * 0.0 + yeast_pace,
    )


@compiled_too
def _moved(x: _State[T], step: float, by: _State[T]) -> _State[T]:
    """So far along a slope, never below nothing."""
    return (
        np.maximum(x[0] + step * by[0], 0.0),
        np.maximum(x[1] + step * by[1], 0.0),
        np.maximum(x[2] + step * by[2], 0.0),
        np.maximum(x[3] + step * by[3], 0.0),
        np.maximum(x[4] + step * by[4], 0.0),
        np.maximum(x[5] + step * by[5], 0.0),
        np.maximum(x[6] + step * by[6], 0.0),
        np.maximum(x[7] + step * by[7], 0.0),
        np.maximum(x[8] + step * by[8], 0.0),
    )


@compiled_too
def heun(now: _State[T], setting: _Setting[T], pace: Pace, step: float) -> _State[T]:
    """One step by Heun's rule."""
    a = rates(now, setting, pace)
    b = rates(_moved(now, step, a), setting, pace)
    both = (
        a[0] + b[0],
        a[1] + b[1],
        a[2] + b[2],
        a[3] + b[3],
        a[4] + b[4],
        a[5] + b[5],
        a[6] + b[6],
        a[7] + b[7],
        a[8] + b[8],
    )
    return _moved(now, step / 2.0, both)


# --- read-outs ---


def ph(jar: Jar[float]) -> float:
    return float(ph_of(jar.state[ACID], setting_of(jar)[0]))


def hunger(paste: Paste, food: T, walls: T) -> T:
    """0 just mixed to 1 starved: .2 just fed 1:2:2, .4 at the peak; from `HUNGRY` on feed, from `LIQUID` liquid."""
    fresh = 2.0 * paste.flour_share * paste.kind.food
    return 0.5 * (1.0 - food / fresh) + 0.5 * (1.0 - walls)


HUNGRY, LIQUID = 0.5, 0.87
