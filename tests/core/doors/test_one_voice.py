"""One voice: no two things that a page says of a jar contradict each other, whatever happened to the jar."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase

from ferment.doors.assessment import assess
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.methods import FAMILIES
from ferment.planner import HORIZON, MOST_STEPS, MOST_STEPS_AHEAD, shorter
from ferment.record.log import Bin, Bubbles, Deed, DeedKind, Feed, Log, Look, Smell, Top
from ferment.setups import Setup, course_of, ledger_of, plan_of
from ferment.simulation import Habits, Happenings, Truth, play

from ..builders import START, hours
from ..voices import contradictions

GLASS = Vessel(300.0, 750.0, 140.0)
# What befalls a jar on its way, and how it is: tidy and careless bakers, weak, strong and cold jars, days away.
BAKERS = (Habits(), Habits(late_h=5.0, forgets=0.2, looks=1.0, careless=0.1), Habits(looks=0.0))
JARS = (Truth(), Truth(vigour=0.5, lag=1.6), Truth(vigour=1.5, native=2.0))
BEFALLS = (Happenings(), Happenings(away=((60.0, 150.0),)), Happenings(cold=((120.0, 200.0),)))


def played() -> Iterator[tuple[str, Setup, Log]]:
    """Every family once or more, with bakers, jars and happenings in turn."""
    for number, family in enumerate(FAMILIES):
        warmth = (17.0, 22.0, 27.0)[number % 3]
        it = Setup(family.code, {}, GLASS, START, warmth_c=warmth)
        baker, truth = BAKERS[number % len(BAKERS)], JARS[(number // 2) % len(JARS)]
        yield (
            f"{family.code} at {warmth} °C",
            it,
            play(it, 10, number, habits=baker, truth=truth, happenings=BEFALLS[(number // 3) % 3]).log,
        )


def moments(log: Log) -> Iterator[datetime]:
    """Just after an entry, a while after it, and long after the last."""
    some = log[:: max(1, len(log) // 5)]
    for entry in some:
        yield entry.at + timedelta(minutes=1)
        yield entry.at + timedelta(hours=7)
    yield log[-1].at + timedelta(days=3)


class OneWalk(TestCase):
    def test_a_plan_cut_short_is_the_plan_that_is_made_short(self) -> None:
        for name, it, log in played():
            course = course_of(it)
            for now in moments(log):
                known = tuple(entry for entry in log if entry.at <= now)
                ledger = ledger_of(it, course, known)
                whole = plan_of(it, course, ledger, now, until=now + timedelta(days=24), most_ahead=MOST_STEPS)
                for until, most in ((now + HORIZON, MOST_STEPS_AHEAD), (now + timedelta(days=2), 3)):
                    with self.subTest(jar=name, hours=round((now - START) / timedelta(hours=1), 1), most=most):
                        made = plan_of(it, course, ledger, now, until=until, most_ahead=most)
                        self.assertEqual(shorter(whole, now, until, most), made)


class OneVoice(TestCase):
    def said(self, name: str, it: Setup, log: Log, now: datetime) -> None:
        known = tuple(entry for entry in log if entry.at <= now)
        with self.subTest(jar=name, hours=round((now - START) / timedelta(hours=1), 1)):
            self.assertEqual(contradictions(assess(it, known, now), now), [])

    def test_of_a_jar_of_every_family(self) -> None:
        for name, it, log in played():
            for now in moments(log):
                self.said(name, it, log, now)

    def test_of_jars_that_something_odd_was_seen_in(self) -> None:
        """On top of a good week: each sign that a look can show, right after a feed and long after it."""
        it = Setup("equal_parts", {}, GLASS, START, warmth_c=22.0)
        log = play(it, 8, 1).log
        fed_at = max(entry.at for entry in log if isinstance(entry, Feed))
        log = tuple(entry for entry in log if entry.at <= fed_at)
        for after_h in (0.1, 5.0, 40.0):
            at = fed_at + hours(after_h)
            plain = Look("odd", at, Level(1.0, LevelUnit.TIMES), None, frozenset(), frozenset(), None, has_note=False)
            odd = (
                *(replace(plain, top=frozenset({top})) for top in Top),
                *(replace(plain, smell=frozenset({smell})) for smell in Smell),
                *(replace(plain, bubbles=bubbles) for bubbles in Bubbles),
                *(replace(plain, celsius=celsius) for celsius in (4.0, 14.0, 45.0)),
            )
            for look in odd:
                self.said(f"{look.top or look.smell or look.bubbles or look.celsius}", it, (*log, look), at)
            for deed in (Deed("cold", at, DeedKind.TO_FRIDGE), Bin("bin", at)):
                self.said(deed.id, it, (*log, deed), at + hours(0.2))
                self.said(deed.id, it, (*log, deed), at + hours(90.0))
            back = (Deed("cold", at, DeedKind.TO_FRIDGE), Deed("out", at + hours(50), DeedKind.TO_COUNTER))
            self.said("ten minutes out of the fridge", it, (*log, *back), at + hours(50.17))
