"""What a sign is: evidence, what it means, what to do and what not to do; and the clues that evidence is made of.

What a sign owes (checked for every sign by `tests/core/test_signs.py`):

1. Its evidence is a table of cases; any one case is enough, all clues of a case must hold.
2. `urgency` orders the findings; danger comes before everything, and what is only normal after everything.
3. A danger ends in binning the jar, and its `dont` says what not to try.
4. It says how sure each case is; a case that is not sure asks one question rather than guess.
5. Something normal never asks for more than waiting, stirring or keeping to the plan.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import IntEnum, StrEnum

from ..record.ledger import Sighting
from .clues import Clue, Scene, TopSeen, holds


class Urgency(IntEnum):
    """Smaller comes first."""

    DANGER = 0
    WARNING = 1
    CARE = 2
    NORMAL = 3


class SignCode(StrEnum):
    MOULD = "mould"
    SPOILED = "spoiled"
    TOO_HOT = "too_hot"
    STOOD_TOO_HOT = "stood_too_hot"
    FILM = "film"
    HUNGRY_LIQUID = "hungry_liquid"
    STARVING_SMELL = "starving_smell"
    HUNGRY_AGAIN = "hungry_again"
    RISES_NO_MORE = "rises_no_more"
    LESSENING = "lessening"
    FORGOTTEN = "forgotten"
    UNFED_WARM = "unfed_warm"
    OVERFLOW = "overflow"
    DRY_SKIN = "dry_skin"
    BUBBLES_NO_RISE = "bubbles_no_rise"
    COLD_KITCHEN = "cold_kitchen"
    FALSE_DAWN = "false_dawn"
    SETTLING_LIQUID = "settling_liquid"
    NOTHING_YET = "nothing_yet"
    QUIET_DAYS = "quiet_days"
    SLOW_TO_WAKE = "slow_to_wake"
    OTHER_WARMTH = "other_warmth"
    RAISED_COLD = "raised_cold"
    BAKERS_YEAST = "bakers_yeast"
    SWEETENED = "sweetened"
    EARLY_SMELL = "early_smell"
    DILUTED = "diluted"
    THRIVING = "thriving"
    SMELL_TURNED = "smell_turned"
    RESTING_LIQUID = "resting_liquid"
    RESTED_LONG = "rested_long"


class Remedy(StrEnum):
    BIN_ALL = "bin_all"
    MOVE_COOLER = "move_cooler"
    COOLER_SPOT = "cooler_spot"
    MOVE_WARMER = "move_warmer"
    LIFT_OFF = "lift_off"
    COVER_BETTER = "cover_better"
    LOOK_FIRST = "look_first"
    FRESH_JAR = "fresh_jar"
    POUR_OFF = "pour_off"
    STIR_IN = "stir_in"
    FEED_NOW = "feed_now"
    FEED_SOONER = "feed_sooner"
    FEED_LARGER = "feed_larger"
    FEED_AT_PEAK = "feed_at_peak"
    FEED_LESS_OFTEN = "feed_less_often"
    SKIP_DISCARD = "skip_discard"
    SMALLER_RATIO = "smaller_ratio"
    ADD_WHOLE_FLOUR = "add_whole_flour"
    BIGGER_JAR = "bigger_jar"
    LESS_WATER = "less_water"
    BY_ITS_BUBBLES = "by_its_bubbles"
    BACK_TO_WARM = "back_to_warm"
    OTHER_FLOUR_AND_WATER = "other_flour_and_water"
    TEST_FEEDS = "test_feeds"
    TELL_WARMTH = "tell_warmth"
    KEEP_TO_PLAN = "keep_to_plan"
    STIR = "stir"
    WAIT = "wait"
    WAKE_SLOWLY = "wake_slowly"
    THINK_BACK = "think_back"


class Caution(StrEnum):
    DO_NOT_SCRAPE = "do_not_scrape"
    DO_NOT_TASTE = "do_not_taste"
    DO_NOT_USE_YET = "do_not_use_yet"
    DO_NOT_GIVE_UP = "do_not_give_up"
    DO_NOT_FEED_MORE = "do_not_feed_more"
    DO_NOT_SEAL = "do_not_seal"
    DO_NOT_LEAVE_THERE = "do_not_leave_there"


class Question(StrEnum):
    """One plain question, asked instead of a guess."""

    IS_IT_FUZZY_OR_COLOURED = "is_it_fuzzy_or_coloured"
    DOES_IT_STILL_SMELL_SO = "does_it_still_smell_so"
    IS_IT_FLOUR_OR_WATER = "is_it_flour_or_water"
    STANDS_IT_ELSEWHERE = "stands_it_elsewhere"


@dataclass(frozen=True)
class Case:
    """Clues that together are enough; `sure` from 0 to 1; `ask` where one question would settle it."""

    clues: tuple[Clue, ...]
    sure: float = 0.9
    ask: Question | None = None


@dataclass(frozen=True)
class Also:
    """What helps too, where these clues hold."""

    remedy: Remedy
    clues: tuple[Clue, ...]


@dataclass(frozen=True)
class Sign:
    """One that is not told `at_rest` is of a jar being fed, and says nothing of one in the fridge.

    `also` is what helps too, by how the jar stands. One that `asks_for_cause` stays whatever the answer to its question
    is: with yes `if_so` comes first of what to do, with no it is asked no more. One that
    `no_ends` is gone for good once the baker said no.
    """

    code: SignCode
    urgency: Urgency
    cases: tuple[Case, ...]
    do: tuple[Remedy, ...]
    dont: tuple[Caution, ...] = ()
    at_rest: bool = False
    also: tuple[Also, ...] = ()
    asks_for_cause: bool = False
    if_so: tuple[Remedy, ...] = ()
    no_ends: bool = False


def case_of(sign: Sign, scene: Scene) -> Case | None:
    """The surest case that holds; a danger is one in the fridge too."""
    if scene.rests_h is not None and not sign.at_rest and sign.urgency is not Urgency.DANGER:
        return None
    found = [case for case in sign.cases if holds(case.clues, scene)]
    return max(found, key=lambda case: case.sure, default=None)


def shown_by(case: Case, scene: Scene) -> Sighting | None:
    """The look that a case rests on: the one that showed what was seen before, else the last."""
    for clue in case.clues:
        if isinstance(clue, TopSeen):
            return next(one for one in reversed(scene.sightings) if clue.any_of & one.top)
    return next((one for one in reversed(scene.sightings) if not one.watched), None)
