"""True hydration through mixes, discards and feeds. The worked examples are common practice."""

from __future__ import annotations

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from ferment.mixing.contents import EMPTY, Contents, follow_steps
from ferment.refusal import Refusal, RefusalCode

from ..builders import grams, lots

RYE_MIX = {"do": "mix", "flour": {"rye": 100}, "water": 150}


class WorkedExamples(TestCase):
    def hydration(self, *steps: dict[str, object]) -> list[float]:
        return [round(jar.hydration_percent or 0.0, 4) for jar in follow_steps(steps)]

    def test_wet_rye_start(self) -> None:
        """100 g rye + 150 g water is 150 %; half kept, + 150 + 100, is still 150 %."""
        again = {"do": "feed", "flour": {"rye": 100}, "water": 150}
        self.assertEqual(self.hydration(RYE_MIX, {"do": "keep", "share": 0.5}, again), [150.0, 150.0, 150.0])

    def test_what_the_seed_carries_counts(self) -> None:
        """75 g of a 150 % mix + 75 water + 70 flour is 120 %, not the 107 % of the fresh part alone."""
        fed = {"do": "feed", "keep": 75, "flour": {"rye": 35, "white": 35}, "water": 75}
        self.assertEqual(self.hydration(RYE_MIX, fed)[-1], 120.0)
        self.assertEqual(round(100 * 75 / 70), 107)

    def test_true_blend(self) -> None:
        fed = {"do": "feed", "keep": 75, "flour": {"rye": 35, "white": 35}, "water": 75}
        jar = follow_steps([RYE_MIX, fed])[-1]
        self.assertEqual({part.flour.value: part.g for part in jar.flours}, {"rye": 65.0, "white": 35.0})

    def test_stiff_feed(self) -> None:
        """300 g kept + 300 g flour + 180 g water, the seed already at 60 %: stays at 60 %."""
        stiff = {"do": "mix", "flour": {"white": 300}, "water": 180}
        fed = {"do": "feed", "keep": 300, "flour": {"white": 300}, "water": 180}
        self.assertEqual(self.hydration(stiff, fed), [60.0, 60.0])


class MassBalance(TestCase):
    @given(lots, grams, lots, grams, st.floats(min_value=0.01, max_value=1.0))
    def test_nothing_is_made_or_lost(self, flour, water, more_flour, more_water, share) -> None:  # type: ignore[no-untyped-def]
        jar = EMPTY.add(flour, water)
        kept = jar.keep(jar.total_g * share)
        fed = kept.add(more_flour, more_water)
        added = sum(part.g for part in more_flour) + more_water
        self.assertAlmostEqual(kept.total_g, jar.total_g * share, places=5)
        self.assertAlmostEqual(fed.total_g, kept.total_g + added, places=5)

    @given(lots, grams, st.floats(min_value=0.01, max_value=1.0))
    def test_discarding_changes_no_hydration(self, flour, water, share) -> None:  # type: ignore[no-untyped-def]
        jar = EMPTY.add(flour, water)
        kept = jar.keep(jar.total_g * share)
        self.assertAlmostEqual(kept.hydration_percent or 0, jar.hydration_percent or 0, places=5)

    def test_keeping_more_than_there_is_keeps_all(self) -> None:
        jar = Contents((), 10.0, 0.0)
        self.assertEqual(jar.keep(50.0), jar)

    def test_no_flour_has_no_hydration(self) -> None:
        self.assertIsNone(EMPTY.hydration_percent)


class Refusals(TestCase):
    def test_each_names_its_place(self) -> None:
        cases = (
            ([{"do": "stir"}], "steps[0].do", RefusalCode.UNKNOWN_STEP),
            ([RYE_MIX, {"do": "keep", "g": 900}], "steps[1].g", RefusalCode.KEEPS_MORE_THAN_THERE_IS),
            ([RYE_MIX, {"do": "feed", "keep": -2}], "steps[1].keep", RefusalCode.OUT_OF_RANGE),
            ([{"do": "mix", "flour": {"oak": 1}, "water": 1}], "steps[0].flour", RefusalCode.UNKNOWN_FLOUR),
            ([{"do": "mix", "flour": {"rye": "much"}}], "steps[0].flour.rye", RefusalCode.NOT_A_NUMBER),
            ([{"do": "mix", "flour": {"rye": True}}], "steps[0].flour.rye", RefusalCode.NOT_A_NUMBER),
            ([{"do": "mix", "flour": [1]}], "steps[0].flour", RefusalCode.UNKNOWN_FLOUR),
        )
        for steps, field, code in cases:
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                follow_steps(steps)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))
