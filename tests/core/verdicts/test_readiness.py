"""Ready or not by the rule, step by step, and the stages. The rule is common practice, a strict one."""

from __future__ import annotations

from dataclasses import replace
from itertools import product
from unittest import TestCase

from ferment.ready_rule import Strictness
from ferment.record.log import Smell
from ferment.verdicts.readiness import Attempt, Readiness, StepCode, judge
from ferment.verdicts.stage import Settles, Stage, StageEvidence, StageFound, find_stage

from ..builders import START, hours

FRUITY = frozenset({Smell.FRUITY})
GOOD = Attempt(
    feed_id="f",
    at=START,
    watched=True,
    highest=2.3,
    doubles_at=2.0,
    doubled_h=6.0,
    doubled_by_h=6.0,
    in_time=0.9,
    limit_h=8.0,
    peak_h=8.0,
    by_yeast=True,
)
SLOW = replace(GOOD, doubled_h=9.5, in_time=0.1, late=True)
LOW = replace(GOOD, highest=1.6, doubled_h=None, in_time=0.02)
UNSEEN = replace(GOOD, watched=False)
EARLY = replace(GOOD, by_yeast=False)


def verdict(
    *attempts: Attempt, smell: frozenset[Smell] = FRUITY, of: Strictness = Strictness.USUAL, warned: bool = False
) -> Readiness:
    dated = [replace(one, feed_id=f"f{index}", at=START + hours(24.0 * index)) for index, one in enumerate(attempts)]
    return judge(dated, [smell], of, warned=warned)


def missing(found: Readiness) -> set[StepCode]:
    return {step.step for step in found.steps if not step.met}


class Ready(TestCase):
    def test_three_in_a_row_in_time(self) -> None:
        found = verdict(LOW, GOOD, GOOD, GOOD)
        self.assertTrue(found.ready)
        self.assertEqual((found.feeds_to_go, found.looks_ready_but, missing(found)), (0, False, set()))
        self.assertEqual([one.feed_id for one in found.feeds], ["f1", "f2", "f3"])

    def test_one_lucky_rise_is_not_a_habit(self) -> None:
        found = verdict(LOW, GOOD)
        self.assertEqual((found.ready, found.looks_ready_but, found.feeds_to_go), (False, True, 2))
        self.assertEqual(missing(found), {StepCode.IN_A_ROW, StepCode.STEADY})

    def test_a_slow_or_low_feed_breaks_the_row(self) -> None:
        for bad in (SLOW, LOW):
            self.assertEqual(verdict(GOOD, GOOD, bad, GOOD).feeds_to_go, 2)

    def test_a_feed_nobody_watched_neither_counts_nor_breaks(self) -> None:
        self.assertTrue(verdict(GOOD, UNSEEN, GOOD, GOOD).ready)
        self.assertFalse(verdict(UNSEEN, UNSEEN, GOOD).ready)

    def test_nor_does_a_feed_whose_looks_leave_it_open(self) -> None:
        unclear = replace(GOOD, highest=1.3, in_time=0.5)
        self.assertTrue(verdict(GOOD, GOOD, unclear, GOOD).ready)
        self.assertEqual(verdict(GOOD, unclear, unclear).feeds_to_go, 2)

    def test_what_early_bacteria_lifted_does_not_count(self) -> None:
        self.assertEqual(missing(verdict(EARLY, EARLY, EARLY)) & {StepCode.AWAKE}, {StepCode.AWAKE})

    def test_an_unsteady_peak_a_foul_smell_and_a_warning_each_hold_it_back(self) -> None:
        late = replace(GOOD, peak_h=13.0)
        for found, step in (
            (verdict(GOOD, late, GOOD), StepCode.STEADY),
            (verdict(GOOD, GOOD, GOOD, smell=frozenset({Smell.PUTRID})), StepCode.PLEASANT),
            (verdict(GOOD, GOOD, GOOD, warned=True), StepCode.NO_WARNING),
        ):
            self.assertEqual((found.ready, missing(found)), (False, {step}))

    def test_a_waking_jar_may_get_quicker_but_not_slower(self) -> None:
        slow, quick = replace(GOOD, peak_h=12.0), replace(GOOD, peak_h=8.0)
        self.assertTrue(verdict(slow, replace(GOOD, peak_h=9.0), quick).ready)
        self.assertFalse(verdict(quick, quick, slow).ready)

    def test_the_smell_must_have_been_noted_once(self) -> None:
        found = verdict(GOOD, GOOD, GOOD, smell=frozenset())
        self.assertIsNone(next(step.met for step in found.steps if step.step is StepCode.PLEASANT))
        self.assertFalse(found.ready)

    def test_time_to_peak_is_compared_as_warmth_allows(self) -> None:
        cold = replace(GOOD, peak_h=14.0, limit_h=14.0, doubled_h=11.0)
        self.assertTrue(verdict(GOOD, cold, GOOD).ready)

    def test_each_step_counts_what_it_says(self) -> None:
        told = {step.step: (step.met, step.have, step.of) for step in verdict(SLOW, GOOD, GOOD).steps}
        self.assertEqual(
            told,
            {
                StepCode.AWAKE: (True, 1, 1),
                StepCode.DOUBLES: (True, 0, 0),
                StepCode.IN_TIME: (True, 0, 0),
                StepCode.IN_A_ROW: (False, 2, 3),
                StepCode.STEADY: (True, 0, 0),
                StepCode.PLEASANT: (True, 0, 0),
                StepCode.NO_WARNING: (True, 0, 0),
            },
        )
        nothing = {step.step: (step.met, step.have) for step in verdict(UNSEEN, smell=frozenset()).steps}
        unknown = (StepCode.AWAKE, StepCode.DOUBLES, StepCode.IN_TIME, StepCode.IN_A_ROW, StepCode.STEADY)
        self.assertEqual({nothing[step] for step in (*unknown, StepCode.PLEASANT)}, {(None, 0)})

    def test_between_likely_and_unlikely_it_is_left_open(self) -> None:
        for in_time, counted in ((0.4, True), (0.41, False), (0.59, False), (0.6, True)):
            self.assertEqual(len(verdict(replace(GOOD, in_time=in_time)).feeds), int(counted), in_time)
        likely = {step.step: (step.met, step.have) for step in verdict(replace(GOOD, in_time=0.6)).steps}
        self.assertEqual((likely[StepCode.IN_TIME], likely[StepCode.IN_A_ROW]), ((True, 0), (False, 1)))

    def test_how_unsteady_is_still_steady(self) -> None:
        """Slower than the quickest before it by four tenths, quicker by eight."""
        for peaks, steady in (
            ((8.0, 11.2, 8.0), True),
            ((8.0, 11.3, 8.0), False),
            ((14.4, 8.0, 8.0), True),
            ((14.5, 8.0, 8.0), False),
            ((11.0, 8.0, 11.0), True),
        ):
            found = verdict(*(replace(GOOD, peak_h=peak) for peak in peaks))
            self.assertIs(next(step.met for step in found.steps if step.step is StepCode.STEADY), steady, peaks)
        for peak, steady in ((7.2, True), (7.3, False)):
            quick = [replace(GOOD, peak_h=one, limit_h=4.0, doubled_h=3.0) for one in (peak, 4.0, 4.0)]
            steps = {step.step: step.met for step in verdict(*quick).steps}
            self.assertIs(steps[StepCode.STEADY], steady, peak)
        two = verdict(GOOD, GOOD)
        self.assertTrue(next(step.met for step in two.steps if step.step is StepCode.STEADY))
        self.assertIsNone(next(step.met for step in verdict(GOOD).steps if step.step is StepCode.STEADY))

    def test_what_it_has_shown_holds_until_two_feeds_failed(self) -> None:
        shown = (GOOD, GOOD, GOOD)
        for after, ready in (((LOW,), True), ((LOW, LOW), False), ((LOW, GOOD, LOW), True), ((UNSEEN,) * 9, True)):
            self.assertEqual(verdict(*shown, *after).ready, ready, after)
        once = verdict(*shown, LOW)
        self.assertEqual((once.failed, once.rises_no_more, once.feeds_to_go), (1, False, 0))
        twice = verdict(*shown, LOW, LOW)
        self.assertEqual((twice.failed, twice.rises_no_more, twice.feeds_to_go), (2, True, 3))

    def test_all_but_doubled_fails_nothing_that_was_shown(self) -> None:
        nearly = replace(LOW, highest=1.85)
        self.assertTrue(verdict(GOOD, GOOD, GOOD, nearly, nearly, nearly).ready)
        self.assertFalse(verdict(GOOD, GOOD, nearly).ready)

    def test_a_row_that_was_told_is_not_untold_by_a_later_days_estimate(self) -> None:
        """Once another feed came after it, what was seen counts alone: its height, and that nobody saw it late."""
        left_open = replace(GOOD, in_time=0.5)
        for wavering in (replace(GOOD, peak_h=12.0), left_open, replace(left_open, highest=1.93)):
            self.assertFalse(verdict(GOOD, wavering, GOOD).ready)
            self.assertTrue(verdict(GOOD, wavering, GOOD, UNSEEN).ready)
        for told in (SLOW, replace(left_open, highest=1.9)):
            self.assertFalse(verdict(GOOD, told, GOOD, UNSEEN).ready)

    def test_a_jar_that_never_doubled_has_nothing_to_lose(self) -> None:
        self.assertFalse(verdict(LOW, LOW, LOW).rises_no_more)

    def test_a_full_row_held_back_by_something_else_misses_no_feed(self) -> None:
        self.assertEqual(verdict(GOOD, GOOD, GOOD, warned=True).feeds_to_go, 0)

    def test_the_bakers_own_strictness(self) -> None:
        for strictness, good in ((Strictness.LOOSE, 1), (Strictness.USUAL, 3), (Strictness.STRICT, 5)):
            self.assertTrue(verdict(LOW, *[GOOD] * good, of=strictness).ready)
            self.assertFalse(verdict(LOW, *[GOOD] * (good - 1), of=strictness).ready)


QUIET = StageEvidence(
    binned=False,
    in_the_cold=False,
    age_h=90,
    highest=1.0,
    highest_by_yeast=1.0,
    doubles_at=2.0,
    rises=0,
    early_h=66.0,
    yeast_explains=0.1,
    ready=False,
    seen=2,
    woken=False,
    begun_sour=False,
)


class Stages(TestCase):
    def test_each(self) -> None:
        rows = (
            (replace(QUIET, age_h=10), Stage.SOWN),
            (replace(QUIET, age_h=40, highest=2.1), Stage.FALSE_DAWN),
            (QUIET, Stage.HUSH),
            (replace(QUIET, highest=1.4, highest_by_yeast=1.4), Stage.STIRRING),
            (replace(QUIET, highest_by_yeast=2.1), Stage.AWAKE),
            (replace(QUIET, highest_by_yeast=1.6, rises=1), Stage.STIRRING),
            (replace(QUIET, highest_by_yeast=1.6, rises=2), Stage.AWAKE),
            (replace(QUIET, highest_by_yeast=2.1, ready=True), Stage.STEADY),
            (replace(QUIET, ready=True, in_the_cold=True), Stage.RESTING),
            (replace(QUIET, binned=True, in_the_cold=True), Stage.BINNED),
            (replace(QUIET, woken=True, begun_sour=True), Stage.SOWN),
        )
        for standing, stage in rows:
            with self.subTest(stage):
                self.assertIs(find_stage(standing).stage, stage)

    def test_how_sure_and_what_would_settle_it(self) -> None:
        rising = replace(QUIET, highest_by_yeast=1.4)
        dawn = replace(QUIET, age_h=40, highest=2.1)
        rows = (
            (replace(QUIET, binned=True, seen=0), StageFound(Stage.BINNED, 1.0, None, None)),
            (replace(QUIET, in_the_cold=True, seen=0), StageFound(Stage.RESTING, 1.0, None, None)),
            (dawn, StageFound(Stage.FALSE_DAWN, 0.94, Settles.NOTE_THE_SMELL, None)),
            (
                replace(dawn, yeast_explains=0.333, seen=0),
                StageFound(Stage.FALSE_DAWN, 0.8, Settles.NOTE_THE_SMELL, None),
            ),
            (replace(rising, seen=0), StageFound(Stage.STIRRING, 0.5, Settles.LOOK_THIS_EVENING, None)),
            (rising, StageFound(Stage.STIRRING, 0.75, Settles.LOOK_AT_ITS_PEAK, None)),
            (QUIET, StageFound(Stage.HUSH, 0.75, Settles.LOOK_AT_ITS_PEAK, None)),
            (replace(QUIET, age_h=35.9), StageFound(Stage.SOWN, 0.9, None, None)),
            (replace(QUIET, age_h=36.0), StageFound(Stage.HUSH, 0.75, Settles.LOOK_AT_ITS_PEAK, None)),
            (replace(QUIET, highest_by_yeast=1.95), StageFound(Stage.AWAKE, 0.9, None, None)),
            (replace(QUIET, highest_by_yeast=1.94), StageFound(Stage.STIRRING, 0.75, Settles.LOOK_AT_ITS_PEAK, None)),
            (replace(QUIET, highest_by_yeast=2.2, ready=True), StageFound(Stage.STEADY, 0.9, None, None)),
        )
        for standing, found in rows:
            with self.subTest(found):
                self.assertEqual(find_stage(standing), found)

    def test_a_false_dawn_lingers_until_six_hours_after_the_early_days(self) -> None:
        for age_h, stage in ((71.9, Stage.FALSE_DAWN), (72.0, Stage.HUSH)):
            self.assertIs(find_stage(replace(QUIET, age_h=age_h, highest=1.15)).stage, stage)
        self.assertIs(find_stage(replace(QUIET, age_h=40, highest=1.14)).stage, Stage.HUSH)

    def test_no_early_rise_is_called_awake_unless_yeast_explains_it(self) -> None:
        for age, highest in product(range(0, 72, 6), (1.2, 1.8, 2.5, 4.0)):
            found = find_stage(replace(QUIET, age_h=age, highest=highest))
            self.assertIs(found.stage, Stage.FALSE_DAWN)

    def test_a_jar_begun_sour_has_no_false_dawn(self) -> None:
        found = find_stage(replace(QUIET, age_h=40, highest=1.5, begun_sour=True))
        self.assertIsNot(found.stage, Stage.FALSE_DAWN)

    def test_without_a_look_it_is_unsure_and_says_what_would_settle_it(self) -> None:
        found = find_stage(replace(QUIET, seen=0))
        self.assertEqual((found.sure, found.settles), (0.5, Settles.LOOK_THIS_EVENING))
        self.assertGreater(find_stage(QUIET).sure, 0.5)
