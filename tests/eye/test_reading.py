"""The eye before the stand-in camera: a rise and a fall by day and by lamp, and what it will not read."""

from __future__ import annotations

from unittest import TestCase

import numpy as np

from eye.follow import Follower, mean_of, moved
from eye.terms import Cause, Jar, Reading
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
