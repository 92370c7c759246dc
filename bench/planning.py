"""The planner against the least that any answer costs: reading the same log from its JSON."""

from __future__ import annotations

import json
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from functools import partial

from ferment.doors.assessment import assess
from ferment.kitchen.flours import Flour, FlourGrams
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.methods import FAMILIES
from ferment.record.log import Bubbles, Entry, Feed, Log, Look
from ferment.setups import Setup, course_of, ledger_of, plan_of

from .timing import best_ms

START = datetime(2026, 3, 2, 8, tzinfo=UTC)
JAR = Vessel(200.0, 900.0, 150.0)


def _log(days: int, feeds_a_day: int, looks_a_feed: int) -> Log:
    entries: list[Entry] = []
    every = 24.0 / feeds_a_day
    for number in range(days * feeds_a_day):
        at = START + timedelta(hours=every * number)
        flours = (FlourGrams(Flour.WHOLE_WHEAT, 30.0 if number else 45.0),)
        entries.append(Feed(f"f{number}", at, 30.0 if number else 0.0, flours, flours[0].g, 0.0, None))
        for look in range(looks_a_feed):
            seen = at + timedelta(hours=every * (look + 1) / (looks_a_feed + 1))
            level = Level(1.3 + look / 4, LevelUnit.TIMES)
            entries.append(
                Look(f"l{number}.{look}", seen, level, Bubbles.FEW, frozenset(), frozenset(), None, has_note=False)
            )
    return tuple(entries)


def _reading(log: Log) -> str:
    return json.dumps([{"at": entry.at.isoformat(), "id": entry.id, "kind": type(entry).__name__} for entry in log])


def _parse(text: str) -> list[object]:
    return [datetime.fromisoformat(row["at"]) for row in json.loads(text)]


def report() -> Iterator[str]:
    for title, log, setup in (
        ("14 days, 56 entries", _log(14, 1, 3), Setup("equal_parts", {}, JAR, START)),
        ("1 year, 1,460 entries", _log(365, 2, 1), Setup("equal_parts", {"every_hours": 12.0}, JAR, START)),
    ):
        text = _reading(log)
        floor = best_ms(partial(_parse, text))
        now = log[-1].at + timedelta(hours=1)
        took = best_ms(partial(assess, setup, log, now))
        course = course_of(setup)
        planned = best_ms(partial(plan_of, setup, course, ledger_of(setup, course, log), now))
        yield f"plan, {title}: {planned:.1f} ms, {planned / floor:.0f} x reading its JSON ({floor:.2f} ms)"
        yield f"assess, {title}: {took:.1f} ms, {took / floor:.0f} x reading its JSON ({floor:.2f} ms)"
    for family in FAMILIES:
        setup = Setup(family.code, {}, JAR, START)
        course = course_of(setup)
        ledger = ledger_of(setup, course, ())
        until = START + timedelta(days=14)
        took = best_ms(partial(plan_of, setup, course, ledger, START, until=until, most_ahead=240))
        yield f"plan of 14 days, {family.code}: {took:.1f} ms"
