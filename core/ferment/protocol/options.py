"""What a baker can choose of a method: numbers, one of a few, and blends; each with a default."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Blend, FlourShare, blend_of
from ..refusal import Refusal, RefusalCode, within


class OptionCode(StrEnum):
    """Every option a method may have; an interface words each once."""

    WAY = "way"
    ORIGIN = "origin"
    EVERY_HOURS = "every_hours"
    TWICE_FROM_DAY = "twice_from_day"
    FIRST_DAYS = "first_days"
    KEEPING = "keeping"
    JAR = "jar"
    SEED_GRAMS = "seed_grams"
    START_GRAMS = "start_grams"
    FEED_GRAMS = "feed_grams"
    CULTURE_GRAMS = "culture_grams"
    TARGET_GRAMS = "target_grams"
    RESERVE_GRAMS = "reserve_grams"
    FLOUR_PARTS = "flour_parts"
    COLD_DAYS = "cold_days"
    HYDRATION_PERCENT = "hydration_percent"
    JUICE_PERCENT = "juice_percent"
    SALT_PERCENT = "salt_percent"
    FIRST_BLEND = "first_blend"
    MIDDLE_BLEND = "middle_blend"
    BLEND = "blend"


class Pick(StrEnum):
    """Every named choice of an option."""

    FROM_FLOUR = "from_flour"
    FROM_FROZEN = "from_frozen"
    NEVER = "never"
    DAY_3 = "day_3"
    DAY_4 = "day_4"
    FEED_FROM_DAY_2 = "feed_from_day_2"
    REST_THEN_TOP_UP = "rest_then_top_up"
    KEEP_WEIGHT = "keep_weight"
    KEEP_HALF = "keep_half"
    HALF_THEN_QUARTER = "half_then_quarter"
    SAME_JAR = "same_jar"
    CLEAN_JAR = "clean_jar"
    SHORT = "short"
    LONG = "long"
    DAILY_JUICE = "daily_juice"
    STIR_AND_WAIT = "stir_and_wait"
    SPOONFUL_A_DAY = "spoonful_a_day"
    THICKEN = "thicken"
    REFILL = "refill"
    BUILD_UP = "build_up"
    REFRESH = "refresh"
    BUILD = "build"
    EQUAL_FEEDS = "equal_feeds"
    COUNTER = "counter"
    FRIDGE = "fridge"
    COUNTER_AND_COLD = "counter_and_cold"


class Scale(StrEnum):
    """What a number counts; grams grow with the size of the whole method."""

    GRAMS = "grams"
    HOURS = "hours"
    PERCENT = "percent"
    PARTS = "parts"
    DAYS = "days"


@dataclass(frozen=True)
class NumberOption:
    """A number from `least` to `most`, or when there are `choices`, one of those."""

    code: OptionCode
    scale: Scale
    least: float
    most: float
    default: float
    choices: tuple[float, ...] = ()


@dataclass(frozen=True)
class PickOption:
    code: OptionCode
    choices: tuple[Pick, ...]
    default: Pick


@dataclass(frozen=True)
class BlendOption:
    code: OptionCode
    default: tuple[FlourShare, ...]


Option = NumberOption | PickOption | BlendOption
Choice = float | str | Mapping[str, float]
Choices = Mapping[str, Choice]
"""What a baker chose, by option code; an option left out takes its default."""


@dataclass(frozen=True)
class Chosen:
    """Every option of a method with its value."""

    numbers: Mapping[OptionCode, float]
    picks: Mapping[OptionCode, Pick]
    blends: Mapping[OptionCode, Blend]


def choose(options: tuple[Option, ...], choices: Choices) -> Chosen:
    """Raises Refusal naming the option that is unknown or does not fit."""
    known = {option.code.value for option in options}
    for code in choices:
        if code not in known:
            raise Refusal(RefusalCode.UNKNOWN_OPTION, str(code)[:40], {"known": ", ".join(sorted(known))})
    numbers: dict[OptionCode, float] = {}
    picks: dict[OptionCode, Pick] = {}
    blends: dict[OptionCode, Blend] = {}
    for option in options:
        given = choices.get(option.code)
        match option:
            case NumberOption():
                numbers[option.code] = _number(option, given)
            case PickOption():
                picks[option.code] = _pick(option, given)
            case BlendOption():
                blends[option.code] = _blend(option, given)
    return Chosen(numbers, picks, blends)


def _number(option: NumberOption, given: Choice | None) -> float:
    if given is None:
        return option.default
    if isinstance(given, bool) or not isinstance(given, int | float):
        raise Refusal(RefusalCode.NOT_A_NUMBER, option.code, {"least": option.least, "most": option.most})
    if option.choices and given not in option.choices:
        known = ", ".join(f"{choice:g}" for choice in option.choices)
        raise Refusal(RefusalCode.NOT_A_CHOICE, option.code, {"known": known})
    return within(float(given), option.least, option.most, option.code)


def _pick(option: PickOption, given: Choice | None) -> Pick:
    if given is None:
        return option.default
    for choice in option.choices:
        if choice == given:
            return choice
    raise Refusal(RefusalCode.NOT_A_CHOICE, option.code, {"known": ", ".join(option.choices)})


def _blend(option: BlendOption, given: Choice | None) -> Blend:
    if given is None:
        return option.default
    if not isinstance(given, Mapping):
        raise Refusal(RefusalCode.NO_FLOUR, option.code)
    return blend_of(given, option.code)
