"""Feeds held against the rule: what was seen goes before what the model makes of it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.mixing.contents import EMPTY
from ferment.ready_rule import EARLY_DAYS_H, early_days_h
from ferment.record.ledger import Round, Sighting
from ferment.record.log import Bubbles, Smell, Top
from ferment.tracker import RoundFit
from ferment.verdicts.attempts import attempts_of
from ferment.verdicts.readiness import Attempt

from ..builders import START, feed, hours

FIT = RoundFit(
    feed_id="f",
    doubles_at=2.0,
    doubled_chance=0.9,
    doubled_h=6.0,
    in_time_chance=0.8,
    limit_h=8.0,
    peak_h=10.0,
    expected_peak_h=10.0,
    peak_times=2.4,
    yeast_share=0.95,
)
DREAMT = replace(FIT, doubled_chance=0.2, doubled_h=None, in_time_chance=0.1)
LATER = 100.0


def turn(at_h: float, *levels: tuple[float, float], high: tuple[float, float] | None = None) -> Round:
    """A round with its looks: (hours since the feed, × the line)."""
    seen = [Sighting(f"l{h}", START + hours(at_h + h), h, times=times) for h, times in levels]
    if high:
        seen.append(Sighting("high", START + hours(at_h + high[0]), high[0], high=high[1]))
    return Round(feed(at_h), EMPTY, EMPTY, EMPTY, 30.0, 4.0, tuple(seen))


# A rise that somebody saw in the early days, so that what comes later is not the first.
EARLIER = turn(0.0, (20.0, 1.5))


def one(turn_: Round, fit: RoundFit = FIT, *, begun_sour: bool = False) -> Attempt:
    *_, found = attempts_of([EARLIER, turn_], [fit], START + hours(300), begun_sour=begun_sour)
    return found


class Seen(TestCase):
    def test_it_says_of_which_feed_and_by_which_numbers(self) -> None:
        found = one(turn(LATER, (5.0, 2.1)), replace(FIT, doubles_at=1.9, limit_h=7.0))
        self.assertEqual((found.feed_id, found.at), (f"feed-{LATER}", START + hours(LATER)))
        self.assertEqual((found.doubles_at, found.limit_h, found.highest), (1.9, 7.0, 2.1))

    def test_seen_doubled_before_its_hour_is_in_time_whatever_the_model_thinks(self) -> None:
        for fit in (FIT, DREAMT):
            found = one(turn(LATER, (5.0, 2.1), (7.0, 2.3)), fit)
            self.assertEqual((found.in_time, found.doubled_h, found.watched), (1.0, 5.0, True))
        earlier = one(turn(LATER, (7.0, 2.1)))
        self.assertEqual((earlier.in_time, earlier.doubled_h), (1.0, 6.0))
        self.assertEqual(one(turn(LATER, (8.0, 2.1)), DREAMT).in_time, 1.0, "at the hour itself is in time")

    def test_seen_doubled_after_its_hour_the_model_says_whether_it_was_in_time(self) -> None:
        found = one(turn(LATER, (9.0, 2.1)))
        self.assertEqual((found.in_time, found.doubled_h), (0.8, 6.0))
        found = one(turn(LATER, (7.0, 1.7), (9.0, 2.1)), DREAMT)
        self.assertEqual((found.in_time, found.doubled_h), (0.1, None))

    def test_a_level_read_almost_doubled_is_doubled(self) -> None:
        self.assertEqual(one(turn(LATER, (5.0, 1.96)), DREAMT).doubled_h, 5.0)
        self.assertIsNone(one(turn(LATER, (5.0, 1.95)), DREAMT).doubled_h)

    def test_nobody_saw_it_doubled_so_it_stays_open(self) -> None:
        found = one(turn(LATER, (5.0, 1.5)))
        self.assertEqual((found.in_time, found.doubled_h), (0.5, 6.0))
        found = one(turn(LATER, (5.0, 1.5)), replace(FIT, doubled_chance=0.5, in_time_chance=0.3))
        self.assertEqual((found.in_time, found.doubled_h), (0.3, 6.0))
        self.assertIsNone(one(turn(LATER, (5.0, 1.5)), replace(FIT, doubled_chance=0.49)).doubled_h)

    def test_a_high_mark_tells_that_it_doubled_but_not_when(self) -> None:
        found = one(turn(LATER, high=(12.0, 2.2)))
        self.assertEqual((found.watched, found.in_time, found.doubled_h), (True, 0.8, 6.0))

    def test_by_when_it_had_doubled_is_what_the_first_look_saw(self) -> None:
        """Whatever the model makes of it later: seen at nine hours is "within nine hours", not "in six"."""
        for fit in (FIT, DREAMT):
            self.assertEqual(one(turn(LATER, (5.0, 1.4), (9.0, 2.1), (10.0, 2.3)), fit).doubled_by_h, 9.0)
        self.assertEqual(one(turn(LATER, high=(12.0, 2.2))).doubled_by_h, 12.0)
        self.assertIsNone(one(turn(LATER, (5.0, 1.5))).doubled_by_h)

    def test_watched_is_looked_at_near_its_peak(self) -> None:
        for at_h, watched in ((6.9, False), (7.0, True), (7.1, True)):
            self.assertEqual(one(turn(LATER, (at_h, 1.4))).watched, watched, at_h)
        self.assertTrue(one(turn(LATER, (2.0, 2.0))).watched, "doubled says enough")
        self.assertFalse(one(turn(LATER), replace(FIT, peak_h=1.2)).watched)
        slow = replace(FIT, peak_h=0.8)
        self.assertFalse(one(turn(LATER, (0.5, 1.1)), slow).watched)
        self.assertTrue(one(turn(LATER, (0.6, 1.1)), slow).watched)


class Peak(TestCase):
    def test_the_models_where_it_believed_in_the_rise(self) -> None:
        looks = turn(LATER, (5.0, 2.1), (12.0, 2.3))
        self.assertEqual(one(looks).peak_h, 10.0)
        self.assertEqual(one(looks, replace(FIT, doubled_chance=0.5)).peak_h, 10.0)

    def test_else_the_hour_of_the_highest_level(self) -> None:
        looks = turn(LATER, (5.0, 2.1), (12.0, 2.3), (14.0, 1.8))
        self.assertEqual(one(looks, DREAMT).peak_h, 12.0)
        self.assertEqual(one(looks, replace(FIT, doubled_chance=0.49)).peak_h, 12.0)

    def test_a_smear_has_no_hour_and_no_rise_seen_is_the_models(self) -> None:
        self.assertEqual(one(turn(LATER, high=(12.0, 2.2)), DREAMT).peak_h, 10.0)
        self.assertEqual(one(turn(LATER, (5.0, 1.2)), DREAMT).peak_h, 10.0)


class Failed(TestCase):
    """Somebody looked when it should have been high, and it was not. The tracker expected the peak at ten hours."""

    def test_low_around_the_hour_of_its_peak(self) -> None:
        for at_h, level, failed in ((10.0, 1.7, True), (10.0, 1.8, False), (15.0, 1.7, True), (15.5, 1.1, False)):
            self.assertEqual(one(turn(LATER, (at_h, level))).failed, failed, (at_h, level))

    def test_a_little_before_less_is_asked_of_it(self) -> None:
        for at_h, level, failed in ((8.0, 1.4, True), (8.0, 1.5, False), (6.9, 1.0, False)):
            self.assertEqual(one(turn(LATER, (at_h, level))).failed, failed, (at_h, level))

    def test_twice_flat_on_the_way(self) -> None:
        self.assertTrue(one(turn(LATER, (4.0, 1.05), (20.0, 1.0))).failed)
        self.assertFalse(one(turn(LATER, (4.0, 1.05))).failed, "once is not enough so soon")
        self.assertFalse(one(turn(LATER, (3.0, 1.0), (3.4, 1.0))).failed, "it had hardly begun")

    def test_whatever_tells_of_a_rise_that_nobody_saw_speaks_for_it(self) -> None:
        smeared = turn(LATER, (20.0, 1.0), (22.0, 1.0), high=(22.0, 1.9))
        sunken = turn(LATER, (10.0, 1.0), (20.0, 1.0))
        seen = (*sunken.sightings[:1], replace(sunken.sightings[1], top=frozenset({Top.SUNKEN})))
        for told in (smeared, replace(sunken, sightings=seen)):
            self.assertFalse(one(told).failed)

    def test_a_failed_feed_did_not_double_whatever_the_model_makes_of_it(self) -> None:
        found = one(turn(LATER, (10.0, 1.0), (12.0, 1.0)))
        self.assertEqual((found.watched, found.in_time, found.doubled_h), (True, 0.0, None))

    def test_nobody_knows_since_when_it_stood_doubled(self) -> None:
        """Seen first after its hour, by a model that thinks it was late: open, unless somebody saw it not doubled."""
        self.assertEqual(one(turn(LATER, (9.0, 2.1)), DREAMT).in_time, 0.5)
        self.assertEqual(one(turn(LATER, (6.5, 1.7), (9.0, 2.1)), DREAMT).in_time, 0.1)

    def test_a_soup_tells_nothing_by_its_rise(self) -> None:
        thin = replace(FIT, doubles_at=1.2)
        risen = turn(LATER, (5.0, 1.3))
        bubbly = replace(risen, sightings=(replace(risen.sightings[0], bubbles=Bubbles.THROUGHOUT),))
        self.assertEqual((one(risen, thin).in_time, one(bubbly, thin).in_time), (0.5, 0.5))


class OneLook(TestCase):
    """A level that nobody expected, of another jar perhaps, counts once something bears it out."""

    def highest(self, *seen: Sighting) -> float:
        rounds = [EARLIER, replace(turn(LATER), sightings=seen)]
        *_, found = attempts_of(rounds, [FIT], START + hours(300), begun_sour=False, doubted={"odd"})
        return found.highest

    def test_alone_it_counts_for_nothing(self) -> None:
        odd = Sighting("odd", START + hours(LATER + 5), 5.0, times=2.4)
        dome = frozenset({Top.DOMED})
        after = replace(odd, look_id="after", hours=6.0)
        for seen, top in (
            ((odd,), 1.0),
            ((odd, replace(after, times=1.2)), 1.2),
            ((odd, replace(after, times=2.0)), 2.4),
            ((odd, replace(after, times=None, top=frozenset({Top.SUNKEN}))), 2.4),
            ((replace(odd, top=dome, bubbles=Bubbles.THROUGHOUT),), 2.4),
            ((replace(odd, bubbles=Bubbles.FEW),), 1.0),
            ((replace(odd, look_id="expected"),), 2.4),
        ):
            self.assertEqual(self.highest(*seen), top, seen)


class Whose(TestCase):
    """The first rise of the early days is the bacteria's; a later one the yeast's where it had turned sour."""

    SOUR = replace(EARLIER, sightings=(replace(EARLIER.sightings[0], smell=frozenset({Smell.YOGHURT})),))

    def yeasts(
        self, at_h: float, level: float, share: float = 0.95, first: Round = SOUR, early_h: float = EARLY_DAYS_H
    ) -> bool:
        fit = replace(FIT, yeast_share=share)
        rounds = [first, turn(at_h, (5.0, level))]
        *_, found = attempts_of(rounds, [fit, fit], START + hours(300), begun_sour=False, early_h=early_h)
        return found.by_yeast

    def test_in_the_early_days_only_beyond_doubt(self) -> None:
        early = EARLY_DAYS_H - 1.0
        for share, yeast in ((0.89, False), (0.9, True)):
            self.assertEqual(self.yeasts(early, 2.1, share), yeast, share)
        self.assertFalse(self.yeasts(early, 1.7), "a rise that is no doubling")
        self.assertFalse(self.yeasts(early, 2.1, first=EARLIER), "nobody smelt or read that it had turned sour")
        read = replace(EARLIER, sightings=(replace(EARLIER.sightings[0], ph=4.6),))
        self.assertTrue(self.yeasts(early, 2.1, first=read))

    def test_a_cool_room_has_longer_early_days(self) -> None:
        self.assertTrue(self.yeasts(80.0, 1.6))
        self.assertFalse(self.yeasts(80.0, 1.6, early_h=100.0))
        self.assertGreater(early_days_h(18.0), 90.0)
        self.assertEqual(early_days_h(28.0), EARLY_DAYS_H)

    def test_from_then_on_from_two_thirds(self) -> None:
        for at_h in (EARLY_DAYS_H, LATER):
            for share, yeast in ((0.66, False), (2.0 / 3.0, True)):
                self.assertEqual(self.yeasts(at_h, 2.1, share), yeast, share)

    def test_a_small_rise_soon_after_is_theirs_until_there_was_a_quiet_feed(self) -> None:
        self.assertFalse(self.yeasts(EARLY_DAYS_H + 2.0, 1.4))
        self.assertTrue(self.yeasts(EARLY_DAYS_H + 2.0, 1.5))
        self.assertTrue(self.yeasts(1.8 * EARLY_DAYS_H + 1.0, 1.4))
        rounds = [self.SOUR, turn(40.0, (5.0, 1.05)), turn(EARLY_DAYS_H + 2.0, (5.0, 1.4))]
        *_, found = attempts_of(rounds, [FIT], START + hours(300), begun_sour=False)
        self.assertTrue(found.by_yeast)

    def test_what_smells_of_cheese_is_not_the_yeasts(self) -> None:
        rise = turn(LATER, (5.0, 2.1))
        cheesy = replace(rise, sightings=(replace(rise.sightings[0], smell=frozenset({Smell.CHEESY})),))
        self.assertFalse(one(cheesy).by_yeast)

    def test_the_first_rise_seen_is_theirs_whatever_the_model_says(self) -> None:
        for times, yeast in ((1.15, True), (1.14, False)):
            seen = replace(self.SOUR.sightings[0], times=times)
            self.assertEqual(self.yeasts(30.0, 2.1, first=replace(self.SOUR, sightings=(seen,))), yeast, times)

    def test_a_jar_begun_sour_has_no_early_days(self) -> None:
        (found,) = attempts_of([turn(0.0, (5.0, 2.1))], [FIT], START + hours(9), begun_sour=True)
        self.assertTrue(found.by_yeast)
        at_once = replace(FIT, yeast_share=0.7)
        (found,) = attempts_of([turn(0.0, (5.0, 2.1))], [at_once], START + hours(9), begun_sour=True)
        self.assertTrue(found.by_yeast)

    def test_before_the_trackers_memory_by_what_was_seen_alone(self) -> None:
        rounds = [turn(24.0 * day, (7.0, 2.2)) if day == 4 else turn(24.0 * day) for day in range(8)]
        found = attempts_of(rounds, [FIT, FIT], START + hours(190), begun_sour=True)
        self.assertEqual([one.at for one in found], [turn.feed.at for turn in rounds])
        self.assertEqual([one.watched for one in found], [False] * 4 + [True] + [False] * 3)
        self.assertEqual((found[4].in_time, found[4].doubled_h), (1.0, 7.0))
        self.assertEqual(attempts_of(rounds, [], START, begun_sour=False), ())
