"""How options hang together: which matter under which choices, which are met first, which one follows another."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass

from .method import BlendFrom, FromOption, Method, Only, When
from .options import BlendOption, OptionCode

Condition = tuple[Only, ...]
"""Choices that must all be made."""


def conditions(method: Method) -> dict[OptionCode, tuple[Condition, ...]]:
    """For every option the conditions under any one of which it matters; none where it always does."""
    found: dict[OptionCode, list[Condition]] = {}
    for phase in method.phases:
        named = {
            part.code for part in _parts((phase.after, phase.do)) if isinstance(part, FromOption | BlendFrom | When)
        }
        for code in named | {one.code for one in phase.only}:
            found.setdefault(code, []).append(tuple(one for one in phase.only if one.code is not code))
    return {code: () if () in each else tuple(dict.fromkeys(each)) for code, each in found.items()}


# What decides how much is fed, how often and of what: met at once, where it matters at all; the rest can be opened.
MET_FIRST = frozenset(
    {
        OptionCode.WAY,
        OptionCode.EVERY_HOURS,
        OptionCode.SEED_GRAMS,
        OptionCode.START_GRAMS,
        OptionCode.CULTURE_GRAMS,
        OptionCode.TARGET_GRAMS,
        OptionCode.RESERVE_GRAMS,
        OptionCode.FIRST_BLEND,
        OptionCode.BLEND,
    }
)


def followed_by(method: Method) -> dict[OptionCode, OptionCode]:
    """Which option a flour that nobody chose goes by: the flour of the feeds by that of the first mix, where the method
    uses the same for both."""
    blends = {option.code: option.default for option in method.options if isinstance(option, BlendOption)}
    first, later = blends.get(OptionCode.FIRST_BLEND), blends.get(OptionCode.BLEND)
    return {OptionCode.BLEND: OptionCode.FIRST_BLEND} if later is not None and first == later else {}


def _parts(value: object) -> Iterator[object]:
    if is_dataclass(value) and not isinstance(value, type):
        yield value
        for one in fields(value):
            yield from _parts(getattr(value, one.name))
    elif isinstance(value, tuple):
        for part in value:
            yield from _parts(part)
