"""One jar that cannot be told stops no other: it is told as that jar, with the cause and the entry it stands on."""

from __future__ import annotations

import logging
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from typing import TypeVar
from uuid import UUID

from django.db import DatabaseError

from ferment.doors.assessment import assess
from ferment.record.log import Log, in_order
from ferment.refusal import Fact, Refusal
from ferment.setups import Setup
from kitchen.cards import JarCard, UnreadCard
from kitchen.stamps import JarLabel
from logbook.reading import Written
from problems import Problem, ServerProblem
from problems.stored import UnreadableError

log = logging.getLogger("despertar.guidance")
T = TypeVar("T")
MOST_SAID = 1_000
_said: set[tuple[UUID, str]] = set()


@dataclass(frozen=True)
class Cause:
    """Why a jar cannot be told: a code, what it is about, and its facts."""

    code: str
    about: str
    facts: Mapping[str, Fact] = field(default_factory=dict)


@dataclass(frozen=True)
class Unread:
    """A jar that cannot be told; `entry_id` where one entry alone cannot be read."""

    label: JarLabel
    cause: Cause
    entry_id: UUID | None

    @property
    def problem(self) -> Problem:
        return Problem(ServerProblem.JAR_UNREADABLE, "id", status=409, facts={"cause": self.cause.code})


@dataclass(frozen=True)
class UnreadJar:
    """The same opened: all that is written in it, and the entry with which it began to be unreadable.

    `cause` is None where it can be told after all.
    """

    label: JarLabel
    cause: Cause | None
    entry_id: UUID | None
    entries: list[Written]


def told(card: JarCard | UnreadCard, written: Log | UnreadableError, tell: Callable[[JarCard, Log], T]) -> T | Unread:
    """What `tell` makes of a jar and its log, or why it cannot. Whatever goes wrong with one jar ends here; only a
    database out of reach is nobody's jar."""
    try:
        if isinstance(card, UnreadCard):
            raise card.why
        if isinstance(written, UnreadableError):
            raise written
        return tell(card, written)
    except UnreadableError as error:
        entry_id = UUID(error.entry_id) if error.entry_id else None
        return _said_once(Unread(card, Cause(error.code, error.field, error.facts), entry_id), error)
    except Refusal as error:
        return _said_once(Unread(card, Cause(error.code, error.field, error.facts), None), error)
    except DatabaseError:
        raise
    except Exception as error:
        return _said_once(Unread(card, Cause(ServerProblem.WENT_WRONG, type(error).__name__), None), error)


def _said_once(unread: Unread, error: Exception) -> Unread:
    mark = (unread.label.id, unread.cause.code)
    if mark not in _said and len(_said) < MOST_SAID:
        _said.add(mark)
        log.error("jar %s cannot be told: %s", unread.label.id, unread.cause, exc_info=error)
    return unread


def stands_on(setup: Setup, entries: Log, now: datetime) -> UUID | None:
    """The entry with which the jar began to be unreadable: it can be told up to just before it. None where not even
    an empty log can be told."""
    ordered = in_order(entries)

    def readable(count: int) -> bool:
        try:
            assess(setup, ordered[:count], now)
        except Exception:
            return False
        return True

    if not readable(0):
        return None
    told_up_to, untold = 0, len(ordered)
    while untold - told_up_to > 1:
        middle = (told_up_to + untold) // 2
        if readable(middle):
            told_up_to = middle
        else:
            untold = middle
    return UUID(ordered[untold - 1].id) if ordered else None
