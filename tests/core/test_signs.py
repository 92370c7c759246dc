"""What a sign owes (see `ferment.signs.contract`), for every sign, and the loop over them."""

from __future__ import annotations

from unittest import TestCase

from ferment.log import Top
from ferment.signs import SIGNS, findings
from ferment.signs.contract import Remedy, SignCode, Urgency

from .builders import look


class EverySign(TestCase):
    def test_contract(self) -> None:
        for sign in SIGNS:
            with self.subTest(sign.code):
                self.assertTrue(sign.tops or sign.smells)
                if sign.urgency is Urgency.DANGER:
                    self.assertEqual(sign.do, Remedy.BIN_ALL)

    def test_each_code_once(self) -> None:
        self.assertEqual(sorted(sign.code for sign in SIGNS), sorted(SignCode))


class Mould(TestCase):
    def test_any_spot_or_streak_is_found(self) -> None:
        """Fuzzy spots of any colour, pink, orange or red streaks: bin all of it (common practice)."""
        for top in (Top.FUZZY_SPOTS, Top.COLOURED_STREAKS):
            with self.subTest(top):
                found = findings([look(5, top=frozenset({Top.FLAT, top}))])
                self.assertEqual(
                    [(one.sign, one.do, one.tops) for one in found], [(SignCode.MOULD, Remedy.BIN_ALL, (top,))]
                )

    def test_a_later_clean_look_does_not_unmake_it(self) -> None:
        looks = [look(5, top=frozenset({Top.FUZZY_SPOTS})), look(9, top=frozenset({Top.DOMED}))]
        for order in (looks, looks[::-1]):
            self.assertEqual([one.look_id for one in findings(order)], ["look-5"])

    def test_a_white_film_is_not_mould(self) -> None:
        """A thin flat white film is kahm, not mould (common practice)."""
        self.assertEqual(findings([look(5, top=frozenset({Top.WHITE_FILM, Top.LIQUID}))]), ())
