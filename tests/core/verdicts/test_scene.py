"""The log as the signs see it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.kitchen.warmth import Place
from ferment.planner import Plan, StepState
from ferment.record.log import Deed, DeedKind, Log, Smell
from ferment.setups import course_of, ledger_of, plan_of
from ferment.signs.clues import Scene
from ferment.verdicts.scene import scene_of

from ..builders import START, daily, feed, first_mix, hours, look, setup

SETUP = setup()


def scene(log: Log, at_h: float, *, cold: float = 24.0, made: Plan | None = None) -> Scene:
    course, now = course_of(SETUP), START + hours(at_h)
    ledger = ledger_of(SETUP, course, log)
    made = made or plan_of(SETUP, course, ledger, now)
    return scene_of(ledger, Place(cold), made, now, (1.4,), begun_sour=False, woke=True)


class Moment(TestCase):
    def test_ages_and_what_was_told(self) -> None:
        found = scene((*daily(2), look(50, 1.5)), 54)
        self.assertEqual((found.age_h, found.since_feed_h, found.peaks_before), (54.0, 6.0, (1.4,)))
        self.assertEqual((found.begun_sour, found.woke), (False, True))
        self.assertEqual([seen.times for seen in found.sightings], [1.5])
        self.assertEqual(found.hydration_percent, 100.0)

    def test_hydration_is_of_the_whole_jar(self) -> None:
        found = scene((first_mix(30, 45),), 4)
        self.assertEqual(found.hydration_percent, 150.0)
        self.assertEqual(scene((first_mix(0, 45),), 4).hydration_percent, 100.0)

    def test_late_is_by_how_much_the_next_feed_is_overdue(self) -> None:
        self.assertEqual(scene((first_mix(),), 34).late_h, 10.0)
        self.assertEqual(scene((first_mix(),), 20).late_h, 0.0)

    def test_an_act_that_is_no_feed_makes_nothing_late(self) -> None:
        course, now = course_of(SETUP), START + hours(34)
        ledger = ledger_of(SETUP, course, (first_mix(),))
        made = plan_of(SETUP, course, ledger, now)
        step = made.next
        assert step
        self.assertIs(step.state, StepState.LATE)
        stir = replace(made, steps=tuple(replace(one, plan=None) for one in made.steps))
        self.assertEqual(scene((first_mix(),), 34, made=stir).late_h, 0.0)
        self.assertEqual(scene((first_mix(),), 34, made=replace(made, steps=())).late_h, 0.0)

    def test_warm_and_cold_spans(self) -> None:
        self.assertEqual(scene((first_mix(),), 34, cold=27.0).celsius, 27.0)
        chilled = Deed("d", START + hours(5), DeedKind.TO_FRIDGE)
        self.assertLess(scene((first_mix(), chilled), 34, cold=27.0).celsius, 8.0)

    def test_smelt_before_the_last_time(self) -> None:
        def smelling(at_h: float, smell: Smell) -> Log:
            return (replace(look(at_h), smell=frozenset({smell})),)

        cheesy, yoghurt, fruity = (
            *smelling(4, Smell.CHEESY),
            *smelling(8, Smell.YOGHURT),
            *smelling(30, Smell.FRUITY),
        )
        found = scene((*daily(1), cheesy, yoghurt, look(33, 1.2), fruity), 34)
        self.assertEqual(found.smelt_before, {Smell.CHEESY, Smell.YOGHURT})
        self.assertEqual(scene((first_mix(), cheesy), 10).smelt_before, frozenset())


class ThinnedTo(TestCase):
    def test_the_share_of_each_jar_that_was_kept(self) -> None:
        """30 g of the 90 g after the feed, twice, is a ninth; 15 g of 75 g and then 30 g of 90 g a fifteenth."""
        self.assertAlmostEqual(scene((first_mix(), feed(20), feed(40)), 44).thinned_to, 1 / 9)
        self.assertAlmostEqual(scene((first_mix(), feed(20, 15), feed(40)), 44).thinned_to, 1 / 15)

    def test_more_kept_than_there_was_is_all(self) -> None:
        self.assertAlmostEqual(scene((first_mix(0, 5), feed(20, 30, 0, 0)), 22).thinned_to, 1.0)

    def test_a_feed_two_days_back_no_longer_counts(self) -> None:
        log = (first_mix(), feed(20, 15), feed(40, 15, 15, 15))
        self.assertAlmostEqual(scene(log, 88).thinned_to, 1.0)
