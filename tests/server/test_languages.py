"""Which language is spoken: the account's, the browser's cookie, what it names (RFC 9110, 12.5.4); on paper too."""

from __future__ import annotations

import tempfile
from io import BytesIO
from pathlib import Path

from django.test import Client, TestCase, override_settings
from django.utils import timezone
from pypdf import PdfReader

from accounts.languages import Language
from accounts.models import Account
from config import pages
from demo.services import lay_kitchen
from demo.told import told

from .base import Baker, ago

PORTUGUESE = {"accept-language": "pt-BR,pt;q=0.8,en;q=0.5"}


class ThePage(TestCase):
    def setUp(self) -> None:
        pages._page.cache_clear()
        self.addCleanup(pages._page.cache_clear)
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        for language in ("en", "pt", "pseudo"):
            Path(folder.name, f"{language}.html").write_text(f'<html lang="{language}">', encoding="utf-8")
        Path(folder.name, "pseudo.html").write_text('<html lang="en-XA">', encoding="utf-8")
        served = override_settings(WEB_DIST=Path(folder.name))
        served.enable()
        self.addCleanup(served.disable)

    def spoken(self, client: Client | None = None) -> str:
        return (client or Client()).get("/").content.decode()

    def test_it_is_the_browsers_where_nobody_is_in(self) -> None:
        for named, given in (("pt-PT", "pt"), ("fr, pt-BR;q=0.7", "pt"), ("fr", "en"), ("en;q=0.1, pt;q=0.9", "pt")):
            with self.subTest(named):
                self.assertIn(f'lang="{given}"', self.spoken(Client(headers={"accept-language": named})))

    def test_a_choice_goes_before_what_the_browser_names(self) -> None:
        client = Client(headers={"accept-language": "en"})
        client.cookies["despertar_language"] = "pt"
        self.assertIn('lang="pt"', self.spoken(client))
        client.cookies["despertar_language"] = "../settings"
        self.assertIn('lang="en"', self.spoken(client))

    def test_the_account_goes_before_both(self) -> None:
        baker = Baker("Inês", Client(headers=PORTUGUESE)).sign_up()
        self.assertEqual(baker.ok("GET", "/api/session")["account"]["language"], "pt")
        baker.client.cookies["despertar_language"] = "en"
        self.assertIn('lang="pt"', self.spoken(baker.client))
        self.assertEqual(baker.ok("PUT", "/api/account/language", {"language": "en"})["account"]["language"], "en")
        self.assertIn('lang="en"', self.spoken(baker.client))
        status, answer = baker.call("PUT", "/api/account/language", {"language": "tlh"})
        self.assertEqual((status, answer["errors"][0]["field"]), (422, "language"))

    def test_an_account_from_before_goes_by_its_browser(self) -> None:
        baker = Baker("Ines").sign_up()
        Account.objects.update(language="")
        self.assertIsNone(baker.ok("GET", "/api/session")["account"]["language"])
        baker.client.defaults["HTTP_ACCEPT_LANGUAGE"] = "pt"
        self.assertIn('lang="pt"', self.spoken(baker.client))

    def test_the_made_up_one_is_for_the_tests_alone(self) -> None:
        client = Client()
        client.cookies["despertar_language"] = "ar-XB"
        self.assertIn('lang="en"', self.spoken(client))
        with override_settings(DESPERTAR_PSEUDO=True):
            self.assertIn('lang="ar-XB" dir="rtl"', self.spoken(client))


class OnPaper(TestCase):
    def test_paper_and_calendar_speak_the_accounts_language(self) -> None:
        baker = Baker("Inês", Client(headers=PORTUGUESE)).sign_up().plan(name="Cais", starts_at=ago(30.0)).mix(30.0)
        jar = f"/api/jars/{baker.jar_id}"
        sheet = self.text(baker, f"{jar}/sheet.pdf")
        for said in ("Alimentar", "guardar", "de água", "tampa pousada, nunca fechada", "cheiro"):
            self.assertIn(said, sheet)
        self.assertNotIn("water", sheet)
        self.assertIn("encoste esta borda", self.text(baker, f"{jar}/labels.pdf"))
        self.assertIn("Nunca a prove crua", self.text(baker, f"{jar}/card.pdf"))
        events = baker.client.get(f"{jar}/calendar.ics").content.decode()
        self.assertIn("SUMMARY:Alimentar Cais", events)
        # A calendar program names no language; the account's is known.
        address = baker.ok("POST", "/api/calendar")["address"]
        subscribed = Client().get(address.replace("http://testserver", "")).content.decode()
        self.assertIn("SUMMARY:Alimentar Cais", subscribed)
        baker.ok("PUT", "/api/account/language", {"language": "en"})
        self.assertIn("SUMMARY:Feed Cais", baker.client.get(f"{jar}/calendar.ics").content.decode())

    def text(self, baker: Baker, path: str) -> str:
        read = PdfReader(BytesIO(baker.client.get(path).content))
        return " ".join(" ".join(page.extract_text() for page in read.pages).split())


class TheDemo(TestCase):
    def test_each_language_has_its_kitchen(self) -> None:
        for language in Language:
            self.assertTrue(lay_kitchen(timezone.now(), language))
        visitor = Baker("visitor", Client(headers=PORTUGUESE))
        visitor.ok("POST", "/api/demo/visit", {"time_zone": "Europe/Lisbon"})
        names = {jar["jar"]["name"] for jar in visitor.ok("GET", "/api/kitchen")["jars"]}
        self.assertEqual(names, {told(Language.PORTUGUESE, name) for name in ENGLISH})
        account = visitor.ok("GET", "/api/session")["account"]
        self.assertEqual((account["name"], account["forms"]["decimal"]), ("padeiro de exemplo", "comma"))
        # Another language is another demo kitchen.
        session = visitor.ok("PUT", "/api/account/language", {"language": "en"})
        self.assertEqual(session["account"]["name"], "demo baker")
        self.assertEqual({jar["jar"]["name"] for jar in visitor.ok("GET", "/api/kitchen")["jars"]}, ENGLISH)

    def test_what_the_baker_wrote_is_written_in_each(self) -> None:
        lay_kitchen(timezone.now(), Language.PORTUGUESE)
        visitor = Baker("visitor", Client(headers=PORTUGUESE))
        visitor.ok("POST", "/api/demo/visit", {"time_zone": "Europe/Lisbon"})
        flours = {one["name"] for one in visitor.ok("GET", "/api/flours")["flours"]}
        self.assertIn("Centeio do moinho da barca", flours)


ENGLISH = {"Harbour", "Moth", "Lantern", "Bellows", "Quarry", "Jetty"}
