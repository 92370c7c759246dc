"""The catalogue of families, listed explicitly."""

from __future__ import annotations

from ..protocol import Family
from ..refusal import Refusal, RefusalCode
from . import equal_parts

FAMILIES: tuple[Family, ...] = (equal_parts.FAMILY,)


def family_named(code: str) -> Family:
    """Raises Refusal with the families that there are."""
    for family in FAMILIES:
        if family.code == code:
            return family
    raise Refusal(RefusalCode.UNKNOWN_FAMILY, "family", {"known": ", ".join(family.code for family in FAMILIES)})
