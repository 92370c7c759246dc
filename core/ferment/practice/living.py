"""A practice jar lived through: what it is like at every half hour, by the model, from what was done with it.

All chance comes from the seed: the jar's traits, how far its room is from what is told, what befalls it. The same acts
on the same seed give the same story.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from itertools import pairwise

import numpy as np

from ..kitchen.flours import FlourGrams, FlourLot
from ..kitchen.hours import waking_hours
from ..kitchen.vessel import Level, LevelUnit, line_mm, room_times
from ..kitchen.warmth import Warmth
from ..model.jar import FOOD, GAS, LIQUID, WALLS, Jar, Traits, after_feed, hunger, stir
from ..model.runs import run
from ..protocol.options import OptionCode
from ..record.log import (
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    Entry,
    Feed,
    Log,
    Look,
    Smell,
    Thickness,
    Top,
    Use,
    UsedFor,
    in_order,
)
from ..record.terms import Moved, OtherJar
from ..refusal import within
from ..setups import Setup, course_of, ledger_of, place_of
from ..simulation import bubbles_shown, has_fallen, smell_given, thickness_shown
from .places import at_first
from .situations import SITUATIONS
from .terms import BEGAN, ENDS, FEEDS, Handling, Made, Situation, SituationCode

STEP_H = 0.5
# What is before the eyes when something is done was seen so long before.
JUST_BEFORE_H = 0.02
MOST_SEED, MOST_ACTS = 10**9, 200
# Of a total of three parts: kept, flour, liquid.
PARTS = {
    Handling.FEED: (1.0, 1.0, 1.0),
    Handling.FEED_LARGE: (1 / 3, 4 / 3, 4 / 3),
    Handling.FEED_THICK: (1.1, 1.1, 0.8),
}
# Water stands on a paste that has settled, and on one that is hungry and slack.
SETTLES = (8.0, 48.0)


@dataclass(frozen=True)
class Nature:
    """How this jar is, by its seed; `befallen` is what stands on it from the hour of its situation on."""

    traits: Traits[float]
    warmth_off_c: float
    befallen: Top | None

    @property
    def spoils(self) -> bool:
        return self.befallen in (Top.FUZZY_SPOTS, Top.COLOURED_STREAKS)


@dataclass(frozen=True)
class Frame:
    """The jar at an hour: level and highest since the feed (× the line), and what is seen and smelt. `line_mm` is where
    its line stands, in the jar of `volume_ml` and `height_mm`; `celsius` is how warm it is."""

    at_h: float
    level: float
    high: float
    fallen: bool
    bubbles: Bubbles
    top: frozenset[Top]
    smell: frozenset[Smell]
    thickness: Thickness | None
    celsius: float
    line_mm: float
    volume_ml: float
    height_mm: float


@dataclass(frozen=True)
class Lived:
    """From its first mix to where it ends. `ran_over_h` is when it first ran over before the baker's eyes."""

    situation: Situation
    nature: Nature
    frames: tuple[Frame, ...]
    ran_over_h: float | None
    end: Jar[float]
    ended_h: float
    fed_h: tuple[float, ...]


def situation_named(code: SituationCode) -> Situation:
    return SITUATIONS[code]


def nature_of(situation: Situation, seed: int) -> Nature:
    """Raises Refusal (out_of_range) for a seed that is none."""
    within(float(seed), 0.0, float(MOST_SEED), "seed")
    dice = np.random.default_rng((seed, list(SituationCode).index(situation.code)))
    vigour, height, native, lag = (float(np.exp(dice.normal(0.0, spread))) for spread in (0.10, 0.08, 0.20, 0.15))
    off = float(np.clip(dice.normal(0.0, 0.5), -1.0, 1.0))
    tops = situation.befalls.tops if situation.befalls else ()
    befallen = tops[int(dice.integers(len(tops)))] if tops else None
    return Nature(Traits(vigour, height, native, lag), off, befallen)


def practice_setup(situation: Situation) -> Setup:
    """As the same jar would be planned in a kitchen."""
    blend: Mapping[str, float] = {part.flour: part.share for part in situation.blend}
    choices: dict[str, float | str | Mapping[str, float]] = {
        OptionCode.START_GRAMS: situation.start_g,
        OptionCode.SEED_GRAMS: situation.seed_g,
        OptionCode.FIRST_BLEND: blend,
        OptionCode.BLEND: blend,
        OptionCode.HYDRATION_PERCENT: 100.0 * situation.hydration,
    }
    return Setup(
        "equal_parts",
        choices,
        situation.vessel,
        BEGAN,
        hours=waking_hours(UTC),
        warmth_c=situation.warmth_c,
    )


def check_acts(situation: Situation, acts: Sequence[Made]) -> tuple[Made, ...]:
    """The acts in their order. Raises Refusal (out_of_range) for one outside of the situation's hours, or for more than
    anybody does."""
    within(float(len(acts)), 0.0, float(MOST_ACTS), "acts")
    for number, act in enumerate(acts):
        within(act.at_h, situation.begins_h, situation.ends_h, f"acts.{number}.at_h")
        if act.level is not None:
            within(act.level, 0.3, 20.0, f"acts.{number}.level")
    ordered = sorted(acts, key=lambda act: act.at_h)
    # What comes after the end of a jar is not done.
    last = next((number for number, act in enumerate(ordered) if act.what in ENDS), len(ordered))
    return tuple(ordered[: last + 1])


def when(at_h: float) -> datetime:
    return BEGAN + timedelta(hours=at_h)


def log_of(situation: Situation, acts: Sequence[Made], lived: Lived | None = None) -> Log:
    """What stands in the log of that jar. Where it is told what there was to be seen, also the looks of whoever had it
    before, those of the baker, and what was before her eyes at each act."""
    entries: list[Entry] = [_first(situation)]
    if lived is not None:
        entries += (
            _look(f"b{at_h}", Made(at_h, Handling.LOOK), frame_at(lived, at_h)) for at_h in _seen_before(situation)
        )
    stands = at_first(situation)
    for number, act in enumerate((*situation.before, *acts)):
        name, at = f"p{number}", when(act.at_h)
        was, stands = stands, stands.after(act.what)
        if act.what in FEEDS:
            entries.append(_feed(situation, name, at, act.what))
        elif act.what in _DEEDS:
            entries.append(Deed(name, at, _DEEDS[act.what]))
        elif act.what is Handling.OTHER_JAR:
            entries.append(OtherJar(name, at, stands.vessel))
        elif stands.warmth_c != was.warmth_c:
            entries.append(Moved(name, at, stands.warmth_c))
        elif act.what is Handling.BAKE:
            entries.append(Use(name, at, 2.0 * situation.seed_g, UsedFor.DOUGH))
        elif act.what is Handling.BIN:
            entries.append(Bin(name, at))
        if lived is not None and number >= len(situation.before):
            # What was seen is seen before anything is done.
            entries.append(_look(f"{name}s", act, frame_at(lived, act.at_h - JUST_BEFORE_H)))
    return in_order(tuple(entries))


def _seen_before(situation: Situation) -> list[float]:
    """Whoever had it looked once on the way, and once before it was fed."""
    fed = [0.0, *(act.at_h for act in situation.before if act.what in FEEDS)]
    ends = [*fed[1:], situation.begins_h]
    return [at for since, until in zip(fed, ends, strict=True) for at in (min(since + 8.0, until - 2.0), until - 0.5)]


_DEEDS = {
    Handling.STIR: DeedKind.STIRRED,
    Handling.TO_FRIDGE: DeedKind.TO_FRIDGE,
    Handling.TO_COUNTER: DeedKind.TO_COUNTER,
}


def _first(situation: Situation) -> Feed:
    liquid = situation.start_g * situation.hydration
    return Feed("p", BEGAN, 0.0, _lot(situation, situation.start_g), liquid, 0.0, None)


def _feed(situation: Situation, name: str, at: datetime, what: Handling) -> Feed:
    kept, flour, liquid = (round(part * situation.seed_g, 1) for part in PARTS[what])
    return Feed(name, at, kept, _lot(situation, flour), round(liquid * situation.hydration, 1), 0.0, None)


def _lot(situation: Situation, grams: float) -> FlourLot:
    return tuple(FlourGrams(part.flour, part.share * grams) for part in situation.blend)


def _look(name: str, act: Made, seen: Frame) -> Look:
    level = act.level if act.level is not None else round(seen.level, 2)
    return Look(
        name,
        when(act.at_h - (0.0 if act.what is Handling.LOOK else JUST_BEFORE_H)),
        Level(level, LevelUnit.TIMES),
        seen.bubbles,
        seen.top,
        seen.smell,
        seen.thickness,
        has_note=False,
        high=Level(round(seen.high, 2), LevelUnit.TIMES) if seen.fallen else None,
    )


def frame_at(lived: Lived, at_h: float) -> Frame:
    """The last that had come by then."""
    return next((one for one in reversed(lived.frames) if one.at_h <= at_h + 1e-6), lived.frames[0])


def live(situation: Situation, seed: int, acts: Sequence[Made]) -> Lived:
    """The whole story, if nothing more is done than that. Raises Refusal as `nature_of` and `check_acts` do."""
    nature, acts = nature_of(situation, seed), check_acts(situation, acts)
    story = _Story(situation, nature, acts)
    for since, until in pairwise(story.hours):
        story.do_at(since)
        story.go_on(since, until)
    return Lived(situation, nature, tuple(story.frames), story.ran_over_h, story.jar, story.hours[-1], tuple(story.fed))


class _Story:
    """The jar while it is told."""

    def __init__(self, situation: Situation, nature: Nature, acts: tuple[Made, ...]) -> None:
        self.situation, self.nature = situation, nature
        self.log = log_of(situation, acts)
        setup = practice_setup(situation)
        ledger = ledger_of(setup, course_of(setup), self.log)
        self.told = Warmth(place_of(setup, ledger), BEGAN, ledger.cold_spans)
        ended = acts[-1].at_h if acts and acts[-1].what in ENDS else situation.ends_h
        by_hour: dict[float, list[Entry]] = {}
        for entry in self.log:
            by_hour.setdefault((entry.at - BEGAN) / timedelta(hours=1), []).append(entry)
        self.by_hour = by_hour
        self.hours = sorted({0.0, *(hour for hour in by_hour if hour < ended), ended})
        self.frames: list[Frame] = []
        self.ran_over_h: float | None = None
        self.mixed: Jar[float] | None = None
        self.peak, self.fed_h, self.vessel = 1.0, 0.0, situation.vessel
        self.grams = 0.0
        self.fed: list[float] = []
        self.cleared = False

    @property
    def jar(self) -> Jar[float]:
        assert self.mixed is not None  # the first thing in any log is the mix
        return self.mixed

    def warmth(self, hour: float) -> float:
        """The room is a little other than it is told; the fridge is not."""
        told = self.told(hour)
        return told + (self.nature.warmth_off_c if told > COLD_C else 0.0)

    def do_at(self, hour: float) -> None:
        for entry in self.by_hour.get(hour, ()):
            match entry:
                case Feed():
                    traits = self.nature.traits
                    self.mixed = after_feed(self.mixed, traits, entry.keep_g, entry.flours, entry.liquid_g)
                    self.peak, self.fed_h, self.grams = 1.0, hour, entry.total_g
                    self.fed.append(hour)
                    befalls = self.situation.befalls
                    self.cleared |= befalls is not None and hour > befalls.at_h
                case Deed(deed=DeedKind.STIRRED):
                    self.mixed = stir(self.jar)
                case OtherJar():
                    self.vessel = entry.vessel
                case _:
                    pass

    def go_on(self, since: float, until: float) -> None:
        hour = since
        self._note(hour)
        while hour < until - 1e-9:
            # On the half hours, whatever was done between them.
            then = min(until, (int(hour / STEP_H + 1e-9) + 1) * STEP_H)
            self._run(hour, then)
            hour = then
            if hour < until or until >= self.hours[-1]:
                self._note(hour)

    def _run(self, since: float, until: float) -> None:
        done = run(self.jar, since, until, self.warmth)
        self.mixed = done.end
        self.peak = max(self.peak, float(done.levels.max()))
        room = room_times(self.vessel, line_mm(self.vessel, self.grams))
        if self.peak > room:
            if self.ran_over_h is None and until > self.situation.begins_h:
                self.ran_over_h = until
            self.peak = room
            state = list(self.jar.state)
            state[GAS] = min(state[GAS], room - 1.0)
            self.mixed = replace(self.jar, state=tuple(state))

    def _note(self, hour: float) -> None:
        jar = self.jar
        hungry = hunger(jar.paste, jar.state[FOOD], jar.state[WALLS])
        level = jar.level
        fallen = has_fallen(level, self.peak)
        bubbles = bubbles_shown(jar)
        self.frames.append(
            Frame(
                hour,
                round(level, 3),
                round(self.peak, 3),
                fallen,
                bubbles,
                self._top(hour, level, hungry, bubbles, fallen=fallen),
                smell_given(jar, hungry),
                thickness_shown(hungry),
                round(self.warmth(hour), 1),
                line_mm(self.vessel, self.grams),
                self.vessel.volume_ml,
                self.vessel.height_mm,
            )
        )

    def _top(self, hour: float, level: float, hungry: float, bubbles: Bubbles, *, fallen: bool) -> frozenset[Top]:
        seen = {Top.SUNKEN if fallen else Top.DOMED if level > 1.4 else Top.FLAT}
        since = hour - self.fed_h
        settled = hour < SETTLES[1] and since >= SETTLES[0] and bubbles is Bubbles.NONE
        if settled or (hungry > LIQUID and since > SETTLES[0]):
            seen.add(Top.LIQUID)
        befalls, befallen = self.situation.befalls, self.nature.befallen
        if befalls and befallen and hour >= befalls.at_h and (self.nature.spoils or not self.cleared):
            seen.add(befallen)
        return frozenset(seen)


# Below that it stands in a fridge.
COLD_C = 10.0
# Kept, and given of flour and of water, where it is asked how a jar would rise once more (g).
ONCE_MORE_G = 30.0


def rises_once_more(lived: Lived) -> float:
    """As `rises_fed_again`, of a practice jar in the end."""
    return rises_fed_again(lived.end, _lot(lived.situation, ONCE_MORE_G))


def rises_fed_again(jar: Jar[float], flours: FlourLot) -> float:
    """How far a jar would rise if it were fed its own weight of flour (`ONCE_MORE_G`) and of water now and stood a day
    in 25 °C: × the line, less one."""
    fed = after_feed(jar, jar.traits, ONCE_MORE_G, flours, ONCE_MORE_G)
    return float(run(fed, 0.0, 24.0, lambda _: 25.0).levels.max()) - 1.0
