"""What goes over the wire about how a jar is judged: findings, ready or not, the stage, advice."""

from __future__ import annotations

from datetime import datetime

from accounts.wire import Told
from ferment.protocol.advised import Advice
from ferment.ready_rule import Strictness
from ferment.signs.contract import Caution, Question, Remedy, SignCode, Urgency
from ferment.verdicts.counsel import Answer
from ferment.verdicts.readiness import StepCode
from ferment.verdicts.stage import Settles, Stage

from .mixing import FeedPlan


class Finding(Told):
    """A sign that holds: what to do, what not to do, how sure, the one question that would settle it, and the look."""

    sign: SignCode
    urgency: Urgency
    sure: float
    do: tuple[Remedy, ...]
    dont: tuple[Caution, ...]
    ask: Question | None
    look_id: str | None
    seen_at: datetime


class ReadyStep(Told):
    """A step of the rule; `met` is None where nothing was seen that says. `have` of `of` where it counts."""

    step: StepCode
    met: bool | None
    have: int
    of: int


class Attempt(Told):
    """One feed judged by its looks: whether it was watched, how high it went, and how likely it doubled in time.

    Hours are as they passed; `limit_h` are the hours of the rule in the warmth of that feed. `by_yeast` is false while
    early bacteria explain a rise. `doubles_at` is the level that counts as doubled for its flour and thickness.
    `doubled_h` is when it likely doubled; `doubled_by_h` when the first look saw it so, which no later day changes.
    `failed` says that somebody looked when it should have been high and it was not.
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
    failed: bool


class RowWanted(Told):
    """How many good feeds in a row a baker asks for who is so strict."""

    strictness: Strictness
    feeds: int


class RuleTold(Told):
    """The numbers of the rule that a baker is told: hours, at °C, and the feeds in a row to choose from."""

    within_h: float
    at_c: float
    rows: tuple[RowWanted, ...]


class Readiness(Told):
    """The verdict with its evidence: the steps, and the feeds they rest on (the latest last).

    `by_rule` is what the steps say; `word`, yes or no, is what the baker said instead, and goes before it.
    `looks_ready_but` is true after a rise that looks like it and is not a habit yet. `feeds_to_go` is how many good
    feeds are missing at least, `earliest` when they can be there. `failed` is how many feeds in a row failed of late;
    `rises_no_more` says that they are enough to take back what the jar had shown. `floats` is the last float test: it
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
    failed: int
    rises_no_more: bool
    rule: RuleTold


class StageFound(Told):
    """The stage, how sure from 0 to 1, and what would settle it and when.

    It is told as likely where `likely_only`, and asks for what would settle it where it `asks`. Before a stage that
    `shows_yeast` nobody asks whether it is ready.
    """

    stage: Stage
    sure: float
    settles: Settles | None
    settles_at: datetime | None
    likely_only: bool
    asks: bool
    shows_yeast: bool


class Counsel(Told):
    """One piece of advice. `because` is the sign it comes from; None where it is that the jar is ready, or a sign that
    has gone. `feeds` is for how many feeds (yet). `due` and `plan` are the next feed with it."""

    advice: Advice
    because: SignCode | None
    answer: Answer
    word_id: str | None
    feeds: int
    due: datetime | None
    plan: FeedPlan | None
