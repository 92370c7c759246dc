"""What a baker's earlier jars teach of a new one."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from uuid import UUID

from accounts.services import Account
from ferment.doors.teaching import lesson_from, taught
from ferment.mixing.contents import Origin
from ferment.record.log import Log
from ferment.refusal import Refusal
from ferment.setups import Setup, course_of
from ferment.tracker import Lesson
from kitchen.cards import JarCard
from kitchen.services import all_jars, own_kitchen
from problems.latest import Latest

from .reading import logs_of

# The latest jars tell most of this kitchen; older ones of another oven, shelf or season.
MOST_JARS = 5
_lessons: Latest[tuple[UUID, int], tuple[Lesson | None]] = Latest(512)


def taught_by_earlier(account: Account, setup: Setup, now: datetime, origin: Origin | None = None) -> Setup:
    """The same set-up, with what the account's own earlier jars showed, where it is begun from flour and water; where
    no `origin` is told, by its way.

    Raises Refusal for a set-up that cannot be planned.
    """
    if (origin or course_of(setup).origin) is not Origin.FLOUR_AND_WATER:
        return setup
    lessons = lessons_of(account, now)
    return replace(setup, prior=taught(setup, lessons)) if lessons else setup


def lessons_of(account: Account, now: datetime) -> list[Lesson]:
    """Of the latest jars that teach something, those put away too."""
    kitchen = own_kitchen(account)
    own = [card for card in all_jars(account, now) if card.kitchen_id == kitchen and isinstance(card, JarCard)]
    logs = logs_of(own)
    found: list[Lesson] = []
    for card in reversed(own):
        log = logs[card.id]
        if len(found) < MOST_JARS and isinstance(log, tuple):
            lesson = _lesson(card, log)
            found += [lesson] if lesson else []
    return found


def _lesson(card: JarCard, log: Log) -> Lesson | None:
    key = (card.id, card.revision)
    known = _lessons.get(key)
    if known is None:
        try:
            known = (lesson_from(card.setup, log),)
        except Refusal:
            # It cannot be told at all; its own page says why.
            known = (None,)
        _lessons.set(key, known)
    return known[0]
