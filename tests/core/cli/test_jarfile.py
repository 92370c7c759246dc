"""A jar as a JSON document: round trip, and every refusal with its place."""

from __future__ import annotations

import json
from dataclasses import replace
from typing import Any
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.cli.jarfile import read_jar, write_jar
from ferment.kitchen.hours import Hours, parse_bands
from ferment.kitchen.warmth import Degrees
from ferment.methods import family_named
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
        again, read_again = read_jar(json.loads(json.dumps(write_jar(MADE, entries))))
        self.assertEqual(again, MADE)
        self.assertEqual(read_again, entries)

    def test_a_way_of_ones_own_and_a_thermometer_go_with_the_jar(self) -> None:
        own = replace(family_named("when_hungry"), code="my_way")
        told = replace(MADE, family="my_way", method=own, readings=(Degrees(START, 19.5),))
        self.assertEqual(read_jar(json.loads(json.dumps(write_jar(told, ()))))[0], told)

    def test_what_a_newer_version_adds_is_passed_over(self) -> None:
        whole: dict[str, Any] = json.loads(json.dumps(write_jar(MADE, log())))
        whole["setup"]["cloth"] = "linen"
        whole["log"][0]["mood"] = "fine"
        self.assertEqual(read_jar(whole), (MADE, log()))


class Refusals(TestCase):
    def test_each_names_its_place(self) -> None:
        whole: dict[str, Any] = json.loads(json.dumps(write_jar(MADE, log()[:3])))
        overlapping = {"weekday": [[60, 120], [90, 180]], "weekend": []}
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
            ("log", [{"kind": ["feed"], "at": "2026-03-02T08:00Z"}], "log[0].kind"),
            ("log", [{"kind": "feed", "at": "2026-03-02T08:00Z", "flours": {"rye": "3"}}], "log[0].flours.rye"),
            ("setup", {**whole["setup"], "tz": "Mars/Base"}, "setup.tz"),
            ("setup", {**whole["setup"], "hours": {"weekday": [[1]], "weekend": []}}, "setup.hours.weekday"),
            ("setup", {**whole["setup"], "hours": overlapping}, "setup.hours.weekday"),
            ("setup", {**whole["setup"], "ready_after": "never"}, "setup.ready_after"),
            ("setup", {**whole["setup"], "choices": {"seed_grams": None}}, "setup.choices.seed_grams"),
        )
        for name, value, field in cases:
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                read_jar({**whole, name: value})
            self.assertEqual(caught.exception.field, field)

    def test_what_is_no_jar(self) -> None:
        nothing: tuple[object, ...] = (None, [], "jar", {})
        for value in nothing:
            with self.subTest(value), self.assertRaises(Refusal) as caught:
                read_jar(value)
            self.assertEqual(caught.exception.code, RefusalCode.FILE_FORM)
