"""Where a course stands: its phase, its turns, what the next wait counts from; moved on by what the log holds."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from functools import cache

from ..kitchen.hours import HOUR, Hours, days_later, fit
from ..protocol.advised import EFFECTS, OPPOSITES, Advice, Effect, combined
from ..protocol.amounts import AS_THE_WAY_SAYS, Bench, Own, Poured
from ..protocol.course import Course, SettledPhase, SettledWait
from ..protocol.method import Otherwise
from ..protocol.sights import STIRRED_IN_H, Evidence, first_seen, is_seen, waited_enough_h
from ..record.ledger import Ledger, Sighting
from ..record.log import Bake
from .steps import Taken

# In the fridge a jar goes at about a tenth of its pace (common practice: a fourteenth to a seventh).
COLD_PACE = 0.1
# After a sign, or past the latest time for one, an act is as good for this share of the usual wait, two hours at least.
GRACE_SHARE = 0.25
LEAST_GRACE = timedelta(hours=2)
# What two feeds this close together are: one and one too many, not a turn of the method.
EXTRA_WITHIN = 0.5


@dataclass(frozen=True)
class Window:
    """When the next turn is due; `seen` is the look that showed its sign, `waiting` is true while that is to come.

    `overdue_h` says by how long the sign is later than its latest time; `moved` by how far the baker's hours moved it.
    """

    due: datetime
    earliest: datetime
    latest: datetime
    fits: bool = True
    seen: Sighting | None = None
    waiting: bool = False
    overdue_h: float = 0.0
    moved: timedelta = timedelta()


@dataclass(frozen=True)
class Standing:
    """`index` is None at the end of the course. `last` is when the last turn was done: the wait counts from it.

    `own` is what the baker has decided since, `every` the rhythm that was told; `bakes` are planned and not mixed yet,
    the nearest first, and `bake_fed` counts the feeds done for that one. After a bake the rest is fed from `soon` on.
    `celsius` is how warm it was told to stand.
    """

    index: int | None
    turns: int
    last: datetime | None
    start: datetime | None
    round: int
    jar_g: float
    first: Poured | None
    before: Poured | None
    left_until: datetime | None = None
    cold_since: datetime | None = None
    cold: timedelta = timedelta()
    food_share: float = 1.0
    taken: tuple[Taken, ...] = ()
    own: Own = AS_THE_WAY_SAYS
    every: timedelta | None = None
    bakes: tuple[Bake, ...] = ()
    bake_fed: int = 0
    soon: datetime | None = None
    celsius: float = 24.0

    @property
    def bake(self) -> Bake | None:
        return self.bakes[0] if self.bakes else None

    @property
    def advised(self) -> Effect:
        return combined(one.advice for one in self.taken)

    def moment_of(self, advice: Advice) -> Taken | None:
        return next((one for one in self.taken if one.advice is advice), None)

    @property
    def bench(self) -> Bench:
        return Bench(self.jar_g, self.first, self.before, own=self.own)


AT_THE_START = Standing(0, 0, None, None, -1, 0.0, None, None)


def evidence_of(ledger: Ledger, round_index: int, now: datetime) -> Evidence:
    """What was seen until a moment since the feed of a round, and after the nine feeds before it."""
    if round_index < 0:
        return Evidence((), ())
    before = ledger.rounds[max(0, round_index - 9) : round_index]
    turn = ledger.rounds[round_index]
    running = [seen for seen in turn.sightings if seen.at <= now and seen.hours >= STIRRED_IN_H]
    return Evidence(running, [turn.sightings for turn in before], max(0.0, (now - turn.feed.at) / HOUR))


def phase_of(course: Course, standing: Standing) -> SettledPhase | None:
    return None if standing.index is None else course.phases[standing.index]


def advised(standing: Standing, advice: Advice, at: datetime, *, yes: bool) -> Standing:
    """The baker takes advice, or says no to it; what it is the opposite of ends."""
    rest = tuple(one for one in standing.taken if one.advice not in (advice, OPPOSITES.get(advice)))
    feeds = EFFECTS[advice].feeds
    return replace(standing, taken=(*rest, Taken(advice, at, feeds)) if yes and feeds else rest)


def _one_feed_less(taken: tuple[Taken, ...]) -> tuple[Taken, ...]:
    return tuple(replace(one, feeds=one.feeds - 1) for one in taken if one.feeds > 1)


def after_turn(course: Course, standing: Standing, at: datetime) -> Standing:
    """One turn of the phase was done (or skipped) at a moment."""
    phase = phase_of(course, standing)
    assert phase is not None
    turns = standing.turns + 1
    moved = replace(
        standing, turns=turns, last=at, start=standing.start or at, left_until=None, food_share=1.0, soon=None
    )
    if phase.turns.most is not None and turns >= phase.turns.most:
        return _next_phase(course, moved)
    return moved


def _next_phase(course: Course, standing: Standing) -> Standing:
    assert standing.index is not None
    return replace(standing, index=course.after(standing.index), turns=0)


def on_sight(course: Course, standing: Standing, evidence: Evidence) -> Standing:
    """On to the next phase when enough turns are done and what ends them is seen."""
    phase = phase_of(course, standing)
    if phase is None or phase.turns.until is None or standing.turns < phase.turns.least:
        return standing
    waited = not phase.feeds and _waits_no_more(phase, standing, evidence) is not None
    return _next_phase(course, standing) if waited or is_seen(phase.turns.until, evidence) else standing


def _waits_no_more(phase: SettledPhase, standing: Standing, evidence: Evidence) -> float | None:
    if standing.cold_since is not None:
        return None
    usual_h = max(1, phase.turns.usual) * phase.wait.usual / HOUR
    return waited_enough_h(evidence, usual_h, standing.cold / HOUR, standing.celsius)


def poured(
    standing: Standing, flour_g: float, liquid_g: float, jar_g: float, round_index: int | None = None
) -> Standing:
    """A feed went in. What a soak lacks of flour or water comes with the next act and counts to the same first mix."""
    now = Poured(flour_g, liquid_g)
    first = standing.first
    if first is None:
        first = now
    elif not first.flour_g or not first.liquid_g:
        first = Poured(first.flour_g + flour_g, first.liquid_g + liquid_g)
    at = standing.round if round_index is None else round_index
    own = replace(standing.own, turn=standing.own.turn + 1) if standing.own.blends else standing.own
    taken = _one_feed_less(standing.taken)
    return replace(standing, jar_g=jar_g, first=first, before=now, round=at, taken=taken, own=own)


def window(
    course: Course, standing: Standing, starts_at: datetime, evidence: Evidence, now: datetime, hours: Hours
) -> Window:
    """When the next turn is due, from what is known at `now`.

    Intervals count in hours that pass, so a change of clocks does not stretch one. A wait in the rhythm of the first
    mix takes the beat nearest to a full interval, inside the window, so that a late act is caught up over the next ones
    and moves no other. At last it is fitted into the baker's hours.
    """
    phase = phase_of(course, standing)
    assert phase is not None
    last = standing.last
    if last is None:
        # The first act waits for the baker, not for a clock: it is due from the chosen start on and never late.
        return Window(starts_at, starts_at, max(starts_at, now))
    cold = standing.cold * (1.0 - COLD_PACE)
    wait = _in_rhythm(phase, standing)
    every = standing.advised.every if phase.feeds else 1.0
    usual = wait.usual * every
    earliest, latest = last + wait.earliest * every + cold, last + wait.latest * every + cold
    due = last + usual + cold
    if wait.beat and not cold:
        due = _on_beat(course, standing, usual, earliest, latest, hours)
    if standing.food_share < 1.0:
        # Half a meal is eaten sooner; not sooner than in half the time.
        share = max(0.5, standing.food_share)
        earliest, due = last + (earliest - last) * share, last + (due - last) * share
    found = Window(due, earliest, latest)
    if phase.feeds and standing.soon is not None:
        # What is left of a levain has eaten: it is fed as soon as the dough is mixed.
        found = Window(standing.soon, standing.soon, standing.soon + AFTER_A_BAKE)
    elif wait.sight is not None:
        found = _by_sight(phase, standing, found, evidence, now)
    if phase.feeds:
        found = _by_advice(standing, found, phase)
    if standing.left_until is not None and standing.left_until > found.earliest:
        until = standing.left_until
        found = replace(
            found, earliest=until, due=max(found.due, until), latest=max(found.latest, until + _grace(phase))
        )
    return in_hours(found, hours, may_be_early=keeps_a_rhythm(phase))


# What stays in the jar after the dough is mixed is fed within so long.
AFTER_A_BAKE = timedelta(hours=6)
# A rhythm is of feeds this far apart at least; a soak and a stir between keep their hours.
LEAST_RHYTHM = timedelta(hours=6)


def keeps_a_rhythm(phase: SettledPhase) -> bool:
    """Whether the baker's rhythm is its own: feeds by the clock, again and again."""
    return phase.feeds and phase.wait.sight is None and phase.wait.usual >= LEAST_RHYTHM and phase.turns.most != 1


def _in_rhythm(phase: SettledPhase, standing: Standing) -> SettledWait:
    every = standing.every
    if every is None or not keeps_a_rhythm(phase):
        return phase.wait
    return replace(phase.wait, usual=every, earliest=every * 5 / 6, latest=every * 1.25, beat=True)


def _on_beat(
    course: Course, standing: Standing, every: timedelta, earliest: datetime, latest: datetime, hours: Hours
) -> datetime:
    """The beat of the first mix, or of what its way asked for before, that is nearest to a full interval, as near as
    the window lets it. Where the baker's hours would hold it off that way, a step towards another beat: so a late act
    is caught up, and no rhythm is turned."""
    assert standing.start is not None
    assert standing.last is not None
    assert standing.index is not None
    offset, wished = course.offsets[standing.index], standing.last + every
    start = days_later(standing.start + offset % DAY, offset // DAY, hours.zone)
    count = (wished - start) // every
    around = [_beat(start, every, number, hours) for number in (count - 1, count, count + 1, count + 2)]

    @cache
    def fitted(towards: datetime) -> datetime:
        return fit(hours, min(max(towards, earliest), latest), earliest, latest, may_be_early=True).at

    def off(at: datetime) -> timedelta:
        return min(abs(beat - at) for beat in around)

    nearest = min(around, key=lambda at: abs(at - wished))
    if off(fitted(nearest)) and off(fitted(nearest)) >= off(fitted(wished)):
        nearest = min(around, key=lambda towards: (off(fitted(towards)), abs(fitted(towards) - wished)))
    return min(max(nearest, earliest), latest)


DAY = timedelta(days=1)


def _beat(start: datetime, every: timedelta, number: int, hours: Hours) -> datetime:
    """A rhythm of whole days keeps its hour of the clock where clocks are changed; a shorter one its length."""
    if every % DAY:
        return start + number * every
    return days_later(start, number * (every // DAY), hours.zone)


def _grace(phase: SettledPhase) -> timedelta:
    return max(LEAST_GRACE, phase.wait.usual * GRACE_SHARE)


def _by_sight(phase: SettledPhase, standing: Standing, by_clock: Window, evidence: Evidence, now: datetime) -> Window:
    wait = phase.wait
    assert wait.sight is not None
    seen = first_seen(wait.sight, evidence)
    if seen is not None:
        due = max(seen.at, by_clock.earliest)
        return replace(by_clock, due=due, earliest=due, latest=max(by_clock.latest, due + _grace(phase)), seen=seen)
    if now <= by_clock.latest:
        return replace(by_clock, waiting=True)
    waited = _waits_no_more(phase, standing, evidence) if phase.feeds else None
    if wait.otherwise is Otherwise.DO_IT or waited is not None:
        ended = now - timedelta(hours=evidence.since_h - waited) if waited is not None else by_clock.latest
        due = max(by_clock.latest, ended) if wait.otherwise is not Otherwise.DO_IT else by_clock.latest
        return replace(by_clock, due=due, earliest=due, latest=due + _grace(phase))
    overdue = now - by_clock.latest
    rounds = overdue // wait.more + 1
    latest = by_clock.latest + rounds * wait.more
    return replace(by_clock, due=latest, latest=latest, waiting=True, overdue_h=overdue / HOUR)


# So long a feed is put off while nothing stirs yet, and half a day at most (common practice).
HELD_OFF = timedelta(hours=12)


def _by_advice(standing: Standing, found: Window, phase: SettledPhase) -> Window:
    """Fed at once, or held off, where that was advised and taken."""
    now, later = standing.moment_of(Advice.FEED_NOW), standing.moment_of(Advice.HOLD_OFF)
    if now is not None and now.at < found.due:
        return replace(found, due=now.at, earliest=now.at, latest=now.at + _grace(phase), waiting=False)
    if later is not None and (until := max(found.due, later.at) + HELD_OFF) > found.due:
        grace = _grace(phase)
        return replace(found, due=until, earliest=until - grace, latest=max(found.latest, until + grace))
    return found


def in_hours(found: Window, hours: Hours, *, may_be_early: bool = False) -> Window:
    if not (hours.weekday or hours.weekend):
        return found
    fitted = fit(hours, found.due, found.earliest, found.latest, may_be_early=may_be_early)
    return replace(found, due=fitted.at, fits=fitted.fits, moved=fitted.at - found.due)
