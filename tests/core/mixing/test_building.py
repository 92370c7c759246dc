"""Building a levain without discard. Worked examples are common practice."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.flours import blend_of
from ferment.mixing.building import build
from ferment.refusal import Refusal

WHITE = blend_of({"white": 1})


class WorkedExamples(TestCase):
    def added(self, target: float, reserve: float, **more: float) -> list[tuple[float, float, float]]:
        feeds = int(more.pop("feeds", 2))
        made = build(target, reserve, WHITE, feeds=feeds, **more)
        return [(feed.keep_g, feed.flour_g, feed.water_g) for feed in made.feeds]

    def test_five_grams_for_150(self) -> None:
        """5 g, +25 +25 is 55 g, +50 +50 is 155 g for a recipe that needs 150 g."""
        self.assertEqual(self.added(150, 5), [(5.0, 25.0, 25.0), (55.0, 50.0, 50.0)])

    def test_ten_grams_for_200(self) -> None:
        """10 g, +30 +30 is 70 g, +70 +70 is 210 g for 200 g."""
        self.assertEqual(self.added(200, 10), [(10.0, 30.0, 30.0), (70.0, 70.0, 70.0)])

    def test_one_feed(self) -> None:
        """1:5:5 overnight."""
        self.assertEqual(self.added(110, 0, feeds=1), [(10.0, 50.0, 50.0)])

    def test_a_large_reserve_is_not_all_seed(self) -> None:
        first, second = self.added(100, 60)
        self.assertLess(first[0], 60)
        self.assertGreaterEqual(second[1] / second[0], 0.85)

    def test_stiff(self) -> None:
        last = self.added(300, 20, hydration_percent=60.0)[-1]
        self.assertAlmostEqual(last[2] / last[1], 0.6, delta=0.01)


class Sizes(TestCase):
    """Seed, feeds and what stays, to the gram."""

    def sizes(self, target: float, reserve: float, **more: float) -> tuple[float, list[float], float, float]:
        feeds = int(more.pop("feeds", 2))
        made = build(target, reserve, WHITE, feeds=feeds, **more)
        return made.seed_g, [feed.flour_g for feed in made.feeds], made.total_g, made.reserve_g

    def test_two_feeds_where_none_are_asked_for(self) -> None:
        self.assertEqual(len(build(150, 5, WHITE).feeds), 2)

    def test_what_stays_is_what_was_asked_to_stay(self) -> None:
        self.assertEqual(self.sizes(150, 5), (5.0, [25.0, 50.0], 155.0, 5.0))
        self.assertEqual(self.sizes(110, 0, feeds=1), (10.0, [50.0], 110.0, 0.0))
        self.assertEqual(self.sizes(100.2, 5.1, step=0.1), (5.1, [15.3, 34.8], 105.3, 5.1))

    def test_a_reserve_without_room_for_a_meal_begins_with_less(self) -> None:
        """Of 160 g the last feed is a meal up to 57 g of seed, the first up to 19 g; halves go up on the scale."""
        self.assertEqual(self.sizes(100, 60), (19.0, [19.0, 52.0], 160.0, 60.0))
        self.assertEqual(self.sizes(100, 60, feeds=3), (6.0, [6.0, 19.0, 52.0], 160.0, 60.0))

    def test_a_reserve_that_leaves_just_room_for_a_meal_is_all_seed(self) -> None:
        """57 g over 16 g of seed is 1.28 to 1, in halves 1."""
        self.assertEqual(self.sizes(144, 16), (16.0, [16.0, 56.0], 160.0, 16.0))

    def test_one_feed_takes_no_more_seed_than_leaves_room_for_a_meal(self) -> None:
        self.assertEqual(self.sizes(100, 90, feeds=1), (68.0, [61.0], 190.0, 90.0))

    def test_wet_and_stiff(self) -> None:
        self.assertEqual(self.sizes(300, 20, hydration_percent=60.0)[0], 20.0)
        made = build(300, 20, WHITE, hydration_percent=150.0)
        self.assertEqual([round(feed.water_g / feed.flour_g, 1) for feed in made.feeds], [1.5, 1.5])

    def test_a_scale_in_fives(self) -> None:
        made = build(400, 20, WHITE, step=5.0)
        self.assertTrue(all(feed.flour_g % 5.0 == 0.0 for feed in made.feeds))
        self.assertEqual(build(400, 0, WHITE, step=5.0).seed_g, 5.0)

    def test_the_bounds_are_taken(self) -> None:
        self.assertEqual(len(build(9000, 10, WHITE, feeds=4, max_ratio=20.0, hydration_percent=200.0).feeds), 4)


class AnyBuild(TestCase):
    @given(
        st.floats(20, 1500), st.floats(0, 200), st.integers(1, 4), st.floats(1, 10), st.floats(60, 200),
        st.sampled_from([0.1, 1.0]),
    )  # fmt: skip
    def test_it_ends_with_the_recipe_and_the_reserve(
        self, target: float, reserve: float, feeds: int, ratio: float, wet: float, step: float
    ) -> None:
        try:
            made = build(target, reserve, WHITE, feeds=feeds, max_ratio=ratio, hydration_percent=wet, step=step)
        except Refusal as refusal:
            # So many feeds of so little: each would be less than the scale shows.
            self.assertEqual((refusal.field, feeds > 1 and target < 300), ("feeds", True))
            return
        self.assertAlmostEqual(made.total_g, target + reserve, delta=1.5 * step + step / 2)
        self.assertEqual(len(made.feeds), feeds)
        there = made.seed_g
        for feed in made.feeds:
            self.assertAlmostEqual(feed.keep_g, there, places=5)
            self.assertGreater(feed.flour_g, 0)
            there = feed.total_g

    def test_refusals_name_the_field(self) -> None:
        for arguments, field in (
            ({"target_g": 0.0, "reserve_g": 5.0}, "target_g"),
            ({"target_g": 150.0, "reserve_g": -5.0}, "reserve_g"),
            ({"target_g": 150.0, "reserve_g": 5.0, "feeds": 9}, "feeds"),
            ({"target_g": 150.0, "reserve_g": 5.0, "max_ratio": 0.0}, "max_ratio"),
            ({"target_g": 150.0, "reserve_g": 5.0, "hydration_percent": 20.0}, "hydration_percent"),
        ):
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                build(blend=WHITE, **arguments)  # type: ignore[arg-type]
            self.assertEqual(caught.exception.field, field)
