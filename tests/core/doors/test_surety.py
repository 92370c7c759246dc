"""How sure two jars differ: the statistics, held against worked examples and a reference library."""

from __future__ import annotations

import math
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from scipy import stats

from ferment.doors.surety import (
    AWAKE_APART,
    EQUAL_JARS,
    SURELY,
    Surety,
    Woken,
    Yardstick,
    awake_apart,
    fisher,
    habits_apart,
    smells_apart,
)
from ferment.record.log import Smell
from ferment.tracker.habit import Habitual

FEW = st.integers(0, 12)


class Fisher(TestCase):
    def test_the_lady_tasting_tea(self) -> None:
        """R. A. Fisher, The Design of Experiments (1935), ch. II: four cups of each, all eight named rightly: 1 in 70
        for one side; three of four: 17 in 70."""
        self.assertAlmostEqual(fisher(4, 4, 0, 4), 2 / 70)
        self.assertAlmostEqual(fisher(3, 4, 1, 4), 34 / 70)

    @given(FEW, FEW, FEW, FEW)
    def test_as_scipy_has_it(self, yes: int, no: int, others_yes: int, others_no: int) -> None:
        mine = fisher(yes, yes + no, others_yes, others_yes + others_no)
        self.assertAlmostEqual(mine, stats.fisher_exact([[yes, no], [others_yes, others_no]]).pvalue, places=9)


class Habits(TestCase):
    def test_the_interval_is_the_bells(self) -> None:
        """19 of 20 of a bell lie within 1.96 spreads (handbook tables of the normal distribution)."""
        self.assertAlmostEqual(SURELY, stats.norm.ppf(0.975), places=2)
        plain, other = Habitual(6.0, 0.03), Habitual(7.5, 0.04)
        found = habits_apart("b", Yardstick.TO_PEAK, plain, other, 5)
        spread = math.sqrt(0.03**2 + 0.04**2 + EQUAL_JARS**2)
        self.assertAlmostEqual(found.share, 0.25)
        self.assertAlmostEqual(found.low, 1.25 * math.exp(-SURELY * spread) - 1.0, places=3)
        self.assertAlmostEqual(found.high, 1.25 * math.exp(SURELY * spread) - 1.0, places=3)
        self.assertEqual((found.hours, found.surety, found.more_feeds), (1.5, Surety.SURELY, None))

    def test_open_until_so_many_more_feeds_and_then_it_is_told(self) -> None:
        plain, other = Habitual(6.0, 0.07), Habitual(6.9, 0.07)
        now = habits_apart("b", Yardstick.TO_PEAK, plain, other, 4)
        self.assertEqual(now.surety, Surety.LIKELY)
        more = now.more_feeds
        assert more is not None

        def after(feeds: int) -> Surety:
            unsure = 0.07 * math.sqrt(4 / (4 + feeds))
            told = Habitual(6.0, unsure), Habitual(6.9, unsure)
            return habits_apart("b", Yardstick.TO_PEAK, *told, 4 + feeds).surety

        self.assertEqual((after(more - 1), after(more)), (Surety.LIKELY, Surety.SURELY))

    def test_of_heights_no_hours_are_told_and_a_hair_is_no_matter(self) -> None:
        found = habits_apart("b", Yardstick.HEIGHT, Habitual(2.0, 0.01), Habitual(2.02, 0.01), 9)
        self.assertEqual((found.hours, found.surety), (None, Surety.NO_MATTER))


class Awake(TestCase):
    def test_it_happens_once_so_chance_alone_has_it_wide(self) -> None:
        found = awake_apart("b", Woken(96.0, awake=True), Woken(120.0, awake=True))
        assert found is not None
        self.assertEqual((found.surety, found.more_feeds, found.hours), (Surety.OPEN, None, 24.0))
        # Twice as long is beyond what equal jars do by themselves.
        twice = awake_apart("b", Woken(72.0, awake=True), Woken(144.0, awake=True))
        assert twice is not None
        self.assertEqual(twice.surety, Surety.SURELY)

    def test_nothing_is_said_while_neither_is_awake_or_too_soon(self) -> None:
        asleep = Woken(72.0, awake=False)
        self.assertIsNone(awake_apart("b", asleep, asleep))
        self.assertIsNone(awake_apart("b", Woken(72.0, awake=True), Woken(100.0, awake=False)))
        # One that was awake when it was begun, as a split is, has no such day.
        self.assertIsNone(awake_apart("b", Woken(0.0, awake=True), Woken(100.0, awake=True)))

    def test_the_least_of_one_still_asleep(self) -> None:
        late = 72.0 * math.exp(SURELY * AWAKE_APART) + 1.0
        found = awake_apart("b", Woken(72.0, awake=True), Woken(late, awake=False))
        assert found is not None
        self.assertEqual((found.surety, found.at_least, found.hours), (Surety.SURELY, True, round(late - 72.0, 2)))


class Smells(TestCase):
    def test_what_chance_does_is_no_difference(self) -> None:
        self.assertEqual(smells_apart("b", {Smell.FRUITY: 3}, 6, {Smell.FRUITY: 5}, 6), ())

    def test_one_that_smells_of_it_at_nearly_every_feed_and_one_that_never_does(self) -> None:
        plain, other = {Smell.FRUITY: 8, Smell.YOGHURT: 2}, {Smell.SHARP: 7, Smell.YOGHURT: 3}
        found = smells_apart("b", plain, 9, other, 8)
        self.assertEqual([one.smell for one in found], [Smell.FRUITY, Smell.SHARP])
        self.assertEqual(
            [(one.feeds, one.of, one.plain_feeds, one.plain_of) for one in found], [(0, 8, 8, 9), (7, 8, 0, 9)]
        )

    def test_the_more_smells_are_asked_about_the_more_it_takes(self) -> None:
        only = smells_apart("b", {Smell.FRUITY: 5}, 5, {}, 4)
        self.assertEqual(len(only), 1)
        many: dict[Smell, int] = {smell: 1 for smell in Smell if smell is not Smell.FRUITY}
        self.assertEqual(smells_apart("b", {Smell.FRUITY: 5, **many}, 5, many, 4), ())
