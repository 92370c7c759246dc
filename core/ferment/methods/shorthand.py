"""Short ways to write what many methods say alike."""

from __future__ import annotations

from .. import ready_rule
from ..kitchen.flours import Flour, FlourShare
from ..kitchen.quantities import Unit
from ..protocol.method import (
    BlendFrom,
    Expect,
    FromOption,
    Measure,
    Normal,
    Otherwise,
    Turns,
    Wait,
)
from ..protocol.options import OptionCode
from ..protocol.sights import Risen, Sight

NOW = Wait(0.0, 0.0, 1.0)
"""The first act: it waits for the baker, not for a clock."""

DOUBLED: Sight = Risen(ready_rule.DOUBLED)

BLEND = BlendFrom(OptionCode.BLEND)
SEED = FromOption(OptionCode.SEED_GRAMS)
START = FromOption(OptionCode.START_GRAMS)
PARTS = FromOption(OptionCode.FLOUR_PARTS)

FOR_EVER = Turns(usual=2, most=None)


def clock(usual_h: float, early_h: float | None = None, late_h: float | None = None) -> Wait:
    """By the clock alone, in the rhythm of the first mix when it is a matter of half days."""
    early = usual_h - usual_h / 6 if early_h is None else early_h
    late = usual_h + usual_h / 4 if late_h is None else late_h
    return Wait(usual_h, early, late, beat=usual_h % 12 == 0)


def fixed(usual_h: float) -> Wait:
    """A wait that takes its time: never shorter, and late by a quarter of it at most."""
    return Wait(usual_h, usual_h, usual_h * 1.25, beat=usual_h % 12 == 0)


def every(times: float = 1.0) -> Wait:
    """The interval that the baker chose."""
    code = OptionCode.EVERY_HOURS
    usual, early, late = (FromOption(code, times * share) for share in (1.0, 5 / 6, 1.25))
    return Wait(usual, early, late, beat=True)


def until_seen(
    sight: Sight, usual_h: float, early_h: float, late_h: float, otherwise: Otherwise, more_h: float = 24.0
) -> Wait:
    return Wait(usual_h, early_h, late_h, sight, otherwise, more_h)


def until(sight: Sight, usual: int, most: int | None = 21, least: int = 1) -> Turns:
    return Turns(usual, least, most, sight)


def parts(**shares: float) -> tuple[FlourShare, ...]:
    """`parts(rye=1, white=1)`: a blend by parts."""
    whole = sum(shares.values())
    return tuple(FlourShare(Flour(name), part / whole) for name, part in shares.items())


def spoons(value: float) -> Measure:
    return Measure(value, Unit.TABLESPOON)


def cups(value: float) -> Measure:
    return Measure(value, Unit.CUP)


# What is normal, from flour and water at room temperature (common practice).
NEW_JAR = (
    Expect(24, Normal.WETTING),
    Expect(ready_rule.EARLY_DAYS_H, Normal.EARLY_RISE),
    Expect(120, Normal.QUIET),
    Expect(180, Normal.WAKING),
    Expect(None, Normal.GROWING),
)
SOUR_JAR = (
    Expect(24, Normal.WETTING),
    Expect(72, Normal.SOURED),
    Expect(150, Normal.WAKING),
    Expect(None, Normal.GROWING),
)
DRIED_JAR = (
    Expect(27, Normal.SOAKING),
    Expect(75, Normal.REVIVING),
    Expect(120, Normal.STIRRING),
    Expect(None, Normal.GROWING),
)
SLEEPER = (Expect(24, Normal.RESTED), Expect(None, Normal.LIVELY))
