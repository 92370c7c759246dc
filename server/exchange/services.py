"""What goes out: a jar's plan with all that paper and calendars need, and the private calendar address."""

from __future__ import annotations

import hashlib
import secrets
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID
from zoneinfo import ZoneInfo

from accounts.forms import Forms, forms_of
from accounts.languages import Language, language_of
from accounts.services import Account
from ferment.doors.told import InJar
from ferment.planner import Step, StepState, name_acts
from guidance.services import Planned, planned_jar, planned_kitchen
from kitchen.services import in_reach
from logbook.services import changes_of
from problems import not_found
from trials.services import trial_of

from .models import CalendarKey, SharedJar
from .words import WORDS, Words

# The part of the past that a calendar still shows.
SHOWN_BEFORE = timedelta(days=14)
# Between two changes of a log, so many steps of being overdue raise SEQUENCE by one each.
OVERDUE_STEP = timedelta(minutes=15)
OVERDUE_MOST = 999


@dataclass(frozen=True)
class JarPlan:
    """A jar's acts as they were and are to be, in its baker's zone; `names` says what each is known by while its time
    moves. `sequence` rises with every change of the plan; `ready` is the likely day, where one is foreseen;
    `url` opens the jar from wherever it is read, None where nothing but this machine can."""

    jar_id: UUID
    name: str
    tare_g: float
    held: InJar | None
    fed_at: datetime | None
    zone: ZoneInfo
    steps: tuple[Step, ...]
    names: Mapping[int, str]
    sequence: int
    changed_at: datetime | None
    ready: datetime | None
    url: str | None
    forms: Forms
    words: Words

    @property
    def ahead(self) -> tuple[Step, ...]:
        return tuple(step for step in self.steps if step.to_come)


def plan_of_jar(
    account: Account, jar_id: UUID, base_url: str, now: datetime, language: Language = Language.ENGLISH
) -> JarPlan:
    """In the account's own language, else in the one given. Raises Problem (not found) for a jar out of reach."""
    found = planned_jar(account, jar_id, now)
    return _plan(account, found, changes_of([jar_id])[jar_id], base_url, now, language)


def plans_of_trial(
    account: Account, trial_id: UUID, base_url: str, now: datetime, language: Language = Language.ENGLISH
) -> tuple[str, list[JarPlan]]:
    """The name of a trial, and the plans of its jars, the plain one first. Raises Problem (not found)."""
    trial = trial_of(account, trial_id)
    return " ".join(trial.name.split()), [
        plan_of_jar(account, place.jar, base_url, now, language) for place in trial.places
    ]


def plans_of_kitchen(account: Account, base_url: str, now: datetime) -> list[JarPlan]:
    """The jars on the shelf that are still fed."""
    found = planned_kitchen(account, now)
    changes = changes_of([one.card.id for one in found])
    return [_plan(account, one, changes[one.card.id], base_url, now, Language.ENGLISH) for one in found]


def _plan(
    account: Account,
    found: Planned,
    changes: tuple[int, datetime | None],
    base_url: str,
    now: datetime,
    language: Language,
) -> JarPlan:
    zone = ZoneInfo(account.time_zone)
    card, assessment = found.card, found.assessment
    # What rests has no time of its own before it is taken out.
    told = (step for step in found.plan.steps if step.state is not StepState.RESTING)
    steps = tuple(step for step in told if step.due > now - SHOWN_BEFORE)
    waiting = next((step for step in steps if step.to_come), None)
    overdue = int(max(timedelta(), now - waiting.due) / OVERDUE_STEP) if waiting else 0
    ready = assessment.ready_on
    likely = ready.on.likely if ready and not ready.seldom else None
    return JarPlan(
        jar_id=card.id,
        # In one line, whatever was stored before a name had to be.
        name=" ".join(card.name.split()),
        tare_g=assessment.stands.vessel.tare_g,
        held=assessment.in_jar,
        fed_at=assessment.since_feed.fed_at if assessment.since_feed else None,
        zone=zone,
        steps=steps,
        names=name_acts(found.plan.steps),
        sequence=changes[0] * (OVERDUE_MOST + 1) + min(OVERDUE_MOST, overdue),
        changed_at=changes[1],
        ready=likely,
        url=f"{base_url}/jars/{card.id}" if base_url else None,
        forms=forms_of(account),
        words=WORDS[language_of(account) or language],
    )


def new_calendar_key(account: Account) -> str:
    """A new private address; the one before opens nothing any more. The token is told this once."""
    token = secrets.token_urlsafe(24)
    CalendarKey.objects.update_or_create(account=account, defaults={"token_hash": _hash(token)})
    return token


def drop_calendar_key(account: Account) -> None:
    CalendarKey.objects.filter(account=account).delete()


def has_calendar_key(account: Account) -> bool:
    return CalendarKey.objects.filter(account=account).exists()


def account_of_key(token: str) -> Account:
    """Whose calendar this address is. Raises Problem (not found) for one that was never made or was changed."""
    key = CalendarKey.objects.select_related("account").filter(token_hash=_hash(token)).first()
    if key is None:
        raise not_found()
    return key.account


def share_jar(account: Account, jar_id: UUID) -> str:
    """An address under which one jar can be seen; the one before opens nothing any more. Told this once. Raises Problem
    (not found)."""
    in_reach(account, jar_id)
    token = secrets.token_urlsafe(24)
    SharedJar.objects.update_or_create(jar_id=jar_id, defaults={"shared_by": account, "token_hash": _hash(token)})
    return token


def end_sharing(account: Account, jar_id: UUID) -> None:
    in_reach(account, jar_id)
    SharedJar.objects.filter(jar_id=jar_id).delete()


def is_shared(account: Account, jar_id: UUID) -> bool:
    in_reach(account, jar_id)
    return SharedJar.objects.filter(jar_id=jar_id).exists()


def shared_jar(token: str, now: datetime) -> tuple[Planned, str]:
    """The jar that this address shows, as who shared it sees it, and in which zone. Raises Problem (not found)."""
    found = SharedJar.objects.select_related("shared_by").filter(token_hash=_hash(token)).first()
    if found is None:
        raise not_found()
    # Who is shown out of a kitchen shows nothing of it any more.
    return planned_jar(found.shared_by, found.jar_id, now), found.shared_by.time_zone


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
