"""What paper and calendars say, in English."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, tzinfo

from accounts.forms import Forms
from ferment.doors.told import InJar
from ferment.kitchen.flours import Flour
from ferment.kitchen.quantities import Spoonful
from ferment.mixing.feeding import FeedPlan
from ferment.planner import Act, Step
from ferment.planner.steps import SightCode
from ferment.protocol.method import Normal

from .amounts import NOTHING
from .amounts import amount as by_hand
from .kinds import Card

FLOURS: dict[Flour, str] = {
    Flour.RYE: "whole rye",
    Flour.WHOLE_WHEAT: "whole wheat",
    Flour.HIGH_EXTRACTION: "high-extraction wheat",
    Flour.WHITE: "white wheat",
    Flour.SPELT: "spelt",
    Flour.EINKORN: "einkorn",
    Flour.GLUTEN_FREE: "gluten-free flour",
}
ACTS: dict[Act, str] = {
    Act.MIX: "Mix",
    Act.FEED: "Feed",
    Act.STIR: "Stir",
    Act.LOOK: "Look at",
    Act.TO_FRIDGE: "Chill",
    Act.TO_COUNTER: "Take out",
    Act.USE: "Mix the dough with",
}
NORMAL: dict[Normal, str] = {
    Normal.WETTING: "nothing to see yet",
    Normal.EARLY_RISE: "a sudden rise, an odd smell; not ready",
    Normal.QUIET: "quiet and flat, sourer",
    Normal.WAKING: "small bubbles, then a rise that grows",
    Normal.GROWING: "doubles, ever sooner",
    Normal.SOURED: "little to see, smells of fruit",
    Normal.SLOW_QUIET: "slow and quiet; bubbles before any rise",
    Normal.SOAKING: "swells, stirs smooth",
    Normal.REVIVING: "little or nothing yet",
    Normal.STIRRING: "a half rise, then more",
    Normal.RESTED: "slow after the cold",
    Normal.LIVELY: "up in a few hours, domed, then down",
}
SIGHTS: dict[SightCode, str] = {
    SightCode.BUBBLES: "it bubbles",
    SightCode.BUBBLES_THROUGHOUT: "bubbles go all through",
    SightCode.FROTH: "it froths",
    SightCode.RISEN: "it has risen",
    SightCode.BELOW_HIGH_MARK: "it has sunk below its high mark",
    SightCode.RISEN_AND_FALLEN: "it has risen and fallen",
    SightCode.RUNNY: "it has turned runny",
    SightCode.IN_A_ROW: "it has done so in a row",
}


PARTS = {0.25: "a quarter", 0.33: "a third", 0.5: "half", 0.67: "two thirds", 0.75: "three quarters"}
SPOONS: dict[str, str] = {}


def amount(forms: Forms, g: float, spoons: tuple[Spoonful, ...] = ()) -> str:
    return by_hand(forms, g, spoons, SPOONS)


def plan_words(plan: FeedPlan | None, forms: Forms) -> str:
    """`keep 40 g, 40 g water, 30 g spelt, 10 g whole rye`; nothing for an act that adds nothing."""
    if plan is None:
        return ""
    hand = plan.by_hand or NOTHING
    flours = {one.flour: one.spoons for one in hand.flours}
    parts = []
    if plan.keep_g:
        part = hand.keep_part and PARTS.get(round(hand.keep_part, 2))
        parts.append(f"keep about {part}" if part else f"keep {amount(forms, plan.keep_g, hand.keep)}")
    if plan.water_g:
        parts.append(f"{amount(forms, plan.water_g, hand.water)} water")
    if plan.juice_g:
        parts.append(f"{amount(forms, plan.juice_g, hand.juice)} juice")
    parts += [f"{amount(forms, part.g, flours.get(part.flour, ()))} {FLOURS[part.flour]}" for part in plan.flours]
    if plan.salt_g:
        parts.append(f"{amount(forms, plan.salt_g, hand.salt)} salt")
    return ", ".join(parts)


def act_words(step: Step, name: str) -> str:
    return f"{ACTS[step.act]} {name}"


def waits_words(step: Step) -> str:
    return " or ".join(SIGHTS[one.sight] for one in step.waits_for)


def day(at: datetime, zone: tzinfo) -> str:
    local = at.astimezone(zone)
    return f"{local:%a} {local.day} {local:%b}"


# --- paper ---

TO_WRITE = ("at", "level", "smell", "went in")
NOTHING_PLANNED = "Nothing is planned."
NO_FEED_PLANNED = "No feed is planned."
LAY_EDGE = "lay this edge at the top of the fresh mix"


def sheet_title(name: str) -> str:
    return f"{name}: plan"


def labels_title(name: str) -> str:
    return f"{name}: labels"


def card_title(name: str) -> str:
    return f"{name}: card"


CARD_DAYS: dict[Card, tuple[str, ...]] = {
    Card.GIFT: (
        "Day 1: leave it loosely covered, never sealed. Keep a spoonful, add as much flour and water again.",
        "Days 2 and 3: the same once a day. Look for a doubling before the next feed.",
        "Then feed it daily, or keep it in the fridge and feed it once a week.",
        "Never taste it raw. Pink, orange or fuzzy: bin all of it.",
    ),
    Card.FLAKES: (
        "Dry, dark and closed it keeps for a year and more.",
        "To wake it: soak in twice as much lukewarm water for three hours, stir half-way, add flour.",
    ),
}


def card_lines(
    kind: Card, held: InJar | None, fed_at: datetime | None, now: datetime, zone: tzinfo, forms: Forms
) -> list[str]:
    """What it is of, when it was fed or dried, and what to do with it."""
    lines = []
    if held is not None:
        flours = ", ".join(FLOURS[part.flour] for part in held.flours)
        wet = f", {round(held.hydration_percent)} % water to flour" if held.hydration_percent else ""
        lines.append(f"Sourdough starter of {flours}{wet}.")
    if kind is Card.FLAKES:
        lines.append(f"Dried from {day(now, zone)} {now.astimezone(zone).year}.")
    elif fed_at is not None:
        lines.append(f"Fed {day(fed_at, zone)} {forms.time(fed_at, zone)}.")
    return [*lines, *CARD_DAYS[kind]]


def trial_facts(names: Sequence[str], page: int) -> str:
    """The plain one first in every round."""
    told = f"{', '.join(names)} · the plain one first, one spatula each"
    return told if page == 1 else f"{told} · page {page}"


def sheet_facts(tare_g: float, page: int, forms: Forms) -> str:
    jar = f"jar {forms.grams(tare_g)} empty · " if tare_g else ""
    return f"{jar}lid loose, never sealed · page {page}"


def likely_ready(day_words: str) -> str:
    return f"likely ready {day_words}"


def row_words(step: Step, forms: Forms) -> str:
    """What to do, with its grams where it feeds."""
    act = ACTS[step.act]
    if step.act is Act.USE:
        return f"{act} it: {forms.grams(sum(one.g or 0.0 for one in step.do))}"
    return f"{act}: {plan_words(step.plan, forms)}" if step.plan else act


def normal_words(step: Step) -> str:
    once = f"once {waits_words(step)} · " if step.waits_for else ""
    return f"day {step.day} · {once}normal: {NORMAL[step.normal]}"


# --- calendars ---


def summary(step: Step, name: str, *, done: bool) -> str:
    said = act_words(step, name)
    return f"{said} (done)" if done else said


def description(step: Step, zone: tzinfo, forms: Forms) -> str:
    """Its grams, what it waits for, its window, and what is normal then, a line each."""
    lines = [plan_words(step.plan, forms)]
    if step.waits_for:
        lines.append(f"Once {waits_words(step)}.")
    if step.earliest < step.latest:
        lines.append(f"Any time from {forms.time(step.earliest, zone)} to {forms.time(step.latest, zone)} is as good.")
    lines.append(f"Normal on day {step.day}: {NORMAL[step.normal]}.")
    return "\n".join(line for line in lines if line)
