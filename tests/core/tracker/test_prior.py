"""What earlier jars teach of the next: shrunk as the textbook shrinks a random effect, and no more than was seen."""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from ferment.doors.assessment import assess
from ferment.doors.teaching import lesson_from, taught
from ferment.kitchen.flours import Flour
from ferment.record.log import Log
from ferment.setups import Setup
from ferment.simulation import TIDY, Truth, play
from ferment.tracker.prior import (
    BOOK_PRIOR,
    FLOURS_OWN,
    SHARED,
    SPREADS,
    STRANGEST,
    Lesson,
    Prior,
    lesson_of,
    prior_as_json,
    prior_from_json,
    taught_by,
)

from ..builders import START, VESSEL

SURE = (1e-9,) * 4
RYE, WHITE = Flour.RYE, Flour.WHITE


def lesson(flour: Flour, vigour: float, variance: float = 1e-9) -> Lesson:
    return Lesson(flour, (vigour, 0.0, 0.0, 0.0), (variance,) * 4, 5)


class TheNextJar(TestCase):
    def test_nothing_taught_is_the_book(self) -> None:
        self.assertEqual(taught_by([], RYE), BOOK_PRIOR)
        self.assertEqual(taught_by([Lesson(RYE, (0.0,) * 4, (math.inf,) * 4, 3)], RYE), replace(BOOK_PRIOR, jars=1))

    def test_a_jar_known_for_sure_teaches_the_share_that_is_shared(self) -> None:
        for flour, share in ((RYE, SHARED + FLOURS_OWN), (WHITE, SHARED)):
            found = taught_by([lesson(RYE, 0.2)], flour)
            self.assertAlmostEqual(found.middles[0], share * 0.2, places=6)
            self.assertAlmostEqual(found.spreads[0], SPREADS[0] * math.sqrt(1.0 - share**2), places=6)

    @settings(max_examples=40, deadline=None)
    @given(st.lists(st.floats(-0.3, 0.3), min_size=1, max_size=5), st.floats(0.001, 0.5))
    def test_jars_of_one_flour_shrink_as_the_textbook_has_it(self, seen: list[float], unsure: float) -> None:
        """With n alike jars the best linear predictor is their mean times n r / (1 + (n - 1) r + e), where r is the
        share that they have in common and e the error's variance over the trait's (Henderson 1975; the reliability of a
        mean of n records as in textbooks of animal breeding, from memory)."""
        count, shared, error = len(seen), SHARED + FLOURS_OWN, unsure / SPREADS[0] ** 2
        reliable = count * shared / (1.0 + (count - 1) * shared + error)
        found = taught_by([lesson(RYE, one, unsure) for one in seen], RYE)
        self.assertAlmostEqual(found.middles[0], reliable * float(np.mean(seen)), places=9)
        self.assertAlmostEqual(found.spreads[0], SPREADS[0] * math.sqrt(1.0 - shared * reliable), places=9)

    @settings(max_examples=40, deadline=None)
    @given(st.lists(st.tuples(st.sampled_from(list(Flour)), st.floats(-9.0, 9.0), st.floats(1e-6, 9.0)), max_size=6))
    def test_no_lesson_makes_it_stranger_or_less_sure_than_the_book(
        self, told: list[tuple[Flour, float, float]]
    ) -> None:
        found = taught_by([lesson(*one) for one in told], RYE)
        for middle, spread, most in zip(found.middles, found.spreads, SPREADS, strict=True):
            self.assertLessEqual(abs(middle), STRANGEST * most)
            self.assertTrue(0.0 < spread <= most)


class TheLesson(TestCase):
    def test_what_was_thought_before_is_taken_out_again(self) -> None:
        """A bell times a bell: from a prior and a sighting of known width the sighting comes back."""
        row = np.linspace(-2.0, 2.0, 4001)
        before = Prior((0.1, 0.0, 0.0, 0.0), (0.3, *SPREADS[1:]), 1)
        weights = np.exp(-0.5 * ((row - 0.1) / 0.3) ** 2 - 0.5 * ((row - 0.4) / 0.2) ** 2)
        weights /= weights.sum()
        found = lesson_of(before, [row] * 4, weights, RYE, 4)
        self.assertAlmostEqual(found.middles[0], 0.4, places=3)
        self.assertAlmostEqual(found.variances[0], 0.2**2, places=3)

    def test_a_slow_jar_teaches_that_the_next_is_slow(self) -> None:
        setup = Setup("equal_parts", {}, VESSEL, START, warmth_c=23.0)
        slow = Truth(vigour=0.75)
        seen = lesson_from(setup, play(setup, 10, 5, slow, TIDY).log)
        assert seen is not None
        prior = taught(setup, [seen])
        self.assertLess(prior.faster_percent, 0)
        now = START + timedelta(minutes=1)
        by_the_book, by_lesson = (assess(one, (), now) for one in (setup, replace(setup, prior=prior)))
        assert by_the_book.ready_on is not None
        assert by_lesson.ready_on is not None
        self.assertGreater(by_lesson.ready_on.on.likely, by_the_book.ready_on.on.likely)
        self.assertEqual((by_the_book.taught, by_lesson.taught), (None, prior))

    def test_what_was_hardly_watched_teaches_nothing(self) -> None:
        setup = Setup("equal_parts", {}, VESSEL, START)
        no_looks: Log = play(setup, 6, 5, habits=replace(TIDY, looks=0.0)).log
        self.assertIsNone(lesson_from(setup, no_looks))
        self.assertIsNone(lesson_from(setup, ()))

    def test_a_culture_from_outside_teaches_nothing_of_a_new_jar(self) -> None:
        setup = Setup("wake_and_keep", {"way": "counter"}, VESSEL, START)
        self.assertIsNone(lesson_from(setup, play(setup, 6, 5, habits=TIDY).log))


class Written(TestCase):
    def test_there_and_back(self) -> None:
        prior = taught_by([lesson(RYE, 0.2), lesson(WHITE, -0.1)], RYE)
        self.assertEqual(prior_from_json(prior_as_json(prior)), prior)
        self.assertEqual(prior_from_json(prior_as_json(BOOK_PRIOR)), BOOK_PRIOR)

    def test_what_is_none_is_refused(self) -> None:
        fine = prior_as_json(taught_by([lesson(RYE, 0.2)], RYE))
        assert fine is not None
        broken: object
        for broken in (
            [],
            {},
            {**fine, "jars": 0},
            {**fine, "spreads": [9.0] * 4},
            {**fine, "spreads": [0.0] * 4},
            {**fine, "middles": [9.0] * 4},
            {**fine, "middles": [0.0]},
            {**fine, "middles": ["much"] * 4},
        ):
            with self.assertRaises(ValueError, msg=str(broken)):
                prior_from_json(broken)
