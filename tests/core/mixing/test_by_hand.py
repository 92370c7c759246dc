"""Feeds without a scale: in spoons and cups that there are, by eye, and a walk that names no number of a scale."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.flours import Flour, blend_of
from ferment.kitchen.quantities import MILLILITRES_PER, Spoonful, Unit
from ferment.methods import FAMILIES, family_named
from ferment.mixing.by_hand import EYE_NEAR, EYE_PARTS, by_eye, of_flour, of_liquid
from ferment.mixing.feeding import weighed
from ferment.mixing.weighing import ScaleAct, WalkStyle, scale_walk
from ferment.protocol.course import settle
from ferment.protocol.method import Thing

WHITE = blend_of({"white": 1})


def said(spoons: tuple[Spoonful, ...]) -> list[tuple[float, str]]:
    return [(round(one.count, 2), one.unit.value) for one in spoons]


class InSpoons(TestCase):
    def test_cups_and_spoons_of_the_ways(self) -> None:
        """US measures (NIST SP 811, app. B), flour by the cup weights of the flours: what the ways themselves say."""
        self.assertEqual(said(of_liquid(MILLILITRES_PER[Unit.CUP])), [(1.0, "cup")])
        self.assertEqual(said(of_liquid(118.3)), [(0.5, "cup")])
        self.assertEqual(said(of_liquid(88.7)), [(6.0, "tbsp")])
        self.assertEqual(said(of_flour(Flour.WHITE, 125.0)), [(1.0, "cup")])
        self.assertEqual(of_liquid(0.0), ())

    @given(st.floats(min_value=1.0, max_value=2_000.0))
    def test_within_a_sixteenth_or_a_quarter_teaspoon(self, ml: float) -> None:
        made = sum(one.count * MILLILITRES_PER[one.unit] for one in of_liquid(ml))
        self.assertLessEqual(abs(made - ml), max(ml / 16, MILLILITRES_PER[Unit.TEASPOON] / 4))


class ByEye(TestCase):
    def test_what_an_eye_judges(self) -> None:
        self.assertEqual(by_eye(120.0, 240.0), 0.5)
        self.assertEqual(by_eye(80.0, 240.0), 1 / 3)
        self.assertIsNone(by_eye(20.0, 240.0))
        self.assertIsNone(by_eye(101.0, 240.0))
        self.assertIsNone(by_eye(5.0, 0.0))

    @given(st.floats(min_value=0.0, max_value=1.0))
    def test_never_far_from_what_it_is(self, share: float) -> None:
        part = by_eye(share, 1.0)
        near = min(abs(share - one) for one in EYE_PARTS) <= EYE_NEAR
        self.assertEqual(part is not None, near)
        self.assertTrue(part is None or abs(part - share) <= EYE_NEAR)


class WhoMeasuresByHand(TestCase):
    def test_ways_that_ask_for_no_scale_and_kitchens_that_have_none(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                self.assertEqual(settle(family, {}).by_hand, Thing.SCALE not in family.needs)
                self.assertTrue(settle(family, {}, has_scale=False).by_hand)

    def test_none_of_them_is_asked_for_strips(self) -> None:
        self.assertNotIn(Thing.PH_STRIPS, family_named("spoons").needs)


class Walks(TestCase):
    def test_without_a_scale_no_empty_jar_is_weighed(self) -> None:
        plan = weighed(0.0, 31.3, 88.7, WHITE, step=0.1)
        by_hand = type(plan)(**{**plan.__dict__, "is_by_hand": True})
        self.assertEqual([one.do for one in scale_walk(by_hand, None)], [ScaleAct.ADD_WATER, ScaleAct.ADD_FLOUR])

    def test_where_nobody_knows_the_jar_the_scale_is_zeroed(self) -> None:
        walk = scale_walk(weighed(30.0, 30.0, 30.0, WHITE), None, there_is_g=90.0)
        told = [(one.do, one.from_zero, one.scale_shows_g) for one in walk]
        self.assertEqual(
            told,
            [
                (ScaleAct.TAKE_OUT, True, -60.0),
                (ScaleAct.ADD_WATER, True, 30.0),
                (ScaleAct.ADD_FLOUR, False, 60.0),
            ],
        )

    def test_a_clean_jar_can_be_zeroed_empty(self) -> None:
        walk = scale_walk(weighed(30.0, 30.0, 30.0, WHITE), None, 90.0, WalkStyle.CLEAN_JAR)
        self.assertEqual([one.scale_shows_g for one in walk], [0.0, 30.0, 60.0, 90.0])

    def test_water_held_back_comes_last_and_liquid_first(self) -> None:
        plan = weighed(30.0, 30.0, 40.0, WHITE)
        held = type(plan)(**{**plan.__dict__, "hold_back_g": 10.0})
        walk = scale_walk(held, 100.0, there_is_g=90.0, first=(ScaleAct.POUR_OFF,))
        self.assertEqual(
            [(one.do, one.brings_g) for one in walk],
            [
                (ScaleAct.POUR_OFF, 0.0),
                (ScaleAct.TAKE_OUT, 30.0),
                (ScaleAct.ADD_WATER, 30.0),
                (ScaleAct.ADD_FLOUR, 30.0),
                (ScaleAct.ADD_HELD_BACK, 10.0),
            ],
        )
        self.assertEqual(walk[-1].scale_shows_g, 200.0)
        self.assertEqual(sum(one.brings_g for one in walk), held.total_g)
