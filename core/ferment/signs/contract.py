"""What a sign is: evidence, what it means, what to do and what not to do; and the clues that evidence is made of.

What a sign owes (checked for every sign by `tests/core/test_signs.py`):

1. Its evidence is a table of cases; any one case is enough, all clues of a case must hold.
2. `urgency` orders the findings; danger comes before everything, and what is only normal after everything.
3. A danger ends in binning the jar, and its `dont` says what not to try.
4. It says how sure each case is; a case that is not sure asks one question rather than guess.
5. Something normal never asks for more than waiting, stirring or keeping to the plan.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from enum import IntEnum, StrEnum
from itertools import pairwise
from typing import Any

from ..record.ledger import Sighting, highest
from ..record.log import Bubbles, DeedKind, Smell, Thickness, Top


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


# --- what can be known of a jar for the signs ---


@dataclass(frozen=True)
class Scene:
    """A jar as the signs see it. Hours; levels as multiples of the line; °C.

    `peaks_before` are how high the feeds before went, the latest last, where they were watched. `late_h` is
    by how much the next feed is overdue. `hydration_percent` is of the whole jar.
    `woke` says that a rise was seen that was the yeast's. `smelt_before` is what was smelt before the last look,
    `thinned_to` the share that is left now of what was in the jar two days ago; `rests_h` is since when it stands in
    the fridge, None where it does not. `rises_no_more` says that it had doubled and that its last feeds failed.
    `little_gluten` says so of its flour. `hottest_c` is the warmest that it was measured or stood at in the last days.
    `boosted` lists what was added of late that is no food of its own: baker's yeast, sugar. `as_if_c` is the warmth
    that its looks tell of, where that is another than was told.
    """

    age_h: float
    since_feed_h: float
    sightings: tuple[Sighting, ...]
    peaks_before: tuple[float, ...]
    late_h: float
    celsius: float
    room_times: float
    hydration_percent: float
    begun_sour: bool
    woke: bool
    smelt_before: frozenset[Smell] = frozenset()
    thinned_to: float = 1.0
    rests_h: float | None = None
    rises_no_more: bool = False
    little_gluten: bool = False
    hottest_c: float = 0.0
    boosted: frozenset[DeedKind] = frozenset()
    as_if_c: float | None = None

    @property
    def was_read(self) -> bool:
        return any(seen.level_read for seen in self.sightings)

    @property
    def highest(self) -> float:
        return highest(self.sightings)

    @property
    def level(self) -> float | None:
        return next((one.times for one in reversed(self.sightings) if one.times is not None), None)


# --- clues ---


@dataclass(frozen=True)
class TopIs:
    """The last look at the top showed one of these."""

    any_of: frozenset[Top]


@dataclass(frozen=True)
class TopSeen:
    """Some look since the feed showed one of these: what grows or dries on a mix does not go by itself."""

    any_of: frozenset[Top]


@dataclass(frozen=True)
class SmellIs:
    any_of: frozenset[Smell]


@dataclass(frozen=True)
class ThicknessIs:
    any_of: frozenset[Thickness]


@dataclass(frozen=True)
class BubblesAre:
    any_of: frozenset[Bubbles]


@dataclass(frozen=True)
class Age:
    """Hours since the first mix."""

    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class HoursSinceFeed:
    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class Rose:
    """The highest level or high mark of the running round, where one was read."""

    at_least: float = 0.0
    at_most: float = float("inf")


@dataclass(frozen=True)
class FellBy:
    """It stands lower than its highest by at least this share of its rise."""

    share: float


@dataclass(frozen=True)
class RisesLessen:
    """Each of the last watched feeds rose less than the one before, by so much in all, and the last not high."""

    feeds: int
    by: float
    to: float


@dataclass(frozen=True)
class RisesNoMore:
    """It had doubled, and the last feeds that somebody watched failed."""


@dataclass(frozen=True)
class NearRim:
    """It stood within a twentieth of the rim, or over it."""


@dataclass(frozen=True)
class Late:
    """The next feed is overdue by so many hours."""

    from_h: float


@dataclass(frozen=True)
class WarmthIs:
    from_c: float = -100.0
    to_c: float = 100.0


@dataclass(frozen=True)
class WetterThan:
    hydration_percent: float


@dataclass(frozen=True)
class LittleGluten:
    """Most of its flour is rye or gluten-free: its gas finds little to hold it."""


@dataclass(frozen=True)
class WasAsHotAs:
    """It was measured, or stood, so hot in the last days, and is not so hot now."""

    celsius: float


@dataclass(frozen=True)
class AsIfElsewhere:
    """Its looks tell of another warmth than was told."""


@dataclass(frozen=True)
class Boosted:
    """The baker added this of late."""

    by: DeedKind


@dataclass(frozen=True)
class FromFlourAndWater:
    """Begun neither with a culture nor with an acid juice: the early bacteria have their say."""


@dataclass(frozen=True)
class NotAwakeYet:
    """No rise that was the yeast's yet."""


@dataclass(frozen=True)
class IsAwake:
    """A rise was seen that was the yeast's."""


@dataclass(frozen=True)
class SmeltBefore:
    """An earlier look smelt one of these."""

    any_of: frozenset[Smell]


@dataclass(frozen=True)
class ThinnedTo:
    """Feeds left at most this share of what was in the jar two days ago."""

    share: float


@dataclass(frozen=True)
class Rests:
    """It stands in the fridge, and was fed so many hours ago."""

    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class InTheCold:
    """It has stood in the fridge for so many hours."""

    from_h: float


Clue = (
    TopIs
    | TopSeen
    | SmellIs
    | ThicknessIs
    | BubblesAre
    | Age
    | HoursSinceFeed
    | Rose
    | FellBy
    | RisesLessen
    | RisesNoMore
    | NearRim
    | Late
    | WarmthIs
    | WetterThan
    | LittleGluten
    | WasAsHotAs
    | Boosted
    | AsIfElsewhere
    | FromFlourAndWater
    | NotAwakeYet
    | IsAwake
    | SmeltBefore
    | ThinnedTo
    | Rests
    | InTheCold
)


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


# --- judging ---


def _last(scene: Scene, what: Callable[[Sighting], Any]) -> Any:
    """What the latest look that noted it says."""
    return next((what(one) for one in reversed(scene.sightings) if what(one)), None)


def _rises_lessen(clue: RisesLessen, scene: Scene) -> bool:
    rises = scene.peaks_before[-clue.feeds :]
    falling = all(later < earlier for earlier, later in pairwise(rises))
    return len(rises) == clue.feeds and falling and rises[0] - rises[-1] >= clue.by and rises[-1] <= clue.to


SUNK_SHARE = 0.2


def _fell_by(clue: FellBy, scene: Scene) -> bool:
    level, highest = scene.level, scene.highest
    sunken = Top.SUNKEN in (_last(scene, lambda one: one.top) or ())
    if highest <= 1.1 or level is None:
        return highest > 1.1 and sunken
    # A sunken middle shows it before the level does, but not at the peak itself.
    share = min(clue.share, SUNK_SHARE) if sunken else clue.share
    return level <= highest - share * (highest - 1.0)


_JUDGES: Mapping[type, Callable[[Any, Scene], bool]] = {
    TopIs: lambda clue, scene: bool(clue.any_of & (_last(scene, lambda one: one.top) or frozenset())),
    TopSeen: lambda clue, scene: any(clue.any_of & one.top for one in scene.sightings),
    SmellIs: lambda clue, scene: bool(clue.any_of & (_last(scene, lambda one: one.smell) or frozenset())),
    ThicknessIs: lambda clue, scene: _last(scene, lambda one: one.thickness) in clue.any_of,
    BubblesAre: lambda clue, scene: _last(scene, lambda one: one.bubbles) in clue.any_of,
    Age: lambda clue, scene: clue.from_h <= scene.age_h < clue.to_h,
    HoursSinceFeed: lambda clue, scene: clue.from_h <= scene.since_feed_h < clue.to_h,
    Rose: lambda clue, scene: scene.was_read and clue.at_least <= scene.highest <= clue.at_most,
    FellBy: _fell_by,
    RisesLessen: _rises_lessen,
    RisesNoMore: lambda _, scene: scene.rises_no_more,
    NearRim: lambda _, scene: scene.highest >= 0.95 * scene.room_times,
    Late: lambda clue, scene: scene.late_h >= clue.from_h,
    WarmthIs: lambda clue, scene: clue.from_c <= scene.celsius < clue.to_c,
    LittleGluten: lambda _, scene: scene.little_gluten,
    WasAsHotAs: lambda clue, scene: scene.celsius < clue.celsius <= scene.hottest_c,
    AsIfElsewhere: lambda _, scene: scene.as_if_c is not None,
    Boosted: lambda clue, scene: clue.by in scene.boosted,
    WetterThan: lambda clue, scene: scene.hydration_percent > clue.hydration_percent,
    FromFlourAndWater: lambda _, scene: not scene.begun_sour,
    NotAwakeYet: lambda _, scene: not scene.woke,
    IsAwake: lambda _, scene: scene.woke,
    SmeltBefore: lambda clue, scene: bool(clue.any_of & scene.smelt_before),
    ThinnedTo: lambda clue, scene: scene.thinned_to <= clue.share,
    Rests: lambda clue, scene: scene.rests_h is not None and clue.from_h <= scene.since_feed_h < clue.to_h,
    InTheCold: lambda clue, scene: scene.rests_h is not None and scene.rests_h >= clue.from_h,
}


def holds(clues: Sequence[Clue], scene: Scene) -> bool:
    return all(_JUDGES[type(clue)](clue, scene) for clue in clues)


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
    return scene.sightings[-1] if scene.sightings else None
