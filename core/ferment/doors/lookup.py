"""The same signs without a jar's log: looked up by what is seen and smelt."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from ..ready_rule import DOUBLED, WOKE, YEASTS_OWN_H
from ..record.ledger import Sighting, highest
from ..record.log import Bubbles, Smell, Thickness, Top
from ..refusal import within
from ..signs import Finding, findings
from ..signs.clues import Scene

OLDEST_DAYS = 3650.0
MOST_TIMES = 6.0
# Where nobody says how wet or how warm it is, it counts as an ordinary jar.
ORDINARY_HYDRATION, ORDINARY_C = 100.0, 24.0


class HowOld(StrEnum):
    FIRST_DAY = "first_day"
    EARLY = "early"
    MIDDLE = "middle"
    OLD = "old"


class SinceFed(StrEnum):
    SHORT = "short"
    HALF = "half"
    LONG = "long"


class HowHigh(StrEnum):
    LINE = "line"
    RISEN = "risen"
    DOUBLED = "doubled"
    FALLEN = "fallen"


# What a baker means who presses a word instead of giving a number: days, hours, and level and high mark as × the line.
DAYS: Mapping[HowOld, float] = {HowOld.FIRST_DAY: 0.9, HowOld.EARLY: 2.0, HowOld.MIDDLE: 4.5, HowOld.OLD: 10.0}
HOURS: Mapping[SinceFed, float] = {SinceFed.SHORT: 4.0, SinceFed.HALF: 9.0, SinceFed.LONG: 20.0}
LEVELS: Mapping[HowHigh, tuple[float, float | None]] = {
    HowHigh.LINE: (1.0, None),
    HowHigh.RISEN: (1.4, None),
    HowHigh.DOUBLED: (DOUBLED + 0.1, None),
    HowHigh.FALLEN: (1.2, DOUBLED),
}


@dataclass(frozen=True)
class Described:
    """A jar in the baker's words: days since the first mix, hours since the last feed, and what one look shows.

    `times` is the level and `high` the high mark, as multiples of the line. `begun_sour` is a jar begun with a culture
    or an acid juice.
    """

    days: float
    since_feed_h: float
    times: float | None = None
    high: float | None = None
    bubbles: Bubbles | None = None
    top: frozenset[Top] = frozenset()
    smell: frozenset[Smell] = frozenset()
    thickness: Thickness | None = None
    celsius: float | None = None
    begun_sour: bool = False


def look_up(it: Described, now: datetime) -> tuple[Finding, ...]:
    """What it shows, the most urgent first.

    Raises Refusal (not_a_number, out_of_range) for a number that no jar has.
    """
    within(it.days, 0.0, OLDEST_DAYS, "days")
    within(it.since_feed_h, 0.0, OLDEST_DAYS * 24.0, "since_feed_h")
    for value, field in ((it.times, "times"), (it.high, "high")):
        if value is not None:
            within(value, 0.3, MOST_TIMES, field)
    if it.celsius is not None:
        within(it.celsius, 0.0, 60.0, "celsius")
    seen = Sighting(
        look_id="",
        at=now,
        hours=it.since_feed_h,
        times=it.times,
        high=it.high,
        bubbles=it.bubbles,
        top=it.top,
        smell=it.smell,
        thickness=it.thickness,
    )
    top = highest([seen])
    scene = Scene(
        age_h=it.days * 24.0,
        since_feed_h=min(it.since_feed_h, it.days * 24.0),
        sightings=(seen,),
        peaks_before=(),
        late_h=0.0,
        celsius=ORDINARY_C if it.celsius is None else it.celsius,
        room_times=MOST_TIMES * 2.0,
        hydration_percent=ORDINARY_HYDRATION,
        begun_sour=it.begun_sour,
        woke=it.days * 24.0 >= YEASTS_OWN_H and top >= WOKE,
    )
    return findings(scene, (), now)
