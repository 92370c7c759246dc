"""The discard jar of a kitchen: what the jars gave to it, what was taken out, how old it is, and what is wrong with it.

One jar for the kitchen, in the fridge, covered and labelled; a second where gluten-free must stay apart. It is kept one
to two weeks, used oldest first, and always baked or cooked through; liquid on top is normal there, and pink, orange or
fuzzy means that all of it goes (common practice; how long it keeps is from memory). Local rules come first.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from enum import StrEnum

from ..kitchen.flours import Flour, FlourLot
from ..kitchen.hours import Hours, fit
from ..kitchen.quantities import MOST_G
from ..kitchen.vessel import LEAST_ML, MOST_ML
from ..mixing.contents import Contents
from ..record.flows import Went, together
from ..record.log import Top
from ..refusal import Refusal, RefusalCode, within
from .flour import JarFlows


class Shelf(StrEnum):
    """Which discard jar: gluten-free stays apart, for what touches wheat is not."""

    WITH_GLUTEN = "with_gluten"
    GLUTEN_FREE = "gluten_free"


class DiscardAct(StrEnum):
    TAKEN = "taken"
    USED_UP = "used_up"
    EMPTIED = "emptied"
    WASHED = "washed"
    LOOKED = "looked"
    SIZED = "sized"


@dataclass(frozen=True)
class DiscardEntry:
    """What the baker did with a discard jar. `g` is what was taken; `top` what a look showed; `ml` how large the jar
    itself is, to its rim."""

    id: str
    at: datetime
    shelf: Shelf
    act: DiscardAct
    g: float = 0.0
    top: frozenset[Top] = frozenset()
    ml: float = 0.0


class DiscardSign(StrEnum):
    """`spoiled`: fuzzy, pink or orange was seen. `doubtful`: a jar that gave to it was found spoiled later. `full`:
    there is little room left. `too_old`, `old`: by its oldest part. `film`: a thin white film. `liquid`: normal
    there."""

    SPOILED = "spoiled"
    DOUBTFUL = "doubtful"
    FULL = "full"
    TOO_OLD = "too_old"
    OLD = "old"
    FILM = "film"
    LIQUID = "liquid"


# Used within this, thrown out after that (from memory: a week or two).
OLD_AFTER, TOO_OLD_AFTER = timedelta(days=8), timedelta(days=14)
# It still works a little in the fridge: more than this of its volume is full. A gram is about a millilitre once it is
# stirred down (common practice).
FULL_SHARE = 0.8
SPOILED_TOPS = frozenset({Top.FUZZY_SPOTS, Top.COLOURED_STREAKS})


@dataclass(frozen=True)
class DiscardPart:
    """What one jar gave at one feed, as far as it is in there still."""

    jar: str
    name: str
    at: datetime
    what: Contents


@dataclass(frozen=True)
class DiscardJar:
    """What is in it now; `doubtful` names the jars that gave to it and were found spoiled later; `holds_ml` is None
    where nobody said how large it is."""

    shelf: Shelf
    parts: tuple[DiscardPart, ...]
    signs: tuple[DiscardSign, ...]
    doubtful: tuple[str, ...]
    washed: bool
    holds_ml: float | None

    @property
    def total_g(self) -> float:
        return sum(part.what.total_g for part in self.parts)

    @property
    def flours(self) -> FlourLot:
        """Every flour of which there is any: an allergen of one is in all."""
        return together(part.what for part in self.parts).flours

    @property
    def oldest_at(self) -> datetime | None:
        return min((part.at for part in self.parts), default=None)

    @property
    def hydration_percent(self) -> float | None:
        return together(part.what for part in self.parts).hydration_percent

    @property
    def full_since(self) -> datetime | None:
        """When what it holds now came to fill it; None while it has room, or nobody knows its size."""
        if self.holds_ml is None:
            return None
        so_far = 0.0
        for part in self.parts:
            so_far += part.what.total_g
            if so_far >= FULL_SHARE * self.holds_ml:
                return part.at
        return None


@dataclass(frozen=True)
class Giver:
    """A jar that may have given to it, and when it was found spoiled, if it was."""

    flows: JarFlows
    spoiled_at: datetime | None = None


def shelf_of(what: Contents) -> Shelf:
    """Where discard of these flours goes."""
    only = all(part.flour is Flour.GLUTEN_FREE for part in what.flours)
    return Shelf.GLUTEN_FREE if only and what.flours else Shelf.WITH_GLUTEN


def discard_jars(givers: Sequence[Giver], entries: Sequence[DiscardEntry], now: datetime) -> tuple[DiscardJar, ...]:
    """The discard jars that there ever was anything in, as they are now."""
    given = [
        DiscardPart(giver.flows.jar, giver.flows.name, out.at, out.what)
        for giver in givers
        for out in giver.flows.flows.went
        if out.went is Went.DISCARD_JAR and out.at <= now
    ]
    spoiled = {giver.flows.jar: giver.spoiled_at for giver in givers if giver.spoiled_at is not None}
    found = []
    for shelf in Shelf:
        parts = [part for part in given if shelf_of(part.what) is shelf]
        own = [one for one in entries if one.shelf is shelf and one.at <= now]
        if parts or own:
            found.append(_jar(shelf, parts, own, spoiled, now))
    return tuple(found)


def _jar(
    shelf: Shelf,
    given: Sequence[DiscardPart],
    entries: Sequence[DiscardEntry],
    spoiled: dict[str, datetime],
    now: datetime,
) -> DiscardJar:
    """Given before taken, where one minute holds both."""
    parts: list[DiscardPart] = []
    seen: frozenset[Top] = frozenset()
    is_spoiled, washed = False, True
    holds_ml: float | None = None
    coming = sorted(given, key=lambda part: part.at)
    for entry in sorted(entries, key=lambda one: (one.at, one.id)):
        while coming and coming[0].at <= entry.at:
            parts.append(coming.pop(0))
            washed = False
        match entry.act:
            case DiscardAct.TAKEN:
                parts = _without(parts, entry.g)
            case DiscardAct.USED_UP | DiscardAct.EMPTIED:
                parts, seen = [], frozenset()
            case DiscardAct.WASHED:
                parts, seen, is_spoiled, washed = [], frozenset(), False, True
            case DiscardAct.LOOKED:
                seen = entry.top
                is_spoiled = is_spoiled or bool(entry.top & SPOILED_TOPS)
            case DiscardAct.SIZED:
                holds_ml = entry.ml
    parts += coming
    doubtful = tuple(dict.fromkeys(part.name for part in parts if part.jar in spoiled))
    jar = DiscardJar(shelf, tuple(parts), (), doubtful, washed and not parts, holds_ml)
    return replace(jar, signs=_signs(jar, seen, now, is_spoiled=is_spoiled))


def _without(parts: Sequence[DiscardPart], taken_g: float) -> list[DiscardPart]:
    """The oldest is used first."""
    left: list[DiscardPart] = []
    for part in parts:
        total = part.what.total_g
        if taken_g >= total:
            taken_g -= total
            continue
        left.append(replace(part, what=part.what.keep(total - taken_g)))
        taken_g = 0.0
    return left


def _signs(jar: DiscardJar, seen: frozenset[Top], now: datetime, *, is_spoiled: bool) -> tuple[DiscardSign, ...]:
    if is_spoiled:
        return (DiscardSign.SPOILED,)
    age = now - jar.oldest_at if jar.oldest_at else timedelta()
    told = (
        (DiscardSign.DOUBTFUL, bool(jar.doubtful)),
        (DiscardSign.FULL, jar.full_since is not None),
        (DiscardSign.TOO_OLD, age >= TOO_OLD_AFTER),
        (DiscardSign.OLD, OLD_AFTER <= age < TOO_OLD_AFTER),
        (DiscardSign.FILM, Top.WHITE_FILM in seen),
        (DiscardSign.LIQUID, Top.LIQUID in seen),
    )
    return tuple(sign for sign, holds in told if holds)


@dataclass(frozen=True)
class Nudge:
    """One reminder that a discard jar wants something: that it is old, or full; `name` is what it is known by, so that
    it is reminded of once."""

    name: str
    shelf: Shelf
    sign: DiscardSign
    due: datetime
    at: datetime


def nudges(jars: Sequence[DiscardJar], hours: Hours) -> tuple[Nudge, ...]:
    """When to remind of what is in the discard jars, the earliest first, never in the baker's quiet hours; of a spoiled
    one nothing, for its own page says what to do."""
    told = []
    for jar in jars:
        if DiscardSign.SPOILED in jar.signs or jar.oldest_at is None:
            continue
        due = {DiscardSign.OLD: jar.oldest_at + OLD_AFTER, DiscardSign.FULL: jar.full_since}
        for sign, since in due.items():
            if since is not None:
                at = fit(hours, since, since, since + timedelta(days=1)).at
                told.append(Nudge(f"{sign}-{since:%Y%m%d%H%M}", jar.shelf, sign, since, at))
    return tuple(sorted(told, key=lambda one: (one.at, one.sign)))


def admit_discard(jars: Sequence[DiscardJar], entry: DiscardEntry, now: datetime) -> None:
    """Raises Refusal for what cannot have been: in the future, or more taken than there is."""
    if entry.at > now + timedelta(minutes=5):
        raise Refusal(RefusalCode.IN_THE_FUTURE, "at", {"latest": now.isoformat()})
    if entry.act is DiscardAct.SIZED:
        within(entry.ml, LEAST_ML, MOST_ML, "ml")
    if entry.act is not DiscardAct.TAKEN:
        return
    there_is = next((jar.total_g for jar in jars if jar.shelf is entry.shelf), 0.0)
    within(entry.g, 0.1, MOST_G, "g")
    # A tenth of a gram of slack: the sums of a kitchen are not exact.
    if entry.g > there_is + 0.1:
        raise Refusal(RefusalCode.TAKES_MORE_THAN_THERE_IS, "g", {"there_is_g": round(there_is, 1)})
