"""One feed while it is being weighed out: what was really kept and poured, and what that asks for next."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from ..kitchen.flours import Flour, FlourGrams, weight
from ..kitchen.quantities import GRAMS_PER, Unit, grams
from ..kitchen.vessel import MOST_TARE_G, ROOM_WANTED, headroom, line_mm, room_times
from ..mixing.feeding import FeedPlan, Ingredient, Ratio, ratio_as_weighed
from ..mixing.mending import Mend, mend
from ..mixing.weighing import TOLERANCE, ScaleAct, ScaleStep, Tolerance, WalkStyle, scale_walk
from ..model.paste import paste_of
from ..protocol.course import Course
from ..protocol.method import Add, Check, PourOff, Try
from ..ready_rule import doubles_at
from ..record.ledger import Ledger
from ..record.log import Feed, Log, Thickness, Top
from ..refusal import within
from ..setups import FeedNow, Setup, course_of, feed_now, ledger_of, plan_of
from .assessment import Stood, assess

# What is left on a spoon is not asked about.
DISCARD_WORTH_G = 1.0
# A mend that leaves less room than this to rise in, as a multiple of the line, is no mend (common practice).
MEND_ROOM = 1.5


@dataclass(frozen=True)
class WentIn:
    """What was weighed other than planned, in grams; None or left out where it went as planned or is to come.

    `style` is how the baker feeds this time (None: as the method does); `keeps_all` leaves the discard out.
    `tare_g` is the empty jar, weighed now; `jar_and_all_g` the jar with all that is in it before anything is taken out.
    """

    keep_g: float | None
    water_g: float | None
    flours: Mapping[Flour, float]
    style: WalkStyle | None = None
    keeps_all: bool = False
    tare_g: float | None = None
    jar_and_all_g: float | None = None


@dataclass(frozen=True)
class Sheet:
    """The plan for the seed really kept, how to mend what was poured, and the room above it.

    The acts of `scale_walk` bring what is planned (for the seed: planned before any was weighed); its readings follow
    what really went in, and so does `ratio`. `then_due` is when the next act is due if this feed is done now;
    `discard_g` is what goes out, 0 where it is not worth asking where to, and `discard_is_food` whether the discard jar
    may have it. `doubles_at` is the level that counts as doubled for this mix, as a multiple of the line. `mend_fits`
    is false where the jar would run over with it. `tare_g` is the empty jar, as far as anybody knows it;
    `until_thickness` what it is to move like when the water that was held back goes in.

    It holds all that a device without a connection needs to go on: `tolerance`, and `g_per_oz` for another unit.
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
    tolerance: Tolerance = TOLERANCE
    g_per_oz: float = GRAMS_PER[Unit.OUNCE]


AS_PLANNED = WentIn(None, None, {})


def sheet(setup: Setup, log: Log, went_in: WentIn, now: datetime, jar: Stood | None = None) -> Sheet:
    """The feed sheet for this moment of the weighing. `jar` is as it stands now, where that is known already.

    Raises Refusal for amounts that no kitchen means.
    """
    course = jar.course if jar else course_of(setup)
    ledger = jar.ledger if jar else ledger_of(setup, course, log)
    fed = feed_now(setup, course, ledger, now)
    usual = plan = fed.plan
    if went_in.keeps_all and ledger.rounds:
        plan = usual = _keeping_all(plan, ledger)
    elif went_in.keep_g is not None:
        plan = feed_now(setup, course, ledger, now, grams(went_in.keep_g, "keep_g")).plan
    style = went_in.style or (WalkStyle.CLEAN_JAR if fed.clean_jar else WalkStyle.IN_THE_JAR)
    real = _as_it_went(plan, went_in)
    there_is = ledger.contents.total_g if ledger.rounds else None
    tare = _tare(ledger, went_in, there_is)
    line = line_mm(ledger.vessel, real.total_g)
    room = room_times(ledger.vessel, line)
    after = ledger.contents.keep(real.keep_g).add(real.flours, real.liquid_g, real.salt_g)
    discard_g = round(max(0.0, (there_is or 0.0) - real.keep_g), 1)
    is_food = (jar.assessment if jar else assess(setup, log, now)).discard_is_food if ledger.rounds else False
    mended = _mended(plan, real, went_in, setup.step)
    return Sheet(
        plan=plan,
        scale_walk=_walk(plan, real, usual.keep_g, tare, there_is, style, _first(fed, ledger)),
        mend=mended,
        mend_fits=mended is None or headroom(ledger.vessel, mended.total_g, MEND_ROOM).fits,
        line_mm=line,
        room_times=room,
        room_is_tight=room < ROOM_WANTED,
        style=style,
        discard_g=discard_g if discard_g >= DISCARD_WORTH_G else 0.0,
        discard_is_food=is_food,
        then_due=_then_due(setup, course, log, real, now),
        ratio=ratio_as_weighed(real.keep_g, real.flour_g, real.liquid_g),
        doubles_at=round(doubles_at(paste_of(after.flours, after.water_g, after.salt_g)), 3),
        tare_g=tare,
        until_thickness=_until(fed),
    )


def _keeping_all(plan: FeedPlan, ledger: Ledger) -> FeedPlan:
    """The usual flour and water on top of all that is there."""
    held = round(ledger.contents.total_g, 6)
    total = round(held + plan.total_g - plan.keep_g, 6)
    ratio = ratio_as_weighed(held, plan.flour_g, plan.liquid_g)
    return replace(plan, keep_g=held, total_g=total, ratio=ratio, measured=())


def _tare(ledger: Ledger, went_in: WentIn, there_is_g: float | None) -> float | None:
    """The weight of the empty jar: weighed now, reckoned from jar and all, or known before; None for nobody knows."""
    if went_in.tare_g is not None:
        return within(went_in.tare_g, 0.0, MOST_TARE_G, "tare_g") or None
    if went_in.jar_and_all_g is not None:
        held = there_is_g or 0.0
        return round(within(went_in.jar_and_all_g, held, held + MOST_TARE_G, "jar_and_all_g") - held, 6) or None
    return ledger.vessel.tare_g or None


def _until(fed: FeedNow) -> Thickness | None:
    acts = fed.phase.do if fed.phase else ()
    return next((act.until_thickness for act in acts if isinstance(act, Add)), None)


def _first(fed: FeedNow, ledger: Ledger) -> tuple[ScaleAct, ...]:
    """What is done to the jar before anything is weighed: liquid on top is seen to, its pH read where the way does."""
    if not ledger.rounds:
        return ()
    does = fed.phase.do if fed.phase else ()
    seen = [one.top for one in ledger.rounds[-1].sightings if one.top]
    liquid = any(isinstance(act, PourOff) for act in does) or bool(seen and Top.LIQUID in seen[-1])
    reads = any(isinstance(act, Try) and act.check is Check.PH for act in does)
    return ((ScaleAct.POUR_OFF,) if liquid else ()) + ((ScaleAct.READ_PH,) if reads else ())


def _walk(
    plan: FeedPlan,
    real: FeedPlan,
    usual_keep_g: float,
    tare_g: float | None,
    there_is_g: float | None,
    style: WalkStyle,
    first: tuple[ScaleAct, ...],
) -> tuple[ScaleStep, ...]:
    """The planned acts, read as they really went; the seed is planned as it was before any was weighed.

    An act that brought nothing leaves the display where it was; what went in beyond the plan comes last.
    """
    went = {(step.do, step.flour): step for step in scale_walk(real, tare_g, there_is_g, style, first)}
    shows = tare_g or 0.0
    walk: list[ScaleStep] = []
    for step in scale_walk(plan, tare_g, there_is_g, style, first):
        so_far = went.pop((step.do, step.flour), None)
        shows = so_far.scale_shows_g if so_far else shows
        brings = usual_keep_g if step.corrects is Ingredient.SEED else step.brings_g
        walk.append(replace(step, scale_shows_g=shows, brings_g=brings))
    return (*walk, *went.values())


def _then_due(setup: Setup, course: Course, log: Log, real: FeedPlan, now: datetime) -> datetime | None:
    fed = Feed("this", now, real.keep_g, real.flours, real.water_g, real.salt_g, None, real.juice_g)
    made = plan_of(setup, course, ledger_of(setup, course, (*log, fed)), now, most_ahead=1)
    return made.next.due if made.next else None


def _mended(plan: FeedPlan, real: FeedPlan, went_in: WentIn, step: float) -> Mend | None:
    if not plan.flour_g or not plan.liquid_g:
        return None
    # A first mix keeps nothing, so its flour stands in for the seed and only flour and water are held together.
    unit = plan.keep_g or plan.flour_g
    ratio = Ratio(unit, plan.flour_g, plan.liquid_g)
    mended = None
    if went_in.flours:
        # Water goes in before flour: a slip in the flour is held against the water that is in.
        mended = mend(ratio, unit, flour_g=weight(real.flours), water_g=real.liquid_g, step=step)
    elif went_in.water_g is not None:
        mended = mend(ratio, unit, flour_g=None, water_g=real.liquid_g, step=step)
    if mended is None or plan.keep_g:
        return mended
    as_is = ratio_as_weighed(0.0, real.flour_g if went_in.flours else 0.0, real.liquid_g)
    after = ratio_as_weighed(0.0, real.flour_g + mended.add_flour_g, real.liquid_g + mended.add_water_g)
    total = round(mended.total_g - unit, 6)
    return replace(mended, ratio_as_is=as_is if went_in.flours else "0:0:1", ratio_mended=after, total_g=total)


def _as_it_went(plan: FeedPlan, went_in: WentIn) -> FeedPlan:
    poured = went_in.flours
    flours = tuple(
        FlourGrams(part.flour, grams(poured.get(part.flour, part.g), f"flours.{part.flour}")) for part in plan.flours
    )
    water_g = plan.water_g if went_in.water_g is None else grams(went_in.water_g, "water_g")
    total_g = plan.keep_g + weight(flours) + water_g + plan.juice_g + plan.salt_g
    return replace(plan, flours=flours, water_g=water_g, total_g=round(total_g, 6))
