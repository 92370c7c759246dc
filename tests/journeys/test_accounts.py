"""The door: wrong passwords, the way out, the demo."""

from __future__ import annotations

from .base import PASSWORD, Journey


class AtTheDoor(Journey):
    expected = ("401 (Unauthorized)", "422 (Unprocessable")

    def test_what_is_typed_stays_and_each_field_says_what_would_do(self) -> None:
        page = self.browser
        page.open("/")
        page.press("button", "New here? Make an account")
        page.type("Name", "Ines")
        page.type("Password", "short")
        page.press("button", "Make the account")
        page.sees("Use at least 10 characters.")
        self.assertEqual(page.one("textbox", "Name").get_attribute("value"), "Ines")
        self.assertEqual(page.one("textbox", "Password").get_attribute("aria-invalid"), "true")

    def test_in_and_out(self) -> None:
        self.baker()
        page = self.browser
        page.open("/")
        page.type("Name", "ines")
        page.type("Password", "not this one")
        page.press("button", "Sign in")
        page.sees("The name or the password is not right.")
        page.type("Password", PASSWORD)
        page.press("button", "Sign in")
        page.sees("The shelf is empty.")
        page.press("button", "Account of Ines")
        page.press("menuitem", "Sign out")
        page.one("button", "Sign in")

    def test_the_demo_is_marked(self) -> None:
        self.enter_demo()
        self.browser.sees("Demo kitchen. The baker, the jars and their dates are invented.")
        self.browser.press("button", "Account of demo baker")
        self.browser.press("menuitem", "Leave the demo")
        self.browser.one("button", "Sign in")
