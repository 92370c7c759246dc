"""The eye before the stand-in camera: a rise and a fall by day and by lamp, and what it will not read."""

from __future__ import annotations

from dataclasses import replace
from unittest import TestCase

import cv2
import numpy as np

from eye.follow import Follower, back_over, both_ways, looked_back, mean_of, moved
from eye.place import AS_IT_STOOD, Set, edges_of, set_down
from eye.terms import Cause, Jar, Reading
from eye.unseen import why_unseen
from standins.camera.draw import Before, Kitchen, Light, Mark, Moment, draw, kitchen

# Up to a peak and down again, a picture each half hour.
COURSE = (1.0, 1.0, 1.02, 1.08, 1.2, 1.36, 1.55, 1.75, 1.92, 2.05, 2.12, 2.13, 2.08, 1.98, 1.86, 1.74, 1.64)


def jar_of(of: Kitchen) -> Jar:
    return Jar(of.bottom, of.line, of.rim, of.left, of.right)


def watched(of: Kitchen) -> list[tuple[float, Reading]]:
    """The truth and the reading of each picture of the course."""
    follower, high, told = None, 1.0, []
    for number, level in enumerate(COURSE):
        high = max(high, level)
        light = Light.LAMP if number > 9 else Light.DAY
        moment = Moment(level, high, light=light, gas=min(0.8, 0.1 + 0.4 * (level - 1)), number=number)
        picture = draw(of, moment)
        follower = follower or Follower.begin(picture, jar_of(of))
        told.append((level, follower.see(picture, number / 2)))
    return told


class ARound(TestCase):
    def test_is_read_whatever_marks_the_line(self) -> None:
        for seed, mark in ((12, Mark.NONE), (13, Mark.BAND), (10, Mark.PEN), (7, Mark.STRIP)):
            with self.subTest(mark=mark):
                told = watched(kitchen(seed, mark))
                read = [(level, reading.level) for level, reading in told if reading.level is not None]
                self.assertGreaterEqual(len(read), 0.8 * len(told))
                off = np.abs([found - level for level, found in read])
                self.assertLess(float(np.median(off)), 0.02)
                self.assertLess(float(np.percentile(off, 95)), 0.10)
                self.assertLess(float(off.max()), 0.15)
                # The highest that was read is where it stood highest.
                named = max(read, key=lambda one: one[1])
                self.assertLess(max(COURSE) - named[0], 0.03)


class HardToTell(TestCase):
    def test_a_drop_is_believed_once_it_is_seen_twice(self) -> None:
        """What one picture alone says, and no jar can have done, may be a hand; twice, it was stirred."""
        of = kitchen(12, Mark.NONE)
        follower = Follower.begin(draw(of, Moment(1.0, 1.0)), jar_of(of))
        follower.see(draw(of, Moment(1.4, 1.4, number=1)), 1.0)
        stirred = [follower.see(draw(of, Moment(0.95, 1.4, number=2 + at)), 1.2 + 0.2 * at) for at in range(2)]
        self.assertEqual(stirred[0].cause, Cause.UNSURE)
        self.assertAlmostEqual(stirred[1].level or 0.0, 0.95, delta=0.05)

    def test_light_that_leans_along_the_jar_is_no_change_of_it(self) -> None:
        of = kitchen(12, Mark.NONE)
        follower = Follower.begin(draw(of, Moment(1.0, 1.0)), jar_of(of))
        for number, level in enumerate((1.2, 1.5, 1.8), start=1):
            picture = draw(of, Moment(level, level, number=number))
            leaning = np.linspace(1.12, 0.88, picture.shape[0])[:, None, None]
            told = follower.see(np.clip(picture * leaning, 0, 255).astype(np.uint8), number / 2)
            self.assertAlmostEqual(told.level or 0.0, level, delta=0.06)

    def test_a_top_seen_from_above_is_not_the_level(self) -> None:
        """Neither while it rises, nor once it has fallen behind what sticks to the near wall."""
        for seed in (12, 7):
            of = replace(kitchen(seed, Mark.NONE), looks_down=14.0)
            told = watched(of)
            off = [abs(reading.level - level) for level, reading in told if reading.level is not None]
            self.assertGreaterEqual(len(off), 0.7 * len(told))
            self.assertLess(max(off), 0.12)


class NotRead(TestCase):
    def setUp(self) -> None:
        self.kitchen = kitchen(12, Mark.NONE)
        self.follower = Follower.begin(draw(self.kitchen, Moment(1.0, 1.0)), jar_of(self.kitchen))

    def see(self, moment: Moment) -> Reading:
        return self.follower.see(draw(self.kitchen, moment), 0.5)

    def test_in_the_dark(self) -> None:
        told = self.see(Moment(1.1, 1.1, light=Light.NIGHT, number=1))
        self.assertEqual(told, Reading(None, None, Cause.DARK))

    def test_behind_a_hand_and_read_again_when_it_is_gone(self) -> None:
        told = self.see(Moment(1.1, 1.1, before=Before.HAND, number=5))
        self.assertEqual(told.cause, Cause.BLOCKED)
        after = self.see(Moment(1.1, 1.1, number=6))
        assert after.level is not None
        self.assertLess(abs(after.level - 1.1), 0.05)

    def test_a_jar_that_is_not_in_the_picture_is_refused(self) -> None:
        picture = draw(self.kitchen, Moment(1.0, 1.0))
        self.assertRaises(ValueError, Follower.begin, picture, Jar(470.0, 465.0, 460.0, 10.0, 20.0))


class WhatALevelMayDo(TestCase):
    """By the numbers in `follow`: 1.6 × an hour up, 0.9 × an hour down, a drop now and then."""

    def test_it_moves_no_faster_than_a_jar(self) -> None:
        levels = np.arange(70, 300) / 100
        belief = np.where(np.isclose(levels, 1.5), 1.0, 0.0)
        after = moved(belief, 0.25)
        self.assertAlmostEqual(float(after.sum()), 1.0)
        fast, slow = after[levels > 1.5 + 0.41].sum(), after[levels < 1.5 - 0.24].sum()
        self.assertLess(float(fast), 1e-5)
        self.assertLess(float(slow), 6e-3)
        mean, error = mean_of(after, levels)
        self.assertLess(abs(mean - 1.5), 0.12)
        self.assertGreater(error, 0.03)


class BothWays(TestCase):
    def test_the_last_steps_are_told_as_by_the_whole_and_what_came_after_counts(self) -> None:
        of = kitchen(13, Mark.BAND)
        follower, pictures, forward = None, [], []
        for number, level in enumerate(COURSE):
            picture = draw(of, Moment(level, max(COURSE[: number + 1]), gas=0.3, number=number))
            follower = follower or Follower.begin(picture, jar_of(of))
            seen, reading = follower.look(picture, number / 2)
            pictures.append((number / 2, seen, follower.belief))
            forward.append(reading)
        assert follower is not None
        start = follower.start
        whole = both_ways(start.belief, start.levels, [(at_h, seen) for at_h, seen, _ in pictures])
        last = back_over(start.levels, pictures[6:])
        self.assertEqual([one.cause for one in last], [one.cause for one in whole[6:]])
        for one, other in zip(last, whole[6:], strict=True):
            self.assertAlmostEqual(one.level or 0.0, other.level or 0.0, places=6)
        errors = [one.error or 1.0 for one in whole[:-1]]
        self.assertLess(float(np.mean(errors)), float(np.mean([one.error or 1.0 for one in forward[:-1]])))

    def test_looking_back_is_moving_turned_round(self) -> None:
        """For inner levels: what a level explains of a later weight is the mean of that weight over where it may go."""
        size = 240
        for hours in (0.05, 0.3):
            moves = np.stack([moved(row, hours) for row in np.eye(size)])
            later = np.random.default_rng(4).random(size)
            wanted = moves @ later
            inner = slice(60, 180)
            told = looked_back(later, hours)[inner] * wanted.max()
            self.assertLess(float(np.abs(told / wanted[inner] - told.mean() / wanted[inner].mean()).max()), 0.01)


class WhereItStands(TestCase):
    def test_a_jar_set_down_elsewhere_is_found_in_another_light(self) -> None:
        for seed, mark in ((12, Mark.NONE), (13, Mark.BAND), (7, Mark.STRIP)):
            of = kitchen(seed, mark)
            before = edges_of(draw(of, Moment(1.0, 1.0)))
            for by, light in ((18, Light.DAY), (-18, Light.LAMP), (0, Light.FLASH)):
                with self.subTest(seed=seed, by=by):
                    elsewhere = replace(of, left=of.left + by, right=of.right + by)
                    picture = draw(elsewhere, Moment(1.6, 1.6, light=light, number=3))
                    self.assertEqual(set_down(edges_of(picture), before, jar_of(of), AS_IT_STOOD), Set(by, 0))

    def test_a_hand_before_it_moves_nothing(self) -> None:
        of = kitchen(12, Mark.NONE)
        before = edges_of(draw(of, Moment(1.0, 1.0)))
        for number in range(4):
            picture = draw(of, Moment(1.3, 1.3, before=Before.HAND, number=number))
            self.assertEqual(set_down(edges_of(picture), before, jar_of(of), AS_IT_STOOD), AS_IT_STOOD)

    def test_why_it_is_not_seen(self) -> None:
        of = kitchen(13, Mark.BAND)
        before = draw(of, Moment(1.0, 1.0))
        shaken = np.asarray(cv2.GaussianBlur(draw(of, Moment(1.3, 1.3, number=2)), (0, 0), 9), dtype=np.uint8)
        self.assertEqual(why_unseen(shaken, before, jar_of(of)), Cause.BLURRED)
        cat = draw(of, Moment(1.3, 1.3, before=Before.CAT, number=3))
        self.assertEqual(why_unseen(cat, before, jar_of(of)), Cause.BLOCKED)


class AHand(TestCase):
    def test_is_told_by_what_a_jar_cannot_have_changed(self) -> None:
        """Of hands anywhere before four jars no level is told that is far off."""
        off = []
        for seed, mark in ((12, Mark.NONE), (13, Mark.BAND), (10, Mark.PEN), (7, Mark.STRIP)):
            of = kitchen(seed, mark)
            for number in range(100, 108):
                follower = Follower.begin(draw(of, Moment(1.0, 1.0)), jar_of(of))
                follower.see(draw(of, Moment(1.25, 1.25, number=99)), 1.0)
                told = follower.see(draw(of, Moment(1.3, 1.3, before=Before.HAND, number=number)), 1.25)
                off += [] if told.level is None else [abs(told.level - 1.3)]
        self.assertLess(max(off, default=0.0), 0.15)
        self.assertLess(len(off), 16)
