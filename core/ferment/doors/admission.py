"""What may enter the log: the checks that an entry must pass before it becomes part of the truth."""

from __future__ import annotations

from datetime import datetime, timedelta

from ..kitchen.quantities import grams
from ..kitchen.vessel import MOST_TARE_G, as_times, most_grams
from ..mixing.contents import Origin
from ..mixing.feeding import FeedPlan
from ..protocol.course import Course
from ..record.log import (
    Bake,
    Bin,
    Deed,
    DiscardTo,
    Entry,
    Feed,
    Leave,
    Log,
    Look,
    PutBack,
    Use,
    Word,
    feeds_of,
    in_order,
)
from ..record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay
from ..refusal import Refusal, RefusalCode, within
from ..setups import Setup, course_of, feed_now, ledger_of
from ..signs import SIGNS
from ..signs.contract import Urgency
from .alterations import WEIGHING_SLACK_G, admit_bake, admit_put_back, admit_term, admit_use
from .assessment import assess
from .fitting import fullest_g, size_that_fits

# Two devices' clocks differ a little; what is further ahead is a slip of the hand.
CLOCK_SLACK = timedelta(minutes=5)
# A jar is planned for a day that can still be seen from here, or was begun lately and is written down now.
START_AT_MOST_AHEAD = timedelta(days=60)
START_AT_MOST_AGO = timedelta(days=30)
# A jar on the counter can be left alone for a while; longer is the fridge's work, and beyond that the flakes'.
LEFT_AT_MOST = timedelta(days=7)
AWAY_AT_MOST = timedelta(days=90)
DANGERS = frozenset(sign.code.value for sign in SIGNS if sign.urgency is Urgency.DANGER)


def admit_setup(setup: Setup, now: datetime) -> None:
    """Check a jar before it is planned: its method, its glass, and that every feed in sight fits. Raises Refusal."""
    fullest = fullest_g(setup)
    most_g = most_grams(setup.vessel)
    if fullest > most_g:
        share = size_that_fits(setup) / setup.size
        facts = {"total_g": fullest, "most_g": round(most_g), **({"fits_share": share} if share < 1.0 else {})}
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
    if isinstance(entry, Feed):
        _admit_feed(setup, others, entry, before)
    elif isinstance(entry, Look):
        _admit_look(setup, others, entry)
    elif isinstance(entry, Bin):
        _admit_bin(others, entry)
    else:
        if not (isinstance(entry, Bake) and course_of(setup).origin is not Origin.FLOUR_AND_WATER):
            _after_the_first_mix(others, entry.at)
        _admit_on_the_way(setup, tuple(other for other in in_order(others) if other.at <= entry.at), entry)


OnTheWay = (
    Deed | Word | Leave | Use | PutBack | Bake | Moved | OtherJar | OtherFlour | OtherRhythm | OtherAmount | OtherWay
)


def _admit_on_the_way(setup: Setup, earlier: Log, entry: OnTheWay) -> None:
    match entry:
        case Deed():
            pass
        case Word():
            if entry.about in DANGERS:
                # What was noted by mistake is corrected in the look that shows it.
                raise Refusal(RefusalCode.DANGER_STANDS, "about", {"sign": entry.about})
        case Leave():
            _admit_leave(setup, earlier, entry)
        case Use():
            admit_use(setup, earlier, entry)
        case PutBack():
            admit_put_back(setup, earlier, entry)
        case Bake():
            admit_bake(setup, earlier, entry)
        case _:
            admit_term(setup, earlier, entry)


def _admit_leave(setup: Setup, earlier: Log, leave: Leave) -> None:
    """On the counter for some days, in the fridge for weeks; for longer a jar is dried."""
    rests = ledger_of(setup, course_of(setup), earlier).rests_since is not None
    latest = leave.at + (AWAY_AT_MOST if rests else LEFT_AT_MOST)
    if leave.until <= leave.at:
        facts = {"earliest": leave.at.isoformat(), "latest": latest.isoformat()}
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, "until", facts)
    if leave.until > latest:
        instead = "flakes" if rests or leave.until > leave.at + AWAY_AT_MOST else "fridge"
        raise Refusal(RefusalCode.AWAY_TOO_LONG, "until", {"latest": latest.isoformat(), "instead": instead})


def admit_removal(log: Log, entry: Entry) -> None:
    """A first mix can only go when no feed stands on it. Raises Refusal (first_mix_has_feeds)."""
    feeds = feeds_of(log)
    if len(feeds) > 1 and feeds[0].id == entry.id:
        raise Refusal(RefusalCode.FIRST_MIX_HAS_FEEDS, "id", {"feeds": float(len(feeds) - 1)})


def _admit_feed(setup: Setup, others: Log, feed: Feed, before: Entry | None) -> None:
    feeds = feeds_of(others)
    # An edited feed keeps its place; a new one that was forgotten is put in between, after the first mix.
    place = sum(1 for other in feeds if other.at < (before or feed).at)
    if before is None and feeds and place == 0:
        raise Refusal(RefusalCode.BEFORE_THE_LAST_FEED, "at", {"last_feed_at": feeds[0].at.isoformat()})
    if place and feed.at <= feeds[place - 1].at:
        last = feeds[place - 1].at.isoformat()
        raise Refusal(RefusalCode.BEFORE_THE_LAST_FEED, "at", {"last_feed_at": last})
    if place < len(feeds) and feed.at >= feeds[place].at:
        raise Refusal(RefusalCode.AFTER_THE_NEXT_FEED, "at", {"next_feed_at": feeds[place].at.isoformat()})
    for value, field in ((feed.keep_g, "keep_g"), (feed.water_g, "water_g"), (feed.juice_g, "juice_g")):
        grams(value, field)
    grams(feed.salt_g, "salt_g")
    if feed.tare_g is not None:
        within(feed.tare_g, 0.0, MOST_TARE_G, "tare_g")
    for part in feed.flours:
        grams(part.g, f"flours.{part.flour}")
    course = course_of(setup)
    earlier = tuple(other for other in others if other.at < feed.at)
    _admit_food(feed, _planned(setup, course, earlier, feed.at))
    vessel = ledger_of(setup, course, earlier).vessel
    if feed.line_mm is not None:
        within(feed.line_mm, 1.0, vessel.height_mm, "line_mm")
    _admit_kept(setup, course, earlier, feed, is_first=place == 0)
    if feed.discard_to is DiscardTo.JAR and place and not assess(setup, earlier, feed.at).discard_is_food:
        raise Refusal(RefusalCode.DISCARD_IS_NO_FOOD, "discard_to", {"instead": "compost, bin"})
    most_g = most_grams(vessel)
    if feed.total_g > most_g:
        raise Refusal(RefusalCode.JAR_TOO_SMALL, "water_g", {"total_g": feed.total_g, "most_g": round(most_g)})


def _planned(setup: Setup, course: Course, earlier: Log, at: datetime) -> FeedPlan | None:
    try:
        return feed_now(setup, course, ledger_of(setup, course, earlier), at).plan
    except Refusal:
        # The method's own amounts make no sense after what went in; the baker's may.
        return None


def _admit_food(feed: Feed, planned: FeedPlan | None) -> None:
    """Flour and water both, but where the method itself puts in only one of them (a soak, and what follows it)."""
    if feed.flour_g <= 0 and (planned is None or planned.flour_g or feed.liquid_g <= 0):
        raise Refusal(RefusalCode.NO_FLOUR, f"flours.{feed.flours[0].flour}" if feed.flours else "flours")
    if feed.liquid_g <= 0 and (planned is None or planned.liquid_g or feed.flour_g <= 0):
        raise Refusal(RefusalCode.NO_WATER, "water_g")


def _admit_kept(setup: Setup, course: Course, earlier: Log, feed: Feed, *, is_first: bool) -> None:
    if is_first and course.origin is not Origin.FLOUR_AND_WATER:
        # A culture from outside: as much as the jar takes.
        if feed.keep_g <= 0:
            raise Refusal(RefusalCode.NOTHING_KEPT, "keep_g", {"there_is_g": round(most_grams(setup.vessel))})
        return
    there_is = 0.0 if is_first else ledger_of(setup, course, earlier).contents.total_g
    if feed.keep_g > there_is + WEIGHING_SLACK_G:
        facts = {"there_is_g": round(there_is, 1)}
        raise Refusal(RefusalCode.KEEPS_MORE_THAN_THERE_IS, "keep_g", facts)
    if not is_first and feed.keep_g <= 0:
        raise Refusal(RefusalCode.NOTHING_KEPT, "keep_g", {"there_is_g": round(there_is, 1)})


def _after_the_first_mix(others: Log, at: datetime) -> None:
    feeds = feeds_of(others)
    if not feeds or at < feeds[0].at:
        start = {"first_mix_at": feeds[0].at.isoformat()} if feeds else {}
        raise Refusal(RefusalCode.BEFORE_THE_START, "at", start)


def _admit_look(setup: Setup, others: Log, look: Look) -> None:
    if look.is_empty:
        raise Refusal(RefusalCode.EMPTY_LOOK, "level")
    _after_the_first_mix(others, look.at)
    if look.ph is not None:
        within(look.ph, 2.5, 8.0, "ph")
    if look.celsius is not None:
        within(look.celsius, -5.0, 60.0, "celsius")
    if look.level is not None or look.high is not None:
        then = tuple(other for other in in_order(others) if other.at <= look.at)
        ledger = ledger_of(setup, course_of(setup), then)
        for level, field in ((look.level, "level"), (look.high, "high")):
            if level is not None:
                as_times(level, ledger.vessel, ledger.rounds[-1].line_mm, field)


def _admit_bin(others: Log, end: Bin) -> None:
    later = [other.at for other in others if other.at > end.at]
    if any(isinstance(other, Bin) for other in others):
        raise Refusal(RefusalCode.JAR_IS_BINNED, "at")
    if later:
        raise Refusal(RefusalCode.BEFORE_THE_LAST_FEED, "at", {"last_feed_at": max(later).isoformat()})
