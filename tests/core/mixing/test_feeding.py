"""The arithmetic of a feed. Worked examples are common practice."""

from __future__ import annotations

from itertools import pairwise
from unittest import TestCase

from hypothesis import assume, example, given
from hypothesis import strategies as st

from ferment.kitchen.flours import Flour, blend_of, g_per_ml, weight
from ferment.kitchen.quantities import Unit
from ferment.kitchen.vessel import PASTE_G_PER_ML, ROOM_WANTED, headroom
from ferment.mixing.feeding import (
    From,
    Ingredient,
    Ratio,
    parse_ratio,
    plan_feed,
    plan_total,
    ratio_as_weighed,
    seed_for_jar,
    seed_from,
    weighed,
)
from ferment.mixing.mending import mend
from ferment.mixing.weighing import ScaleAct, ScaleStep, WalkStyle, scale_walk
from ferment.refusal import Refusal, RefusalCode

from ..builders import VESSEL, blends, grams

WHITE = blend_of({"white": 1})
ratios = st.builds(Ratio, st.just(1.0), st.floats(0.5, 10.0), st.floats(0.4, 10.0))
steps = st.sampled_from([0.1, 1.0, 5.0])


class WorkedExamples(TestCase):
    def test_one_to_five(self) -> None:
        """5 g at 1:5:5 is 55 g."""
        plan = plan_feed(5, parse_ratio("1:5:5"), WHITE)
        self.assertEqual((weight(plan.flours), plan.water_g, plan.total_g), (25.0, 25.0, 55.0))

    def test_small_seed_big_meal(self) -> None:
        """12.5 + 50 + 50 is 1:4:4."""
        self.assertEqual(ratio_as_weighed(12.5, 50, 50), "1:4:4")
        plan = plan_feed(12.5, parse_ratio("1:4:4"), WHITE, step=0.1)
        self.assertEqual((weight(plan.flours), plan.water_g), (50.0, 50.0))

    def test_stiff(self) -> None:
        """300 g kept + 300 g flour + 180 g water is 1:1:0.6, fed at 60 %."""
        plan = plan_feed(300, parse_ratio("1:1:0.6"), WHITE)
        self.assertEqual((weight(plan.flours), plan.water_g), (300.0, 180.0))
        self.assertEqual((plan.ratio, plan.fresh_hydration_percent), ("1:1:0.6", 60.0))

    def test_salt(self) -> None:
        """1 g of salt to 300 g of flour."""
        self.assertEqual(plan_feed(300, parse_ratio("1:1:0.6"), WHITE, salt_percent=0.33).salt_g, 1.0)


class Rounding(TestCase):
    @given(grams, ratios, blends, steps)
    def test_within_half_a_step_and_consistent(
        self, keep: float, ratio: Ratio, parts: dict[str, float], step: float
    ) -> None:
        assume(keep >= step and keep * max(ratio.flour, ratio.water) < 9_000)
        assume(keep * min(ratio.flour, ratio.water) > step)
        plan = plan_feed(keep, ratio, blend_of(parts), step=step)
        flour = weight(plan.flours)
        self.assertLessEqual(abs(flour - plan.keep_g * ratio.flour), step / 2 + 1e-6)
        self.assertLessEqual(abs(plan.water_g - plan.keep_g * ratio.water), step / 2 + 1e-6)
        self.assertAlmostEqual(plan.total_g, plan.keep_g + flour + plan.water_g + plan.salt_g, places=5)

    @given(grams, ratios, blends, st.floats(0, 900))
    def test_walk_ends_at_jar_and_all(self, keep: float, ratio: Ratio, parts: dict[str, float], tare: float) -> None:
        assume(keep * max(ratio.flour, ratio.water) < 9_000)
        tare = round(tare, 1)
        plan = plan_feed(keep, ratio, blend_of(parts), step=0.1)
        walk = scale_walk(plan, tare, there_is_g=keep + 50)
        self.assertAlmostEqual(walk[0].scale_shows_g, tare + plan.keep_g, places=5)
        self.assertAlmostEqual(walk[-1].scale_shows_g, tare + plan.total_g, places=4)
        for earlier, later in pairwise(walk):
            self.assertAlmostEqual(later.scale_shows_g - earlier.scale_shows_g, later.add_g, places=4)


class Walk(TestCase):
    def test_order_of_good_practice(self) -> None:
        plan = plan_feed(20, parse_ratio("1:2:2"), blend_of({"white": 10, "whole_wheat": 1}), salt_percent=2)
        walk = scale_walk(plan, 412, there_is_g=90)
        acts = [(step.do, step.add_g, step.scale_shows_g) for step in walk]
        self.assertEqual(
            acts,
            [
                (ScaleAct.TAKE_OUT, -70.0, 432.0),
                (ScaleAct.ADD_WATER, 40.0, 472.0),
                (ScaleAct.ADD_FLOUR, 36.0, 508.0),
                (ScaleAct.ADD_FLOUR, 4.0, 512.0),
                (ScaleAct.ADD_SALT, 0.8, 512.8),
            ],
        )

    def test_first_mix_begins_with_the_empty_jar(self) -> None:
        walk = scale_walk(weighed(0.0, 50.0, 50.0, WHITE), 200)
        self.assertEqual([step.do for step in walk], [ScaleAct.EMPTY_JAR, ScaleAct.ADD_WATER, ScaleAct.ADD_FLOUR])

    def test_into_a_clean_jar(self) -> None:
        """The seed is spooned over: the clean jar's own weight first."""
        walk = scale_walk(plan_feed(30, parse_ratio("1:1:1"), WHITE), 180, 90, WalkStyle.CLEAN_JAR)
        acts = [(step.do, step.scale_shows_g) for step in walk]
        self.assertEqual(acts[:2], [(ScaleAct.EMPTY_JAR, 180.0), (ScaleAct.ADD_SEED, 210.0)])
        self.assertEqual(acts[-1][1], 270.0)

    def test_what_each_step_brings_and_what_of_it_can_be_corrected(self) -> None:
        """Summed up from the empty jar, what the steps bring is what the scale shows, whichever way it is fed."""
        for style in WalkStyle:
            with self.subTest(style):
                walk = scale_walk(plan_feed(30, parse_ratio("1:2:2"), WHITE), 180, 90, style)
                self.assertEqual(180 + sum(step.brings_g for step in walk), walk[-1].scale_shows_g)
                corrected = [step.corrects for step in walk if step.corrects]
                self.assertEqual(corrected, [Ingredient.SEED, Ingredient.WATER, Ingredient.FLOUR])

    def test_a_step_says_its_spoons(self) -> None:
        walk = scale_walk(weighed(0.0, 125.0, 120.0, WHITE), 0)
        told = [[(part.count, part.unit) for part in step.in_spoons] for step in walk]
        self.assertEqual(told[0], [])
        self.assertEqual(told[2], [(1.0, Unit.CUP)])

    def test_every_step_with_its_level_millilitres(self) -> None:
        """Water at 1, paste at 1.1, salt at 1.2 g/ml; flour by its own weight in a cup."""
        plan = weighed(30.0, 60.0, 40.0, blend_of({"rye": 1}), juice=20.0, salt_percent=2.0)
        walk = scale_walk(plan, 100.0, there_is_g=90.0)
        rye = g_per_ml(blend_of({"rye": 1}))
        self.assertEqual(
            walk,
            (
                ScaleStep(ScaleAct.TAKE_OUT, None, -60.0, 130.0, round(-60.0 / PASTE_G_PER_ML, 2), 30.0),
                ScaleStep(ScaleAct.ADD_WATER, None, 40.0, 170.0, 40.0, 40.0),
                ScaleStep(ScaleAct.ADD_JUICE, None, 20.0, 190.0, 20.0, 20.0),
                ScaleStep(ScaleAct.ADD_FLOUR, Flour.RYE, 60.0, 250.0, round(60.0 / rye, 2), 60.0),
                ScaleStep(ScaleAct.ADD_SALT, None, 1.2, 251.2, 1.0, 1.2),
            ),
        )
        self.assertNotEqual(PASTE_G_PER_ML, 1.0)

    def test_water_to_flour_of_the_fresh_part_alone(self) -> None:
        for flour, water, juice, percent in ((30.0, 20.0, 7.0, 90.0), (30.0, 20.0, 0.0, 66.7), (0.0, 20.0, 0.0, None)):
            self.assertEqual(weighed(10.0, flour, water, WHITE, juice=juice).fresh_hydration_percent, percent)

    def test_everything_weighed_is_in_the_sum_and_in_the_ratio(self) -> None:
        plan = weighed(100.0, 1000.0, 400.0, WHITE, juice=200.0, salt_percent=2.0)
        self.assertEqual((plan.salt_g, plan.total_g, plan.ratio), (20.0, 1720.0, "1:10:6"))
        self.assertEqual(ratio_as_weighed(0.0, 0.0, 20.0), "0:0:0")

    def test_sums_of_tenths_read_as_on_a_display(self) -> None:
        plan = weighed(0.1, 0.2, 0.2, WHITE, step=0.1)
        walk = scale_walk(plan, 0.2, there_is_g=0.3)
        self.assertEqual([step.scale_shows_g for step in walk], [0.3, 0.5, 0.7])
        self.assertEqual(walk[0].add_g, -0.2)

    def test_less_in_the_jar_than_is_to_be_kept_takes_nothing_out(self) -> None:
        self.assertEqual(scale_walk(weighed(30.0, 30.0, 30.0, WHITE), 0.0, there_is_g=20.0)[0].add_g, 0.0)

    def test_a_culture_goes_in_first(self) -> None:
        walk = scale_walk(plan_feed(5, parse_ratio("1:5:5"), WHITE), 100)
        self.assertEqual(
            [step.do for step in walk],
            [ScaleAct.EMPTY_JAR, ScaleAct.ADD_CULTURE, ScaleAct.ADD_WATER, ScaleAct.ADD_FLOUR],
        )


class FromTheOtherEnds(TestCase):
    RATIO = Ratio(1, 2, 2)

    def test_each_end_alone(self) -> None:
        cases = ((From(seed_g=20), 20.0), (From(total_g=100), 20.0), (From(flour_g=40), 20.0))
        for size, seed in cases:
            with self.subTest(size):
                self.assertAlmostEqual(seed_from(size, self.RATIO), seed)
        for size in (From(), From(seed_g=20, total_g=100)):
            with self.subTest(size), self.assertRaises(Refusal) as caught:
                seed_from(size, self.RATIO)
            self.assertEqual(caught.exception.code, RefusalCode.DOES_NOT_FIT_TOGETHER)

    @given(ratios, st.floats(1.5, 3.0))
    def test_as_much_as_the_jar_takes(self, ratio: Ratio, rise: float) -> None:
        seed = seed_for_jar(VESSEL, ratio, rise)
        total = seed * ratio.whole
        self.assertTrue(headroom(VESSEL, total, rise).fits)
        self.assertFalse(headroom(VESSEL, total * 1.1, rise).fits)
        self.assertGreaterEqual(seed_from(From(vessel=VESSEL), ratio), seed_for_jar(VESSEL, ratio, ROOM_WANTED))


class Mending(TestCase):
    EVEN = Ratio(1, 1, 1)

    def test_flour_overshot(self) -> None:
        """35 g of flour went in instead of 30: 5 g more water keeps it even."""
        mended = mend(self.EVEN, 30, flour_g=35, water_g=30)
        self.assertTrue(mended.worth_it)
        self.assertEqual((mended.add_water_g, mended.add_flour_g, mended.extra_g), (5.0, 0.0, 10.0))
        self.assertEqual((mended.ratio_as_is, mended.ratio_mended), ("1:1.17:1", "1:1.17:1.17"))

    def test_water_not_poured_yet(self) -> None:
        self.assertEqual(mend(self.EVEN, 30, flour_g=35, water_g=None).add_water_g, 35.0)

    def test_small_slips_are_left(self) -> None:
        """Within 2 g, or within 3 %."""
        self.assertFalse(mend(self.EVEN, 30, flour_g=32, water_g=30).worth_it)
        self.assertFalse(mend(self.EVEN, 300, flour_g=308, water_g=300).worth_it)
        self.assertTrue(mend(self.EVEN, 30, flour_g=33, water_g=30).worth_it)

    def test_both_over_alike_needs_nothing(self) -> None:
        self.assertFalse(mend(self.EVEN, 30, flour_g=40, water_g=40).worth_it)

    @given(grams, ratios, st.floats(0.5, 1.6), st.floats(0.5, 1.6))
    def test_mended_is_even_and_nothing_is_taken_out(
        self, keep: float, ratio: Ratio, slip: float, other: float
    ) -> None:
        assume(keep > 20 and keep * 1.6 * max(ratio.flour, ratio.water) < 9_000)
        flour, water = keep * ratio.flour * slip, keep * ratio.water * other
        mended = mend(ratio, keep, flour_g=flour, water_g=water, step=0.1)
        self.assertGreaterEqual(mended.add_flour_g, 0)
        self.assertGreaterEqual(mended.add_water_g, 0)
        evenness = (flour + mended.add_flour_g) / ratio.flour - (water + mended.add_water_g) / ratio.water
        self.assertLess(abs(evenness), 0.1 / ratio.flour + 0.1 / ratio.water)


class Ratios(TestCase):
    def test_two_parts_are_asked_about_never_guessed(self) -> None:
        with self.assertRaises(Refusal) as caught:
            parse_ratio("1:2")
        refusal = caught.exception
        self.assertEqual(refusal.code, RefusalCode.RATIO_TWO_PARTS)
        self.assertEqual(refusal.facts["as_flour_and_water"], "1:1:2")
        self.assertEqual(refusal.facts["as_seed_and_flour"], "1:2:2")

    def test_refusals(self) -> None:
        for text, code in (
            ("1:0:0", RefusalCode.RATIO_WITHOUT_FOOD),
            ("0:1:1", RefusalCode.RATIO_WITHOUT_FOOD),
            ("1:1:1:1", RefusalCode.RATIO_FORM),
            ("", RefusalCode.RATIO_FORM),
            ("a:b:c", RefusalCode.RATIO_FORM),
            ("1:-2:2", RefusalCode.RATIO_FORM),
            ("1:nan:2", RefusalCode.RATIO_FORM),
            ("1:999999999:2", RefusalCode.RATIO_FORM),
        ):
            with self.subTest(text), self.assertRaises(Refusal) as caught:
                parse_ratio(text)
            self.assertEqual(caught.exception.code, code)

    def test_amounts_no_kitchen_means(self) -> None:
        for keep in (0.0, -5.0, 20_000.0, float("nan")):
            with self.subTest(keep), self.assertRaises(Refusal):
                plan_feed(keep, parse_ratio("1:1:1"), WHITE)
        with self.assertRaises(Refusal):
            plan_feed(30, parse_ratio("1:1:1"), WHITE, step=3)


class ToATotal(TestCase):
    def test_five_hundred_grams_at_one_to_five_to_five(self) -> None:
        made = plan_total(500.0, Ratio(1.0, 5.0, 5.0), blend_of({"white": 1.0}))
        self.assertEqual((made.keep_g, made.flour_g, made.water_g, made.total_g), (45.0, 228.0, 227.0, 500.0))

    @given(st.floats(200, 2_000), st.floats(0.5, 8), st.floats(0.5, 8), st.sampled_from([0.1, 1.0, 5.0]))
    @example(545.640625, 1.08984375, 7.490234375, 0.1)
    def test_a_total_holds_within_half_a_step_and_each_part_within_one(
        self, total: float, flour: float, water: float, step: float
    ) -> None:
        ratio = Ratio(1.0, flour, water)
        made = plan_total(total, ratio, blend_of({"white": 1.0}), step=step)
        self.assertLessEqual(abs(made.total_g - total), step / 2 + 1e-6)
        for g, part in ((made.keep_g, 1.0), (made.flour_g, flour), (made.water_g, water)):
            self.assertLessEqual(abs(g - made.total_g * part / ratio.whole), step + 1e-6)

    def test_a_blend_that_the_scale_cannot_divide_is_mixed_ahead(self) -> None:
        """Ten to one: of 5 g there is no half gram of whole wheat to weigh; of 110 g there is."""
        blend = blend_of({"white": 10.0, "whole_wheat": 1.0})
        self.assertEqual(plan_feed(5.0, Ratio(1.0, 1.0, 1.0), blend).mix_ahead, blend)
        self.assertEqual(plan_feed(110.0, Ratio(1.0, 1.0, 1.0), blend).mix_ahead, ())
        self.assertEqual(plan_feed(5.0, Ratio(1.0, 1.0, 1.0), blend, step=0.1).mix_ahead, ())
