"""Who may call: a signed-in baker, with Django's CSRF check on every write."""

from __future__ import annotations

import hashlib

from django.core.cache import cache
from django.http import HttpRequest
from ninja.security import HttpBearer, SessionAuth
from ninja.throttling import SimpleRateThrottle

from problems import Problem, ServerProblem

from .access import check_password
from .models import Account
from .services import account_of

# Whose a write is, by the account's id: a device may hold what another baker put down on it.
WHOSE = "X-Despertar-Account"


class Baker(HttpRequest):
    """A request that passed `signed_in`."""

    auth: Account


class SignedIn(SessionAuth):
    def authenticate(self, request: HttpRequest, key: str | None) -> Account | None:  # noqa: ARG002  (the base's form)
        account = account_of(request)
        named = request.headers.get(WHOSE)
        if account is not None and named is not None and named != str(account.pk):
            # Put down by one baker, sent while another is signed in on the same device.
            raise Problem(ServerProblem.OTHER_ACCOUNT, "", status=409)
        return account


signed_in = SignedIn()


class Device(HttpBearer):
    """A device with a token of its own, which opens one address. It is held against what was given out by the service
    that gave it, and alone knows it."""

    def authenticate(self, request: HttpRequest, token: str) -> str:  # noqa: ARG002  (the base's form)
        return token


class Post(HttpRequest):
    """A request of a `Device`: its token."""

    auth: str


class ByToken(SimpleRateThrottle):
    """So many posts of one device in a while."""

    def __init__(self, rate: str, scope: str) -> None:
        self.scope = scope
        super().__init__(rate)

    def get_cache_key(self, request: HttpRequest) -> str:
        return f"{self.scope}." + hashlib.sha256(request.headers.get("Authorization", "").encode()).hexdigest()


class ByAddress(SimpleRateThrottle):
    """So many calls from one address in a while, whoever calls."""

    def __init__(self, rate: str, scope: str) -> None:
        self.scope = scope
        super().__init__(rate)

    def get_cache_key(self, request: HttpRequest) -> str:
        return f"calls.{self.scope}.{self.get_ident(request)}"


# A household, a class of bakers; not a machine that makes accounts.
SIGN_UPS = ByAddress("30/h", "sign-up")


class ByAccount(SimpleRateThrottle):
    """So many calls of one account in a while, from wherever; who is not signed in is turned away before."""

    def __init__(self, rate: str, scope: str) -> None:
        self.scope = scope
        super().__init__(rate)

    def get_cache_key(self, request: HttpRequest) -> str | None:
        account = account_of(request)
        return None if account is None else f"calls.{self.scope}.{account.pk}"


# What a household does in an hour, and some more; not what a machine would.
INVITATIONS, TOKENS = ByAccount("30/h", "invitation"), ByAccount("30/h", "token")
PHOTOS, FILES = ByAccount("600/h", "photo"), ByAccount("600/h", "file")
# A time-lapse comes in many parts at once.
FRAMES = ByAccount("3000/h", "frame")
# A practice jar is run and judged as often as somebody does something with it.
REHEARSALS = ByAccount("3000/h", "rehearsal")
LIMITS = (SIGN_UPS, INVITATIONS, TOKENS, PHOTOS, FILES, FRAMES)

# Wrong passwords from one address, over all names; one name alone is held by axes after five.
MOST_GUESSES = 60
GUESSES_FORGOTTEN_S = 600


def _guesses(request: HttpRequest) -> str:
    return f"guesses.{ByAddress('1/s', 'guess').get_ident(request)}"


def before_guessing(request: HttpRequest, field: str = "password") -> None:
    """Raises Problem for an address that guessed too often. Bakers at other addresses are not held up by it."""
    if cache.get(_guesses(request), 0) >= MOST_GUESSES:
        raise Problem(ServerProblem.TOO_MANY_TRIES, field, status=429, facts={"minutes": GUESSES_FORGOTTEN_S / 60})


def guessed_wrong(request: HttpRequest) -> None:
    key = _guesses(request)
    cache.add(key, 0, GUESSES_FORGOTTEN_S)
    cache.incr(key)


def check_own_password(request: Baker, password: str, field: str = "password") -> None:
    """Raises Problem for a password that is not the one of who is signed in; guesses are counted."""
    before_guessing(request, field)
    try:
        check_password(request.auth, password, field)
    except Problem as problem:
        if problem.code is ServerProblem.WRONG_PASSWORD:
            guessed_wrong(request)
        raise
