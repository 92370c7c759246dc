"""The flour ledger of a kitchen: what came in and where it went, by jar, by way or by month, and what it cost."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from zoneinfo import ZoneInfo

from ..kitchen.flours import Flour, FlourLot, combine, weight
from ..record.flows import Came, Flows, In, Out, Went, flows_of
from ..record.log import Log
from ..setups import Setup, course_of


class By(StrEnum):
    JAR = "jar"
    WAY = "way"
    MONTH = "month"


@dataclass(frozen=True)
class JarFlows:
    """A jar of the kitchen with its flows; `way` is the family that it was planned by."""

    jar: str
    name: str
    way: str
    flows: Flows


@dataclass(frozen=True)
class WentGrams:
    """So many grams of flour went there."""

    went: Went
    flour_g: float


@dataclass(frozen=True)
class FlourRow:
    """One line of the ledger, in grams of flour: what was fed of each kind, what came in with cultures and from
    elsewhere, where it went, and what stands in jars still (None by month, where nothing stands).

    `key` is the jar, the way, or the month as `2026-03`. `cost` is that of what was fed, of the kinds that have a
    price; `unpriced_g` is what was fed of the others. Flour out and left is flour in.
    """

    key: str
    fed: FlourLot
    other_g: float
    went: tuple[WentGrams, ...]
    left_g: float | None
    cost: float
    unpriced_g: float

    @property
    def fed_g(self) -> float:
        return weight(self.fed)

    @property
    def discard_g(self) -> float:
        """What was taken out at feeds and not used: to the compost, the bin, or nobody said where."""
        return sum(one.flour_g for one in self.went if one.went in WASTED)


# What was thrown out; the discard jar, and all that was used, is not.
WASTED = frozenset({Went.COMPOST, Went.BIN, Went.UNSAID, Went.BINNED})
Prices = Mapping[Flour, float]
"""What a kilo costs, by flour."""


def jar_flows(jar: str, name: str, setup: Setup, log: Log) -> JarFlows:
    course = course_of(setup)
    return JarFlows(jar, name, course.method.code, flows_of(log, course.culture))


def flour_ledger(jars: Sequence[JarFlows], by: By, prices: Prices, zone: ZoneInfo) -> tuple[FlourRow, ...]:
    """The lines in the order in which they begin; months by the baker's clock."""
    groups: dict[str, list[JarFlows]] = {}
    for one in jars:
        for key, part in _parts(one, by, zone):
            groups.setdefault(key, []).append(part)
    keys = sorted(groups) if by is By.MONTH else list(groups)
    return tuple(_row(key, groups[key], prices, stands=by is not By.MONTH) for key in keys)


def whole(jars: Sequence[JarFlows], prices: Prices) -> FlourRow:
    """All jars in one line."""
    return _row("", jars, prices, stands=True)


def _parts(one: JarFlows, by: By, zone: ZoneInfo) -> list[tuple[str, JarFlows]]:
    if by is not By.MONTH:
        return [(one.jar if by is By.JAR else one.way, one)]
    months = sorted({_month(flow, zone) for flow in one.flows.came} | {_month(flow, zone) for flow in one.flows.went})
    return [(key, replace(one, flows=_of_month(one.flows, key, zone))) for key in months]


def _month(flow: In | Out, zone: ZoneInfo) -> str:
    return flow.at.astimezone(zone).strftime("%Y-%m")


def _of_month(flows: Flows, month: str, zone: ZoneInfo) -> Flows:
    return Flows(
        tuple(one for one in flows.came if _month(one, zone) == month),
        tuple(one for one in flows.went if _month(one, zone) == month),
        flows.left,
    )


def _row(key: str, jars: Sequence[JarFlows], prices: Prices, *, stands: bool) -> FlourRow:
    came = [one for jar in jars for one in jar.flows.came]
    went = [one for jar in jars for one in jar.flows.went]
    fed = combine(one.what.flours for one in came if one.came is Came.FED)
    sums = {to: sum(one.what.flour_g for one in went if one.went is to) for to in Went}
    return FlourRow(
        key=key,
        fed=fed,
        other_g=sum(one.what.flour_g for one in came if one.came is not Came.FED),
        went=tuple(WentGrams(to, g) for to, g in sums.items() if g > 0.0),
        left_g=sum(jar.flows.left.flour_g for jar in jars) if stands else None,
        cost=sum(part.g / 1000.0 * prices[part.flour] for part in fed if part.flour in prices),
        unpriced_g=sum(part.g for part in fed if part.flour not in prices),
    )
