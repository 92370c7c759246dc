"""What a screen reader is told on the way: where it is, the number of the scale, levels with their words."""

from __future__ import annotations

from selenium.webdriver.common.keys import Keys

from .aloud import read
from .base import Journey


class Aloud(Journey):
    def said(self, *parts: str) -> str:
        """The first line that has all of it."""
        return self.browser.until(
            f"said: {parts}",
            lambda: next((line for line in read(self.browser) if all(part in line for part in parts)), None),
        )

    def focused(self) -> str:
        return str(self.browser.driver.execute_script("return document.activeElement.textContent"))

    def test_each_step_says_its_number(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Moth")
        page.press("link", "Feed")
        self.said("heading: Stir, then take out about", "the scale then shows", "g")
        page.press("button", "Next")
        self.said("heading: Add", "water", "the scale then shows", "g")
        page.until("the heading has the focus", lambda: True if self.focused().startswith("Add") else None)

    def test_a_new_page_is_at_its_heading(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("link", "Signs")
        page.until("its heading", lambda: True if self.focused() == "What does it show?" else None)

    def test_the_first_fault_has_the_focus(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.type("Warmth where it stands", "99")
        page.press("button", "Put it on the shelf")
        field = page.one("textbox", "Warmth where it stands")
        page.until("the fault", lambda: page.driver.switch_to.active_element == field or None)

    expected = ("422 (Unprocessable",)

    def test_arrows_choose_in_a_group(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("toggle", "small")
        page.keys(Keys.ARROW_RIGHT)
        page.until("the next jar", lambda: page.one("toggle", "usual").get_attribute("aria-checked") == "true" or None)

    def test_the_rise_line_is_words_too(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Moth")
        page.press("link", "Rise line and log")
        page.one("heading", "Rise line")
        lines = read(page)
        self.assertTrue(any(line.startswith(("image: ", "img: ", "graphics-document: ")) for line in lines), lines)
        self.assertTrue(any("×" in line for line in lines))
