"""A recipe's starter for a wetter or stiffer jar: the dough stays as it is."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.mixing.recipe import swap
from ferment.refusal import Refusal, RefusalCode

percents = st.floats(min_value=40.0, max_value=250.0)


class Swaps(TestCase):
    def test_worked_example(self) -> None:
        """Common practice: 150 g at 100 % hold 75 g of flour; at 60 % that is 120 g, and 30 g of water are missing."""
        found = swap(150.0, 100.0, 60.0)
        self.assertEqual((found.starter_g, found.water_change_g, found.flour_g), (120.0, 30.0, 75.0))
        back = swap(120.0, 60.0, 100.0)
        self.assertEqual((back.starter_g, back.water_change_g), (150.0, -30.0))

    @given(st.floats(min_value=10.0, max_value=2_000.0), percents, percents)
    def test_flour_and_water_of_the_dough_stay(self, asked: float, recipe: float, own: float) -> None:
        found = swap(asked, recipe, own, step=0.1)
        flour = found.starter_g / (1.0 + own / 100.0)
        water = found.starter_g - flour + found.water_change_g
        self.assertAlmostEqual(flour, asked / (1.0 + recipe / 100.0), delta=0.06)
        self.assertAlmostEqual(flour + water, asked, delta=0.2)

    def test_refused_by_name(self) -> None:
        for given_, field in (((0.0, 100.0, 100.0), "recipe_g"), ((100.0, 30.0, 100.0), "recipe_percent")):
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                swap(*given_)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, RefusalCode.OUT_OF_RANGE))
