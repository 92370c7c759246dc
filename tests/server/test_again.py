"""A request that the database took back is answered again from its start; a store of files elsewhere may be away."""

from __future__ import annotations

from collections.abc import Callable
from contextlib import contextmanager
from typing import Any
from unittest import mock
from uuid import uuid4

from django.contrib.sessions.backends.db import SessionStore
from django.core.files.storage import Storage
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError, transaction
from django.test import TestCase, override_settings

from config import again
from config.again import NOT_BEGUN, UNKNOWN, may_repeat
from logbook import services as logbook
from parcel import services as parcel
from problems.taken_back import TAKEN_BACK, repeated

from .base import PASSWORD, Baker, files_of_its_own, look_body, record
from .test_photos import jpeg, photo_body

MET = OperationalError(1213, "Deadlock found when trying to get lock; try restarting transaction")
OUTSIDE = OperationalError(1047, "WSREP has not yet prepared node for application use")
LOST = OperationalError(2013, "Lost connection to server during query")


def failing(times: int, error: OperationalError, real: Callable[..., Any]) -> Callable[..., Any]:
    """`real`, which so many times fails at its end, as at a commit: what it wrote is taken back."""
    left = [times]

    def act(*args: Any, **named: Any) -> Any:
        with transaction.atomic():
            done = real(*args, **named)
            if left[0]:
                left[0] -= 1
                raise error
        return done

    return act


class TakenBack(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        for waits in ("MET_S", "ELSEWHERE_S"):
            patched = mock.patch.object(again, waits, (0.0, 0.0, 0.0))
            patched.start()
            self.addCleanup(patched.stop)
        self.baker = Baker("Ines").sign_up().always_home().plan().mix(20.0)
        self.log = f"/api/jars/{self.baker.jar_id}/log"

    @contextmanager
    def failing(self, of: Any, verb: str, times: int, error: OperationalError = MET) -> Any:
        with (
            mock.patch.object(of, verb, failing(times, error, getattr(of, verb))),
            self.assertLogs("despertar.api"),
        ):
            yield

    def test_a_write_that_met_another_is_taken_once(self) -> None:
        for times in (1, 3):
            before = len(self.baker.jar()["log"])
            with self.failing(logbook, "record", times):
                self.baker.record(look_body(0.0))
            self.assertEqual(len(self.baker.jar()["log"]), before + 1)

    def test_what_is_taken_back_without_end_is_out_of_reach(self) -> None:
        with self.failing(logbook, "record", 9):
            answer = self.baker.problem("POST", self.log, record(look_body(0.0)))
        self.assertEqual(answer, (503, "out_of_reach", ""))

    def test_a_write_of_which_nobody_knows_is_left_to_the_browser(self) -> None:
        with self.failing(logbook, "record", 1, LOST):
            self.assertEqual(self.baker.problem("POST", self.log, record(look_body(0.0)))[0], 503)
        self.assertEqual([may_repeat(2013, method) for method in ("POST", "GET")], [False, True])
        self.assertFalse((TAKEN_BACK | NOT_BEGUN) & UNKNOWN)

    def test_what_a_machine_outside_its_cluster_refuses_is_asked_on_a_new_line(self) -> None:
        with (
            mock.patch.object(again, "connection") as line,
            self.failing(logbook, "record", 1, OUTSIDE),
        ):
            self.baker.record(look_body(0.0))
        line.close.assert_called_once_with()

    def test_a_session_is_kept_at_the_second_try(self) -> None:
        real = SessionStore.save
        failed: list[bool] = []

        def save(store: SessionStore, must_create: bool = False) -> None:  # noqa: FBT001, FBT002  (the base's form)
            if not failed:
                failed.append(True)
                raise MET
            real(store, must_create)

        self.baker.client.raise_request_exception = False
        with mock.patch.object(SessionStore, "save", save), self.assertLogs("django.request"):
            self.baker.ok("POST", "/api/session", {"name": "Ines", "password": PASSWORD})
        self.assertEqual(self.baker.jar()["jar"]["id"], self.baker.jar_id)

    def test_a_file_is_read_from_its_beginning_again(self) -> None:
        part, key = b"PK" + b"x" * 500, uuid4()
        with self.failing(parcel, "add_part", 1):
            told = self.baker.send_files(
                f"/api/parcels/{key}/parts?offset=0", part=SimpleUploadedFile("kitchen.zip", part)
            )
        self.assertEqual(told, (200, {"received": len(part)}))

    def test_a_worker_tries_again_too(self) -> None:
        self.assertEqual(repeated(mock.Mock(side_effect=[MET, MET, 3])), 3)
        for error in (LOST, MET):
            self.assertRaises(OperationalError, repeated, mock.Mock(side_effect=error))


class AwayStorage(Storage):
    """A store elsewhere that answers nobody, with an error of its own kind."""

    def _save(self, name: str, content: Any) -> str:
        raise RuntimeError("could not connect to the endpoint")

    def _open(self, name: str, mode: str = "rb") -> Any:
        raise RuntimeError("could not connect to the endpoint")

    def exists(self, name: str) -> bool:
        return False

    def delete(self, name: str) -> None:
        raise RuntimeError("could not connect to the endpoint")


class FilesElsewhere(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.path = f"/api/jars/{self.baker.jar_id}/photos"

    @contextmanager
    def away(self) -> Any:
        with override_settings(STORAGES={"files": {"BACKEND": "tests.server.test_again.AwayStorage"}}):
            yield

    def test_a_photo_is_not_taken_while_the_store_is_away(self) -> None:
        body = photo_body(jpeg())
        with self.away(), self.assertLogs("despertar"):
            self.assertEqual(self.baker.problem("POST", self.path, body), (503, "out_of_reach", ""))
        self.assertEqual(self.baker.jar()["photos"], [])
        self.baker.ok("POST", self.path, body)

    def test_one_that_is_there_is_out_of_reach_and_can_still_be_taken_away(self) -> None:
        made = self.baker.ok("POST", self.path, photo_body(jpeg()))
        with self.away(), self.assertLogs("despertar"):
            self.assertEqual(self.baker.problem("GET", f"/api/photos/{made['id']}/small")[0], 503)
            self.baker.ok("DELETE", f"/api/photos/{made['id']}")
        self.assertEqual(self.baker.jar()["photos"], [])
