"""The method language: a family of methods as data, its options, and the course that a baker's choices make of it.

What a family owes (checked for every family by `tests/core/test_methods.py`):

1. Every option has a default that it accepts itself.
2. Every amount is a number or names an option of the family.
3. A wait says its usual hours and the share of them by which it may be early or late.
4. What is normal (`expect`) covers all hours from the first mix on, without a gap.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from .feeding import Ratio
from .flours import Blend, FlourShare, blend_of
from .quantities import grams
from .refusal import Refusal, RefusalCode


class Origin(StrEnum):
    FLOUR_AND_WATER = "flour_and_water"


class OptionCode(StrEnum):
    EVERY_HOURS = "every_hours"
    SEED_GRAMS = "seed_grams"
    BLEND = "blend"


class Normal(StrEnum):
    """What is normal in a stretch of hours of a new jar (common practice)."""

    WETTING = "wetting"
    EARLY_RISE = "early_rise"
    QUIET = "quiet"
    WAKING = "waking"
    GROWING = "growing"


@dataclass(frozen=True)
class HoursOption:
    """One of a few intervals, in hours."""

    code: OptionCode
    choices: tuple[int, ...]
    default: int


@dataclass(frozen=True)
class GramsOption:
    code: OptionCode
    least: float
    most: float
    default: float


@dataclass(frozen=True)
class BlendOption:
    code: OptionCode
    default: tuple[FlourShare, ...]


Option = HoursOption | GramsOption | BlendOption


@dataclass(frozen=True)
class FromOption:
    """An amount that the baker's choice for an option sets."""

    code: OptionCode


Amount = float | FromOption


@dataclass(frozen=True)
class Mix:
    """The first mix: flour in g, water by its hydration."""

    flour_g: Amount
    hydration_percent: float


@dataclass(frozen=True)
class Wait:
    """Wait by the clock: the usual hours, and how far to either side is still good, as a share of them."""

    hours: Amount
    early_share: float
    late_share: float


@dataclass(frozen=True)
class Refresh:
    """A feed: keep so much, add by a ratio, after a wait; repeated until the course ends."""

    keep_g: Amount
    ratio: Ratio
    after: Wait


@dataclass(frozen=True)
class Expect:
    """What is normal until so many hours after the first mix; the last one has no end."""

    until_h: float | None
    normal: Normal


@dataclass(frozen=True)
class Family:
    code: str
    origin: Origin
    options: tuple[Option, ...]
    first: Mix
    then: Refresh
    expect: tuple[Expect, ...]


@dataclass(frozen=True)
class Choices:
    """What the baker chose; an option left out takes the family's default."""

    every_hours: int | None = None
    seed_grams: float | None = None
    blend: Mapping[str, float] | None = None


@dataclass(frozen=True)
class Course:
    """A family with every amount settled. Grams and hours."""

    family: str
    blend: Blend
    mix_flour_g: float
    mix_hydration_percent: float
    keep_g: float
    ratio: Ratio
    every_h: float
    earliest_h: float
    latest_h: float
    expect: tuple[Expect, ...]

    def normal_at(self, hours: float) -> Normal:
        for stretch in self.expect:
            if stretch.until_h is None or hours < stretch.until_h:
                return stretch.normal
        raise AssertionError(f"family {self.family} says nothing of hour {hours}")


def settle(family: Family, choices: Choices) -> Course:
    """The course that choices make of a family. Raises Refusal naming the option that does not fit."""
    hours: dict[OptionCode, float] = {}
    weights: dict[OptionCode, float] = {}
    blend: Blend = ()
    for option in family.options:
        match option:
            case HoursOption():
                hours[option.code] = _hours(option, choices.every_hours)
            case GramsOption():
                weights[option.code] = _grams(option, choices.seed_grams)
            case BlendOption():
                blend = option.default if choices.blend is None else blend_of(choices.blend, option.code)

    def amount(value: Amount) -> float:
        return {**hours, **weights}[value.code] if isinstance(value, FromOption) else value

    every = amount(family.then.after.hours)
    return Course(
        family=family.code,
        blend=blend,
        mix_flour_g=amount(family.first.flour_g),
        mix_hydration_percent=family.first.hydration_percent,
        keep_g=amount(family.then.keep_g),
        ratio=family.then.ratio,
        every_h=every,
        earliest_h=every * (1 - family.then.after.early_share),
        latest_h=every * (1 + family.then.after.late_share),
        expect=family.expect,
    )


def _hours(option: HoursOption, chosen: int | None) -> int:
    value = option.default if chosen is None else chosen
    if value not in option.choices:
        known = ", ".join(str(choice) for choice in option.choices)
        raise Refusal(RefusalCode.NOT_A_CHOICE, option.code, {"known": known})
    return value


def _grams(option: GramsOption, chosen: float | None) -> float:
    value = option.default if chosen is None else grams(chosen, option.code)
    if not option.least <= value <= option.most:
        raise Refusal(RefusalCode.OUT_OF_RANGE, option.code, {"least": option.least, "most": option.most})
    return value
