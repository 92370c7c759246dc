"""The demo baker works nights on a ferry, has a cool kitchen, likes spelt and high-extraction wheat. All invented."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime, timedelta

from ferment.flours import Flour, blend_of, divide
from ferment.log import Bubbles, Smell, Thickness, Top
from ferment.protocol.options import Choices
from ferment.setups import Setup
from ferment.vessel import LevelUnit, Vessel
from logbook.bodies import AnyBody, BinBody, FeedBody, FlourBody, LevelBody, LookBody

FEW, THROUGHOUT, FROTH = Bubbles.FEW, Bubbles.THROUGHOUT, Bubbles.FROTH
BATTER, THIN = Thickness.THICK_BATTER, Thickness.THIN_BATTER


@dataclass(frozen=True)
class Seen:
    """A look so many hours after the feed, the level as a multiple of the line."""

    after_h: float
    times: float
    bubbles: Bubbles = Bubbles.NONE
    top: tuple[Top, ...] = (Top.FLAT,)
    smell: tuple[Smell, ...] = ()
    thickness: Thickness | None = None
    note: str = ""


@dataclass(frozen=True)
class Fed:
    """A feed so many hours after the first mix, grams off the plan, and the looks until the next."""

    at_h: float
    looks: tuple[Seen, ...] = ()
    flour_off_g: float = 0.0
    water_off_g: float = 0.0
    note: str = ""


@dataclass(frozen=True)
class DemoJar:
    """A jar whose first mix was `age_h` hours before now."""

    name: str
    age_h: float
    every_h: int
    seed_g: float
    blend: dict[Flour, float]
    vessel: Vessel
    feeds: tuple[Fed, ...]
    binned_after_h: float | None = None

    def starts_at(self, now: datetime) -> datetime:
        # Minutes a baker would write down, not the second of the launch.
        start = now - timedelta(hours=self.age_h)
        return start.replace(minute=start.minute // 5 * 5, second=0, microsecond=0)

    def setup(self, starts_at: datetime) -> Setup:
        blend = {flour.value: part for flour, part in self.blend.items()}
        choices: Choices = {
            "every_hours": self.every_h,
            "seed_grams": self.seed_g,
            "start_grams": self.seed_g,
            "first_blend": blend,
            "blend": blend,
        }
        return Setup("equal_parts", choices, self.vessel, starts_at, warmth_c=21.0)

    def log(self, now: datetime) -> Iterator[AnyBody]:
        start = self.starts_at(now)
        for number, feed in enumerate(self.feeds):
            at = start + timedelta(hours=feed.at_h)
            yield self._feed(feed, at, first=number == 0)
            for look in feed.looks:
                yield _look(look, at + timedelta(hours=look.after_h))
        if self.binned_after_h is not None:
            yield BinBody(kind="bin", at=start + timedelta(hours=self.binned_after_h), note="")

    def _feed(self, feed: Fed, at: datetime, *, first: bool) -> FeedBody:
        shares = blend_of({flour.value: part for flour, part in self.blend.items()})
        lot = divide(self.seed_g + feed.flour_off_g, shares, 1.0)
        return FeedBody(
            kind="feed",
            at=at,
            keep_g=0.0 if first else self.seed_g,
            flours=[FlourBody(flour=part.flour, g=part.g) for part in lot],
            water_g=self.seed_g + feed.water_off_g,
            salt_g=0.0,
            line_mm=None,
            note=feed.note,
        )


def _look(look: Seen, at: datetime) -> LookBody:
    return LookBody(
        kind="look",
        at=at,
        level=LevelBody(value=look.times, unit=LevelUnit.TIMES),
        bubbles=look.bubbles,
        top=list(look.top),
        smell=list(look.smell),
        thickness=look.thickness,
        note=look.note,
    )


HARBOUR = DemoJar(
    name="Harbour",
    age_h=8 * 24 + 16.5,
    every_h=24,
    seed_g=40.0,
    blend={Flour.HIGH_EXTRACTION: 3.0, Flour.RYE: 1.0},
    vessel=Vessel(tare_g=214.0, volume_ml=360.0, height_mm=98.0),
    feeds=(
        Fed(0.0, (Seen(9.0, 1.05, FEW, smell=(Smell.FLOURY,), thickness=BATTER), Seen(22.5, 1.3, FEW))),
        Fed(24.2, (Seen(10.0, 1.55, FROTH, (Top.DOMED,), (Smell.CHEESY,)), Seen(22.0, 1.25, FEW, (Top.SUNKEN,)))),
        Fed(47.5, (Seen(11.5, 1.1, FEW, smell=(Smell.CHEESY,)), Seen(23.0, 1.0))),
        Fed(72.0, (Seen(12.0, 1.0, smell=(Smell.SHARP,), thickness=THIN, note="Nothing. Stirred it."),)),
        Fed(96.5, (Seen(10.5, 1.1, FEW, smell=(Smell.YOGHURT,)), Seen(22.8, 1.2, FEW))),
        Fed(
            120.0,
            (
                Seen(11.0, 1.45, THROUGHOUT, (Top.DOMED,), (Smell.YOGHURT,)),
                Seen(34.5, 1.05, FEW, (Top.SUNKEN, Top.LIQUID), (Smell.SHARP,), THIN, "Double shift, missed a feed."),
            ),
        ),
        Fed(155.0, (Seen(7.5, 1.6, THROUGHOUT, (Top.DOMED,), (Smell.FRUITY,)), Seen(13.0, 1.5, FEW, (Top.SUNKEN,)))),
        Fed(
            175.5,
            (
                Seen(4.0, 1.35, THROUGHOUT),
                Seen(8.0, 1.95, THROUGHOUT, (Top.DOMED,), (Smell.FRUITY,), BATTER),
                Seen(19.0, 1.5, FEW, (Top.SUNKEN,), (Smell.BEERY,)),
            ),
            flour_off_g=3.0,
            water_off_g=3.0,
        ),
        Fed(
            199.5,
            (Seen(4.2, 1.5, THROUGHOUT), Seen(7.6, 2.1, THROUGHOUT, (Top.DOMED,), (Smell.FRUITY, Smell.BEERY), BATTER)),
        ),
    ),
)

MOTH = DemoJar(
    name="Moth",
    age_h=3 * 24 + 21.0,
    every_h=24,
    seed_g=30.0,
    blend={Flour.SPELT: 2.0, Flour.RYE: 1.0},
    vessel=Vessel(tare_g=186.0, volume_ml=290.0, height_mm=88.0),
    feeds=(
        Fed(0.0, (Seen(14.0, 1.05, smell=(Smell.FLOURY,)), Seen(23.0, 1.15, FEW))),
        Fed(24.0, (Seen(9.0, 1.5, FROTH, (Top.DOMED,), (Smell.CHEESY,), note="Up already."), Seen(21.0, 1.2, FEW))),
        Fed(47.8, (Seen(12.0, 1.05, FEW, smell=(Smell.CHEESY,)), Seen(23.0, 1.0))),
        Fed(72.2, (Seen(9.0, 1.0, smell=(Smell.SHARP,), thickness=THIN), Seen(18.0, 1.0, thickness=THIN))),
    ),
)

LANTERN = DemoJar(
    name="Lantern",
    age_h=24.5,
    every_h=24,
    seed_g=25.0,
    blend={Flour.RYE: 1.0},
    vessel=Vessel(tare_g=158.0, volume_ml=230.0, height_mm=80.0),
    feeds=(Fed(0.0, (Seen(11.0, 1.0, smell=(Smell.FLOURY,), thickness=BATTER), Seen(22.0, 1.2, FEW))),),
)

BELLOWS = DemoJar(
    name="Bellows",
    age_h=6 * 24 + 5.0,
    every_h=12,
    seed_g=30.0,
    blend={Flour.WHITE: 1.0},
    vessel=Vessel(tare_g=201.0, volume_ml=310.0, height_mm=92.0),
    feeds=(
        Fed(0.0, (Seen(11.0, 1.0, smell=(Smell.FLOURY,)),)),
        Fed(12.5, (Seen(10.0, 1.1, FEW),)),
        Fed(24.0, (Seen(12.0, 1.25, FEW, smell=(Smell.CHEESY,)), Seen(60.0, 1.0, thickness=THIN))),
        Fed(86.0, (Seen(46.0, 1.0, top=(Top.FUZZY_SPOTS,), note="Green, at the rim. Left it too long."),)),
    ),
    binned_after_h=132.5,
)

JARS = (HARBOUR, MOTH, LANTERN, BELLOWS)
