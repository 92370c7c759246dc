"""The flour on the shelf: what the feeds leave of it, until when it is enough, and what could be fed instead."""

from __future__ import annotations

from datetime import timedelta
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.doors.assessment import stood
from ferment.doors.stock import Bag, Eater, Meal, Stock, fed_until, stock
from ferment.kitchen.flours import Flour, FlourShare

from ..builders import START, daily, grams, hours, lot, setup

DAY = timedelta(days=1)


def meals(*days: float, **flours: float) -> tuple[Meal, ...]:
    return tuple(Meal(START + day * DAY, lot(**flours)) for day in days)


def eater(name: str, fed: tuple[Meal, ...] = (), planned: tuple[Meal, ...] = ()) -> Eater:
    return Eater(name.lower(), name, fed, planned)


def kind(found: tuple[Stock, ...], flour: Flour) -> Stock:
    (one,) = (one for one in found if one.flour is flour)
    return one


def bag(name: str, g: float | None, day: float = 0.0, flour: Flour = Flour.RYE) -> Bag:
    return Bag(name, flour, g, START + day * DAY)


class OnTheShelf(TestCase):
    def test_feeds_run_a_bag_down_and_the_first_that_finds_too_little_is_named(self) -> None:
        jar = eater("Moth", meals(1, 2, 3, rye=30.0), meals(4, 5, 6, 7, rye=30.0))
        rye = kind(stock([bag("mill", 170.0)], [jar]), Flour.RYE)
        self.assertEqual((rye.left_g, rye.needs_g, rye.buy_g), (80.0, 120.0, 40.0))
        self.assertEqual(rye.runs_out_at, START + 6 * DAY)
        plenty = kind(stock([bag("mill", 1000.0)], [jar]), Flour.RYE)
        self.assertEqual((plenty.runs_out_at, plenty.buy_g), (None, 0.0))

    def test_of_two_bags_the_older_goes_first_and_no_bag_before_it_was_there(self) -> None:
        jar = eater("Moth", meals(1, 2, 3, rye=30.0))
        bags = [bag("new", 500.0, day=2.5), bag("old", 50.0)]
        rye = kind(stock(bags, [jar]), Flour.RYE)
        self.assertEqual([(one.id, one.left_g) for one in rye.bags], [("old", 0.0), ("new", 470.0)])

    def test_nobody_weighed_it_and_none_is_there(self) -> None:
        jar = eater("Moth", (), meals(4, rye=30.0))
        unknown = kind(stock([bag("mill", None)], [jar]), Flour.RYE)
        self.assertEqual((unknown.left_g, unknown.runs_out_at, unknown.buy_g), (None, None, 0.0))
        none = kind(stock([], [jar]), Flour.RYE)
        self.assertEqual((none.left_g, none.runs_out_at, none.buy_g), (None, START + 4 * DAY, 30.0))

    @given(st.lists(grams, max_size=6), st.lists(grams, min_size=1, max_size=4))
    def test_what_was_fed_and_what_is_left_is_what_there_was(self, fed: list[float], held: list[float]) -> None:
        jar = eater("Moth", tuple(Meal(START + (n + 1) * DAY, lot(rye=g)) for n, g in enumerate(fed)))
        rye = kind(stock([bag(str(n), g) for n, g in enumerate(held)], [jar]), Flour.RYE)
        assert rye.left_g is not None
        self.assertAlmostEqual(rye.left_g, max(0.0, sum(held) - sum(fed)), delta=0.1 * len(held))
        self.assertTrue(all(one.left_g is not None and one.left_g >= 0.0 for one in rye.bags))


class Instead(TestCase):
    def test_the_nearest_grain_on_the_shelf_takes_its_place_in_the_blend(self) -> None:
        jar = eater("Moth", (), meals(4, 5, rye=20.0, white=10.0))
        bags = [bag("r", 10.0), bag("w", 900.0, flour=Flour.WHITE), bag("s", None, flour=Flour.SPELT)]
        rye = kind(stock(bags, [jar]), Flour.RYE)
        self.assertEqual([one.flour for one in rye.instead], [Flour.SPELT, Flour.WHITE])
        (spelt,), (white,) = (one.blends for one in rye.instead)
        self.assertEqual(spelt, (FlourShare(Flour.SPELT, 2 / 3), FlourShare(Flour.WHITE, 1 / 3)))
        self.assertEqual([(part.flour, round(part.share, 9)) for part in white], [(Flour.WHITE, 1.0)])

    def test_gluten_free_takes_no_place_and_nothing_takes_its_own(self) -> None:
        safe = bag("g", 900.0, flour=Flour.GLUTEN_FREE)
        jar = eater("Moth", (), meals(4, rye=20.0))
        self.assertEqual(kind(stock([safe], [jar]), Flour.RYE).instead, ())
        free = eater("Heron", (), meals(4, gluten_free=20.0))
        self.assertEqual(kind(stock([bag("r", 900.0)], [free]), Flour.GLUTEN_FREE).instead, ())


class Planned(TestCase):
    def test_the_plan_says_what_is_needed_as_far_as_it_is_followed(self) -> None:
        made, log = setup(), daily(3)
        now = START + hours(73)
        jar = stood(made, log, now)
        for days in (2.0, 14.0, 30.0):
            found = fed_until(made, jar, now, now + days * DAY)
            self.assertTrue(all(now <= meal.at <= now + days * DAY for meal in found))
            self.assertAlmostEqual(len(found), days, delta=1.0)
