"""The core's command line: JSON out; a refused input prints `{"error": ...}` and exits 2."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Mapping
from dataclasses import asdict
from typing import NoReturn

from .contents import Contents, follow
from .feeding import mend, parse_ratio, plan_feed, scale_walk
from .flours import blend_of
from .refusal import Refusal, RefusalCode


def feed(arguments: argparse.Namespace) -> object:
    plan = plan_feed(
        arguments.keep,
        parse_ratio(arguments.ratio),
        blend_of(_parts(arguments.blend)),
        salt_percent=arguments.salt_percent,
        step=arguments.scale_step,
    )
    return {**asdict(plan), "scale_walk": [asdict(step) for step in scale_walk(plan, arguments.tare)]}


def mending(arguments: argparse.Namespace) -> object:
    return asdict(
        mend(
            parse_ratio(arguments.ratio),
            arguments.keep,
            flour_g=arguments.flour,
            water_g=arguments.water,
            step=arguments.scale_step,
        )
    )


def hydration(arguments: argparse.Namespace) -> object:
    try:
        with open(arguments.steps, encoding="utf-8") as file:
            steps = json.load(file)
    except (OSError, ValueError) as error:
        raise Refusal(RefusalCode.UNKNOWN_STEP, "steps", {"why": str(error)}) from None
    if not isinstance(steps, list) or not all(isinstance(step, Mapping) for step in steps):
        raise Refusal(RefusalCode.UNKNOWN_STEP, "steps", {"known": "a list of steps"})
    return {"after": [_facts(contents) for contents in follow(steps)]}


def _facts(contents: Contents) -> dict[str, object]:
    flour_g = contents.flour_g
    hydrated = contents.hydration_percent
    return {
        "total_g": round(contents.total_g, 3),
        "hydration_percent": None if hydrated is None else round(hydrated, 2),
        "blend": {part.flour: round(part.g / flour_g, 4) for part in contents.flours},
        "flours": [{"flour": part.flour, "g": round(part.g, 3)} for part in contents.flours],
        "water_g": round(contents.water_g, 3),
        "salt_g": round(contents.salt_g, 3),
    }


def _parts(text: str) -> dict[str, float]:
    """`white=10,whole_wheat=1` as a mapping."""
    parts = {}
    for part in text.split(","):
        name, _, value = part.partition("=")
        try:
            parts[name.strip()] = float(value or 1)
        except ValueError:
            raise Refusal(RefusalCode.NOT_A_NUMBER, "blend", {"given": part[:40]}) from None
    return parts


class Parser(argparse.ArgumentParser):
    """Answers a wrong command line in the same shape as any other refused input."""

    def error(self, message: str) -> NoReturn:
        _refuse("usage", "command", message)


def _refuse(code: str, field: str, message: str) -> NoReturn:
    print(json.dumps({"error": {"code": code, "field": field, "message": message}}))
    sys.exit(2)


def parser() -> argparse.ArgumentParser:
    top = Parser(prog="ferment", description="The arithmetic of a sourdough starter; JSON out.")
    commands = top.add_subparsers(dest="command", required=True)

    one = commands.add_parser("feed", help="seed, flour and water for one feed, and what the scale shows")
    one.add_argument("--keep", type=float, required=True, metavar="G")
    one.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    one.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    one.add_argument("--salt-percent", type=float, default=0.0)
    one.add_argument("--scale-step", type=float, default=1.0)
    one.add_argument("--tare", type=float, default=0.0, metavar="G")
    one.set_defaults(answer=feed)

    two = commands.add_parser("mend", help="what to add after a slip so that the ratio holds")
    two.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    two.add_argument("--keep", type=float, required=True, metavar="G")
    two.add_argument("--flour", type=float, metavar="G")
    two.add_argument("--water", type=float, metavar="G")
    two.add_argument("--scale-step", type=float, default=1.0)
    two.set_defaults(answer=mending)

    three = commands.add_parser("hydration", help="true hydration and blend after each step")
    three.add_argument("--steps", required=True, metavar="FILE")
    three.set_defaults(answer=hydration)
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
