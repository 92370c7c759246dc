"""How good the day of ready is on new simulated jars, on days 2, 4 and 6, against the plain table; and the peaks of
their first feeds. Each jar lives in a world of its own (`elsewhere`), which the tracker does not know."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import numpy as np

from ferment.doors.assessment import assess
from ferment.kitchen.hours import HOUR
from ferment.kitchen.vessel import Vessel
from ferment.model.paste import paste_of
from ferment.protocol.options import Choices
from ferment.ready_rule import doubles_at, flour_parts, limit_h
from ferment.setups import Setup, course_of, ledger_of
from ferment.simulation import Habits, Played, Truth, play

from .elsewhere import another_world

START = datetime(2026, 3, 2, 8, tzinfo=UTC)
JAR = Vessel(200.0, 900.0, 150.0)
DAYS = (2, 4, 6)
LONGEST = 24.0
PEAKS_FROM, PEAKS_TO = 3.0, 9.0
# A rise lower than this has no peak that a baker would see.
LEAST_PEAK = 1.3
BAKER = Habits(late_h=0.8, looks=2.0, grams=0.03, reads=0.06)


def day_by_rule(setup: Setup, played: Played, celsius: float, height: float) -> float | None:
    """The day of the third feed in a row that doubled in time by the rule itself, told the true warmth and the true
    gas-holding."""
    row = 0
    rounds = ledger_of(setup, course_of(setup), played.log).rounds
    ends = [*(turn.feed.at for turn in rounds[1:]), START + timedelta(days=LONGEST)]
    for turn, until in zip(rounds, ends, strict=True):
        at, paste = turn.feed.at, turn.contents
        mark = doubles_at(paste_of(paste.flours, paste.water_g, paste.salt_g), celsius, height)
        within = at + limit_h(celsius, flour_parts(turn.feed.flour_g, turn.feed.keep_g)) * HOUR
        hours = [hour for hour in played.truth if at < hour.at <= min(within, until)]
        reached = next((hour.at for hour in hours if hour.level >= mark and hour.yeast > hour.early), None)
        row = row + 1 if reached else 0
        if row == 3 and reached:
            return (reached - START) / timedelta(days=1)
    return None


@dataclass
class _Found:
    """What was told of jars that were not ready yet on a day: errors, widths, whether the truth lay within."""

    errors: list[float] = field(default_factory=list)
    widths: list[float] = field(default_factory=list)
    inside: list[bool] = field(default_factory=list)
    told_none: int = 0


def report(jars: int = 60) -> Iterator[str]:
    dice = np.random.default_rng(77)
    found = {day: _Found() for day in DAYS}
    peaks: list[tuple[float, bool]] = []
    table: list[float] = []
    never = 0
    for seed in range(jars):
        told, off = float(dice.uniform(20, 27)), float(dice.normal(0, 0.7))
        flour = str(dice.choice(["whole_wheat", "spelt", "white", "rye"]))
        second = "white" if flour == "rye" else flour
        vigour, height, native, lag = (float(np.exp(dice.normal(0, sd))) for sd in (0.25, 0.15, 0.7, 0.3))
        truth = Truth(
            vigour,
            height,
            native,
            lag,
            warmth_off_c=off,
            warmth_slope=float(np.exp(dice.normal(0, 0.1))),
        )
        choices: Choices = {"first_blend": {flour: 1.0}, "blend": {flour: 1.0, second: 1.0}}
        setup = Setup("equal_parts", choices, JAR, START, warmth_c=told)
        with another_world(seed):
            played = play(setup, LONGEST, 500 + seed, truth, BAKER)
        ready = day_by_rule(setup, played, told + off, height)
        if ready is None:
            never += 1
        peaks += peaks_of(setup, played)
        for day in DAYS:
            if ready is None or ready <= day:
                continue
            now = START + timedelta(days=day)
            known = tuple(entry for entry in played.log if entry.at <= now)
            one = assess(setup, known, now)
            if day == DAYS[0]:
                table.append(abs(one.ready.likely - ready))
            if one.ready_on is None or one.ready_on.seldom:
                found[day].told_none += 1
                continue
            on = one.ready_on.on
            low, likely, high = ((at - START) / timedelta(days=1) for at in (on.earliest, on.likely, on.latest))
            found[day].errors.append(abs(likely - ready))
            found[day].widths.append(high - low)
            found[day].inside.append(low - 0.5 <= ready <= (high + 0.5 if not one.ready_on.latest_is_open else LONGEST))
    naive = float(np.median(table))
    yield (
        f"{jars} new jars, each in a world of its own, {never} never ready in {LONGEST:.0f} days; "
        f"plain table: median |error| {naive:.1f} d"
    )
    for day, of in found.items():
        yield (
            f"  on day {day}: {len(of.errors) + of.told_none} jars not ready yet, {of.told_none} told no day; "
            f"median |error| {np.median(of.errors):.1f} d, 80 % interval (to half a day) {np.median(of.widths):.1f} d "
            f"wide, covers {100 * float(np.mean(of.inside)):.0f} %"
        )
    errors, inside = (np.array(part) for part in zip(*peaks, strict=True))
    yield (
        f"  peaks of the feeds of days 3 to 9, told when they were mixed: {len(peaks)}, median |error| "
        f"{100 * np.median(errors):.0f} %, 80 % interval covers {100 * inside.mean():.0f} %"
    )


def peaks_of(setup: Setup, played: Played) -> Iterator[tuple[float, bool]]:
    """Of each feed that rose by yeast: the error of the peak's hour as a share, and whether it lay within."""
    rounds = ledger_of(setup, course_of(setup), played.log).rounds
    for turn, after in pairwise(rounds):
        fed, until = turn.feed.at, after.feed.at
        if not PEAKS_FROM <= (fed - START) / timedelta(days=1) <= PEAKS_TO:
            continue
        top = max((hour for hour in played.truth if fed < hour.at < until), key=lambda hour: hour.level)
        if top.level < LEAST_PEAK or top.yeast <= top.early or top.at >= until - HOUR:
            continue
        known = tuple(entry for entry in played.log if entry.at <= fed)
        told = assess(setup, known, fed + timedelta(minutes=1)).forecast
        if told is not None:
            hours, likely = (top.at - fed) / HOUR, (told.peaks.likely - fed) / HOUR
            yield abs(likely - hours) / hours, told.peaks.earliest <= top.at <= told.peaks.latest
