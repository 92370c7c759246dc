"""Only when hungry: a small jar, fed when it has eaten; least flour, least waste (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    BlendFrom,
    Check,
    Days,
    FromOption,
    Keep,
    KeepAll,
    Method,
    OfFlour,
    Otherwise,
    Phase,
    Thing,
    Try,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from ..protocol.sights import AnyOf, BelowHighMark, Bubbling, Runny
from ..record.log import Bubbles
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, parts, until_seen


def of_start(times: float) -> FromOption:
    return FromOption(OptionCode.START_GRAMS, times)


MEAL = Add(of_start(2.2), of_start(2.0), BLEND)
HUNGRY = AnyOf((Runny(), BelowHighMark(0.15)))

METHOD = Method(
    code="when_hungry",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.START_GRAMS, Scale.GRAMS, 5, 100, 10),
        BlendOption(OptionCode.FIRST_BLEND, parts(whole_wheat=1)),
        BlendOption(OptionCode.BLEND, parts(white=10, whole_wheat=1)),
    ),
    phases=(
        Phase(
            "mix",
            NOW,
            (Add(of_start(1), OfFlour(100), BlendFrom(OptionCode.FIRST_BLEND)), Try(Check.REFERENCE_WEIGHT)),
        ),
        Phase(
            "first_meal",
            until_seen(Bubbling(Bubbles.FEW), 30, 24, 36, Otherwise.WAIT_ON, 12),
            (KeepAll(), MEAL),
        ),
        Phase(
            "meal",
            until_seen(HUNGRY, 36, 6, 96, Otherwise.DO_IT),
            (Keep(of_start(2)), MEAL),
            FOR_EVER,
        ),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE,),
    ready=Days(7, 9, 14),
)
