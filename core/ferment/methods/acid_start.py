"""Acid start: unsweetened juice in place of water at first, which skips the false rise (common practice)."""

from __future__ import annotations

from ..kitchen.quantities import Unit
from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    Amount,
    BlendFrom,
    Days,
    Into,
    Keep,
    KeepAll,
    Measure,
    Method,
    OfJar,
    Only,
    Otherwise,
    Phase,
    Stir,
    Thing,
    Turns,
    Way,
)
from ..protocol.options import BlendOption, OptionCode, Pick, PickOption
from ..protocol.sights import Bubbling
from ..record.log import Bubbles
from .shorthand import FOR_EVER, NOW, SOUR_JAR, clock, parts, spoons, until, until_seen

DAILY = Only(OptionCode.WAY, (Pick.DAILY_JUICE,))
WAITING = Only(OptionCode.WAY, (Pick.STIR_AND_WAIT,))
SPOONFUL = Only(OptionCode.WAY, (Pick.SPOONFUL_A_DAY,))
FIRST = OptionCode.FIRST_BLEND
LATER = OptionCode.BLEND
FROTH = Bubbling(Bubbles.FROTH)
LIFE = Bubbling(Bubbles.THROUGHOUT)


def ounces(value: float) -> Measure:
    return Measure(value, Unit.OUNCE)


def juice(flour: Amount, liquid: Amount, blend: OptionCode = FIRST) -> Add:
    return Add(flour, liquid, BlendFrom(blend), juice_percent=100)


def water(flour: Amount, liquid: Amount, blend: OptionCode = LATER) -> Add:
    return Add(flour, liquid, BlendFrom(blend))


HALF_CUP = Measure(0.5, Unit.CUP)
GLASS = (Keep(spoons(3)), Into())

METHOD = Method(
    code="acid_start",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        PickOption(OptionCode.WAY, (Pick.DAILY_JUICE, Pick.STIR_AND_WAIT, Pick.SPOONFUL_A_DAY), Pick.DAILY_JUICE),
        BlendOption(FIRST, parts(whole_wheat=1)),
        BlendOption(OptionCode.MIDDLE_BLEND, parts(white=1)),
        BlendOption(LATER, parts(white=1)),
    ),
    phases=(
        # Ounces: two days of juice, then water, half kept.
        Phase("mix_ounces", NOW, (juice(ounces(4.25), ounces(4)),), only=(DAILY,)),
        Phase("juice_again", clock(24), (KeepAll(), juice(ounces(2.25), ounces(2))), only=(DAILY,)),
        Phase("halve", clock(24), (Keep(OfJar(0.5)), water(ounces(2.25), ounces(2))), FOR_EVER, (DAILY,)),
        # Cups: stirred morning and evening, nothing added until it froths.
        Phase("mix_cups", NOW, (juice(HALF_CUP, HALF_CUP),), only=(WAITING,)),
        Phase("stir", clock(12), (Stir(),), until(FROTH, 4, 28), (WAITING,)),
        Phase(
            "first_glass",
            until_seen(FROTH, 12, 0.5, 24, Otherwise.WAIT_ON, 12),
            (*GLASS, water(spoons(3), spoons(2), FIRST)),
            Turns(usual=2, most=2),
            (WAITING,),
        ),
        Phase(
            "glass",
            clock(12),
            (*GLASS, water(spoons(3), spoons(2), OptionCode.MIDDLE_BLEND)),
            Turns(usual=12, most=12),
            (WAITING,),
        ),
        Phase("later_glass", clock(12), (*GLASS, water(spoons(3), spoons(2))), FOR_EVER, (WAITING,)),
        # Spoons: one of each a day, juice until it works, then water.
        Phase("mix_spoon", NOW, (juice(spoons(1.25), spoons(1)),), only=(SPOONFUL,)),
        Phase(
            "spoonful",
            clock(24),
            (KeepAll(), juice(spoons(1), spoons(1))),
            until(LIFE, 5, 7, 3),
            (SPOONFUL,),
        ),
        Phase(
            "then_water",
            clock(24),
            (Keep(OfJar(0.5), least=spoons(2)), water(spoons(1), spoons(1))),
            FOR_EVER,
            (SPOONFUL,),
        ),
    ),
    expect=SOUR_JAR,
    needs=(Thing.JUICE,),
    ready=Days(5, 8, 12),
    ways=(
        Way(OptionCode.WAY, Pick.STIR_AND_WAIT, Days(7, 10, 14)),
        Way(OptionCode.WAY, Pick.SPOONFUL_A_DAY, Days(6, 8, 12)),
    ),
)
