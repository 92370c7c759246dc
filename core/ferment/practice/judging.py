"""What came of a practice, and what the jar would have liked at each decision: by the same assessment as any jar's."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from ..doors.assessment import Assessment, Move, assess
from ..kitchen.vessel import ROOM_WANTED, room_times
from ..model.jar import YEAST
from ..protocol.advised import Advice
from ..signs.contract import Question, Remedy, SignCode, Urgency
from ..verdicts.stage import Stage
from .living import Lived, check_acts, frame_at, live, log_of, nature_of, practice_setup, rises_once_more, when
from .terms import FEEDS, Goal, Handling, Made, Meaning, Situation


class Ending(StrEnum):
    WELL = "well"
    BEHIND = "behind"
    LOST = "lost"
    HUNGRY = "hungry"
    RAN_OVER = "ran_over"
    BINNED_RIGHTLY = "binned_rightly"
    BINNED_ALIVE = "binned_alive"
    SPOILED_KEPT = "spoiled_kept"
    BAKED_WELL = "baked_well"
    BAKED_TOO_SOON = "baked_too_soon"
    RIPE = "ripe"
    NOT_RIPE = "not_ripe"


GOOD = frozenset({Ending.WELL, Ending.BINNED_RIGHTLY, Ending.BAKED_WELL, Ending.RIPE})


class Opinion(StrEnum):
    """What the rules say of a decision: as the jar would have liked it, or not; or they were not sure themselves."""

    LIKED = "liked"
    NOT_LIKED = "not_liked"
    UNSURE = "unsure"


@dataclass(frozen=True, kw_only=True)
class Judged(Made):
    """An act with what the rules said at that hour of a jar with that log, and whether both agree.

    `move` is what they would have done next, `because` the signs that they saw. Of a look: `true_level` is how it
    stood, `means` what it can be said to have meant, `meant_rightly` whether the baker's word is among that (None where
    nothing was said, or nobody could).
    """

    opinion: Opinion
    move: Move
    because: tuple[SignCode, ...]
    do: tuple[Remedy, ...]
    true_level: float
    means: tuple[Meaning, ...]
    meant_rightly: bool | None


@dataclass(frozen=True)
class Told:
    """`share` is how far it rises in the end against the same jar in good hands, where that tells."""

    ending: Ending
    is_good: bool
    share: float | None
    decisions: tuple[Judged, ...]
    lived: Lived


# Fed once more, so much of the rise that it has in good hands is well, and so much is only behind.
WELL_FROM, BEHIND_FROM = 0.6, 0.25
# What rises less is too young to be told by that.
LEAST_RISE = 0.15
# Awake enough for a dough; in parts of a mature density.
BAKES_FROM = 0.3
# At the hour it stands so near its highest, and has risen so much.
NEAR_PEAK, RISEN = 0.85, 0.6


def in_good_hands(situation: Situation, seed: int) -> tuple[Made, ...]:
    """What somebody who knows would do with this very jar: one that is spoiled is binned."""
    if nature_of(situation, seed).spoils:
        return (Made(situation.begins_h + 1.0, Handling.BIN),)
    return situation.well


def in_bad_hands(situation: Situation, seed: int) -> tuple[Made, ...]:
    """One that is spoiled is fed as if nothing were."""
    if nature_of(situation, seed).spoils:
        return (Made(situation.begins_h + 1.0, Handling.FEED), Made(situation.begins_h + 13.0, Handling.FEED))
    return situation.badly


def told(situation: Situation, seed: int, acts: Sequence[Made]) -> Told:
    """Raises Refusal for acts or a seed that cannot be."""
    acts = check_acts(situation, acts)
    lived = live(situation, seed, acts)
    share = _share(situation, seed, lived)
    ending = _ending(situation, lived, acts, share)
    decisions = tuple(_judged(situation, lived, acts, number) for number in range(len(acts)))
    return Told(ending, ending in GOOD, share, decisions, lived)


def came_of(situation: Situation, seed: int, acts: Sequence[Made]) -> Ending:
    """The ending alone. Raises Refusal as `told` does."""
    acts = check_acts(situation, acts)
    lived = live(situation, seed, acts)
    return _ending(situation, lived, acts, _share(situation, seed, lived))


def signs_at(situation: Situation, seed: int, acts: Sequence[Made], at_h: float) -> tuple[SignCode, ...]:
    """What the rules see of it at an hour, before anything else is done. Raises Refusal as `told` does."""
    before = tuple(act for act in check_acts(situation, acts) if act.at_h <= at_h)
    look = Made(at_h, Handling.LOOK)
    found = _found(situation, live(situation, seed, (*before, look)), before, look)
    return tuple(one.sign for one in found.findings)


def _share(situation: Situation, seed: int, lived: Lived) -> float | None:
    """None where it would not rise in good hands either."""
    good = rises_once_more(live(situation, seed, situation.well))
    return rises_once_more(lived) / good if good > LEAST_RISE else None


def _ending(situation: Situation, lived: Lived, acts: Sequence[Made], share: float | None) -> Ending:
    last = acts[-1].what if acts else None
    if lived.nature.spoils:
        return Ending.BINNED_RIGHTLY if last is Handling.BIN else Ending.SPOILED_KEPT
    if last is Handling.BIN:
        return Ending.BINNED_ALIVE
    if last is Handling.BAKE:
        return Ending.BAKED_WELL if lived.end.state[YEAST] >= BAKES_FROM else Ending.BAKED_TOO_SOON
    if lived.ran_over_h is not None:
        return Ending.RAN_OVER
    if situation.goal is Goal.RIPE:
        end = lived.frames[-1]
        ripe = end.level - 1.0 >= max(RISEN, NEAR_PEAK * (end.high - 1.0))
        return Ending.RIPE if ripe else Ending.NOT_RIPE
    if situation.goal is Goal.RISEN:
        fed = any(act.what in FEEDS for act in acts)
        return Ending.RIPE if fed and lived.frames[-1].high - 1.0 >= RISEN else Ending.NOT_RIPE
    if share is not None and share < WELL_FROM:
        return Ending.BEHIND if share >= BEHIND_FROM else Ending.LOST
    return Ending.HUNGRY if _is_hungry(situation, lived, acts) else Ending.WELL


# What rises as it can but shows one of these was left too long.
_LEFT = frozenset({SignCode.HUNGRY_LIQUID, SignCode.STARVING_SMELL, SignCode.UNFED_WARM, SignCode.FORGOTTEN})


def _is_hungry(situation: Situation, lived: Lived, acts: Sequence[Made]) -> bool:
    """Whether its signs say so at the end, to whoever looks then."""
    found = _found(situation, lived, acts, Made(lived.ended_h, Handling.LOOK))
    return any(one.sign in _LEFT for one in found.findings)


# --- what the jar would have liked ---

_ADVISED: Mapping[Handling, frozenset[Advice]] = {
    Handling.FEED: frozenset({Advice.FEED_NOW}),
    Handling.FEED_LARGE: frozenset({Advice.FEED_NOW, Advice.LARGER_FEED}),
    Handling.FEED_THICK: frozenset({Advice.FEED_NOW, Advice.THICKER}),
    Handling.WARMER: frozenset({Advice.WARMER_PLACE}),
    Handling.COOLER: frozenset({Advice.COOLER_PLACE}),
    Handling.OTHER_JAR: frozenset({Advice.CLEAN_JAR}),
}
_REMEDIES: Mapping[Handling, frozenset[Remedy]] = {
    Handling.STIR: frozenset({Remedy.STIR, Remedy.STIR_IN, Remedy.POUR_OFF}),
    Handling.FEED: frozenset({Remedy.FEED_NOW, Remedy.LIFT_OFF}),
    Handling.FEED_LARGE: frozenset({Remedy.FEED_NOW, Remedy.FEED_LARGER}),
    Handling.FEED_THICK: frozenset({Remedy.FEED_NOW, Remedy.LESS_WATER}),
    Handling.WARMER: frozenset({Remedy.MOVE_WARMER}),
    Handling.COOLER: frozenset({Remedy.MOVE_COOLER, Remedy.COOLER_SPOT}),
    Handling.OTHER_JAR: frozenset({Remedy.BIGGER_JAR, Remedy.FRESH_JAR}),
    Handling.TO_COUNTER: frozenset({Remedy.BACK_TO_WARM, Remedy.WAKE_SLOWLY}),
}
_MOVES: Mapping[Handling, frozenset[Move]] = {
    Handling.STIR: frozenset({Move.STIR}),
    Handling.FEED: frozenset({Move.FEED}),
    Handling.FEED_LARGE: frozenset({Move.FEED}),
    Handling.FEED_THICK: frozenset({Move.FEED}),
    Handling.TO_FRIDGE: frozenset({Move.TO_FRIDGE}),
    Handling.TO_COUNTER: frozenset({Move.TO_COUNTER}),
    Handling.BIN: frozenset({Move.BIN}),
}


def _judged(situation: Situation, lived: Lived, acts: Sequence[Made], number: int) -> Judged:
    act = acts[number]
    found = _found(situation, lived, acts[:number], act)
    means = meanings(found)
    return Judged(
        act.at_h,
        act.what,
        act.level,
        act.meaning,
        opinion=_opinion(found, act),
        move=found.next_move.move,
        because=tuple(one.sign for one in found.findings),
        do=tuple(dict.fromkeys(remedy for one in found.findings for remedy in one.do)),
        true_level=frame_at(lived, act.at_h).level,
        means=means,
        meant_rightly=None if act.meaning is None or not means else act.meaning in means,
    )


def _found(situation: Situation, lived: Lived, before: Sequence[Made], act: Made) -> Assessment:
    """By what was known before an act, and what was before the baker's eyes then."""
    known = (*before, replace(act, what=Handling.LOOK))
    return assess(practice_setup(situation), log_of(situation, known, lived), when(act.at_h))


def _opinion(found: Assessment, act: Made) -> Opinion:
    if act.what is Handling.LOOK:
        return Opinion.LIKED
    wants_word = any(one.ask is Question.IS_IT_FUZZY_OR_COLOURED for one in found.findings)
    danger = any(one.urgency is Urgency.DANGER for one in found.findings)
    if danger:
        return Opinion.LIKED if act.what is Handling.BIN else Opinion.NOT_LIKED
    if wants_word and act.what is Handling.BIN:
        return Opinion.UNSURE
    if _agrees(found, act.what):
        return Opinion.LIKED
    if found.stage is not None and found.stage.likely_only and act.what not in (Handling.BIN, Handling.BAKE):
        return Opinion.UNSURE
    return Opinion.NOT_LIKED


def _agrees(found: Assessment, what: Handling) -> bool:
    move = found.next_move
    if what is Handling.WAIT:
        return not move.is_now
    if what is Handling.BAKE:
        return found.stage is not None and found.stage.stage in (Stage.AWAKE, Stage.STEADY)
    if what is Handling.TO_COUNTER and found.stage is not None and found.stage.stage is Stage.RESTING:
        # It is never wrong to wake it; its rest is only not over yet.
        return True
    if what is Handling.OTHER_JAR and _is_tight(found):
        return True
    remedies = {one for finding in found.findings for one in finding.do}
    advised = {one.advice for one in found.counsel}
    if what in FEEDS and Advice.HOLD_OFF in advised:
        return False
    if what in FEEDS and any(_BY_SIGN.get(one.sign) is Meaning.HUNGRY for one in found.findings):
        return True
    return bool(
        (move.is_now and move.move in _MOVES.get(what, frozenset()))
        or remedies & _REMEDIES.get(what, frozenset())
        or advised & _ADVISED.get(what, frozenset())
    )


def _is_tight(found: Assessment) -> bool:
    """Whether what is in the jar may run over."""
    if found.may_run_over or found.room_is_tight:
        return True
    line = found.in_jar.line_mm if found.in_jar else None
    return line is not None and room_times(found.stands.vessel, line) < ROOM_WANTED


# --- what a look means ---

_BY_SIGN: Mapping[SignCode, Meaning] = {
    SignCode.MOULD: Meaning.SPOILED,
    SignCode.SPOILED: Meaning.SPOILED,
    SignCode.FILM: Meaning.FILM,
    SignCode.HUNGRY_LIQUID: Meaning.HUNGRY,
    SignCode.HUNGRY_AGAIN: Meaning.HUNGRY,
    SignCode.STARVING_SMELL: Meaning.HUNGRY,
    SignCode.FORGOTTEN: Meaning.HUNGRY,
    SignCode.UNFED_WARM: Meaning.HUNGRY,
    SignCode.SETTLING_LIQUID: Meaning.SETTLED,
    SignCode.FALSE_DAWN: Meaning.FALSE_DAWN,
    SignCode.OVERFLOW: Meaning.FALSE_DAWN,
    SignCode.QUIET_DAYS: Meaning.HUSH,
    SignCode.SLOW_TO_WAKE: Meaning.HUSH,
    SignCode.NOTHING_YET: Meaning.NOTHING_YET,
    SignCode.COLD_KITCHEN: Meaning.COLD,
    SignCode.RAISED_COLD: Meaning.COLD,
    SignCode.DILUTED: Meaning.THINNED,
    SignCode.LESSENING: Meaning.THINNED,
    SignCode.THRIVING: Meaning.AWAKE,
    SignCode.RESTING_LIQUID: Meaning.RESTING,
    SignCode.RESTED_LONG: Meaning.RESTING,
}
_BY_STAGE: Mapping[Stage, Meaning] = {
    Stage.SOWN: Meaning.NOTHING_YET,
    Stage.FALSE_DAWN: Meaning.FALSE_DAWN,
    Stage.HUSH: Meaning.HUSH,
    Stage.STIRRING: Meaning.WAKING,
    Stage.AWAKE: Meaning.AWAKE,
    Stage.STEADY: Meaning.AWAKE,
    Stage.RESTING: Meaning.RESTING,
}


def meanings(found: Assessment) -> tuple[Meaning, ...]:
    """All that a look can be said to mean by its signs and its stage, the gravest first; one that is spoiled is nothing
    else."""
    signs = [_BY_SIGN[one.sign] for one in found.findings if one.sign in _BY_SIGN]
    if Meaning.SPOILED in signs:
        return (Meaning.SPOILED,)
    stage = [_BY_STAGE[found.stage.stage]] if found.stage and found.stage.stage in _BY_STAGE else []
    hungry = [Meaning.HUNGRY] if found.next_move.move is Move.FEED and found.next_move.is_now and not signs else []
    return tuple(dict.fromkeys([*signs, *stage, *hungry]))
