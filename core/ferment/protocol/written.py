"""A method as JSON and back, and the JSON Schema of it; the dataclasses of the language are its only source."""

from __future__ import annotations

import json
import types
from collections.abc import Callable, Mapping, Sequence
from dataclasses import MISSING, fields, is_dataclass
from enum import StrEnum
from functools import cache
from typing import Any, Union, cast, get_args, get_origin, get_type_hints

from cattrs import Converter

from ..reading import WrongFormError, is_union, named_fields, read, strict_converter, take_plain
from ..refusal import Refusal, RefusalCode
from . import method, options, sights
from .method import Method

VERSION = 1
KEY = "despertar_method"
# A method from outside: more than the longest of the catalogue needs, and small enough to be read in no time.
MOST_BYTES = 65_536
MOST_ITEMS = 60
MOST_TEXT = 60
MOST_DEPTH = 24
MOST_NUMBER = 10_000


def to_json(made: Method) -> dict[str, object]:
    """The method as plain JSON values."""
    return {KEY: VERSION, **_converter().unstructure(made)}


def kind_of(made: type) -> str:
    """`KeepAll` is written `keep_all`."""
    name = made.__name__
    return "".join(f"_{sign.lower()}" if sign.isupper() and place else sign.lower() for place, sign in enumerate(name))


def read_text(text: str | bytes) -> Method:
    """Read a method file. Raises Refusal (method_form, method_too_large, method_too_new) with the place of the first
    thing that is wrong."""
    if len(text) > MOST_BYTES:
        raise Refusal(RefusalCode.METHOD_TOO_LARGE, "method", {"most_bytes": float(MOST_BYTES)})
    try:
        value = json.loads(text, parse_constant=_no_constant)
    except (ValueError, RecursionError):
        raise _form("method", "JSON") from None
    return from_json(value)


def _no_constant(name: str) -> float:
    raise ValueError(name)


def from_json(value: object) -> Method:
    """The same from parsed JSON. Raises Refusal with the place: `phases[2].after.latest_h`."""
    if not isinstance(value, Mapping):
        raise _form("method", "an object")
    version = value.get(KEY)
    if isinstance(version, int) and not isinstance(version, bool) and version > VERSION:
        raise Refusal(RefusalCode.METHOD_TOO_NEW, KEY, {"given": str(version)[:20], "known": float(VERSION)})
    if version != VERSION or isinstance(version, bool):
        raise _form(KEY, str(VERSION))
    body = {name: part for name, part in value.items() if name != KEY}
    _within_limits(body, "", 0)
    return read(_converter(), body, Method, _form)


def _form(place: str, wanted: str) -> Refusal:
    return Refusal(RefusalCode.METHOD_FORM, place or "method", {"wanted": wanted})


def _within_limits(value: object, place: str, depth: int) -> None:
    """Nothing so deep or so long that reading it would take a while."""
    if depth > MOST_DEPTH:
        raise _form(place, "fewer levels")
    if isinstance(value, Mapping):
        for name, part in value.items():
            _within_limits(part, f"{place}.{name}" if place else str(name), depth + 1)
    elif isinstance(value, Sequence) and not isinstance(value, str):
        if len(value) > MOST_ITEMS:
            raise Refusal(RefusalCode.METHOD_TOO_LARGE, place, {"most": float(MOST_ITEMS)})
        for number, part in enumerate(value):
            _within_limits(part, f"{place}[{number}]", depth + 1)


@cache
def _converter() -> Converter:
    """Reads and writes the language: bounded numbers and texts, and classes of a union by their `kind`."""
    converter = strict_converter()
    number, whole = converter.get_structure_hook(float), converter.get_structure_hook(int)
    take_plain(converter, float, lambda value, kind: _bounded(number(value, kind)))
    take_plain(converter, int, lambda value, kind: int(_bounded(whole(value, kind))))
    take_plain(converter, str, _short_text)
    converter.register_structure_hook_factory(is_union, lambda union: _union_reader(converter, union))
    for kinded in _KINDED:
        plain = converter.get_structure_hook(kinded)
        converter.register_structure_hook(kinded, _kinded_reader(plain))
        converter.register_unstructure_hook(kinded, _kinded_writer(kinded, converter))
    converter.register_unstructure_hook_func(_is_row, lambda row: _row(converter, row))
    return converter


def _bounded(value: float) -> float:
    if not 0 <= value <= MOST_NUMBER:
        raise WrongFormError(f"a number from 0 to {MOST_NUMBER}")
    return value


def _short_text(value: object, _: object) -> str:
    if not isinstance(value, str) or not 0 < len(value) <= MOST_TEXT or not value.isprintable():
        raise WrongFormError(f"a text of 1 to {MOST_TEXT} signs")
    return value


def _union_reader(converter: Converter, union: Any) -> Callable[[object, object], Any]:
    """One of several classes, told apart by `kind`; or a plain value, where the union has one."""
    members = get_args(union)
    kinds = {kind_of(cast("type", member)): member for member in members if is_dataclass(member)}
    plain = next((member for member in members if not is_dataclass(member) and member is not type(None)), None)

    def read_one(value: object, _: object) -> Any:
        if value is None and type(None) in members:
            return None
        if isinstance(value, Mapping):
            kind = value.get("kind")
            if not isinstance(kind, str) or kind not in kinds:
                raise WrongFormError(" or ".join(sorted(kinds)) or "no object", ".kind")
            return converter.structure(value, cast("type", kinds[kind]))
        if plain is None:
            raise WrongFormError(" or ".join(sorted(kinds)))
        return converter.structure(value, plain)

    return read_one


def _kinded_reader(plain: Callable[[Any, Any], Any]) -> Callable[[object, object], Any]:
    def read_one(value: object, kind: object) -> Any:
        return plain({name: part for name, part in named_fields(value).items() if name != "kind"}, kind)

    return read_one


def _kinded_writer(kinded: type, converter: Converter) -> Callable[[object], dict[str, object]]:
    def write(value: object) -> dict[str, object]:
        parts = {one.name: converter.unstructure(getattr(value, one.name)) for one in fields(kinded)}
        return {"kind": kind_of(kinded), **parts}

    return write


def _is_row(kind: object) -> bool:
    return get_origin(kind) in {tuple}


def _row(converter: Converter, row: tuple[object, ...]) -> list[object]:
    return [converter.unstructure(part) for part in row]


# --- the schema ---


def _kinded() -> frozenset[type]:
    """Classes that stand in a union say which they are by their `kind`."""
    found: set[type] = set()
    for alias in (method.Amount, method.PhaseAct, sights.Sight, options.Option):
        found.update(cast("tuple[type, ...]", get_args(alias)))
    return frozenset(found | {method.BlendFrom, method.Flours})


_KINDED = _kinded()


def json_schema() -> dict[str, object]:
    """The published form of a method file (JSON Schema 2020-12)."""
    defs: dict[str, object] = {}
    root = cast("dict[str, Any]", _schema(Method, defs))
    body = cast("dict[str, Any]", defs.pop(root["$ref"].rsplit("/", 1)[1]))
    body["properties"] = {KEY: {"const": VERSION}, **body["properties"]}
    body["required"] = [KEY, *body["required"]]
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "A way to raise a sourdough starter",
        **body,
        "$defs": dict(sorted(defs.items())),
    }


def _schema(wanted: Any, defs: dict[str, object]) -> dict[str, object]:
    origin = get_origin(wanted)
    if origin in (Union, types.UnionType):
        return {"anyOf": [_schema(one, defs) for one in get_args(wanted)]}
    if origin is tuple:
        return {"type": "array", "maxItems": MOST_ITEMS, "items": _schema(get_args(wanted)[0], defs)}
    if wanted is type(None):
        return {"type": "null"}
    if is_dataclass(wanted):
        return _schema_object(cast("type", wanted), defs)
    if issubclass(wanted, StrEnum):
        return {"enum": [one.value for one in wanted]}
    numbers = {int: "integer", float: "number"}
    if wanted in numbers:
        return {"type": numbers[wanted], "minimum": 0, "maximum": MOST_NUMBER}
    return {"type": "boolean"} if wanted is bool else {"type": "string", "minLength": 1, "maxLength": MOST_TEXT}


def _schema_object(wanted: type, defs: dict[str, object]) -> dict[str, object]:
    name = kind_of(wanted)
    if name not in defs:
        defs[name] = {}  # a sight holds sights: the name must stand before its parts
        hints = get_type_hints(wanted)
        kind = {"kind": {"const": name}} if wanted in _KINDED else {}
        made: dict[str, object] = {
            "type": "object",
            "additionalProperties": False,
            "properties": {**kind, **{one.name: _schema(hints[one.name], defs) for one in fields(wanted)}},
            "required": [*kind, *(one.name for one in fields(wanted) if one.default is MISSING)],
        }
        # A dataclass without words of its own has its signature for a docstring.
        doc = " ".join((wanted.__doc__ or "").split())
        defs[name] = made if doc.startswith(wanted.__name__) else {"description": doc, **made}
    return {"$ref": f"#/$defs/{name}"}
