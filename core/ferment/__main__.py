"""The core's command line: JSON out; a refused input prints `{"error": ...}` and exits 2."""

from __future__ import annotations

import argparse
import json
import sys
from collections.abc import Callable, Mapping
from dataclasses import asdict, replace
from datetime import datetime, timedelta
from typing import NoReturn
from zoneinfo import ZoneInfo

from . import jarfile
from .assessment import assess
from .building import build
from .comparison import compare
from .contents import Contents, follow
from .feeding import From, parse_ratio, plan_feed, seed_from
from .flours import blend_of, flour_from_grams, flour_to_grams
from .foresight import peak_of, timed
from .hours import Hours, parse_bands, waking_hours
from .mending import mend
from .methods import FAMILIES, family_named
from .planner import MOST_STEPS, totals
from .planner.steps import Step
from .protocol import lint, written
from .protocol.method import Method
from .protocol.options import Choice, PickOption
from .quantities import Unit, from_grams, to_grams, unit_named
from .refusal import Refusal, RefusalCode, within
from .setups import LEAST_C, MOST_C, Setup, course_of, ledger_of, plan_of
from .simulation import CARELESS, TIDY, Truth, play
from .tracker.stretch import Spread
from .vessel import ROOM_WANTED, Vessel, most_grams
from .warmth import Degrees
from .weighing import scale_walk

# A round jar of which only the volume is told: as high as most jars of its size are (common practice: 1.3 × its width).
JAR_SHAPE = 1.3
# What a plan shows beyond the likely day of ready.
DAYS_AFTER_READY = 2


def feed(arguments: argparse.Namespace) -> object:
    ratio = parse_ratio(arguments.ratio)
    vessel = jar_of(arguments.jar_ml, arguments.tare) if arguments.jar_ml else None
    seed = seed_from(From(arguments.keep, arguments.total, vessel, arguments.flour), ratio)
    plan = plan_feed(
        seed,
        ratio,
        blend_of(_parts(arguments.blend)),
        salt_percent=arguments.salt_percent,
        step=arguments.scale_step,
    )
    return {
        **_without_empty(asdict(plan)),
        "scale_walk": [asdict(step) for step in scale_walk(plan, arguments.tare, 0.0)],
    }


def jar_of(ml: float, tare_g: float = 0.0) -> Vessel:
    height = 10.0 * (4.0 * JAR_SHAPE**2 * max(ml, 1.0) / 3.14159265) ** (1.0 / 3.0)
    return Vessel(tare_g, ml, min(500.0, max(20.0, round(height, 1))))


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
    steps = _json_file(arguments.steps, "steps")
    if not isinstance(steps, list) or not all(isinstance(step, Mapping) for step in steps):
        raise Refusal(RefusalCode.UNKNOWN_STEP, "steps", {"known": "a list of steps"})
    return {"after": [_facts(contents) for contents in follow(steps)]}


def building(arguments: argparse.Namespace) -> object:
    made = build(
        arguments.target,
        arguments.reserve,
        blend_of(_parts(arguments.blend)),
        feeds=arguments.feeds,
        max_ratio=arguments.max_ratio,
        hydration_percent=arguments.hydration,
        step=arguments.scale_step,
    )
    told: dict[str, object] = {**asdict(made), "feeds": [_without_empty(asdict(one)) for one in made.feeds]}
    if arguments.at:
        blend = blend_of(_parts(arguments.blend))
        wanted = _moment(arguments.at, _zone(arguments.tz), "at")
        celsius = within(arguments.temp, LEAST_C, MOST_C, "temp")
        told["feed_at"] = [
            {"feed_at": _plain(one.feed_at), **dict(zip(("low", "likely", "high"), _list(one.peaks), strict=True))}
            for one in timed(made, blend, wanted, celsius)
        ]
    return told


def _list(moments: tuple[datetime, ...]) -> list[object]:
    return [_plain(at) for at in moments]


def convert(arguments: argparse.Namespace) -> object:
    """An amount in every unit, by what it is of."""
    unit = unit_named(arguments.unit)
    if arguments.of == "water":
        g = to_grams(arguments.value, unit)
        return {"g": round(g, 3), **{one.value: round(from_grams(g, one), 4) for one in Unit}}
    blend = blend_of(_parts(arguments.of), "of")
    g = flour_to_grams(arguments.value, unit, blend)
    return {one.value: round(flour_from_grams(g, one, blend), 4) for one in Unit}


def methods(_: argparse.Namespace) -> object:
    return {"families": [_family(family) for family in FAMILIES]}


def _family(family: Method) -> dict[str, object]:
    told = written.to_json(family)
    return {name: told[name] for name in ("code", "origin", "options", "needs", "ready", "ways", "wants_c")}


def schema(_: argparse.Namespace) -> object:
    return written.json_schema()


def comparing(arguments: argparse.Namespace) -> object:
    return {"families": [_plain(asdict(one)) for one in compare(FAMILIES, _setup(FAMILIES[0], arguments))]}


def planning(arguments: argparse.Namespace) -> object:
    method = _method(arguments.family)
    setup = _setup(method, arguments)
    course = course_of(setup)
    ledger = ledger_of(setup, course, ())
    start = setup.starts_at
    if arguments.jar_ml is not None and arguments.scale is None:
        setup = _sized_to_jar(setup)
        course = course_of(setup)
    first = plan_of(setup, course, ledger, start, most_ahead=1)
    days = arguments.days or first.ready.likely + DAYS_AFTER_READY
    made = plan_of(setup, course, ledger, start, until=start + timedelta(days=days), most_ahead=MOST_STEPS)
    return {
        "family": method.code,
        "size": setup.size,
        "ready_days": asdict(made.ready),
        "ends": made.ends,
        "steps": [_step(step, made.steps[: number + 1], start) for number, step in enumerate(made.steps)],
        "totals": asdict(totals(made.steps, days)),
        "changes": [_plain(asdict(change)) for change in made.changes],
    }


def _sized_to_jar(setup: Setup) -> Setup:
    """At the largest size whose fullest feed can rise in the jar."""
    course = course_of(setup)
    until = setup.starts_at + timedelta(days=21)
    made = plan_of(setup, course, ledger_of(setup, course, ()), setup.starts_at, until=until, most_ahead=MOST_STEPS)
    fullest = max(step.plan.total_g for step in made.steps if step.plan)
    return replace(setup, size=round(most_grams(setup.vessel) / ROOM_WANTED / fullest, 3))


def _setup(method: Method, arguments: argparse.Namespace) -> Setup:
    zone = _zone(arguments.tz)
    start = _moment(arguments.start, zone)
    bands = parse_bands(arguments.hours) if arguments.hours else None
    read = _degrees(arguments.temp, start) if arguments.temp.endswith(".csv") else ()
    return Setup(
        family=method.code,
        method=method,
        choices=_choices(method, arguments.option or []),
        vessel=jar_of(arguments.jar_ml if arguments.jar_ml is not None else 10_000.0),
        starts_at=start,
        scale_step=arguments.scale_step,
        size=arguments.scale if arguments.scale is not None else 1.0,
        hours=waking_hours(zone) if bands is None else Hours(zone, bands, bands),
        warmth_c=_number(arguments.temp, "temp") if not read else read[0].celsius,
        readings=read,
    )


def _number(text: str, field: str) -> float:
    if not _is_number(text):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field, {"given": text[:40]})
    return float(text)


def _degrees(path: str, start: datetime) -> tuple[Degrees, ...]:
    """A thermometer's log, one `hours since the start,degrees` a line."""
    readings = []
    for number, line in enumerate(_text_file(path, "temp").splitlines()):
        hours, _, celsius = line.partition(",")
        if not (_is_number(hours) and _is_number(celsius)):
            if number == 0:
                continue  # a heading
            raise Refusal(RefusalCode.FILE_FORM, f"temp[{number}]", {"wanted": "hours,degrees"})
        readings.append(Degrees(start + timedelta(hours=float(hours)), float(celsius)))
    return tuple(readings)


def _method(name: str) -> Method:
    """A family of the catalogue, or a baker's own from a file, checked before it is used."""
    if not name.endswith(".json"):
        return family_named(name)
    made = written.read_text(_text_file(name, "family"))
    lint.check(made)
    return made


def _step(step: Step, so_far: tuple[Step, ...], start: datetime) -> dict[str, object]:
    running = totals(so_far, (step.due - start) / timedelta(days=1))
    told = asdict(step)
    return {
        "number": step.number,
        "day": step.day,
        "phase": step.stage,
        "act": step.act,
        "due": _plain(step.due.astimezone(start.tzinfo)),
        "window": [_plain(at.astimezone(start.tzinfo)) for at in (step.earliest, step.latest)],
        "fits_hours": step.fits,
        "waits_for": told["waits_for"] or ["clock"],
        "do": [_without_empty(doing) for doing in told["do"]],
        "total_g": step.plan.total_g if step.plan else None,
        "ratio": step.plan.ratio if step.plan else None,
        "expect": step.normal,
        "running": {"flour_g": round(sum(part.g for part in running.flours), 1), "discard_g": running.discard_g},
    }


def peaking(arguments: argparse.Namespace) -> object:
    ratio = parse_ratio(arguments.ratio)
    given = arguments.hydration
    wet = None if given is None else within(given, 40.0, 250.0, "hydration") / 100.0
    celsius = within(arguments.temp, LEAST_C, MOST_C, "temp")
    vigour = within(arguments.vigour, 0.2, 5.0, "vigour")
    parts = (ratio.seed, ratio.flour, ratio.water if wet is None else ratio.flour * wet)
    told = peak_of(parts, blend_of(_parts(arguments.blend)), celsius, vigour)
    return {
        "double_h": _spread(told.doubles),
        "double_chance": round(told.doubles_chance, 3),
        "peak_h": _spread(told.peak),
        "peak_rise": _spread(told.peak_times),
        "back_to_line_h": _spread(told.back_to_line),
    }


def _spread(spread: Spread | None) -> dict[str, float] | None:
    if spread is None:
        return None
    return {"low": round(spread.low, 2), "likely": round(spread.middle, 2), "high": round(spread.high, 2)}


def simulating(arguments: argparse.Namespace) -> object:
    method = _method(arguments.family)
    setup = _setup(method, arguments)
    truth = Truth(arguments.vigour, arguments.height, arguments.native, arguments.lag)
    habits = CARELESS if arguments.careless else TIDY
    played = play(setup, arguments.days, arguments.seed, truth, habits)
    return {**jarfile.write(setup, played.log), "truth": [_plain(asdict(hour)) for hour in played.truth]}


def assessing(arguments: argparse.Namespace) -> object:
    setup, log = jarfile.read(_json_file(arguments.kitchen, "kitchen"))
    now = _moment(arguments.now, ZoneInfo(str(setup.hours.zone)), "now")
    past = tuple(entry for entry in log if entry.at <= now)
    return _plain(asdict(assess(setup, past, now)))


# --- reading the command line ---


def _zone(name: str) -> ZoneInfo:
    try:
        return ZoneInfo(name)
    except (KeyError, ValueError, OSError):
        raise Refusal(RefusalCode.NOT_A_CHOICE, "tz", {"given": name[:40], "example": "Europe/Lisbon"}) from None


def _moment(text: str, zone: ZoneInfo, field: str = "start") -> datetime:
    try:
        at = datetime.fromisoformat(text)
    except ValueError:
        raise Refusal(RefusalCode.TIME_OUT_OF_RANGE, field, {"example": "2026-03-02T08:00"}) from None
    return at.replace(tzinfo=zone) if at.tzinfo is None else at.astimezone(zone)


def _choices(method: Method, given: list[str]) -> dict[str, Choice]:
    """`--option seed_grams=20 --option blend=rye:1,white:1` by what each option takes."""
    picks = {option.code.value for option in method.options if isinstance(option, PickOption)}
    choices: dict[str, Choice] = {}
    for text in given:
        code, _, value = text.partition("=")
        if code in picks:
            choices[code] = value
        elif ":" in value or not _is_number(value):
            choices[code] = _parts(value.replace(":", "="), code)
        else:
            choices[code] = float(value)
    return choices


def _is_number(text: str) -> bool:
    try:
        float(text)
    except ValueError:
        return False
    return True


def _parts(text: str, field: str = "blend") -> dict[str, float]:
    """`white=10,whole_wheat=1` as a mapping."""
    parts = {}
    for part in text.split(","):
        name, _, value = part.partition("=")
        try:
            parts[name.strip()] = float(value or 1)
        except ValueError:
            raise Refusal(RefusalCode.NOT_A_NUMBER, field, {"given": part[:40]}) from None
    return parts


def _text_file(path: str, field: str) -> str:
    try:
        with open(path, encoding="utf-8") as file:
            # One more than is taken, so that a huge file is refused without being read.
            return file.read(written.MOST_BYTES + 1)
    except (OSError, UnicodeDecodeError) as error:
        raise Refusal(RefusalCode.METHOD_FORM, field, {"why": str(error)}) from None


def _json_file(path: str, field: str) -> object:
    try:
        with open(path, encoding="utf-8") as file:
            return json.load(file)
    except (OSError, ValueError) as error:
        raise Refusal(RefusalCode.UNKNOWN_STEP, field, {"why": str(error)}) from None


# --- writing the answer ---


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


def _without_empty(told: dict[str, object]) -> dict[str, object]:
    """A row without what does not apply to it."""
    kept = {"keep_g", "flours", "water_g", "salt_g", "total_g", "ratio", "fresh_hydration_percent", "do"}
    return {name: value for name, value in told.items() if name in kept or value not in (None, 0.0, ())}


def _plain(value: object) -> object:
    if isinstance(value, datetime):
        return value.isoformat()
    if isinstance(value, Mapping):
        return {name: _plain(one) for name, one in value.items()}
    return [_plain(one) for one in value] if isinstance(value, list | tuple) else value


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

    one = command("feed", feed, "seed, flour and water for one feed, and what the scale shows")
    one.add_argument("--keep", type=float, metavar="G")
    one.add_argument("--total", type=float, metavar="G", help="instead of --keep: the total wanted")
    one.add_argument("--flour", type=float, metavar="G", help="instead of --keep: the flour that is left")
    one.add_argument("--jar-ml", type=float, metavar="ML", help="instead of --keep: the jar to fill")
    one.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    one.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    one.add_argument("--salt-percent", type=float, default=0.0)
    one.add_argument("--tare", type=float, default=0.0, metavar="G")
    weighing(one)

    two = command("mend", mending, "what to add after a slip so that the ratio holds")
    two.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    two.add_argument("--keep", type=float, required=True, metavar="G")
    two.add_argument("--flour", type=float, metavar="G")
    two.add_argument("--water", type=float, metavar="G")
    weighing(two)

    command("hydration", hydration, "true hydration and blend after each step").add_argument(
        "--steps", required=True, metavar="FILE"
    )

    three = command("build", building, "back from the grams a recipe needs to the seed, without discard")
    three.add_argument("--target", type=float, required=True, metavar="G")
    three.add_argument("--reserve", type=float, default=20.0, metavar="G")
    three.add_argument("--feeds", type=int, default=2)
    three.add_argument("--max-ratio", type=float, default=5.0)
    three.add_argument("--hydration", type=float, default=100.0, metavar="PERCENT")
    three.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    weighing(three)

    three.add_argument("--at", metavar="2026-03-08T09:00", help="the hour at which the last feed is to peak")
    three.add_argument("--temp", type=float, default=24.0, metavar="C")
    three.add_argument("--tz", default="UTC", metavar="ZONE")

    six = command("peak", peaking, "when a feed of a grown jar doubles, peaks and is back at its line")
    six.add_argument("--ratio", required=True, metavar="SEED:FLOUR:WATER")
    six.add_argument("--temp", type=float, required=True, metavar="C")
    six.add_argument("--blend", default="white=1", metavar="FLOUR=PARTS,...")
    six.add_argument("--hydration", type=float, metavar="PERCENT", help="instead of the ratio's own water")
    six.add_argument("--vigour", type=float, default=1.0, metavar="TIMES")

    four = command("convert", convert, "an amount in every unit, both ways")
    four.add_argument("--value", type=float, required=True)
    four.add_argument("--unit", required=True)
    four.add_argument("--of", default="water", metavar="water | FLOUR=PARTS,...")

    command("methods", methods, "the families with their options")
    command("schema", schema, "the JSON Schema of a method file")

    def setting(made: argparse.ArgumentParser) -> None:
        made.add_argument("--option", action="append", metavar="CODE=VALUE")
        made.add_argument("--start", required=True, metavar="2026-03-02T08:00")
        made.add_argument("--tz", default="UTC", metavar="ZONE")
        made.add_argument("--hours", metavar="07:00-09:00,19:00-22:30")
        made.add_argument("--temp", default="24", metavar="C | FILE.csv", help="degrees, or lines of hours,degrees")
        made.add_argument("--scale", type=float, metavar="TIMES", help="how many times the method's own amounts")
        made.add_argument("--jar-ml", type=float, metavar="ML", help="instead of --scale: as much as this jar takes")
        weighing(made, 0.1)

    five = command("plan", planning, "a whole course, step by step")
    five.add_argument("family", metavar="FAMILY | FILE.json")
    five.add_argument("--days", type=float)
    setting(five)
    seven = command("simulate", simulating, "a family played by a baker on a simulated jar: log and truth")
    seven.add_argument("family", metavar="FAMILY | FILE.json")
    seven.add_argument("--days", type=float, default=14.0)
    seven.add_argument("--seed", type=int, default=1)
    for trait in ("vigour", "height", "native", "lag"):
        seven.add_argument(f"--{trait}", type=float, default=1.0, metavar="TIMES")
    seven.add_argument("--careless", action="store_true", help="a baker who is late, forgetful and inexact")
    setting(seven)
    eight = command("assess", assessing, "what is to be said of a jar: set-up and log as `simulate` writes them")
    eight.add_argument("kitchen", metavar="KITCHEN.json")
    eight.add_argument("--now", required=True, metavar="2026-03-06T20:10")
    setting(command("compare", comparing, "all families side by side"))
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
