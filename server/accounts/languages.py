"""Which language is spoken to a baker: the account's own, or what the browser asks for."""

from __future__ import annotations

from enum import StrEnum

from django.http import HttpRequest
from django.utils import translation

from .models import Account


class Language(StrEnum):
    ENGLISH = "en"
    PORTUGUESE = "pt"


def language_of(account: Account | None) -> Language | None:
    """What the account has chosen; None where nothing was, or what is not spoken any more."""
    known = set(Language)
    return Language(account.language) if account is not None and account.language in known else None


def language_asked(request: HttpRequest) -> Language:
    """What this browser asks for: by its cookie, else by the languages that it names (RFC 9110, 12.5.4)."""
    return Language(translation.get_language_from_request(request))


def set_language(account: Account, language: Language) -> None:
    account.language = str(language)
    account.save(update_fields=["language"])
