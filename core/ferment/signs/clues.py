"""What can be known of a jar for the signs, the clues that evidence is made of, and the one table that judges them."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

from ..record.ledger import Sighting, highest
from ..record.log import Bubbles, DeedKind, Smell, Thickness, Top


@dataclass(frozen=True)
class Scene:
    """A jar as the signs see it. Hours; levels as multiples of the line; °C.

    `peaks_before` are how high the feeds before went, the latest last, where they were watched. `late_h` is
    by how much the next feed is overdue. `hydration_percent` is of the whole jar.
    `woke` says that a rise was seen that was the yeast's. `smelt_before` is what was smelt before the last look,
    `thinned_to` the share that is left now of what was in the jar two days ago; `rests_h` is since when it stands in
    the fridge, None where it does not. `rises_no_more` says that it had doubled and that its last feeds failed.
    `little_gluten` says so of its flour. `hottest_c` is the warmest that it was measured or stood at in the last days.
    `boosted` lists what was added of late that is no food of its own: baker's yeast, sugar. `as_if_c` is the warmth
    that its looks tell of, where that is another than was told. `is_kept` says that it is kept, or ready by its baker's
    word.
    """

    age_h: float
    since_feed_h: float
    sightings: tuple[Sighting, ...]
    peaks_before: tuple[float, ...]
    late_h: float
    celsius: float
    room_times: float
    hydration_percent: float
    begun_sour: bool
    woke: bool
    smelt_before: frozenset[Smell] = frozenset()
    thinned_to: float = 1.0
    rests_h: float | None = None
    rises_no_more: bool = False
    little_gluten: bool = False
    hottest_c: float = 0.0
    boosted: frozenset[DeedKind] = frozenset()
    as_if_c: float | None = None
    is_kept: bool = False

    @property
    def was_read(self) -> bool:
        return any(seen.level_read for seen in self.sightings)

    @property
    def highest(self) -> float:
        return highest(self.sightings)

    @property
    def level(self) -> float | None:
        return next((one.times for one in reversed(self.sightings) if one.times is not None), None)


# --- clues ---


@dataclass(frozen=True)
class TopIs:
    """The last look at the top showed one of these."""

    any_of: frozenset[Top]


@dataclass(frozen=True)
class TopSeen:
    """Some look since the feed showed one of these: what grows or dries on a mix does not go by itself."""

    any_of: frozenset[Top]


@dataclass(frozen=True)
class SmellIs:
    any_of: frozenset[Smell]


@dataclass(frozen=True)
class ThicknessIs:
    any_of: frozenset[Thickness]


@dataclass(frozen=True)
class BubblesAre:
    any_of: frozenset[Bubbles]


@dataclass(frozen=True)
class Age:
    """Hours since the first mix."""

    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class HoursSinceFeed:
    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class Rose:
    """The highest level or high mark of the running round, where one was read."""

    at_least: float = 0.0
    at_most: float = float("inf")


@dataclass(frozen=True)
class FellBy:
    """It stands lower than its highest by at least this share of its rise."""

    share: float


@dataclass(frozen=True)
class RisesLessen:
    """Each of the last watched feeds rose less than the one before, by so much in all, and the last not high."""

    feeds: int
    by: float
    to: float


@dataclass(frozen=True)
class RisesNoMore:
    """It had doubled, and the last feeds that somebody watched failed."""


@dataclass(frozen=True)
class NearRim:
    """It stood within a twentieth of the rim, or over it."""


@dataclass(frozen=True)
class Late:
    """The next feed is overdue by so many hours."""

    from_h: float


@dataclass(frozen=True)
class WarmthIs:
    from_c: float = -100.0
    to_c: float = 100.0


@dataclass(frozen=True)
class WetterThan:
    hydration_percent: float


@dataclass(frozen=True)
class LittleGluten:
    """Most of its flour is rye or gluten-free: its gas finds little to hold it."""


@dataclass(frozen=True)
class WasAsHotAs:
    """It was measured, or stood, so hot in the last days, and is not so hot now."""

    celsius: float


@dataclass(frozen=True)
class AsIfElsewhere:
    """Its looks tell of another warmth than was told."""


@dataclass(frozen=True)
class Boosted:
    """The baker added this of late."""

    by: DeedKind


@dataclass(frozen=True)
class FromFlourAndWater:
    """Begun neither with a culture nor with an acid juice: the early bacteria have their say."""


@dataclass(frozen=True)
class NotAwakeYet:
    """No rise that was the yeast's yet."""


@dataclass(frozen=True)
class IsAwake:
    """A rise was seen that was the yeast's."""


@dataclass(frozen=True)
class SmeltBefore:
    """An earlier look smelt one of these."""

    any_of: frozenset[Smell]


@dataclass(frozen=True)
class ThinnedTo:
    """Feeds left at most this share of what was in the jar two days ago."""

    share: float


@dataclass(frozen=True)
class Rests:
    """It stands in the fridge, and was fed so many hours ago."""

    from_h: float = 0.0
    to_h: float = float("inf")


@dataclass(frozen=True)
class RaisedInTheCold:
    """It has stood in the fridge for so many hours, and is raised still: nobody keeps it or called it ready."""

    from_h: float


Clue = (
    TopIs
    | TopSeen
    | SmellIs
    | ThicknessIs
    | BubblesAre
    | Age
    | HoursSinceFeed
    | Rose
    | FellBy
    | RisesLessen
    | RisesNoMore
    | NearRim
    | Late
    | WarmthIs
    | WetterThan
    | LittleGluten
    | WasAsHotAs
    | Boosted
    | AsIfElsewhere
    | FromFlourAndWater
    | NotAwakeYet
    | IsAwake
    | SmeltBefore
    | ThinnedTo
    | Rests
    | RaisedInTheCold
)


# --- judging ---


def _last(scene: Scene, what: Callable[[Sighting], Any]) -> Any:
    """What the latest look that noted it says."""
    return next((what(one) for one in reversed(scene.sightings) if what(one)), None)


def _rises_lessen(clue: RisesLessen, scene: Scene) -> bool:
    rises = scene.peaks_before[-clue.feeds :]
    falling = all(later < earlier for earlier, later in pairwise(rises))
    return len(rises) == clue.feeds and falling and rises[0] - rises[-1] >= clue.by and rises[-1] <= clue.to


SUNK_SHARE = 0.2


def _fell_by(clue: FellBy, scene: Scene) -> bool:
    level, highest = scene.level, scene.highest
    sunken = Top.SUNKEN in (_last(scene, lambda one: one.top) or ())
    if highest <= 1.1 or level is None:
        return highest > 1.1 and sunken
    # A sunken middle shows it before the level does, but not at the peak itself.
    share = min(clue.share, SUNK_SHARE) if sunken else clue.share
    return level <= highest - share * (highest - 1.0)


def _raised_in_the_cold(clue: RaisedInTheCold, scene: Scene) -> bool:
    return not scene.is_kept and scene.rests_h is not None and scene.rests_h >= clue.from_h


_JUDGES: Mapping[type, Callable[[Any, Scene], bool]] = {
    TopIs: lambda clue, scene: bool(clue.any_of & (_last(scene, lambda one: one.top) or frozenset())),
    TopSeen: lambda clue, scene: any(clue.any_of & one.top for one in scene.sightings),
    SmellIs: lambda clue, scene: bool(clue.any_of & (_last(scene, lambda one: one.smell) or frozenset())),
    ThicknessIs: lambda clue, scene: _last(scene, lambda one: one.thickness) in clue.any_of,
    BubblesAre: lambda clue, scene: _last(scene, lambda one: one.bubbles) in clue.any_of,
    Age: lambda clue, scene: clue.from_h <= scene.age_h < clue.to_h,
    HoursSinceFeed: lambda clue, scene: clue.from_h <= scene.since_feed_h < clue.to_h,
    Rose: lambda clue, scene: scene.was_read and clue.at_least <= scene.highest <= clue.at_most,
    FellBy: _fell_by,
    RisesLessen: _rises_lessen,
    RisesNoMore: lambda _, scene: scene.rises_no_more,
    NearRim: lambda _, scene: scene.highest >= 0.95 * scene.room_times,
    Late: lambda clue, scene: scene.late_h >= clue.from_h,
    WarmthIs: lambda clue, scene: clue.from_c <= scene.celsius < clue.to_c,
    LittleGluten: lambda _, scene: scene.little_gluten,
    WasAsHotAs: lambda clue, scene: scene.celsius < clue.celsius <= scene.hottest_c,
    AsIfElsewhere: lambda _, scene: scene.as_if_c is not None,
    Boosted: lambda clue, scene: clue.by in scene.boosted,
    WetterThan: lambda clue, scene: scene.hydration_percent > clue.hydration_percent,
    FromFlourAndWater: lambda _, scene: not scene.begun_sour,
    NotAwakeYet: lambda _, scene: not scene.woke,
    IsAwake: lambda _, scene: scene.woke,
    SmeltBefore: lambda clue, scene: bool(clue.any_of & scene.smelt_before),
    ThinnedTo: lambda clue, scene: scene.thinned_to <= clue.share,
    Rests: lambda clue, scene: scene.rests_h is not None and clue.from_h <= scene.since_feed_h < clue.to_h,
    RaisedInTheCold: lambda clue, scene: (
        not scene.is_kept and scene.rests_h is not None and scene.rests_h >= clue.from_h
    ),
}


def holds(clues: Sequence[Clue], scene: Scene) -> bool:
    return all(_JUDGES[type(clue)](clue, scene) for clue in clues)
