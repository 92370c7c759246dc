"""Dried culture, spoon doubling: a sachet, and twice as much each time (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    Days,
    FromOption,
    KeepAll,
    Method,
    Phase,
    PutIn,
    TakeOut,
    Thing,
    Wait,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from .shorthand import BLEND, DRIED_JAR, FOR_EVER, NOW, clock, cups, fixed, parts, spoons

HALF_DAY_OR_MORE = Wait(18, 12, 24)


METHOD = Method(
    code="dried_spoons",
    origin=Origin.DRIED,
    options=(
        NumberOption(OptionCode.CULTURE_GRAMS, Scale.GRAMS, 1, 30, 5),
        BlendOption(OptionCode.BLEND, parts(white=1)),
    ),
    phases=(
        Phase("wet", NOW, (PutIn(FromOption(OptionCode.CULTURE_GRAMS)), Add(spoons(1), spoons(1), BLEND))),
        Phase("two_spoons", HALF_DAY_OR_MORE, (KeepAll(), Add(spoons(2), spoons(2), BLEND))),
        Phase("quarter_cup", HALF_DAY_OR_MORE, (KeepAll(), Add(cups(0.25), spoons(2), BLEND))),
        Phase("half_cup", fixed(24), (KeepAll(), Add(cups(0.5), cups(0.25), BLEND))),
        Phase(
            "daily",
            clock(24),
            (TakeOut(cups(0.5), leave_least=cups(0.25)), Add(cups(0.5), cups(0.25), BLEND)),
            FOR_EVER,
        ),
    ),
    expect=DRIED_JAR,
    needs=(Thing.SPOONS, Thing.CULTURE),
    ready=Days(5, 6, 9),
)
