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
        self.assertAlmostEqual(last[2] / last[1], 0.6, places=2)


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
