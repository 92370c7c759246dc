"""Several hands in one kitchen: invited once, seen by name in the log, shown out with no way back."""

from __future__ import annotations

from typing import ClassVar
from unittest import mock

from django.test import TestCase, override_settings
from django.utils import timezone

from accounts.models import Account
from accounts.security import INVITATIONS
from demo.services import lay_kitchen

from .base import PASSWORD, Baker


class OfAKitchen(TestCase):
    def setUp(self) -> None:
        self.owner = Baker("Ines").sign_up().plan().mix(30.0)
        self.helper = Baker("Noor").sign_up()

    def invite(self) -> str:
        return str(self.owner.ok("POST", "/api/hands/invitations")["code"])

    def let_in(self) -> str:
        self.helper.ok("POST", "/api/hands", {"code": self.invite()})
        return str(self.owner.ok("GET", "/api/hands")["mine"][0]["id"])

    def jars(self, of: Baker) -> list[str]:
        return [one["jar"]["owner"] for one in of.ok("GET", "/api/kitchen")["jars"]]


class Hands(OfAKitchen):
    def test_both_see_the_same_log_with_who_did_what(self) -> None:
        self.let_in()
        self.assertEqual(self.jars(self.helper), ["Ines"])
        self.helper.jar_id, self.helper.last_feed = self.owner.jar_id, self.owner.last_feed
        self.helper.feed(2.0)
        log = self.owner.jar()["log"]
        self.assertEqual([entry["recorded_by"] for entry in log], ["Noor", "Ines"])
        self.assertEqual(self.helper.jar()["log"], log)

    def test_a_feed_of_the_other_is_shown_before_ones_own_is_taken(self) -> None:
        self.let_in()
        self.helper.jar_id, self.helper.last_feed = self.owner.jar_id, self.owner.last_feed
        self.helper.feed(2.0)
        with self.assertRaisesRegex(AssertionError, "fed_meanwhile"):
            self.owner.feed(1.0)

    def test_shown_out_nothing_opens_any_more(self) -> None:
        hand = self.let_in()
        self.owner.ok("DELETE", f"/api/hands/{hand}")
        self.assertEqual(self.jars(self.helper), [])
        self.assertEqual(self.helper.problem("GET", f"/api/jars/{self.owner.jar_id}")[0], 404)
        self.assertEqual(self.helper.problem("DELETE", f"/api/hands/{hand}")[0], 404)

    def test_the_helper_can_leave(self) -> None:
        self.let_in()
        (other,) = self.helper.ok("GET", "/api/hands")["others"]
        self.assertEqual(other["name"], "Ines")
        self.helper.ok("DELETE", f"/api/hands/{other['id']}")
        self.assertEqual(self.owner.ok("GET", "/api/hands")["mine"], [])

    def test_a_helper_shows_nobody_out_but_herself(self) -> None:
        third = Baker("Odo").sign_up()
        hand = self.let_in()
        third.ok("POST", "/api/hands", {"code": self.invite()})
        self.assertEqual(third.problem("DELETE", f"/api/hands/{hand}")[0], 404)

    def test_an_invitation_works_once_and_can_be_called_back(self) -> None:
        code = self.invite()
        self.assertEqual(self.owner.problem("POST", "/api/hands", {"code": code})[1], "own_kitchen")
        self.helper.ok("POST", "/api/hands", {"code": code.upper()})
        third = Baker("Odo").sign_up()
        self.assertEqual(third.problem("POST", "/api/hands", {"code": code}), (422, "no_such_invitation", "code"))
        other = self.invite()
        self.owner.ok("DELETE", "/api/hands/invitations")
        self.assertEqual(third.problem("POST", "/api/hands", {"code": other})[1], "no_such_invitation")

    def test_only_so_many(self) -> None:
        for _ in range(8):
            self.invite()
        self.assertEqual(self.owner.problem("POST", "/api/hands/invitations")[1], "too_many_hands")

    def test_the_demo_is_not_shared(self) -> None:
        lay_kitchen(timezone.now())
        visitor = Baker("")
        visitor.ok("POST", "/api/demo/visit", {"time_zone": "UTC"})
        self.assertEqual(visitor.problem("POST", "/api/hands/invitations")[1], "not_in_the_demo")


class TheDoorsBook(OfAKitchen):
    """Who let whom in stands there for the owner, by the names of then."""

    def lines(self, of: Baker) -> list[tuple[str, str, str]]:
        return [(one["what"], one["who"], one["by"]) for one in of.ok("GET", "/api/hands")["passed"]]

    def test_each_passing_is_a_line_the_latest_first(self) -> None:
        hand = self.let_in()
        self.owner.ok("DELETE", f"/api/hands/{hand}")
        again = self.let_in()
        self.helper.ok("DELETE", f"/api/hands/{again}")
        self.invite()
        self.owner.ok("DELETE", "/api/hands/invitations")
        # With none open there is nothing to call back.
        self.owner.ok("DELETE", "/api/hands/invitations")
        self.assertEqual(
            self.lines(self.owner),
            [
                ("called_back", "", "Ines"),
                ("invited", "", "Ines"),
                ("left", "Noor", "Noor"),
                ("came_in", "Noor", "Noor"),
                ("invited", "", "Ines"),
                ("shown_out", "Noor", "Ines"),
                ("came_in", "Noor", "Noor"),
                ("invited", "", "Ines"),
            ],
        )
        self.assertEqual(self.lines(self.helper), [])

    def test_a_kitchen_handed_over_says_so_in_both(self) -> None:
        hand = self.let_in()
        self.owner.ok("POST", f"/api/hands/{hand}/kitchen")
        for baker in (self.owner, self.helper):
            self.assertEqual(self.lines(baker)[0], ("handed_over", "Noor", "Ines"))

    def test_a_wrong_code_is_no_line(self) -> None:
        self.helper.problem("POST", "/api/hands", {"code": "aaaa-bbbb-cccc-dddd"})
        self.assertEqual(self.lines(self.owner), [])


@override_settings(SIGN_UP_INVITED=True)
class ByInvitation(TestCase):
    """A house whose first account owns it."""

    ACCOUNT: ClassVar[dict[str, str]] = {"name": "Hugo", "password": PASSWORD, "time_zone": "UTC"}

    def test_the_first_comes_in_and_the_second_is_invited(self) -> None:
        self.assertFalse(Baker("").ok("GET", "/api/session")["by_invitation"])
        owner = Baker("Ines").sign_up()
        stranger = Baker("Hugo")
        self.assertTrue(stranger.ok("GET", "/api/session")["by_invitation"])
        self.assertEqual(stranger.problem("POST", "/api/accounts", self.ACCOUNT), (403, "invited_only", "code"))
        code = owner.ok("POST", "/api/hands/invitations")["code"]
        session = stranger.ok("POST", "/api/hands/accounts", {**self.ACCOUNT, "code": code})
        self.assertEqual(session["account"]["name"], "Hugo")
        self.assertEqual([one["name"] for one in stranger.ok("GET", "/api/hands")["others"]], ["Ines"])
        # Once: the next one needs a code of their own.
        other = {**self.ACCOUNT, "name": "Olga", "code": code}
        self.assertEqual(Baker("Olga").problem("POST", "/api/hands/accounts", other)[:2], (422, "no_such_invitation"))

    def test_without_a_good_code_no_account_is_left_and_nobody_is_signed_in(self) -> None:
        owner = Baker("Ines").sign_up()
        stranger = Baker("Hugo")
        wrong = {**self.ACCOUNT, "code": "aaaa-bbbb-cccc-dddd"}
        self.assertEqual(stranger.problem("POST", "/api/hands/accounts", wrong)[:2], (422, "no_such_invitation"))
        self.assertIsNone(stranger.ok("GET", "/api/session")["account"])
        self.assertFalse(Account.objects.filter(name="Hugo").exists())
        code = owner.ok("POST", "/api/hands/invitations")["code"]
        weak = {**wrong, "password": "short", "code": code}
        self.assertEqual(stranger.problem("POST", "/api/hands/accounts", weak)[:2], (422, "password_too_short"))
        # Neither without the other: the invitation is open still, and who is signed in stays so.
        self.assertEqual(owner.ok("GET", "/api/hands")["open_invitations"], 1)
        self.assertEqual(owner.problem("POST", "/api/hands/accounts", wrong)[:2], (422, "no_such_invitation"))
        self.assertEqual(owner.ok("GET", "/api/session")["account"]["name"], "Ines")


class ByTheHour(TestCase):
    def test_one_account_makes_no_more_invitations_than_a_household_would(self) -> None:
        owner, other = Baker("Ines").sign_up(), Baker("Noor").sign_up()
        with mock.patch.object(INVITATIONS, "num_requests", 3):
            for _ in range(3):
                owner.ok("POST", "/api/hands/invitations")
            self.assertEqual(owner.problem("POST", "/api/hands/invitations")[:2], (429, "too_many_tries"))
            other.ok("POST", "/api/hands/invitations")
