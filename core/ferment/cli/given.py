"""What was given on the command line, read and refused in the core's own way."""

from __future__ import annotations

import argparse
import json
import math
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from ..kitchen.hours import Hours, parse_bands, waking_hours
from ..kitchen.vessel import Vessel
from ..kitchen.warmth import Degrees
from ..methods import family_named
from ..protocol import lint, written
from ..protocol.method import Method
from ..protocol.options import Choice, PickOption
from ..reading import EARLIEST_YEAR, LATEST_YEAR, is_of_this_age
from ..refusal import Fact, Refusal, RefusalCode, within
from ..setups import Setup

# A round jar of which only the volume is told: as high as most jars of its size are (common practice: 1.3 × its width).
JAR_SHAPE = 1.3
# A year of a thermometer, and the longest file of a jar.
MOST_HOURS = 24.0 * 366.0
LEAST_READ_C, MOST_READ_C = -10.0, 60.0
MOST_JSON = 8_000_000


def jar_of(ml: float, tare_g: float = 0.0) -> Vessel:
    height = 10.0 * (4.0 * JAR_SHAPE**2 * max(ml, 1.0) / 3.14159265) ** (1.0 / 3.0)
    return Vessel(tare_g, ml, min(500.0, max(20.0, round(height, 1))))


def setup_of(method: Method, arguments: argparse.Namespace) -> Setup:
    zone = zone_named(arguments.tz)
    start = moment_of(arguments.start, zone)
    bands = parse_bands(arguments.hours) if arguments.hours else None
    read = _degrees(arguments.temp, start) if arguments.temp.endswith(".csv") else ()
    return Setup(
        family=method.code,
        method=method,
        choices=_choices(method, arguments.option or []),
        vessel=jar_of(arguments.jar_ml if arguments.jar_ml is not None else 10_000.0),
        starts_at=start,
        scale_step=arguments.scale_step,
        size=arguments.scale if arguments.scale is not None else 1.0,
        hours=waking_hours(zone) if bands is None else Hours(zone, bands, bands),
        warmth_c=_number(arguments.temp, "temp") if not read else read[0].celsius,
        readings=read,
    )


def method_named(name: str) -> Method:
    """A family of the catalogue, or a baker's own from a file, checked before it is used."""
    if not name.endswith(".json"):
        return family_named(name)
    made = written.read_text(_text_file(name, "family"))
    lint.check(made)
    return made


def _degrees(path: str, start: datetime) -> tuple[Degrees, ...]:
    """A thermometer's log, one `hours since the start,degrees` a line."""
    readings = []
    for number, line in enumerate(_text_file(path, "temp").splitlines()):
        hours, _, celsius = line.partition(",")
        if not (_is_number(hours) and _is_number(celsius)):
            if number == 0:
                continue  # a heading
            raise Refusal(RefusalCode.FILE_FORM, f"temp[{number}]", {"wanted": "hours,degrees"})
        after_h = within(float(hours), -MOST_HOURS, MOST_HOURS, f"temp[{number}].hours")
        celsius_then = within(float(celsius), LEAST_READ_C, MOST_READ_C, f"temp[{number}].celsius")
        readings.append(Degrees(start + timedelta(hours=after_h), celsius_then))
    return tuple(readings)


def _choices(method: Method, given: list[str]) -> dict[str, Choice]:
    """`--option seed_grams=20 --option blend=rye:1,white:1` by what each option takes."""
    picks = {option.code.value for option in method.options if isinstance(option, PickOption)}
    choices: dict[str, Choice] = {}
    for text in given:
        code, _, value = text.partition("=")
        if code in picks:
            choices[code] = value
        elif ":" in value or not _is_number(value):
            choices[code] = parts_of(value.replace(":", "="), code)
        else:
            choices[code] = float(value)
    return choices


def parts_of(text: str, field: str = "blend") -> dict[str, float]:
    """`white=10,whole_wheat=1` as a mapping."""
    parts = {}
    for part in text.split(","):
        name, _, value = part.partition("=")
        if value and not _is_number(value):
            raise Refusal(RefusalCode.NOT_A_NUMBER, field, {"given": part[:40]})
        parts[name.strip()] = float(value or 1)
    return parts


def _number(text: str, field: str) -> float:
    if not _is_number(text):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field, {"given": text[:40]})
    return float(text)


def _is_number(text: str) -> bool:
    try:
        return math.isfinite(float(text))
    except ValueError:
        return False


def zone_named(name: str) -> ZoneInfo:
    try:
        return ZoneInfo(name)
    except (KeyError, ValueError, OSError):
        raise Refusal(RefusalCode.NOT_A_CHOICE, "tz", {"given": name[:40], "example": "Europe/Lisbon"}) from None


def moment_of(text: str, zone: ZoneInfo, field: str = "start") -> datetime:
    try:
        at = datetime.fromisoformat(text)
    except ValueError:
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, field, {"example": "2026-03-02T08:00"}) from None
    if not is_of_this_age(at):
        facts: dict[str, Fact] = {"from_year": float(EARLIEST_YEAR), "to_year": float(LATEST_YEAR)}
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, field, facts)
    return at.replace(tzinfo=zone) if at.tzinfo is None else at.astimezone(zone)


def _text_file(path: str, field: str) -> str:
    try:
        with open(path, encoding="utf-8") as file:
            # One more than is taken, so that a huge file is refused without being read.
            return file.read(written.MOST_BYTES + 1)
    except (OSError, ValueError) as error:
        raise Refusal(RefusalCode.METHOD_FORM, field, {"why": str(error)}) from None


def json_of(path: str, field: str) -> object:
    try:
        with open(path, encoding="utf-8") as file:
            text = file.read(MOST_JSON + 1)
        if len(text) > MOST_JSON:
            raise Refusal(RefusalCode.FILE_FORM, field, {"wanted": f"up to {MOST_JSON} signs"})
        return json.loads(text)
    except (OSError, ValueError, RecursionError) as error:
        if isinstance(error, Refusal):
            raise
        raise Refusal(RefusalCode.FILE_FORM, field, {"wanted": "JSON", "why": str(error)[:120]}) from None
