"""Spoons and a ruler: no scale; measured in height and pH, a spoon out and a spoon in (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    Check,
    Days,
    Method,
    Phase,
    Stir,
    TakeOut,
    Thing,
    Try,
    Turns,
)
from ..protocol.options import BlendOption, OptionCode
from .shorthand import BLEND, NEW_JAR, NOW, clock, parts, spoons

METHOD = Method(
    code="spoons",
    origin=Origin.FLOUR_AND_WATER,
    options=(BlendOption(OptionCode.BLEND, parts(rye=1)),),
    phases=(
        Phase("mix", NOW, (Add(spoons(2), spoons(2), BLEND), Try(Check.HEIGHT))),
        Phase(
            "spoon",
            clock(24),
            (Try(Check.HEIGHT), Stir(), Try(Check.PH), TakeOut(spoons(1)), Add(spoons(1), spoons(1), BLEND)),
            Turns(usual=13, least=9, most=14),
        ),
    ),
    expect=NEW_JAR,
    needs=(Thing.SPOONS, Thing.RULER),
    ready=Days(8, 11, 14),
)
