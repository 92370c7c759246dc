"""Slow build: the same flour every day, nothing out for four days; for gluten-free flour too (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    AsStart,
    Days,
    FromOption,
    KeepAll,
    Method,
    OfFlour,
    Phase,
    TakeOut,
    Thing,
    Turns,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, START, clock, fixed, parts

HALF = FromOption(OptionCode.START_GRAMS, 4)

METHOD = Method(
    code="slow_build",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.START_GRAMS, Scale.GRAMS, 10, 100, 25),
        # One blend throughout: the flour must not change on the way.
        BlendOption(OptionCode.BLEND, parts(gluten_free=1)),
    ),
    phases=(
        Phase("mix", NOW, (Add(START, OfFlour(100), BLEND),)),
        Phase("on_top", fixed(24), (KeepAll(), Add(AsStart(), AsStart(), BLEND)), Turns(usual=3, most=3)),
        Phase(
            "half_out",
            clock(24),
            (TakeOut(HALF, leave_least=HALF), Add(AsStart(2), AsStart(2), BLEND)),
            FOR_EVER,
        ),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE,),
    ready=Days(8, 11, 16),
)
