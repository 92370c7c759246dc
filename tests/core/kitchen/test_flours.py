"""Blends and cups."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.flours import (
    GRAMS_PER_CUP,
    Flour,
    blend_of,
    combine,
    divide,
    flour_from_grams,
    flour_to_grams,
    weight,
)
from ferment.kitchen.quantities import Unit
from ferment.refusal import Refusal, RefusalCode

from ..builders import blends, lot, lots


class Cups(TestCase):
    def test_published_household_weights(self) -> None:
        """USDA FoodData Central, household measures, from memory: grams in one US cup."""
        published = {Flour.WHITE: 125.0, Flour.WHOLE_WHEAT: 120.0, Flour.RYE: 128.0}
        for flour, grams in published.items():
            with self.subTest(flour):
                self.assertEqual(GRAMS_PER_CUP[flour], grams)

    def test_every_flour_has_a_weight(self) -> None:
        self.assertEqual(set(GRAMS_PER_CUP), set(Flour))

    def test_a_cup_has_sixteen_tablespoons(self) -> None:
        rye = blend_of({"rye": 1})
        self.assertAlmostEqual(flour_to_grams(16, Unit.TABLESPOON, rye), 128.0)
        self.assertAlmostEqual(flour_from_grams(64.0, Unit.CUP, rye), 0.5)

    def test_a_blend_by_weight(self) -> None:
        """Half and half by weight of 128 and 125 g/cup: by volume, so the harmonic mean."""
        both = blend_of({"rye": 1, "white": 1})
        self.assertAlmostEqual(flour_to_grams(1, Unit.CUP, both), 2 / (1 / 128 + 1 / 125))

    @given(blends, st.floats(0.1, 50), st.sampled_from(list(Unit)))
    def test_both_ways(self, parts: dict[str, float], value: float, unit: Unit) -> None:
        blend = blend_of(parts)
        self.assertAlmostEqual(flour_from_grams(flour_to_grams(value, unit, blend), unit, blend), value, places=6)


class Blends(TestCase):
    def test_ten_to_one(self) -> None:
        """10 parts white to 1 part whole wheat, 22 g: 20 and 2 (common practice)."""
        parts = divide(22.0, blend_of({"white": 10, "whole_wheat": 1}), 1.0)
        self.assertEqual([(part.flour, part.g) for part in parts], [(Flour.WHITE, 20.0), (Flour.WHOLE_WHEAT, 2.0)])

    @given(blends, st.integers(min_value=1, max_value=3_000), st.sampled_from([0.1, 1.0, 5.0]))
    def test_parts_sum_to_the_whole(self, parts: dict[str, float], steps: int, step: float) -> None:
        total = round(steps * step, 6)
        divided = divide(total, blend_of(parts), step)
        self.assertAlmostEqual(weight(divided), total, places=5)
        whole = sum(parts.values())
        for part in divided:
            self.assertLess(abs(part.g - total * parts[part.flour] / whole), step + 1e-6)

    @given(st.lists(lots, max_size=4))
    def test_combining_keeps_the_weight(self, many: list[tuple]) -> None:  # type: ignore[type-arg]
        self.assertAlmostEqual(weight(combine(many)), sum(weight(one) for one in many), places=6)

    def test_combining_names_a_flour_once(self) -> None:
        self.assertEqual(combine([lot(white=10, rye=5), lot(rye=5)]), lot(rye=10, white=10))

    def test_refusals(self) -> None:
        for parts, code in (
            ({"sawdust": 1}, RefusalCode.UNKNOWN_FLOUR),
            ({}, RefusalCode.NO_FLOUR),
            ({"rye": 0}, RefusalCode.NO_FLOUR),
            ({"rye": -1}, RefusalCode.OUT_OF_RANGE),
        ):
            with self.subTest(parts), self.assertRaises(Refusal) as caught:
                blend_of(parts)
            self.assertEqual(caught.exception.code, code)
