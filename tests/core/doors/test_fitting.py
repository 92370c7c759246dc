"""How much of a way's own amounts a jar takes."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.doors.admission import admit_setup
from ferment.doors.fitting import SIZES, fullest_g, size_that_fits
from ferment.kitchen.usual import GLASSES, Glass
from ferment.kitchen.vessel import ROOM_WANTED, headroom
from ferment.methods import FAMILIES
from ferment.refusal import Refusal, RefusalCode
from ferment.setups import Setup

from ..builders import START


class Sizes(TestCase):
    def test_every_way_fits_every_usual_jar(self) -> None:
        for family in FAMILIES:
            for glass, vessel in GLASSES.items():
                with self.subTest(family=family.code, glass=glass):
                    setup = Setup(family.code, {}, vessel, START)
                    size = size_that_fits(setup)
                    sized = replace(setup, size=size)
                    admit_setup(sized, START)
                    if size > SIZES[-1]:
                        self.assertTrue(headroom(vessel, fullest_g(sized), ROOM_WANTED).fits)

    def test_no_larger_one_would(self) -> None:
        setup = Setup("by_feel", {}, GLASSES[Glass.USUAL], START)
        size = size_that_fits(setup)
        self.assertLess(size, 1.0)
        larger = replace(setup, size=SIZES[SIZES.index(size) - 1])
        self.assertFalse(headroom(setup.vessel, fullest_g(larger), ROOM_WANTED).fits)

    def test_what_does_not_fit_is_said_with_what_does(self) -> None:
        with self.assertRaises(Refusal) as caught:
            admit_setup(Setup("by_feel", {}, GLASSES[Glass.USUAL], START), START)
        self.assertEqual(caught.exception.code, RefusalCode.JAR_TOO_SMALL)
        self.assertLess(float(caught.exception.facts["fits_share"]), 1.0)
