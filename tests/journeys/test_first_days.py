"""From sign-up to a rise line: the first days of a jar, with the mouse, with the keyboard alone, and on a phone."""

from __future__ import annotations

from selenium.webdriver.common.keys import Keys

from .base import PASSWORD, Journey
from .browser import spaced


class WithTheMouse(Journey):
    def test_from_sign_up_to_a_rise_line(self) -> None:
        page = self.browser
        page.sign_up("Ines", PASSWORD)
        page.sees("The shelf is empty.")

        page.press("link", "Flour and water")
        page.press("link", "All choices on one page")
        self.unfold()
        page.press("toggle", "Equal parts by the clock")
        page.type("Name", "Thistle")
        page.press("toggle", "spelt")
        page.press("toggle", "whole wheat")
        page.type("Grams of flour to begin with", "20")
        page.type("Weight of the empty jar", "214")
        page.sees("Add 20 g water, add 20 g spelt.")
        page.press("button", "Put it on the shelf")
        page.sees("Mix Thistle now.")

        page.press("link", "Mix it")
        page.sees("Put the empty jar on the scale")
        page.sees("214 g")
        self.walk_to_the_end("It is mixed")
        page.press("button", "It is mixed")
        page.sees("Thistle is mixed.")
        page.press("link", "To the kitchen")
        page.sees("Leave Thistle be.")

        page.press("link", "Look")
        page.press("toggle", "a few")
        page.press("toggle", "domed")
        page.type("Level", "1.4")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        page.sees("1.4 ×")

        page.press("link", "Rise line and log")
        page.one("heading", "Rise line")
        page.sees("1.4 × · bubbles: a few · domed")
        page.sees("First mix 20 g water and 20 g spelt")


class WithTheKeyboardAlone(Journey):
    def test_plan_mix_and_look(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.one("textbox", "Name")
        page.press("toggle", "Equal parts by the clock")
        page.tab_to("textbox", "Weight of the empty jar")
        page.keys("180")
        page.tab_to("textbox", "Name")
        page.keys("Fern")
        page.tab_to("button", "Put it on the shelf")
        page.keys(Keys.ENTER)
        page.sees("Mix Fern now.")

        page.tab_to("link", "Mix it")
        page.keys(Keys.ENTER)
        for step in ("Step 1 of 4", "Step 2 of 4", "Step 3 of 4"):
            page.sees(step)
            page.tab_to("button", "Next")
            page.keys(Keys.ENTER)
        page.tab_to("button", "It is mixed")
        page.keys(Keys.ENTER)
        page.sees("Fern is mixed.")
        page.tab_to("link", "To the kitchen")
        page.keys(Keys.ENTER)
        page.sees("Leave Fern be.")

        page.tab_to("link", "Look")
        page.keys(Keys.ENTER)
        page.one("slider", "Level on the jar")
        page.tab_to("slider", "Level on the jar")
        page.keys(Keys.ARROW_UP, Keys.ARROW_UP)
        slider = page.one("slider", "Level on the jar")
        self.assertEqual(spaced(slider.get_attribute("aria-valuetext") or ""), "1.1 ×, 24 mm")
        page.tab_to("button", "Save the look")
        page.keys(Keys.ENTER)
        page.sees("1.1 ×")

    def test_walking_along_the_shelf(self) -> None:
        page = self.browser
        self.enter_demo()
        chosen = next(tab for tab in page.all("tab") if tab.get_attribute("aria-selected") == "true")
        page.tab_to("tab", page.name(chosen))
        page.keys(Keys.HOME)
        page.sees("Harbour be.")
        page.keys(Keys.ARROW_RIGHT)
        page.sees("20 g spelt and 10 g whole rye")
        page.keys(Keys.END)
        # What it wants depends on the hour; that it is in hand does not.
        page.until("Quarry in hand", lambda: self.is_chosen("Quarry") or None)
        page.sees("Next bake")

    def is_chosen(self, name: str) -> bool:
        tabs = self.browser.all("tab", name)
        return bool(tabs) and tabs[0].get_attribute("aria-selected") == "true"


class OnAPhone(Journey):
    def test_nothing_runs_off_the_side(self) -> None:
        page = self.browser
        self.enter_demo()
        jar = page.one("link", "Rise line and log").get_attribute("href")
        assert jar is not None
        paths = [
            "/",
            "/new",
            "/new?all=1",
            "/signs",
            "/house",
            *(jar.removeprefix(page.base) + part for part in ("", "/look", "/feed", "/bin", "/plan")),
        ]
        for width in (390, 360):
            page.size(width, 800)
            for path in paths:
                with self.subTest(width=width, path=path):
                    page.open(path)
                    page.until("a heading", lambda: page.all("heading") or None)
                    self.assertFalse(page.overflows())

    def test_the_newest_days_of_a_rise_line_are_in_sight(self) -> None:
        page = self.browser
        page.size(390, 844)
        owner = self.baker().plan(name="Thistle").mix(240.0)
        for hours in (216.0, 192.0, 168.0, 96.0, 48.0, 24.0, 4.0):
            owner.feed(hours, keep_g=30.0)
        self.enter(owner, f"/jars/{owner.jar_id}")
        line = page.one("region", "Rise line, scrolls sideways")
        room = "return [arguments[0].scrollWidth - arguments[0].clientWidth, arguments[0].scrollLeft]"
        more, gone = page.driver.execute_script(room, line)
        self.assertGreater(more, 300)
        self.assertGreaterEqual(gone, more - 1)
        # What the levels are called stays beside them.
        named = (
            "const at = arguments[0].getBoundingClientRect(); return [...arguments[0].querySelectorAll('text')]"
            ".filter((one) => one.getBoundingClientRect().left >= at.left).map((one) => one.textContent)"
        )
        self.assertLessEqual({"1 ×", "doubled"}, set(page.driver.execute_script(named, line)))

    def test_feed_and_look_are_in_the_first_screen(self) -> None:
        """At the smallest of today's phones, with the words of the demo kitchen above them."""
        page = self.browser
        page.size(360, 640)
        self.enter_demo()
        for jar in ("Harbour", "Moth"):
            page.press("tab", jar)
            for act in ("Feed", "Look"):
                with self.subTest(jar=jar, act=act):
                    link = page.one("link", act)
                    foot = page.driver.execute_script(
                        "window.scrollTo(0, 0); return arguments[0].getBoundingClientRect().bottom", link
                    )
                    self.assertLessEqual(foot, 640)

    def test_a_look_with_the_thumb(self) -> None:
        page = self.browser
        page.size(390, 844)
        self.enter_demo()
        page.press("tab", "Harbour")
        page.press("link", "Look")
        page.press("button", "Same as last seen")
        page.press("button", "Save the look")
        page.sees("Look saved.")
