"""Equal parts by the clock: seed, flour and water alike, every 24 or every 12 hours (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    BlendFrom,
    Days,
    FromOption,
    Into,
    Keep,
    KeepAll,
    Method,
    OfFlour,
    OfJar,
    OfKept,
    Only,
    Phase,
    PutIn,
    Stir,
    Thing,
    Turns,
    Way,
    When,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Pick, PickOption, Scale
from .shorthand import BLEND, DOUBLED, FOR_EVER, NEW_JAR, NOW, SEED, START, clock, every, parts, until

FED = FromOption(OptionCode.FEED_GRAMS)
JUICE = FromOption(OptionCode.JUICE_PERCENT)
HYDRATION = FromOption(OptionCode.HYDRATION_PERCENT)
CLEAN = When(OptionCode.JAR, Pick.CLEAN_JAR, (Into(),))
WEIGHT = Only(OptionCode.KEEPING, (Pick.KEEP_WEIGHT,))
HALF = Only(OptionCode.KEEPING, (Pick.KEEP_HALF,))
QUARTER = Only(OptionCode.KEEPING, (Pick.HALF_THEN_QUARTER,))
FLOUR = Only(OptionCode.ORIGIN, (Pick.FROM_FLOUR,))
FROZEN = Only(OptionCode.ORIGIN, (Pick.FROM_FROZEN,))
TWICE = Only(OptionCode.TWICE_FROM_DAY, (Pick.DAY_3, Pick.DAY_4))
NOT_TWICE = Only(OptionCode.TWICE_FROM_DAY, (Pick.NEVER,))
REST = Only(OptionCode.FIRST_DAYS, (Pick.REST_THEN_TOP_UP,))
EQUAL = Add(OfKept(1.0), OfKept(1.0), BLEND)
HALVED = Add(FED, FED, BLEND)


def twice_from(pick: Pick, daily: int) -> Phase:
    """Daily first, so many times, when the rhythm changes to twice a day afterwards."""
    only = (WEIGHT, Only(OptionCode.TWICE_FROM_DAY, (pick,)))
    return Phase(f"daily_{pick}", clock(24), (CLEAN, Keep(SEED), EQUAL), Turns(usual=daily, most=daily), only)


METHOD = Method(
    code="equal_parts",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.EVERY_HOURS, Scale.HOURS, 12, 24, 24, choices=(24, 12)),
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 5, 500, 30),
        NumberOption(OptionCode.START_GRAMS, Scale.GRAMS, 5, 500, 45),
        BlendOption(OptionCode.FIRST_BLEND, parts(whole_wheat=1)),
        BlendOption(OptionCode.BLEND, parts(whole_wheat=1)),
        NumberOption(OptionCode.HYDRATION_PERCENT, Scale.PERCENT, 60, 200, 100),
        NumberOption(OptionCode.JUICE_PERCENT, Scale.PERCENT, 0, 100, 0),
        NumberOption(OptionCode.FEED_GRAMS, Scale.GRAMS, 5, 500, 30),
        NumberOption(OptionCode.CULTURE_GRAMS, Scale.GRAMS, 1, 50, 3),
        PickOption(OptionCode.ORIGIN, (Pick.FROM_FLOUR, Pick.FROM_FROZEN), Pick.FROM_FLOUR),
        PickOption(OptionCode.FIRST_DAYS, (Pick.FEED_FROM_DAY_2, Pick.REST_THEN_TOP_UP), Pick.FEED_FROM_DAY_2),
        PickOption(OptionCode.KEEPING, (Pick.KEEP_WEIGHT, Pick.KEEP_HALF, Pick.HALF_THEN_QUARTER), Pick.KEEP_WEIGHT),
        PickOption(OptionCode.TWICE_FROM_DAY, (Pick.NEVER, Pick.DAY_3, Pick.DAY_4), Pick.NEVER),
        PickOption(OptionCode.JAR, (Pick.SAME_JAR, Pick.CLEAN_JAR), Pick.SAME_JAR),
    ),
    phases=(
        Phase(
            "mix",
            NOW,
            (Add(START, OfFlour(HYDRATION), BlendFrom(OptionCode.FIRST_BLEND), juice_percent=JUICE),),
            only=(FLOUR,),
        ),
        Phase(
            "thaw",
            NOW,
            (
                PutIn(FromOption(OptionCode.CULTURE_GRAMS)),
                Add(START, OfFlour(HYDRATION), BlendFrom(OptionCode.FIRST_BLEND)),
                Stir(),
            ),
            only=(FROZEN,),
        ),
        Phase("rest", clock(24), (Stir(),), only=(REST,)),
        Phase(
            "top_up",
            clock(24),
            (KeepAll(), Add(SEED, SEED, BLEND)),
            only=(REST,),
        ),
        twice_from(Pick.DAY_3, 2),
        twice_from(Pick.DAY_4, 3),
        Phase("feed_twice", clock(12), (CLEAN, Keep(SEED), EQUAL), FOR_EVER, (WEIGHT, TWICE)),
        Phase("feed", every(), (CLEAN, Keep(SEED), EQUAL), FOR_EVER, (WEIGHT, NOT_TWICE)),
        # Half is kept and a fixed weight added: the jar settles at twice what is added.
        Phase("halve", every(), (CLEAN, Keep(OfJar(0.5)), HALVED), FOR_EVER, (HALF,)),
        # Half at equal parts grows by half each day; it goes over to a quarter when it doubles, or has grown enough.
        Phase("halve_equal", every(), (CLEAN, Keep(OfJar(0.5)), EQUAL), until(DOUBLED, 2, 3), (QUARTER,)),
        Phase("quarter", every(), (CLEAN, Keep(OfJar(0.25), least=SEED), EQUAL), FOR_EVER, (QUARTER,)),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE,),
    ready=Days(6, 9, 14),
    ways=(Way(OptionCode.ORIGIN, Pick.FROM_FROZEN, Days(3, 5, 8), Origin.FROZEN),),
)
