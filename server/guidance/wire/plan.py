"""What goes over the wire about a plan: its steps, what changed in it, what it takes."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime

from accounts.wire import Told
from ferment.kitchen.flours import Flour
from ferment.planner.steps import Act, ChangeCode, SightCode, StepState, Task
from ferment.protocol.method import Normal
from ferment.record.log import Thickness

from .mixing import ByHand, FeedPlan, FlourGrams, Measured, Spoonful


class WaitsFor(Told):
    """A sign that a step waits for; `times` is the level where that is part of it."""

    sight: SightCode
    times: float | None


class Doing(Told):
    """A task with its grams; `out_g` goes out of the jar with it, `measured` is the amount as the method says it.

    `spoons` are the same grams where it is measured by hand, `part` the part of the jar where an eye can judge it.
    """

    do: Task
    g: float | None = None
    out_g: float | None = None
    flour: Flour | None = None
    measured: Measured | None = None
    until_thickness: Thickness | None = None
    spoons: tuple[Spoonful, ...] = ()
    part: float | None = None


class Step(Told):
    """One act of the plan.

    `due` is the planned time; `earliest` and `latest` bound the window in which it is as good, and `fits` is false when
    the baker's hours leave no room in that window. A step that waits for a sign lists what would do, and the look that
    showed it. A done step names its entry and by how many hours it missed `due` (late is positive);
    `missed_by_h` is the same where it is worth telling, and `has_window` whether the window is.
    """

    number: int
    day: int
    stage: str
    act: Act
    state: StepState
    due: datetime
    earliest: datetime
    latest: datetime
    fits: bool
    waits_for: tuple[WaitsFor, ...]
    seen_by: str | None
    entry_id: str | None
    off_by_h: float | None
    do: tuple[Doing, ...]
    plan: FeedPlan | None
    normal: Normal
    has_window: bool
    missed_by_h: float | None


class Change(Told):
    """A code, when it applies, the entry it comes from, and its facts (hours, grams, counts, flours)."""

    code: ChangeCode
    at: datetime
    entry_id: str | None
    facts: Mapping[str, float | str]


class PlanTotals(Told):
    """What a stretch of the plan takes: grams, feeds, and minutes of hands-on work, looks included; in spoons
    and cups where it is measured so."""

    flours: tuple[FlourGrams, ...]
    water_g: float
    juice_g: float
    discard_g: float
    feeds: int
    minutes: float
    by_hand: ByHand | None = None


class ReadyDays(Told):
    """Days from the first mix until it is ready: earliest, likely, latest."""

    earliest: float
    likely: float
    latest: float


class WholePlan(Told):
    """A jar's plan from its first mix to the day it is likely ready, and what that takes: done, and still to come."""

    steps: tuple[Step, ...]
    changes: tuple[Change, ...]
    done: PlanTotals
    to_come: PlanTotals
    until: datetime
