"""Several hands in one kitchen: invited once, seen by name in the log, shown out with no way back."""

from __future__ import annotations

from django.test import TestCase
from django.utils import timezone

from demo.services import lay_kitchen

from .base import Baker


class Hands(TestCase):
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
