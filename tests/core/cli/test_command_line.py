"""The contract of the command line, by running it."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

from ferment.methods import family_named
from ferment.protocol.written import to_json

CORE = Path(__file__).resolve().parents[3] / "core"


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
        self.assertEqual(set(answer["scale_walk"][0]), {"do", "flour", "add_g", "scale_shows_g", "add_ml"})

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

    def test_feed_from_the_other_ends(self) -> None:
        for end, value, keep in (("--total", "100", 20.0), ("--flour", "40", 20.0), ("--jar-ml", "500", 44.0)):
            with self.subTest(end):
                code, answer = run("feed", end, value, "--ratio", "1:2:2")
                self.assertEqual((code, answer["keep_g"]), (0, keep))

    def test_build(self) -> None:
        code, answer = run("build", "--target", "150", "--reserve", "5")
        self.assertEqual((code, answer["seed_g"], answer["total_g"]), (0, 5.0, 155.0))
        self.assertEqual([feed["total_g"] for feed in answer["feeds"]], [55.0, 155.0])

    def test_convert(self) -> None:
        code, answer = run("convert", "--value", "1", "--unit", "cup", "--of", "rye=1")
        self.assertEqual((code, answer["g"], answer["tbsp"]), (0, 128.0, 16.0))
        self.assertEqual(run("convert", "--value", "2", "--unit", "oz")[1]["g"], 56.699)

    def test_methods(self) -> None:
        families = run("methods")[1]["families"]
        self.assertEqual(len(families), 13)
        self.assertEqual(families[0]["code"], "equal_parts")
        self.assertTrue(all(family["options"] and family["ready"] for family in families))

    def test_compare(self) -> None:
        _, answer = run("compare", "--start", "2026-03-02T08:00", "--tz", "Europe/Lisbon")
        told = {one["family"]: one for one in answer["families"]}
        self.assertEqual(len(told), 13)
        clockwork = [one for one in told.values() if one["origin"] == "flour_and_water" and one["family"] != "spoons"]
        least = min(clockwork, key=lambda one: float(one["flour_g"]))
        self.assertEqual(least["family"], "when_hungry")

    def test_plan(self) -> None:
        options = ("--option", "way=long", "--option", "start_grams=100", "--option", "blend=white:1")
        where = ("--start", "2026-03-27T20:00", "--tz", "Europe/Lisbon", "--hours", "07:00-09:00,19:00-22:30")
        code, answer = run("plan", "wet_rye", *options, *where)
        self.assertEqual(code, 0)
        first, *_, last = answer["steps"]
        self.assertEqual(first["due"], "2026-03-27T20:00:00+00:00")
        self.assertEqual([doing["do"] for doing in first["do"]], ["add_water", "add_flour"])
        self.assertEqual((first["waits_for"], first["expect"]), (["clock"], "wetting"))
        self.assertEqual(last["due"][10:], "T20:00:00+01:00")
        self.assertEqual(answer["steps"][5]["waits_for"], [{"sight": "risen_and_fallen", "times": 1.5}])
        self.assertGreater(last["running"]["discard_g"], 500)

    def test_plan_to_the_size_of_a_jar(self) -> None:
        small = run("plan", "wet_rye", "--start", "2026-03-02T08:00", "--jar-ml", "370")[1]
        fullest = max(step["total_g"] for step in small["steps"] if step["total_g"])
        self.assertTrue(150 < fullest <= 370 * 1.1 / 2.5 + 1)

    def test_a_bakers_own_method(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder, "own.json")
            own = to_json(family_named("when_hungry"))
            path.write_text(json.dumps({**own, "code": "my_own"}), encoding="utf-8")
            code, answer = run("plan", str(path), "--start", "2026-03-02T08:00")
            self.assertEqual((code, answer["family"]), (0, "my_own"))
            grows = json.loads(json.dumps(own))
            grows["phases"][2]["do"][0] = {"kind": "keep_all"}
            late = json.loads(json.dumps(own))
            late["phases"][2]["after"]["latest_h"] = "whenever"
            for broken, code_, field in (
                (grows, "method_unsound", "phases[2]"),
                (late, "method_form", "phases[2].after.latest_h"),
                ({**own, "despertar_method": 9}, "method_too_new", "despertar_method"),
            ):
                path.write_text(json.dumps(broken), encoding="utf-8")
                with self.subTest(field):
                    exit_code, answer = run("plan", str(path), "--start", "2026-03-02T08:00")
                    self.assertEqual((exit_code, answer["error"]["code"]), (2, code_))
                    self.assertEqual(answer["error"]["field"], field)

    def test_peak(self) -> None:
        code, answer = run("peak", "--ratio", "1:5:5", "--temp", "25")
        self.assertEqual(code, 0)
        for name in ("double_h", "peak_h", "peak_rise", "back_to_line_h"):
            self.assertTrue(answer[name]["low"] < answer[name]["likely"] < answer[name]["high"], name)
        self.assertTrue(8 <= answer["peak_h"]["likely"] <= 11)
        stiff = run("peak", "--ratio", "1:5:5", "--temp", "25", "--hydration", "60")[1]
        self.assertGreater(stiff["peak_h"]["likely"], answer["peak_h"]["likely"])

    def test_build_by_an_hour(self) -> None:
        at = ("--at", "2026-03-08T09:00", "--temp", "22", "--tz", "Europe/Lisbon")
        code, answer = run("build", "--target", "150", "--reserve", "5", *at)
        self.assertEqual((code, len(answer["feed_at"])), (0, 2))
        self.assertEqual(answer["feed_at"][1]["likely"], "2026-03-08T09:00:00+00:00")
        self.assertEqual(answer["feed_at"][0]["likely"], answer["feed_at"][1]["feed_at"])

    def test_build_by_an_hour_inside_the_bakers_hours(self) -> None:
        """Dough at eight is not begun at half past one."""
        at = ("--at", "2026-03-08T08:00", "--temp", "24", "--tz", "Europe/Lisbon", "--feeds", "1")
        code, answer = run("build", "--target", "150", *at, "--hours", "06:30-08:30,18:00-22:30")
        self.assertEqual((code, len(answer["feeds"])), (0, 1))
        self.assertIn(answer["feeds"][0]["at"][11:13], {"18", "19", "20", "21", "22"})
        self.assertLess(answer["feed_at"][0]["low"], "2026-03-08T08:30")
        self.assertGreater(answer["feed_at"][0]["high"], "2026-03-08T07:30")
        code, answer = run("build", "--target", "150", *at, "--hours", "12:00-12:10")
        self.assertEqual((code, answer["error"]["code"]), (2, "no_room_in_hours"))

    def test_simulate_and_assess(self) -> None:
        where = ("--start", "2026-03-02T08:00", "--tz", "Europe/Lisbon")
        code, played = run("simulate", "wet_rye", *where, "--days", "6", "--seed", "7", "--temp", "23")
        self.assertEqual(code, 0)
        self.assertEqual(len(played["truth"]), 6 * 24 + 1)
        self.assertEqual(set(played["truth"][0]) >= {"level", "ph", "yeast", "lactic", "early"}, True)
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder, "kitchen.json")
            path.write_text(json.dumps(played), encoding="utf-8")
            code, told = run("assess", str(path), "--now", "2026-03-06T20:10")
            self.assertEqual((code, told["day"]), (0, 5))
            self.assertTrue(told["forecast"]["fan"] and told["timeline"] and told["next_move"])
            path.write_text(json.dumps({**played, "log": [{"kind": "dance", "at": "2026-03-02T08:00Z"}]}))
            code, answer = run("assess", str(path), "--now", "2026-03-06T20:10")
            self.assertEqual((code, answer["error"]["field"]), (2, "log[0].kind"))

    def test_a_thermometers_log(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder, "warmth.csv")
            path.write_text("hours,degrees\n0,18\n6,18\n12,18\n18,18\n24,18\n", encoding="utf-8")
            where = ("--start", "2026-03-02T08:00", "--days", "2")
            cool = run("simulate", "wet_rye", *where, "--temp", str(path))[1]
            warm = run("simulate", "wet_rye", *where, "--temp", "28")[1]
            self.assertLess(cool["truth"][24]["early"], warm["truth"][24]["early"])
            path.write_text("0,18\nnoon,hot\n", encoding="utf-8")
            self.assertEqual(run("simulate", "wet_rye", *where, "--temp", str(path))[1]["error"]["field"], "temp[1]")

    def test_refusals_have_one_shape_and_exit_2(self) -> None:
        cases = (
            (("feed", "--keep", "20", "--ratio", "1:1"), "ratio_two_parts", "ratio"),
            (("feed", "--keep", "-20", "--ratio", "1:1:1"), "out_of_range", "keep_g"),
            (("feed", "--keep", "nan", "--ratio", "1:1:1"), "not_a_number", "keep_g"),
            (("feed", "--keep", "20", "--ratio", "1:1:1", "--blend", "oak=1"), "unknown_flour", "blend"),
            (("feed", "--keep", "20", "--ratio", "1:1:1", "--blend", "rye=much"), "not_a_number", "blend"),
            (("feed", "--keep", "much", "--ratio", "1:1:1"), "usage", "command"),
            (("dance",), "usage", "command"),
            (("feed", "--ratio", "1:2:2"), "does_not_fit_together", "keep_g"),
            (("plan", "by_moonlight", "--start", "2026-03-02T08:00"), "unknown_family", "family"),
            (("plan", "wet_rye", "--start", "soon"), "time_out_of_range", "start"),
            (("plan", "wet_rye", "--start", "2026-03-02", "--tz", "Moon/Sea"), "not_a_choice", "tz"),
            (("plan", "wet_rye", "--start", "2026-03-02", "--hours", "early"), "hours_form", "hours"),
            (("plan", "wet_rye", "--start", "2026-03-02", "--temp", "99"), "out_of_range", "warmth_c"),
            (("plan", "wet_rye", "--start", "2026-03-02", "--option", "moon=1"), "unknown_option", "moon"),
            (("plan", "/nowhere/own.json", "--start", "2026-03-02"), "method_form", "family"),
            (("convert", "--value", "1", "--unit", "stone"), "unknown_unit", "unit"),
            (("hydration", "--steps", "/nowhere/steps.json"), "file_form", "steps"),
        )
        for arguments, code, field in cases:
            with self.subTest(arguments):
                exit_code, answer = run(*arguments)
                self.assertEqual((exit_code, answer["error"]["code"], answer["error"]["field"]), (2, code, field))
                self.assertTrue(answer["error"]["message"])
