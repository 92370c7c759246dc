"""The linter for methods: what a baker's own method must keep to before it plans anything."""

from __future__ import annotations

import itertools
from collections.abc import Callable, Iterator
from dataclasses import dataclass, fields, is_dataclass
from enum import StrEnum

from ..kitchen.vessel import ROOM_WANTED, Vessel, most_grams
from ..refusal import Refusal, RefusalCode
from .amounts import Bench, Poured, weigh
from .course import Course, SettledPhase, settle
from .method import (
    Add,
    BlendFrom,
    FromOption,
    Keep,
    KeepAll,
    Method,
    Only,
    Otherwise,
    PutIn,
    Spot,
    TakeOut,
    When,
)
from .options import BlendOption, Choice, NumberOption, OptionCode, PickOption, choose
from .sights import Sight

LEAST_WAIT_H, MOST_WAIT_H = 0.25, 24.0 * 45
MOST_PHASES, MOST_ACTS, MOST_TURNS = 40, 12, 60
MOST_SIGHT_DEPTH = 4
MOST_CHOICES = 200
# How much weighing out the linter does before it calls a method too long; the largest of the catalogue takes a third.
MOST_WEIGHINGS = 30_000
# Turns after which a jar that is fed for ever must have found its size; a halving reaches it to a thousandth in ten.
SETTLE_TURNS = 40
SETTLED_SHARE = 0.02
LEAST_JAR_G = 1.0


class Breach(StrEnum):
    """What a method can get wrong beyond its form."""

    NO_PHASE = "no_phase"
    TOO_LONG = "too_long"
    DOUBLE_NAME = "double_name"
    UNKNOWN_OPTION = "unknown_option"
    BAD_DEFAULT = "bad_default"
    NOTHING_FIRST = "nothing_first"
    UNREACHABLE = "unreachable"
    UNKNOWN_PHASE = "unknown_phase"
    NO_LATEST_TIME = "no_latest_time"
    WAIT_OUT_OF_ORDER = "wait_out_of_order"
    TURNS_OUT_OF_ORDER = "turns_out_of_order"
    SIGHT_TOO_DEEP = "sight_too_deep"
    KEEPS_WITHOUT_FEEDING = "keeps_without_feeding"
    TWICE_IN_ONE_STEP = "twice_in_one_step"
    NEVER_SETTLES = "never_settles"
    OVERFLOWS = "overflows"
    RAISED_IN_THE_FRIDGE = "raised_in_the_fridge"
    EXPECT_HAS_A_GAP = "expect_has_a_gap"
    CANNOT_BE_WEIGHED = "cannot_be_weighed"


@dataclass(frozen=True)
class Flaw:
    breach: Breach
    place: str


def check(method: Method, vessel: Vessel | None = None) -> None:
    """Raises Refusal (method_unsound) for the first flaw, with its place."""
    for flaw in flaws(method, vessel):
        raise Refusal(RefusalCode.METHOD_UNSOUND, flaw.place, {"breach": flaw.breach.value})


def flaws(method: Method, vessel: Vessel | None = None) -> list[Flaw]:
    """Every flaw; with a jar, also whether it would run over in it at the method's own amounts."""
    found = [flaw for rule in _STATIC for flaw in rule(method)]
    # What follows runs the method; it must be whole for that.
    return found or [flaw for rule in _RUN for flaw in rule(method, vessel)]


# --- what can be read off ---


def _lengths(method: Method) -> Iterator[Flaw]:
    if not method.phases:
        yield Flaw(Breach.NO_PHASE, "phases")
    if len(method.phases) > MOST_PHASES:
        yield Flaw(Breach.TOO_LONG, "phases")
    for number, phase in enumerate(method.phases):
        if not phase.do or len(phase.do) > MOST_ACTS:
            yield Flaw(Breach.TOO_LONG, f"phases[{number}].do")
    names = [phase.name for phase in method.phases]
    for number, name in enumerate(names):
        if name in names[:number]:
            yield Flaw(Breach.DOUBLE_NAME, f"phases[{number}].name")
    codes = [option.code for option in method.options]
    for number, code in enumerate(codes):
        if code in codes[:number]:
            yield Flaw(Breach.DOUBLE_NAME, f"options[{number}].code")


def _options(method: Method) -> Iterator[Flaw]:
    kinds = {option.code: type(option) for option in method.options}
    picks = {option.code: option.choices for option in method.options if isinstance(option, PickOption)}
    wanted = {FromOption: NumberOption, BlendFrom: BlendOption, Only: PickOption, When: PickOption}
    for place, part in _parts(method, ""):
        want = wanted.get(type(part))
        if want is None:
            continue
        code: OptionCode = part.code  # type: ignore[attr-defined]  # all of `wanted` name an option
        if kinds.get(code) is not want:
            yield Flaw(Breach.UNKNOWN_OPTION, place)
            continue
        named = part.picks if isinstance(part, Only) else (part.pick,) if isinstance(part, When) else ()
        if any(pick not in picks[code] for pick in named):
            yield Flaw(Breach.UNKNOWN_OPTION, place)
    for number, way in enumerate(method.ways):
        if way.pick not in picks.get(way.code, ()):
            yield Flaw(Breach.UNKNOWN_OPTION, f"ways[{number}]")


def _defaults(method: Method) -> Iterator[Flaw]:
    for number, option in enumerate(method.options):
        try:
            match option:
                case NumberOption():
                    choose((option,), {option.code: option.default})
                case PickOption():
                    choose((option,), {option.code: option.default})
                case BlendOption():
                    choose((option,), {option.code: {part.flour.value: part.share for part in option.default}})
                    if abs(sum(part.share for part in option.default) - 1.0) > 1e-6:
                        yield Flaw(Breach.BAD_DEFAULT, f"options[{number}].default")
        except Refusal:
            yield Flaw(Breach.BAD_DEFAULT, f"options[{number}].default")


def _parts(value: object, place: str) -> Iterator[tuple[str, object]]:
    """Every dataclass inside a method with its place."""
    if is_dataclass(value) and not isinstance(value, type):
        if place:
            yield place, value
        for one in fields(value):
            yield from _parts(getattr(value, one.name), f"{place}.{one.name}" if place else one.name)
    elif isinstance(value, tuple):
        for number, part in enumerate(value):
            yield from _parts(part, f"{place}[{number}]")


def _turns(method: Method) -> Iterator[Flaw]:
    for number, phase in enumerate(method.phases):
        turns, place = phase.turns, f"phases[{number}].turns"
        most = turns.most if turns.most is not None else MOST_TURNS
        if not 1 <= turns.least <= most <= MOST_TURNS or not 1 <= turns.usual <= MOST_TURNS:
            yield Flaw(Breach.TURNS_OUT_OF_ORDER, place)
        if turns.until is not None and turns.most is None:
            yield Flaw(Breach.NO_LATEST_TIME, f"{place}.most")
        for where, sight in ((f"{place}.until", turns.until), (f"phases[{number}].after.sight", phase.after.sight)):
            if sight is not None and _depth(sight) > MOST_SIGHT_DEPTH:
                yield Flaw(Breach.SIGHT_TOO_DEEP, where)
        if phase.then is not None and phase.then not in [other.name for other in method.phases]:
            yield Flaw(Breach.UNKNOWN_PHASE, f"phases[{number}].then")


def _depth(sight: Sight) -> int:
    return 1 + max((_depth(part) for part in getattr(sight, "sights", ())), default=0)


def _acts(method: Method) -> Iterator[Flaw]:
    for number, phase in enumerate(method.phases):
        plain = [inner for act in phase.do for inner in (act.do if isinstance(act, When) else (act,))]
        keeps = [act for act in plain if isinstance(act, KeepAll | Keep | TakeOut)]
        adds = [act for act in plain if isinstance(act, Add)]
        place = f"phases[{number}].do"
        if keeps and not adds:
            yield Flaw(Breach.KEEPS_WITHOUT_FEEDING, place)
        if len(keeps) > 1 or len(adds) > 1 or sum(isinstance(act, PutIn) for act in plain) > 1:
            yield Flaw(Breach.TWICE_IN_ONE_STEP, place)
        if any(isinstance(act, When) and any(isinstance(one, Add | Keep) for one in act.do) for act in phase.do):
            # What is weighed out belongs to the phase itself; a phase of its own can have a condition.
            yield Flaw(Breach.TWICE_IN_ONE_STEP, place)


def _expect(method: Method) -> Iterator[Flaw]:
    ends = [stretch.until_h for stretch in method.expect]
    finite = [end for end in ends[:-1] if end is not None]
    if not ends or ends[-1] is not None or len(finite) != len(ends) - 1 or finite != sorted(set(finite)):
        yield Flaw(Breach.EXPECT_HAS_A_GAP, "expect")


_STATIC: tuple[Callable[[Method], Iterator[Flaw]], ...] = (
    _lengths,
    _options,
    _defaults,
    _turns,
    _acts,
    _expect,
)


# --- what shows when it runs ---


def _courses(method: Method) -> Iterator[Course]:
    """A course for every combination of named choices and of listed numbers, up to a limit."""
    varied: list[list[tuple[str, Choice]]] = []
    for option in method.options:
        if isinstance(option, PickOption):
            varied.append([(option.code, pick.value) for pick in option.choices])
        elif isinstance(option, NumberOption) and option.choices:
            varied.append([(option.code, number) for number in option.choices])
    for picks in itertools.islice(itertools.product(*varied), MOST_CHOICES):
        try:
            yield settle(method, dict(picks))
        except Refusal:
            continue


def _place(method: Method, phase: SettledPhase) -> str:
    number = next(place for place, one in enumerate(method.phases) if one.name == phase.name)
    return f"phases[{number}]"


def _reached(course: Course) -> list[int]:
    """The phases in the order in which a course comes to them, each once."""
    order: list[int] = []
    index: int | None = 0
    while index is not None and index not in order:
        order.append(index)
        if course.phases[index].turns.most is None:
            break
        index = course.after(index)
    return order


def _reachable(method: Method, _vessel: Vessel | None) -> Iterator[Flaw]:
    seen = {course.phases[index].name for course in _courses(method) for index in _reached(course)}
    for number, phase in enumerate(method.phases):
        if phase.name not in seen:
            yield Flaw(Breach.UNREACHABLE, f"phases[{number}]")


def _waits(method: Method, _vessel: Vessel | None) -> Iterator[Flaw]:
    told: set[str] = set()
    for course in _courses(method):
        for index, phase in enumerate(course.phases):
            wait, place = phase.wait, f"{_place(method, phase)}.after"
            if index == 0 or place in told:
                continue
            usual, early, late = (value.total_seconds() / 3600 for value in (wait.usual, wait.earliest, wait.latest))
            if not LEAST_WAIT_H <= early <= usual <= late:
                told.add(place)
                yield Flaw(Breach.WAIT_OUT_OF_ORDER, place)
            elif late > MOST_WAIT_H or (
                wait.otherwise is Otherwise.WAIT_ON and wait.more.total_seconds() / 3600 < LEAST_WAIT_H
            ):
                told.add(place)
                yield Flaw(Breach.NO_LATEST_TIME, f"{place}.latest_h")


def _first_act(method: Method, _vessel: Vessel | None) -> Iterator[Flaw]:
    for course in _courses(method):
        first = course.phases[0]
        if not any(isinstance(act, Add) for act in first.do) or any(
            isinstance(act, Keep | TakeOut) for act in first.do
        ):
            yield Flaw(Breach.NOTHING_FIRST, f"{_place(method, first)}.do")
            return


def _fridge(method: Method, _vessel: Vessel | None) -> Iterator[Flaw]:
    """Cold only slows a jar that is being raised; what sleeps, or is kept for ever, may go there."""
    for course in _courses(method):
        if course.origin.value == "asleep":
            continue
        for index in _reached(course):
            phase = course.phases[index]
            moves = phase.moves_to
            if moves is not None and moves.place is Spot.FRIDGE and phase.turns.most is not None:
                yield Flaw(Breach.RAISED_IN_THE_FRIDGE, f"{_place(method, phase)}.do")
                return


def _amounts(method: Method, vessel: Vessel | None) -> Iterator[Flaw]:
    told: set[Flaw] = set()
    budget = itertools.count()
    for course in _courses(method):
        for flaw in _amounts_of(course, vessel, budget):
            if flaw not in told:
                told.add(flaw)
                yield flaw


def _amounts_of(course: Course, vessel: Vessel | None, budget: Iterator[int]) -> Iterator[Flaw]:
    bench = Bench(0.0, None, None)
    for index in _reached(course):
        phase, place = course.phases[index], _place(course.method, course.phases[index])
        for_ever = phase.turns.most is None
        sizes: list[float] = []
        for _ in range(SETTLE_TURNS if for_ever else max(phase.turns.usual, phase.turns.most or 1)):
            if next(budget) > MOST_WEIGHINGS:
                yield Flaw(Breach.TOO_LONG, "phases")
                return
            try:
                plan = weigh(course, phase, bench, 0.1)
            except Refusal:
                yield Flaw(Breach.NEVER_SETTLES if sizes else Breach.CANNOT_BE_WEIGHED, place)
                return
            if plan is None:
                break
            first = bench.start or Poured(plan.flour_g, plan.liquid_g)
            if bench.start and not (bench.start.flour_g and bench.start.liquid_g):
                first = Poured(bench.start.flour_g + plan.flour_g, bench.start.liquid_g + plan.liquid_g)
            bench = Bench(plan.total_g, first, Poured(plan.flour_g, plan.liquid_g))
            sizes.append(plan.total_g)
        if for_ever and sizes and not _is_settled(sizes):
            yield Flaw(Breach.NEVER_SETTLES, place)
        if vessel is not None and sizes and max(sizes) * ROOM_WANTED > most_grams(vessel):
            yield Flaw(Breach.OVERFLOWS, place)


def _is_settled(sizes: list[float]) -> bool:
    """Near its last size for the last quarter of the turns, or going round in a small circle."""
    tail = sizes[-SETTLE_TURNS // 4 :]
    before = sizes[-SETTLE_TURNS // 2 : -SETTLE_TURNS // 4]
    high, low = max(tail), min(tail)
    steady = (
        abs(max(before) - high) <= SETTLED_SHARE * high + 0.2 and abs(min(before) - low) <= SETTLED_SHARE * high + 0.2
    )
    return steady and low >= LEAST_JAR_G


_RUN: tuple[Callable[[Method, Vessel | None], Iterator[Flaw]], ...] = (
    _first_act,
    _reachable,
    _waits,
    _fridge,
    _amounts,
)
