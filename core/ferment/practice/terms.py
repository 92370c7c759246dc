"""What a baker does and says in practice, and what a situation is made of."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime
from enum import StrEnum

from ..kitchen.flours import Blend
from ..kitchen.vessel import Vessel
from ..record.log import Top

# Every practice jar was mixed on this morning, so that the same seed tells the same story on any day.
BEGAN = datetime(2026, 1, 5, 8, tzinfo=UTC)


class Handling(StrEnum):
    """A look with the level read by eye; to leave it be until the next; an act. The last two end the practice."""

    LOOK = "look"
    WAIT = "wait"
    STIR = "stir"
    FEED = "feed"
    FEED_LARGE = "feed_large"
    FEED_THICK = "feed_thick"
    WARMER = "warmer"
    COOLER = "cooler"
    OTHER_JAR = "other_jar"
    TO_FRIDGE = "to_fridge"
    TO_COUNTER = "to_counter"
    BAKE = "bake"
    BIN = "bin"


FEEDS = frozenset({Handling.FEED, Handling.FEED_LARGE, Handling.FEED_THICK})
ENDS = frozenset({Handling.BAKE, Handling.BIN})


class Meaning(StrEnum):
    """What a baker says that a look means."""

    NOTHING_YET = "nothing_yet"
    FALSE_DAWN = "false_dawn"
    HUSH = "hush"
    WAKING = "waking"
    AWAKE = "awake"
    HUNGRY = "hungry"
    THINNED = "thinned"
    COLD = "cold"
    SETTLED = "settled"
    FILM = "film"
    SPOILED = "spoiled"
    RESTING = "resting"


@dataclass(frozen=True)
class Made:
    """One act at an hour since the first mix. `level` is what was read by eye (× the line), `meaning` what the baker
    said of it: both with a look."""

    at_h: float
    what: Handling
    level: float | None = None
    meaning: Meaning | None = None


class SituationCode(StrEnum):
    OVERFLOW = "overflow"
    HUSH = "hush"
    MISSED_NIGHT = "missed_night"
    TOO_OFTEN = "too_often"
    COLD_WEEK = "cold_week"
    FILM_OR_MOULD = "film_or_mould"
    PINK = "pink"
    EARLY_LIQUID = "early_liquid"
    LATE_LIQUID = "late_liquid"
    FRIDGE_MONTH = "fridge_month"
    FLOAT = "float"
    RYE = "rye"
    LEVAIN = "levain"


class Goal(StrEnum):
    """How it is told whether it went well: fed once more in the end, it rises as it would in good hands; its last feed
    has risen; or it stands ripe at the hour."""

    LIVES = "lives"
    RISEN = "risen"
    RIPE = "ripe"


@dataclass(frozen=True)
class Befalls:
    """From an hour on one of these is on top, which one is the seed's choice."""

    at_h: float
    tops: tuple[Top, ...]


USUAL = Vessel(0.0, 370.0, 110.0)


@dataclass(frozen=True)
class Situation:
    """`start_g` of flour were mixed with as much liquid by `hydration`; a feed keeps `seed_g` and comes to three times
    that. `before` was done by somebody until `begins_h`; the baker has it until `ends_h`. `well` is a baker who knows
    how, `badly` one who does not, where nothing has spoiled."""

    code: SituationCode
    blend: Blend
    warmth_c: float
    begins_h: float
    ends_h: float
    well: tuple[Made, ...]
    badly: tuple[Made, ...]
    before: tuple[Made, ...] = ()
    vessel: Vessel = USUAL
    start_g: float = 40.0
    seed_g: float = 30.0
    hydration: float = 1.0
    goal: Goal = Goal.LIVES
    befalls: Befalls | None = None
