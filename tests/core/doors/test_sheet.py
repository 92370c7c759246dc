"""A feed while it is being weighed out."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.doors.assessment import stood
from ferment.doors.sheet import AS_PLANNED, WentIn, sheet
from ferment.kitchen.flours import Flour
from ferment.kitchen.quantities import Unit
from ferment.mixing.weighing import ScaleAct, WalkStyle
from ferment.record.log import Thickness, Top
from ferment.refusal import Refusal
from ferment.setups import Setup

from ..builders import START, daily, hours, look, setup

MIXED = setup(blend={"spelt": 2, "rye": 1})
NOW = START + hours(70)


class Weighing(TestCase):
    def readings(self, went_in: WentIn) -> list[float]:
        return [step.scale_shows_g for step in sheet(MIXED, daily(2), went_in, NOW).scale_walk]

    def test_as_planned(self) -> None:
        found = sheet(MIXED, daily(2), AS_PLANNED, NOW)
        self.assertEqual(self.readings(AS_PLANNED), [442.0, 472.0, 492.0, 502.0])
        self.assertIsNone(found.mend)

    def test_more_seed_asks_for_more_of_all(self) -> None:
        self.assertEqual(self.readings(WentIn(36.0, None, {})), [448.0, 484.0, 508.0, 520.0])

    def test_an_overshot_flour_moves_the_readings_after_it(self) -> None:
        """26 g of spelt instead of 20: the rye is weighed onto it, and 6 g more water keeps it even."""
        went_in = WentIn(None, None, {Flour.SPELT: 26.0})
        self.assertEqual(self.readings(went_in), [442.0, 472.0, 498.0, 508.0])
        mended = sheet(MIXED, daily(2), went_in, NOW).mend
        assert mended is not None
        self.assertEqual((mended.worth_it, mended.add_water_g, mended.add_flour_g), (True, 6.0, 0.0))

    def test_a_mend_that_overfills_the_jar_is_said_to(self) -> None:
        """300 g of water for 30: the 270 g of flour that would follow it do not fit into 400 ml."""
        self.assertTrue(sheet(MIXED, daily(2), WentIn(None, 35.0, {}), NOW).mend_fits)
        self.assertFalse(sheet(MIXED, daily(2), WentIn(None, 300.0, {}), NOW).mend_fits)

    def test_water_first(self) -> None:
        mended = sheet(MIXED, daily(2), WentIn(None, 35.0, {}), NOW).mend
        assert mended is not None
        self.assertEqual((mended.add_flour_g, mended.add_water_g), (35.0, 0.0))

    def test_once_mended_it_is_even(self) -> None:
        mended = sheet(MIXED, daily(2), WentIn(None, 36.0, {Flour.SPELT: 26.0}), NOW).mend
        assert mended is not None
        self.assertFalse(mended.worth_it)

    def test_first_mix(self) -> None:
        mended = sheet(MIXED, (), WentIn(None, None, {Flour.SPELT: 30.0}), NOW).mend
        assert mended is not None
        self.assertEqual(mended.add_water_g, 10.0)

    def test_refusals_name_the_flour(self) -> None:
        with self.assertRaises(Refusal) as caught:
            sheet(MIXED, daily(2), WentIn(None, None, {Flour.RYE: -3.0}), NOW)
        self.assertEqual(caught.exception.field, "flours.rye")


class NothingOfIt(TestCase):
    def test_what_was_left_out_leaves_the_display_where_it_was(self) -> None:
        walk = sheet(setup(), daily(2), WentIn(20.0, 0.0, {}), START + hours(48)).scale_walk
        shown = {step.do: step.scale_shows_g for step in walk}
        self.assertEqual(shown[ScaleAct.ADD_WATER], shown[ScaleAct.TAKE_OUT])
        self.assertGreater(shown[ScaleAct.ADD_FLOUR], shown[ScaleAct.ADD_WATER])


class TheWay(TestCase):
    def test_all_kept_leaves_the_discard_out(self) -> None:
        found = sheet(MIXED, daily(2), WentIn(None, None, {}, keeps_all=True), NOW)
        self.assertEqual((found.plan.keep_g, found.plan.water_g, found.discard_g), (90.0, 30.0, 0.0))

    def test_into_a_clean_jar(self) -> None:
        found = sheet(MIXED, daily(2), WentIn(None, None, {}, style=WalkStyle.CLEAN_JAR), NOW)
        self.assertEqual([step.scale_shows_g for step in found.scale_walk[:2]], [412.0, 442.0])

    def test_it_says_when_the_next_is_due(self) -> None:
        found = sheet(MIXED, daily(2), AS_PLANNED, NOW)
        assert found.then_due
        self.assertTrue(NOW + hours(18) < found.then_due < NOW + hours(30))

    def test_spoons_by_volume(self) -> None:
        """A level US cup (240 ml) of rye is 128 g (USDA FoodData Central, dark rye, from memory)."""
        steps = sheet(setup(blend={"rye": 1}), daily(2), AS_PLANNED, NOW).scale_walk
        flour = next(step for step in steps if step.flour is Flour.RYE)
        self.assertAlmostEqual(flour.add_ml, 30.0 * 240.0 / 128.0, delta=1.0)


class WithoutAConnection(TestCase):
    """All that a device needs to go on weighing by itself comes with the sheet."""

    def test_the_seed_stays_planned_as_it_was(self) -> None:
        first = [step.brings_g for step in sheet(MIXED, daily(2), AS_PLANNED, NOW).scale_walk]
        later = [step.brings_g for step in sheet(MIXED, daily(2), WentIn(36.0, None, {}), NOW).scale_walk]
        self.assertEqual((first, later), ([30.0, 30.0, 20.0, 10.0], [30.0, 36.0, 24.0, 12.0]))

    def test_the_ratio_is_that_of_what_went_in(self) -> None:
        self.assertEqual(sheet(MIXED, daily(2), AS_PLANNED, NOW).ratio, "1:1:1")
        self.assertEqual(sheet(MIXED, daily(2), WentIn(None, 33.0, {Flour.SPELT: 26.0}), NOW).ratio, "1:1.2:1.1")

    def test_a_spoonful_of_discard_is_not_asked_about(self) -> None:
        self.assertEqual(sheet(MIXED, daily(2), AS_PLANNED, NOW).discard_g, 60.0)
        self.assertEqual(sheet(MIXED, daily(2), WentIn(89.2, None, {}), NOW).discard_g, 0.0)

    def test_what_counts_as_doubled_goes_by_flour_and_thickness(self) -> None:
        rye = setup(blend={"rye": 1})
        self.assertLess(sheet(rye, daily(2), AS_PLANNED, NOW).doubles_at, 2.0)
        self.assertEqual(sheet(setup(), daily(2), AS_PLANNED, NOW).doubles_at, 2.0)

    def test_the_jars_own_assessment_is_believed(self) -> None:
        jar = stood(MIXED, daily(2), NOW)
        self.assertEqual(sheet(MIXED, daily(2), AS_PLANNED, NOW, jar), sheet(MIXED, daily(2), AS_PLANNED, NOW))


class TheJarsOwnWeight(TestCase):
    """Asked once; until it is known the walk names no number that the scale cannot show."""

    unknown = replace(MIXED, vessel=replace(MIXED.vessel, tare_g=0.0))

    def test_nobody_knows_it(self) -> None:
        found = sheet(self.unknown, daily(2), AS_PLANNED, NOW)
        self.assertIsNone(found.tare_g)
        self.assertTrue(found.scale_walk[0].from_zero)
        self.assertEqual([step.scale_shows_g for step in found.scale_walk], [-60.0, 30.0, 50.0, 60.0])

    def test_found_at_the_first_mix_or_with_all_that_is_in_it(self) -> None:
        empty = sheet(self.unknown, (), WentIn(None, None, {}, tare_g=200.0), START)
        self.assertEqual((empty.tare_g, empty.scale_walk[0].scale_shows_g), (200.0, 200.0))
        full = sheet(self.unknown, daily(2), WentIn(None, None, {}, jar_and_all_g=290.0), NOW)
        self.assertEqual((full.tare_g, full.scale_walk[0].scale_shows_g), (200.0, 230.0))
        self.assertFalse(full.scale_walk[0].from_zero)

    def test_less_than_what_is_in_it_is_refused(self) -> None:
        with self.assertRaises(Refusal) as caught:
            sheet(self.unknown, daily(2), WentIn(None, None, {}, jar_and_all_g=50.0), NOW)
        self.assertEqual(caught.exception.field, "jar_and_all_g")


class BeforeAnythingIsWeighed(TestCase):
    def test_liquid_on_top_is_seen_to_first(self) -> None:
        dry = sheet(MIXED, daily(2), AS_PLANNED, NOW)
        wet = sheet(MIXED, (*daily(2), look(60, 1.0, top=frozenset({Top.LIQUID}))), AS_PLANNED, NOW)
        self.assertEqual(dry.scale_walk[0].do, ScaleAct.TAKE_OUT)
        self.assertEqual([step.do for step in wet.scale_walk[:2]], [ScaleAct.POUR_OFF, ScaleAct.TAKE_OUT])

    def test_water_is_held_back_where_it_is_judged_by_feel(self) -> None:
        by_feel = Setup("by_feel", {"way": "thicken"}, MIXED.vessel, START, scale_step=None, size=0.25)
        found = sheet(by_feel, (), AS_PLANNED, START)
        self.assertEqual(found.scale_walk[-1].do, ScaleAct.ADD_HELD_BACK)
        self.assertEqual(found.until_thickness, Thickness.THICK_BATTER)
        assert found.plan.by_hand is not None
        self.assertEqual(found.plan.by_hand.flours[0].spoons[0].unit, Unit.TABLESPOON)
