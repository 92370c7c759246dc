"""A bake, back from its grams and its hour: how many feeds, of what, and when, inside the baker's hours.

The search is over usual ratios, from the last feed back to the first, at the jar's own pace and at one warmth; what it
finds is then followed by the jar's own model through day, night and fridge, and its last feed is put right by that.
Numbers are common practice.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from enum import StrEnum
from heapq import nsmallest

from ..kitchen.flours import Blend, FlourGrams, FlourShare, divide
from ..kitchen.hours import HOUR, Hours, fit
from ..kitchen.quantities import grams, on_scale
from ..kitchen.vessel import most_grams
from ..kitchen.warmth import Stay
from ..mixing.contents import Origin
from ..mixing.feeding import ratio_as_weighed
from ..planner import Plan
from ..record.ledger import Ledger, is_cold
from ..record.log import Bake, BakeFeed, Log
from ..refusal import Refusal, RefusalCode, within
from ..setups import Setup, background_of, course_of, ledger_of, plan_of, warmth_told
from ..tracker import Background, IfFed, TimeSpread, forecast, if_fed, if_woken, of_a_grown_jar
from ..tracker.rounds import Turn
from .alterations import BAKE_AT_MOST_AHEAD

# Flour to seed, as bakers feed.
PARTS = (1.0, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0)
PARTS_BEFORE = (1.0, 2.0, 3.0, 5.0)
# A jar fed so lately, in the warm, is awake; one that slept longer needs more feeds: days of sleep, and feeds.
AWAKE_FOR = timedelta(hours=36)
SLEPT = ((4.0, 1), (21.0, 2))
FEEDS_AFTER_LONG_SLEEP = 3
# A culture of which nobody has said how long it slept; and as much of it as there surely is.
FEEDS_OF_A_SLEEPER, A_SPOON_G = 2, 30.0
# A levain is as good this long around its peak, and a feed between may be so long after the peak of the one before.
SLACK, LONGEST_AFTER = timedelta(hours=1.5), timedelta(hours=8)
# What slept long is fed once a day to wake it, whether it has peaked or not.
LONGEST_AFTER_WAKING = timedelta(hours=18)
RISEN_ENOUGH = 0.85
LEAST_OF_THE_PEAK = 0.7
LEAST_SEED_G = 2.0
# Feeds are timed to five minutes; one that is due now may be so much late.
# How far before the hour a build may begin.
LONGEST_BUILD = timedelta(days=4)
GRID, NOW_SLACK = timedelta(minutes=5), timedelta(minutes=5)
WARM_C, COOL_C = 27.0, 19.0
# A fresh look for a later hour goes by this, and no further than that.
LATER_BY, LATEST_TRY = timedelta(hours=2), timedelta(days=5)
MOST_OFFERS, MOST_FOLLOWED, MOST_SEARCHES = 3, 2, 3


@dataclass(frozen=True)
class Wanted:
    """Grams of levain for the dough at the hour of mixing; what is to stay in the jar; and every how many days."""

    grams: float
    mixed_at: datetime
    leaves_g: float = 20.0
    every_days: int = 0


class Where(StrEnum):
    """Where the jar is to stand for it: where it is, or somewhere warmer or cooler."""

    HERE = "here"
    WARMER = "warmer"
    COOLER = "cooler"


@dataclass(frozen=True)
class FeedTowards:
    """One feed: when, its grams and ratio."""

    at: datetime
    keep_g: float
    flours: tuple[FlourGrams, ...]
    water_g: float
    ratio: str


@dataclass(frozen=True)
class Offer:
    """One way to have it: the feeds, and when the last of them is at its peak: earliest, likely, latest.

    `weaker` says that it takes fewer feeds than so long a sleep asks for. `celsius` is how warm it stands for it.
    """

    feeds: tuple[FeedTowards, ...]
    mixed_at: datetime
    peaks: tuple[datetime, datetime, datetime]
    where: Where
    celsius: float
    weaker: bool


@dataclass(frozen=True)
class BakeOffers:
    """The ways that fit, the best first; and where none does, or another hour would do better, the soonest that is
    possible. `usual_feeds` is how many so long a sleep asks for, `there_is_g` what the jar holds."""

    offers: tuple[Offer, ...]
    soonest: Offer | None
    usual_feeds: int
    there_is_g: float


def bake_offers(setup: Setup, log: Log, wanted: Wanted, now: datetime) -> BakeOffers:
    """Raises Refusal (before_the_start, not_a_number, out_of_range, time_out_of_range, jar_too_small)."""
    now = now.astimezone(UTC)
    table = _table(setup, log, wanted, now)
    offers = list(table.offers(wanted.mixed_at.astimezone(UTC)))
    soonest = None if offers else table.soonest(wanted.mixed_at.astimezone(UTC))
    return BakeOffers(tuple(offers[:MOST_OFFERS]), soonest, table.usual_feeds, table.there_is_g)


def grown_offers(setup: Setup, wanted: Wanted, feeds: int, wet_percent: float) -> tuple[Offer, ...]:
    """The same for any grown jar that stands where the set-up says: so many feeds inside its hours, or none."""
    mixed_at = wanted.mixed_at.astimezone(UTC)
    now = mixed_at - LONGEST_BUILD
    table = replace(
        _table(setup, (), wanted, now), grown=True, wet_share=within(wet_percent, 50.0, 150.0, "hydration") / 100.0
    )
    found = table.offer(mixed_at, feeds, Where.HERE, setup.warmth_c)
    return (found,) if found else ()


def as_bake(entry_id: str, offer: Offer, wanted: Wanted, now: datetime) -> Bake:
    """The entry that takes an offer."""
    feeds = tuple(BakeFeed(one.at, one.keep_g, one.flours, one.water_g) for one in offer.feeds)
    return Bake(entry_id, now, offer.mixed_at, wanted.grams, feeds, wanted.leaves_g, wanted.every_days)


def _table(setup: Setup, log: Log, wanted: Wanted, now: datetime) -> _Search:
    grams(wanted.grams, "grams", least=1.0)
    grams(wanted.leaves_g, "leaves_g")
    course = course_of(setup)
    ledger = ledger_of(setup, course, log)
    asleep = course.origin is not Origin.FLOUR_AND_WATER
    if (not ledger.rounds and not asleep) or ledger.binned:
        raise Refusal(RefusalCode.BEFORE_THE_START, "mixed_at")
    if not now < wanted.mixed_at <= now + BAKE_AT_MOST_AHEAD:
        facts = {"earliest": now.isoformat(), "latest": (now + BAKE_AT_MOST_AHEAD).isoformat()}
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, "mixed_at", facts)
    total = on_scale(wanted.grams + wanted.leaves_g, setup.step)
    most = most_grams(ledger.vessel)
    if total > most:
        raise Refusal(RefusalCode.JAR_TOO_SMALL, "grams", {"total_g": total, "most_g": round(most)})
    made = plan_of(setup, course, ledger, now, most_ahead=1)
    background = background_of(setup, course, ledger)
    told = forecast(ledger, background, ())
    pace = told.basis.pace if told else 1.0
    return _Search(setup, ledger, background, made, total, pace, told.peaks.likely if told else None, now)


@dataclass(frozen=True)
class _Meal:
    """A feed by its ratio, before it is weighed: when, flour to seed, and how many hours off what it is for."""

    at: datetime
    parts: float
    miss_h: float


@dataclass(frozen=True)
class _Search:
    setup: Setup
    ledger: Ledger
    background: Background
    made: Plan
    total_g: float
    pace: float
    running_peak: datetime | None
    now: datetime
    grown: bool = False
    wet_share: float | None = None

    @property
    def hours(self) -> Hours:
        return self.made.hours

    @property
    def there_is_g(self) -> float:
        """What a culture that still sleeps elsewhere holds is not known: enough to begin with."""
        return self.ledger.contents.total_g if self.ledger.rounds else A_SPOON_G

    @property
    def blend(self) -> Blend:
        if self.made.own.blend:
            return self.made.own.blend
        fed = next((turn.feed for turn in reversed(self.ledger.rounds) if turn.feed.flour_g), None)
        if fed is None:
            return self.made.course.culture.blend
        return tuple(FlourShare(part.flour, part.g / fed.flour_g) for part in fed.flours if part.g)

    @property
    def wet(self) -> float:
        """Water to flour of a feed: the baker's own, or as the last feed had it."""
        if self.wet_share is not None:
            return self.wet_share
        own = self.made.own.hydration_percent
        fed = next((turn.feed for turn in reversed(self.ledger.rounds) if turn.feed.flour_g), None)
        share = own / 100.0 if own else fed.liquid_g / fed.flour_g if fed else 1.0
        return min(1.5, max(0.5, share))

    @property
    def usual_feeds(self) -> int:
        if not self.ledger.rounds:
            return 1 if self.grown else FEEDS_OF_A_SLEEPER
        since = self.now - self.ledger.rounds[-1].feed.at
        if since <= AWAKE_FOR and not is_cold(self.ledger, self.now):
            return 1
        days = since / timedelta(days=1)
        return next((feeds for most, feeds in SLEPT if days < most), FEEDS_AFTER_LONG_SLEEP)

    def offers(self, mixed_at: datetime) -> Iterator[Offer]:
        """The best by number of feeds and place, the fitting ones first."""
        told: list[tuple[tuple[int, float], Offer]] = []
        ready = self._as_it_stands(mixed_at)
        if ready:
            yield ready
        here = warmth_told(self.setup, self.ledger)
        places = [(Where.HERE, here)]
        places += [(Where.WARMER, WARM_C)] if here < WARM_C - 2.0 else []
        places += [(Where.COOLER, COOL_C)] if here > COOL_C + 2.0 else []
        for where, celsius in places:
            most = min(FEEDS_AFTER_LONG_SLEEP, self.usual_feeds + 1)
            numbers = range(1, most + 1) if where is Where.HERE else (self.usual_feeds,)
            for feeds in numbers:
                offer = self.offer(mixed_at, feeds, where, celsius)
                if offer is None:
                    continue
                off = abs(feeds - self.usual_feeds) + (0 if where is Where.HERE else 2)
                told.append(((off, abs(offer.peaks[1] - mixed_at) / HOUR), offer))
        yield from (offer for _, offer in sorted(told, key=lambda one: one[0]))

    def soonest(self, after: datetime) -> Offer | None:
        """The first hour from then on, or from now, at which it can be had."""
        here = warmth_told(self.setup, self.ledger)
        at = max(after, self.now)
        while at < max(after, self.now) + LATEST_TRY:
            found = self.offer(at, self.usual_feeds, Where.HERE, here)
            if found:
                return found
            at += LATER_BY
        return None

    def offer(self, mixed_at: datetime, feeds: int, where: Where, celsius: float) -> Offer | None:
        """The best chain of so many feeds that also holds by the jar's own model.

        One that slept, or grew thin, is slower than a grown jar at first: by how much is seen on the first chain, and
        the search is made again with that.
        """
        slower = 1.0
        for _ in range(MOST_SEARCHES):
            chains = self._chains(mixed_at, feeds, self.total_g, celsius, slower, last=True)
            best = nsmallest(MOST_FOLLOWED, chains, key=self._score)
            for chain in best:
                offer = self._followed(chain, mixed_at, where, celsius)
                if offer:
                    return offer
            if not best:
                return None
            last = best[0][-1]
            told = self._would(self._weighed(best[0]), where, celsius)
            took = (told.peaks.likely - last.at) / HOUR
            slower = took / self._peak_h(last.parts, celsius)
        return None

    def _as_it_stands(self, mixed_at: datetime) -> Offer | None:
        """Without a feed, where the running one will be at its peak and is enough."""
        if self.running_peak is None or self.total_g > self.there_is_g or is_cold(self.ledger, self.now):
            return None
        if abs(self.running_peak - mixed_at) > SLACK or self.usual_feeds > 1:
            return None
        told = forecast(self.ledger, self.background, ())
        assert told is not None
        peaks = (told.peaks.earliest, told.peaks.likely, told.peaks.latest)
        return Offer((), mixed_at, peaks, Where.HERE, told.basis.celsius, weaker=False)

    # --- at one warmth ---

    def _score(self, chain: Sequence[_Meal]) -> float:
        """Off the hour, oddly large meals, and days of work all count against it."""
        odd = sum(max(0.0, one.parts - 5.0) + max(0.0, 1.5 - one.parts) for one in chain)
        return sum(one.miss_h for one in chain) + 0.3 * odd + 0.02 * ((chain[-1].at - chain[0].at) / HOUR)

    def _chains(
        self, wanted: datetime, feeds: int, total_g: float, celsius: float, slower: float, *, last: bool
    ) -> Iterator[tuple[_Meal, ...]]:
        """Chains of feeds of which the last is as it should be at the hour, from the last back to the first."""
        for parts in PARTS if last else PARTS_BEFORE:
            seed = total_g / (1.0 + parts * (1.0 + self.wet))
            if seed < LEAST_SEED_G or (feeds == 1 and seed > self.there_is_g):
                continue
            peak = timedelta(hours=self._peak_h(parts, celsius) * slower)
            if last:
                earliest, latest = wanted - peak - SLACK, wanted - peak + SLACK
            else:
                after = LONGEST_AFTER_WAKING if self.usual_feeds > 1 else LONGEST_AFTER
                earliest, latest = wanted - peak - after, wanted - peak * RISEN_ENOUGH
            earliest = max(earliest, self.now - NOW_SLACK)
            if earliest > latest:
                continue
            fitted = fit(self.hours, max(wanted - peak, earliest), earliest, latest)
            if not fitted.fits:
                continue
            at = _to_grid(fitted.at)
            meal = _Meal(at, parts, abs(at + peak - wanted) / HOUR * (1.0 if last else 0.15))
            if feeds == 1:
                yield (meal,)
                continue
            before = self._chains(at, feeds - 1, seed, celsius, slower, last=False)
            nearest = min(before, key=self._score, default=None)
            if nearest:
                yield (*nearest, meal)

    def _peak_h(self, parts: float, celsius: float) -> float:
        lot = tuple(FlourGrams(part.flour, part.share * parts) for part in self.blend)
        meal = Turn(0.0, 1.0, lot, parts * self.wet, 0.0, 0.0)
        return of_a_grown_jar(meal, self.blend, round(celsius, 1), round(self.pace, 1)).peak.middle

    # --- by the jar's own model ---

    def _followed(self, chain: Sequence[_Meal], mixed_at: datetime, where: Where, celsius: float) -> Offer | None:
        """Weighed out, followed through warmth and fridge, and its last feed moved to where its peak is at the hour."""
        for _ in range(3):
            feeds = self._weighed(chain)
            if feeds[0].keep_g > self.there_is_g:
                return None
            told = self._would(feeds, where, celsius)
            off = told.peaks.likely - mixed_at
            moved = self._moved(chain, off, celsius)
            if abs(off) <= timedelta(minutes=20) or moved is None or moved == chain:
                break
            chain = moved
        if abs(told.peaks.likely - mixed_at) > 1.5 * SLACK and not (
            told.peaks.earliest <= mixed_at <= told.peaks.latest
        ):
            return None
        peaks = (told.peaks.earliest, told.peaks.likely, told.peaks.latest)
        return Offer(tuple(feeds), mixed_at, peaks, where, celsius, weaker=len(chain) < self.usual_feeds)

    def _gap(self, meal: _Meal, celsius: float) -> timedelta:
        """How long a feed has at least before the next."""
        return timedelta(hours=self._peak_h(meal.parts, celsius) * LEAST_OF_THE_PEAK)

    def _moved(self, chain: Sequence[_Meal], off: timedelta, celsius: float) -> tuple[_Meal, ...] | None:
        """The last feed earlier or later by as much, inside the hours and after what is before it."""
        *before, last = chain
        least = before[-1].at + self._gap(before[-1], celsius) if before else self.now - NOW_SLACK
        wished = max(last.at - off, least)
        fitted = fit(self.hours, wished, wished - 2.0 * SLACK, wished + 2.0 * SLACK)
        if not fitted.fits or fitted.at < least:
            return None
        return (*before, replace(last, at=_to_grid(fitted.at)))

    def _weighed(self, chain: Sequence[_Meal]) -> list[FeedTowards]:
        """From the total back to the seed, each feed on all that the one before made."""
        step = self.setup.step
        told: list[FeedTowards] = []
        total = self.total_g
        for meal in reversed(chain):
            seed = max(step, on_scale(total / (1.0 + meal.parts * (1.0 + self.wet)), step))
            flour = on_scale((total - seed) / (1.0 + self.wet), step)
            water = round(total - seed - flour, 6)
            flours = divide(flour, self.blend, step)
            told.append(FeedTowards(meal.at, seed, flours, water, ratio_as_weighed(seed, flour, water)))
            total = seed
        return list(reversed(told))

    def _would(self, feeds: Sequence[FeedTowards], where: Where, celsius: float) -> IfFed:
        if self.grown:
            return self._of_a_grown_jar(feeds[-1], celsius)
        start = self.ledger.rounds[0].feed.at if self.ledger.rounds else max(feeds[0].at, self.now)
        meals = [
            Turn((max(one.at, self.now) - start) / HOUR, one.keep_g, one.flours, one.water_g, 0.0, 0.0) for one in feeds
        ]
        place = self.background.place
        first = start + timedelta(hours=meals[0].at_h)
        if where is not Where.HERE:
            place = replace(place, moves=(*place.moves, Stay(first, celsius)))
        cold = self.background.cold
        if cold and cold[-1][1] is None:
            # It comes out for its first feed.
            cold = (*cold[:-1], (cold[-1][0], max(first, cold[-1][0])))
        background = replace(self.background, place=place, cold=cold)
        if not self.ledger.rounds:
            return if_woken(self.ledger, background, start, *meals)
        return if_fed(self.ledger, background, *meals)

    def _of_a_grown_jar(self, last: FeedTowards, celsius: float) -> IfFed:
        meal = Turn(0.0, last.keep_g, last.flours, last.water_g, 0.0, 0.0)
        told = of_a_grown_jar(meal, self.blend, celsius)
        peaks = (last.at + timedelta(hours=hour) for hour in (told.peak.low, told.peak.middle, told.peak.high))
        return IfFed(None, TimeSpread(*peaks), told.peak_times, None)


def _to_grid(at: datetime) -> datetime:
    minutes = round((at.minute + at.second / 60.0) / (GRID / timedelta(minutes=1))) * (GRID // timedelta(minutes=1))
    return at.replace(minute=0, second=0, microsecond=0) + timedelta(minutes=minutes)
