"""The signs, listed explicitly, one a file, and the one loop that holds them against a jar.

Knows what was seen and when; no plan, no forecast, no verdict. Offers `SIGNS` and `findings`; what a sign owes is
numbered in `contract`.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from ..record.ledger import Sighting
from . import (
    bakers_yeast,
    bubbles_no_rise,
    cold_kitchen,
    diluted,
    dry_skin,
    early_smell,
    false_dawn,
    film,
    forgotten,
    hungry_again,
    hungry_liquid,
    lessening,
    mould,
    nothing_yet,
    other_warmth,
    overflow,
    quiet_days,
    raised_cold,
    rested_long,
    resting_liquid,
    rises_no_more,
    settling_liquid,
    slow_to_wake,
    smell_turned,
    spoiled,
    starving_smell,
    stood_too_hot,
    sweetened,
    thriving,
    too_hot,
    unfed_warm,
)
from .clues import Scene, holds
from .contract import Caution, Question, Remedy, Sign, SignCode, Urgency, case_of, shown_by

SIGNS: tuple[Sign, ...] = (
    mould.SIGN,
    spoiled.SIGN,
    too_hot.SIGN,
    stood_too_hot.SIGN,
    film.SIGN,
    hungry_liquid.SIGN,
    starving_smell.SIGN,
    hungry_again.SIGN,
    rises_no_more.SIGN,
    lessening.SIGN,
    unfed_warm.SIGN,
    forgotten.SIGN,
    bakers_yeast.SIGN,
    overflow.SIGN,
    dry_skin.SIGN,
    other_warmth.SIGN,
    bubbles_no_rise.SIGN,
    diluted.SIGN,
    cold_kitchen.SIGN,
    false_dawn.SIGN,
    settling_liquid.SIGN,
    nothing_yet.SIGN,
    quiet_days.SIGN,
    slow_to_wake.SIGN,
    raised_cold.SIGN,
    early_smell.SIGN,
    smell_turned.SIGN,
    resting_liquid.SIGN,
    rested_long.SIGN,
    thriving.SIGN,
    sweetened.SIGN,
)
# Where one says that the other is meant, the other is not told beside it.
INSTEAD: tuple[tuple[SignCode, SignCode], ...] = (
    (SignCode.MOULD, SignCode.FILM),
    (SignCode.HUNGRY_LIQUID, SignCode.HUNGRY_AGAIN),
    (SignCode.HUNGRY_LIQUID, SignCode.SETTLING_LIQUID),
    (SignCode.STARVING_SMELL, SignCode.HUNGRY_AGAIN),
    (SignCode.HUNGRY_LIQUID, SignCode.UNFED_WARM),
    (SignCode.UNFED_WARM, SignCode.FORGOTTEN),
    (SignCode.UNFED_WARM, SignCode.HUNGRY_AGAIN),
    (SignCode.FORGOTTEN, SignCode.HUNGRY_AGAIN),
    (SignCode.COLD_KITCHEN, SignCode.SLOW_TO_WAKE),
    (SignCode.DILUTED, SignCode.SLOW_TO_WAKE),
    (SignCode.STOOD_TOO_HOT, SignCode.RISES_NO_MORE),
    (SignCode.COLD_KITCHEN, SignCode.NOTHING_YET),
    (SignCode.DILUTED, SignCode.QUIET_DAYS),
    (SignCode.RISES_NO_MORE, SignCode.LESSENING),
    (SignCode.RISES_NO_MORE, SignCode.DILUTED),
)
_BY_CODE: Mapping[SignCode, Sign] = {sign.code: sign for sign in SIGNS}
# What one says to do now is not warned of by another beside it.
SILENCED_BY: Mapping[Caution, Remedy] = {Caution.DO_NOT_FEED_MORE: Remedy.FEED_NOW}


@dataclass(frozen=True)
class Finding:
    """A sign that holds: what to do, what not to do, how sure, the one question that would settle it, and the look."""

    sign: SignCode
    urgency: Urgency
    sure: float
    do: tuple[Remedy, ...]
    dont: tuple[Caution, ...]
    ask: Question | None
    look_id: str | None
    seen_at: datetime


@dataclass(frozen=True)
class Ruled:
    """What the baker said of a sign, and when: that it is so, or that it is not."""

    so: bool
    at: datetime


NOTHING_RULED: Mapping[str, Ruled] = {}


def findings(
    scene: Scene, earlier: Iterable[Sighting], now: datetime, ruled: Mapping[str, Ruled] = NOTHING_RULED
) -> tuple[Finding, ...]:
    """What the jar shows now, the most urgent first.

    A danger stays found: a later clean look does not unmake it, nor a feed, nor the baker's word; and it stands alone,
    for nothing else matters then. `earlier` are the looks of the rounds before. What the baker ruled out stays so until
    a later look shows it again, or the next feed.
    """
    found = [finding for sign in SIGNS if (finding := _find(sign, scene, now))]
    found = [one for finding in found if (one := _as_ruled(finding, scene, now, ruled))]
    for seen in (*scene.sightings, *earlier):
        then = replace(scene, sightings=(seen,), age_h=scene.age_h - _hours(now, seen.at))
        found += [one for sign in SIGNS if sign.urgency is Urgency.DANGER and (one := _find(sign, then, now))]
    if any(finding.urgency is Urgency.DANGER for finding in found):
        found = [finding for finding in found if finding.urgency is Urgency.DANGER]
    told = {finding.sign for finding in found}
    hidden = {less for more, less in INSTEAD if more in told}
    best: dict[SignCode, Finding] = {}
    for finding in found:
        if finding.sign not in hidden and finding.sign not in best:
            best[finding.sign] = finding
    advised = {remedy for finding in best.values() for remedy in finding.do}
    agreed = [
        replace(one, dont=tuple(caution for caution in one.dont if SILENCED_BY.get(caution) not in advised))
        for one in best.values()
    ]
    return tuple(sorted(agreed, key=lambda finding: (finding.urgency, finding.sign)))


def _as_ruled(finding: Finding, scene: Scene, now: datetime, ruled: Mapping[str, Ruled]) -> Finding | None:
    word = ruled.get(finding.sign)
    sign = _BY_CODE[finding.sign]
    if word is not None and sign.asks_for_cause:
        return replace(finding, do=(*(sign.if_so if word.so else ()), *finding.do), ask=None)
    shown = finding.seen_at if finding.look_id else now - timedelta(hours=scene.since_feed_h)
    if word is not None and sign.no_ends and not word.so:
        return None
    if word is None or word.at < shown or finding.urgency is Urgency.DANGER:
        return finding
    return replace(finding, sure=1.0, ask=None) if word.so else None


def _hours(later: datetime, earlier: datetime) -> float:
    return (later - earlier).total_seconds() / 3600.0


def _find(sign: Sign, scene: Scene, now: datetime) -> Finding | None:
    case = case_of(sign, scene)
    if case is None:
        return None
    look = shown_by(case, scene)
    return Finding(
        sign.code,
        sign.urgency,
        case.sure,
        (*sign.do, *(one.remedy for one in sign.also if holds(one.clues, scene))),
        sign.dont,
        case.ask,
        look.look_id if look else None,
        look.at if look else now,
    )
