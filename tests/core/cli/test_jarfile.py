"""A jar as a JSON document: round trip, and every refusal with its place."""

from __future__ import annotations

import json
from dataclasses import replace
from typing import Any
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.cli.jarfile import read, write
from ferment.kitchen.hours import Hours, parse_bands
from ferment.ready_rule import Strictness
from ferment.record.log import Bin, DiscardTo, Leave, Log, Word
from ferment.refusal import Refusal, RefusalCode
from ferment.simulation import CARELESS, Happenings, play

from ..builders import START, feed, hours, look, setup

BANDS = parse_bands("07:00-09:00,19:00-22:30")
MADE = replace(
    setup(),
    hours=Hours(ZoneInfo("Europe/Lisbon"), BANDS, ()),
    warmth_c=21.0,
    night_c=18.0,
    ready_after=Strictness.STRICT,
)


def log() -> Log:
    played = play(MADE, 8, 4, habits=CARELESS, happenings=Happenings(cold=((100.0, 108.0),))).log
    floated = replace(look(198.0, 2.0), floats=True)
    fed = replace(feed(199.0), discard_to=DiscardTo.COMPOST)
    word = Word("w", START + hours(199.5), "hungry_again", yes=False)
    return (
        *played,
        floated,
        fed,
        word,
        Leave("l", START + hours(200), START + hours(210)),
        Bin("b", START + hours(220)),
    )


class RoundTrip(TestCase):
    def test_set_up_and_log(self) -> None:
        entries = log()
        again, read_again = read(json.loads(json.dumps(write(MADE, entries))))
        self.assertEqual(again, MADE)
        self.assertEqual(read_again, entries)


class Refusals(TestCase):
    def test_each_names_its_place(self) -> None:
        whole: dict[str, Any] = json.loads(json.dumps(write(MADE, log()[:3])))
        cases: tuple[tuple[str, object, str], ...] = (
            ("setup", 3, "setup"),
            ("log", "long", "log"),
            ("log", [3], "log[0]"),
            ("log", [{"kind": "feed"}], "log[0].at"),
            ("log", [{"kind": "feed", "at": "2026-03-02T08:00"}], "log[0].at"),
            ("log", [{"kind": "feed", "at": "2026-03-02T08:00Z", "flours": {"oak": 3}}], "log[0].flours.oak"),
            ("log", [{"kind": "look", "at": "2026-03-02T08:00Z", "bubbles": "loads"}], "log[0].bubbles"),
            ("log", [{"kind": "look", "at": "2026-03-02T08:00Z", "level": {"unit": "mm"}}], "log[0].level.value"),
            ("log", [{"kind": "word", "at": "2026-03-02T08:00Z", "about": "ready", "yes": "so"}], "log[0].yes"),
            ("log", [{}] * 5_001, "log"),
        )
        for name, value, field in cases:
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                read({**whole, name: value})
            self.assertEqual(caught.exception.field, field)

    def test_what_is_no_jar(self) -> None:
        nothing: tuple[object, ...] = (None, [], "jar", {})
        for value in nothing:
            with self.subTest(value), self.assertRaises(Refusal) as caught:
                read(value)
            self.assertEqual(caught.exception.code, RefusalCode.FILE_FORM)
