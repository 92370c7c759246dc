"""What the core says, over the wire, in a fixed number of queries."""

from __future__ import annotations

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext

from .base import Baker


class Weighing(TestCase):
    def test_a_slip_is_mended_on_the_spot(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(25.0)
        path = f"/api/jars/{baker.jar_id}/weigh"
        sheet = baker.ok("POST", path, {"keep_g": None, "water_g": None, "flours": {"spelt": 26}})
        self.assertEqual((sheet["mend"]["worth_it"], sheet["mend"]["add_water_g"]), (True, 6.0))
        self.assertEqual([step["scale_shows_g"] for step in sheet["scale_walk"]], [230.0, 260.0, 286.0, 296.0])
        refused = baker.problem("POST", path, {"keep_g": None, "water_g": None, "flours": {"oak": 26}})
        self.assertEqual(refused[:2], (422, "not_a_choice"))


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
