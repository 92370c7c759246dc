"""The flour on the shelf: what the feeds have left of each bag, until when it is enough, and what to buy.

Of several bags of one kind the one that was there first is used first. A bag runs down by feeds alone, so a baker who
also bakes from it weighs it again now and then; it never holds less than nothing.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from ..kitchen.flours import Blend, Flour, FlourLot, FlourShare, weight
from ..planner import MOST_STEPS, shorter
from ..setups import Setup, plan_of
from .assessment import Move, Stood


@dataclass(frozen=True)
class Bag:
    """A flour on the shelf: `g` grams of it there were at `at`; None where nobody weighed it."""

    id: str
    flour: Flour
    g: float | None
    at: datetime


@dataclass(frozen=True)
class Meal:
    """The flours of one feed, done or planned."""

    at: datetime
    flours: FlourLot


@dataclass(frozen=True)
class Eater:
    """A jar with what it was fed and what its plan asks for; `blends` is what the baker has decided to feed it with,
    one a feed in turn, where they have."""

    jar: str
    name: str
    fed: tuple[Meal, ...]
    planned: tuple[Meal, ...]
    blends: tuple[Blend, ...] = ()


@dataclass(frozen=True)
class BagLeft:
    """What is left of a bag, in g; None where it was never weighed."""

    id: str
    left_g: float | None


@dataclass(frozen=True)
class Instead:
    """Another flour for a jar: what it is fed with from then on, one blend a feed in turn."""

    jar: str
    name: str
    flour: Flour
    blends: tuple[Blend, ...]


@dataclass(frozen=True)
class Stock:
    """A kind of flour: its bags, what the plans ask for as far as they are followed, and when the first feed finds too
    little (None: it lasts, or nobody knows how much there is).

    `buy_g` is what is missing for the plans; `instead` is what else on the shelf could be fed, where it runs out.
    """

    flour: Flour
    bags: tuple[BagLeft, ...]
    needs_g: float
    runs_out_at: datetime | None
    buy_g: float
    instead: tuple[Instead, ...]

    @property
    def left_g(self) -> float | None:
        """In all bags; None where there is one whose weight nobody knows, or none at all."""
        known = [bag.left_g for bag in self.bags if bag.left_g is not None]
        return sum(known) if known and len(known) == len(self.bags) else None


# Less than this is a remainder of the scale.
NOTHING_G = 0.5
# From the whole grain to the white: the nearer, the more a jar goes on as before (common practice).
BY_GRAIN = (Flour.RYE, Flour.WHOLE_WHEAT, Flour.SPELT, Flour.EINKORN, Flour.HIGH_EXTRACTION, Flour.WHITE)
MOST_INSTEAD = 2


def fed_until(setup: Setup, jar: Stood, now: datetime, until: datetime) -> tuple[Meal, ...]:
    """The feeds that a jar's plan shows until a moment. `jar` is as it stands now. Raises Refusal as a plan does."""
    found = jar.assessment
    if jar.ledger.binned or found.asks_how_to_keep or found.next_move.move is Move.BIN:
        ahead = found.timeline
    elif until <= jar.walked_until:
        ahead = shorter(jar.walked, now, until, MOST_STEPS).ahead
    else:
        ahead = plan_of(setup, jar.course, jar.ledger, now, until=until, most_ahead=MOST_STEPS).ahead
    return tuple(Meal(step.due, step.plan.flours) for step in ahead if step.plan and step.to_come and step.due <= until)


def stock(bags: Sequence[Bag], eaters: Sequence[Eater]) -> tuple[Stock, ...]:
    """Every kind that is on the shelf or asked for by a plan, in the order of the kinds."""
    fed = sorted((meal for one in eaters for meal in one.fed), key=lambda meal: meal.at)
    planned = sorted((meal for one in eaters for meal in one.planned), key=lambda meal: meal.at)
    left = {flour: _left(flour, bags, fed) for flour in Flour}
    asked = {flour: [(meal.at, _of(flour, meal.flours)) for meal in planned] for flour in Flour}
    found = []
    for flour in Flour:
        needs = sum(g for _, g in asked[flour])
        if not left[flour] and needs <= NOTHING_G:
            continue
        one = _enough(flour, left[flour], asked[flour])
        found.append(replace(one, instead=_instead(flour, eaters, left, one)))
    return tuple(found)


def _of(flour: Flour, lot: FlourLot) -> float:
    return weight(tuple(part for part in lot if part.flour is flour))


def _left(flour: Flour, bags: Sequence[Bag], fed: Sequence[Meal]) -> tuple[BagLeft, ...]:
    own = sorted((bag for bag in bags if bag.flour is flour), key=lambda bag: (bag.at, bag.id))
    there = {bag.id: bag.g for bag in own}
    for meal in fed:
        g = _of(flour, meal.flours)
        for bag in own:
            held = there[bag.id]
            if held is None or bag.at > meal.at:
                continue
            taken = min(held, g)
            there[bag.id], g = held - taken, g - taken
    return tuple(BagLeft(bag.id, None if (held := there[bag.id]) is None else round(held, 1)) for bag in own)


def _enough(flour: Flour, bags: tuple[BagLeft, ...], asked: Sequence[tuple[datetime, float]]) -> Stock:
    needs = sum(g for _, g in asked)
    one = Stock(flour, bags, round(needs, 1), None, 0.0, ())
    there = one.left_g if bags else 0.0
    if there is None:
        return one
    so_far = 0.0
    for at, g in asked:
        so_far += g
        if so_far > there + NOTHING_G:
            return replace(one, runs_out_at=at, buy_g=round(needs - there, 1))
    return one


def _instead(
    flour: Flour, eaters: Sequence[Eater], left: Mapping[Flour, tuple[BagLeft, ...]], short: Stock
) -> tuple[Instead, ...]:
    """Nothing takes the place of gluten-free, for who needs it needs it; and it takes the place of nothing."""
    if short.runs_out_at is None or flour not in BY_GRAIN:
        return ()
    place = BY_GRAIN.index(flour)
    others = [other for other in BY_GRAIN if other is not flour and _some(left[other])]
    nearest = sorted(others, key=lambda other: abs(BY_GRAIN.index(other) - place))[:MOST_INSTEAD]
    return tuple(
        Instead(one.jar, one.name, other, tuple(_replaced(blend, flour, other) for blend in blends))
        for one in eaters
        if (blends := _blends(one, flour))
        for other in nearest
    )


def _some(bags: Sequence[BagLeft]) -> bool:
    return any(bag.left_g is None or bag.left_g > NOTHING_G for bag in bags)


def _blends(one: Eater, flour: Flour) -> tuple[Blend, ...]:
    """What a jar is fed with that has this flour in it: as decided, or as its next such feed has it."""
    if not any(_of(flour, meal.flours) for meal in one.planned):
        return ()
    if one.blends:
        return one.blends
    lot = next(meal.flours for meal in one.planned if _of(flour, meal.flours))
    return (tuple(FlourShare(part.flour, part.g / weight(lot)) for part in lot),)


def _replaced(blend: Blend, flour: Flour, other: Flour) -> Blend:
    shares: dict[Flour, float] = {}
    for part in blend:
        kind = other if part.flour is flour else part.flour
        shares[kind] = shares.get(kind, 0.0) + part.share
    return tuple(FlourShare(kind, share) for kind, share in shares.items())
