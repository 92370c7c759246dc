"""The arithmetic of a feed: seed, flour and water by a ratio, what the scale should show, and mending a slip."""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import StrEnum

from .flours import Blend, Flour, FlourLot, divide
from .quantities import grams, on_scale
from .refusal import Refusal, RefusalCode, within

SCALE_STEPS = (0.1, 1.0, 5.0)
# Salt is weighed in tenths whatever the scale shows otherwise: 0.3 % of a feed's flour is less than a gram.
SALT_STEP = 0.1
# A slip this small is left alone (common practice): it moves neither thickness nor pace.
SLIP_G = 2.0
SLIP_SHARE = 0.03


@dataclass(frozen=True)
class Ratio:
    """Seed : flour : water by weight."""

    seed: float
    flour: float
    water: float

    def __str__(self) -> str:
        return ":".join(f"{part:g}" for part in (self.seed, self.flour, self.water))


def parse_ratio(text: str, field: str = "ratio") -> Ratio:
    """Read `1:2:2`. Two parts are refused, never guessed: `1:1` is said of flour and water, and of seed and flour."""
    parts = [part.strip() for part in text.split(":")]
    if not all(re.fullmatch(r"\d{1,5}(\.\d{1,3})?", part) for part in parts):
        raise Refusal(RefusalCode.RATIO_FORM, field, {"example": "1:2:2"})
    if len(parts) == 2:
        first, second = parts
        readings = {"as_flour_and_water": f"1:{first}:{second}", "as_seed_and_flour": f"{first}:{second}:{second}"}
        raise Refusal(RefusalCode.RATIO_TWO_PARTS, field, {"given": f"{first}:{second}", **readings})
    if len(parts) != 3:
        raise Refusal(RefusalCode.RATIO_FORM, field, {"example": "1:2:2"})
    seed, flour, water = (float(part) for part in parts)
    if not (seed and flour and water):
        raise Refusal(RefusalCode.RATIO_WITHOUT_FOOD, field, {"example": "1:2:2"})
    return Ratio(seed, flour, water)


@dataclass(frozen=True)
class FeedPlan:
    """One feed to weigh out. Grams, multiples of the scale's step; `keep_g` is 0 for a first mix."""

    keep_g: float
    flours: FlourLot
    water_g: float
    salt_g: float
    total_g: float
    ratio: str
    fresh_hydration_percent: float


def plan_feed(keep_g: float, ratio: Ratio, blend: Blend, *, salt_percent: float = 0.0, step: float = 1.0) -> FeedPlan:
    """The flour, water and salt for `keep_g` of seed.

    Flour and water are each within half a scale step of the exact ratio. `salt_percent` is of the flour.
    Raises Refusal for amounts that no kitchen means and for a step no scale has.
    """
    _known_step(step)
    keep = on_scale(grams(keep_g, "keep_g", least=step), step)
    unit = keep / ratio.seed
    return _weighed(keep, unit * ratio.flour, unit * ratio.water, blend, salt_percent, step)


def plan_mix(flour_g: float, hydration_percent: float, blend: Blend, *, step: float = 1.0) -> FeedPlan:
    """A first mix of flour and water, nothing kept."""
    _known_step(step)
    flour = grams(flour_g, "flour_g", least=step)
    water = flour * within(hydration_percent, 40.0, 250.0, "hydration_percent") / 100.0
    return _weighed(0.0, flour, water, blend, 0.0, step)


def _known_step(step: float) -> None:
    if step not in SCALE_STEPS:
        raise Refusal(RefusalCode.NOT_A_CHOICE, "scale_step", {"known": ", ".join(f"{s:g}" for s in SCALE_STEPS)})


def _weighed(keep: float, flour: float, water: float, blend: Blend, salt_percent: float, step: float) -> FeedPlan:
    within(salt_percent, 0.0, 5.0, "salt_percent")
    flour_g = on_scale(grams(flour, "flour_g"), step)
    water_g = on_scale(grams(water, "water_g"), step)
    if flour_g <= 0 or water_g <= 0:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "keep_g", {"least": step, "most": 10_000.0})
    salt_g = on_scale(flour_g * salt_percent / 100.0, SALT_STEP)
    return FeedPlan(
        keep_g=keep,
        flours=divide(flour_g, blend, step),
        water_g=water_g,
        salt_g=salt_g,
        total_g=round(keep + flour_g + water_g + salt_g, 6),
        ratio=ratio_as_weighed(keep, flour_g, water_g),
        fresh_hydration_percent=round(100.0 * water_g / flour_g, 1),
    )


def ratio_as_weighed(keep_g: float, flour_g: float, water_g: float) -> str:
    """The ratio that amounts make, the seed as 1, to two places; a first mix reads `0:1:1`."""
    unit = keep_g or flour_g
    if not unit:
        return "0:0:0"
    parts = (keep_g / unit, flour_g / unit, water_g / unit)
    return ":".join(f"{round(part, 2):g}" for part in parts)


class ScaleAct(StrEnum):
    """One act at the scale. `take_out` goes down to the seed; the others add."""

    EMPTY_JAR = "empty_jar"
    TAKE_OUT = "take_out"
    ADD_WATER = "add_water"
    ADD_FLOUR = "add_flour"
    ADD_SALT = "add_salt"


@dataclass(frozen=True)
class ScaleStep:
    """An act, the grams it adds (negative when taken out, 0 when not known), and the reading after it."""

    do: ScaleAct
    flour: Flour | None
    add_g: float
    scale_shows_g: float


def scale_walk(plan: FeedPlan, tare_g: float, there_is_g: float | None = None) -> tuple[ScaleStep, ...]:
    """The readings of one feed in the jar itself, in the order of good practice: take out, water, flour, salt.

    `tare_g` is the empty jar's weight (0 when the scale was zeroed with it), `there_is_g` what it holds now.
    """
    shows = round(tare_g + plan.keep_g, 6)
    if plan.keep_g:
        out = round(plan.keep_g - there_is_g, 6) if there_is_g is not None else 0.0
        steps = [ScaleStep(ScaleAct.TAKE_OUT, None, min(0.0, out), shows)]
    else:
        steps = [ScaleStep(ScaleAct.EMPTY_JAR, None, 0.0, shows)]
    additions: list[tuple[ScaleAct, Flour | None, float]] = [(ScaleAct.ADD_WATER, None, plan.water_g)]
    additions += [(ScaleAct.ADD_FLOUR, part.flour, part.g) for part in plan.flours]
    additions += [(ScaleAct.ADD_SALT, None, plan.salt_g)] if plan.salt_g else []
    for act, flour, add_g in additions:
        shows = round(shows + add_g, 6)
        steps.append(ScaleStep(act, flour, add_g, shows))
    return tuple(steps)


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
    _known_step(step)
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
