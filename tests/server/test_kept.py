"""Answers that are kept: the same with the cache as without, whatever became of it."""

from __future__ import annotations

import pickle
import threading
from typing import Any
from unittest import mock

from django.conf import settings
from django.core.cache import caches
from django.core.cache.backends.redis import RedisCache
from django.test import TestCase, override_settings
from fakeredis import TcpFakeServer
from redis import Redis

from config.machines import answers_cache, counts_cache
from guidance import services

from .base import PASSWORD, Baker

ASKED = {
    "origin": "dried",
    "warmth_c": 22.0,
    "night_c": None,
    "blend": {"rye": 1.0},
    "has_scale": True,
    "starts_at": "2026-03-02T08:00:00Z",
}


class Kept(TestCase):
    def setUp(self) -> None:
        caches["answers"].clear()
        self.baker = Baker("Ines").sign_up().always_home()

    def ask(self, **changes: object) -> Any:
        return self.baker.ok("POST", "/api/compare", {**ASKED, **changes})

    def test_asked_again_it_is_not_worked_out_again(self) -> None:
        first = self.ask()
        with mock.patch.object(services, "side_by_side", side_effect=AssertionError):
            self.assertEqual(self.ask(), first)

    def test_another_warmth_flour_hour_or_bakers_hours_is_another_question(self) -> None:
        first = self.ask()
        self.assertNotEqual(self.ask(warmth_c=17.0), first)
        with mock.patch.object(services, "side_by_side", return_value=()) as made:
            self.ask(blend={"spelt": 1.0})
            self.ask(starts_at="2026-03-02T09:00:00Z")
            self.baker.ok("PUT", "/api/hours", {"weekday": [], "weekend": []})
            self.ask()
        self.assertEqual(made.call_count, 3)

    def test_a_cache_that_is_gone_or_poisoned_is_worked_around(self) -> None:
        first = self.ask()
        with mock.patch.object(caches["answers"], "get_many", side_effect=OSError), self.assertLogs("despertar.kept"):
            self.assertEqual(self.ask(), first)
        with mock.patch.object(caches["answers"], "get_many", side_effect=lambda keys: dict.fromkeys(keys, "poison")):
            self.assertEqual(self.ask(), first)
        with mock.patch.object(caches["answers"], "set", side_effect=OSError), self.assertLogs("despertar.kept"):
            self.assertEqual(self.ask(warmth_c=19.0), self.ask(warmth_c=19.0))


class Tripwire:
    """What runs as it is unpickled."""

    sprung = False

    def __reduce__(self) -> tuple[object, tuple[()]]:
        return _spring, ()


def _spring() -> None:
    Tripwire.sprung = True


class InAnotherServer(TestCase):
    """A stand-in that speaks Redis's own protocol on loopback."""

    def setUp(self) -> None:
        self.server = TcpFakeServer(("127.0.0.1", 0))
        self.address = f"redis://127.0.0.1:{self.server.server_address[1]}/0"
        self.thread = threading.Thread(target=self.server.serve_forever, daemon=True)
        self.thread.start()
        self.addCleanup(self.stop)
        kept = override_settings(CACHES={**settings.CACHES, "answers": answers_cache(self.address)})
        kept.enable()
        self.addCleanup(kept.disable)
        self.baker = Baker("Ines").sign_up().always_home()

    def stop(self) -> None:
        self.server.shutdown()
        self.server.server_close()
        self.thread.join()

    def test_what_is_kept_there_is_told_again(self) -> None:
        first = self.baker.ok("POST", "/api/compare", ASKED)
        self.assertIsInstance(caches["answers"], RedisCache)
        with mock.patch.object(services, "side_by_side", side_effect=AssertionError):
            self.assertEqual(self.baker.ok("POST", "/api/compare", ASKED), first)

    def test_what_this_kitchen_did_not_sign_is_never_unpickled(self) -> None:
        first = self.baker.ok("POST", "/api/compare", ASKED)
        server = Redis.from_url(self.address)
        for key in server.keys("*"):
            server.set(key, pickle.dumps(Tripwire()))
        Tripwire.sprung = False
        with self.assertLogs("despertar.kept"):
            self.assertEqual(self.baker.ok("POST", "/api/compare", ASKED), first)
        self.assertFalse(Tripwire.sprung)

    def test_counts_are_kept_there_and_when_it_goes_down_nobody_is_kept_out(self) -> None:
        with override_settings(CACHES={**settings.CACHES, "default": counts_cache(self.address, None)}):
            for number in range(3):
                wrong = {"name": f"nobody {number}", "password": "wrong, and long enough"}
                self.assertEqual(self.baker.call("POST", "/api/session", wrong)[0], 401)
            self.assertEqual(sum(b"guesses" in key for key in Redis.from_url(self.address).keys("*")), 1)
        with override_settings(CACHES={**settings.CACHES, "default": counts_cache("redis://127.0.0.1:9/0", None)}):
            self.assertEqual(self.baker.call("POST", "/api/session", wrong)[0], 401)
            self.baker.ok("POST", "/api/session", {"name": "Ines", "password": PASSWORD})

    def test_when_it_goes_down_all_is_worked_out_as_before(self) -> None:
        first = self.baker.ok("POST", "/api/compare", ASKED)
        gone = {**settings.CACHES, "answers": answers_cache("redis://127.0.0.1:9/0")}
        with override_settings(CACHES=gone), self.assertLogs("despertar.kept"):
            self.assertEqual(self.baker.ok("POST", "/api/compare", ASKED), first)
