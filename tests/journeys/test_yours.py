"""A baker's own: the kitchen out as a file and in again, name and password, a code on paper, the end."""

from __future__ import annotations

import re
from pathlib import Path
from tempfile import TemporaryDirectory

from django.utils import timezone

from accounts.models import Account
from parcel.services import Form, pack

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
