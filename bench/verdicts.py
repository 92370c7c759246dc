"""How the verdicts and the advice stand against the truth of simulated jars: the confusion table.

All families, 15 to 32 °C, four flours, tidy and careless bakers, mould, film, dead flour, days away from home.

Many jars double just about, and just about in time, day after day; no eye that reads to a twentieth tells those apart.
So the truth has a border of that width: `near` is the day of the third feed in a row that doubled or all but did, in
time or all but, and `clear` that of the third that did so beyond doubt. Said before `near` is too early; recognised is
what is said within a feed of `clear`, of feeds that some look could see doubled.
"""

from __future__ import annotations

import os
from collections import Counter
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

import numpy as np

from ferment.doors.assessment import Assessment, Move, assess
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.protocol.advised import Advice
from ferment.protocol.method import Method
from ferment.protocol.options import BlendOption, Choices
from ferment.record.log import Log, Look, Top
from ferment.setups import Setup
from ferment.signs.contract import SignCode, Urgency
from ferment.simulation import CARELESS, Habits, Happenings, HourOfTruth, Played, Truth, play
from ferment.verdicts.counsel import Answer
from ferment.verdicts.stage import Stage

from .readiness import START, true_day

JAR = Vessel(300.0, 2000.0, 190.0)
DAYS = 18
LIVING = (Stage.STIRRING, Stage.AWAKE, Stage.STEADY)
# Looks when asked, as the page asks for it; a careless baker does not.
TIDY = Habits(late_h=0.8, looks=2.0, grams=0.03, reads=0.05, looks_when_asked=True)
# What never happens to most jars happens to one in so many.
MOULD, FILM, DEAD, AWAY, CARELESS_ONE = 12, 15, 17, 7, 4
READ_TO = 0.05
FEEDS_IT = frozenset({Advice.FEED_NOW, Advice.MORE_OFTEN, Advice.LARGER_FEED})


@dataclass(frozen=True)
class Jar:
    """One simulated jar: its set-up, what was played, the true warmth, and where a sign was put into its log."""

    setup: Setup
    played: Played
    celsius: float
    sign: Top | None
    sign_id: str | None
    dead: bool
    careless: bool


def _choices(family: Method, flour: str) -> Choices:
    """The family's own choices, but its blends of one flour (with white after a whole start)."""
    return {
        option.code.value: {flour: 1.0} if "first" in option.code.value else {flour: 1.0, "white": 1.0}
        for option in family.options
        if isinstance(option, BlendOption)
    }


def _with_sign(log: Log, sign: Top, dice: np.random.Generator) -> tuple[Log, str | None]:
    looks = [index for index, one in enumerate(log) if isinstance(one, Look)]
    if len(looks) < 6:
        return log, None
    index = looks[int(dice.integers(len(looks) // 2, len(looks)))]
    seen = log[index]
    assert isinstance(seen, Look)
    return (*log[:index], replace(seen, top=frozenset({sign})), *log[index + 1 :]), seen.id


def jar_of(seed: int) -> Jar:
    dice = np.random.default_rng(seed)
    family = FAMILIES[seed % len(FAMILIES)]
    told, off = float(dice.uniform(15, 32)), float(dice.normal(0, 0.7))
    flour = str(dice.choice(["whole_wheat", "spelt", "white", "rye"]))
    vigour, height, native, lag = (float(np.exp(dice.normal(0, sd))) for sd in (0.25, 0.15, 0.7, 0.3))
    dead, careless = seed % DEAD == 3, seed % CARELESS_ONE == 0
    truth = Truth(
        vigour,
        height,
        1e-6 if dead else native,
        lag,
        warmth_off_c=off,
        warmth_slope=float(np.exp(dice.normal(0, 0.1))),
    )
    away = float(dice.uniform(60, 300))
    happens = Happenings(away=((away, away + float(dice.uniform(30, 70))),) if seed % AWAY == 2 else ())
    setup = Setup(family.code, _choices(family, flour), JAR, START, warmth_c=told)
    played = play(setup, DAYS, 4000 + seed, truth, CARELESS if careless else TIDY, happens)
    sign = Top.FUZZY_SPOTS if seed % MOULD == 5 else Top.WHITE_FILM if seed % FILM == 6 else None
    sign_id = None
    if sign:
        log, sign_id = _with_sign(played.log, sign, dice)
        played = replace(played, log=log)
    return Jar(setup, played, told + off, sign, sign_id, dead, careless)


def judged(seed: int) -> Counter[str]:
    """One jar's counts."""
    jar, seen = jar_of(seed), Counter[str]()
    if not jar.played.log:
        return seen
    last = assess(jar.setup, jar.played.log, jar.played.log[-1].at)
    doubled = last.forecast.rounds[-1].doubles_at if last.forecast else 2.0
    near, clear = (
        true_day(
            jar.setup,
            jar.played,
            jar.celsius,
            doubled * (1.0 + off),
            within_h=8.0 * (1.0 - off),
            seen_only=off > 0,
        )
        for off in (-READ_TO, READ_TO)
    )
    said = _follow(jar, seen, clear)
    kind = "careless" if jar.careless else "tidy"
    if jar.sign is Top.FUZZY_SPOTS:
        return seen
    if said is not None and (near is None or said < near - 0.05):
        seen[f"said too early ({kind})"] += 1
    elif said is None and near is None:
        seen["never ready, never said"] += 1
    elif clear is None:
        seen["on the border, said" if said is not None else "on the border, not said"] += 1
    elif said is None:
        seen[f"missed ({kind})" if clear < DAYS - 3.0 else "too near the end to tell"] += 1
    else:
        seen[f"said {'within a feed' if said - clear <= 1.25 else 'later'} ({kind})"] += 1
    return seen


def _follow(jar: Jar, seen: Counter[str], truth: float | None) -> float | None:
    """Judge after every look; the day on which ready was said first."""
    said = None
    for entry in jar.played.log:
        now = entry.at + timedelta(minutes=1)
        day = (now - START) / timedelta(days=1)
        if not isinstance(entry, Look) or day < 0.8 or (said is not None and jar.sign_id is None):
            continue
        found = assess(jar.setup, tuple(one for one in jar.played.log if one.at <= now), now)
        _count(jar, entry, found, now, seen)
        if found.readiness and found.readiness.ready and said is None:
            said = day
        if found.next_move.move is Move.BIN or (truth is not None and day > truth + 5.0):
            break
    return said


def _count(jar: Jar, look: Look, found: Assessment, now: datetime, seen: Counter[str]) -> None:
    state = max((hour for hour in jar.played.truth if hour.at <= now), key=lambda hour: hour.at, default=None)
    if state is None or found.stage is None:
        return
    if state.level > 1.25 and state.early > 2.0 * state.yeast:
        seen["looks in a false dawn"] += 1
        seen["false dawn called living"] += found.stage.stage in LIVING
    if look.id == jar.sign_id:
        code = SignCode.MOULD if jar.sign is Top.FUZZY_SPOTS else SignCode.FILM
        seen[f"{code} shown"] += 1
        seen[f"{code} found"] += any(one.sign is code for one in found.findings)
        seen["mould answered with bin"] += code is SignCode.MOULD and found.next_move.move is Move.BIN
    elif jar.sign is not Top.FUZZY_SPOTS:
        seen["looks at a clean jar"] += 1
        seen["clean jar called spoiled"] += any(one.urgency is Urgency.DANGER for one in found.findings)
    for one in found.counsel:
        if one.answer is Answer.OFFERED or one.answer is Answer.FOLLOWED:
            seen["advice given"] += 1
            seen["advice harmful"] += _harms(one.advice, state)
            seen[f"harmful: {one.advice}"] += _harms(one.advice, state)


def _harms(advice: Advice, state: HourOfTruth) -> bool:
    """Fed more while the yeast is still few, or held off while it starves."""
    if advice in FEEDS_IT:
        return state.yeast < 0.1
    return advice is Advice.HOLD_OFF and state.yeast > 0.3 and state.hunger > 0.7


def report(jars: int = 1000) -> Iterator[str]:
    with ProcessPoolExecutor(max_workers=os.cpu_count() or 1) as pool:
        seen = sum(pool.map(judged, range(jars), chunksize=4), Counter[str]())
    yield f"{jars} jars of {len(FAMILIES)} families, 15-32 °C, four flours, one baker of {CARELESS_ONE} careless"
    for name, count in sorted(seen.items()):
        if count:
            yield f"  {name}: {count}"
    said = sum(count for name, count in seen.items() if name.startswith(("said", "on the border, said")))
    early = sum(count for name, count in seen.items() if "too early" in name)
    yield f"  ready said before it was true: {_percent(early, said)} (asked: under 1 %)"
    for kind in ("tidy", "careless"):
        good = seen[f"said within a feed ({kind})"]
        due = good + seen[f"said later ({kind})"] + seen[f"missed ({kind})"]
        yield f"  recognised within a feed, {kind} bakers: {_percent(good, due)} (asked: over 90 %)"
    yield f"  false dawn called living: {_percent(seen['false dawn called living'], seen['looks in a false dawn'])}"
    yield f"  harmful advice: {_percent(seen['advice harmful'], seen['advice given'])} (asked: under 2 %)"


def _percent(part: int, whole: int) -> str:
    return f"{part} of {whole} ({100 * part / whole:.2f} %)" if whole else "none to judge"
