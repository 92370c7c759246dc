"""A jar's rounds in hours: what went in and what was read, for the model to follow."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from ..kitchen.flours import Blend, FlourLot, weight
from ..kitchen.hours import HOUR
from ..kitchen.warmth import Place, Warmth
from ..mixing.contents import Origin
from ..model.jar import Jar, Traits, after_feed
from ..model.kinetics import T
from ..model.runs import Run, run
from ..ready_rule import Strictness, flour_parts
from ..record.ledger import Ledger, Round, Sighting
from .prior import BOOK_PRIOR, Prior


@dataclass(frozen=True)
class Turn:
    """One feed at an hour (counted from the first mix), and the looks until the next."""

    at_h: float
    keep_g: float
    flours: FlourLot
    liquid_g: float
    juice_g: float
    salt_g: float
    sightings: tuple[Sighting, ...] = ()

    @property
    def parts(self) -> float:
        """Flour to one of seed."""
        return flour_parts(weight(self.flours), self.keep_g)

    def into(self, jar: Jar[T] | None, traits: Traits[T]) -> Jar[T]:
        return after_feed(jar, traits, self.keep_g, self.flours, self.liquid_g, self.juice_g, self.salt_g)


@dataclass(frozen=True)
class Background:
    """What a jar is, beside its log: where it came from, its flour, where it stands, when it was in the cold, how many
    good feeds in a row its baker asks for, and what earlier jars taught of it."""

    origin: Origin
    blend: Blend
    place: Place
    cold: tuple[tuple[datetime, datetime | None], ...] = ()
    ready_after: Strictness = Strictness.USUAL
    prior: Prior = BOOK_PRIOR


def turns_of(ledger: Ledger, since: datetime) -> tuple[Turn, ...]:
    return tuple(_turn(one, since) for one in ledger.rounds)


def _turn(one: Round, since: datetime) -> Turn:
    fed = one.feed
    return Turn(
        (fed.at - since) / HOUR,
        # What was there is all that can have been kept.
        min(fed.keep_g, one.before.total_g) if one.before.total_g else fed.keep_g,
        fed.flours,
        fed.liquid_g,
        fed.juice_g,
        fed.salt_g,
        one.sightings,
    )


def follow_turns(
    jar: Jar[float] | None,
    traits: Traits[float],
    turns: Sequence[Turn],
    until_h: float,
    warmth: Warmth,
    step_h: float,
) -> list[Run[float]]:
    """One jar through its turns, the last until an hour."""
    courses: list[Run[float]] = []
    for number, turn in enumerate(turns):
        end = turns[number + 1].at_h if number + 1 < len(turns) else until_h
        mixed = turn.into(courses[-1].end if courses else jar, traits)
        courses.append(run(mixed, turn.at_h, max(end, turn.at_h + 0.1), warmth, step_h))
    return courses
