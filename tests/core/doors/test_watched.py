"""What a camera saw of a feed: doubling, peak, fall, rim, and what it may have missed."""

from __future__ import annotations

import math
from datetime import UTC, datetime, timedelta
from unittest import TestCase

from ferment.doors.watched import NOTHING_SEEN, feeds_to_watch, watched_feed
from ferment.kitchen.hours import HOUR
from ferment.record.glimpses import Glimpse

from ..builders import daily, setup

FED = datetime(2026, 3, 2, 21, tzinfo=UTC)


def level_at(hour: float) -> float:
    """Up to 2.2 at eight hours, on a bell five hours wide."""
    return 1.0 + 1.2 * math.exp(-(((hour - 8.0) / 5.0) ** 2))


def seen(*spans: tuple[float, float], every_min: float = 5.0, stray: float | None = None) -> list[Glimpse]:
    told = []
    for start, end in spans:
        for number in range(int((end - start) * 60 / every_min) + 1):
            hour = start + number * every_min / 60
            level = level_at(hour) + (0.6 if stray is not None and abs(hour - stray) < every_min / 120 else 0.0)
            told.append(Glimpse(f"p{hour}", FED + timedelta(hours=hour), level, 0.02))
    return told


def hour_of(at: datetime) -> float:
    return (at - FED) / HOUR


class Moments(TestCase):
    def test_of_a_whole_night(self) -> None:
        told = watched_feed(seen((0.1, 20.0)), 2.0, 3.5)
        assert told.peak
        assert told.doubled
        assert told.back_to_line
        self.assertAlmostEqual(hour_of(told.peak.at), 8.0, delta=0.1)
        self.assertAlmostEqual(told.peak.times, 2.2, places=2)
        # level 2.0 where exp(-((h-8)/5)^2) = 1/1.2: 5.865 h.
        self.assertAlmostEqual(hour_of(told.doubled.at), 8.0 - 5.0 * math.sqrt(math.log(1.2)), delta=0.05)
        # A tenth of the rise is left where exp(-((h-8)/5)^2) = 0.1.
        self.assertAlmostEqual(hour_of(told.back_to_line.at), 8.0 + 5.0 * math.sqrt(math.log(10.0)), delta=0.1)
        self.assertTrue(told.peak.sure and told.doubled.sure and told.back_to_line.sure)
        self.assertIsNone(told.near_rim)
        self.assertEqual(told.unseen, ())

    def test_no_peak_before_it_has_fallen(self) -> None:
        told = watched_feed(seen((0.1, 8.2)), 2.0, 3.5)
        self.assertIsNone(told.peak)
        assert told.highest
        self.assertAlmostEqual(told.highest.times, 2.2, places=2)

    def test_what_may_have_come_while_it_was_blind_is_not_sure(self) -> None:
        told = watched_feed(seen((0.1, 5.0), (9.5, 14.0)), 2.0, 3.5)
        assert told.peak
        assert told.doubled
        self.assertFalse(told.peak.sure)
        self.assertFalse(told.doubled.sure)
        ((since, until),) = told.unseen
        self.assertAlmostEqual(hour_of(since), 5.0, delta=0.1)
        self.assertAlmostEqual(hour_of(until), 9.5, delta=0.1)

    def test_one_misread_picture_makes_no_peak(self) -> None:
        told = watched_feed(seen((0.1, 20.0), stray=3.1), 2.0, 3.5)
        assert told.peak
        assert told.doubled
        self.assertAlmostEqual(hour_of(told.peak.at), 8.0, delta=0.1)
        self.assertGreater(hour_of(told.doubled.at), 5.0)

    def test_near_the_rim_is_told(self) -> None:
        told = watched_feed(seen((0.1, 20.0)), 2.0, 2.25)
        assert told.near_rim
        self.assertLess(hour_of(told.near_rim.at), 8.0)

    def test_a_jar_that_does_not_rise_has_no_peak(self) -> None:
        flat = [Glimpse(f"p{n}", FED + timedelta(minutes=5 * n), 1.0 + 0.02 * (n % 2), 0.02) for n in range(60)]
        told = watched_feed(flat, 2.0, 3.5)
        self.assertEqual((told.peak, told.doubled, told.back_to_line), (None, None, None))
        self.assertEqual(watched_feed([], 2.0, 3.5), NOTHING_SEEN)


class Feeds(TestCase):
    def test_each_with_its_line_and_its_end(self) -> None:
        log = daily(3)
        told = feeds_to_watch(setup(), log)
        self.assertEqual([one.feed_id for one in told], [entry.id for entry in log])
        self.assertEqual([one.until for one in told], [*(entry.at for entry in log[1:]), None])
        self.assertTrue(all(1.5 < one.doubles_at < 2.5 and one.line_mm > 5 and one.room_times > 1.5 for one in told))
        self.assertEqual(feeds_to_watch(setup(), ()), ())
