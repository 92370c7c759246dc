"""The log replayed."""

from __future__ import annotations

import itertools
from dataclasses import replace
from datetime import UTC, timedelta, timezone
from unittest import TestCase

from ferment.kitchen.flours import blend_of
from ferment.kitchen.vessel import Level, LevelUnit, line_mm
from ferment.mixing.contents import Contents, Culture
from ferment.record.ledger import highest, replay
from ferment.record.log import (
    READY,
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    Leave,
    Log,
    Smell,
    Thickness,
    Top,
    Word,
    in_order,
)

from ..builders import START, VESSEL, daily, feed, first_mix, hours, look, lot


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


class Begun(TestCase):
    """What a first mix with a seed of its own brings."""

    def first(self, keep_g: float, culture: Culture | None) -> Contents:
        return replay(VESSEL, (feed(0.0, keep_g, 20.0, 20.0),), culture).rounds[0].contents

    def test_flakes_bring_flour_and_no_water(self) -> None:
        found = self.first(5.0, Culture(blend_of({"rye": 1.0}), 0.0))
        self.assertEqual((set(found.flours), found.water_g), (set(lot(white=20.0, rye=5.0)), 20.0))

    def test_a_sleeping_starter_brings_both_of_its_own_blend(self) -> None:
        found = self.first(30.0, Culture(blend_of({"rye": 1.0, "white": 3.0}), 100.0))
        self.assertEqual({part.flour.value: part.g for part in found.flours}, {"white": 31.25, "rye": 3.75})
        self.assertEqual((found.water_g, found.salt_g, found.total_g), (35.0, 0.0, 70.0))
        self.assertEqual(self.first(1.0, Culture(blend_of({"rye": 1.0}), 100.0)).total_g, 41.0)

    def test_without_a_culture_there_is_nothing_to_keep(self) -> None:
        self.assertEqual(self.first(30.0, None).total_g, 40.0)
        self.assertEqual(self.first(0.0, Culture(blend_of({"rye": 1.0}), 100.0)).flours, lot(white=20.0))

    def test_a_culture_is_put_in_once(self) -> None:
        culture = Culture(blend_of({"rye": 1.0}), 0.0)
        rounds = replay(VESSEL, (feed(0.0, 5.0, 20.0, 20.0), feed(24.0, 9.0, 20.0, 20.0)), culture).rounds
        self.assertAlmostEqual(rounds[1].contents.water_g, 9.0 * 20.0 / 45.0 + 20.0)

    def test_salt_stays_in(self) -> None:
        salted = replace(feed(0.0, 0.0, 20.0, 20.0), salt_g=1.0)
        self.assertEqual(replay(VESSEL, (salted,)).contents.salt_g, 1.0)

    def test_nothing_read_is_the_line(self) -> None:
        self.assertEqual(highest(()), 1.0)


class InOrder(TestCase):
    def test_what_happens_in_one_minute_stands_as_practised(self) -> None:
        at = START + hours(24)
        practised: Log = (
            look(24),
            Deed("z", at, DeedKind.STIRRED),
            Word("y", at, READY, yes=True),
            feed(24),
            Leave("b", at, at + hours(9)),
            Bin("a", at),
        )
        for order in itertools.permutations(practised):
            self.assertEqual(in_order(tuple(order)), practised)

    def test_in_utc_whatever_zone_an_entry_was_made_in(self) -> None:
        far = timezone(timedelta(hours=9))
        moved = replace(feed(24), at=feed(24).at.astimezone(far))
        (found,) = in_order((moved,))
        self.assertIs(found.at.tzinfo, UTC)
        self.assertEqual(found, feed(24))
        kept = feed(24)
        self.assertIs(in_order((kept,))[0], kept)
