"""Answers that depend on nothing but what is asked, kept in Django's cache for every worker; droppable at any time.

The key holds the core's own sources, so that another program never reads this one's answers. A cache that is gone, or
that holds what is no answer, is as good as an empty one.
"""

from __future__ import annotations

import hashlib
import logging
from collections.abc import Callable, Iterable
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
    found = found_of(name, [asked], kind).get(repr(asked))
    if found is None:
        found = make()
        keep(name, asked, found)
    return found


def found_of(name: str, asked: Iterable[object], kind: type[T]) -> dict[str, T]:
    """By its `repr`, the answer to each that one is kept for; in one query."""
    keys = {_key(name, one): repr(one) for one in asked}
    if not keys:
        return {}
    try:
        found = caches["answers"].get_many(keys)
    except Exception as error:  # whatever a cache may throw
        log.warning("answers could not be read from the cache: %r", error)
        return {}
    return {keys[key]: answer for key, answer in found.items() if isinstance(answer, kind)}


def keep(name: str, asked: object, answer: object) -> None:
    try:
        caches["answers"].set(_key(name, asked), answer, KEPT_S)
    except Exception as error:  # as above
        log.warning("an answer could not be kept: %r", error)


def _key(name: str, asked: object) -> str:
    return f"{name}:{_program()}:{hashlib.sha256(repr(asked).encode()).hexdigest()}"


@cache
def _program() -> str:
    """What tells this program's answers from another's."""
    told = hashlib.sha256()
    for path in sorted(Path(ferment.__file__).parent.rglob("*.py")):
        told.update(path.read_bytes())
    return told.hexdigest()[:16]
