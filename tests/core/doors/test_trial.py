"""Jars side by side: what differs is named, and nothing is surely different that is not.

How often "surely" is right over many pairs is measured in `bench/trials.md`; here it is held on single pairs.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase

from ferment.doors.surety import Difference, Surety, Yardstick
from ferment.doors.trial import Apart, Trial, TriedJar, trial
from ferment.kitchen.vessel import Vessel
from ferment.protocol.options import Choices
from ferment.record.log import Bin, Deed, DeedKind, Feed, Look
from ferment.refusal import Refusal
from ferment.setups import Setup
from ferment.simulation import Habits, Truth, play

START = datetime.fromisoformat("2026-03-02T08:00:00+00:00")
JAR = Vessel(200.0, 900.0, 150.0)
BAKER = Habits(late_h=0.3, looks=4.0, grams=0.01, reads=0.03)
EQUAL = {"first_blend": {"whole_wheat": 1.0}, "blend": {"whole_wheat": 1.0}}
RYE = {"first_blend": {"rye": 1.0}, "blend": {"rye": 1.0}}


def raised(name: str, seed: int, vigour: float = 1.0, **chosen: object) -> TriedJar:
    setup = replace(Setup("equal_parts", EQUAL, JAR, START, warmth_c=24.0), **chosen)  # type: ignore[arg-type]
    return TriedJar(name, setup, play(setup, 14.0, seed, Truth(vigour=vigour, day_vigour=0.05), BAKER).log)


END = START + timedelta(days=14)
HARDLY_A_PEAK = timedelta(hours=9)


def of(found: Trial, measure: Yardstick) -> Difference:
    return next(one for one in found.differences if one.measure is measure)


class WhatDiffers(TestCase):
    def test_two_alike_differ_in_nothing(self) -> None:
        self.assertEqual(trial([raised("a", 1), raised("b", 2)], END).apart, ())

    def test_each_difference_is_named(self) -> None:
        plain = raised("a", 1)
        other_day = START + timedelta(days=1)
        for chosen, apart in (
            ({"choices": RYE}, (Apart.FLOUR,)),
            ({"choices": {**EQUAL, "every_hours": 12.0}}, (Apart.RHYTHM,)),
            ({"warmth_c": 20.0}, (Apart.PLACE,)),
            ({"starts_at": other_day}, (Apart.START,)),
            ({"choices": RYE, "warmth_c": 20.0}, (Apart.FLOUR, Apart.PLACE)),
            ({"family": "acid_start", "choices": {}}, None),
        ):
            found = trial([plain, raised("b", 2, **chosen)], END).apart
            with self.subTest(apart):
                if apart is None:
                    self.assertLessEqual({Apart.LIQUID, Apart.WAY}, set(found))
                else:
                    self.assertEqual(found, apart)

    def test_before_the_first_mix_by_what_is_planned(self) -> None:
        plain, rye = raised("a", 1), raised("b", 2, choices=RYE)
        unmixed = [replace(one, log=()) for one in (plain, rye)]
        self.assertEqual(trial(unmixed, START).apart, (Apart.FLOUR,))
        self.assertEqual(trial([unmixed[0], replace(unmixed[0], id="b", yeast=True)], START).apart, (Apart.YEAST,))

    def test_a_pinch_of_yeast_is_one_whether_it_is_meant_or_in(self) -> None:
        plain, other = raised("a", 1), raised("b", 2)
        added = Deed("y", other.log[0].at + timedelta(minutes=1), DeedKind.YEAST_ADDED)
        for with_yeast in (replace(other, yeast=True), replace(other, log=(*other.log, added))):
            self.assertEqual(trial([plain, with_yeast], END).apart, (Apart.YEAST,))

    def test_a_split_differs_in_neither_way_nor_age(self) -> None:
        mother = raised("a", 1, choices={"first_blend": {"white": 1.0}, "blend": {"white": 1.0}})
        chosen: Choices = {"way": "counter", "seed_grams": 30.0, "flour_parts": 2.0, "blend": {"white": 1.0}}
        split = Setup("wake_and_keep", chosen, JAR, END - timedelta(days=2), warmth_c=24.0)
        self.assertEqual(trial([mother, TriedJar("b", split, ())], END).apart, (Apart.RATIO,))

    def test_one_late_feed_is_no_other_rhythm(self) -> None:
        plain, other = raised("a", 1), raised("b", 2)
        last = max(index for index, entry in enumerate(other.log) if isinstance(entry, Feed))
        late = tuple(
            replace(entry, at=entry.at + timedelta(hours=11)) if index == last else entry
            for index, entry in enumerate(other.log)
            if index <= last
        )
        self.assertEqual(trial([plain, replace(other, log=late)], END).apart, ())


class WhatItDid(TestCase):
    def test_of_two_alike_nothing_is_sure(self) -> None:
        for seed in (3, 5):
            found = trial([raised("a", seed), raised("b", seed + 1)], END)
            self.assertEqual([one.measure for one in found.differences], list(Yardstick))
            self.assertEqual(found.smells, ())
            for one in found.differences:
                self.assertIn(one.surety, (Surety.OPEN, Surety.LIKELY, Surety.NO_MATTER))
                self.assertLess(one.low, one.share)
                self.assertLess(one.share, one.high)

    def test_a_slow_jar_is_surely_later_and_the_other_way_round(self) -> None:
        slow, usual = raised("a", 3, vigour=0.75), raised("b", 4)
        late, soon = (of(trial(pair, END), Yardstick.TO_PEAK) for pair in ([usual, slow], [slow, usual]))
        self.assertEqual((late.surety, soon.surety), (Surety.SURELY, Surety.SURELY))
        self.assertGreater(late.share, 0.1)
        # What one is later by, the other is sooner by.
        self.assertAlmostEqual((1.0 + late.share) * (1.0 + soon.share), 1.0, places=2)
        self.assertAlmostEqual(late.hours or 0.0, -(soon.hours or 0.0), places=2)

    def test_a_colder_shelf_is_not_taken_for_a_slower_flour(self) -> None:
        """Told at one warmth, where the flour is what is tried: 20 °C alone makes a peak half as late again."""
        warm = raised("a", 3)
        cold = raised("b", 4, choices=RYE, warmth_c=20.0)
        alike = of(trial([warm, cold], END), Yardstick.TO_PEAK).share
        as_it_stands = of(trial([warm, raised("b", 4, warmth_c=20.0)], END), Yardstick.TO_PEAK).share
        self.assertLess(alike, 0.25)
        self.assertGreater(as_it_stands, 0.25)

    def test_from_a_feed_or_two_nothing_is_concluded(self) -> None:
        jars = [raised("a", 3), raised("b", 4)]
        awake = max(one.grown_since for one in trial(jars, END).standings if one.grown_since)
        early = trial(jars, awake + timedelta(hours=30))
        self.assertLess(min(one.watched for one in early.standings), 3)
        self.assertEqual([one.measure for one in early.differences], [Yardstick.AWAKE])

    def test_before_anything_was_mixed_nothing_is_said(self) -> None:
        unmixed = TriedJar("b", raised("b", 4).setup, ())
        found = trial([raised("a", 3), unmixed], END)
        self.assertEqual((found.standings[1].grown_since, found.differences), (None, ()))

    def test_one_fed_late_and_one_binned(self) -> None:
        plain, other = raised("a", 3), raised("b", 4)
        late = tuple(
            replace(entry, at=entry.at + timedelta(hours=2)) if isinstance(entry, Feed) and number == 20 else entry
            for number, entry in enumerate(other.log)
        )
        self.assertNotEqual(of(trial([plain, replace(other, log=late)], END), Yardstick.TO_PEAK).surety, Surety.SURELY)
        binned = replace(other, log=(*other.log, Bin("x", END - timedelta(hours=1))))
        found = trial([plain, binned], END)
        self.assertTrue(found.standings[1].binned)
        self.assertEqual((found.standings[1].woken, found.differences), (None, ()))

    def test_one_that_is_not_awake_yet_is_surely_later_once_chance_does_not_take_so_long(self) -> None:
        plain, weak = raised("a", 3), raised("b", 4, vigour=0.3)
        for pair, more in (([plain, weak], True), ([weak, plain], False)):
            found = of(trial(pair, END), Yardstick.AWAKE)
            self.assertEqual((found.surety, found.at_least, found.share > 0), (Surety.SURELY, True, more))
            self.assertEqual({found.low, found.high}, {found.share})
        soon = trial([plain, weak], START + timedelta(days=6))
        self.assertEqual(soon.differences, ())

    def test_a_fall_that_nobody_saw_says_nothing_of_how_long_it_holds(self) -> None:
        seen = raised("a", 3)
        peaks = {turn: entry.at for turn, entry in enumerate(seen.log) if isinstance(entry, Feed)}
        rising = tuple(
            entry
            for entry in seen.log
            if not isinstance(entry, Look)
            or min((entry.at - fed for fed in peaks.values() if fed <= entry.at), default=timedelta()) < HARDLY_A_PEAK
        )
        found = trial([replace(seen, log=rising), raised("b", 4)], END)
        self.assertIsNotNone(found.standings[0].habit)
        self.assertNotIn(Yardstick.HOLDS, [one.measure for one in found.differences])

    def test_a_setup_that_cannot_be_planned_is_refused(self) -> None:
        jar = raised("a", 3)
        with self.assertRaises(Refusal):
            trial([jar, replace(jar, setup=replace(jar.setup, warmth_c=90.0))], END)
