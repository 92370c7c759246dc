"""What a method owes (see `ferment.protocol.method`), for every family; choosing; the linter finds each breach."""

from __future__ import annotations

import dataclasses
from dataclasses import replace
from pathlib import Path
from unittest import TestCase

from ferment.kitchen.vessel import Vessel
from ferment.methods import FAMILIES, family_named
from ferment.methods.equal_parts import METHOD as EQUAL_PARTS
from ferment.methods.on_signs import METHOD as ON_SIGNS
from ferment.methods.shorthand import NOW, clock, parts
from ferment.methods.wake_and_keep import METHOD as WAKE
from ferment.mixing.contents import Origin
from ferment.protocol.course import settle
from ferment.protocol.lint import Breach, check, flaws
from ferment.protocol.method import (
    Add,
    AsStart,
    BlendFrom,
    Expect,
    Flours,
    Keep,
    KeepAll,
    Measure,
    Method,
    MoveTo,
    Normal,
    OfJar,
    OfKept,
    Only,
    Phase,
    Spot,
    Stir,
    Turns,
    Wait,
)
from ferment.protocol.options import Choices, NumberOption, OptionCode, Pick, Scale
from ferment.protocol.sights import AnyOf, Bubbling, Sight
from ferment.record.log import Bubbles
from ferment.refusal import Refusal, RefusalCode

WHITE = Flours(parts(white=1))
MIX = Phase("mix", NOW, (Add(Measure(50), Measure(50), WHITE),))
FEED = Phase("feed", clock(24), (Keep(Measure(30)), Add(OfKept(1), OfKept(1), WHITE)), Turns(most=None))


def made(*phases: Phase, **changes: object) -> Method:
    """A small sound method, with its phases or other parts changed."""
    sound = replace(EQUAL_PARTS, code="own", options=(), ways=(), phases=phases or (MIX, FEED))
    return dataclasses.replace(sound, **changes)  # type: ignore[arg-type]


class EveryFamily(TestCase):
    def test_thirteen_with_codes_of_their_own(self) -> None:
        self.assertEqual(len({family.code for family in FAMILIES}), 13)

    def test_no_flaw(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                self.assertEqual(flaws(family), [])

    def test_days_until_ready_are_in_order(self) -> None:
        for family in FAMILIES:
            for days in (family.ready, *(way.ready for way in family.ways)):
                with self.subTest(family.code):
                    self.assertTrue(0 < days.earliest <= days.likely <= days.latest <= 21)

    def test_a_family_is_found_by_its_code(self) -> None:
        with self.assertRaises(Refusal) as caught:
            family_named("by_moonlight")
        self.assertIn("wet_rye", str(caught.exception.facts["known"]))


class Choosing(TestCase):
    def test_refusals_name_the_option(self) -> None:
        cases: tuple[tuple[Choices, str, RefusalCode], ...] = (
            ({"every_hours": 13.0}, OptionCode.EVERY_HOURS, RefusalCode.NOT_A_CHOICE),
            ({"seed_grams": 1.0}, OptionCode.SEED_GRAMS, RefusalCode.OUT_OF_RANGE),
            ({"seed_grams": float("nan")}, OptionCode.SEED_GRAMS, RefusalCode.NOT_A_NUMBER),
            ({"seed_grams": "much"}, OptionCode.SEED_GRAMS, RefusalCode.NOT_A_NUMBER),
            ({"keeping": "everything"}, OptionCode.KEEPING, RefusalCode.NOT_A_CHOICE),
            ({"keeping": 3.0}, OptionCode.KEEPING, RefusalCode.NOT_A_CHOICE),
            ({"blend": {"oak": 1.0}}, OptionCode.BLEND, RefusalCode.UNKNOWN_FLOUR),
            ({"blend": {}}, OptionCode.BLEND, RefusalCode.NO_FLOUR),
            ({"blend": 3.0}, OptionCode.BLEND, RefusalCode.NO_FLOUR),
            ({"moon_phase": 1.0}, "moon_phase", RefusalCode.UNKNOWN_OPTION),
        )
        for choices, field, code in cases:
            with self.subTest(field, code=code), self.assertRaises(Refusal) as caught:
                settle(EQUAL_PARTS, choices)
            self.assertEqual((caught.exception.field, caught.exception.code), (field, code))

    def test_phases_belong_to_choices(self) -> None:
        course = settle(EQUAL_PARTS, {"twice_from_day": "day_4", "jar": "clean_jar"})
        self.assertEqual([phase.name for phase in course.phases], ["mix", "daily_day_4", "feed_twice"])
        self.assertEqual(settle(EQUAL_PARTS, {"origin": "from_frozen"}).origin, Origin.FROZEN)

    def test_an_absurd_size_is_refused(self) -> None:
        with self.assertRaises(Refusal) as caught:
            settle(EQUAL_PARTS, {}, 900.0)
        self.assertEqual(caught.exception.field, "size")

    def test_a_phase_may_go_back(self) -> None:
        course = settle(WAKE, {"way": "fridge"})
        self.assertEqual(course.phases[course.after(len(course.phases) - 1) or 0].name, "out_again")


def deep(levels: int) -> Sight:
    sight: Sight = Bubbling(Bubbles.FEW)
    for _ in range(levels):
        sight = AnyOf((sight,))
    return sight


GROWS = (Keep(OfJar(0.5)), Add(OfKept(1), OfKept(1), WHITE))
SHRINKS = (Keep(OfJar(0.2)), Add(OfKept(1), OfKept(1), WHITE))
COLD = Phase("cold", clock(12), (MoveTo(Spot.FRIDGE),))
BLEND_OF = (Add(Measure(5), Measure(5), BlendFrom(OptionCode.BLEND)),)
BAD_OPTION = NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 5, 50, 500)


class Linter(TestCase):
    """Each breach, with its place."""

    def test_the_sound_one_is_sound(self) -> None:
        self.assertEqual(flaws(made()), [])

    def test_breaches(self) -> None:
        gap = (Expect(30, Normal.WETTING), Expect(20, Normal.QUIET), Expect(None, Normal.GROWING))
        wild = Wait(24, 30, 20)
        cases: tuple[tuple[Method, Breach, str], ...] = (
            (made(phases=()), Breach.NO_PHASE, "phases"),
            (made(MIX, replace(FEED, do=())), Breach.TOO_LONG, "phases[1].do"),
            (made(MIX, *(replace(FEED, name=f"p{n}") for n in range(50))), Breach.TOO_LONG, "phases"),
            (made(MIX, replace(FEED, name="mix")), Breach.DOUBLE_NAME, "phases[1].name"),
            (made(MIX, replace(FEED, do=BLEND_OF)), Breach.UNKNOWN_OPTION, "phases[1].do[0].blend"),
            (
                made(MIX, replace(FEED, only=(Only(OptionCode.WAY, (Pick.LONG,)),))),
                Breach.UNKNOWN_OPTION,
                "phases[1].only[0]",
            ),
            (made(options=(BAD_OPTION,)), Breach.BAD_DEFAULT, "options[0].default"),
            (made(FEED, MIX), Breach.NOTHING_FIRST, "phases[0].do"),
            (made(MIX, FEED, replace(FEED, name="after")), Breach.UNREACHABLE, "phases[2]"),
            (made(MIX, replace(FEED, then="nowhere")), Breach.UNKNOWN_PHASE, "phases[1].then"),
            (
                made(MIX, replace(FEED, turns=Turns(most=None, until=deep(0)))),
                Breach.NO_LATEST_TIME,
                "phases[1].turns.most",
            ),
            (made(MIX, replace(FEED, after=clock(900))), Breach.NO_LATEST_TIME, "phases[1].after.latest_h"),
            (made(MIX, replace(FEED, after=wild)), Breach.WAIT_OUT_OF_ORDER, "phases[1].after"),
            (made(MIX, replace(FEED, after=Wait(0, 0, 0))), Breach.WAIT_OUT_OF_ORDER, "phases[1].after"),
            (made(MIX, replace(FEED, turns=Turns(usual=500))), Breach.TURNS_OUT_OF_ORDER, "phases[1].turns"),
            (made(MIX, replace(FEED, turns=Turns(least=9, most=3))), Breach.TURNS_OUT_OF_ORDER, "phases[1].turns"),
            (
                made(MIX, replace(FEED, after=replace(clock(24), sight=deep(9)))),
                Breach.SIGHT_TOO_DEEP,
                "phases[1].after.sight",
            ),
            (made(MIX, replace(FEED, do=(KeepAll(), Stir()))), Breach.KEEPS_WITHOUT_FEEDING, "phases[1].do"),
            (made(MIX, replace(FEED, do=(*FEED.do, *FEED.do))), Breach.TWICE_IN_ONE_STEP, "phases[1].do"),
            (made(MIX, replace(FEED, do=GROWS)), Breach.NEVER_SETTLES, "phases[1]"),
            (made(MIX, replace(FEED, do=SHRINKS)), Breach.NEVER_SETTLES, "phases[1]"),
            (
                made(MIX, replace(FEED, do=(KeepAll(), Add(AsStart(), AsStart(), WHITE)))),
                Breach.NEVER_SETTLES,
                "phases[1]",
            ),
            (made(MIX, COLD, FEED), Breach.RAISED_IN_THE_FRIDGE, "phases[1].do"),
            (made(expect=gap), Breach.EXPECT_HAS_A_GAP, "expect"),
            (made(expect=()), Breach.EXPECT_HAS_A_GAP, "expect"),
            (
                made(replace(MIX, do=(Add(Measure(9_999), Measure(9_999), WHITE, salt_percent=90.0),))),
                Breach.CANNOT_BE_WEIGHED,
                "phases[0]",
            ),
        )
        for method, breach, place in cases:
            with self.subTest(breach, place=place):
                self.assertIn((breach, place), [(flaw.breach, flaw.place) for flaw in flaws(method)])

    def test_every_breach_is_known_to_these_tests(self) -> None:
        """OVERFLOWS has a test of its own, below."""
        source = Path(__file__).read_text(encoding="utf-8")
        self.assertEqual([breach for breach in Breach if f"Breach.{breach.name}" not in source], [])

    def test_a_jar_that_overflows(self) -> None:
        small, large = Vessel(100, 150, 80), Vessel(100, 900, 150)
        self.assertEqual([flaw.breach for flaw in flaws(made(), small)], [Breach.OVERFLOWS, Breach.OVERFLOWS])
        self.assertEqual(flaws(made(), large), [])

    def test_checking_refuses_with_place_and_reason(self) -> None:
        with self.assertRaises(Refusal) as caught:
            check(made(MIX, replace(FEED, do=GROWS)))
        refusal = caught.exception
        self.assertEqual((refusal.code, refusal.field), (RefusalCode.METHOD_UNSOUND, "phases[1]"))
        self.assertEqual(refusal.facts, {"breach": "never_settles"})

    def test_what_sleeps_may_go_into_the_fridge(self) -> None:
        self.assertEqual(flaws(WAKE), [])

    def test_a_hostile_method_takes_no_time(self) -> None:
        """Forty phases of sixty turns each under many choices: called too long rather than run."""
        long = tuple(replace(FEED, name=f"p{n}", turns=Turns(usual=60, most=60)) for n in range(39))
        options = tuple(
            NumberOption(code, Scale.GRAMS, 1, 9, 1, choices=(1, 2, 3, 4, 5, 6, 7, 8, 9))
            for code in (OptionCode.SEED_GRAMS, OptionCode.FEED_GRAMS, OptionCode.START_GRAMS)
        )
        method = made(MIX, *long, options=options)
        self.assertIn(Breach.TOO_LONG, [flaw.breach for flaw in flaws(method)])

    def test_families_of_signs_wait_within_bounds(self) -> None:
        waits = [phase.after for phase in ON_SIGNS.phases if phase.after.sight]
        self.assertTrue(all(isinstance(wait.latest_h, int | float) for wait in waits))
