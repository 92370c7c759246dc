"""A whole house of its own to be hard on: the launcher, its database and its processes, in a folder that goes after."""

from __future__ import annotations

import json
import os
import random
import signal
import subprocess
import sys
import tempfile
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, Protocol
from uuid import uuid4

import requests

from launcher.place import ROOT
from tests.ports import steady_port
from tests.server.base import PASSWORD, look_body, new_jar, record

WITHIN_S = 120.0
LAUNCHER = (sys.executable, str(ROOT / "despertar"))


def midday_zone() -> str:
    """Where it is about noon now: nobody there is asleep, so what is due is told."""
    east = 12 - int(datetime.now(UTC).hour)
    return f"Etc/GMT{-east:+d}"


def until(what: str, ask: Callable[[], object], within_s: float = WITHIN_S) -> None:
    """Wait until it is so. Raises AssertionError when it never is."""
    end = time.monotonic() + within_s
    while not ask():
        if time.monotonic() > end:
            raise AssertionError(f"waited in vain for {what}")
        time.sleep(0.05)


class House:
    """Started, killed and started again; `said` is what its launcher printed last."""

    def __init__(self) -> None:
        self.folder = tempfile.TemporaryDirectory(prefix="despertar-house-")
        self.var = Path(self.folder.name, "var")
        self.port = steady_port()
        self.base = f"http://127.0.0.1:{self.port}"
        self.env = {
            **{name: value for name, value in os.environ.items() if not name.startswith(("DESPERTAR_", "DJANGO_"))},
            "DESPERTAR_VAR": str(self.var),
            "DESPERTAR_PORT": str(self.port),
        }
        self.launcher: subprocess.Popen[bytes] | None = None
        self.log = Path(self.folder.name, "said.txt")

    def begin(self, *command: str) -> None:
        """Start it, without waiting."""
        with self.log.open("wb") as out:
            self.launcher = subprocess.Popen(
                [sys.executable, ROOT / "despertar", *(command or ("start",))],
                env=self.env,
                stdout=out,
                stderr=out,
                start_new_session=True,
            )

    def start(self, *command: str) -> None:
        self.begin(*command)
        until("an open door", lambda: self.opens() or self.ended())
        if self.ended():
            raise AssertionError(f"it did not start:\n{self.said()}")

    def ended(self) -> bool:
        return self.launcher is None or self.launcher.poll() is not None

    def opens(self) -> bool:
        """Whether it answers, the database included."""
        with suppress(requests.RequestException):
            return requests.get(f"{self.base}/api/health", timeout=5).status_code == 200
        return False

    def said(self) -> str:
        return self.log.read_text(errors="replace") if self.log.exists() else ""

    def signal(self, number: int) -> None:
        if self.launcher is not None:
            self.launcher.send_signal(number)

    def wait(self) -> int:
        return -1 if self.launcher is None else self.launcher.wait(WITHIN_S)

    def stop(self) -> None:
        subprocess.run(
            [sys.executable, ROOT / "despertar", "stop"],
            env=self.env,
            check=True,
            capture_output=True,
            timeout=WITHIN_S,
        )
        if self.launcher is not None:
            self.launcher.wait(WITHIN_S)

    def close(self) -> None:
        self.stop()
        self.folder.cleanup()

    def pids(self) -> dict[str, int]:
        """The processes that are kept, the database and one of the web server's workers."""
        found = {}
        for file in (self.var / "run").glob("*.pid"):
            with suppress(ValueError, OSError):
                found[file.stem] = int(file.read_text())
        with suppress(ValueError, OSError):
            found["database"] = int((self.var / "database" / "mariadb.pid").read_text())
        web = found.get("web-server")
        if web is not None:
            with suppress(OSError, IndexError):
                workers = Path(f"/proc/{web}/task/{web}/children").read_text().split()
                found["worker"] = int(random.choice(workers))  # noqa: S311  (chance, no secret)
        return found

    def left(self) -> list[int]:
        """What carries this house's mark and still runs."""
        mark = f"DESPERTAR_HOUSE={self.var.resolve()}".encode()
        found = []
        for one in Path("/proc").iterdir():
            with suppress(OSError):
                if one.name.isdigit() and mark in (one / "environ").read_bytes().split(b"\0"):
                    found.append(int(one.name))
        return found

    def sql(self, statement: str) -> list[list[str]]:
        """What the database itself says, past the application."""
        command = ["mariadb", "--no-defaults", f"--socket={self.var / 'database' / 'mariadb.sock'}", "-N", "-B"]
        done = subprocess.run([*command, "-e", statement, "despertar"], capture_output=True, text=True, check=True)
        return [line.split("\t") for line in done.stdout.splitlines()]

    def manage(self, *arguments: str) -> str:
        """The application's own commands on this house's database, while it runs."""
        script = (
            "import sys; sys.path.insert(0, '.')\n"
            "from launcher import serving, say\n"
            "from launcher.place import PYTHON, SERVER\n"
            "env = serving.django_env(serving.database(), demo=False)\n"
            "print(say.run([PYTHON, SERVER / 'manage.py', *sys.argv[1:]], log='manage-test', env=env))\n"
        )
        done = subprocess.run(
            [sys.executable, "-c", script, *arguments],
            cwd=ROOT,
            env=self.env,
            capture_output=True,
            text=True,
            check=False,
        )
        if done.returncode:
            raise AssertionError(done.stdout + done.stderr)
        return done.stdout


class Door(Protocol):
    """Where a kitchen is found."""

    base: str


class Baker:
    """Writes one look after another, each until it is confirmed, and knows which were."""

    def __init__(self, house: Door, name: str) -> None:
        self.house = house
        self.session = requests.Session()
        self.confirmed: set[str] = set()
        self.name = name
        self._done = threading.Event()
        self._thread = threading.Thread(target=self._write_on, daemon=True)

    def sign_up(self, mixed_h: float = 1.5) -> Baker:
        """A baker with an account and a jar that was mixed so many hours ago."""
        self.call("GET", "/api/session")
        self.call("POST", "/api/accounts", {"name": self.name, "password": PASSWORD, "time_zone": midday_zone()})
        jar = {**new_jar(), "family": "equal_parts"}
        self.call("POST", "/api/jars", jar)
        self.jar = jar["id"]
        feed = {"kind": "feed", "keep_g": 0, "flours": [{"flour": "rye", "g": 30}], "water_g": 30, "salt_g": 0}
        mix = {**feed, "at": look_body(mixed_h)["at"], "line_mm": None, "note": ""}
        self.call("POST", f"/api/jars/{self.jar}/log", record(mix))
        return self

    def call(self, method: str, path: str, body: Any = None) -> Any:
        """Again and again until it is answered: what is sent twice is written once."""
        end = time.monotonic() + WITHIN_S
        while True:
            with suppress(requests.RequestException):
                token = self.session.cookies.get("despertar_csrf") or ""
                headers = {"X-CSRFToken": token, "Referer": f"{self.house.base}/"}
                url = self.house.base + path
                answer = self.session.request(method, url, json=body, headers=headers, timeout=20)
                if answer.status_code < 300:
                    return answer.json() if answer.content else None
                if answer.status_code < 500:
                    raise AssertionError(f"{path} answered {answer.status_code}: {answer.text[:300]}")
            if time.monotonic() > end:
                raise AssertionError(f"{path} was not answered within {WITHIN_S:.0f} s")
            time.sleep(0.05)

    def look(self) -> None:
        body = record({**look_body(0.0), "level": None, "bubbles": "few", "note": str(uuid4())})
        self.call("POST", f"/api/jars/{self.jar}/log", body)
        self.confirmed.add(body["id"])

    def _write_on(self) -> None:
        while not self._done.is_set():
            self.look()

    def begin(self) -> None:
        self._thread.start()

    def end(self) -> None:
        self._done.set()
        self._thread.join(WITHIN_S)
        if self._thread.is_alive():
            raise AssertionError(f"{self.name} is still writing")


def kept(house: House) -> dict[str, int]:
    """Every look by the mark in its note, and how often it stands there."""
    rows = house.sql("SELECT body FROM logbook_entry WHERE kind = 'look'")
    notes = [json.loads(row[0].replace("\\\\", "\\"))["note"] for row in rows]
    return {note: notes.count(note) for note in set(notes)}


def kill(house: House, what: str) -> bool:
    """Kill one process of the house without a word; whether there was one."""
    number = house.launcher.pid if what == "launcher" and house.launcher else house.pids().get(what)
    if number is None:
        return False
    with suppress(ProcessLookupError):
        os.kill(number, signal.SIGKILL)
        return True
    return False
