"""Mending a slip: what to add of what so that the ratio holds, what that costs, and when to leave it."""

from __future__ import annotations

from dataclasses import dataclass

from ..kitchen.quantities import grams, on_scale
from .feeding import Ratio, known_step, ratio_as_weighed

# A slip this small is left alone (common practice): it moves neither thickness nor pace.
SLIP_G = 2.0
SLIP_SHARE = 0.03


@dataclass(frozen=True)
class Mend:
    """What brings a feed back to its ratio.

    `add_*` are grams to add to what is in; `extra_g` is what that costs beyond the plan. `worth_it` is false for a slip
    within 2 g or 3 % of the amount that went wrong. `ratio_as_is` is what it is without mending.
    """

    worth_it: bool
    add_flour_g: float
    add_water_g: float
    extra_g: float
    total_g: float
    ratio_as_is: str
    ratio_mended: str


def mend(ratio: Ratio, keep_g: float, *, flour_g: float | None, water_g: float | None, step: float = 1.0) -> Mend:
    """How to make a feed even again after what really went in; None for what has not been poured yet.

    Nothing is taken out (flour cannot be): the amount that is furthest over sets the size and the others follow it.
    Seed is never added, since it has gone to the discard: a little less seed only makes it a little slower.
    """
    known_step(step)
    keep = grams(keep_g, "keep_g")
    flour = grams(flour_g or 0.0, "flour_g")
    water = grams(water_g or 0.0, "water_g")
    planned_unit = keep / ratio.seed
    unit = max(planned_unit, flour / ratio.flour, water / ratio.water)
    add_flour = on_scale(max(0.0, unit * ratio.flour - flour), step)
    add_water = on_scale(max(0.0, unit * ratio.water - water), step)
    mended_total = keep + flour + water + add_flour + add_water
    planned_total = keep + planned_unit * (ratio.flour + ratio.water)
    slips = [
        abs(poured - planned_unit * part)
        for given, poured, part in ((flour_g, flour, ratio.flour), (water_g, water, ratio.water))
        if given is not None and abs(poured - planned_unit * part) > SLIP_SHARE * planned_unit * part
    ]
    even_already = add_flour == 0 and add_water == 0
    return Mend(
        worth_it=not even_already and max(slips, default=0.0) > SLIP_G,
        add_flour_g=add_flour,
        add_water_g=add_water,
        extra_g=round(max(0.0, mended_total - planned_total), 6),
        total_g=round(mended_total, 6),
        ratio_as_is=ratio_as_weighed(keep, flour, water),
        ratio_mended=ratio_as_weighed(keep, flour + add_flour, water + add_water),
    )
