"""The simulated thermometer: a day's warmth, and posts that wait while nobody answers."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from unittest import TestCase

from standins.thermometer.__main__ import celsius_at, history, post

NOW = datetime(2026, 3, 2, 17, tzinfo=UTC)


class Warmth(TestCase):
    def test_it_is_warmest_in_the_afternoon_and_the_same_when_asked_again(self) -> None:
        day = [celsius_at(NOW + timedelta(hours=hour), 21.0, 2.0) for hour in range(24)]
        self.assertAlmostEqual(max(day), 23.0, delta=0.4)
        self.assertAlmostEqual(min(day), 19.0, delta=0.4)
        self.assertEqual(day.index(max(day)) % 24 < 3 or day.index(max(day)) > 21, True)
        self.assertEqual(celsius_at(NOW, 21.0, 2.0), celsius_at(NOW, 21.0, 2.0))

    def test_history_is_evenly_spaced_up_to_now(self) -> None:
        told = history(NOW, 2.0, timedelta(minutes=30), 21.0, 2.0)
        self.assertEqual([one["at"] for one in told][-1], (NOW - timedelta(minutes=30)).isoformat())
        self.assertEqual(len(told), 4)

    def test_nobody_answering_is_to_be_tried_again(self) -> None:
        self.assertFalse(post("http://127.0.0.1:9/api/degrees", "t", []))
