"""What goes over the wire about the reckoner: sums of a kitchen asked without a jar. Grams, °C, hours."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from pydantic import Field

from accounts.wire import Moment, Request, Told
from ferment.kitchen.flours import Flour
from ferment.kitchen.quantities import Unit
from guidance.wire.mixing import FeedPlan, FlourGrams, Mend, Spoonful

from .services import FeedEnd

Ratio = Annotated[str, Field(max_length=40)]
Parts = Annotated[dict[Flour, float], Field(max_length=8)]


class FeedIn(Request):
    """A feed from one of its ends: `amount` is in grams, for a jar its millilitres to the rim."""

    end: FeedEnd
    amount: float
    ratio: Ratio
    blend: Parts
    warmth_c: float


class Hours(Told):
    """Hours since the feed: four of five fall between low and high."""

    low: float
    middle: float
    high: float


class FedOut(Told):
    """The feed, and what a grown jar would do with it in that warmth; `doubles` is null where it hardly does."""

    plan: FeedPlan
    doubles: Hours | None
    peaks: Hours
    peak_times: Hours


class StepIn(Request):
    """A feed of a jar: what is kept of it (null: all), and what goes in."""

    keep_g: float | None
    flours: Parts
    water_g: float


class HydrationIn(Request):
    steps: Annotated[list[StepIn], Field(min_length=1, max_length=20)]


class AfterStep(Told):
    """What the jar holds after a step, with what the seed carried in; null hydration without flour."""

    total_g: float
    hydration_percent: float | None
    flours: tuple[FlourGrams, ...]
    water_g: float


class BuildIn(Request):
    """Grams for a recipe and to keep, in so many feeds, at its peak at an hour, in that warmth."""

    target_g: float
    reserve_g: float
    feeds: int
    hydration_percent: float
    blend: Parts
    ready_at: Moment
    warmth_c: float


class BuiltFeed(Told):
    """A feed of the build, when it is done, and when it is then at its peak."""

    plan: FeedPlan
    at: datetime
    earliest: datetime
    likely: datetime
    latest: datetime


class BuiltOut(Told):
    seed_g: float
    feeds: tuple[BuiltFeed, ...]
    total_g: float


class MendIn(Request):
    """What was meant and what went in; null for what is not in yet."""

    ratio: Ratio
    keep_g: float
    flour_g: float | None
    water_g: float | None


class MendOut(Told):
    mend: Mend


class ConvertIn(Request):
    """An amount in one unit; `flour` is what it is of, null for water."""

    value: float
    unit: Unit
    flour: Flour | None


class InUnit(Told):
    unit: Unit
    value: float


class ConvertOut(Told):
    """The amount in every unit, and in spoons and cups that there are."""

    units: tuple[InUnit, ...]
    spoons: tuple[Spoonful, ...]


class SwapIn(Request):
    """Grams of starter in a recipe, how wet that is, and how wet the own one is: water to flour in per cent."""

    recipe_g: float
    recipe_percent: float
    own_percent: float


class SwapOut(Told):
    """Own starter to take, and by how much the recipe's water changes (negative: less)."""

    starter_g: float
    water_change_g: float
    flour_g: float
