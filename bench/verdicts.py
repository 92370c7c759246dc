"""How the verdicts and the advice stand against the truth of simulated jars whose model is wrong on purpose.

All families, 15 to 32 °C, four flours, tidy and careless bakers; mould, film, dead flour, days away from home, a wrong
look, an hour in an oven that is too hot. Each jar lives in a world of its own (`elsewhere`), which the tracker does not
know.

A jar is ready in truth when it does, three feeds in a row, what a settled jar of its own world and traits does with the
same feed, or doubles in time. Many jars do just about so; no eye that reads to a twentieth tells those apart, so the
truth has a border: `near` is the day of the third feed that did nearly that, `clear` that of the third that did so
beyond doubt and was watched. Said before `near` is too early; recognised is what is said within a feed of `clear`.
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
from ferment.kitchen.flours import blend_of
from ferment.kitchen.hours import HOUR
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.methods import FAMILIES
from ferment.model.jar import Traits, after_feed, mature
from ferment.model.runs import run
from ferment.protocol.advised import Advice
from ferment.protocol.method import Method
from ferment.protocol.options import BlendOption, Choices
from ferment.ready_rule import flour_parts, limit_h
from ferment.record.ledger import Round
from ferment.record.log import Log, Look, Top
from ferment.setups import Setup, course_of, ledger_of
from ferment.signs.contract import SignCode, Urgency
from ferment.simulation import CARELESS, Habits, Happenings, HourOfTruth, Played, Truth, play
from ferment.verdicts.counsel import Answer
from ferment.verdicts.stage import Stage

from .elsewhere import another_world
from .readiness import START

JAR = Vessel(300.0, 2000.0, 190.0)
DAYS = 20
LIVING = (Stage.STIRRING, Stage.AWAKE, Stage.STEADY)
RANK = {stage: rank for rank, stage in enumerate(Stage)}
# Looks when asked, as the page asks for it; a careless baker does not.
TIDY = Habits(late_h=0.8, looks=2.0, grams=0.03, reads=0.05, looks_when_asked=True)
# What never happens to most jars happens to one in so many.
MOULD, FILM, DEAD, AWAY, CARELESS_ONE, WRONG, HEATED = 12, 15, 17, 7, 4, 3, 5
HEATED_H = 14.5 * 24.0
WRONG_LEVEL, RIGHT_LEVEL = 2.4, 1.3
FEEDS_IT = frozenset({Advice.FEED_NOW, Advice.MORE_OFTEN, Advice.LARGER_FEED})
# Nearly what a settled jar does, and that beyond doubt: a share of its rise, but no more than about a doubling; and ×
# its hours to nine tenths of it, or about the hours of the rule.
NEAR_SHARE, NEAR_RISE, NEAR_SLACK = 0.8, 0.92, 1.6
CLEAR_SHARE, CLEAR_RISE, CLEAR_SLACK = 0.95, 1.08, 1.3
SETTLED_SHARE, STARVED, READ_TO = 0.9, 0.7, 0.05
SETTLED_RUN_H = 60.0
# What hardly rises even of a settled jar is no starter to bake with.
LEAST_RISE = 0.12


@dataclass(frozen=True)
class Fed:
    """One feed of the truth: when, until when, and from where on it did nearly, and beyond doubt, as a settled jar."""

    at: datetime
    until: datetime
    near: datetime | None
    clear: datetime | None
    watched: bool
    flat: bool


@dataclass(frozen=True)
class Jar:
    """One simulated jar: its set-up, what was played and how each feed stood to a settled jar's, what was put in."""

    setup: Setup
    played: Played
    fed: tuple[Fed, ...]
    sign: Top | None
    sign_id: str | None
    careless: bool
    wrong: Log | None
    wrong_id: str | None
    heated: bool


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


def _with_wrong_look(log: Log, dice: np.random.Generator) -> tuple[Log | None, str | None]:
    """Another jar's level noted with this one."""
    low = [
        index
        for index, one in enumerate(log)
        if isinstance(one, Look) and one.level and one.level.value < RIGHT_LEVEL and one.at > START + timedelta(days=1)
    ]
    if not low:
        return None, None
    index = low[int(dice.integers(len(low)))]
    seen = log[index]
    assert isinstance(seen, Look)
    wrong = replace(seen, level=Level(WRONG_LEVEL, LevelUnit.TIMES), top=frozenset())
    return (*log[:index], wrong, *log[index + 1 :]), seen.id


def jar_of(seed: int) -> Jar:
    dice = np.random.default_rng(seed)
    family = FAMILIES[seed % len(FAMILIES)]
    told, off = float(dice.uniform(15, 32)), float(dice.normal(0, 0.7))
    flour = str(dice.choice(["whole_wheat", "spelt", "white", "rye"]))
    vigour, height, native, lag = (float(np.exp(dice.normal(0, sd))) for sd in (0.25, 0.15, 0.7, 0.3))
    dead, careless = seed % DEAD == 3, seed % CARELESS_ONE == 0
    slope = float(np.exp(dice.normal(0, 0.1)))
    truth = Truth(vigour, height, 1e-6 if dead else native, lag, warmth_off_c=off, warmth_slope=slope)
    away = float(dice.uniform(60, 300))
    heated = seed % HEATED == 1
    happens = Happenings(
        away=((away, away + float(dice.uniform(30, 70))),) if seed % AWAY == 2 else (),
        heated=HEATED_H if heated else None,
    )
    setup = Setup(family.code, _choices(family, flour), JAR, START, warmth_c=told)
    with another_world(seed):
        played = play(setup, DAYS, 4000 + seed, truth, CARELESS if careless else TIDY, happens)
        celsius = 25.0 + slope * (told - 25.0) + off
        fed = _fed(setup, played, Traits(vigour, height, native, lag), celsius)
    sign = Top.FUZZY_SPOTS if seed % MOULD == 5 else Top.WHITE_FILM if seed % FILM == 6 else None
    sign_id = None
    if sign:
        log, sign_id = _with_sign(played.log, sign, dice)
        played = replace(played, log=log)
    wrong, wrong_id = _with_wrong_look(played.log, dice) if seed % WRONG == 0 and not sign else (None, None)
    return Jar(setup, played, fed, sign, sign_id, careless, wrong, wrong_id, heated)


def _fed(setup: Setup, played: Played, traits: Traits[float], celsius: float) -> tuple[Fed, ...]:
    rounds = ledger_of(setup, course_of(setup), played.log).rounds
    ends = [*(turn.feed.at for turn in rounds[1:]), START + timedelta(days=DAYS)]
    tops = [
        max((hour.level for hour in played.truth if turn.feed.at < hour.at <= until), default=1.0) - 1.0
        for turn, until in zip(rounds, ends, strict=True)
        if turn.feed.at < START + timedelta(hours=HEATED_H - 24.0)
    ]
    # A way that starves its jar never lets it do what it could: what it does in the end is what it does.
    in_the_end = float(np.median(tops[-5:])) if tops else 0.0
    return tuple(
        _one_fed(turn, until, played, traits, celsius, in_the_end) for turn, until in zip(rounds, ends, strict=True)
    )


def _one_fed(
    turn: Round, until: datetime, played: Played, traits: Traits[float], celsius: float, in_the_end: float
) -> Fed:
    feed = turn.feed
    if not feed.keep_g or not feed.flour_g:
        return Fed(feed.at, until, None, None, watched=False, flat=False)
    # A settled jar of the same paste: what is kept of a soup stays thin.
    held = turn.before if turn.before.flour_g else turn.contents
    settled = after_feed(
        mature(blend_of({one.flour: one.g for one in held.flours}), traits, held.water_g / held.flour_g),
        traits,
        feed.keep_g,
        feed.flours,
        feed.liquid_g,
        feed.juice_g,
        feed.salt_g,
    )
    course = run(settled, 0.0, SETTLED_RUN_H, lambda _: celsius, 0.25)
    rise = float(course.levels.max()) - 1.0
    hours = next(h for h, level in zip(course.hours, course.levels, strict=True) if level >= 1.0 + SETTLED_SHARE * rise)
    lived = [hour for hour in played.truth if feed.at < hour.at <= until]

    rise = min(rise, max(in_the_end, STARVED * rise))
    rule_h = limit_h(celsius, flour_parts(feed.flour_g, feed.keep_g))

    def did(share: float, least: float, within_h: float) -> datetime | None:
        reached = (
            hour.at
            for hour in lived
            if hour.level >= 1.0 + min(share * rise, least)
            and hour.at - feed.at <= within_h * HOUR
            and hour.yeast > hour.early
        )
        return next(reached, None) if rise > LEAST_RISE else None

    stood = {hour.at for hour in lived if hour.level >= 1.0 + min(CLEAR_SHARE * rise, CLEAR_RISE)}
    looks = [one.at for one in played.log if isinstance(one, Look) and feed.at < one.at <= until]
    near_peak = any(0.7 * hours <= (at - feed.at) / HOUR <= 1.6 * hours for at in looks)
    return Fed(
        feed.at,
        until,
        did(NEAR_SHARE, NEAR_RISE, max(NEAR_SLACK * hours, rule_h * (1.0 + READ_TO))),
        did(CLEAR_SHARE, CLEAR_RISE, min(CLEAR_SLACK * hours, rule_h * (1.0 - READ_TO))),
        any(abs(at - hour) <= timedelta(minutes=30) for at in looks for hour in stood),
        near_peak and max((hour.level for hour in lived), default=1.0) < 1.0 + 0.4 * rise,
    )


def _third(fed: tuple[Fed, ...], kind: str) -> float | None:
    """The day of the third in a row; for the clear ones, those that nobody watched neither count nor break the row."""
    row = 0
    for one in fed:
        reached: datetime | None = getattr(one, kind)
        if kind == "clear" and reached and not one.watched:
            continue
        row = row + 1 if reached else 0
        if row == 3 and reached:
            return (reached - START) / timedelta(days=1)
    return None


def judged(seed: int) -> Counter[str]:
    """One jar's counts."""
    jar, seen = jar_of(seed), Counter[str]()
    if not jar.played.log:
        return seen
    _wrong_look(jar, seen)
    near, clear = _third(jar.fed, "near"), _third(jar.fed, "clear")
    said = _follow(jar, seen)
    kind = "careless" if jar.careless else "tidy"
    if jar.sign is Top.FUZZY_SPOTS:
        return seen
    last = HEATED_H / 24.0 if jar.heated else DAYS
    if said is not None and (near is None or said < near - 0.05):
        seen[f"said too early ({kind})"] += 1
    elif said is None and near is None:
        seen["never ready, never said"] += 1
    elif clear is None:
        seen["on the border, said" if said is not None else "on the border, not said"] += 1
    elif said is None:
        seen[f"missed ({kind})" if clear < last - 3.0 else "too near the end to tell"] += 1
    else:
        seen[f"said {'within a feed' if said - clear <= 1.25 else 'later'} ({kind})"] += 1
    return seen


def _follow(jar: Jar, seen: Counter[str]) -> float | None:
    """Judge after every look; the day on which ready was said first."""
    said = taken_back = None
    heated_at = START + timedelta(hours=HEATED_H)
    was_ready = False
    for entry in jar.played.log:
        now = entry.at + timedelta(minutes=1)
        day = (now - START) / timedelta(days=1)
        if not isinstance(entry, Look) or day < 0.8:
            continue
        found = assess(jar.setup, tuple(one for one in jar.played.log if one.at <= now), now)
        _count(jar, entry, found, now, seen)
        is_ready = bool(found.readiness and found.readiness.ready)
        if is_ready and said is None:
            said = day
            seen["ready said"] += 1
        if said is not None and taken_back is None and not is_ready and not (jar.heated and now > heated_at):
            taken_back = day
            seen["taken back within two days"] += day - said <= 2.0
            seen["taken back later"] += day - said > 2.0
        if jar.heated and now <= heated_at:
            was_ready = is_ready
        if found.next_move.move is Move.BIN:
            break
    if jar.heated and was_ready:
        _dying(jar, heated_at, seen)
    return said


def _dying(jar: Jar, heated_at: datetime, seen: Counter[str]) -> None:
    """After two watched feeds that stay flat."""
    flat = [one for one in jar.fed if one.at > heated_at and one.flat]
    if len(flat) < 2:
        return
    now = flat[1].until
    found = assess(jar.setup, tuple(one for one in jar.played.log if one.at < now), now)
    seen["dying jars"] += 1
    seen["dying jar still called ready"] += bool(found.readiness and found.readiness.ready)


def _wrong_look(jar: Jar, seen: Counter[str]) -> None:
    if jar.wrong is None:
        return
    at = next(one.at for one in jar.wrong if one.id == jar.wrong_id) + timedelta(minutes=1)
    right, wrong = (
        assess(jar.setup, tuple(one for one in log if one.at <= at), at) for log in (jar.played.log, jar.wrong)
    )
    seen["wrong looks"] += 1
    seen["wrong look changed the stage"] += (right.stage and right.stage.stage) != (wrong.stage and wrong.stage.stage)


def _count(jar: Jar, look: Look, found: Assessment, now: datetime, seen: Counter[str]) -> None:
    state = max((hour for hour in jar.played.truth if hour.at <= now), key=lambda hour: hour.at, default=None)
    if state is None:
        return
    dead = jar.heated and now > START + timedelta(hours=HEATED_H)
    if state.level > 1.25 and state.early > 2.0 * state.yeast and not dead:
        seen["looks in a false dawn"] += 1
        seen["false dawn called living"] += found.stage is not None and found.stage.stage in LIVING
        seen["its discard called food"] += found.discard_is_food
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
            harms = _harms(jar, one.advice, one.due, state, now)
            seen["advice given"] += 1
            seen["advice harmful"] += harms
            seen[f"harmful: {one.advice}"] += harms


def _harms(jar: Jar, advice: Advice, due: datetime | None, state: HourOfTruth, now: datetime) -> bool:
    """Fed more while the yeast is still few or before the peak, or held off while it starves."""
    if advice is Advice.HOLD_OFF:
        return state.yeast > 0.3 and state.hunger > 0.7
    if advice not in FEEDS_IT:
        return False
    if state.yeast + state.sleeping < 0.1:
        return True
    running = next((one for one in reversed(jar.fed) if one.at <= now), None)
    lived = [hour for hour in jar.played.truth if running and running.at <= hour.at <= running.until]
    if due is None or running is None or not lived or now > due:
        return False
    top = max(lived, key=lambda hour: hour.level)
    return top.at < running.until - HOUR and due < top.at - 2.0 * HOUR


def report(jars: int = 400, first: int = 0) -> Iterator[str]:
    """So many jars from one on: what is tuned on some is told of others."""
    with ProcessPoolExecutor(max_workers=os.cpu_count() or 1) as pool:
        seen = sum(pool.map(judged, range(first, first + jars), chunksize=4), Counter[str]())
    yield f"{jars} jars of {len(FAMILIES)} families, 15-32 °C, four flours, one baker of {CARELESS_ONE} careless"
    for name, count in sorted(seen.items()):
        if count:
            yield f"  {name}: {count}"
    said = seen["ready said"]
    early = sum(count for name, count in seen.items() if "too early" in name)
    yield f"  ready said before it was true: {_percent(early, said)} (asked: under 0.5 %)"
    for kind in ("tidy", "careless"):
        good = seen[f"said within a feed ({kind})"]
        due = good + seen[f"said later ({kind})"] + seen[f"missed ({kind})"]
        yield f"  recognised within a feed, {kind} bakers: {_percent(good, due)} (asked: 90 % and more)"
    rows = (
        ("taken back within two days", "ready said", 5.0),
        ("dying jar still called ready", "dying jars", 5.0),
        ("false dawn called living", "looks in a false dawn", 2.0),
        ("its discard called food", "looks in a false dawn", 2.0),
        ("advice harmful", "advice given", 1.5),
        ("wrong look changed the stage", "wrong looks", 2.0),
    )
    for part, whole, most in rows:
        yield f"  {part}: {_percent(seen[part], seen[whole])} (asked: at most {most:g} %)"


def _percent(part: int, whole: int) -> str:
    return f"{part} of {whole} ({100 * part / whole:.2f} %)" if whole else "none to judge"
