"""What a camera is worth to a forecast: the running feed's peak by the baker's looks alone, and by a camera too.

PYTHONPATH=core:server:. .venv/bin/python -m bench.watching [--jars 24]

Simulated jars that differ from the book in pace, height and from day to day. Each grown feed is asked about at a third
and at two thirds of its way to the peak: how far off the told hour is, how wide four of five are said to fall, and
how many did.
"""

from __future__ import annotations

import argparse
import itertools
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta

import numpy as np

from ferment.doors.assessment import assess
from ferment.kitchen.hours import HOUR
from ferment.record.glimpses import Glimpse
from ferment.record.log import feeds_of
from ferment.setups import Setup
from ferment.simulation import Habits, HourOfTruth, Truth, play
from tests.core.builders import setup

DAYS, FROM_DAY = 14, 9
EVERY = timedelta(minutes=20)
# As the eye errs on pictures that nobody tuned it on: its 95 % are within twice that (bench/eye.md).
ERROR = 0.02


@dataclass
class Told:
    off_h: list[float] = field(default_factory=list)
    wide_h: list[float] = field(default_factory=list)
    inside: list[bool] = field(default_factory=list)

    def line(self, title: str) -> str:
        off, wide = np.array(self.off_h), np.array(self.wide_h)
        told = f"{np.median(off):.2f} h | {np.percentile(off, 90):.2f} h | {np.median(wide):.2f} h"
        return f"| {title} | {told} | {np.mean(self.inside):.0%} |"


def seen_between(
    truth: tuple[HourOfTruth, ...], start: datetime, end: datetime, dice: np.random.Generator
) -> tuple[Glimpse, ...]:
    """A camera's levels: with an error that stays for an hour or so, and one of each picture."""
    hours = np.array([(one.at - start) / HOUR for one in truth])
    levels = np.array([one.level for one in truth])
    told, drift = [], 0.0
    for number in range(1, int((end - start) / EVERY)):
        at = start + EVERY * number
        drift = 0.7 * drift + 0.7 * dice.normal(0, ERROR)
        level = float(np.interp((at - start) / HOUR, hours, levels)) + drift + dice.normal(0, ERROR / 2)
        told.append(Glimpse(f"p{number}", at, level, ERROR))
    return tuple(told)


def ask(it: Setup, seed: int, without: dict[str, Told], beside: dict[str, Told]) -> None:
    dice = np.random.default_rng(seed)
    truth = Truth(vigour=float(np.exp(dice.normal(0, 0.2))), height=float(np.exp(dice.normal(0, 0.12))))
    played = play(it, DAYS, seed, truth, Habits(looks=2.0))
    feeds = feeds_of(played.log)
    for feed, after in itertools.pairwise(feeds):
        if feed.at - it.starts_at < timedelta(days=FROM_DAY):
            continue
        of_feed = [one for one in played.truth if feed.at <= one.at < after.at]
        if len(of_feed) < 6 or max(one.level for one in of_feed) < 1.5:
            continue
        peak = max(of_feed, key=lambda one: one.level).at
        for title, share in (("a third of the way", 1 / 3), ("two thirds of the way", 2 / 3)):
            now = feed.at + (peak - feed.at) * share
            log = tuple(entry for entry in played.log if entry.at <= now)
            glimpses = seen_between(played.truth, feed.at, now, dice)
            for told, asked in ((without, it), (beside, replace(it, glimpses=glimpses))):
                found = assess(asked, log, now).forecast
                if found is not None:
                    told[title].off_h.append(abs((found.peaks.likely - peak) / HOUR))
                    told[title].wide_h.append((found.peaks.latest - found.peaks.earliest) / HOUR)
                    told[title].inside.append(found.peaks.earliest <= peak <= found.peaks.latest)


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--jars", type=int, default=24)
    arguments = parser.parse_args()
    titles = ("a third of the way", "two thirds of the way")
    without, beside = ({title: Told() for title in titles} for _ in range(2))
    for seed in range(arguments.jars):
        ask(setup(), seed, without, beside)
    print("| | off, median | off, 90 % | four of five within | did |")
    print("|---|---|---|---|---|")
    for title in titles:
        print(without[title].line(f"{title}, looks alone"))
        print(beside[title].line(f"{title}, and a camera"))
    print(f"\n{len(without[titles[0]].off_h)} feeds of {arguments.jars} jars")


if __name__ == "__main__":
    main()
