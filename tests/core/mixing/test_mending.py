"""A slip mended: what to add, what it costs, and what is left alone. Worked examples are common practice."""

from __future__ import annotations

from unittest import TestCase

from ferment.mixing.feeding import Ratio
from ferment.mixing.mending import Mend, mend

EVEN = Ratio(1.0, 1.0, 1.0)


class Mending(TestCase):
    def test_too_much_flour_is_followed_by_water(self) -> None:
        """50 g seed, 70 g flour instead of 50: 20 g water more, 40 g in all beyond the plan."""
        self.assertEqual(
            mend(EVEN, 50, flour_g=70, water_g=50),
            Mend(
                worth_it=True,
                add_flour_g=0.0,
                add_water_g=20.0,
                extra_g=40.0,
                total_g=190.0,
                ratio_as_is="1:1.4:1",
                ratio_mended="1:1.4:1.4",
            ),
        )

    def test_too_much_water_is_followed_by_flour(self) -> None:
        self.assertEqual(
            mend(EVEN, 50, flour_g=50, water_g=60),
            Mend(
                worth_it=True,
                add_flour_g=10.0,
                add_water_g=0.0,
                extra_g=20.0,
                total_g=170.0,
                ratio_as_is="1:1:1.2",
                ratio_mended="1:1.2:1.2",
            ),
        )

    def test_by_a_ratio_whose_parts_differ(self) -> None:
        """20 g by 2:4:6 is 40 flour and 60 water; 80 flour ask for 120."""
        made = mend(Ratio(2, 4, 6), 20, flour_g=80, water_g=None)
        self.assertEqual(
            made,
            Mend(
                worth_it=True,
                add_flour_g=0.0,
                add_water_g=120.0,
                extra_g=100.0,
                total_g=220.0,
                ratio_as_is="1:4:0",
                ratio_mended="1:4:6",
            ),
        )

    def test_too_little_is_made_up_at_no_cost(self) -> None:
        made = mend(EVEN, 50, flour_g=50, water_g=40)
        self.assertEqual(
            made,
            Mend(
                worth_it=True,
                add_flour_g=0.0,
                add_water_g=10.0,
                extra_g=0.0,
                total_g=150.0,
                ratio_as_is="1:1:0.8",
                ratio_mended="1:1:1",
            ),
        )

    def test_what_is_not_poured_yet_is_no_slip(self) -> None:
        made = mend(EVEN, 50, flour_g=None, water_g=None)
        self.assertEqual(
            made,
            Mend(
                worth_it=False,
                add_flour_g=50.0,
                add_water_g=50.0,
                extra_g=0.0,
                total_g=150.0,
                ratio_as_is="1:0:0",
                ratio_mended="1:1:1",
            ),
        )

    def test_up_to_2_g_or_3_percent_is_left(self) -> None:
        for flour, worth in ((52.0, False), (53.0, True), (48.0, False), (47.0, True)):
            self.assertEqual(mend(EVEN, 50, flour_g=flour, water_g=50).worth_it, worth, flour)
        for flour, worth in ((206.0, False), (207.0, True)):
            self.assertEqual(mend(EVEN, 200, flour_g=flour, water_g=200).worth_it, worth, flour)
        self.assertFalse(mend(Ratio(1, 2, 2), 10, flour_g=21.5, water_g=20, step=0.1).worth_it)
        # 3 % is of the part that went wrong: 3 g of 100, not of 25.
        self.assertFalse(mend(Ratio(1, 4, 4), 25, flour_g=103, water_g=100).worth_it)

    def test_an_uneven_pair_that_is_in_proportion_needs_nothing(self) -> None:
        made = mend(EVEN, 50, flour_g=60, water_g=60)
        self.assertEqual(
            made,
            Mend(
                worth_it=False,
                add_flour_g=0.0,
                add_water_g=0.0,
                extra_g=20.0,
                total_g=170.0,
                ratio_as_is="1:1.2:1.2",
                ratio_mended="1:1.2:1.2",
            ),
        )

    def test_in_tenths(self) -> None:
        made = mend(Ratio(3, 3, 3), 10.1, flour_g=20.2, water_g=10.1, step=0.1)
        self.assertEqual((made.add_water_g, made.total_g, made.extra_g), (10.1, 50.5, 20.2))
