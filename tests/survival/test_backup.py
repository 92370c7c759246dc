"""Last night's backup, for real: made while bakers write, put back on another machine, page by page the same."""

from __future__ import annotations

import base64
import io
import json
import signal
import subprocess
import sys
import tarfile
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import Any
from unittest import TestCase
from uuid import uuid4

import requests
from prometheus_client.parser import text_string_to_metric_families

from launcher.place import ROOT
from tests.ports import steady_port
from tests.server.base import PASSWORD, ago
from tests.server.test_photos import jpeg

from .house import WITHIN_S, Baker, House, until


def ask(house: House, *command: str) -> subprocess.CompletedProcess[str]:
    """A command of this house, to its end."""
    return subprocess.run(
        [sys.executable, str(ROOT / "despertar"), *command],
        env=house.env,
        capture_output=True,
        text=True,
        check=False,
        timeout=WITHIN_S,
    )


class Backups(TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.house = self.new_house()
        self.house.start()
        self.baker = Baker(self.house, "Ines").sign_up()
        for _ in range(3):
            self.baker.look()

    def new_house(self) -> House:
        house = House()
        self.addCleanup(house.close)
        return house

    def backup(self, name: str = "kept") -> Path:
        file = self.folder / f"{name}.tar.gz"
        done = ask(self.house, "backup", str(file))
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        self.assertEqual(file.stat().st_mode & 0o077, 0)
        return file

    def pages(self, house: House) -> dict[str, Any]:
        """Everything that is said of the kitchen, but for the moment in which it was asked."""
        reader = Baker(house, "Ines")
        reader.call("GET", "/api/session")
        reader.call("POST", "/api/session", {"name": "Ines", "password": PASSWORD})
        jar = self.baker.jar
        paths = ["/api/kitchen", f"/api/jars/{jar}", f"/api/jars/{jar}/log?until={ago(0)}".replace("+", "%2B")]
        paths += ["/api/hours", "/api/flours", "/api/discard", "/api/trials", "/api/hands"]
        told = {path.split("?")[0]: reader.call("GET", path) for path in paths}
        return {path: without_now(page) for path, page in told.items()}

    def looks(self, house: House) -> int:
        return int(house.sql("SELECT COUNT(*) FROM logbook_entry WHERE kind = 'look'")[0][0])


def without_now(page: Any) -> Any:
    """What is told by the minute of the asking is told of another minute."""
    if isinstance(page, dict):
        return {
            name: without_now(value)
            for name, value in page.items()
            if name
            not in ("now", "forecast", "since_feed", "rise", "next_move", "plan", "ready_on", "ready_ahead", "sheet")
        }
    return [without_now(one) for one in page] if isinstance(page, list) else page


class OnAnotherMachine(Backups):
    def test_page_by_page_the_same_while_both_run(self) -> None:
        photo = {"id": str(uuid4()), "at": ago(0.1), "look": None, "points": None}
        photo["photo"] = base64.b64encode(jpeg()).decode()
        self.baker.call("POST", f"/api/jars/{self.baker.jar}/photos", photo)
        said = self.pages(self.house)
        file = self.backup()
        # What is written after it is not in it; nor did it keep anybody from writing.
        self.baker.look()

        other = self.new_house()
        other.start()
        done = ask(other, "restore", str(file), "--yes")
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        self.assertIn("Restored: 1 accounts, 4 entries, 1 photos", done.stdout)
        until("an open door", other.opens)
        self.assertEqual(self.pages(other), said)
        reader = Baker(other, "Ines")
        reader.call("GET", "/api/session")
        reader.call("POST", "/api/session", {"name": "Ines", "password": PASSWORD})
        picture = reader.session.get(f"{other.base}/api/photos/{photo['id']}/large", timeout=20)
        self.assertEqual((picture.status_code, picture.headers["Content-Type"]), (200, "image/jpeg"))
        # And life goes on there.
        reader.jar = self.baker.jar
        reader.look()
        self.assertEqual(self.looks(other), 4)

        # One that is made while somebody writes is of one moment.
        self.baker.begin()
        during = self.backup("during")
        self.baker.end()
        self.assertGreater(len(self.baker.confirmed), 4)
        done = ask(other, "restore", str(during), "--yes")
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        until("an open door", other.opens)
        kept = {row[0].replace("-", "") for row in other.sql("SELECT id FROM logbook_entry WHERE kind = 'look'")}
        self.assertGreaterEqual(len(kept), 4)
        self.assertLessEqual(kept, {one.replace("-", "") for one in self.baker.confirmed})


class WhatIsNoBackup(Backups):
    def refused(self, file: Path, why: str) -> None:
        before = self.looks(self.house)
        done = ask(self.house, "restore", str(file), "--yes")
        self.assertEqual(done.returncode, 1)
        self.assertIn(why, done.stderr)
        until("an open door", self.house.opens)
        self.assertEqual(self.looks(self.house), before)

    def rewritten(self, file: Path, name: str, content: bytes) -> Path:
        """The same backup with another member in place of one."""
        other = self.folder / "other.tar.gz"
        with tarfile.open(file) as old, tarfile.open(other, "w:gz") as new:
            for member in old:
                told = old.extractfile(member)
                assert told is not None
                data = content if member.name == name else told.read()
                member.size = len(data)
                new.addfile(member, io.BytesIO(data))
        return other

    def test_it_is_refused_and_nothing_is_changed(self) -> None:
        file = self.backup()
        self.refused(self.folder / "gone.tar.gz", "There is no file")
        half = self.folder / "half.tar.gz"
        half.write_bytes(file.read_bytes()[: file.stat().st_size // 2])
        self.refused(half, "is no backup of Despertar, or is not whole")
        with tarfile.open(file) as tar:
            manifest_file = tar.extractfile("manifest.json")
            dump_file = tar.extractfile("database.sql")
            assert manifest_file is not None
            assert dump_file is not None
            manifest, dump = json.load(manifest_file), dump_file.read()
        self.refused(self.rewritten(file, "database.sql", dump + b"-- more\n"), "is not whole: what is in it is not")
        newer = json.dumps({**manifest, "version": 99}).encode()
        self.refused(self.rewritten(file, "manifest.json", newer), "was made by a newer Despertar")
        foreign = json.dumps({**manifest, "format": "something.else"}).encode()
        self.refused(self.rewritten(file, "manifest.json", foreign), "is no backup of Despertar")
        out = self.folder / "out.tar.gz"
        with tarfile.open(out, "w:gz") as tar:
            about = tarfile.TarInfo("../elsewhere")
            tar.addfile(about, io.BytesIO(b""))
        self.refused(out, "does not belong in one")
        self.assertFalse((self.house.var / "elsewhere").exists())

    def test_killed_halfway_the_next_start_takes_it_back(self) -> None:
        file = self.backup()
        self.baker.look()
        self.house.stop()
        mark = self.house.var / "database" / "changing"
        restoring = subprocess.Popen(
            [sys.executable, str(ROOT / "despertar"), "restore", str(file), "--yes"],
            env=self.house.env,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        )
        until("the mark of a change", lambda: mark.exists() or restoring.poll() is not None)
        restoring.send_signal(signal.SIGKILL)
        restoring.wait()
        self.house.start()
        # Whole, one way or the other: as it was, or as the backup has it.
        self.assertIn(self.looks(self.house), (3, 4))
        self.assertFalse(mark.exists())
        self.baker.look()


class Upgraded(Backups):
    def test_what_does_not_go_well_is_taken_back(self) -> None:
        """A table in the way of a change: the upgrade fails halfway, and everything is as it was."""
        before = self.house.sql("SELECT id, body FROM logbook_entry ORDER BY id")
        serves = self.house.pids()["database"]
        self.assertIn("The kitchen runs", ask(self.house, "upgrade").stderr)
        self.assertIn("already runs", ask(self.house, "dev").stdout)
        # What is refused leaves the kitchen as it runs.
        self.assertEqual(self.house.pids().get("database"), serves)
        self.house.manage("migrate", "trials", "zero", "--verbosity", "0")
        self.house.sql("CREATE TABLE trials_part (of_somebody_else INT)")
        self.house.stop()
        done = ask(self.house, "upgrade")
        self.assertEqual(done.returncode, 1, done.stdout)
        self.assertIn("was taken back: everything is as it was", done.stderr)
        (kept,) = (self.house.var / "backups").glob("before-upgrade-*.tar.gz")
        self.assertGreater(kept.stat().st_size, 0)
        self.assertFalse((self.house.var / "database" / "changing").exists())

        with self.only_the_database():
            self.assertEqual(self.house.sql("SELECT id, body FROM logbook_entry ORDER BY id"), before)
            # What had been changed before it failed is gone again too.
            self.assertEqual(self.house.sql("SHOW TABLES LIKE 'trials%'"), [["trials_part"]])
            self.house.sql("DROP TABLE trials_part")
        done = ask(self.house, "upgrade")
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        self.assertIn("1 jars told", done.stdout)
        self.house.start()
        self.baker.look()

    @contextmanager
    def only_the_database(self) -> Iterator[None]:
        """The house's database without its kitchen."""
        script = "from launcher import serving; serving.database().start()"
        run = [sys.executable, "-c", script]
        subprocess.run(run, cwd=ROOT, env=self.house.env, check=True, capture_output=True)
        try:
            yield
        finally:
            script = script.replace("start()", "stop()")
            subprocess.run([*run[:2], script], cwd=ROOT, env=self.house.env, check=True, capture_output=True)


class SaidOfItself(TestCase):
    def test_metrics_log_and_how_it_stands(self) -> None:
        """In the text form that Prometheus reads, parsed by its own reader."""
        house = House()
        self.addCleanup(house.close)
        port = steady_port()
        house.env |= {"DESPERTAR_METRICS_PORT": str(port), "DESPERTAR_LOGS": "json"}
        house.start()
        baker = Baker(house, "Ines").sign_up()
        for _ in range(8):
            baker.look()
        samples: dict[tuple[str, str], float] = {}

        def counted() -> bool:
            with suppress(requests.RequestException):
                text = requests.get(f"http://127.0.0.1:{port}/metrics", timeout=5).text
                for metric in text_string_to_metric_families(text):
                    for sample in metric.samples:
                        samples[sample.name, sample.labels.get("route", "")] = sample.value
            return samples.get(("despertar_entries", ""), 0) == 9

        until("the counts", counted)
        # Both workers have counted what they answered, and no path or name stands in it.
        self.assertEqual(samples["despertar_requests_total", "/api/jars/<jar_id>/log"], 9)
        self.assertEqual(samples["despertar_accounts", ""], 1)
        self.assertFalse([route for _, route in samples if baker.jar in route])
        lines = (house.var / "log" / "web.log").read_text().splitlines()
        told = [json.loads(line) for line in lines if line.startswith("{")]
        (post, *_) = [one for one in told if one["said"].startswith("POST /api/jars/<jar_id>/log 200")]
        self.assertEqual((post["logger"], len(post["request"])), ("despertar.requests", 32))
        self.assertNotIn("Ines", "".join(one["said"] for one in told))

        # And in plain words.
        daily = house.var / "backups"
        until("the first backup of the day", lambda: list(daily.glob("daily-*.tar.gz")))
        until("the first reminders", lambda: (house.var / "run" / "reminders.beat").exists())
        done = ask(house, "check")
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        for said in (
            "its database up to date",
            "1 accounts, 1 jars",
            "MB free",
            "0 hours old",
            "0 minutes ago",
            "Clock:",
        ):
            self.assertIn(said, done.stdout)
        self.assertNotIn("CARE", done.stdout)
        (house.var / "run" / "backup-failed").write_text("The disk is full.")
        done = ask(house, "check")
        self.assertEqual(done.returncode, 1)
        self.assertIn("CARE  Backups: the last one failed. The disk is full.", done.stdout)
