"""The core's command line: JSON out; a refused input prints `{"error": ...}` and exits 2."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable
from typing import NoReturn

from .cli import answers
from .refusal import Refusal


class Parser(argparse.ArgumentParser):
    """Answers a wrong command line in the same shape as any other refused input."""

    def error(self, message: str) -> NoReturn:
        _refuse("usage", "command", message)


def _refuse(code: str, field: str, message: str) -> NoReturn:
    print(json.dumps({"error": {"code": code, "field": field, "message": message}}))
    sys.exit(2)


def parser() -> argparse.ArgumentParser:
    top = Parser(prog="ferment", description="The arithmetic and the plans of a sourdough starter; JSON out.")
    commands = top.add_subparsers(dest="command", required=True)

    def command(name: str, answer: Callable[[argparse.Namespace], object], about: str) -> argparse.ArgumentParser:
        made = commands.add_parser(name, help=about)
        made.set_defaults(answer=answer)
        return made

    def weighing(made: argparse.ArgumentParser, step: float = 1.0) -> None:
        made.add_argument("--scale-step", type=float, default=step, metavar="G")

    fed = command("feed", answers.feeding, "seed, flour and water for one feed, and what the scale shows")
    fed.add_argument("--keep", type=float, metavar="G")
    fed.add_argument("--total", type=float, metavar="G", help="instead of --keep: the total wanted")
    fed.add_argument("--flour", type=float, metavar="G", help="instead of --keep: the flour that is left")
    fed.add_argument("--jar-ml", type=float, metavar="ML", help="instead of --keep: the jar to fill")
    fed.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    fed.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    fed.add_argument("--salt-percent", type=float, default=0.0)
    fed.add_argument("--tare", type=float, default=0.0, metavar="G")
    weighing(fed)

    mended = command("mend", answers.mending, "what to add after a slip so that the ratio holds")
    mended.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    mended.add_argument("--keep", type=float, required=True, metavar="G")
    mended.add_argument("--flour", type=float, metavar="G")
    mended.add_argument("--water", type=float, metavar="G")
    weighing(mended)

    command("hydration", answers.hydration, "true hydration and blend after each step").add_argument(
        "--steps", required=True, metavar="FILE"
    )

    built = command("build", answers.building, "back from the grams a recipe needs to the seed, without discard")
    built.add_argument("--target", type=float, required=True, metavar="G")
    built.add_argument("--reserve", type=float, default=20.0, metavar="G")
    built.add_argument("--feeds", type=int, default=2)
    built.add_argument("--max-ratio", type=float, default=5.0)
    built.add_argument("--hydration", type=float, default=100.0, metavar="PERCENT")
    built.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    weighing(built)

    built.add_argument("--at", metavar="2026-03-08T09:00", help="the hour at which the last feed is to peak")
    built.add_argument("--temp", type=float, default=24.0, metavar="C")
    built.add_argument("--tz", default="UTC", metavar="ZONE")
    built.add_argument("--hours", metavar="07:00-09:00,19:00-22:30", help="the hours in which each feed is to be")

    peaked = command("peak", answers.peaking, "when a feed of a grown jar doubles, peaks and is back at its line")
    peaked.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    peaked.add_argument("--temp", type=float, required=True, metavar="C")
    peaked.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    peaked.add_argument("--hydration", type=float, metavar="PERCENT", help="instead of the ratio's own water")
    peaked.add_argument("--vigour", type=float, default=1.0, metavar="TIMES")

    converted = command("convert", answers.convert, "an amount in every unit, both ways")
    converted.add_argument("--value", type=float, required=True)
    converted.add_argument("--unit", required=True)
    converted.add_argument("--of", default="water", metavar="water | FLOUR=PARTS,...")

    command("methods", answers.methods, "the families with their options")
    command("schema", answers.schema, "the JSON Schema of a method file")

    def setting(made: argparse.ArgumentParser) -> None:
        made.add_argument("--option", action="append", metavar="CODE=VALUE")
        made.add_argument("--start", required=True, metavar="2026-03-02T08:00")
        made.add_argument("--tz", default="UTC", metavar="ZONE")
        made.add_argument("--hours", metavar="07:00-09:00,19:00-22:30")
        made.add_argument("--temp", default="24", metavar="C | FILE.csv", help="degrees, or lines of hours,degrees")
        made.add_argument("--scale", type=float, metavar="TIMES", help="how many times the method's own amounts")
        made.add_argument("--jar-ml", type=float, metavar="ML", help="instead of --scale: as much as this jar takes")
        weighing(made, 0.1)

    planned = command("plan", answers.planning, "a whole course, step by step")
    planned.add_argument("family", metavar="FAMILY | FILE.json")
    planned.add_argument("--days", type=float)
    setting(planned)
    simulated = command("simulate", answers.simulating, "a family played by a baker on a simulated jar: log and truth")
    simulated.add_argument("family", metavar="FAMILY | FILE.json")
    simulated.add_argument("--days", type=float, default=14.0)
    simulated.add_argument("--seed", type=int, default=1)
    for trait in ("vigour", "height", "native", "lag"):
        simulated.add_argument(f"--{trait}", type=float, default=1.0, metavar="TIMES")
    simulated.add_argument("--careless", action="store_true", help="a baker who is late, forgetful and inexact")
    setting(simulated)
    assessed = command(
        "assess", answers.assessing, "what is to be said of a jar: set-up and log as `simulate` writes them"
    )
    assessed.add_argument("kitchen", metavar="KITCHEN.json")
    assessed.add_argument("--now", required=True, metavar="2026-03-06T20:10")
    setting(command("compare", answers.comparing, "all families side by side"))
    return top


def main(arguments: list[str] | None = None) -> int:
    chosen = parser().parse_args(arguments)
    try:
        print(json.dumps(chosen.answer(chosen), allow_nan=False))
    except Refusal as refusal:
        _refuse(refusal.code, refusal.field, refusal.message)
    return 0


if __name__ == "__main__":
    sys.exit(main())
