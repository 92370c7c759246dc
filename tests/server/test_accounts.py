"""Signing up, in and out."""

from __future__ import annotations

from unittest import mock

from django.core.cache import cache
from django.test import Client, TestCase, override_settings

from accounts import security

from .base import PASSWORD, Baker, new_jar


class SigningUp(TestCase):
    def test_up_in_and_out(self) -> None:
        baker = Baker("Åsa").sign_up()
        account = baker.ok("GET", "/api/session")["account"]
        self.assertEqual((account["name"], account["time_zone"], account["is_demo"]), ("Åsa", "Europe/Lisbon", False))
        self.assertIsNone(baker.ok("DELETE", "/api/session")["account"])
        self.assertEqual(baker.problem("GET", "/api/kitchen"), (401, "sign_in_first", ""))
        again = baker.ok("POST", "/api/session", {"name": "Åsa", "password": PASSWORD})
        self.assertEqual(again["account"]["name"], "Åsa")

    def test_refusals_by_field(self) -> None:
        Baker("Ines").sign_up()
        good = {"name": "Noor", "password": PASSWORD, "time_zone": "UTC"}
        cases = (
            ({"name": "ines"}, "name", "name_taken"),
            ({"name": "  "}, "name", "missing"),
            ({"name": "x" * 61}, "name", "too_long"),
            ({"name": "a\x00b"}, "name", "not_text"),
            ({"password": "short"}, "password", "password_too_short"),
            ({"password": "7391046285"}, "password", "password_entirely_numeric"),
            ({"password": "password123"}, "password", "password_too_common"),
            ({"name": "sourdoughbaker", "password": "sourdoughbaker"}, "password", "password_too_similar"),
            ({"time_zone": "Mars/Base"}, "time_zone", "unknown_time_zone"),
            ({"shoe_size": 40}, "shoe_size", "unknown_field"),
        )
        for changes, field, code in cases:
            with self.subTest(code):
                self.assertEqual(Baker("").problem("POST", "/api/accounts", {**good, **changes}), (422, code, field))

    def test_names_of_any_script(self) -> None:
        for name in ("寿司職人", "مخبز", "👩‍🍳 Pão"):
            with self.subTest(name):
                self.assertEqual(Baker(name).sign_up().ok("GET", "/api/session")["account"]["name"], name)


class SigningIn(TestCase):
    def test_wrong_name_and_wrong_password_look_alike(self) -> None:
        Baker("Ines").sign_up()
        for name, password in (("Ines", "wrong password"), ("Nobody", PASSWORD)):
            answer = Baker("").problem("POST", "/api/session", {"name": name, "password": password})
            self.assertEqual(answer, (401, "wrong_name_or_password", "password"))

    def test_five_wrong_passwords_shut_the_door_for_a_while(self) -> None:
        Baker("Ines").sign_up()
        stranger = Baker("")
        wrong = {"name": "Ines", "password": "not this one"}
        answers = [stranger.problem("POST", "/api/session", wrong)[:2] for _ in range(6)]
        self.assertEqual(answers[0], (401, "wrong_name_or_password"))
        self.assertEqual(answers[-1], (429, "too_many_tries"))
        right = {"name": "Ines", "password": PASSWORD}
        self.assertEqual(stranger.problem("POST", "/api/session", right)[:2], (429, "too_many_tries"))
        Baker("Noor").sign_up()
        self.assertEqual(stranger.call("POST", "/api/session", {"name": "Noor", "password": PASSWORD})[0], 200)

    def test_guesses_over_many_names_shut_the_door_for_that_address_alone(self) -> None:
        cache.clear()
        Baker("Ines").sign_up()
        right = {"name": "Ines", "password": PASSWORD}
        with mock.patch.object(security, "MOST_GUESSES", 4):
            for number in range(4):
                guess = {"name": f"Baker {number}", "password": "not this one"}
                self.assertEqual(Baker("").problem("POST", "/api/session", guess)[0], 401)
            self.assertEqual(Baker("").problem("POST", "/api/session", right)[:2], (429, "too_many_tries"))
            # Saying that one comes from elsewhere does not help; coming from elsewhere does.
            pretended = Baker("", Client(headers={"X-Forwarded-For": "192.0.2.7"}))
            self.assertEqual(pretended.problem("POST", "/api/session", right)[0], 429)
            Baker("", Client(REMOTE_ADDR="192.0.2.7")).ok("POST", "/api/session", right)
        cache.clear()

    def test_one_address_signs_up_so_many_in_an_hour(self) -> None:
        cache.clear()
        with mock.patch.object(security.SIGN_UPS, "num_requests", 2):
            for name in ("Ines", "Noor"):
                Baker(name).sign_up()
            body = {"name": "Hugo", "password": PASSWORD, "time_zone": "UTC"}
            status, answer = Baker("").call("POST", "/api/accounts", body)
            self.assertEqual((status, answer["errors"][0]["code"]), (429, "too_many_tries"))
            self.assertGreater(answer["errors"][0]["facts"]["minutes"], 50)
            Baker("Hugo", Client(REMOTE_ADDR="192.0.2.7")).sign_up()
        cache.clear()

    def test_the_demo_account_has_no_password(self) -> None:
        Baker("").ok("POST", "/api/demo/visit", {"time_zone": "UTC"})
        for password in ("", "!", "demo baker"):
            status, _ = Baker("").call("POST", "/api/session", {"name": "demo baker", "password": password})
            self.assertIn(status, (401, 422))


class OneDeviceTwoBakers(TestCase):
    def test_a_write_that_names_another_account_is_refused(self) -> None:
        ines, noor = Baker("Ines").sign_up(), Baker("Noor").sign_up()
        mine = str(ines.ok("GET", "/api/session")["account"]["id"])
        noor.client.defaults["HTTP_X_DESPERTAR_ACCOUNT"] = mine
        self.assertEqual(noor.problem("POST", "/api/jars", new_jar())[:2], (409, "other_account"))
        ines.client.defaults["HTTP_X_DESPERTAR_ACCOUNT"] = mine
        ines.ok("POST", "/api/jars", new_jar())
        del noor.client.defaults["HTTP_X_DESPERTAR_ACCOUNT"]
        self.assertEqual(noor.ok("GET", "/api/kitchen")["jars"], [])


class Moving(TestCase):
    def test_hours_and_pages_go_by_the_new_time_zone(self) -> None:
        baker = Baker("Ines").sign_up().plan()
        moved = baker.ok("PUT", "/api/time-zone", {"time_zone": "Asia/Tokyo"})
        self.assertEqual(moved["account"]["time_zone"], "Asia/Tokyo")
        self.assertEqual(baker.jar()["time_zone"], "Asia/Tokyo")
        wrong = baker.problem("PUT", "/api/time-zone", {"time_zone": "Moon/Base"})
        self.assertEqual(wrong, (422, "unknown_time_zone", "time_zone"))


class Demo(TestCase):
    def test_only_where_it_is_offered(self) -> None:
        with override_settings(DESPERTAR_DEMO=False):
            self.assertFalse(Baker("").ok("GET", "/api/session")["demo_offered"])
            visit = Baker("").problem("POST", "/api/demo/visit", {"time_zone": "UTC"})
            self.assertEqual(visit, (404, "no_demo_here", ""))


class Forgery(TestCase):
    """Every write needs Django's token, signing in and up included."""

    def test_no_write_without_the_token(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix()
        baker.client.handler.enforce_csrf_checks = True
        entry, jar = baker.last_feed, baker.jar_id
        for method, path in (
            ("POST", "/api/accounts"),
            ("POST", "/api/session"),
            ("DELETE", "/api/session"),
            ("POST", "/api/demo/visit"),
            ("POST", "/api/jars"),
            ("PUT", f"/api/jars/{jar}/shelf"),
            ("POST", f"/api/jars/{jar}/log"),
            ("POST", f"/api/jars/{jar}/weigh"),
            ("POST", "/api/preview"),
            ("PUT", f"/api/log/{entry}"),
            ("POST", f"/api/log/{entry}/withdraw"),
            ("POST", f"/api/log/{entry}/restore"),
        ):
            with self.subTest(f"{method} {path}"):
                status, code, _ = baker.problem(method, path, {})
                self.assertEqual((status, code), (403, "forged"))

    def test_with_the_token_it_is_taken(self) -> None:
        client = Client(enforce_csrf_checks=True)
        token = client.get("/api/session").cookies["despertar_csrf"].value
        body = {"name": "Ines", "password": PASSWORD, "time_zone": "UTC"}
        answer = client.post("/api/accounts", body, content_type="application/json", headers={"X-CSRFToken": token})
        self.assertEqual(answer.status_code, 200)
