"""The server with many kitchens, as ratios to the cheapest read of the same run:

PYTHONPATH=core:server:. .venv/bin/python -m bench.server [--kitchens 200] [--days 14]

It starts a database and a web server of its own, lays kitchens of two jars each with a log, and reads and writes as
bakers do. Nothing of the house that may be running is touched.
"""

from __future__ import annotations

import argparse
import os
import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path
from uuid import uuid4

import requests

from ferment.kitchen.vessel import Vessel
from ferment.setups import Setup
from ferment.simulation import Habits, Truth, play
from launcher import serving, toolchain
from launcher.database import Database, free_port
from launcher.place import PYTHON, SERVER
from tests.server.base import look_body, record

# The baker's numbers to hold, each × the cheapest read or requests a second on two cores.
WARM_TIMES, WRITE_TIMES, COLD_PER_S, WARM_PER_S = 2.0, 2.5, 40.0, 120.0
AT_ONCE = 4
PLAYED = (("equal_parts", 22.0), ("wet_rye", 24.0), ("small_seed", 20.0), ("when_hungry", 19.0))


@dataclass(frozen=True)
class Baker:
    """An account that is signed in, and its first jar."""

    cookie: str
    jar: str


def lay(kitchens: int, days: int) -> list[Baker]:
    """Kitchens of two jars with logs of so many days, by the server's own services."""
    from django.test import Client
    from django.utils import timezone

    from accounts.models import Account
    from kitchen.services import plan_jar
    from logbook.bodies import from_core, to_stored
    from logbook.models import Entry

    now = timezone.now()
    glass = Vessel(210.0, 750.0, 140.0)
    logs = []
    for number, (family, celsius) in enumerate(PLAYED):
        setup = Setup(family, {}, glass, now - timedelta(days=days), warmth_c=celsius)
        logs.append((setup, play(setup, float(days), number, habits=Habits(), truth=Truth()).log))
    bakers = []
    for number in range(kitchens):
        account = Account.objects.create(name=f"baker {number}", time_zone="Europe/Lisbon")
        jars = []
        for place in range(2):
            setup, log = logs[(number + place) % len(logs)]
            card = plan_jar(account, uuid4(), f"Jar {place}", setup, setup.starts_at)
            bodies = [(uuid4(), from_core(entry)) for entry in log if entry.at < now]
            Entry.objects.bulk_create(
                Entry(id=one, jar_id=card.id, kind=body.kind, at=body.at, body=to_stored(body), recorded_at=body.at)
                for one, body in bodies
            )
            jars.append(str(card.id))
        client = Client()
        client.force_login(account, backend="django.contrib.auth.backends.ModelBackend")
        bakers.append(Baker(client.cookies["despertar_session"].value, jars[0]))
    return bakers


class Hand:
    """One device: keeps its connection, reads and writes as its baker."""

    def __init__(self, base: str) -> None:
        self.base = base
        self.session = requests.Session()

    def get(self, baker: Baker, path: str) -> float:
        began = time.perf_counter()
        answer = self.session.get(self.base + path, headers={"Cookie": f"despertar_session={baker.cookie}"})
        took = time.perf_counter() - began
        answer.raise_for_status()
        return took

    def look(self, baker: Baker, at: datetime) -> float:
        token = self.session.get(self.base + "/api/session").cookies.get("despertar_csrf") or ""
        body = record(look_body(0.0, at=at.isoformat(), level={"value": 1.2, "unit": "times"}))
        headers = {"Cookie": f"despertar_session={baker.cookie}; despertar_csrf={token}", "X-CSRFToken": token}
        began = time.perf_counter()
        answer = self.session.post(f"{self.base}/api/jars/{baker.jar}/log", json=body, headers=headers)
        took = time.perf_counter() - began
        answer.raise_for_status()
        return took


def quantile(values: Sequence[float], share: float) -> float:
    return sorted(values)[min(len(values) - 1, int(share * len(values)))]


def _spread(name: str, values: Sequence[float], floor: float, most: float | None = None) -> str:
    middle = quantile(values, 0.5)
    bound = "" if most is None else f", at most {most:g}: {'held' if middle <= most * floor else 'NOT HELD'}"
    told = " · ".join(f"p{round(share * 100)} {quantile(values, share) * 1000:.0f} ms" for share in (0.5, 0.95, 0.99))
    return f"{name}: {middle / floor:.1f} × the floor{bound} ({told})"


def _in_turn(base: str, bakers: list[Baker]) -> float:
    """Requests a second when every kitchen is read once, by a few devices at a time."""
    hands = [Hand(base) for _ in range(AT_ONCE)]

    def read(place: int) -> None:
        for baker in bakers[place::AT_ONCE]:
            hands[place].get(baker, "/api/kitchen")

    began = time.perf_counter()
    with ThreadPoolExecutor(AT_ONCE) as pool:
        list(pool.map(read, range(AT_ONCE)))
    return len(bakers) / (time.perf_counter() - began)


def report(base: str, bakers: list[Baker]) -> Iterator[str]:
    some, hand = bakers[:40], Hand(base)
    for _ in range(20):
        hand.get(bakers[0], "/api/session")
    floor = quantile([hand.get(baker, "/api/session") for baker in some for _ in range(3)], 0.5)
    yield f"floor: the cheapest read {floor * 1000:.1f} ms"
    for name, least in (("nothing kept", COLD_PER_S), ("then again", WARM_PER_S)):
        per_s = _in_turn(base, bakers)
        held = "held" if per_s >= least else "NOT HELD"
        yield f"{len(bakers)} kitchens of two jars, {name}: {per_s:.0f} requests/s, at least {least:g}: {held}"
    paths: dict[str, Callable[[Baker], str]] = {
        "kitchen": lambda _: "/api/kitchen",
        "jar": lambda baker: f"/api/jars/{baker.jar}",
        "plan": lambda baker: f"/api/jars/{baker.jar}/plan",
        "postbox": lambda _: "/api/postbox",
    }
    for name, path in paths.items():
        for baker in some:
            hand.get(baker, path(baker))
        yield _spread(f"{name}, warm", [hand.get(baker, path(baker)) for baker in some], floor, WARM_TIMES)
    from django.utils import timezone

    yield _spread("a look written", [hand.look(baker, timezone.now()) for baker in some], floor, WRITE_TIMES)


def memory_mb(pid: int) -> list[int]:
    """What the web server's processes hold, in MB."""
    rows = subprocess.run(["ps", "-o", "rss=", "--ppid", str(pid), "-p", str(pid)], capture_output=True, text=True)
    return [int(row) // 1024 for row in rows.stdout.split()]


def main() -> int:
    given = argparse.ArgumentParser()
    given.add_argument("--kitchens", type=int, default=200)
    given.add_argument("--days", type=int, default=14)
    asked = given.parse_args()
    folder = Path(tempfile.mkdtemp(prefix="despertar-bench-"))
    db = Database(folder / "database", lasting=False)
    db.start()
    web: subprocess.Popen[bytes] | None = None
    try:
        env = {**serving.django_env(db, demo=False), "DESPERTAR_FILES": str(folder), "DESPERTAR_COUNTS": str(folder)}
        subprocess.run([PYTHON, SERVER / "manage.py", "prepare"], env=env, check=True, capture_output=True)
        os.environ.update(env)
        import django

        django.setup()
        bakers = lay(asked.kitchens, asked.days)
        toolchain.jar_model()
        port = free_port()
        web = serving.gunicorn(env, port, pid_file=folder / "web.pid")
        serving.wait_until_it_answers(port, web)
        for line in report(f"http://127.0.0.1:{port}", bakers):
            sys.stdout.write(f"  {line}\n")
            sys.stdout.flush()
        sys.stdout.write(f"  memory of the web server's processes: {memory_mb(web.pid)} MB\n")
    finally:
        if web is not None:
            serving.end(web)
        db.stop()
        shutil.rmtree(folder, ignore_errors=True)
    return 0


if __name__ == "__main__":
    sys.exit(main())
