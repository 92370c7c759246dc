"""A jar's whole life: changes are true from their time on, ready turns the page, and in the fridge a jar rests."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from ferment.doors.admission import admit
from ferment.doors.assessment import Assessment, Move, assess
from ferment.doors.chapters import ChapterKind
from ferment.doors.keeping import keeping_offers
from ferment.kitchen.flours import blend_of
from ferment.kitchen.vessel import Vessel
from ferment.methods.keeping import KEEPING, Keeping
from ferment.planner import Act, StepState
from ferment.planner.steps import ChangeCode
from ferment.record.ledger import Ledger
from ferment.record.log import READY, Deed, DeedKind, Entry, Leave, Log, PutBack, Top, Use, UsedFor, Word
from ferment.record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay
from ferment.refusal import Refusal, RefusalCode
from ferment.setups import Setup, course_of, ledger_of, warmth_told
from ferment.signs.contract import SignCode

from ..builders import START, VESSEL, daily, feed, hours, look, lot, setup

BIG = Vessel(300.0, 900.0, 150.0)
SMALL = Vessel(90.0, 60.0, 60.0)
LATER = START + hours(24 * 60)


def way(keeping: Keeping, at_h: float) -> OtherWay:
    chosen = KEEPING[keeping]
    return OtherWay("way", START + hours(at_h), chosen.family, chosen.choices)


def told(log: Log, at_h: float, of: Setup | None = None) -> Assessment:
    return assess(of or setup(), log, START + hours(at_h))


def acts(found: Assessment) -> list[tuple[Act, StepState]]:
    return [(step.act, step.state) for step in found.timeline if step.to_come]


def next_feed_of(found: Assessment) -> tuple[float, float, float]:
    plan = next(step.plan for step in found.timeline if step.to_come and step.plan)
    return plan.keep_g, plan.flour_g, plan.water_g


@st.composite
def changes(draw: st.DrawFn) -> Entry:
    at = START + hours(draw(st.floats(1, 200)))
    kinds: list[Entry] = [
        Moved("c", at, draw(st.floats(8, 34)), draw(st.none() | st.floats(8, 30))),
        OtherJar("c", at, BIG),
        OtherFlour("c", at, (blend_of({"rye": 1.0}), blend_of({"white": 3.0, "spelt": 1.0}))),
        OtherRhythm("c", at, draw(st.sampled_from([8.0, 12.0, 36.0]))),
        OtherAmount("c", at, draw(st.floats(0.3, 1.5)), None, draw(st.none() | st.floats(1, 4)), None),
        way(draw(st.sampled_from(list(Keeping))), 0.0),
        Use("c", at, draw(st.floats(1, 60)), UsedFor.DOUGH),
        PutBack("c", at, lot(rye=20.0), 20.0),
    ]
    return replace(draw(st.sampled_from(kinds)), at=at)


class NothingBefore(TestCase):
    LOG = (*daily(7), look(30, 1.2), look(80, 1.5), look(130, 2.0), look(175, 2.1))

    @settings(max_examples=40, deadline=None)
    @given(changes())
    def test_a_change_never_alters_what_was_said_of_any_moment_before(self, change: Entry) -> None:
        """Steps, what moved the plan, rounds and their looks, all of before the change, with it and without it."""
        before, with_it = told(self.LOG, 210), told((*self.LOG, change), 210)

        def steps(found: Assessment) -> list[object]:
            done = [step for step in found.timeline if step.entry_id]
            ids = {entry.id: entry.at for entry in self.LOG}
            return [step for step in done if step.entry_id and ids[step.entry_id] < change.at]

        self.assertEqual(steps(before), steps(with_it))
        self.assertEqual(
            [one for one in before.changes if one.at < change.at and one.entry_id],
            [one for one in with_it.changes if one.at < change.at and one.entry_id],
        )
        seen = [[level for level in turn.levels if level.at < change.at] for turn in before.rounds]
        later = [[level for level in turn.levels if level.at < change.at] for turn in with_it.rounds]
        self.assertEqual(seen, later)


class Changes(TestCase):
    def test_moved_is_told_from_then_on_and_the_forecast_goes_by_it(self) -> None:
        log = (*daily(5), look(122, 1.3))
        cold = (*log, Moved("m", START + hours(121), 14.0))
        warm, cool = told(log, 123).forecast, told(cold, 123).forecast
        assert warm is not None
        assert cool is not None
        self.assertGreater(cool.peaks.likely, warm.peaks.likely)
        self.assertEqual(told(cold, 123).stands.warmth_c, 14.0)
        self.assertEqual(told(cold, 123).changes[-1].code, ChangeCode.MOVED)

    def test_three_forecasts_each_right_for_its_time(self) -> None:
        """The heating fails on day 4 and comes back, warmer, on day 6."""
        log = (*daily(7), Moved("a", START + hours(84), 13.0), Moved("b", START + hours(130), 25.0))
        for at_h, wanted in ((75.0, 24.0), (100.0, 13.0), (170.0, 25.0)):
            so_far = tuple(entry for entry in log if entry.at <= START + hours(at_h))
            found = told(so_far, at_h).forecast
            assert found is not None
            self.assertAlmostEqual(found.basis.celsius, wanted, delta=0.5)
            self.assertEqual(warmth_told(setup(), _ledger(so_far)), wanted)

    def test_another_jar_has_its_own_line_and_tare(self) -> None:
        log = (*daily(3), look(74, 1.5), OtherJar("j", START + hours(75), BIG))
        found = told(log, 76)
        assert found.in_jar is not None
        self.assertGreater(found.in_jar.room_times, told(daily(3), 76).in_jar.room_times)  # type: ignore[union-attr]
        self.assertEqual(found.rounds[-1].levels[0].times, 1.5)
        self.assertEqual(found.stands.vessel, BIG)
        due = told(log, 96).next_move.scale_walk[0].scale_shows_g
        self.assertEqual(due, BIG.tare_g + 30.0)

    def test_flours_take_turns(self) -> None:
        rye, white = blend_of({"rye": 1.0}), blend_of({"white": 1.0})
        log = (*daily(2), OtherFlour("f", START + hours(50), (rye, white)))
        flours = [step.plan.flours[0].flour for step in told(log, 60).timeline if step.to_come and step.plan]
        self.assertEqual(flours[:4], ["rye", "white", "rye", "white"])

    def test_rhythm_size_thickness_and_ratio_change_the_next_feed(self) -> None:
        log = daily(3)
        twice = told((*log, OtherRhythm("r", START + hours(73), 12.0)), 74)
        self.assertEqual(twice.next_move.due, START + hours(84))
        half = told((*log, OtherAmount("a", START + hours(73), 0.5)), 74)
        self.assertEqual(next_feed_of(half), (15.0, 15.0, 15.0))
        thick = told((*log, OtherAmount("a", START + hours(73), 1.0, 20.0, 2.0, 80.0)), 74)
        self.assertEqual(next_feed_of(thick), (20.0, 40.0, 32.0))

    def test_another_way_is_taken_up_past_its_first_mix(self) -> None:
        found = told((*daily(4), OtherWay("w", START + hours(97), "small_seed")), 98)
        self.assertEqual(next_feed_of(found), (13.0, 52.0, 52.0))
        self.assertEqual([chapter.kind for chapter in found.chapters], [ChapterKind.RAISED, ChapterKind.RAISED])

    def test_refused_by_the_field_that_does_not_fit(self) -> None:
        at, log = START + hours(50), daily(2)
        for entry, field, code in (
            (Moved("x", at, 80.0), "warmth_c", RefusalCode.OUT_OF_RANGE),
            (Moved("x", START - hours(1), 20.0), "at", RefusalCode.BEFORE_THE_START),
            (Moved("x", LATER, 20.0), "at", RefusalCode.IN_THE_FUTURE),
            (OtherJar("x", at, SMALL), "volume_ml", RefusalCode.JAR_TOO_SMALL),
            (OtherRhythm("x", at, 2.0), "every_h", RefusalCode.OUT_OF_RANGE),
            (OtherAmount("x", at, 15.0), "size", RefusalCode.JAR_TOO_SMALL),
            (OtherFlour("x", at, ()), "blends", RefusalCode.OUT_OF_RANGE),
            (OtherWay("x", at, "moonlight"), "family", RefusalCode.UNKNOWN_FAMILY),
            (Use("x", at, 500.0, UsedFor.GIFT), "g", RefusalCode.TAKES_MORE_THAN_THERE_IS),
            (PutBack("x", at, lot(rye=400.0), 400.0), "water_g", RefusalCode.JAR_TOO_SMALL),
        ):
            with self.subTest(entry), self.assertRaises(Refusal) as caught:
                admit(setup(), log, entry, START + hours(60))
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))

    def test_a_way_that_feeds_by_signs_has_no_rhythm(self) -> None:
        made = Setup("when_hungry", {}, VESSEL, START)
        with self.assertRaises(Refusal) as caught:
            admit(made, (feed(0, 0, 10, 10),), OtherRhythm("x", START + hours(5), 12.0), START + hours(6))
        self.assertEqual(caught.exception.code, RefusalCode.NO_RHYTHM)


def _ledger(log: Log) -> Ledger:
    return ledger_of(setup(), course_of(setup()), log)


@st.composite
def lives(draw: st.DrawFn) -> Log:
    """Feeds, uses and things put back, of a jar that never runs over."""
    log: list[Entry] = [feed(0.0, 0.0, 60.0, 60.0, id="mix")]
    for number in range(draw(st.integers(1, 8))):
        at_h = 12.0 * (number + 1)
        there_is = _ledger(tuple(log)).contents.total_g
        kind = draw(st.sampled_from(["feed", "use", "back"]))
        part = draw(st.floats(0.05, 0.9)) * there_is
        if kind == "feed":
            log.append(feed(at_h, part, 30.0, 40.0))
        elif kind == "use":
            log.append(Use(f"u{number}", START + hours(at_h), part, draw(st.sampled_from(list(UsedFor)))))
        else:
            log.append(PutBack(f"p{number}", START + hours(at_h), lot(rye=7.0), 9.0))
    return tuple(log)


class Balance(TestCase):
    @given(lives())
    def test_what_went_in_is_discarded_used_or_there(self, log: Log) -> None:
        ledger = _ledger(log)
        went_in = sum(turn.feed.flour_g + turn.feed.liquid_g for turn in ledger.rounds)
        went_in += sum(one.total_g for one in ledger.put_back)
        gone = sum(turn.discard_g for turn in ledger.rounds) + sum(use.g for use in ledger.uses)
        self.assertAlmostEqual(went_in, gone + ledger.contents.total_g, places=6)


READY_LOG = (*daily(12), Word("said", START + hours(290), READY, yes=True))


class ReadyTurnsThePage(TestCase):
    def test_every_answer_is_a_way_with_a_next_act(self) -> None:
        offers = {one.keeping: one for one in keeping_offers(setup(), READY_LOG, START + hours(300))}
        self.assertEqual(set(offers), set(Keeping))
        self.assertGreater(offers[Keeping.COUNTER_TWICE].feeds_a_week, offers[Keeping.COUNTER].feeds_a_week)
        self.assertGreater(offers[Keeping.COUNTER].flour_g_a_week, 4 * offers[Keeping.FRIDGE].flour_g_a_week)
        self.assertEqual(offers[Keeping.FRIDGE].next_act, Act.TO_FRIDGE)
        self.assertFalse(offers[Keeping.SPARE].too_early)
        self.assertTrue(keeping_offers(setup(), daily(3), START + hours(80))[0].too_early)

    def test_kept_it_asks_no_more_and_feeds_by_the_answer(self) -> None:
        found = told((*READY_LOG, way(Keeping.COUNTER, 300)), 301)
        self.assertFalse(found.asks_how_to_keep)
        self.assertEqual(next_feed_of(found), (20.0, 40.0, 40.0))
        self.assertEqual(found.chapters[-1].kind, ChapterKind.COUNTER)

    def test_half_the_day_out_and_half_in_the_cold(self) -> None:
        found = told((*READY_LOG, way(Keeping.COUNTER_AND_COLD, 290)), 291)
        self.assertEqual([act for act, _ in acts(found)][:4], [Act.TO_FRIDGE, Act.FEED, Act.TO_FRIDGE, Act.FEED])

    def test_let_go_asks_for_nothing(self) -> None:
        found = told((*READY_LOG, Deed("go", START + hours(300), DeedKind.LET_GO)), 301)
        self.assertEqual((found.next_move.move, acts(found), found.asks_how_to_keep), (Move.NOTHING, [], False))
        self.assertEqual(found.chapters[-1].kind, ChapterKind.LET_GO)

    def test_a_way_at_its_end_asks_too(self) -> None:
        """The soak that is built up to its first loaf throws nothing out, and then asks."""
        made = Setup("dried_soak", {"way": "build_up"}, BIG, START)
        log: Log = (
            feed(0, 3, 0, 57, id="mix"),
            Deed("stir", START + hours(1.5), DeedKind.STIRRED),
            feed(3, 60, 28, 0),
            *(feed(at, 900, 30, 30) for at in (24, 48)),
            *(feed(at, 900, 50, 50) for at in (66, 78, 102)),
        )
        found = told(log, 110, made)
        self.assertEqual((found.next_move.move, found.asks_how_to_keep), (Move.NOTHING, True))
        self.assertEqual(found.totals.discard_g, 0.0)


class Resting(TestCase):
    KEPT = (
        *READY_LOG,
        way(Keeping.FRIDGE, 300),
        Deed("in", START + hours(301), DeedKind.TO_FRIDGE),
    )

    def test_forty_days_without_an_alarm(self) -> None:
        for days in range(41):
            at_h = 302 + 24.0 * days
            found = told(self.KEPT, at_h)
            with self.subTest(days):
                self.assertNotIn(StepState.LATE, {state for _, state in acts(found)})
                self.assertLessEqual({one.sign for one in found.findings}, {SignCode.RESTED_LONG})
                self.assertTrue(found.readiness is not None and found.readiness.ready)
                self.assertEqual((found.forecast, found.counsel[1:]), (None, ()))

    def test_liquid_is_normal_there_and_mould_is_mould(self) -> None:
        wet = (*self.KEPT, look(500, 1.0, top=frozenset({Top.LIQUID})))
        self.assertEqual([one.sign for one in told(wet, 501).findings], [SignCode.RESTING_LIQUID])
        fuzzy = (*self.KEPT, look(500, 1.0, top=frozenset({Top.FUZZY_SPOTS})))
        self.assertEqual([one.sign for one in told(fuzzy, 501).findings], [SignCode.MOULD])

    def test_out_fed_risen_and_back(self) -> None:
        found = told(self.KEPT, 302)
        self.assertEqual([act for act, _ in acts(found)][:3], [Act.TO_COUNTER, Act.FEED, Act.TO_FRIDGE])

    def test_put_in_the_fridge_on_the_way_it_rests_and_goes_on_when_it_is_out(self) -> None:
        log = (*daily(5), Deed("in", START + hours(125), DeedKind.TO_FRIDGE))
        resting = told(log, 200)
        self.assertEqual(resting.next_move.move, Move.REST)
        out = told((*log, Deed("out", START + hours(200), DeedKind.TO_COUNTER)), 201)
        self.assertEqual(out.next_move.move, Move.FEED)
        self.assertIsNot(out.next_move.state, StepState.LATE)


class Away(TestCase):
    def until(self, days: float, log: Log = READY_LOG) -> str:
        at = START + hours(302)
        try:
            admit(setup(), log, Leave("l", at, at + timedelta(days=days)), START + hours(303))
        except Refusal as refusal:
            return f"{refusal.code} {refusal.facts.get('instead', '')}".strip()
        return "taken"

    def test_days_on_the_counter_weeks_in_the_fridge_and_flakes_for_years(self) -> None:
        self.assertEqual([self.until(5), self.until(20), self.until(730)], ["taken", *AWAY])
        rests = (*READY_LOG, Deed("in", START + hours(301), DeedKind.TO_FRIDGE))
        self.assertEqual([self.until(60, rests), self.until(730, rests)], ["taken", "away_too_long flakes"])


AWAY = ("away_too_long fridge", "away_too_long flakes")
