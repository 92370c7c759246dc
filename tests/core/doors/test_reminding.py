"""Reminders: one an act, none for what is done, quiet outside the baker's hours, and how late."""

from __future__ import annotations

from datetime import UTC, datetime
from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.doors.reminding import Reminder, reminders
from ferment.kitchen.hours import Band, Hours
from ferment.record.log import Log

from ..builders import START, daily, hours, setup

# At home from seven to nine and from seven in the evening on.
HOME = Hours(UTC, (Band(420, 540), Band(1140, 1350)), (Band(420, 540), Band(1140, 1350)))


def told(log: Log, now: datetime, home: Hours = HOME) -> tuple[Reminder, ...]:
    return reminders(assess(setup(), log, now).timeline, home, now)


class Reminding(TestCase):
    def test_one_an_act_and_none_for_what_is_done(self) -> None:
        now = START + hours(50)
        found = told(daily(2), now)
        self.assertEqual(len({one.name for one in found}), len(found))
        self.assertTrue(all(one.due > START + hours(48) for one in found))

    def test_due_in_the_bakers_hours_it_comes_when_it_is_due(self) -> None:
        first = told(daily(2), START + hours(60))[0]
        self.assertEqual((first.at, first.late_h), (first.due, 0.0))

    def test_due_while_nobody_is_home_it_waits_and_says_how_late(self) -> None:
        away = Hours(UTC, (Band(1140, 1350),), (Band(1140, 1350),))
        first = told(daily(2), START + hours(60), away)[0]
        self.assertEqual(first.at.hour, 19)
        self.assertAlmostEqual(first.late_h, (first.at - first.due).total_seconds() / 3600, places=1)

    def test_overdue_it_comes_at_once_by_day_and_waits_by_night(self) -> None:
        """The next feed was due at 8 on day 4: at 20:00 it is told now, at 2 in the night at 7."""
        evening = told(daily(2), START + hours(24 * 3 + 12))[0]
        self.assertEqual(evening.at, START + hours(24 * 3 + 12))
        night = told(daily(2), START + hours(24 * 3 + 18))[0]
        self.assertEqual(night.at.hour, 7)
        self.assertGreater(night.late_h, evening.late_h)

    def test_late_inside_its_window_is_harmless(self) -> None:
        first = told(daily(2), START + hours(24 * 3 + 1), Hours(UTC))[0]
        self.assertTrue(first.harmless)
        self.assertFalse(told(daily(2), START + hours(24 * 5), Hours(UTC))[0].harmless)
