"""A turn's acts as tasks in order, with the grams of its plan; and what it waits for, as codes."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Any

from ..mixing.by_hand import ByHand, of_seed
from ..mixing.feeding import FeedPlan, Ingredient, Measured
from ..protocol.advised import NO_EFFECT, Effect
from ..protocol.course import SettledPhase
from ..protocol.method import (
    Add,
    Check,
    Into,
    Keep,
    KeepAll,
    MoveTo,
    PourOff,
    PutIn,
    Spot,
    Stir,
    TakeOut,
    Try,
)
from ..protocol.sights import (
    AllOf,
    AnyOf,
    BelowHighMark,
    Bubbling,
    InARow,
    Risen,
    RisenAndFallen,
    Runny,
    Sight,
)
from ..record.log import Bubbles
from .steps import Act, Doing, SightCode, Task, WaitsFor

CHECKS: Mapping[Check, Task] = {
    Check.HEIGHT: Task.MEASURE_HEIGHT,
    Check.PH: Task.READ_PH,
    Check.REFERENCE_WEIGHT: Task.WEIGH_REFERENCE,
    Check.FLOAT: Task.FLOAT_TEST,
    Check.SIDE_BY_SIDE: Task.SIDE_BY_SIDE,
}
PLACES: Mapping[Spot, Task] = {Spot.FRIDGE: Task.TO_FRIDGE, Spot.COUNTER: Task.TO_COUNTER}


NOTHING_BY_HAND = ByHand((), None, (), (), (), (), ())


@dataclass(frozen=True)
class _Turn:
    plan: FeedPlan | None
    jar_g: float

    @property
    def by_hand(self) -> ByHand | None:
        return self.plan.by_hand if self.plan else None

    def measured(self, what: Ingredient) -> Measured | None:
        return next((one for one in self.plan.measured if one.what is what), None) if self.plan else None


def _keep(_act: object, turn: _Turn) -> list[Doing]:
    assert turn.plan is not None  # a keep belongs to a feed; the linter holds methods to it
    out = round(max(0.0, turn.jar_g - turn.plan.keep_g), 6)
    hand = turn.by_hand
    kept = Doing(Task.KEEP, turn.plan.keep_g, out, measured=turn.measured(Ingredient.SEED))
    return [replace(kept, spoons=hand.keep, part=hand.keep_part) if hand else kept]


def _take_out(_act: object, turn: _Turn) -> list[Doing]:
    assert turn.plan is not None
    out = round(max(0.0, turn.jar_g - turn.plan.keep_g), 6)
    spoons = of_seed(out) if turn.by_hand else ()
    return [Doing(Task.TAKE_OUT, out, out, measured=turn.measured(Ingredient.SEED), spoons=spoons)]


def _put_in(_act: object, turn: _Turn) -> list[Doing]:
    assert turn.plan is not None
    spoons = turn.by_hand.keep if turn.by_hand else ()
    return [Doing(Task.PUT_IN, turn.plan.keep_g, measured=turn.measured(Ingredient.SEED), spoons=spoons)]


def _add(act: Add, turn: _Turn) -> list[Doing]:
    plan = turn.plan
    assert plan is not None
    hand = turn.by_hand or NOTHING_BY_HAND
    flours = {one.flour: one.spoons for one in hand.flours}
    doings = []
    if plan.water_g:
        doings.append(Doing(Task.ADD_WATER, plan.water_g, measured=turn.measured(Ingredient.WATER), spoons=hand.water))
    if plan.juice_g:
        doings.append(Doing(Task.ADD_JUICE, plan.juice_g, measured=turn.measured(Ingredient.JUICE), spoons=hand.juice))
    # An amount in spoons is of the whole blend; one flour alone carries it.
    spoons = turn.measured(Ingredient.FLOUR) if len(plan.flours) == 1 else None
    doings += [
        Doing(Task.ADD_FLOUR, part.g, flour=part.flour, measured=spoons, spoons=flours.get(part.flour, ()))
        for part in plan.flours
    ]
    if plan.salt_g:
        doings.append(Doing(Task.ADD_SALT, plan.salt_g, spoons=hand.salt))
    if plan.hold_back_g:
        doings.append(
            Doing(Task.HOLD_BACK, plan.hold_back_g, until_thickness=act.until_thickness, spoons=hand.hold_back)
        )
    return doings


_DOINGS: Mapping[type, Callable[[Any, _Turn], list[Doing]]] = {
    KeepAll: lambda _act, _turn: [Doing(Task.KEEP_ALL)],
    Keep: _keep,
    TakeOut: _take_out,
    PutIn: _put_in,
    Add: _add,
    Stir: lambda _act, _turn: [Doing(Task.STIR)],
    PourOff: lambda _act, _turn: [Doing(Task.POUR_OFF)],
    Into: lambda _act, _turn: [Doing(Task.CLEAN_JAR)],
    MoveTo: lambda act, _turn: [Doing(PLACES[act.place])],
    Try: lambda act, _turn: [Doing(CHECKS[act.check])],
}


def doings(phase: SettledPhase, plan: FeedPlan | None, jar_g: float, advised: Effect = NO_EFFECT) -> tuple[Doing, ...]:
    turn = _Turn(plan, jar_g)
    told = tuple(doing for act in phase.do for doing in _DOINGS[type(act)](act, turn))
    if plan and advised.keeps_all:
        told = tuple(Doing(Task.KEEP_ALL) if one.do in (Task.KEEP, Task.TAKE_OUT) else one for one in told)
    if plan and advised.clean_jar and all(one.do is not Task.CLEAN_JAR for one in told):
        told = (Doing(Task.CLEAN_JAR), *told)
    return told


def main_act(phase: SettledPhase, *, first: bool) -> Act:
    """What a turn of the phase is called."""
    moves = phase.moves_to
    if phase.feeds:
        return Act.MIX if first else Act.FEED
    if moves:
        return {Spot.FRIDGE: Act.TO_FRIDGE, Spot.COUNTER: Act.TO_COUNTER}[moves.place]
    return Act.STIR if any(isinstance(act, Stir | PourOff) for act in phase.do) else Act.LOOK


_BUBBLES = {
    Bubbles.FEW: SightCode.BUBBLES,
    Bubbles.THROUGHOUT: SightCode.BUBBLES_THROUGHOUT,
    Bubbles.FROTH: SightCode.FROTH,
}
_SIGHTS: Mapping[type, Callable[[Any], tuple[WaitsFor, ...]]] = {
    Bubbling: lambda sight: (WaitsFor(_BUBBLES.get(sight.at_least, SightCode.BUBBLES), None),),
    Risen: lambda sight: (WaitsFor(SightCode.RISEN, sight.times),),
    BelowHighMark: lambda _: (WaitsFor(SightCode.BELOW_HIGH_MARK, None),),
    RisenAndFallen: lambda sight: (WaitsFor(SightCode.RISEN_AND_FALLEN, sight.times),),
    Runny: lambda _: (WaitsFor(SightCode.RUNNY, None),),
    InARow: lambda sight: (WaitsFor(SightCode.IN_A_ROW, sight.times),),
    AnyOf: lambda sight: tuple(one for part in sight.sights for one in waits_for(part)),
    AllOf: lambda sight: tuple(one for part in sight.sights for one in waits_for(part)),
}


def waits_for(sight: Sight | None) -> tuple[WaitsFor, ...]:
    return () if sight is None else _SIGHTS[type(sight)](sight)
