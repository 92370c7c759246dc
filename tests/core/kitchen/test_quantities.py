"""Units against published values and an independent library; readings of a scale."""

from __future__ import annotations

import math
from unittest import TestCase

import pint
from hypothesis import example, given
from hypothesis import strategies as st

from ferment.kitchen.quantities import (
    MILLILITRES_PER,
    Unit,
    from_grams,
    grams,
    in_spoons,
    on_scale,
    to_grams,
    unit_named,
)
from ferment.refusal import Refusal, RefusalCode

UNITS: pint.UnitRegistry[float] = pint.UnitRegistry()


class PublishedUnits(TestCase):
    """pint's registry holds the definitions that NIST publishes (Special Publication 811, appendix B)."""

    def test_ounce(self) -> None:
        self.assertAlmostEqual(to_grams(1, Unit.OUNCE), UNITS("1 oz").to("g").magnitude, places=9)

    def test_kitchen_volumes(self) -> None:
        for unit, name in (
            (Unit.TEASPOON, "teaspoon"),
            (Unit.TABLESPOON, "tablespoon"),
            (Unit.CUP, "cup"),
        ):
            with self.subTest(name):
                self.assertAlmostEqual(MILLILITRES_PER[unit], UNITS(f"1 {name}").to("ml").magnitude, places=9)

    @given(st.floats(min_value=0, max_value=10_000), st.sampled_from(list(Unit)), st.floats(0.3, 1.6))
    def test_round_trip(self, value: float, unit: Unit, g_per_ml: float) -> None:
        there = to_grams(value, unit, g_per_ml)
        self.assertTrue(math.isclose(from_grams(there, unit, g_per_ml), value, rel_tol=1e-12, abs_tol=1e-9))

    def test_unknown_unit(self) -> None:
        with self.assertRaises(Refusal) as caught:
            unit_named("stone")
        self.assertEqual(caught.exception.facts["known"], "g, oz, ml, tsp, tbsp, cup")


class Spoons(TestCase):
    def test_a_measure_is_itself(self) -> None:
        cases = (
            ("1 cup", [(1.0, Unit.CUP)]),
            ("0.5 cup", [(0.5, Unit.CUP)]),
            ("15 tablespoon + 2.25 teaspoon", [(1.0, Unit.CUP)]),
            ("7 tablespoon + 2.5 teaspoon", [(0.5, Unit.CUP)]),
            ("10 tablespoon", [(0.5, Unit.CUP), (2.0, Unit.TABLESPOON)]),
            ("2 tablespoon + 0.25 teaspoon", [(2.0, Unit.TABLESPOON)]),
            ("1 cup + 2 tablespoon", [(1.0, Unit.CUP), (2.0, Unit.TABLESPOON)]),
            ("1.5 teaspoon", [(1.5, Unit.TEASPOON)]),
            ("1 tablespoon + 0.5 teaspoon", [(1.0, Unit.TABLESPOON), (0.5, Unit.TEASPOON)]),
        )
        for text, told in cases:
            with self.subTest(text):
                millilitres = sum(UNITS(part).to("ml").magnitude for part in text.split(" + "))
                self.assertEqual([(part.count, part.unit) for part in in_spoons(millilitres)], told)

    @given(st.floats(min_value=0.7, max_value=3_000))
    @example(84.0)
    @example(99.0)
    @example(140.2)
    def test_in_at_most_two_measures_within_a_sixteenth(self, millilitres: float) -> None:
        """Added up again by pint's own measures; and no more of a spoon than makes the next larger one."""
        names = {Unit.CUP: "cup", Unit.TABLESPOON: "tablespoon", Unit.TEASPOON: "teaspoon"}
        parts = in_spoons(millilitres)
        back = sum(UNITS(f"{part.count} {names[part.unit]}").to("ml").magnitude for part in parts)
        least = UNITS("0.125 teaspoon").to("ml").magnitude + 1e-6
        self.assertLessEqual(abs(back - millilitres), max(least, millilitres / 16))
        self.assertLessEqual(len(parts), 2)
        counts = {part.unit: part.count for part in parts}
        self.assertLess(counts.get(Unit.TABLESPOON, 0.0), 4 if len(parts) > 1 else 8)
        self.assertLess(counts.get(Unit.TEASPOON, 0.0), 3)

    def test_never_nothing(self) -> None:
        self.assertEqual([(part.count, part.unit) for part in in_spoons(0.01)], [(0.25, Unit.TEASPOON)])


class OnTheScale(TestCase):
    @given(st.floats(min_value=0, max_value=9_000), st.sampled_from([0.1, 1.0, 5.0]))
    def test_within_half_a_step_and_a_multiple(self, value: float, step: float) -> None:
        shown = on_scale(value, step)
        self.assertLessEqual(abs(shown - value), step / 2 + 1e-6)
        self.assertAlmostEqual(shown / step, round(shown / step), places=6)

    def test_tenths_read_as_tenths(self) -> None:
        self.assertEqual(on_scale(0.1 + 0.2, 0.1), 0.3)

    def test_absurd_amounts_are_refused_with_bounds(self) -> None:
        for value, code in (
            (-1.0, RefusalCode.OUT_OF_RANGE),
            (10_001.0, RefusalCode.OUT_OF_RANGE),
            (math.nan, RefusalCode.NOT_A_NUMBER),
            (math.inf, RefusalCode.NOT_A_NUMBER),
        ):
            with self.subTest(value), self.assertRaises(Refusal) as caught:
                grams(value, "keep_g")
            self.assertEqual((caught.exception.code, caught.exception.field), (code, "keep_g"))
            self.assertEqual(caught.exception.facts, {"least": 0.0, "most": 10_000.0})
