"""When a jar could be begun so that its first waits have room in the baker's hours."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta

from ..kitchen.hours import fit
from ..record.ledger import Ledger
from ..setups import Setup, course_of, ledger_of, plan_of

# The first waits are those of so long; other starts are looked for this far around, by this much.
FIRST_DAYS = timedelta(hours=40)
AROUND, BY = timedelta(hours=24), timedelta(minutes=30)
MOST_ACTS = 8


def nearest_starts(setup: Setup, now: datetime) -> tuple[datetime, ...]:
    """The two nearest starts, one before the chosen one and one after it, with room for all first waits; none where the
    chosen one has it, or no other does. A start never lies in the past."""
    chosen = setup.starts_at.astimezone(UTC)
    course = course_of(setup)
    ledger = ledger_of(setup, course, ())
    if _has_room(setup, ledger, chosen):
        return ()
    found = []
    for way in (-1, 1):
        at = chosen + way * BY
        while abs(at - chosen) <= AROUND and at >= now.astimezone(UTC):
            if fit(setup.hours, at, at, at).fits and _has_room(setup, ledger, at):
                found.append(at)
                break
            at += way * BY
    return tuple(found)


def _has_room(setup: Setup, ledger: Ledger, starts_at: datetime) -> bool:
    begun = replace(setup, starts_at=starts_at)
    made = plan_of(begun, course_of(begun), ledger, starts_at, until=starts_at + FIRST_DAYS, most_ahead=MOST_ACTS)
    return all(step.fits for step in made.ahead[1:] if step.due <= starts_at + FIRST_DAYS)
