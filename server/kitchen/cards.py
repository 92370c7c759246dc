"""A jar as the rest of the server knows it, made of its row."""

from __future__ import annotations

import json
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Any
from uuid import UUID

from ferment.kitchen.vessel import Vessel
from ferment.kitchen.warmth import Degrees
from ferment.protocol.method import Method
from ferment.protocol.written import from_json
from ferment.ready_rule import Strictness
from ferment.refusal import Refusal
from ferment.setups import Setup
from ferment.tracker.prior import Prior, prior_from_json
from problems import ServerProblem
from problems.stored import UnreadableError

from .hours import hours_told
from .models import Jar
from .stamps import JarLabel

# What a query brings of where a jar came from.
GENERATIONS = ("mother", "mother__mother", "mother__mother__mother")


@dataclass(frozen=True)
class Ancestor:
    """A jar that another came out of."""

    id: UUID
    name: str


@dataclass(frozen=True)
class Lineage:
    """Where a jar came from: what it came by (a spare, a gift, a split) and its mothers, the nearest first."""

    came_by: str | None
    mothers: tuple[Ancestor, ...]


@dataclass(frozen=True)
class JarCard(JarLabel):
    """A jar as the rest of the server knows it."""

    setup: Setup
    thermometer: UUID | None
    lineage: Lineage


@dataclass(frozen=True)
class UnreadCard(JarLabel):
    """A jar whose set-up was stored as today's code cannot read it."""

    why: UnreadableError


NO_WARMTH: Mapping[UUID, tuple[Degrees, ...]] = {}


def card_or_why(jar: Jar, warmth: Mapping[UUID, tuple[Degrees, ...]]) -> JarCard | UnreadCard:
    try:
        return card_from_row(jar, warmth)
    except UnreadableError as why:
        return UnreadCard(**_label(jar), why=why)


def card_from_row(jar: Jar, warmth: Mapping[UUID, tuple[Degrees, ...]] = NO_WARMTH) -> JarCard:
    """Raises UnreadableError."""
    hours = hours_told(jar.kitchen.hours, jar.kitchen.owner)
    try:
        setup = Setup(
            family=jar.family,
            choices=jar.choices,
            vessel=Vessel(jar.tare_g, jar.volume_ml, jar.height_mm, jar.flare),
            starts_at=jar.starts_at,
            scale_step=jar.scale_step,
            size=jar.size,
            hours=hours[0].hours,
            later_hours=hours[1:],
            method=_method(json.dumps(jar.method)) if jar.method else None,
            warmth_c=jar.warmth_c,
            night_c=jar.night_c,
            readings=warmth.get(jar.thermometer, ()) if jar.thermometer else (),
            ready_after=Strictness(jar.ready_after),
            prior=_prior(jar.taught),
        )
    except Refusal as refusal:
        raise UnreadableError(refusal.code, refusal.field, refusal.facts) from refusal
    except ValueError as error:
        raise UnreadableError(ServerProblem.STORED_BROKEN, "ready_after") from error
    return JarCard(**_label(jar), setup=setup, thermometer=jar.thermometer, lineage=_lineage(jar))


def _prior(written: object) -> Prior:
    """Raises UnreadableError."""
    try:
        return prior_from_json(written)
    except ValueError as error:
        raise UnreadableError(ServerProblem.STORED_BROKEN, "taught") from error


def _lineage(jar: Jar) -> Lineage:
    """As far back as the query brought them: mother, grandmother, and hers."""
    mothers: list[Ancestor] = []
    one = jar.mother
    while one is not None and len(mothers) < len(GENERATIONS):
        mothers.append(Ancestor(one.id, one.name))
        one = one.mother if len(mothers) < len(GENERATIONS) else None
    return Lineage(jar.came_by, tuple(mothers))


def _label(jar: Jar) -> dict[str, Any]:
    return {
        "id": jar.id,
        "kitchen_id": jar.kitchen_id,
        "name": jar.name,
        "on_shelf": jar.put_away_at is None,
        "owner": jar.kitchen.owner.name,
        "revision": jar.revision,
    }


@lru_cache(maxsize=512)
def _method(written: str) -> Method:
    """The method that a jar was planned with; jars planned alike share it."""
    return from_json(json.loads(written))
