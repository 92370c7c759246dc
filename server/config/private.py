"""What the API answers is one baker's own: nothing between the server and her keeps it."""

from __future__ import annotations

import logging
import re
from collections.abc import Callable

from django.http import HttpRequest, HttpResponse


def private_answers(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: every answer of the API that says nothing else of it is not to be stored."""

    def answer(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "private, no-store")
        return response

    return answer


# What opens a kitchen's calendar, a jar's page, or an account, to whoever reads it.
_SECRET = re.compile(r"(/calendar/|/shared/|[?&]code=)[^/\s?&.]+")


def without_secrets(text: str) -> str:
    return _SECRET.sub(r"\1…", text)


class WithoutSecrets(logging.Filter):
    """Takes out of a line for the log what opens something."""

    def filter(self, record: logging.LogRecord) -> bool:
        record.msg, record.args = without_secrets(record.getMessage()), ()
        return True
