"""How a baker comes in: name and password changed, where else they are signed in, and a code on paper for the day on
which the password is forgotten. No mail leaves the machine."""

from __future__ import annotations

import hashlib
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from django.contrib.auth import update_session_auth_hash
from django.contrib.sessions.models import Session
from django.db import IntegrityError, transaction
from django.db.models import Q
from django.http import HttpRequest

from problems import Problem, ServerProblem, not_found

from .models import Account, Recovery, Visit
from .services import accepted_password, enter, living_visits

# Written by hand and read again: no letters that are taken for digits. Twenty of thirty-one are some 99 bits.
LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"
GROUPS, OF = 5, 4
LINK_LASTS = timedelta(hours=24)


@dataclass(frozen=True)
class SignedInAt:
    """One place where the account is signed in; `here` is the one that asks."""

    id: UUID
    on_phone: bool
    since: datetime
    seen_at: datetime
    here: bool


@dataclass(frozen=True)
class Access:
    """How the account can be come into: where it is, and since when there is a code on paper."""

    visits: tuple[SignedInAt, ...]
    recovery_since: datetime | None


def access_of(account: Account, request: HttpRequest) -> Access:
    own = request.session.session_key
    rows = living_visits(account).order_by("-seen_at")
    paper = Recovery.objects.filter(account=account, ends_at=None).first()
    return Access(
        tuple(SignedInAt(row.id, row.on_phone, row.since, row.seen_at, row.session == own) for row in rows),
        paper.made_at if paper else None,
    )


def end_visit(account: Account, visit_id: UUID) -> None:
    """Sign one place out. Raises Problem (not found)."""
    row = Visit.objects.filter(account=account, id=visit_id).first()
    if row is None:
        raise not_found()
    Session.objects.filter(session_key=row.session).delete()
    row.delete()


def _end_others(account: Account, keep: str | None) -> None:
    rows = Visit.objects.filter(account=account).exclude(session=keep or "")
    Session.objects.filter(session_key__in=list(rows.values_list("session", flat=True))).delete()
    rows.delete()


def sign_out_everywhere(account: Account) -> None:
    _end_others(account, None)


def rename(account: Account, name: str) -> None:
    """Raises Problem where another has the name, or in the demo."""
    _not_the_demo(account, "name")
    if Account.objects.filter(name=name).exclude(pk=account.pk).exists():
        raise Problem(ServerProblem.NAME_TAKEN, "name")
    account.name = name
    try:
        with transaction.atomic():
            account.save(update_fields=["name"])
    except IntegrityError:
        raise Problem(ServerProblem.NAME_TAKEN, "name") from None


def check_password(account: Account, password: str, field: str = "password") -> None:
    """Raises Problem for a password that is not the account's, or in the demo."""
    _not_the_demo(account, field)
    if not account.check_password(password):
        raise Problem(ServerProblem.WRONG_PASSWORD, field)


def change_password(account: Account, request: HttpRequest, password: str) -> None:
    """Everybody else who is signed in with it is signed out. Raises Problem for one that is too easy."""
    accepted_password(account, password)
    before = request.session.session_key
    with transaction.atomic():
        account.set_password(password)
        account.save(update_fields=["password"])
        # The session goes on under another key.
        update_session_auth_hash(request, account)
        Visit.objects.filter(session=before).update(session=request.session.session_key)
        _end_others(account, request.session.session_key)


def new_recovery(account: Account, now: datetime) -> str:
    """A code to write down; the one before opens nothing any more. Told this once."""
    _not_the_demo(account, "")
    return _code(account, now, None)


def new_link(account: Account, now: datetime) -> str:
    """A code for a day, from whoever keeps the house; the one on paper stays."""
    return _code(account, now, now + LINK_LASTS)


def _code(account: Account, now: datetime, ends_at: datetime | None) -> str:
    code = "-".join("".join(secrets.choice(LETTERS) for _ in range(OF)) for _ in range(GROUPS))
    with transaction.atomic():
        Recovery.objects.filter(account=account, ends_at__isnull=ends_at is None).delete()
        Recovery.objects.create(account=account, code_hash=_hash(code), made_at=now, ends_at=ends_at)
    return code


def recover(request: HttpRequest, name: str, code: str, password: str, now: datetime) -> Account:
    """Come in by a code, with a new password; the code is used up, and everybody else is signed out.

    Raises Problem: one answer for a name that is not there, a code that is not its own, and one that is over.
    """
    with transaction.atomic():
        found = (
            Recovery.objects.select_for_update()
            .filter(Q(ends_at=None) | Q(ends_at__gt=now), code_hash=_hash(code), account__name=name)
            .first()
        )
        account = Account.objects.filter(pk=found.account_id, is_active=True).first() if found else None
        if found is None or account is None:
            raise Problem(ServerProblem.NO_SUCH_CODE, "code")
        accepted_password(account, password)
        account.set_password(password)
        account.save(update_fields=["password"])
        found.delete()
        _end_others(account, None)
    enter(request, account)
    return account


def lock(account: Account, *, locked: bool) -> None:
    """A locked account can be come into by nobody; what it owns stays."""
    account.is_active = not locked
    account.save(update_fields=["is_active"])
    if locked:
        _end_others(account, None)


def all_accounts() -> list[Account]:
    return list(Account.objects.order_by("made_at", "pk"))


def _not_the_demo(account: Account, field: str) -> None:
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, field)


def _hash(code: str) -> str:
    """However it was typed: with or without its dashes, large or small."""
    plain = "".join(sign for sign in code.lower() if sign.isalnum())
    return hashlib.sha256(plain.encode()).hexdigest()
