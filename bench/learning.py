"""What a baker's first jars teach of the next: the day of ready and the first peaks, told with the lesson and without.

Every baker lives in a world of their own (`elsewhere`), with a hand and a shelf that all three jars share and traits of
each jar's own. The first two jars are of one flour, the third of another. A jar is told of in its first days, as it was
known then: the likely day of ready on days 2 and 4, and the hour of the peak of each feed from day 3 to day 9, asked
when the feed was mixed.
"""

from __future__ import annotations

import os
from collections import defaultdict
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from datetime import datetime, timedelta

import numpy as np

from ferment.doors.assessment import assess
from ferment.doors.teaching import lesson_from, taught
from ferment.protocol.options import Choices
from ferment.record.log import Log
from ferment.setups import Setup
from ferment.simulation import Played, Truth, play
from ferment.tracker import Lesson

from .elsewhere import another_world
from .readiness import BAKER, JAR, LONGEST, START, day_by_rule, peaks_of

FLOURS = ("whole_wheat", "spelt", "white", "rye")
DAYS = (2, 4)
# How jars differ in truth, in the logarithm: what a baker's jars share, and what each has of its own.
SHARED = {"vigour": 0.20, "height": 0.10, "native": 0.5, "lag": 0.22}
OWN = {"vigour": 0.15, "height": 0.10, "native": 0.5, "lag": 0.20}
SHELF_OFF_C, OWN_OFF_C = 0.9, 0.3
Errors = dict[tuple[str, int, bool], list[float]]


def one_baker(seed: int) -> Errors:
    """Errors by what is told, jar (1 to 3) and whether it was taught: days, and shares of the hours to the peak."""
    dice = np.random.default_rng(31_000 + seed)
    shared = {name: float(dice.normal(0, sd)) for name, sd in SHARED.items()}
    shelf = float(dice.normal(0, SHELF_OFF_C))
    first, third = (str(one) for one in dice.choice(FLOURS, 2, replace=False))
    lessons: list[Lesson] = []
    errors: Errors = defaultdict(list)
    for number, flour in enumerate((first, first, third), start=1):
        told = float(dice.uniform(20, 26))
        off = shelf + float(dice.normal(0, OWN_OFF_C))
        traits = {name: float(np.exp(shared[name] + dice.normal(0, sd))) for name, sd in OWN.items()}
        setup = _setup(flour, told)
        with another_world(seed):
            played = play(setup, LONGEST, 7_000 + 10 * seed + number, Truth(**traits, warmth_off_c=off), BAKER)
        ready = day_by_rule(setup, played, told + off, traits["height"])
        for is_taught in (False, True):
            now_known = replace(setup, prior=taught(setup, lessons)) if is_taught else setup
            for what, error in _told(now_known, played, ready):
                errors[what, number, is_taught].append(error)
        lesson = lesson_from(setup, played.log)
        lessons += [lesson] if lesson else []
    return dict(errors)


def _setup(flour: str, told: float) -> Setup:
    second = "white" if flour == "rye" else flour
    choices: Choices = {"first_blend": {flour: 1.0}, "blend": {flour: 1.0, second: 1.0}}
    return Setup("equal_parts", choices, JAR, START, warmth_c=told)


def _told(setup: Setup, played: Played, ready: float | None) -> Iterator[tuple[str, float]]:
    for day in DAYS:
        if ready is not None and ready > day:
            now = START + timedelta(days=day)
            on = assess(setup, _until(played.log, now), now).ready_on
            if on is not None:
                yield f"day of ready, told on day {day}", abs((on.on.likely - START) / timedelta(days=1) - ready)
    for error, _ in peaks_of(setup, played):
        yield "peaks of the first feeds", error


def _until(log: Log, now: datetime) -> Log:
    return tuple(entry for entry in log if entry.at <= now)


def report(bakers: int = 60) -> Iterator[str]:
    errors: Errors = defaultdict(list)
    with ProcessPoolExecutor(max_workers=os.cpu_count() or 1) as pool:
        for found in pool.map(one_baker, range(bakers)):
            for key, values in found.items():
                errors[key] += values
    yield f"{bakers} bakers of three jars, the second of the first one's flour, the third of another"
    for what in sorted({what for what, _, _ in errors}):
        for number in (1, 2, 3):
            without, taught_so = (np.array(errors[what, number, is_taught]) for is_taught in (False, True))
            share = what.startswith("peaks")
            scale, unit = (100.0, "%") if share else (1.0, "d")
            yield (
                f"  {what}, jar {number}: median error {scale * np.median(without):.1f} {unit} by the book, "
                f"{scale * np.median(taught_so):.1f} {unit} taught; mean {scale * without.mean():.1f}, "
                f"{scale * taught_so.mean():.1f} ({len(without)} told)"
            )
