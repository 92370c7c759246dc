"""Signing up, in and out."""

from __future__ import annotations

import logging
from datetime import datetime, timedelta
from itertools import chain, count
from zoneinfo import ZoneInfo, available_timezones

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.contrib.auth.models import AnonymousUser
from django.contrib.auth.password_validation import validate_password
from django.contrib.sessions.models import Session
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.db.models import QuerySet
from django.http import HttpRequest
from django.utils import timezone

from problems import Problem, ServerProblem

from .languages import Language
from .models import Account as Account
from .models import Heard, Visit

log = logging.getLogger("despertar.accounts")


def account_of(request: HttpRequest) -> Account | None:
    """Who is signed in. A visit to the demo kitchen ends where the demo does."""
    user: Account | AnonymousUser = request.user
    if not isinstance(user, Account) or (user.is_demo and not settings.DESPERTAR_DEMO):
        return None
    return user


def count_accounts() -> int:
    """Of bakers, not of visitors to the demo."""
    return Account.objects.filter(is_demo=False).count()


def by_invitation() -> bool:
    """Whether a new account takes an invitation: where the house is kept so, from its second account on."""
    return settings.SIGN_UP_INVITED and Account.objects.filter(is_demo=False).exists()


def sign_up(request: HttpRequest, name: str, password: str, time_zone: str) -> Account:
    """Make an account and sign it in. Raises Problem by field."""
    known_time_zone(time_zone)
    account = Account(name=name, time_zone=time_zone)
    if _is_taken(name):
        raise Problem(ServerProblem.NAME_TAKEN, "name")
    accepted_password(account, password)
    account.set_password(password)
    try:
        with transaction.atomic():
            account.save()
    except IntegrityError:
        raise Problem(ServerProblem.NAME_TAKEN, "name") from None
    enter(request, account)
    return account


def accepted_password(account: Account, password: str) -> None:
    """Raises Problem for a password that is too easy."""
    try:
        validate_password(password, account)
    except ValidationError as error:
        first = error.error_list[0]
        facts = {"least": float(first.params["min_length"])} if first.params and "min_length" in first.params else {}
        raise Problem(ServerProblem(str(first.code)), "password", facts=facts) from None


def enter(request: HttpRequest, account: Account) -> None:
    """Sign in, and note where."""
    login(request, account, backend="django.contrib.auth.backends.ModelBackend")
    if request.session.session_key is None:
        request.session.save()
    _forget_ended(account)
    now = timezone.now()
    on_phone = "Mobi" in request.headers.get("User-Agent", "")
    Visit.objects.update_or_create(
        session=request.session.session_key,
        defaults={"account": account, "on_phone": on_phone, "since": now, "seen_at": now},
    )


def living_visits(account: Account) -> QuerySet[Visit]:
    """Where the account is signed in still."""
    told = list(Visit.objects.filter(account=account).values_list("session", flat=True))
    living = Session.objects.filter(session_key__in=told, expire_date__gt=timezone.now())
    return Visit.objects.filter(account=account, session__in=list(living.values_list("session_key", flat=True)))


def _forget_ended(account: Account) -> None:
    living = list(living_visits(account).values_list("pk", flat=True))
    Visit.objects.filter(account=account).exclude(pk__in=living).delete()


SEEN_AGAIN = timedelta(minutes=10)


def seen(request: HttpRequest, now: datetime) -> None:
    """Whoever is signed in was seen again."""
    key = request.session.session_key
    if key is not None:
        Visit.objects.filter(session=key, seen_at__lt=now - SEEN_AGAIN).update(seen_at=now)


def sign_in(request: HttpRequest, name: str, password: str) -> Account:
    """Raises Problem for a wrong name or password alike; after five, the pair of name and address has to wait."""
    account = authenticate(request, username=name, password=password)
    if not isinstance(account, Account):
        raise Problem(ServerProblem.WRONG_NAME_OR_PASSWORD, "password", status=401)
    enter(request, account)
    return account


def sign_in_as_demo(request: HttpRequest, account: Account, time_zone: str) -> None:
    """Enter the demo account without a password; its times are shown in the visitor's zone."""
    account.time_zone = known_time_zone(time_zone)
    # Each visitor finds it as it was laid, whatever units another chose.
    account.forms = DEMO_FORMS[Language(account.language)]
    account.save(update_fields=["time_zone", "forms"])
    enter(request, account)


MOST_ZONES = 40


def set_time_zone(account: Account, name: str, now: datetime) -> None:
    """Where the baker lives now; all pages go by it, and hours from now on. Raises Problem."""
    if known_time_zone(name) == account.time_zone:
        return
    left = {"zone": account.time_zone, "until": now.isoformat()}
    account.earlier_zones = [*account.earlier_zones, left][-MOST_ZONES:]
    account.time_zone = name
    account.save(update_fields=["time_zone", "earlier_zones"])


def zones_of(account: Account) -> list[tuple[datetime | None, ZoneInfo]]:
    """The zones of the account in their order, each with the moment from which it holds; none for the first."""
    told: list[tuple[datetime | None, ZoneInfo]] = []
    since: datetime | None = None
    for left in account.earlier_zones:
        try:
            told.append((since, ZoneInfo(left["zone"])))
            since = datetime.fromisoformat(left["until"])
        except (KeyError, TypeError, ValueError) as error:
            log.error("a zone of account %s cannot be read: %r", account.pk, error)
    return [*told, (since, ZoneInfo(account.time_zone))]


def take_zones(account: Account, time_zone: str, earlier: object) -> None:
    """The zones of a baker who comes from another machine with all their jars; what cannot be one is passed over."""
    known = available_timezones()
    rows = earlier if isinstance(earlier, list) else []
    if time_zone not in known or account.earlier_zones:
        return
    account.earlier_zones = [row for row in rows if isinstance(row, dict) and row.get("zone") in known][-MOST_ZONES:]
    account.time_zone = time_zone
    account.save(update_fields=["time_zone", "earlier_zones"])


def sign_out(request: HttpRequest) -> None:
    Visit.objects.filter(session=request.session.session_key or "").delete()
    logout(request)


DEMO_NAMES = {Language.ENGLISH: "demo baker", Language.PORTUGUESE: "padeiro de exemplo"}
DEMO_FORMS: dict[Language, dict[str, str]] = {Language.ENGLISH: {}, Language.PORTUGUESE: {"decimal": "comma"}}


def demo_account(language: Language = Language.ENGLISH) -> Account:
    """The account of a language's demo kitchen, made when it is not there; known by its flag, never by its name.

    Nobody can sign in to it by a password. Where a baker has its name already it takes the next that is free.
    """
    with transaction.atomic():
        there = Account.objects.select_for_update().filter(is_demo=True, language=language).first()
        if there is not None:
            return there
        wished = DEMO_NAMES[language]
        names = chain([wished], (f"{wished} {number}" for number in count(2)))
        account = Account(
            name=next(name for name in names if not _is_taken(name)), is_demo=True, time_zone="UTC", language=language
        )
        account.set_unusable_password()
        account.save()
        return account


def account_named(name: str) -> Account | None:
    """Whoever signs in by that name."""
    return Account.objects.filter(name=name).first()


def _is_taken(name: str) -> bool:
    return Account.objects.filter(name=name).exists()


def accounts_to_remind() -> list[Account]:
    """Everybody who may be reminded of anything, and wants to be."""
    return list(Account.objects.filter(is_active=True, wants_reminders=True, kitchen__isnull=False))


def want_reminders(account: Account, *, wanted: bool) -> None:
    """Whether this baker is reminded: of a kitchen of three hands, one may want to sleep."""
    account.wants_reminders = wanted
    account.save(update_fields=["wants_reminders"])


def acknowledge(account: Account, notice: str) -> None:
    """The baker has read a caution. Saying so twice is as good as once."""
    Heard.objects.get_or_create(account=account, notice=notice)


def heard_by(account: Account) -> frozenset[str]:
    """The cautions that the baker has acknowledged."""
    return frozenset(Heard.objects.filter(account=account).values_list("notice", flat=True))


def known_time_zone(name: str) -> str:
    if name not in available_timezones():
        raise Problem(ServerProblem.UNKNOWN_TIME_ZONE, "time_zone", facts={"example": "Europe/Lisbon"})
    return name
