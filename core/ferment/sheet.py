"""One feed while it is being weighed out: what was really kept and poured, and what that asks for next."""

from __future__ import annotations

from dataclasses import dataclass

from .assessment import Setup
from .contents import EMPTY
from .feeding import FeedPlan, Mend, Ratio, ScaleStep, mend, plan_feed, plan_mix, scale_walk
from .ledger import replay
from .log import Log
from .methods import family_named
from .protocol import settle
from .quantities import grams
from .vessel import ROOM_WANTED, line_mm, room_times


@dataclass(frozen=True)
class Sheet:
    """The plan for the seed really kept, its walk on the scale, how to mend what was poured, and the room above it."""

    plan: FeedPlan
    scale_walk: tuple[ScaleStep, ...]
    mend: Mend | None
    line_mm: float
    room_times: float
    room_is_tight: bool


def sheet(setup: Setup, log: Log, *, keep_g: float | None, flour_g: float | None, water_g: float | None) -> Sheet:
    """The feed sheet for this moment of the weighing; None for what has not been weighed yet. Grams.

    Raises Refusal for amounts that no kitchen means.
    """
    course = settle(family_named(setup.family), setup.choices)
    ledger = replay(setup.vessel, log)
    there_is = (ledger.contents if ledger.rounds else EMPTY).total_g
    if not ledger.rounds:
        plan = plan_mix(course.mix_flour_g, course.mix_hydration_percent, course.blend, step=setup.scale_step)
        # A first mix keeps nothing, so its flour stands in for the seed and only flour and water are held together.
        ratio, unit_g = Ratio(1, 1, course.mix_hydration_percent / 100.0), course.mix_flour_g
    else:
        kept = min(course.keep_g, there_is) if keep_g is None else grams(keep_g, "keep_g")
        plan = plan_feed(kept, course.ratio, course.blend, step=setup.scale_step)
        ratio, unit_g = course.ratio, plan.keep_g
    poured = flour_g is not None or water_g is not None
    mended = mend(ratio, unit_g, flour_g=flour_g, water_g=water_g, step=setup.scale_step) if poured else None
    line = line_mm(setup.vessel, plan.total_g)
    room = room_times(setup.vessel, line)
    return Sheet(
        plan=plan,
        scale_walk=scale_walk(plan, setup.vessel.tare_g, there_is if ledger.rounds else None),
        mend=mended,
        line_mm=line,
        room_times=room,
        room_is_tight=room < ROOM_WANTED,
    )
