"""What each command answers, as plain JSON values. Every answer raises Refusal for what it cannot take."""

from __future__ import annotations

import argparse
from collections.abc import Mapping
from dataclasses import asdict, replace
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from ..doors.assessment import assess
from ..doors.bakes import Wanted, grown_offers
from ..doors.comparison import compare
from ..doors.foresight import peak_of, timed
from ..kitchen.flours import blend_of, flour_from_grams, flour_to_grams
from ..kitchen.hours import Hours, parse_bands
from ..kitchen.quantities import Unit, from_grams, grams, to_grams, unit_named
from ..kitchen.vessel import ROOM_WANTED, most_grams
from ..methods import FAMILIES
from ..mixing.building import build
from ..mixing.contents import Contents, follow_steps
from ..mixing.feeding import From, parse_ratio, plan_feed, plan_total, seed_from
from ..mixing.mending import mend
from ..mixing.weighing import ScaleStep, scale_walk
from ..planner import MOST_STEPS, totals
from ..planner.steps import Step
from ..protocol import written
from ..protocol.method import Method
from ..refusal import Refusal, RefusalCode, within
from ..setups import LEAST_C, MOST_C, Setup, course_of, ledger_of, plan_of
from ..simulation import CARELESS, TIDY, Truth, play
from ..tracker.stretch import Spread
from . import jarfile
from .given import jar_of, json_of, method_named, moment_of, parts_of, setup_of, zone_named

# What a plan shows beyond the likely day of ready.
DAYS_AFTER_READY = 2
# What is asked for is answered in seconds: a year and a month, a jar five times as strong as the book's.
LEAST_DAYS, MOST_DAYS = 0.01, 400.0
TRAITS = ("vigour", "height", "native", "lag")
LEAST_TRAIT, MOST_TRAIT = 0.2, 5.0
MOST_SEED = 2**32 - 1
MOST_CONVERTED = 1_000_000.0


def feeding(arguments: argparse.Namespace) -> object:
    ratio = parse_ratio(arguments.ratio)
    grams(arguments.tare, "tare")
    vessel = jar_of(arguments.jar_ml, arguments.tare) if arguments.jar_ml else None
    size = From(arguments.keep, arguments.total, vessel, arguments.flour)
    seed = seed_from(size, ratio)
    by, amount = (plan_feed, seed) if size.total_g is None else (plan_total, size.total_g)
    plan = by(
        amount,
        ratio,
        blend_of(parts_of(arguments.blend)),
        salt_percent=arguments.salt_percent,
        step=arguments.scale_step,
    )
    return {
        **_without_empty(asdict(plan)),
        "scale_walk": [_walk_row(step) for step in scale_walk(plan, arguments.tare, 0.0)],
    }


def _walk_row(step: ScaleStep) -> dict[str, object]:
    return {
        "do": step.do,
        "flour": step.flour,
        "add_g": step.add_g,
        "scale_shows_g": step.scale_shows_g,
        "add_ml": step.add_ml,
    }


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
    steps = json_of(arguments.steps, "steps")
    if not isinstance(steps, list) or not all(isinstance(step, Mapping) for step in steps):
        raise Refusal(RefusalCode.UNKNOWN_STEP, "steps", {"known": "a list of steps"})
    return {"after": [_facts(contents) for contents in follow_steps(steps)]}


def building(arguments: argparse.Namespace) -> object:
    made = build(
        arguments.target,
        arguments.reserve,
        blend_of(parts_of(arguments.blend)),
        feeds=arguments.feeds,
        max_ratio=arguments.max_ratio,
        hydration_percent=arguments.hydration,
        step=arguments.scale_step,
    )
    told: dict[str, object] = {**asdict(made), "feeds": [_without_empty(asdict(one)) for one in made.feeds]}
    if arguments.at and arguments.hours:
        return {**told, **_built_in_hours(arguments)}
    if arguments.at:
        blend = blend_of(parts_of(arguments.blend))
        wanted = moment_of(arguments.at, zone_named(arguments.tz), "at")
        celsius = within(arguments.temp, LEAST_C, MOST_C, "temp")
        told["feed_at"] = [
            {"feed_at": _plain(one.feed_at), **dict(zip(("low", "likely", "high"), _list(one.peaks), strict=True))}
            for one in timed(made, blend, wanted, celsius)
        ]
    return told


def _built_in_hours(arguments: argparse.Namespace) -> dict[str, object]:
    """The feeds of a build that the baker's hours have room for, of the sizes that this asks for."""
    zone = zone_named(arguments.tz)
    wanted = moment_of(arguments.at, zone, "at")
    bands = parse_bands(arguments.hours)
    setup = Setup(
        "wake_and_keep",
        {"way": "counter", "blend": parts_of(arguments.blend)},
        jar_of(10_000.0),
        wanted,
        scale_step=arguments.scale_step,
        hours=Hours(zone, bands, bands),
        warmth_c=within(arguments.temp, LEAST_C, MOST_C, "temp"),
    )
    asked = Wanted(arguments.target, wanted, arguments.reserve)
    for offer in grown_offers(setup, asked, arguments.feeds, arguments.hydration):
        low, likely, high = _list(offer.peaks)
        feeds = [{**_without_empty(asdict(one)), "at": _plain(one.at)} for one in offer.feeds]
        last = {"feed_at": _plain(offer.feeds[-1].at), "low": low, "likely": likely, "high": high}
        rows: list[object] = [*({"feed_at": _plain(one.at)} for one in offer.feeds[:-1]), last]
        return {"seed_g": offer.feeds[0].keep_g, "feeds": feeds, "feed_at": rows}
    raise Refusal(RefusalCode.NO_ROOM_IN_HOURS, "hours", {"given": arguments.hours})


def _list(moments: tuple[datetime, ...]) -> list[object]:
    return [_plain(at) for at in moments]


def convert(arguments: argparse.Namespace) -> object:
    """An amount in every unit, by what it is of."""
    unit = unit_named(arguments.unit)
    within(arguments.value, 0.0, MOST_CONVERTED, "value")
    if arguments.of == "water":
        g = to_grams(arguments.value, unit)
        return {"g": round(g, 3), **{one.value: round(from_grams(g, one), 4) for one in Unit}}
    blend = blend_of(parts_of(arguments.of), "of")
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
    return {"families": [_plain(asdict(one)) for one in compare(FAMILIES, setup_of(FAMILIES[0], arguments))]}


def planning(arguments: argparse.Namespace) -> object:
    method = method_named(arguments.family)
    setup = setup_of(method, arguments)
    course = course_of(setup)
    ledger = ledger_of(setup, course, ())
    start = setup.starts_at
    if arguments.jar_ml is not None and arguments.scale is None:
        setup = _sized_to_jar(setup)
        course = course_of(setup)
    first = plan_of(setup, course, ledger, start, most_ahead=1)
    days = first.ready.likely + DAYS_AFTER_READY
    if arguments.days is not None:
        days = within(arguments.days, LEAST_DAYS, MOST_DAYS, "days")
    made = plan_of(setup, course, ledger, start, until=start + timedelta(days=days), most_ahead=MOST_STEPS)
    return {
        "family": method.code,
        "size": setup.size,
        "ready_days": asdict(made.ready),
        "ends": made.ends,
        "steps": [_step_row(step, made.steps[: number + 1], start) for number, step in enumerate(made.steps)],
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


def _step_row(step: Step, so_far: tuple[Step, ...], start: datetime) -> dict[str, object]:
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
    told = peak_of(parts, blend_of(parts_of(arguments.blend)), celsius, vigour)
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
    method = method_named(arguments.family)
    setup = setup_of(method, arguments)
    truth = Truth(*(within(getattr(arguments, name), LEAST_TRAIT, MOST_TRAIT, name) for name in TRAITS))
    habits = CARELESS if arguments.careless else TIDY
    days = within(arguments.days, LEAST_DAYS, MOST_DAYS, "days")
    played = play(setup, days, int(within(arguments.seed, 0, MOST_SEED, "seed")), truth, habits)
    return {**jarfile.write_jar(setup, played.log), "truth": [_plain(asdict(hour)) for hour in played.truth]}


def assessing(arguments: argparse.Namespace) -> object:
    setup, log = jarfile.read_jar(json_of(arguments.kitchen, "kitchen"))
    now = moment_of(arguments.now, ZoneInfo(str(setup.hours.zone)), "now")
    past = tuple(entry for entry in log if entry.at <= now)
    return _plain(asdict(assess(setup, past, now)))


# --- writing the answer ---


def _facts(contents: Contents) -> dict[str, object]:
    flour_g = contents.flour_g
    hydrated = contents.hydration_percent
    return {
        "total_g": round(contents.total_g, 3),
        "hydration_percent": None if hydrated is None else round(hydrated, 2),
        "blend": {part.flour: round(part.g / flour_g, 4) for part in contents.flours if flour_g},
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
    if isinstance(value, frozenset):
        return sorted(value)
    return [_plain(part) for part in value] if isinstance(value, list | tuple) else value
