"""What a plan is made of: steps with their windows and grams, what changed in it, and its totals."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from ..kitchen.flours import Flour, FlourLot
from ..kitchen.hours import Hours
from ..kitchen.quantities import Spoonful
from ..mixing.by_hand import ByHand, of_feed
from ..mixing.feeding import FeedPlan, Measured
from ..protocol.advised import Advice
from ..protocol.amounts import Own
from ..protocol.course import Course
from ..protocol.method import Normal
from ..record.log import Bake, Thickness


class Act(StrEnum):
    """What a step mainly is."""

    MIX = "mix"
    FEED = "feed"
    STIR = "stir"
    LOOK = "look"
    TO_FRIDGE = "to_fridge"
    TO_COUNTER = "to_counter"
    USE = "use"


class StepState(StrEnum):
    """Where a step stands.

    Done; skipped; not yet (before its window); waiting (for a sign, inside it); due; late (after it); later ones;
    resting while the jar stands in the fridge, where nothing is late.
    """

    DONE = "done"
    SKIPPED = "skipped"
    NOT_YET = "not_yet"
    WAITING = "waiting"
    DUE = "due"
    LATE = "late"
    RESTING = "resting"
    AHEAD = "ahead"


class Task(StrEnum):
    """One thing to do within a step, in order."""

    POUR_OFF = "pour_off"
    KEEP_ALL = "keep_all"
    KEEP = "keep"
    TAKE_OUT = "take_out"
    CLEAN_JAR = "clean_jar"
    PUT_IN = "put_in"
    ADD_WATER = "add_water"
    ADD_JUICE = "add_juice"
    ADD_FLOUR = "add_flour"
    ADD_SALT = "add_salt"
    HOLD_BACK = "hold_back"
    STIR = "stir"
    TO_FRIDGE = "to_fridge"
    TO_COUNTER = "to_counter"
    MEASURE_HEIGHT = "measure_height"
    READ_PH = "read_ph"
    WEIGH_REFERENCE = "weigh_reference"
    FLOAT_TEST = "float_test"
    SIDE_BY_SIDE = "side_by_side"
    TAKE_FOR_DOUGH = "take_for_dough"


@dataclass(frozen=True)
class Doing:
    """A task with its grams; `out_g` goes out of the jar with it, `measured` is the amount as the method says it.

    `spoons` are the same grams where it is measured by hand, `part` the part of the jar where an eye can judge it.
    """

    do: Task
    g: float | None = None
    out_g: float | None = None
    flour: Flour | None = None
    measured: Measured | None = None
    until_thickness: Thickness | None = None
    spoons: tuple[Spoonful, ...] = ()
    part: float | None = None


class SightCode(StrEnum):
    BUBBLES = "bubbles"
    BUBBLES_THROUGHOUT = "bubbles_throughout"
    FROTH = "froth"
    RISEN = "risen"
    BELOW_HIGH_MARK = "below_high_mark"
    RISEN_AND_FALLEN = "risen_and_fallen"
    RUNNY = "runny"
    IN_A_ROW = "in_a_row"


@dataclass(frozen=True)
class WaitsFor:
    """A sign that a step waits for; `times` is the level where that is part of it."""

    sight: SightCode
    times: float | None


# What a baker need not be told: a window no longer than this, an act no further off its time.
WORTH_TELLING = timedelta(minutes=30)
MISSED_H = 1.0


@dataclass(frozen=True)
class Step:
    """One act of the plan.

    `due` is the planned time; `earliest` and `latest` bound the window in which it is as good, and `fits` is false when
    the baker's hours leave no room in that window. A step that waits for a sign lists what would do, and the look that
    showed it. A done step names its entry and by how many hours it missed `due` (late is positive).
    """

    number: int
    day: int
    stage: str
    act: Act
    state: StepState
    due: datetime
    earliest: datetime
    latest: datetime
    fits: bool
    waits_for: tuple[WaitsFor, ...]
    seen_by: str | None
    entry_id: str | None
    off_by_h: float | None
    do: tuple[Doing, ...]
    plan: FeedPlan | None
    normal: Normal

    @property
    def has_window(self) -> bool:
        """Whether there is a stretch of time worth telling in which it is as good."""
        return self.latest - self.earliest > WORTH_TELLING

    @property
    def missed_by_h(self) -> float | None:
        """By how many hours a done step missed its time, where that is worth telling."""
        if self.state is not StepState.DONE or self.off_by_h is None or abs(self.off_by_h) < MISSED_H:
            return None
        return self.off_by_h

    @property
    def to_come(self) -> bool:
        """Neither done nor left out."""
        return self.state not in (StepState.DONE, StepState.SKIPPED)


def name_acts(steps: Iterable[Step]) -> dict[int, str]:
    """What each step of a whole plan is known by, by its number: the third feed is `feed-3`, planned or done.

    It stays the same while its time moves and when it is done, and other acts come and go before it.
    """
    so_far: Counter[Act] = Counter()
    named = {}
    for step in steps:
        so_far[step.act] += 1
        named[step.number] = f"{step.act}-{so_far[step.act]}"
    return named


class ChangeCode(StrEnum):
    """What moved the plan, or what in the log is other than planned."""

    LATE = "late"
    EARLY = "early"
    MISSED = "missed"
    EXTRA_FEED = "extra_feed"
    SKIPPED = "skipped"
    LEFT_ALONE = "left_alone"
    KEPT_OTHER = "kept_other"
    OTHER_AMOUNTS = "other_amounts"
    HALF_DONE = "half_done"
    OTHER_FLOUR = "other_flour"
    SIGN_EARLY = "sign_early"
    SIGN_OVERDUE = "sign_overdue"
    STAGE_LONGER = "stage_longer"
    IN_THE_COLD = "in_the_cold"
    MOVED_INTO_HOURS = "moved_into_hours"
    NO_ROOM_IN_HOURS = "no_room_in_hours"
    ADVICE_TAKEN = "advice_taken"
    MOVED = "moved"
    OTHER_JAR = "other_jar"
    NEW_FLOUR = "new_flour"
    NEW_RHYTHM = "new_rhythm"
    NEW_AMOUNT = "new_amount"
    NEW_WAY = "new_way"
    NEW_HOURS = "new_hours"
    BAKE_PLANNED = "bake_planned"
    BAKE_MISSED = "bake_missed"
    USED = "used"
    PUT_BACK = "put_back"


@dataclass(frozen=True)
class Change:
    """A code, when it applies, the entry it comes from, and its facts (hours, grams, counts, flours)."""

    code: ChangeCode
    at: datetime
    entry_id: str | None
    facts: Mapping[str, float | str]


@dataclass(frozen=True)
class PlanTotals:
    """What a stretch of the plan takes: grams, feeds, and minutes of hands-on work, looks included; in spoons and cups
    where it is measured so."""

    flours: FlourLot
    water_g: float
    juice_g: float
    discard_g: float
    feeds: int
    minutes: float
    is_by_hand: bool = False

    @property
    def by_hand(self) -> ByHand | None:
        if not self.is_by_hand:
            return None
        return of_feed(self.discard_g, self.flours, self.water_g, self.juice_g, 0.0)


@dataclass(frozen=True)
class ReadyDays:
    """Days from the first mix until it is ready: earliest, likely, latest."""

    earliest: float
    likely: float
    latest: float


@dataclass(frozen=True)
class Taken:
    """Advice that was taken and holds: since when, and for how many feeds yet."""

    advice: Advice
    at: datetime
    feeds: int


@dataclass(frozen=True)
class Plan:
    """The whole of it: what was done, what comes, what changed and why.

    `stage` is the phase in which the course stands, `taken` the advice that bends it. `bakes` are planned and not mixed
    yet, the nearest first, with `bake_fed` feeds done for that one; `course` and `hours` are those of now, `own` and
    `every` what the baker has decided since.

    `ends` is true when the course has a last step and this plan shows it.
    """

    steps: tuple[Step, ...]
    changes: tuple[Change, ...]
    stage: str | None
    ends: bool
    done: PlanTotals
    to_ready: PlanTotals
    ready: ReadyDays
    taken: tuple[Taken, ...]
    course: Course
    hours: Hours
    own: Own
    every: timedelta | None
    bakes: tuple[Bake, ...] = ()
    bake_fed: int = 0

    @property
    def ahead(self) -> tuple[Step, ...]:
        """The steps that are still to come."""
        return tuple(step for step in self.steps if step.to_come)

    @property
    def next(self) -> Step | None:
        return next((step for step in self.steps if step.to_come), None)
