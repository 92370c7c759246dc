"""What went in other than planned: kept, poured, half done, of other flour."""

from __future__ import annotations

from collections.abc import Iterator

from ..mixing.feeding import FeedPlan
from ..record.ledger import Round
from .steps import Change, ChangeCode

# Grams, and the share of an amount, within which it went as planned (as for a slip at the scale, and a little more).
AS_PLANNED_G = 3.0
AS_PLANNED_SHARE = 0.1
HALF_DONE_SHARE = 0.6
OTHER_FLOUR_SHARE = 0.1


def differences(planned: FeedPlan, turn: Round) -> Iterator[Change]:
    """Of a feed of the log against what was meant."""
    feed = turn.feed

    def change(code: ChangeCode, **facts: float | str) -> Change:
        told = {name: round(fact, 2) if isinstance(fact, float) else fact for name, fact in facts.items()}
        return Change(code, feed.at, feed.id, told)

    if _other(feed.keep_g, planned.keep_g):
        yield change(ChangeCode.KEPT_OTHER, planned_g=planned.keep_g, kept_g=feed.keep_g)
    if food_share(planned, turn) < HALF_DONE_SHARE:
        yield change(
            ChangeCode.HALF_DONE,
            flour_short_g=max(0.0, planned.flour_g - feed.flour_g),
            water_short_g=max(0.0, planned.liquid_g - feed.liquid_g),
        )
    elif _other(feed.flour_g, planned.flour_g) or _other(feed.liquid_g, planned.liquid_g):
        yield change(
            ChangeCode.OTHER_AMOUNTS,
            planned_flour_g=planned.flour_g,
            flour_g=feed.flour_g,
            planned_water_g=planned.liquid_g,
            water_g=feed.liquid_g,
        )
    meant = {part.flour for part in planned.flours}
    others = sum(part.g for part in feed.flours if part.flour not in meant)
    if feed.flour_g and meant and others > OTHER_FLOUR_SHARE * feed.flour_g:
        names = ", ".join(part.flour for part in feed.flours if part.flour not in meant)
        yield change(ChangeCode.OTHER_FLOUR, flours=names, g=others)


def _other(real: float, planned: float) -> bool:
    return abs(real - planned) > max(AS_PLANNED_G, AS_PLANNED_SHARE * planned)


def food_share(planned: FeedPlan | None, turn: Round) -> float:
    """How much of the meal went in: of the flour and of the liquid, whichever is less."""
    if planned is None:
        return 1.0
    shares = [
        real / meant
        for real, meant in ((turn.feed.flour_g, planned.flour_g), (turn.feed.liquid_g, planned.liquid_g))
        if meant > 0
    ]
    return min([1.0, *shares])
