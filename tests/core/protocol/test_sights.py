"""What a method can wait for, one case of each sight seen and not seen."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.protocol.sights import (
    AllOf,
    AnyOf,
    BelowHighMark,
    Bubbling,
    Evidence,
    InARow,
    Risen,
    RisenAndFallen,
    Runny,
    Sight,
    first_seen,
    is_seen,
)
from ferment.record.ledger import Sighting
from ferment.record.log import Bubbles, Thickness, Top

from ..builders import START, hours

BLANK = Sighting("look", START, 0.0)


def at(h: float, times: float | None = None, **what: object) -> Sighting:
    return replace(BLANK, look_id=f"look-{h:g}", at=START + hours(h), hours=h, times=times, **what)  # type: ignore[arg-type]


FROTHY, FEW = at(3, bubbles=Bubbles.FROTH), at(3, bubbles=Bubbles.FEW)
SUNK = at(9, top=frozenset({Top.SUNKEN}))


class Sights(TestCase):
    CASES: tuple[tuple[Sight, tuple[Sighting, ...], bool], ...] = (
        (Bubbling(Bubbles.THROUGHOUT), (FROTHY,), True),
        (Bubbling(Bubbles.THROUGHOUT), (FEW,), False),
        (Risen(2.0), (at(5, 1.4), at(7, 2.0)), True),
        (Risen(2.0), (at(5, 1.9),), False),
        (Risen(2.0, within_h=8), (at(9, 2.2),), False),
        (BelowHighMark(0.15), (at(5, 2.0), at(9, 1.8)), True),
        (BelowHighMark(0.15), (at(5, 2.0), at(9, 1.95)), False),
        (BelowHighMark(0.15), (at(5, 2.0), SUNK), True),
        (BelowHighMark(0.15), (SUNK,), False),
        (RisenAndFallen(1.5), (at(5, 1.8), at(9, 1.5)), True),
        (RisenAndFallen(1.5), (at(5, 1.3), at(9, 1.1)), False),
        (Runny(), (at(9, thickness=Thickness.THIN_BATTER),), True),
        (Runny(), (at(9, thickness=Thickness.THICK_BATTER),), False),
        (AnyOf((Runny(), Risen(1.2))), (at(5, 1.3),), True),
        (AllOf((Runny(), Risen(1.2))), (at(5, 1.3),), False),
        (AllOf((Runny(), Risen(1.2))), (at(5, 1.3, thickness=Thickness.RUNNY),), True),
    )

    def test_each(self) -> None:
        for sight, seen, answer in self.CASES:
            with self.subTest(sight, seen=[one.times for one in seen]):
                self.assertEqual(is_seen(sight, Evidence(seen, ())), answer)

    def test_nothing_seen_shows_nothing(self) -> None:
        for sight, _, _ in self.CASES:
            with self.subTest(sight):
                self.assertFalse(is_seen(sight, Evidence((), ((at(5, 3.0),),))))

    def test_three_in_a_row(self) -> None:
        """Each of three feeds doubled within eight hours, the running one included."""
        good, slow = (at(7, 2.1),), (at(11, 2.1),)
        rule = InARow(3, 2.0, 8.0)
        self.assertTrue(is_seen(rule, Evidence(good, (slow, good, good))))
        self.assertFalse(is_seen(rule, Evidence(good, (good, slow))))
        self.assertFalse(is_seen(rule, Evidence(good, (good,))))

    def test_the_look_that_showed_it_first(self) -> None:
        seen = (at(2, 1.1), at(5, 2.0), at(8, 2.4))
        found = first_seen(Risen(2.0), Evidence(seen, ()))
        assert found is not None
        self.assertEqual(found.look_id, "look-5")
        self.assertIsNone(first_seen(Risen(3.0), Evidence(seen, ())))
