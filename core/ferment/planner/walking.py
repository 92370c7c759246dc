"""The log followed through a course: every feed matched to a step, and what in it was other than planned."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta

from ..kitchen.hours import HOUR
from ..mixing.feeding import FeedPlan
from ..protocol.advised import Advice, Effect
from ..protocol.amounts import Bench, weigh
from ..protocol.course import SettledPhase
from ..record.ledger import Ledger, Round
from ..record.log import RANK, Bake, BakeFeed, Deed, DeedKind, Feed, Leave, PutBack, Use, UsedFor, Word
from ..record.terms import Terms
from ..refusal import Refusal
from . import baking
from .altering import LaterHours, alter
from .desk import Desk, Done, make_step
from .differing import HALF_DONE_SHARE, differences, food_share
from .doings import doings, main_act
from .standing import (
    AT_THE_START,
    EXTRA_WITHIN,
    Standing,
    Window,
    advised,
    after_turn,
    evidence_of,
    on_sight,
    phase_of,
    poured,
    window,
)
from .steps import Act, Change, ChangeCode, Doing, Step, StepState

ADVICE = frozenset(Advice)


_Event = Round | Deed | Leave | Word | Use | PutBack | Bake | Terms | LaterHours


# What is done to a jar, or added to it, without any step of its plan.
CHANGES_NO_PLAN = frozenset({DeedKind.SPARE_SET_ASIDE, DeedKind.SWEETENED, DeedKind.YEAST_ADDED})


@dataclass
class Walk:
    """The course after everything in the log up to `now`."""

    desk: Desk
    ledger: Ledger
    now: datetime
    standing: Standing = AT_THE_START
    steps: list[Step] = field(default_factory=list)
    changes: list[Change] = field(default_factory=list)

    def __post_init__(self) -> None:
        self.standing = replace(self.standing, celsius=self.desk.warmth_c)
        self._weighed: dict[tuple[str, Bench, Effect], tuple[FeedPlan | None, tuple[Doing, ...]]] = {}
        for event in self._events():
            match event:
                case Round():
                    self._fed(event)
                case Leave():
                    self._left(event)
                case Word():
                    self._advised(event)
                case Deed():
                    self._did(event)
                case Use():
                    self._used(event)
                case PutBack():
                    self._put_back(event)
                case Bake():
                    self._planned_bake(event)
                case LaterHours():
                    self.desk = replace(self.desk, hours=event.hours)
                    self._change(ChangeCode.NEW_HOURS, event.at, None)
                case _:
                    self._altered(event)
        self._look(self.now)
        self._lapse(self.now, keep_due=True)
        self._give_up(self.now)

    def _events(self) -> Iterator[_Event]:
        """All that happened by time; of one minute in the order of the log."""
        told = self.ledger
        marked: list[tuple[datetime, int, _Event]] = [
            *((later.at, 0, later) for later in self.desk.later if later.at <= self.now),
            *((deed.at, RANK[type(deed)], deed) for deed in told.deeds),
            *((word.at, RANK[Word], word) for word in told.words if word.about in ADVICE),
            *((use.at, RANK[Use], use) for use in told.uses),
            *((turn.feed.at, RANK[Feed], turn) for turn in told.rounds),
            *((one.at, RANK[PutBack], one) for one in told.put_back),
            *((one.at, RANK[type(one)], one) for one in told.terms),
            *((one.at, RANK[Bake], one) for one in told.bakes),
        ]
        return (event for _, _, event in sorted(marked, key=lambda one: one[:2]))

    def pass_to_feed(self) -> SettledPhase | None:
        """Pass over what adds nothing: the phase that a feed at `now` belongs to, None beyond the end of the course."""
        if self.bake_feed_now is not None:
            return baking.phase_now(self.standing)
        self._lapse(self.now, keep_due=False)
        return phase_of(self.desk.course, self.standing)

    @property
    def bake_feed_now(self) -> BakeFeed | None:
        """The feed of a planned bake that a feed at `now` would be."""
        return baking.next_feed(self.standing) if baking.belongs(self.standing, self.now) else None

    # --- moving on ---

    def _look(self, at: datetime) -> None:
        """Let what was seen until a moment end the phase that waits for it."""
        before = self.standing
        self.standing = on_sight(self.desk.course, before, evidence_of(self.ledger, before.round, at))

    def window(self, at: datetime) -> Window:
        evidence = evidence_of(self.ledger, self.standing.round, at)
        return window(self.desk.course, self.standing, self.desk.starts_at, evidence, at, self.desk.hours)

    def _lapse(self, at: datetime, *, keep_due: bool) -> None:
        """Steps that add nothing and were not said to be done are passed over, once their time is gone."""
        for _ in range(60):
            phase = phase_of(self.desk.course, self.standing)
            if phase is None or phase.feeds:
                return
            found = self.window(at)
            if keep_due and (phase.moves_to is not None or at <= found.latest):
                return
            passed = min(at, found.due)
            self._note(phase, found, StepState.SKIPPED, passed)
            self.standing = after_turn(self.desk.course, self.standing, passed)
            self._look(at)

    def _note(
        self,
        phase: SettledPhase,
        found: Window,
        state: StepState,
        at: datetime,
        entry_id: str | None = None,
        do: tuple[Doing, ...] = (),
        act: Act | None = None,
    ) -> None:
        off_by = round((at - found.due) / HOUR, 2) if entry_id else None
        done = Done(None, do, entry_id, off_by, act)
        self.steps.append(make_step(self.desk, phase, self.standing, found, len(self.steps) + 1, state, at, done))

    def _change(self, code: ChangeCode, at: datetime, entry_id: str | None, **facts: float | str) -> None:
        self.changes.append(
            Change(code, at, entry_id, {k: round(v, 2) if isinstance(v, float) else v for k, v in facts.items()})
        )

    # --- what was logged ---

    def _fed(self, turn: Round) -> None:
        at, entry_id = turn.feed.at, turn.feed.id
        self._give_up(at)
        if baking.belongs(self.standing, at):
            self._fed_for_bake(turn)
            return
        self._look(at)
        self._lapse(at, keep_due=False)
        self._warm(at)
        phase = phase_of(self.desk.course, self.standing)
        if phase is None:
            # Beyond the end of the course: the jar is the baker's own now.
            self._pour(turn)
            return
        found = self.window(at)
        planned, tasks = self._planned(phase)
        extra = self._is_extra(phase, found, at)
        self._timing(phase, found, at, entry_id, extra=extra)
        if planned:
            self.changes += differences(planned, turn)
        self._note(phase, found, StepState.DONE, at, entry_id, tasks, Act.FEED if extra else None)
        share = food_share(planned, turn)
        before = self.standing
        self._pour(turn)
        if extra:
            moved = replace(self.standing, last=at, start=before.start or at)
        else:
            moved = after_turn(self.desk.course, self.standing, at)
        if share < HALF_DONE_SHARE or moved.cold:
            moved = replace(moved, food_share=share if share < HALF_DONE_SHARE else 1.0, cold=timedelta())
        self.standing = moved

    def _fed_for_bake(self, turn: Round) -> None:
        at, feed = turn.feed.at, baking.next_feed(self.standing)
        assert feed is not None
        phase = baking.phase_now(self.standing) or baking.FEED
        found = baking.bake_window(self.standing, self.desk.hours)
        meant = baking.weigh_for_bake(feed, self.standing.bench, self.desk.step)
        self._timing(phase, found, at, turn.feed.id, extra=False)
        self.changes += differences(meant, turn)
        tasks = doings(phase, meant, self.standing.jar_g)
        self._note(phase, found, StepState.DONE, at, turn.feed.id, tasks)
        self._pour(turn)
        # Out of a cold that the way asked for, or not: what counts from now on is the bake.
        self.standing = replace(baking.fed_for_bake(self.standing, at), cold=timedelta(), cold_since=None)

    def _used(self, use: Use) -> None:
        self._give_up(use.at)
        there = self.standing.jar_g
        self.standing = replace(self.standing, jar_g=max(0.0, there - use.g))
        self._change(ChangeCode.USED, use.at, use.id, g=use.g, used_for=use.used_for)
        bake = self.standing.bake
        if use.used_for is not UsedFor.DOUGH or bake is None or not self._mixes(use, bake):
            return
        found = baking.bake_window(self.standing, self.desk.hours)
        if baking.next_feed(self.standing) is None:
            self._note(baking.USE, found, StepState.DONE, use.at, use.id, baking.used_for(bake), Act.USE)
        self.standing = baking.after_the_bake(
            self.desk.course, replace(self.standing, last=self.standing.last), use.at, self.desk.hours, mixed=True
        )

    def _mixes(self, use: Use, bake: Bake) -> bool:
        """Whether dough made now is the bake that is planned."""
        return use.bake == bake.id or abs(use.at - bake.mixed_at) <= baking.GIVEN_UP

    def _put_back(self, entry: PutBack) -> None:
        self.standing = replace(self.standing, jar_g=self.standing.jar_g + entry.total_g)
        self._change(ChangeCode.PUT_BACK, entry.at, entry.id, g=entry.total_g)

    def _planned_bake(self, bake: Bake) -> None:
        self.standing = baking.planned(self.standing, bake)
        self._change(ChangeCode.BAKE_PLANNED, bake.at, bake.id, g=bake.grams, mixed_at=bake.mixed_at.isoformat())

    def _give_up(self, at: datetime) -> None:
        """Bakes that were not mixed, long after their hour, are over."""
        for _ in range(60):
            bake = self.standing.bake
            if bake is None or at <= bake.mixed_at + baking.GIVEN_UP:
                return
            self._change(ChangeCode.BAKE_MISSED, bake.mixed_at, bake.id, g=bake.grams)
            over = bake.mixed_at + baking.GIVEN_UP
            self.standing = baking.after_the_bake(self.desk.course, self.standing, over, self.desk.hours, mixed=False)

    def _altered(self, entry: Terms) -> None:
        self._look(entry.at)
        altered = alter(self.desk.course, self.standing, self.ledger, entry)
        self.desk = replace(self.desk, course=altered.course)
        self.standing = altered.standing
        self._weighed.clear()
        self._change(altered.code, entry.at, entry.id, **altered.facts)

    def _pour(self, turn: Round) -> None:
        feed = turn.feed
        self.standing = poured(
            self.standing, feed.flour_g, feed.liquid_g, turn.contents.total_g, self.standing.round + 1
        )

    def _planned(self, phase: SettledPhase) -> tuple[FeedPlan | None, tuple[Doing, ...]]:
        """What the method would weigh out now, and its tasks. A steady jar asks for the same again and again."""
        asked = (phase.name, self.standing.bench, self.standing.advised)
        if asked not in self._weighed:
            try:
                bent = self.standing.advised
                planned = weigh(self.desk.course, phase, self.standing.bench, self.desk.step, advised=bent)
                self._weighed[asked] = planned, doings(phase, planned, self.standing.jar_g, bent)
            except Refusal:
                # After what really went in the method's own amounts make no sense; nothing is compared.
                self._weighed[asked] = None, ()
        return self._weighed[asked]

    def _is_extra(self, phase: SettledPhase, found: Window, at: datetime) -> bool:
        last = self.standing.last
        if last is None or found.seen is not None or phase.wait.usual < timedelta(hours=6):
            return False
        return at - last < (found.earliest - last) * EXTRA_WITHIN

    def _left(self, leave: Leave) -> None:
        self.standing = replace(self.standing, left_until=leave.until)
        self._change(
            ChangeCode.LEFT_ALONE,
            leave.at,
            leave.id,
            until=leave.until.isoformat(),
            hours=(leave.until - leave.at) / HOUR,
        )

    def _advised(self, word: Word) -> None:
        self.standing = advised(self.standing, Advice(word.about), word.at, yes=word.yes)
        if word.yes:
            self._change(ChangeCode.ADVICE_TAKEN, word.at, word.id, advice=word.about)

    def _did(self, deed: Deed) -> None:
        if deed.deed in CHANGES_NO_PLAN:
            return
        self._look(deed.at)
        if deed.deed is DeedKind.LET_GO:
            self.standing = replace(self.standing, index=None, bakes=())
            return
        phase = phase_of(self.desk.course, self.standing)
        if phase is None or self.standing.last is None:
            return
        act = main_act(phase, first=False)
        matches = {DeedKind.STIRRED: Act.STIR, DeedKind.TO_FRIDGE: Act.TO_FRIDGE, DeedKind.TO_COUNTER: Act.TO_COUNTER}
        if deed.deed is DeedKind.SKIPPED:
            found = self.window(deed.at)
            self._note(phase, found, StepState.SKIPPED, deed.at, deed.id)
            self._change(ChangeCode.SKIPPED, deed.at, deed.id, stage=phase.name)
            self.standing = after_turn(self.desk.course, self.standing, max(deed.at, min(found.due, self.now)))
        elif matches[deed.deed] is act:
            found = self.window(deed.at)
            self._timing(phase, found, deed.at, deed.id, extra=False)
            done = doings(phase, None, self.standing.jar_g)
            self._note(phase, found, StepState.DONE, deed.at, deed.id, done)
            self.standing = after_turn(self.desk.course, self.standing, deed.at)
        elif deed.deed is DeedKind.TO_FRIDGE:
            self.standing = replace(self.standing, cold_since=deed.at)
        elif deed.deed is DeedKind.TO_COUNTER:
            self._warm(deed.at)

    def _warm(self, at: datetime) -> None:
        """Out of a cold that the method did not ask for: what it took counts little towards the next wait."""
        since = self.standing.cold_since
        if since is None:
            return
        self._change(ChangeCode.IN_THE_COLD, since, None, hours=(at - since) / HOUR)
        self.standing = replace(self.standing, cold=self.standing.cold + (at - since), cold_since=None)

    # --- what was other than planned ---

    def _timing(self, phase: SettledPhase, found: Window, at: datetime, entry_id: str, *, extra: bool) -> None:
        last = self.standing.last
        if last is None:
            return
        if found.seen is not None and found.seen.at < last + phase.wait.usual:
            early = (last + phase.wait.usual - found.seen.at) / HOUR
            self._change(ChangeCode.SIGN_EARLY, found.seen.at, found.seen.look_id, hours=early)
        if extra:
            self._change(ChangeCode.EXTRA_FEED, at, entry_id, hours=(at - last) / HOUR)
        elif at < found.earliest:
            self._change(ChangeCode.EARLY, at, entry_id, hours=(found.due - at) / HOUR)
        elif at > found.latest:
            missed = round((at - last) / phase.wait.usual) - 1 if phase.wait.beat else 0
            if missed > 0:
                self._change(ChangeCode.MISSED, at, entry_id, feeds=float(missed), hours=(at - found.due) / HOUR)
            else:
                self._change(ChangeCode.LATE, at, entry_id, hours=(at - found.due) / HOUR)
