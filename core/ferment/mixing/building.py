"""Building up to the grams that a recipe needs, without discard: back from the end to the seed."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ..kitchen.flours import Blend
from ..kitchen.quantities import grams, on_scale
from ..refusal import Refusal, RefusalCode, within
from .feeding import FeedPlan, known_step, weighed

MOST_FEEDS = 4
# The last feed may bring a little less flour than there is seed; below that it hardly wakes (common practice).
LEAST_LAST_RATIO = 0.9


@dataclass(frozen=True)
class Build:
    """The seed to begin with and each feed in turn, nothing taken out between. Grams."""

    seed_g: float
    feeds: tuple[FeedPlan, ...]
    total_g: float
    reserve_g: float


def build(
    target_g: float,
    reserve_g: float,
    blend: Blend,
    *,
    feeds: int = 2,
    max_ratio: float = 5.0,
    hydration_percent: float = 100.0,
    step: float = 1.0,
) -> Build:
    """Feeds that end with `target_g` for the recipe and `reserve_g` to keep.

    What is kept back is the seed of the next build, so it is also the seed of this one wherever that reaches; the first
    feeds are as large as `max_ratio` (flour to seed) allows, the last makes up what is missing.
    Raises Refusal (not_a_choice, not_a_number, out_of_range).
    """
    known_step(step)
    target = grams(target_g, "target_g", least=step)
    reserve = grams(reserve_g, "reserve_g")
    within(feeds, 1, MOST_FEEDS, "feeds")
    within(max_ratio, 1.0, 20.0, "max_ratio")
    water_share = within(hydration_percent, 60.0, 200.0, "hydration_percent") / 100.0
    total = on_scale(target + reserve, step)

    def grown(ratio: float) -> float:
        return 1.0 + ratio * (1.0 + water_share)

    # Enough seed that full meals reach the total; the reserve itself when that is more.
    least_seed = math.ceil(total / grown(max_ratio) ** feeds / step - 1e-9) * step
    seed = max(on_scale(reserve, step), least_seed, step)
    before_last = total / grown(LEAST_LAST_RATIO)

    def first_ratio() -> float:
        """Flour to seed of every feed but the last, so that the last is a meal too."""
        return ((before_last / seed) ** (1.0 / (feeds - 1)) - 1.0) / (1.0 + water_share) if feeds > 1 else 0.0

    ratio = min(max_ratio, math.floor(first_ratio() * 2.0 + 1e-9) / 2.0)
    if feeds > 1 and ratio < 1.0:
        # So large a reserve leaves no room for a meal: begin with less of it.
        seed = max(step, on_scale(before_last / grown(1.0) ** (feeds - 1), step))
        ratio = min(max_ratio, first_ratio())
    elif feeds == 1:
        seed = min(seed, max(step, on_scale(before_last, step)))
    if seed * ratio < step and feeds > 1:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "feeds", {"least": 1.0, "most": feeds - 1.0})
    plans: list[FeedPlan] = []
    there = seed
    for number in range(1, feeds + 1):
        if number < feeds:
            flour, water = there * ratio, there * ratio * water_share
        else:
            # The total holds: what rounding leaves over goes to the water.
            flour = on_scale((total - there) / (1.0 + water_share), step)
            water = total - there - flour
        plan = weighed(there, flour, water, blend, step=step)
        plans.append(plan)
        there = plan.total_g
    return Build(seed, tuple(plans), there, round(max(0.0, there - target), 6))
