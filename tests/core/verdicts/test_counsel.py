"""Advice: what a sign changes in the plan, that it can be taken and refused, and that it does no harm."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from ferment.doors.admission import admit
from ferment.doors.assessment import Assessment, assess
from ferment.kitchen.flours import Flour, FlourShare
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.mixing.weighing import ScaleAct
from ferment.protocol.advised import EFFECTS, OPPOSITES, WHOLE, Advice, combined, with_whole_flour
from ferment.ready_rule import Strictness
from ferment.record.log import READY, Bubbles, Deed, DeedKind, Entry, Look, Smell, Thickness, Top, Word
from ferment.refusal import Refusal, RefusalCode
from ferment.setups import Setup
from ferment.signs.contract import Remedy, SignCode
from ferment.simulation import Habits, Played, Truth, play
from ferment.verdicts.cautions import Notice
from ferment.verdicts.counsel import FROM_REMEDY, Answer, Counsel
from ferment.verdicts.readiness import StepCode
from ferment.verdicts.stage import Stage

from ..builders import START, feed, first_mix, hours, setup

KEEN = Habits(late_h=0.3, looks=4.0, reads=0.04)
JAR = Vessel(200.0, 900.0, 150.0)
SETUP = Setup(
    "equal_parts",
    {"first_blend": {"whole_wheat": 1.0}, "blend": {"whole_wheat": 1.0, "white": 1.0}},
    JAR,
    START,
    warmth_c=25.0,
)
FELL = Look(
    "fell",
    START + hours(233),
    Level(1.1, LevelUnit.TIMES),
    Bubbles.FEW,
    frozenset({Top.SUNKEN}),
    frozenset({Smell.SHARP}),
    Thickness.RUNNY,
    has_note=False,
    high=Level(2.4, LevelUnit.TIMES),
)


class Grown(TestCase):
    """A jar of ten days that rises and falls long before its next feed."""

    played: Played
    now = FELL.at + hours(0.5)

    @classmethod
    def setUpClass(cls) -> None:
        cls.played = play(SETUP, 9.7, 41, Truth(native=1.2), KEEN)

    def assess(self, *more: Entry) -> Assessment:
        return assess(SETUP, (*self.played.log, FELL, *more), self.now)

    def told(self, found: Assessment, advice: Advice) -> Counsel | None:
        return next((one for one in found.counsel if one.advice is advice), None)

    def test_hungry_again_offers_feeding_sooner_and_says_what_would_be(self) -> None:
        found = self.assess()
        one = self.told(found, Advice.MORE_OFTEN)
        assert one
        assert one.due
        assert found.next_move.due
        self.assertEqual((one.because, one.answer), (SignCode.HUNGRY_AGAIN, Answer.OFFERED))
        self.assertLess(one.due, found.next_move.due)

    def test_taken_it_moves_the_plan_and_is_in_what_moved_it(self) -> None:
        before = self.assess()
        after = self.assess(Word("w", self.now, Advice.MORE_OFTEN, yes=True))
        assert before.next_move.due
        assert after.next_move.due
        self.assertLess(after.next_move.due, before.next_move.due - hours(6))
        self.assertEqual([one.facts for one in after.changes if one.entry_id == "w"], [{"advice": "more_often"}])
        one = self.told(after, Advice.MORE_OFTEN)
        assert one
        self.assertEqual((one.answer, one.feeds, one.word_id), (Answer.TAKEN, EFFECTS[Advice.MORE_OFTEN].feeds, "w"))

    def test_refused_it_is_remembered_and_moves_nothing(self) -> None:
        before, after = self.assess(), self.assess(Word("w", self.now, Advice.MORE_OFTEN, yes=False))
        self.assertEqual(after.next_move, before.next_move)
        one = self.told(after, Advice.MORE_OFTEN)
        assert one
        self.assertIs(one.answer, Answer.REFUSED)

    def test_a_larger_feed_keeps_less_for_the_same_flour(self) -> None:
        before = self.assess().next_move.plan
        after = self.assess(Word("w", self.now, Advice.LARGER_FEED, yes=True)).next_move.plan
        assert before
        assert after
        self.assertEqual((after.keep_g, after.flour_g), (round(before.keep_g / 2), before.flour_g))

    def test_starving_is_fed_now_without_asking_unless_refused(self) -> None:
        varnish = replace(FELL, id="v", smell=frozenset({Smell.NAIL_VARNISH}))
        found = self.assess(varnish)
        one = self.told(found, Advice.FEED_NOW)
        assert one
        self.assertIs(one.answer, Answer.FOLLOWED)
        self.assertEqual(found.next_move.due, self.now)
        refused = self.assess(varnish, Word("w", self.now, Advice.FEED_NOW, yes=False))
        assert refused.next_move.due
        self.assertGreater(refused.next_move.due, self.now)

    def test_a_clean_jar_is_walked_as_one(self) -> None:
        found = self.assess(Word("w", self.now, Advice.CLEAN_JAR, yes=True))
        self.assertIs(found.next_move.scale_walk[0].do, ScaleAct.EMPTY_JAR)

    def test_a_ruled_out_sign_is_gone_with_its_advice(self) -> None:
        found = self.assess(Word("w", self.now, SignCode.HUNGRY_AGAIN, yes=False))
        self.assertNotIn(SignCode.HUNGRY_AGAIN, [one.sign for one in found.findings])
        self.assertIsNone(self.told(found, Advice.MORE_OFTEN))

    def test_ready_is_the_bakers_to_say_either_way(self) -> None:
        found = self.assess()
        assert found.readiness
        for yes in (True, False):
            said = self.assess(Word("w", self.now, READY, yes=yes))
            assert said.readiness
            assert said.stage
            self.assertEqual((said.readiness.ready, said.readiness.by_rule), (yes, found.readiness.by_rule))
            self.assertEqual(said.stage.stage is Stage.STEADY, yes)

    def test_ready_it_is_to_leave_a_spare_and_says_so_once(self) -> None:
        ready = Word("w", self.now, READY, yes=True)
        self.assertIsNotNone(self.told(self.assess(ready), Advice.SET_SPARE))
        spare = Deed("s", self.now, DeedKind.SPARE_SET_ASIDE)
        self.assertIsNone(self.told(self.assess(ready, spare), Advice.SET_SPARE))

    def test_the_bakers_own_rule_asks_for_more_or_fewer(self) -> None:
        asked = {}
        for rule in Strictness:
            found = assess(replace(SETUP, ready_after=rule), (*self.played.log, FELL), self.now).readiness
            assert found
            asked[rule] = next(step.of for step in found.steps if step.step is StepCode.IN_A_ROW)
        self.assertEqual(list(asked.values()), [1, 3, 5])

    def test_a_danger_cannot_be_talked_away(self) -> None:
        word = Word("w", self.now, SignCode.MOULD, yes=False)
        with self.assertRaises(Refusal) as refused:
            admit(SETUP, self.played.log, word, self.now)
        self.assertIs(refused.exception.code, RefusalCode.DANGER_STANDS)


class Young(TestCase):
    def quiet(self, at_h: float, *, every: int = 24, feeds: int = 0, ratio: float = 1.0) -> Assessment:
        log = (first_mix(), *(feed(every * (one + 1), 10, 10 * ratio, 10 * ratio) for one in range(feeds)))
        now = START + hours(at_h)
        flat = Look(
            "flat",
            now - hours(0.2),
            Level(1.0, LevelUnit.TIMES),
            Bubbles.NONE,
            frozenset({Top.FLAT}),
            frozenset(),
            None,
            has_note=False,
        )
        return assess(setup(every), (*log, flat), now)

    def test_nothing_at_23_hours_the_feed_is_held_off(self) -> None:
        found = self.quiet(23)
        (one,) = (one for one in found.counsel if one.advice is Advice.HOLD_OFF)
        self.assertEqual((one.because, one.answer), (SignCode.NOTHING_YET, Answer.FOLLOWED))
        assert found.next_move.due
        self.assertGreaterEqual(found.next_move.due, START + hours(34))

    def test_flat_on_day_4_it_is_never_told_to_feed_more(self) -> None:
        for at_h in (80, 92, 100, 118):
            found = self.quiet(at_h, feeds=int(at_h // 24))
            advice = {one.advice for one in found.counsel}
            self.assertFalse(advice & {Advice.FEED_NOW, Advice.MORE_OFTEN, Advice.LARGER_FEED}, (at_h, advice))

    def test_thinned_out_it_keeps_all_once_and_is_fed_less_often(self) -> None:
        found = self.quiet(101, every=12, feeds=8, ratio=2.0)
        self.assertIn(SignCode.DILUTED, [one.sign for one in found.findings])
        self.assertLessEqual({Advice.SKIP_DISCARD, Advice.LESS_OFTEN}, {one.advice for one in found.counsel})


class Effects(TestCase):
    def test_every_advice_has_its_effect_and_comes_from_somewhere(self) -> None:
        self.assertEqual(set(EFFECTS), set(Advice))
        self.assertEqual(set(FROM_REMEDY.values()) | {Advice.SET_SPARE}, set(Advice))
        self.assertFalse(set(Advice) & (set(SignCode) | {READY}), "one word for one thing")
        self.assertTrue(all(OPPOSITES[other] is one for one, other in OPPOSITES.items()))

    def test_what_is_only_to_keep_to_changes_nothing(self) -> None:
        self.assertNotIn(Remedy.KEEP_TO_PLAN, FROM_REMEDY)

    def test_whole_flour_keeps_the_sum_and_leaves_whole_and_gluten_free_alone(self) -> None:
        white = (FlourShare(Flour.WHITE, 1.0),)
        made = with_whole_flour(white, 0.25)
        self.assertEqual({part.flour: part.share for part in made}, {Flour.WHITE: 0.75, Flour.RYE: 0.25})
        for flour in WHOLE:
            blend = (FlourShare(flour, 1.0),)
            self.assertEqual(with_whole_flour(blend, 0.25), blend)
        some = with_whole_flour((FlourShare(Flour.WHITE, 0.9), FlourShare(Flour.WHOLE_WHEAT, 0.1)), 0.25)
        self.assertAlmostEqual(sum(part.share for part in some), 1.0)

    def test_together(self) -> None:
        both = combined([Advice.MORE_OFTEN, Advice.CLEAN_JAR])
        self.assertEqual((both.every, both.clean_jar), (0.5, True))


class Notices(TestCase):
    """Each caution where it matters."""

    def test_before_the_first_mix(self) -> None:
        found = assess(setup(), (), START - timedelta(hours=1)).notices
        self.assertEqual(found, (Notice.RAW_FLOUR, Notice.HOLDS_GLUTEN))
        free = assess(setup(blend={"gluten_free": 1.0}), (), START).notices
        self.assertEqual(free, (Notice.RAW_FLOUR, Notice.GLUTEN_FREE_TOOLS))

    def test_the_first_discard_is_no_food_and_a_warm_place_is_named(self) -> None:
        warm = replace(setup(), warmth_c=30.0)
        found = assess(warm, (first_mix(),), START + hours(20)).notices
        self.assertEqual(found, (Notice.WARM_PLACE, Notice.NEVER_SEAL, Notice.DISCARD_NOT_FOOD))
