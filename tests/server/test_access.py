"""How a baker comes in: name, password, other places, a code on paper, the end of it; and a kitchen handed over."""

from __future__ import annotations

import base64
import io
import re
from datetime import timedelta
from pathlib import Path
from typing import Any
from unittest import mock
from urllib.parse import parse_qs, urlsplit
from uuid import uuid4

from django.conf import settings
from django.core.management import CommandError, call_command
from django.test import Client, TestCase
from django.utils import timezone

from accounts.models import Account, Recovery, Visit
from kitchen.models import Jar
from logbook.models import Entry
from places.models import Thermometer

from .base import PASSWORD, Baker, ago, files_of_its_own
from .test_photos import jpeg

NEW = "four loud pancakes"


def elsewhere(name: str = "Ines", *, phone: bool = False) -> Baker:
    """The same baker at another device."""
    agent = "Mozilla/5.0 (a phone; Mobile)" if phone else "Mozilla/5.0 (a laptop)"
    baker = Baker(name, Client(HTTP_USER_AGENT=agent))
    baker.ok("POST", "/api/session", {"name": name, "password": PASSWORD})
    return baker


def is_in(baker: Baker) -> bool:
    return baker.ok("GET", "/api/session")["account"] is not None


class WhereItIs(TestCase):
    def test_every_place_is_listed_and_one_is_signed_out(self) -> None:
        ines = Baker("Ines").sign_up()
        phone = elsewhere(phone=True)
        told = ines.ok("GET", "/api/account")["visits"]
        self.assertEqual({(one["here"], one["on_phone"]) for one in told}, {(True, False), (False, True)})
        (other,) = (one for one in told if not one["here"])
        noor = Baker("Noor").sign_up()
        self.assertEqual(noor.problem("DELETE", f"/api/account/visits/{other['id']}")[:2], (404, "not_found"))
        self.assertEqual(len(ines.ok("DELETE", f"/api/account/visits/{other['id']}")["visits"]), 1)
        self.assertEqual((is_in(phone), is_in(ines)), (False, True))

    def test_it_is_seen_again_and_gone_when_signed_out(self) -> None:
        ines = Baker("Ines").sign_up()
        long_ago = timezone.now() - timedelta(days=3)
        Visit.objects.update(seen_at=long_ago)
        is_in(ines)
        self.assertGreater(Visit.objects.get().seen_at, long_ago)
        ines.ok("DELETE", "/api/session")
        self.assertEqual(Visit.objects.count(), 0)


class NameAndPassword(TestCase):
    def test_a_new_name_signs_in_and_another_is_not_taken_twice(self) -> None:
        ines = Baker("Ines").sign_up()
        Baker("Noor").sign_up()
        self.assertEqual(ines.problem("PUT", "/api/account/name", {"name": "noor"})[1:], ("name_taken", "name"))
        self.assertEqual(ines.ok("PUT", "/api/account/name", {"name": "Inês"})["account"]["name"], "Inês")
        elsewhere("Inês")

    def test_a_new_password_signs_everybody_else_out(self) -> None:
        ines, phone = Baker("Ines").sign_up(), elsewhere()
        path = "/api/account/password"
        wrong = {"before": "not that one", "password": NEW}
        self.assertEqual(ines.problem("PUT", path, wrong)[1:], ("wrong_password", "before"))
        easy = {"before": PASSWORD, "password": "short"}
        self.assertEqual(ines.problem("PUT", path, easy)[1:], ("password_too_short", "password"))
        told = ines.ok("PUT", path, {"before": PASSWORD, "password": NEW})
        self.assertEqual([one["here"] for one in told["visits"]], [True])
        self.assertEqual((is_in(ines), is_in(phone)), (True, False))
        again = Baker("Ines")
        old = {"name": "Ines", "password": PASSWORD}
        self.assertEqual(again.problem("POST", "/api/session", old)[0], 401)
        again.ok("POST", "/api/session", {"name": "Ines", "password": NEW})


class ForgottenPassword(TestCase):
    def setUp(self) -> None:
        self.ines = Baker("Ines").sign_up().plan()
        self.code = self.ines.ok("POST", "/api/account/recovery")["code"]

    def recover(self, code: str, name: str = "Ines", password: str = NEW) -> tuple[int, Any]:
        return Baker(name).call("POST", "/api/recover", {"name": name, "code": code, "password": password})

    def test_the_code_on_paper_opens_the_kitchen_once(self) -> None:
        self.assertRegex(self.code, r"^[a-z0-9]{4}(-[a-z0-9]{4}){4}$")
        self.assertNotIn(self.code, str(Recovery.objects.values_list()))
        self.assertIsNotNone(self.ines.ok("GET", "/api/account")["recovery_since"])
        for code, name in (("aaaa-bbbb-cccc-dddd-eeee", "Ines"), (self.code, "Noor")):
            status, told = self.recover(code, name)
            self.assertEqual((status, told["errors"][0]["code"]), (422, "no_such_code"))
        # Typed as it was heard.
        status, told = self.recover(self.code.upper().replace("-", " "))
        self.assertEqual((status, told["account"]["name"]), (200, "Ines"))
        self.assertFalse(is_in(self.ines))
        self.assertEqual(self.recover(self.code)[0], 422)

    def test_an_easy_password_uses_no_code_up(self) -> None:
        status, told = self.recover(self.code, password="short")
        self.assertEqual((status, told["errors"][0]["field"]), (422, "password"))
        self.assertEqual(self.recover(self.code)[0], 200)

    def test_a_new_code_ends_the_old_one(self) -> None:
        new = self.ines.ok("POST", "/api/account/recovery")["code"]
        self.assertEqual((self.recover(self.code)[0], self.recover(new)[0]), (422, 200))

    def test_by_the_command_line(self) -> None:
        def run(*words: str) -> str:
            out = io.StringIO()
            call_command("accounts", *words, stdout=out)
            return out.getvalue()

        self.assertIn("Ines", run("list"))
        run("lock", "Ines")
        self.assertFalse(is_in(self.ines))
        self.assertEqual(self.recover(self.code)[0], 422)
        self.assertIn("locked", run("list"))
        run("unlock", "Ines")
        found = re.search(r"/recover\S+", run("reset", "Ines"))
        assert found is not None
        asked = {name: values[0] for name, values in parse_qs(urlsplit(found[0]).query).items()}
        with mock.patch.object(timezone, "now", return_value=timezone.now() + timedelta(days=2)):
            self.assertEqual(self.recover(asked["code"])[0], 422)
        self.assertEqual(self.recover(asked["code"])[0], 200)
        # The one on paper is still good.
        self.assertEqual(self.recover(self.code)[0], 200)
        with self.assertRaisesMessage(CommandError, "no baker named Oren"):
            run("reset", "Oren")


class TheEnd(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)

    def test_all_of_it_goes_and_what_it_wrote_elsewhere_stays(self) -> None:
        ines, noor = Baker("Ines").sign_up().plan().mix(30.0), Baker("Noor").sign_up().plan(name="Heron").mix(30.0)
        code = noor.ok("POST", "/api/hands/invitations")["code"]
        ines.ok("POST", "/api/hands", {"code": code})
        own, ines.jar_id = ines.jar_id, noor.jar_id
        ines.look(2.0)
        photo = base64.b64encode(jpeg()).decode()
        body = {"id": str(uuid4()), "at": ago(1.0), "look": None, "points": None, "photo": photo}
        ines.ok("POST", f"/api/jars/{own}/photos", body)
        folder = Path(settings.DESPERTAR_FILES) / "photos" / own
        self.assertTrue(folder.exists())
        self.assertEqual(
            ines.problem("POST", "/api/account/delete", {"password": "not that one"})[1:],
            ("wrong_password", "password"),
        )
        with self.captureOnCommitCallbacks(execute=True):
            ines.ok("POST", "/api/account/delete", {"password": PASSWORD})
        self.assertFalse(is_in(ines))
        self.assertFalse(folder.exists())
        self.assertEqual(list(Account.objects.values_list("name", flat=True)), ["Noor"])
        self.assertEqual(list(Jar.objects.values_list("name", flat=True)), ["Heron"])
        self.assertEqual(Entry.objects.filter(kind="look", recorded_by=None).count(), 1)
        self.assertEqual(noor.ok("GET", "/api/hands")["mine"], [])


class HandedOver(TestCase):
    def test_the_jars_move_with_their_thermometer_and_all_keep_them(self) -> None:
        ines, noor, oren = (Baker(name).sign_up() for name in ("Ines", "Noor", "Oren"))
        station = ines.ok("POST", "/api/thermometers", {"place": "Shelf"})["station"]["id"]
        ines.plan(name="Moth", thermometer=station).mix(30.0)
        noor.plan(name="Heron")
        for other in (noor, oren):
            other.ok("POST", "/api/hands", {"code": ines.ok("POST", "/api/hands/invitations")["code"]})
        to_noor = next(one for one in ines.ok("GET", "/api/hands")["mine"] if one["name"] == "Noor")
        path = f"/api/hands/{to_noor['id']}/kitchen"
        self.assertEqual(oren.problem("POST", path)[:2], (404, "not_found"))
        ines.ok("POST", path)
        self.assertEqual(
            set(Jar.objects.values_list("name", "kitchen__owner__name")), {("Moth", "Noor"), ("Heron", "Noor")}
        )
        self.assertEqual(Thermometer.objects.get().owner.name, "Noor")
        for baker in (ines, noor, oren):
            self.assertIn("Moth", [one["jar"]["name"] for one in baker.ok("GET", "/api/kitchen")["jars"]])
        self.assertEqual({one["name"] for one in noor.ok("GET", "/api/hands")["mine"]}, {"Ines", "Oren"})
        self.assertEqual(ines.ok("GET", "/api/hands")["mine"], [])
