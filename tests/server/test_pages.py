"""The page, its policy, and that the contract is what the server speaks."""

from __future__ import annotations

import re
import tempfile
from pathlib import Path
from unittest import mock

from django.db import OperationalError
from django.test import Client, TestCase, override_settings

from config import pages
from config.api import api

from .base import PASSWORD


class Page(TestCase):
    def setUp(self) -> None:
        pages._page.cache_clear()
        self.addCleanup(pages._page.cache_clear)
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.dist = Path(folder.name)
        (self.dist / "en.html").write_text('<style nonce="__CSP_NONCE__"></style>', encoding="utf-8")

    def test_policy_and_nonce(self) -> None:
        with override_settings(WEB_DIST=self.dist):
            answers = [Client().get("/jars/any/look") for _ in range(2)]
        nonces = []
        for answer in answers:
            policy = answer.headers["Content-Security-Policy"]
            self.assertIn("default-src 'none'", policy)
            self.assertIn("script-src 'self'", policy)
            self.assertNotIn("unsafe", policy)
            found = re.search(r'nonce="([^"]+)"', answer.content.decode())
            assert found is not None
            self.assertIn(f"'nonce-{found[1]}'", policy)
            nonces.append(found[1])
            self.assertEqual(answer.headers["X-Frame-Options"], "DENY")
            self.assertEqual(answer.headers["X-Content-Type-Options"], "nosniff")
            self.assertIn("no-store", answer.headers["Cache-Control"])
        self.assertNotEqual(nonces[0], nonces[1])

    def test_cookies(self) -> None:
        client = Client()
        body = {"name": "Ines", "password": "three quiet loaves", "time_zone": "UTC"}
        answer = client.post("/api/accounts", body, content_type="application/json")
        session = answer.cookies["despertar_session"]
        self.assertTrue(session["httponly"])
        self.assertEqual(session["samesite"], "Lax")

    def test_strange_hosts_are_refused(self) -> None:
        self.assertEqual(Client(headers={"host": "evil.example"}).get("/api/session").status_code, 400)

    def test_the_worker_of_the_core_alone_runs_compiled_code(self) -> None:
        """Content Security Policy Level 3: a worker's policy is that of its own script's answer."""
        folder = self.dist / "assets" / "en"
        folder.mkdir(parents=True)
        for name in ("core.worker-a1b2c3d4.js", "index-a1b2c3d4.js", "core.worker.js"):
            (folder / name).write_text("1", encoding="utf-8")
        with override_settings(WHITENOISE_ROOT=self.dist):
            core, index, other = (
                Client().get(f"/assets/en/{name}").headers["Content-Security-Policy"]
                for name in ("core.worker-a1b2c3d4.js", "index-a1b2c3d4.js", "core.worker.js")
            )
        self.assertEqual(core.count("wasm-unsafe-eval"), 1)
        self.assertIn("default-src 'none'", core)
        self.assertNotIn("'unsafe-eval'", core)
        for policy in (index, other):
            self.assertNotIn("unsafe", policy)

    def test_what_is_named_by_its_contents_is_asked_for_once(self) -> None:
        for path, is_kept in (
            ("python/ferment-a1b2c3d4.zip", True),
            ("python/runtime-a1b2c3d4/numpy.zip", True),
            ("python/here.json", False),
        ):
            (self.dist / path).parent.mkdir(parents=True, exist_ok=True)
            (self.dist / path).write_text("1", encoding="utf-8")
            with self.subTest(path), override_settings(WHITENOISE_ROOT=self.dist):
                self.assertEqual("immutable" in Client().get(f"/{path}").headers["Cache-Control"], is_kept)
        self.assertEqual(Client().get("/python/nothing.zip").status_code, 404)

    def test_an_unbuilt_front_end_says_so(self) -> None:
        with override_settings(WEB_DIST=self.dist / "nowhere"):
            answer = Client().get("/")
        self.assertEqual((answer.status_code, "not built" in answer.content.decode()), (404, True))

    def test_unknown_api_addresses_are_not_the_page(self) -> None:
        self.assertEqual(Client().get("/api/nothing").status_code, 404)

    def test_without_its_database_it_says_so_in_the_one_shape(self) -> None:
        with (
            mock.patch("accounts.api.services.sign_in", side_effect=OperationalError("gone")),
            self.assertLogs("despertar.api", "ERROR"),
        ):
            body = {"name": "Ines", "password": PASSWORD}
            answer = Client().post("/api/session", body, content_type="application/json")
        self.assertEqual(answer.status_code, 503)
        self.assertEqual(answer.json()["errors"][0]["code"], "out_of_reach")


class Contract(TestCase):
    def test_every_answer_of_400_and_above_has_the_one_shape(self) -> None:
        for path, verbs in api.get_openapi_schema()["paths"].items():
            for verb, operation in verbs.items():
                for status, answer in operation["responses"].items():
                    if int(status) >= 400:
                        with self.subTest(f"{verb} {path} {status}"):
                            shape = answer["content"]["application/json"]["schema"]["$ref"]
                            self.assertEqual(shape, "#/components/schemas/ProblemsOut")
