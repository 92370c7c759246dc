"""How good the day of ready is on new simulated jars, on days 2, 4 and 6, against the plain table."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import numpy as np

from ferment.doors.assessment import assess
from ferment.kitchen.vessel import Vessel
from ferment.model.kinetics import YEAST_UPPER_C, growth_pace
from ferment.protocol.options import Choices
from ferment.record.log import Look
from ferment.setups import Setup, course_of, ledger_of
from ferment.simulation import Habits, Played, Truth, play

START = datetime(2026, 3, 2, 8, tzinfo=UTC)
JAR = Vessel(200.0, 900.0, 150.0)
DAYS = (2, 4, 6)
LONGEST = 24.0
BAKER = Habits(late_h=0.8, looks=2.0, grams=0.03, reads=0.06)


def true_day(
    setup: Setup,
    played: Played,
    celsius: float,
    doubled: float = 2.0,
    *,
    within_h: float = 8.0,
    seen_only: bool = False,
) -> float | None:
    """The day of the third doubling in a row within 8 h (`within_h` at 24 °C, corrected), by the truth behind the log.

    `doubled` is the level that counts as doubled, by a jar in which yeast outweighs the early bacteria. With
    `seen_only` a doubling counts only where some look could see it; where none could, it neither counts nor breaks the
    row.
    """
    ledger = ledger_of(setup, course_of(setup), played.log)
    pace = growth_pace(celsius, YEAST_UPPER_C) / growth_pace(24.0, YEAST_UPPER_C)
    row = 0
    fed = [turn.feed.at for turn in ledger.rounds]
    for at, until in zip(fed, [*fed[1:], START + timedelta(days=LONGEST)], strict=True):
        within = at + timedelta(hours=within_h / pace)
        hours = [hour for hour in played.truth if at < hour.at <= min(within, until)]
        reached = next((hour.at for hour in hours if hour.level >= doubled and hour.yeast > hour.early), None)
        if seen_only and reached and not _seen(played, reached, until, doubled):
            continue
        row = row + 1 if reached else 0
        if row == 3 and reached:
            return (reached - START) / timedelta(days=1)
    return None


def _seen(played: Played, since: datetime, until: datetime, doubled: float) -> bool:
    """Whether a look falls into the hours in which it stood doubled."""
    stood = {hour.at for hour in played.truth if since <= hour.at < until and hour.level >= doubled}
    looks = [entry.at for entry in played.log if isinstance(entry, Look)]
    return any(abs(look - hour) <= timedelta(minutes=30) for look in looks for hour in stood)


def report(jars: int = 36) -> Iterator[str]:
    dice = np.random.default_rng(77)
    errors: dict[int, list[float]] = {day: [] for day in DAYS}
    inside: dict[int, list[bool]] = {day: [] for day in DAYS}
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
        played = play(setup, LONGEST, 500 + seed, truth, BAKER)
        ready = true_day(setup, played, told + off)
        if ready is None:
            never += 1
            continue
        for day in DAYS:
            now = START + timedelta(days=day)
            if ready <= day:
                continue
            known = tuple(entry for entry in played.log if entry.at <= now)
            found = assess(replace(setup), known, now)
            if day == DAYS[0]:
                table.append(abs(found.ready.likely - ready))
            if found.ready_on is None:
                continue
            on = found.ready_on.on
            low, likely, high = ((at - START) / timedelta(days=1) for at in (on.earliest, on.likely, on.latest))
            errors[day].append(abs(likely - ready))
            inside[day].append(low - 0.5 <= ready <= high + 0.5)
    naive = float(np.median(table))
    yield f"{jars} new jars, {never} never ready in {LONGEST:.0f} days; plain table: median |error| {naive:.1f} d"
    for day in DAYS:
        covered = 100 * float(np.mean(inside[day]))
        yield (
            f"  on day {day}: {len(errors[day])} jars not ready yet, median |error| {np.median(errors[day]):.1f} d, "
            f"80 % interval (to half a day) covers {covered:.0f} %"
        )
