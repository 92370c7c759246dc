"""What journeys share: a browser, a live server, no complaint in the console, no request off this machine."""

from __future__ import annotations

from typing import ClassVar

from django.conf import settings
from django.test import Client, LiveServerTestCase
from django.utils import timezone

from demo.services import lay_kitchen
from tests.server.base import PASSWORD, Baker

from .browser import Browser

QUESTIONS = (
    "What do you begin with?",
    "Have you a kitchen scale?",
    "Which flour?",
    "Where does it stand?",
    "Which jar?",
    "When are you there?",
)


class Journey(LiveServerTestCase):
    # All of them: named, so that emptying the database does not fill it with content types and rights each time.
    available_apps = settings.INSTALLED_APPS
    browser: ClassVar[Browser]
    # Lines that a journey expects in the console, such as a refused write or a lost connection.
    expected: tuple[str, ...] = ()

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.browser = Browser()
        cls.addClassCleanup(cls.browser.quit)
        cls.browser.base = cls.live_server_url

    def setUp(self) -> None:
        self.browser.driver.delete_all_cookies()
        self.browser.open("/icon.svg")
        self.browser.driver.execute_script("localStorage.clear(); sessionStorage.clear()")
        self.browser.size(1280, 800)
        self.browser.console()
        self.browser.hosts()

    def tearDown(self) -> None:
        complaints = [line for line in self.browser.console() if not any(part in line for part in self.expected)]
        self.assertEqual(complaints, [])
        self.assertLessEqual(self.browser.hosts(), {"localhost", "127.0.0.1"})

    def baker(self, name: str = "Ines") -> Baker:
        """A baker with an account, at the API; `enter` opens the application as her."""
        return Baker(name, Client()).sign_up()

    def enter(self, baker: Baker, path: str = "/") -> None:
        session = baker.client.cookies["despertar_session"].value
        self.browser.open("/icon.svg")
        self.browser.driver.add_cookie({"name": "despertar_session", "value": session, "path": "/"})
        self.browser.open(path)

    def answer(self, *answers: str) -> None:
        """Press on through the questions of a new jar, from "Have you a kitchen scale?" on."""
        for question, said in zip(QUESTIONS[-len(answers) :], answers, strict=True):
            self.browser.one("heading", question)
            self.browser.press("toggle", said)

    def board(self, baker: Baker, path: str = "/new?all=1") -> None:
        """All choices of a new jar on one page, each line of it opened."""
        self.enter(baker, path)
        self.unfold()

    def unfold(self) -> None:
        for line in ("Amounts and scale", "Where it stands", "Jar"):
            self.browser.press("disclosure", line)

    def walk_to_the_end(self, button: str = "It is fed") -> None:
        """Press on through the scale walk to its last step."""
        page = self.browser
        for _ in range(12):
            # What is fetched meanwhile may draw the page anew between two looks: both are of one.
            at = page.until(
                "a step",
                lambda: "end" if page.all("button", button) else "step" if page.all("button", "Next") else None,
            )
            if at == "end":
                return
            step = page.step()
            page.press("button", "Next")
            page.sees_not(step)
        raise AssertionError("the walk has no end")

    def enter_demo(self) -> None:
        lay_kitchen(timezone.now())
        self.browser.open("/")
        self.browser.press("button", "Walk into the demo kitchen")
        self.browser.one("tab", "Harbour")


__all__ = ["PASSWORD", "Journey"]
