"""Whatever a baker was let do, every door answers: no log that admission takes makes a page refuse, or makes it say two
things that contradict each other.

`DESPERTAR_EXAMPLES` sets how many logs are made up: 200 by itself, more by night.
"""

from __future__ import annotations

import math
import os
from collections.abc import Iterator
from dataclasses import asdict
from datetime import datetime, timedelta
from typing import get_args
from unittest import TestCase

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from ferment.doors.admission import admit, admit_setup
from ferment.doors.assessment import assess, stood
from ferment.doors.foresight import offers, whole_plan
from ferment.doors.keeping import keeping_offers
from ferment.doors.reminding import reminders
from ferment.doors.sheet import AS_PLANNED, sheet
from ferment.kitchen.flours import Flour, FlourGrams, blend_of
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.methods import FAMILIES
from ferment.methods.keeping import KEEPING
from ferment.protocol.advised import Advice
from ferment.record.log import (
    READY,
    Bake,
    BakeFeed,
    Bin,
    Bubbles,
    Deed,
    DeedKind,
    Entry,
    Feed,
    Leave,
    Log,
    Look,
    PutBack,
    Smell,
    Top,
    Use,
    UsedFor,
    Word,
)
from ferment.record.terms import Moved, OtherAmount, OtherFlour, OtherJar, OtherRhythm, OtherWay, Terms
from ferment.refusal import Refusal
from ferment.setups import Setup
from ferment.signs.contract import SignCode

from ..builders import START, VESSEL, feed, first_mix, hours, lot, setup
from ..voices import contradictions

EXAMPLES = int(os.environ.get("DESPERTAR_EXAMPLES", "200"))
JARS = (VESSEL, Vessel(0.0, 120.0, 60.0), Vessel(900.0, 4_000.0, 300.0, flare=1.4))
# From what a drop weighs to more than a jar takes.
amounts = st.one_of(
    st.sampled_from([0.0, 0.1, 0.2, 0.4, 0.9, 1.0, 30.0]), st.floats(0.0, 4_500.0).map(lambda g: round(g, 1))
)
levels = st.none() | st.builds(Level, st.floats(0.2, 400.0), st.sampled_from(LevelUnit))
ABOUT = (READY, *(one.value for one in SignCode), *(one.value for one in Advice))


whole = st.floats(0.05, 30.0).map(lambda value: round(value, 2))


@st.composite
def changes(draw: st.DrawFn, at: datetime, name: str) -> Entry:
    """Anything that changes on the way, goes out or in beside the feeds, or is planned."""
    kind = draw(st.sampled_from([*get_args(Terms), Use, Use, PutBack, Bake, Bake]))
    if kind is Moved:
        return Moved(name, at, draw(st.floats(0.0, 50.0)), draw(st.none() | st.floats(0.0, 50.0)))
    if kind is OtherJar:
        return OtherJar(name, at, draw(st.sampled_from(JARS)), draw(st.none() | st.floats(1.0, 200.0)))
    if kind is OtherFlour:
        blends = st.dictionaries(st.sampled_from([flour.value for flour in Flour]), whole, min_size=1, max_size=3)
        return OtherFlour(name, at, tuple(blend_of(draw(blends)) for _ in range(draw(st.integers(1, 3)))))
    if kind is OtherRhythm:
        return OtherRhythm(name, at, draw(st.floats(1.0, 80.0)))
    if kind is OtherAmount:
        seed, parts, wet = draw(st.none() | amounts), draw(st.none() | whole), draw(st.none() | st.floats(30.0, 260.0))
        return OtherAmount(name, at, draw(whole), seed, parts, wet)
    if kind is OtherWay:
        kept = draw(st.sampled_from(list(KEEPING.values())))
        other = OtherWay(name, at, draw(st.sampled_from(FAMILIES)).code, (), draw(st.sampled_from([0.1, 1.0, 3.0])))
        return draw(st.sampled_from([other, OtherWay(name, at, kept.family, kept.choices)]))
    if kind is Use:
        return Use(name, at, draw(amounts), draw(st.sampled_from(UsedFor)))
    if kind is PutBack:
        return PutBack(name, at, lot(**{draw(st.sampled_from(list(Flour))).value: draw(amounts)}), draw(amounts))
    mixed_at = at + timedelta(hours=draw(st.floats(0.5, 200.0)))
    feeds = tuple(
        BakeFeed(at + (mixed_at - at) * share, draw(amounts), lot(white=draw(amounts)), draw(amounts))
        for share in sorted(draw(st.lists(st.floats(0.0, 0.99), max_size=3)))
    )
    return Bake(name, at, mixed_at, draw(amounts), feeds, draw(amounts), draw(st.sampled_from([0, 0, 1, 7])))


@st.composite
def acts(draw: st.DrawFn, at: datetime, name: str) -> Entry:
    if draw(st.booleans()) and draw(st.booleans()):
        return draw(changes(at, name))
    kind = draw(st.sampled_from([Feed, Feed, Feed, Look, Look, Deed, Leave, Word, Bin]))
    if kind is Feed:
        flours = lot(**{draw(st.sampled_from(list(Flour))).value: draw(amounts)})
        return Feed(name, at, draw(amounts), flours, draw(amounts), 0.0, None, juice_g=draw(st.just(0.0) | amounts))
    if kind is Look:
        return Look(
            name,
            at,
            draw(levels),
            draw(st.none() | st.sampled_from(Bubbles)),
            draw(st.frozensets(st.sampled_from(Top), max_size=2)),
            draw(st.frozensets(st.sampled_from(Smell), max_size=2)),
            None,
            has_note=False,
            high=draw(levels),
            celsius=draw(st.none() | st.floats(-5.0, 60.0)),
        )
    if kind is Deed:
        return Deed(name, at, draw(st.sampled_from(DeedKind)))
    if kind is Leave:
        return Leave(name, at, at + timedelta(hours=draw(st.floats(0.1, 300.0))))
    if kind is Word:
        return Word(name, at, draw(st.sampled_from(ABOUT)), yes=draw(st.booleans()))
    return Bin(name, at)


@st.composite
def lives(draw: st.DrawFn) -> tuple[Setup, Log, datetime]:
    """A jar that could be planned, and of all that was tried with it what admission took."""
    vessel = draw(st.sampled_from(JARS))
    family = draw(st.sampled_from(FAMILIES)).code
    size = draw(st.sampled_from([0.05, 0.5, 1.0, 2.0]))
    step = draw(st.sampled_from([0.1, 1.0, 5.0]))
    it = Setup(family, {}, vessel, START, step, size, warmth_c=draw(st.sampled_from([4.0, 18.0, 24.0, 31.0])))
    now = START
    log: Log = ()
    try:
        admit_setup(it, START)
    except Refusal:
        it = setup()
    for number in range(draw(st.integers(0, 9))):
        now += timedelta(hours=draw(st.floats(0.0, 60.0)))
        act = draw(acts(now, f"act-{number}"))
        try:
            admit(it, log, act, now)
        except Refusal:
            continue
        log = (*log, act)
    return it, log, now + timedelta(hours=draw(st.floats(0.0, 400.0)))


def not_numbers(told: object, place: str = "") -> Iterator[str]:
    """Where in an answer stands what is no number."""
    if isinstance(told, float) and not math.isfinite(told):
        yield place
    parts = told.items() if isinstance(told, dict) else enumerate(told) if isinstance(told, list | tuple) else ()
    for name, part in parts:
        yield from not_numbers(part, f"{place}.{name}")


def every_door(it: Setup, log: Log, now: datetime) -> None:
    jar = stood(it, log, now)
    found = jar.assessment
    plan = whole_plan(it, log, now, jar)
    reminders(plan.steps, it.hours, now)
    keeping_offers(it, log, now)
    for told in (asdict(found), asdict(plan), [asdict(one) for one in offers(it, log, now)]):
        assert not list(not_numbers(told)), list(not_numbers(told))
    assert not contradictions(found, now), contradictions(found, now)
    if not any(isinstance(entry, Bin) for entry in log):
        sheet(it, log, AS_PLANNED, now, jar)


class ReadingNeverRefuses(TestCase):
    @settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=list(HealthCheck))
    @given(lives())
    def test_whatever_was_admitted(self, life: tuple[Setup, Log, datetime]) -> None:
        every_door(*life)

    def test_a_bake_that_takes_more_than_a_jar_will_hold_before_its_first_mix(self) -> None:
        """As it was found: what it leaves is less than the scale shows, and the way feeds that."""
        it = Setup("dried_soak", {}, VESSEL, START, scale_step=0.1, size=0.05, warmth_c=4.0)
        feed = BakeFeed(START, 0.0, (FlourGrams(Flour.WHITE, 0.1),), 0.0)
        bake = Bake("bake", START, START + timedelta(hours=1), 1.0, (feed,), 0.0, 1)
        admit(it, (), bake, START)
        every_door(it, (bake,), START)

    def test_a_jar_that_is_ready_by_word_alone(self) -> None:
        """On its first day, before anything was seen: nothing is missing then."""
        it, log = setup(), (first_mix(),)
        every_door(it, (*log, Word("word", START, READY, yes=True)), START)

    def test_a_feed_of_less_than_half_a_gram(self) -> None:
        """As it happened: 0.2 g kept and 0.1 g each of flour and water, on a scale in whole grams."""
        for family in FAMILIES:
            it = Setup(family.code, {}, VESSEL, START)
            log = (first_mix(), feed(24.0, 0.2, 0.1, 0.1))
            every_door(it, log, START + hours(26.0))
        every_door(setup(), (first_mix(), feed(24.0, 0.2, 0.1, 0.1)), START + hours(50.0))

    def test_the_feed_that_is_then_planned_can_be_noted(self) -> None:
        log = (first_mix(), feed(24.0, 0.2, 0.1, 0.1))
        now = START + hours(48.0)
        plan = assess(setup(), log, now).next_move.plan
        assert plan
        self.assertEqual((plan.keep_g, plan.flour_g, plan.liquid_g), (0.4, 1.0, 1.0))
        admit(setup(), log, Feed("next", now, plan.keep_g, plan.flours, plan.water_g, 0.0, None), now)
