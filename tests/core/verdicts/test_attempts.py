"""Feeds held against the rule: what was seen goes before what the model makes of it."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

from ferment.mixing.contents import EMPTY
from ferment.ready_rule import EARLY_DAYS_H
from ferment.record.ledger import Round, Sighting
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
    (found,) = attempts_of([EARLIER, turn_], [fit], START + hours(300), begun_sour=begun_sour)
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
        found = one(turn(LATER, (9.0, 2.1)), DREAMT)
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


class Whose(TestCase):
    """The first rise of the early days is the bacteria's; later ones by what the model makes of them."""

    def test_in_the_early_days_only_beyond_doubt(self) -> None:
        early = turn(EARLY_DAYS_H - 1.0, (5.0, 2.1))
        for share, yeast in ((0.89, False), (0.9, True)):
            self.assertEqual(one(early, replace(FIT, yeast_share=share)).by_yeast, yeast, share)

    def test_from_then_on_from_two_thirds(self) -> None:
        for at_h in (EARLY_DAYS_H, LATER):
            for share, yeast in ((0.66, False), (2.0 / 3.0, True)):
                self.assertEqual(one(turn(at_h, (5.0, 2.1)), replace(FIT, yeast_share=share)).by_yeast, yeast, share)

    def test_the_first_rise_seen_is_theirs_whatever_the_model_says(self) -> None:
        for times, at_h, yeast in ((1.15, 30.0, True), (1.14, 30.0, False)):
            before = turn(0.0, (20.0, times))
            (found,) = attempts_of([before, turn(at_h, (5.0, 2.1))], [FIT], START + hours(90), begun_sour=False)
            self.assertEqual(found.by_yeast, yeast, times)

    def test_a_jar_begun_sour_has_no_early_days(self) -> None:
        (found,) = attempts_of([turn(0.0, (5.0, 2.1))], [FIT], START + hours(9), begun_sour=True)
        self.assertTrue(found.by_yeast)
        at_once = replace(FIT, yeast_share=0.7)
        (found,) = attempts_of([turn(0.0, (5.0, 2.1))], [at_once], START + hours(9), begun_sour=True)
        self.assertTrue(found.by_yeast)

    def test_as_many_as_are_fitted_the_running_one_last(self) -> None:
        rounds = [turn(24.0 * day) for day in range(4)]
        found = attempts_of(rounds, [FIT, FIT], START + hours(90), begun_sour=False)
        self.assertEqual([one.at for one in found], [START + hours(48), START + hours(72)])
        self.assertEqual(attempts_of(rounds, [], START, begun_sour=False), ())
