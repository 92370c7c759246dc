"""Who may call: a signed-in baker, with Django's CSRF check on every write."""

from __future__ import annotations

from django.http import HttpRequest
from ninja.security import SessionAuth

from .models import Account
from .services import account_of


class Baker(HttpRequest):
    """A request that passed `signed_in`."""

    auth: Account


class SignedIn(SessionAuth):
    def authenticate(self, request: HttpRequest, key: str | None) -> Account | None:  # noqa: ARG002  (the base's form)
        return account_of(request)


signed_in = SignedIn()
