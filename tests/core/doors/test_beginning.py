"""A start that the baker's hours have room for, and a jar that was begun before it was written down."""

from __future__ import annotations

from datetime import datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.doors.admission import admit
from ferment.doors.begun import BegunAs, as_begun
from ferment.doors.starts import nearest_starts
from ferment.kitchen.hours import Hours, parse_bands
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.mixing.contents import Origin
from ferment.planner import Act
from ferment.record.log import Deed, Feed, Log
from ferment.setups import Setup, course_of, ledger_of, plan_of

LISBON = ZoneInfo("Europe/Lisbon")
BUSY = Hours(LISBON, parse_bands("07:00-09:00,19:00-22:30"), parse_bands("07:00-09:00,19:00-22:30"))
START = datetime(2026, 3, 2, 8, 0, tzinfo=LISBON)
GLASS = Vessel(300.0, 4_000.0, 200.0)


def soak(starts_at: datetime) -> Setup:
    return Setup("dried_soak", {}, GLASS, starts_at, hours=BUSY)


class Starts(TestCase):
    def waits(self, setup: Setup) -> list[float]:
        course = course_of(setup)
        steps = plan_of(setup, course, ledger_of(setup, course, ()), setup.starts_at).steps[:3]
        return [(step.due - setup.starts_at) / timedelta(hours=1) for step in steps]

    def test_a_soak_is_never_cut_short(self) -> None:
        """Three hours, with a stir half-way; between them there is an hour at least."""
        _, stir, flour = self.waits(soak(START))
        self.assertGreaterEqual(stir, 1.0)
        self.assertGreaterEqual(flour - stir, 1.0)

    def test_the_nearest_start_with_room_is_offered(self) -> None:
        (better,) = nearest_starts(soak(START), START)
        self.assertEqual(better.astimezone(LISBON).hour, 19)
        self.assertEqual(self.waits(soak(better)), [0.0, 1.5, 3.0])
        self.assertEqual(nearest_starts(soak(better), START), ())

    def test_one_before_and_one_after_and_none_in_the_past(self) -> None:
        noon = START.replace(day=3, hour=8)
        found = nearest_starts(soak(noon), START)
        self.assertEqual(len(found), 2)
        self.assertLess(found[0], noon)
        self.assertGreater(found[1], noon)


class Begun(TestCase):
    def log(self, setup: Setup, begun: BegunAs, days: float = 5.0) -> Log:
        now = START + timedelta(days=days)
        log: Log = ()
        for entry in as_begun(setup, begun, now):
            admit(setup, log, entry, entry.at)
            log = (*log, entry)
        return log

    def test_every_family_is_written_down_as_it_asks(self) -> None:
        """Flour and water, dried, frozen and sleeping cultures alike: a first mix, and what followed."""
        for family in FAMILIES:
            with self.subTest(family.code):
                setup = Setup(family.code, {}, GLASS, START)
                first, *rest = self.log(setup, BegunAs.FED)
                assert isinstance(first, Feed)
                self.assertEqual(first.keep_g > 0, family.origin is not Origin.FLOUR_AND_WATER)
                self.assertTrue(rest)

    def test_only_mixed_is_only_mixed(self) -> None:
        self.assertEqual(len(self.log(soak(START), BegunAs.MIXED)), 1)

    def test_stirs_and_moves_are_written_too(self) -> None:
        stirred = [entry for entry in self.log(soak(START), BegunAs.FED) if isinstance(entry, Deed)]
        self.assertEqual(len(stirred), 1)
        kept = Setup("wake_and_keep", {"way": "fridge"}, GLASS, START)
        course, log = course_of(kept), self.log(kept, BegunAs.FED)
        made = plan_of(kept, course, ledger_of(kept, course, log), START + timedelta(days=5))
        assert made.next is not None
        self.assertIs(made.next.act, Act.TO_COUNTER)
