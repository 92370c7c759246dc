"""Wet rye start: much water, whole rye, half kept at first; the fastest usual way (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    AsStart,
    BlendFrom,
    Days,
    FromOption,
    Keep,
    Method,
    OfFlour,
    OfJar,
    OfKept,
    Only,
    Otherwise,
    Phase,
    Thing,
    Turns,
    Way,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Pick, PickOption, Scale
from ..protocol.sights import RisenAndFallen
from .shorthand import (
    BLEND,
    DOUBLED,
    FOR_EVER,
    NEW_JAR,
    NOW,
    PARTS,
    SEED,
    START,
    clock,
    every,
    fixed,
    parts,
    until,
    until_seen,
)

FIRST = BlendFrom(OptionCode.FIRST_BLEND)
LONG = Only(OptionCode.WAY, (Pick.LONG,))
SHORT = Only(OptionCode.WAY, (Pick.SHORT,))
MEAL = Add(OfKept(PARTS), OfKept(PARTS), BLEND)


def share(times: float) -> FromOption:
    return FromOption(OptionCode.START_GRAMS, times)


METHOD = Method(
    code="wet_rye",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        PickOption(OptionCode.WAY, (Pick.LONG, Pick.SHORT), Pick.SHORT),
        NumberOption(OptionCode.START_GRAMS, Scale.GRAMS, 10, 250, 50),
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 5, 200, 25),
        NumberOption(OptionCode.FLOUR_PARTS, Scale.PARTS, 1, 10, 2),
        NumberOption(OptionCode.EVERY_HOURS, Scale.HOURS, 12, 24, 24, choices=(24, 12)),
        BlendOption(OptionCode.FIRST_BLEND, parts(rye=1)),
        BlendOption(OptionCode.MIDDLE_BLEND, parts(rye=1, white=1)),
        BlendOption(OptionCode.BLEND, parts(white=1)),
    ),
    phases=(
        Phase("mix", NOW, (Add(START, OfFlour(150), FIRST),)),
        Phase("second_day", fixed(24), (Keep(OfJar(0.5)), Add(AsStart(), AsStart(), FIRST))),
        Phase(
            "half_and_half",
            clock(24),
            (Keep(share(0.75)), Add(share(0.7), share(0.75), BlendFrom(OptionCode.MIDDLE_BLEND))),
            Turns(usual=3, most=3),
            (LONG,),
        ),
        Phase(
            "more_rye",
            clock(24),
            (Keep(OfJar(0.5)), Add(share(0.8), share(0.8), FIRST)),
            until(DOUBLED, 1, 3),
            (SHORT,),
        ),
        Phase(
            "first_keeping",
            until_seen(RisenAndFallen(1.5), 24, 8, 48, Otherwise.DO_IT),
            (Keep(SEED), MEAL),
        ),
        Phase("keep", every(), (Keep(SEED), MEAL), FOR_EVER),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE,),
    ready=Days(5, 6, 9),
    ways=(Way(OptionCode.WAY, Pick.SHORT, Days(4, 5, 8)),),
)
