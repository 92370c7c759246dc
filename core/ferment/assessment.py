"""The front door: everything the product says of a jar, computed from (setup, log, now)."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from .feeding import FeedPlan, ScaleStep, ratio_as_weighed, scale_walk
from .flours import FlourLot
from .ledger import Ledger, Round, replay
from .log import Bubbles, Log, Top
from .methods import family_named
from .planner import Act, Step, StepState, day_of, timeline
from .protocol import Choices, Course, Normal, settle
from .signs import Finding, findings
from .signs.contract import Urgency
from .vessel import ROOM_WANTED, Vessel, check_vessel, line_mm, room_times


@dataclass(frozen=True)
class Setup:
    """What the baker chose when the jar was planned."""

    family: str
    choices: Choices
    vessel: Vessel
    starts_at: datetime
    scale_step: float = 1.0


class Move(StrEnum):
    MIX = "mix"
    FEED = "feed"
    BIN = "bin"
    NOTHING = "nothing"


@dataclass(frozen=True)
class NextMove:
    """What to do now or next. `state` and the times are of the act; `plan` and `scale_walk` are its grams."""

    move: Move
    state: StepState | None
    due: datetime | None
    earliest: datetime | None
    latest: datetime | None
    plan: FeedPlan | None
    scale_walk: tuple[ScaleStep, ...]


@dataclass(frozen=True)
class InJar:
    """What the jar holds: grams, the true hydration and blend with what the seed carried in, and its line."""

    flours: FlourLot
    water_g: float
    salt_g: float
    total_g: float
    hydration_percent: float | None
    line_mm: float
    room_times: float


@dataclass(frozen=True)
class LevelSeen:
    """A level as a multiple of its line, with the look that saw it."""

    look_id: str
    at: datetime
    times: float


@dataclass(frozen=True)
class RoundSeen:
    """One feed with the levels seen until the next."""

    feed_id: str
    at: datetime
    ratio: str
    hydration_percent: float | None
    discard_g: float
    levels: tuple[LevelSeen, ...]


@dataclass(frozen=True)
class SinceFeed:
    """The running round: hours since the feed, the last and the highest level seen, and the latest of the rest."""

    feed_id: str
    is_first_mix: bool
    fed_at: datetime
    hours: float
    last: LevelSeen | None
    highest: LevelSeen | None
    bubbles: Bubbles | None
    top: tuple[Top, ...]


@dataclass(frozen=True)
class Totals:
    """What the jar has used so far, in grams."""

    feeds: int
    flour_g: float
    water_g: float
    discard_g: float


@dataclass(frozen=True)
class Assessment:
    """All that is known of a jar now.

    `day` is 0 before the first mix; `usual_line_mm` is where a feed by the method stands, and `room_is_tight` warns
    that a lively one may overflow from there.
    """

    day: int
    normal: Normal | None
    in_jar: InJar | None
    since_feed: SinceFeed | None
    next_move: NextMove
    timeline: tuple[Step, ...]
    findings: tuple[Finding, ...]
    rounds: tuple[RoundSeen, ...]
    totals: Totals
    binned_at: datetime | None
    usual_line_mm: float
    room_is_tight: bool


def assess(setup: Setup, log: Log, now: datetime) -> Assessment:
    """Assess a jar. Times are aware; entries may come in any order.

    Raises Refusal when the set-up itself cannot be planned.
    """
    vessel = check_vessel(setup.vessel)
    course = settle(family_named(setup.family), setup.choices)
    ledger = replay(vessel, log)
    found = findings(ledger.looks)
    steps = timeline(course, setup.starts_at, ledger, now, setup.scale_step)
    start = ledger.rounds[0].feed.at if ledger.rounds else None
    usual_line = _usual_line_mm(course, vessel)
    return Assessment(
        day=day_of(start, now) if start else 0,
        normal=course.normal_at((now - start) / timedelta(hours=1)) if start and not ledger.binned else None,
        in_jar=_in_jar(ledger),
        since_feed=_since_feed(ledger, now),
        next_move=_next_move(ledger, found, steps, vessel),
        timeline=steps,
        findings=found,
        rounds=tuple(_round_seen(turn) for turn in ledger.rounds),
        totals=_totals(ledger),
        binned_at=ledger.binned.at if ledger.binned else None,
        usual_line_mm=usual_line,
        room_is_tight=room_times(vessel, usual_line) < ROOM_WANTED,
    )


def _usual_line_mm(course: Course, vessel: Vessel) -> float:
    usual_g = course.keep_g * (1 + (course.ratio.flour + course.ratio.water) / course.ratio.seed)
    return line_mm(vessel, usual_g)


def _next_move(ledger: Ledger, found: tuple[Finding, ...], steps: tuple[Step, ...], vessel: Vessel) -> NextMove:
    if ledger.binned:
        return NextMove(Move.NOTHING, None, None, None, None, None, ())
    if any(finding.urgency is Urgency.DANGER for finding in found):
        return NextMove(Move.BIN, None, None, None, None, None, ())
    step = next(step for step in steps if step.state is not StepState.DONE)
    there_is = ledger.contents.total_g if ledger.rounds else None
    walk = scale_walk(step.plan, vessel.tare_g, there_is) if step.plan else ()
    move = {Act.MIX: Move.MIX, Act.FEED: Move.FEED}[step.act]
    return NextMove(move, step.state, step.due, step.earliest, step.latest, step.plan, walk)


def _in_jar(ledger: Ledger) -> InJar | None:
    if not ledger.rounds:
        return None
    turn, held = ledger.rounds[-1], ledger.contents
    return InJar(
        flours=held.flours,
        water_g=held.water_g,
        salt_g=held.salt_g,
        total_g=held.total_g,
        hydration_percent=held.hydration_percent,
        line_mm=turn.line_mm,
        room_times=turn.room_times,
    )


def _levels(turn: Round) -> tuple[LevelSeen, ...]:
    return tuple(LevelSeen(seen.look.id, seen.look.at, seen.times) for seen in turn.readings)


def _since_feed(ledger: Ledger, now: datetime) -> SinceFeed | None:
    if not ledger.rounds:
        return None
    turn = ledger.rounds[-1]
    levels = _levels(turn)
    looks = [look for look in ledger.looks if look.at >= turn.feed.at]
    return SinceFeed(
        feed_id=turn.feed.id,
        is_first_mix=len(ledger.rounds) == 1,
        fed_at=turn.feed.at,
        hours=(now - turn.feed.at) / timedelta(hours=1),
        last=levels[-1] if levels else None,
        highest=max(levels, key=lambda level: level.times, default=None),
        bubbles=next((look.bubbles for look in reversed(looks) if look.bubbles), None),
        top=tuple(sorted(next((look.top for look in reversed(looks) if look.top), frozenset()))),
    )


def _round_seen(turn: Round) -> RoundSeen:
    return RoundSeen(
        feed_id=turn.feed.id,
        at=turn.feed.at,
        ratio=ratio_as_weighed(turn.feed.keep_g, turn.feed.flour_g, turn.feed.water_g),
        hydration_percent=turn.contents.hydration_percent,
        discard_g=turn.discard_g,
        levels=_levels(turn),
    )


def _totals(ledger: Ledger) -> Totals:
    return Totals(
        feeds=len(ledger.rounds),
        flour_g=sum(turn.feed.flour_g for turn in ledger.rounds),
        water_g=sum(turn.feed.water_g for turn in ledger.rounds),
        discard_g=sum(turn.discard_g for turn in ledger.rounds),
    )
