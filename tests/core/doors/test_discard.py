"""The discard jar and the flour ledger of a kitchen of several jars."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.doors.discard import (
    DiscardAct,
    DiscardEntry,
    DiscardJar,
    DiscardSign,
    Giver,
    Shelf,
    admit_discard,
    discard_jars,
    nudges,
)
from ferment.doors.flour import By, JarFlows, flour_ledger, jar_flows, whole
from ferment.kitchen.flours import Flour
from ferment.kitchen.hours import ANY_TIME, Band, Hours
from ferment.record.flows import Went, flows_of
from ferment.record.log import DiscardTo, Feed, Log, Top
from ferment.refusal import Refusal

from ..builders import START, first_mix, hours, lot, setup

DAY = timedelta(days=1)


def gave(*days: int, to: DiscardTo | None = DiscardTo.JAR, flour: str = "white") -> Log:
    """A jar of 60 g that gives 30 g at each of these days."""
    fed = (
        Feed(f"fed-{day}", START + day * DAY, 30.0, lot(**{flour: 15.0}), 15.0, 0.0, None, discard_to=to)
        for day in days
    )
    return (Feed("mix", START, 0.0, lot(**{flour: 30.0}), 30.0, 0.0, None), *fed)


def jar(name: str, log: Log) -> JarFlows:
    return JarFlows(name.lower(), name, "equal_parts", flows_of(log))


def did(act: DiscardAct, at: datetime, g: float = 0.0, top: Sequence[Top] = ()) -> DiscardEntry:
    return DiscardEntry(f"{act}-{at}", at, Shelf.WITH_GLUTEN, act, g, frozenset(top))


def only(jars: Sequence[DiscardJar]) -> DiscardJar:
    (one,) = jars
    return one


def sized(ml: float, at: datetime = START) -> DiscardEntry:
    return DiscardEntry(f"sized-{at}", at, Shelf.WITH_GLUTEN, DiscardAct.SIZED, ml=ml)


THREE = [Giver(jar(name, gave(day))) for name, day in (("Moth", 5), ("Harbour", 7), ("Thistle", 8))]


class TheDiscardJar(TestCase):
    def test_three_jars_give_and_the_oldest_is_used_first(self) -> None:
        now = START + 9 * DAY
        found = only(discard_jars(THREE, [], now))
        self.assertEqual((found.total_g, found.oldest_at, found.signs), (90.0, START + 5 * DAY, ()))
        taken = only(discard_jars(THREE, [did(DiscardAct.TAKEN, now, 40.0)], now))
        self.assertEqual(
            [(part.name, round(part.what.total_g, 6)) for part in taken.parts], [("Harbour", 20.0), ("Thistle", 30.0)]
        )
        self.assertEqual(taken.oldest_at, START + 7 * DAY)

    def test_used_up_emptied_and_washed(self) -> None:
        now = START + 9 * DAY
        for act, washed in ((DiscardAct.USED_UP, False), (DiscardAct.EMPTIED, False), (DiscardAct.WASHED, True)):
            found = only(discard_jars(THREE, [did(act, now)], now))
            self.assertEqual((found.total_g, found.oldest_at, found.washed), (0.0, None, washed))

    def test_what_comes_after_it_was_emptied_is_in_it(self) -> None:
        emptied = [did(DiscardAct.EMPTIED, START + 6 * DAY)]
        self.assertEqual(only(discard_jars(THREE, emptied, START + 9 * DAY)).total_g, 60.0)

    def test_its_age_by_its_oldest_part(self) -> None:
        for days, signs in ((7, ()), (8, (DiscardSign.OLD,)), (14, (DiscardSign.TOO_OLD,))):
            self.assertEqual(only(discard_jars(THREE, [], START + (5 + days) * DAY)).signs, signs, days)

    def test_a_jar_binned_for_mould_three_days_later_is_named(self) -> None:
        """Its discard is in there still; once that is used or thrown out nothing is to be named."""
        mouldy = [THREE[0], Giver(THREE[1].flows, START + 10 * DAY), THREE[2]]
        found = only(discard_jars(mouldy, [], START + 10 * DAY))
        self.assertEqual((found.signs, found.doubtful), ((DiscardSign.DOUBTFUL,), ("Harbour",)))
        emptied = [did(DiscardAct.EMPTIED, START + 11 * DAY)]
        self.assertEqual(only(discard_jars(mouldy, emptied, START + 11 * DAY)).doubtful, ())

    def test_fuzzy_or_coloured_is_spoiled_until_it_is_washed(self) -> None:
        now = START + 9 * DAY
        for top in (Top.FUZZY_SPOTS, Top.COLOURED_STREAKS):
            seen = did(DiscardAct.LOOKED, now, top=[top])
            clean = did(DiscardAct.LOOKED, now + hours(1))
            emptied, washed = did(DiscardAct.EMPTIED, now + hours(2)), did(DiscardAct.WASHED, now + hours(3))
            later = now + hours(4)
            for so_far, signs in (
                ([seen], (DiscardSign.SPOILED,)),
                ([seen, clean], (DiscardSign.SPOILED,)),
                ([seen, clean, emptied], (DiscardSign.SPOILED,)),
                ([seen, clean, emptied, washed], ()),
            ):
                self.assertEqual(only(discard_jars(THREE, so_far, later)).signs, signs)

    def test_liquid_is_normal_and_film_is_named(self) -> None:
        now = START + 9 * DAY
        for top, sign in ((Top.LIQUID, DiscardSign.LIQUID), (Top.WHITE_FILM, DiscardSign.FILM)):
            self.assertEqual(only(discard_jars(THREE, [did(DiscardAct.LOOKED, now, top=[top])], now)).signs, (sign,))

    def test_gluten_free_stands_apart_and_one_spoon_of_wheat_is_wheat(self) -> None:
        free = Giver(jar("Fern", gave(6, flour="gluten_free")))
        found = {one.shelf: one for one in discard_jars([*THREE, free], [], START + 9 * DAY)}
        self.assertEqual(
            {shelf: one.total_g for shelf, one in found.items()}, {Shelf.WITH_GLUTEN: 90.0, Shelf.GLUTEN_FREE: 30.0}
        )
        self.assertEqual([part.flour for part in found[Shelf.GLUTEN_FREE].flours], [Flour.GLUTEN_FREE])
        mixed = Giver(jar("Both", (*gave(flour="gluten_free"), *gave(6, 7)[1:])))
        both = only(discard_jars([mixed], [did(DiscardAct.LOOKED, START)], START + 9 * DAY)[:1])
        self.assertIs(both.shelf, Shelf.WITH_GLUTEN)

    def test_no_more_is_taken_than_there_is(self) -> None:
        now = START + 9 * DAY
        jars = discard_jars(THREE, [], now)
        admit_discard(jars, did(DiscardAct.TAKEN, now, 90.0), now)
        for entry, field in (
            (did(DiscardAct.TAKEN, now, 90.3), "g"),
            (did(DiscardAct.TAKEN, now, 0.0), "g"),
            (did(DiscardAct.EMPTIED, now + hours(1)), "at"),
        ):
            with self.assertRaises(Refusal) as refused:
                admit_discard(jars, entry, now)
            self.assertEqual(refused.exception.field, field)


class TheLedger(TestCase):
    LISBON = ZoneInfo("Europe/Lisbon")

    def test_by_jar_by_way_and_by_month_it_is_the_same_flour(self) -> None:
        jars = [jar_flows(name, name, setup(), log) for name, log in (("a", gave(5, 40)), ("b", gave(8, to=None)))]
        prices = {Flour.WHITE: 2.0}
        all_of = whole(jars, prices)
        self.assertEqual((all_of.fed_g, all_of.cost, all_of.unpriced_g), (105.0, 0.21, 0.0))
        for by in By:
            rows = flour_ledger(jars, by, prices, self.LISBON)
            self.assertAlmostEqual(sum(row.fed_g for row in rows), all_of.fed_g)
            self.assertAlmostEqual(sum(row.discard_g for row in rows), all_of.discard_g)
        self.assertEqual([row.key for row in flour_ledger(jars, By.MONTH, prices, self.LISBON)], ["2026-03", "2026-04"])

    def test_every_line_closes(self) -> None:
        jars = [jar_flows(name, name, setup(), log) for name, log in (("a", gave(5, 40)), ("b", gave(8, to=None)))]
        for row in (*flour_ledger(jars, By.JAR, {}, self.LISBON), whole(jars, {})):
            assert row.left_g is not None
            self.assertAlmostEqual(row.fed_g + row.other_g, sum(one.flour_g for one in row.went) + row.left_g)

    def test_what_went_into_the_discard_jar_is_not_wasted(self) -> None:
        row = whole([jar_flows("a", "a", setup(), (*gave(5), *()))], {})
        self.assertEqual((row.discard_g, {one.went for one in row.went}), (0.0, {Went.DISCARD_JAR}))
        unsaid = whole([jar_flows("b", "b", setup(), (first_mix(), *gave(5, to=None)[1:]))], {})
        self.assertEqual((unsaid.discard_g, unsaid.unpriced_g), (15.0, 45.0))


class Nudges(TestCase):
    """Thirty grams on days 5, 7 and 8; of a jar of 100 ml four fifths are full."""

    def test_it_is_full_when_its_parts_fill_it_and_no_more_when_some_is_taken(self) -> None:
        now = START + 9 * DAY
        full = only(discard_jars(THREE, [sized(100.0)], now))
        self.assertEqual((full.holds_ml, full.full_since, full.signs), (100.0, START + 8 * DAY, (DiscardSign.FULL,)))
        less = only(discard_jars(THREE, [sized(100.0), did(DiscardAct.TAKEN, now, 20.0)], now))
        self.assertEqual((less.full_since, less.signs), (None, ()))
        self.assertEqual(only(discard_jars(THREE, [], now)).holds_ml, None)

    def test_once_when_full_and_once_when_old_in_the_bakers_hours(self) -> None:
        now = START + 9 * DAY
        at_nine = Hours(ZoneInfo("UTC"), (Band(540, 1320),), (Band(540, 1320),))
        told = nudges(discard_jars(THREE, [sized(100.0)], now), at_nine)
        self.assertEqual([one.sign for one in told], [DiscardSign.FULL, DiscardSign.OLD])
        # Old eight days after its oldest part, of eight in the morning: told at nine.
        self.assertEqual([(one.due, one.at - one.due) for one in told][1], (START + 13 * DAY, hours(1)))
        again = nudges(discard_jars(THREE, [sized(100.0)], now + DAY), at_nine)
        self.assertEqual([one.name for one in again], [one.name for one in told])
        taken = did(DiscardAct.TAKEN, now, 40.0)
        self.assertNotEqual([one.name for one in nudges(discard_jars(THREE, [taken], now), at_nine)], [told[1].name])

    def test_a_spoiled_or_empty_one_is_not_reminded_of_and_a_size_must_be_one(self) -> None:
        now = START + 9 * DAY
        seen = did(DiscardAct.LOOKED, now, top=[Top.FUZZY_SPOTS])
        self.assertEqual(nudges(discard_jars(THREE, [seen], now), ANY_TIME), ())
        self.assertEqual(nudges(discard_jars(THREE, [did(DiscardAct.EMPTIED, now)], now), ANY_TIME), ())
        with self.assertRaises(Refusal) as refused:
            admit_discard([], sized(3.0, now), now)
        self.assertEqual(refused.exception.field, "ml")
