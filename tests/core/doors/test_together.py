"""What may be weighed once for several jars."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase

from ferment.doors.together import weighed_once
from ferment.doors.trial import TriedJar
from ferment.kitchen.flours import Flour
from ferment.kitchen.vessel import Vessel
from ferment.mixing.feeding import Ingredient
from ferment.record.log import Bin
from ferment.setups import Setup
from ferment.simulation import play

START = datetime.fromisoformat("2026-03-02T08:00:00+00:00")
NOW = START + timedelta(days=4)


def fed(name: str, **chosen: object) -> TriedJar:
    choices = {
        "first_blend": {"white": 1.0},
        "blend": {"white": 1.0},
        "seed_grams": 30.0,
        "start_grams": 30.0,
        **chosen,
    }
    setup = Setup("equal_parts", choices, Vessel(200.0, 700.0, 130.0), START, warmth_c=23.0)  # type: ignore[arg-type]
    return TriedJar(name, setup, play(setup, 3.9, 7).log)


class OnceForAll(TestCase):
    def test_ninety_of_water_for_the_three(self) -> None:
        rye = {"first_blend": {"rye": 1.0}, "blend": {"rye": 1.0}}
        found = weighed_once([fed("a"), fed("b"), fed("c", **rye)], NOW)
        told = {(one.ingredient, one.flour): (one.g, [share.jar for share in one.shares]) for one in found}
        self.assertEqual(told[Ingredient.WATER, None], (90.0, ["a", "b", "c"]))
        self.assertEqual(told[Ingredient.FLOUR, Flour.WHITE], (60.0, ["a", "b"]))
        # What one jar alone takes is weighed there.
        self.assertNotIn((Ingredient.FLOUR, Flour.RYE), told)
        for one in found:
            self.assertAlmostEqual(one.g, sum(share.g for share in one.shares))

    def test_who_takes_no_part(self) -> None:
        plain = fed("a")
        binned = replace(plain, id="b", log=(*plain.log, Bin("x", NOW - timedelta(minutes=1))))
        by_hand = replace(plain, id="c", setup=replace(plain.setup, scale_step=None))
        for other in (binned, by_hand):
            self.assertEqual(weighed_once([plain, other], NOW), ())

    def test_before_the_first_mix_too(self) -> None:
        unmixed = replace(fed("a"), log=())
        (flour, water) = weighed_once([unmixed, replace(unmixed, id="b")], START)
        self.assertEqual((flour.ingredient, flour.g, water.ingredient, water.g), ("flour", 60.0, "water", 60.0))
