"""What holds up a jar whose likely day is over. Common practice: first look, then warmth, then how it is fed."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.record.log import Log
from ferment.setups import course_of, ledger_of
from ferment.verdicts.holdups import HoldUp, hold_ups
from ferment.verdicts.judgement import Judgement
from ferment.verdicts.readiness import Attempt, judge

from ..builders import START, daily, hours, look, setup
from .test_readiness import GOOD

LOG: Log = daily(9)
READ: Log = (*LOG, look(9 * 24 + 8, 1.4))
NOW = START + hours(9 * 24 + 20)
LIKELY = START + hours(9 * 24)


def last(**changes: object) -> Attempt:
    return replace(GOOD, feed_id="feed-216", **changes)  # type: ignore[arg-type]


def held(
    *attempts: Attempt,
    log: Log = READ,
    celsius: float = 22.0,
    woke: bool = True,
    likely: datetime | None = LIKELY,
    now: datetime = NOW,
) -> tuple[HoldUp, ...]:
    ledger = ledger_of(setup(), course_of(setup()), log)
    fed = [replace(one, feed_id=ledger.rounds[-1].feed.id) for one in attempts]
    judged = Judgement((), judge(fed, [], warned=False), None, woke=woke)
    return hold_ups(ledger, judged, likely, celsius, now)


class WhatIsMissing(TestCase):
    def test_each(self) -> None:
        low, slow = last(highest=1.5, doubled_h=None, in_time=0.0), last(highest=2.2, in_time=0.1)
        thin = last(doubles_at=1.2, highest=1.1, doubled_h=None, in_time=0.0)
        for told, wanted in (
            (held(log=LOG), (HoldUp.NO_LEVEL,)),
            (held(), (HoldUp.NOT_WATCHED,)),
            (held(low), (HoldUp.LOW,)),
            (held(low, celsius=17.0), (HoldUp.COOL, HoldUp.LOW)),
            (held(slow), (HoldUp.SLOW,)),
            (held(low, woke=False), (HoldUp.FEW,)),
            (held(thin), (HoldUp.THIN, HoldUp.LOW)),
            (held(last(in_time=0.9)), ()),
        ):
            self.assertEqual(told, wanted)

    def test_not_before_its_likely_day_is_over(self) -> None:
        self.assertEqual(held(now=LIKELY), ())
        self.assertNotEqual(held(now=LIKELY + hours(0.1)), ())

    def test_where_no_day_can_be_told_from_day_eight_on(self) -> None:
        self.assertEqual(held(likely=None, now=START + hours(8 * 24)), ())
        self.assertNotEqual(held(likely=None, now=START + hours(8 * 24 + 1)), ())

    def test_a_flat_jar_in_a_cool_room_is_not_left_without_a_word(self) -> None:
        cool = replace(setup(), warmth_c=17.0)
        for days in (11, 16):
            log = (*daily(days), *(look(24.0 * day + 9.0, 1.0) for day in range(days + 1)))
            told = assess(cool, log, START + hours(days * 24 + 20))
            self.assertTrue(told.ready_ahead or HoldUp.COOL in told.held_up, days)
        self.assertEqual(assess(cool, daily(2), START + hours(60)).held_up, ())
