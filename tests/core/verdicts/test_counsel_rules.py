"""When a remedy becomes advice: what must hold beside the sign, what is remembered, and how it is told."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.kitchen.vessel import Vessel, most_grams
from ferment.planner import Plan, StepState
from ferment.protocol.advised import EFFECTS, Advice
from ferment.record.log import Bin, Deed, DeedKind, Log, Word
from ferment.setups import Setup, course_of, ledger_of, plan_of
from ferment.signs import Finding
from ferment.signs.contract import Remedy, SignCode, Urgency
from ferment.verdicts.counsel import Advised, Answer, Counsel, counsel
from ferment.verdicts.judgement import Judgement
from ferment.verdicts.stage import Stage, StageFound

from ..builders import START, daily, feed, first_mix, hours, setup


def found(*do: Remedy, urgency: Urgency = Urgency.CARE) -> Finding:
    return Finding(SignCode.FILM, urgency, 0.9, do, (), None, None, START)


def advised(
    log: Log,
    at_h: float,
    *do: Remedy,
    woke: bool,
    of: Setup | None = None,
    made: Plan | None = None,
    urgency: Urgency = Urgency.CARE,
    peak_h: float = 7.0,
) -> Advised:
    """A jar that woke is awake by now too."""
    of, now = of or setup(), START + hours(at_h)
    course = course_of(of)
    ledger = ledger_of(of, course, log)
    stage = StageFound(Stage.AWAKE if woke else Stage.HUSH, 0.9, None, None)
    judged = Judgement((found(*do, urgency=urgency),), None, stage, woke=woke, peak_h=peak_h)
    return counsel(of, course, ledger, made or plan_of(of, course, ledger, now), judged, now)


def given(log: Log, at_h: float, remedy: Remedy, *, woke: bool, of: Setup | None = None) -> bool:
    return bool(advised(log, at_h, remedy, woke=woke, of=of).counsel)


def every(hours_: float, feeds: int) -> Log:
    return (first_mix(), *(feed(hours_ * (one + 1)) for one in range(feeds)))


def made_at(log: Log, at_h: float) -> Plan:
    course = course_of(setup())
    return plan_of(setup(), course, ledger_of(setup(), course, log), START + hours(at_h))


class WhatMustHold(TestCase):
    def test_fed_now_only_if_awake_four_hours_after_a_feed_and_before_the_next_is_due(self) -> None:
        log = daily(3)
        for since_h, woke, is_given in (
            (3.9, True, False),
            (4.0, True, True),
            (4.5, True, True),
            (9.0, False, False),
            (24.0, True, False),
            (25.5, True, False),
            (34.0, True, False),
        ):
            self.assertEqual(given(log, 72.0 + since_h, Remedy.FEED_NOW, woke=woke), is_given, (since_h, woke))

    def test_held_off_only_asleep_in_its_first_three_rounds_and_near_the_feed(self) -> None:
        for log, at_h, woke, is_given in (
            (daily(0), 15.9, False, False),
            (daily(0), 16.0, False, True),
            (daily(0), 23.0, True, False),
            (daily(0), 36.0, False, False),
            (daily(2), 71.0, False, True),
            (daily(3), 95.0, False, False),
        ):
            self.assertEqual(given(log, at_h, Remedy.WAIT, woke=woke), is_given, (len(log), at_h, woke))

    def test_a_feed_that_waits_for_a_sign_is_not_held_off(self) -> None:
        by_sign = Setup("on_signs", {}, setup().vessel, START)
        course = course_of(by_sign)
        log = (first_mix(),)
        made = plan_of(by_sign, course, ledger_of(by_sign, course, log), START + hours(4))
        step = next(step for step in made.ahead if step.plan)
        self.assertTrue(step.waits_for)
        near = replace(step, due=START + hours(5), state=StepState.WAITING)
        waiting = replace(made, steps=(near,))
        self.assertEqual(advised(log, 4.0, Remedy.WAIT, woke=False, of=by_sign, made=waiting).counsel, ())

    def test_oftener_only_awake_and_not_oftener_than_a_starter_is_fed(self) -> None:
        for hours_, woke, is_given in ((24, True, True), (24, False, False), (12, True, False)):
            log = every(hours_, 3)
            asked = given(log, 3 * hours_ + 2.0, Remedy.FEED_SOONER, woke=woke, of=setup(hours_))
            self.assertEqual(asked, is_given, (hours_, woke))

    def test_oftener_only_where_the_new_interval_leaves_it_time_to_peak(self) -> None:
        for peak_h, is_given in ((9.9, True), (10.1, False)):
            told = advised(daily(3), 74.0, Remedy.FEED_SOONER, woke=True, peak_h=peak_h)
            self.assertEqual(bool(told.counsel), is_given, peak_h)

    def test_oftener_and_larger_never_both_at_once(self) -> None:
        for remedies in ((Remedy.FEED_SOONER, Remedy.FEED_LARGER), (Remedy.FEED_LARGER, Remedy.FEED_SOONER)):
            told = advised(daily(3), 74.0, *remedies, woke=True)
            self.assertEqual(len(told.counsel), 1, remedies)

    def test_less_often_only_asleep_and_fed_oftener_than_daily(self) -> None:
        for hours_, woke, is_given in ((12, False, True), (12, True, False), (24, False, False)):
            log = every(hours_, 3)
            asked = given(log, 3 * hours_ + 2.0, Remedy.FEED_LESS_OFTEN, woke=woke, of=setup(hours_))
            self.assertEqual(asked, is_given, (hours_, woke))

    def test_a_larger_feed_only_awake(self) -> None:
        for woke in (True, False):
            self.assertEqual(given(daily(3), 75.0, Remedy.FEED_LARGER, woke=woke), woke)

    def test_all_is_kept_only_asleep_and_where_it_fits_with_room_to_rise(self) -> None:
        """90 g in the jar and 60 g fresh to come, with half as much again above."""
        for spare_g, woke, is_given in ((-2.0, False, False), (2.0, False, True), (2.0, True, False)):
            room = (150.0 + spare_g) * 1.5
            jar = Vessel(200.0, 500.0 * room / most_grams(Vessel(200.0, 500.0, 120.0)), 120.0)
            of = replace(setup(), vessel=jar)
            self.assertEqual(given(daily(3), 75.0, Remedy.SKIP_DISCARD, woke=woke, of=of), is_given, (spare_g, woke))

    def test_without_a_feed_to_come_nothing_of_the_plan_is_advised(self) -> None:
        over = replace(made_at(daily(3), 80.0), steps=())
        for remedy in (Remedy.FEED_NOW, Remedy.WAIT, Remedy.SKIP_DISCARD, Remedy.SMALLER_RATIO):
            self.assertEqual(advised(daily(3), 80.0, remedy, woke=remedy is Remedy.FEED_NOW, made=over).counsel, ())

    def test_nothing_beside_a_danger_or_after_the_end(self) -> None:
        log = daily(3)
        self.assertEqual(advised(log, 80.0, Remedy.FEED_NOW, woke=True, urgency=Urgency.DANGER).counsel, ())
        end = Bin("end", START + hours(79))
        self.assertEqual(advised((*log, end), 80.0, Remedy.FEED_NOW, woke=True).counsel, ())
        self.assertEqual(advised((), 0.0, Remedy.MOVE_WARMER, woke=False).counsel, ())


class AsTold(TestCase):
    def test_about_the_next_feed_it_is_followed_and_says_what_would_be(self) -> None:
        made = advised(daily(3), 80.0, Remedy.FEED_NOW, woke=True)
        step = next(step for step in made.plan.ahead if step.plan)
        told = Counsel(
            Advice.FEED_NOW,
            SignCode.FILM,
            Answer.FOLLOWED,
            None,
            EFFECTS[Advice.FEED_NOW].feeds,
            START + hours(80),
            step.plan,
        )
        self.assertEqual(made.counsel, (told,))
        self.assertEqual(step.due, START + hours(80))

    def test_what_bends_several_feeds_is_offered_and_bends_nothing_yet(self) -> None:
        before = made_at(daily(3), 80.0)
        made = advised(daily(3), 80.0, Remedy.FEED_LARGER, woke=True)
        (one,) = made.counsel
        self.assertEqual((one.answer, one.feeds), (Answer.OFFERED, EFFECTS[Advice.LARGER_FEED].feeds))
        self.assertEqual(made.plan, before)
        self.assertEqual(one.due, before.next and before.next.due)
        self.assertNotEqual(one.plan, before.next and before.next.plan)

    def test_what_is_done_by_hand_moves_no_feed(self) -> None:
        made = advised(daily(3), 80.0, Remedy.MOVE_WARMER, woke=False)
        told = Counsel(Advice.WARMER_PLACE, SignCode.FILM, Answer.OFFERED, None, 0, None, None)
        self.assertEqual(made.counsel, (told,))

    def test_what_would_change_nothing_is_not_offered(self) -> None:
        """A blend that is whole flour already takes no more of it."""
        rye = setup(blend={"rye": 1.0})
        self.assertEqual(advised(daily(3), 80.0, Remedy.ADD_WHOLE_FLOUR, woke=True, of=rye).counsel, ())
        self.assertTrue(given(daily(3), 80.0, Remedy.ADD_WHOLE_FLOUR, woke=True))

    def test_no_more_than_three_at_once_each_once(self) -> None:
        remedies = (
            Remedy.FEED_LARGER,
            Remedy.FEED_LARGER,
            Remedy.ADD_WHOLE_FLOUR,
            Remedy.LESS_WATER,
            Remedy.MOVE_WARMER,
        )
        told = [one.advice for one in advised(daily(3), 80.0, *remedies, woke=True).counsel]
        self.assertEqual(told, [Advice.LARGER_FEED, Advice.WHOLE_FLOUR, Advice.THICKER])

    def test_a_no_is_told_and_leaves_room_for_three_others(self) -> None:
        no = Word("no", START + hours(79), Advice.LARGER_FEED, yes=False)
        remedies = (Remedy.FEED_LARGER, Remedy.ADD_WHOLE_FLOUR, Remedy.LESS_WATER, Remedy.MOVE_WARMER)
        told = advised((*daily(3), no), 80.0, *remedies, woke=True).counsel
        self.assertEqual(told[0], Counsel(Advice.LARGER_FEED, SignCode.FILM, Answer.REFUSED, "no", 0, None, None))
        self.assertEqual(len(told), 4)

    def test_a_no_is_remembered_for_four_days(self) -> None:
        log = daily(7)
        for ago_h, answer in ((95.9, Answer.REFUSED), (96.0, Answer.FOLLOWED)):
            no = Word("no", START + hours(176 - ago_h), Advice.FEED_NOW, yes=False)
            (one,) = advised((*log, no), 176.0, Remedy.FEED_NOW, woke=True).counsel
            self.assertIs(one.answer, answer)

    def test_taken_it_says_for_how_many_feeds_yet_and_whether_its_sign_still_holds(self) -> None:
        yes = Word("yes", START + hours(79), Advice.LARGER_FEED, yes=True)
        for remedy, because in ((Remedy.FEED_LARGER, SignCode.FILM), (Remedy.MOVE_WARMER, None)):
            told = advised((*daily(3), yes), 80.0, remedy, woke=True).counsel
            feeds = EFFECTS[Advice.LARGER_FEED].feeds
            taken = Counsel(Advice.LARGER_FEED, because, Answer.TAKEN, "yes", feeds, None, None)
            self.assertEqual([one for one in told if one.advice is Advice.LARGER_FEED], [taken])

    def test_a_deed_of_another_kind_is_no_spare(self) -> None:
        stirred = Deed("d", START + hours(79), DeedKind.STIRRED)
        self.assertTrue(given((*daily(3), stirred), 80.0, Remedy.FEED_NOW, woke=True))
