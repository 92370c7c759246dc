"""Advice taken in any family, at any time of a course: the plan stays one that a baker can follow."""

from __future__ import annotations

from itertools import pairwise
from typing import ClassVar
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.planner import Plan, StepState
from ferment.protocol.advised import EFFECTS, Advice
from ferment.record.log import Log, Word
from ferment.setups import Setup, course_of, ledger_of, plan_of
from ferment.simulation import TIDY, play

from ..builders import START, hours

JAR = Vessel(300.0, 4_000.0, 200.0)
DAYS = 6.0


class TakenAnywhere(TestCase):
    logs: ClassVar[dict[str, Log]] = {}

    def log_of(self, family: str) -> Log:
        if family not in self.logs:
            self.logs[family] = play(Setup(family, {}, JAR, START), DAYS, 3, habits=TIDY).log
        return self.logs[family]

    def plan(self, family: str, at_h: float, *advice: Advice) -> Plan:
        setup = Setup(family, {}, JAR, START)
        now = START + hours(at_h)
        known = tuple(entry for entry in self.log_of(family) if entry.at <= now)
        words = tuple(Word(f"w{index}", now, one, yes=True) for index, one in enumerate(advice))
        course = course_of(setup)
        return plan_of(setup, course, ledger_of(setup, course, (*known, *words)), now)

    @settings(max_examples=60, deadline=None)
    @given(
        st.sampled_from([family.code for family in FAMILIES]),
        st.floats(10.0, DAYS * 24.0),
        st.lists(st.sampled_from(list(Advice)), min_size=1, max_size=3, unique=True),
    )
    def test_weights_can_be_weighed_and_times_go_forward(self, family: str, at_h: float, advice: list[Advice]) -> None:
        made = self.plan(family, at_h, *advice)
        steps = [step for step in made.steps if step.state not in (StepState.DONE, StepState.SKIPPED)]
        self.assertTrue(all(later.due >= step.due for step, later in pairwise(steps)), steps)
        for step in steps:
            if step.plan:
                self.assertGreaterEqual(step.plan.keep_g, 0.0)
                self.assertGreater(step.plan.flour_g + step.plan.liquid_g, 0.0)
                self.assertGreaterEqual(step.plan.total_g, step.plan.keep_g)

    @settings(max_examples=40, deadline=None)
    @given(st.sampled_from([family.code for family in FAMILIES]), st.sampled_from(list(Advice)))
    def test_after_its_feeds_the_method_has_its_own_amounts_again(self, family: str, advice: Advice) -> None:
        made = self.plan(family, 60.0, advice)
        self.assertLessEqual(sum(one.feeds for one in made.taken), EFFECTS[advice].feeds)
        feeds = [step.plan for step in made.steps if step.plan and step.state is not StepState.DONE]
        usual = [step.plan for step in self.plan(family, 60.0).steps if step.plan and step.state is not StepState.DONE]
        if len(feeds) > EFFECTS[advice].feeds + 1 and advice not in (Advice.SKIP_DISCARD, Advice.THICKER):
            self.assertEqual(feeds[-1].fresh_hydration_percent, usual[-1].fresh_hydration_percent)
