"""The front door: what it says of a jar, and that danger overrides all."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.doors.assessment import AskedOfLook, Move, assess
from ferment.kitchen.vessel import Level, LevelUnit
from ferment.planner import StepState
from ferment.protocol.method import Normal
from ferment.record.log import READY, Bin, Bubbles, Deed, DeedKind, Thickness, Top, Word

from ..builders import START, daily, feed, first_mix, hours, look, setup


class FrontDoor(TestCase):
    def test_before_the_first_mix(self) -> None:
        found = assess(setup(), (), START)
        self.assertEqual((found.day, found.normal, found.in_jar, found.since_feed), (0, None, None, None))
        self.assertEqual((found.next_move.move, found.next_move.state), (Move.MIX, StepState.DUE))

    def test_the_running_round(self) -> None:
        log = (*daily(2), look(50, 1.3), look(54, 1.9), look(60, 1.6))
        found = assess(setup(), log, START + hours(61))
        since = found.since_feed
        assert since is not None
        assert since.last is not None
        assert since.highest is not None
        self.assertEqual((since.hours, since.last.times, since.highest.times), (13.0, 1.6, 1.9))
        self.assertIsNone(found.rounds[-1].high_mark)
        self.assertEqual([level.times for level in found.rounds[-1].levels], [1.3, 1.9, 1.6])

    def test_a_high_mark_is_a_level_that_was_reached(self) -> None:
        marked = replace(look(60, 1.2), high=Level(2.1, LevelUnit.TIMES))
        found = assess(setup(), (*daily(2), look(54, 1.9), marked), START + hours(61))
        since = found.since_feed
        assert since is not None
        assert since.highest is not None
        self.assertEqual((since.highest.times, since.highest.look_id), (2.1, marked.id))
        self.assertEqual([turn.high_mark for turn in found.rounds], [None, None, 2.1])

    def test_true_hydration(self) -> None:
        """Seed at 100 %, fed 30 flour + 15 water: (30+15) / (15+30), not the 50 % of the fresh part."""
        held = assess(setup(), (first_mix(), feed(24, 30, 30, 15)), START + hours(25)).in_jar
        assert held is not None
        self.assertAlmostEqual(held.hydration_percent or 0, 100 * 30 / 45)

    def test_a_soak_has_no_thickness(self) -> None:
        """Three grams of dried culture in 40 g of water: not "1333 % hydration", but a soak."""
        soaking = replace(feed(0, 6, 0, 40), keep_g=6.0)
        held = assess(replace(setup(), family="dried_soak", choices={}), (soaking,), START + hours(1)).in_jar
        assert held is not None
        self.assertEqual((held.hydration_percent, held.total_g), (None, 46.0))

    def test_totals(self) -> None:
        totals = assess(setup(), daily(3), START + hours(80)).totals
        self.assertEqual((totals.feeds, totals.flour_g, totals.water_g, totals.discard_g), (4, 120.0, 120.0, 150.0))

    def test_days_and_what_is_normal(self) -> None:
        """Nothing, a false rise, a hush, then yeast (common practice)."""
        told = [
            (
                assess(setup(), daily(0), START + hours(after)).day,
                assess(setup(), daily(0), START + hours(after)).normal,
            )
            for after in (3, 30, 80, 150, 300)
        ]
        self.assertEqual(
            told,
            [(1, Normal.WETTING), (2, Normal.EARLY_RISE), (4, Normal.QUIET), (7, Normal.WAKING), (13, Normal.GROWING)],
        )

    def test_mould_overrides_the_feed_that_is_due(self) -> None:
        log = (*daily(3), look(80, 2.4, top=frozenset({Top.COLOURED_STREAKS})))
        found = assess(setup(), log, START + hours(96))
        self.assertEqual((found.next_move.move, found.next_move.plan), (Move.BIN, None))

    def test_danger_silences_the_rest(self) -> None:
        """A jar to be binned is not told what is normal, what stage it is at, nor what is to come of it."""
        well = (*daily(3), look(80, 2.4))
        calm = assess(setup(), well, START + hours(85))
        self.assertTrue(all((calm.normal, calm.stage, calm.readiness, calm.forecast, calm.ready_on)))
        found = assess(setup(), (*well, look(84, 1.4, top=frozenset({Top.FUZZY_SPOTS}))), START + hours(85))
        for told in (found.normal, found.stage, found.readiness, found.forecast, found.outlook):
            self.assertIsNone(told)
        self.assertEqual((found.ready_on, found.ready_ahead, found.hungry_again_at), (None, None, None))
        self.assertFalse(any(step.to_come for step in found.timeline))
        self.assertEqual((found.bakes, found.asks_how_to_keep), ((), False))

    def test_a_binned_jar_asks_for_nothing(self) -> None:
        found = assess(setup(), (*daily(1), Bin("end", START + hours(30))), START + hours(50))
        self.assertEqual(found.next_move.move, Move.BINNED)
        self.assertEqual({step.state for step in found.timeline}, {StepState.DONE})
        self.assertIsNone(found.normal)

    def test_the_walk_of_the_next_move_starts_from_what_is_there(self) -> None:
        walk = assess(setup(), daily(2), START + hours(72)).next_move.scale_walk
        self.assertEqual((walk[0].add_g, walk[0].scale_shows_g, walk[-1].scale_shows_g), (-60.0, 442.0, 502.0))

    def test_room(self) -> None:
        self.assertFalse(assess(setup(seed_g=30), (), START).room_is_tight)
        self.assertTrue(assess(setup(seed_g=100), (), START).room_is_tight)


class WhatIsTold(TestCase):
    """Which of what is known is worth telling, and what a look will likely show: decided here, never on a screen."""

    def test_a_first_mix_in_a_quarter_of_an_hour_may_be_done_now(self) -> None:
        told = [assess(setup(), (), START - hours(before)).next_move.is_now for before in (0.25, 0.5)]
        self.assertEqual(told, [True, False])

    def test_a_level_has_sunk_when_the_glass_shows_it(self) -> None:
        for last, sunk in ((1.87, False), (1.8, True)):
            found = assess(setup(), (*daily(2), look(54, 1.9), look(58, last)), START + hours(59)).since_feed
            assert found is not None
            self.assertEqual(found.has_sunk, sunk)

    def test_stays_in_the_fridge(self) -> None:
        moves = (
            Deed("in", START + hours(30), DeedKind.TO_FRIDGE),
            Deed("again", START + hours(31), DeedKind.TO_FRIDGE),
            Deed("out", START + hours(40), DeedKind.TO_COUNTER),
            Deed("back", START + hours(50), DeedKind.TO_FRIDGE),
        )
        found = assess(setup(), (*daily(1), *moves), START + hours(52))
        told = [(span.since, span.until) for span in found.chilled]
        self.assertEqual(told, [(START + hours(30), START + hours(40)), (START + hours(50), None)])

    def test_a_look_asks_for_what_was_noted_before(self) -> None:
        nothing = AskedOfLook(thickness=False, ph=False, celsius=False, floats=False)
        self.assertEqual(assess(setup(), daily(1), START + hours(30)).asked, nothing)
        noted = replace(look(26, 1.1), ph=4.2, thickness=Thickness.RUNNY)
        found = assess(setup(), (*daily(1), noted), START + hours(30)).asked
        self.assertEqual(found, AskedOfLook(thickness=True, ph=True, celsius=False, floats=False))

    def test_the_same_nothing_is_expected_before_the_mix_and_in_the_hush(self) -> None:
        for log, at in (((), 0.0), (daily(4), 100.0)):
            with self.subTest(at):
                self.assertIs(assess(setup(), log, START + hours(at)).expected_look.bubbles[0], Bubbles.NONE)

    def test_a_ready_jar_asks_how_it_is_kept_and_feeds_no_further_unasked(self) -> None:
        log = (*daily(12), Word("said", START + hours(290), READY, yes=True))
        found = assess(setup(), log, START + hours(291))
        ahead = [step for step in found.timeline if step.to_come]
        self.assertEqual((found.asks_how_to_keep, len(ahead)), (True, 1))
        self.assertFalse(assess(setup(), daily(3), START + hours(80)).asks_how_to_keep)

    def test_the_marks_of_the_glass_come_with_the_jar(self) -> None:
        held = assess(setup(), daily(1), START + hours(30)).in_jar
        assert held is not None
        self.assertAlmostEqual(held.marks[-1].times, held.room_times, places=5)
