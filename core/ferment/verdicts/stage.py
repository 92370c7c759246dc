"""The stage a jar is in, how sure that is, and what would settle it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..ready_rule import AWAKE_FEEDS, LINGERS_H, RISEN, STAGE_SLACK

# So long a new jar without a sign of life is merely sown; then it is in its quiet days.
SOWN_H = 36.0
# Before it is so old, nobody has gone a day without looking.
UNSEEN_H = 24.0


class Stage(StrEnum):
    SOWN = "sown"
    FALSE_DAWN = "false_dawn"
    HUSH = "hush"
    STIRRING = "stirring"
    AWAKE = "awake"
    STEADY = "steady"
    RESTING = "resting"
    BINNED = "binned"


SHOWS_YEAST = frozenset({Stage.STIRRING, Stage.AWAKE, Stage.STEADY, Stage.RESTING})
# Under the first a stage is only likely; from the second on no look is asked for.
SURE, SURE_ENOUGH = 0.7, 0.8


class Settles(StrEnum):
    """What would settle a stage that is not sure."""

    LOOK_AT_ITS_PEAK = "look_at_its_peak"
    LOOK_THIS_EVENING = "look_this_evening"
    READ_A_LEVEL = "read_a_level"
    NOTE_THE_SMELL = "note_the_smell"


@dataclass(frozen=True)
class StageFound:
    """The stage, how sure from 0 to 1, and what would settle it and when, where that is to be said."""

    stage: Stage
    sure: float
    settles: Settles | None
    settles_at: datetime | None

    @property
    def likely_only(self) -> bool:
        """Whether it is told as likely, not as so."""
        return self.sure < SURE

    @property
    def asks(self) -> bool:
        """Whether what would settle it is asked for."""
        return self.settles is not None and self.sure < SURE_ENOUGH

    @property
    def shows_yeast(self) -> bool:
        """Before this, nobody asks whether it is ready."""
        return self.stage in SHOWS_YEAST


@dataclass(frozen=True)
class StageEvidence:
    """What the stage is read from. Hours; levels as multiples of the line.

    `highest` is of the last day, `highest_by_yeast` of all feeds, or of the last ones where those failed. `rises` are
    the feeds that rose by yeast well enough to be called awake. `early_h` is how long the early bacteria have their
    say.
    `yeast_explains` is the yeast's share of the gas of the running round. `seen` counts the looks of the last day;
    `level_read` says that in some look of the last feeds a level was read.
    `woken` is a jar that began with a culture, `begun_sour` one that began with a culture or an acid juice.
    """

    binned: bool
    in_the_cold: bool
    age_h: float
    highest: float
    highest_by_yeast: float
    doubles_at: float
    rises: int
    early_h: float
    yeast_explains: float
    ready: bool
    seen: int
    woken: bool
    begun_sour: bool
    level_read: bool = True


# First that holds; what rises in the first days is never called awake unless yeast explains it.
_STAGES: tuple[tuple[Stage, Callable[[StageEvidence], bool]], ...] = (
    (Stage.BINNED, lambda it: it.binned),
    (Stage.RESTING, lambda it: it.in_the_cold),
    (Stage.STEADY, lambda it: it.ready),
    (Stage.AWAKE, lambda it: it.highest_by_yeast >= it.doubles_at - STAGE_SLACK or it.rises >= AWAKE_FEEDS),
    (Stage.STIRRING, lambda it: it.highest_by_yeast >= RISEN),
    (Stage.FALSE_DAWN, lambda it: it.age_h < it.early_h + LINGERS_H and not it.begun_sour and it.highest >= RISEN),
    (Stage.SOWN, lambda it: it.woken or it.age_h < SOWN_H),
    (Stage.HUSH, lambda _: True),
)


def find_stage(it: StageEvidence) -> StageFound:
    stage = next(stage for stage, holds in _STAGES if holds(it))
    if stage in (Stage.BINNED, Stage.RESTING):
        return StageFound(stage, 1.0, None, None)
    if stage is Stage.FALSE_DAWN:
        return StageFound(stage, round(1.0 - 0.6 * it.yeast_explains, 2), Settles.NOTE_THE_SMELL, None)
    if it.seen == 0 and it.age_h < UNSEEN_H:
        return StageFound(stage, 0.8, None, None)
    if it.seen == 0:
        return StageFound(stage, 0.5, Settles.LOOK_THIS_EVENING, None)
    if not it.level_read and it.age_h >= UNSEEN_H:
        return StageFound(stage, 0.5, Settles.READ_A_LEVEL, None)
    if stage in (Stage.STIRRING, Stage.HUSH):
        return StageFound(stage, 0.75, Settles.LOOK_AT_ITS_PEAK, None)
    return StageFound(stage, 0.9, None, None)
