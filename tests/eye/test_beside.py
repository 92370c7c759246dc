"""What else a photo shows, on the stand-in camera's pictures: what was drawn is told, and mostly only that."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from unittest import TestCase

import cv2
import numpy as np

from eye.beside import Beside, Holes, beside
from eye.dome import bend_of
from eye.terms import Jar, Picture
from standins.camera.draw import Kitchen, Light, Mark, Moment, draw, kitchen

JARS = 12
DRAWN = (Mark.BAND, Mark.PEN)


def told(moment: Moment, paint: Callable[[Kitchen, Picture], None] | None = None) -> list[tuple[Kitchen, Beside]]:
    """What is told of the same moment of so many jars, their lines shown."""
    all_told = []
    for seed in range(JARS):
        of = kitchen(seed, list(Mark)[seed % 4])
        picture = draw(of, moment).copy()
        if paint:
            paint(of, picture)
        jar = Jar(of.bottom, of.line, of.rim, of.left, of.right)
        line = 1.0 / jar.rim_level
        all_told.append((of, beside(picture, jar, moment.level * line, line if of.mark in DRAWN else None)))
    return all_told


class Bubbles(TestCase):
    def test_none_a_few_and_all_through_by_day_and_by_lamp(self) -> None:
        for light in (Light.DAY, Light.LAMP):
            for gas, wanted in ((0.0, Holes.NONE), (0.3, Holes.FEW), (0.8, Holes.THROUGHOUT)):
                with self.subTest(light=light, gas=gas):
                    right = [one.bubbles is wanted for _, one in told(Moment(1.5, 1.5, gas=gas, light=light))]
                    self.assertGreaterEqual(sum(right), 0.8 * JARS)


class Above(TestCase):
    def test_a_smear_ends_where_the_paste_had_stood(self) -> None:
        high = 1.75
        both = told(Moment(1.3, high))
        found = [one.high * (of.bottom - of.rim) / (of.bottom - of.line) for of, one in both if one.high is not None]
        self.assertGreaterEqual(len(found), 0.6 * JARS)
        self.assertLess(float(np.median(np.abs(np.array(found) - high))), 0.06)

    def test_a_paste_that_has_not_fallen_left_none(self) -> None:
        self.assertLessEqual(sum(one.high is not None for _, one in told(Moment(1.5, 1.5))), 0.15 * JARS)

    def test_a_dome_is_told_in_two_of_five_and_never_of_a_flat_top(self) -> None:
        flat, high = (sum(bool(one.domed) for _, one in told(Moment(1.5, 1.5, dome=dome))) for dome in (0.0, 0.15))
        self.assertEqual(flat, 0)
        self.assertGreaterEqual(high, 0.4 * JARS)

    def test_how_high_a_dome_is(self) -> None:
        """To 0.08 × the line, in the middle of a jar that is seen straight from the side."""
        of = replace(kitchen(12, Mark.NONE), looks_down=0.0, label=False)
        jar = Jar(of.bottom, of.line, of.rim, of.left, of.right)
        for dome in (0.0, 0.15, 0.25):
            bend = bend_of(draw(of, Moment(1.5, 1.5, dome=dome)), jar, 1.5 / jar.rim_level)
            self.assertAlmostEqual(bend[0] * jar.rim_level if bend else -1.0, dome, delta=0.08)

    def test_liquid_and_none(self) -> None:
        self.assertGreaterEqual(sum(one.liquid for _, one in told(Moment(1.3, 1.3, hooch=0.4))), 0.6 * JARS)
        self.assertEqual(sum(one.liquid for _, one in told(Moment(1.3, 1.3))), 0)


class Spots(TestCase):
    def test_pink_green_and_orange_are_asked_about(self) -> None:
        for colour in ((200, 90, 110), (60, 110, 70), (225, 130, 60)):
            with self.subTest(colour=colour):

                def paint(of: Kitchen, picture: Picture, colour: tuple[int, int, int] = colour) -> None:
                    at = (round(of.left + 0.6 * (of.right - of.left)), round(of.bottom - 0.7 * (of.bottom - of.line)))
                    cv2.circle(picture, at, 8, colour, -1, cv2.LINE_AA)

                self.assertGreaterEqual(sum(one.spots for _, one in told(Moment(1.3, 1.3), paint)), 0.85 * JARS)

    def test_a_clean_jar_is_seldom_asked_about(self) -> None:
        self.assertLessEqual(sum(one.spots for _, one in told(Moment(1.5, 1.5))), 0.1 * JARS)


class TooLittle(TestCase):
    def test_of_a_jar_too_small_or_too_empty_nothing_is_told(self) -> None:
        of = kitchen(3, Mark.NONE)
        picture = draw(of, Moment(1.0, 1.0))
        nothing = Beside(None, None, None, liquid=False, spots=False)
        self.assertEqual(beside(picture, Jar(120.0, 100.0, 80.0, of.left, of.right), 0.5, None), nothing)
        self.assertEqual(beside(picture, Jar(of.bottom, of.line, of.rim, of.left, of.right), 0.02, None), nothing)
