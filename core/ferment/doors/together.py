"""Several jars fed in one round: what may be weighed once for all of them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from ..kitchen.flours import Flour
from ..mixing.feeding import FeedPlan, Ingredient
from ..refusal import Refusal
from ..setups import course_of, feed_now, ledger_of
from .trial import TriedJar

# In jars of one sort the same grams are asked for up to the scale's last step.
LEAST_G = 0.05


@dataclass(frozen=True)
class Share:
    """How much of it one jar takes, in grams."""

    jar: str
    g: float


@dataclass(frozen=True)
class WeighedOnce:
    """One thing of which two jars or more take some: weighed once, and dealt out. `flour` where it is one."""

    ingredient: Ingredient
    flour: Flour | None
    g: float
    shares: tuple[Share, ...]


def weighed_once(jars: Sequence[TriedJar], now: datetime) -> tuple[WeighedOnce, ...]:
    """Of the feed of this moment of each jar, the flours first. A jar that was binned, that is measured by hand, or
    whose feed makes no sense after what went in, takes no part. Raises Refusal for a set-up that cannot be planned."""
    planned = [(jar.id, plan) for jar in jars if (plan := _plan(jar, now)) is not None]
    kinds = list(dict.fromkeys(part.flour for _, plan in planned for part in plan.flours))
    found = [
        *(_dealt(Ingredient.FLOUR, kind, [(jar, _flour(plan, kind)) for jar, plan in planned]) for kind in kinds),
        _dealt(Ingredient.WATER, None, [(jar, plan.water_g) for jar, plan in planned]),
        _dealt(Ingredient.JUICE, None, [(jar, plan.juice_g) for jar, plan in planned]),
    ]
    return tuple(one for one in found if len(one.shares) > 1)


def _plan(jar: TriedJar, now: datetime) -> FeedPlan | None:
    course = course_of(jar.setup)
    ledger = ledger_of(jar.setup, course, jar.log)
    if ledger.binned is not None:
        return None
    try:
        plan = feed_now(jar.setup, course, ledger, now).plan
    except Refusal:
        return None
    return None if plan.is_by_hand else plan


def _flour(plan: FeedPlan, kind: Flour) -> float:
    return sum(part.g for part in plan.flours if part.flour is kind)


def _dealt(ingredient: Ingredient, flour: Flour | None, parts: list[tuple[str, float]]) -> WeighedOnce:
    shares = tuple(Share(jar, g) for jar, g in parts if g >= LEAST_G)
    return WeighedOnce(ingredient, flour, round(sum(one.g for one in shares), 2), shares)
