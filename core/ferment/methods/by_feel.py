"""By feel: cups and a whisk, thickness judged by eye (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    AsStart,
    Days,
    Keep,
    KeepAll,
    Measure,
    Method,
    OfJar,
    Only,
    Otherwise,
    Phase,
    PourOff,
    Stir,
    Thing,
    Turns,
    Way,
)
from ..protocol.options import BlendOption, OptionCode, Pick, PickOption
from ..protocol.sights import Bubbling, RisenAndFallen
from ..record.log import Bubbles, Thickness
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, clock, cups, parts, until, until_seen

THICKEN = Only(OptionCode.WAY, (Pick.THICKEN,))
REFILL = Only(OptionCode.WAY, (Pick.REFILL,))
FROTH = Bubbling(Bubbles.FROTH)


DAILY = Add(cups(1), cups(0.5), BLEND, hold_back_percent=25, until_thickness=Thickness.THICK_BATTER)

METHOD = Method(
    code="by_feel",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        PickOption(OptionCode.WAY, (Pick.THICKEN, Pick.REFILL), Pick.REFILL),
        BlendOption(OptionCode.BLEND, parts(rye=1, white=1)),
    ),
    phases=(
        Phase("mix_thick", NOW, (DAILY,), only=(THICKEN,)),
        Phase("more", clock(24), (PourOff(), KeepAll(), DAILY), Turns(usual=3, most=3), (THICKEN,)),
        Phase(
            "half_out",
            clock(24),
            (PourOff(), Keep(OfJar(0.5)), DAILY),
            until(RisenAndFallen(1.5), 3, 6),
            (THICKEN,),
        ),
        Phase(
            "last",
            clock(24),
            (Keep(Measure(100)), Add(cups(1), cups(1.5), BLEND)),
            FOR_EVER,
            (THICKEN,),
        ),
        Phase("mix_refill", NOW, (Add(cups(1), cups(1.5), BLEND), Stir()), only=(REFILL,)),
        Phase(
            "first_refill",
            until_seen(FROTH, 36, 12, 48, Otherwise.WAIT_ON, 12),
            (Keep(OfJar(0.5)), Add(AsStart(), AsStart(), BLEND), Stir()),
            only=(REFILL,),
        ),
        Phase(
            "refill",
            clock(24, 12, 30),
            (Keep(OfJar(0.5)), Add(AsStart(), AsStart(), BLEND), Stir()),
            until(RisenAndFallen(1.5), 2, 4),
            (REFILL,),
        ),
        Phase("keep_thick", clock(24), (Keep(OfJar(0.5)), Add(cups(0.5), cups(0.5), BLEND)), FOR_EVER, (REFILL,)),
    ),
    expect=NEW_JAR,
    needs=(Thing.SPOONS,),
    ready=Days(4, 6, 12),
    ways=(Way(OptionCode.WAY, Pick.THICKEN, Days(4, 8, 12)),),
)
