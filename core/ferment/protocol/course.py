"""A method with every choice made: plain numbers, the phases that belong, and what one turn weighs out."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from datetime import timedelta
from functools import cached_property
from typing import Any

from ..kitchen.flours import Blend, g_per_ml
from ..kitchen.quantities import Unit, grams, on_scale, to_grams
from ..kitchen.vessel import PASTE_G_PER_ML
from ..mixing.contents import CULTURE_HYDRATION, Culture, Origin
from ..mixing.feeding import FeedPlan, Ingredient, Measured, known_step, weighed
from ..refusal import Refusal, RefusalCode, within
from .advised import NO_EFFECT, Effect, with_whole_flour
from .method import (
    Add,
    Amount,
    AsBefore,
    AsStart,
    BlendFrom,
    Days,
    Expect,
    FromOption,
    Keep,
    KeepAll,
    Measure,
    Method,
    MoveTo,
    Normal,
    OfFlour,
    OfJar,
    OfKept,
    Only,
    Otherwise,
    Phase,
    PlainAct,
    PutIn,
    TakeOut,
    Turns,
    UpTo,
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

    @property
    def culture(self) -> Culture:
        """What a culture from outside is taken to be: of the method's own blend, as wet as its origin."""
        add = next(act for phase in self.phases for act in phase.do if isinstance(act, Add))
        return Culture(self.blend_of(add), CULTURE_HYDRATION[self.origin])

    def blend_of(self, add: Add) -> Blend:
        return self.chosen.blends[add.blend.code] if isinstance(add.blend, BlendFrom) else add.blend.parts


def settle(method: Method, choices: Choices, size: float = 1.0) -> Course:
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
    return Course(method, chosen, size, origin, phases, ready)


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


# --- amounts ---


@dataclass(frozen=True)
class Poured:
    """Flour and liquid of a feed, in grams."""

    flour_g: float
    liquid_g: float


@dataclass(frozen=True)
class Bench:
    """What amounts are reckoned from: the jar now, what is kept, the first mix and the last feed. Grams."""

    jar_g: float
    start: Poured | None
    before: Poured | None
    kept_g: float = 0.0
    flour_g: float = 0.0


NOTHING = Poured(0.0, 0.0)
Found = tuple[float, Measured | None]


def _measure(amount: Measure, _: Bench, what: Ingredient, course: Course, blend: Blend) -> Found:
    heavy = {Ingredient.FLOUR: lambda: g_per_ml(blend), Ingredient.SEED: lambda: PASTE_G_PER_ML}
    value = amount.value * course.size
    told = None if amount.unit is Unit.GRAM else Measured(what, round(value, 4), amount.unit)
    return to_grams(value, amount.unit, heavy.get(what, lambda: 1.0)()), told


def _from_option(amount: FromOption, _bench: Bench, _what: Ingredient, course: Course, _blend: Blend) -> Found:
    return course.chosen.numbers[amount.code] * amount.times * course.size, None


def _of_kept(amount: OfKept, bench: Bench, _what: Ingredient, course: Course, _blend: Blend) -> Found:
    return bench.kept_g * plain(amount.times, course), None


def _of_jar(amount: OfJar, bench: Bench, *_: Any) -> Found:
    return bench.jar_g * amount.share, None


def _poured(poured: Poured | None, what: Ingredient) -> float:
    made = poured or NOTHING
    return made.flour_g if what is Ingredient.FLOUR else made.liquid_g


def _as_start(amount: AsStart, bench: Bench, what: Ingredient, *_: Any) -> Found:
    return _poured(bench.start, what) * amount.times, None


def _as_before(amount: AsBefore, bench: Bench, what: Ingredient, *_: Any) -> Found:
    return _poured(bench.before, what) * amount.times, None


def _of_flour(amount: OfFlour, bench: Bench, _what: Ingredient, course: Course, _blend: Blend) -> Found:
    return bench.flour_g * plain(amount.percent, course) / 100.0, None


def _up_to(amount: UpTo, bench: Bench, what: Ingredient, course: Course, blend: Blend) -> Found:
    whole = sum(_amount(part, bench, what, course, blend)[0] for part in amount.total)
    return max(0.0, whole - bench.kept_g - bench.flour_g), None


_RECKON: Mapping[type, Callable[..., Found]] = {
    Measure: _measure,
    FromOption: _from_option,
    OfKept: _of_kept,
    OfJar: _of_jar,
    AsStart: _as_start,
    AsBefore: _as_before,
    OfFlour: _of_flour,
    UpTo: _up_to,
}


def _amount(amount: Amount, bench: Bench, what: Ingredient, course: Course, blend: Blend) -> Found:
    return _RECKON[type(amount)](amount, bench, what, course, blend)


def plain(value: float | FromOption, course: Course) -> float:
    """A percentage or a count, chosen or fixed."""
    return value if isinstance(value, int | float) else course.chosen.numbers[value.code] * value.times


# --- a turn on the scale ---


def weigh(
    course: Course,
    phase: SettledPhase,
    bench: Bench,
    step: float,
    keep_g: float | None = None,
    advised: Effect = NO_EFFECT,
) -> FeedPlan | None:
    """What one turn of a phase weighs out; None when it adds nothing.

    `keep_g` is what was really kept, when that is known already; then what is reckoned from it follows. Advice that was
    taken bends it. Raises Refusal for amounts that no kitchen means.
    """
    known_step(step)
    if not phase.feeds:
        return None
    add = next((act for act in phase.do if isinstance(act, Add)), None)
    blend = with_whole_flour(course.blend_of(add), advised.whole) if add else ()
    told: list[Measured] = []

    def found(amount: Amount, what: Ingredient, on: Bench) -> float:
        g, measured = _amount(amount, on, what, course, blend)
        if measured:
            told.append(measured)
        return g

    kept = _kept(course, phase, bench, found)
    planned = on_scale(kept, step) if kept != bench.jar_g else round(kept, 6)
    bent = _bent(planned, bench.jar_g, step, advised)
    keep = bent if keep_g is None else grams(keep_g, "keep_g")
    put_in = sum(found(act.amount, Ingredient.SEED, bench) for act in phase.do if isinstance(act, PutIn))
    # What follows is reckoned from what the scale shows, so that the ratio holds on it; by advice the seed is other
    # than the method's for the same flour.
    on = replace(bench, kept_g=(planned if keep == bent else keep / _seed_share(advised)) + put_in)
    flour, water, juice, hold = 0.0, 0.0, 0.0, 0.0
    salt_percent = 0.0
    if add:
        flour = _flour(add, on, course, found)
        liquid = found(add.liquid, Ingredient.WATER, replace(on, flour_g=flour)) if add.liquid else 0.0
        liquid *= advised.wet
        juice = liquid * plain(add.juice_percent, course) / 100.0
        water = liquid - juice
        hold = water * add.hold_back_percent / 100.0
        salt_percent = plain(add.salt_percent, course)
    plan = weighed(
        round(keep + on_scale(put_in, min(step, 1.0)), 6),
        flour,
        water,
        blend,
        juice=juice,
        salt_percent=salt_percent,
        step=step,
    )
    if juice and not water:
        told = [replace(one, what=Ingredient.JUICE) if one.what is Ingredient.WATER else one for one in told]
    if advised != NO_EFFECT:
        # Spoons are the method's own amounts; beside bent ones they would be wrong.
        told = []
    if add and plan.flour_g + plan.liquid_g <= 0:
        raise Refusal(RefusalCode.NOTHING_ADDED, phase.name, {"least": step})
    if hold or told:
        return replace(plan, hold_back_g=on_scale(hold, step), measured=tuple(told))
    return plan


def _seed_share(advised: Effect) -> float:
    return 1.0 if advised.keeps_all else advised.seed


def _bent(planned_g: float, jar_g: float, step: float, advised: Effect) -> float:
    """What is kept when advice asks for more or less of it, or for all."""
    if advised.keeps_all:
        return round(jar_g, 6)
    if advised.seed == 1.0 or not planned_g:
        return planned_g
    return max(step, on_scale(min(jar_g, planned_g * advised.seed), step))


def _flour(add: Add, on: Bench, course: Course, found: Callable[[Amount, Ingredient, Bench], float]) -> float:
    if add.flour is None:
        return 0.0
    flour = found(add.flour, Ingredient.FLOUR, on)
    if isinstance(add.flour, UpTo) and isinstance(add.liquid, OfFlour):
        # The total holds flour and its liquid.
        return flour / (1.0 + plain(add.liquid.percent, course) / 100.0)
    return flour


def _kept(
    course: Course, phase: SettledPhase, bench: Bench, found: Callable[[Amount, Ingredient, Bench], float]
) -> float:
    for act in phase.do:
        match act:
            case KeepAll():
                return bench.jar_g
            case Keep():
                g = found(act.amount, Ingredient.SEED, bench)
                least = _amount(act.least, bench, Ingredient.SEED, course, ())[0] if act.least else 0.0
                most = _amount(act.most, bench, Ingredient.SEED, course, ())[0] if act.most else g
                return min(bench.jar_g, max(least, min(g, most)))
            case TakeOut():
                left = bench.jar_g - found(act.amount, Ingredient.SEED, bench)
                least = _amount(act.leave_least, bench, Ingredient.SEED, course, ())[0] if act.leave_least else 0.0
                return min(bench.jar_g, max(least, left))
    return bench.jar_g
