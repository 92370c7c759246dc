"""Several hands in one kitchen: invite, come in, leave, be shown out. The owner alone invites and shows out."""

from __future__ import annotations

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum
from uuid import UUID

from django.db import transaction

from accounts.services import Account
from places.services import give, stations_of
from problems import Problem, ServerProblem, not_found

from .models import Hand, Invitation, Jar, Kitchen, Passage
from .services import kitchen_of
from .stamps import written_anew

INVITATION_LASTS = timedelta(days=7)
MOST_HANDS = 8
# Lines of the door's book that are shown.
SHOWN = 30
# Read out over a table: no letters that are taken for digits.
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"


@dataclass(frozen=True)
class Helper:
    """One who keeps a kitchen with its owner; `id` names the access, not the person."""

    id: UUID
    name: str
    since: datetime


class Passed(StrEnum):
    """What was done at the door of a kitchen."""

    INVITED = "invited"
    CALLED_BACK = "called_back"
    CAME_IN = "came_in"
    SHOWN_OUT = "shown_out"
    LEFT = "left"
    HANDED_OVER = "handed_over"


@dataclass(frozen=True)
class Passing:
    """One line of the door's book; `who` is empty for an invitation, which knows nobody yet."""

    at: datetime
    what: Passed
    who: str
    by: str


@dataclass(frozen=True)
class Hands:
    """Who keeps the account's own kitchen, how many invitations are open, whose kitchens the account keeps, and who
    came and went of late, the latest first."""

    mine: tuple[Helper, ...]
    open_invitations: int
    others: tuple[Helper, ...]
    passed: tuple[Passing, ...]


def hands_of(account: Account, now: datetime) -> Hands:
    kitchen = kitchen_of(account)
    mine = Hand.objects.filter(kitchen_id=kitchen).select_related("account").order_by("since")
    others = Hand.objects.filter(account=account).select_related("kitchen__owner").order_by("since")
    waiting = Invitation.objects.filter(kitchen_id=kitchen, used_at=None, ends_at__gt=now).count()
    return Hands(
        tuple(Helper(one.id, one.account.name, one.since) for one in mine),
        waiting,
        tuple(Helper(one.id, one.kitchen.owner.name, one.since) for one in others),
        tuple(
            Passing(one.at, Passed(one.what), one.who, one.by)
            for one in Passage.objects.filter(kitchen_id=kitchen).order_by("-at", "-id")[:SHOWN]
        ),
    )


def _note(kitchen_id: UUID, what: Passed, who: str, by: Account, now: datetime) -> None:
    Passage.objects.create(kitchen_id=kitchen_id, at=now, what=what, who=who, by=by.name)


def invite(account: Account, now: datetime) -> str:
    """A code for one more pair of hands, told this once. Raises Problem when the kitchen is full."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "")
    kitchen = kitchen_of(account)
    open_or_in = Hand.objects.filter(kitchen_id=kitchen).count()
    open_or_in += Invitation.objects.filter(kitchen_id=kitchen, used_at=None, ends_at__gt=now).count()
    if open_or_in >= MOST_HANDS:
        raise Problem(ServerProblem.TOO_MANY_HANDS, "", facts={"most": float(MOST_HANDS)})
    code = "-".join("".join(secrets.choice(LETTERS) for _ in range(4)) for _ in range(4))
    with transaction.atomic():
        Invitation.objects.create(kitchen_id=kitchen, code_hash=_hash(code), ends_at=now + INVITATION_LASTS)
        _note(kitchen, Passed.INVITED, "", account, now)
    return code


def is_open(code: str, now: datetime) -> bool:
    """Whether an invitation would let somebody in now."""
    return Invitation.objects.filter(code_hash=_hash(code), used_at=None, ends_at__gt=now).exists()


def come_in(account: Account, code: str, now: datetime) -> Hands:
    """Use an invitation. Raises Problem for one that is wrong, used, too old, or one's own."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "code")
    with transaction.atomic():
        found = Invitation.objects.select_for_update().filter(code_hash=_hash(code)).first()
        if found is None or found.used_at is not None or found.ends_at <= now:
            raise Problem(ServerProblem.NO_SUCH_INVITATION, "code")
        if Kitchen.objects.filter(id=found.kitchen_id, owner=account).exists():
            raise Problem(ServerProblem.OWN_KITCHEN, "code")
        Hand.objects.get_or_create(kitchen_id=found.kitchen_id, account=account)
        found.used_at = now
        found.save(update_fields=["used_at"])
        _note(found.kitchen_id, Passed.CAME_IN, account.name, account, now)
        _other_keepers(found.kitchen_id)
    return hands_of(account, now)


def show_out(account: Account, hand_id: UUID, now: datetime) -> Hands:
    """End an access: the owner shows somebody out, or somebody leaves. What they logged stays in the log."""
    hand = Hand.objects.filter(id=hand_id).select_related("kitchen", "account").first()
    if hand is None or account.pk not in (hand.kitchen.owner_id, hand.account_id):
        raise not_found()
    with transaction.atomic():
        # The thermometer goes with who owns it: what it reads from now on is another kitchen's.
        theirs = [station.id for station in stations_of(hand.account)]
        Jar.objects.filter(kitchen_id=hand.kitchen_id, thermometer__in=theirs).update(thermometer=None)
        left = account.pk == hand.account_id
        _note(hand.kitchen_id, Passed.LEFT if left else Passed.SHOWN_OUT, hand.account.name, account, now)
        hand.delete()
        _other_keepers(hand.kitchen_id)
    return hands_of(account, now)


def hand_over(account: Account, hand_id: UUID, now: datetime) -> Hands:
    """Give the kitchen's jars to one who keeps it: they move into that baker's own kitchen with their thermometers, and
    whoever kept them goes on keeping them, the owner of before too. Raises Problem (not found) for no such hand."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "")
    with transaction.atomic():
        hand = (
            Hand.objects.select_for_update()
            .filter(id=hand_id, kitchen__owner=account)
            .select_related("account")
            .first()
        )
        if hand is None:
            raise not_found()
        theirs, mine = kitchen_of(hand.account), hand.kitchen_id
        moved = list(Jar.objects.filter(kitchen_id=mine).values_list("id", flat=True))
        stations = Jar.objects.filter(id__in=moved).values_list("thermometer", flat=True)
        give(account, hand.account, {one for one in stations if one is not None})
        Jar.objects.filter(id__in=moved).update(kitchen_id=theirs)
        keepers = [account, *(one.account for one in Hand.objects.filter(kitchen_id=mine).exclude(id=hand_id))]
        for keeper in keepers:
            if keeper != hand.account:
                Hand.objects.get_or_create(kitchen_id=theirs, account=keeper)
        Hand.objects.filter(kitchen_id=mine).delete()
        for kitchen in (mine, theirs):
            _note(kitchen, Passed.HANDED_OVER, hand.account.name, account, now)
        written_anew(moved)
        _other_keepers(theirs)
    return hands_of(account, now)


def _other_keepers(kitchen_id: UUID) -> None:
    """Whose thermometers are read at the kitchen's jars has changed."""
    written_anew(Jar.objects.filter(kitchen_id=kitchen_id).values_list("id", flat=True))


def call_back(account: Account, now: datetime) -> None:
    """Every invitation that is still open opens nothing any more."""
    kitchen = kitchen_of(account)
    with transaction.atomic():
        called, _ = Invitation.objects.filter(kitchen_id=kitchen, used_at=None).delete()
        if called:
            _note(kitchen, Passed.CALLED_BACK, "", account, now)


def _hash(code: str) -> str:
    return hashlib.sha256(code.strip().lower().encode()).hexdigest()
