"""Which of a forecast's moments is the one to tell. The bounds are ours."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from itertools import pairwise
from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.ready_rule import Strictness
from ferment.tracker import Basis, Forecast, Ready, TimeSpread
from ferment.tracker.outlook import Outlook, outlook, yeast_unshown
from ferment.tracker.stretch import Spread

from ..builders import START, hours, setup


def span(at_h: float) -> TimeSpread:
    return TimeSpread(*(START + hours(at_h + off) for off in (-1.0, 0.0, 1.0)))


RISES = Forecast(
    fan=(),
    doubles_at=2.0,
    doubles=span(5),
    doubles_chance=0.9,
    peaks=span(8),
    peak_times=Spread(1.9, 2.4, 2.9),
    back_to_line=None,
    hungry_at=None,
    surprising=(),
    basis=Basis(22.0, 1.0, 1.0, 3, young=False),
    ready=None,
    rounds=(),
)


def at(h: float) -> datetime:
    return START + hours(h)


class Outlooks(TestCase):
    def test_each(self) -> None:
        rows = (
            (replace(RISES, peak_times=Spread(1.0, 1.1, 1.2)), 1, Outlook.HARDLY_RISES),
            (replace(RISES, peak_times=Spread(1.0, 1.15, 1.6)), 1, Outlook.MAY_STAY_QUIET),
            (RISES, 1, Outlook.DOUBLES),
            (RISES, 6, Outlook.DOUBLES),
            (RISES, 7, Outlook.PEAKS),
            (replace(RISES, doubles_chance=0.4), 1, Outlook.PEAKS),
            (replace(RISES, doubles=None), 1, Outlook.PEAKS),
            (RISES, 10, Outlook.PEAKED),
        )
        for forecast, h, told in rows:
            with self.subTest(told, h=h):
                self.assertIs(outlook(forecast, at(h)), told)

    def test_a_new_jar_that_is_not_expected_to_rise_has_shown_nothing(self) -> None:
        young = replace(RISES.basis, young=True)
        low = Spread(1.0, 1.3, 1.7)
        self.assertFalse(yeast_unshown(RISES))
        self.assertFalse(yeast_unshown(replace(RISES, basis=young)))
        self.assertTrue(yeast_unshown(replace(RISES, basis=young, peak_times=low)))

    def test_a_small_difference_from_the_book_is_none(self) -> None:
        told = [replace(RISES.basis, pace=pace).faster_percent for pace in (0.9, 0.97, 1.03, 1.04, 1.25)]
        self.assertEqual(told, [-10, 0, 0, 4, 25])

    def test_who_asks_for_more_good_feeds_waits_longer(self) -> None:
        """One, three, five in a row, at a feed a day: about so many days apart."""
        days = []
        for strictness in (Strictness.LOOSE, Strictness.USUAL, Strictness.STRICT):
            it = replace(setup(blend={"rye": 1.0}), ready_after=strictness)
            told = assess(it, (), START).ready_on
            assert told is not None
            days.append((told.on.likely - START) / timedelta(days=1))
        self.assertEqual(days, sorted(days))
        self.assertTrue(all(1.0 <= later - sooner <= 4.0 for sooner, later in pairwise(days)), days)

    def test_a_day_of_ready_is_open_where_few_get_there(self) -> None:
        for share, told in ((0.95, (False, False)), (0.8, (True, False)), (0.4, (True, True))):
            ready = Ready(span(200), span(150), share)
            self.assertEqual((ready.latest_is_open, ready.seldom), told)
