"""Every course held against its row: what goes in and out, in which order, when, and what it waits for."""

from __future__ import annotations

from datetime import timedelta
from unittest import TestCase

from ferment.kitchen.quantities import Unit
from ferment.kitchen.vessel import Vessel
from ferment.methods import family_named
from ferment.planner import MOST_STEPS, Step
from ferment.planner.steps import Task
from ferment.setups import Setup, course_of, ledger_of, plan_of

from ..builders import START
from ..courses import ROWS, Row, Turn

BIG_BOWL = Vessel(300.0, 4_000.0, 200.0)
ADDING = {Task.ADD_WATER, Task.ADD_JUICE, Task.ADD_FLOUR, Task.ADD_SALT}
OUT = {Task.KEEP, Task.KEEP_ALL, Task.TAKE_OUT, Task.PUT_IN}


def planned(row: Row) -> list[Step]:
    setup = Setup(row.family, row.options, BIG_BOWL, START, 0.1, row.size)
    course = course_of(setup)
    ledger = ledger_of(setup, course, ())
    until = START + timedelta(days=21)
    return list(plan_of(setup, course, ledger, START, until=until, most_ahead=MOST_STEPS).steps)


class Courses(TestCase):
    maxDiff = None

    def test_every_course_has_its_row(self) -> None:
        self.assertEqual([row.course for row in ROWS], list(range(1, 27)))

    def test_grams_order_and_triggers(self) -> None:
        for row in ROWS:
            steps = planned(row)
            self.assertGreaterEqual(len(steps), len(row.turns) + row.repeats)
            for turn, step in zip(row.turns, steps, strict=False):
                with self.subTest(course=row.course, hour=turn.at_h):
                    self.check(turn, step)

    def test_the_last_turn_goes_on(self) -> None:
        for row in ROWS:
            steps = planned(row)
            last = len(row.turns) - 1
            for number in range(1, row.repeats + 1):
                with self.subTest(course=row.course, repeat=number):
                    again, before = steps[last + number], steps[last + number - 1]
                    self.assertEqual((again.due - before.due) / timedelta(hours=1), row.every_h)
                    self.assertEqual(again.stage, steps[last].stage)
                    for task in ADDING:
                        self.assertAlmostEqual(grams(again, task), grams(steps[last], task), delta=0.11)

    def check(self, turn: Turn, step: Step) -> None:
        self.assertEqual((step.due - START) / timedelta(hours=1), turn.at_h)
        self.assertEqual(tuple(one.sight.value for one in step.waits_for), turn.waits)
        self.assertAlmostEqual(grams(step, Task.ADD_WATER), turn.water, delta=0.06)
        self.assertAlmostEqual(grams(step, Task.ADD_JUICE), turn.juice, delta=0.06)
        self.assertAlmostEqual(grams(step, Task.ADD_SALT), turn.salt, delta=0.001)
        flours = {doing.flour.value: doing.g or 0.0 for doing in step.do if doing.flour}
        self.assertEqual(set(flours), set(turn.flours or {}))
        for flour, g in (turn.flours or {}).items():
            self.assertAlmostEqual(flours[flour], g, delta=0.11)
        if turn.keep is not None:
            self.assertAlmostEqual(grams(step, Task.KEEP), turn.keep, delta=0.11)
        elif turn.out is not None:
            self.assertAlmostEqual(grams(step, Task.TAKE_OUT), turn.out, delta=0.11)
        elif turn.put_in is not None:
            self.assertAlmostEqual(grams(step, Task.PUT_IN), turn.put_in)
        else:
            self.assertEqual([doing.do for doing in step.do if doing.do in {Task.KEEP, Task.TAKE_OUT}], [])
        others = tuple(doing.do for doing in step.do if doing.do not in ADDING | OUT)
        self.assertEqual(others, turn.also)
        self.assertEqual(_order(step), sorted(_order(step)))


def grams(step: Step, task: Task) -> float:
    return sum(doing.g or 0.0 for doing in step.do if doing.do is task)


def _order(step: Step) -> list[int]:
    """Good practice: what is kept or put in comes before water, water before flour, flour before salt."""
    ranks = dict.fromkeys(OUT, 0) | {
        Task.ADD_WATER: 1,
        Task.ADD_JUICE: 1,
        Task.ADD_FLOUR: 2,
        Task.ADD_SALT: 3,
    }
    return [ranks[doing.do] for doing in step.do if doing.do in ranks]


class Spoons(TestCase):
    def test_spoons_are_shown_beside_grams(self) -> None:
        first, second = planned(ROWS[3])[:2]
        told = [(one.do, one.measured.value, one.measured.unit) for one in first.do if one.measured]
        self.assertEqual(told, [(Task.ADD_WATER, 2.0, Unit.TABLESPOON), (Task.ADD_FLOUR, 2.0, Unit.TABLESPOON)])
        out = next(doing for doing in second.do if doing.do is Task.TAKE_OUT)
        assert out.measured is not None
        self.assertEqual((out.measured.value, out.measured.unit), (1.0, Unit.TABLESPOON))

    def test_what_a_method_is_for_it_says(self) -> None:
        self.assertEqual(family_named("stiff_warm").wants_c, 27.0)
        self.assertEqual(family_named("dried_soak").origin.value, "dried")
