"""What the core says of the baker's jars at this moment. Nothing here is stored."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from typing import TypeVar
from uuid import UUID

from accounts.services import Account, heard_by
from ferment.doors.admission import admit, admit_setup
from ferment.doors.assessment import Assessment, Stood, assess
from ferment.doors.bakes import BakeOffers, Wanted, bake_offers
from ferment.doors.comparison import Offered, side_by_side
from ferment.doors.foresight import (
    RatioOffer,
    Supposition,
    WholePlan,
    moved_to,
    offers,
    otherwise,
    standing_at,
    whole_plan,
)
from ferment.doors.keeping import KeepingOffer, keeping_offers
from ferment.doors.lookup import Described, look_up
from ferment.doors.sheet import AS_PLANNED, Sheet, WentIn, sheet
from ferment.doors.sparing import Sparing, sparings
from ferment.doors.starts import nearest_starts
from ferment.doors.thrift import Thrift, thriftier
from ferment.doors.trial import Trial, TriedJar, trial
from ferment.mixing.contents import Origin
from ferment.record.log import Log, Look
from ferment.refusal import Refusal, RefusalCode
from ferment.setups import Setup
from ferment.signs import Finding
from kitchen.cards import Ancestor, JarCard, UnreadCard
from kitchen.services import all_jars, any_jar_of, catalogue, daughters_of
from kitchen.stamps import JarLabel, JarStamp, stamps
from logbook.reading import Recorded, latest_of, logs_of, written_in
from photos.services import Taken, photos_of
from problems.latest import Latest
from problems.stored import UnreadableError
from watching.views import SeenFeed, running_feed

from .kept import kept
from .readings import AnyCard, stations_near, with_readings
from .told_now import Foreseen, foreseen_of, holds_until, is_told, moment_of, told_now
from .unread import Unread, UnreadJar, stands_on, told

T = TypeVar("T")


@dataclass(frozen=True)
class Assessed:
    """`holds_until` is how long that holds if nothing is written of the jar; None where thermometers may tell more."""

    card: JarCard
    assessment: Assessment
    holds_until: datetime | None

    def holds(self, now: datetime) -> bool:
        return self.holds_until is not None and now < self.holds_until


@dataclass(frozen=True)
class OpenJar:
    """A jar with everything about it."""

    card: JarCard
    assessment: Assessment
    holds_until: datetime | None
    sheet: Sheet | None
    entries: list[Recorded]
    older_until: datetime | None
    photos: list[Taken]
    watched: SeenFeed | None
    daughters: list[Ancestor]


@dataclass(frozen=True)
class Kitchen:
    """The jars on the shelf at one moment; those that cannot be told, and those put away, stand apart."""

    jars: list[Assessed]
    unread: list[Unread]
    away: list[JarLabel]


_told: Latest[tuple[object, ...], Assessed] = Latest(512)


def kitchen_now(account: Account, now: datetime, stamped: Sequence[JarStamp] | None = None) -> Kitchen:
    """Every jar within reach, in a fixed number of queries. Nothing is worked out for those that are put away.

    What was told of every jar on the shelf this minute is told again without reading it (`stamped`, where the stamps
    are read already).
    """
    stamped = stamps(account) if stamped is None else stamped
    heard = heard_by(account)
    asked = {
        one.id: (account.pk, one.by, heard, now.replace(second=0, microsecond=0)) for one in stamped if one.on_shelf
    }
    known = {
        jar: told for jar, key in asked.items() if (told := _told.get((jar, *key))) is not None and told.holds(now)
    }
    if len(known) == len(asked):
        return Kitchen(list(known.values()), [], [one for one in stamped if not one.on_shelf])
    kitchen = _kitchen_read(account, heard, now)
    for one in kitchen.jars:
        if one.card.id in asked and one.holds(now):
            _told.set((one.card.id, *asked[one.card.id]), one)
    return kitchen


def _kitchen_read(account: Account, heard: frozenset[str], now: datetime) -> Kitchen:
    everything = all_jars(account, now)
    shelf = [card for card in everything if card.on_shelf]
    logs = logs_of(shelf)
    cards = with_readings(shelf, logs, now)
    foreseen = _foreseen(cards, logs, now)

    def tell(card: JarCard, log: Log) -> Assessed:
        jar = told_now(card, log, now, foreseen)
        return Assessed(card, _unheard(jar.assessment, heard), _holds_until(card, log, now))

    found = [told(card, logs[card.id], tell) for card in cards]
    return Kitchen(
        [one for one in found if isinstance(one, Assessed)],
        [one for one in found if isinstance(one, Unread)],
        [card for card in everything if not card.on_shelf],
    )


def _foreseen(
    cards: Iterable[AnyCard], logs: Mapping[UUID, Log | UnreadableError], now: datetime
) -> dict[str, Foreseen]:
    """What was followed already of the jars that this process has not told this minute."""
    wanted = []
    for card in cards:
        log = logs[card.id]
        if isinstance(card, JarCard) and not isinstance(log, UnreadableError) and not is_told(card, log, now):
            wanted.append(card)
    return foreseen_of(wanted)


def jar_now(account: Account, jar_id: UUID, now: datetime) -> OpenJar:
    """Raises Problem: not found, or that it cannot be told (jar_unreadable)."""

    def tell(card: JarCard, log: Log) -> OpenJar:
        jar = told_now(card, log, now)
        return OpenJar(
            card,
            _unheard(jar.assessment, heard_by(account)),
            _holds_until(card, log, now),
            _sheet_now(card.setup, log, now, jar),
            *latest_of(card.id),
            photos_of(card.id),
            running_feed(card, log),
            daughters_of(account, card.id),
        )

    return _told_or_problem(account, jar_id, now, tell)


def unread_jar(account: Account, jar_id: UUID, now: datetime) -> UnreadJar:
    """A jar that cannot be told, with all that is written in it. Raises Problem (not found)."""
    card, log = _warm(account, jar_id, now)
    found = told(card, log, lambda card, log: assess(card.setup, log, now))
    written = written_in(jar_id)
    if not isinstance(found, Unread):
        return UnreadJar(card, None, None, written)
    entry = found.entry_id
    if entry is None and isinstance(card, JarCard) and not isinstance(log, UnreadableError):
        entry = stands_on(card.setup, log, now)
    return UnreadJar(card, found.cause, entry, written)


def _told_or_problem(account: Account, jar_id: UUID, now: datetime, tell: Callable[[JarCard, Log], T]) -> T:
    card, log = _warm(account, jar_id, now)
    found = told(card, log, tell)
    if isinstance(found, Unread):
        raise found.problem
    return found


def _warm(account: Account, jar_id: UUID, now: datetime) -> tuple[JarCard | UnreadCard, Log | UnreadableError]:
    jar = any_jar_of(account, jar_id, now)
    logs = logs_of([jar])
    (card,) = with_readings([jar], logs, now)
    return card, logs[jar_id]


def _opened(account: Account, jar_id: UUID, now: datetime) -> tuple[JarCard, Log]:
    """A jar with its log, to ask something of it. Raises Problem."""
    return _told_or_problem(account, jar_id, now, lambda card, log: (card, log))


MOST_BESIDE = 4


def read_through(account: Account, jar_id: UUID, now: datetime) -> tuple[Setup, Log]:
    """A jar's set-up and its whole log. Raises Problem for one out of reach, or that cannot be read."""
    card, log = _opened(account, jar_id, now)
    return card.setup, log


@dataclass(frozen=True)
class Beside:
    """Jars side by side, the plain one first, and what each was told by."""

    jars: list[Assessed]
    tried: list[TriedJar]
    trial: Trial


def beside(
    account: Account,
    jar_ids: Sequence[UUID],
    now: datetime,
    *,
    until: datetime | None = None,
    yeast: frozenset[UUID] = frozenset(),
) -> Beside:
    """Jars as they stand now, or as they stood at a moment (`until`); a pinch of baker's yeast goes into some.

    Raises Problem for a jar out of reach or that cannot be told, Refusal for fewer than two or more than four.
    """
    # Whose they are comes first: who is not let in learns nothing of how many may be asked for.
    opened = [_opened(account, jar_id, now) for jar_id in jar_ids[: MOST_BESIDE + 1]]
    if not 2 <= len(set(jar_ids)) == len(jar_ids) <= MOST_BESIDE:
        raise Refusal(RefusalCode.OUT_OF_RANGE, "other", {"least": 1.0, "most": float(MOST_BESIDE - 1)})
    if until is not None:
        opened = [(card, tuple(entry for entry in log if entry.at <= until)) for card, log in opened]
        # What is told of a jar now is kept by its minute; this is told of another.
        jars = [Assessed(card, assess(card.setup, log, until), None) for card, log in opened]
    else:
        jars = [Assessed(card, told_now(card, log, now).assessment, None) for card, log in opened]
    tried = [TriedJar(str(card.id), card.setup, log, card.id in yeast) for card, log in opened]
    return Beside(jars, tried, trial(tried, until or now))


def _sheet_now(setup: Setup, log: Log, now: datetime, jar: Stood) -> Sheet | None:
    """The feed sheet that goes with an opened jar, so that a device can weigh on without a connection."""
    try:
        return sheet(setup, log, AS_PLANNED, now, jar)
    except Refusal:
        # After what went in, the method's own amounts make no sense; the page says so when it asks itself.
        return None


def _holds_until(card: JarCard, log: Log, now: datetime) -> datetime | None:
    return None if stations_near(card, log) else holds_until(card.setup, log, now)


def _unheard(found: Assessment, heard: frozenset[str]) -> Assessment:
    """Without the cautions that the baker has acknowledged."""
    return replace(found, notices=tuple(one for one in found.notices if one not in heard))


def preview(setup: Setup, now: datetime) -> Assessment:
    """What a jar would ask for, before it is planned. Raises Refusal as planning it would."""
    admit_setup(setup, now)
    return assess(setup, (), now)


def less_waste(setup: Setup, now: datetime) -> Thrift | None:
    """A smaller size that wastes less and costs nothing. Raises Refusal."""
    admit_setup(setup, now)
    return thriftier(setup)


def other_starts(setup: Setup, now: datetime) -> list[datetime]:
    """When it could be begun so that the baker's hours have room for its first waits. Raises Refusal."""
    admit_setup(setup, now)
    return list(nearest_starts(setup, now))


@dataclass(frozen=True)
class WhatIf:
    """A jar as it would be told at another warmth, and what a feed now would do there."""

    assessment: Assessment
    offers: tuple[RatioOffer, ...]


def what_if(account: Account, jar_id: UUID, warmth_c: float, now: datetime) -> WhatIf:
    card, log = _opened(account, jar_id, now)
    return WhatIf(moved_to(card.setup, log, now, warmth_c), offers(*standing_at(card.setup, log, now, warmth_c), now))


def compare(origin: Origin, setup: Setup, *, has_scale: bool) -> list[Offered]:
    """The families that begin so, side by side, for this kitchen and flour."""
    asked = (origin, setup, has_scale)
    return list(
        kept("compare", asked, tuple, lambda: tuple(side_by_side(catalogue(), setup, origin, has_scale=has_scale)))
    )


@dataclass(frozen=True)
class Planned:
    """A jar with its plan from the first mix to ready."""

    card: JarCard
    assessment: Assessment
    plan: WholePlan
    holds_until: datetime | None


def planned_jar(account: Account, jar_id: UUID, now: datetime) -> Planned:
    """Raises Problem for a jar out of reach, and for one that cannot be told."""
    return _told_or_problem(account, jar_id, now, lambda card, log: _planned(card, log, now))


def planned_kitchen(account: Account, now: datetime) -> list[Planned]:
    """The jars on the shelf that are still kept and can be told, in a fixed number of queries."""
    shelf = [card for card in all_jars(account, now) if card.on_shelf]
    logs = logs_of(shelf)
    cards = with_readings(shelf, logs, now)
    foreseen = _foreseen(cards, logs, now)
    made = [told(card, logs[card.id], lambda card, log: _planned(card, log, now, foreseen)) for card in cards]
    return [one for one in made if isinstance(one, Planned) and one.assessment.binned_at is None]


def _planned(card: JarCard, log: Log, now: datetime, foreseen: Mapping[str, Foreseen] | None = None) -> Planned:
    jar = told_now(card, log, now, foreseen)
    plan = whole_plan(card.setup, log, moment_of(card.setup, log, now), jar)
    return Planned(card, jar.assessment, plan, _holds_until(card, log, now))


@dataclass(frozen=True)
class Wondered:
    """A jar as it would be otherwise, beside how it is."""

    assessment: Assessment
    plan: WholePlan


def plan_otherwise(account: Account, jar_id: UUID, what: Supposition, now: datetime) -> Wondered:
    """Nothing is changed by asking. Raises Refusal."""
    card, log = _opened(account, jar_id, now)
    return Wondered(*otherwise(card.setup, log, now, what))


def less_waste_on(account: Account, jar_id: UUID, now: datetime) -> list[Sparing]:
    """What would waste less of a running jar from here on. Raises Refusal."""
    card, log = _opened(account, jar_id, now)
    return list(sparings(card.setup, log, now))


def look_up_signs(it: Described, now: datetime) -> list[Finding]:
    """What a jar shows that has no log here."""
    return list(look_up(it, now))


def signs_of(account: Account, jar_id: UUID, look: Look, now: datetime) -> list[Finding]:
    """What a jar would show with one more look that is not kept. Raises Refusal as recording it would."""
    card, log = _opened(account, jar_id, now)
    admit(card.setup, log, look, now)
    return list(assess(card.setup, (*log, look), now).findings)


def ways_to_keep(account: Account, jar_id: UUID, now: datetime) -> list[KeepingOffer]:
    """How a jar could be kept from now on."""
    card, log = _opened(account, jar_id, now)
    return list(keeping_offers(card.setup, log, now))


def ways_to_bake(account: Account, jar_id: UUID, wanted: Wanted, now: datetime) -> BakeOffers:
    """How so many grams can be had at an hour. Raises Refusal."""
    card, log = _opened(account, jar_id, now)
    return bake_offers(card.setup, log, wanted, now)


def weigh(account: Account, jar_id: UUID, went_in: WentIn, now: datetime) -> Sheet:
    """The feed sheet with what has gone in so far."""
    card, log = _opened(account, jar_id, now)
    return sheet(card.setup, log, went_in, now)
