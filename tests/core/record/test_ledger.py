"""The log replayed."""

from __future__ import annotations

import itertools
from dataclasses import replace
from unittest import TestCase

from ferment.kitchen.vessel import Level, LevelUnit, line_mm
from ferment.record.ledger import highest, replay
from ferment.record.log import Bubbles, Log, Smell, Thickness, Top

from ..builders import VESSEL, daily, feed, first_mix, look


class Replay(TestCase):
    def test_discard_and_contents(self) -> None:
        ledger = replay(VESSEL, daily(2))
        self.assertEqual([turn.discard_g for turn in ledger.rounds], [0.0, 30.0, 60.0])
        self.assertEqual([turn.contents.total_g for turn in ledger.rounds], [60.0, 90.0, 90.0])

    def test_levels_belong_to_the_feed_before_them(self) -> None:
        log = (*daily(1), look(10, 1.2), look(20, 1.4), look(30, 1.8))
        rounds = replay(VESSEL, log).rounds
        self.assertEqual([[seen.times for seen in turn.sightings] for turn in rounds], [[1.2, 1.4], [1.8]])

    def test_a_look_and_a_feed_of_one_minute(self) -> None:
        """Level before feeding, as practised: the look belongs to the round that ends."""
        rounds = replay(VESSEL, (first_mix(), feed(24), look(24, 1.5))).rounds
        self.assertEqual([len(turn.sightings) for turn in rounds], [1, 0])

    def test_order_of_entry_does_not_matter(self) -> None:
        log: Log = (first_mix(), look(12, 1.3), feed(24), look(30, 1.5))
        ledgers = {replay(VESSEL, tuple(order)) for order in itertools.permutations(log)}
        self.assertEqual(len(ledgers), 1)

    def test_a_measured_line_is_believed(self) -> None:
        measured = feed(24)
        measured = type(measured)(**{**measured.__dict__, "line_mm": 40.0})
        rounds = replay(VESSEL, (first_mix(), measured, look(30, 60, LevelUnit.MM))).rounds
        self.assertEqual(rounds[1].line_mm, 40.0)
        self.assertAlmostEqual(rounds[1].sightings[0].times or 0.0, 1.5)
        self.assertAlmostEqual(rounds[0].line_mm, line_mm(VESSEL, 60.0))

    def test_a_level_that_no_longer_fits_counts_for_nothing(self) -> None:
        ledger = replay(VESSEL, (first_mix(), look(10, 900, LevelUnit.MM)))
        self.assertEqual([(seen.times, seen.level_read) for seen in ledger.sightings], [(None, False)])

    def test_one_sighting_holds_all_that_a_look_showed(self) -> None:
        told = replace(
            look(10, 1.4, top=frozenset({Top.DOMED})),
            high=Level(150.0, LevelUnit.PERCENT),
            bubbles=Bubbles.FROTH,
            smell=frozenset({Smell.BEERY}),
            thickness=Thickness.RUNNY,
            ph=4.1,
            celsius=23.5,
            floats=True,
        )
        (seen,) = replay(VESSEL, (first_mix(), told)).sightings
        self.assertEqual((seen.look_id, seen.at, seen.hours), (told.id, told.at, 10.0))
        self.assertEqual((seen.times, seen.high, highest([seen])), (1.4, 2.5, 2.5))
        same = ("bubbles", "top", "smell", "thickness", "ph", "celsius", "floats")
        self.assertEqual([getattr(seen, name) for name in same], [getattr(told, name) for name in same])

    def test_a_look_before_there_was_a_jar_tells_nothing(self) -> None:
        self.assertEqual(replay(VESSEL, (look(-1, 1.4), first_mix())).sightings, ())

    def test_keeping_more_than_there_was(self) -> None:
        ledger = replay(VESSEL, (first_mix(), feed(24, keep_g=500)))
        self.assertEqual(ledger.contents.total_g, 120.0)
