"""Which options matter, which are met first, which flour follows which."""

from __future__ import annotations

from unittest import TestCase

from ferment.methods import FAMILIES, family_named
from ferment.protocol.method import Only
from ferment.protocol.options import BlendOption, OptionCode, Pick
from ferment.protocol.relevance import MET_FIRST, conditions, followed_by


class Relevance(TestCase):
    def test_an_option_matters_where_a_phase_asks_for_it(self) -> None:
        found = conditions(family_named("equal_parts"))
        self.assertEqual(found[OptionCode.CULTURE_GRAMS], ((Only(OptionCode.ORIGIN, (Pick.FROM_FROZEN,)),),))
        feeds = {condition for all_of in found[OptionCode.FEED_GRAMS] for condition in all_of}
        self.assertEqual(feeds, {Only(OptionCode.KEEPING, (Pick.KEEP_HALF,))})

    def test_every_option_of_every_family_matters_somewhere(self) -> None:
        for family in FAMILIES:
            found = conditions(family)
            for option in family.options:
                with self.subTest(family.code, option=option.code):
                    self.assertIn(option.code, found)

    def test_something_is_met_first_in_every_family(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                self.assertTrue({option.code for option in family.options} & MET_FIRST)

    def test_the_flour_of_the_feeds_follows_that_of_the_first_mix_where_they_are_the_same(self) -> None:
        for family in FAMILIES:
            blends = {option.code: option.default for option in family.options if isinstance(option, BlendOption)}
            same = blends.get(OptionCode.FIRST_BLEND) == blends.get(OptionCode.BLEND) and len(blends) == 2
            with self.subTest(family.code):
                expected = {OptionCode.BLEND: OptionCode.FIRST_BLEND} if same else {}
                self.assertEqual(followed_by(family), expected)
