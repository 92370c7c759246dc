"""The demo kitchen: laid relative to now, left alone once used."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from uuid import uuid4

from django.test import TestCase, override_settings
from django.utils import timezone

from demo.kitchen_data import JARS
from demo.services import lay_kitchen
from ferment.doors.assessment import assess
from logbook.bodies import to_core
from tests.core.voices import contradictions

from .base import Baker, look_body, record


class Laying(TestCase):
    def visitor(self) -> Baker:
        baker = Baker("demo baker")
        baker.ok("POST", "/api/demo/visit", {"time_zone": "Asia/Tokyo"})
        return baker

    def test_each_jar_is_at_its_own_stage(self) -> None:
        self.assertTrue(lay_kitchen(timezone.now()))
        kitchen = self.visitor().ok("GET", "/api/kitchen")
        self.assertEqual((kitchen["is_demo"], kitchen["time_zone"]), (True, "Asia/Tokyo"))
        told = {jar["jar"]["name"]: (jar["day"], jar["next_move"]["move"]) for jar in kitchen["jars"]}
        self.assertEqual(
            told,
            {
                "Harbour": (9, "feed"),
                "Moth": (4, "feed"),
                "Lantern": (3, "feed"),
                "Bellows": (7, "binned"),
                "Quarry": (20, told["Quarry"][1]),
                "Jetty": (9, "feed"),
            },
        )

    def test_no_two_statements_of_a_page_contradict_each_other(self) -> None:
        for hour in (3, 8, 20):
            now = datetime(2026, 3, 4, hour, 15, tzinfo=UTC)
            for jar in JARS:
                with self.subTest(jar=jar.name, hour=hour):
                    setup = jar.setup(jar.starts_at(now))
                    log = tuple(to_core(uuid4(), body) for body in jar.log(now))
                    self.assertEqual(contradictions(assess(setup, log, now), now), [])

    def test_one_jar_is_kept_in_the_fridge_with_a_bake_planned_on_saturday(self) -> None:
        lay_kitchen(timezone.now())
        jars = self.visitor().ok("GET", "/api/kitchen")["jars"]
        quarry = next(one for one in jars if one["jar"]["name"] == "Quarry")
        mixed_at = datetime.fromisoformat(quarry["next_bake"]["mixed_at"])
        self.assertEqual((quarry["chapter"]["kind"], mixed_at.weekday(), mixed_at.hour), ("fridge", 5, 9))

    def test_one_jar_is_photographed_and_the_pictures_say_what_the_looks_said(self) -> None:
        lay_kitchen(timezone.now())
        visitor = self.visitor()
        jars = {one["jar"]["name"]: one["jar"]["id"] for one in visitor.ok("GET", "/api/kitchen")["jars"]}
        visitor.jar_id = jars["Harbour"]
        opened = visitor.jar()
        looks = {entry["id"]: entry["entry"] for entry in opened["log"]}
        self.assertEqual(len(opened["photos"]), 6)
        for photo in opened["photos"]:
            points, level = photo["points"], looks[photo["look"]]["level"]["value"]
            foot = points["bottom"]["y"]
            read = (foot - points["level"]["y"]) / (foot - points["mark"]["y"])
            self.assertAlmostEqual(read, level, delta=0.15)
        self.assertEqual(visitor.client.get(f"/api/photos/{photo['id']}/small").status_code, 200)

    def test_at_any_hour_of_any_day(self) -> None:
        """Across changes of clocks and the turn of a year."""
        for hour in range(0, 48, 5):
            for day in (datetime(2026, 3, 29, tzinfo=UTC), datetime(2026, 12, 31, tzinfo=UTC)):
                with self.subTest(day=day, hour=hour):
                    self.assertTrue(lay_kitchen(day + timedelta(hours=hour)))

    def test_again_it_is_brought_up_to_date(self) -> None:
        now = timezone.now()
        lay_kitchen(now - timedelta(days=3))
        self.assertTrue(lay_kitchen(now))
        days = [jar["day"] for jar in self.visitor().ok("GET", "/api/kitchen")["jars"]]
        self.assertEqual(days, [9, 4, 3, 7, 20, 9])

    def test_what_a_visitor_wrote_is_kept(self) -> None:
        now = timezone.now()
        lay_kitchen(now)
        visitor = self.visitor()
        jar = visitor.ok("GET", "/api/kitchen")["jars"][0]["jar"]["id"]
        visitor.ok("POST", f"/api/jars/{jar}/log", record(look_body(0.1, note="mine")))
        self.assertFalse(lay_kitchen(now + timedelta(days=2)))
        self.assertEqual(visitor.ok("GET", f"/api/jars/{jar}")["log"][0]["entry"]["note"], "mine")

    def test_a_visitors_own_jar_is_kept(self) -> None:
        lay_kitchen(timezone.now())
        self.visitor().plan()
        self.assertFalse(lay_kitchen(timezone.now()))


class TheDoor(TestCase):
    def test_a_person_of_the_same_name_keeps_her_account(self) -> None:
        person = Baker("Demo Baker").sign_up()
        person.plan(name="Thistle")
        lay_kitchen(timezone.now())
        visitor = Baker("visitor")
        visitor.ok("POST", "/api/demo/visit", {"time_zone": "Asia/Tokyo"})
        self.assertEqual(visitor.ok("GET", "/api/session")["account"]["name"], "demo baker 2")
        names = [one["jar"]["name"] for one in visitor.ok("GET", "/api/kitchen")["jars"]]
        self.assertNotIn("Thistle", names)
        self.assertEqual([one["jar"]["name"] for one in person.ok("GET", "/api/kitchen")["jars"]], ["Thistle"])

    def test_a_visit_ends_where_the_demo_does(self) -> None:
        lay_kitchen(timezone.now())
        visitor = Baker("visitor")
        visitor.ok("POST", "/api/demo/visit", {"time_zone": "Asia/Tokyo"})
        with override_settings(DESPERTAR_DEMO=False):
            self.assertIsNone(visitor.ok("GET", "/api/session")["account"])
            self.assertEqual(visitor.call("GET", "/api/kitchen")[0], 401)
