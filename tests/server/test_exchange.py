"""Out of the application: the calendar held against RFC 5545 by another parser and by a calendar program; paper read
as text."""

from __future__ import annotations

import csv
import subprocess
import sys
import tempfile
from datetime import UTC, datetime, timedelta
from io import BytesIO, StringIO
from pathlib import Path
from typing import Any
from unittest.mock import patch
from zoneinfo import ZoneInfo

import vobject  # type: ignore[import-untyped]
from django.test import Client, SimpleTestCase, TestCase
from pypdf import PdfReader

from accounts.models import Account
from config.private import without_secrets
from exchange.words import WORDS
from ferment.kitchen.flours import Flour
from ferment.planner import Act
from ferment.planner.steps import SightCode
from ferment.protocol.method import Normal

from .base import PASSWORD, Baker, ago, new_jar

# The last Sunday of October 2026, when Lisbon's clocks go back (IANA time zone database, from memory).
BEFORE_THE_CHANGE = datetime(2026, 10, 23, 9, 0, tzinfo=UTC)


def events(ics: bytes) -> dict[str, Any]:
    """By UID, read by a parser that did not write it (RFC 5545)."""
    found = vobject.readOne(ics.decode())
    return {one.uid.value: one for one in found.vevent_list}


class Words(SimpleTestCase):
    """Paper and calendars have a word for every code that they may meet."""

    def test_every_code_is_worded(self) -> None:
        tables = {"FLOURS": Flour, "ACTS": Act, "NORMAL": Normal, "SIGHTS": SightCode}
        for language, words in WORDS.items():
            for table, codes in tables.items():
                with self.subTest(table, language=language):
                    self.assertEqual(set(getattr(words, table)), set(codes))


class Calendars(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan(name="Thistle & Sons, Ltd; 🫙").mix(30.0)

    def fetch(self) -> bytes:
        answer = self.baker.client.get(f"/api/jars/{self.baker.jar_id}/calendar.ics")
        self.assertEqual((answer.status_code, answer["Content-Type"].split(";")[0]), (200, "text/calendar"))
        return bytes(answer.content)

    def test_another_parser_reads_it_and_finds_the_plan(self) -> None:
        ics = self.fetch()
        self.assertTrue(all(len(line) <= 75 for line in ics.split(b"\r\n")), "folded (RFC 5545, 3.1)")
        found = events(ics)
        steps = self.baker.ok("GET", f"/api/jars/{self.baker.jar_id}/plan")["plan"]["steps"]
        self.assertEqual(len(found), len(steps))
        ahead = [one for one in found.values() if "(done)" not in one.summary.value]
        self.assertEqual({one.summary.value for one in ahead}, {"Feed Thistle & Sons, Ltd; 🫙"})
        self.assertIn("keep 30 g, 30 g water, 20 g spelt, 10 g whole rye", ahead[0].description.value)

    def test_a_late_feed_moves_the_same_events_and_raises_their_sequence(self) -> None:
        before = events(self.fetch())
        # Not of this very second, which may be the one that it is told as due.
        self.baker.feed(0.5)
        after = events(self.fetch())
        moved = [one for one in before if one in after and before[one].dtstart.value != after[one].dtstart.value]
        self.assertTrue(moved)
        for one in moved:
            self.assertGreater(int(after[one].sequence.value), int(before[one].sequence.value))
        done = [one for one in after.values() if one.summary.value.endswith("(done)")]
        self.assertEqual(len(done), 2)

    def test_a_daily_feed_keeps_its_hour_over_a_change_of_clocks(self) -> None:
        with patch("django.utils.timezone.now", return_value=BEFORE_THE_CHANGE):
            baker = Baker("Odo").sign_up()
            baker.plan(starts_at=(BEFORE_THE_CHANGE - timedelta(hours=2)).isoformat())
            baker.ok(
                "POST",
                f"/api/jars/{baker.jar_id}/log",
                {
                    "id": "4f5b2a52-0b8e-4f9e-9d0e-5a5f4a3f7a01",
                    "seen_feed": None,
                    "entry": {
                        "kind": "feed",
                        "at": (BEFORE_THE_CHANGE - timedelta(hours=1)).isoformat(),
                        "keep_g": 0,
                        "flours": [{"flour": "spelt", "g": 20}, {"flour": "rye", "g": 10}],
                        "water_g": 30,
                        "salt_g": 0,
                        "line_mm": None,
                        "note": "",
                    },
                },
            )
            ics = baker.client.get(f"/api/jars/{baker.jar_id}/calendar.ics").content
        starts = sorted(one.dtstart.value for one in events(ics).values())
        lisbon = [one.astimezone(ZoneInfo("Europe/Lisbon")) for one in starts]
        self.assertEqual({str(one.utcoffset()) for one in lisbon}, {"1:00:00", "0:00:00"})
        self.assertEqual(len({one.hour for one in lisbon}), 1)

    def test_a_calendar_program_takes_it_and_follows(self) -> None:
        """khal, a calendar program from the package index, imports it twice and lists the feeds."""
        with tempfile.TemporaryDirectory() as folder:
            home = Path(folder)
            (home / "cal").mkdir()
            (home / "khal.conf").write_text(
                f"[calendars]\n[[kitchen]]\npath = {home / 'cal'}\ntype = calendar\n"
                "[locale]\ntimeformat = %H:%M\ndateformat = %Y-%m-%d\nlongdateformat = %Y-%m-%d\n"
                "datetimeformat = %Y-%m-%d %H:%M\nlongdatetimeformat = %Y-%m-%d %H:%M\n"
                "local_timezone = Europe/Lisbon\ndefault_timezone = Europe/Lisbon\n"
                f"[sqlite]\npath = {home / 'khal.db'}\n"
            )

            def khal(*arguments: str) -> str:
                command = [str(Path(sys.executable).with_name("khal")), "-c", str(home / "khal.conf"), *arguments]
                env = {"HOME": folder, "LC_ALL": "C.UTF-8", "PATH": "/usr/bin:/bin"}
                done = subprocess.run(command, capture_output=True, text=True, check=False, env=env)
                self.assertEqual(done.returncode, 0, done.stderr)
                return done.stdout

            listed = []
            for _ in range(2):
                (home / "plan.ics").write_bytes(self.fetch())
                khal("import", "--batch", "-a", "kitchen", str(home / "plan.ics"))
                listed.append(khal("list", "--format", "{start} {title}", "today", "10d"))
                self.baker.feed(0.0) if len(listed) == 1 else None
            self.assertIn("Feed Thistle", listed[0])
            self.assertIn("(done)", listed[1])
            self.assertNotEqual(listed[0], listed[1])


class PrivateAddress(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.address = self.baker.ok("POST", "/api/calendar")["address"].removeprefix("http://testserver")

    def test_it_opens_without_signing_in_and_opens_nothing_else(self) -> None:
        program = Client()
        self.assertEqual(
            len(events(program.get(self.address).content)), len(self.baker.jar()["assessment"]["timeline"])
        )
        self.assertEqual(program.get("/api/kitchen").status_code, 401)

    def test_changed_the_old_one_opens_nothing(self) -> None:
        self.baker.ok("POST", "/api/calendar")
        self.assertEqual(Client().get(self.address).status_code, 404)
        self.assertEqual(self.baker.ok("GET", "/api/calendar"), {"is_set": True})
        self.baker.ok("DELETE", "/api/calendar")
        self.assertEqual(self.baker.ok("GET", "/api/calendar"), {"is_set": False})

    def test_a_guess_opens_nothing_and_another_bakers_jar_is_not_there(self) -> None:
        self.assertEqual(Client().get("/api/calendar/guess.ics").status_code, 404)
        stranger = Baker("Noor").sign_up()
        for file in ("calendar.ics", "sheet.pdf", "labels.pdf"):
            self.assertEqual(stranger.client.get(f"/api/jars/{self.baker.jar_id}/{file}").status_code, 404)


class Paper(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan(name="Thistle").mix(30.0)

    def text(self, file: str) -> str:
        answer = self.baker.client.get(f"/api/jars/{self.baker.jar_id}/{file}")
        self.assertEqual(answer["Content-Type"], "application/pdf")
        return "\n".join(page.extract_text() for page in PdfReader(BytesIO(answer.content)).pages)

    def test_the_sheet_says_when_what_and_how_much(self) -> None:
        text = self.text("sheet.pdf")
        for part in ("Thistle", "Feed: keep 30 g, 30 g water", "normal:", "likely ready", "never sealed"):
            self.assertIn(part, text)

    def test_labels_carry_ratio_flour_and_time(self) -> None:
        text = self.text("labels.pdf")
        for part in ("Thistle", "1:1:1", "spelt, whole rye", "lay this edge"):
            self.assertIn(part, text)

    def test_nothing_of_a_long_recipe_is_cut(self) -> None:
        blend = {"high_extraction": 1.0, "gluten_free": 1.0, "whole_wheat": 1.0, "rye": 1.0}
        choices = {**new_jar()["choices"], "first_blend": blend, "blend": blend}
        self.baker.plan(choices=choices).mix(30.0)
        for file in ("sheet.pdf", "labels.pdf"):
            text = " ".join(self.text(file).split())
            for flour in ("high-extraction wheat", "gluten-free flour", "whole wheat", "whole rye"):
                self.assertIn(flour, text)
            self.assertNotIn("…", text)

    def test_the_sheet_has_room_for_what_was_seen_and_went_in(self) -> None:
        lines = self.text("sheet.pdf").split("\n")
        for name in ("at", "level", "smell", "went in"):
            self.assertIn(name, lines)

    def test_the_code_leads_to_where_a_phone_gets_or_is_left_out(self) -> None:
        def url(host: str) -> str | None:
            with patch("exchange.formats.paper.labels", return_value=b"%PDF") as labels:
                self.baker.client.get(f"/api/jars/{self.baker.jar_id}/labels.pdf", HTTP_HOST=host)
            return labels.call_args.args[0].url  # type: ignore[no-any-return]

        with self.settings(ALLOWED_HOSTS=["127.0.0.1", "localhost"]):
            self.assertIsNone(url("127.0.0.1:8420"))
        with self.settings(ALLOWED_HOSTS=["127.0.0.1", "kitchen.example"]):
            for host in ("127.0.0.1:8420", "kitchen.example"):
                self.assertEqual(url(host), f"http://kitchen.example/jars/{self.baker.jar_id}")

    def test_a_name_of_another_script_stays_readable(self) -> None:
        self.baker.plan(name="Ζυμάρι Дрож").mix(30.0)
        for file in ("sheet.pdf", "labels.pdf"):
            self.assertIn("Ζυμάρι Дрож", self.text(file))

    def test_a_binned_jar_has_an_empty_sheet(self) -> None:
        body = {"id": "4f5b2a52-0b8e-4f9e-9d0e-5a5f4a3f7a02", "seen_feed": None}
        self.baker.ok(
            "POST",
            f"/api/jars/{self.baker.jar_id}/log",
            {**body, "entry": {"kind": "bin", "at": ago(0.0), "note": ""}},
        )
        self.assertIn("Nothing is planned.", self.text("sheet.pdf"))
        self.assertIn("No feed is planned.", self.text("labels.pdf"))


class InTheBakersForms(TestCase):
    """Ounces, an American clock and paper of 8.5 by 11 inches (ANSI/ASME Y14.1, from memory)."""

    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home().plan(name="Moth").mix(30.0)
        forms = {"mass": "oz", "warmth": "f", "length": "in", "clock": "h12", "decimal": "point", "paper": "letter"}
        told = self.baker.ok("PUT", "/api/account/forms", forms)
        self.assertEqual(told["account"]["forms"], forms)

    def test_paper_and_calendar_are_told_in_them(self) -> None:
        path = f"/api/jars/{self.baker.jar_id}"
        for name in ("sheet.pdf", "labels.pdf", "card.pdf"):
            page = PdfReader(BytesIO(self.baker.client.get(f"{path}/{name}").content)).pages[0]
            self.assertEqual((page.mediabox.width, page.mediabox.height), (612, 792), name)
            self.assertNotRegex(page.extract_text(), r"\d g\b")
        sheet = PdfReader(BytesIO(self.baker.client.get(f"{path}/sheet.pdf").content)).pages[0].extract_text()
        # Thirty grams.
        self.assertIn("1.06 oz", sheet)
        self.assertRegex(sheet, r"\d{1,2}:\d\d [ap]m")
        told = "".join(
            one.description.value for one in events(self.baker.client.get(f"{path}/calendar.ics").content).values()
        )
        self.assertIn("1.06 oz", told)
        self.assertNotRegex(told, r"\d g\b")

    def test_what_is_not_known_is_refused_and_what_was_stored_is_read(self) -> None:
        self.assertEqual(
            self.baker.problem("PUT", "/api/account/forms", {"mass": "stone"})[1:], ("not_a_choice", "mass")
        )
        Account.objects.update(forms={"mass": "stone", "warmth": "f"})
        told = self.baker.ok("GET", "/api/session")["account"]["forms"]
        self.assertEqual((told["mass"], told["warmth"]), ("g", "f"))

    def test_a_new_account_begins_with_those_of_its_device(self) -> None:
        new = {"name": "Tamsin", "password": PASSWORD, "time_zone": "America/Chicago", "forms": {"mass": "oz"}}
        told = Baker("Tamsin").ok("POST", "/api/accounts", new)
        self.assertEqual((told["account"]["forms"]["mass"], told["account"]["forms"]["clock"]), ("oz", "h24"))


class AJarToShow(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home().plan(name="Moth").mix(50.0)
        self.baker.look(40.0, level={"value": 1.8, "unit": "times"}, note="my aunt was here")
        self.baker.feed(26.0)
        self.path = f"/api/jars/{self.baker.jar_id}"

    def shared(self) -> str:
        address = self.baker.ok("POST", f"{self.path}/sharing")["address"]
        return str(address).rsplit("/", 1)[1]

    def test_it_shows_the_jar_and_nothing_else(self) -> None:
        self.assertEqual(self.baker.ok("GET", f"{self.path}/sharing"), {"is_shared": False})
        token = self.shared()
        friend = Client()
        told = friend.get(f"/api/shared/{token}")
        self.assertEqual((told.status_code, told.json()["name"], len(told.json()["rounds"])), (200, "Moth", 2))
        for private in ("Ines", "aunt", self.baker.jar_id, "timeline", "log"):
            self.assertNotIn(private, told.content.decode())
        self.assertEqual(friend.get(self.path).status_code, 401)
        self.assertEqual(friend.get(f"/api/calendar/{token}.ics").status_code, 404)
        # Its token stands in no log.
        self.assertNotIn(token, without_secrets(f"GET /api/shared/{token} 200"))
        self.assertNotIn("abcd", without_secrets("GET /recover?name=Ines&code=abcd-efgh"))

    def test_it_ends_when_told_and_when_another_is_made(self) -> None:
        first, second = self.shared(), self.shared()
        self.assertEqual(Client().get(f"/api/shared/{first}").status_code, 404)
        self.assertEqual(Client().get(f"/api/shared/{second}").status_code, 200)
        other = Baker("Noor").sign_up()
        self.assertEqual(other.problem("DELETE", f"{self.path}/sharing")[:2], (404, "not_found"))
        self.baker.ok("DELETE", f"{self.path}/sharing")
        self.assertEqual(Client().get(f"/api/shared/{second}").status_code, 404)

    def test_its_rise_is_a_table(self) -> None:
        answer = self.baker.client.get(f"{self.path}/rise.csv")
        rows = list(csv.DictReader(StringIO(answer.content.decode(), newline="")))
        self.assertEqual([row["what"] for row in rows], ["feed", "look", "feed"])
        self.assertEqual((rows[1]["level_times_line"], rows[1]["hours_since_feed"]), ("1.800", "10.00"))
        self.assertEqual(Baker("Noor").sign_up().client.get(f"{self.path}/rise.csv").status_code, 404)
