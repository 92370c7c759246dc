"""What may enter the log: the checks that a feed, a look or an end must pass before it becomes part of the truth."""

from __future__ import annotations

from datetime import datetime, timedelta

from .assessment import Setup, assess
from .feeding import plan_feed
from .ledger import replay
from .log import Bin, Entry, Feed, Log, Look, feeds_of, in_order
from .methods import family_named
from .protocol import settle
from .quantities import grams
from .refusal import Refusal, RefusalCode, within
from .vessel import as_times, most_grams

# Two devices' clocks differ a little; what is further ahead is a slip of the hand.
CLOCK_SLACK = timedelta(minutes=5)
# A jar is planned for today, or for a day that can still be seen from here.
START_AT_MOST_AHEAD = timedelta(days=60)
START_AT_MOST_AGO = timedelta(days=1)
# Grams by which the sums of a kitchen may be off.
WEIGHING_SLACK_G = 2.0


def admit_setup(setup: Setup, now: datetime) -> None:
    """Check a jar before it is planned: its method, its glass, and that the usual feed fits. Raises Refusal."""
    mix = assess(setup, (), now).next_move.plan
    assert mix is not None  # an empty log is answered with the first mix
    usual = settle(family_named(setup.family), setup.choices)
    feed = plan_feed(usual.keep_g, usual.ratio, usual.blend, step=setup.scale_step)
    most_g = most_grams(setup.vessel)
    if max(feed.total_g, mix.total_g) > most_g:
        facts = {"total_g": feed.total_g, "most_g": round(most_g)}
        raise Refusal(RefusalCode.JAR_TOO_SMALL, "volume_ml", facts)
    if setup.starts_at > now + START_AT_MOST_AHEAD:
        raise Refusal(RefusalCode.IN_THE_FUTURE, "starts_at", {"latest": (now + START_AT_MOST_AHEAD).isoformat()})
    if setup.starts_at < now - START_AT_MOST_AGO:
        raise Refusal(RefusalCode.BEFORE_THE_START, "starts_at", {"earliest": (now - START_AT_MOST_AGO).isoformat()})


def admit(setup: Setup, log: Log, entry: Entry, now: datetime) -> None:
    """Check a new entry, or an edited one (an entry of the log with the same id), against the rest of the log.

    Raises Refusal naming the field that does not fit and what would.
    """
    others = tuple(other for other in log if other.id != entry.id)
    before = next((other for other in log if other.id == entry.id), None)
    if entry.at > now + CLOCK_SLACK:
        raise Refusal(RefusalCode.IN_THE_FUTURE, "at", {"latest": now.isoformat()})
    ended = next((other for other in others if isinstance(other, Bin)), None)
    if ended and entry.at > ended.at:
        raise Refusal(RefusalCode.JAR_IS_BINNED, "at", {"binned_at": ended.at.isoformat()})
    match entry:
        case Feed():
            _admit_feed(setup, others, entry, before)
        case Look():
            _admit_look(setup, others, entry)
        case Bin():
            _admit_bin(others, entry)


def admit_removal(log: Log, entry: Entry) -> None:
    """A first mix can only go when no feed stands on it. Raises Refusal."""
    feeds = feeds_of(log)
    if len(feeds) > 1 and feeds[0].id == entry.id:
        raise Refusal(RefusalCode.FIRST_MIX_HAS_FEEDS, "id", {"feeds": float(len(feeds) - 1)})


def _admit_feed(setup: Setup, others: Log, feed: Feed, before: Entry | None) -> None:
    feeds = feeds_of(others)
    # A new feed comes last; an edited one keeps its place between its neighbours.
    place = sum(1 for other in feeds if other.at < before.at) if before else len(feeds)
    if place and feed.at <= feeds[place - 1].at:
        last = feeds[place - 1].at.isoformat()
        raise Refusal(RefusalCode.BEFORE_THE_LAST_FEED, "at", {"last_feed_at": last})
    if place < len(feeds) and feed.at >= feeds[place].at:
        raise Refusal(RefusalCode.AFTER_THE_NEXT_FEED, "at", {"next_feed_at": feeds[place].at.isoformat()})
    grams(feed.keep_g, "keep_g")
    grams(feed.water_g, "water_g")
    grams(feed.salt_g, "salt_g")
    for part in feed.flours:
        grams(part.g, f"flours.{part.flour}")
    if feed.flour_g <= 0:
        raise Refusal(RefusalCode.NO_FLOUR, f"flours.{feed.flours[0].flour}" if feed.flours else "flours")
    if feed.water_g <= 0:
        raise Refusal(RefusalCode.NO_WATER, "water_g")
    if feed.line_mm is not None:
        within(feed.line_mm, 1.0, setup.vessel.height_mm, "line_mm")
    _admit_kept(setup, others, feed, is_first=place == 0)
    most_g = most_grams(setup.vessel)
    if feed.total_g > most_g:
        raise Refusal(RefusalCode.JAR_TOO_SMALL, "water_g", {"total_g": feed.total_g, "most_g": round(most_g)})


def _admit_kept(setup: Setup, others: Log, feed: Feed, *, is_first: bool) -> None:
    earlier = tuple(other for other in others if other.at < feed.at)
    there_is = 0.0 if is_first else replay(setup.vessel, earlier).contents.total_g
    if feed.keep_g > there_is + WEIGHING_SLACK_G:
        facts = {"there_is_g": round(there_is, 1)}
        raise Refusal(RefusalCode.KEEPS_MORE_THAN_THERE_IS, "keep_g", facts)
    if not is_first and feed.keep_g <= 0:
        raise Refusal(RefusalCode.NOTHING_KEPT, "keep_g", {"there_is_g": round(there_is, 1)})


def _admit_look(setup: Setup, others: Log, look: Look) -> None:
    if look.is_empty:
        raise Refusal(RefusalCode.EMPTY_LOOK, "level")
    feeds = feeds_of(others)
    if not feeds or look.at < feeds[0].at:
        start = {"first_mix_at": feeds[0].at.isoformat()} if feeds else {}
        raise Refusal(RefusalCode.BEFORE_THE_START, "at", start)
    if look.level is not None:
        then = tuple(other for other in in_order(others) if other.at <= look.at)
        as_times(look.level, setup.vessel, replay(setup.vessel, then).rounds[-1].line_mm)


def _admit_bin(others: Log, end: Bin) -> None:
    later = [other.at for other in others if other.at > end.at]
    if any(isinstance(other, Bin) for other in others):
        raise Refusal(RefusalCode.JAR_IS_BINNED, "at")
    if later:
        raise Refusal(RefusalCode.BEFORE_THE_LAST_FEED, "at", {"last_feed_at": max(later).isoformat()})
