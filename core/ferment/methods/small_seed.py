"""Small seed, big meal: little kept, four times as much flour and water, once a day (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    AsStart,
    Days,
    FromOption,
    Keep,
    KeepAll,
    Method,
    OfFlour,
    OfKept,
    Phase,
    Thing,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, PARTS, SEED, every, fixed, parts

METHOD = Method(
    code="small_seed",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.EVERY_HOURS, Scale.HOURS, 12, 24, 24, choices=(24, 12)),
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 5, 100, 12.5),
        NumberOption(OptionCode.FLOUR_PARTS, Scale.PARTS, 3, 10, 4),
        BlendOption(OptionCode.BLEND, parts(rye=1, white=1)),
    ),
    phases=(
        Phase("mix", NOW, (Add(FromOption(OptionCode.SEED_GRAMS, 4), OfFlour(100), BLEND),)),
        # Nothing goes out before the third day: the first mix once more on top.
        Phase("on_top", fixed(24), (KeepAll(), Add(AsStart(), AsStart(), BLEND))),
        Phase("feed", every(), (Keep(SEED), Add(OfKept(PARTS), OfKept(PARTS), BLEND)), FOR_EVER),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE,),
    ready=Days(6, 8, 13),
)
