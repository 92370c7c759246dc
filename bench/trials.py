"""Jars side by side, with a true difference between them and with none: how often "surely" is said, and rightly.

Pairs are raised alike by one baker on one shelf, each pair in a world of its own (`elsewhere`), which the tracker does
not know; each day of each jar differs by a tenth, and each jar for good by a little, as equal jars do (common practice:
10 to 20 % between two of one sort). What one pair differs by is vigour alone. They are asked after so many feeds at
which both were watched.
"""

from __future__ import annotations

import math
import os
from collections import Counter
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from datetime import datetime, timedelta

import numpy as np

from ferment.doors.surety import Difference, Surety, Yardstick
from ferment.doors.trial import Trial, TriedJar, trial
from ferment.kitchen.flours import Flour, FlourGrams, FlourShare
from ferment.protocol.options import Choices
from ferment.record.log import Feed, Log
from ferment.setups import Setup
from ferment.simulation import Habits, Truth, play
from ferment.tracker import Turn, of_a_grown_jar

from .elsewhere import another_world
from .readiness import JAR, START

BAKER = Habits(late_h=0.5, looks=4.0, grams=0.02, reads=0.05)
DAY, FOR_GOOD = 0.10, 0.02
DAYS = 18.0
FEEDS = (3, 5)
FLOURS = ("whole_wheat", "spelt", "rye")


def slower_by(share: float, flour: str, celsius: float) -> float:
    """The vigour at which a grown jar's peak comes so much later."""
    lot = (FlourGrams(Flour(flour), 30.0),)
    meal = Turn(0.0, 30.0, lot, 30.0, 0.0, 0.0)
    blend = (FlourShare(lot[0].flour, 1.0),)
    usual = of_a_grown_jar(meal, blend, celsius).peak.middle
    vigours = np.linspace(0.4, 1.0, 61)
    later = [of_a_grown_jar(meal, blend, celsius, float(one)).peak.middle / usual for one in vigours]
    return float(vigours[int(np.abs(np.array(later) - 1.0 - share).argmin())])


def one_pair(seed: int, share: float) -> list[tuple[int, Trial]]:
    """What was told after each number of feeds watched in both."""
    dice = np.random.default_rng(41_000 + seed)
    flour, celsius = str(dice.choice(FLOURS)), float(dice.uniform(21, 27))
    vigour = float(np.exp(dice.normal(0.0, 0.15)))
    jars = []
    for number, factor in enumerate((1.0, slower_by(share, flour, celsius) if share else 1.0)):
        own = vigour * factor * float(np.exp(dice.normal(0.0, FOR_GOOD)))
        choices: Choices = {"first_blend": {flour: 1.0}, "blend": {flour: 1.0}}
        setup = Setup("equal_parts", choices, JAR, START, warmth_c=celsius)
        with another_world(seed):
            truth = Truth(vigour=own, height=float(np.exp(dice.normal(0.0, FOR_GOOD))), day_vigour=DAY)
            jars.append(TriedJar(str(number), setup, play(setup, DAYS, 90_000 + 2 * seed + number, truth, BAKER).log))
    told = []
    waits = list(FEEDS)
    for at in _feeds(jars[0].log):
        found = trial(jars, at)
        watched = min(one.watched for one in found.standings)
        while waits and watched >= waits[0]:
            told.append((waits.pop(0), found))
        if not waits:
            break
    return told


def _feeds(log: Log) -> list[datetime]:
    return [entry.at + timedelta(minutes=-1) for entry in log if isinstance(entry, Feed)]


def report(pairs: int = 60) -> Iterator[str]:
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        for share in (0.0, 0.25):
            found = list(pool.map(one_pair, range(pairs), [share] * pairs))
            yield "two alike" if not share else f"peak {share:.0%} later"
            for feeds in FEEDS:
                yield _line(feeds, [one for told in found for number, one in told if number == feeds])


def _line(feeds: int, told: list[Trial]) -> str:
    peaks = [one for found in told for one in found.differences if one.measure is Yardstick.TO_PEAK]
    said = Counter(one.surety for one in peaks)
    anything = sum(bool(found.smells) or any(_sure(one) for one in found.differences) for found in told)
    each = ", ".join(
        f"{measure} {sum(_sure(one) for found in told for one in found.differences if one.measure is measure)}"
        for measure in Yardstick
    )
    smells = sum(bool(found.smells) for found in told)
    right = sum(one.surety is Surety.SURELY and one.share > 0 for one in peaks)
    width = np.mean([math.log1p(one.high) - math.log1p(one.low) for one in peaks]) if peaks else 0.0
    return (
        f"after {feeds} feeds ({len(told)} pairs): time to peak surely {said[Surety.SURELY]} (later: {right}), "
        f"likely {said[Surety.LIKELY]}, open {said[Surety.OPEN]}, no matter {said[Surety.NO_MATTER]}; "
        f"surely of anything {anything} ({each}, smell {smells}); interval {width:.0%} wide"
    )


def _sure(one: Difference) -> bool:
    return one.surety is Surety.SURELY
