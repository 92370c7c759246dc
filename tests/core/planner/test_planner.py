"""The timeline: rhythm, windows, signs, the baker's hours, and how the log re-forms the plan."""

from __future__ import annotations

import itertools
from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from hypothesis import given, settings
from hypothesis import strategies as st

from ferment.doors.assessment import assess
from ferment.kitchen.hours import Hours as BakersHours
from ferment.kitchen.hours import parse_bands, waking_hours
from ferment.kitchen.vessel import Level, LevelUnit
from ferment.methods import FAMILIES
from ferment.planner import MOST_STEPS, StepState
from ferment.planner.steps import Act, ChangeCode, Task
from ferment.record.log import Bubbles, Deed, DeedKind, Entry, Leave, Log, Look
from ferment.setups import Setup, course_of, ledger_of, plan_of

from ..builders import START, VESSEL, daily, feed, first_mix, hours, look, lot, setup
from .reading import after, codes, next_step, plan

LISBON = ZoneInfo("Europe/Lisbon")
AHEAD = (StepState.AHEAD,)
CODES = [family.code for family in FAMILIES]


class Rhythm(TestCase):
    def due(self, every_h: int, *feeds_at: float) -> float:
        log = (first_mix(), *(feed(at) for at in feeds_at))
        return after(next_step(plan(setup(every_h), log, feeds_at[-1] + 0.1 if feeds_at else 0.1)))

    def test_on_time(self) -> None:
        step = next_step(plan(setup(), daily(1), 25))
        bounds = [(at - START) / timedelta(hours=1) for at in (step.earliest, step.due, step.latest)]
        self.assertEqual(bounds, [44.0, 48.0, 54.0])

    def test_a_late_feed_is_caught_up(self) -> None:
        """Fed five hours late, the next is due four hours sooner than a full day, the one after on the beat again."""
        self.assertEqual(self.due(24, 29), 49)
        self.assertEqual(self.due(24, 29, 49), 72)

    def test_a_missed_feed_moves_no_other(self) -> None:
        """Fed two hours after the second beat instead of at the first: due again on the third."""
        self.assertEqual(self.due(24, 50), 72)

    @given(st.floats(13, 2_000), st.sampled_from([12, 24]))
    def test_due_lies_inside_the_window(self, at: float, every: int) -> None:
        step = next_step(plan(setup(every), (first_mix(), feed(at)), at + 0.01))
        self.assertTrue(step.earliest <= step.due <= step.latest)
        self.assertGreater(step.earliest, START + hours(at))

    def test_one_feed_in_the_evening_does_not_turn_a_morning_rhythm(self) -> None:
        """By steps within what the way allows, 20 to 30 hours a feed, it comes back to eight in the morning."""
        made = replace(setup(), hours=waking_hours(ZoneInfo("UTC")))
        log: Log = (*daily(4), feed(24.0 * 4 + 12.0 + 24.0))
        for _ in range(5):
            step = next_step(plan(made, log, (log[-1].at - START) / hours(1) + 1))
            log = (*log, feed((step.due - START) / hours(1)))
        self.assertEqual(log[-1].at.hour, 8)
        gaps = [(later.at - earlier.at) / hours(1) for earlier, later in itertools.pairwise(log[-6:])]
        self.assertTrue(all(20.0 <= gap <= 30.0 for gap in gaps), gaps)

    def test_over_a_change_of_clocks_a_daily_rhythm_keeps_its_hour(self) -> None:
        """In Lisbon the clocks went forward on 29 March 2026: from eight to eight it was 23 hours that day."""
        start = datetime(2026, 3, 28, 20, 0, tzinfo=LISBON)
        made = replace(setup(), starts_at=start, hours=waking_hours(LISBON))
        course = course_of(made)
        steps = plan_of(made, course, ledger_of(made, course, ()), start).steps
        self.assertEqual([step.due.astimezone(LISBON).hour for step in steps[:4]], [20, 20, 20, 20])
        self.assertEqual(steps[1].due.timestamp() - steps[0].due.timestamp(), 23 * 3600)

    def test_twelve_hours_stay_twelve_over_a_change_of_clocks(self) -> None:
        start = datetime(2026, 3, 28, 20, 0, tzinfo=LISBON)
        made = replace(setup(every_h=12), starts_at=start)
        course = course_of(made)
        steps = plan_of(made, course, ledger_of(made, course, ()), start).steps
        gaps = {(later.due - earlier.due) / hours(1) for earlier, later in itertools.pairwise(steps)}
        self.assertEqual(gaps, {12.0})


class States(TestCase):
    def test_new_jar(self) -> None:
        steps = plan(setup(seed_g=45), (), 0).steps
        self.assertEqual([step.act for step in steps[:3]], [Act.MIX, Act.FEED, Act.FEED])
        self.assertEqual([after(step) for step in steps[:3]], [0, 24, 48])
        totals = [step.plan.total_g for step in steps[:2] if step.plan]
        self.assertEqual(totals, [90.0, 135.0])

    def test_states_by_the_clock(self) -> None:
        for at, state in ((30, StepState.NOT_YET), (45, StepState.DUE), (54, StepState.DUE), (55, StepState.LATE)):
            with self.subTest(at):
                self.assertEqual(next_step(plan(setup(), daily(1), at)).state, state)

    def test_the_first_mix_is_never_late(self) -> None:
        self.assertEqual(next_step(plan(setup(), (), 90)).state, StepState.DUE)

    def test_after_a_late_act_the_rest_is_planned_from_now(self) -> None:
        steps = [step for step in plan(setup(), daily(1), 70).steps if step.state is StepState.AHEAD]
        self.assertGreater(after(steps[0]), 89)

    def test_done_steps_say_how_far_off_they_were(self) -> None:
        done = plan(setup(), (first_mix(), feed(27)), 28).steps[:2]
        self.assertEqual([step.off_by_h for step in done], [0.0, 3.0])
        self.assertEqual([step.entry_id for step in done], ["mix", "feed-27"])

    def test_a_small_jar_keeps_what_it_has(self) -> None:
        """Half the mix was spilt: the next feed keeps what is there, not what was planned."""
        found = next_step(plan(setup(), (first_mix(flour_g=10, water_g=10),), 24)).plan
        assert found is not None
        self.assertEqual((found.keep_g, found.water_g), (20.0, 20.0))


class TheLogReforms(TestCase):
    def test_early_late_missed(self) -> None:
        for at, code, facts in (
            (18, ChangeCode.EARLY, {"hours": 6.0}),
            (31, ChangeCode.LATE, {"hours": 7.0}),
            (73, ChangeCode.MISSED, {"feeds": 2.0, "hours": 49.0}),
        ):
            with self.subTest(at):
                change = plan(setup(), (first_mix(), feed(at)), at + 1).changes[0]
                self.assertEqual((change.code, change.facts, change.entry_id), (code, facts, f"feed-{at}"))

    def test_fed_twice_is_one_turn(self) -> None:
        made = Setup("slow_build", {"blend": {"white": 1.0}}, VESSEL, START)
        log: Log = (first_mix(25, 25), feed(24, 50, 25, 25), feed(26, 100, 25, 25))
        found = plan(made, log, 27)
        self.assertEqual(codes(found), [ChangeCode.EXTRA_FEED, ChangeCode.KEPT_OTHER][:1])
        self.assertEqual(next_step(found).stage, "on_top")
        self.assertEqual(sum(step.stage == "on_top" for step in found.steps if step.state is not StepState.DONE), 2)

    def test_half_done_brings_the_next_forward(self) -> None:
        whole = next_step(plan(setup(), daily(1), 25))
        half = plan(setup(), (first_mix(), feed(24, 30, 12, 12)), 25)
        self.assertEqual(codes(half), [ChangeCode.HALF_DONE])
        self.assertEqual(half.changes[0].facts, {"flour_short_g": 18.0, "water_short_g": 18.0})
        self.assertLess(next_step(half).due, whole.due)

    def test_other_amounts_and_other_flour(self) -> None:
        log = (first_mix(), replace(feed(24, 45, 40, 30), flours=lot(white=20, rye=20)))
        found = plan(setup(), log, 25)
        self.assertEqual(codes(found), [ChangeCode.KEPT_OTHER, ChangeCode.OTHER_AMOUNTS, ChangeCode.OTHER_FLOUR])
        self.assertEqual(found.changes[2].facts, {"flours": "rye", "g": 20.0})

    def test_a_gram_or_two_is_nothing(self) -> None:
        self.assertEqual(codes(plan(setup(), (first_mix(), feed(24, 31, 29, 32)), 25)), [])

    def test_left_alone_today(self) -> None:
        leave = Leave("leave", START + hours(46), START + hours(60))
        found = plan(setup(), (*daily(1), leave), 49)
        step = next_step(found)
        self.assertEqual((step.state, after(step)), (StepState.NOT_YET, 60.0))
        self.assertEqual(found.changes[0].facts["hours"], 14.0)
        self.assertEqual(next_step(plan(setup(), (*daily(1), leave, feed(61)), 62)).due, START + hours(91))

    def test_skipped(self) -> None:
        skip = Deed("skip", START + hours(48), DeedKind.SKIPPED)
        found = plan(setup(), (*daily(1), skip), 49)
        self.assertEqual([step.state for step in found.steps[:3]], [StepState.DONE, StepState.DONE, StepState.SKIPPED])
        self.assertEqual((codes(found), after(next_step(found))), ([ChangeCode.SKIPPED], 72.0))

    def test_a_night_in_the_fridge_counts_little(self) -> None:
        cold = Deed("cold", START + hours(30), DeedKind.TO_FRIDGE)
        warm = Deed("warm", START + hours(40), DeedKind.TO_COUNTER)
        found = plan(setup(), (*daily(1), cold, warm), 41)
        self.assertEqual((codes(found), after(next_step(found))), ([ChangeCode.IN_THE_COLD], 57.0))

    def test_a_stir_only_day_passes_by_itself(self) -> None:
        """Stirred or not said so: the feed after it still comes on its day."""
        made = Setup("equal_parts", {"first_days": "rest_then_top_up"}, VESSEL, START)
        log: Log = (first_mix(45, 45),)
        self.assertEqual(next_step(plan(made, log, 24)).act, Act.STIR)
        stirred = (*log, Deed("stir", START + hours(25), DeedKind.STIRRED))
        for after_it in (plan(made, stirred, 26), plan(made, log, 40)):
            self.assertEqual((next_step(after_it).stage, after(next_step(after_it))), ("top_up", 48.0))
        fed_instead = plan(made, (*log, feed(26, 90, 30, 30)), 27)
        self.assertEqual(
            [(step.stage, step.state) for step in fed_instead.steps[:3]],
            [("mix", StepState.DONE), ("rest", StepState.SKIPPED), ("top_up", StepState.DONE)],
        )

    def test_the_fridge_of_a_method_is_no_accident(self) -> None:
        made = Setup("wake_and_keep", {"way": "fridge", "seed_grams": 25.0, "flour_parts": 2.0}, VESSEL, START)
        log: Log = (feed(0, 25, 50, 50, id="mix"), Deed("cold", START + hours(9), DeedKind.TO_FRIDGE))
        found = plan(made, log, 30)
        self.assertEqual((codes(found), next_step(found).act), ([], Act.TO_COUNTER))
        self.assertEqual(after(next_step(found)), 144.0)

    def test_beyond_what_a_method_can_weigh_the_log_still_stands(self) -> None:
        log = (first_mix(), feed(24, 30, 0.2, 400), feed(48, 0.1, 1, 1))
        self.assertEqual(len([step for step in plan(setup(), log, 49).steps if step.entry_id]), 3)


class InTheBakersHours(TestCase):
    SHIFT = replace(
        setup(12),
        hours=BakersHours(LISBON, parse_bands("06:00-08:00,20:00-23:00"), parse_bands("09:00-23:00")),
        starts_at=datetime(2026, 3, 2, 13, 0, tzinfo=LISBON),
    )

    def test_every_step_is_in_the_hours_and_none_drifts(self) -> None:
        course = course_of(self.SHIFT)
        found = plan_of(self.SHIFT, course, ledger_of(self.SHIFT, course, ()), self.SHIFT.starts_at)
        local = [step.due.astimezone(LISBON) for step in found.steps[1:]]
        for at in local:
            bands = self.SHIFT.hours.bands_of(at.date())
            minutes = at.hour * 60 + at.minute
            self.assertTrue(any(band.start <= minutes <= band.end for band in bands), at)
        self.assertEqual({at.hour for at in local if at.weekday() < 5}, {8, 23})

    def test_it_says_that_it_moved_or_does_not_fit(self) -> None:
        made = replace(setup(), hours=BakersHours(LISBON, parse_bands("06:00-07:00"), parse_bands("06:00-07:00")))
        found = plan(made, (first_mix(),), 1)
        self.assertEqual((codes(found), found.changes[0].facts), ([ChangeCode.MOVED_INTO_HOURS], {"hours": -1.0}))
        narrow = replace(setup(), hours=BakersHours(LISBON, parse_bands("16:00-17:00"), parse_bands("16:00-17:00")))
        step = next_step(plan(narrow, (first_mix(),), 1))
        self.assertEqual((codes(plan(narrow, (first_mix(),), 1)), step.fits), ([ChangeCode.NO_ROOM_IN_HOURS], False))

    def test_another_time_zone_moves_the_wall_and_not_the_jar(self) -> None:
        here = replace(setup(), hours=waking_hours(LISBON))
        there = replace(setup(), hours=waking_hours(ZoneInfo("Asia/Tokyo")))
        self.assertEqual(after(next_step(plan(here, daily(1), 25))), 48.0)
        tokyo = next_step(plan(there, daily(1), 25))
        self.assertTrue(tokyo.fits)
        self.assertTrue(7 <= tokyo.due.astimezone(ZoneInfo("Asia/Tokyo")).hour <= 22)


@st.composite
def logs(draw: st.DrawFn) -> Log:
    """A careless baker's log: feeds at odd times and of odd amounts, looks and deeds in between."""
    at, entries = 0.0, [first_mix()]
    for number in range(draw(st.integers(0, 8))):
        at += draw(st.floats(2, 60))
        keep, flour, water = (draw(st.floats(5, 60)) for _ in range(3))
        entries.append(feed(round(at, 2), round(keep, 1), round(flour, 1), round(water, 1), id=f"f{number}"))
    extras: list[Entry] = []
    for number in range(draw(st.integers(0, 8))):
        when = START + hours(draw(st.floats(0.5, max(1.0, at + 40))))
        kind = draw(st.sampled_from(["look", "stir", "skip", "cold", "warm", "leave"]))
        name = f"x{number}"
        extras.append(_extra(kind, name, when, draw(st.floats(0.5, 3.0))))
    return tuple(draw(st.permutations([*entries, *extras])))


def _extra(kind: str, name: str, when: datetime, value: float) -> Entry:
    deeds = {
        "stir": DeedKind.STIRRED,
        "skip": DeedKind.SKIPPED,
        "cold": DeedKind.TO_FRIDGE,
        "warm": DeedKind.TO_COUNTER,
    }
    if kind in deeds:
        return Deed(name, when, deeds[kind])
    if kind == "leave":
        return Leave(name, when, when + hours(10 * value))
    level = Level(value, LevelUnit.TIMES)
    return Look(name, when, level, Bubbles.FEW, frozenset(), frozenset(), None, has_note=False)


class AnyLog(TestCase):
    @settings(max_examples=60)
    @given(logs(), st.sampled_from(CODES), st.floats(0, 400))
    def test_same_log_same_now_same_plan_in_any_order(self, log: Log, family: str, after_h: float) -> None:
        made = Setup(family, {}, VESSEL, START, 0.1, hours=waking_hours(LISBON))
        past = tuple(entry for entry in log if entry.at <= START + hours(after_h))
        found = plan(made, past, after_h)
        self.assertEqual(found, plan(made, past, after_h))
        self.assertEqual(found, plan(made, past[::-1], after_h))

    @settings(max_examples=8)
    @given(logs(), st.floats(0, 200))
    def test_and_the_same_assessment(self, log: Log, after_h: float) -> None:
        now = START + hours(after_h)
        past = tuple(entry for entry in log if entry.at <= now)
        self.assertEqual(assess(setup(), past, now), assess(setup(), past[::-1], now))

    @settings(max_examples=60)
    @given(logs(), st.sampled_from(CODES), st.floats(0, 400))
    def test_time_runs_forward_and_mass_balances(self, log: Log, family: str, after_h: float) -> None:
        made = Setup(family, {}, VESSEL, START, 0.1)
        now = START + hours(after_h)
        past = tuple(entry for entry in log if entry.at <= now)
        course = course_of(made)
        ledger = ledger_of(made, course, past)
        found = plan_of(made, course, ledger, now, until=now + timedelta(days=9), most_ahead=MOST_STEPS)
        ahead = [step for step in found.steps if step.state in AHEAD]
        for earlier, later in itertools.pairwise(ahead):
            self.assertLess(earlier.due, later.due)
        fed = [step for step in found.steps if step.state is StepState.DONE and step.act in (Act.MIX, Act.FEED)]
        self.assertLessEqual(len(fed), len(ledger.rounds))
        jar = ledger.contents.total_g
        for step in found.steps:
            if step.state in (StepState.DONE, StepState.SKIPPED) or step.plan is None:
                continue
            out = sum(doing.out_g or 0.0 for doing in step.do)
            put_in = sum(doing.g or 0.0 for doing in step.do if doing.do is Task.PUT_IN)
            added = step.plan.flour_g + step.plan.liquid_g + step.plan.salt_g + put_in
            self.assertAlmostEqual(jar - out + added, step.plan.total_g, delta=0.06)
            jar = step.plan.total_g

    def test_a_year_of_feeds(self) -> None:
        log: list[Entry] = [first_mix()]
        log += [feed(12.0 * number, id=f"f{number}") for number in range(1, 730)]
        log += [look(12.0 * number + 6, 1.5 + number % 3 / 4) for number in range(730)]
        found = plan(setup(12), tuple(log), 12 * 730)
        self.assertEqual(len([step for step in found.steps if step.entry_id]), 730)
        self.assertEqual(codes(found), [])
