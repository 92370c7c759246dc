"""How well the eye reads, on pictures by another hand than the one it was tuned on:

PYTHONPATH=core:server:. .venv/bin/python -m bench.eye [--first 2] [--rounds 4] [--every 10]

Rounds of thirteen hours, so many for each mark and quality; each line of the table is pooled over its rounds, and the
worst round is told beside it. CPU is of one core, the decoding of the picture not counted.
"""

from __future__ import annotations

import argparse
import time
from dataclasses import dataclass, field

import cv2
import numpy as np

from eye.follow import Follower, Seen, both_ways
from eye.photo import proposed, read_alone

from .eye_scenes import MARKS, QUALITIES, Round, Shot

WRONG = 0.15
# A photo by itself is answered with no larger an error (× the line).
PHOTO_ERROR = 0.08


@dataclass
class Told:
    """What the readings of a round, or of many, came to."""

    errors: list[float] = field(default_factory=list)
    readable: int = 0
    dark: int = 0
    dark_refused: int = 0
    blocked: int = 0
    blocked_refused: int = 0
    longest_wrong: int = 0
    peaks: int = 0
    peaks_found: int = 0
    cpu_s: float = 0.0
    seen: int = 0

    def add(self, other: Told) -> None:
        self.errors += other.errors
        for name in (
            "readable",
            "dark",
            "dark_refused",
            "blocked",
            "blocked_refused",
            "peaks",
            "peaks_found",
            "cpu_s",
            "seen",
        ):
            setattr(self, name, getattr(self, name) + getattr(other, name))
        self.longest_wrong = max(self.longest_wrong, other.longest_wrong)

    @property
    def answered(self) -> float:
        return len(self.errors) / max(self.readable, 1)

    def line(self, title: str, worst: str = "") -> str:
        off = np.abs(self.errors) if self.errors else np.array([np.nan])
        return (
            f"| {title} | {np.median(off):.3f} | {np.percentile(off, 95):.3f} | {self.answered:.0%} {worst}"
            f"| {np.mean(off > WRONG):.1%}, {self.longest_wrong} | {self.dark_refused}/{self.dark} "
            f"| {self.blocked_refused}/{self.blocked} | {self.peaks_found}/{self.peaks} |"
        )


def watch(of: Round, every_min: float) -> Told:
    told, follower, run = Told(), None, 0
    taken: list[tuple[Shot, Seen]] = []
    levels: list[tuple[float, float]] = []
    lit: list[tuple[float, float]] = []
    for shot in of.shots(every_min):
        if follower is None:
            follower = Follower.begin(shot.picture, of.jar())
        began = time.process_time()
        seen, _ = follower.look(shot.picture, shot.at_h)
        told.cpu_s += time.process_time() - began
        taken.append((shot, seen))
    if follower is None:
        return told
    start = follower.start
    began = time.process_time()
    readings = both_ways(start.belief, start.levels, [(shot.at_h, seen) for shot, seen in taken])
    told.cpu_s += time.process_time() - began
    told.seen = len(taken)
    for (shot, _), reading in zip(taken, readings, strict=True):
        if shot.light == "night":
            told.dark += 1
            told.dark_refused += reading.level is None
        elif not shot.free:
            told.blocked += 1
            told.blocked_refused += reading.level is None
        else:
            told.readable += 1
            lit.append((shot.at_h, shot.level))
            if reading.level is not None:
                told.errors.append(reading.level - shot.level)
                levels.append((shot.at_h, reading.level))
                run = run + 1 if abs(told.errors[-1]) > WRONG else 0
                told.longest_wrong = max(told.longest_wrong, run)
    _peak(of, told, levels, lit)
    return told


def _peak(of: Round, told: Told, levels: list[tuple[float, float]], lit: list[tuple[float, float]]) -> None:
    """The named time is right where the level then is within 0.03 × of the top, or the time within 20 minutes."""
    hours = np.arange(0.0, 13.0, 1 / 30)
    true = np.array([of.level_at(float(hour)) for hour in hours])
    top = float(hours[int(true.argmax())])
    if not any(abs(at - top) < 0.2 for at, _ in lit) or top > 12.5:
        return
    told.peaks += 1
    if levels:
        named = max(levels, key=lambda one: one[1])[0]
        told.peaks_found += abs(named - top) <= 1 / 3 or true.max() - of.level_at(named) <= 0.03


def photos(first: int, rounds: int) -> None:
    """One photo by itself, of good and fair pictures in any light by which one sees."""
    with_lines: list[tuple[float, float]] = []
    places: list[list[float]] = []
    seen = found = walls = walls_found = 0
    for quality in ("good", "fair"):
        for mark in MARKS:
            for number in range(first, first + rounds):
                of = Round(number * 16 + QUALITIES.index(quality) * 4 + MARKS.index(mark), mark, quality)
                jar = of.jar()
                tall = jar.bottom - jar.rim
                for shot in of.shots(60.0):
                    if shot.light == "night" or not shot.free:
                        continue
                    seen += 1
                    read = read_alone(shot.picture, jar)
                    if read is not None:
                        with_lines.append((abs(read.level * jar.rim_level - shot.level), read.error * jar.rim_level))
                    one = proposed(shot.picture)
                    if one is None:
                        continue
                    found += 1
                    level = jar.bottom - shot.level * (jar.bottom - jar.line)
                    pairs = ((one.bottom, jar.bottom), (one.rim, jar.rim), (one.left, jar.left), (one.right, jar.right))
                    off = [abs(here - there) / tall for here, there in (*pairs, (one.level, level))]
                    places.append(off)
                walls += 1
                behind = (np.clip(of.wall, 0, 1) ** (1 / 2.2) * 255).astype(np.uint8)
                walls_found += proposed(behind) is not None
    sure = np.array([off for off, error in with_lines if error <= PHOTO_ERROR])
    print(f"\nWith its lines shown: {len(sure) / seen:.0%} answered, median {np.median(sure):.3f}, ", end="")
    print(f"95 % {np.percentile(sure, 95):.3f} × the line, of {seen} photos.")
    names = ("bottom", "rim", "left", "right", "level")
    near = ", ".join(f"{name} {at:.3f}" for name, at in zip(names, np.median(places, axis=0), strict=True))
    whole = np.mean(np.max(np.array(places)[:, :4], axis=1) < 0.06)
    print(f"Without: a jar is proposed in {found / seen:.0%}, right in all four edges in {whole:.0%} of them; ", end="")
    print(f"medians, × the jar's height: {near}. Of {walls} walls without a jar {walls_found} are taken for one.")


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--rounds", type=int, default=4)
    parser.add_argument("--first", type=int, default=2, help="those before were looked at while it was built")
    parser.add_argument("--every", type=float, default=10.0)
    arguments = parser.parse_args()
    cv2.setNumThreads(1)
    print("| | median | 95 % | answers (worst round) | wrong, run | dark refused | blocked refused | peaks |")
    print("|---|---|---|---|---|---|---|---|")
    good = Told()
    for quality in QUALITIES:
        for mark in MARKS:
            pooled, worst = Told(), 1.0
            for number in range(arguments.first, arguments.first + arguments.rounds):
                seed = number * 16 + QUALITIES.index(quality) * 4 + MARKS.index(mark)
                told = watch(Round(seed, mark, quality), arguments.every)
                worst = min(worst, told.answered)
                pooled.add(told)
            print(pooled.line(f"{quality}, {mark}", f"({worst:.0%}) "), flush=True)
            if quality in ("good", "fair"):
                good.add(pooled)
    print(good.line("**good and fair**"))
    print(f"\n{good.cpu_s / max(good.seen, 1) * 1e3:.1f} ms of CPU a picture")
    photos(arguments.first, arguments.rounds)


if __name__ == "__main__":
    main()
