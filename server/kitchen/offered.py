"""What there is to choose from, as it goes over the wire: families with their options, flours, glasses and places."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import asdict
from enum import StrEnum
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from accounts.wire import Told
from ferment.kitchen.flours import Flour
from ferment.kitchen.usual import BEGINNING, GLASSES, PLACES_C, Glass, UsualPlace
from ferment.mixing.contents import Origin
from ferment.mixing.feeding import SCALE_STEPS
from ferment.protocol.method import Method, Thing
from ferment.protocol.options import BlendOption, NumberOption, Option, OptionCode, Pick, PickOption, Scale
from ferment.protocol.relevance import MET_FIRST, conditions, followed_by

from .services import catalogue


class Days(Told):
    """Days until it is ready at 24 °C with the usual flour: earliest, likely, latest (common practice)."""

    earliest: float
    likely: float
    latest: float


class Only(Told):
    """The phase belongs to these choices of an option."""

    code: OptionCode
    picks: tuple[Pick, ...]


class OptionBase(Schema):
    """`matters_when` lists conditions, any one of which is enough for the option to matter; none: it always does.

    `met_first` says that a baker meets it at once; the others can be opened.
    """

    matters_when: list[list[Only]]
    met_first: bool


class NumberOptionOut(OptionBase):
    """A number to choose, or one of `choices` where there are any."""

    kind: Literal["number"]
    code: OptionCode
    scale: Scale
    least: float
    most: float
    default: float
    choices: list[float]


class PickOptionOut(OptionBase):
    kind: Literal["pick"]
    code: OptionCode
    choices: list[Pick]
    default: Pick


class BlendOptionOut(OptionBase):
    """`follows` is the option by whose flour this one goes while nobody chose another."""

    kind: Literal["blend"]
    code: OptionCode
    default: dict[Flour, float]
    follows: OptionCode | None


# One enumeration for the contract, so that the client words every family or does not compile.
FamilyCode = StrEnum("FamilyCode", {family.code.upper(): family.code for family in catalogue()})  # type: ignore[misc]
OptionOut = Annotated[NumberOptionOut | PickOptionOut | BlendOptionOut, Field(discriminator="kind")]


class BeginsOut(Schema):
    """Another beginning that a family has, and the choice that stands for it."""

    origin: Origin
    option: OptionCode
    pick: Pick


class FamilyOut(Schema):
    """A family of methods with what can be chosen of it; days until ready at the warmth it is made for."""

    code: FamilyCode
    origin: Origin
    begins: list[BeginsOut]
    options: list[OptionOut]
    needs: list[Thing]
    ready: Days
    wants_c: float | None


class GlassOut(Schema):
    """A usual straight jar: ml to the rim, mm inside."""

    glass: Glass
    volume_ml: float
    height_mm: float


class UsualPlaceOut(Schema):
    """A place of a usual home, and about how warm it is, °C."""

    place: UsualPlace
    warmth_c: float


class BeginningOut(Schema):
    """What a baker who has chosen nothing begins with; `sizes` are of the way's own amounts, `scale_steps` the grams
    between two numbers that a kitchen scale may show."""

    family: FamilyCode
    glass: Glass
    place: UsualPlace
    scale_step: float
    scale_steps: list[float]
    sizes: list[float]


class CatalogueOut(Schema):
    families: list[FamilyOut]
    flours: list[Flour]
    glasses: list[GlassOut]
    places: list[UsualPlaceOut]
    beginning: BeginningOut


def _options_out(family: Method) -> list[NumberOptionOut | PickOptionOut | BlendOptionOut]:
    matters, follows = conditions(family), followed_by(family)
    return [
        _option_out(
            option,
            [[Only.model_validate(only) for only in all_of] for all_of in matters.get(option.code, ())],
            follows.get(option.code),
        )
        for option in family.options
    ]


def _option_out(
    option: Option, matters: list[list[Only]], follows: OptionCode | None
) -> NumberOptionOut | PickOptionOut | BlendOptionOut:
    first = option.code in MET_FIRST
    match option:
        case NumberOption():
            return NumberOptionOut(kind="number", matters_when=matters, met_first=first, **asdict(option))
        case PickOption():
            return PickOptionOut(kind="pick", matters_when=matters, met_first=first, **asdict(option))
        case BlendOption():
            shares = {part.flour: part.share for part in option.default}
            return BlendOptionOut(
                kind="blend",
                code=option.code,
                default=shares,
                matters_when=matters,
                met_first=first,
                follows=follows,
            )


def catalogue_out(families: Iterable[Method]) -> CatalogueOut:
    return CatalogueOut(
        families=[
            FamilyOut(
                code=FamilyCode(family.code),
                origin=family.origin,
                begins=[
                    BeginsOut(origin=way.origin, option=way.code, pick=way.pick) for way in family.ways if way.origin
                ],
                options=_options_out(family),
                needs=list(family.needs),
                ready=Days.model_validate(family.ready),
                wants_c=family.wants_c,
            )
            for family in families
        ],
        flours=list(Flour),
        glasses=[
            GlassOut(glass=glass, volume_ml=vessel.volume_ml, height_mm=vessel.height_mm)
            for glass, vessel in GLASSES.items()
        ],
        places=[UsualPlaceOut(place=place, warmth_c=celsius) for place, celsius in PLACES_C.items()],
        beginning=BeginningOut(
            family=FamilyCode(BEGINNING.family),
            glass=BEGINNING.glass,
            place=BEGINNING.place,
            scale_step=BEGINNING.scale_step,
            scale_steps=list(SCALE_STEPS),
            sizes=list(BEGINNING.sizes),
        ),
    )
