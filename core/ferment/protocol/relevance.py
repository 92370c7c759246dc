"""Which options matter under which choices: one that no phase of a course asks for need not be asked of a baker."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass

from .method import BlendFrom, FromOption, Method, Only, When
from .options import OptionCode

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


def _parts(value: object) -> Iterator[object]:
    if is_dataclass(value) and not isinstance(value, type):
        yield value
        for one in fields(value):
            yield from _parts(getattr(value, one.name))
    elif isinstance(value, tuple):
        for part in value:
            yield from _parts(part)
