"""A transaction that the database took back for another's sake. Nothing of it stands, so that it may be tried again."""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from django.db import OperationalError

T = TypeVar("T")
# A deadlock, which a cluster also says of two writes that met at their commit, and a lock waited for too long
# (MariaDB's error codes).
TAKEN_BACK = frozenset({1205, 1213})
TRIES = 5


def code_of(error: BaseException) -> int:
    """MariaDB's code of an error; 0 for none."""
    code = error.args[0] if error.args else 0
    return code if isinstance(code, int) else 0


def repeated(act: Callable[[], T]) -> T:
    """What `act` gives, tried again each time it is taken back. Raises OperationalError for any other, and at last."""
    for left in reversed(range(TRIES)):
        try:
            return act()
        except OperationalError as error:
            if code_of(error) not in TAKEN_BACK or left == 0:
                raise
    raise AssertionError
