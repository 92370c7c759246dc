"""What a camera saw of one feed: when it doubled, peaked, fell back, and came near the rim."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from ..kitchen.hours import HOUR
from ..kitchen.warmth import Warmth
from ..mixing.contents import Contents
from ..model.paste import Paste, paste_of
from ..ready_rule import WARMTH_AFTER_H, doubles_at
from ..record.glimpses import Glimpse
from ..record.log import Log
from ..setups import Setup, background_of, course_of, ledger_of

# A level so far below the highest has fallen (× the line), or twice as far as it is unsure.
FALLEN = 0.05
# About the top: what lies so near below it is as high, for all that a picture can tell.
AT_THE_TOP = 0.015
# Back at the line, by the share of the rise that is left, as the forecast has it.
BACK = 0.1
LEAST_RISE = 0.1
# Nearer to the rim than this it may run over (× the line).
NEAR_RIM = 0.15
# For so long nothing was read: what happened in between nobody saw.
UNSEEN = timedelta(minutes=50)


@dataclass(frozen=True)
class WatchedMoment:
    """When a camera saw a level. `sure` is false where it was reached, or may have been passed, while it was blind."""

    at: datetime
    times: float
    sure: bool


@dataclass(frozen=True)
class WatchedFeed:
    """`peak` is told once it has fallen from there; until then `highest` is all that is known. `unseen` are the spans
    in which nothing could be read."""

    highest: WatchedMoment | None
    doubled: WatchedMoment | None
    peak: WatchedMoment | None
    back_to_line: WatchedMoment | None
    near_rim: WatchedMoment | None
    unseen: tuple[tuple[datetime, datetime], ...]


NOTHING_SEEN = WatchedFeed(None, None, None, None, None, ())


@dataclass(frozen=True)
class FeedToWatch:
    """A feed as a camera meets it, until the next (`until`, None while it runs): its line in mm, the level that counts
    as doubled, and the rim, both as multiples of the line."""

    feed_id: str
    at: datetime
    until: datetime | None
    line_mm: float
    doubles_at: float
    room_times: float


def feeds_to_watch(setup: Setup, log: Log) -> tuple[FeedToWatch, ...]:
    """All feeds of a jar, the first mix among them, in order. Raises Refusal for a set-up that cannot be planned."""
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    if not ledger.rounds:
        return ()
    start = ledger.rounds[0].feed.at
    background = background_of(setup, course, ledger)
    warmth = Warmth(background.place, start, background.cold)
    ends = [*(turn.feed.at for turn in ledger.rounds[1:]), ledger.binned.at if ledger.binned else None]
    return tuple(
        FeedToWatch(
            turn.feed.id,
            turn.feed.at,
            until,
            turn.line_mm,
            round(
                doubles_at(_paste(turn.contents), warmth((turn.feed.at - start) / HOUR + WARMTH_AFTER_H)),
                3,
            ),
            turn.room_times,
        )
        for turn, until in zip(ledger.rounds, ends, strict=True)
    )


def _paste(held: Contents) -> Paste:
    return paste_of(held.flours, held.water_g, held.salt_g)


def watched_feed(glimpses: Sequence[Glimpse], doubles_at: float, room_times: float) -> WatchedFeed:
    """Of the pictures of one feed, in order. `doubles_at` is the level that counts as doubled, `room_times` the rim,
    both as multiples of the line."""
    if not glimpses:
        return NOTHING_SEEN
    seen = _without_strays(glimpses)
    unseen = tuple((one.at, after.at) for one, after in itertools.pairwise(seen) if after.at - one.at >= UNSEEN)
    top = max(range(len(seen)), key=lambda at: seen[at].times)
    first, last = _as_high(seen, top)
    at_top = WatchedMoment(
        seen[first].at + (seen[last].at - seen[first].at) / 2,
        seen[top].times,
        # A gap beside the top may hide a higher one.
        not any(since == seen[last].at or until == seen[first].at for since, until in unseen),
    )
    fell = next((one for one in seen[last:] if one.times < seen[top].times - max(FALLEN, 2 * one.error)), None)
    rise = seen[top].times - 1.0
    back = 1.0 + BACK * rise
    return WatchedFeed(
        at_top,
        _reached(seen, doubles_at),
        at_top if fell and rise >= LEAST_RISE else None,
        _reached([replace(one, times=-one.times) for one in seen[last:]], -back)
        if fell and rise >= LEAST_RISE
        else None,
        _reached(seen, room_times - NEAR_RIM),
        unseen,
    )


def _without_strays(glimpses: Sequence[Glimpse]) -> list[Glimpse]:
    """The middle of each three that follow each other closely: one misread picture makes no peak."""
    seen = list(glimpses)
    for number, (before, one, after) in enumerate(zip(glimpses, glimpses[1:], glimpses[2:], strict=False), 1):
        if after.at - before.at < UNSEEN:
            seen[number] = replace(one, times=sorted((before.times, one.times, after.times))[1])
    return seen


def _as_high(seen: Sequence[Glimpse], top: int) -> tuple[int, int]:
    least = seen[top].times - AT_THE_TOP
    first = last = top
    while first > 0 and seen[first - 1].times >= least:
        first -= 1
    while last + 1 < len(seen) and seen[last + 1].times >= least:
        last += 1
    return first, last


def _reached(seen: Sequence[Glimpse], level: float) -> WatchedMoment | None:
    """When it first stood so high, between the two pictures before and after."""
    for number, one in enumerate(seen):
        if one.times < level:
            continue
        if number == 0:
            return WatchedMoment(one.at, abs(level), sure=False)
        before = seen[number - 1]
        share = (level - before.times) / (one.times - before.times)
        return WatchedMoment(before.at + (one.at - before.at) * share, abs(level), one.at - before.at < UNSEEN)
    return None
