"""The timeline: rhythm, windows, late and early feeds, clocks that change."""

from __future__ import annotations

from datetime import datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from hypothesis import given
from hypothesis import strategies as st

from ferment.assessment import assess
from ferment.methods import family_named
from ferment.planner import Act, StepState, next_window
from ferment.protocol import Choices, settle

from .builders import START, daily, feed, first_mix, hours, setup

DAILY = settle(family_named("equal_parts"), Choices(every_hours=24))
TWICE = settle(family_named("equal_parts"), Choices(every_hours=12))


class Rhythm(TestCase):
    def test_on_time(self) -> None:
        window = next_window(DAILY, START, START + hours(24))
        self.assertEqual(
            (window.earliest, window.due, window.latest), (START + hours(44), START + hours(48), START + hours(54))
        )

    def test_a_late_feed_is_caught_up(self) -> None:
        """Fed five hours late, the next is due four hours sooner than a full day, the one after on the beat again."""
        late = START + hours(29)
        next_due = next_window(DAILY, START, late).due
        self.assertEqual(next_due, late + hours(20))
        self.assertEqual(next_window(DAILY, START, next_due).due, START + hours(72))

    def test_a_missed_feed_moves_no_other(self) -> None:
        """Fed two hours after the second beat instead of at the first: due again on the third."""
        self.assertEqual(next_window(DAILY, START, START + hours(50)).due, START + hours(72))

    @given(st.floats(0, 2_000), st.sampled_from([DAILY, TWICE]))
    def test_due_lies_inside_the_window(self, after: float, course) -> None:  # type: ignore[no-untyped-def]
        last = START + hours(after)
        window = next_window(course, START, last)
        self.assertTrue(window.earliest <= window.due <= window.latest)
        self.assertGreater(window.earliest, last)

    def test_a_change_of_clocks_stretches_no_interval(self) -> None:
        """In Lisbon the clocks went forward on 29 March 2026: a day of 23 hours on the wall is 24 hours for a jar."""
        lisbon = ZoneInfo("Europe/Lisbon")
        start = datetime(2026, 3, 28, 20, 0, tzinfo=lisbon)
        due = next_window(DAILY, start.astimezone(ZoneInfo("UTC")), start.astimezone(ZoneInfo("UTC"))).due
        self.assertEqual(due - start.astimezone(ZoneInfo("UTC")), timedelta(hours=24))
        self.assertEqual(due.astimezone(lisbon).hour, 21)


class Timeline(TestCase):
    def test_new_jar(self) -> None:
        steps = assess(setup(seed_g=45), (), START).timeline
        self.assertEqual([step.act for step in steps[:3]], [Act.MIX, Act.FEED, Act.FEED])
        self.assertEqual([step.due for step in steps[:3]], [START, START + hours(24), START + hours(48)])
        mix, next_feed = steps[0].plan, steps[1].plan
        assert mix is not None
        assert next_feed is not None
        self.assertEqual((mix.total_g, next_feed.keep_g, next_feed.total_g), (90.0, 45.0, 135.0))

    def test_thirty_by_thirty(self) -> None:
        """s 30 + 30 w + 30 flour every 24 h (common practice), to the end of the week in sight."""
        steps = assess(setup(), daily(3), START + hours(73)).timeline
        plans = [step.plan for step in steps if step.plan]
        self.assertEqual({(plan.keep_g, plan.water_g, plan.total_g) for plan in plans}, {(30.0, 30.0, 90.0)})
        self.assertEqual([step.day for step in steps], list(range(1, len(steps) + 1)))
        self.assertEqual(len(plans), 7)

    def test_states_by_the_clock(self) -> None:
        for after, state in ((30, StepState.NOT_YET), (45, StepState.DUE), (54, StepState.DUE), (55, StepState.LATE)):
            with self.subTest(after):
                found = assess(setup(), daily(1), START + hours(after)).timeline
                self.assertEqual(next(step.state for step in found if step.state is not StepState.DONE), state)

    def test_after_a_late_act_the_rest_is_planned_from_now(self) -> None:
        now = START + hours(70)
        ahead = [step for step in assess(setup(), daily(1), now).timeline if step.state is StepState.AHEAD]
        self.assertGreater(ahead[0].due, now + hours(19))

    def test_done_steps_say_how_far_off_they_were(self) -> None:
        done = assess(setup(), (first_mix(), feed(27)), START + hours(28)).timeline[:2]
        self.assertEqual([step.off_by_h for step in done], [0.0, 3.0])

    def test_a_small_jar_keeps_what_it_has(self) -> None:
        """Half the mix was spilt: the next feed keeps what is there, not what was planned."""
        small = (first_mix(flour_g=10, water_g=10),)
        plan = next(step.plan for step in assess(setup(), small, START + hours(24)).timeline if step.plan)
        self.assertEqual((plan.keep_g, plan.water_g), (20.0, 20.0))

    def test_same_log_same_now_same_plan(self) -> None:
        log = daily(4)
        now = START + hours(100)
        self.assertEqual(assess(setup(), log, now), assess(setup(), log[::-1], now))
