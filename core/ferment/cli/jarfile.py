"""A jar as a JSON document: its set-up and its log, as the command line reads and writes them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from datetime import datetime
from enum import StrEnum
from typing import Any, TypeVar
from zoneinfo import ZoneInfo

from ..kitchen.flours import FlourGrams, flour_named
from ..kitchen.hours import Band, Hours, check_bands, waking_hours
from ..kitchen.vessel import Level, LevelUnit, Vessel
from ..ready_rule import Strictness
from ..record.log import (
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    DiscardTo,
    Entry,
    Feed,
    Leave,
    Log,
    Look,
    Smell,
    Thickness,
    Top,
    Word,
)
from ..refusal import Refusal, RefusalCode
from ..setups import Setup

E = TypeVar("E", bound=StrEnum)
MOST_ENTRIES = 5_000


def write(setup: Setup, log: Log) -> dict[str, object]:
    """What `read` reads again. Times are ISO 8601 with their offset."""
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
        },
        "log": [_entry(entry) for entry in log],
    }


def _entry(entry: Entry) -> dict[str, object]:
    told: dict[str, object] = {"kind": type(entry).__name__.lower(), "id": entry.id, "at": entry.at.isoformat()}
    match entry:
        case Feed():
            told |= {
                "keep_g": entry.keep_g,
                "flours": {part.flour.value: part.g for part in entry.flours},
                "water_g": entry.water_g,
                "juice_g": entry.juice_g,
                "salt_g": entry.salt_g,
                "line_mm": entry.line_mm,
                "discard_to": entry.discard_to,
            }
        case Look():
            told |= {
                "level": _level(entry.level),
                "high": _level(entry.high),
                "bubbles": entry.bubbles,
                "top": sorted(entry.top),
                "smell": sorted(entry.smell),
                "thickness": entry.thickness,
                "ph": entry.ph,
                "celsius": entry.celsius,
                "floats": entry.floats,
            }
        case Deed():
            told["deed"] = entry.deed
        case Leave():
            told["until"] = entry.until.isoformat()
        case Word():
            told |= {"about": entry.about, "yes": entry.yes}
    return {name: value for name, value in told.items() if value is not None and value != []}


def _level(level: Level | None) -> dict[str, object] | None:
    return None if level is None else {"value": level.value, "unit": level.unit}


# --- reading ---


def read(value: object) -> tuple[Setup, Log]:
    """Raises Refusal with the place of the first thing that is wrong."""
    whole = _Place(value, "")
    rows = whole.get("log", []).rows(MOST_ENTRIES)
    return _setup(whole.get("setup")), tuple(_read_entry(row) for row in rows)


class _Place:
    """A value in the document and where it stands."""

    def __init__(self, value: object, place: str) -> None:
        self.value, self.place = value, place

    def refuse(self, wanted: str) -> Refusal:
        return Refusal(RefusalCode.FILE_FORM, self.place or "file", {"wanted": wanted})

    def get(self, name: str, default: object = ...) -> _Place:
        if not isinstance(self.value, Mapping):
            raise self.refuse("an object")
        place = f"{self.place}.{name}" if self.place else name
        if name not in self.value and default is ...:
            raise _Place(None, place).refuse("a value")
        return _Place(self.value.get(name, default), place)

    def rows(self, most: int) -> list[_Place]:
        if not isinstance(self.value, list) or len(self.value) > most:
            raise self.refuse(f"a list of up to {most}")
        return [_Place(one, f"{self.place}[{number}]") for number, one in enumerate(self.value)]

    def pairs(self) -> list[tuple[str, _Place]]:
        if not isinstance(self.value, Mapping):
            raise self.refuse("an object")
        return [(str(name), _Place(one, f"{self.place}.{name}")) for name, one in self.value.items()]

    def number(self) -> float:
        if isinstance(self.value, bool) or not isinstance(self.value, int | float):
            raise self.refuse("a number")
        return float(self.value)

    def truth(self) -> bool:
        if not isinstance(self.value, bool):
            raise self.refuse("true or false")
        return self.value

    def text(self) -> str:
        if not isinstance(self.value, str):
            raise self.refuse("a text")
        return self.value

    def moment(self) -> datetime:
        try:
            at = datetime.fromisoformat(self.text())
        except ValueError:
            raise self.refuse("a time such as 2026-03-06T20:10+00:00") from None
        if at.tzinfo is None:
            raise self.refuse("a time with its offset")
        return at

    def one_of(self, kinds: type[E]) -> E:
        try:
            return kinds(self.text())
        except ValueError:
            raise self.refuse(" or ".join(kinds)) from None

    def or_none(self, how: Callable[[_Place], Any]) -> Any:
        return None if self.value is None else how(self)


def _setup(given: _Place) -> Setup:
    zone = _zone(given.get("tz", "UTC"))
    hours = given.get("hours", None)
    return Setup(
        family=given.get("family").text(),
        choices={name: _choice(one) for name, one in given.get("choices", {}).pairs()},
        vessel=_vessel(given.get("vessel")),
        starts_at=given.get("starts_at").moment(),
        scale_step=given.get("scale_step", 1.0).number(),
        size=given.get("size", 1.0).number(),
        warmth_c=given.get("warmth_c", 24.0).number(),
        night_c=given.get("night_c", None).or_none(_Place.number),
        ready_after=given.get("ready_after", Strictness.USUAL).one_of(Strictness),
        hours=waking_hours(zone) if hours.value is None else Hours(zone, *(_bands(hours.get(day)) for day in DAYS)),
    )


DAYS = ("weekday", "weekend")


def _vessel(given: _Place) -> Vessel:
    tare, volume, height = (given.get(name).number() for name in ("tare_g", "volume_ml", "height_mm"))
    return Vessel(tare, volume, height, given.get("flare", 1.0).number())


def _zone(given: _Place) -> ZoneInfo:
    try:
        return ZoneInfo(given.text())
    except (KeyError, ValueError, OSError):
        raise given.refuse("a time zone such as Europe/Lisbon") from None


def _bands(given: _Place) -> tuple[Band, ...]:
    bands = []
    for row in given.rows(10):
        start, end = (int(one.number()) for one in row.rows(2))
        bands.append(Band(start, end))
    return check_bands(tuple(bands), given.place)


def _choice(given: _Place) -> float | str | dict[str, float]:
    if isinstance(given.value, Mapping):
        return {name: one.number() for name, one in given.pairs()}
    return given.text() if isinstance(given.value, str) else given.number()


def _read_level(given: _Place) -> Level:
    return Level(given.get("value").number(), given.get("unit").one_of(LevelUnit))


def _read_entry(given: _Place) -> Entry:
    kind, name, at = given.get("kind").text(), given.get("id", given.place).text(), given.get("at").moment()
    readers: Mapping[str, Callable[[], Entry]] = {
        "feed": lambda: _read_feed(given, name, at),
        "look": lambda: _read_look(given, name, at),
        "deed": lambda: Deed(name, at, given.get("deed").one_of(DeedKind)),
        "leave": lambda: Leave(name, at, given.get("until").moment()),
        "word": lambda: Word(name, at, given.get("about").text(), given.get("yes").truth()),
        "bin": lambda: Bin(name, at),
    }
    if kind not in readers:
        raise given.get("kind").refuse(" or ".join(readers))
    return readers[kind]()


def _read_feed(given: _Place, name: str, at: datetime) -> Feed:
    flours = tuple(
        FlourGrams(flour_named(flour, one.place), one.number()) for flour, one in given.get("flours").pairs()
    )
    line = given.get("line_mm", None).or_none(_Place.number)
    keep, water, salt, juice = (given.get(part, 0.0).number() for part in ("keep_g", "water_g", "salt_g", "juice_g"))
    discard_to = given.get("discard_to", None).or_none(lambda one: one.one_of(DiscardTo))
    return Feed(name, at, keep, flours, water, salt, line, juice, discard_to)


def _read_look(given: _Place, name: str, at: datetime) -> Look:
    return Look(
        name,
        at,
        given.get("level", None).or_none(_read_level),
        given.get("bubbles", None).or_none(lambda one: one.one_of(Bubbles)),
        frozenset(one.one_of(Top) for one in given.get("top", []).rows(8)),
        frozenset(one.one_of(Smell) for one in given.get("smell", []).rows(8)),
        given.get("thickness", None).or_none(lambda one: one.one_of(Thickness)),
        has_note=False,
        high=given.get("high", None).or_none(_read_level),
        ph=given.get("ph", None).or_none(_Place.number),
        celsius=given.get("celsius", None).or_none(_Place.number),
        floats=given.get("floats", None).or_none(_Place.truth),
    )
