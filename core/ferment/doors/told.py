"""What a jar holds and shows at a moment, put together from its ledger and its plan."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from ..kitchen.flours import Blend, FlourLot
from ..kitchen.vessel import Mark, Vessel, marks
from ..mixing.by_hand import ByHand, by_eye, of_feed
from ..mixing.feeding import ratio_as_weighed
from ..model.paste import Paste, paste_of
from ..planner import Plan
from ..planner.standing import keeps_a_rhythm
from ..record.ledger import Ledger, Round, Sighting
from ..record.log import Bubbles, Top
from ..record.terms import Moved
from ..setups import Setup

# A level so much under the highest has left a mark on the glass worth drawing, as a multiple of the line.
SUNK = 0.04


# Wetter than this it is a culture in its soaking water, no mix (common practice).
SOAK_PERCENT = 400.0


@dataclass(frozen=True)
class InJar:
    """What the jar holds: grams, the true hydration and blend with what the seed carried in, and its line.

    `hydration_percent` is None of a soak, which has no thickness yet. `marks` are heights on the glass from low under
    the line to the rim, in mm, ml and × the line.
    """

    flours: FlourLot
    water_g: float
    salt_g: float
    total_g: float
    hydration_percent: float | None
    line_mm: float
    room_times: float
    marks: tuple[Mark, ...]


@dataclass(frozen=True)
class RoundSeen:
    """One feed with the levels seen until the next, and the highest mark that was noted on the glass; in spoons where
    it is measured so."""

    feed_id: str
    at: datetime
    ratio: str
    hydration_percent: float | None
    discard_g: float
    levels: tuple[Sighting, ...]
    high_mark: float | None
    by_hand: ByHand | None


@dataclass(frozen=True)
class SinceFeed:
    """The running round: hours since the feed, the look that read the last level, the one that found it highest (its
    level is the high mark where that is higher), and the latest that was noted of the rest."""

    feed_id: str
    is_first_mix: bool
    fed_at: datetime
    hours: float
    last: Sighting | None
    highest: Sighting | None
    bubbles: Bubbles | None
    top: tuple[Top, ...]

    @property
    def has_sunk(self) -> bool:
        """Whether it stands visibly lower than it had stood."""
        if self.highest is None or self.last is None:
            return False
        return (self.highest.times or 1.0) > (self.last.times or 1.0) + SUNK


@dataclass(frozen=True)
class ColdSpan:
    """A stay in the fridge; `until` is None while it lasts."""

    since: datetime
    until: datetime | None


@dataclass(frozen=True)
class Stands:
    """What is true of a jar now: the jar itself, its warmth as told (°C), its way, and how that is fed.

    `family`, `choices` and `size` are of the way; `every_h` is None where it feeds by signs. `blends` are what the
    baker has since decided to feed with, one a feed in turn; None in `seed_g`, `flour_parts` and `hydration_percent` is
    what the way says.
    """

    vessel: Vessel
    warmth_c: float
    night_c: float | None
    family: str
    choices: Mapping[str, str | float]
    size: float
    every_h: float | None
    blends: tuple[Blend, ...]
    seed_g: float | None
    flour_parts: float | None
    hydration_percent: float | None
    by_hand: bool


@dataclass(frozen=True)
class Totals:
    """What the jar has used so far, in grams."""

    feeds: int
    flour_g: float
    water_g: float
    discard_g: float
    used_g: float
    put_back_g: float


def paste_in(ledger: Ledger) -> Paste:
    held = ledger.contents
    return paste_of(held.flours, held.water_g, held.salt_g)


def stands(setup: Setup, ledger: Ledger, made: Plan) -> Stands:
    moved = [one for one in ledger.terms if isinstance(one, Moved)]
    course, own = made.course, made.own
    rhythm = next((phase.wait.usual for phase in course.phases if keeps_a_rhythm(phase)), None)
    every = made.every or rhythm
    return Stands(
        vessel=ledger.vessel,
        warmth_c=moved[-1].warmth_c if moved else setup.warmth_c,
        night_c=moved[-1].night_c if moved else setup.night_c,
        family=course.method.code,
        choices={
            code.value: value for part in (course.chosen.picks, course.chosen.numbers) for code, value in part.items()
        },
        size=course.size,
        every_h=every / timedelta(hours=1) if every and rhythm else None,
        blends=own.blends,
        seed_g=own.seed_g,
        flour_parts=own.flour_parts,
        hydration_percent=own.hydration_percent,
        by_hand=course.by_hand,
    )


def in_jar(ledger: Ledger, vessel: Vessel) -> InJar | None:
    if not ledger.rounds:
        return None
    turn, held = ledger.rounds[-1], ledger.contents
    wet = held.hydration_percent
    return InJar(
        flours=held.flours,
        water_g=held.water_g,
        salt_g=held.salt_g,
        total_g=held.total_g,
        hydration_percent=wet if wet is not None and wet <= SOAK_PERCENT else None,
        line_mm=turn.line_mm,
        room_times=turn.room_times,
        marks=marks(vessel, turn.line_mm),
    )


def _levels(turn: Round) -> tuple[Sighting, ...]:
    return tuple(seen for seen in turn.sightings if seen.times is not None)


def _highest(turn: Round) -> Sighting | None:
    """The look that found it highest, as the level it stood at then or had left its mark at."""
    marks = (replace(seen, times=seen.high) for seen in turn.sightings if seen.high is not None)
    return max((*_levels(turn), *marks), key=lambda seen: seen.times or 0.0, default=None)


def since_feed(ledger: Ledger, now: datetime) -> SinceFeed | None:
    if not ledger.rounds:
        return None
    turn = ledger.rounds[-1]
    levels = _levels(turn)
    return SinceFeed(
        feed_id=turn.feed.id,
        is_first_mix=len(ledger.rounds) == 1,
        fed_at=turn.feed.at,
        hours=(now - turn.feed.at) / timedelta(hours=1),
        last=levels[-1] if levels else None,
        highest=_highest(turn),
        bubbles=next((seen.bubbles for seen in reversed(turn.sightings) if seen.bubbles), None),
        top=tuple(sorted(next((seen.top for seen in reversed(turn.sightings) if seen.top), frozenset()))),
    )


def round_seen(turn: Round, *, by_hand: bool = False) -> RoundSeen:
    return RoundSeen(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        ratio=ratio_as_weighed(turn.feed.keep_g, turn.feed.flour_g, turn.feed.liquid_g),
        hydration_percent=turn.contents.hydration_percent,
        discard_g=turn.discard_g,
        levels=_levels(turn),
        high_mark=max((seen.high for seen in turn.sightings if seen.high is not None), default=None),
        by_hand=_by_hand(turn) if by_hand else None,
    )


def _by_hand(turn: Round) -> ByHand:
    fed = turn.feed
    part = by_eye(fed.keep_g, turn.before.total_g)
    return of_feed(fed.keep_g, fed.flours, fed.water_g, fed.juice_g, fed.salt_g, keep_part=part)


def used_so_far(ledger: Ledger) -> Totals:
    return Totals(
        feeds=len(ledger.rounds),
        flour_g=sum(turn.feed.flour_g for turn in ledger.rounds),
        water_g=sum(turn.feed.liquid_g for turn in ledger.rounds),
        discard_g=sum(turn.discard_g for turn in ledger.rounds),
        used_g=sum(use.g for use in ledger.uses),
        put_back_g=sum(one.total_g for one in ledger.put_back),
    )
