"""What the core says, over the wire, in a fixed number of queries."""

from __future__ import annotations

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext

from guidance import pages, services, told_now
from logbook import reading

from .base import Baker, feed_body, look_body, record, word_body


class Weighing(TestCase):
    def test_a_slip_is_mended_on_the_spot(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(25.0)
        path = f"/api/jars/{baker.jar_id}/weigh"
        sheet = baker.ok("POST", path, {"keep_g": None, "water_g": None, "flours": {"spelt": 26}})
        self.assertEqual((sheet["mend"]["worth_it"], sheet["mend"]["add_water_g"]), (True, 6.0))
        self.assertEqual([step["scale_shows_g"] for step in sheet["scale_walk"]], [230.0, 260.0, 286.0, 296.0])
        refused = baker.problem("POST", path, {"keep_g": None, "water_g": None, "flours": {"oak": 26}})
        self.assertEqual(refused[:2], (422, "not_a_choice"))

    def test_the_way_of_this_feed_is_the_bakers(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(25.0)
        path = f"/api/jars/{baker.jar_id}/weigh"
        body: dict[str, object] = {"keep_g": None, "water_g": None, "flours": {}}
        clean = baker.ok("POST", path, {**body, "style": "clean_jar"})
        self.assertEqual([step["do"] for step in clean["scale_walk"]][:2], ["empty_jar", "add_seed"])
        all_of_it = baker.ok("POST", path, {**body, "keeps_all": True})
        self.assertEqual((all_of_it["plan"]["keep_g"], all_of_it["discard_g"]), (60, 0))
        self.assertEqual(all_of_it["plan"]["water_g"], 30)
        self.assertIsNotNone(clean["then_due"])

    def test_the_discard_jar_is_refused_while_it_is_no_food(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(25.0)
        path = f"/api/jars/{baker.jar_id}/log"
        feed = record(feed_body(0.5, discard_to="jar"), baker.last_feed)
        self.assertEqual(baker.problem("POST", path, feed), (422, "discard_is_no_food", "discard_to"))
        baker.feed(0.5, discard_to="compost")
        self.assertEqual(baker.jar()["log"][0]["entry"]["discard_to"], "compost")


class Forecasts(TestCase):
    def test_a_running_feed_is_forecast_and_a_look_moves_it(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(100.0)
        for hours in (76, 52, 28):
            baker.feed(float(hours))
        first = baker.jar()["assessment"]["forecast"]
        self.assertTrue(first["fan"] and first["peaks"])
        baker.look(20.0, level={"value": 2.2, "unit": "times"})
        self.assertNotEqual(baker.jar()["assessment"]["forecast"]["peak_times"], first["peak_times"])
        glance = baker.ok("GET", "/api/kitchen")["jars"][0]
        self.assertEqual(glance["rise"]["peaks"], baker.jar()["assessment"]["forecast"]["peaks"])

    def test_what_if(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(30.0)
        path = f"/api/jars/{baker.jar_id}/what-if"
        warm, cool = (baker.ok("POST", path, {"warmth_c": celsius})["ready_ahead"]["on"] for celsius in (27, 17))
        self.assertLess(warm["likely"], cool["likely"])
        self.assertEqual(len(baker.ok("POST", path, {"warmth_c": 24})["offers"]), 5)
        self.assertEqual(baker.problem("POST", path, {"warmth_c": 90}), (422, "out_of_range", "warmth_c"))

    def test_a_look_with_all_that_can_be_measured(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(30.0)
        high = {"value": 1.6, "unit": "times"}
        baker.look(1.0, high=high, ph=3.9, celsius=23.5)
        entry = baker.jar()["log"][0]["entry"]
        self.assertEqual((entry["high"], entry["ph"], entry["celsius"]), (high, 3.9, 23.5))
        path = f"/api/jars/{baker.jar_id}/log"
        wrong: dict[str, object] = {"ph": 14, "celsius": 300, "high": {"value": 99, "unit": "times"}}
        for field, value in wrong.items():
            with self.subTest(field):
                refused = baker.problem("POST", path, record(look_body(0.5, **{field: value})))
                self.assertEqual(refused[2], field)


class Signs(TestCase):
    def test_looked_up_without_a_jar(self) -> None:
        baker = Baker("Ines").sign_up()
        blank: dict[str, object] = {
            "days": 4.5,
            "since_feed_h": 9,
            "times": None,
            "high": None,
            "bubbles": None,
            "top": [],
            "smell": [],
            "thickness": None,
            "celsius": None,
            "begun_sour": False,
        }
        self.assertEqual(baker.ok("POST", "/api/signs", blank)["findings"], [])
        (mould,) = baker.ok("POST", "/api/signs", {**blank, "top": ["fuzzy_spots"], "times": 1.0})["findings"]
        self.assertEqual((mould["sign"], mould["do"]), ("mould", ["bin_all"]))
        refused = baker.problem("POST", "/api/signs", {**blank, "times": 99})
        self.assertEqual(refused, (422, "out_of_range", "times"))


class Queries(TestCase):
    def count(self, baker: Baker, path: str) -> tuple[int, int]:
        """As many as a worker needs that has told none of these jars, then as many as it needs again this minute."""
        baker.ok("GET", path)
        for kept in (told_now._kept, services._told, pages._pages, reading._LOGS):
            kept.clear()
        counted = []
        for _ in range(2):
            with CaptureQueriesContext(connection) as captured:
                baker.ok("GET", path)
            counted.append(len(captured))
        return counted[0], counted[1]

    def test_reads_cost_the_same_however_much_there_is(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(100.0)
        few = (self.count(baker, "/api/kitchen"), self.count(baker, f"/api/jars/{baker.jar_id}"))
        for hours in range(20):
            baker.look(99.0 - hours)
        for _ in range(3):
            Baker("Ines", baker.client).plan()
        many = (self.count(baker, "/api/kitchen"), self.count(baker, f"/api/jars/{baker.jar_id}"))
        self.assertEqual(few, many)
        self.assertEqual(many, ((9, 4), (12, 4)))


class TheBakersWord(TestCase):
    def test_a_verdict_is_overruled_logged_and_taken_back(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(200.0)
        path = f"/api/jars/{baker.jar_id}/log"
        said = baker.ok("POST", path, record(word_body("ready", yes=True)))
        found = baker.jar()
        self.assertEqual(
            (found["assessment"]["stage"]["stage"], found["assessment"]["readiness"]["by_rule"]), ("steady", False)
        )
        self.assertEqual(found["log"][0]["entry"]["about"], "ready")
        baker.ok("POST", f"/api/log/{said['id']}/withdraw", {})
        self.assertFalse(baker.jar()["assessment"]["readiness"]["ready"])

    def test_a_danger_is_not_talked_away_and_nonsense_is_named(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(200.0)
        path = f"/api/jars/{baker.jar_id}/log"
        refused = baker.problem("POST", path, record(word_body("mould", yes=False)))
        self.assertEqual(refused, (422, "danger_stands", "about"))
        self.assertEqual(baker.problem("POST", path, record(word_body("fate", yes=True)))[1], "not_a_choice")

    def test_the_rule_of_ready_is_the_bakers(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(200.0)
        baker.ok("PUT", f"/api/jars/{baker.jar_id}/ready-after", {"ready_after": "strict"})
        steps = {step["step"]: step["of"] for step in baker.jar()["assessment"]["readiness"]["steps"]}
        self.assertEqual(steps["in_a_row"], 5)
        refused = baker.problem("PUT", f"/api/jars/{baker.jar_id}/ready-after", {"ready_after": "never"})
        self.assertEqual(refused[:2], (422, "not_a_choice"))


class Cautions(TestCase):
    def test_each_is_said_until_it_was_read_once_in_all_jars(self) -> None:
        baker = Baker("Ines").sign_up().plan()
        self.assertEqual(baker.ok("GET", "/api/kitchen")["jars"][0]["notices"], ["raw_flour", "holds_gluten"])
        for _ in range(2):
            self.assertEqual(baker.call("POST", "/api/heard", {"notice": "raw_flour"})[0], 204)
        baker.plan()
        for jar in baker.ok("GET", "/api/kitchen")["jars"]:
            self.assertEqual(jar["notices"], ["holds_gluten"])
        self.assertEqual(baker.problem("POST", "/api/heard", {"notice": "thunder"})[:2], (422, "not_a_choice"))


class WhatAJarShows(TestCase):
    def test_a_look_that_is_not_kept(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(20.0)
        path = f"/api/jars/{baker.jar_id}/signs"
        found = baker.ok("POST", path, {"look": look_body(0.0, top=["coloured_streaks"])})
        self.assertEqual([one["sign"] for one in found["findings"]], ["mould"])
        self.assertEqual(len(baker.jar()["log"]), 1, "nothing was written")
        wrong = look_body(0.0, level={"value": 99, "unit": "times"})
        self.assertEqual(baker.problem("POST", path, {"look": wrong})[2], "level")
