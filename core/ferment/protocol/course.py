"""A method with every choice made: plain numbers, the phases that belong, and what one turn weighs out."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import timedelta
from functools import cached_property

from ..kitchen.flours import Blend
from ..mixing.contents import CULTURE_HYDRATION, Culture, Origin
from ..refusal import Refusal, RefusalCode, within
from .method import (
    Add,
    BlendFrom,
    Days,
    Expect,
    FromOption,
    Method,
    MoveTo,
    Normal,
    Only,
    Otherwise,
    Phase,
    PlainAct,
    PutIn,
    Thing,
    Turns,
    When,
)
from .options import Choices, Chosen, choose
from .sights import Sight

LEAST_SIZE, MOST_SIZE = 0.05, 20.0


@dataclass(frozen=True)
class SettledWait:
    """Hours since the last act; see `method.Wait`."""

    usual: timedelta
    earliest: timedelta
    latest: timedelta
    sight: Sight | None
    otherwise: Otherwise
    more: timedelta
    beat: bool


@dataclass(frozen=True)
class SettledPhase:
    """One phase of a course."""

    name: str
    wait: SettledWait
    do: tuple[PlainAct, ...]
    turns: Turns
    then: str | None

    @cached_property
    def feeds(self) -> bool:
        return any(isinstance(act, Add | PutIn) for act in self.do)

    @cached_property
    def moves_to(self) -> MoveTo | None:
        return next((act for act in self.do if isinstance(act, MoveTo)), None)


@dataclass(frozen=True)
class Course:
    """What choices make of a method, at a size (1 is the method's own amounts)."""

    method: Method
    chosen: Chosen
    size: float
    origin: Origin
    phases: tuple[SettledPhase, ...]
    ready: Days
    has_scale: bool = True

    @property
    def by_hand(self) -> bool:
        """Whether it is measured in spoons, cups and by eye: without a scale, or by a way that asks for none."""
        return not self.has_scale or Thing.SCALE not in self.method.needs

    @property
    def expect(self) -> tuple[Expect, ...]:
        return self.method.expect

    def normal_at(self, hours: float) -> Normal:
        for stretch in self.expect:
            if stretch.until_h is None or hours < stretch.until_h:
                return stretch.normal
        raise AssertionError(f"method {self.method.code} says nothing of hour {hours}")

    def after(self, index: int) -> int | None:
        """The phase that follows a finished one; None at the end of the course."""
        then = self.phases[index].then
        if then is not None:
            return next((place for place, phase in enumerate(self.phases) if phase.name == then), None)
        return index + 1 if index + 1 < len(self.phases) else None

    @cached_property
    def offsets(self) -> tuple[timedelta, ...]:
        """How long after the first mix each phase begins by the clock; what waits for a sign has no such time."""
        told: list[timedelta] = []
        so_far = timedelta()
        for phase in self.phases:
            told.append(so_far)
            if phase.wait.sight is None:
                so_far += phase.wait.usual * max(1, phase.turns.usual)
        return tuple(told)

    @property
    def culture(self) -> Culture:
        """What a culture from outside is taken to be: of the method's own blend, as wet as its origin."""
        add = next(act for phase in self.phases for act in phase.do if isinstance(act, Add))
        return Culture(self.blend_of(add), CULTURE_HYDRATION[self.origin])

    def blend_of(self, add: Add) -> Blend:
        return self.chosen.blends[add.blend.code] if isinstance(add.blend, BlendFrom) else add.blend.parts


def settle(method: Method, choices: Choices, size: float = 1.0, *, has_scale: bool = True) -> Course:
    """The course that choices make of a method. Raises Refusal naming the option that does not fit."""
    chosen = choose(method.options, choices)
    within(size, LEAST_SIZE, MOST_SIZE, "size")
    ready, origin = method.ready, method.origin
    for way in method.ways:
        if chosen.picks.get(way.code) == way.pick:
            ready, origin = way.ready, way.origin or origin
    phases = tuple(_settled(phase, chosen) for phase in method.phases if _belongs(phase.only, chosen))
    if not phases:
        raise Refusal(RefusalCode.METHOD_UNSOUND, "phases", {"breach": "no_phase"})
    return Course(method, chosen, size, origin, phases, ready, has_scale)


def _belongs(only: tuple[Only, ...], chosen: Chosen) -> bool:
    return all(chosen.picks[one.code] in one.picks for one in only)


def _settled(phase: Phase, chosen: Chosen) -> SettledPhase:
    def hours(value: float | FromOption) -> timedelta:
        return timedelta(hours=value if isinstance(value, int | float) else chosen.numbers[value.code] * value.times)

    wait = phase.after
    acts: list[PlainAct] = []
    for act in phase.do:
        if not isinstance(act, When):
            acts.append(act)
        elif chosen.picks[act.code] == act.pick:
            acts.extend(act.do)
    settled = SettledWait(
        hours(wait.usual_h),
        hours(wait.earliest_h),
        hours(wait.latest_h),
        wait.sight,
        wait.otherwise,
        timedelta(hours=wait.more_h),
        wait.beat,
    )
    return SettledPhase(phase.name, settled, tuple(acts), phase.turns, phase.then)
