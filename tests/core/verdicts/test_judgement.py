"""The verdicts on simulated courses, held against the truth behind their logs."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from itertools import pairwise
from unittest import TestCase

from ferment.doors.assessment import Assessment, Move, assess
from ferment.kitchen.vessel import Vessel
from ferment.record.log import Bin, Bubbles, Deed, DeedKind, Log, Look, Smell, Top
from ferment.setups import Setup
from ferment.signs.contract import SignCode
from ferment.simulation import Habits, Played, Truth, play
from ferment.verdicts.readiness import StepCode
from ferment.verdicts.stage import Stage

from ..builders import START, feed, first_mix, hours, look, setup

JAR = Vessel(200.0, 900.0, 150.0)
SETUP = Setup(
    "equal_parts",
    {"first_blend": {"whole_wheat": 1.0}, "blend": {"whole_wheat": 1.0, "white": 1.0}},
    JAR,
    START,
    warmth_c=25.0,
)
KEEN = Habits(late_h=0.3, looks=4.0, reads=0.04)


def at(played: Played, now: datetime) -> Assessment:
    return assess(SETUP, tuple(entry for entry in played.log if entry.at <= now), now)


class ACourse(TestCase):
    played: Played
    daily: list[Assessment]

    @classmethod
    def setUpClass(cls) -> None:
        cls.played = play(SETUP, 14, 41, Truth(native=1.2), KEEN)
        cls.daily = [at(cls.played, START + hours(6 + 12 * half)) for half in range(28)]

    def test_the_stages_come_in_their_order(self) -> None:
        order = [Stage.SOWN, Stage.FALSE_DAWN, Stage.HUSH, Stage.STIRRING, Stage.AWAKE, Stage.STEADY]
        ranks = [order.index(one.stage.stage) for one in self.daily if one.stage]
        self.assertEqual(len(ranks), len(self.daily))
        self.assertEqual(ranks[-1], order.index(Stage.STEADY))
        self.assertTrue(all(later >= earlier - 1 for earlier, later in pairwise(ranks)), ranks)

    def test_ready_is_said_after_the_truth_and_no_more_than_two_feeds_after(self) -> None:
        said = next(index for index, one in enumerate(self.daily) if one.readiness and one.readiness.ready)
        now = START + hours(6 + 12 * said)
        doubled = self._doubled()
        self.assertTrue(doubled[2] <= now <= doubled[2] + timedelta(days=2), (now, doubled[:4]))

    def _doubled(self) -> list[datetime]:
        """When, after the early days, each feed really reached twice its line, of those that a look saw so in time.

        8 h at 24 °C are some 7.3 h at 25 °C.
        """
        fed = [entry.at for entry in self.played.log if type(entry).__name__ == "Feed"]
        reached = []
        for one, until in pairwise(fed):
            stood = [hour.at for hour in self.played.truth if one < hour.at < until and hour.level >= 2.0]
            seen = any(stood[0] <= entry.at <= stood[-1] for entry in self.played.log if stood)
            if one > START + hours(72) and seen and stood[0] <= one + hours(7.5):
                reached.append(stood[0])
        return reached

    def test_evidence_names_feeds_of_the_log(self) -> None:
        told = self.daily[-1].readiness
        assert told
        ids = {entry.id for entry in self.played.log}
        self.assertGreaterEqual(len(told.feeds), 3)
        for one in told.feeds:
            self.assertIn(one.feed_id, ids)
            self.assertLess(one.doubled_h or 99.0, one.limit_h)

    def test_streaks_turn_the_whole_jar_to_one_act(self) -> None:
        now = START + hours(200)
        log = tuple(entry for entry in self.played.log if entry.at <= now)
        streak = Look("pink", now, None, None, frozenset({Top.COLOURED_STREAKS}), frozenset(), None, has_note=False)
        found = assess(SETUP, (*log, streak), now)
        self.assertEqual((found.next_move.move, found.findings[0].sign), (Move.BIN, SignCode.MOULD))
        self.assertFalse(found.readiness and found.readiness.ready)
        after = assess(SETUP, (streak, *reversed(log)), now)
        self.assertEqual(after.findings, found.findings)

    def test_binned_it_is_given_no_advice(self) -> None:
        now = START + hours(200)
        end = Bin("end", now - hours(80))
        found = assess(SETUP, (*(one for one in self.played.log if one.at < end.at), end), now)
        assert found.stage
        self.assertEqual((found.stage.stage, found.findings), (Stage.BINNED, ()))

    def test_in_the_fridge_it_rests(self) -> None:
        now = START + hours(320)
        cold = Deed("cold", now - hours(5), DeedKind.TO_FRIDGE)
        found = assess(SETUP, (*(one for one in self.played.log if one.at < cold.at), cold), now)
        assert found.stage
        self.assertIs(found.stage.stage, Stage.RESTING)


class BeforeTheFirstMix(TestCase):
    def test_there_is_nothing_to_judge(self) -> None:
        found = assess(SETUP, (), START - hours(5))
        self.assertEqual((found.findings, found.readiness, found.stage), ((), None, None))


class AFalseDawn(TestCase):
    def test_is_never_called_awake_and_the_smell_calms(self) -> None:
        played = play(SETUP, 2.0, 41, Truth(native=1.2), KEEN)
        now = START + hours(40)
        smell = Look("s", now, None, None, frozenset(), frozenset({Smell.CHEESY}), None, has_note=False)
        found = assess(SETUP, (*(one for one in played.log if one.at <= now), smell), now)
        assert found.stage
        self.assertIn(found.stage.stage, (Stage.FALSE_DAWN, Stage.HUSH))
        self.assertIn(SignCode.EARLY_SMELL, [one.sign for one in found.findings])

    def test_the_first_rise_that_anybody_saw_is_not_the_yeasts(self) -> None:
        """Flour that lies dead for two days and then froths: the model expects yeast by then, but no bacteria were seen
        to rise before it, so this is them."""
        quiet = (look(6.0, 1.0), look(21.0, 1.0), look(33.0, 1.0))
        log: Log = (first_mix(), feed(24.0), feed(48.0), *quiet, look(57.0, 1.3))
        warm = replace(setup(), warmth_c=28.0)
        found = assess(warm, log, START + hours(57.1))
        assert found.stage
        assert found.forecast
        self.assertGreater(found.forecast.rounds[-1].yeast_share, 0.9)
        self.assertIs(found.stage.stage, Stage.FALSE_DAWN)

    def test_a_second_rise_so_early_is_the_yeasts_where_it_doubled_and_had_turned_sour(self) -> None:
        warm = replace(setup(), warmth_c=28.0)
        log: Log = (first_mix(), look(20.0, 1.5), feed(24.0), look(33.0, 1.0), feed(48.0))
        sour = frozenset({Smell.YOGHURT})
        for level, smell, stage in (
            (1.5, sour, Stage.FALSE_DAWN),
            (2.1, frozenset({Smell.CHEESY}), Stage.FALSE_DAWN),
            (2.1, sour, Stage.AWAKE),
        ):
            dome = frozenset({Top.DOMED})
            seen = replace(look(57.0, level), bubbles=Bubbles.THROUGHOUT, top=dome, smell=smell)
            found = assess(warm, (*log, seen), START + hours(57.1))
            assert found.stage
            self.assertIs(found.stage.stage, stage, (level, smell))
            self.assertFalse(found.discard_is_food)


class WhatWasSeen(TestCase):
    """What was seen goes before what the model makes of it."""

    def judged(self, *looks: Look) -> Assessment:
        log: Log = (first_mix(), *(feed(24.0 * day) for day in range(1, 8)), *looks)
        return assess(setup(), log, START + hours(24 * 7 + 20))

    def doubled(self, at_h: float, times: float = 2.2) -> Look:
        return look(at_h, times)

    def test_doubled_before_its_hour_counts_whatever_the_model_thinks(self) -> None:
        found = self.judged(*(self.doubled(24.0 * day + 5) for day in (5, 6, 7)))
        assert found.readiness
        self.assertEqual(next(step.have for step in found.readiness.steps if step.step is StepCode.IN_A_ROW), 3)
        self.assertTrue(all(one.doubled_h and one.doubled_h <= 5.01 for one in found.readiness.feeds))

    def test_what_nobody_saw_doubled_does_not_count(self) -> None:
        found = self.judged(*(self.doubled(24.0 * day + 18, 1.4) for day in (5, 6, 7)))
        assert found.readiness
        self.assertEqual(next(step.have for step in found.readiness.steps if step.step is StepCode.IN_A_ROW), 0)
