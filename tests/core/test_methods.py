"""What a family owes (see `ferment.protocol`), checked for every family of the catalogue."""

from __future__ import annotations

from unittest import TestCase

from ferment.methods import FAMILIES, family_named
from ferment.protocol import BlendOption, Choices, GramsOption, HoursOption, OptionCode, settle
from ferment.refusal import Refusal, RefusalCode


class EveryFamily(TestCase):
    def test_codes_are_unique(self) -> None:
        codes = [family.code for family in FAMILIES]
        self.assertEqual(len(codes), len(set(codes)))

    def test_defaults_are_accepted(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                course = settle(family, Choices())
                self.assertGreater(course.mix_flour_g, 0)
                self.assertLess(course.earliest_h, course.every_h)
                self.assertGreater(course.latest_h, course.every_h)
                self.assertAlmostEqual(sum(part.share for part in course.blend), 1.0)

    def test_options_hold_their_defaults(self) -> None:
        for family in FAMILIES:
            for option in family.options:
                with self.subTest(f"{family.code} {option.code}"):
                    match option:
                        case HoursOption():
                            self.assertIn(option.default, option.choices)
                        case GramsOption():
                            self.assertTrue(option.least <= option.default <= option.most)
                        case BlendOption():
                            self.assertTrue(option.default)

    def test_what_is_normal_has_no_gap(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                ends = [stretch.until_h for stretch in family.expect]
                self.assertIsNone(ends[-1])
                finite = [end for end in ends[:-1] if end is not None]
                self.assertEqual(len(finite), len(ends) - 1)
                self.assertEqual(finite, sorted(finite))


class Choosing(TestCase):
    FAMILY = family_named("equal_parts")

    def test_refusals_name_the_option(self) -> None:
        cases = (
            (Choices(every_hours=13), OptionCode.EVERY_HOURS, RefusalCode.NOT_A_CHOICE),
            (Choices(seed_grams=1.0), OptionCode.SEED_GRAMS, RefusalCode.OUT_OF_RANGE),
            (Choices(seed_grams=9_999.0), OptionCode.SEED_GRAMS, RefusalCode.OUT_OF_RANGE),
            (Choices(blend={"oak": 1}), OptionCode.BLEND, RefusalCode.UNKNOWN_FLOUR),
            (Choices(blend={}), OptionCode.BLEND, RefusalCode.NO_FLOUR),
        )
        for choices, field, code in cases:
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                settle(self.FAMILY, choices)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))

    def test_unknown_family(self) -> None:
        with self.assertRaises(Refusal) as caught:
            family_named("by_moonlight")
        self.assertEqual(caught.exception.facts, {"known": "equal_parts"})
