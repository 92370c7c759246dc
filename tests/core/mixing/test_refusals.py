"""Every refusal of the mixing room, to the last fact: code, field, and what would be accepted."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from unittest import TestCase

from ferment.kitchen.flours import blend_of
from ferment.mixing.building import build
from ferment.mixing.contents import follow_steps
from ferment.mixing.feeding import (
    From,
    Ratio,
    parse_ratio,
    plan_feed,
    seed_for_flour,
    seed_for_total,
    seed_from,
    weighed,
)
from ferment.mixing.mending import mend
from ferment.refusal import Refusal, RefusalCode

WHITE = blend_of({"white": 1})
EVEN = Ratio(1.0, 1.0, 1.0)
ONE_TWO_TWO = {"example": "1:2:2"}
GRAMS = {"least": 0.0, "most": 10_000.0}
MIX: Mapping[str, object] = {"do": "mix", "flour": {"rye": 100}, "water": 150}

Said = tuple[RefusalCode, str, Mapping[str, object]]
Asked = Callable[[], object]
out, unclear = RefusalCode.OUT_OF_RANGE, RefusalCode.RATIO_FORM


def steps(*given: Mapping[str, object]) -> Asked:
    return lambda: follow_steps(given)


RATIOS: tuple[tuple[Asked, Said], ...] = (
    (lambda: parse_ratio("a:b"), (unclear, "ratio", ONE_TWO_TWO)),
    (lambda: parse_ratio("1:2:3:4", "r"), (unclear, "r", ONE_TWO_TWO)),
    (lambda: parse_ratio("1:٢:2", "r"), (unclear, "r", ONE_TWO_TWO)),
    (lambda: parse_ratio("1:0:2", "r"), (RefusalCode.RATIO_WITHOUT_FOOD, "r", ONE_TWO_TWO)),
    (
        lambda: parse_ratio("1:2", "r"),
        (
            RefusalCode.RATIO_TWO_PARTS,
            "r",
            {"given": "1:2", "as_flour_and_water": "1:1:2", "as_seed_and_flour": "1:2:2"},
        ),
    ),
)
FEEDS: tuple[tuple[Asked, Said], ...] = (
    (lambda: plan_feed(-1.0, EVEN, WHITE), (out, "keep_g", {"least": 1.0, "most": 10_000.0})),
    (lambda: plan_feed(0.4, EVEN, WHITE), (out, "keep_g", {"least": 1.0, "most": 10_000.0})),
    (lambda: plan_feed(1.0, Ratio(1, 0.2, 1), WHITE), (out, "keep_g", {"least": 1.0, "most": 10_000.0})),
    (lambda: plan_feed(1.0, Ratio(1, 1, 0.2), WHITE), (out, "keep_g", {"least": 1.0, "most": 10_000.0})),
    (lambda: plan_feed(2_000.0, Ratio(1, 6, 1), WHITE), (out, "flour_g", GRAMS)),
    (lambda: plan_feed(2_000.0, Ratio(1, 1, 6), WHITE), (out, "water_g", GRAMS)),
    (lambda: plan_feed(5.0, EVEN, WHITE, step=2.0), (RefusalCode.NOT_A_CHOICE, "scale_step", {"known": "0.1, 1, 5"})),
    (lambda: weighed(1, -1, 1, WHITE), (out, "flour_g", GRAMS)),
    (lambda: weighed(1, 1, -1, WHITE), (out, "water_g", GRAMS)),
    (lambda: weighed(1, 1, 1, WHITE, juice=-1), (out, "juice_g", GRAMS)),
    (lambda: weighed(1, 1, 1, WHITE, salt_percent=5.1), (out, "salt_percent", {"least": 0.0, "most": 5.0})),
    (lambda: seed_for_total(-1.0, EVEN), (out, "total_g", GRAMS)),
    (lambda: seed_for_flour(-1.0, EVEN), (out, "flour_g", GRAMS)),
    (lambda: seed_from(From(seed_g=-1.0), EVEN), (out, "keep_g", GRAMS)),
    *(
        (
            lambda size=size: seed_from(size, EVEN),
            (RefusalCode.DOES_NOT_FIT_TOGETHER, "keep_g", {"known": "one of keep, total, flour, jar"}),
        )
        for size in (From(), From(seed_g=1.0, total_g=3.0))
    ),
    (lambda: mend(EVEN, -1.0, flour_g=1, water_g=1), (out, "keep_g", GRAMS)),
    (lambda: mend(EVEN, 1.0, flour_g=-1, water_g=1), (out, "flour_g", GRAMS)),
    (lambda: mend(EVEN, 1.0, flour_g=1, water_g=-1), (out, "water_g", GRAMS)),
)
BUILDS: tuple[tuple[Asked, Said], ...] = (
    (lambda: build(0.4, 5, WHITE), (out, "target_g", {"least": 1.0, "most": 10_000.0})),
    (lambda: build(150, -5, WHITE), (out, "reserve_g", GRAMS)),
    (lambda: build(150, 5, WHITE, feeds=5), (out, "feeds", {"least": 1.0, "most": 4.0})),
    (lambda: build(150, 5, WHITE, max_ratio=20.5), (out, "max_ratio", {"least": 1.0, "most": 20.0})),
    (
        lambda: build(150, 5, WHITE, hydration_percent=200.5),
        (out, "hydration_percent", {"least": 60.0, "most": 200.0}),
    ),
    # Three feeds of a gram or two: the first would be less than the scale shows.
    (lambda: build(20, 0, WHITE, feeds=4), (out, "feeds", {"least": 1.0, "most": 3.0})),
    (lambda: build(5, 0, WHITE, feeds=2), (out, "feeds", {"least": 1.0, "most": 1.0})),
)
STEPS: tuple[tuple[Asked, Said], ...] = (
    (
        steps({"do": "mix", "flour": ["x" * 50]}),
        (RefusalCode.UNKNOWN_FLOUR, "steps[0].flour", {"given": "['" + "x" * 38}),
    ),
    (steps({"do": "mix", "flour": None}), (RefusalCode.UNKNOWN_FLOUR, "steps[0].flour", {"given": "None"})),
    (steps({"do": "mix", "flour": {"rye": "5"}}), (RefusalCode.NOT_A_NUMBER, "steps[0].flour.rye", {})),
    (steps({"do": "mix", "flour": {"rye": -5}}), (out, "steps[0].flour.rye", GRAMS)),
    (steps({"do": "mix", "water": True}), (RefusalCode.NOT_A_NUMBER, "steps[0].water", {})),
    (steps({"do": "mix", "salt": "1"}), (RefusalCode.NOT_A_NUMBER, "steps[0].salt", {})),
    (steps(MIX, {"do": "feed", "water": "1"}), (RefusalCode.NOT_A_NUMBER, "steps[1].water", {})),
    (steps(MIX, {"do": "feed", "salt": "1"}), (RefusalCode.NOT_A_NUMBER, "steps[1].salt", {})),
    (steps(MIX, {"do": "feed", "flour": {"rye": "1"}}), (RefusalCode.NOT_A_NUMBER, "steps[1].flour.rye", {})),
    (steps(MIX, {"do": "keep", "share": 1.5}), (out, "steps[1].share", {"least": 0.0, "most": 1.0})),
    (steps(MIX, {"do": "keep", "share": "x"}), (RefusalCode.NOT_A_NUMBER, "steps[1].share", {})),
    (steps(MIX, {"do": "keep", "g": "x"}), (RefusalCode.NOT_A_NUMBER, "steps[1].g", {})),
    (
        steps(MIX, {"do": "keep", "g": 250.2}),
        (RefusalCode.KEEPS_MORE_THAN_THERE_IS, "steps[1].g", {"there_is_g": 250.0}),
    ),
    (
        steps({"do": "mix", "water": 100.26}, {"do": "feed", "keep": 300}),
        (RefusalCode.KEEPS_MORE_THAN_THERE_IS, "steps[1].keep", {"there_is_g": 100.3}),
    ),
    (
        steps({"do": "y" * 50}),
        (RefusalCode.UNKNOWN_STEP, "steps[0].do", {"given": "y" * 40, "known": "mix, keep, feed"}),
    ),
)


class Refusals(TestCase):
    def held(self, table: tuple[tuple[Asked, Said], ...]) -> None:
        for number, (ask, said) in enumerate(table):
            with self.subTest(number=number, said=said), self.assertRaises(Refusal) as caught:
                ask()
            refusal = caught.exception
            self.assertEqual((refusal.code, refusal.field, refusal.facts), said)

    def test_of_ratios(self) -> None:
        self.held(RATIOS)

    def test_of_feeds(self) -> None:
        self.held(FEEDS)

    def test_of_builds(self) -> None:
        self.held(BUILDS)

    def test_of_steps(self) -> None:
        self.held(STEPS)


class JustAccepted(TestCase):
    """The bounds themselves are taken."""

    def test_ratios_and_ends(self) -> None:
        self.assertEqual(str(parse_ratio(" 1 : 2.125:99999 ")), "1:2.125:99999")
        self.assertEqual(str(Ratio(1.0, 2.5, 2.0)), "1:2.5:2")
        self.assertEqual(seed_from(From(seed_g=0.0), EVEN), 0.0)
        self.assertEqual(seed_from(From(total_g=0.0), EVEN), 0.0)
        self.assertEqual(seed_from(From(flour_g=0.0), EVEN), 0.0)
        self.assertEqual(seed_from(From(total_g=60.0), Ratio(2, 2, 2)), 20.0)
        self.assertEqual(seed_from(From(flour_g=60.0), Ratio(2, 3, 2)), 40.0)
        self.assertEqual(plan_feed(10.0, Ratio(2, 4, 6), WHITE).ratio, "1:2:3")

    def test_a_tenth_of_a_gram_of_slack(self) -> None:
        kept = follow_steps([MIX, {"do": "keep", "g": 250.1}])[-1]
        self.assertEqual(kept.total_g, 250.0)

    def test_steps_left_out_and_salt(self) -> None:
        salted = {"do": "mix", "flour": {"rye": 100}, "water": 150, "salt": 2}
        fed = {"do": "feed", "salt": 1}
        first, kept, last = follow_steps([salted, {"do": "keep", "share": 0.5}, fed])
        self.assertEqual((first.salt_g, first.total_g), (2.0, 252.0))
        self.assertEqual((kept.salt_g, kept.total_g), (1.0, 126.0))
        self.assertEqual((last.salt_g, last.total_g), (2.0, 127.0))
