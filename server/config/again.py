"""A request that the database took back, or did not take at all, is answered again from its start.

A cluster takes writes at every machine and finds at the commit whether two of them meet: the later one is told of a
deadlock (MariaDB 1213) and nothing of it stands. A machine that has left the cluster, or is gone, refuses before
anything is asked of it. In both cases nothing was written, so that any verb may be repeated. Where a connection breaks
while an answer is awaited nobody knows: what only reads is repeated, and what writes is answered as out of reach; the
browser, which keeps it, sends it again with the id that it gave it, and the same id counts once.
"""

from __future__ import annotations

import itertools
import logging
import secrets
import sys
import time
from collections.abc import Callable

from django.core.signals import got_request_exception
from django.db import OperationalError, connection
from django.dispatch import receiver
from django.http import HttpRequest, HttpResponse
from django.utils.datastructures import MultiValueDict

from problems.taken_back import TAKEN_BACK, code_of

# Seconds before each further try, about. Two writes that met get out of each other's way; a proxy needs longer to find
# a machine that answers.
MET_S = (0.02, 0.04, 0.08, 0.16, 0.32, 0.64)
ELSEWHERE_S = (0.03, 0.15, 0.6, 1.5)
# Not begun (MariaDB's error codes, as below): no server there, none at the other end any more, one that shuts down, one
# outside its cluster.
NOT_BEGUN = frozenset({1047, 1053, 1927, 2002, 2003, 2006, 2055})
# Broken off while an answer was awaited, its own "lost connection" or as the client library times out.
UNKNOWN = frozenset({2013, 2014, 2026})
SAFE = frozenset({"GET", "HEAD", "OPTIONS"})

log = logging.getLogger("despertar.again")
_MARK = "_despertar_database_error"


def mark(request: HttpRequest, error: OperationalError) -> None:
    """What the database said, noted where the request is answered."""
    setattr(request, _MARK, code_of(error))


@receiver(got_request_exception)
def _mark_unexpected(request: HttpRequest | None = None, **_told: object) -> None:
    """What goes wrong outside the API: where a session is kept, or a name's guesses are counted."""
    error = sys.exc_info()[1]
    if request is not None and isinstance(error, OperationalError):
        mark(request, error)


def again(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware, outside of all that asks the database."""

    def answered(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        for tried in itertools.count():
            code = request.__dict__.pop(_MARK, 0)
            waits = MET_S if code in TAKEN_BACK else ELSEWHERE_S
            if not may_repeat(code, request.method or ""):
                return response
            if tried >= len(waits):
                log.error("given up after %d tries: %d", tried + 1, code)
                return response
            if code not in TAKEN_BACK:
                connection.close()
            wait = waits[tried]
            time.sleep(wait * (0.5 + secrets.randbelow(1000) / 1000))
            _rewind(request)
            response = get_response(request)
        raise AssertionError

    return answered


def may_repeat(code: int, method: str) -> bool:
    return code in TAKEN_BACK or code in NOT_BEGUN or (code in UNKNOWN and method in SAFE)


def _rewind(request: HttpRequest) -> None:
    """As it came: what was found out of it is found out anew, and its files are read from their beginning."""
    for name in ("_cached_user", "auth", "session", "user", "resolver_match"):
        request.__dict__.pop(name, None)
    # Read already, or not sent as a form at all: then there are none.
    for _, some in (getattr(request, "_files", None) or MultiValueDict()).lists():
        for file in some:
            file.seek(0)
