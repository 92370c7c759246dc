"""The catalogue of families, listed explicitly: one a file, each a value of the method language, with its source.

Knows the language and what the rule calls doubled and early. Offers `FAMILIES` and `family_named`.
"""

from __future__ import annotations

from ..protocol.method import Method
from ..refusal import Refusal, RefusalCode
from . import (
    acid_start,
    by_feel,
    dried_soak,
    dried_spoons,
    equal_parts,
    on_signs,
    slow_build,
    small_seed,
    spoons,
    stiff_warm,
    wake_and_keep,
    wet_rye,
    when_hungry,
)

FAMILIES: tuple[Method, ...] = (
    equal_parts.METHOD,
    wet_rye.METHOD,
    on_signs.METHOD,
    when_hungry.METHOD,
    acid_start.METHOD,
    small_seed.METHOD,
    spoons.METHOD,
    by_feel.METHOD,
    slow_build.METHOD,
    stiff_warm.METHOD,
    dried_soak.METHOD,
    dried_spoons.METHOD,
    wake_and_keep.METHOD,
)
_BY_CODE = {family.code: family for family in FAMILIES}


def family_named(code: str) -> Method:
    """Raises Refusal (unknown_family) with the families that there are."""
    if code not in _BY_CODE:
        raise Refusal(RefusalCode.UNKNOWN_FAMILY, "family", {"known": ", ".join(_BY_CODE)})
    return _BY_CODE[code]
