"""What goes over the wire about one jar at a moment."""

from __future__ import annotations

from datetime import datetime

from accounts.wire import Told
from ferment.doors.assessment import Move
from ferment.planner.steps import StepState
from ferment.protocol.method import Normal
from ferment.record.log import Bubbles, Smell, Top
from ferment.tracker.outlook import Outlook
from ferment.verdicts.cautions import Notice
from ferment.verdicts.holdups import HoldUp

from .forecast import Forecast, Ready
from .life import Bake, Chapter, PutBy, Stands
from .mixing import ByHand, FeedPlan, FlourGrams, ScaleStep
from .plan import Change, Doing, PlanTotals, ReadyDays, Step, WaitsFor
from .verdicts import Counsel, Finding, Readiness, StageFound


class Mark(Told):
    """One height on the glass: mm from the inside bottom, ml under it, and × the line by volume."""

    mm: float
    ml: float
    times: float


class InJar(Told):
    """What the jar holds: grams, the true hydration and blend with what the seed carried in, and its line.

    `marks` are heights on the glass from low under the line to the rim; between two of them it goes straight.
    """

    flours: tuple[FlourGrams, ...]
    water_g: float
    salt_g: float
    total_g: float
    hydration_percent: float | None
    line_mm: float
    room_times: float
    marks: tuple[Mark, ...]


class LevelSeen(Told):
    """A level as a multiple of its line, with the look that saw it; `error` is how unsure a camera's is, null where the
    baker looked."""

    look_id: str
    at: datetime
    times: float
    error: float | None


class SinceFeed(Told):
    """The running round: hours since the feed, the last level seen, the highest seen or marked, and the latest of the
    rest. `has_sunk` says that it stands visibly lower than it had stood."""

    feed_id: str
    is_first_mix: bool
    fed_at: datetime
    hours: float
    last: LevelSeen | None
    highest: LevelSeen | None
    bubbles: Bubbles | None
    top: tuple[Top, ...]
    has_sunk: bool


class NextMove(Told):
    """What to do now or next. `state` and the times are of the act, `waits_for` the signs it waits for.

    `do` lists its tasks in order; `plan` and `scale_walk` are its grams, where it feeds. `is_now` says that its time
    has come, or is so near that it may as well be done.
    """

    move: Move
    state: StepState | None
    due: datetime | None
    earliest: datetime | None
    latest: datetime | None
    fits: bool
    waits_for: tuple[WaitsFor, ...]
    do: tuple[Doing, ...]
    plan: FeedPlan | None
    scale_walk: tuple[ScaleStep, ...]
    is_now: bool


class RoundSeen(Told):
    """One feed with the levels seen until the next, and the highest mark that was noted on the glass; in spoons where
    it is measured so."""

    feed_id: str
    at: datetime
    ratio: str
    hydration_percent: float | None
    discard_g: float
    levels: tuple[LevelSeen, ...]
    high_mark: float | None
    by_hand: ByHand | None


class Totals(Told):
    """What the jar has used so far, in grams."""

    feeds: int
    flour_g: float
    water_g: float
    discard_g: float
    used_g: float
    put_back_g: float


class ExpectedLook(Told):
    """What a look will likely show, the likelier first."""

    bubbles: tuple[Bubbles, ...]
    top: tuple[Top, ...]
    smell: tuple[Smell, ...]


class AskedOfLook(Told):
    """What a look asks for beside level, bubbles, top and smell: what the way tries, or was noted before."""

    thickness: bool
    ph: bool
    celsius: bool
    floats: bool


class ColdSpan(Told):
    """A stay in the fridge; `until` is null while it lasts."""

    since: datetime
    until: datetime | None


class Taught(Told):
    """What so many earlier jars of the baker taught of this one, against the book: by how many per cent it is faster,
    rises higher, and lies longer before it wakes; 0 where that is not worth telling."""

    jars: int
    faster_percent: int
    higher_percent: int
    later_percent: int


class Assessment(Told):
    """All that is known of a jar now.

    `doubles_at` is the level that counts as doubled for what the jar holds, as a multiple of the line.
    `day` is 0 before the first mix; `usual_line_mm` is where the fullest feed in sight stands, and `room_is_tight`
    warns that a lively one may overflow from there. `may_run_over` says that the running feed may, by its forecast.
    `counsel` is advice beyond the plan, taken, refused or open; `notices` are cautions that matter now.
    `discard_is_food`, once baked through: it is sour and awake, and shows no warning.

    `outlook` is which moment of the forecast is the one to tell; `yeast_unshown` says that no look has narrowed the day
    of ready yet. `hungry_again_at` and `ready_ahead` are what the forecast says of it where that is still to come;
    `held_up` is what holds it up where its likely day is over.
    `taught` is what the baker's earlier jars taught of it.
    `chilled` are its stays in the fridge. `stands` is what is true of it now, after all that was changed on the way;
    `chapters` are those of its life. `asks_how_to_keep` says that it is ready and nobody has said how it goes on: its
    plan does not repeat then. `bakes` are planned and not mixed yet, the nearest first, with `bake_fed` feeds done for
    that one.
    """

    day: int
    normal: Normal | None
    in_jar: InJar | None
    since_feed: SinceFeed | None
    next_move: NextMove
    timeline: tuple[Step, ...]
    changes: tuple[Change, ...]
    ahead: PlanTotals
    ready: ReadyDays
    ready_on: Ready | None
    forecast: Forecast | None
    findings: tuple[Finding, ...]
    readiness: Readiness | None
    stage: StageFound | None
    outlook: Outlook | None
    yeast_unshown: bool
    hungry_again_at: datetime | None
    ready_ahead: Ready | None
    held_up: tuple[HoldUp, ...]
    taught: Taught | None
    expected_look: ExpectedLook
    asked: AskedOfLook
    chilled: tuple[ColdSpan, ...]
    stands: Stands
    chapters: tuple[Chapter, ...]
    put_by: tuple[PutBy, ...]
    asks_how_to_keep: bool
    is_kept: bool
    bakes: tuple[Bake, ...]
    bake_fed: int
    counsel: tuple[Counsel, ...]
    notices: tuple[Notice, ...]
    rounds: tuple[RoundSeen, ...]
    totals: Totals
    binned_at: datetime | None
    discard_is_food: bool
    doubles_at: float
    usual_line_mm: float
    room_is_tight: bool
    may_run_over: bool
