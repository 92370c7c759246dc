"""What a baker's earlier jars teach of the next one."""

from __future__ import annotations

from collections.abc import Sequence

from ..record.log import Log
from ..setups import Setup, background_of, course_of, ledger_of
from ..tracker import Lesson, Prior, lesson, taught_by


def lesson_from(setup: Setup, log: Log) -> Lesson | None:
    """Of one earlier jar; None where its first days were hardly watched, or it was begun with a culture."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    return lesson(ledger, background_of(setup, course, ledger))


def taught(setup: Setup, lessons: Sequence[Lesson]) -> Prior:
    """What they say of a jar that is planned: by its main flour."""
    blend = course_of(setup).culture.blend
    return taught_by(lessons, max(blend, key=lambda part: part.share).flour)
