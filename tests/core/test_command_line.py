"""The contract of the command line, by running it."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

CORE = Path(__file__).resolve().parents[2] / "core"


def run(*arguments: str) -> tuple[int, dict]:  # type: ignore[type-arg]
    env = {**os.environ, "PYTHONPATH": str(CORE)}
    done = subprocess.run(
        [sys.executable, "-m", "ferment", *arguments], capture_output=True, text=True, env=env, check=False
    )
    return done.returncode, json.loads(done.stdout)


class CommandLine(TestCase):
    def test_feed(self) -> None:
        code, answer = run(
            "feed", "--keep", "20", "--ratio", "1:2:2", "--blend", "white=10,whole_wheat=1", "--tare", "412"
        )
        self.assertEqual(code, 0)
        self.assertEqual(answer["flours"], [{"flour": "white", "g": 36.0}, {"flour": "whole_wheat", "g": 4.0}])
        self.assertEqual(
            (answer["keep_g"], answer["water_g"], answer["salt_g"], answer["total_g"]), (20.0, 40.0, 0.0, 100.0)
        )
        self.assertEqual((answer["ratio"], answer["fresh_hydration_percent"]), ("1:2:2", 100.0))
        self.assertEqual([step["scale_shows_g"] for step in answer["scale_walk"]], [432.0, 472.0, 508.0, 512.0])
        self.assertEqual(set(answer["scale_walk"][0]), {"do", "flour", "add_g", "scale_shows_g"})

    def test_mend(self) -> None:
        code, answer = run("mend", "--ratio", "1:1:1", "--keep", "30", "--flour", "35")
        self.assertEqual((code, answer["worth_it"], answer["add_water_g"]), (0, True, 35.0))

    def test_hydration(self) -> None:
        steps = [
            {"do": "mix", "flour": {"rye": 100}, "water": 150},
            {"do": "keep", "share": 0.5},
            {"do": "feed", "keep": 75, "flour": {"rye": 35, "white": 35}, "water": 75},
        ]
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder, "steps.json")
            path.write_text(json.dumps(steps), encoding="utf-8")
            code, answer = run("hydration", "--steps", str(path))
        self.assertEqual((code, [after["hydration_percent"] for after in answer["after"]]), (0, [150.0, 150.0, 120.0]))

    def test_refusals_have_one_shape_and_exit_2(self) -> None:
        cases = (
            (("feed", "--keep", "20", "--ratio", "1:1"), "ratio_two_parts", "ratio"),
            (("feed", "--keep", "-20", "--ratio", "1:1:1"), "out_of_range", "keep_g"),
            (("feed", "--keep", "nan", "--ratio", "1:1:1"), "not_a_number", "keep_g"),
            (("feed", "--keep", "20", "--ratio", "1:1:1", "--blend", "oak=1"), "unknown_flour", "blend"),
            (("feed", "--keep", "20", "--ratio", "1:1:1", "--blend", "rye=much"), "not_a_number", "blend"),
            (("feed", "--keep", "much", "--ratio", "1:1:1"), "usage", "command"),
            (("dance",), "usage", "command"),
            (("hydration", "--steps", "/nowhere/steps.json"), "unknown_step", "steps"),
        )
        for arguments, code, field in cases:
            with self.subTest(arguments):
                exit_code, answer = run(*arguments)
                self.assertEqual((exit_code, answer["error"]["code"], answer["error"]["field"]), (2, code, field))
                self.assertTrue(answer["error"]["message"])
