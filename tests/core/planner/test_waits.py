"""Acts that wait for a sign: what is waited for, when it is seen, and what ends a wait without it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.planner import StepState
from ferment.planner.steps import ChangeCode
from ferment.record.log import Bubbles, Log, Look, Thickness, Top
from ferment.record.terms import Moved
from ferment.setups import Setup

from ..builders import START, VESSEL, feed, first_mix, hours, look
from .reading import after, next_step, plan


def seen(at_h: float, **what: object) -> Look:
    blank = Look(f"look-{at_h}", START + hours(at_h), None, None, frozenset(), frozenset(), None, has_note=False)
    return replace(blank, **what)  # type: ignore[arg-type]


def bubbles(at_h: float, how: Bubbles = Bubbles.FEW) -> Look:
    return seen(at_h, bubbles=how)


SIGNS = Setup("on_signs", {}, VESSEL, START)
HUNGRY = Setup("when_hungry", {}, VESSEL, START)


class BySigns(TestCase):
    """Feed on signs, and only when hungry (common practice)."""

    LOG: Log = (first_mix(50, 50),)

    def test_it_waits_and_says_for_what(self) -> None:
        step = next_step(plan(SIGNS, self.LOG, 30))
        self.assertEqual((step.state, [one.sight.value for one in step.waits_for]), (StepState.WAITING, ["bubbles"]))
        self.assertEqual(next_step(plan(SIGNS, self.LOG, 10)).state, StepState.NOT_YET)

    def test_the_sign_makes_it_due_and_an_early_one_is_said(self) -> None:
        found = plan(SIGNS, (*self.LOG, bubbles(26)), 27)
        step = next_step(found)
        self.assertEqual((step.state, after(step), step.seen_by), (StepState.DUE, 26.0, "look-26"))
        self.assertEqual([(one.code, one.facts) for one in found.changes], [(ChangeCode.SIGN_EARLY, {"hours": 22.0})])

    def test_a_sign_before_the_earliest_hour_waits_for_it(self) -> None:
        self.assertEqual(after(next_step(plan(SIGNS, (*self.LOG, bubbles(12)), 13))), 20.0)

    def test_no_sign_waits_on_day_by_day_and_says_so(self) -> None:
        found = plan(SIGNS, self.LOG, 68)
        step = next_step(found)
        self.assertEqual((step.state, after(step)), (StepState.WAITING, 72.0))
        self.assertEqual([(one.code, one.facts["hours"]) for one in found.changes], [(ChangeCode.SIGN_OVERDUE, 20.0)])

    def test_three_days_end_any_wait_and_so_does_hunger(self) -> None:
        """Common practice: what stood three days, or has liquid on top, is fed, whatever it did not show."""
        for at_h in (73, 80):
            step = next_step(plan(SIGNS, self.LOG, at_h))
            self.assertEqual((step.state, after(step)), (StepState.DUE, 72.0), at_h)
        hungry = (*self.LOG, seen(50, top=frozenset({Top.LIQUID})))
        step = next_step(plan(SIGNS, hungry, 51))
        self.assertEqual((step.state, after(step)), (StepState.DUE, 50.0))
        settled = (*self.LOG, seen(20, top=frozenset({Top.LIQUID})))
        self.assertEqual(next_step(plan(SIGNS, settled, 51)).state, StepState.WAITING)

    def test_in_a_warm_room_two_days_end_it(self) -> None:
        """Common practice: 48 hours unfed at 28 °C is hungry; where it was moved there, from then on."""
        moved = Moved("moved", START + hours(1), 28.0, None)
        for warm in (plan(replace(SIGNS, warmth_c=28.0), self.LOG, 50), plan(SIGNS, (*self.LOG, moved), 50)):
            self.assertEqual((next_step(warm).state, after(next_step(warm))), (StepState.DUE, 48.0))
        self.assertEqual(next_step(plan(SIGNS, self.LOG, 50)).state, StepState.WAITING)

    def test_what_is_seen_as_soon_as_it_is_mixed_is_no_sign(self) -> None:
        self.assertEqual(next_step(plan(SIGNS, (*self.LOG, bubbles(1)), 30)).state, StepState.WAITING)
        self.assertEqual(next_step(plan(SIGNS, (*self.LOG, bubbles(26)), 30)).state, StepState.DUE)

    def test_later_feeds_come_without_a_sign_in_the_end(self) -> None:
        log = (*self.LOG, bubbles(26), feed(27, 33, 50, 50))
        self.assertEqual(next_step(plan(SIGNS, log, 80)).state, StepState.WAITING)
        self.assertEqual(next_step(plan(SIGNS, log, 100)).state, StepState.DUE)

    def test_hungry_is_runny_or_below_its_high_mark(self) -> None:
        log: Log = (first_mix(10, 10), bubbles(30), feed(31, 20, 22, 20))
        self.assertEqual(next_step(plan(HUNGRY, log, 50)).state, StepState.WAITING)
        runny = seen(50, thickness=Thickness.RUNNY)
        fallen = (look(45, 1.8), look(50, 1.5))
        sunken = (look(45, 1.8), seen(50, top=frozenset({Top.SUNKEN})))
        still_up = (look(45, 1.8), look(50, 1.79))
        for signs, state in (
            ((runny,), StepState.DUE),
            (fallen, StepState.DUE),
            (sunken, StepState.DUE),
            (still_up, StepState.WAITING),
            ((seen(50, top=frozenset({Top.SUNKEN})),), StepState.WAITING),
        ):
            with self.subTest(signs):
                self.assertEqual(next_step(plan(HUNGRY, (*log, *signs), 51)).state, state)

    def test_a_stage_goes_on_until_its_sign_and_says_it_is_longer(self) -> None:
        """The short wet rye course may finish two days later than planned; the plan says so."""
        made = Setup("wet_rye", {}, VESSEL, START)
        log: Log = (first_mix(50, 75), feed(24, 62.5, 50, 75), feed(48, 94, 40, 40))
        flat, up = (*log, look(60, 1.3)), (*log, look(60, 2.1))
        self.assertEqual(next_step(plan(made, up, 61)).stage, "first_keeping")
        slow = plan(made, flat, 61)
        self.assertEqual((next_step(slow).stage, slow.changes[-1].code), ("more_rye", ChangeCode.STAGE_LONGER))
        twice = (*flat, feed(72, 80, 40, 40), feed(96, 80, 40, 40))
        self.assertEqual(next_step(plan(made, twice, 97)).stage, "first_keeping")
