"""What goes over the wire about a kitchen and its jars."""

from __future__ import annotations

from dataclasses import asdict
from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from accounts.wire import Moment, Name, Request
from ferment.assessment import Setup
from ferment.flours import Flour
from ferment.protocol import Choices, Origin
from ferment.vessel import Vessel

from .services import FamilyCard, JarCard


class ChoicesBody(Request):
    every_hours: int
    seed_grams: float
    blend: Annotated[dict[str, float], Field(max_length=8)]


class JarBody(Request):
    """A jar as planned: its method and its glass. Grams, ml, mm inside."""

    name: Name
    family: Annotated[str, Field(max_length=40)]
    choices: ChoicesBody
    tare_g: float
    volume_ml: float
    height_mm: float
    scale_step: float
    starts_at: Moment


class NewJarIn(JarBody):
    id: UUID


class ShelfIn(Request):
    on_shelf: bool


class JarOut(Schema):
    id: UUID
    name: str
    family: str
    choices: ChoicesBody
    tare_g: float
    volume_ml: float
    height_mm: float
    scale_step: float
    starts_at: datetime
    on_shelf: bool


class FamilyOut(Schema):
    """A family of methods with what can be chosen and what is usual."""

    code: str
    origin: Origin
    hours: list[int]
    usual_hours: int
    least_seed_g: float
    most_seed_g: float
    usual_seed_g: float
    usual_blend: dict[Flour, float]


class CatalogueOut(Schema):
    families: list[FamilyOut]
    flours: list[Flour]


def setup_in(body: JarBody) -> Setup:
    return Setup(
        family=body.family,
        choices=Choices(body.choices.every_hours, body.choices.seed_grams, body.choices.blend),
        vessel=Vessel(body.tare_g, body.volume_ml, body.height_mm),
        starts_at=body.starts_at,
        scale_step=body.scale_step,
    )


def card_out(card: JarCard) -> JarOut:
    setup = card.setup
    return JarOut(
        id=card.id,
        name=card.name,
        family=setup.family,
        choices=ChoicesBody.model_validate(asdict(setup.choices)),
        tare_g=setup.vessel.tare_g,
        volume_ml=setup.vessel.volume_ml,
        height_mm=setup.vessel.height_mm,
        scale_step=setup.scale_step,
        starts_at=setup.starts_at,
        on_shelf=card.on_shelf,
    )


def catalogue_out(cards: list[FamilyCard]) -> CatalogueOut:
    return CatalogueOut(families=[FamilyOut(**asdict(card)) for card in cards], flours=list(Flour))
