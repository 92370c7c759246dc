"""The reckoner: each sum asked over the wire, worked examples, and faults by the field's own name."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from django.test import TestCase

from .base import Baker, ago

FEED = {"end": "seed", "amount": 20.0, "ratio": "1:2:2", "blend": {"white": 1.0}, "warmth_c": 22.0}
BUILD = {
    "target_g": 200.0,
    "reserve_g": 20.0,
    "feeds": 2,
    "hydration_percent": 100.0,
    "blend": {"white": 1.0},
    "warmth_c": 24.0,
}


class Reckoner(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up()

    def ask(self, what: str, **body: object) -> Any:
        return self.baker.ok("POST", f"/api/reckon/{what}", body)

    def refused(self, what: str, **body: object) -> str:
        status, _, field = self.baker.problem("POST", f"/api/reckon/{what}", body)
        self.assertEqual(status, 422)
        return field

    def test_a_feed_from_every_end(self) -> None:
        """1:2:2 of 20 g is 100 g, whichever end it is reckoned from (worked by hand)."""
        for end, amount in (("seed", 20.0), ("total", 100.0), ("flour", 40.0)):
            with self.subTest(end):
                plan = self.ask("feed", **{**FEED, "end": end, "amount": amount})["plan"]
                self.assertEqual((plan["keep_g"], plan["water_g"], plan["total_g"]), (20.0, 40.0, 100.0))
        jar = self.ask("feed", **{**FEED, "end": "jar", "amount": 400.0})["plan"]
        self.assertLess(jar["total_g"], 400.0)

    def test_warmer_and_richer_peaks_sooner(self) -> None:
        def peak(**changes: object) -> float:
            return float(self.ask("feed", **{**FEED, **changes})["peaks"]["middle"])

        self.assertLess(peak(warmth_c=27.0), peak())
        self.assertLess(peak(ratio="1:1:1"), peak(ratio="1:5:5"))

    def test_how_wet_it_is_after_each_feed(self) -> None:
        """100 flour, 150 water; 75 of it (30 + 45), then 75 + 75: 105 flour and 120 water, 114.3 % (worked by hand)."""
        steps: list[dict[str, Any]] = [
            {"keep_g": None, "flours": {"rye": 100.0}, "water_g": 150.0},
            {"keep_g": 75.0, "flours": {"white": 75.0}, "water_g": 75.0},
        ]
        after = self.ask("hydration", steps=steps)
        self.assertEqual([round(one["hydration_percent"], 1) for one in after], [150.0, 114.3])
        steps[1]["keep_g"] = 900.0
        self.assertEqual(self.refused("hydration", steps=steps), "steps[1].keep")

    def test_a_build_ends_with_its_grams_and_peaks_at_its_hour(self) -> None:
        found = self.ask("build", **BUILD, ready_at=ago(-48))
        self.assertEqual(found["total_g"], 220.0)
        feeds = found["feeds"]
        self.assertEqual([feed["plan"]["keep_g"] for feed in feeds], [found["seed_g"], feeds[0]["plan"]["total_g"]])
        wanted = datetime.fromisoformat(ago(-48))
        likely = datetime.fromisoformat(feeds[-1]["likely"])
        self.assertLess(abs((likely - wanted).total_seconds()), 120)

    def test_a_slip(self) -> None:
        mend = self.ask("mend", ratio="1:1:1", keep_g=30.0, flour_g=None, water_g=40.0)["mend"]
        self.assertEqual((mend["worth_it"], mend["add_flour_g"]), (True, 40.0))

    def test_spoons_and_units(self) -> None:
        """A cup of water is 236.588 ml (NIST SP 811, app. B)."""
        found = self.ask("convert", value=1.0, unit="cup", flour=None)
        self.assertEqual({one["unit"]: one["value"] for one in found["units"]}["g"], 236.588)
        self.assertEqual(found["spoons"], [{"count": 1.0, "unit": "cup"}])
        self.assertEqual(self.ask("convert", value=900.0, unit="cup", flour="rye")["spoons"], [])

    def test_a_recipes_starter(self) -> None:
        found = self.ask("recipe", recipe_g=150.0, recipe_percent=100.0, own_percent=60.0)
        self.assertEqual((found["starter_g"], found["water_change_g"]), (120.0, 30.0))

    def test_faults_are_named(self) -> None:
        self.assertEqual(self.refused("feed", **{**FEED, "ratio": "1:2"}), "ratio")
        self.assertEqual(self.refused("feed", **{**FEED, "warmth_c": 80.0}), "warmth_c")
        self.assertEqual(self.refused("feed", **{**FEED, "blend": {}}), "blend")
        self.assertEqual(self.refused("feed", **{**FEED, "end": "jar", "amount": 1.0}), "volume_ml")
        self.assertEqual(self.refused("build", **{**BUILD, "feeds": 9}, ready_at=ago(-48)), "feeds")
        self.assertEqual(
            self.refused("recipe", recipe_g=150.0, recipe_percent=10.0, own_percent=60.0), "recipe_percent"
        )
        self.assertEqual(self.refused("convert", value=-1.0, unit="g", flour=None), "value")
