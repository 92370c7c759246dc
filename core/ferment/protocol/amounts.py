"""What one turn of a phase weighs out: amounts reckoned from the jar, the first mix, the last feed and what is kept."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from ..kitchen.flours import Blend, g_per_ml
from ..kitchen.quantities import Unit, grams, on_scale, to_grams
from ..kitchen.vessel import PASTE_G_PER_ML
from ..mixing.by_hand import by_eye
from ..mixing.feeding import FeedPlan, Ingredient, Measured, known_step, weighed
from ..refusal import Refusal, RefusalCode
from .advised import NO_EFFECT, Effect, with_whole_flour
from .course import Course, SettledPhase
from .method import (
    Add,
    Amount,
    AsBefore,
    AsStart,
    FromOption,
    Keep,
    KeepAll,
    Measure,
    OfFlour,
    OfJar,
    OfKept,
    PutIn,
    TakeOut,
    UpTo,
)


@dataclass(frozen=True)
class Poured:
    """Flour and liquid of a feed, in grams."""

    flour_g: float
    liquid_g: float


@dataclass(frozen=True)
class Own:
    """What the baker has decided since, before what the way says: the seed in g, flour to seed, liquid to flour in per
    cent, and the flour; of several blends that of feed number `turn` counted from the decision."""

    seed_g: float | None = None
    flour_parts: float | None = None
    hydration_percent: float | None = None
    blends: tuple[Blend, ...] = ()
    turn: int = 0

    @property
    def blend(self) -> Blend | None:
        return self.blends[self.turn % len(self.blends)] if self.blends else None


AS_THE_WAY_SAYS = Own()


@dataclass(frozen=True)
class Bench:
    """What amounts are reckoned from: the jar now, what is kept, the first mix and the last feed, in grams; and what
    the baker has decided since."""

    jar_g: float
    start: Poured | None
    before: Poured | None
    kept_g: float = 0.0
    flour_g: float = 0.0
    own: Own = AS_THE_WAY_SAYS


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


@dataclass
class _Turn:
    """One turn while it is reckoned: what it is reckoned with, and the amounts that were said in spoons so far."""

    course: Course
    phase: SettledPhase
    bench: Bench
    blend: Blend
    told: list[Measured] = field(default_factory=list)

    def found(self, amount: Amount, what: Ingredient, on: Bench) -> float:
        """An amount in grams, its spoons noted."""
        g, measured = _amount(amount, on, what, self.course, self.blend)
        if measured:
            self.told.append(measured)
        return g


@dataclass(frozen=True)
class _Meal:
    """Flour and liquids of a turn in grams, before the scale rounds them; salt in per cent of the flour."""

    flour_g: float = 0.0
    water_g: float = 0.0
    juice_g: float = 0.0
    hold_g: float = 0.0
    salt_percent: float = 0.0


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
    taken bends it. Raises Refusal (nothing_added, out_of_range, not_a_choice) for amounts that no kitchen means.
    """
    known_step(step)
    if not phase.feeds:
        return None
    add = next((act for act in phase.do if isinstance(act, Add)), None)
    blend = with_whole_flour(_blend_of(course, add, bench), advised.whole) if add else ()
    turn = _Turn(course, phase, bench, blend)
    planned, keep = _seed(turn, step, keep_g, advised)
    put_in = sum(turn.found(act.amount, Ingredient.SEED, bench) for act in phase.do if isinstance(act, PutIn))
    # What follows is reckoned from what the scale shows, so that the ratio holds on it; by advice the seed is other
    # than the method's for the same flour.
    on = replace(bench, kept_g=planned + put_in)
    meal = _meal(turn, add, on, advised) if add else _Meal()
    plan = weighed(
        round(keep + on_scale(put_in, min(step, 1.0)), 6),
        meal.flour_g,
        meal.water_g,
        blend,
        juice=meal.juice_g,
        salt_percent=meal.salt_percent,
        step=step,
    )
    if add and plan.flour_g + plan.liquid_g <= 0:
        raise Refusal(RefusalCode.NOTHING_ADDED, phase.name, {"least": step})
    held = replace(plan, hold_back_g=on_scale(meal.hold_g, step), measured=_in_spoons(turn, meal, advised))
    return as_measured(held, course, bench)


def as_measured(plan: FeedPlan, course: Course, bench: Bench) -> FeedPlan:
    """The plan as this jar is measured: where that is by hand, small amounts need not be mixed ahead, and what is kept
    may be a part by eye."""
    if not course.by_hand:
        return plan
    part = by_eye(plan.keep_g, bench.jar_g) if bench.start else None
    return replace(plan, is_by_hand=True, keep_part=part, mix_ahead=())


# What a method cannot weigh out is fed as any starter is (common practice): this much of it, in equal parts.
ANY_SEED_G = 50.0


def weigh_on_the_way(
    course: Course,
    phase: SettledPhase,
    bench: Bench,
    step: float,
    keep_g: float | None = None,
    advised: Effect = NO_EFFECT,
) -> FeedPlan | None:
    """`weigh` for a jar that is under way, which always has a next feed.

    After what a baker really did the method's own amounts may come to nothing on the scale, or to more than any kitchen
    has. Then all of the jar is kept, up to 50 g, and fed in equal parts, at least what the scale shows. Raises Refusal
    only for a `keep_g` that is no amount.
    """
    try:
        found = weigh(course, phase, bench, step, keep_g, advised)
        if found is None or found.keep_g > 0 or keep_g is not None:
            return found
    except Refusal:
        pass
    add = next((act for act in phase.do if isinstance(act, Add)), None)
    blend = _blend_of(course, add, bench) if add and add.flour is not None else bench.own.blend or course.culture.blend
    return as_measured(as_any_starter(bench.jar_g, blend, step, keep_g), course, bench)


def _blend_of(course: Course, add: Add, bench: Bench) -> Blend:
    return bench.own.blend or course.blend_of(add)


def as_any_starter(jar_g: float, blend: Blend, step: float, keep_g: float | None = None) -> FeedPlan:
    """All of a jar kept, up to 50 g, or what was really kept of it; and fed in equal parts."""
    keep = min(round(jar_g, 6), ANY_SEED_G) if keep_g is None else grams(keep_g, "keep_g")
    meal = max(step, min(keep, ANY_SEED_G))
    return weighed(keep, meal, meal, blend, step=step)


def _seed(turn: _Turn, step: float, keep_g: float | None, advised: Effect) -> tuple[float, float]:
    """The seed that the meal is reckoned from, and the one that is kept, in g."""
    kept = _kept(turn)
    planned = on_scale(kept, step) if kept != turn.bench.jar_g else round(kept, 6)
    bent = _bent(planned, turn.bench.jar_g, step, advised)
    keep = bent if keep_g is None else grams(keep_g, "keep_g")
    return (planned if keep == bent else keep / _seed_share(advised)), keep


def _meal(turn: _Turn, add: Add, on: Bench, advised: Effect) -> _Meal:
    flour = _flour(turn, add, on)
    liquid = turn.found(add.liquid, Ingredient.WATER, replace(on, flour_g=flour)) if add.liquid else 0.0
    wet = on.own.hydration_percent
    if wet is not None and flour and liquid:
        liquid = flour * wet / 100.0
    liquid *= advised.wet
    juice = liquid * plain(add.juice_percent, turn.course) / 100.0
    water = liquid - juice
    return _Meal(flour, water, juice, water * add.hold_back_percent / 100.0, plain(add.salt_percent, turn.course))


def _in_spoons(turn: _Turn, meal: _Meal, advised: Effect) -> tuple[Measured, ...]:
    """The method's own spoons; beside amounts that advice or the baker has bent they would be wrong."""
    if advised != NO_EFFECT or replace(turn.bench.own, blends=(), turn=0) != AS_THE_WAY_SAYS:
        return ()
    if meal.juice_g and not meal.water_g:
        return tuple(
            replace(said, what=Ingredient.JUICE) if said.what is Ingredient.WATER else said for said in turn.told
        )
    return tuple(turn.told)


def _seed_share(advised: Effect) -> float:
    return 1.0 if advised.keeps_all else advised.seed


def _bent(planned_g: float, jar_g: float, step: float, advised: Effect) -> float:
    """What is kept when advice asks for more or less of it, or for all."""
    if advised.keeps_all:
        return round(jar_g, 6)
    if advised.seed == 1.0 or not planned_g:
        return planned_g
    return max(step, on_scale(min(jar_g, planned_g * advised.seed), step))


def _flour(turn: _Turn, add: Add, on: Bench) -> float:
    if add.flour is None:
        return 0.0
    own = on.own
    if own.flour_parts is not None and on.kept_g and any(isinstance(act, Keep | TakeOut) for act in turn.phase.do):
        return on.kept_g * own.flour_parts
    flour = turn.found(add.flour, Ingredient.FLOUR, on)
    if isinstance(add.flour, UpTo) and isinstance(add.liquid, OfFlour):
        # The total holds flour and its liquid.
        wet = plain(add.liquid.percent, turn.course) if own.hydration_percent is None else own.hydration_percent
        return flour / (1.0 + wet / 100.0)
    return flour


def _kept(turn: _Turn) -> float:
    bench = turn.bench
    for act in turn.phase.do:
        match act:
            case KeepAll():
                return bench.jar_g
            case Keep() | TakeOut() if bench.own.seed_g is not None:
                return min(bench.jar_g, bench.own.seed_g)
            case Keep():
                g = turn.found(act.amount, Ingredient.SEED, bench)
                least = _amount(act.least, bench, Ingredient.SEED, turn.course, ())[0] if act.least else 0.0
                most = _amount(act.most, bench, Ingredient.SEED, turn.course, ())[0] if act.most else g
                return min(bench.jar_g, max(least, min(g, most)))
            case TakeOut():
                left = bench.jar_g - turn.found(act.amount, Ingredient.SEED, bench)
                least = _amount(act.leave_least, bench, Ingredient.SEED, turn.course, ())[0] if act.leave_least else 0.0
                return min(bench.jar_g, max(least, left))
    return bench.jar_g
