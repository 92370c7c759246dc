"""Every course to its end and beyond: called ready it asks how it is kept, and each answer goes on without an alarm."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from functools import cache
from unittest import TestCase

from ferment.doors.assessment import Assessment, Move, assess
from ferment.doors.begun import BegunAs, as_begun
from ferment.kitchen.vessel import Vessel
from ferment.methods.keeping import KEEPING, Keeping
from ferment.planner import Act, StepState
from ferment.record.log import READY, Deed, DeedKind, Log, Word
from ferment.record.terms import OtherJar, OtherWay
from ferment.setups import Setup, course_of, ledger_of, plan_of

from ..builders import START
from ..courses import ROWS

BOWL, GLASS = Vessel(300.0, 4_000.0, 200.0), Vessel(250.0, 1_500.0, 160.0)
CALLED = START + timedelta(days=9)
LATER = CALLED + timedelta(hours=1)


@cache
def raised(course: int) -> tuple[Setup, Log]:
    """Fed as the course asks for nine days, and then called ready."""
    row = ROWS[course - 1]
    setup = Setup(row.family, row.options, BOWL, START, 0.1, row.size)
    return setup, (*as_begun(setup, BegunAs.FED, CALLED), Word("ready", CALLED, READY, yes=True))


def ahead(found: Assessment) -> list[Act]:
    return [step.act for step in found.timeline if step.to_come]


class EveryCourse(TestCase):
    def test_it_asks_unless_it_is_kept_already(self) -> None:
        for row in ROWS:
            with self.subTest(row.course):
                found = assess(*raised(row.course), LATER)
                kept = row.course in (24, 25)
                self.assertEqual((found.asks_how_to_keep, found.is_kept), (not kept, kept))
                if not kept:
                    self.assertLessEqual(len(ahead(found)), 1)

    def test_each_answer_leads_on_from_each_course(self) -> None:
        for row in ROWS:
            setup, log = raised(row.course)
            course = course_of(setup)
            for keeping, way in KEEPING.items():
                with self.subTest(course=row.course, keeping=keeping):
                    kept = (*log, OtherWay("kept", LATER, way.family, way.choices))
                    made = plan_of(setup, course, ledger_of(setup, course, kept), LATER + timedelta(hours=1))
                    acts = [step.act for step in made.ahead]
                    self.assertTrue(acts)
                    colder = keeping in (Keeping.FRIDGE, Keeping.SPARE, Keeping.COUNTER_AND_COLD)
                    self.assertEqual(bool({Act.TO_FRIDGE, Act.TO_COUNTER} & set(acts)), colder)

    def test_into_the_fridge_at_the_end_and_forty_days_of_rest(self) -> None:
        """The small seed (3) and the one by feel (7) go there when they are mature (common practice)."""
        way = KEEPING[Keeping.FRIDGE]
        for course in (3, 7):
            setup, log = raised(course)
            log = (
                *log,
                OtherWay("kept", LATER, way.family, way.choices),
                Deed("in", LATER + timedelta(hours=8), DeedKind.TO_FRIDGE),
            )
            for days in (1, 3, 6, 8, 20, 40):
                found = assess(setup, log, LATER + timedelta(days=days))
                with self.subTest(course=course, days=days):
                    self.assertEqual(found.next_move.move, Move.TO_COUNTER)
                    self.assertIsNot(found.next_move.state, StepState.LATE)

    def test_out_of_the_bowl_into_a_jar_on_the_second_day(self) -> None:
        """The short course in rye (2): what was in the bowl stands in the jar, with a line of its own."""
        row = ROWS[1]
        setup = Setup(row.family, row.options, BOWL, START, 0.1, row.size)
        log = as_begun(setup, BegunAs.FED, START + timedelta(hours=20))
        moved = (*log, OtherJar("jar", START + timedelta(hours=23), GLASS))
        before, after = (assess(setup, one, START + timedelta(hours=23.5)).in_jar for one in (log, moved))
        assert before is not None
        assert after is not None
        self.assertEqual(before.total_g, after.total_g)
        self.assertGreater(after.line_mm, before.line_mm)

    def test_half_the_day_out_and_half_in_the_fridge_in_a_hot_kitchen(self) -> None:
        """The one with apple juice (11), twelve hours each (common practice), for five days."""
        setup, log = raised(11)
        way = KEEPING[Keeping.COUNTER_AND_COLD]
        kept = (*log, OtherWay("kept", LATER, way.family, way.choices))
        hot = replace(setup, warmth_c=31.0)
        course = course_of(hot)
        made = plan_of(hot, course, ledger_of(hot, course, kept), LATER, until=LATER + timedelta(days=5))
        gaps = [(b.due - a.due) / timedelta(hours=1) for a, b in zip(made.ahead, made.ahead[1:], strict=False)]
        self.assertEqual(set(gaps[1:]), {12.0})
        self.assertEqual({step.act for step in made.ahead}, {Act.FEED, Act.TO_FRIDGE})
