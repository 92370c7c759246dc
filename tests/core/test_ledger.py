"""The log replayed."""

from __future__ import annotations

import itertools
from unittest import TestCase

from ferment.ledger import replay
from ferment.log import Log
from ferment.vessel import LevelUnit, line_mm

from .builders import VESSEL, daily, feed, first_mix, look


class Replay(TestCase):
    def test_discard_and_contents(self) -> None:
        ledger = replay(VESSEL, daily(2))
        self.assertEqual([turn.discard_g for turn in ledger.rounds], [0.0, 30.0, 60.0])
        self.assertEqual([turn.contents.total_g for turn in ledger.rounds], [60.0, 90.0, 90.0])

    def test_levels_belong_to_the_feed_before_them(self) -> None:
        log = (*daily(1), look(10, 1.2), look(20, 1.4), look(30, 1.8))
        rounds = replay(VESSEL, log).rounds
        self.assertEqual([[seen.times for seen in turn.readings] for turn in rounds], [[1.2, 1.4], [1.8]])

    def test_a_look_and_a_feed_of_one_minute(self) -> None:
        """Level before feeding, as practised: the look belongs to the round that ends."""
        rounds = replay(VESSEL, (first_mix(), feed(24), look(24, 1.5))).rounds
        self.assertEqual([len(turn.readings) for turn in rounds], [1, 0])

    def test_order_of_entry_does_not_matter(self) -> None:
        log: Log = (first_mix(), look(12, 1.3), feed(24), look(30, 1.5))
        ledgers = {replay(VESSEL, tuple(order)) for order in itertools.permutations(log)}
        self.assertEqual(len(ledgers), 1)

    def test_a_measured_line_is_believed(self) -> None:
        measured = feed(24)
        measured = type(measured)(**{**measured.__dict__, "line_mm": 40.0})
        rounds = replay(VESSEL, (first_mix(), measured, look(30, 60, LevelUnit.MM))).rounds
        self.assertEqual(rounds[1].line_mm, 40.0)
        self.assertAlmostEqual(rounds[1].readings[0].times or 0.0, 1.5)
        self.assertAlmostEqual(rounds[0].line_mm, line_mm(VESSEL, 60.0))

    def test_a_level_that_no_longer_fits_counts_for_nothing(self) -> None:
        ledger = replay(VESSEL, (first_mix(), look(10, 900, LevelUnit.MM)))
        self.assertEqual((len(ledger.looks), ledger.rounds[0].readings), (1, ()))

    def test_keeping_more_than_there_was(self) -> None:
        ledger = replay(VESSEL, (first_mix(), feed(24, keep_g=500)))
        self.assertEqual(ledger.contents.total_g, 120.0)
