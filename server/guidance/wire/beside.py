"""What goes over the wire of jars side by side: what differs between them, what that did, and how sure it is."""

from __future__ import annotations

from datetime import datetime
from uuid import UUID

from accounts.wire import Told
from ferment.doors.surety import Surety, Yardstick
from ferment.doors.trial import Apart
from ferment.record.log import Smell
from guidance.services import Beside

from .jar import RoundSeen


class Habitual(Told):
    """Hours since the feed, or a multiple of the line; `unsure` is the spread of its logarithm."""

    middle: float
    unsure: float


class Habit(Told):
    """What a jar does by habit after the same meal in the same warmth as the others; `doubles` is null where it hardly
    does, `holds` is how long it stays within a tenth of its rise."""

    doubles: Habitual | None
    peak: Habitual
    top: Habitual
    holds: Habitual


class Woken(Told):
    """Hours from the first mix to the feed from which on its yeast doubles it, or, where it does not yet, until now."""

    hours: float
    awake: bool


class BesideJar(Told):
    """One of the jars: its yeast doubles it feed after feed since a moment (null: not yet), with so many watched since;
    its habit where three or more tell of it, and its feeds with what was read after each."""

    id: UUID
    name: str
    began_at: datetime | None
    grown_since: datetime | None
    watched: int
    woken: Woken | None
    habit: Habit | None
    fall_seen: bool
    binned: bool
    smells: dict[Smell, int]
    smelt_of: int
    rounds: tuple[RoundSeen, ...]


class Difference(Told):
    """Of one jar against the first: a share (0.2: 20 % more), with the bounds between which it lies 19 times of 20, and
    the same in hours for a moment. `more_feeds` would likely settle what is open; null where no such number would.
    `at_least`: one of the two is not there yet, and the share is the least that it will be."""

    jar: UUID
    measure: Yardstick
    share: float
    low: float
    high: float
    hours: float | None
    surety: Surety
    more_feeds: int | None
    at_least: bool


class SmellApart(Told):
    """A smell that one jar surely has more often than the first, or less: at so many of the feeds at which anything was
    smelt."""

    jar: UUID
    smell: Smell
    feeds: int
    of: int
    plain_feeds: int
    plain_of: int


class BesideOut(Told):
    """Jars beside the first of them. `apart` is what differs between them, the most telling first; `celsius` the warmth
    at which their habits are told."""

    apart: tuple[Apart, ...]
    celsius: float
    jars: tuple[BesideJar, ...]
    differences: tuple[Difference, ...]
    smells: tuple[SmellApart, ...]


def beside_out(beside: Beside) -> BesideOut:
    rows = []
    found = beside.trial
    for one, standing in zip(beside.jars, found.standings, strict=True):
        rounds = one.assessment.rounds
        rows.append(
            BesideJar(
                id=one.card.id,
                name=one.card.name,
                began_at=rounds[0].at if rounds else None,
                grown_since=standing.grown_since,
                watched=standing.watched,
                habit=Habit.model_validate(standing.habit) if standing.habit else None,
                woken=Woken.model_validate(standing.woken) if standing.woken else None,
                fall_seen=standing.fall_seen,
                binned=standing.binned,
                smells=dict(standing.smelt),
                smelt_of=standing.smelt_of,
                rounds=tuple(RoundSeen.model_validate(turn) for turn in rounds),
            )
        )
    return BesideOut(
        apart=found.apart,
        celsius=found.celsius,
        jars=tuple(rows),
        differences=tuple(Difference.model_validate(one) for one in found.differences),
        smells=tuple(SmellApart.model_validate(one) for one in found.smells),
    )
