"""Less waste on a running jar: each change saves what it says when it is made, and says what it costs."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.doors.sparing import MOST_LATER_DAYS, Spare, Sparing, sparings
from ferment.doors.thrift import WORTH_G
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.methods.keeping import KEEPING, Keeping
from ferment.record.log import Bin
from ferment.record.terms import OtherWay
from ferment.setups import Setup
from ferment.simulation import play

from ..builders import START

BIG = Vessel(412.0, 900.0, 150.0)
DAY = timedelta(days=1)


def by_how(found: tuple[Sparing, ...]) -> dict[Spare, Sparing]:
    return {one.how: one for one in found}


class LessWaste(TestCase):
    def test_what_is_offered_saves_when_it_is_done(self) -> None:
        told = set()
        for family in FAMILIES:
            made = Setup(family.code, {}, BIG, START)
            log = play(made, 3.2, 5).log
            now = START + 3.2 * DAY
            for one in sparings(made, log, now):
                told.add(one.how)
                self.assertGreaterEqual(one.saves_discard_g, WORTH_G)
                self.assertLessEqual(one.later_days, MOST_LATER_DAYS)
                if not one.until_ready:
                    continue
                before = assess(made, log, now).ready_ahead
                after = assess(made, (*log, replace(one.entry, id="done")), now).ready_ahead
                assert before is not None
                assert after is not None
                self.assertAlmostEqual(
                    (after.on.likely - before.on.likely) / DAY, one.later_days, delta=0.06, msg=f"{family.code} {one}"
                )
        self.assertEqual(told, {Spare.SMALLER, Spare.SELDOMER, Spare.ON_HUNGER})

    def test_a_smaller_size_costs_no_day_and_one_feed_a_day_halves_it(self) -> None:
        made = Setup("stiff_warm", {}, BIG, START)
        found = by_how(sparings(made, play(made, 2.2, 7).log, START + 2.2 * DAY))
        self.assertEqual((found[Spare.SMALLER].later_days, found[Spare.SMALLER].wider_days), (0.0, 0.0))
        self.assertGreater(found[Spare.SELDOMER].saves_flour_g, 300.0)

    def test_a_ready_jar_on_the_counter_can_go_into_the_fridge(self) -> None:
        way = KEEPING[Keeping.COUNTER]
        made = Setup("wake_and_keep", dict(way.choices), BIG, START)
        log = play(made, 6.0, 3).log
        found = by_how(sparings(made, log, START + 6 * DAY))
        fridge = found[Spare.FRIDGE]
        self.assertIsInstance(fridge.entry, OtherWay)
        self.assertEqual((fridge.until_ready, fridge.later_days), (False, 0.0))
        # A feed of 40 g of flour a day against one a week.
        self.assertGreater(fridge.saves_flour_g, 600.0)
        in_the_fridge = (*log, replace(fridge.entry, id="done", at=START + 6 * DAY))
        self.assertNotIn(Spare.FRIDGE, by_how(sparings(made, in_the_fridge, START + 6 * DAY)))

    def test_nothing_is_offered_before_the_first_mix_and_after_the_end(self) -> None:
        made = Setup("stiff_warm", {}, BIG, START)
        self.assertEqual(sparings(made, (), START), ())
        log = play(made, 2.0, 7).log
        self.assertEqual(sparings(made, (*log, Bin("bin", START + 2 * DAY)), START + 2 * DAY), ())
