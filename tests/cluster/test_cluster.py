"""Three databases, two web machines, a cache, a store, a door, on loopback: what is confirmed stays, whatever dies."""

from __future__ import annotations

import base64
import os
import signal
import sys
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from typing import Any, ClassVar
from unittest import TestCase, mock
from uuid import uuid4

import requests

from tests.server.base import ago
from tests.server.test_photos import jpeg
from tests.survival.house import Baker, until

from .machines import Cluster, Node
from .writers import Phase, Writer

# The longest that a baker waits for a write to be confirmed.
WITHIN_S = 10.0
ALL_WELL_S, AFTER_S = 5.0, 6.0


class OfMany(TestCase):
    cluster: ClassVar[Cluster]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.cluster = Cluster()
        cls.addClassCleanup(cls.cluster.close)
        trusted = mock.patch.dict(os.environ, REQUESTS_CA_BUNDLE=str(cls.cluster.certificate))
        trusted.start()
        cls.addClassCleanup(trusted.stop)
        try:
            cls.cluster.start()
        except AssertionError as error:
            raise AssertionError(f"{error}\n{cls.cluster.said()}") from error

    # --- nothing of a kitchen is on a machine that serves it ---

    def at(self, number: int, baker: Baker) -> Straight:
        """The same baker at one web machine."""
        return Straight(f"http://127.0.0.1:{self.cluster.ports[f'web{number}']}", baker)

    def test_what_one_web_machine_took_the_other_shows(self) -> None:
        ines = Baker(self.cluster, "Ines").sign_up()
        one, two = self.at(1, ines), self.at(2, ines)
        picture = base64.b64encode(jpeg()).decode()
        body = {"id": str(uuid4()), "at": ago(1.0), "look": None, "points": None, "photo": picture}
        made = one.ask("POST", f"/api/jars/{ines.jar}/photos", json=body).json()
        shown = two.ask("GET", f"/api/photos/{made['id']}/small")
        self.assertEqual((shown.status_code, shown.headers["Content-Type"]), (200, "image/jpeg"))
        # A parcel in two parts, one to each, taken in by the first.
        parcel = two.ask("GET", "/api/parcel.zip").content
        key, half = uuid4(), len(parcel) // 2
        for at, (device, offset, part) in enumerate(((one, 0, parcel[:half]), (two, half, parcel[half:]))):
            sent = device.ask(
                "POST", f"/api/parcels/{key}/parts?offset={offset}", files={"part": ("kitchen.zip", part)}
            )
            self.assertEqual(sent.json(), {"received": (half, len(parcel))[at]})
        self.assertEqual(one.ask("POST", f"/api/parcels/{key}/open").json()["jars"], 0)
        for number in (1, 2):
            self.assertFalse((self.cluster.home / f"nothing{number}").exists())

    def test_two_workers_remind_once(self) -> None:
        for name in ("Olive", "Moss", "Fern"):
            Baker(self.cluster, name).sign_up(mixed_h=25.0)
        asked = "SELECT jar_id, name, COUNT(*) FROM reminders_message GROUP BY account_id, jar_id, name, undone"
        until("a reminder for each", lambda: len({jar for jar, *_ in self.sql(asked)}) >= 3)
        # Two whole rounds of each later there is still one.
        for _ in range(2):
            for beat in self.cluster.beats:
                beat.unlink(missing_ok=True)
            until("both to have gone round", lambda: all(beat.exists() for beat in self.cluster.beats))
        self.assertEqual({count for *_, count in self.sql(asked)}, {"1"})

    def level(self, of: int = 3) -> None:
        """Wait until so many are one group and none of them gives to another any more: the next to die is one of
        three, not of two."""

        def is_level(node: Node) -> bool:
            told = (node.status("wsrep_cluster_size"), node.status("wsrep_local_state_comment"))
            return told == (str(of), "Synced")

        def all_are() -> bool:
            with suppress(OSError):
                return all(is_level(node) for node in self.cluster.nodes if node.lives)
            return False

        until(f"{of} that are level", all_are)

    def sql(self, statement: str) -> list[list[str]]:
        return self.cluster.nodes[0].sql(statement, "despertar")

    # --- what is confirmed stays, whatever dies ---

    def test_what_is_confirmed_stays_whatever_dies(self) -> None:
        writers = [Writer(self.cluster, f"baker {number}") for number in range(4)]
        for one in writers:
            one.sign_up()
        # Two of them write at one jar from two devices each: their writes meet.
        writers += [one.second_device() for one in writers[:2]]
        phases: list[Phase] = []

        @contextmanager
        def phase(title: str) -> Iterator[None]:
            phases.append(Phase(title, time.monotonic()))
            try:
                yield
            except AssertionError as error:
                raise AssertionError(f"{title}: {error}\n{cluster.said()}") from error
            phases[-1].ended = time.monotonic()

        cluster = self.cluster
        for one in writers:
            one.begin()
        with phase("all well"):
            self.wait(ALL_WELL_S, writers)
        victim = cluster.nodes[1]
        with phase("a database machine killed"):
            victim.kill()
            self.wait(AFTER_S, writers)
        with phase("it joins again"):
            victim.start(cluster.nodes)
            self.wait(2.0, writers)
            self.level()
        with phase("an empty one in its place"):
            victim.kill()
            victim.empty()
            # Nobody has another machine in its place before the group has seen it go.
            self.level(2)
            victim.start(cluster.nodes)
            self.wait(2.0, writers)
            self.level()
        with phase("a database machine frozen"):
            cluster.nodes[2].signal(signal.SIGSTOP)
            self.wait(AFTER_S + 4.0, writers)
        with phase("it goes on"):
            cluster.nodes[2].signal(signal.SIGCONT)
            # By itself it still says that it takes part: the others know better.
            self.level()
            self.wait(2.0, writers)
        with phase("a web machine killed"):
            cluster.webs[0].kill()
            self.wait(AFTER_S, writers)
        with phase("it is back"):
            cluster.start_web(1)
            until("the first web machine", lambda: cluster.web_answers(1))
            self.wait(2.0, writers)
        with phase("the cache killed"):
            cluster.cache.kill()
            self.wait(AFTER_S, writers)
        with phase("an empty one is back"):
            cluster.start_cache()
            self.wait(2.0, writers)
        for one in writers:
            one.end()
        for node in cluster.nodes:
            self.assertTrue(node.lives, f"{node.name} ended by itself\n{node.said()}")
        self.told(phases, writers)
        self.hold(phases, writers)

    def wait(self, seconds: float, writers: list[Writer]) -> None:
        """So long, and until everybody has confirmed something after it."""
        end = time.monotonic() + seconds
        until("time to pass", lambda: time.monotonic() >= end, seconds + 5)
        until("everybody to go on", lambda: all(one.acts and one.acts[-1].sent >= end for one in writers))

    def rows(self, number: int) -> dict[str, str]:
        """By the note of each look, what one database machine holds of it."""
        told = self.cluster.nodes[number].sql(
            "SET SESSION wsrep_sync_wait = 1;"
            "SELECT JSON_VALUE(body, '$.note'), COUNT(*) FROM logbook_entry WHERE kind = 'look' GROUP BY 1",
            "despertar",
        )
        return {row[0]: row[1] for row in told}

    def told(self, phases: list[Phase], writers: list[Writer]) -> None:
        held = [self.rows(number) for number in range(3)]
        line: Callable[..., str] = "{:<28} {:>9} {:>12} {:>12} {:>6} {:>8}".format
        lines = [line("", "confirmed", "median wait", "longest wait", "lost", "doubled")]
        for phase in phases:
            acts = phase.acts(writers)
            waits = sorted(act.waited for act in acts)
            lost = sum(act.note not in rows for act in acts for rows in held)
            doubled = sum(rows.get(act.note, "1") != "1" for act in acts for rows in held)
            row = (f"{waits[len(waits) // 2] * 1e3:.0f} ms", f"{waits[-1]:.1f} s", lost, doubled)
            lines.append(line(phase.title, len(acts), *row))
        met = sum(
            int(node.status(name))
            for node in self.cluster.nodes
            for name in ("wsrep_local_cert_failures", "wsrep_local_bf_aborts")
        )
        lines.append(f"writes that met and were tried again, of machines as they stand now: {met}")
        # Past the runner's buffer: it is read whether the test passes or not.
        print("\n" + "\n".join(lines), file=sys.__stdout__, flush=True)

    def hold(self, phases: list[Phase], writers: list[Writer]) -> None:
        everything = {act.note for one in writers for act in one.acts}
        for number in range(3):
            rows = self.rows(number)
            self.assertEqual(everything - set(rows), set(), f"lost at db{number + 1}")
            self.assertEqual(set(rows.values()), {"1"}, f"doubled at db{number + 1}")
        for phase in phases:
            self.assertLess(max(act.waited for act in phase.acts(writers)), WITHIN_S, phase.title)
        self.assertEqual([one.stale for one in writers], [[] for _ in writers])


class Straight:
    """A baker at one web machine, past the door, which alone may say that it was HTTPS."""

    def __init__(self, base: str, baker: Baker) -> None:
        self.base = base
        held = baker.session.cookies
        self.headers = {
            "Cookie": "; ".join(f"{name}={value}" for name, value in held.items()),
            "X-CSRFToken": held.get("despertar_csrf") or "",
            "X-Forwarded-Proto": "https",
            "Referer": base.replace("http:", "https:") + "/",
        }

    def ask(self, method: str, path: str, **more: Any) -> requests.Response:
        return requests.request(method, self.base + path, headers=self.headers, timeout=30, **more)
