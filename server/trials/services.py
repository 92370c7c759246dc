"""Trials: begun over jars that run or with new ones, told as they stand or as they ended, and ended."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum
from uuid import UUID, uuid4

from django.db import IntegrityError, transaction
from django.db.models import QuerySet

from accounts.services import Account
from ferment.doors.together import WeighedOnce, weighed_once
from ferment.methods.keeping import KEEPING, Keeping
from ferment.record.log import Bin, Deed, DeedKind, Entry, Use, UsedFor
from ferment.record.terms import OtherWay
from ferment.refusal import Refusal, RefusalCode
from guidance.services import MOST_BESIDE, Beside, beside
from kitchen.services import jar_of, set_on_shelf
from kitchen.stamps import reach_of, stamps
from logbook.bodies import from_core
from logbook.services import NewJar, plan_new, record, withdraw
from photos.services import Taken, photos_of
from problems import Problem, ServerProblem, not_found

from .models import Part, Trial


class EndedAs(StrEnum):
    """What becomes of a jar: it is kept as it is; all of it is used in a dough; it goes into the fridge as a spare,
    into the discard jar, or into the bin."""

    KEPT = "kept"
    USED = "used"
    SPARE = "spare"
    DISCARD = "discard"
    BIN = "bin"


BEFORE_THE_END = timedelta(seconds=1)
# These are eaten, sooner or later.
FOOD = frozenset({EndedAs.USED, EndedAs.SPARE, EndedAs.DISCARD})


@dataclass(frozen=True)
class Entrant:
    """A jar of a trial that is begun: one that is there, or a new one."""

    jar: UUID | NewJar
    yeast: bool

    @property
    def id(self) -> UUID:
        return self.jar.id if isinstance(self.jar, NewJar) else self.jar


@dataclass(frozen=True)
class Place:
    """A jar of a trial."""

    jar: UUID
    name: str
    yeast: bool
    ended_as: EndedAs | None


@dataclass(frozen=True)
class TrialLabel:
    """A trial as it stands in a list; the plain jar first."""

    id: UUID
    name: str
    begun_at: datetime
    ended_at: datetime | None
    places: tuple[Place, ...]


@dataclass(frozen=True)
class TrialNow:
    """A trial as it stands, or as it ended: what its jars did, what may be weighed once for all of them, the photos of
    all of them together, and the jars into which a pinch of yeast is still to go."""

    label: TrialLabel
    beside: Beside
    together: tuple[WeighedOnce, ...]
    photos: list[Taken]
    yeast_due: list[UUID]


def begin(account: Account, trial_id: UUID, name: str, entrants: Sequence[Entrant], now: datetime) -> TrialLabel:
    """Begin a trial, its new jars planned with it; all or nothing. The same id again gives the trial that is there.

    Raises Refusal for fewer than two jars or more than four, and as planning one of them would, with the number of the
    jar before its field; Problem for a jar out of reach, and for an id that is another's.
    """
    there = _of(account).filter(id=trial_id).first()
    if there is None:
        ids = [one.id for one in entrants]
        if not 2 <= len(set(ids)) == len(ids) <= MOST_BESIDE:
            raise Refusal(RefusalCode.OUT_OF_RANGE, "jars", {"least": 2.0, "most": float(MOST_BESIDE)})
        try:
            with transaction.atomic():
                _begin(account, trial_id, name, entrants, now)
        except IntegrityError:
            # Two requests of one press, or an id that is another kitchen's.
            pass
        there = _of(account).filter(id=trial_id).first()
    if there is None or [part.jar_id for part in there.parts.order_by("number")] != [one.id for one in entrants]:
        raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
    return _labels(account, [there])[0]


def _begin(account: Account, trial_id: UUID, name: str, entrants: Sequence[Entrant], now: datetime) -> None:
    kitchens = []
    for number, one in enumerate(entrants):
        if isinstance(one.jar, NewJar):
            with of_jar(number):
                card = plan_new(account, one.jar, now)
        else:
            card = jar_of(account, one.jar)
        kitchens.append(card.kitchen_id)
    if len(set(kitchens)) > 1:
        # Who of two kitchens would see it, and who not?
        raise not_found()
    made = Trial.objects.create(id=trial_id, kitchen_id=kitchens[0], name=name, begun_at=now, begun_by=account)
    Part.objects.bulk_create(
        Part(trial=made, jar_id=one.id, number=number, yeast=one.yeast) for number, one in enumerate(entrants)
    )


@contextmanager
def of_jar(number: int) -> Iterator[None]:
    """What is refused of one jar of several says of which."""
    try:
        yield
    except Refusal as refusal:
        raise Refusal(refusal.code, f"jars.{number}.{refusal.field}", refusal.facts) from refusal


def trials_of(account: Account) -> list[TrialLabel]:
    """Every trial within reach, those that run first, the latest of each first."""
    found = sorted(_of(account).prefetch_related("parts"), key=lambda one: (one.ended_at is None, one.begun_at))
    return _labels(account, found[::-1])


def trial_of(account: Account, trial_id: UUID) -> TrialLabel:
    """Raises Problem (not found)."""
    return _labels(account, [_own(account, trial_id)])[0]


def trial_now(account: Account, trial_id: UUID, now: datetime) -> TrialNow:
    """Raises Problem (not found), and as a jar that cannot be told does."""
    trial = _own(account, trial_id)
    (label,) = _labels(account, [trial])
    # Of one that has ended what is told is what stood before anything was done about it.
    until = trial.ended_at - BEFORE_THE_END if trial.ended_at else None
    yeast = frozenset(place.jar for place in label.places if place.yeast)
    held = beside(account, [place.jar for place in label.places], now, until=until, yeast=yeast)
    together = () if trial.ended_at else weighed_once(held.tried, now)
    taken = [one for one in photos_of(label.places[0].jar) if one.look is None and trial.begun_at <= one.at]
    return TrialNow(label, held, together, taken, [] if trial.ended_at else _yeast_due(held))


def _yeast_due(held: Beside) -> list[UUID]:
    return [
        one.card.id
        for one, tried in zip(held.jars, held.tried, strict=True)
        if tried.yeast
        and one.assessment.in_jar is not None
        and not any(isinstance(entry, Deed) and entry.deed is DeedKind.YEAST_ADDED for entry in tried.log)
    ]


def rename(account: Account, trial_id: UUID, name: str) -> TrialLabel:
    trial = _own(account, trial_id)
    trial.name = name
    trial.save(update_fields=["name"])
    return _labels(account, [trial])[0]


def end(account: Account, trial_id: UUID, ends: Mapping[UUID, EndedAs], now: datetime) -> TrialLabel:
    """Say of each jar what becomes of it, and write that down in its log; all or nothing. An ended trial ends no other
    way: the same again changes nothing.

    Raises Problem where a jar is left out, Refusal where what is no food would be eaten.
    """
    with transaction.atomic():
        trial = _own(account, trial_id, lock=True)
        parts = list(trial.parts.order_by("number"))
        if trial.ended_at is not None:
            if {part.jar_id: part.ended_as for part in parts} != {jar: how.value for jar, how in ends.items()}:
                raise Problem(ServerProblem.CHANGED_MEANWHILE, "id", status=409)
            return _labels(account, [trial])[0]
        if {part.jar_id for part in parts} != set(ends):
            raise Problem(ServerProblem.MISSING, "ends")
        told = beside(account, [part.jar_id for part in parts], now)
        for part, one in zip(parts, told.jars, strict=True):
            how = ends[part.jar_id]
            held = one.assessment.in_jar.total_g if one.assessment.in_jar else 0.0
            if how in FOOD and not one.assessment.discard_is_food:
                raise Refusal(RefusalCode.DISCARD_IS_NO_FOOD, f"ends.{part.jar_id}", {"instead": "kept, bin"})
            if one.assessment.binned_at is None:
                _write_down(account, part, how, held, now)
            part.ended_as = how.value
        Part.objects.bulk_update(parts, ["ended_as", "wrote"])
        trial.ended_at = now
        trial.save(update_fields=["ended_at"])
    return _labels(account, [trial])[0]


def forget(account: Account) -> None:
    """Only the demo kitchen is ever laid anew."""
    Trial.objects.filter(kitchen__owner=account).delete()


def _write_down(account: Account, part: Part, how: EndedAs, held_g: float, now: datetime) -> None:
    """The entries of an end, which can be undone in the jar's log like any other."""
    entries: list[Entry] = []
    if how is EndedAs.SPARE:
        way = KEEPING[Keeping.SPARE]
        entries.append(OtherWay("", now, way.family, way.choices))
    elif how is EndedAs.BIN:
        entries.append(Bin("", now))
    elif how in (EndedAs.USED, EndedAs.DISCARD):
        used = UsedFor.DOUGH if how is EndedAs.USED else UsedFor.DISCARD_JAR
        if held_g > 0:
            entries.append(Use("", now, held_g, used))
        entries.append(Deed("", now, DeedKind.LET_GO))
    for entry in entries:
        entry_id = uuid4()
        record(account, part.jar_id, entry_id, from_core(entry), None, now)
        part.wrote.append(str(entry_id))
    if how not in (EndedAs.KEPT, EndedAs.SPARE):
        set_on_shelf(account, part.jar_id, now, on_shelf=False)


def resume(account: Account, trial_id: UUID, now: datetime) -> TrialLabel:
    """Take an end back: what it wrote down is undone, and its jars stand on the shelf again. Raises Refusal and Problem
    as undoing an entry does."""
    with transaction.atomic():
        trial = _own(account, trial_id, lock=True)
        if trial.ended_at is None:
            return _labels(account, [trial])[0]
        parts = list(trial.parts.order_by("number"))
        for part in parts:
            for entry_id in reversed(part.wrote):
                withdraw(account, UUID(entry_id), now)
            if part.ended_as != EndedAs.KEPT:
                set_on_shelf(account, part.jar_id, now, on_shelf=True)
            part.ended_as, part.wrote = None, []
        Part.objects.bulk_update(parts, ["ended_as", "wrote"])
        trial.ended_at = None
        trial.save(update_fields=["ended_at"])
    return _labels(account, [trial])[0]


def _of(account: Account) -> QuerySet[Trial]:
    return Trial.objects.filter(kitchen_id__in=reach_of(account))


def _own(account: Account, trial_id: UUID, *, lock: bool = False) -> Trial:
    found = _of(account).filter(id=trial_id)
    trial: Trial | None = (found.select_for_update() if lock else found).first()
    if trial is None:
        raise not_found()
    return trial


def _labels(account: Account, trials: Sequence[Trial]) -> list[TrialLabel]:
    names = {one.id: one.name for one in stamps(account)} if trials else {}
    return [
        TrialLabel(
            trial.id,
            trial.name,
            trial.begun_at,
            trial.ended_at,
            tuple(
                Place(
                    part.jar_id,
                    names.get(part.jar_id, ""),
                    part.yeast,
                    EndedAs(part.ended_as) if part.ended_as in set(EndedAs) else None,
                )
                for part in sorted(trial.parts.all(), key=lambda part: part.number)
            ),
        )
        for trial in trials
    ]
