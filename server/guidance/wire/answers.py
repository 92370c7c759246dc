"""What goes over the wire in answer to a question: a feed sheet, a build, families side by side, other ratios."""

from __future__ import annotations

from datetime import datetime

from accounts.wire import Told
from ferment.doors.comparison import Reason
from ferment.mixing.contents import Origin
from ferment.mixing.weighing import WalkStyle
from ferment.protocol.method import Thing
from ferment.record.log import Thickness

from .forecast import IfFed, Ready
from .mixing import FeedPlan, FlourGrams, Mend, ScaleStep
from .plan import ReadyDays


class Tolerance(Told):
    """How what was weighed is read against what was planned.

    Within `near_g` it went as planned, and a display that moved no farther has not been poured on yet. An amount of at
    least `from_g` that is `far_times` as much as planned, or as little, is asked about.
    """

    near_g: float
    far_times: float
    from_g: float


class Sheet(Told):
    """The plan for the seed really kept, how to mend what was poured, and the room above it.

    The acts of `scale_walk` bring what is planned (for the seed: planned before any was weighed); its readings follow
    what really went in, and so does `ratio`. `then_due` is when the next act is due if this feed is done now;
    `discard_g` is what goes out, 0 where it is not worth asking where to, and `discard_is_food` whether the discard jar
    may have it. `doubles_at` is the level that counts as doubled for this mix, as a multiple of the line. `mend_fits`
    is false where the jar would run over with it. `tare_g` is the empty jar, as far as anybody knows it;
    `until_thickness` what it is to move like when the water that was held back goes in.
    """

    plan: FeedPlan
    scale_walk: tuple[ScaleStep, ...]
    mend: Mend | None
    mend_fits: bool
    line_mm: float
    room_times: float
    room_is_tight: bool
    style: WalkStyle
    discard_g: float
    discard_is_food: bool
    then_due: datetime | None
    ratio: str
    doubles_at: float
    tare_g: float | None
    until_thickness: Thickness | None
    tolerance: Tolerance
    g_per_oz: float


class RatioOffer(Told):
    """A feed now by a ratio, and what it would do."""

    flour_parts: float
    keep_g: float
    flour_g: float
    water_g: float
    does: IfFed


class Compared(Told):
    """What a family takes until its likely day of ready, from the same start, hours and warmth."""

    family: str
    origin: Origin
    ready: ReadyDays
    feeds: int
    feeds_a_day: float
    minutes: float
    minutes_a_day: float
    flours: tuple[FlourGrams, ...]
    flour_g: float
    liquid_g: float
    discard_g: float
    needs: tuple[Thing, ...]
    wants_c: float | None


class Thrift(Told):
    """A smaller size: the same days and work, and so much less flour fed and thrown out until it is ready, in grams."""

    size: float
    share: float
    discard_g: float
    saves_discard_g: float
    saves_flour_g: float


class Offered(Told):
    """A family with the day of ready foreseen for this kitchen and flour, and what speaks for it and against it."""

    compared: Compared
    ready_on: Ready | None
    suits: tuple[Reason, ...]
    speaks_against: tuple[Reason, ...]
    suggested: bool
