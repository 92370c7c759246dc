"""What the looks say of a jar: against a brute-force grid, narrower with every look, never broken by a wrong one."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from ferment.doors.assessment import Assessment, assess
from ferment.doors.foresight import moved_to, offers, peak_of, timed
from ferment.kitchen.flours import blend_of
from ferment.kitchen.vessel import Level, LevelUnit
from ferment.kitchen.warmth import Degrees, Place, Warmth
from ferment.mixing.building import build
from ferment.model.kinetics import Array
from ferment.ready_rule import DOUBLED
from ferment.record.ledger import Sighting
from ferment.record.log import Bubbles, Deed, DeedKind, Entry, Log, Look
from ferment.setups import Setup, background_of, course_of, ledger_of
from ferment.signs.contract import SignCode
from ferment.simulation import CARELESS, TIDY, Happenings, Truth, play
from ferment.tracker import Forecast, forecast
from ferment.tracker.ensemble import MEMBERS, gather, of_the_same_feeds
from ferment.tracker.rounds import turns_of
from ferment.tracker.stretch import (
    DAY_HEIGHT,
    DAY_PACE,
    FREEDOM,
    HEIGHTS,
    PACES,
    READ_FIXED,
    READ_SHARE,
    WANDER_HEIGHT,
    WANDER_PACE,
    Curve,
    fan,
    moments,
    nodes,
    prior,
    quantiles,
    track,
)

from ..builders import START, VESSEL, feed, hours, setup

HOURS = np.linspace(0, 40, 161)
# A rise to 2.4 at 7 h and a slow fall.
RISE = Curve(HOURS, 1.0 + 1.4 * np.exp(-((np.log(np.maximum(HOURS, 0.01) / 7.0)) ** 2) / 0.4))
AWAKE = Setup("wake_and_keep", {"way": "counter", "seed_grams": 20.0, "flour_parts": 2.0}, VESSEL, START, warmth_c=24.0)


def read(at_h: float, times: float | None, high: float | None = None) -> Sighting:
    return Sighting(f"look-{at_h}", START + hours(at_h), at_h, times, high)


def told(at_h: float, times: float, name: str = "") -> Look:
    level = Level(times, LevelUnit.TIMES)
    return Look(
        name or f"look-{at_h}", START + hours(at_h), level, None, frozenset(), frozenset(), None, has_note=False
    )


class TheGrid(TestCase):
    def test_the_prior_of_a_small_case_against_brute_force(self) -> None:
        """One feed, two readings: the running posterior against a direct product over the grid, node by node."""
        readings = [read(3.0, 1.3), read(6.0, 2.2)]
        found = track([RISE], [readings])
        before = np.zeros_like(prior())
        for i, pace in enumerate(PACES):
            for j, height in enumerate(HEIGHTS):
                drift_p = np.exp(-0.5 * ((PACES - pace) / DAY_PACE) ** 2)
                drift_h = np.exp(-0.5 * ((HEIGHTS - height) / DAY_HEIGHT) ** 2)
                before[i, j] = drift_p / drift_p.sum() @ _wandered() @ (drift_h / drift_h.sum())
        likely = np.ones_like(before)
        for reading in readings:
            assert reading.times is not None
            for i, pace in enumerate(PACES):
                at = float(np.interp(np.exp(pace) * reading.hours, RISE.hours, RISE.levels))
                for j, height in enumerate(HEIGHTS):
                    expected = 1.0 + np.exp(height) * (at - 1.0)
                    sd = READ_FIXED + READ_SHARE * max(expected - 1.0, 0.0)
                    off = (reading.times - expected) / sd
                    likely[i, j] *= (1.0 + off**2 / FREEDOM) ** (-0.5 * (FREEDOM + 1.0)) / sd
        by_hand = before * likely
        np.testing.assert_allclose(found.running, by_hand / by_hand.sum(), atol=1e-9)

    def test_weights_sum_to_one(self) -> None:
        found = track([RISE, RISE], [[read(5, 1.9)], [read(3, 1.2), read(9, None, 2.3)]])
        self.assertAlmostEqual(float(found.jar.sum()), 1.0)
        self.assertAlmostEqual(float(found.running.sum()), 1.0)

    def test_a_slow_jar_is_found_slow(self) -> None:
        slow = [[read(h * 1.4, float(np.interp(h, RISE.hours, RISE.levels))) for h in (3, 6, 9)]] * 4
        self.assertAlmostEqual(track([RISE] * 4, slow).pace, 1 / 1.4, delta=0.05)

    def test_a_high_mark_tells_of_a_peak_nobody_saw(self) -> None:
        low = track([RISE], [[read(20, None, 1.6)]])
        self.assertLess(low.height, 0.85)
        self.assertEqual(low.watched, 1)

    def test_each_look_narrows(self) -> None:
        widths = []
        for count in range(4):
            seen = [read(h, float(np.interp(h, RISE.hours, RISE.levels))) for h in (3, 6, 8)[:count]]
            of = nodes(track([RISE], [seen]).running)
            peak = moments(RISE, of, DOUBLED).peak
            widths.append(peak.high / peak.low)
        self.assertEqual(widths, sorted(widths, reverse=True))

    def test_a_look_that_contradicts_widens_and_is_named(self) -> None:
        steady = [[read(3, 1.25), read(6, 2.3)]] * 3
        good, odd = track([RISE] * 3, steady), track([RISE] * 3, [*steady[:2], [*steady[2], read(6.5, 0.6)]])
        self.assertEqual((good.surprising, odd.surprising), ((), ("look-6.5",)))
        peaks = [moments(RISE, nodes(one.running), DOUBLED).peak for one in (good, odd)]
        width = [np.log(peak.high / peak.low) for peak in peaks]
        self.assertGreaterEqual(width[1], width[0] * 0.95)

    @settings(max_examples=60)
    @given(st.floats(1, 20), st.floats(0, 1), st.sampled_from([0, 2]))
    def test_no_look_inside_the_fan_widens_it(self, at_h: float, place: float, looks: int) -> None:
        """One outside it may: either the look or what was expected is wrong."""
        known = [[read(4, 1.6), read(7, 2.4)][:looks]]
        (before,) = fan(RISE, nodes(track([RISE] * 2, [*known, []]).running), [at_h])
        look = read(at_h, before.low + place * (before.high - before.low))
        (after,) = fan(RISE, nodes(track([RISE] * 2, [*known, [look]]).running), [at_h])
        self.assertLessEqual(after.high - after.low, (before.high - before.low) * 1.02 + 0.02)

    def test_quantiles(self) -> None:
        low, middle, high = quantiles(np.arange(1001.0), np.full(1001, 1 / 1001))
        self.assertAlmostEqual(low, 100, delta=1)
        self.assertAlmostEqual(middle, 500, delta=1)
        self.assertAlmostEqual(high, 900, delta=1)


def _wandered() -> Array:
    def kernel(grid: Array, sd: float) -> Array:
        made: Array = np.exp(-0.5 * ((grid[:, None] - grid[None, :]) / sd) ** 2)
        made /= made.sum(axis=1, keepdims=True)
        return made

    wandered: Array = kernel(PACES, WANDER_PACE) @ prior() @ kernel(HEIGHTS, WANDER_HEIGHT).T
    return wandered


def hours_of(found: Forecast | None) -> tuple[float, float, float]:
    assert found is not None
    return (
        (found.peaks.earliest - START) / timedelta(hours=1),
        (found.peaks.likely - START) / timedelta(hours=1),
        (found.peaks.latest - START) / timedelta(hours=1),
    )


class AnAwakeJar(TestCase):
    LOG: Log = (feed(0, 20, 40, 40, id="mix"), *(feed(24.0 * n, 20, 40, 40) for n in (1, 2)))

    def ask(self, log: Log, after_h: float = 49.0, made: Setup = AWAKE) -> Assessment:
        return assess(made, log, START + hours(after_h))

    def test_what_is_told(self) -> None:
        found = self.ask(self.LOG).forecast
        assert found is not None
        self.assertTrue(found.fan[0].at == START + hours(48) and found.fan[0].middle == 1.0)
        for point in found.fan:
            self.assertTrue(point.low <= point.middle <= point.high)
        low, likely, high = hours_of(found)
        self.assertTrue(48 + 4 < low < likely < high < 48 + 16)
        self.assertIsNotNone(found.doubles)
        self.assertIsNone(found.ready)
        self.assertFalse(found.basis.young)

    def test_a_look_moves_it_and_the_fan_hugs_later_looks(self) -> None:
        blank = hours_of(self.ask(self.LOG).forecast)
        fast = hours_of(self.ask((*self.LOG, told(51, 1.6), told(52.5, 2.1))).forecast)
        slow = hours_of(self.ask((*self.LOG, told(54, 1.25), told(56, 1.5))).forecast)
        self.assertLess(fast[1], blank[1])
        self.assertGreater(slow[1], blank[1])
        self.assertLess(fast[2] - fast[0], blank[2] - blank[0])
        hugged = self.ask((*self.LOG, told(51, 1.6), told(52.5, 2.1))).forecast
        assert hugged is not None
        near = min(hugged.fan, key=lambda point: abs(point.at - (START + hours(52.5))))
        self.assertTrue(near.low - 0.05 <= 2.1 <= near.high + 0.05)

    def test_order_and_hour_do_not_matter(self) -> None:
        log = (*self.LOG, told(51, 1.6), told(52.5, 2.1))
        self.assertEqual(self.ask(log).forecast, self.ask(log[::-1], 53.0).forecast)

    def test_cold_is_slower(self) -> None:
        warm = hours_of(self.ask(self.LOG).forecast)[1]
        self.assertGreater(hours_of(moved_to(AWAKE, self.LOG, START + hours(49), 18.0).forecast)[1], warm)
        away = moved_to(AWAKE, self.LOG, START + hours(49), 10.0)
        self.assertGreater(hours_of(away.forecast)[1], warm + 12)

    def test_in_the_fridge_nothing_is_foretold(self) -> None:
        night = Deed("cold", START + hours(49), DeedKind.TO_FRIDGE)
        self.assertIsNone(self.ask((*self.LOG, night)).forecast)

    def test_a_degree_noted_with_a_look_counts(self) -> None:
        cool = replace(told(48.5, 1.0), celsius=16.0)
        found = self.ask((*self.LOG, cool), 50.0).forecast
        assert found is not None
        self.assertLess(found.basis.celsius, 20.0)

    def test_larger_meals_peak_later(self) -> None:
        told_ = offers(AWAKE, self.LOG, START + hours(72))
        peaks = [offer.does.peaks.likely for offer in told_]
        self.assertEqual([offer.flour_parts for offer in told_], [1.0, 2.0, 3.0, 5.0, 10.0])
        self.assertEqual(peaks, sorted(peaks))
        self.assertEqual(offers(AWAKE, (), START), ())

    def test_back_from_an_hour(self) -> None:
        white = blend_of({"white": 1})
        wanted = START + hours(48)
        first, second = timed(build(150, 5, white), white, wanted, 24.0)
        self.assertEqual(second.peaks[1], wanted)
        self.assertEqual(first.peaks[1], second.feed_at)
        warm, cool = (peak_of((1, 5, 5), white, celsius).peak.middle for celsius in (26.0, 19.0))
        self.assertLess(warm, cool)

    def test_an_ended_jar_has_none(self) -> None:
        course = course_of(AWAKE)
        self.assertIsNone(
            forecast(ledger_of(AWAKE, course, ()), background_of(AWAKE, course, ledger_of(AWAKE, course, ())), ())
        )


class ANewJar(TestCase):
    def test_wide_before_it_is_mixed_and_by_warmth_and_flour(self) -> None:
        def day(made: Setup) -> tuple[float, float, float]:
            on = assess(made, (), START).ready_on
            assert on is not None
            days = [(at - START) / timedelta(days=1) for at in (on.on.earliest, on.on.likely, on.on.latest)]
            return days[0], days[1], days[2]

        wheat = replace(setup(blend={"whole_wheat": 1.0}), warmth_c=24.0)
        low, likely, high = day(wheat)
        self.assertTrue(4 < low < likely < high and high - low > 2.0)
        self.assertTrue(5 <= likely <= 10)
        self.assertGreater(day(replace(wheat, warmth_c=19.0))[1], likely + 1)
        self.assertGreater(day(replace(setup(blend={"white": 1.0}), warmth_c=24.0))[1], likely)

    def test_a_false_dawn_is_not_taken_for_yeast(self) -> None:
        made = replace(setup(blend={"whole_wheat": 1.0}), warmth_c=24.0)
        log: list[Entry] = [feed(0, 0, 30, 30, id="mix"), told(10, 1.4), told(20, 1.8)]
        found = assess(made, tuple(log), START + hours(21)).forecast
        assert found is not None
        assert found.ready is not None
        self.assertGreater(found.ready.awake.earliest, START + timedelta(days=2.5))
        self.assertTrue(found.basis.young)

    def test_a_quiet_jar_hardly_rises_and_is_not_dead(self) -> None:
        made = replace(setup(blend={"whole_wheat": 1.0}), warmth_c=22.0)
        log = (feed(0, 0, 30, 30, id="mix"), feed(24), feed(48), feed(72), told(80, 1.0), told(90, 1.0))
        found = assess(made, log, START + hours(91)).forecast
        assert found is not None
        assert found.ready is not None
        self.assertLess(found.peak_times.low, 1.3)
        self.assertLess(found.ready.on.likely, START + timedelta(days=16))

    def test_a_warmth_that_the_looks_contradict_is_named(self) -> None:
        """A shelf 5 °C cooler than told: about as cool as it is; not so where a thermometer says how warm it is."""
        shelf = replace(AWAKE, warmth_c=25.0)
        log = play(shelf, 6, 7, Truth(warmth_off_c=-5.0), TIDY).log
        now = START + timedelta(days=6)
        found = assess(shelf, log, now)
        assert found.forecast is not None
        assert found.forecast.basis.as_if_c is not None
        self.assertAlmostEqual(found.forecast.basis.as_if_c, 20, delta=2)
        self.assertIn(SignCode.OTHER_WARMTH, {one.sign for one in found.findings})
        for told_well in (
            replace(shelf, readings=tuple(Degrees(START + hours(at), 20.0) for at in range(0, 144, 4))),
            replace(shelf, warmth_c=20.0),
        ):
            by_warmth = assess(told_well, log, now).forecast
            assert by_warmth is not None
            self.assertIsNone(by_warmth.basis.as_if_c)

    def test_members_fill_their_space_evenly(self) -> None:
        for row in MEMBERS:
            self.assertAlmostEqual(float(row.mean()), 0.0, delta=0.08)
            self.assertAlmostEqual(float(row.std()), 1.0, delta=0.12)

    def test_a_strip_of_ph_counts(self) -> None:
        """Sour already at thirty hours: members with more lactic life weigh more."""
        course = course_of(setup())
        sour = replace(told(30, 1.0), level=None, ph=3.6)
        log = (feed(0, 0, 30, 30, id="mix"), sour)
        ledger = ledger_of(setup(), course, log)
        turns = turns_of(ledger, START)
        weights = gather(of_the_same_feeds(background_of(setup(), course, ledger), START, turns, 31.0), turns).weights
        self.assertGreater(float((weights * MEMBERS[2]).sum()), 0.1)

    def test_looks_choose_among_members(self) -> None:
        course = course_of(setup())
        log = (feed(0, 0, 30, 30, id="mix"), replace(told(30, 1.0), level=None, bubbles=Bubbles.NONE))
        ledger = ledger_of(setup(), course, log)
        turns = turns_of(ledger, START)
        weights = gather(of_the_same_feeds(background_of(setup(), course, ledger), START, turns, 31.0), turns).weights
        self.assertAlmostEqual(float(weights.sum()), 1.0)


class Warmths(TestCase):
    def test_day_and_night(self) -> None:
        warmth = Warmth(Place(24.0, 17.0), START)
        self.assertEqual([warmth(hour) for hour in (0.0, 13.0, 15.0, 22.9, 23.1)], [24.0, 24.0, 17.0, 17.0, 24.0])

    def test_a_thermometer_goes_before_what_was_told_and_its_gaps_are_filled(self) -> None:
        read_ = (Degrees(START, 20.0), Degrees(START + hours(4), 22.0), Degrees(START + hours(30), 26.0))
        warmth = Warmth(Place(18.0, None, START.tzinfo or Place(1).zone, read_), START)
        self.assertEqual([warmth(hour) for hour in (-1.0, 2.0, 9.0, 20.0, 31.0)], [18.0, 21.0, 22.0, 18.0, 26.0])

    def test_the_fridge_takes_its_time(self) -> None:
        warmth = Warmth(Place(22.0), START, [(START + hours(2), START + hours(20))])
        self.assertEqual(warmth(1.0), 22.0)
        self.assertTrue(4.0 < warmth(3.0) < 22.0)
        self.assertAlmostEqual(warmth(19.0), 4.0, delta=0.1)
        self.assertTrue(4.0 < warmth(21.0) < 22.0)

    def test_spans_from_the_log(self) -> None:
        deeds = (Deed("a", START + hours(30), DeedKind.TO_FRIDGE), Deed("b", START + hours(40), DeedKind.TO_COUNTER),
                 Deed("c", START + hours(50), DeedKind.TO_FRIDGE))  # fmt: skip
        course = course_of(AWAKE)
        spans = ledger_of(AWAKE, course, (feed(0, 20, 40, 40), *deeds)).cold_spans
        self.assertEqual(spans, ((START + hours(30), START + hours(40)), (START + hours(50), None)))


class Simulations(TestCase):
    MADE = replace(setup(blend={"whole_wheat": 1.0}), warmth_c=24.0)

    def test_the_same_seed_is_the_same_jar(self) -> None:
        self.assertEqual(play(self.MADE, 5, 7), play(self.MADE, 5, 7))
        self.assertNotEqual(play(self.MADE, 5, 7).log, play(self.MADE, 5, 8).log)

    def test_the_story_of_a_new_jar(self) -> None:
        """A false dawn, a hush, then doublings (common practice)."""
        truth = play(self.MADE, 10, 7).truth
        levels = [hour.level for hour in truth]
        self.assertGreater(max(levels[:48]), 1.2)
        self.assertLess(max(levels[50:70]), 1.2)
        self.assertGreater(max(levels[170:]), 1.9)
        self.assertEqual(len(truth), 241)

    def test_habits_and_happenings_show_in_the_log(self) -> None:
        happenings = Happenings(away=((60.0, 90.0),), cold=((100.0, 108.0),))
        log = play(self.MADE, 6, 3, Truth(vigour=0.8), CARELESS, happenings).log
        ledger = ledger_of(self.MADE, course_of(self.MADE), log)
        fed = [(turn.feed.at - START) / timedelta(hours=1) for turn in ledger.rounds]
        self.assertFalse([hour for hour in fed if 60 < hour < 90])
        self.assertEqual(len(ledger.cold_spans), 1)

    def test_tidy_looks_are_near_the_truth(self) -> None:
        played = play(self.MADE, 6, 5, habits=TIDY)
        hourly = {round((hour.at - START) / timedelta(hours=1)): hour.level for hour in played.truth}
        off = [
            abs(entry.level.value - hourly[round((entry.at - START) / timedelta(hours=1))])
            for entry in played.log
            if isinstance(entry, Look) and entry.level
        ]
        self.assertLess(float(np.median(off)), 0.08)
