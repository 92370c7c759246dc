"""Planning jars and keeping them on the shelf."""

from __future__ import annotations

from uuid import uuid4

from django.test import TestCase

from .base import Baker, ago, new_jar


class Planning(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up()

    def test_a_new_jar_asks_for_its_first_mix(self) -> None:
        glance = self.baker.plan().ok("GET", "/api/kitchen")["jars"][0]
        move = glance["next_move"]
        self.assertEqual(
            (glance["jar"]["name"], glance["day"], move["move"], move["state"]), ("Thistle", 0, "mix", "due")
        )
        self.assertEqual(move["plan"]["flours"], [{"flour": "spelt", "g": 20.0}, {"flour": "rye", "g": 10.0}])
        self.assertEqual([step["scale_shows_g"] for step in move["scale_walk"]], [200.0, 230.0, 250.0, 260.0])

    def test_sent_twice_makes_one(self) -> None:
        jar = new_jar()
        first = self.baker.ok("POST", "/api/jars", jar)
        self.assertEqual(self.baker.ok("POST", "/api/jars", jar), first)
        place = {"warmth_c": 26.0, "night_c": None, "thermometer": None}
        self.baker.ok("PUT", f"/api/jars/{jar['id']}/place", place)
        self.assertEqual(self.baker.ok("POST", "/api/jars", jar)["warmth_c"], 26.0)
        another = self.baker.problem("POST", "/api/jars", {**jar, "name": "Another"})
        self.assertEqual(another, (409, "id_taken", "id"))
        self.assertEqual(len(self.baker.ok("GET", "/api/kitchen")["jars"]), 1)

    def test_refusals_by_field(self) -> None:
        choices = new_jar()["choices"]
        cases = (
            ({"name": ""}, "name", "missing"),
            ({"tare_g": None}, "tare_g", "not_a_number"),
            ({"tare_g": "heavy"}, "tare_g", "not_a_number"),
            ({"tare_g": -1}, "tare_g", "out_of_range"),
            ({"volume_ml": 1e9}, "volume_ml", "out_of_range"),
            ({"volume_ml": 40, "height_mm": 40}, "volume_ml", "jar_too_small"),
            ({"height_mm": 1}, "height_mm", "out_of_range"),
            ({"family": "moonlight"}, "family", "unknown_family"),
            ({"choices": {**choices, "every_hours": 5}}, "every_hours", "not_a_choice"),
            ({"choices": {**choices, "seed_grams": 0}}, "seed_grams", "out_of_range"),
            ({"choices": {**choices, "blend": {}}}, "blend", "no_flour"),
            ({"choices": {**choices, "blend": {"oak": 1}}}, "blend", "unknown_flour"),
            ({"choices": {**choices, "seed_grams": "much"}}, "seed_grams", "not_a_number"),
            ({"choices": {**choices, "keeping": "all"}}, "keeping", "not_a_choice"),
            ({"choices": {"moon": 1}}, "moon", "unknown_option"),
            ({"warmth_c": 80}, "warmth_c", "out_of_range"),
            ({"size": 0}, "size", "out_of_range"),
            ({"starts_at": "soon"}, "starts_at", "not_a_time"),
            ({"starts_at": "2026-03-02T08:00:00"}, "starts_at", "not_a_time"),
            ({"starts_at": ago(24 * 40)}, "starts_at", "before_the_start"),
            ({"starts_at": ago(-24 * 90)}, "starts_at", "in_the_future"),
        )
        for changes, field, code in cases:
            with self.subTest(f"{field} {code}"):
                self.assertEqual(self.baker.problem("POST", "/api/jars", {**new_jar(), **changes}), (422, code, field))
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["jars"], [])

    def test_several_mistakes_are_told_at_once(self) -> None:
        _, answer = self.baker.call("POST", "/api/jars", {**new_jar(), "name": "", "tare_g": "x", "volume_ml": "y"})
        self.assertEqual([problem["field"] for problem in answer["errors"]], ["name", "tare_g", "volume_ml"])

    def test_what_is_no_json(self) -> None:
        status, answer = self.baker.call("POST", "/api/jars", b"{not json")
        self.assertEqual((status, answer["errors"][0]["code"]), (400, "not_json"))

    def test_not_a_number_as_a_number(self) -> None:
        for value in (b"NaN", b"Infinity", b"1e999"):
            with self.subTest(value):
                body = b'{"keep_g": ' + value + b', "water_g": null, "flours": {}}'
                self.baker.plan(id=str(uuid4()))
                found = self.baker.problem("POST", f"/api/jars/{self.baker.jar_id}/weigh", body)
                self.assertEqual(found, (422, "not_a_number", "keep_g"))

    def test_preview_is_what_the_jar_will_ask(self) -> None:
        jar = new_jar()
        del jar["id"]
        preview = self.baker.ok("POST", "/api/preview", jar)
        self.assertEqual([step["act"] for step in preview["timeline"][:2]], ["mix", "feed"])
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["jars"], [])

    def test_catalogue(self) -> None:
        catalogue = self.baker.ok("GET", "/api/catalogue")
        self.assertEqual(len(catalogue["families"]), 13)
        first = catalogue["families"][0]
        rhythm = next(option for option in first["options"] if option["code"] == "every_hours")
        self.assertEqual((first["code"], rhythm["choices"]), ("equal_parts", [24, 12]))
        feed_grams = next(option for option in first["options"] if option["code"] == "feed_grams")
        self.assertEqual(feed_grams["matters_when"], [[{"code": "keeping", "picks": ["keep_half"]}]])
        self.assertIn("rye", catalogue["flours"])

    def test_every_family_can_be_planned_at_its_own_defaults(self) -> None:
        for family in self.baker.ok("GET", "/api/catalogue")["families"]:
            with self.subTest(family["code"]):
                jar = {"family": family["code"], "choices": {}, "volume_ml": 2_000, "height_mm": 180}
                self.baker.plan(**jar, id=str(uuid4()))
                found = self.baker.jar()["assessment"]
                self.assertEqual(found["next_move"]["move"], "mix")
                self.assertTrue(found["timeline"][0]["do"])

    def test_putting_away_and_back(self) -> None:
        baker = self.baker.plan()
        for on_shelf in (False, True):
            baker.ok("PUT", f"/api/jars/{baker.jar_id}/shelf", {"on_shelf": on_shelf})
            self.assertEqual(baker.jar()["jar"]["on_shelf"], on_shelf)
