"""JSON from outside: nothing is taken for what it is not, and a fault is named by its place."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime
from enum import StrEnum
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.reading import read, strict_converter


class Colour(StrEnum):
    RED = "red"
    BLUE = "blue"


UTC_ZONE = ZoneInfo("UTC")


@dataclass(frozen=True)
class Inner:
    number: float
    colour: Colour = Colour.RED


@dataclass(frozen=True)
class Outer:
    name: str
    rows: tuple[Inner, ...] = ()
    flag: bool = False
    count: int = 0
    at: datetime = datetime(2026, 3, 2, tzinfo=UTC)
    zone: ZoneInfo = UTC_ZONE
    colours: frozenset[Colour] = frozenset()


class FaultError(Exception):
    pass


def fault(place: str, wanted: str) -> FaultError:
    return FaultError(place, wanted)


class Reading(TestCase):
    def taken(self, value: object) -> Outer:
        return read(strict_converter(), value, Outer, fault)

    def test_what_is_right(self) -> None:
        told = {
            "name": "x",
            "rows": [{"number": 1}, {"number": 2.5, "colour": "blue"}],
            "flag": True,
            "count": 3,
            "at": "2026-03-06T20:10+00:00",
            "zone": "Europe/Lisbon",
            "colours": ["red", "blue"],
        }
        self.assertEqual(
            self.taken(told),
            Outer(
                "x",
                (Inner(1.0), Inner(2.5, Colour.BLUE)),
                flag=True,
                count=3,
                at=datetime(2026, 3, 6, 20, 10, tzinfo=UTC),
                zone=ZoneInfo("Europe/Lisbon"),
                colours=frozenset(Colour),
            ),
        )

    def test_each_fault_is_named_by_its_place(self) -> None:
        cases: tuple[tuple[object, str, str], ...] = (
            (3, "", "an object"),
            ([], "", "an object"),
            ({}, "name", "a value"),
            ({"name": 3}, "name", "a text"),
            ({"name": "x", "rows": {}}, "rows", "a list"),
            ({"name": "x", "rows": [3]}, "rows[0]", "an object"),
            ({"name": "x", "rows": [{"number": 1}, {"number": "1"}]}, "rows[1].number", "a number"),
            ({"name": "x", "rows": [{"number": True}]}, "rows[0].number", "a number"),
            ({"name": "x", "rows": [{"number": float("nan")}]}, "rows[0].number", "a number"),
            ({"name": "x", "rows": [{"number": float("-inf")}]}, "rows[0].number", "a number"),
            ({"name": "x", "rows": [{"number": 10**400}]}, "rows[0].number", "a number"),
            ({"name": "x", "rows": [{"number": 1, "colour": "green"}]}, "rows[0].colour", "red or blue"),
            ({"name": "x", "rows": [{"number": 1, "colour": ["red"]}]}, "rows[0].colour", "red or blue"),
            ({"name": "x", "rows": [{"number": 1, "shade": 2}]}, "rows[0].shade", "nothing of this name"),
            ({"name": "x", "flag": 1}, "flag", "true or false"),
            ({"name": "x", "count": 1.5}, "count", "a whole number"),
            ({"name": "x", "at": "soon"}, "at", "a time such as 2026-03-06T20:10+00:00"),
            ({"name": "x", "at": "2026-03-06T20:10"}, "at", "a time with its offset"),
            ({"name": "x", "zone": "Mars/Base"}, "zone", "a time zone such as Europe/Lisbon"),
            ({"name": "x", "colours": ["red", 3]}, "colours[1]", "red or blue"),
        )
        for value, place, wanted in cases:
            with self.subTest(place, value=str(value)[:60]), self.assertRaises(FaultError) as caught:
                self.taken(value)
            self.assertEqual(caught.exception.args, (place, wanted))

    def test_what_has_no_name_here_may_be_passed_over(self) -> None:
        found = read(strict_converter(forbid_unknown=False), {"name": "x", "mood": "fine"}, Outer, fault)
        self.assertEqual(found, Outer("x"))
