"""What a sign is: evidence in the looks, what it means, what to do and what not to do.

What a sign owes (checked for every sign by `tests/core/test_signs.py`):

1. Its evidence is a table: any one of the listed things seen is enough.
2. `urgency` orders the findings; danger comes before everything.
3. A danger ends in binning the jar, and its `dont` says what not to try.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import IntEnum, StrEnum

from ..log import Smell, Top


class Urgency(IntEnum):
    """Smaller comes first."""

    DANGER = 0


class SignCode(StrEnum):
    MOULD = "mould"


class Remedy(StrEnum):
    BIN_ALL = "bin_all"


class Caution(StrEnum):
    DO_NOT_SCRAPE = "do_not_scrape"


@dataclass(frozen=True)
class Sign:
    code: SignCode
    urgency: Urgency
    tops: frozenset[Top]
    smells: frozenset[Smell]
    do: Remedy
    dont: Caution
