"""The demo baker works nights on a ferry, has a cool kitchen, likes spelt and high-extraction wheat.

All of it is invented, and played by the simulator from fixed seeds.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta

from ferment.doors.bakes import Wanted, as_bake, bake_offers
from ferment.kitchen.flours import Flour
from ferment.kitchen.hours import Band, Hours, waking_hours
from ferment.kitchen.vessel import Vessel
from ferment.methods.keeping import KEEPING, Keeping
from ferment.protocol.options import Choices
from ferment.record.log import DiscardTo, Entry, Feed, Log, Look, Top
from ferment.record.terms import OtherWay
from ferment.setups import Setup
from ferment.simulation import TIDY, Habits, Happenings, Truth, play
from logbook.bodies import AnyBody, BinBody, from_core

HIGH_EXTRACTION_AND_RYE = {"high_extraction": 3.0, "rye": 1.0}
SPELT_AND_RYE = {"spelt": 2.0, "rye": 1.0}


def _shift(hour: int) -> tuple[int, int]:
    """Minutes of the day at which the baker is home: three hours around the first mix, and nine hours later."""
    return hour * 60, (hour + 9) % 24 * 60


@dataclass(frozen=True)
class DemoBag:
    """A bag of flour on the demo's shelf, weighed so many days ago; `g` is None where it never was."""

    flour: Flour
    name: str
    price_per_kg: float | None
    g: float | None
    days_ago: float


BAGS = (
    DemoBag(Flour.RYE, "Ferry mill rye", 2.6, 400.0, 18.0),
    DemoBag(Flour.HIGH_EXTRACTION, "Half-white from the market", 2.1, 2500.0, 30.0),
    DemoBag(Flour.SPELT, "Spelt, last year's", 3.9, 180.0, 14.0),
    DemoBag(Flour.SPELT, "Spelt, new", 4.2, 500.0, 4.0),
    DemoBag(Flour.WHITE, "Plain white", None, None, 0.0),
)
# What the demo's discard jar holds to its rim, in ml.
DISCARD_ML = 500.0


def equal_parts(grams: float, blend: dict[str, float], every_h: float = 24.0) -> Choices:
    return {
        "every_hours": every_h,
        "seed_grams": grams,
        "start_grams": grams,
        "first_blend": blend,
        "blend": blend,
    }


@dataclass(frozen=True)
class DemoJar:
    """A jar whose first mix was `age_h` hours before now."""

    name: str
    age_h: float
    family: str
    choices: Choices
    vessel: Vessel
    warmth_c: float
    seed: int
    truth: Truth | None = None
    habits: Habits = TIDY
    happenings: Happenings | None = None
    spoiled: str | None = None
    # Days after which it was kept in the fridge, and the grams of the bake that is planned with it.
    chilled_after: float | None = None
    bakes: float | None = None
    # Days after which its discard goes into the discard jar, not to the compost.
    gives_after: float | None = None

    def starts_at(self, now: datetime) -> datetime:
        # Minutes a baker would write down, not the second of the launch.
        start = (now - timedelta(hours=self.age_h)).astimezone(UTC)
        return start.replace(minute=start.minute // 5 * 5, second=0, microsecond=0)

    def setup(self, starts_at: datetime) -> Setup:
        return Setup(self.family, self.choices, self.vessel, starts_at, warmth_c=self.warmth_c)

    def log(self, now: datetime) -> Iterator[AnyBody]:
        start = self.starts_at(now)
        # The night shift: at the jars before it and after it, whatever the hour on the wall.
        around = tuple(Band(minute, (minute + 180) % 1440 or 1440) for minute in sorted(_shift(start.hour)))
        setup = replace(self.setup(start), hours=Hours(UTC, around, around))
        days = (now - start) / timedelta(days=1)
        last: Look | None = None
        played = play(setup, days, self.seed, self.truth, self.habits, self._happenings(start)).log
        for entry in played:
            last = entry if isinstance(entry, Look) else last
            yield from_core(self._with_discard(entry, start))
        if self.spoiled and last is not None:
            at = start + timedelta(hours=self.age_h - 4.0)
            seen = replace(last, at=at, top=frozenset({Top.FUZZY_SPOTS}), level=None)
            yield from_core(seen, note=self.spoiled)
            yield BinBody(kind="bin", at=at + timedelta(hours=0.5), note="")
        if self.bakes is not None:
            yield from self._bake(played, now)

    def _with_discard(self, entry: Entry, start: datetime) -> Entry:
        if not isinstance(entry, Feed) or entry.at <= start:
            return entry
        gives = self.gives_after is not None and entry.at > start + timedelta(days=self.gives_after)
        return replace(entry, discard_to=DiscardTo.JAR if gives else DiscardTo.COMPOST)

    def _happenings(self, start: datetime) -> Happenings | None:
        if self.chilled_after is None:
            return self.happenings
        way = KEEPING[Keeping.FRIDGE]
        kept = OtherWay("kept", start + timedelta(days=self.chilled_after), way.family, way.choices)
        return replace(self.happenings or Happenings(), decided=(kept,))

    def _bake(self, log: Log, now: datetime) -> Iterator[AnyBody]:
        """What the product itself offers for Saturday at nine."""
        saturday = now.replace(hour=9, minute=0, second=0, microsecond=0) + timedelta(days=(5 - now.weekday()) % 7)
        mixed_at = saturday if saturday > now + timedelta(days=1) else saturday + timedelta(days=7)
        setup = replace(self.setup(self.starts_at(now)), hours=waking_hours(UTC))
        wanted = Wanted(self.bakes or 0.0, mixed_at)
        found = bake_offers(setup, log, wanted, now)
        best = next(iter(found.offers), found.soonest)
        if best is not None:
            yield from_core(as_bake("bake", best, wanted, now), note="Two spelt loaves for the crew.")


JARS = (
    DemoJar(
        name="Harbour",
        age_h=8 * 24 + 16.0,
        family="equal_parts",
        choices=equal_parts(40.0, HIGH_EXTRACTION_AND_RYE),
        vessel=Vessel(tare_g=214.0, volume_ml=360.0, height_mm=98.0),
        warmth_c=23.0,
        seed=14,
        truth=Truth(vigour=0.75, height=1.1, native=0.8),
        habits=Habits(notes_high_mark=0.6),
        happenings=Happenings(away=((120.0, 142.0),), cold=((152.0, 160.0),)),
    ),
    DemoJar(
        name="Moth",
        age_h=3 * 24 + 20.0,
        family="equal_parts",
        choices=equal_parts(30.0, SPELT_AND_RYE),
        vessel=Vessel(tare_g=186.0, volume_ml=290.0, height_mm=88.0),
        warmth_c=20.0,
        seed=5,
        truth=Truth(vigour=0.9),
    ),
    DemoJar(
        name="Lantern",
        age_h=2 * 24 + 9.0,
        family="dried_soak",
        choices={"seed_grams": 25.0, "first_blend": {"rye": 1.0}, "blend": {"rye": 1.0}},
        vessel=Vessel(tare_g=158.0, volume_ml=230.0, height_mm=80.0),
        warmth_c=22.0,
        seed=3,
        habits=replace(TIDY, late_h=0.2),
    ),
    DemoJar(
        name="Bellows",
        age_h=6 * 24 + 5.0,
        family="equal_parts",
        choices=equal_parts(30.0, {"white": 1.0}, 12.0),
        vessel=Vessel(tare_g=201.0, volume_ml=310.0, height_mm=92.0),
        warmth_c=21.0,
        seed=8,
        happenings=Happenings(away=((30.0, 84.0), (88.0, 150.0))),
        spoiled="Green, at the rim. Left it too long.",
    ),
    DemoJar(
        name="Quarry",
        age_h=19 * 24 + 3.0,
        family="equal_parts",
        choices=equal_parts(30.0, SPELT_AND_RYE),
        vessel=Vessel(tare_g=232.0, volume_ml=580.0, height_mm=120.0),
        warmth_c=24.0,
        seed=21,
        truth=Truth(vigour=1.1, height=1.1),
        habits=replace(TIDY, looks=4.0, looks_when_asked=True),
        chilled_after=12.0,
        bakes=180.0,
        gives_after=9.0,
    ),
    # Beside Harbour, all rye.
    DemoJar(
        name="Jetty",
        age_h=8 * 24 + 16.0,
        family="equal_parts",
        choices=equal_parts(40.0, {"rye": 1.0}),
        vessel=Vessel(tare_g=214.0, volume_ml=360.0, height_mm=98.0),
        warmth_c=23.0,
        seed=32,
        truth=Truth(vigour=0.95, height=1.1, native=0.8),
        habits=Habits(notes_high_mark=0.6),
        happenings=Happenings(away=((120.0, 142.0),), cold=((152.0, 160.0),)),
    ),
)


# How often the simulated camera takes a picture, in minutes: often enough to be looked on at.
CAMERA_EVERY_MIN = 0.33


@dataclass(frozen=True)
class DemoTrial:
    """Jars of the demo that are raised side by side, the plain one first."""

    name: str
    jars: tuple[str, ...]


TRIAL = DemoTrial("All rye, or with half-white", ("Harbour", "Jetty"))
