"""A method as JSON and back, and the JSON Schema of it; the dataclasses of the language are its only source."""

from __future__ import annotations

import json
import math
import types
from collections.abc import Mapping
from dataclasses import MISSING, fields, is_dataclass
from enum import StrEnum
from typing import Any, Union, cast, get_args, get_origin, get_type_hints

from ..refusal import Refusal, RefusalCode
from . import method, options, sights
from .method import Method

VERSION = 1
KEY = "despertar_method"
# A method from outside: more than the longest of the catalogue needs, and small enough to be read in no time.
MOST_BYTES = 65_536
MOST_ITEMS = 60
MOST_TEXT = 60
MOST_DEPTH = 12


def to_json(made: Method) -> dict[str, object]:
    """The method as plain JSON values."""
    written = cast("dict[str, object]", _write(made))
    return {KEY: VERSION, **written}


def _write(value: object) -> object:
    if is_dataclass(value) and not isinstance(value, type):
        body = {one.name: _write(getattr(value, one.name)) for one in fields(value)}
        return {"kind": kind_of(type(value)), **body} if type(value) in _KINDED else body
    if isinstance(value, StrEnum):
        return value.value
    if isinstance(value, tuple):
        return [_write(one) for one in value]
    return value


def kind_of(made: type) -> str:
    """`KeepAll` is written `keep_all`."""
    name = made.__name__
    return "".join(f"_{sign.lower()}" if sign.isupper() and place else sign.lower() for place, sign in enumerate(name))


def read_text(text: str | bytes) -> Method:
    """Read a method file. Raises Refusal with the place of the first thing that is wrong."""
    if len(text) > MOST_BYTES:
        raise Refusal(RefusalCode.METHOD_TOO_LARGE, "method", {"most_bytes": float(MOST_BYTES)})
    try:
        value = json.loads(text, parse_constant=_no_constant)
    except (ValueError, RecursionError):
        raise Refusal(RefusalCode.METHOD_FORM, "method", {"wanted": "JSON"}) from None
    return from_json(value)


def _no_constant(name: str) -> float:
    raise ValueError(name)


def from_json(value: object) -> Method:
    """The same from parsed JSON. Raises Refusal with the place: `phases[2].after.latest_h`."""
    if not isinstance(value, Mapping):
        raise _form("method", "an object")
    version = value.get(KEY)
    if isinstance(version, int) and not isinstance(version, bool) and version > VERSION:
        raise Refusal(RefusalCode.METHOD_TOO_NEW, KEY, {"given": float(version), "known": float(VERSION)})
    if version != VERSION or isinstance(version, bool):
        raise _form(KEY, str(VERSION))
    body = {name: part for name, part in value.items() if name != KEY}
    return cast("Method", _read(Method, body, "", 0))


def _form(place: str, wanted: str) -> Refusal:
    return Refusal(RefusalCode.METHOD_FORM, place or "method", {"wanted": wanted})


def _read(wanted: Any, value: object, place: str, depth: int) -> object:
    if depth > MOST_DEPTH:
        raise _form(place, "fewer levels")
    origin = get_origin(wanted)
    if origin in (Union, types.UnionType):
        return _read_union(get_args(wanted), value, place, depth)
    if origin is tuple:
        return _read_list(get_args(wanted)[0], value, place, depth)
    if is_dataclass(wanted):
        return _read_object(cast("type", wanted), value, place, depth)
    return _read_plain(wanted, value, place)


def _read_union(members: tuple[Any, ...], value: object, place: str, depth: int) -> object:
    if value is None and type(None) in members:
        return None
    kinds = {kind_of(cast("type", one)): one for one in members if is_dataclass(one)}
    if isinstance(value, Mapping):
        kind = value.get("kind")
        if kind not in kinds:
            raise _form(f"{place}.kind", " or ".join(sorted(kinds)) or "no object")
        return _read(kinds[kind], value, place, depth)
    plain = [one for one in members if not is_dataclass(one) and one is not type(None)]
    if not plain:
        raise _form(place, " or ".join(sorted(kinds)))
    return _read(plain[0], value, place, depth)


def _read_list(wanted: Any, value: object, place: str, depth: int) -> object:
    if not isinstance(value, list):
        raise _form(place, "a list")
    if len(value) > MOST_ITEMS:
        raise Refusal(RefusalCode.METHOD_TOO_LARGE, place, {"most": float(MOST_ITEMS)})
    return tuple(_read(wanted, one, f"{place}[{number}]", depth + 1) for number, one in enumerate(value))


def _read_object(wanted: type, value: object, place: str, depth: int) -> object:
    if not isinstance(value, Mapping):
        raise _form(place, "an object")
    hints = get_type_hints(wanted)
    parts: dict[str, object] = {}
    prefix = f"{place}." if place else ""
    for one in fields(wanted):
        if one.name in value:
            parts[one.name] = _read(hints[one.name], value[one.name], prefix + one.name, depth + 1)
        elif one.default is MISSING:
            raise _form(prefix + one.name, "a value")
    unknown = set(value) - {one.name for one in fields(wanted)} - {"kind"}
    if unknown:
        raise _form(prefix + str(sorted(unknown)[0])[:40], "nothing of this name")
    return wanted(**parts)


def _read_plain(wanted: type, value: object, place: str) -> object:
    if issubclass(wanted, StrEnum):
        try:
            return wanted(cast("str", value))
        except ValueError:
            raise _form(place, " or ".join(wanted)) from None
    if wanted is str:
        if not isinstance(value, str) or not 0 < len(value) <= MOST_TEXT or not value.isprintable():
            raise _form(place, f"a text of 1 to {MOST_TEXT} signs")
        return value
    if wanted is bool:
        if not isinstance(value, bool):
            raise _form(place, "true or false")
        return value
    return _read_number(wanted, value, place)


def _read_number(wanted: type, value: object, place: str) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float) or not math.isfinite(value):
        raise _form(place, "a number")
    if not 0 <= value <= 10_000:
        raise _form(place, "a number from 0 to 10000")
    if wanted is int and value != int(value):
        raise _form(place, "a whole number")
    return int(value) if wanted is int else float(value)


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
        return {"type": numbers[wanted], "minimum": 0, "maximum": 10_000}
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
