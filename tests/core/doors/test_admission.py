"""What may enter the log: every refusal by its field, and what an edit may do."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from ferment.doors.admission import admit, admit_removal, admit_setup
from ferment.kitchen.vessel import LevelUnit, Vessel
from ferment.record.log import Bin, Entry, Log, feeds_of
from ferment.refusal import Refusal, RefusalCode

from ..builders import START, daily, feed, first_mix, hours, look, lot, setup

LATER = START + hours(100)


class NewEntries(TestCase):
    def refused(self, log: Log, entry: Entry, field: str, code: RefusalCode) -> Refusal:
        with self.assertRaises(Refusal) as caught:
            admit(setup(), log, entry, LATER)
        self.assertEqual((caught.exception.field, caught.exception.code), (field, code))
        return caught.exception

    def test_good_ones(self) -> None:
        for entry in (feed(73), look(75, 1.4), look(10, 1.1), look(80, top=frozenset({"flat"})), Bin("end", LATER)):  # type: ignore[arg-type]
            with self.subTest(entry):
                admit(setup(), daily(3), entry, LATER)

    def test_first_mix(self) -> None:
        admit(setup(), (), first_mix(), LATER)
        self.refused((), feed(0), "keep_g", RefusalCode.KEEPS_MORE_THAN_THERE_IS)

    def test_times(self) -> None:
        self.refused(daily(3), feed(101), "at", RefusalCode.IN_THE_FUTURE)
        admit(setup(), daily(3), replace(feed(100), at=LATER + timedelta(minutes=4)), LATER)
        late = self.refused(daily(3), feed(71), "at", RefusalCode.BEFORE_THE_LAST_FEED)
        self.assertEqual(late.facts["last_feed_at"], (START + hours(72)).isoformat())
        self.refused(daily(3), look(-1, 1.0), "at", RefusalCode.BEFORE_THE_START)
        self.refused((), look(1, 1.0), "at", RefusalCode.BEFORE_THE_START)

    def test_amounts(self) -> None:
        self.refused(daily(3), feed(90, keep_g=95), "keep_g", RefusalCode.KEEPS_MORE_THAN_THERE_IS)
        self.refused(daily(3), feed(90, keep_g=0), "keep_g", RefusalCode.NOTHING_KEPT)
        self.refused(daily(3), feed(90, keep_g=-5), "keep_g", RefusalCode.OUT_OF_RANGE)
        self.refused(daily(3), feed(90, water_g=0), "water_g", RefusalCode.NO_WATER)
        self.refused(daily(3), feed(90, water_g=float("inf")), "water_g", RefusalCode.NOT_A_NUMBER)
        self.refused(daily(3), feed(90, flour_g=0), "flours.white", RefusalCode.NO_FLOUR)
        self.refused(daily(3), replace(feed(90), flours=()), "flours", RefusalCode.NO_FLOUR)
        self.refused(daily(3), feed(90, flour_g=-30), "flours.white", RefusalCode.OUT_OF_RANGE)
        self.refused(daily(3), replace(feed(90), line_mm=900.0), "line_mm", RefusalCode.OUT_OF_RANGE)

    def test_five_hundred_typed_for_fifty(self) -> None:
        refusal = self.refused(daily(3), feed(90, flour_g=500), "water_g", RefusalCode.JAR_TOO_SMALL)
        self.assertEqual(refusal.facts, {"total_g": 560.0, "most_g": 550.0})

    def test_looks(self) -> None:
        self.refused(daily(3), look(80), "level", RefusalCode.EMPTY_LOOK)
        self.refused(daily(3), look(80, 300, LevelUnit.MM), "level", RefusalCode.LEVEL_ABOVE_RIM)
        self.refused(daily(3), look(80, 0), "level", RefusalCode.LEVEL_BELOW_BOTTOM)

    def test_after_the_end(self) -> None:
        log = (*daily(2), Bin("end", START + hours(60)))
        self.refused(log, look(61, 1.1), "at", RefusalCode.JAR_IS_BINNED)
        self.refused(log, Bin("again", START + hours(59)), "at", RefusalCode.JAR_IS_BINNED)
        self.refused(daily(2), Bin("end", START + hours(40)), "at", RefusalCode.BEFORE_THE_LAST_FEED)
        admit(setup(), log, look(59, 1.1), LATER)


class Edits(TestCase):
    def test_a_feed_keeps_its_place(self) -> None:
        log = daily(3)
        admit(setup(), log, replace(log[2], at=START + hours(50)), LATER)
        for after, code in ((24, RefusalCode.BEFORE_THE_LAST_FEED), (72, RefusalCode.AFTER_THE_NEXT_FEED)):
            with self.subTest(after), self.assertRaises(Refusal) as caught:
                admit(setup(), log, replace(log[2], at=START + hours(after)), LATER)
            self.assertEqual(caught.exception.code, code)

    def test_amounts_are_held_against_what_was_there_then(self) -> None:
        log = feeds_of(daily(3))
        with self.assertRaises(Refusal):
            admit(setup(), log, replace(log[1], keep_g=70.0), LATER)
        admit(setup(), log, replace(log[2], keep_g=70.0, flours=lot(white=20)), LATER)

    def test_removing(self) -> None:
        log = daily(2)
        admit_removal(log, log[1])
        admit_removal((log[0],), log[0])
        with self.assertRaises(Refusal) as caught:
            admit_removal(log, log[0])
        self.assertEqual(caught.exception.facts, {"feeds": 2.0})


class SetUps(TestCase):
    def test_good(self) -> None:
        admit_setup(setup(), START)

    def test_refusals(self) -> None:
        cases = (
            (replace(setup(), vessel=Vessel(400, 60, 60)), "volume_ml", RefusalCode.JAR_TOO_SMALL),
            (replace(setup(), starts_at=START + timedelta(days=90)), "starts_at", RefusalCode.IN_THE_FUTURE),
            (replace(setup(), starts_at=START - timedelta(days=40)), "starts_at", RefusalCode.BEFORE_THE_START),
            (replace(setup(), family="nameless"), "family", RefusalCode.UNKNOWN_FAMILY),
            (replace(setup(), scale_step=2.0), "scale_step", RefusalCode.NOT_A_CHOICE),
        )
        for bad, field, code in cases:
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                admit_setup(bad, START)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))
