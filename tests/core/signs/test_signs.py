"""What a sign owes (see `ferment.signs.contract`), for every sign; and the table of signs, row by row.

Every row is common practice; the age, time, level and warmth of a case are ours.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from itertools import permutations
from unittest import TestCase

from ferment.record.ledger import Sighting
from ferment.record.log import Bubbles, DeedKind, Smell, Thickness, Top
from ferment.signs import INSTEAD, SIGNS, Ruled, findings
from ferment.signs.clues import Scene
from ferment.signs.contract import Caution, Question, Remedy, SignCode, Urgency

from ..builders import START

NOW = START + timedelta(days=20)
CALM = Scene(
    age_h=240,
    since_feed_h=4,
    sightings=(),
    peaks_before=(),
    late_h=0,
    celsius=24,
    room_times=4,
    hydration_percent=100,
    begun_sour=False,
    woke=True,
)


def seen(
    hours: float = 4,
    times: float | None = None,
    *top: Top,
    smell: Smell | None = None,
    bubbles: Bubbles | None = None,
    thickness: Thickness | None = None,
    high: float | None = None,
) -> Sighting:
    return Sighting(
        f"look-{hours}",
        NOW - timedelta(hours=max(0.0, 4 - hours)),
        hours,
        times,
        high,
        bubbles,
        frozenset(top),
        frozenset({smell} if smell else ()),
        thickness,
    )


def scene(age_h: float, *sightings: Sighting, woke: bool = False, **also: object) -> Scene:
    return replace(CALM, age_h=age_h, sightings=sightings, woke=woke, **also)  # type: ignore[arg-type]


def found(of: Scene) -> list[SignCode]:
    return [one.sign for one in findings(of, (), NOW)]


S, R = SignCode, Remedy
GREY = seen(20, 1.0, Top.LIQUID, thickness=Thickness.RUNNY)
# What is seen, what is found, and what of it is told to do first.
ROWS: tuple[tuple[str, Scene, SignCode, Remedy], ...] = (
    ("fuzzy spots", scene(200, seen(4, 1.2, Top.FUZZY_SPOTS)), S.MOULD, R.BIN_ALL),
    ("pink streaks on day 1", scene(20, seen(4, 1.0, Top.COLOURED_STREAKS)), S.MOULD, R.BIN_ALL),
    ("foul after day 6", scene(150, seen(smell=Smell.PUTRID)), S.SPOILED, R.BIN_ALL),
    ("thin flat white film", scene(200, seen(4, 1.0, Top.WHITE_FILM)), S.FILM, R.LIFT_OFF),
    ("liquid on day 2", scene(40, seen(8, 1.0, Top.LIQUID)), S.SETTLING_LIQUID, R.STIR_IN),
    ("grey liquid later, thin", scene(100, GREY, since_feed_h=20), S.HUNGRY_LIQUID, R.POUR_OFF),
    (
        "liquid on top in the fridge",
        scene(900, GREY, since_feed_h=300, rests_h=290, woke=True),
        S.RESTING_LIQUID,
        R.KEEP_TO_PLAN,
    ),
    ("seven weeks in the fridge", scene(1900, since_feed_h=1176, rests_h=1170), S.RESTED_LONG, R.WAKE_SLOWLY),
    ("film in the fridge", scene(900, seen(300, 1.0, Top.WHITE_FILM), rests_h=290), S.FILM, R.LIFT_OFF),
    ("dark skin", scene(100, seen(4, 1.0, Top.SKIN)), S.DRY_SKIN, R.LIFT_OFF),
    ("a big rise on day 2", scene(44, seen(12, 2.2)), S.FALSE_DAWN, R.KEEP_TO_PLAN),
    ("no bubbles at 30 h", scene(30, seen(6, 1.0, bubbles=Bubbles.NONE)), S.NOTHING_YET, R.STIR),
    ("quiet on day 4", scene(90, seen(6, 1.0), since_feed_h=8), S.QUIET_DAYS, R.STIR),
    (
        "less with each feed",
        scene(200, woke=True, peaks_before=(2.0, 1.8, 1.5)),
        S.LESSENING,
        R.FEED_AT_PEAK,
    ),
    (
        "it doubled, and its last feeds failed",
        scene(200, woke=True, rises_no_more=True),
        S.RISES_NO_MORE,
        R.THINK_BACK,
    ),
    ("up and down again", scene(200, seen(5, 2.1), seen(9, 1.2)), S.HUNGRY_AGAIN, R.FEED_SOONER),
    ("by the high mark", scene(200, seen(9, 1.1, high=2.0)), S.HUNGRY_AGAIN, R.FEED_SOONER),
    ("nail varnish", scene(200, seen(smell=Smell.NAIL_VARNISH)), S.STARVING_SMELL, R.FEED_NOW),
    ("cheese on day 2", scene(40, seen(smell=Smell.CHEESY)), S.EARLY_SMELL, R.KEEP_TO_PLAN),
    ("at the rim", scene(200, seen(5, 3.9)), S.OVERFLOW, R.BIGGER_JAR),
    (
        "bubbles, no rise, wet",
        scene(200, seen(8, 1.1, bubbles=Bubbles.THROUGHOUT), since_feed_h=8, hydration_percent=140),
        S.BUBBLES_NO_RISE,
        R.BY_ITS_BUBBLES,
    ),
    (
        "bubbles, no rise, rye at 100 %",
        scene(200, seen(8, 1.1, bubbles=Bubbles.THROUGHOUT), since_feed_h=8, little_gluten=True),
        S.BUBBLES_NO_RISE,
        R.BY_ITS_BUBBLES,
    ),
    ("two days unfed at 28", scene(200, since_feed_h=48, celsius=28, late_h=30), S.UNFED_WARM, R.LOOK_FIRST),
    ("three days unfed at 24", scene(200, since_feed_h=72), S.UNFED_WARM, R.LOOK_FIRST),
    ("flat on day 9", scene(200, seen(6, 1.0), since_feed_h=8), S.SLOW_TO_WAKE, R.ADD_WHOLE_FLOUR),
    ("into the fridge on day 4", scene(96, rests_h=20, since_feed_h=30), S.RAISED_COLD, R.BACK_TO_WARM),
    (
        "a pinch of baker's yeast",
        scene(96, woke=True, boosted=frozenset({DeedKind.YEAST_ADDED})),
        S.BAKERS_YEAST,
        R.KEEP_TO_PLAN,
    ),
    (
        "a spoon of honey",
        scene(96, woke=True, boosted=frozenset({DeedKind.SWEETENED})),
        S.SWEETENED,
        R.KEEP_TO_PLAN,
    ),
    ("slower than its warmth", scene(200, woke=True, as_if_c=19.0), S.OTHER_WARMTH, R.TELL_WARMTH),
    ("44 degrees yesterday", scene(200, woke=True, hottest_c=44), S.STOOD_TOO_HOT, R.TEST_FEEDS),
    ("forgot a feed", scene(200, late_h=14), S.FORGOTTEN, R.FEED_NOW),
    ("the heating failed", scene(200, celsius=15), S.COLD_KITCHEN, R.MOVE_WARMER),
    ("an oven with its light on", scene(40, celsius=39), S.TOO_HOT, R.MOVE_COOLER),
    ("thinned out while flat", scene(100, seen(6, 1.0), since_feed_h=8, thinned_to=1 / 600), S.DILUTED, R.WAIT),
    (
        "a dome and bubbles all through",
        scene(200, seen(5, 2.0, Top.DOMED, bubbles=Bubbles.THROUGHOUT), woke=True),
        S.THRIVING,
        R.KEEP_TO_PLAN,
    ),
    (
        "from cheese to yoghurt",
        scene(80, seen(smell=Smell.YOGHURT), smelt_before=frozenset({Smell.CHEESY})),
        S.SMELL_TURNED,
        R.KEEP_TO_PLAN,
    ),
)


class EverySign(TestCase):
    def test_contract(self) -> None:
        calming = {R.STIR, R.STIR_IN, R.WAIT, R.KEEP_TO_PLAN}
        for sign in SIGNS:
            with self.subTest(sign.code):
                self.assertTrue(sign.do and sign.cases and all(case.clues for case in sign.cases))
                if sign.urgency is Urgency.DANGER:
                    self.assertEqual(sign.do, (Remedy.BIN_ALL,))
                    self.assertTrue(sign.dont)
                if sign.urgency is Urgency.NORMAL:
                    self.assertLessEqual(set(sign.do), calming)
                for case in sign.cases:
                    self.assertTrue(case.sure >= 0.8 or case.ask, "unsure means ask")

    def test_each_code_once(self) -> None:
        self.assertEqual(sorted(sign.code for sign in SIGNS), sorted(SignCode))

    def test_every_sign_has_its_row(self) -> None:
        self.assertEqual({row[2] for row in ROWS}, set(SignCode))

    def test_what_is_said_instead_is_the_more_urgent(self) -> None:
        urgency = {sign.code: sign.urgency for sign in SIGNS}
        for more, less in INSTEAD:
            self.assertLessEqual(urgency[more], urgency[less])


class TheTable(TestCase):
    def test_rows(self) -> None:
        for name, of, sign, first in ROWS:
            with self.subTest(name):
                (one, *rest) = findings(of, (), NOW)
                self.assertEqual((one.sign, one.do[0]), (sign, first), rest)

    def test_a_good_jar_shows_nothing(self) -> None:
        for smell in (Smell.YOGHURT, Smell.FRUITY, Smell.BEERY, Smell.SHARP):
            good = seen(5, 2.0, Top.DOMED, smell=smell, bubbles=Bubbles.THROUGHOUT)
            self.assertLessEqual(set(found(scene(200, good, woke=True))), {S.THRIVING})

    def test_a_jar_that_still_doubles_is_not_called_lessening(self) -> None:
        self.assertEqual(found(scene(200, woke=True, peaks_before=(2.6, 2.4, 2.2))), [])

    def test_a_quiet_jar_is_never_called_dead(self) -> None:
        for age in range(0, 500, 4):
            quiet = scene(age, seen(6, 1.0, bubbles=Bubbles.NONE), since_feed_h=8)
            for one in findings(quiet, (), NOW):
                self.assertIs(one.urgency, Urgency.NORMAL if age < 168 else Urgency.CARE, (age, one))
                self.assertIn(Caution.DO_NOT_GIVE_UP, one.dont)

    def test_liquid_is_explained_at_any_age(self) -> None:
        for age in range(0, 400, 6):
            for since in (2.0, 11.0, 12.0, 30.0):
                for thick in (None, Thickness.RUNNY):
                    wet = scene(age, seen(since, 1.0, Top.LIQUID, thickness=thick), since_feed_h=since)
                    self.assertEqual(len({S.SETTLING_LIQUID, S.HUNGRY_LIQUID} & set(found(wet))), 1, (age, since))

    def test_what_nobody_looked_at_is_not_called_quiet(self) -> None:
        self.assertEqual(found(scene(100, since_feed_h=20)), [])
        self.assertEqual(found(scene(100, seen(smell=Smell.YOGHURT), since_feed_h=20)), [])

    def test_what_helps_too_goes_by_how_it_stands(self) -> None:
        hungry = scene(100, GREY, since_feed_h=20)
        for also, has, has_not in (
            ({"celsius": 27.0}, R.COOLER_SPOT, R.LESS_WATER),
            ({"celsius": 20.0, "hydration_percent": 125.0}, R.LESS_WATER, R.COOLER_SPOT),
        ):
            one, *_ = findings(replace(hungry, **also), (), NOW)  # type: ignore[arg-type]
            self.assertIs(one.sign, S.HUNGRY_LIQUID)
            self.assertIn(has, one.do)
            self.assertNotIn(has_not, one.do)

    def test_a_hot_kitchens_nights_in_the_fridge_are_no_fault(self) -> None:
        self.assertEqual(found(scene(96, rests_h=10, since_feed_h=14)), [])
        self.assertEqual(found(scene(96, rests_h=200, since_feed_h=210, begun_sour=True)), [])

    def test_a_culture_has_no_false_dawn(self) -> None:
        self.assertEqual(found(scene(44, seen(12, 2.2), begun_sour=True)), [])

    def test_foul_in_the_first_days_asks_before_it_judges(self) -> None:
        (one,) = findings(scene(60, seen(smell=Smell.PUTRID)), (), NOW)
        self.assertEqual((one.sign, one.ask), (SignCode.EARLY_SMELL, Question.DOES_IT_STILL_SMELL_SO))


class RuledOut(TestCase):
    """The baker's word goes before a sign, but not before a danger, and not before what is seen later."""

    def test_a_sign_goes_until_it_is_seen_again(self) -> None:
        skin = scene(100, seen(2, 1.0, Top.SKIN))
        seen_at = skin.sightings[0].at
        for at, told in ((seen_at + timedelta(minutes=5), []), (seen_at - timedelta(minutes=5), [S.DRY_SKIN])):
            self.assertEqual([one.sign for one in findings(skin, (), NOW, {S.DRY_SKIN: Ruled(so=False, at=at)})], told)

    def test_a_film_that_is_flat_is_sure(self) -> None:
        (one,) = findings(scene(200, seen(4, 1.0, Top.WHITE_FILM)), (), NOW, {S.FILM: Ruled(so=True, at=NOW)})
        self.assertEqual((one.sure, one.ask), (1.0, None))

    def test_a_cause_that_is_asked_for_is_asked_once(self) -> None:
        """The answer is kept whatever is seen later: yes brings what helps first, no leaves the rest."""
        flat = scene(200, seen(6, 1.0), since_feed_h=8)
        (open_still,) = findings(flat, (), NOW)
        self.assertIs(open_still.ask, Question.IS_IT_FLOUR_OR_WATER)
        for so, first in ((True, R.OTHER_FLOUR_AND_WATER), (False, R.ADD_WHOLE_FLOUR)):
            long_ago = Ruled(so=so, at=NOW - timedelta(days=3))
            (one,) = findings(flat, (), NOW, {S.SLOW_TO_WAKE: long_ago})
            self.assertEqual((one.sign, one.ask, one.do[0]), (S.SLOW_TO_WAKE, None, first))

    def test_a_warmth_that_is_as_told_is_not_doubted_again(self) -> None:
        slow = scene(200, woke=True, as_if_c=19.0)
        long_ago: dict[str, Ruled] = {S.OTHER_WARMTH: Ruled(so=False, at=NOW - timedelta(days=3))}
        self.assertEqual(findings(slow, (), NOW, long_ago), ())

    def test_a_danger_stays(self) -> None:
        bad = scene(200, seen(4, 1.0, Top.FUZZY_SPOTS))
        (one,) = findings(bad, (), NOW, {S.MOULD: Ruled(so=False, at=NOW)})
        self.assertIs(one.sign, S.MOULD)


class Danger(TestCase):
    def test_stands_alone(self) -> None:
        both = scene(200, seen(4, 3.9, Top.WHITE_FILM, Top.FUZZY_SPOTS, smell=Smell.NAIL_VARNISH))
        self.assertEqual(found(both), [S.MOULD])

    def test_a_later_clean_look_does_not_unmake_it(self) -> None:
        """Neither a later look of the same feed nor a feed."""
        bad, clean = seen(1, 1.0, Top.FUZZY_SPOTS), seen(3, 1.8, Top.DOMED)
        for of, earlier in (
            (scene(200, bad, clean, woke=True), ()),
            (scene(200, clean, woke=True), (bad,)),
        ):
            (one,) = findings(of, earlier, NOW)
            self.assertEqual((one.sign, one.look_id, one.seen_at), (S.MOULD, bad.look_id, bad.at))

    def test_no_order_of_the_looks_before_changes_it(self) -> None:
        looks = [seen(1, 1.0, Top.FUZZY_SPOTS), seen(2, 1.4), seen(3, smell=Smell.PUTRID)]
        told = {findings(scene(200), order, NOW) for order in permutations(looks)}
        self.assertEqual({tuple(one.sign for one in each) for each in told}, {(S.MOULD, S.SPOILED)})

    def test_a_film_stays_until_the_feed_or_the_bakers_word(self) -> None:
        """A later look that only says how the top lies does not lift it off."""
        first, later = seen(3, 1.0, Top.WHITE_FILM), seen(4, 1.1, Top.SUNKEN)
        (one,) = [finding for finding in findings(scene(200, first, later), (), NOW) if finding.sign is S.FILM]
        self.assertEqual((one.look_id, one.seen_at), (first.look_id, first.at))
        no: dict[str, Ruled] = {S.FILM: Ruled(so=False, at=later.at)}
        self.assertNotIn(S.FILM, {finding.sign for finding in findings(scene(200, first, later), (), NOW, no)})

    def test_a_film_is_no_mould(self) -> None:
        """A thin flat white film is not mould; one question tells them apart."""
        (one,) = findings(scene(200, seen(4, 1.0, Top.WHITE_FILM)), (), NOW)
        self.assertEqual((one.urgency, one.ask), (Urgency.WARNING, Question.IS_IT_FUZZY_OR_COLOURED))
