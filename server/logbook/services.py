"""The baker's verbs on a log: record, amend, withdraw, restore. Each is atomic and safe to send twice."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from contextlib import suppress
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID, uuid4, uuid5

from django.db import IntegrityError, transaction
from django.db.models import Count, Max

from accounts.services import Account
from ferment.doors.admission import admit, admit_removal
from ferment.doors.begun import BegunAs, as_begun
from ferment.record import log
from ferment.refusal import Fact
from ferment.setups import Setup
from kitchen.cards import JarCard
from kitchen.services import Beside, in_reach, jar_of, lock_jar, lock_label, plan_jar, set_place
from places.services import owns
from problems import Problem, ServerProblem, not_found
from problems.stored import UnreadableError

from .bodies import AnyBody, FeedBody, from_core, from_stored, to_core, to_stored
from .models import Change, Entry
from .reading import Recorded, as_core, body_of, core_log, if_readable, name_of, older_of, recorded_of, rows_of
from .terms import MovedBody


@dataclass(frozen=True)
class Standing:
    """A place for a jar: °C by day and by night, and its thermometer."""

    warmth_c: float
    night_c: float | None
    thermometer: UUID | None


@dataclass(frozen=True)
class Changed:
    """What an entry said before a change."""

    what: str
    body: AnyBody
    made_at: datetime
    made_by: str | None


def record(
    account: Account, jar_id: UUID, entry_id: UUID, body: AnyBody, seen_feed: UUID | None, now: datetime
) -> Recorded:
    """Write a new entry. The same id with the same in it again gives the entry that is there; with something else in
    it, it is refused (id taken, 409): the first was taken, and the second would be lost.

    `seen_feed` is the last feed that the baker's device knew of. A feed that another device recorded meanwhile is shown
    (fed meanwhile, 409) before this one is taken; the baker may then send it again with that feed as seen.
    """
    with transaction.atomic():
        card = lock_jar(account, jar_id)
        there = Entry.objects.filter(id=entry_id).select_related("recorded_by").first()
        if there is None:
            rows = rows_of([jar_id])
            _check_meanwhile(rows, body, seen_feed)
            _check_thermometer(account, body)
            admit(card.setup, core_log(rows), to_core(entry_id, body), now)
            try:
                with transaction.atomic():
                    there = Entry.objects.create(
                        id=entry_id,
                        jar_id=jar_id,
                        kind=body.kind,
                        at=body.at,
                        body=to_stored(body),
                        recorded_at=now,
                        recorded_by=account,
                    )
            except IntegrityError:
                # The same id written to another jar between our look and our write.
                there = Entry.objects.get(id=entry_id)
            else:
                return recorded_of(there)
        if there.jar_id != jar_id or _first_said(there) != body:
            raise Problem(ServerProblem.ID_TAKEN, "id", status=409)
        return recorded_of(there)


def amend(account: Account, entry_id: UUID, seen_revision: int, body: AnyBody, now: datetime) -> Recorded:
    """Correct an entry, keeping what it said. Sent twice it changes once; a change by another device is shown first."""
    with transaction.atomic():
        card, entry = _own(account, entry_id)
        if entry.kind != body.kind:
            raise Problem(ServerProblem.NOT_ACCEPTED, "kind")
        if body_of(entry) == body:
            return recorded_of(entry)
        if entry.revision != seen_revision or entry.withdrawn_at is not None:
            raise Problem(ServerProblem.CHANGED_MEANWHILE, "id", status=409)
        _check_thermometer(account, body)
        admit(card.setup, core_log(rows_of([card.id])), to_core(entry.id, body), now)
        _note_change(entry, "amended", account, now)
        entry.at, entry.body = body.at, to_stored(body)
        entry.revision += 1
        entry.save(update_fields=["at", "body", "revision"])
        return recorded_of(entry)


def withdraw(account: Account, entry_id: UUID, now: datetime) -> Recorded | None:
    """Undo an entry: it counts for nothing but can be restored.

    One that cannot be read can be undone too, so that the jar that stands on it opens again; None is answered then.
    """
    with transaction.atomic():
        row = _jar_of_entry(entry_id)
        lock_label(account, row)
        entry = Entry.objects.select_related("recorded_by").get(id=entry_id)
        if entry.withdrawn_at is None:
            readable = {one.id: core for one in rows_of([row]) if (core := if_readable(one))}
            if entry.id in readable:
                admit_removal(tuple(readable.values()), readable[entry.id])
            _note_change(entry, "withdrawn", account, now)
            entry.withdrawn_at = now
            entry.save(update_fields=["withdrawn_at"])
        return recorded_of(entry) if if_readable(entry) else None


def restore(account: Account, entry_id: UUID, now: datetime) -> Recorded:
    """Take an undo back, if the entry still fits what has been recorded since."""
    with transaction.atomic():
        card, entry = _own(account, entry_id)
        if entry.withdrawn_at is not None:
            core = as_core(entry)
            admit(card.setup, (*core_log(rows_of([card.id])), core), core, now)
            _note_change(entry, "restored", account, now)
            entry.withdrawn_at = None
            entry.save(update_fields=["withdrawn_at"])
        return recorded_of(entry)


def move(account: Account, entry_id: UUID, to_jar: UUID, now: datetime) -> Recorded:
    """Take a feed or a look over to the jar that it was of; sent twice it moves once. What it said stays as it was.

    Raises Refusal where it does not fit there, or where what came after it here stands on it.
    """
    with transaction.atomic():
        from_jar = _jar_of_entry(entry_id)
        # In one order, so that two that are moved across each other do not wait for one another.
        cards = {jar_id: lock_jar(account, jar_id) for jar_id in sorted({from_jar, to_jar})}
        entry = Entry.objects.select_related("recorded_by").get(id=entry_id)
        if entry.jar_id == to_jar:
            return recorded_of(entry)
        if entry.kind not in MOVED or entry.withdrawn_at is not None:
            raise Problem(ServerProblem.NOT_ACCEPTED, "kind")
        core = as_core(entry)
        admit_removal(core_log(rows_of([from_jar])), core)
        admit(cards[to_jar].setup, core_log(rows_of([to_jar])), core, now)
        _note_change(entry, "moved", account, now)
        entry.jar_id = to_jar
        entry.revision += 1
        entry.save(update_fields=["jar", "revision"])
        return recorded_of(entry)


# What may be noted with the wrong jar in hand.
MOVED = frozenset({"feed", "look"})


def older(account: Account, jar_id: UUID, until: datetime) -> list[Recorded]:
    """The entries of a jar up to a moment, the latest first. Raises Problem (not found)."""
    in_reach(account, jar_id)
    return older_of(jar_id, until)


def history(account: Account, entry_id: UUID) -> list[Changed]:
    """Every change of an entry that can still be read, the latest first."""
    _, entry = _own(account, entry_id, lock=False)
    changes = Change.objects.filter(entry=entry).select_related("made_by").order_by("-made_at", "-id")
    told = []
    for change in changes:
        with suppress(UnreadableError):
            body = from_stored(entry.kind, change.at, change.body)
            told.append(Changed(change.what, body, change.made_at, name_of(change.made_by)))
    return told


def count_entries() -> int:
    return Entry.objects.count()


def changes_of(jar_ids: Sequence[UUID]) -> dict[UUID, tuple[int, datetime | None]]:
    """How often the log of a jar was changed so far, which never falls, and when last; in two queries."""
    written = Entry.objects.filter(jar_id__in=jar_ids).values("jar_id").annotate(n=Count("id"), at=Max("recorded_at"))
    changed = Change.objects.filter(entry__jar_id__in=jar_ids).values("entry__jar_id")
    later = {row["entry__jar_id"]: (row["n"], row["at"]) for row in changed.annotate(n=Count("id"), at=Max("made_at"))}
    found: dict[UUID, tuple[int, datetime | None]] = dict.fromkeys(jar_ids, (0, None))
    for row in written:
        more, at = later.get(row["jar_id"], (0, row["at"]))
        found[row["jar_id"]] = row["n"] + more, max(row["at"], at)
    return found


def undone_in(jar_ids: Sequence[UUID]) -> dict[UUID, int]:
    """How often an act was undone in each jar so far, which never falls."""
    undone = Change.objects.filter(entry__jar_id__in=jar_ids, entry__kind__in=("feed", "deed"), what="withdrawn")
    counted = {row["entry__jar_id"]: row["n"] for row in undone.values("entry__jar_id").annotate(n=Count("id"))}
    return {jar_id: counted.get(jar_id, 0) for jar_id in jar_ids}


def lay_log(card: JarCard, entries: Iterable[tuple[UUID, AnyBody]], now: datetime) -> None:
    """Write a whole log at once, each entry checked as if it were recorded at its own time. Nobody's name is on it."""
    so_far: log.Log = ()
    rows = []
    for entry_id, body in entries:
        core = to_core(entry_id, body)
        admit(card.setup, so_far, core, body.at)
        so_far = (*so_far, core)
        rows.append(
            Entry(id=entry_id, jar_id=card.id, kind=body.kind, at=body.at, body=to_stored(body), recorded_at=now)
        )
    Entry.objects.bulk_create(rows)


@dataclass(frozen=True)
class NewJar:
    """A jar to be put on the shelf; `begun` is what was done since its start, where that is to be written down."""

    id: UUID
    name: str
    setup: Setup
    beside: Beside
    begun: BegunAs | None


def plan_new(account: Account, new: NewJar, now: datetime) -> JarCard:
    """Plan a jar, and write down what was done since its start; both or neither. Sent twice it is done once.

    Raises Refusal and Problem as `plan_jar` does.
    """
    with transaction.atomic():
        card = plan_jar(account, new.id, new.name, new.setup, now, new.beside)
        if new.begun is not None and not Entry.objects.filter(jar_id=new.id).exists():
            so_far: log.Log = ()
            for number, made in enumerate(as_begun(card.setup, new.begun, now)):
                entry_id = uuid5(new.id, f"begun-{number}")
                admit(card.setup, so_far, made, made.at)
                so_far = (*so_far, made)
                body = from_core(made)
                Entry.objects.create(
                    id=entry_id,
                    jar_id=new.id,
                    kind=body.kind,
                    at=body.at,
                    body=to_stored(body),
                    recorded_at=now,
                    recorded_by=account,
                )
        return card


def written_by_someone(jar_ids: Sequence[UUID]) -> bool:
    """Whether anybody recorded or changed anything in these jars since their logs were laid."""
    entries = Entry.objects.filter(jar_id__in=jar_ids)
    return entries.filter(recorded_by__isnull=False).exists() or Change.objects.filter(entry__in=entries).exists()


def _check_meanwhile(rows: Sequence[Entry], body: AnyBody, seen_feed: UUID | None) -> None:
    if not isinstance(body, FeedBody):
        return
    feeds = log.feeds_of(core_log(rows))
    last = feeds[-1] if feeds else None
    if last is not None and last.id != str(seen_feed):
        facts: dict[str, Fact] = {
            "id": last.id,
            "at": last.at.isoformat(),
            "keep_g": last.keep_g,
            "flour_g": last.flour_g,
            "water_g": last.liquid_g,
        }
        raise Problem(ServerProblem.FED_MEANWHILE, "at", status=409, facts=facts)


def _check_thermometer(account: Account, body: AnyBody) -> None:
    if isinstance(body, MovedBody) and body.thermometer is not None and not owns(account, body.thermometer):
        raise Problem(ServerProblem.NOT_FOUND, "thermometer", status=404)


def stand(account: Account, jar_id: UUID, place: Standing, now: datetime) -> JarCard:
    """Where a jar stands from now on; before its first mix where it is to stand. Raises Refusal or Problem."""
    with transaction.atomic():
        lock_jar(account, jar_id)
        if not log.feeds_of(core_log(rows_of([jar_id]))):
            return set_place(account, jar_id, place.warmth_c, place.night_c, place.thermometer)
        body = MovedBody(
            kind="moved",
            at=now,
            warmth_c=place.warmth_c,
            night_c=place.night_c,
            thermometer=place.thermometer,
            note="",
        )
        record(account, jar_id, uuid4(), body, None, now)
        return jar_of(account, jar_id)


def _jar_of_entry(entry_id: UUID) -> UUID:
    row = Entry.objects.filter(id=entry_id).values("jar_id").first()
    if row is None:
        raise not_found()
    return UUID(str(row["jar_id"]))


def _own(account: Account, entry_id: UUID, *, lock: bool = True) -> tuple[JarCard, Entry]:
    jar_id = _jar_of_entry(entry_id)
    card = lock_jar(account, jar_id) if lock else jar_of(account, jar_id)
    return card, Entry.objects.select_related("recorded_by").get(id=entry_id)


def _note_change(entry: Entry, what: str, account: Account, now: datetime) -> None:
    Change.objects.create(entry=entry, what=what, at=entry.at, body=entry.body, made_at=now, made_by=account)


def _first_said(entry: Entry) -> AnyBody:
    """What an entry said when it was recorded, whatever was made of it since."""
    first = Change.objects.filter(entry=entry).order_by("made_at", "id").first()
    return from_stored(entry.kind, first.at, first.body) if first else body_of(entry)
