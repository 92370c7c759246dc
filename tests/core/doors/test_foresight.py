"""What would be otherwise, and the whole plan: asked, never done."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from ferment.doors.foresight import LEAST_SHOWN, MOST_SHOWN, Supposition, otherwise, whole_plan
from ferment.kitchen.flours import Flour
from ferment.planner import StepState
from ferment.refusal import Refusal, RefusalCode

from ..builders import START, daily, hours, setup

NOW = START + hours(26)


class WholePlans(TestCase):
    def test_from_the_first_mix_to_ready(self) -> None:
        made = whole_plan(setup(), daily(1), NOW)
        states = [step.state for step in made.steps]
        self.assertEqual(states[:2], [StepState.DONE, StepState.DONE])
        self.assertNotIn(StepState.DONE, states[2:])
        self.assertTrue(NOW + LEAST_SHOWN <= made.until <= NOW + MOST_SHOWN)
        self.assertLessEqual(made.steps[-1].due, made.until)

    def test_what_is_done_and_what_is_to_come_are_told_apart(self) -> None:
        made = whole_plan(setup(), daily(1), NOW)
        self.assertEqual((made.done.feeds, made.done.water_g), (2, 60.0))
        feeds = [step for step in made.steps if step.plan and step.state is not StepState.DONE]
        self.assertEqual(made.to_come.feeds, len(feeds))


class OtherwiseAsked(TestCase):
    def test_warmer_is_sooner(self) -> None:
        cold = replace(setup(), warmth_c=18.0)
        as_is, warm = (otherwise(cold, daily(1), NOW, what)[0] for what in (Supposition(), Supposition(warmth_c=26.0)))
        assert as_is.ready_on
        assert warm.ready_on
        self.assertLess(warm.ready_on.on.likely, as_is.ready_on.on.likely)

    def test_half_the_size_takes_half_the_flour_and_another_flour_is_that_flour(self) -> None:
        whole = otherwise(setup(), daily(1), NOW, Supposition())[1].to_come.flours
        half = otherwise(setup(), daily(1), NOW, Supposition(size=0.5))[1].to_come.flours
        self.assertAlmostEqual(half[0].g / whole[0].g, 0.5, delta=0.1)
        rye = otherwise(setup(), daily(1), NOW, Supposition(flour=Flour.RYE))[1].to_come.flours
        self.assertEqual([part.flour for part in rye], [Flour.RYE])

    def test_twice_a_day_has_more_feeds_and_is_refused_where_no_rhythm_is_chosen(self) -> None:
        often = otherwise(setup(), daily(1), NOW, Supposition(every_h=12.0))[1].to_come.feeds
        self.assertGreater(often, otherwise(setup(), daily(1), NOW, Supposition())[1].to_come.feeds)
        on_signs = replace(setup(), family="on_signs", choices={})
        with self.assertRaises(Refusal) as refused:
            otherwise(on_signs, (), START, Supposition(every_h=12.0))
        self.assertIs(refused.exception.code, RefusalCode.UNKNOWN_OPTION)

    def test_a_later_start_moves_all_of_a_jar_that_is_not_mixed_and_nothing_of_one_that_is(self) -> None:
        later = otherwise(setup(), (), START, Supposition(starts_in_h=24.0))[1]
        self.assertEqual(later.steps[0].due, START + timedelta(hours=24))
        mixed = otherwise(setup(), daily(1), NOW, Supposition(starts_in_h=24.0))[1]
        self.assertEqual(mixed.steps[0].due, whole_plan(setup(), daily(1), NOW).steps[0].due)
