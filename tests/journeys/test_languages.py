"""A second language, complete: whoever reads Portuguese meets no English. A made-up one finds what was never given to
be translated and what has no room for longer words; read from the right, nothing falls off the screen."""

from __future__ import annotations

import re

from django.test import override_settings
from django.utils import timezone

from accounts.languages import Language
from accounts.models import Account
from demo.services import lay_kitchen

from . import views
from .base import PASSWORD, Journey
from .browser import Browser
from .vocabulary import only_english, words_in

# Beside what the English texts say: words that a text which strayed from them would hardly do without.
COMMON = frozenset(
    ("undefined", "the", "and", "of", "is", "it", "not", "your", "you", "with", "water", "flour", "feed", "jar")
)


def speak(page: Browser, language: str) -> None:
    """Ask for a language as a visitor does who chose it."""
    page.driver.add_cookie({"name": "despertar_language", "value": language, "path": "/"})


class InPortuguese(Journey):
    expected = ("401 (Unauthorized)", "422 (Unprocessable")
    english = only_english() | COMMON

    def test_there_is_enough_to_tell_the_languages_apart_by(self) -> None:
        self.assertGreater(len(self.english), 500)
        self.assertTrue({"rise", "dough", "kitchen", "yeast"} <= self.english)
        self.assertFalse({"massa", "cozinha", "despertar"} & self.english)

    def reads_no_english(self, where: str) -> None:
        met = {text: found for text in views.read(self.browser) if (found := words_in(text) & self.english)}
        with self.subTest(where):
            self.assertEqual(met, {})

    def test_every_place(self) -> None:
        page = self.browser
        lay_kitchen(timezone.now(), Language.PORTUGUESE)
        page.open("/icon.svg")
        speak(page, "pt")
        page.open("/")
        page.press("button", "Entrar na cozinha de exemplo")
        self.assertEqual(page.driver.execute_script("return document.documentElement.lang"), "pt-PT")
        jar = self.jar_of_the_demo("Cais", "Linha da subida e diário")
        self.assertEqual(page.axe(), [])
        for place in views.visit(page, jar):
            self.reads_no_english(place)

    def jar_of_the_demo(self, name: str, link: str) -> str:
        page = self.browser
        page.press("tab", name)
        address = page.one("link", link).get_attribute("href")
        assert address is not None
        return address.removeprefix(page.base)

    def test_from_the_door_to_a_look(self) -> None:
        page = self.browser
        page.open("/")
        page.press("button", "Português")
        page.press("button", "É a primeira vez?")
        page.type("Nome", "Inês")
        page.type("Palavra-passe", "curta")
        page.press("button", "Criar a conta")
        page.sees("Use pelo menos 10 caracteres.")
        self.reads_no_english("the door")
        page.type("Palavra-passe", PASSWORD)
        page.press("button", "Criar a conta")
        page.sees("A prateleira está vazia.")
        self.reads_no_english("an empty shelf")
        page.press("link", "Farinha e água")
        for answer in ("Sim", "centeio integral", "a cozinha", "normal", "Quase todo o dia"):
            self.reads_no_english(answer)
            page.press("toggle", answer)
        page.one("heading", "O seu plano")
        self.reads_no_english("a plan")
        page.press("button", "Pôr na prateleira")
        page.sees("agora.")
        page.press("link", "Misturar")
        page.one("button", "Seguinte")
        for _ in range(12):
            self.reads_no_english("a step of the feed")
            if page.all("button", "Está misturado"):
                break
            here = page.step("Passo")
            page.press("button", "Seguinte")
            page.sees_not(here)
        page.press("button", "Está misturado")
        page.sees("A seguir")
        self.reads_no_english("fed")
        self.assertEqual(Account.objects.get(name="Inês").language, "pt")

    def test_the_account_is_spoken_to_in_its_own_language(self) -> None:
        page = self.browser
        page.open("/")
        self.enter(self.baker(), "/yours")
        page.press("toggle", "Português")
        page.one("heading", "O que é seu")
        page.driver.delete_all_cookies()
        page.open("/")
        page.one("button", "Sign in")
        page.type("Name", "Ines")
        page.type("Password", PASSWORD)
        page.press("button", "Sign in")
        page.sees("A prateleira está vazia.")


NAMES = frozenset(
    "Despertar CSV JSON XLSX SVG PNG UTC English Harbour Moth Lantern Bellows Quarry Jetty demo baker http "
    "Ferry mill rye Half white from the market Spelt last year new Plain Kitchen shelf All with "
    # What the browser itself says of a number of days.
    "day days".lower().split()
)
CALENDAR = re.compile(
    r"(Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day|Mon|Tue|Wed|Thu|Fri|Sat|Sun|Nov\w*|Dec\w*|[A-Z][a-z]{2}\b"
)
PLAIN = re.compile(r"(?<![^\W_])[A-Za-z]{3,}(?![^\W_])")


@override_settings(DESPERTAR_PSEUDO=True)
class InNoLanguage(Journey):
    def enter_in(self, language: str) -> str:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Harbour")
        jar = page.one("link", "Rise line and log").get_attribute("href")
        assert jar is not None
        speak(page, language)
        return jar.removeprefix(page.base)

    def test_everything_was_given_to_be_translated_and_finds_its_room(self) -> None:
        page = self.browser
        jar = self.enter_in("en-XA")
        for place in views.visit(page, jar):
            with self.subTest(place):
                plain = {word for text in views.read(page) for word in PLAIN.findall(CALENDAR.sub("", text))}
                self.assertEqual({word for word in plain if word.lower() not in NAMES}, set())
            self.finds_its_room(place)

    def finds_its_room(self, place: str) -> None:
        for width in (1280, 390):
            self.browser.size(width, 800)
            self.browser.settled()
            with self.subTest(place, width=width):
                self.assertEqual(views.overflows(self.browser), [])
        self.browser.size(1280, 800)

    def test_read_from_the_right(self) -> None:
        page = self.browser
        jar = self.enter_in("ar-XB")
        for path in ("/", jar, f"{jar}/plan", f"{jar}/feed", f"{jar}/look", "/new?all=1"):
            page.open(path)
            page.until("a heading", lambda: page.all("heading") or None)
            page.settled()
            self.assertEqual(page.driver.execute_script("return document.documentElement.dir"), "rtl")
            self.finds_its_room(path)
        page.open("/")
        tabs = page.until("jars", lambda: page.all("tab") or None)
        self.assertGreater(tabs[0].rect["x"], tabs[1].rect["x"])
