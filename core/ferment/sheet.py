"""One feed while it is being weighed out: what was really kept and poured, and what that asks for next."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from .assessment import Setup
from .contents import EMPTY
from .feeding import FeedPlan, Mend, Ratio, ScaleStep, mend, plan_feed, plan_mix, scale_walk
from .flours import Flour, FlourGrams, weight
from .ledger import replay
from .log import Log
from .methods import family_named
from .protocol import settle
from .quantities import grams
from .vessel import ROOM_WANTED, line_mm, room_times


@dataclass(frozen=True)
class WentIn:
    """What was weighed other than planned, in grams; None or left out where it went as planned or is to come."""

    keep_g: float | None
    water_g: float | None
    flours: Mapping[Flour, float]


@dataclass(frozen=True)
class Sheet:
    """The plan for the seed really kept, how to mend what was poured, and the room above it.

    The acts of `scale_walk` add what is planned; its readings follow what really went in.
    """

    plan: FeedPlan
    scale_walk: tuple[ScaleStep, ...]
    mend: Mend | None
    line_mm: float
    room_times: float
    room_is_tight: bool


def sheet(setup: Setup, log: Log, went_in: WentIn) -> Sheet:
    """The feed sheet for this moment of the weighing. Raises Refusal for amounts that no kitchen means."""
    course = settle(family_named(setup.family), setup.choices)
    ledger = replay(setup.vessel, log)
    there_is = (ledger.contents if ledger.rounds else EMPTY).total_g
    if not ledger.rounds:
        plan = plan_mix(course.mix_flour_g, course.mix_hydration_percent, course.blend, step=setup.scale_step)
        # A first mix keeps nothing, so its flour stands in for the seed and only flour and water are held together.
        ratio, unit_g = Ratio(1, 1, course.mix_hydration_percent / 100.0), course.mix_flour_g
    else:
        kept = min(course.keep_g, there_is) if went_in.keep_g is None else grams(went_in.keep_g, "keep_g")
        plan = plan_feed(kept, course.ratio, course.blend, step=setup.scale_step)
        ratio, unit_g = course.ratio, plan.keep_g
    real = _as_it_went(plan, went_in)
    mended = None
    if went_in.flours:
        # Water goes in before flour: a slip in the flour is held against the water that is in.
        mended = mend(ratio, unit_g, flour_g=weight(real.flours), water_g=real.water_g, step=setup.scale_step)
    elif went_in.water_g is not None:
        mended = mend(ratio, unit_g, flour_g=None, water_g=real.water_g, step=setup.scale_step)
    tare = setup.vessel.tare_g
    walks = zip(scale_walk(plan, tare, there_is if ledger.rounds else None), scale_walk(real, tare), strict=True)
    line = line_mm(setup.vessel, real.total_g)
    room = room_times(setup.vessel, line)
    return Sheet(
        plan=plan,
        scale_walk=tuple(replace(step, scale_shows_g=so_far.scale_shows_g) for step, so_far in walks),
        mend=mended,
        line_mm=line,
        room_times=room,
        room_is_tight=room < ROOM_WANTED,
    )


def _as_it_went(plan: FeedPlan, went_in: WentIn) -> FeedPlan:
    poured = went_in.flours
    flours = tuple(
        FlourGrams(part.flour, grams(poured.get(part.flour, part.g), f"flours.{part.flour}")) for part in plan.flours
    )
    water_g = plan.water_g if went_in.water_g is None else grams(went_in.water_g, "water_g")
    total_g = plan.keep_g + weight(flours) + water_g + plan.salt_g
    return replace(plan, flours=flours, water_g=water_g, total_g=round(total_g, 6))
