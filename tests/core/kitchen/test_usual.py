"""What a kitchen usually has: every offer is one that the core itself takes."""

from __future__ import annotations

from unittest import TestCase

from ferment.doors.admission import admit_setup
from ferment.kitchen.usual import BEGINNING, GLASSES, PLACES_C, Glass, UsualPlace
from ferment.kitchen.vessel import check_vessel
from ferment.methods import family_named
from ferment.setups import LEAST_C, MOST_C, Setup

from ..builders import START


class Usual(TestCase):
    def test_every_glass_and_place_is_offered_and_sound(self) -> None:
        self.assertEqual((set(GLASSES), set(PLACES_C)), (set(Glass), set(UsualPlace)))
        for glass, vessel in GLASSES.items():
            with self.subTest(glass):
                self.assertIs(check_vessel(vessel), vessel)
        self.assertTrue(all(LEAST_C < celsius < MOST_C for celsius in PLACES_C.values()))

    def test_who_chooses_nothing_gets_a_jar_that_can_be_planned(self) -> None:
        family = family_named(BEGINNING.family)
        vessel, celsius = GLASSES[BEGINNING.glass], PLACES_C[BEGINNING.place]
        admit_setup(Setup(family.code, {}, vessel, START, BEGINNING.scale_step, warmth_c=celsius), START)
        self.assertIn(1.0, BEGINNING.sizes)
