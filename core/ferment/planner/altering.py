"""What a baker changes on the way, and what the course and its standing are from then on."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from ..kitchen.flours import Blend, FlourShare
from ..kitchen.hours import Hours
from ..methods import family_named
from ..protocol.amounts import Own, Poured
from ..protocol.course import Course, SettledPhase, settle
from ..protocol.method import PutIn, Spot
from ..record.ledger import Ledger, is_cold
from ..record.log import Feed
from ..record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay, Terms
from .standing import Standing
from .steps import ChangeCode


@dataclass(frozen=True)
class LaterHours:
    """The baker's hours, and their time zone, from a moment on."""

    at: datetime
    hours: Hours


@dataclass(frozen=True)
class Altered:
    """The course and the standing after a change, and what is to be told of it."""

    course: Course
    standing: Standing
    code: ChangeCode
    facts: Mapping[str, float | str]


def alter(course: Course, standing: Standing, ledger: Ledger, entry: Terms) -> Altered:
    """One change. What the way's own amounts, or another way, cannot be is kept as it was: the log is never refused."""
    match entry:
        case Moved():
            moved = replace(standing, celsius=entry.warmth_c)
            return Altered(course, moved, ChangeCode.MOVED, {"celsius": entry.warmth_c})
        case OtherJar():
            return Altered(course, standing, ChangeCode.OTHER_JAR, {"ml": entry.vessel.volume_ml})
        case OtherFlour():
            own = replace(standing.own, blends=entry.blends, turn=0)
            names = ", ".join(dict.fromkeys(part.flour for blend in entry.blends for part in blend))
            return Altered(course, replace(standing, own=own), ChangeCode.NEW_FLOUR, {"flours": names})
        case OtherRhythm():
            moved = replace(standing, every=timedelta(hours=entry.every_h))
            return Altered(course, moved, ChangeCode.NEW_RHYTHM, {"hours": entry.every_h})
        case OtherAmount():
            return _other_amount(course, standing, entry)
        case OtherWay():
            return _other_way(course, standing, ledger, entry)


def _other_amount(course: Course, standing: Standing, entry: OtherAmount) -> Altered:
    share = entry.size / course.size
    own = replace(
        standing.own,
        seed_g=entry.seed_g,
        flour_parts=entry.flour_parts,
        hydration_percent=entry.hydration_percent,
    )
    # What the way reckons from the first mix, or from the last feed, is of the new size too.
    first, before = _scaled(standing.first, share), _scaled(standing.before, share)
    moved = replace(standing, own=own, first=first, before=before)
    return Altered(replace(course, size=entry.size), moved, ChangeCode.NEW_AMOUNT, {"size": round(entry.size, 3)})


def _scaled(poured: Poured | None, share: float) -> Poured | None:
    return Poured(poured.flour_g * share, poured.liquid_g * share) if poured else None


def _other_way(course: Course, standing: Standing, ledger: Ledger, entry: OtherWay) -> Altered:
    choices = dict(entry.choices)
    other = settle(family_named(entry.family), choices, entry.size, has_scale=course.has_scale)
    blends = standing.own.blends or ((_fed_with(ledger, entry.at) or course.culture.blend),)
    # Where it came from, and its way to ready, stay what they were.
    after = replace(other, origin=course.origin, ready=course.ready)
    index = _enters_at(after, standing, entry.at, cold=is_cold(ledger, entry.at))
    between = any(phase.moves_to for phase in after.phases)
    moved = replace(
        standing,
        index=index,
        # Between fridge and counter a feed is timed by when the jar came out: taken up at one, it is due from now on.
        soon=entry.at if between and index is not None and after.phases[index].feeds else None,
        turns=0,
        own=Own(blends=blends, turn=standing.own.turn),
        every=None,
        taken=(),
    )
    return Altered(after, moved, ChangeCode.NEW_WAY, {"family": entry.family})


def _fed_with(ledger: Ledger, at: datetime) -> Blend | None:
    feeds: list[Feed] = [turn.feed for turn in ledger.rounds if turn.feed.at <= at and turn.feed.flour_g]
    if not feeds:
        return None
    last = feeds[-1]
    return tuple(FlourShare(part.flour, part.g / last.flour_g) for part in last.flours if part.g)


# A jar fed so lately goes into the cold next; one fed longer ago is fed first.
FED_LATELY = timedelta(hours=20)


def _enters_at(course: Course, standing: Standing, at: datetime, *, cold: bool) -> int | None:
    """The phase at which a running jar takes up another way: never its first mix.

    A way that goes between fridge and counter is taken up by where the jar stands and when it was fed; any other at the
    phase in which a jar of this age would be.
    """
    going_on = [(index, phase) for index, phase in enumerate(course.phases) if not _begins(index, phase)]
    if cold:
        out = [index for index, phase in going_on if phase.moves_to and phase.moves_to.place is Spot.COUNTER]
        if out:
            return out[0]
    chills = [index for index, phase in going_on if phase.moves_to and phase.moves_to.place is Spot.FRIDGE]
    if chills:
        lately = standing.last is not None and at - standing.last < FED_LATELY
        feeds = [index for index, phase in going_on if phase.feeds]
        return chills[0] if lately else (feeds or chills)[0]
    age = at - standing.start if standing.start else timedelta()
    so_far = timedelta()
    for index, phase in enumerate(course.phases):
        so_far += _takes(phase)
        if not _begins(index, phase) and (phase.turns.most is None or so_far > age):
            return index
    return going_on[-1][0] if going_on else None


def _begins(index: int, phase: SettledPhase) -> bool:
    return index == 0 or any(isinstance(act, PutIn) for act in phase.do)


def _takes(phase: SettledPhase) -> timedelta:
    return phase.wait.usual * max(1, phase.turns.usual)
