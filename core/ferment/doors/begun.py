"""A jar that was begun before it is written down here: what was done since, by its plan."""

from __future__ import annotations

from datetime import UTC, datetime
from enum import StrEnum

from ..planner import Act
from ..record.log import Deed, DeedKind, Entry, Feed, Log
from ..setups import Setup, course_of, ledger_of, plan_of

# More acts than this are not made up for a baker.
MOST_ACTS = 60


class BegunAs(StrEnum):
    """Only mixed; or fed, stirred and moved since as its way asks."""

    MIXED = "mixed"
    FED = "fed"


DEEDS = {Act.STIR: DeedKind.STIRRED, Act.TO_FRIDGE: DeedKind.TO_FRIDGE, Act.TO_COUNTER: DeedKind.TO_COUNTER}


def as_begun(setup: Setup, begun: BegunAs, now: datetime) -> Log:
    """The log of a jar from its start until now, each act when it was planned, one that waits for a sign as usual."""
    course = course_of(setup)
    now = now.astimezone(UTC)
    log: list[Entry] = []
    at = setup.starts_at.astimezone(UTC)
    for number in range(MOST_ACTS):
        made = plan_of(setup, course, ledger_of(setup, course, tuple(log)), at, most_ahead=1)
        step = made.next
        if step is None or (number and begun is BegunAs.MIXED):
            break
        at = max(at, step.due) if number else at
        if at > now:
            break
        entry_id = f"begun-{number}"
        if step.plan is not None:
            plan = step.plan
            log.append(
                Feed(entry_id, at, plan.keep_g, plan.flours, plan.water_g, plan.salt_g, None, juice_g=plan.juice_g)
            )
        elif step.act in DEEDS:
            log.append(Deed(entry_id, at, DEEDS[step.act]))
        else:
            log.append(Deed(entry_id, at, DeedKind.SKIPPED))
    return tuple(log)
