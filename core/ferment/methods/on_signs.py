"""Feed on signs: look daily, feed only when it shows life, leave it alone when it goes quiet (common practice)."""

from __future__ import annotations

from ..kitchen.quantities import Unit
from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    AsStart,
    BlendFrom,
    Days,
    Keep,
    Measure,
    Method,
    OfFlour,
    Otherwise,
    Phase,
    Thing,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from ..protocol.sights import Bubbling
from ..record.log import Bubbles
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, START, parts, until_seen

BUBBLES = Bubbling(Bubbles.FEW)
MEAL = (Keep(Measure(2, Unit.TABLESPOON)), Add(AsStart(), AsStart(), BLEND))

METHOD = Method(
    code="on_signs",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.START_GRAMS, Scale.GRAMS, 20, 250, 50),
        BlendOption(OptionCode.FIRST_BLEND, parts(whole_wheat=1, white=1)),
        BlendOption(OptionCode.BLEND, parts(whole_wheat=1, white=1)),
    ),
    phases=(
        Phase("mix", NOW, (Add(START, OfFlour(100), BlendFrom(OptionCode.FIRST_BLEND)),)),
        Phase("first_feed", until_seen(BUBBLES, 48, 20, 48, Otherwise.WAIT_ON, 24), MEAL),
        # Gone quiet, it is left alone for up to two days more.
        Phase("feed", until_seen(BUBBLES, 24, 20, 72, Otherwise.DO_IT), MEAL, FOR_EVER),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE, Thing.SPOONS),
    ready=Days(6, 8, 14),
)
