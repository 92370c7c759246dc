"""Sums of a kitchen, asked without a jar: each is one call of the core, nothing is stored."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from enum import StrEnum

from ferment.doors.foresight import peak_of, timed
from ferment.kitchen.flours import Flour, blend_of, flour_from_grams, flour_to_grams
from ferment.kitchen.quantities import MILLILITRES_PER, Spoonful, Unit, from_grams, in_spoons, to_grams
from ferment.kitchen.vessel import Vessel, check_vessel
from ferment.mixing.building import build
from ferment.mixing.contents import Contents, follow_steps
from ferment.mixing.feeding import FeedPlan, From, parse_ratio, plan_feed, plan_total, seed_from
from ferment.mixing.mending import Mend, mend
from ferment.mixing.recipe import Swap, swap
from ferment.refusal import within
from ferment.setups import LEAST_C, MOST_C
from ferment.tracker.stretch import Moments, Spread

# How high a jar is does not change what it holds.
ANY_HEIGHT_MM = 100.0
MOST_CONVERTED = 1_000_000.0


class FeedEnd(StrEnum):
    """The end that a feed is reckoned from."""

    SEED = "seed"
    TOTAL = "total"
    FLOUR = "flour"
    JAR = "jar"


@dataclass(frozen=True)
class Fed:
    plan: FeedPlan
    doubles: Spread | None
    peaks: Spread
    peak_times: Spread


def feed(end: FeedEnd, amount: float, ratio_text: str, blend: Mapping[Flour, float], celsius: float) -> Fed:
    """A feed from any of its ends, and what a grown jar does with it. Raises Refusal naming the field."""
    ratio = parse_ratio(ratio_text)
    flours = blend_of({flour.value: part for flour, part in blend.items()})
    within(celsius, LEAST_C, MOST_C, "warmth_c")
    if end is FeedEnd.TOTAL:
        plan = plan_total(amount, ratio, flours)
    else:
        size = {
            FeedEnd.SEED: lambda: From(seed_g=amount),
            FeedEnd.FLOUR: lambda: From(flour_g=amount),
            FeedEnd.JAR: lambda: From(vessel=check_vessel(Vessel(0.0, amount, ANY_HEIGHT_MM))),
        }[end]()
        plan = plan_feed(seed_from(size, ratio), ratio, flours)
    told: Moments = peak_of((ratio.seed, ratio.flour, ratio.water), flours, celsius)
    return Fed(replace(plan, is_by_hand=True), told.doubles, told.peak, told.peak_times)


@dataclass(frozen=True)
class Step:
    keep_g: float | None
    flours: Mapping[Flour, float]
    water_g: float


def hydration(steps: Sequence[Step]) -> list[Contents]:
    """What a jar holds after each feed of a row, the first from nothing. Raises Refusal with the step's place."""
    told: list[dict[str, object]] = []
    for number, step in enumerate(steps):
        flours = {flour.value: g for flour, g in step.flours.items()}
        poured: dict[str, object] = {"flour": flours, "water": step.water_g}
        if number == 0:
            told.append({"do": "mix", **poured})
        else:
            told.append({"do": "feed", **poured, **({} if step.keep_g is None else {"keep": step.keep_g})})
    return follow_steps(told)


@dataclass(frozen=True)
class BuiltFeed:
    plan: FeedPlan
    at: datetime
    earliest: datetime
    likely: datetime
    latest: datetime


@dataclass(frozen=True)
class Built:
    seed_g: float
    feeds: tuple[BuiltFeed, ...]
    total_g: float


def built(
    target_g: float,
    reserve_g: float,
    feeds: int,
    hydration_percent: float,
    blend: Mapping[Flour, float],
    ready_at: datetime,
    celsius: float,
) -> Built:
    """Back from the grams and the hour of a bake to each feed and its time. Raises Refusal."""
    flours = blend_of({flour.value: part for flour, part in blend.items()})
    within(celsius, LEAST_C, MOST_C, "warmth_c")
    made = build(target_g, reserve_g, flours, feeds=feeds, hydration_percent=hydration_percent)
    rows = zip(made.feeds, timed(made, flours, ready_at, celsius), strict=True)
    told = tuple(BuiltFeed(replace(plan, is_by_hand=True), one.feed_at, *one.peaks) for plan, one in rows)
    return Built(made.seed_g, told, made.total_g)


def mended(ratio: str, keep_g: float, flour_g: float | None, water_g: float | None) -> Mend:
    return mend(parse_ratio(ratio), keep_g, flour_g=flour_g, water_g=water_g)


@dataclass(frozen=True)
class InUnit:
    unit: Unit
    value: float


@dataclass(frozen=True)
class Converted:
    units: tuple[InUnit, ...]
    spoons: tuple[Spoonful, ...]


def converted(value: float, unit: Unit, flour: Flour | None) -> Converted:
    """An amount of a flour, or of water, in every unit. Raises Refusal (not_a_number, out_of_range)."""
    within(value, 0.0, MOST_CONVERTED, "value")
    if flour is None:
        g = to_grams(value, unit)
        units = tuple(InUnit(one, round(from_grams(g, one), 3)) for one in Unit)
        ml = from_grams(g, Unit.MILLILITRE)
    else:
        blend = blend_of({flour.value: 1.0})
        g = flour_to_grams(value, unit, blend)
        units = tuple(InUnit(one, round(flour_from_grams(g, one, blend), 3)) for one in Unit)
        ml = flour_from_grams(g, Unit.MILLILITRE, blend)
    # More cups than a kitchen fills are told in their units alone.
    few = 0 < ml <= 20 * MILLILITRES_PER[Unit.CUP]
    return Converted(units, in_spoons(ml) if few else ())


def swapped(recipe_g: float, recipe_percent: float, own_percent: float) -> Swap:
    return swap(recipe_g, recipe_percent, own_percent)
