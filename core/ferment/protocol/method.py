"""The method language: a way to raise a starter as data.

A method is a row of phases. A phase waits, then its acts are done; that is one turn. Turns repeat until their number is
full or what they wait for is seen; then the next phase begins, or an earlier one again. The last may go on for ever.

What a method owes (`lint` finds each breach; one suite holds every family to it):

1. Every option has a default that it accepts itself; what names an option names one that the method has.
2. The first phase puts flour, water or a culture in; nothing else comes before.
3. Every wait has a latest time, and what happens then.
4. A phase that may go on for ever settles: the jar neither grows nor shrinks without end.
5. Every phase can be reached under some choice of options.
6. What is normal (`expect`) covers all hours from the first mix on, without a gap.
7. A jar is not kept in the fridge while it is being raised.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import FlourShare
from ..kitchen.quantities import Unit
from ..mixing.contents import Origin
from ..record.log import Thickness
from .options import Option, OptionCode, Pick
from .sights import Sight


class Thing(StrEnum):
    """What a method needs beside flour, water and a clear jar."""

    SCALE = "scale"
    SPOONS = "spoons"
    RULER = "ruler"
    PH_STRIPS = "ph_strips"
    JUICE = "juice"
    WARM_PLACE = "warm_place"
    SECOND_JAR = "second_jar"
    FRIDGE = "fridge"
    SALT = "salt"
    CULTURE = "culture"


class Normal(StrEnum):
    """What is normal in a stretch of hours (common practice)."""

    WETTING = "wetting"
    EARLY_RISE = "early_rise"
    QUIET = "quiet"
    WAKING = "waking"
    GROWING = "growing"
    SOURED = "soured"
    SLOW_QUIET = "slow_quiet"
    SOAKING = "soaking"
    REVIVING = "reviving"
    STIRRING = "stirring"
    RESTED = "rested"
    LIVELY = "lively"


# --- amounts ---


@dataclass(frozen=True)
class Measure:
    """So much, as a baker says it; grows with the size of the whole method."""

    value: float
    unit: Unit = Unit.GRAM


@dataclass(frozen=True)
class FromOption:
    """What the baker chose for an option, times so much; grams grow with the size of the whole method."""

    code: OptionCode
    times: float = 1.0


@dataclass(frozen=True)
class OfKept:
    """So many times what was kept."""

    times: float | FromOption


@dataclass(frozen=True)
class OfJar:
    """A share of what is in the jar."""

    share: float


@dataclass(frozen=True)
class AsStart:
    """The flour (or the liquid) of the first mix again, times so much."""

    times: float = 1.0


@dataclass(frozen=True)
class AsBefore:
    """The same as at the last feed, times so much."""

    times: float = 1.0


@dataclass(frozen=True)
class OfFlour:
    """A liquid by its hydration: so many per cent of this feed's flour."""

    percent: float | FromOption


@dataclass(frozen=True)
class UpTo:
    """What is missing until the jar holds so much: of flour, with its liquid by hydration, or of one of them."""

    total: tuple[Measure | FromOption, ...]


Amount = Measure | FromOption | OfKept | OfJar | AsStart | AsBefore | OfFlour | UpTo


# --- acts ---


class Spot(StrEnum):
    COUNTER = "counter"
    FRIDGE = "fridge"


class Check(StrEnum):
    """What to measure or try at a step."""

    HEIGHT = "height"
    PH = "ph"
    REFERENCE_WEIGHT = "reference_weight"
    FLOAT = "float"
    SIDE_BY_SIDE = "side_by_side"


@dataclass(frozen=True)
class KeepAll:
    """Nothing is taken out."""


@dataclass(frozen=True)
class Keep:
    """Take out until so much is left, but no less and no more than the bounds."""

    amount: Amount
    least: Amount | None = None
    most: Amount | None = None


@dataclass(frozen=True)
class TakeOut:
    """Take so much out, but leave at least so much."""

    amount: Amount
    leave_least: Amount | None = None


@dataclass(frozen=True)
class PutIn:
    """A culture from outside: flakes, a frozen pinch, a spoon of a sleeping starter."""

    amount: Amount


@dataclass(frozen=True)
class BlendFrom:
    """The blend that the baker chose."""

    code: OptionCode


@dataclass(frozen=True)
class Flours:
    """A blend that the method fixes, parts by weight."""

    parts: tuple[FlourShare, ...]


@dataclass(frozen=True)
class Add:
    """Flour and liquid. A share of the liquid may be juice; a share may be held back until the thickness is right."""

    flour: Amount | None
    liquid: Amount | None
    blend: BlendFrom | Flours
    juice_percent: float | FromOption = 0.0
    salt_percent: float | FromOption = 0.0
    hold_back_percent: float = 0.0
    until_thickness: Thickness | None = None


@dataclass(frozen=True)
class Stir:
    pass


@dataclass(frozen=True)
class PourOff:
    """The liquid on top goes first."""


@dataclass(frozen=True)
class Into:
    """Into a clean jar."""


@dataclass(frozen=True)
class MoveTo:
    place: Spot


@dataclass(frozen=True)
class Try:
    check: Check


@dataclass(frozen=True)
class When:
    """Acts that belong to one choice of an option."""

    code: OptionCode
    pick: Pick
    do: tuple[PlainAct, ...]


PlainAct = KeepAll | Keep | TakeOut | PutIn | Add | Stir | PourOff | Into | MoveTo | Try
PhaseAct = PlainAct | When


# --- waits, turns, phases ---


class Otherwise(StrEnum):
    """What happens when a sign has not shown by the latest time: do it all the same, or wait on."""

    DO_IT = "do_it"
    WAIT_ON = "wait_on"


@dataclass(frozen=True)
class Wait:
    """Hours since the last act. By the clock, or from `earliest_h` on as soon as a sight is seen.

    `beat` keeps the rhythm of the first mix, so that a late act is caught up. Past `latest_h` without the sight,
    `otherwise`: waiting on goes by `more_h` at a time.
    """

    usual_h: float | FromOption
    earliest_h: float | FromOption
    latest_h: float | FromOption
    sight: Sight | None = None
    otherwise: Otherwise = Otherwise.DO_IT
    more_h: float = 24.0
    beat: bool = False


@dataclass(frozen=True)
class Turns:
    """How often: `usual` is what the plan shows ahead; from `least` on it ends when `until` is seen, at `most` anyway.

    No `most` and no end in sight is a phase for keeping: it goes on for ever.
    """

    usual: int = 1
    least: int = 1
    most: int | None = 1
    until: Sight | None = None


@dataclass(frozen=True)
class Only:
    """The phase belongs to these choices of an option."""

    code: OptionCode
    picks: tuple[Pick, ...]


@dataclass(frozen=True)
class Phase:
    """A wait, the acts after it, and how often; then on with the next phase, or back to the one that `then` names."""

    name: str
    after: Wait
    do: tuple[PhaseAct, ...]
    turns: Turns = Turns()
    only: tuple[Only, ...] = ()
    then: str | None = None


@dataclass(frozen=True)
class Expect:
    """What is normal until so many hours after the first mix; the last one has no end."""

    until_h: float | None
    normal: Normal


@dataclass(frozen=True)
class Days:
    """Days until it is ready at 24 °C with the usual flour: earliest, likely, latest (common practice)."""

    earliest: float
    likely: float
    latest: float


@dataclass(frozen=True)
class Way:
    """Days and needs where they differ for one choice of an option."""

    code: OptionCode
    pick: Pick
    ready: Days
    origin: Origin | None = None


@dataclass(frozen=True)
class Method:
    """`wants_c` is the warmth that the method is made for, where it is made for one."""

    code: str
    origin: Origin
    options: tuple[Option, ...]
    phases: tuple[Phase, ...]
    expect: tuple[Expect, ...]
    needs: tuple[Thing, ...]
    ready: Days
    ways: tuple[Way, ...] = ()
    wants_c: float | None = None
