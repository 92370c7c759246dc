"""Families side by side, and the plain table of days."""

from __future__ import annotations

from dataclasses import replace
from typing import ClassVar
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.doors.comparison import Compared, Offered, Reason, compare, side_by_side, to_ready
from ferment.kitchen.flours import Flour
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.mixing.contents import Origin
from ferment.planner.readytable import FLOUR_PACE, ready_days, warmth_pace
from ferment.protocol.method import Thing
from ferment.protocol.options import Choices
from ferment.setups import Setup, course_of

from ..builders import START

ROOMY = Vessel(300.0, 4_000.0, 200.0)
PLAIN = Setup("equal_parts", {}, ROOMY, START)


class SideBySide(TestCase):
    all_: ClassVar[dict[str, Compared]]

    @classmethod
    def setUpClass(cls) -> None:
        cls.all_ = {one.family: one for one in compare(FAMILIES, PLAIN)}

    def test_every_family_is_told(self) -> None:
        self.assertEqual(set(self.all_), {family.code for family in FAMILIES})
        for one in self.all_.values():
            with self.subTest(one.family):
                self.assertTrue(one.feeds >= 2 and one.flour_g > 0 and one.minutes > 0 and one.needs)

    def test_hands_on_five_to_ten_minutes_a_day(self) -> None:
        """Common practice; a method that feeds several times a day takes more."""
        for one in self.all_.values():
            with self.subTest(one.family):
                self.assertTrue(2 <= one.minutes_a_day <= 10 + 5 * max(0.0, one.feeds_a_day - 1.2))

    def test_least_waste_is_only_when_hungry(self) -> None:
        weighed = [
            one for one in self.all_.values() if one.origin is Origin.FLOUR_AND_WATER and Thing.SPOONS not in one.needs
        ]
        self.assertEqual(min(weighed, key=lambda one: one.flour_g).family, "when_hungry")

    def test_choices_of_the_setup_count(self) -> None:
        twice = to_ready(replace(PLAIN, choices={"every_hours": 12.0}))
        self.assertGreater(twice.feeds, self.all_["equal_parts"].feeds * 1.7)

    def test_half_the_size_takes_half_the_flour(self) -> None:
        half = to_ready(replace(PLAIN, size=0.5, scale_step=0.1))
        self.assertAlmostEqual(half.flour_g, self.all_["equal_parts"].flour_g / 2, delta=1.0)


class DaysUntilReady(TestCase):
    def test_every_flour_has_a_pace(self) -> None:
        self.assertEqual(set(FLOUR_PACE), set(Flour))

    def test_about_half_speed_at_17_to_20(self) -> None:
        """17 to 20 °C works at about half speed, 13 °C nearly stalls (common practice)."""
        self.assertTrue(1.4 <= warmth_pace(20) < warmth_pace(17) <= 2.3)
        self.assertGreater(warmth_pace(13), 3)

    @given(st.floats(2, 44), st.floats(0.1, 5))
    def test_warmer_is_never_slower(self, celsius: float, more: float) -> None:
        self.assertLessEqual(warmth_pace(celsius + more), warmth_pace(celsius))

    def test_white_flour_takes_longer(self) -> None:
        white = replace(PLAIN, choices={"first_blend": {"white": 1.0}})
        self.assertGreater(ready_days(course_of(white), 24.0).likely, ready_days(course_of(PLAIN), 24.0).likely)

    def test_a_method_for_a_warm_box_is_judged_against_it(self) -> None:
        stiff = course_of(Setup("stiff_warm", {}, ROOMY, START))
        self.assertEqual(ready_days(stiff, 27.0).likely, stiff.method.ready.likely)


class ForThisKitchen(TestCase):
    """Foreseen for this warmth and flour, and what speaks for and against each."""

    def offered(self, celsius: float = 24.0, *, scale: bool = True, **blend: float) -> dict[str, Offered]:
        choices: Choices = {"blend": blend} if blend else {}
        fresh = [family for family in FAMILIES if family.origin is Origin.FLOUR_AND_WATER][:4]
        here = replace(PLAIN, warmth_c=celsius, choices=choices)
        told = side_by_side(fresh, here, Origin.FLOUR_AND_WATER, has_scale=scale)
        return {one.compared.family: one for one in told}

    def test_a_cold_kitchen_visibly_moves_the_course(self) -> None:
        warm, cold = self.offered(24.0), self.offered(17.0)
        for code, one in warm.items():
            with self.subTest(code):
                other = cold[code]
                assert one.ready_on
                assert other.ready_on
                self.assertGreater(other.ready_on.on.likely, one.ready_on.on.likely)

    def test_the_best_of_each_kind_is_named_and_what_is_missing_too(self) -> None:
        found = self.offered(scale=False)
        soonest = min(found.values(), key=lambda one: one.ready_on.on.likely if one.ready_on else START)
        self.assertIn(Reason.SOONEST, soonest.suits)
        for one in found.values():
            needs = Thing.SCALE in one.compared.needs
            self.assertEqual(Reason.NEEDS_SCALE in one.speaks_against, needs)
            self.assertEqual(Reason.NO_SCALE in one.suits, not needs)

    def test_a_way_that_seldom_gets_ready_here_is_advised_against(self) -> None:
        """Spoons of wheat meal and water come out too wet to hold their gas; coarse rye is judged by less."""
        here = replace(PLAIN, warmth_c=22.0, choices={"blend": {"whole_wheat": 1.0}})
        ways = [family for family in FAMILIES if family.code in ("spoons", "equal_parts")]
        told = {one.compared.family: one for one in side_by_side(ways, here, Origin.FLOUR_AND_WATER, has_scale=True)}
        steady, wet = told["equal_parts"].ready_on, told["spoons"].ready_on
        assert steady is not None
        assert wet is not None
        self.assertGreater(steady.share, 0.9)
        self.assertNotIn(Reason.SELDOM_READY, told["equal_parts"].speaks_against)
        self.assertLess(wet.share, 0.5)
        self.assertIn(Reason.SELDOM_READY, told["spoons"].speaks_against)

    def test_gluten_free_flour_is_slower(self) -> None:
        for one in self.offered(gluten_free=1.0).values():
            self.assertIn(Reason.SLOW_FLOUR, one.speaks_against)

    def test_a_frozen_pinch_begins_by_a_way_of_its_own(self) -> None:
        told = side_by_side(FAMILIES, PLAIN, Origin.FROZEN, has_scale=True)
        self.assertTrue(told)
        self.assertEqual({one.compared.origin for one in told}, {Origin.FROZEN})


class Suggested(TestCase):
    """For who does not want to choose: nothing speaks against it, about as soon as any, and the least wasted."""

    def one(self, origin: Origin, flour: str, celsius: float, *, has_scale: bool) -> Offered:
        setup = Setup("equal_parts", {"blend": {flour: 1.0}}, ROOMY, START, warmth_c=celsius)
        found = side_by_side(FAMILIES, setup, origin, has_scale=has_scale)
        suggested = [one for one in found if one.suggested]
        self.assertEqual(len(suggested), 1)
        return suggested[0]

    def test_without_a_scale_none_that_needs_one(self) -> None:
        for flour, celsius in (("rye", 22.0), ("white", 17.0)):
            with self.subTest(flour):
                one = self.one(Origin.FLOUR_AND_WATER, flour, celsius, has_scale=False)
                self.assertNotIn(Thing.SCALE, one.compared.needs)
                self.assertNotIn(Reason.SELDOM_READY, one.speaks_against)
        self.assertEqual(self.one(Origin.DRIED, "white", 22.0, has_scale=False).compared.family, "dried_spoons")

    def test_with_one_the_least_is_wasted(self) -> None:
        one = self.one(Origin.FLOUR_AND_WATER, "rye", 22.0, has_scale=True)
        self.assertIn(Thing.SCALE, one.compared.needs)
        self.assertIn(one.compared.family, {"when_hungry", "on_signs"})
