"""How warm a jar is: moved, chilled, and by the clock on the wall."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.warmth import FRIDGE_C, SETTLING_H, Degrees, Place, Stay, Warmth

START = datetime(2026, 3, 2, 8, 0, tzinfo=UTC)


def after(hours: float) -> datetime:
    return START + timedelta(hours=hours)


class TheFridge(TestCase):
    def test_a_second_stay_soon_after_the_first_is_cold_too(self) -> None:
        warmth = Warmth(Place(22.0), START, [(after(0), after(10)), (after(12), after(30))])
        self.assertLess(warmth(20), 5.0)

    def test_six_minutes_inside_hardly_cool_it(self) -> None:
        warmth = Warmth(Place(22.0), START, [(after(10), after(10.1))])
        self.assertGreater(warmth(10.1), 20.5)
        self.assertAlmostEqual(warmth(20), 22.0, places=1)

    def test_it_comes_near_with_its_settling_time(self) -> None:
        """About an hour and a half (common practice): by then two thirds of the way."""
        warmth = Warmth(Place(22.0), START, [(after(0), None)])
        self.assertAlmostEqual((22.0 - warmth(SETTLING_H)) / (22.0 - FRIDGE_C), 0.632, places=2)


class Moved(TestCase):
    def test_a_heating_that_fails_on_day_4_and_comes_back_on_day_6(self) -> None:
        place = Place(21.0, moves=(Stay(after(84), 13.0), Stay(after(130), 25.0)))
        warmth = Warmth(place, START)
        self.assertEqual(warmth(80), 21.0)
        self.assertAlmostEqual(warmth(100), 13.0, places=2)
        self.assertAlmostEqual(warmth(140), 25.0, places=1)

    def test_a_reading_is_of_the_place_in_which_it_was_taken(self) -> None:
        read = (Degrees(after(9), 16.0), Degrees(after(9.9), 16.0), Degrees(after(20), 27.0))
        warmth = Warmth(Place(22.0, readings=read, moves=(Stay(after(10), 30.0),)), START)
        self.assertEqual(warmth(9.5), 16.0)
        self.assertAlmostEqual(warmth(18), 30.0, places=0)
        self.assertAlmostEqual(warmth(21), 27.0, places=0)

    @given(st.floats(1, 400), st.floats(5, 35), st.floats(0, 400))
    def test_it_changes_nothing_before(self, at_h: float, celsius: float, hour: float) -> None:
        cold = [(after(30), after(50)), (after(100), None)]
        before = Warmth(Place(22.0, 18.0), START, cold)
        moved = Warmth(Place(22.0, 18.0, moves=(Stay(after(at_h), celsius),)), START, cold)
        if hour < at_h:
            self.assertAlmostEqual(before(hour), moved(hour), places=9)


class ByTheWall(TestCase):
    def test_the_night_begins_at_ten_after_a_change_of_clocks_too(self) -> None:
        """In Lisbon the clocks went forward on 29 March 2026."""
        lisbon = ZoneInfo("Europe/Lisbon")
        start = datetime(2026, 3, 28, 12, 0, tzinfo=lisbon)
        warmth = Warmth(Place(22.0, 16.0, lisbon), start)
        for day, hour, wanted in ((28, 21, 22.0), (28, 22, 16.0), (29, 21, 22.0), (29, 22, 16.0), (30, 7, 22.0)):
            at = datetime(2026, 3, day, hour, 30, tzinfo=lisbon).astimezone(UTC)
            self.assertEqual(warmth((at - start.astimezone(UTC)) / timedelta(hours=1)), wanted, (day, hour))
