"""How sure it is that two jars differ: in what they do by habit, in when they woke, and in what they smell of.

Of two habits (`tracker.habit`), in the logarithm, with their spreads s,

    difference   d = ln b - ln a
    its spread   s = sqrt(s_a² + s_b² + EQUAL_JARS²)        two jars of one sort are no twins
    surely       |d| > SURELY s                             19 times of 20 (two-sided bell)

What one day differs from the next is in each habit's spread already, and shrinks with the feeds watched; what two equal
jars differ by for good does not. A jar wakes once: there the spread is what equal jars differ by (AWAKE_APART), and no
further feed settles it. Of smells the feeds are counted at which each was noted, and the counts held against chance by
Fisher's exact test (R. A. Fisher, Statistical Methods for Research Workers, §21.02).
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..record.log import Smell
from ..tracker.habit import Habitual

# By how much two jars of one sort go on differing, whatever is averaged over (assumed: of the 10 to 20 % by which two
# feeds of equal jars differ, common practice, most is the day's).
EQUAL_JARS = 0.03
# By how much the days until two equal jars woke differ, in the logarithm (`bench/trials.md`: 0.22).
AWAKE_APART = 0.25
# Of a bell: 19 of 20 within, and four of five.
SURELY, EIGHT_OF_TEN = 1.96, 1.2816
# A difference within this is none that a baker would notice.
NO_MATTER = 0.10
MOST_MORE_FEEDS = 12
# Of smells: what chance alone does so seldom, over all of them together.
BY_CHANCE = 0.05


class Yardstick(StrEnum):
    """What two jars are compared by; `HOLDS` is how long it stays near its peak, `AWAKE` the time from the first mix to
    the feed from which on its yeast doubles it."""

    TO_DOUBLE = "to_double"
    TO_PEAK = "to_peak"
    HEIGHT = "height"
    HOLDS = "holds"
    AWAKE = "awake"


class Surety(StrEnum):
    """How sure a difference is; `NO_MATTER`: surely too small to matter."""

    SURELY = "surely"
    LIKELY = "likely"
    OPEN = "open"
    NO_MATTER = "no_matter"


@dataclass(frozen=True)
class Difference:
    """Of one jar against the plain one: a share (0.2: 20 % more), with the bounds between which it lies 19 times of 20.
    `hours` is the same in hours, for a moment. `more_feeds` would likely settle what is open; None where no such number
    would. `at_least`: one of the two is not there yet, and all three shares are the least that it will be."""

    jar: str
    measure: Yardstick
    share: float
    low: float
    high: float
    hours: float | None
    surety: Surety
    more_feeds: int | None
    at_least: bool = False


@dataclass(frozen=True)
class SmellApart:
    """A smell that one jar has surely more often than the plain one, or less: at how many of the feeds at which
    anything was smelt."""

    jar: str
    smell: Smell
    feeds: int
    of: int
    plain_feeds: int
    plain_of: int


@dataclass(frozen=True)
class Woken:
    """Hours from the first mix to the feed from which on its yeast doubles it, or, where it does not yet, until now."""

    hours: float
    awake: bool


def habits_apart(jar: str, measure: Yardstick, plain: Habitual, other: Habitual, watched: int) -> Difference:
    """Of two habits told for one meal and one warmth; `watched` is the feeds that tell of the less watched jar."""
    found = math.log(other.middle / plain.middle)
    days = math.hypot(plain.unsure, other.unsure)
    spread = math.hypot(days, EQUAL_JARS)
    surety = _surety(found, spread)
    return Difference(
        jar,
        measure,
        *_shares(found, spread),
        None if measure is Yardstick.HEIGHT else round(other.middle - plain.middle, 2),
        surety,
        _more_feeds(found, days, watched) if surety in _UNSETTLED else None,
    )


def awake_apart(jar: str, plain: Woken, other: Woken) -> Difference | None:
    """None where neither is awake, and where one is not but is not later yet than chance would have it."""
    if not (plain.awake or other.awake) or plain.hours <= 0.0 or other.hours <= 0.0:
        return None
    found, hours = math.log(other.hours / plain.hours), round(other.hours - plain.hours, 2)
    if plain.awake and other.awake:
        return Difference(
            jar, Yardstick.AWAKE, *_shares(found, AWAKE_APART), hours, _surety(found, AWAKE_APART), more_feeds=None
        )
    still_asleep = found if plain.awake else -found
    if still_asleep <= SURELY * AWAKE_APART:
        return None
    least = round(math.expm1(found), 3)
    return Difference(jar, Yardstick.AWAKE, least, least, least, hours, Surety.SURELY, None, at_least=True)


def smells_apart(
    jar: str, plain: Mapping[Smell, int], plain_of: int, other: Mapping[Smell, int], of: int
) -> tuple[SmellApart, ...]:
    """The smells that two jars surely differ in, by the feeds at which each was noted, of so many at which anything
    was. What is asked of so many smells at once is asked of each the more strictly (Bonferroni)."""
    smells = sorted({*plain, *other})
    return tuple(
        SmellApart(jar, smell, other.get(smell, 0), of, plain.get(smell, 0), plain_of)
        for smell in smells
        if fisher(plain.get(smell, 0), plain_of, other.get(smell, 0), of) < BY_CHANCE / len(smells)
    )


def fisher(some: int, of: int, others: int, of_others: int) -> float:
    """How often chance alone would deal `some` of `of` and `others` of `of_others`, or as seldom (two-sided)."""
    whole, drawn = of + of_others, some + others

    def chance(first: int) -> float:
        return math.comb(of, first) * math.comb(of_others, drawn - first) / math.comb(whole, drawn)

    seen = chance(some)
    least, most = max(0, drawn - of_others), min(of, drawn)
    # Equal chances differ in their last digits.
    return min(1.0, sum(one for first in range(least, most + 1) if (one := chance(first)) <= seen * (1.0 + 1e-9)))


_UNSETTLED = (Surety.LIKELY, Surety.OPEN)


def _shares(found: float, spread: float) -> tuple[float, float, float]:
    low, high = found - SURELY * spread, found + SURELY * spread
    return round(math.expm1(found), 3), round(math.expm1(low), 3), round(math.expm1(high), 3)


def _surety(found: float, spread: float) -> Surety:
    if abs(found) > SURELY * spread:
        return Surety.SURELY
    if abs(found) + SURELY * spread < NO_MATTER:
        return Surety.NO_MATTER
    return Surety.LIKELY if abs(found) > EIGHT_OF_TEN * spread else Surety.OPEN


def _more_feeds(found: float, days: float, watched: int) -> int | None:
    """How many more watched feeds would make this difference sure, or surely too small to matter, if it stays as it is:
    the days' part of the spread shrinks with the root of their number."""
    for more in range(1, MOST_MORE_FEEDS + 1):
        spread = math.hypot(days * math.sqrt(watched / (watched + more)), EQUAL_JARS)
        if abs(found) > SURELY * spread or abs(found) + SURELY * spread < NO_MATTER:
            return more
    return None
