"""Advice: what an experienced baker would change in the plan, why, and what the plan would then be.

Each piece of advice comes from a remedy of a sign, by one table, and only where it changes something and does no harm:
a jar that is not awake is never fed more, none is fed before it peaks, and one that is hungry is never held off. Advice
about the very next feed is followed by the next move unless it is refused; what bends several feeds waits to be taken.
A refusal is remembered.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

from ..kitchen.vessel import most_grams
from ..mixing.feeding import FeedPlan
from ..planner import Plan, Step, StepState
from ..protocol.advised import EFFECTS, Advice
from ..protocol.course import Course
from ..record.ledger import Ledger
from ..record.log import DeedKind, UsedFor, Word
from ..setups import Setup, plan_of
from ..signs.contract import Remedy, SignCode, Urgency
from .judgement import Judgement
from .stage import Stage

# How long a no is remembered, and how much of it is offered at once.
REMEMBERED = timedelta(days=4)
MOST = 3
# A feed within this is near enough to be held off.
NEAR = timedelta(hours=8)
# Oftener than this no starter is fed.
OFTENEST = timedelta(hours=8)
MOVED = timedelta(minutes=30)

FROM_REMEDY: Mapping[Remedy, Advice] = {
    Remedy.FEED_NOW: Advice.FEED_NOW,
    Remedy.WAIT: Advice.HOLD_OFF,
    Remedy.FEED_SOONER: Advice.MORE_OFTEN,
    Remedy.FEED_LESS_OFTEN: Advice.LESS_OFTEN,
    Remedy.FEED_LARGER: Advice.LARGER_FEED,
    Remedy.SMALLER_RATIO: Advice.SMALLER_FEED,
    Remedy.ADD_WHOLE_FLOUR: Advice.WHOLE_FLOUR,
    Remedy.LESS_WATER: Advice.THICKER,
    Remedy.FRESH_JAR: Advice.CLEAN_JAR,
    Remedy.SKIP_DISCARD: Advice.SKIP_DISCARD,
    Remedy.MOVE_WARMER: Advice.WARMER_PLACE,
    Remedy.MOVE_COOLER: Advice.COOLER_PLACE,
}
AT_ONCE = frozenset({Advice.FEED_NOW, Advice.HOLD_OFF})
BY_HAND = frozenset(advice for advice, effect in EFFECTS.items() if effect.feeds == 0)


class Answer(StrEnum):
    """Offered, or followed by the next move until it is refused; taken; refused."""

    OFFERED = "offered"
    FOLLOWED = "followed"
    TAKEN = "taken"
    REFUSED = "refused"


@dataclass(frozen=True)
class Counsel:
    """One piece of advice. `because` is the sign it comes from; None where it is that the jar is ready, or a sign that
    has gone. `feeds` is for how many feeds (yet). `due` and `plan` are the next feed with it."""

    advice: Advice
    because: SignCode | None
    answer: Answer
    word_id: str | None
    feeds: int
    due: datetime | None
    plan: FeedPlan | None


@dataclass(frozen=True)
class _Table:
    setup: Setup
    course: Course
    ledger: Ledger
    made: Plan
    judged: Judgement
    now: datetime

    @property
    def next_feed(self) -> Step | None:
        return next((step for step in self.made.ahead if step.plan), None)

    def plan_with(self, advice: Advice) -> Plan:
        word = Word("", self.now, advice, yes=True)
        return plan_of(self.setup, self.course, replace(self.ledger, words=(*self.ledger.words, word)), self.now)


def _fits(table: _Table) -> bool:
    step = table.next_feed
    return step is not None and table.ledger.contents.total_g + _added(step) <= most_grams(table.ledger.vessel) / 1.5


def _added(step: Step) -> float:
    return step.plan.total_g - step.plan.keep_g if step.plan else 0.0


def _may_wait(table: _Table) -> bool:
    step = table.next_feed
    if step is None or table.judged.woke or step.waits_for or len(table.ledger.rounds) > 3:
        return False
    return step.state is not StepState.LATE and step.due <= table.now + NEAR


def _rhythm(table: _Table) -> timedelta | None:
    """From the last feed to the next."""
    step = table.next_feed
    return step.due - table.ledger.rounds[-1].feed.at if step else None


def _may_be_fed(table: _Table) -> bool:
    step = table.next_feed
    if step is None or step.state in (StepState.DUE, StepState.LATE):
        return False
    since = table.now - table.ledger.rounds[-1].feed.at
    return table.judged.woke and since >= timedelta(hours=4)


def _is_awake(table: _Table) -> bool:
    stage = table.judged.stage
    return table.judged.woke and stage is not None and stage.stage in AWAKE


# Fed more, or oftener, is only who is awake by now; and never both at once.
AWAKE = frozenset({Stage.AWAKE, Stage.STEADY})
EITHER = frozenset({Advice.MORE_OFTEN, Advice.LARGER_FEED})
# Nobody feeds before the peak: a new interval is longer than that by so much.
PAST_PEAK = 1.2


def _has_time_for_more(table: _Table) -> bool:
    every = _rhythm(table) or OFTENEST
    peak = timedelta(hours=table.judged.peak_h or 0.0)
    return every > 1.5 * OFTENEST and every * EFFECTS[Advice.MORE_OFTEN].every >= PAST_PEAK * peak


# What must hold beside the sign.
_MAY: Mapping[Advice, Callable[[_Table], bool]] = {
    Advice.FEED_NOW: _may_be_fed,
    Advice.HOLD_OFF: _may_wait,
    Advice.MORE_OFTEN: lambda it: _is_awake(it) and _has_time_for_more(it),
    Advice.LESS_OFTEN: lambda it: not it.judged.woke and (_rhythm(it) or timedelta()) < timedelta(hours=20),
    Advice.LARGER_FEED: lambda it: _is_awake(it),
    Advice.SMALLER_FEED: lambda _: True,
    Advice.WHOLE_FLOUR: lambda _: True,
    Advice.THICKER: lambda _: True,
    Advice.CLEAN_JAR: lambda _: True,
    Advice.SKIP_DISCARD: lambda it: not it.judged.woke and _fits(it),
    Advice.WARMER_PLACE: lambda _: True,
    Advice.COOLER_PLACE: lambda _: True,
    Advice.SET_SPARE: lambda _: True,
}


def counsel(setup: Setup, course: Course, ledger: Ledger, made: Plan, judged: Judgement, now: datetime) -> Advised:
    """All advice that stands for a jar now, and the plan by what of it is followed."""
    if not ledger.rounds or ledger.binned or any(one.urgency is Urgency.DANGER for one in judged.findings):
        return Advised((), made)
    table = _Table(setup, course, ledger, made, judged, now)
    taken = {one.advice: one for one in made.taken}
    told: list[Counsel] = []
    plan = made
    for advice, because in _from_signs(table):
        if advice in taken or any(one.advice is advice for one in told):
            continue
        word = ledger.word(advice)
        if word is not None and now - word.at < REMEMBERED:
            if not word.yes:
                told.append(Counsel(advice, because, Answer.REFUSED, word.id, 0, None, None))
            continue
        if not _MAY[advice](table) or not _has_room_for(advice, told):
            continue
        one, with_it = _offer(table, advice, because)
        if one is not None:
            told.append(one)
            if one.answer is Answer.FOLLOWED and plan is made:
                plan = with_it
    reasons = dict(_from_signs(table))
    for held in made.taken:
        word = ledger.word(held.advice)
        told.append(
            Counsel(
                held.advice, reasons.get(held.advice), Answer.TAKEN, word.id if word else None, held.feeds, None, None
            )
        )
    return Advised(tuple(told), plan)


def _has_room_for(advice: Advice, told: Sequence[Counsel]) -> bool:
    open_still = [one.advice for one in told if one.answer is not Answer.REFUSED]
    return len(open_still) < MOST and not (advice in EITHER and EITHER & set(open_still))


@dataclass(frozen=True)
class Advised:
    """The advice, and the plan by what of it is followed."""

    counsel: tuple[Counsel, ...]
    plan: Plan


def _from_signs(table: _Table) -> Iterator[tuple[Advice, SignCode | None]]:
    for finding in table.judged.findings:
        for remedy in finding.do:
            if remedy in FROM_REMEDY:
                yield FROM_REMEDY[remedy], finding.sign
    ready = table.judged.readiness
    spare = any(getattr(one, "deed", None) is DeedKind.SPARE_SET_ASIDE for one in table.ledger.deeds) or any(
        use.used_for is UsedFor.SPARE for use in table.ledger.uses
    )
    if ready is not None and ready.ready and not spare:
        yield Advice.SET_SPARE, None


def _offer(table: _Table, advice: Advice, because: SignCode | None) -> tuple[Counsel | None, Plan]:
    """None where it would change nothing."""
    if advice in BY_HAND:
        return Counsel(advice, because, Answer.OFFERED, None, 0, None, None), table.made
    before, with_it = table.next_feed, table.plan_with(advice)
    after = next((step for step in with_it.ahead if step.plan), None)
    if before is None or after is None:
        return None, table.made
    if abs(after.due - before.due) < MOVED and after.plan == before.plan and after.do == before.do:
        return None, table.made
    answer = Answer.FOLLOWED if advice in AT_ONCE else Answer.OFFERED
    return Counsel(advice, because, answer, None, EFFECTS[advice].feeds, after.due, after.plan), with_it
