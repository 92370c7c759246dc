"""Every amount that the method language can say, one case each, and what a turn weighs out of it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.kitchen.flours import FlourShare
from ferment.kitchen.quantities import Unit
from ferment.methods.equal_parts import METHOD as EQUAL_PARTS
from ferment.methods.shorthand import NOW, parts
from ferment.mixing.feeding import FeedPlan
from ferment.protocol.amounts import Bench, Poured, weigh
from ferment.protocol.course import settle
from ferment.protocol.method import (
    Add,
    AsBefore,
    AsStart,
    BlendFrom,
    Flours,
    FromOption,
    Keep,
    KeepAll,
    Measure,
    OfFlour,
    OfJar,
    OfKept,
    Phase,
    PhaseAct,
    PutIn,
    TakeOut,
    UpTo,
)
from ferment.protocol.options import OptionCode
from ferment.record.log import Thickness
from ferment.refusal import Refusal, RefusalCode

WHITE = Flours(parts(white=1))
SEED = FromOption(OptionCode.SEED_GRAMS)
# 90 g in the jar; begun with 40 flour + 60 water, fed 25 + 35 the last time.
BENCH = Bench(90.0, Poured(40.0, 60.0), Poured(25.0, 35.0))


def weighed(*do: PhaseAct, bench: Bench = BENCH, size: float = 1.0, keep_g: float | None = None) -> FeedPlan:
    method = replace(EQUAL_PARTS, phases=(Phase("turn", NOW, do),), ways=())
    course = settle(method, {}, size)
    found = weigh(course, course.phases[0], bench, 0.1, keep_g)
    assert found is not None
    return found


class Amounts(TestCase):
    def grams(self, plan: FeedPlan) -> tuple[float, float, float]:
        return plan.keep_g, plan.flour_g, plan.water_g

    def test_each_kind(self) -> None:
        feed = Add(OfKept(2), OfKept(1.5), WHITE)
        cases: tuple[tuple[tuple[PhaseAct, ...], tuple[float, float, float]], ...] = (
            ((Keep(Measure(20)), feed), (20.0, 40.0, 30.0)),
            ((Keep(SEED), feed), (30.0, 60.0, 45.0)),
            ((Keep(OfJar(0.5)), feed), (45.0, 90.0, 67.5)),
            ((Keep(OfJar(0.5), most=Measure(20)), feed), (20.0, 40.0, 30.0)),
            ((Keep(OfJar(0.1), least=Measure(20)), feed), (20.0, 40.0, 30.0)),
            ((Keep(Measure(500)), feed), (90.0, 180.0, 135.0)),
            ((TakeOut(Measure(60)), feed), (30.0, 60.0, 45.0)),
            ((TakeOut(Measure(60), leave_least=Measure(50)), feed), (50.0, 100.0, 75.0)),
            ((KeepAll(), Add(AsStart(), AsStart(), WHITE)), (90.0, 40.0, 60.0)),
            ((KeepAll(), Add(AsStart(2), AsBefore(), WHITE)), (90.0, 80.0, 35.0)),
            ((KeepAll(), Add(AsBefore(), AsBefore(), WHITE)), (90.0, 25.0, 35.0)),
            ((Keep(Measure(30)), Add(Measure(50), OfFlour(60), WHITE)), (30.0, 50.0, 30.0)),
            ((Keep(Measure(30)), Add(UpTo((Measure(150), Measure(30))), OfFlour(100), WHITE)), (30.0, 75.0, 75.0)),
            ((KeepAll(), Add(Measure(1, Unit.OUNCE), None, WHITE)), (90.0, 28.3, 0.0)),
            ((KeepAll(), Add(None, Measure(2, Unit.TABLESPOON), WHITE)), (90.0, 0.0, 29.6)),
        )
        for do, expected in cases:
            with self.subTest(do):
                self.assertEqual(self.grams(weighed(*do)), expected)

    def test_the_size_moves_measures_and_chosen_grams_but_no_ratio(self) -> None:
        self.assertEqual(self.grams(weighed(Keep(Measure(20)), Add(OfKept(2), OfKept(2), WHITE), size=2)), (40, 80, 80))
        self.assertEqual(self.grams(weighed(Keep(SEED), Add(Measure(10), OfFlour(100), WHITE), size=0.5)), (15, 5, 5))

    def test_what_was_really_kept_moves_the_rest(self) -> None:
        plan = weighed(Keep(Measure(20)), Add(OfKept(2), OfKept(2), WHITE), keep_g=26.0)
        self.assertEqual(self.grams(plan), (26.0, 52.0, 52.0))

    def test_a_culture_juice_salt_and_water_held_back(self) -> None:
        start = Bench(0.0, None, None)
        plan = weighed(PutIn(Measure(3)), Add(Measure(30), Measure(40), WHITE, juice_percent=25), bench=start)
        self.assertEqual((plan.keep_g, plan.water_g, plan.juice_g), (3.0, 30.0, 10.0))
        thick = Add(Measure(100), Measure(60), WHITE, salt_percent=2, hold_back_percent=25)
        held = weighed(KeepAll(), replace(thick, until_thickness=Thickness.THICK_BATTER))
        self.assertEqual((held.salt_g, held.hold_back_g), (2.0, 15.0))

    def test_the_bakers_blend(self) -> None:
        plan = weighed(KeepAll(), Add(Measure(20), Measure(20), BlendFrom(OptionCode.BLEND)))
        self.assertEqual([part.flour.value for part in plan.flours], ["whole_wheat"])
        self.assertEqual(WHITE.parts, (FlourShare(plan.flours[0].flour.__class__("white"), 1.0),))

    def test_amounts_that_come_to_nothing_are_refused(self) -> None:
        with self.assertRaises(Refusal) as caught:
            weighed(Keep(Measure(0.01)), Add(OfKept(1), OfKept(1), WHITE))
        self.assertEqual((caught.exception.code, caught.exception.field), (RefusalCode.NOTHING_ADDED, "turn"))
