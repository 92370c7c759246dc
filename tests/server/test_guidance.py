"""What the core says, over the wire, in a fixed number of queries."""

from __future__ import annotations

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext

from .base import Baker, look_body, record


class Weighing(TestCase):
    def test_a_slip_is_mended_on_the_spot(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(25.0)
        path = f"/api/jars/{baker.jar_id}/weigh"
        sheet = baker.ok("POST", path, {"keep_g": None, "water_g": None, "flours": {"spelt": 26}})
        self.assertEqual((sheet["mend"]["worth_it"], sheet["mend"]["add_water_g"]), (True, 6.0))
        self.assertEqual([step["scale_shows_g"] for step in sheet["scale_walk"]], [230.0, 260.0, 286.0, 296.0])
        refused = baker.problem("POST", path, {"keep_g": None, "water_g": None, "flours": {"oak": 26}})
        self.assertEqual(refused[:2], (422, "not_a_choice"))


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
        warm, cool = (baker.ok("POST", path, {"warmth_c": celsius})["ready_on"]["on"] for celsius in (27, 17))
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
    def count(self, baker: Baker, path: str) -> int:
        with CaptureQueriesContext(
            connection,
        ) as captured:
            baker.ok("GET", path)
        return len(captured)

    def test_reads_cost_the_same_however_much_there_is(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(100.0)
        few = (self.count(baker, "/api/kitchen"), self.count(baker, f"/api/jars/{baker.jar_id}"))
        for hours in range(20):
            baker.look(99.0 - hours)
        for _ in range(3):
            Baker("Ines", baker.client).plan()
        many = (self.count(baker, "/api/kitchen"), self.count(baker, f"/api/jars/{baker.jar_id}"))
        self.assertEqual(few, many)
        self.assertEqual(many, (4, 5))
