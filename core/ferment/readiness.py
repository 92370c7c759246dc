"""Ready or not, step by step with its evidence; and the stage a jar is in, how sure that is and what would settle it.

Despertar's rule: it at least doubles within 8 hours (at 24 °C, corrected for the room) at three feeds in a row, peaks
at a steady time, smells pleasant and shows no warning sign (common practice, the stricter of several schools). The
float test supports, it does not decide.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from .log import Smell

USUAL_IN_A_ROW = 3
# A feed counts as done in time when the looks make it this likely; below the other bound as not.
LIKELY, UNLIKELY = 0.6, 0.4
# Times to peak are steady when none is so much longer than the shortest before it. A waking jar gets quicker, and that
# far it may.
STEADY, QUICKER = 1.4, 1.8
# From this level on somebody saw a rise.
RISEN = 1.15
FOUL = frozenset({Smell.PUTRID, Smell.NAIL_VARNISH, Smell.CHEESY})


class Strictness(StrEnum):
    """How many feeds in a row the baker asks for."""

    LOOSE = "loose"
    USUAL = "usual"
    STRICT = "strict"


IN_A_ROW = {Strictness.LOOSE: 1, Strictness.USUAL: USUAL_IN_A_ROW, Strictness.STRICT: 5}


@dataclass(frozen=True)
class Attempt:
    """One feed judged by its looks: whether it was watched, how high it went, and how likely it doubled in time.

    Hours are as they passed; `limit_h` is 8 h at 24 °C in the warmth of that feed. `by_yeast` is false while early
    bacteria explain a rise. `doubles_at` is the level that counts as doubled for its flour and thickness.
    """

    feed_id: str
    at: datetime
    watched: bool
    highest: float
    doubles_at: float
    doubled_h: float | None
    in_time: float
    limit_h: float
    peak_h: float
    by_yeast: bool


class StepCode(StrEnum):
    AWAKE = "awake"
    DOUBLES = "doubles"
    IN_TIME = "in_time"
    IN_A_ROW = "in_a_row"
    STEADY = "steady"
    PLEASANT = "pleasant"
    NO_WARNING = "no_warning"


@dataclass(frozen=True)
class ReadyStep:
    """A step of the rule; `met` is None where nothing was seen that says. `have` of `of` where it counts."""

    step: StepCode
    met: bool | None
    have: int
    of: int


@dataclass(frozen=True)
class Readiness:
    """The verdict with its evidence: the steps, and the feeds they rest on (the latest last).

    `by_rule` is what the steps say; `word`, yes or no, is what the baker said instead, and goes before it.
    `looks_ready_but` is true after a rise that looks like it and is not a habit yet. `feeds_to_go` is how many good
    feeds are missing at least, `earliest` when they can be there. `floats` is the last float test: it supports and
    decides nothing.
    """

    ready: bool
    by_rule: bool
    steps: tuple[ReadyStep, ...]
    feeds: tuple[Attempt, ...]
    looks_ready_but: bool
    feeds_to_go: int
    word: bool | None
    earliest: datetime | None
    floats: bool | None


def judge(
    attempts: Sequence[Attempt],
    smells: Sequence[frozenset[Smell]],
    strictness: Strictness = Strictness.USUAL,
    *,
    warned: bool,
) -> Readiness:
    """Judge by the feeds in order, the smells noted (the latest last), and whether a warning sign is found now.

    A feed that nobody watched, or whose looks leave it open, neither counts nor breaks the row.
    """
    wanted = IN_A_ROW[strictness]
    watched = [one for one in attempts if one.watched and one.by_yeast and not UNLIKELY < one.in_time < LIKELY]
    doubled = [one for one in watched if one.doubled_h is not None]
    row = _row(watched)
    peaks = [one.peak_h / one.limit_h for one in row[-wanted:]]
    steady = None if len(peaks) < min(2, wanted) else _is_steady(peaks)
    last = watched[-1] if watched else None
    noted = [one for one in smells if one]
    steps = (
        ReadyStep(StepCode.AWAKE, bool(doubled) if watched else None, min(1, len(doubled)), 1),
        ReadyStep(StepCode.DOUBLES, None if last is None else last.doubled_h is not None, 0, 0),
        ReadyStep(StepCode.IN_TIME, None if last is None else last.in_time >= LIKELY, 0, 0),
        ReadyStep(StepCode.IN_A_ROW, len(row) >= wanted if watched else None, min(wanted, len(row)), wanted),
        ReadyStep(StepCode.STEADY, steady, 0, 0),
        ReadyStep(StepCode.PLEASANT, not (noted[-1] & FOUL) if noted else None, 0, 0),
        ReadyStep(StepCode.NO_WARNING, not warned, 0, 0),
    )
    ready = all(step.met for step in steps)
    return Readiness(
        ready=ready,
        by_rule=ready,
        steps=steps,
        feeds=tuple(watched[-max(wanted, 3) :]),
        looks_ready_but=not ready and bool(row),
        feeds_to_go=0 if ready else max(0, wanted - len(row)),
        word=None,
        earliest=None,
        floats=None,
    )


def _is_steady(peaks: Sequence[float]) -> bool:
    slowed = any(later > STEADY * min(peaks[: index + 1]) for index, later in enumerate(peaks[1:]))
    return not slowed and max(peaks) <= QUICKER * min(peaks)


def _row(watched: Sequence[Attempt]) -> list[Attempt]:
    """The good feeds since the last that was not."""
    row: list[Attempt] = []
    for one in watched:
        if one.doubled_h is not None and one.in_time >= LIKELY:
            row.append(one)
        else:
            row = []
    return row


# --- the stage ---


class Stage(StrEnum):
    SOWN = "sown"
    FALSE_DAWN = "false_dawn"
    HUSH = "hush"
    STIRRING = "stirring"
    AWAKE = "awake"
    STEADY = "steady"
    RESTING = "resting"
    BINNED = "binned"


class Settles(StrEnum):
    """What would settle a stage that is not sure."""

    LOOK_AT_ITS_PEAK = "look_at_its_peak"
    LOOK_THIS_EVENING = "look_this_evening"
    NOTE_THE_SMELL = "note_the_smell"


@dataclass(frozen=True)
class StageFound:
    """The stage, how sure from 0 to 1, and what would settle it and when, where that is to be said."""

    stage: Stage
    sure: float
    settles: Settles | None
    settles_at: datetime | None


@dataclass(frozen=True)
class Standing:
    """What the stage is read from. Hours; levels as multiples of the line.

    `highest` is of the last day, `highest_by_yeast` of all feeds still remembered. `yeast_explains` is the yeast's
    share of the gas of the running round. `seen` counts the looks of the last day. `woken` is a jar that began with a
    culture, `begun_sour` one that began with a culture or an acid juice.
    """

    binned: bool
    in_the_cold: bool
    age_h: float
    highest: float
    highest_by_yeast: float
    doubles_at: float
    yeast_explains: float
    ready: bool
    seen: int
    woken: bool
    begun_sour: bool


# First that holds; what rises in the first days is never called awake unless yeast explains it.
_STAGES: tuple[tuple[Stage, Callable[[Standing], bool]], ...] = (
    (Stage.BINNED, lambda it: it.binned),
    (Stage.RESTING, lambda it: it.in_the_cold),
    (Stage.STEADY, lambda it: it.ready),
    (Stage.AWAKE, lambda it: it.highest_by_yeast >= it.doubles_at - 0.05),
    (Stage.STIRRING, lambda it: it.highest_by_yeast >= RISEN),
    (Stage.FALSE_DAWN, lambda it: it.age_h < 72 and not it.begun_sour and it.highest >= RISEN),
    (Stage.SOWN, lambda it: it.woken or it.age_h < 36),
    (Stage.HUSH, lambda _: True),
)


def stage_of(it: Standing) -> StageFound:
    stage = next(stage for stage, holds in _STAGES if holds(it))
    if stage in (Stage.BINNED, Stage.RESTING):
        return StageFound(stage, 1.0, None, None)
    if stage is Stage.FALSE_DAWN:
        return StageFound(stage, round(1.0 - 0.6 * it.yeast_explains, 2), Settles.NOTE_THE_SMELL, None)
    if it.seen == 0:
        return StageFound(stage, 0.5, Settles.LOOK_THIS_EVENING, None)
    if stage in (Stage.STIRRING, Stage.HUSH):
        return StageFound(stage, 0.75, Settles.LOOK_AT_ITS_PEAK, None)
    return StageFound(stage, 0.9, None, None)
