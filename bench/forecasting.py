"""How good the forecasts are, on simulated jars that are never used for tuning, told less than the truth.

Each jar has its own vigour, gas-holding and lag; its truth also has another answer to warmth, other grams and other
days than the model knows. The forecast of the peak is made at feeding, before anything of that feed was read.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import nullcontext
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from functools import partial

import numpy as np

from ferment.kitchen.flours import Flour, FlourGrams
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.kitchen.warmth import Degrees
from ferment.mixing.contents import Origin
from ferment.model.jar import Traits, after_feed, culture_jar
from ferment.model.kinetics import REFERENCE_C, YEAST_UPPER_C, growth_pace
from ferment.model.runs import run
from ferment.record.log import Entry, Feed, Look
from ferment.setups import Setup, background_of, course_of, ledger_of
from ferment.tracker import forecast

from .elsewhere import another_world

START = datetime(2026, 3, 2, 8, tzinfo=UTC)
JAR = Vessel(200.0, 900.0, 150.0)
FEEDS = 8
WHITE = course_of(Setup("wake_and_keep", {}, JAR, START)).chosen.blends


@dataclass(frozen=True)
class Case:
    """One jar: its log, the readings of its warmth, and the true hours of each peak and of its highest reading."""

    log: tuple[Entry, ...]
    warmth: tuple[Degrees, ...]
    peaks_h: tuple[float, ...]
    read_peaks_h: tuple[float, ...]
    ratios: tuple[float, ...]
    celsius: tuple[float, ...]


def case(seed: int, *, steady: bool, wrong: bool) -> Case:
    dice = np.random.default_rng(seed)
    vigour, height, lag = (float(np.exp(dice.normal(0, sd))) for sd in (0.25, 0.20, 0.35))
    traits = Traits(vigour, height, 1.0, lag)
    slope = float(np.exp(dice.normal(0, 0.15))) if wrong else 1.0
    blend = next(iter(WHITE.values()))
    jar = culture_jar(Origin.ASLEEP, blend, traits)
    log: list[Entry] = []
    degrees: list[Degrees] = []
    peaks: list[float] = []
    read: list[float] = []
    ratios: list[float] = []
    warm: list[float] = []
    ratio, base = float(dice.choice([1, 2, 3, 5])), float(dice.uniform(18, 28))
    for number in range(FEEDS):
        if not steady:
            ratio, base = float(dice.choice([1, 2, 3, 4, 5])), float(dice.uniform(18, 28))
        told = base + (float(dice.normal(0, 1)) if steady else 0.0)
        true = REFERENCE_C + slope * (told - REFERENCE_C) + (float(dice.normal(0, 0.7)) if wrong else 0.0)
        at = START + timedelta(hours=24 * number)
        degrees += [Degrees(at + timedelta(hours=h), told) for h in (0.0, 5.9, 11.8, 17.7, 23.6)]
        keep = 20.0
        meant = keep * ratio
        off = [float(np.exp(dice.normal(0, 0.05 if wrong else 0.0))) for _ in range(3)]
        today = float(np.exp(dice.normal(0, 0.05))) if wrong else 1.0
        mine = Traits(traits.vigour * today, traits.height, traits.native, traits.lag)
        log.append(Feed(f"f{number}", at, keep, (FlourGrams(Flour.WHITE, meant),), meant, 0.0, None))
        jar = after_feed(jar, mine, keep * off[0], (FlourGrams(Flour.WHITE, meant * off[1]),), meant * off[2])
        warmth = partial(_always, true)
        course = run(jar, 0.0, 40.0, warmth, 0.2)
        levels = course.levels
        peak_h = float(course.hours[int(levels.argmax())])
        peaks.append(peak_h)
        seen: list[tuple[float, float]] = []
        for share in dice.uniform(0.2, 1.6, size=int(dice.integers(2, 5))):
            hour = min(23.5, float(share) * peak_h)
            level = float(np.interp(hour, course.hours, levels)) * float(np.exp(dice.normal(0, 0.06)))
            seen.append((hour, level))
            look_at = at + timedelta(hours=hour)
            size = Level(round(level, 3), LevelUnit.TIMES)
            log.append(Look(f"l{len(log)}", look_at, size, None, frozenset(), frozenset(), None, has_note=False))
        read.append(max(seen, key=lambda one: one[1])[0])
        ratios.append(ratio)
        warm.append(told)
        jar = run(jar, 0.0, 24.0, warmth, 0.2).end
    return Case(tuple(log), tuple(degrees), tuple(peaks), tuple(read), tuple(ratios), tuple(warm))


def _case(seed: int, steady: bool, wrong: bool, elsewhere: bool) -> Case:  # noqa: FBT001  (a row of a table)
    with another_world(seed) if elsewhere else nullcontext():
        return case(seed, steady=steady, wrong=wrong)


def _always(celsius: float, _hour: float) -> float:
    return celsius


def book_peak_h(ratio: float, celsius: float) -> float:
    """The closed form: thermal time of a 1:r:r feed."""
    return (2.22 + float(np.log1p(2.0 * ratio)) / 0.298) / growth_pace(celsius, YEAST_UPPER_C)


def judge(made: Case) -> list[tuple[float, ...]]:
    """For every feed: the true peak; the forecast, low and high; a naive guess; the same scaled by the closed form."""
    setup = Setup("wake_and_keep", {}, JAR, START, warmth_c=made.celsius[0], readings=made.warmth)
    course = course_of(setup)
    rows = []
    for number in range(FEEDS):
        fed = START + timedelta(hours=24 * number)
        known = tuple(entry for entry in made.log if entry.at <= fed)
        ledger = ledger_of(setup, course, known)
        told = forecast(ledger, background_of(setup, course, ledger), ())
        assert told is not None
        hours = [(at - fed) / timedelta(hours=1) for at in (told.peaks.likely, told.peaks.earliest, told.peaks.latest)]
        naive = made.read_peaks_h[number - 1] if number else float("nan")
        scaled = naive * book_peak_h(made.ratios[number], made.celsius[number]) if number else float("nan")
        if number:
            scaled /= book_peak_h(made.ratios[number - 1], made.celsius[number - 1])
        rows.append((made.peaks_h[number], *hours, naive, scaled))
    return rows


def report(jars: int = 60) -> Iterator[str]:
    for title, steady, wrong, elsewhere in (
        ("varied feeds, perturbed truth in a world of its own", False, True, True),
        ("varied feeds, perturbed truth", False, True, False),
        ("steady feeds, perturbed truth", True, True, False),
        ("varied feeds, truth of the model's family", False, False, False),
    ):
        rows = np.array([judge(_case(9_000 + seed, steady, wrong, elsewhere)) for seed in range(jars)])
        true, likely, low, high, naive, scaled = (rows[:, :, column] for column in range(6))
        median = [100 * float(np.median(np.abs(likely[:, k] / true[:, k] - 1))) for k in range(FEEDS)]
        inside = (true >= low) & (true <= high)
        yield f"{title}, {jars} jars: median |error| of the peak time, %, after k = 0..7 watched feeds"
        yield "  tracker      " + " ".join(f"{value:5.1f}" for value in median)
        for name, guess in (("last highest", naive), ("  scaled", scaled)):
            errors = [100 * float(np.nanmedian(np.abs(guess[:, k] / true[:, k] - 1))) for k in range(1, FEEDS)]
            yield f"  {name:12s}    nan " + " ".join(f"{value:5.1f}" for value in errors)
        coverage = [100 * float(inside[:, ks].mean()) for ks in (slice(0, 1), slice(1, 3), slice(3, FEEDS))]
        width = [float(np.median(np.log(high[:, ks] / low[:, ks]))) for ks in (slice(0, 1), slice(3, FEEDS))]
        close = 100 * float((np.abs(likely[:, 3:] / true[:, 3:] - 1) < 0.15).mean())
        yield (
            f"  80 % interval covers k=0: {coverage[0]:.0f} %, k=1..2: {coverage[1]:.0f} %, k>=3: {coverage[2]:.0f} %; "
            f"width (ln) {width[0]:.2f} -> {width[1]:.2f}; within 15 % at k>=3: {close:.0f} %"
        )
