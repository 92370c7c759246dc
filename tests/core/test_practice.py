"""Practice: what goes well in good hands and badly in bad ones, by the model; and that its judges are the signs'."""

from __future__ import annotations

from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.practice.judging import GOOD, Ending, Opinion, came_of, in_bad_hands, in_good_hands, told
from ferment.practice.living import frame_at, live, log_of, nature_of, practice_setup, when
from ferment.practice.places import COOLEST_C, LARGEST_ML, WARMEST_C, housed, offered
from ferment.practice.situations import SITUATIONS
from ferment.practice.terms import Goal, Handling, Made, Meaning, SituationCode
from ferment.record.log import Bubbles, Look, Top
from ferment.refusal import Refusal
from ferment.signs.contract import SignCode

SEEDS = range(4)
NOT_OF_A_FRIDGE = {Handling.TO_FRIDGE, Handling.WARMER, Handling.COOLER}


class EachSituation(TestCase):
    def test_is_listed(self) -> None:
        self.assertEqual(set(SITUATIONS), set(SituationCode))

    def test_ends_well_in_good_hands_and_badly_in_bad_ones(self) -> None:
        for code, situation in SITUATIONS.items():
            for seed in SEEDS:
                with self.subTest(situation=code, seed=seed):
                    self.assertIn(came_of(situation, seed, in_good_hands(situation, seed)), GOOD)
                    self.assertNotIn(came_of(situation, seed, in_bad_hands(situation, seed)), GOOD)

    def test_whatever_is_done_with_it_is_offered_at_that_hour(self) -> None:
        for code, situation in SITUATIONS.items():
            for acts in (in_good_hands(situation, 0), in_bad_hands(situation, 0)):
                for number, act in enumerate(acts):
                    with self.subTest(situation=code, act=act):
                        self.assertIn(act.what, offered(housed(situation, acts[:number])))

    def test_in_good_hands_hardly_anything_is_done_that_the_rules_would_not_like(self) -> None:
        opinions = [
            one.opinion
            for situation in SITUATIONS.values()
            for seed in (0,)
            for one in told(situation, seed, in_good_hands(situation, seed)).decisions
        ]
        self.assertGreaterEqual(sum(one is not Opinion.NOT_LIKED for one in opinions), 0.9 * len(opinions))

    def test_in_bad_hands_the_rules_say_so_before_the_end(self) -> None:
        for code, situation in SITUATIONS.items():
            # Where all is a matter of the hour, each act by itself may be a good one.
            if situation.goal is not Goal.LIVES:
                continue
            with self.subTest(situation=code):
                bad = told(situation, 0, in_bad_hands(situation, 0))
                self.assertTrue(any(one.opinion is not Opinion.LIKED for one in bad.decisions))


class TheStory(TestCase):
    def test_the_same_seed_tells_it_again_and_another_tells_another(self) -> None:
        situation = SITUATIONS[SituationCode.HUSH]
        one, again, other = (live(situation, seed, situation.well).frames for seed in (3, 3, 4))
        self.assertEqual(one, again)
        self.assertNotEqual([frame.level for frame in one], [frame.level for frame in other])

    def test_what_was_before_a_decision_does_not_change_by_it(self) -> None:
        situation = SITUATIONS[SituationCode.TOO_OFTEN]
        until = situation.begins_h + 24.0
        left, fed = (live(situation, 1, acts) for acts in ((), (Made(until, Handling.FEED),)))
        for at_h in (situation.begins_h, situation.begins_h + 7.5, until - 0.5):
            self.assertEqual(frame_at(left, at_h), frame_at(fed, at_h))
        self.assertNotEqual(frame_at(left, until + 6.0).level, frame_at(fed, until + 6.0).level)

    def test_it_runs_over_where_it_is_left_in_a_jar_that_is_too_full(self) -> None:
        situation = SITUATIONS[SituationCode.OVERFLOW]
        left = told(situation, 0, ())
        self.assertIs(left.ending, Ending.RAN_OVER)
        assert left.lived.ran_over_h is not None
        room = left.lived.frames[-1].height_mm / left.lived.frames[0].line_mm
        self.assertLessEqual(max(frame.level for frame in left.lived.frames), room + 1e-9)

    def test_a_jar_that_is_left_to_itself_is_hungry_in_the_end_however_well_it_would_rise(self) -> None:
        for code in (SituationCode.HUSH, SituationCode.MISSED_NIGHT, SituationCode.EARLY_LIQUID):
            with self.subTest(situation=code):
                self.assertIs(came_of(SITUATIONS[code], 1, ()), Ending.HUNGRY)

    def test_a_home_has_only_so_warm_and_so_cool_a_place_and_so_large_a_jar(self) -> None:
        for code, situation in SITUATIONS.items():
            for what in (Handling.WARMER, Handling.COOLER, Handling.OTHER_JAR):
                with self.subTest(situation=code, what=what):
                    since = situation.begins_h + 0.5
                    out = Made(since, Handling.TO_COUNTER)
                    acts = (out, *(Made(since + 0.5 * number, what) for number in range(1, 9)))
                    stands = housed(situation, acts)
                    self.assertNotIn(what, offered(stands))
                    self.assertTrue(COOLEST_C <= stands.warmth_c <= WARMEST_C)
                    self.assertLessEqual(stands.vessel.volume_ml, LARGEST_ML)
                    # The jar that is lived with is that one, in that place.
                    last = live(situation, 0, acts).frames[-1]
                    self.assertEqual(
                        (last.volume_ml, last.height_mm), (stands.vessel.volume_ml, stands.vessel.height_mm)
                    )
                    self.assertLess(abs(last.celsius - stands.warmth_c), 1.1)

    def test_in_the_fridge_it_is_taken_out_and_nowhere_warmer(self) -> None:
        situation = SITUATIONS[SituationCode.FRIDGE_MONTH]
        resting = set(offered(housed(situation, ())))
        self.assertIn(Handling.TO_COUNTER, resting)
        self.assertFalse(resting & NOT_OF_A_FRIDGE)
        asked_warmer = Made(situation.begins_h + 1.0, Handling.WARMER)
        self.assertLess(max(frame.celsius for frame in live(situation, 0, (asked_warmer,)).frames[-20:]), 10.0)
        taken_out = offered(housed(situation, (Made(situation.begins_h + 1.0, Handling.TO_COUNTER),)))
        self.assertLess(NOT_OF_A_FRIDGE, set(taken_out))

    def test_film_goes_with_a_feed_and_mould_does_not(self) -> None:
        situation = SITUATIONS[SituationCode.FILM_OR_MOULD]
        seen = {}
        for seed in range(12):
            lived = live(situation, seed, (Made(situation.begins_h + 1.0, Handling.FEED),))
            befallen = nature_of(situation, seed).befallen
            assert befallen is not None
            self.assertIn(befallen, frame_at(lived, situation.begins_h).top)
            seen[befallen] = befallen in frame_at(lived, situation.begins_h + 2.0).top
        self.assertEqual(seen, {Top.WHITE_FILM: False, Top.FUZZY_SPOTS: True})

    def test_liquid_of_a_young_paste_is_settled_and_that_of_an_old_one_is_hunger(self) -> None:
        for code, sign in (
            (SituationCode.EARLY_LIQUID, SignCode.SETTLING_LIQUID),
            (SituationCode.LATE_LIQUID, SignCode.HUNGRY_LIQUID),
        ):
            situation = SITUATIONS[code]
            look = Made(situation.begins_h + 1.0, Handling.LOOK)
            lived = live(situation, 0, (look,))
            with self.subTest(situation=code):
                self.assertIn(Top.LIQUID, frame_at(lived, look.at_h).top)
                found = assess(practice_setup(situation), log_of(situation, (look,), lived), when(look.at_h))
                self.assertIn(sign, {one.sign for one in found.findings})

    def test_a_float_on_day_two_is_gas_of_the_false_dawn(self) -> None:
        """Common practice: what floats before the yeast is there raises no dough."""
        situation = SITUATIONS[SituationCode.FLOAT]
        judged = told(situation, 0, (Made(situation.begins_h + 1.0, Handling.BAKE),))
        self.assertIs(judged.ending, Ending.BAKED_TOO_SOON)
        self.assertIs(judged.decisions[0].opinion, Opinion.NOT_LIKED)


class WhatIsSaid(TestCase):
    def test_a_look_is_told_its_true_level_and_whether_it_was_meant_rightly(self) -> None:
        situation = SITUATIONS[SituationCode.PINK]
        at_h = situation.begins_h + 1.0
        for meaning, right in ((Meaning.SPOILED, True), (Meaning.AWAKE, False)):
            (judged,) = told(situation, 5, (Made(at_h, Handling.LOOK, 1.3, meaning),)).decisions
            self.assertEqual((judged.means, judged.meant_rightly), ((Meaning.SPOILED,), right))
            self.assertEqual(judged.true_level, frame_at(live(situation, 5, ()), at_h).level)

    def test_a_look_stands_in_the_log_as_it_was_read(self) -> None:
        situation = SITUATIONS[SituationCode.HUSH]
        look = Made(situation.begins_h + 2.0, Handling.LOOK, 1.25)
        log = log_of(situation, (look,), live(situation, 0, (look,)))
        noted = next(one for one in log if isinstance(one, Look) and one.at == when(look.at_h))
        assert noted.level is not None
        self.assertEqual(noted.level.value, 1.25)
        self.assertIsInstance(noted.bubbles, Bubbles)


class WhatCannotBe(TestCase):
    def test_is_refused_by_name(self) -> None:
        situation = SITUATIONS[SituationCode.HUSH]
        for acts, seed, field in (
            ((Made(situation.begins_h - 1.0, Handling.FEED),), 0, "acts.0.at_h"),
            ((Made(situation.ends_h + 1.0, Handling.FEED),), 0, "acts.0.at_h"),
            ((Made(situation.begins_h, Handling.LOOK, 99.0),), 0, "acts.0.level"),
            (tuple(Made(situation.begins_h, Handling.WAIT) for _ in range(300)), 0, "acts"),
            ((), -1, "seed"),
        ):
            with self.subTest(field=field), self.assertRaises(Refusal) as caught:
                live(situation, seed, acts)
            self.assertEqual(caught.exception.field, field)

    def test_nothing_is_done_with_a_jar_that_is_gone(self) -> None:
        situation = SITUATIONS[SituationCode.HUSH]
        begins = situation.begins_h
        after = told(situation, 0, (Made(begins + 1, Handling.BIN), Made(begins + 2, Handling.FEED)))
        self.assertEqual([one.what for one in after.decisions], [Handling.BIN])
        self.assertEqual(after.lived.ended_h, begins + 1)
