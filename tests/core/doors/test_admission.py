"""What may enter the log: every refusal by its field, and what an edit may do."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from ferment.doors.admission import admit, admit_removal, admit_setup
from ferment.doors.assessment import assess
from ferment.kitchen.vessel import LevelUnit, Vessel
from ferment.record.log import (
    Bin,
    Deed,
    DeedKind,
    DiscardTo,
    Entry,
    Feed,
    Leave,
    Log,
    Word,
    feeds_of,
)
from ferment.refusal import Refusal, RefusalCode
from ferment.signs.contract import SignCode

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
        early = self.refused(daily(3), feed(-1), "at", RefusalCode.BEFORE_THE_LAST_FEED)
        self.assertEqual(early.facts["last_feed_at"], START.isoformat())
        self.refused(daily(3), replace(feed(72), id="again"), "at", RefusalCode.AFTER_THE_NEXT_FEED)
        self.refused(daily(3), look(-1, 1.0), "at", RefusalCode.BEFORE_THE_START)
        self.refused((), look(1, 1.0), "at", RefusalCode.BEFORE_THE_START)

    def test_a_forgotten_feed_is_put_in_between(self) -> None:
        log = daily(3)
        forgotten = feed(60)
        admit(setup(), log, forgotten, LATER)
        told = assess(setup(), (*log, forgotten), LATER)
        self.assertEqual([turn.at for turn in told.rounds][-2:], [START + hours(60), START + hours(72)])

    def test_the_empty_jar_weighed_at_a_feed(self) -> None:
        log = (*daily(3), replace(feed(90), tare_g=215.0))
        admit(setup(), daily(3), log[-1], LATER)
        self.assertEqual(assess(setup(), log, LATER).stands.vessel.tare_g, 215.0)
        self.refused(daily(3), replace(feed(90), tare_g=6_000.0), "tare_g", RefusalCode.OUT_OF_RANGE)

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


class BesideFeedsAndLooks(TestCase):
    """Deeds, words, leaving alone, the discard jar: what may enter the log, and what a refusal names."""

    def refused(self, entry: Entry, log: Log = daily(2)) -> tuple[str, RefusalCode]:  # noqa: B008  (a log is a value)
        with self.assertRaises(Refusal) as caught:
            admit(setup(), log, entry, LATER)
        return caught.exception.field, caught.exception.code

    def test_what_is_good(self) -> None:
        at = START + hours(50)
        for entry in (
            Deed("d", at, DeedKind.STIRRED),
            Word("w", at, "hungry_again", yes=False),
            Leave("l", at, at + timedelta(days=3)),
            replace(look(50), ph=4.2, celsius=23.0),
        ):
            with self.subTest(type(entry).__name__):
                admit(setup(), daily(2), entry, LATER)

    def test_nothing_is_done_to_a_jar_that_is_not_mixed(self) -> None:
        for entry in (Deed("d", START, DeedKind.STIRRED), Leave("l", START, START + hours(1)), look(1, 1.2)):
            with self.subTest(type(entry).__name__):
                self.assertEqual(self.refused(entry, ()), ("at", RefusalCode.BEFORE_THE_START))

    def test_no_word_talks_a_danger_away(self) -> None:
        told = Word("w", START + hours(50), SignCode.MOULD, yes=False)
        self.assertEqual(self.refused(told), ("about", RefusalCode.DANGER_STANDS))

    def test_never_left_alone_backwards(self) -> None:
        at = START + hours(50)
        for until in (at, at - hours(1)):
            with self.subTest(until):
                self.assertEqual(self.refused(Leave("l", at, until)), ("until", RefusalCode.TIME_OUT_OF_RANGE))

    def test_no_discard_for_the_jar_before_it_is_food(self) -> None:
        fed = replace(feed(50), discard_to=DiscardTo.JAR)
        self.assertEqual(self.refused(fed), ("discard_to", RefusalCode.DISCARD_IS_NO_FOOD))
        admit(setup(), daily(2), replace(feed(50), discard_to=DiscardTo.COMPOST), LATER)

    def test_measures_of_no_kitchen(self) -> None:
        beyond = [("ph", replace(look(50), ph=ph)) for ph in (2.4, 8.1)]
        beyond += [("celsius", replace(look(50), celsius=celsius)) for celsius in (-5.1, 60.1)]
        for field, told in beyond:
            with self.subTest(field):
                self.assertEqual(self.refused(told), (field, RefusalCode.OUT_OF_RANGE))
        for ph, celsius in ((2.5, -5.0), (8.0, 60.0)):
            admit(setup(), daily(2), replace(look(50), ph=ph, celsius=celsius), LATER)

    def test_a_line_is_measured_inside_the_glass(self) -> None:
        for line in (0.5, 121.0):
            self.assertEqual(self.refused(replace(feed(50), line_mm=line)), ("line_mm", RefusalCode.OUT_OF_RANGE))

    def test_a_culture_from_outside_is_put_in_and_fits(self) -> None:
        dried = replace(setup(), family="dried_soak", choices={})
        mix = Feed("m", START, 0.0, (), 20.0, 0.0, None)
        with self.assertRaises(Refusal) as caught:
            admit(dried, (), mix, LATER)
        self.assertEqual((caught.exception.field, caught.exception.code), ("keep_g", RefusalCode.NOTHING_KEPT))
        admit(dried, (), replace(mix, keep_g=5.0), LATER)

    def test_a_jar_ends_once_and_after_all_else(self) -> None:
        ended = (*daily(2), Bin("b", START + hours(60)))
        self.assertEqual(self.refused(Bin("c", START + hours(59)), ended)[1], RefusalCode.JAR_IS_BINNED)
        self.assertEqual(self.refused(Bin("b", START + hours(40)))[1], RefusalCode.BEFORE_THE_LAST_FEED)
        self.assertEqual(self.refused(look(61, 1.1), ended), ("at", RefusalCode.JAR_IS_BINNED))

    def test_a_clock_a_few_minutes_ahead_is_believed(self) -> None:
        admit(setup(), daily(2), replace(look(0, 1.1), at=LATER + timedelta(minutes=5)), LATER)
        told = replace(look(0, 1.1), at=LATER + timedelta(minutes=6))
        self.assertEqual(self.refused(told), ("at", RefusalCode.IN_THE_FUTURE))
