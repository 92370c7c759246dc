"""Units against published values and an independent library; readings of a scale."""

from __future__ import annotations

import math
from unittest import TestCase

import pint
from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.quantities import (
    MILLILITRES_PER,
    Unit,
    from_grams,
    grams,
    on_scale,
    to_celsius,
    to_fahrenheit,
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

    def test_fahrenheit(self) -> None:
        for fahrenheit in (-40.0, 32.0, 75.0, 81.0, 212.0):
            with self.subTest(fahrenheit):
                published = UNITS.Quantity(fahrenheit, UNITS.degF).to(UNITS.degC).magnitude
                self.assertAlmostEqual(to_celsius(fahrenheit), published, places=9)

    @given(st.floats(min_value=0, max_value=10_000), st.sampled_from(list(Unit)), st.floats(0.3, 1.6))
    def test_round_trip(self, value: float, unit: Unit, g_per_ml: float) -> None:
        there = to_grams(value, unit, g_per_ml)
        self.assertTrue(math.isclose(from_grams(there, unit, g_per_ml), value, rel_tol=1e-12, abs_tol=1e-9))

    def test_unknown_unit(self) -> None:
        with self.assertRaises(Refusal) as caught:
            unit_named("stone")
        self.assertEqual(caught.exception.facts["known"], "g, oz, ml, tsp, tbsp, cup")

    @given(st.floats(min_value=-50, max_value=120))
    def test_temperature_round_trip(self, value: float) -> None:
        self.assertTrue(math.isclose(to_celsius(to_fahrenheit(value)), value, abs_tol=1e-9))


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
