"""Answers that depend on nothing but what is asked, kept in Django's cache for every worker; droppable at any time.

The key holds the core's own sources, so that another program never reads this one's answers. A cache that is gone, or
that holds what is no answer, is as good as an empty one.
"""

from __future__ import annotations

import hashlib
import logging
from collections.abc import Callable
from functools import cache
from pathlib import Path
from typing import TypeVar

from django.core.cache import caches

import ferment

T = TypeVar("T")
log = logging.getLogger("despertar.kept")
KEPT_S = 24 * 3600


def kept(name: str, asked: object, kind: type[T], make: Callable[[], T]) -> T:
    """The answer of that name to what is asked (told apart by its `repr`), made where none of that kind is kept."""
    key = f"{name}:{_program()}:{hashlib.sha256(repr(asked).encode()).hexdigest()}"
    try:
        found = caches["answers"].get(key)
        if isinstance(found, kind):
            return found
    except Exception as error:  # whatever a cache may throw
        log.warning("an answer could not be read from the cache: %r", error)
    made = make()
    try:
        caches["answers"].set(key, made, KEPT_S)
    except Exception as error:  # as above
        log.warning("an answer could not be kept: %r", error)
    return made


@cache
def _program() -> str:
    """What tells this program's answers from another's."""
    told = hashlib.sha256()
    for path in sorted(Path(ferment.__file__).parent.rglob("*.py")):
        told.update(path.read_bytes())
    return told.hexdigest()[:16]
