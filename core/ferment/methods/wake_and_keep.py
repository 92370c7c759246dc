"""Wake, build, keep: for what sleeps in the fridge, and for a finished starter (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    Days,
    FromOption,
    Keep,
    KeepAll,
    Method,
    MoveTo,
    OfFlour,
    OfKept,
    Only,
    Otherwise,
    Phase,
    PourOff,
    PutIn,
    Spot,
    Thing,
    Turns,
    UpTo,
    Wait,
    Way,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Pick, PickOption, Scale
from ..protocol.sights import RisenAndFallen
from .shorthand import BLEND, FOR_EVER, NOW, PARTS, SEED, SLEEPER, clock, every, parts, until_seen

BUILD = Only(OptionCode.WAY, (Pick.BUILD,))
EQUAL = Only(OptionCode.WAY, (Pick.EQUAL_FEEDS,))
COUNTER = Only(OptionCode.WAY, (Pick.COUNTER,))
FRIDGE = Only(OptionCode.WAY, (Pick.FRIDGE,))
HALF_COLD = Only(OptionCode.WAY, (Pick.COUNTER_AND_COLD,))
FED = FromOption(OptionCode.FEED_GRAMS)
MEAL = Add(OfKept(PARTS), OfKept(PARTS), BLEND)
COLD_USUAL, COLD_EARLY, COLD_LATE = (FromOption(OptionCode.COLD_DAYS, 24 * share) for share in (1.0, 5 / 6, 7 / 6))
COLD_FOR = Wait(COLD_USUAL, COLD_EARLY, COLD_LATE, beat=True)
WHOLE = UpTo((FromOption(OptionCode.TARGET_GRAMS), FromOption(OptionCode.RESERVE_GRAMS)))

METHOD = Method(
    code="wake_and_keep",
    origin=Origin.ASLEEP,
    options=(
        PickOption(
            OptionCode.WAY,
            (Pick.BUILD, Pick.EQUAL_FEEDS, Pick.COUNTER, Pick.COUNTER_AND_COLD, Pick.FRIDGE),
            Pick.BUILD,
        ),
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 1, 200, 5),
        NumberOption(OptionCode.FLOUR_PARTS, Scale.PARTS, 1, 10, 5),
        NumberOption(OptionCode.FEED_GRAMS, Scale.GRAMS, 10, 500, 50),
        NumberOption(OptionCode.TARGET_GRAMS, Scale.GRAMS, 20, 2_000, 150),
        NumberOption(OptionCode.RESERVE_GRAMS, Scale.GRAMS, 0, 200, 5),
        NumberOption(OptionCode.EVERY_HOURS, Scale.HOURS, 12, 24, 24, choices=(24, 12)),
        # Every five to seven days for a jar in use; a spare lives for a month and more (common practice).
        NumberOption(OptionCode.COLD_DAYS, Scale.DAYS, 3, 35, 6),
        BlendOption(OptionCode.BLEND, parts(white=1)),
    ),
    phases=(
        Phase("wake", NOW, (PourOff(), PutIn(SEED), MEAL), only=(BUILD,)),
        Phase("build", every(), (KeepAll(), Add(WHOLE, OfFlour(100), BLEND)), Turns(), (BUILD,)),
        Phase("after_baking", clock(24, 8, 48), (Keep(SEED), MEAL), FOR_EVER, (BUILD,)),
        Phase("wake_equal", NOW, (PourOff(), PutIn(FED), Add(FED, FED, BLEND)), only=(EQUAL,)),
        Phase("equal", every(), (Keep(FED), Add(FED, FED, BLEND)), FOR_EVER, (EQUAL,)),
        Phase("take", NOW, (PutIn(SEED), MEAL), only=(COUNTER,)),
        Phase("feed", every(), (Keep(SEED), MEAL), FOR_EVER, (COUNTER,)),
        Phase("take_and_chill", NOW, (PutIn(SEED), MEAL), only=(HALF_COLD,)),
        Phase("half_a_day_cold", clock(12), (MoveTo(Spot.FRIDGE),), only=(HALF_COLD,)),
        Phase(
            "half_a_day_out",
            clock(12),
            (MoveTo(Spot.COUNTER), Keep(SEED), MEAL),
            only=(HALF_COLD,),
            then="half_a_day_cold",
        ),
        Phase("out_and_feed", NOW, (PourOff(), PutIn(SEED), MEAL), only=(FRIDGE,)),
        Phase(
            "into_the_cold",
            until_seen(RisenAndFallen(1.5), 10, 3, 24, Otherwise.DO_IT),
            (MoveTo(Spot.FRIDGE),),
            only=(FRIDGE,),
        ),
        Phase("out_again", COLD_FOR, (MoveTo(Spot.COUNTER),), only=(FRIDGE,)),
        Phase("feed_weekly", Wait(4, 0.5, 24), (PourOff(), Keep(SEED), MEAL), only=(FRIDGE,)),
        Phase(
            "back_into_the_cold",
            until_seen(RisenAndFallen(1.5), 10, 3, 24, Otherwise.DO_IT),
            (MoveTo(Spot.FRIDGE),),
            only=(FRIDGE,),
            then="out_again",
        ),
    ),
    expect=SLEEPER,
    needs=(Thing.SCALE, Thing.CULTURE),
    ready=Days(1, 2, 4),
    ways=(
        Way(OptionCode.WAY, Pick.EQUAL_FEEDS, Days(2, 3, 5)),
        Way(OptionCode.WAY, Pick.COUNTER, Days(1, 2, 4)),
        Way(OptionCode.WAY, Pick.FRIDGE, Days(1, 2, 4)),
        Way(OptionCode.WAY, Pick.COUNTER_AND_COLD, Days(1, 2, 4)),
    ),
)
