"""How the core says no: a code, the field, and the facts that an interface needs to say what would be accepted."""

from __future__ import annotations

import math
from collections.abc import Mapping
from enum import StrEnum


class RefusalCode(StrEnum):
    """Every reason for which the core refuses an input."""

    NOT_A_NUMBER = "not_a_number"
    OUT_OF_RANGE = "out_of_range"
    UNKNOWN_FLOUR = "unknown_flour"
    NO_FLOUR = "no_flour"
    NO_WATER = "no_water"
    NOTHING_ADDED = "nothing_added"
    RATIO_FORM = "ratio_form"
    RATIO_TWO_PARTS = "ratio_two_parts"
    RATIO_WITHOUT_FOOD = "ratio_without_food"
    UNKNOWN_STEP = "unknown_step"
    UNKNOWN_UNIT = "unknown_unit"
    HOURS_FORM = "hours_form"
    HOURS_OVERLAP = "hours_overlap"
    FILE_FORM = "file_form"
    METHOD_FORM = "method_form"
    METHOD_TOO_LARGE = "method_too_large"
    METHOD_TOO_NEW = "method_too_new"
    METHOD_UNSOUND = "method_unsound"
    UNKNOWN_FAMILY = "unknown_family"
    UNKNOWN_OPTION = "unknown_option"
    NOT_A_CHOICE = "not_a_choice"
    DOES_NOT_FIT_TOGETHER = "does_not_fit_together"
    KEEPS_MORE_THAN_THERE_IS = "keeps_more_than_there_is"
    NOTHING_KEPT = "nothing_kept"
    JAR_TOO_SMALL = "jar_too_small"
    LEVEL_ABOVE_RIM = "level_above_rim"
    LEVEL_BELOW_BOTTOM = "level_below_bottom"
    NO_LINE_YET = "no_line_yet"
    EMPTY_LOOK = "empty_look"
    TIME_OUT_OF_RANGE = "time_out_of_range"
    IN_THE_FUTURE = "in_the_future"
    BEFORE_THE_START = "before_the_start"
    BEFORE_THE_LAST_FEED = "before_the_last_feed"
    AFTER_THE_NEXT_FEED = "after_the_next_feed"
    JAR_IS_BINNED = "jar_is_binned"
    DANGER_STANDS = "danger_stands"
    DISCARD_IS_NO_FOOD = "discard_is_no_food"
    FIRST_MIX_HAS_FEEDS = "first_mix_has_feeds"
    NO_RHYTHM = "no_rhythm"
    TAKES_MORE_THAN_THERE_IS = "takes_more_than_there_is"
    NO_ROOM_IN_HOURS = "no_room_in_hours"
    AWAY_TOO_LONG = "away_too_long"


Fact = float | str


class Refusal(ValueError):
    """An input that the core does not take.

    `field` names the input; `facts` hold what the message needs (bounds, the times or grams it was held against).
    """

    def __init__(self, code: RefusalCode, field: str, facts: Mapping[str, Fact] | None = None) -> None:
        self.code = code
        self.field = field
        self.facts: dict[str, Fact] = dict(facts or {})
        super().__init__(self.message)

    @property
    def message(self) -> str:
        """A plain line for logs and the command line; an interface words the code itself."""
        facts = ", ".join(f"{name} {value}" for name, value in self.facts.items())
        return f"{self.field}: {self.code.replace('_', ' ')}" + (f" ({facts})" if facts else "")


def within(value: float, least: float, most: float, field: str) -> float:
    """The value itself when it is a finite number from `least` to `most`.

    Raises Refusal (not_a_number, out_of_range).
    """
    # Not `isfinite`: a whole number may be longer than any float.
    if isinstance(value, float) and not math.isfinite(value):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field, {"least": least, "most": most})
    if not least <= value <= most:
        raise Refusal(RefusalCode.OUT_OF_RANGE, field, {"least": least, "most": most})
    return value
