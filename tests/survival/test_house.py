"""The house stands whatever is done to it: the short form of the campaign in `kills.py`, and the edge."""

from __future__ import annotations

import base64
import random
import signal
import socket
from concurrent.futures import ThreadPoolExecutor
from io import BytesIO
from pathlib import Path
from unittest import TestCase
from uuid import uuid4

import requests
from PIL import Image

from tests.server.base import ago

from .house import Baker, House, kept, kill, until
from .kills import cut_off_first_start, cut_off_upgrade


class Killed(TestCase):
    def setUp(self) -> None:
        self.house = House()
        self.addCleanup(self.house.close)

    def test_each_process_while_a_baker_writes(self) -> None:
        self.house.start()
        baker = Baker(self.house, "Ines").sign_up()
        baker.begin()
        for what in ("worker", "database", "web-server", "reminders", "launcher"):
            wanted = len(baker.confirmed) + 3
            until("a few looks", lambda wanted=wanted: len(baker.confirmed) >= wanted)  # type: ignore[misc]
            until(f"a {what}", lambda what=what: kill(self.house, what))  # type: ignore[misc]
            if what == "launcher":
                self.house.wait()
                self.assertTrue(self.house.left())
                self.house.start()
            until("an open door", self.house.opens)
        wanted = len(baker.confirmed) + 3
        until("a few looks", lambda: len(baker.confirmed) >= wanted)
        baker.end()
        ids = {row[0].replace("-", "") for row in self.house.sql("SELECT id FROM logbook_entry WHERE kind = 'look'")}
        self.assertEqual({one.replace("-", "") for one in baker.confirmed} - ids, set())
        self.assertEqual(set(kept(self.house).values()), {1})
        until("the reminders", lambda: "reminders" in self.house.pids())
        self.house.stop()
        self.assertEqual(self.house.left(), [])

    def test_an_upgrade_cut_off(self) -> None:
        self.house.start()
        baker = Baker(self.house, "Ines").sign_up()
        baker.look()
        cut_off_upgrade(self.house, 2.5, signal.SIGKILL)
        baker.look()
        self.assertTrue(list((self.house.var / "backups").glob("before-*.sql")))

    def test_an_older_program_refuses_a_newer_database(self) -> None:
        self.house.start()
        self.house.sql("INSERT INTO django_migrations VALUES (NULL, 'kitchen', '0099_of_tomorrow', NOW())")
        self.house.stop()
        self.house.begin()
        self.assertEqual(self.house.wait(), 1)
        self.assertIn("last kept by a newer Despertar (kitchen.0099_of_tomorrow)", self.house.said())
        # Nothing was changed, so nothing was kept before it.
        self.assertEqual(list((self.house.var / "backups").glob("before-*")), [])


class CutOff(TestCase):
    def test_a_first_start(self) -> None:
        cut_off_first_start(3.0, signal.SIGKILL)


class TheEdge(TestCase):
    house: House

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.house = House()
        cls.addClassCleanup(cls.house.close)
        cls.house.start("demo")

    def test_slow_lines_hold_nobody_up(self) -> None:
        slow = []
        for number in range(60):
            line = socket.create_connection(("127.0.0.1", self.house.port))
            self.addCleanup(line.close)
            head = b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 900\r\n"
            # Half of them stop in the head, half in the body.
            line.sendall(head if number % 2 else head + b"Content-Type: application/json\r\n\r\n{")
            slow.append(line)
        for _ in range(20):
            self.assertEqual(requests.get(f"{self.house.base}/api/health", timeout=10).status_code, 200)
        # They are still there: nothing was answered to them, and they hold nobody up.
        for line in slow:
            line.settimeout(0)
            with self.assertRaises(BlockingIOError):
                line.recv(1)

    def test_photos_stand_in_a_line_of_their_own(self) -> None:
        baker = Baker(self.house, f"Baker {uuid4()}").sign_up()
        photo = base64.b64encode(noise()).decode()

        def send(_: int) -> None:
            body = {"id": str(uuid4()), "at": ago(0.5), "look": None, "points": None, "photo": photo}
            baker.call("POST", f"/api/jars/{baker.jar}/photos", body)

        with ThreadPoolExecutor(10) as pool:
            sent = [pool.submit(send, number) for number in range(10)]
            until("the first photo", lambda: any(one.done() for one in sent))
            for _ in range(3):
                self.assertEqual(requests.get(f"{self.house.base}/api/health", timeout=10).status_code, 200)
            self.assertTrue(any(not one.done() for one in sent), "the photos were through before anybody else")
        for one in sent:
            one.result()

    def test_a_body_that_is_too_large_is_refused_in_our_own_shape(self) -> None:
        session = requests.Session()
        session.get(f"{self.house.base}/api/session")
        headers = {"X-CSRFToken": session.cookies["despertar_csrf"] or "", "Content-Type": "application/json"}
        answer = session.post(f"{self.house.base}/api/session", data=b" " * 18_000_000, headers=headers, timeout=60)
        self.assertEqual((answer.status_code, answer.json()["errors"][0]["code"]), (413, "too_large"))

    def test_secrets_are_in_no_command_line_and_in_no_log(self) -> None:
        token = (self.house.var / "standin-token").read_text()
        until("the thermometer", lambda: "simulated-thermometer" in self.house.pids())
        for number in self.house.left():
            self.assertNotIn(token, Path(f"/proc/{number}/cmdline").read_text())
        requests.get(f"{self.house.base}/api/calendar/opens-a-kitchen.ics", timeout=10)
        for log in (self.house.var / "log").glob("*.log"):
            self.assertNotIn("opens-a-kitchen", log.read_text(errors="replace"))

    def test_nobody_else_reads_what_is_kept(self) -> None:
        self.assertEqual(self.house.var.stat().st_mode & 0o077, 0)
        for one in (self.house.var / "files").rglob("*"):
            self.assertEqual(one.stat().st_mode & 0o077, 0, one)

    def test_a_second_start_says_where_it_runs(self) -> None:
        second = House()
        self.addCleanup(second.folder.cleanup)
        second.env = self.house.env
        second.begin()
        self.assertEqual(second.wait(), 0)
        self.assertIn(f"already runs at {self.house.base}/", second.said())


def noise() -> bytes:
    """A picture that takes a while to be made anew."""
    out = BytesIO()
    Image.frombytes("RGB", (2200, 2200), random.Random(1).randbytes(2200 * 2200 * 3)).save(out, "JPEG", quality=80)
    return out.getvalue()
