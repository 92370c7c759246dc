"""The jar model and what is told with it: many jars at once, and forecasts with and without what is kept."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from functools import partial

import numpy as np

from ferment.doors.assessment import assess
from ferment.kitchen.flours import Flour, FlourGrams
from ferment.kitchen.vessel import Level, LevelUnit, Vessel
from ferment.model.jar import BOOK, Traits, after_feed
from ferment.model.runs import run, run_many
from ferment.record.log import Look
from ferment.setups import Setup
from ferment.simulation import play
from ferment.tracker import forecast
from ferment.tracker.ensemble import _count_days, _round

from .timing import best_ms

START = datetime(2026, 3, 2, 8, tzinfo=UTC)
WHITE = (FlourGrams(Flour.WHITE, 50.0),)


def _forget() -> None:
    for kept in (forecast, _round, _count_days):
        kept.cache_clear()


def _steady(_hour: float) -> float:
    return 25.0


def report() -> Iterator[str]:
    one = after_feed(None, BOOK, 0, WHITE, 50)
    many = after_feed(None, Traits(*(np.ones(2_000) for _ in range(4))), 0, WHITE, 50)
    alone = best_ms(partial(run, one, 0.0, 24.0, _steady))
    together = best_ms(partial(run_many, many, 0.0, 24.0, _steady), 3)
    yield f"24 h of one jar {alone:.1f} ms; of 2,000 jars {together:.0f} ms, {together / alone:.0f} x one"
    for days in (5, 9, 14):
        setup = Setup("equal_parts", {}, Vessel(200.0, 400.0, 100.0), START, warmth_c=22.0)
        log = play(setup, days, 7).log
        now = START + timedelta(days=days)

        def cold(s: Setup = setup, entries: tuple = log, at: datetime = now) -> None:  # type: ignore[type-arg]
            _forget()
            assess(s, entries, at)

        first = best_ms(cold, 3)
        again = best_ms(partial(assess, setup, log, now), 3)
        seen = Look("new", now, Level(1.5, LevelUnit.TIMES), None, frozenset(), frozenset(), None, has_note=False)
        began = datetime.now(UTC)  # noqa: TID251  (once: a second time it would be kept)
        assess(setup, (*log, seen), now)
        looked = (datetime.now(UTC) - began) / timedelta(milliseconds=1)  # noqa: TID251
        yield (
            f"assess on day {days}: {first:.0f} ms at first, {again:.1f} ms again ({again / first:.2f} x), "
            f"{looked:.0f} ms after one more look"
        )
