"""A jar as a JSON document: its set-up and its log, as the command line reads and writes them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from typing import Any, get_origin
from zoneinfo import ZoneInfo

from cattrs import Converter
from cattrs.gen import make_dict_structure_fn

from ..kitchen.flours import Flour, FlourGrams, FlourLot
from ..kitchen.hours import Band, Hours, check_bands, waking_hours
from ..kitchen.quantities import MOST_G
from ..kitchen.vessel import Level
from ..methods import FAMILIES
from ..planner.altering import LaterHours
from ..protocol.method import Method
from ..protocol.options import Choice, Choices
from ..protocol.written import from_json, to_json
from ..reading import WrongFormError, named_fields, read, strict_converter
from ..record.log import Bake, Bin, Deed, Entry, Feed, Leave, Log, Look, PutBack, Use, Word
from ..record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay, Picks
from ..refusal import Refusal, RefusalCode, within
from ..setups import Setup
from ..tracker.prior import Prior, prior_as_json, prior_from_json

MOST_ENTRIES = 5_000
MOST_MM = 10_000.0
KINDS: Mapping[str, type[Entry]] = {
    "feed": Feed,
    "look": Look,
    "deed": Deed,
    "leave": Leave,
    "word": Word,
    "moved": Moved,
    "jar": OtherJar,
    "flour": OtherFlour,
    "rhythm": OtherRhythm,
    "amount": OtherAmount,
    "way": OtherWay,
    "use": Use,
    "put_back": PutBack,
    "bake": Bake,
    "bin": Bin,
}
# What may be left out of a file beside what the entries themselves have by default.
LEFT_OUT: Mapping[type[Entry], Mapping[str, object]] = {
    Feed: {"keep_g": 0.0, "water_g": 0.0, "salt_g": 0.0, "line_mm": None},
    Look: {"level": None, "bubbles": None, "top": [], "smell": [], "thickness": None, "has_note": False},
}


def write_jar(setup: Setup, log: Log) -> dict[str, object]:
    """What `read_jar` reads again. Times are ISO 8601 with their offset."""
    zone = str(setup.hours.zone)
    return {
        "setup": {
            "family": setup.family,
            "choices": dict(setup.choices),
            "starts_at": setup.starts_at.isoformat(),
            "vessel": {
                "tare_g": setup.vessel.tare_g,
                "volume_ml": setup.vessel.volume_ml,
                "height_mm": setup.vessel.height_mm,
                "flare": setup.vessel.flare,
            },
            "scale_step": setup.scale_step,
            "size": setup.size,
            "warmth_c": setup.warmth_c,
            "night_c": setup.night_c,
            "ready_after": setup.ready_after,
            "tz": zone,
            "hours": {
                "weekday": [[band.start, band.end] for band in setup.hours.weekday],
                "weekend": [[band.start, band.end] for band in setup.hours.weekend],
            },
            "later_hours": [
                {
                    "at": later.at.isoformat(),
                    "tz": str(later.hours.zone),
                    "weekday": [[band.start, band.end] for band in later.hours.weekday],
                    "weekend": [[band.start, band.end] for band in later.hours.weekend],
                }
                for later in setup.later_hours
            ],
            "readings": [{"at": one.at.isoformat(), "celsius": one.celsius} for one in setup.readings],
            # A way of the catalogue is known by its name; a baker's own goes with the jar.
            "method": to_json(setup.method) if setup.method and setup.method not in FAMILIES else None,
            # Only where earlier jars taught something.
            **({"prior": prior_as_json(setup.prior)} if setup.prior.jars else {}),
        },
        "log": [_written(entry) for entry in log],
    }


def _written(entry: Entry) -> dict[str, object]:
    """An entry without what was not noted, nor whether there was a note: a note is the baker's own."""
    kind = next(name for name, made in KINDS.items() if isinstance(entry, made))
    parts: dict[str, object] = _converter().unstructure(entry)
    return {
        "kind": kind,
        **{name: part for name, part in parts.items() if name != "has_note" and part is not None and part != []},
    }


# --- reading ---


@dataclass(frozen=True)
class _File:
    setup: Setup
    log: tuple[Entry, ...] = ()


def read_jar(value: object) -> tuple[Setup, Log]:
    """Raises Refusal (file_form, and what flours, hours and methods refuse) with the place of the first thing that is
    wrong."""
    file = read(_converter(), _numbered(value), _File, _refuse)
    for number, one in enumerate(file.setup.readings):
        within(one.celsius, *READ_C, f"setup.readings[{number}].celsius")
    for number, entry in enumerate(file.log):
        for name, least, most in MEASURED:
            measured = getattr(entry, name, None)
            amount = measured.value if isinstance(measured, Level) else measured
            if amount is not None:
                within(amount, least, most, f"log[{number}].{name}")
    return file.setup, file.log


READ_C = (-10.0, 60.0)
# What can be measured at a jar at all; whether it fits this jar is not asked of a log that is there already.
MEASURED = (
    *((name, 0.0, MOST_G) for name in ("keep_g", "flour_g", "water_g", "juice_g", "salt_g", "tare_g")),
    *((name, -MOST_MM, MOST_MM) for name in ("line_mm", "level", "high")),
    ("ph", 0.0, 14.0),
    ("celsius", *READ_C),
)


def _refuse(place: str, wanted: str) -> Refusal:
    return Refusal(RefusalCode.FILE_FORM, place or "file", {"wanted": wanted})


def _numbered(value: object) -> object:
    """Entries without an id are known by their place. Raises Refusal for a log that is longer than any jar's."""
    log = value.get("log") if isinstance(value, Mapping) else None
    if not isinstance(value, Mapping) or not isinstance(log, list):
        return value
    if len(log) > MOST_ENTRIES:
        raise _refuse("log", f"a list of up to {MOST_ENTRIES}")
    rows = [
        {"id": f"log[{place}]", **entry} if isinstance(entry, Mapping) else entry for place, entry in enumerate(log)
    ]
    return {**value, "log": rows}


@cache
def _converter() -> Converter:
    converter = strict_converter(forbid_unknown=False)
    converter.register_structure_hook_func(lambda kind: kind == FlourLot, lambda value, _: _flours(converter, value))
    converter.register_structure_hook_func(lambda kind: kind == Choices, lambda value, _: _choices(converter, value))
    converter.register_structure_hook_func(lambda kind: kind == Choice, lambda value, _: _choice(converter, value))
    converter.register_structure_hook_func(lambda kind: kind == Picks, lambda value, _: _picks(converter, value))
    converter.register_unstructure_hook_func(lambda kind: kind == Picks, dict)
    converter.register_structure_hook(Prior, lambda value, _: _prior(value))
    converter.register_structure_hook(Method, lambda value, _: from_json(value))
    converter.register_structure_hook(Hours, lambda value, _: value)
    converter.register_structure_hook(LaterHours, lambda value, _: value)
    fills = {name: make_dict_structure_fn(kind, converter) for name, kind in KINDS.items()}
    converter.register_structure_hook_func(lambda kind: kind == Entry, lambda value, _: _entry(fills, value))
    fill = make_dict_structure_fn(Setup, converter)
    converter.register_structure_hook(Setup, lambda value, kind: fill(_with_hours(converter, value), kind))
    converter.register_unstructure_hook_func(
        lambda kind: kind == FlourLot, lambda lot: {part.flour.value: part.g for part in lot}
    )
    converter.register_unstructure_hook(datetime, datetime.isoformat)
    converter.register_unstructure_hook_func(_is_set, sorted)
    return converter


def _is_set(kind: object) -> bool:
    return get_origin(kind) in {frozenset}


def _flours(converter: Converter, value: object) -> FlourLot:
    """Grams by the name of a flour."""
    parts = []
    for name, g in named_fields(value).items():
        if name not in set(Flour):
            raise WrongFormError(" or ".join(Flour), f".{name}")
        try:
            parts.append(FlourGrams(Flour(name), converter.structure(g, float)))
        except WrongFormError as fault:
            raise WrongFormError(fault.wanted, f".{name}") from None
    return tuple(parts)


def _prior(value: object) -> Prior:
    try:
        return prior_from_json(value)
    except ValueError:
        raise WrongFormError("middles, spreads and jars, as written by this program") from None


def _choices(converter: Converter, value: object) -> Choices:
    chosen: dict[str, Choice] = {}
    for name, part in named_fields(value).items():
        try:
            chosen[str(name)] = _choice(converter, part)
        except WrongFormError as fault:
            raise WrongFormError(fault.wanted, f".{name}{fault.inside}") from None
    return chosen


def _picks(converter: Converter, value: object) -> Picks:
    chosen = _choices(converter, value)
    blend = next((name for name, part in chosen.items() if isinstance(part, Mapping)), None)
    if blend is not None:
        raise WrongFormError("a text or a number", f".{blend}")
    return tuple((name, part) for name, part in chosen.items() if not isinstance(part, Mapping))


def _choice(converter: Converter, value: object) -> Choice:
    """A pick, a number, or a blend by parts."""
    if isinstance(value, Mapping):
        return {str(name): converter.structure(part, float) for name, part in value.items()}
    return value if isinstance(value, str) else converter.structure(value, float)


def _entry(fills: Mapping[str, Any], value: object) -> Entry:
    row = named_fields(value)
    kind = row.get("kind")
    if not isinstance(kind, str) or kind not in KINDS:
        raise WrongFormError(" or ".join(KINDS), ".kind")
    made: Entry = fills[kind]({**LEFT_OUT.get(KINDS[kind], {}), **row}, KINDS[kind])
    return made


def _with_hours(converter: Converter, value: object) -> Mapping[str, object]:
    """The set-up with its zone and bands as the baker's hours; awake, where no bands were told."""
    row = named_fields(value)
    try:
        zone = converter.structure(row.get("tz", "UTC"), ZoneInfo)
    except WrongFormError as fault:
        raise WrongFormError(fault.wanted, ".tz") from None
    told = row.get("hours")
    hours = waking_hours(zone) if told is None else Hours(zone, *(_bands(told, day) for day in DAYS))
    later = row.get("later_hours", [])
    if not isinstance(later, list):
        raise WrongFormError("a list", ".later_hours")
    return {**row, "hours": hours, "later_hours": [_later(converter, one, place) for place, one in enumerate(later)]}


def _later(converter: Converter, told: object, place: int) -> LaterHours:
    at = f".later_hours[{place}]"
    row = named_fields(told)
    try:
        zone = converter.structure(row.get("tz", "UTC"), ZoneInfo)
        since = converter.structure(row.get("at"), datetime)
    except WrongFormError as fault:
        raise WrongFormError(fault.wanted, at) from None
    return LaterHours(since, Hours(zone, *(_bands(row, day) for day in DAYS)))


DAYS = ("weekday", "weekend")


def _bands(told: object, day: str) -> tuple[Band, ...]:
    """Pairs of minutes after midnight. Raises WrongFormError, and Refusal for bands that are none or overlap."""
    rows = told.get(day) if isinstance(told, Mapping) else None
    if not isinstance(rows, list) or not all(_is_band(row) for row in rows):
        raise WrongFormError("a list of [from, to] in minutes after midnight", f".hours.{day}")
    return check_bands(tuple(Band(int(start), int(end)) for start, end in rows), f"setup.hours.{day}")


def _is_band(row: object) -> bool:
    return (
        isinstance(row, list)
        and len(row) == 2
        and all(isinstance(at, int | float) and not isinstance(at, bool) and 0 <= at <= 1440 for at in row)
    )
