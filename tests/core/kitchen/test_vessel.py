"""The jar: heights, room, and levels in three units."""

from __future__ import annotations

from itertools import pairwise
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.vessel import (
    PASTE_G_PER_ML,
    Level,
    LevelUnit,
    Vessel,
    as_times,
    check_vessel,
    headroom,
    height_at,
    line_mm,
    marks,
    most_grams,
    room_times,
    volume_at,
)
from ferment.refusal import Refusal, RefusalCode

from ..builders import VESSEL


class Levels(TestCase):
    def test_doubled_in_every_unit(self) -> None:
        doubled = volume_at(VESSEL, 70.0)
        units = ((2.0, LevelUnit.TIMES), (100.0, LevelUnit.PERCENT), (70.0, LevelUnit.MM), (doubled, LevelUnit.ML))
        for value, unit in units:
            with self.subTest(unit):
                self.assertAlmostEqual(as_times(Level(value, unit), VESSEL, 35.0), 2.0)

    def test_measured_with_a_ruler(self) -> None:
        """A fresh mix stood 23 mm, 35 mm a day later (common practice): half as high again."""
        self.assertAlmostEqual(as_times(Level(35.0, LevelUnit.MM), VESSEL, 23.0), 1.52, places=2)

    def test_beyond_the_jar(self) -> None:
        cases: tuple[tuple[Level, RefusalCode, dict[str, float]], ...] = (
            (Level(130.0, LevelUnit.MM), RefusalCode.LEVEL_ABOVE_RIM, {"most": 120}),
            (Level(5.0, LevelUnit.TIMES), RefusalCode.LEVEL_ABOVE_RIM, {"most": 4.0}),
            (Level(350.0, LevelUnit.PERCENT), RefusalCode.LEVEL_ABOVE_RIM, {"most": 300}),
            (Level(0.0, LevelUnit.MM), RefusalCode.LEVEL_BELOW_BOTTOM, {"least": 3}),
            (Level(-120.0, LevelUnit.PERCENT), RefusalCode.LEVEL_BELOW_BOTTOM, {"least": -90}),
            (Level(float("nan"), LevelUnit.TIMES), RefusalCode.NOT_A_NUMBER, {}),
        )
        for level, code, facts in cases:
            with self.subTest(level), self.assertRaises(Refusal) as caught:
                as_times(level, VESSEL, 30.0)
            self.assertEqual((caught.exception.code, caught.exception.facts), (code, facts))

    def test_at_the_very_rim(self) -> None:
        self.assertAlmostEqual(as_times(Level(120.0, LevelUnit.MM), VESSEL, 30.0), 4.0)


class Room(TestCase):
    @given(st.floats(10, 500))
    def test_more_mix_stands_higher_with_less_room(self, total: float) -> None:
        lower, higher = line_mm(VESSEL, total), line_mm(VESSEL, total + 10)
        self.assertLess(lower, higher)
        self.assertGreater(room_times(VESSEL, lower), room_times(VESSEL, higher))

    def test_full_to_the_rim(self) -> None:
        self.assertAlmostEqual(line_mm(VESSEL, most_grams(VESSEL)), VESSEL.height_mm)

    def test_jars_no_kitchen_has(self) -> None:
        for vessel, field in (
            (Vessel(-1, 500, 120), "tare_g"),
            (Vessel(400, 5, 120), "volume_ml"),
            (Vessel(400, 500, 2_000), "height_mm"),
            (Vessel(400, 500, 120, 5.0), "flare"),
        ):
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                check_vessel(vessel)
            self.assertEqual(caught.exception.field, field)


class Tapered(TestCase):
    CUP = Vessel(100.0, 300.0, 100.0, flare=1.4)

    @given(st.floats(0.5, 2.0), st.floats(1.0, 99.0))
    def test_height_and_volume_are_each_others_inverse(self, flare: float, mm: float) -> None:
        vessel = Vessel(100.0, 300.0, 100.0, flare)
        self.assertAlmostEqual(height_at(vessel, volume_at(vessel, mm)), mm, places=6)

    def test_a_frustum_by_the_books(self) -> None:
        """V = pi h (R1^2 + R1 R2 + R2^2) / 3, the volume of a cone's frustum in any table of solids."""
        low, high, height = 3.0, 4.2, 10.0
        whole = 3.141592653589793 * height * (low**2 + low * high + high**2) / 3
        middle = (low + high) / 2
        half = 3.141592653589793 * height / 2 * (low**2 + low * middle + middle**2) / 3
        self.assertAlmostEqual(volume_at(Vessel(0, whole, 100, high / low), 50.0), half, places=6)

    def test_a_height_in_a_jar_that_opens_is_more_than_it_looks(self) -> None:
        line = line_mm(self.CUP, 100.0)
        self.assertGreater(as_times(Level(2.0, LevelUnit.TIMES), self.CUP, line), 2.0)
        at_line = volume_at(self.CUP, line)
        self.assertAlmostEqual(as_times(Level(2 * at_line, LevelUnit.ML), self.CUP, line), 2.0)
        self.assertAlmostEqual(room_times(self.CUP, line), 300.0 / at_line)


class Headroom(TestCase):
    def test_fits(self) -> None:
        self.assertTrue(headroom(VESSEL, 90.0).fits)

    def test_what_does_when_it_does_not(self) -> None:
        found = headroom(VESSEL, 400.0, likely_rise=2.5)
        self.assertFalse(found.fits)
        self.assertTrue(headroom(VESSEL, found.most_total_g, 2.5).fits)
        larger = Vessel(VESSEL.tare_g, found.least_volume_ml, VESSEL.height_mm)
        self.assertTrue(headroom(larger, 400.0, 2.5).fits)
        self.assertAlmostEqual(found.room_times, 500.0 * PASTE_G_PER_ML / 400.0)


class Marks(TestCase):
    """What a device without a connection converts levels by, against the conversion itself."""

    @given(st.floats(0.6, 1.8), st.floats(20.0, 60.0), st.floats(0.0, 1.0))
    def test_between_two_marks_a_level_reads_as_it_is(self, flare: float, line: float, share: float) -> None:
        vessel = Vessel(100.0, 500.0, 120.0, flare)
        made = marks(vessel, line)
        mm = made[0].mm + share * (made[-1].mm - made[0].mm)
        for low, high in pairwise(made):
            if low.mm <= mm <= high.mm:
                part = (mm - low.mm) / (high.mm - low.mm)
                read = low.times + part * (high.times - low.times)
                break
        self.assertAlmostEqual(read, as_times(Level(mm, LevelUnit.MM), vessel, line), delta=0.012)

    def test_a_straight_jar_has_two_and_the_rim_is_its_room(self) -> None:
        made = marks(VESSEL, 40.0)
        self.assertEqual(len(made), 2)
        self.assertEqual((made[-1].mm, made[-1].ml), (VESSEL.height_mm, VESSEL.volume_ml))
        self.assertAlmostEqual(made[-1].times, room_times(VESSEL, 40.0), places=5)

    def test_the_line_reads_one_in_any_jar(self) -> None:
        made = marks(Vessel(100.0, 500.0, 120.0, 1.5), 41.7)
        self.assertIn((41.7, 1.0), [(mark.mm, mark.times) for mark in made])
