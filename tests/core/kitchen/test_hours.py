"""The baker's hours: reading them, and fitting a moment into them across changes of clocks and zones."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from hypothesis import given
from hypothesis import strategies as st

from ferment.kitchen.hours import ANY_TIME, Band, Hours, check_bands, fit, parse_bands, waking_hours
from ferment.refusal import Refusal, RefusalCode

LISBON = ZoneInfo("Europe/Lisbon")
SPLIT = parse_bands("07:00-09:00,19:00-22:30")
MORNING_AND_EVENING = Hours(LISBON, SPLIT, SPLIT)
MONDAY = datetime(2026, 3, 2, tzinfo=LISBON)


def at(text: str) -> datetime:
    return datetime.fromisoformat(text).replace(tzinfo=LISBON)


class Reading(TestCase):
    def test_two_bands(self) -> None:
        self.assertEqual(SPLIT, (Band(420, 540), Band(1140, 1350)))
        self.assertEqual(parse_bands("22:00-02:00"), (Band(1320, 120),))
        self.assertEqual(parse_bands("00:00-24:00"), (Band(0, 1440),))

    def test_refusals(self) -> None:
        for text, code in (
            ("", RefusalCode.HOURS_FORM),
            ("morning", RefusalCode.HOURS_FORM),
            ("07:00", RefusalCode.HOURS_FORM),
            ("25:00-26:00", RefusalCode.HOURS_FORM),
            ("07:00-07:00", RefusalCode.HOURS_FORM),
            ("07:00-12:00,11:00-13:00", RefusalCode.HOURS_OVERLAP),
            ("22:00-08:00,07:00-09:00", RefusalCode.HOURS_OVERLAP),
            (",".join(f"{h:02}:00-{h:02}:30" for h in range(9)), RefusalCode.OUT_OF_RANGE),
        ):
            with self.subTest(text), self.assertRaises(Refusal) as caught:
                parse_bands(text)
            self.assertEqual((caught.exception.code, caught.exception.field), (code, "hours"))

    def test_no_bands_is_no_mistake(self) -> None:
        self.assertEqual(check_bands(()), ())


class Fitting(TestCase):
    def fitted(self, due: str, around: float, hours: Hours = MORNING_AND_EVENING) -> tuple[str, bool]:
        moment = at(due)
        found = fit(hours, moment, moment - timedelta(hours=around), moment + timedelta(hours=around))
        return found.at.astimezone(LISBON).strftime("%d %H:%M"), found.fits

    def test_inside_it_stays(self) -> None:
        self.assertEqual(self.fitted("2026-03-02T08:00", 4), ("02 08:00", True))

    def test_into_the_nearest_hour_of_the_window(self) -> None:
        self.assertEqual(self.fitted("2026-03-02T10:00", 4), ("02 09:00", True))
        self.assertEqual(self.fitted("2026-03-02T03:30", 4), ("02 07:00", True))
        self.assertEqual(self.fitted("2026-03-02T00:30", 4), ("01 22:30", True))

    def test_without_room_it_is_the_first_time_after_and_said(self) -> None:
        """Never before the window: what takes its time is not cut short."""
        self.assertEqual(self.fitted("2026-03-02T14:00", 2), ("02 19:00", False))

    def test_one_of_a_rhythm_may_come_early_where_that_is_nearer(self) -> None:
        due = datetime(2026, 3, 2, 10, 30, tzinfo=LISBON)
        found = fit(MORNING_AND_EVENING, due, due - timedelta(hours=1), due + timedelta(hours=1), may_be_early=True)
        self.assertEqual((found.at.astimezone(LISBON).hour, found.fits), (9, False))

    def test_any_time(self) -> None:
        self.assertEqual(self.fitted("2026-03-02T03:00", 1, ANY_TIME), ("02 03:00", True))

    def test_weekends_differ(self) -> None:
        hours = Hours(LISBON, SPLIT, parse_bands("10:00-12:00"))
        self.assertEqual(self.fitted("2026-03-07T08:00", 4, hours), ("07 10:00", True))
        self.assertEqual(self.fitted("2026-03-06T08:00", 4, hours), ("06 08:00", True))

    def test_only_at_weekends(self) -> None:
        hours = Hours(LISBON, (), parse_bands("10:00-12:00"))
        self.assertEqual(self.fitted("2026-03-03T08:00", 2, hours), ("07 10:00", False))

    def test_a_band_over_midnight(self) -> None:
        night = Hours(LISBON, parse_bands("22:00-02:00"), parse_bands("22:00-02:00"))
        self.assertEqual(self.fitted("2026-03-03T01:00", 3, night), ("03 01:00", True))

    def test_the_clocks_go_forward(self) -> None:
        """29 March 2026, Lisbon: seven on the wall is an hour sooner than it was, and stays seven."""
        due = datetime(2026, 3, 29, 5, 0, tzinfo=UTC)
        found = fit(MORNING_AND_EVENING, due, due - timedelta(hours=3), due + timedelta(hours=3)).at
        self.assertEqual(found, datetime(2026, 3, 29, 6, 0, tzinfo=UTC))
        self.assertEqual(found.astimezone(LISBON).hour, 7)

    @given(
        st.datetimes(datetime(2026, 1, 1), datetime(2026, 12, 31)),  # noqa: DTZ001  (made aware below)
        st.floats(0.5, 40),
        st.sampled_from(["Europe/Lisbon", "America/New_York", "Asia/Kolkata", "Pacific/Auckland"]),
    )
    def test_a_fit_lies_in_the_hours_and_when_it_fits_in_the_window(
        self, due: datetime, around: float, name: str
    ) -> None:
        zone = ZoneInfo(name)
        hours = waking_hours(zone)
        moment = due.replace(tzinfo=zone).astimezone(UTC)
        low, high = moment - timedelta(hours=around), moment + timedelta(hours=around)
        found = fit(hours, moment, low, high)
        local = found.at.astimezone(zone)
        minutes = local.hour * 60 + local.minute + local.second / 60
        self.assertTrue(7 * 60 - 1 <= minutes <= 22.5 * 60 + 1, local)
        if found.fits:
            self.assertTrue(low <= found.at <= high)
