"""Less waste before the first mix: a smaller size, as long as a scale weighs it and an eye reads it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.doors.comparison import to_ready
from ferment.doors.fitting import SIZES
from ferment.doors.thrift import LEAST_LINE_MM, LEAST_STEPS, thriftier
from ferment.kitchen.vessel import Vessel, line_mm
from ferment.methods import FAMILIES
from ferment.setups import Setup, course_of, ledger_of, plan_of

from ..builders import START

BIG = Vessel(300.0, 1500.0, 190.0)
SMALL = Vessel(180.0, 300.0, 90.0)


class Thriftier(TestCase):
    def test_it_saves_what_it_says_and_can_be_weighed_and_seen(self) -> None:
        told = 0
        for family in FAMILIES:
            for vessel in (BIG, SMALL):
                made = Setup(family.code, {}, vessel, START)
                found = thriftier(made)
                if found is None:
                    continue
                told += 1
                smaller = replace(made, size=found.size)
                before, after = to_ready(made), to_ready(smaller)
                self.assertIn(found.size, SIZES)
                self.assertAlmostEqual(before.discard_g - after.discard_g, found.saves_discard_g, places=1)
                self.assertEqual((before.feeds, before.ready), (after.feeds, after.ready))
                course = course_of(smaller)
                steps = plan_of(smaller, course, ledger_of(smaller, course, ()), START).steps
                for plan in (step.plan for step in steps if step.plan):
                    self.assertTrue(plan.keep_g == 0.0 or plan.keep_g >= LEAST_STEPS)
                    self.assertGreaterEqual(line_mm(vessel, plan.total_g), LEAST_LINE_MM)
        self.assertGreater(told, 5)

    def test_a_coarse_scale_and_a_smallest_size_leave_it(self) -> None:
        self.assertIsNone(thriftier(Setup("equal_parts", {}, SMALL, START, size=SIZES[-1])))
        self.assertIsNone(thriftier(Setup("equal_parts", {}, SMALL, START, scale_step=5.0)))
