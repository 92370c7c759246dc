"""Dried flakes, soaked: three hours in water, then flour, built up or refreshed (common practice)."""

from __future__ import annotations

from ..kitchen.quantities import Unit
from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    BlendFrom,
    Days,
    FromOption,
    Into,
    Keep,
    KeepAll,
    Measure,
    Method,
    OfKept,
    Only,
    Phase,
    PutIn,
    Stir,
    Thing,
    Turns,
    Wait,
    Way,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Pick, PickOption, Scale
from .shorthand import BLEND, DRIED_JAR, FOR_EVER, NOW, SEED, every, fixed, parts

BUILD = Only(OptionCode.WAY, (Pick.BUILD_UP,))
REFRESH = Only(OptionCode.WAY, (Pick.REFRESH,))
FLAKES = FromOption(OptionCode.CULTURE_GRAMS)
FIRST = BlendFrom(OptionCode.FIRST_BLEND)
HALF_WAY = Wait(1.5, 1, 2)


def both(grams: float) -> Add:
    return Add(Measure(grams), Measure(grams), BLEND)


METHOD = Method(
    code="dried_soak",
    origin=Origin.DRIED,
    options=(
        PickOption(OptionCode.WAY, (Pick.REFRESH, Pick.BUILD_UP), Pick.REFRESH),
        NumberOption(OptionCode.CULTURE_GRAMS, Scale.GRAMS, 1, 30, 3),
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 5, 200, 20),
        NumberOption(OptionCode.EVERY_HOURS, Scale.HOURS, 12, 24, 24, choices=(24, 12)),
        BlendOption(OptionCode.FIRST_BLEND, parts(white=1, whole_wheat=1)),
        BlendOption(OptionCode.BLEND, parts(white=1, whole_wheat=1)),
    ),
    phases=(
        Phase("soak_ounces", NOW, (PutIn(FLAKES), Add(None, Measure(2, Unit.OUNCE), FIRST)), only=(BUILD,)),
        Phase("soak", NOW, (PutIn(FLAKES), Add(None, FromOption(OptionCode.SEED_GRAMS, 2), FIRST)), only=(REFRESH,)),
        Phase("stir_half_way", HALF_WAY, (Stir(),)),
        Phase("flour_ounces", HALF_WAY, (KeepAll(), Add(Measure(1, Unit.OUNCE), None, FIRST)), only=(BUILD,)),
        Phase("flour", HALF_WAY, (KeepAll(), Add(SEED, None, FIRST)), only=(REFRESH,)),
        Phase("up_30", fixed(24), (KeepAll(), both(30)), Turns(usual=2, most=2), (BUILD,)),
        Phase("up_50", Wait(18, 12, 24), (KeepAll(), both(50)), only=(BUILD,)),
        Phase("up_50_again", fixed(12), (KeepAll(), both(50)), only=(BUILD,)),
        # Nothing goes out before the first loaf, on day 6: with it this way ends.
        Phase("up_to_the_loaf", fixed(24), (KeepAll(), both(50)), only=(BUILD,)),
        Phase(
            "refresh",
            every(),
            (Keep(SEED), Into(), Add(OfKept(1), OfKept(1), BLEND)),
            FOR_EVER,
            (REFRESH,),
        ),
    ),
    expect=DRIED_JAR,
    needs=(Thing.SCALE, Thing.CULTURE),
    ready=Days(4, 5, 8),
    ways=(Way(OptionCode.WAY, Pick.BUILD_UP, Days(5, 6, 9)),),
)
