"""From the door to a plan and through the first days, as three newcomers would: every word one that they can use."""

from __future__ import annotations

import re

from django.utils import timezone

from .base import PASSWORD, Journey
from .browser import Browser

# Words and numbers of who weighs and reckons, which a kitchen without a scale has no use for.
NOT_BY_HAND = re.compile(r"\bscale\b|hydration|% water|\b1:\d|press zero|tare|NaN|undefined|null", re.IGNORECASE)
# Grams may stand beside spoons, never alone.
GRAMS_ALONE = re.compile(r"(?<![(\d.])(?<!About )\b\d+(\.\d+)? g\b(?! in the jar| flour|;| are)")
MOST_PRESSES = 9
# What is proposed on the two days when it is not called Saturday: on a Saturday it is the morning after.
PROPOSED = {4: "tomorrow", 5: "tomorrow"}


class Newcomer(Journey):
    """Counts what is pressed from the empty shelf on."""

    def arrive(self) -> Browser:
        page = self.browser
        page.sign_up("Ines", PASSWORD)
        page.sees("The shelf is empty.")
        page.presses = 0
        return page

    def by_hand(self) -> None:
        """Nothing on this page asks for a scale or counts in what only a scale tells."""
        text = self.browser.text()
        self.assertEqual(NOT_BY_HAND.findall(text), [], text)
        self.assertEqual([found.group() for found in GRAMS_ALONE.finditer(text)], [], text)


class WhiteFlourInACoolKitchenWithoutAScale(Newcomer):
    def test_to_the_plan_and_through_the_first_days(self) -> None:
        page = self.arrive()
        page.press("link", "Flour and water")
        self.answer("No", "white wheat", "a cool room", "usual", "Mornings and evenings")
        page.sees("By feel.")
        page.sees("Likely ready on day")
        page.press("button", "Put it on the shelf")
        page.sees("now.")
        self.assertLessEqual(page.presses, MOST_PRESSES)
        page.sees("tbsp")
        self.by_hand()
        page.press("link", "Mix it")
        for act in ("Add 3 tbsp water", "Add 2 tbsp white wheat"):
            page.one("heading", act)
            self.by_hand()
            page.press("button", "Next")
        page.one("heading", "Mark the line")
        self.by_hand()
        page.press("button", "It is mixed")
        page.sees("is mixed.")
        page.press("link", "To the kitchen")
        page.press("link", "Plan")
        page.sees("Keep about half of it")
        self.by_hand()
        page.press("link", "Kitchen")
        page.press("link", "Rise line and log")
        page.sees("First mix 3 tbsp")
        self.by_hand()


class OnAPhone(Newcomer):
    def test_the_first_jar_is_no_larger_than_the_rest_of_the_shelf(self) -> None:
        """The shelf was empty when the page was measured; what to do is in the first screen all the same."""
        self.browser.size(360, 640)
        page = self.arrive()
        page.press("link", "Flour and water")
        self.answer("Yes", "whole rye", "the kitchen", "usual", "Most of the day")
        page.press("button", "Put it on the shelf")
        act = page.one("link", "Mix it")
        script = "scrollTo(0, 0); return arguments[0].getBoundingClientRect().bottom"
        page.until("it in the first screen", lambda: page.driver.execute_script(script, act) <= 640 or None)
        self.assertFalse(page.overflows())


class ASachet(Newcomer):
    def test_to_the_plan(self) -> None:
        page = self.arrive()
        page.press("link", "Dried flakes")
        self.answer("No", "white wheat", "the kitchen", "usual", "Most of the day")
        page.sees("Soaked, in spoons.")
        page.press("button", "Put it on the shelf")
        page.sees("now.")
        self.assertLessEqual(page.presses, MOST_PRESSES)
        self.by_hand()


class FromTheFridgeForSaturday(Newcomer):
    def test_to_the_plan_of_a_bake(self) -> None:
        page = self.arrive()
        page.press("link", "Asleep in the fridge")
        self.answer("Yes", "white wheat", "the kitchen", "usual", "Mornings and evenings")
        page.press("button", "Put it on the shelf, plan the bake")
        page.one("heading", "A bake with")
        proposed = page.one("toggle", PROPOSED.get(timezone.now().weekday(), "Saturday"))
        self.assertEqual(proposed.get_attribute("aria-checked"), "true")
        page.press("button", "Take this")
        page.sees("Next bake")
        self.assertLessEqual(page.presses, MOST_PRESSES)
