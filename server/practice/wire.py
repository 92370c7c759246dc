"""What goes over the wire about practice."""

from __future__ import annotations

from typing import Annotated
from uuid import UUID

from pydantic import Field

from accounts.wire import Moment, Request, Told
from ferment.practice.class_table import MOST_RESULTS, Result
from ferment.practice.judging import Ending, Opinion
from ferment.practice.otherwise import Supposed
from ferment.practice.terms import Handling, Made, Meaning, SituationCode
from ferment.record.log import Bubbles, Smell, Thickness, Top
from ferment.signs.contract import Remedy, SignCode


class MadeIn(Request):
    """One act, so many hours after the first mix; with a look the level that was read (× the line) and what it is said
    to mean."""

    at_h: float
    what: Handling
    level: float | None = None
    meaning: Meaning | None = None


class PracticeIn(Request):
    """A jar by its situation and seed, and all that was done with it."""

    situation: SituationCode
    seed: int
    acts: list[MadeIn]


class FrameOut(Told):
    """The jar at an hour: level and highest since the feed (× the line), and what is seen and smelt of it."""

    at_h: float
    level: float
    high: float
    fallen: bool
    bubbles: Bubbles
    top: list[Top]
    smell: list[Smell]
    thickness: Thickness | None
    celsius: float
    line_mm: float
    volume_ml: float
    height_mm: float


class LivedOut(Told):
    """How it goes if nothing more is done: every half hour until it ends; `flours` are what is in it, `offered` what
    can be done with it."""

    begins_h: float
    ends_h: float
    ended_h: float
    ran_over_h: float | None
    flours: dict[str, float]
    fed_h: list[float]
    offered: list[Handling]
    frames: list[FrameOut]


class HintIn(PracticeIn):
    """The hour at which somebody would know what the rules see."""

    at_h: float


class HintOut(Told):
    because: list[SignCode]


class JudgedOut(Told):
    """One act, and what the rules would have done at that hour; of a look, the true level and what it can be said to
    have meant."""

    at_h: float
    what: Handling
    level: float | None
    meaning: Meaning | None
    opinion: Opinion
    move: str
    because: list[SignCode]
    do: list[Remedy]
    true_level: float
    means: list[Meaning]
    meant_rightly: bool | None


class PracticeTold(Told):
    """What came of it; `share` is how far it rises in the end against the same jar in good hands, where that tells."""

    ending: Ending
    is_good: bool
    share: float | None
    decisions: list[JudgedOut]


class SupposedIn(Request):
    """That one entry of a jar's log had been otherwise."""

    entry: UUID
    supposed: Supposed


class LevelThenOut(Told):
    at: Moment
    level: float


class HadItBeenOut(Told):
    """Two simulated lines from a little before the decision on: of what was, and of what might have been; and how far
    each would rise in the end, fed once more (× the line, less one)."""

    changed_at: Moment
    was: list[LevelThenOut]
    might: list[LevelThenOut]
    fed_was: list[Moment]
    fed_might: list[Moment]
    once_more_was: float
    once_more_might: float


class ResultIn(PracticeIn):
    """What one of a class did."""

    name: Annotated[str, Field(max_length=80)]


class ClassIn(Request):
    results: Annotated[list[ResultIn], Field(min_length=1, max_length=MOST_RESULTS)]


def asked_of(asked: PracticeIn) -> Result:
    acts = tuple(Made(one.at_h, one.what, one.level, one.meaning) for one in asked.acts)
    return Result(asked.name if isinstance(asked, ResultIn) else "", asked.situation, asked.seed, acts)
