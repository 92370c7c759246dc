"""Twenty-six courses of the families (common practice), a row each: grams or spoons, order, triggers."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ferment.kitchen.flours import GRAMS_PER_CUP, Flour
from ferment.kitchen.quantities import Unit, to_grams
from ferment.planner.steps import Task
from ferment.protocol.options import Choices

OZ = to_grams(1, Unit.OUNCE)
TBSP_WATER = to_grams(1, Unit.TABLESPOON)
CUP_WATER = to_grams(1, Unit.CUP)


def tbsp(flour: str) -> float:
    return GRAMS_PER_CUP[Flour(flour)] / 16


def cup(flour: str) -> float:
    return GRAMS_PER_CUP[Flour(flour)]


@dataclass(frozen=True)
class Turn:
    """What one step should be: hours after the first mix; kept (None: all), out, water, juice, flours by kind, salt."""

    at_h: float
    water: float = 0.0
    flours: Mapping[str, float] | None = None
    keep: float | None = None
    out: float | None = None
    juice: float = 0.0
    salt: float = 0.0
    put_in: float | None = None
    also: tuple[Task, ...] = ()
    waits: tuple[str, ...] = ()


@dataclass(frozen=True)
class Row:
    """A course: the family with its options and size, its turns in order, and how often the last one goes on."""

    course: int
    family: str
    turns: tuple[Turn, ...]
    options: Choices
    size: float = 1.0
    repeats: int = 0
    every_h: float = 24.0


def also(*tasks: Task) -> tuple[Task, ...]:
    return tasks


STIR, CLEAN, POUR = Task.STIR, Task.CLEAN_JAR, Task.POUR_OFF
HEIGHT, PH, COLD, WARM = Task.MEASURE_HEIGHT, Task.READ_PH, Task.TO_FRIDGE, Task.TO_COUNTER
RYE_150 = {"rye": 100.0}
HALF_RYE = {"rye": 35.0, "white": 35.0}
TEN_TO_ONE = {"white": 20.0, "whole_wheat": 2.0}

ROWS = (
    Row(
        1,
        "wet_rye",
        (
            Turn(0, 150, RYE_150),
            Turn(24, 150, RYE_150, keep=125),
            Turn(48, 75, HALF_RYE, keep=75),
            Turn(72, 75, HALF_RYE, keep=75),
            Turn(96, 75, HALF_RYE, keep=75),
            Turn(120, 50, {"white": 50.0}, keep=25, waits=("risen_and_fallen",)),
            Turn(144, 50, {"white": 50.0}, keep=25),
        ),
        {"way": "long", "start_grams": 100.0},
        repeats=3,
    ),
    Row(
        2,
        "wet_rye",
        (
            Turn(0, 150, RYE_150),
            Turn(24, 150, RYE_150, keep=125),
            Turn(48, 80, {"rye": 80.0}, keep=187.5),
            Turn(72, 50, {"rye": 50.0}, keep=20, waits=("risen_and_fallen",)),
            Turn(96, 50, {"rye": 50.0}, keep=20),
        ),
        {"way": "short", "start_grams": 100.0, "seed_grams": 20.0, "flour_parts": 2.5, "blend": {"rye": 1.0}},
        repeats=3,
    ),
    Row(
        3,
        "small_seed",
        (
            Turn(0, 50, {"rye": 25.0, "white": 25.0}),
            Turn(24, 50, {"rye": 25.0, "white": 25.0}),
            Turn(48, 50, {"rye": 25.0, "white": 25.0}, keep=12.5),
        ),
        {"seed_grams": 25.0},
        size=0.5,
        repeats=5,
    ),
    Row(
        4,
        "spoons",
        (
            Turn(0, 2 * TBSP_WATER, {"rye": 2 * tbsp("rye")}, also=also(HEIGHT)),
            Turn(24, TBSP_WATER, {"rye": tbsp("rye")}, out=TBSP_WATER * 1.1, also=also(HEIGHT, STIR, PH)),
        ),
        {},
        repeats=12,
    ),
    Row(
        5,
        "equal_parts",
        (
            Turn(0, CUP_WATER, {"whole_wheat": cup("whole_wheat")}),
            Turn(24, 115, {"white": 115.0}, keep=115),
            Turn(48, 115, {"white": 115.0}, keep=115),
            Turn(60, 115, {"white": 115.0}, keep=115),
        ),
        {
            "start_grams": cup("whole_wheat"),
            "hydration_percent": 100 * CUP_WATER / cup("whole_wheat"),
            "seed_grams": 115.0,
            "twice_from_day": "day_3",
            "blend": {"white": 1.0},
        },
        repeats=8,
        every_h=12,
    ),
    Row(
        6,
        "equal_parts",
        (
            Turn(0, 80, {"whole_wheat": 40.0, "white": 40.0}),
            Turn(12, 40, {"whole_wheat": 20.0, "white": 20.0}, keep=80),
        ),
        {
            "keeping": "keep_half",
            "start_grams": 80.0,
            "feed_grams": 40.0,
            "every_hours": 12.0,
            "first_blend": {"white": 1.0, "whole_wheat": 1.0},
            "blend": {"white": 1.0, "whole_wheat": 1.0},
        },
        repeats=10,
        every_h=12,
    ),
    Row(
        7,
        "by_feel",
        (
            Turn(0, CUP_WATER / 2, {"white": cup("white")}, also=also(Task.HOLD_BACK)),
            Turn(24, CUP_WATER / 2, {"white": cup("white")}, also=also(POUR, Task.HOLD_BACK)),
            Turn(48, CUP_WATER / 2, {"white": cup("white")}, also=also(POUR, Task.HOLD_BACK)),
            Turn(72, CUP_WATER / 2, {"white": cup("white")}, also=also(POUR, Task.HOLD_BACK)),
            Turn(96, CUP_WATER / 2, {"white": cup("white")}, keep=486.6, also=also(POUR, Task.HOLD_BACK)),
            Turn(120, CUP_WATER / 2, {"white": cup("white")}, keep=365.0, also=also(POUR, Task.HOLD_BACK)),
            Turn(144, CUP_WATER / 2, {"white": cup("white")}, keep=304.2, also=also(POUR, Task.HOLD_BACK)),
            Turn(168, 1.5 * CUP_WATER, {"white": cup("white")}, keep=100),
        ),
        {"way": "thicken", "blend": {"white": 1.0}},
    ),
    Row(
        8,
        "equal_parts",
        (
            Turn(0, 45, {"whole_wheat": 45.0}),
            Turn(24, also=also(STIR)),
            Turn(48, 30, {"whole_wheat": 30.0}),
            Turn(72, 30, {"whole_wheat": 30.0}, keep=30, also=also(CLEAN)),
        ),
        {"first_days": "rest_then_top_up", "jar": "clean_jar"},
        repeats=4,
    ),
    Row(
        9,
        "acid_start",
        (
            Turn(0, flours={"whole_wheat": 4.25 * OZ}, juice=4 * OZ),
            Turn(24, flours={"whole_wheat": 2.25 * OZ}, juice=2 * OZ),
            Turn(48, 2 * OZ, {"whole_wheat": 2.25 * OZ}, keep=177.2),
            Turn(72, 2 * OZ, {"whole_wheat": 2.25 * OZ}, keep=148.9),
        ),
        {"blend": {"whole_wheat": 1.0}},
    ),
    Row(
        10,
        "acid_start",
        (
            Turn(0, flours={"whole_wheat": cup("whole_wheat") / 2}, juice=CUP_WATER / 2),
            Turn(12, also=also(STIR)),
            Turn(24, also=also(STIR)),
            Turn(36, also=also(STIR)),
            Turn(48, also=also(STIR)),
            Turn(
                60,
                2 * TBSP_WATER,
                {"whole_wheat": 3 * tbsp("whole_wheat")},
                keep=3 * TBSP_WATER * 1.1,
                also=also(CLEAN),
                waits=("froth",),
            ),
        ),
        {"way": "stir_and_wait"},
    ),
    Row(
        11,
        "equal_parts",
        (
            Turn(0, 29, {"whole_wheat": 15.0, "white": 15.0}, juice=6),
            Turn(24, 32.5, {"whole_wheat": 16.25, "white": 16.25}, keep=32.5),
            Turn(48, 48.8, {"whole_wheat": 24.4, "white": 24.4}, keep=48.8),
            Turn(72, 36.6, {"whole_wheat": 18.3, "white": 18.3}, keep=36.6),
        ),
        {
            "start_grams": 30.0,
            "hydration_percent": 100 * 35 / 30,
            "juice_percent": 100 * 6 / 35,
            "keeping": "half_then_quarter",
            "first_blend": {"white": 1.0, "whole_wheat": 1.0},
            "blend": {"white": 1.0, "whole_wheat": 1.0},
        },
    ),
    Row(
        12,
        "on_signs",
        (
            Turn(0, 100, {"whole_wheat": 50.0, "white": 50.0}),
            Turn(48, 100, {"whole_wheat": 50.0, "white": 50.0}, keep=2 * TBSP_WATER * 1.1, waits=("bubbles",)),
            Turn(72, 100, {"whole_wheat": 50.0, "white": 50.0}, keep=2 * TBSP_WATER * 1.1, waits=("bubbles",)),
        ),
        {"start_grams": 100.0},
        repeats=4,
    ),
    Row(
        13,
        "slow_build",
        (
            Turn(0, 25, {"gluten_free": 25.0}),
            Turn(24, 25, {"gluten_free": 25.0}),
            Turn(48, 25, {"gluten_free": 25.0}),
            Turn(72, 25, {"gluten_free": 25.0}),
            Turn(96, 50, {"gluten_free": 50.0}, out=100),
        ),
        {},
        repeats=8,
    ),
    Row(
        14,
        "stiff_warm",
        (
            Turn(0, 180, {"rye": 150.0, "white": 150.0}, salt=1.0),
            Turn(10, 180, {"white": 300.0}, keep=300, salt=1.0),
            Turn(20, 180, {"white": 300.0}, keep=300, salt=1.0),
        ),
        {"seed_grams": 300.0},
        repeats=4,
        every_h=10,
    ),
    Row(
        15,
        "when_hungry",
        (
            Turn(0, 10, {"whole_wheat": 10.0}, also=also(Task.WEIGH_REFERENCE)),
            Turn(30, 20, TEN_TO_ONE, waits=("bubbles",)),
            Turn(66, 20, TEN_TO_ONE, keep=20, waits=("runny", "below_high_mark")),
        ),
        {},
        repeats=4,
        every_h=36,
    ),
    Row(
        16,
        "acid_start",
        (
            Turn(0, flours={"whole_wheat": 1.25 * tbsp("whole_wheat")}, juice=TBSP_WATER),
            *(Turn(24 * day, flours={"whole_wheat": tbsp("whole_wheat")}, juice=TBSP_WATER) for day in range(1, 6)),
            Turn(144, TBSP_WATER, {"whole_wheat": tbsp("whole_wheat")}, keep=67.9),
        ),
        {"way": "spoonful_a_day", "blend": {"whole_wheat": 1.0}},
    ),
    Row(
        17,
        "by_feel",
        (
            Turn(0, 1.5 * CUP_WATER, {"rye": 63.3, "white": 63.2}, also=also(STIR)),
            Turn(36, 1.5 * CUP_WATER, {"rye": 63.3, "white": 63.2}, keep=240.7, also=also(STIR), waits=("froth",)),
            Turn(48, 1.5 * CUP_WATER, {"rye": 63.3, "white": 63.2}, keep=361.1, also=also(STIR)),
        ),
        {"way": "refill"},
    ),
    Row(
        18,
        "dried_soak",
        (
            Turn(0, 2 * OZ, put_in=10),
            Turn(1.5, also=also(STIR)),
            Turn(3, flours={"white": 14.2, "whole_wheat": 14.1}),
            Turn(27, 30, {"white": 15.0, "whole_wheat": 15.0}),
            Turn(51, 30, {"white": 15.0, "whole_wheat": 15.0}),
            Turn(69, 50, {"white": 25.0, "whole_wheat": 25.0}),
            Turn(81, 50, {"white": 25.0, "whole_wheat": 25.0}),
            Turn(105, 50, {"white": 25.0, "whole_wheat": 25.0}),
        ),
        {"way": "build_up", "culture_grams": 10.0},
    ),
    Row(
        19,
        "dried_spoons",
        (
            Turn(0, TBSP_WATER, {"white": tbsp("white")}, put_in=5),
            Turn(18, 2 * TBSP_WATER, {"white": 2 * tbsp("white")}),
            Turn(36, 2 * TBSP_WATER, {"white": cup("white") / 4}),
            Turn(60, CUP_WATER / 4, {"white": cup("white") / 2}),
            Turn(84, CUP_WATER / 4, {"white": cup("white") / 2}, out=130.1),
        ),
        {},
    ),
    Row(
        20,
        "dried_soak",
        (
            Turn(0, 40, put_in=3),
            Turn(1.5, also=also(STIR)),
            Turn(3, flours={"white": 10.0, "whole_wheat": 10.0}),
            Turn(27, 20, {"white": 10.0, "whole_wheat": 10.0}, keep=20, also=also(CLEAN)),
        ),
        {"way": "refresh"},
        repeats=4,
    ),
    Row(
        21,
        "equal_parts",
        (
            Turn(0, 40, {"whole_wheat": 30.0}, put_in=3, also=also(STIR)),
            Turn(24, also=also(STIR)),
            Turn(48, 30, {"whole_wheat": 30.0}),
            Turn(72, 30, {"whole_wheat": 30.0}, keep=30, also=also(CLEAN)),
        ),
        {
            "origin": "from_frozen",
            "start_grams": 30.0,
            "hydration_percent": 400 / 3,
            "first_days": "rest_then_top_up",
            "jar": "clean_jar",
        },
        repeats=3,
    ),
    Row(
        22,
        "wake_and_keep",
        (
            Turn(0, 25, {"white": 25.0}, put_in=5, also=also(POUR)),
            Turn(24, 50, {"white": 50.0}),
        ),
        {"way": "build", "target_grams": 150.0, "reserve_grams": 5.0},
    ),
    Row(
        23,
        "wake_and_keep",
        (
            Turn(0, 50, {"white": 50.0}, put_in=50, also=also(POUR)),
            Turn(24, 50, {"white": 50.0}, keep=50),
            Turn(48, 50, {"white": 50.0}, keep=50),
        ),
        {"way": "equal_feeds"},
    ),
    Row(
        24,
        "wake_and_keep",
        (
            Turn(0, 50, {"white": 50.0}, put_in=25),
            Turn(12, 50, {"white": 50.0}, keep=25),
        ),
        {"way": "counter", "seed_grams": 25.0, "flour_parts": 2.0, "every_hours": 12.0},
        repeats=6,
        every_h=12,
    ),
    Row(
        25,
        "wake_and_keep",
        (
            Turn(0, 50, {"white": 50.0}, put_in=25, also=also(POUR)),
            Turn(10, also=also(COLD), waits=("risen_and_fallen",)),
            Turn(144, also=also(WARM)),
            Turn(148, 50, {"white": 50.0}, keep=25, also=also(POUR)),
            Turn(158, also=also(COLD), waits=("risen_and_fallen",)),
            Turn(288, also=also(WARM)),
        ),
        {"way": "fridge", "seed_grams": 25.0, "flour_parts": 2.0},
    ),
    Row(
        26,
        "wake_and_keep",
        (
            Turn(0, 30, {"white": 30.0}, put_in=10, also=also(POUR)),
            Turn(12, 70, {"white": 70.0}),
        ),
        {
            "way": "build",
            "seed_grams": 10.0,
            "flour_parts": 3.0,
            "target_grams": 200.0,
            "reserve_grams": 10.0,
            "every_hours": 12.0,
        },
    ),
)
