"""What a judgement says beside yes and no: the earliest day, the baker's word, the float test, what would settle it."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from ferment.doors.assessment import Assessment, assess
from ferment.ready_rule import WITHIN_H
from ferment.record.log import READY, Bin, Bubbles, Deed, DeedKind, Log, Look, Smell, Top, Word
from ferment.setups import Setup
from ferment.signs.contract import SignCode
from ferment.verdicts.cautions import Notice
from ferment.verdicts.expected import BY_STAGE, FALLEN, RISING, expected_look
from ferment.verdicts.readiness import Readiness, StepCode
from ferment.verdicts.stage import Settles, Stage, StageFound

from ..builders import START, VESSEL, daily, feed, first_mix, hours, look, setup

WEEK = daily(7)
SUNDAY = 24.0 * 7


def at(now_h: float, *more: Look | Word | Deed | Bin, log: Log = WEEK) -> Assessment:
    return assess(setup(), (*log, *more), START + hours(now_h))


def ready(found: Assessment) -> Readiness:
    assert found.readiness
    return found.readiness


def stage(found: Assessment) -> StageFound:
    assert found.stage
    return found.stage


def doubled(*days: int) -> tuple[Look, ...]:
    return tuple(look(24.0 * day + 5.0, 2.2) for day in days)


def limit(found: Assessment) -> float:
    assert found.forecast
    return found.forecast.rounds[-1].limit_h


class Earliest(TestCase):
    """Feeds at the same hour each day, at 24 °C: the limit is the rule's own 8 hours."""

    def held(self, found: Assessment, day: float) -> None:
        expected: datetime = START + hours(24.0 * day + limit(found))
        self.assertEqual(ready(found).earliest, expected)
        self.assertAlmostEqual(limit(found), WITHIN_H, delta=0.05)

    def test_the_running_feed_may_be_the_one_that_is_missing(self) -> None:
        self.held(at(SUNDAY + 4, *doubled(5, 6)), 7)

    def test_past_its_hour_it_is_the_next(self) -> None:
        self.held(at(SUNDAY + 20, *doubled(5, 6)), 8)

    def test_counted_already_two_more_are_missing(self) -> None:
        self.held(at(SUNDAY + 6, *doubled(7)), 9)

    def test_none_yet_the_running_one_and_two_more(self) -> None:
        self.held(at(SUNDAY + 4), 9)

    def test_an_overdue_feed_is_given_now_at_the_earliest(self) -> None:
        found = at(SUNDAY + 30, *doubled(5, 6))
        self.assertEqual(ready(found).earliest, START + hours(SUNDAY + 30 + limit(found)))

    def test_ready_by_the_rule_there_is_nothing_to_wait_for(self) -> None:
        fruity = replace(look(SUNDAY + 6, 2.3), smell=frozenset({Smell.FRUITY}))
        found = ready(at(SUNDAY + 7, *doubled(5, 6, 7), fruity))
        self.assertEqual((found.by_rule, found.ready, found.earliest, found.word), (True, True, None, None))


class BakersYeast(TestCase):
    def test_what_it_lifts_is_not_the_jars_own(self) -> None:
        """Three doublings in a row: ready; the same with baker's yeast in it: not, and it is said why."""
        fruity = replace(look(SUNDAY + 6, 2.3), smell=frozenset({Smell.FRUITY}))
        shown = (*doubled(5, 6, 7), fruity)
        pinch = Deed("pinch", START + hours(24.0 * 4 + 1), DeedKind.YEAST_ADDED)
        self.assertTrue(ready(at(SUNDAY + 7, *shown)).ready)
        found = at(SUNDAY + 7, *shown, pinch)
        self.assertFalse(ready(found).ready)
        self.assertIn(SignCode.BAKERS_YEAST, {one.sign for one in found.findings})

    def test_sugar_changes_nothing(self) -> None:
        sugar = Deed("sugar", START + hours(SUNDAY + 1), DeedKind.SWEETENED)
        found = at(SUNDAY + 7, *doubled(5, 6, 7), sugar)
        self.assertEqual(ready(found).feeds_to_go, 0)
        self.assertIn(SignCode.SWEETENED, {one.sign for one in found.findings})


class Heat(TestCase):
    def test_it_may_be_dead_is_said_once_it_is_cool_again(self) -> None:
        hot = replace(look(SUNDAY - 20, 1.0), celsius=44.0)
        found = {one.sign for one in at(SUNDAY + 4, hot, look(SUNDAY + 3, 1.0)).findings}
        self.assertIn(SignCode.STOOD_TOO_HOT, found)


class WordAndFloat(TestCase):
    def test_the_bakers_word(self) -> None:
        for yes in (True, False):
            found = ready(at(SUNDAY + 4, Word("w", START + hours(SUNDAY + 1), READY, yes=yes)))
            self.assertEqual((found.ready, found.by_rule, found.word), (yes, False, yes))
        self.assertIsNone(ready(at(SUNDAY + 4)).word)

    def test_the_last_float_test(self) -> None:
        sank = replace(look(SUNDAY + 1), floats=False)
        swam = replace(look(SUNDAY + 2), floats=True)
        self.assertIsNone(ready(at(SUNDAY + 4, look(SUNDAY + 3, 1.2))).floats)
        self.assertEqual(ready(at(SUNDAY + 4, sank, swam, look(SUNDAY + 3, 1.2))).floats, swam.floats)
        self.assertEqual(ready(at(SUNDAY + 4, sank, look(SUNDAY + 3, 1.2))).floats, sank.floats)

    def test_a_warning_holds_it_back(self) -> None:
        filmed = look(SUNDAY + 3, 1.2, top=frozenset({Top.WHITE_FILM}))
        for looks, met in (((look(SUNDAY + 3, 1.2),), True), ((filmed,), False)):
            steps = {step.step: step for step in ready(at(SUNDAY + 4, *looks)).steps}
            self.assertIs(steps[StepCode.NO_WARNING].met, met)


class Settled(TestCase):
    def test_at_the_hour_by_which_it_is_to_have_doubled(self) -> None:
        found = at(SUNDAY + 4, look(SUNDAY + 3, 1.0))
        self.assertEqual(stage(found).settles, Settles.LOOK_AT_ITS_PEAK)
        self.assertEqual(stage(found).settles_at, START + hours(SUNDAY + limit(found)))

    def test_past_that_hour_none_is_named(self) -> None:
        self.assertIsNone(stage(at(SUNDAY + 10, look(SUNDAY + 9, 1.0))).settles_at)

    def test_what_is_settled_names_no_hour(self) -> None:
        cold = Deed("d", START + hours(SUNDAY + 1), DeedKind.TO_FRIDGE)
        self.assertEqual(stage(at(SUNDAY + 4, cold)), StageFound(Stage.RESTING, 1.0, None, None))

    def test_where_no_level_was_read_of_late_one_is_asked_for(self) -> None:
        bubbly = replace(look(SUNDAY + 3), bubbles=Bubbles.FEW)
        self.assertEqual(stage(at(SUNDAY + 4, bubbly)).settles, Settles.READ_A_LEVEL)
        self.assertNotEqual(stage(at(SUNDAY + 4, bubbly, look(SUNDAY - 20, 1.1))).settles, Settles.READ_A_LEVEL)

    def test_looks_of_the_last_day_count(self) -> None:
        self.assertEqual(stage(at(SUNDAY + 20)).sure, 0.5)
        self.assertEqual(stage(at(SUNDAY + 20, look(SUNDAY - 3.9, 1.0))).sure, 0.75)
        self.assertEqual(stage(at(SUNDAY + 20, look(SUNDAY - 4.1, 1.0))).sure, 0.5)

    def test_a_rise_of_the_last_day_only(self) -> None:
        quiet = daily(1)
        for ago_h, found in ((23.0, Stage.FALSE_DAWN), (25.0, Stage.HUSH)):
            seen = look(47.0 - ago_h, 1.6)
            self.assertIs(stage(at(47.0, seen, look(46.0, 1.0), log=quiet)).stage, found, ago_h)

    def test_a_woken_jar_has_neither_dawn_nor_hush(self) -> None:
        dried = Setup("dried_spoons", {}, VESSEL, START)
        log = (feed(0.0, 5.0, 15.0, 15.0, id="mix"),)
        found = assess(dried, (*log, look(44, 1.0)), START + hours(45))
        self.assertIs(stage(found).stage, Stage.SOWN)
        self.assertIs(stage(assess(setup(), (first_mix(), look(44, 1.0)), START + hours(45))).stage, Stage.HUSH)


class BegunSour(TestCase):
    def test_any_juice_in_the_first_mix_leaves_no_false_dawn(self) -> None:
        """A first rise after much of it is believed to be the yeast's; after a drop it is left open."""
        for juice_g, told in ((0.0, Stage.FALSE_DAWN), (0.5, Stage.SOWN), (30.0, Stage.STIRRING)):
            mix = replace(first_mix(), water_g=30.0 - juice_g, juice_g=juice_g)
            risen = replace(look(20.0, 1.55), bubbles=Bubbles.THROUGHOUT)
            found = stage(at(21.0, risen, log=(mix,)))
            self.assertIs(found.stage, told, juice_g)

    def test_a_culture_from_outside_neither(self) -> None:
        dried = Setup("dried_spoons", {}, VESSEL, START)
        log = (feed(0.0, 5.0, 15.0, 15.0, id="mix"), look(20.0, 1.6))
        self.assertIsNot(stage(assess(dried, log, START + hours(21))).stage, Stage.FALSE_DAWN)


class Findings(TestCase):
    def test_a_sign_said_to_be_so_stands_and_one_said_not_to_be_is_gone(self) -> None:
        filmed = look(SUNDAY + 3, 1.2, top=frozenset({Top.WHITE_FILM}))
        for yes, there in ((True, True), (False, False)):
            word = Word("w", START + hours(SUNDAY + 3.5), SignCode.FILM, yes=yes)
            signs = [one.sign for one in at(SUNDAY + 4, filmed, word).findings]
            self.assertEqual(SignCode.FILM in signs, there)

    def test_a_danger_seen_before_the_last_feed_stands(self) -> None:
        mould = frozenset({Top.FUZZY_SPOTS})
        for day in (7, 6, 3):
            found = at(SUNDAY + 4, look(24.0 * day - 3.0, 1.2, top=mould))
            self.assertEqual([one.sign for one in found.findings][:1], [SignCode.MOULD], day)

    def test_cautions_give_way_to_a_danger_and_to_the_end_of_a_jar(self) -> None:
        self.assertIn(Notice.NEVER_SEAL, at(SUNDAY + 4).notices)
        mould = look(SUNDAY + 3, 1.2, top=frozenset({Top.FUZZY_SPOTS}))
        self.assertEqual(at(SUNDAY + 4, mould).notices, ())
        self.assertEqual(at(SUNDAY + 4, Bin("end", START + hours(SUNDAY + 3))).notices, ())
        filmed = look(SUNDAY + 3, 1.2, top=frozenset({Top.WHITE_FILM}))
        self.assertIn(Notice.NEVER_SEAL, at(SUNDAY + 4, filmed).notices)


class Expected(TestCase):
    def test_by_stage_and_past_its_peak_only_what_falls(self) -> None:
        self.assertEqual(expected_look(None, past_peak=True), BY_STAGE[Stage.SOWN])
        for one in (Stage.AWAKE, Stage.STEADY):
            self.assertEqual(expected_look(one, past_peak=True), FALLEN)
            self.assertEqual(expected_look(one, past_peak=False), RISING)
        for one in (Stage.HUSH, Stage.FALSE_DAWN, Stage.STIRRING, Stage.RESTING):
            self.assertEqual(expected_look(one, past_peak=True), BY_STAGE[one])
        self.assertEqual(expected_look(Stage.HUSH, past_peak=False).bubbles[0], Bubbles.NONE)
