"""Less waste before the first mix: the smallest size of a way that this scale weighs well and this jar shows."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..kitchen.vessel import line_mm
from ..planner import MOST_STEPS
from ..refusal import Refusal
from ..setups import Setup, course_of, ledger_of, plan_of
from .comparison import to_ready
from .fitting import SIZES

# A scale that shows whole grams is half a gram off: of so many of its steps a tenth at most.
LEAST_STEPS = 5.0
# A line lower than this is hard to read against.
LEAST_LINE_MM = 10.0
# What saves less is not worth a change.
WORTH_G = 25.0


@dataclass(frozen=True)
class Thrift:
    """A smaller size: the same days and work, and so much less flour fed and thrown out until it is ready, in grams."""

    size: float
    share: float
    discard_g: float
    saves_discard_g: float
    saves_flour_g: float


def thriftier(setup: Setup) -> Thrift | None:
    """The smallest usual size that can still be weighed and seen; None where that is what is planned.

    Raises Refusal for a set-up that cannot be planned.
    """
    planned = to_ready(setup)
    for size in reversed(SIZES):
        if size >= setup.size:
            return None
        smaller = replace(setup, size=size)
        if not _can_be_weighed(smaller):
            continue
        found = to_ready(smaller)
        saved = planned.discard_g - found.discard_g
        if saved < WORTH_G:
            return None
        return Thrift(
            size, size / setup.size, found.discard_g, round(saved, 1), round(planned.flour_g - found.flour_g, 1)
        )
    return None


def _can_be_weighed(setup: Setup) -> bool:
    course = course_of(setup)
    ledger = ledger_of(setup, course, ())
    try:
        made = plan_of(setup, course, ledger, setup.starts_at, most_ahead=MOST_STEPS)
    except Refusal:
        return False
    feeds = [step.plan for step in made.steps if step.plan]
    kept = [one.keep_g for one in feeds if one.keep_g > 0]
    lines = [line_mm(setup.vessel, one.total_g) for one in feeds]
    return bool(feeds) and min(kept, default=LEAST_STEPS) >= LEAST_STEPS * setup.step and min(lines) >= LEAST_LINE_MM
