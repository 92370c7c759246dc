"""How the verdicts stand against the truth of simulated jars: ready too early or late, false dawn called awake."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from datetime import datetime, timedelta

import numpy as np

from ferment.assessment import assess
from ferment.protocol.options import Choices
from ferment.readiness import Stage
from ferment.setups import Setup
from ferment.simulation import CARELESS, Played, Truth, play
from ferment.vessel import Vessel

from .readiness import BAKER, START, true_day

JAR = Vessel(200.0, 900.0, 150.0)
DAYS = 20
LIVING = (Stage.STIRRING, Stage.AWAKE, Stage.STEADY)


def _course(seed: int, dice: np.random.Generator) -> tuple[Setup, Played, float]:
    told, off = float(dice.uniform(17, 30)), float(dice.normal(0, 0.7))
    flour = str(dice.choice(["whole_wheat", "spelt", "white", "rye"]))
    second = "white" if flour == "rye" else flour
    vigour, height, native, lag = (float(np.exp(dice.normal(0, sd))) for sd in (0.25, 0.15, 0.7, 0.3))
    truth = Truth(vigour, height, native, lag, warmth_off_c=off, warmth_slope=float(np.exp(dice.normal(0, 0.1))))
    choices: Choices = {"first_blend": {flour: 1.0}, "blend": {flour: 1.0, second: 1.0}}
    setup = Setup("equal_parts", choices, JAR, START, warmth_c=told)
    habits = CARELESS if seed % 4 == 0 else BAKER
    return setup, play(setup, DAYS, 900 + seed, truth, habits), told + off


def report(jars: int = 40) -> Iterator[str]:
    dice = np.random.default_rng(5)
    days: list[float] = []
    seen: Counter[str] = Counter()
    for seed in range(jars):
        setup, played, celsius = _course(seed, dice)
        truth = true_day(setup, played, celsius, _doubled(setup, played))
        said = _first_said(setup, played, seen)
        if truth is None or said is None:
            seen["never, and never said" if truth is said else "missed" if said is None else "said, never true"] += 1
        else:
            seen["ready and said"] += 1
            days.append(said - truth)
    early = sum(day < -0.05 for day in days)
    within = sum(-0.05 <= day <= 1.25 for day in days)
    yield f"{jars} new jars of equal parts, 17-30 °C, four flours, one baker of four careless, {DAYS} days"
    yield "  ready: " + ", ".join(f"{name} {count}" for name, count in sorted(seen.items()))
    yield f"  said before the truth {early} of {len(days)}, within a feed of it {within}"


def _doubled(setup: Setup, played: Played) -> float:
    """What counts as doubled where flour and thickness cannot hold twice their volume."""
    found = assess(setup, played.log, played.log[-1].at)
    return found.forecast.rounds[-1].doubles_at if found.forecast else 2.0


def _first_said(setup: Setup, played: Played, seen: Counter[str]) -> float | None:
    """The day on which ready was said first, judged after every look."""
    for entry in played.log:
        now = entry.at + timedelta(minutes=1)
        if now < START + timedelta(hours=20):
            continue
        found = assess(setup, tuple(one for one in played.log if one.at <= now), now)
        assert found.stage
        assert found.readiness
        if _early_rise(played, now):
            seen["looks in a false dawn"] += 1
            seen["false dawn called living"] += found.stage.stage in LIVING
        if found.readiness.ready:
            return (now - START) / timedelta(days=1)
    return None


def _early_rise(played: Played, now: datetime) -> bool:
    """A rise that is more the early bacteria's than the yeast's."""
    state = max((hour for hour in played.truth if hour.at <= now), key=lambda hour: hour.at, default=None)
    return state is not None and state.level > 1.25 and state.early > 2.0 * state.yeast
