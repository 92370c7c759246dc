"""A baker's own: the kitchen out as a file and in again, name and password, a code on paper, the end."""

from __future__ import annotations

import re
from datetime import timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

from django.utils import timezone

from accounts.models import Account
from logbook.models import Entry
from parcel.services import Form, pack
from tests.server.base import ago

from .base import PASSWORD, Journey

NEW = "four loud pancakes"


class Yours(Journey):
    expected = ("422 (Unprocessable",)

    def test_a_kitchen_comes_from_another_machine(self) -> None:
        page = self.browser
        elsewhere = self.baker("Noor").always_home().plan(name="Heron").mix(30.0)
        elsewhere.look(20.0)
        with TemporaryDirectory() as folder:
            file, wrong = Path(folder, "kitchen.zip"), Path(folder, "letter.json")
            with pack(Account.objects.get(name="Noor"), Form.PACKAGE, timezone.now(), with_photos=True) as packed:
                file.write_bytes(packed.read())
            wrong.write_text('{"dear": "baker"}')
            Account.objects.filter(name="Noor").delete()
            self.enter(self.baker())
            page.press("button", "Account of Ines")
            page.press("menuitem", "Your data and account")
            page.one("link", "Save as a data package")
            self.assertEqual(page.axe(), [])
            page.choose_file("The file", wrong)
            page.press("button", "Bring it in")
            page.sees("This is no kitchen that was saved here")
            page.choose_file("The file", file)
            page.press("button", "Bring it in")
            page.sees("New here: 1 jar and 2 entries.")
            page.press("button", "Bring it in")
            page.sees("All of it was here already.")
        page.press("link", "Kitchen")
        page.one("tab", "Heron")

    def test_a_forgotten_password_is_no_lost_kitchen(self) -> None:
        page = self.browser
        self.enter(self.baker().plan(name="Moth"), "/yours")
        page.press("button", "Make a code")
        page.sees("Shown this once.")
        found = re.search(r"\b[a-z0-9]{4}(?:-[a-z0-9]{4}){4}\b", page.text())
        assert found is not None
        page.sees("There is one, made today.")
        page.press("button", "Account of Ines")
        page.press("menuitem", "Sign out")
        page.press("button", "I have forgotten my password")
        page.type("Name", "Ines")
        page.type("Code", found[0].upper())
        page.type("New password", "short")
        page.press("button", "Set it and come in")
        page.sees("Use at least 10 characters.")
        self.assertEqual(page.axe(), [])
        page.type("New password", NEW)
        page.press("button", "Set it and come in")
        page.one("tab", "Moth")

    def test_name_and_password_are_changed_and_the_account_ends(self) -> None:
        page = self.browser
        self.enter(self.baker().plan(name="Moth"), "/yours")
        page.sees("This computer")
        page.type("Name", "Inês")
        page.press("button", "Change the name")
        page.one("button", "Account of Inês")
        page.type("Password of now", "not that one")
        page.type("New password", NEW)
        page.press("button", "Change the password")
        page.sees("This is not your password.")
        page.type("Password of now", PASSWORD)
        page.press("button", "Change the password")
        page.sees("It is changed.")
        page.type("Your password", NEW)
        page.press("button", "Delete all of it")
        page.press("button", "Delete it")
        page.one("button", "Sign in")
        self.assertFalse(Account.objects.filter(is_demo=False).exists())


class ByPasskey(Journey):
    """With an authenticator that Chromium plays (W3C WebDriver extension of Web Authentication)."""

    expected = ("401 (Unauthorized)",)

    def test_a_key_is_made_used_and_taken_away(self) -> None:
        page = self.browser
        page.driver.execute_cdp_cmd("WebAuthn.enable", {})
        options = {"protocol": "ctap2", "transport": "internal", "hasResidentKey": True}
        options |= {"hasUserVerification": True, "isUserVerified": True, "automaticPresenceSimulation": True}
        made = page.driver.execute_cdp_cmd("WebAuthn.addVirtualAuthenticator", {"options": options})
        self.addCleanup(page.driver.execute_cdp_cmd, "WebAuthn.disable", {})
        self.addCleanup(page.driver.execute_cdp_cmd, "WebAuthn.removeVirtualAuthenticator", made)
        self.enter(self.baker().plan(name="Moth"), "/yours")
        page.type("What you call it", "kitchen phone")
        page.press("button", "Make a passkey")
        page.sees("kitchen phone, made today")
        self.assertEqual(page.axe(), [])
        for known in (True, False):
            page.press("button", "Account of Ines")
            page.press("menuitem", "Sign out")
            page.press("button", "Use a passkey")
            if not known:
                page.sees("This passkey does not open a kitchen here.")
                break
            page.one("tab", "Moth")
            page.open("/yours")
            page.sees("kitchen phone, used today")
            page.press("button", "Take it away")
            page.sees_not("kitchen phone")


class ToShow(Journey):
    def test_a_friend_sees_one_jar_until_it_is_ended(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Moth").mix(50.0)
        baker.look(40.0, level={"value": 1.8, "unit": "times"})
        baker.feed(26.0)
        self.enter(baker, f"/jars/{baker.jar_id}")
        page.press("disclosure", "Take it out, bring in, or show it")
        page.one("button", "As a picture (PNG)")
        page.press("button", "Make a page to show")
        page.sees("Shown this once:")
        found = re.search(r"/shared/[\w-]+", page.text())
        assert found is not None
        # The drawing stands by itself: no colour by a name of the page's, a ground of its own.
        script = """return (async () => { const saved = []; const make = URL.createObjectURL;
            URL.createObjectURL = (blob) => { saved.push(blob); return make(blob) };
            [...document.querySelectorAll('button')].find((one) => one.innerText.includes('SVG')).click();
            return saved[0].text() })()"""
        drawing = page.driver.execute_script(script)
        self.assertIn("<svg", drawing)
        self.assertNotIn("var(--", drawing)
        page.driver.delete_all_cookies()
        page.open(found[0])
        page.one("heading", "Moth")
        page.sees("Day 3")
        self.assertEqual(page.axe(), [])
        page.open("/shared/never-made")
        page.sees("This jar is not shown here, or not any more.")
        type(self).expected = ("404 (Not Found)", "401 (Unauthorized)")


class ASpreadsheet(Journey):
    expected = ("422 (Unprocessable",)

    def test_its_columns_are_matched_and_what_it_says_is_kept_and_undone(self) -> None:
        page = self.browser
        began = timezone.localdate(timezone.now() - timedelta(days=2))
        baker = self.baker().always_home().plan(name="Moth", starts_at=ago(72.0))
        lines = ["Day;At;Did;Keep;Flour;Water;How high"]
        lines += [f"{began:%d/%m/%Y};08:00;mix;;30;30;", f"{began:%d/%m/%Y};20:00;look;;;;1,4"]
        lines += [f"{began:%d/%m/%Y};21:00;look;;;;a lot"]
        with TemporaryDirectory() as folder:
            file, wrong = Path(folder, "own.csv"), Path(folder, "photo.csv")
            file.write_text("\n".join(lines))
            wrong.write_bytes(b"\x00\x01")
            self.enter(baker, f"/jars/{baker.jar_id}/bring")
            page.choose_file("The file", wrong)
            page.sees("This is no spreadsheet that can be read here.")
            page.choose_file("The file", file)
            page.sees("What each column holds")
            # The next is picked before the answer to the one before it.
            page.slow(800)
            self.addCleanup(page.slow, 0)
            for column, holds in (("At", "time"), ("Did", "what was done"), ("How high", "level")):
                page.pick(column, holds)
            page.pick("Feeds are of", "whole rye")
            page.sees("kept 0 g, 30 g whole rye and 30 g water")
            page.sees("1.4 ×")
            page.sees("level: here belongs a number.")
            self.assertEqual(page.axe(), [])
            page.press("button", "Keep these 2 rows")
            page.sees("2 rows stand in the log.")
            self.assertEqual(Entry.objects.filter(withdrawn_at=None).count(), 2)
            page.press("button", "Undo all of it")
            page.sees("2 undone.")
        self.assertEqual(Entry.objects.filter(withdrawn_at=None).count(), 0)


class InOunces(Journey):
    """A baker who reads in ounces, °F and inches meets no gram, no Celsius and no millimetre unasked."""

    def test_no_gram_anywhere(self) -> None:
        page = self.browser
        self.enter_demo()
        Account.objects.filter(is_demo=True).update(forms=AMERICAN)
        page.open("/")
        page.press("tab", "Harbour")
        jar = page.one("link", "Rise line and log").get_attribute("href")
        assert jar is not None
        jar = jar.removeprefix(page.base)
        met = {}
        for path in METRIC_PAGES:
            page.open(f"{jar}{path[1:]}" if path.startswith("*") else path)
            page.until(f"a heading at {path}", lambda: page.all("heading") or None)
            page.settled()
            page.driver.execute_script("document.querySelectorAll('details').forEach((one) => { one.open = true })")
            found = {*METRIC.findall(page.text()), *METRIC.findall(page.fields())}
            if found:
                met[path] = found
        self.assertEqual(met, {})
        page.open(f"{jar}/plan")
        page.sees("oz")
        page.sees("pm")

    def test_what_is_typed_is_kept_in_grams_and_comes_back(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Moth").mix(30.0)
        self.enter(baker, "/yours")
        page.press("toggle", "ounces")
        page.press("toggle", "°F")
        page.one("toggle", "°F")
        page.open(f"/jars/{baker.jar_id}/change/moved")
        page.type("Warmth where it stands", "75")
        page.press("button", "Save it")
        page.open(f"/jars/{baker.jar_id}")
        page.sees("to where it has 75 °F")
        kept = Entry.objects.get(kind="moved").body["warmth_c"]
        self.assertAlmostEqual(kept, (75 - 32) * 5 / 9, places=3)


AMERICAN = {"mass": "oz", "warmth": "f", "length": "in", "clock": "h12", "decimal": "point", "paper": "letter"}
METRIC = re.compile(r"\d\s?g\b|\bgrams?\b|\bkilo|°C|\d\s?mm\b|(?<![:\d])[01]\d:\d\d(?! [ap]m)")
METRIC_PAGES = (
    *("/", "/flour", "/discard", "/house", "/new", "/new?all=1", "/signs", "/reckoner"),
    *("*", "*/look", "*/feed", "*/plan", "*/keep", "*/bake", "*/part", "*/away"),
    *("*/change", "*/change/moved", "*/change/jar", "*/change/amount", "*/change/flour", "*/change/way"),
)
