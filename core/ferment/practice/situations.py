"""The situations, listed explicitly: each with how it came to be, and how it goes in good hands and in bad ones.

What they teach is common practice; how it goes is the model's own doing.
"""

from __future__ import annotations

from collections.abc import Mapping

from ..kitchen.flours import Flour, FlourShare
from ..kitchen.vessel import Vessel
from ..record.log import Top
from .terms import Befalls, Goal, Handling, Made, Situation, SituationCode

RYE = (FlourShare(Flour.RYE, 1.0),)
WHOLE = (FlourShare(Flour.WHOLE_WHEAT, 1.0),)
MIXED = (FlourShare(Flour.WHITE, 0.5), FlourShare(Flour.RYE, 0.5))
WHITE = (FlourShare(Flour.WHITE, 1.0),)
SMALL = Vessel(0.0, 250.0, 90.0)


def at(day: int, hour: float) -> float:
    """Hours since the first mix, at eight on the first day."""
    return (day - 1) * 24.0 + hour - 8.0


def each(every_h: float, since: float, until: float, what: Handling = Handling.FEED) -> tuple[Made, ...]:
    """The same act over and over, the last no later than `until`."""
    count = int((until - since) / every_h + 1e-9) + 1
    return tuple(Made(since + number * every_h, what) for number in range(count))


def raised(until: float) -> tuple[Made, ...]:
    """A jar that was fed daily for its first week, and twice a day from then on."""
    return each(24.0, at(2, 8), at(7, 8)) + each(12.0, at(7, 20), until)


_ALL = (
    Situation(
        SituationCode.OVERFLOW,
        RYE,
        warmth_c=27.0,
        vessel=SMALL,
        start_g=108.0,
        begins_h=at(1, 16),
        ends_h=at(4, 8),
        well=(Made(at(1, 18), Handling.OTHER_JAR), *each(24.0, at(2, 8), at(3, 8))),
        badly=(Made(at(2, 8), Handling.BIN),),
    ),
    Situation(
        SituationCode.HUSH,
        MIXED,
        warmth_c=22.0,
        before=each(24.0, at(2, 8), at(4, 8)),
        begins_h=at(4, 18),
        ends_h=at(10, 8),
        well=each(24.0, at(5, 8), at(9, 8)),
        badly=each(8.0, at(4, 20), at(10, 4), Handling.FEED_LARGE),
    ),
    Situation(
        SituationCode.MISSED_NIGHT,
        MIXED,
        warmth_c=25.0,
        before=raised(at(12, 20)),
        begins_h=at(13, 7.5),
        ends_h=at(15, 8),
        well=each(12.0, at(13, 8), at(14, 20)),
        badly=(Made(at(13, 8), Handling.BIN),),
    ),
    Situation(
        SituationCode.TOO_OFTEN,
        MIXED,
        warmth_c=22.0,
        before=each(24.0, at(2, 8), at(3, 8)) + each(8.0, at(3, 16), at(5, 0), Handling.FEED_LARGE),
        begins_h=at(5, 8),
        ends_h=at(12, 8),
        well=each(24.0, at(6, 8), at(11, 8)),
        badly=each(8.0, at(5, 9), at(12, 4), Handling.FEED_LARGE),
    ),
    Situation(
        SituationCode.COLD_WEEK,
        WHOLE,
        warmth_c=16.0,
        before=each(24.0, at(2, 8), at(5, 8)),
        begins_h=at(6, 8),
        ends_h=at(13, 8),
        well=(Made(at(6, 8), Handling.WARMER), *each(24.0, at(6, 20), at(12, 20))),
        badly=each(8.0, at(6, 9), at(13, 4), Handling.FEED_LARGE),
    ),
    Situation(
        SituationCode.FILM_OR_MOULD,
        MIXED,
        warmth_c=21.0,
        before=raised(at(10, 8)),
        begins_h=at(14, 8),
        ends_h=at(16, 8),
        well=each(12.0, at(14, 9), at(15, 21)),
        badly=(Made(at(14, 9), Handling.BIN),),
        befalls=Befalls(at(13, 20), (Top.WHITE_FILM, Top.FUZZY_SPOTS)),
    ),
    Situation(
        SituationCode.PINK,
        WHITE,
        warmth_c=24.0,
        before=each(24.0, at(2, 8), at(5, 8)),
        begins_h=at(6, 8),
        ends_h=at(8, 8),
        well=(),
        badly=(),
        befalls=Befalls(at(6, 2), (Top.COLOURED_STREAKS,)),
    ),
    Situation(
        SituationCode.EARLY_LIQUID,
        WHITE,
        warmth_c=21.0,
        hydration=1.2,
        begins_h=at(1, 20),
        ends_h=at(4, 8),
        well=(Made(at(1, 21), Handling.STIR), *each(24.0, at(2, 8), at(3, 8))),
        badly=(Made(at(1, 21), Handling.BIN),),
    ),
    Situation(
        SituationCode.LATE_LIQUID,
        RYE,
        warmth_c=27.0,
        before=each(24.0, at(2, 8), at(6, 8)),
        begins_h=at(8, 20),
        ends_h=at(11, 8),
        well=each(12.0, at(8, 21), at(10, 21)),
        badly=(Made(at(8, 21), Handling.BIN),),
    ),
    Situation(
        SituationCode.FRIDGE_MONTH,
        MIXED,
        warmth_c=23.0,
        before=(*raised(at(13, 20)), Made(at(13, 21), Handling.TO_FRIDGE)),
        begins_h=at(44, 18),
        ends_h=at(48, 18),
        well=(
            Made(at(44, 19), Handling.TO_COUNTER),
            *each(24.0, at(44, 21), at(46, 21)),
            *each(12.0, at(47, 9), at(48, 9)),
        ),
        badly=(Made(at(48, 9), Handling.TO_COUNTER),),
        goal=Goal.RISEN,
    ),
    Situation(
        SituationCode.FLOAT,
        RYE,
        warmth_c=25.0,
        before=each(24.0, at(2, 8), at(2, 8)),
        begins_h=at(2, 20),
        ends_h=at(9, 8),
        well=each(24.0, at(3, 8), at(8, 8)),
        badly=(Made(at(2, 21), Handling.BAKE),),
    ),
    Situation(
        SituationCode.RYE,
        RYE,
        warmth_c=25.0,
        before=raised(at(14, 8)),
        begins_h=at(14, 11),
        ends_h=at(15, 8),
        well=(Made(at(14, 13), Handling.BAKE),),
        badly=(Made(at(14, 13), Handling.BIN),),
    ),
    Situation(
        SituationCode.LEVAIN,
        MIXED,
        warmth_c=24.0,
        before=(*raised(at(12, 20)), Made(at(13, 8), Handling.FEED)),
        begins_h=at(13, 18),
        ends_h=at(14, 9),
        well=(Made(at(13, 23.5), Handling.FEED_LARGE),),
        badly=(Made(at(13, 18.5), Handling.FEED),),
        goal=Goal.RIPE,
    ),
)
SITUATIONS: Mapping[SituationCode, Situation] = {one.code: one for one in _ALL}
