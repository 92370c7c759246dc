"""What the pages say of a jar: its stage, what its signs mean, ready or not and why."""

from __future__ import annotations

from .base import Journey


class Verdicts(Journey):
    def open_demo(self, name: str) -> None:
        self.enter_demo()
        self.browser.press("tab", name)
        self.browser.press("link", "Rise line and log")
        self.browser.one("heading", name)

    def test_a_worried_beginner_on_day_four_is_calmed_and_told_what_next(self) -> None:
        page = self.browser
        self.open_demo("Moth")
        page.sees("Hush: the quiet days before the yeast shows.")
        page.sees("Quiet is normal now.")
        page.sees("Do not give up on it.")
        # Whether that is now or later hangs on the hour of the clock.
        self.assertRegex(page.text(), r"Leave Moth be\. Feed \w+|Feed Moth \w+")
        self.assertEqual(page.all("heading", "Ready?"), [], "not asked before yeast shows")

    def test_nearly_ready_shows_what_is_missing_and_the_evidence(self) -> None:
        page = self.browser
        self.open_demo("Harbour")
        page.sees("Awake: it doubles, though not yet by habit.")
        page.sees("it is not a habit yet: one more good feed in a row")
        page.sees("At 3 feeds in a row: 2 so far")
        page.sees("is in time.")

    def test_a_film_is_told_from_mould_by_a_question(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(150.0)
        baker.feed(10.0)
        self.enter(baker, f"/jars/{baker.jar_id}/look")
        page.press("toggle", "white film")
        page.press("button", "Save the look")
        page.sees("A thin white film is wild yeast on the surface")
        page.press("link", "Rise line and log")
        page.sees("Is it fuzzy, raised or coloured? Then it is mould")
        page.press("button", "Fuzzy or coloured")
        page.sees("Bin all of Thistle.")
        page.press("link", "Bin it, step by step")
        page.sees("Why none of it can be kept")
        page.press("button", "All of it is in the bin")
        page.sees("Thistle is binned.")
        page.press("link", "Begin again the same way")
        self.unfold()
        weight = page.one("textbox", "Weight of the empty jar")
        self.assertEqual(weight.get_attribute("value"), "200")

    def test_a_jar_that_is_slow_to_wake_is_asked_once_about_its_flour_and_water(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(230.0)
        for day in range(1, 10):
            baker.feed(230.0 - 24.0 * day)
            baker.look(222.0 - 24.0 * day, level={"value": 1.0, "unit": "times"})
        self.enter(baker, f"/jars/{baker.jar_id}")
        page.sees("More than a week, and still flat.")
        page.sees("Is its flour bleached, or its water chlorinated?")
        page.press("button", "Yes, one of them")
        page.sees("chloramine only a filter")
        page.sees_not("Is its flour bleached, or its water chlorinated?")
        self.assertEqual(page.axe(), [])

    def test_what_was_added_is_noted_and_does_not_make_it_ready(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(100.0)
        baker.feed(20.0)
        self.enter(baker)
        page.press("button", "More for Thistle")
        page.press("menuitem", "I added baker's yeast")
        page.press("link", "Rise line and log")
        page.sees("Baker's yeast lifts it now.")
        page.sees("Baker's yeast added")


class FromJarToJar(Journey):
    def test_what_the_last_jar_showed_counts_for_the_next_and_can_be_left_out(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(150.0)
        for day in range(1, 6):
            baker.feed(150.0 - 24.0 * day)
            baker.look(141.0 - 24.0 * day, level={"value": 1.1, "unit": "times"})
        self.board(baker)
        page.sees("Reckoned with what your earlier jar showed")
        page.press("button", "Leave that out")
        page.sees_not("Reckoned with what your earlier jar showed")
        page.press("button", "Reckon with your earlier jars")
        page.sees("Reckoned with what your earlier jar showed")
        self.assertEqual(page.axe(), [])


class TheBakersWord(Journey):
    def test_a_verdict_is_overruled_stands_in_the_log_and_is_taken_back(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Harbour")
        page.press("link", "Rise line and log")
        page.press("button", "I call it ready")
        page.sees("Ready, on your word.")
        page.sees("Your word it is ready")
        page.sees("Harbour is ready. How often do you bake?")
        page.press("button", "Set one aside")
        page.one("heading", "Take some of Harbour")
        page.press("button", "Note it")
        page.sees("out of Harbour")
        page.press("link", "out of Harbour")
        page.sees("Used 20 g a spare")
        page.press("button", "Go by the looks again")
        page.sees("It looks ready, but it is not a habit yet")
        self.assertEqual(page.axe(), [])

    def test_advice_is_taken_moves_the_plan_and_can_be_refused(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(190.0)
        for hours in (166, 142, 118, 94, 70, 46, 22):
            baker.feed(float(hours))
            baker.look(hours - 9.0, level={"value": 2.2, "unit": "times"}, smell=["fruity"])
        baker.look(1.0, level={"value": 1.1, "unit": "times"}, top=["sunken"], smell=["nail_varnish"])
        self.enter(baker, f"/jars/{baker.jar_id}")
        page.sees("it is starving")
        page.sees("Feed twice as often for the next 6 feeds.")
        page.press("button", "Do so")
        page.sees("As you wished: feed more often, for 6 more feeds.")
        page.sees("You took advice: feed more often.")
        page.press("button", "No, keep to the plan")
        page.sees("You said no to")
        page.press("button", "It is not that")
        page.sees("it is not so: its smell of nail varnish")

    def test_a_caution_is_said_once(self) -> None:
        page = self.browser
        self.enter(self.baker().plan(name="Thistle"))
        page.sees("Raw flour and raw starter are not for tasting")
        page.press("button", "Understood")
        page.sees_not("Raw flour and raw starter are not for tasting")
        page.sees("hold gluten and are allergens")
        page.open("/")
        page.sees("hold gluten and are allergens")
        page.sees_not("Raw flour and raw starter are not for tasting")


class LookedUp(Journey):
    def test_for_a_jar_its_log_is_known_and_what_is_pressed_can_be_kept(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(100.0)
        baker.feed(20.0)
        self.enter(baker)
        page.press("link", "Something is wrong")
        page.sees("What does Thistle show?")
        self.assertEqual(page.all("toggle", "day 2 or 3"), [], "its age is known")
        page.press("toggle", "dry skin")
        page.sees("it lost water to the air")
        page.press("button", "Keep this as a look")
        page.one("heading", "Log")
        page.sees("dry skin")
        self.assertEqual(page.axe(), [])

    def test_without_a_jar(self) -> None:
        page = self.browser
        self.enter(self.baker())
        page.press("link", "Signs")
        page.sees("Nothing pressed yet.")
        page.press("toggle", "at its line")
        page.sees("Quiet is normal now.")
        page.press("toggle", "doubled or more")
        page.press("toggle", "day 2 or 3")
        page.sees("This rise comes from early bacteria.")
        page.press("toggle", "apple, fruit")
        page.press("toggle", "a week or more")
        page.sees("Nothing unusual in that.")
        page.press("toggle", "coloured streaks")
        page.sees("Do not scrape it off or rescue the rest.")
        self.assertFalse(page.overflows())
