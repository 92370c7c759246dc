"""A baker with habits plays a family on a simulated jar: the log that a baker would have, and the truth behind it.

All chance comes from a seed. The truth may differ from the model that the tracker uses: in the jar's traits, in how it
answers warmth, in the daily pace, in the grams and in what is read off the glass.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta

import numpy as np

from .kitchen.flours import FlourGrams, FlourLot
from .kitchen.hours import HOUR
from .kitchen.vessel import Level, LevelUnit
from .kitchen.warmth import Warmth
from .mixing.contents import Origin
from .model.jar import (
    ACID,
    EARLY,
    FOOD,
    GAS,
    LACTIC,
    SLEEPING,
    WALLS,
    YEAST,
    Jar,
    Traits,
    after_feed,
    culture_jar,
    hunger,
    ph,
    stir,
)
from .model.kinetics import REFERENCE_C, YEAST_UPPER_C, growth_pace
from .model.runs import Run, run
from .planner import Step, StepState
from .planner.steps import Act
from .protocol.course import Course
from .record.ledger import Ledger
from .record.log import Bubbles, Deed, DeedKind, Entry, Feed, Log, Look, Smell, Thickness, Top, Use, UsedFor, in_order
from .setups import Setup, course_of, ledger_of, place_of, plan_of, warmth_told

TRUTH_STEP_H = 0.25
MOST_DAYS = 60.0


@dataclass(frozen=True)
class Habits:
    """How a baker is: hours late on average, chance of forgetting a feed, looks between two feeds, errors in grams and
    in readings as shares, chances of a careless reading and of a high mark noted."""

    late_h: float = 0.4
    forgets: float = 0.0
    looks: float = 3.0
    grams: float = 0.01
    reads: float = 0.04
    careless: float = 0.0
    notes_high_mark: float = 0.0
    looks_when_asked: bool = False


@dataclass(frozen=True)
class Happenings:
    """What befalls a course, in hours from its start: spans in which nobody is at home, and spans in the fridge; and
    what the baker decides on the way, as entries of the log. At the hour `heated` an oven's lamp leaves next to nothing
    of its yeast alive."""

    away: tuple[tuple[float, float], ...] = ()
    cold: tuple[tuple[float, float], ...] = ()
    decided: tuple[Entry, ...] = ()
    heated: float | None = None


# What such an hour leaves of the yeast.
SURVIVES_HEAT = 1e-5
TIDY = Habits()
CARELESS = Habits(late_h=2.5, forgets=0.08, looks=1.6, grams=0.05, reads=0.08, careless=0.03, notes_high_mark=0.2)


@dataclass(frozen=True)
class Truth:
    """How the jar really is: its traits, the true warmth against the told one, and how one day differs from the next.

    `warmth_slope` other than 1 is another answer to warmth than the model's: the same change moves it more or less.
    """

    vigour: float = 1.0
    height: float = 1.0
    native: float = 1.0
    lag: float = 1.0
    warmth_off_c: float = 0.0
    warmth_slope: float = 1.0
    day_vigour: float = 0.05


@dataclass(frozen=True)
class HourOfTruth:
    """The jar at an hour: level as a multiple of the line, pH, and the populations as parts of a mature density."""

    at: datetime
    level: float
    ph: float
    early: float
    lactic: float
    yeast: float
    sleeping: float
    food: float
    hunger: float


@dataclass(frozen=True)
class Played:
    log: Log
    truth: tuple[HourOfTruth, ...]


@dataclass
class _Table:
    """The baker's table while the course is played."""

    setup: Setup
    truth: Truth
    habits: Habits
    dice: np.random.Generator
    course: Course
    start: datetime
    happenings: Happenings
    log: list[Entry] = field(default_factory=list)
    hours: list[HourOfTruth] = field(default_factory=list)
    jar: Jar[float] | None = None
    at_h: float = 0.0
    rounds: int = 0
    peak: float = 1.0
    told: Warmth | None = None

    def warmth(self, hour: float) -> float:
        """How warm it really is at the jar, by where the log so far has it stand."""
        if self.told is None:
            ledger = ledger_of(self.setup, self.course, tuple(self.log))
            self.told = Warmth(place_of(self.setup, ledger), self.start, ledger.cold_spans)
        told, truth = self.told(hour), self.truth
        return REFERENCE_C + truth.warmth_slope * (told - REFERENCE_C) + truth.warmth_off_c

    def write(self, entry: Entry) -> None:
        self.log.append(entry)
        self.told = None


def play(
    setup: Setup,
    days: float,
    seed: int,
    truth: Truth | None = None,
    habits: Habits = TIDY,
    happenings: Happenings | None = None,
) -> Played:
    """Play a set-up from its start for so many days. The same seed gives the same log and the same truth."""
    truth, happenings = truth or Truth(), happenings or Happenings()
    dice = np.random.default_rng(seed)
    start = setup.starts_at
    course = course_of(setup)
    table = _Table(setup, truth, habits, dice, course, start, happenings, log=list(happenings.decided))
    for number, (since, until) in enumerate(happenings.cold):
        table.write(Deed(f"c{number}", start + timedelta(hours=since), DeedKind.TO_FRIDGE))
        table.write(Deed(f"d{number}", start + timedelta(hours=until), DeedKind.TO_COUNTER))
    end = start + timedelta(days=min(days, MOST_DAYS))
    now = start
    for _ in range(600):
        step = _next(table, course, now)
        if step is None or now >= end:
            break
        now = _wait_and_do(table, course, step, now, end)
    _run_on(table, end)
    return Played(tuple(entry for entry in in_order(tuple(table.log)) if entry.at <= end), tuple(table.hours))


def _ledger(table: _Table, course: Course, now: datetime) -> Ledger:
    return ledger_of(table.setup, course, tuple(entry for entry in table.log if entry.at <= now))


def _next(table: _Table, course: Course, now: datetime) -> Step | None:
    steps = plan_of(table.setup, course, _ledger(table, course, now), now, most_ahead=1).steps
    return next((step for step in steps if step.to_come), None)


def _wait_and_do(table: _Table, course: Course, step: Step, now: datetime, until: datetime) -> datetime:
    """Look until the step is due, then do it, late as the baker is."""
    habits, dice = table.habits, table.dice
    if step.waits_for and step.seen_by is None and step.state in (StepState.NOT_YET, StepState.WAITING):
        at = max(now + timedelta(hours=float(dice.uniform(4, 7))), min(step.earliest, now + timedelta(hours=12)))
        at = min(at, until)
        _look(table, at)
        return at
    due = max(step.due, now) + timedelta(hours=float(dice.exponential(habits.late_h)))
    if step.act is Act.MIX:
        due = table.start
    elif dice.random() < habits.forgets:
        due += timedelta(hours=float(dice.uniform(12, 30)))
    due = _at_home(table, due).replace(second=0, microsecond=0)
    decided = min((one.at for one in table.happenings.decided if now < one.at < due), default=None)
    if decided is not None and decided < until:
        # What the baker decides meanwhile may change what is due.
        _looks(table, now, decided)
        return decided
    if due >= until:
        _looks(table, now, until)
        return until
    _looks(table, now, due)
    _do(table, course, step, due)
    return due


def _at_home(table: _Table, at: datetime) -> datetime:
    """The moment itself, or when the baker is back."""
    hour = (at - table.start) / HOUR
    back = next((until for since, until in table.happenings.away if since <= hour < until), hour)
    return table.start + timedelta(hours=back)


def _looks(table: _Table, now: datetime, due: datetime) -> None:
    count = int(table.dice.poisson(table.habits.looks)) if table.jar else 0
    span = (due - now) / HOUR
    shares = [float(one) for one in table.dice.uniform(0.08, 0.97, size=min(count, 8))]
    asked_at = _asked_at(table, now) if table.habits.looks_when_asked and table.jar else None
    if asked_at is not None and now < asked_at < due:
        shares.append((asked_at - now) / (due - now))
    for share in sorted(shares):
        at = now + timedelta(hours=share * span)
        if _at_home(table, at) == at:
            _look(table, at)


def _asked_at(table: _Table, now: datetime) -> datetime | None:
    """8 h after the last feed, in its warmth as the baker knows it; None by night."""
    fed = next((one.at for one in reversed(table.log) if isinstance(one, Feed)), now)
    celsius = warmth_told(table.setup, _ledger(table, table.course, now))
    pace = growth_pace(celsius, YEAST_UPPER_C) / growth_pace(REFERENCE_C, YEAST_UPPER_C)
    at = fed + timedelta(hours=8.0 / max(pace, 0.1))
    return at if 7 <= at.astimezone(table.setup.hours.zone).hour < 23 else None


def _run_on(table: _Table, at: datetime) -> None:
    """Let the jar go on to a moment, its truth noted by the hour."""
    hour = (at - table.start) / HOUR
    if table.jar is None or hour <= table.at_h:
        table.at_h = max(table.at_h, hour)
        return
    heated = table.happenings.heated
    if heated is not None and table.at_h < heated < hour:
        _run_on(table, table.start + heated * HOUR)
        table.jar = _heated(table.jar)
    course: Run[float] = run(table.jar, table.at_h, hour, table.warmth, TRUTH_STEP_H)
    for then, state in zip(course.hours, course.states.tolist(), strict=True):
        table.peak = max(table.peak, 1.0 + state[GAS])
        if then >= len(table.hours):
            table.hours.append(_truth(table, course, then, tuple(state)))
    table.jar, table.at_h = course.end, hour


def _heated(jar: Jar[float]) -> Jar[float]:
    state = list(jar.state)
    for row in (YEAST, SLEEPING):
        state[row] *= SURVIVES_HEAT
    return replace(jar, state=tuple(state))


def _truth(table: _Table, course: Run[float], hour: float, state: tuple[float, ...]) -> HourOfTruth:
    jar = Jar(course.paste, state, course.traits)
    return HourOfTruth(
        at=table.start + timedelta(hours=hour),
        level=1.0 + state[GAS],
        ph=ph(jar),
        early=state[EARLY],
        lactic=state[LACTIC],
        yeast=state[YEAST],
        sleeping=state[SLEEPING],
        food=state[FOOD],
        hunger=hunger(course.paste, state[FOOD], state[WALLS]),
    )


def _traits(table: _Table) -> Traits[float]:
    """The jar's own, with this day's vigour."""
    truth = table.truth
    today = float(np.exp(table.dice.normal(0.0, truth.day_vigour)))
    return Traits(truth.vigour * today, truth.height, truth.native, truth.lag)


def _do(table: _Table, course: Course, step: Step, at: datetime) -> None:
    _run_on(table, at)
    name = f"s{len(table.log)}"
    deeds = {Act.STIR: DeedKind.STIRRED, Act.TO_FRIDGE: DeedKind.TO_FRIDGE, Act.TO_COUNTER: DeedKind.TO_COUNTER}
    if step.act in deeds:
        table.write(Deed(name, at, deeds[step.act]))
        if step.act is Act.STIR and table.jar:
            table.jar = stir(table.jar)
        return
    if step.act is Act.USE:
        table.write(Use(name, at, sum(one.g or 0.0 for one in step.do), UsedFor.DOUGH))
        return
    if step.plan is None:
        _look(table, at)
        return
    plan, real = step.plan, _weighed(table, step)
    traits = _traits(table)
    if table.jar is None and course.origin is not Origin.FLOUR_AND_WATER:
        table.jar = culture_jar(course.origin, course.culture.blend, traits)
    salt = plan.salt_g
    table.jar = after_feed(table.jar, traits, real.keep_g, real.flours, real.water_g + real.juice_g, real.juice_g, salt)
    # What the baker writes down is what was meant; the scale and the hand were a little off.
    table.write(Feed(name, at, plan.keep_g, plan.flours, plan.water_g, salt, None, plan.juice_g))
    table.peak, table.rounds = 1.0, table.rounds + 1


@dataclass(frozen=True)
class _Real:
    keep_g: float
    flours: FlourLot
    water_g: float
    juice_g: float


def _weighed(table: _Table, step: Step) -> _Real:
    plan = step.plan
    assert plan is not None

    def off(g: float) -> float:
        return g * float(np.exp(table.dice.normal(0.0, table.habits.grams)))

    flours = tuple(FlourGrams(part.flour, off(part.g)) for part in plan.flours)
    return _Real(off(plan.keep_g), flours, off(plan.water_g), off(plan.juice_g))


def _look(table: _Table, at: datetime) -> None:
    """One look as a baker would note it; nothing is seen that the jar does not show."""
    _run_on(table, at)
    if table.jar is None:
        return
    dice, habits, jar = table.dice, table.habits, table.jar
    level = 1.0 + jar.state[GAS]
    read = level + float(dice.normal(0.0, habits.reads)) * max(0.25, level - 0.6)
    if dice.random() < habits.careless:
        read = float(dice.uniform(0.8, 2.4))
    hungry = hunger(jar.paste, jar.state[FOOD], jar.state[WALLS])
    fallen = has_fallen(level, table.peak)
    high = None
    if fallen and dice.random() < habits.notes_high_mark:
        high = Level(round(table.peak, 2), LevelUnit.TIMES)
    table.log.append(
        Look(
            id=f"s{len(table.log)}",
            at=at.replace(second=0, microsecond=0),
            level=Level(max(0.5, round(read, 2)), LevelUnit.TIMES),
            bubbles=bubbles_shown(jar),
            top=frozenset({Top.SUNKEN if fallen else Top.DOMED if level > 1.4 else Top.FLAT}),
            smell=smell_given(jar, hungry),
            thickness=thickness_shown(hungry),
            has_note=False,
            high=high,
        )
    )


def has_fallen(level: float, peak: float) -> bool:
    """Whether it stands clearly below its highest since the feed, both × the line."""
    return peak > 1.15 and level < peak - 0.12 * (peak - 1.0)


def thickness_shown(hungry: float) -> Thickness | None:
    return Thickness.RUNNY if hungry > 0.62 else Thickness.THICK_BATTER if hungry < 0.35 else None


def bubbles_shown(jar: Jar[float]) -> Bubbles:
    """What is seen at the glass."""
    gas = jar.state[GAS]
    if gas < 0.05:
        return Bubbles.NONE
    if gas < 0.25:
        return Bubbles.FEW
    return Bubbles.FROTH if jar.state[EARLY] > jar.state[YEAST] else Bubbles.THROUGHOUT


def smell_given(jar: Jar[float], hungry: float) -> frozenset[Smell]:
    """What it smells of."""
    if jar.state[ACID] < 0.15:
        return frozenset({Smell.CHEESY if jar.state[EARLY] > 0.02 else Smell.FLOURY})
    if jar.state[YEAST] > 0.1:
        return frozenset({Smell.SHARP if hungry > 0.8 else Smell.FRUITY})
    return frozenset({Smell.YOGHURT})
