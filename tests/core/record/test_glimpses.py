"""What a camera read: in the ledger as sightings, and no more looks than its hours."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

import numpy as np

from ferment.doors.assessment import assess
from ferment.kitchen.hours import HOUR
from ferment.record.glimpses import TOGETHER_H, Glimpse, as_looks
from ferment.record.ledger import replay
from ferment.tracker.stretch import Curve, track

from ..builders import START, VESSEL, daily, feed, first_mix, hours, look, setup


def glimpse(at_h: float, times: float, error: float = 0.02) -> Glimpse:
    return Glimpse(f"p{at_h}", START + hours(at_h), times, error)


class InTheLedger(TestCase):
    def test_each_falls_to_the_feed_that_it_was_of(self) -> None:
        log = (first_mix(), feed(24))
        seen = (glimpse(23.9, 1.9), glimpse(24.0, 1.8), glimpse(24.5, 1.05))
        first, second = replay(VESSEL, log, None, seen).rounds
        self.assertEqual([one.times for one in first.sightings], [1.9, 1.8])
        self.assertEqual([(one.times, one.error, one.watched) for one in second.sightings], [(1.05, 0.02, True)])
        self.assertAlmostEqual(second.sightings[0].hours, 0.5)

    def test_of_before_the_first_mix_there_is_none(self) -> None:
        self.assertEqual(replay(VESSEL, (first_mix(),), None, (glimpse(-1.0, 1.0),)).sightings, ())

    def test_a_look_is_no_glimpse(self) -> None:
        (seen,) = replay(VESSEL, (first_mix(), look(8, 1.4))).sightings
        self.assertEqual((seen.watched, seen.counts), (False, 1.0))


class AsManyLooksAsHours(TestCase):
    def test_each_counts_by_the_time_since_the_one_before(self) -> None:
        told = as_looks(glimpse(at, 1.0) for at in (0.0, 0.25, 0.5, 3.0))
        self.assertEqual([one.counts for one in told], [1.0, 0.25, 0.25, 1.0])
        every_minute = as_looks(glimpse(minute / 60, 1.0) for minute in range(481))
        self.assertAlmostEqual(sum(one.counts for one in every_minute), 1.0 + 8.0 / TOGETHER_H, places=6)

    def test_a_hundred_pictures_tell_no_more_than_a_few(self) -> None:
        """The same course read every minute and every twenty minutes: the spread of the pace is the same to a tenth."""
        curve = Curve(np.linspace(0.0, 20.0, 81), 1.0 + np.exp(-(((np.linspace(0.0, 20.0, 81) - 8.0) / 3.0) ** 2)))

        def spread(every_h: float) -> float:
            seen = [
                glimpse(float(at), float(np.interp(at, curve.hours, curve.levels)))
                for at in np.arange(0.5, 10.0, every_h)
            ]
            (turn,) = replay(VESSEL, (first_mix(),), None, tuple(seen)).rounds
            return track([curve], [turn.sightings]).pace_spread

        self.assertLess(abs(spread(1 / 60) / spread(1 / 3) - 1.0), 0.1)
        self.assertLess(spread(1 / 3), spread(5.0))


class InTheForecast(TestCase):
    def test_a_watched_feed_narrows_it_and_counts_as_watched(self) -> None:
        log = daily(9)
        now = log[-1].at + timedelta(hours=10)
        fed_h = (log[-1].at - START) / HOUR
        plain = assess(setup(), log, now)
        assert plain.forecast is not None
        fan = [((one.at - START) / HOUR, one.middle) for one in plain.forecast.fan]
        seen = tuple(glimpse(at, level) for at, level in fan if fed_h + 0.4 < at < fed_h + 10.0)
        watched = assess(replace(setup(), glimpses=seen), log, now)
        assert watched.forecast is not None
        self.assertEqual(watched.forecast.basis.watched, plain.forecast.basis.watched + 1)

        def width(of: object) -> float:
            peaks = of.forecast.peaks  # type: ignore[attr-defined]
            return float((peaks.latest - peaks.earliest) / HOUR)

        self.assertLess(width(watched), 0.8 * width(plain))
        # It is not asked whether a camera has misread.
        self.assertEqual(watched.forecast.surprising, plain.forecast.surprising)
