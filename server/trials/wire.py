"""What goes over the wire of trials."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from pydantic import Field

from accounts.services import Account
from accounts.wire import Name, Request, Told
from ferment.kitchen.flours import Flour
from ferment.mixing.feeding import Ingredient
from guidance.wire.beside import BesideOut, beside_out
from kitchen.wire import NewJarIn, beside_in, setup_in
from logbook.lessons import taught_by_earlier
from logbook.services import NewJar
from photos.wire import PhotoOut, photo_out
from problems import Problem, ServerProblem

from .services import EndedAs, Entrant, TrialLabel, TrialNow, of_jar


class EntrantIn(Request):
    """A jar of a trial: the id of one that is there (`jar`), or a new one to be planned with it (`new`). `yeast`: a
    pinch of baker's yeast goes into it, for show."""

    jar: UUID | None = None
    new: NewJarIn | None = None
    yeast: bool = False


class TrialIn(Request):
    """The plain jar first."""

    id: UUID
    name: Name
    jars: Annotated[list[EntrantIn], Field(max_length=8)]


class TrialNameIn(Request):
    name: Name


class EndIn(Request):
    """What becomes of each jar, by its id."""

    ends: Annotated[dict[UUID, EndedAs], Field(max_length=8)]


class TriedOut(Told):
    jar: UUID
    name: str
    yeast: bool
    ended_as: EndedAs | None


class TrialLabelOut(Told):
    """A trial, the plain jar first; `ended_at` is null while it runs."""

    id: UUID
    name: str
    begun_at: datetime
    ended_at: datetime | None
    places: tuple[TriedOut, ...]


class DealtOut(Told):
    """How much of it one jar takes, in grams."""

    jar: UUID
    g: float


class WeighedOnceOut(Told):
    """One thing of which two jars or more take some at their next feed: weighed once, and dealt out. Grams."""

    ingredient: Ingredient
    flour: Flour | None
    g: float
    shares: tuple[DealtOut, ...]


class TrialOut(Told):
    """A trial as it stands, or as it stood before it was ended. `food` are the jars that may be eaten of,
    once baked; `yeast_due` those into which a pinch of yeast is still to go."""

    trial: TrialLabelOut
    now: datetime
    time_zone: str
    beside: BesideOut
    together: tuple[WeighedOnceOut, ...]
    photos: list[PhotoOut]
    food: list[UUID]
    yeast_due: list[UUID]


def entrants_in(body: TrialIn, account: Account, now: datetime) -> list[Entrant]:
    """Raises Refusal for a set-up that is none, and Problem where neither jar is given, both with the jar's number."""
    return [_entrant(number, one, account, now) for number, one in enumerate(body.jars)]


def _entrant(number: int, body: EntrantIn, account: Account, now: datetime) -> Entrant:
    new = body.new
    if new is None:
        if body.jar is None:
            raise Problem(ServerProblem.MISSING, f"jars.{number}.jar")
        return Entrant(body.jar, body.yeast)
    with of_jar(number):
        setup = setup_in(new, account)
        if new.by_earlier_jars:
            setup = taught_by_earlier(account, setup, now)
    return Entrant(NewJar(new.id, new.name, setup, beside_in(new), new.begun), body.yeast)


def label_out(label: TrialLabel) -> TrialLabelOut:
    return TrialLabelOut.model_validate(label)


def trial_out(account: Account, found: TrialNow, now: datetime) -> TrialOut:
    return TrialOut(
        trial=label_out(found.label),
        now=now,
        time_zone=account.time_zone,
        beside=beside_out(found.beside),
        together=tuple(WeighedOnceOut.model_validate(one) for one in found.together),
        photos=[photo_out(one) for one in found.photos],
        yeast_due=found.yeast_due,
        food=[one.card.id for one in found.beside.jars if one.assessment.discard_is_food],
    )
