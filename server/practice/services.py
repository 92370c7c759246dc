"""A practice jar as it is lived and as it is judged; the results of a class; what a real jar might have become."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime
from uuid import UUID

from accounts.services import Account
from ferment.practice.class_table import Result, class_csv, told_of
from ferment.practice.door import Story, hint, story
from ferment.practice.judging import Told
from ferment.practice.otherwise import BesideWhatWas, Supposed, beside
from ferment.signs.contract import SignCode
from guidance.services import read_through


def lived(asked: Result) -> Story:
    """Raises Refusal for acts or a seed that cannot be."""
    return story(asked)


def seen_at(asked: Result, at_h: float) -> tuple[SignCode, ...]:
    """Raises Refusal as `lived` does, and for an hour that the situation has not."""
    return hint(asked, at_h)


def judged(asked: Result) -> Told:
    """Raises Refusal as `lived` does."""
    return told_of(asked)


def class_table(results: Sequence[Result]) -> str:
    """As CSV. Raises Refusal as `lived` does."""
    return class_csv(results)


def otherwise(account: Account, jar_id: UUID, entry: UUID, supposed: Supposed, now: datetime) -> BesideWhatWas:
    """What a jar of the kitchen might have become; it is only told. Raises Problem for one out of reach, Refusal for
    what cannot be supposed."""
    setup, log = read_through(account, jar_id, now)
    return beside(setup, log, str(entry), supposed, now)
