"""The command line answers in JSON whatever it is given: an answer, or a refusal that names the place.

`DESPERTAR_EXAMPLES` sets four times how many inputs of each kind are tried: 200 by itself, more by night.
"""

from __future__ import annotations

import argparse
import contextlib
import copy
import io
import json
import os
import tempfile
from pathlib import Path
from typing import Any
from unittest import TestCase

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from ferment.__main__ import main, parser
from ferment.cli.jarfile import write_jar
from ferment.methods import FAMILIES
from ferment.protocol.written import to_json

from ..builders import feed, first_mix, look, setup

EXAMPLES = int(os.environ.get("DESPERTAR_EXAMPLES", "200"))
many = settings(max_examples=EXAMPLES // 4, deadline=None, suppress_health_check=list(HealthCheck))

START_TEXT = "2026-03-02T08:00"
SOUND = {
    "feed": {"--keep": "20", "--ratio": "1:2:2"},
    "mend": {"--keep": "20", "--ratio": "1:2:2", "--flour": "45"},
    "hydration": {},
    "build": {"--target": "200", "--at": "2026-03-08T09:00"},
    "peak": {"--ratio": "1:2:2", "--temp": "24"},
    "convert": {"--value": "3", "--unit": "g"},
    "methods": {},
    "schema": {},
    "plan": {"--start": START_TEXT, "--days": "6"},
    "simulate": {"--start": START_TEXT, "--days": "2"},
    "assess": {"--now": "2026-03-06T20:10"},
    "compare": {"--start": START_TEXT},
}
DEEP: Any = json.loads("[" * 300 + "]" * 300)
TEXTS = (
    *("nan", "inf", "-inf", "1e400", "-1", "0", "0.0001", "1" * 400, "", " ", "x", "1:2", "1:0:0", "0:0:0", "::"),
    *("nan:1:1", "1:inf:1", "0001-01-01T00:00", "9999-12-31T23:59", "0001-01-01T00:00+14:00", "25:00-26:00"),
    *("rye=nan", "rye=-1", "rye=inf", "=", "rye=0", "seed_grams=nan", "seed_grams=1e9", "first_blend=rye:nan"),
    *("/nowhere.json", "/", "\x00.json", "/dev/null", "\ud800", "Europe/Nowhere", "../../etc/passwd", "/nowhere.csv"),
)
VALUES: tuple[Any, ...] = (
    *(float("nan"), float("inf"), 1e308, 10**400, -(10**400), -1, 0, 1e-9, True, None, "", "x", "nan", [], {}),
    *([[]], [{}], {"kind": []}, {"kind": {}}, {"kind": "feed"}, "\ud800", "0001-01-01T00:00:00+00:00", 2.5),
    *("9999-12-31T23:59:59+00:00", "2026-03-02T08:00:00", "a" * 5_000, [0] * 200, {"rye": float("nan")}, DEEP),
)


def places(of: object, so_far: tuple[object, ...] = ()) -> list[tuple[object, ...]]:
    """Every place of a document, from the whole of it to its leaves."""
    inside = of.items() if isinstance(of, dict) else enumerate(of) if isinstance(of, list) else ()
    return [so_far, *(place for name, part in inside for place in places(part, (*so_far, name)))]


@st.composite
def spoilt(draw: st.DrawFn, documents: list[Any]) -> Any:
    """A sound document of which a place or two hold something else, or nothing."""
    document = copy.deepcopy(draw(st.sampled_from(documents)))
    for _ in range(draw(st.integers(1, 2))):
        *way, last = draw(st.sampled_from(places(document)[1:])) if places(document)[1:] else (None,)
        if last is None:
            return copy.deepcopy(draw(st.sampled_from(VALUES)))
        inside = document
        for name in way:
            inside = inside[name]
        if draw(st.integers(0, 4)) == 0:
            del inside[last]
        else:
            inside[last] = copy.deepcopy(draw(st.sampled_from(VALUES)))
    return document


@st.composite
def command_lines(draw: st.DrawFn) -> list[str]:
    """A sound command line of which one or two values are something else."""
    name = draw(st.sampled_from(sorted(SOUND)))
    (commands,) = (one for one in parser()._actions if isinstance(one, argparse._SubParsersAction))
    flags = [
        flag for action in commands.choices[name]._actions for flag in action.option_strings[:1] if action.nargs != 0
    ]
    given_now = dict(SOUND[name])
    for flag in draw(st.lists(st.sampled_from(flags), max_size=2)) if flags else ():
        given_now[flag] = draw(st.sampled_from(TEXTS))
    first = []
    if name in {"plan", "simulate", "assess"}:
        first = [draw(st.sampled_from(["equal_parts", "dried_soak", *TEXTS]))]
        first = ["equal_parts"] if first[0].startswith("-") else first
    return [name, *first, *(f"{flag}={value}" for flag, value in given_now.items())]


def answered(case: TestCase, arguments: list[str]) -> None:
    """One JSON document, without NaN, and an exit of 0 or 2."""
    out = io.StringIO()
    with contextlib.redirect_stdout(out):
        try:
            code = main(arguments)
        except SystemExit as end:
            code = int(str(end.code))
    case.assertIn(code, (0, 2), arguments)
    told = json.loads(out.getvalue(), parse_constant=lambda name: case.fail(f"{name} in the answer"))
    if code == 2:
        case.assertTrue(told["error"]["code"], arguments)
        case.assertTrue(told["error"]["field"], arguments)


class NeverATraceback(TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.file = Path(folder.name, "given.json")

    def written(self, document: object) -> str:
        # As Python writes it: NaN, Infinity and lone surrogates stay in.
        self.file.write_text(json.dumps(document))
        return str(self.file)

    @many
    @given(command_lines())
    def test_command_lines(self, arguments: list[str]) -> None:
        answered(self, arguments)

    JARS = [write_jar(setup(), (first_mix(), feed(24), look(30, 1.4), look(34, 1.9)))]  # noqa: RUF012

    @many
    @given(spoilt(JARS))
    def test_jars(self, document: object) -> None:
        answered(self, ["assess", self.written(document), "--now", "2026-03-06T20:10"])

    METHODS = [to_json(family) for family in FAMILIES]  # noqa: RUF012

    @many
    @given(spoilt(METHODS))
    def test_methods(self, document: object) -> None:
        """Any method in the schema plans or is refused."""
        answered(self, ["plan", self.written(document), "--start", START_TEXT, "--days", "20"])

    STEPS = [  # noqa: RUF012
        [
            {"do": "mix", "flour": {"rye": 100}, "water": 150},
            {"do": "keep", "share": 0.5},
            {"do": "feed", "keep": 75, "flour": {"rye": 35}, "water": 75, "salt": 1},
        ]
    ]

    @many
    @given(spoilt(STEPS))
    def test_steps(self, document: object) -> None:
        answered(self, ["hydration", "--steps", self.written(document)])

    def test_files_that_are_no_json(self) -> None:
        for text in ("", "{", "[" * 100_000, "1" * 10_000, "\x00", '{"a": 1e999}', "﻿[]", "nan"):
            self.file.write_text(text)
            for arguments in (
                ["assess", str(self.file), "--now", START_TEXT],
                ["plan", str(self.file), "--start", START_TEXT],
                ["hydration", "--steps", str(self.file)],
                ["plan", "equal_parts", "--start", START_TEXT, "--temp", str(self.file.with_suffix(".csv"))],
            ):
                with self.subTest(text=text[:10], command=arguments[0]):
                    answered(self, arguments)

    def test_a_thermometer_of_nonsense(self) -> None:
        file = self.file.with_suffix(".csv")
        for line in ("1e9,24", "nan,24", "1,nan", "1,inf", "-1e12,3", "1,2,3", "1," + "9" * 400):
            file.write_text(f"hours,degrees\n{line}\n")
            with self.subTest(line=line[:10]):
                answered(self, ["plan", "equal_parts", "--start", START_TEXT, "--temp", str(file)])
