"""JSON from outside, read into values by their types (cattrs): what was wrong with it, and where.

A number is never read from a text nor a truth from a number, nothing unknown is passed over, and the first fault is
named by its place: `phases[2].after.latest_h`.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import is_dataclass
from datetime import datetime
from enum import StrEnum
from types import UnionType
from typing import Any, TypeVar, Union, get_args, get_origin
from zoneinfo import ZoneInfo

from cattrs import (
    AttributeValidationNote,
    BaseValidationError,
    Converter,
    ForbiddenExtraKeysError,
    IterableValidationNote,
)
from cattrs.gen import make_dict_structure_fn

T = TypeVar("T")
Take = Callable[[Any, Any], Any]


class WrongFormError(Exception):
    """A value that is not what was wanted there; `inside` is where in it, when that is not the whole of it."""

    def __init__(self, wanted: str, inside: str = "") -> None:
        super().__init__(wanted)
        self.wanted, self.inside = wanted, inside


def strict_converter(*, forbid_unknown: bool = True) -> Converter:
    """A converter that takes nothing for what it is not. What it has no name for is refused, or else passed over."""
    converter = Converter(forbid_extra_keys=forbid_unknown)
    for kind, take in PLAIN.items():
        take_plain(converter, kind, take)
    converter.register_structure_hook_factory(_is_row, lambda row: _row_reader(converter, row))
    converter.register_structure_hook_factory(is_dataclass, lambda kind: _object_reader(converter, kind))
    return converter


def take_plain(converter: Converter, kind: type, take: Take) -> None:
    """Read this kind so; a code, which derives from a text, stays a code."""
    converter.register_structure_hook(kind, lambda value, wanted: (take if wanted is kind else _code)(value, wanted))


def read(converter: Converter, value: object, wanted: type[T], refuse: Callable[[str, str], Exception]) -> T:
    """The value as what is wanted.

    Raises what `refuse(place, wanted)` makes of the first fault; a Refusal that a hook raises passes through as it is.
    """
    try:
        return converter.structure(value, wanted)
    except (BaseValidationError, WrongFormError, KeyError, TypeError, ValueError) as error:
        place, fault = first_fault(error)
        if isinstance(fault, WrongFormError):
            raise refuse(_join(place, fault.inside), fault.wanted) from None
        if isinstance(fault, ForbiddenExtraKeysError):
            raise refuse(_join(place, f".{sorted(map(str, fault.extra_fields))[0][:40]}"), NOTHING) from None
        if isinstance(fault, KeyError):
            raise refuse(place, "a value") from None
        if isinstance(fault, BaseValidationError | TypeError):
            raise refuse(place, "an object") from None
        raise fault from None


NOTHING = "nothing of this name"


def first_fault(error: BaseException, place: str = "") -> tuple[str, BaseException]:
    """The first fault in what cattrs raised, and its place."""
    while isinstance(error, BaseValidationError) and error.exceptions:
        error = error.exceptions[0]
        for note in getattr(error, "__notes__", ()):
            if isinstance(note, AttributeValidationNote):
                place = _join(place, f".{note.name}")
            elif isinstance(note, IterableValidationNote):
                place = _join(place, f".{note.index}" if isinstance(note.index, str) else f"[{note.index}]")
    return place, error


def _join(place: str, inside: str) -> str:
    return f"{place}{inside}" if place else inside.removeprefix(".")


# --- plain values ---


def _number(value: object, _: object) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise WrongFormError("a number")
    try:
        number = float(value)
    except OverflowError:
        raise WrongFormError("a number") from None
    if not math.isfinite(number):
        raise WrongFormError("a number")
    return number


def _whole_number(value: object, kind: object) -> int:
    number = _number(value, kind)
    if number != int(number):
        raise WrongFormError("a whole number")
    return int(number)


def _truth(value: object, _: object) -> bool:
    if not isinstance(value, bool):
        raise WrongFormError("true or false")
    return value


def _text(value: object, _: object) -> str:
    if not isinstance(value, str):
        raise WrongFormError("a text")
    return value


def _moment(value: object, kind: object) -> datetime:
    try:
        at = datetime.fromisoformat(_text(value, kind))
    except ValueError:
        raise WrongFormError("a time such as 2026-03-06T20:10+00:00") from None
    if at.tzinfo is None:
        raise WrongFormError("a time with its offset")
    if not is_of_this_age(at):
        raise WrongFormError(f"a time from {EARLIEST_YEAR} to {LATEST_YEAR}")
    return at


# Far enough from both ends of the calendar that no sum of days or change of zone leaves it.
EARLIEST_YEAR, LATEST_YEAR = 1970, 2199


def is_of_this_age(at: datetime) -> bool:
    """Whether a kitchen can have to do with it."""
    return EARLIEST_YEAR <= at.year <= LATEST_YEAR


def _zone(value: object, kind: object) -> ZoneInfo:
    try:
        return ZoneInfo(_text(value, kind))
    except (KeyError, ValueError, OSError):
        raise WrongFormError("a time zone such as Europe/Lisbon") from None


def _code(value: object, kind: type[StrEnum]) -> StrEnum:
    for code in kind:
        if isinstance(value, str) and code == value:
            return code
    raise WrongFormError(" or ".join(kind))


PLAIN: Mapping[type, Take] = {
    float: _number,
    int: _whole_number,
    bool: _truth,
    str: _text,
    datetime: _moment,
    ZoneInfo: _zone,
}


# --- what holds values ---


def _is_row(kind: object) -> bool:
    return get_origin(kind) in (tuple, frozenset)


def _row_reader(converter: Converter, row: Any) -> Callable[[object, object], Any]:
    """Rows of one kind: a list in JSON, whose faults are named by their number."""
    make, (item, *_) = get_origin(row), get_args(row)

    def read_row(value: object, _: object) -> Any:
        if not isinstance(value, list):
            raise WrongFormError("a list")
        return make(converter.structure(value, list[item]))  # type: ignore[valid-type]

    return read_row


def _object_reader(converter: Converter, kind: type) -> Callable[[object, object], Any]:
    fill: Take = make_dict_structure_fn(kind, converter)

    def read_object(value: object, wanted: object) -> Any:
        return fill(named_fields(value), wanted)

    return read_object


def is_union(kind: object) -> bool:
    return get_origin(kind) in (Union, UnionType)


def named_fields(value: object) -> Mapping[str, object]:
    """The value itself when it is an object with names. Raises WrongFormError."""
    if not isinstance(value, Mapping):
        raise WrongFormError("an object")
    return value
