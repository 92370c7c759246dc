"""What would have happened if: one decision changed, all else the same; on a simulated baker's own log."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import ClassVar
from unittest import TestCase

import numpy as np

from ferment.practice.living import practice_setup
from ferment.practice.otherwise import Supposed, beside
from ferment.practice.situations import SITUATIONS
from ferment.practice.terms import SituationCode
from ferment.record.log import Feed, Log, in_order
from ferment.refusal import Refusal
from ferment.setups import Setup
from ferment.simulation import HourOfTruth, play


class OneDecision(TestCase):
    setup: ClassVar[Setup]
    log: ClassVar[Log]
    truth: ClassVar[tuple[HourOfTruth, ...]]
    feeds: ClassVar[list[Feed]]
    now: ClassVar[datetime]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.setup = practice_setup(SITUATIONS[SituationCode.HUSH])
        played = play(cls.setup, 7.0, seed=4)
        cls.log, cls.truth = played.log, played.truth
        cls.feeds = [one for one in in_order(cls.log) if isinstance(one, Feed)]
        cls.now = cls.log[-1].at

    def test_before_it_both_lines_are_one_and_after_it_they_are_two(self) -> None:
        feed = self.feeds[-2]
        found = beside(self.setup, self.log, feed.id, Supposed.LEFT_OUT, self.now)
        before = [(one.at, one.level) for one in found.was if one.at < feed.at]
        self.assertEqual(before, [(one.at, one.level) for one in found.might if one.at < feed.at])
        self.assertGreater(len(before), 10)
        self.assertIn(feed.at, found.fed_was)
        self.assertNotIn(feed.at, found.fed_might)
        self.assertNotEqual(found.was[-1].level, found.might[-1].level)

    def test_what_was_is_told_as_its_looks_have_it(self) -> None:
        found = beside(self.setup, self.log, self.feeds[-1].id, Supposed.LATER, self.now)
        hours = [one.at.timestamp() for one in self.truth]
        true = np.interp([one.at.timestamp() for one in found.was], hours, [one.level for one in self.truth])
        off = np.abs(true - [one.level for one in found.was])
        self.assertLess(float(np.median(off)), 0.15)

    def test_warmer_is_sooner_and_cooler_is_later(self) -> None:
        last = self.feeds[-2]
        peaks = {}
        for supposed in (Supposed.WARMER, Supposed.COOLER):
            found = beside(self.setup, self.log, last.id, supposed, self.now)
            until = self.feeds[-1].at
            after = [one for one in found.might if last.at < one.at < until]
            peaks[supposed] = max(after, key=lambda one: one.level).at
        self.assertLess(peaks[Supposed.WARMER], peaks[Supposed.COOLER])

    def test_a_feed_of_another_size_weighs_the_same(self) -> None:
        feed = self.feeds[-2]
        for supposed in (Supposed.LARGER_FEED, Supposed.SMALLER_FEED):
            found = beside(self.setup, self.log, feed.id, supposed, self.now)
            self.assertIn(feed.at, found.fed_might)
            self.assertNotEqual(found.was, found.might)

    def test_later_comes_before_the_next_feed_all_the_same(self) -> None:
        feed = self.feeds[-3]
        found = beside(self.setup, self.log, feed.id, Supposed.LATER, self.now)
        moved = next(at for at in found.fed_might if at > feed.at)
        self.assertLess(moved, self.feeds[-2].at)
        self.assertLessEqual(moved - feed.at, timedelta(hours=8))

    def test_what_cannot_be_supposed_is_refused(self) -> None:
        for entry, supposed in ((self.feeds[0].id, Supposed.LEFT_OUT), ("nothing", Supposed.WARMER)):
            self.assertRaises(Refusal, beside, self.setup, self.log, entry, supposed, self.now)
        self.assertRaises(Refusal, beside, self.setup, (), "x", Supposed.WARMER, self.now)
