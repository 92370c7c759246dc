"""A disk that fills up: writes are refused while there is a little room left, so that nothing is cut off halfway."""

from __future__ import annotations

import shutil
import time
from collections.abc import Callable
from pathlib import Path

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from problems import ServerProblem, answer, body

ASKED_EVERY_S = 5.0
SAFE = frozenset({"GET", "HEAD", "OPTIONS"})
# Taking something away, and leaving, make room or take none.
ALWAYS = frozenset({"DELETE"})


def room_to_write(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: what would write is answered with why it is not, and the browser keeps it until there is room."""

    def answered(request: HttpRequest) -> HttpResponse:
        if request.method in SAFE or request.method in ALWAYS or has_room():
            return get_response(request)
        return answer(507, body(ServerProblem.NO_ROOM, ""))

    return answered


_asked_at, _free = 0.0, 0


def has_room() -> bool:
    global _asked_at, _free
    now = time.monotonic()
    if now - _asked_at > ASKED_EVERY_S or _free < settings.LEAST_FREE_BYTES:
        _asked_at, _free = now, free_bytes()
    return _free >= settings.LEAST_FREE_BYTES


def free_bytes() -> int:
    """Where photos lie; in a house the database lies beside them."""
    folder = Path(settings.DESPERTAR_FILES)
    while not folder.exists() and folder != folder.parent:
        folder = folder.parent
    return shutil.disk_usage(folder).free
