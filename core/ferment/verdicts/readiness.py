"""Ready or not, step by step with its evidence, by `ready_rule`. The float test supports, it does not decide."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..ready_rule import AT_C, FOUL, IN_A_ROW, LIKELY, QUICKER, STEADY, UNLIKELY, WITHIN_H, Strictness
from ..record.log import Smell


@dataclass(frozen=True)
class Attempt:
    """One feed judged by its looks: whether it was watched, how high it went, and how likely it doubled in time.

    Hours are as they passed; `limit_h` are the hours of the rule in the warmth of that feed. `by_yeast` is false while
    early bacteria explain a rise. `doubles_at` is the level that counts as doubled for its flour and thickness.
    `doubled_h` is when it likely doubled; `doubled_by_h` when the first look saw it so, which no later day changes.
    """

    feed_id: str
    at: datetime
    watched: bool
    highest: float
    doubles_at: float
    doubled_h: float | None
    doubled_by_h: float | None
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
class RowWanted:
    """How many good feeds in a row a baker asks for who is so strict."""

    strictness: Strictness
    feeds: int


@dataclass(frozen=True)
class RuleTold:
    """The numbers of the rule that a baker is told: hours, at °C, and the feeds in a row to choose from."""

    within_h: float
    at_c: float
    rows: tuple[RowWanted, ...]


RULE_TOLD = RuleTold(WITHIN_H, AT_C, tuple(RowWanted(strictness, feeds) for strictness, feeds in IN_A_ROW.items()))


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

    @property
    def rule(self) -> RuleTold:
        return RULE_TOLD


# After the cold a feed is slow and the next is not: neither the hour nor the row says anything of a jar that is kept.
ASKED_OF_THE_KEPT = frozenset({StepCode.AWAKE, StepCode.DOUBLES, StepCode.PLEASANT, StepCode.NO_WARNING})


def judge(
    attempts: Sequence[Attempt],
    smells: Sequence[frozenset[Smell]],
    strictness: Strictness = Strictness.USUAL,
    *,
    warned: bool,
    kept: bool = False,
) -> Readiness:
    """Judge by the feeds in order, the smells noted (the latest last), and whether a warning sign is found now.

    A feed that nobody watched, or whose looks leave it open, neither counts nor breaks the row. A jar that is `kept`
    has shown what it can, and stays ready until a feed says no.
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
    if kept:
        ready = not any(step.met is False for step in steps if step.step in ASKED_OF_THE_KEPT)
    else:
        ready = all(step.met for step in steps)
    return Readiness(
        ready=ready,
        by_rule=ready,
        steps=steps,
        feeds=tuple(watched[-max(wanted, IN_A_ROW[Strictness.USUAL]) :]),
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
