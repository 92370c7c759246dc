"""The jar: heights, room, and levels in three units."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.refusal import Refusal, RefusalCode
from ferment.vessel import Level, LevelUnit, Vessel, as_times, check_vessel, line_mm, most_grams, room_times

from .builders import VESSEL


class Levels(TestCase):
    def test_doubled_in_every_unit(self) -> None:
        for value, unit in ((2.0, LevelUnit.TIMES), (100.0, LevelUnit.PERCENT), (70.0, LevelUnit.MM)):
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
        ):
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                check_vessel(vessel)
            self.assertEqual(caught.exception.field, field)
