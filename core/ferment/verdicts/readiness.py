"""Ready or not, step by step with its evidence, by `ready_rule`. The float test supports, it does not decide."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..ready_rule import (
    ALL_BUT,
    AT_C,
    FOUL,
    HELD_SHARE,
    IN_A_ROW,
    LIKELY,
    QUICKER,
    STEADY,
    TAKES_BACK,
    TELLS_FROM,
    UNLIKELY,
    WITHIN_H,
    Strictness,
)
from ..record.log import Smell


@dataclass(frozen=True)
class Attempt:
    """One feed judged by its looks: whether it was watched, how high it went, and how likely it doubled in time.

    Hours are as they passed; `limit_h` are the hours of the rule in the warmth of that feed. `by_yeast` is false while
    early bacteria explain a rise. `doubles_at` is the level that counts as doubled for its flour and thickness.
    `doubled_h` is when it likely doubled; `doubled_by_h` when the first look saw it so, which no later day changes.
    `failed` says that somebody looked when it should have been high and it was not, `late` that somebody saw it not
    doubled yet when its time was nearly over; `full_of_gas` that a dome and bubbles all through were seen.
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
    failed: bool = False
    late: bool = False
    full_of_gas: bool = False


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
    feeds are missing at least, `earliest` when they can be there. `failed` is how many feeds in a row failed of late,
    and `rises_no_more` that they are enough to take back what the jar had shown. `floats` is the last float test: it
    supports and decides nothing.
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
    failed: int = 0
    rises_no_more: bool = False

    @property
    def rule(self) -> RuleTold:
        return RULE_TOLD


# What is asked of a jar at this moment, whatever it has shown before; of one that is kept, also that it is awake.
ASKED_NOW = frozenset({StepCode.PLEASANT, StepCode.NO_WARNING})
ASKED_OF_THE_KEPT = ASKED_NOW | {StepCode.AWAKE}


def judge(
    attempts: Sequence[Attempt],
    smells: Sequence[frozenset[Smell]],
    strictness: Strictness = Strictness.USUAL,
    *,
    warned: bool,
    kept: bool = False,
) -> Readiness:
    """Judge by the feeds in order, the smells noted (the latest last), and whether a warning sign is found now.

    A feed that nobody watched, or whose looks leave it open, neither counts nor breaks the row. What the jar has shown
    holds until `TAKES_BACK` feeds in a row have failed, or a sign says otherwise; a jar that is `kept` has shown it.
    """
    wanted = IN_A_ROW[strictness]
    watched = _decided(attempts)
    doubled = [one for one in watched if one.doubled_h is not None]
    so_far = _follow(attempts, wanted)
    row, held = so_far.row, so_far.shown
    peaks = _peaks(row[-wanted:])
    steady = None if len(peaks) < min(2, wanted) else _is_steady(peaks)
    last = watched[-1] if watched else None
    noted = [one for one in smells if one]
    have = wanted if held else min(wanted, len(row))
    steps = (
        ReadyStep(StepCode.AWAKE, bool(doubled) if watched else None, min(1, len(doubled)), 1),
        ReadyStep(StepCode.DOUBLES, None if last is None else last.doubled_h is not None, 0, 0),
        ReadyStep(StepCode.IN_TIME, None if last is None else last.in_time >= LIKELY, 0, 0),
        ReadyStep(StepCode.IN_A_ROW, have >= wanted if watched else None, have, wanted),
        ReadyStep(StepCode.STEADY, True if held else steady, 0, 0),
        ReadyStep(StepCode.PLEASANT, not (noted[-1] & FOUL) if noted else None, 0, 0),
        ReadyStep(StepCode.NO_WARNING, not warned, 0, 0),
    )
    met = {step.step: step.met for step in steps}
    if kept:
        ready = so_far.failed < TAKES_BACK and not any(met[step] is False for step in ASKED_OF_THE_KEPT)
    else:
        ready = held and all(met[step] for step in ASKED_NOW)
    return Readiness(
        ready=ready,
        by_rule=ready,
        steps=steps,
        feeds=tuple(watched[-max(wanted, IN_A_ROW[Strictness.USUAL]) :]),
        looks_ready_but=not ready and bool(row),
        feeds_to_go=0 if held or ready else max(0, wanted - len(row)),
        word=None,
        earliest=None,
        floats=None,
        failed=so_far.failed,
        rises_no_more=rises_no_more(attempts),
    )


def rises_no_more(attempts: Sequence[Attempt]) -> bool:
    """Whether a jar that had doubled has failed so often in a row that it does so no more."""
    watched = _decided(attempts)
    return any(one.doubled_h is not None for one in watched) and _follow(attempts, 1).failed >= TAKES_BACK


def _decided(attempts: Sequence[Attempt]) -> list[Attempt]:
    """Those that say yes or no: watched, by yeast, and not left open."""
    return [one for one in attempts if one.watched and one.by_yeast and _is_decided(one)]


def _is_decided(one: Attempt) -> bool:
    return not UNLIKELY < one.in_time < LIKELY


@dataclass(frozen=True)
class _SoFar:
    """What the feeds have shown in their order: the good ones in a row, whether it was enough once and not taken back,
    and how many failed in a row since."""

    row: list[Attempt]
    shown: bool
    failed: int


def _follow(attempts: Sequence[Attempt], wanted: int) -> _SoFar:
    """In the order of the feeds. Once another feed came after it, what was shown is held against what was seen alone,
    so that no estimate of a later day untells it."""
    row: list[Attempt] = []
    seen = 0
    shown, failed = False, 0
    for one in attempts:
        if not one.watched or not one.by_yeast:
            continue
        rose = not one.late and _tells(one) and one.highest - 1.0 >= HELD_SHARE * (one.doubles_at - 1.0)
        if _is_decided(one):
            good = one.doubled_h is not None and one.in_time >= LIKELY
            all_but = one.highest - 1.0 >= ALL_BUT * (one.doubles_at - 1.0)
            row = [*row, one] if good else []
            failed = 0 if good or all_but else failed + 1
            seen = seen + 1 if good or rose else 0
        else:
            seen += rose
        now = len(row) >= wanted and _is_steady(_peaks(row[-wanted:]))
        shown = (shown and failed < TAKES_BACK) or now or (seen >= wanted and one is not attempts[-1])
    return _SoFar(row, shown, failed)


def _tells(one: Attempt) -> bool:
    """A paste that holds next to nothing tells nothing by its rise."""
    return one.doubles_at >= TELLS_FROM


def _peaks(row: Sequence[Attempt]) -> list[float]:
    return [one.peak_h / one.limit_h for one in row]


def _is_steady(peaks: Sequence[float]) -> bool:
    slowed = any(later > STEADY * min(peaks[: index + 1]) for index, later in enumerate(peaks[1:]))
    return not slowed and max(peaks) <= QUICKER * min(peaks)
