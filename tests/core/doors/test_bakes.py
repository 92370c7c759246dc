"""A bake back from its grams and its hour: inside the baker's hours, by the jar's own pace, and part of its plan."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from unittest import TestCase
from zoneinfo import ZoneInfo

from ferment.doors.admission import admit
from ferment.doors.assessment import Move, assess
from ferment.doors.bakes import BakeOffers, Offer, Wanted, Where, as_bake, bake_offers
from ferment.doors.foresight import whole_plan
from ferment.doors.reminding import reminders
from ferment.kitchen.hours import Hours, fit, parse_bands
from ferment.kitchen.vessel import Vessel
from ferment.methods.keeping import KEEPING, Keeping
from ferment.planner import Act, StepState
from ferment.planner.steps import ChangeCode
from ferment.record.log import Bake, Deed, DeedKind, Entry, Feed, Log, Use, UsedFor
from ferment.record.terms import OtherWay
from ferment.refusal import Refusal, RefusalCode
from ferment.setups import Setup
from ferment.simulation import Happenings, Truth, play

LISBON = ZoneInfo("Europe/Lisbon")
HOURS = Hours(LISBON, parse_bands("06:30-08:30,18:00-22:30"), parse_bands("08:00-23:00"))
START = datetime(2026, 3, 2, 8, 0, tzinfo=LISBON)
RAISED = Setup(
    "equal_parts",
    {"twice_from_day": "day_4", "blend": {"white": 1.0, "whole_wheat": 1.0}},
    Vessel(300.0, 750.0, 140.0),
    START,
    hours=HOURS,
    warmth_c=22.0,
)
SATURDAY = datetime(2026, 3, 21, 9, 0, tzinfo=LISBON)


def at(days: float) -> datetime:
    return START + timedelta(days=days)


def local(moment: datetime) -> str:
    return moment.astimezone(LISBON).strftime("%a %H:%M")


class Kept(TestCase):
    """A jar of two weeks, fed on a Monday and put into the fridge."""

    log: Log

    @classmethod
    def setUpClass(cls) -> None:
        kept = KEEPING[Keeping.FRIDGE]
        played = play(RAISED, 14, 3).log
        fed = Feed("fed", at(14.05), 20.0, played[0].flours, 40.0, 0.0, None)  # type: ignore[union-attr]
        cls.log = (
            *played,
            OtherWay("kept", at(14), kept.family, kept.choices),
            fed,
            Deed("in", at(14.3), DeedKind.TO_FRIDGE),
        )

    def offers(self, wanted: datetime, now: datetime, grams: float = 180.0) -> BakeOffers:
        return bake_offers(RAISED, self.log, Wanted(grams, wanted), now)

    def taken(self, wanted: datetime = SATURDAY, every_days: int = 0, now: datetime | None = None) -> tuple[Bake, Log]:
        now = now or at(17)
        asked = Wanted(180.0, wanted, every_days=every_days)
        bake = as_bake("bake", bake_offers(RAISED, self.log, asked, now).offers[0], asked, now)
        admit(RAISED, self.log, bake, now)
        return bake, (*self.log, bake)


class Offers(Kept):
    def check(self, offer: Offer, wanted: datetime) -> None:
        """Feeds inside the hours and in their order, each on all that the one before made; the peak around the hour."""
        there_is = None
        for one in offer.feeds:
            self.assertTrue(fit(HOURS, one.at, one.at, one.at).fits, local(one.at))
            self.assertTrue(there_is is None or there_is == one.keep_g)
            there_is = one.keep_g + one.water_g + sum(part.g for part in one.flours)
        self.assertEqual(there_is, 200.0)
        low, _, high = offer.peaks
        self.assertLessEqual(low, wanted + timedelta(minutes=30))
        self.assertGreaterEqual(high, wanted - timedelta(minutes=30))

    def test_dough_on_saturday_at_nine(self) -> None:
        found = self.offers(SATURDAY, at(17))
        self.assertEqual((found.usual_feeds, bool(found.offers), found.soonest), (1, True, None))
        for offer in found.offers:
            with self.subTest(offer.where):
                self.check(offer, SATURDAY)

    def test_dough_on_a_weekday_at_eight_is_begun_the_evening_before(self) -> None:
        """One to five to five overnight, or less where it is cool: never at half past one (common practice)."""
        wanted = datetime(2026, 3, 19, 8, 0, tzinfo=LISBON)
        found = self.offers(wanted, at(16))
        self.assertTrue(found.offers)
        self.assertEqual(found.offers[0].feeds[-1].at.astimezone(LISBON).day, 18)
        self.assertTrue({one.where for one in found.offers} & {Where.WARMER, Where.COOLER})

    def test_a_week_asks_for_two_feeds_and_a_month_for_three(self) -> None:
        for days, feeds in ((16.0, 1), (24.0, 2), (50.0, 3)):
            wanted = (at(days) + timedelta(days=4)).replace(hour=9)
            self.assertEqual(self.offers(wanted, at(days)).usual_feeds, feeds)

    def test_in_two_hours_from_three_weeks_of_sleep(self) -> None:
        """What is possible instead is offered, and it is later."""
        now = at(38)
        found = self.offers(now + timedelta(hours=2), now)
        self.assertEqual(found.offers, ())
        assert found.soonest is not None
        self.assertGreater(found.soonest.mixed_at, now + timedelta(hours=12))
        self.assertFalse(found.soonest.weaker)

    def test_what_no_kitchen_means_is_refused(self) -> None:
        for grams, wanted, field, code in (
            (0.0, SATURDAY, "grams", RefusalCode.OUT_OF_RANGE),
            (2_000.0, SATURDAY, "grams", RefusalCode.JAR_TOO_SMALL),
            (180.0, at(10), "mixed_at", RefusalCode.TIME_OUT_OF_RANGE),
            (180.0, at(200), "mixed_at", RefusalCode.TIME_OUT_OF_RANGE),
        ):
            with self.subTest(field), self.assertRaises(Refusal) as caught:
                self.offers(wanted, at(17), grams)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))

    def test_a_culture_that_is_not_mixed_yet(self) -> None:
        """A neglected jar from the fridge, dough on Saturday at nine: its first feed is its first mix."""
        asleep = Setup("wake_and_keep", {"way": "fridge"}, RAISED.vessel, at(15), hours=HOURS, warmth_c=22.0)
        asked = Wanted(180.0, SATURDAY)
        found = bake_offers(asleep, (), asked, at(15))
        best = found.offers[0]
        self.assertEqual((found.usual_feeds, len(best.feeds)), (2, 2))
        bake = as_bake("bake", best, asked, at(15))
        admit(asleep, (), bake, at(15))
        told = assess(asleep, (bake,), at(15))
        self.assertEqual((told.next_move.move, told.next_move.due), (Move.MIX, best.feeds[0].at))
        ahead = [step.act for step in told.timeline if step.to_come]
        self.assertEqual(ahead[:5], [Act.MIX, Act.FEED, Act.USE, Act.FEED, Act.TO_FRIDGE])


class InThePlan(Kept):
    def steps(self, log: Log, now: datetime) -> list[tuple[Act, StepState]]:
        return [(step.act, step.state) for step in assess(RAISED, log, now).timeline if step.to_come]

    def test_taken_it_is_what_comes_next_and_what_is_reminded_of(self) -> None:
        bake, log = self.taken()
        told = assess(RAISED, log, at(17))
        self.assertEqual((told.next_move.move, told.next_move.due), (Move.FEED, bake.feeds[0].at))
        self.assertEqual([act for act, _ in self.steps(log, at(17))], [Act.FEED, Act.USE, Act.FEED, Act.TO_FRIDGE])
        reminded = reminders(whole_plan(RAISED, log, at(17)).steps, HOURS, at(17))
        self.assertIn(Act.USE, {one.act for one in reminded})

    def test_fed_and_mixed_the_rest_is_fed_again_and_goes_back(self) -> None:
        bake, log = self.taken()
        feed = bake.feeds[0]
        fed = Feed("f", feed.at, feed.keep_g, feed.flours, feed.water_g, 0.0, None)
        risen = assess(RAISED, (*log, fed), feed.at + timedelta(hours=2))
        self.assertEqual((risen.next_move.move, risen.bake_fed), (Move.USE, 1))
        use = Use("u", bake.mixed_at, 180.0, UsedFor.DOUGH, "bake")
        after = assess(RAISED, (*log, fed, use), bake.mixed_at + timedelta(minutes=10))
        self.assertEqual((after.next_move.move, after.next_move.is_now), (Move.FEED, True))
        self.assertEqual((after.totals.used_g, after.bakes), (180.0, ()))
        assert after.in_jar is not None
        self.assertAlmostEqual(after.in_jar.total_g, 20.0)
        self.assertIn(ChangeCode.USED, {one.code for one in after.changes})

    def test_not_mixed_it_is_late_and_then_given_up(self) -> None:
        bake, log = self.taken()
        feed = bake.feeds[0]
        fed: Log = (*log, Feed("f", feed.at, feed.keep_g, feed.flours, feed.water_g, 0.0, None))
        late = assess(RAISED, fed, bake.mixed_at + timedelta(hours=6))
        self.assertEqual((late.next_move.move, late.next_move.state), (Move.USE, StepState.LATE))
        over = assess(RAISED, fed, bake.mixed_at + timedelta(hours=13))
        self.assertEqual((over.next_move.move, over.bakes), (Move.FEED, ()))
        self.assertIn(ChangeCode.BAKE_MISSED, {one.code for one in over.changes})

    def test_every_saturday_at_the_same_hour_over_a_change_of_clocks(self) -> None:
        """In Lisbon the clocks went forward on 29 March 2026."""
        _, log = self.taken(every_days=7)
        made = whole_plan(RAISED, log, at(17))
        uses = [local(step.due) for step in made.steps if step.act is Act.USE]
        self.assertEqual(uses[:1], ["Sat 09:00"])
        later = assess(RAISED, log, SATURDAY + timedelta(days=8))
        self.assertEqual([local(bake.mixed_at) for bake in later.bakes], ["Sat 09:00"])
        self.assertEqual(later.bakes[0].mixed_at.astimezone(UTC).hour, 8)

    def test_a_feed_outside_the_bakes_hours_is_the_ways_own(self) -> None:
        _, log = self.taken()
        out: tuple[Entry, ...] = (
            Deed("out", at(17.1), DeedKind.TO_COUNTER),
            Feed("own", at(17.2), 20.0, self.log[0].flours, 40.0, 0.0, None),  # type: ignore[union-attr]
        )
        told = assess(RAISED, (*log, *out), at(17.3))
        self.assertEqual((told.bake_fed, len(told.bakes)), (0, 1))


class Simulated(TestCase):
    """Jars of their own vigour and gas-holding, in kitchens a little warmer or cooler than told."""

    JARS = 15

    def test_four_of_five_peak_within_their_interval_of_the_hour(self) -> None:
        inside = 0
        kept = KEEPING[Keeping.FRIDGE]
        for number in range(self.JARS):
            spread = (number % 5 - 2) / 2
            truth = Truth(1.0 + 0.25 * spread, 1.0 + 0.1 * (number % 3 - 1), warmth_off_c=0.6 * spread)
            way: Entry = OtherWay("kept", at(12), kept.family, kept.choices)
            before = play(RAISED, 17, number, truth, happenings=Happenings(decided=(way,))).log
            asked = Wanted(180.0, SATURDAY)
            offer = bake_offers(RAISED, before, asked, at(17)).offers[0]
            bake = as_bake("bake", offer, asked, at(17))
            decided = Happenings(decided=(way, bake))
            played = play(RAISED, 20.5, number, truth, happenings=decided)
            fed = [
                one for one in played.log if isinstance(one, Feed) and one.at >= offer.feeds[-1].at - timedelta(hours=3)
            ]
            ends = fed[1].at if len(fed) > 1 else fed[0].at + timedelta(hours=22)
            rising = [one for one in played.truth if fed[0].at + timedelta(hours=1) < one.at < ends]
            top = max(rising, key=lambda one: one.level).at
            late = fed[0].at - offer.feeds[-1].at
            low, _, high = (peak + late for peak in offer.peaks)
            inside += low - timedelta(minutes=30) <= top <= high + timedelta(minutes=30)
        self.assertGreaterEqual(inside, 0.8 * self.JARS)


class Replaced(TestCase):
    def test_an_offer_names_its_warmth(self) -> None:
        cool = replace(RAISED, warmth_c=18.0)
        log = play(cool, 14, 3).log
        found = bake_offers(cool, log, Wanted(150.0, at(16).replace(hour=9)), at(14))
        for offer in found.offers:
            self.assertEqual(offer.celsius, {Where.HERE: 18.0, Where.WARMER: 27.0}.get(offer.where, 18.0))
