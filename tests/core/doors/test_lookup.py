"""The signs looked up without a log: the same rules, whatever is left out. Rows are common practice."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.doors.lookup import Described, look_up
from ferment.record.log import Bubbles, Smell, Thickness, Top
from ferment.refusal import Refusal
from ferment.signs.contract import SignCode, Urgency

from ..builders import START

DAY_4 = Described(days=4.5, since_feed_h=9.0)


def told(it: Described) -> list[SignCode]:
    return [one.sign for one in look_up(it, START)]


class LookUp(TestCase):
    def test_by_what_is_seen_and_smelt(self) -> None:
        liquid, runny = frozenset({Top.LIQUID}), Thickness.RUNNY
        rows: tuple[tuple[Described, list[SignCode]], ...] = (
            (replace(DAY_4, top=frozenset({Top.COLOURED_STREAKS})), [SignCode.MOULD]),
            (replace(DAY_4, days=10, smell=frozenset({Smell.PUTRID})), [SignCode.SPOILED]),
            (replace(DAY_4, days=2, smell=frozenset({Smell.CHEESY})), [SignCode.EARLY_SMELL]),
            (replace(DAY_4, days=2, times=2.1), [SignCode.FALSE_DAWN]),
            (replace(DAY_4, days=2, times=2.1, begun_sour=True), []),
            (replace(DAY_4, days=2, top=liquid), [SignCode.SETTLING_LIQUID]),
            (replace(DAY_4, days=10, top=liquid, thickness=runny), [SignCode.HUNGRY_LIQUID]),
            (replace(DAY_4, days=10, times=1.2, high=2.0), [SignCode.HUNGRY_AGAIN]),
            (replace(DAY_4, times=1.0, bubbles=Bubbles.FEW), [SignCode.QUIET_DAYS]),
            (replace(DAY_4, days=10, times=2.1, smell=frozenset({Smell.FRUITY})), []),
            (replace(DAY_4, celsius=39.0), [SignCode.TOO_HOT]),
        )
        for it, signs in rows:
            with self.subTest(it):
                self.assertEqual(told(it), signs)

    def test_a_danger_at_any_age(self) -> None:
        for days in (0.5, 2.0, 4.5, 30.0):
            (one,) = look_up(replace(DAY_4, days=days, top=frozenset({Top.FUZZY_SPOTS})), START)
            self.assertIs(one.urgency, Urgency.DANGER)

    def test_what_no_jar_has_is_refused_by_its_field(self) -> None:
        for it, field in (
            (replace(DAY_4, days=-1.0), "days"),
            (replace(DAY_4, times=9.0), "times"),
            (replace(DAY_4, high=0.0), "high"),
            (replace(DAY_4, celsius=80.0), "celsius"),
            (replace(DAY_4, since_feed_h=-2.0), "since_feed_h"),
        ):
            with self.assertRaises(Refusal) as caught:
                look_up(it, START)
            self.assertEqual(caught.exception.field, field)
