"""One photo by itself: where the jar stands in it, how high its paste, and that a wall is no jar."""

from __future__ import annotations

from unittest import TestCase

import numpy as np

from eye.photo import Proposal, proposed, read_alone
from eye.terms import Jar
from standins.camera.draw import Kitchen, Light, Mark, Moment, draw, kitchen


def photographed(seed: int, mark: Mark) -> tuple[Kitchen, float, Proposal | None]:
    of = kitchen(seed, mark)
    level = 1.0 + 0.25 * (seed % 6)
    light = Light.LAMP if seed % 3 == 0 else Light.DAY
    return of, level, proposed(draw(of, Moment(level, level, light=light, gas=0.4, number=seed)))


class AJar(TestCase):
    def test_is_found_with_its_walls_and_its_ends(self) -> None:
        told = [photographed(seed, list(Mark)[seed % 4]) for seed in range(20)]
        found = [(of, level, one) for of, level, one in told if one is not None]
        self.assertGreaterEqual(len(found), 17)
        off = np.array(
            [
                [abs(one.bottom - of.bottom), abs(one.left - of.left), abs(one.right - of.right)]
                / np.array(of.bottom - of.rim)
                for of, _, one in found
            ]
        )
        self.assertLess(float(np.median(off)), 0.02)
        levels = [
            abs(of.bottom - level * (of.bottom - of.line) - one.level) / (of.bottom - of.rim)
            for of, level, one in found
        ]
        self.assertLess(float(np.median(levels)), 0.04)

    def test_its_band_is_a_mark(self) -> None:
        near = 0
        for seed in range(24):
            of, _, one = photographed(seed, Mark.BAND)
            if one is not None and one.mark is not None:
                near += abs(one.mark - of.line) < 0.04 * (of.bottom - of.rim)
        self.assertGreaterEqual(near, 8)

    def test_with_its_lines_shown_the_level_is_read(self) -> None:
        """Risen, or fallen behind what sticks to the glass; with a label low on the jar, or without."""
        for fallen in (0.0, 0.35):
            off = []
            for seed in range(40):
                of = kitchen(seed, list(Mark)[seed % 4])
                level = 1.0 + 0.25 * (seed % 5)
                jar = Jar(of.bottom, of.line, of.rim, of.left, of.right)
                high = min(level + fallen, jar.rim_level - 0.1)
                read = read_alone(draw(of, Moment(level, high, gas=0.4, number=seed)), jar)
                if read is not None and read.error * jar.rim_level < 0.08:
                    off.append(abs(read.level * jar.rim_level - level))
            with self.subTest(fallen=fallen):
                self.assertGreaterEqual(len(off), 20)
                self.assertLess(float(np.median(off)), 0.04)
                self.assertGreaterEqual(float(np.mean(np.array(off) < 0.15)), 0.8)


class NoJar(TestCase):
    def test_a_wall_a_table_and_noise_are_none(self) -> None:
        chance = np.random.default_rng(5)
        tiles = np.full((480, 360, 3), 190, dtype=np.uint8)
        tiles[::60], tiles[:, ::60] = 150, 150
        noise = chance.integers(0, 255, (480, 360, 3)).astype(np.uint8)
        plain = np.full((480, 360, 3), 120, dtype=np.uint8)
        for picture in (tiles, noise, plain):
            self.assertIsNone(proposed(picture))
