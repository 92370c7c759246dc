"""What every way takes and throws out until its likely day of ready, in its own amounts and in the thriftiest size.

In a jar of 370 ml at 22 °C, with each way's own flours and choices; and the twenty-six courses of the tests as they are
written.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ferment.doors.comparison import to_ready
from ferment.doors.fitting import size_that_fits
from ferment.doors.thrift import thriftier
from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES
from ferment.protocol.method import Method
from ferment.setups import Setup
from tests.core.courses import ROWS

from .readiness import START

JAR = Vessel(200.0, 370.0, 100.0)


def courses() -> Iterator[tuple[str, Setup]]:
    """Every family, and every way of it that is offered by its own name."""
    for family in FAMILIES:
        for way in (None, *family.ways):
            choices = {way.code.value: way.pick.value} if way else {}
            yield _name(family, way.pick.value if way else None), Setup(family.code, choices, JAR, START, warmth_c=22.0)


def _name(family: Method, pick: str | None) -> str:
    return family.code if pick is None else f"{family.code}, {pick}"


def report() -> Iterator[str]:
    yield from families()
    yield ""
    yield from as_written()


# The courses are in the amounts that they are told in, whatever jar that takes.
LARGE = Vessel(400.0, 4_000.0, 260.0)


def as_written() -> Iterator[str]:
    """The twenty-six courses of the tests, each in its own amounts."""
    yield "| course | way | days | feeds | flour | thrown out | share |"
    yield "|---|---|---|---|---|---|---|"
    for row in ROWS:
        taken = to_ready(Setup(row.family, row.options, LARGE, START, size=row.size, warmth_c=22.0))
        mixed = taken.flour_g + taken.liquid_g
        share = 100 * taken.discard_g / mixed if mixed else 0
        yield (
            f"| {row.course} | {row.family} | {taken.ready.likely:.0f} | {taken.feeds} | {taken.flour_g:.0f} g | "
            f"{taken.discard_g:.0f} g | {share:.0f} % |"
        )


def families() -> Iterator[str]:
    yield "| way | days | feeds | flour | thrown out | share | thriftiest size, saves |"
    yield "|---|---|---|---|---|---|---|"
    for name, made in courses():
        setup = replace(made, size=size_that_fits(made))
        taken, less = to_ready(setup), thriftier(setup)
        mixed = taken.flour_g + taken.liquid_g
        saves = f"{less.size:g}: {less.saves_discard_g:.0f} g" if less else "as it is"
        yield (
            f"| {name} | {taken.ready.likely:.0f} | {taken.feeds} | {taken.flour_g:.0f} g | {taken.discard_g:.0f} g | "
            f"{100 * taken.discard_g / mixed if mixed else 0:.0f} % | {saves} |"
        )
