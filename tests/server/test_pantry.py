"""The discard jar and the flour ledger of a kitchen."""

from __future__ import annotations

from typing import Any
from uuid import uuid4

from django.test import TestCase
from django.utils import timezone

from accounts.models import Account
from kitchen.models import Kitchen
from reminders import services

from .base import Baker, ago, look_body, record


def act(did: str, hours_ago: float = 0.1, **more: object) -> dict[str, Any]:
    return {"id": str(uuid4()), "at": ago(hours_ago), "shelf": "with_gluten", "act": did, **more}


def giver(baker: Baker, name: str, *gives: float) -> str:
    """A jar that has twice risen by yeast in a sour jar, and gives its discard at these hours ago."""
    baker.last_feed = None
    baker.plan(name=name).mix(250.0)
    for day in range(1, 9):
        at = 250.0 - 24.0 * day
        baker.feed(at)
        baker.look(
            at - 6.0, level={"value": 2.1, "unit": "times"}, smell=["fruity"], bubbles="throughout", top=["domed"]
        )
    for at in gives:
        baker.feed(at, discard_to="jar")
    return baker.jar_id


class TheDiscardJar(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home()
        self.assertEqual(self.baker.ok("GET", "/api/discard")["jars"], [])
        self.harbour = giver(self.baker, "Harbour", 30.0)
        self.moth = giver(self.baker, "Moth", 20.0)

    def only(self) -> Any:
        (jar,) = self.baker.ok("GET", "/api/discard")["jars"]
        return jar

    def test_jars_give_to_it_and_it_is_used(self) -> None:
        baker = self.baker
        self.assertEqual(
            (self.only()["total_g"], [one["name"] for one in self.only()["parts"]]), (120.0, ["Harbour", "Moth"])
        )
        taken = act("taken", g=80.0, made_for="pancakes")
        for _ in range(2):
            found = baker.ok("POST", "/api/discard", taken)
            self.assertEqual((found["jars"][0]["total_g"], found["latest"][0]["made_for"]), (40.0, "pancakes"))
        self.assertEqual([one["name"] for one in self.only()["parts"]], ["Moth"])
        self.assertEqual(baker.problem("POST", "/api/discard", {**taken, "g": 20.0})[:2], (409, "id_taken"))
        self.assertEqual(
            baker.problem("POST", "/api/discard", act("taken", g=41.0))[1:], ("takes_more_than_there_is", "g")
        )
        baker.ok("DELETE", f"/api/discard/{taken['id']}")
        self.assertEqual(self.only()["total_g"], 120.0)
        baker.ok("POST", "/api/discard", act("washed"))
        self.assertEqual((self.only()["total_g"], self.only()["washed"]), (0.0, True))

    def test_a_jar_found_mouldy_later_is_named(self) -> None:
        self.assertEqual(self.only()["doubtful"], [])
        look = record(look_body(1.0, top=["fuzzy_spots"]))
        self.baker.ok("POST", f"/api/jars/{self.harbour}/log", look)
        self.assertEqual((self.only()["signs"], self.only()["doubtful"]), (["doubtful"], ["Harbour"]))
        self.baker.ok("POST", "/api/discard", act("looked", top=["coloured_streaks"]))
        self.assertEqual(self.only()["signs"], ["spoiled"])

    def test_it_is_the_bakers_own(self) -> None:
        note = act("looked")
        self.baker.ok("POST", "/api/discard", note)
        other = Baker("Noor").sign_up()
        self.assertEqual(other.ok("GET", "/api/discard")["jars"], [])
        self.assertEqual(other.problem("DELETE", f"/api/discard/{note['id']}")[:2], (404, "not_found"))
        self.assertEqual(other.problem("POST", "/api/discard", note)[:2], (409, "id_taken"))

    def test_its_size_is_told_and_it_is_reminded_of_once_when_full(self) -> None:
        self.assertEqual(self.only()["holds_ml"], None)
        self.assertEqual(self.baker.problem("POST", "/api/discard", act("sized", ml=1.0))[1:], ("out_of_range", "ml"))
        self.baker.ok("POST", "/api/discard", act("sized", 40.0, ml=140.0))
        self.assertEqual((self.only()["holds_ml"], self.only()["signs"]), (140.0, ["full"]))
        account = Account.objects.get(name="Ines")
        sent = [services.remind(account, timezone.now())[0] for _ in range(2)]
        self.assertEqual(sent[1], 0)
        letters = self.baker.ok("GET", "/api/postbox")
        about = [one["sign"] for one in letters["sent"] if one["about"] == "discard"]
        self.assertEqual(about, ["full"])
        self.assertEqual([one["sign"] for one in letters["to_come"] if one["about"] == "discard"], ["old"])
        self.baker.ok("PUT", "/api/postbox", {"wanted": False})
        self.assertEqual(self.baker.ok("GET", "/api/postbox")["to_come"], [])


class OnTheShelf(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home()
        self.baker.plan(name="Moth").mix(49.0)
        self.baker.feed(25.0)

    def kind(self, flour: str) -> Any:
        (one,) = (one for one in self.baker.ok("GET", "/api/stock")["kinds"] if one["flour"] == flour)
        return one

    def test_two_bags_of_a_kind_run_down_by_feeds_and_one_that_runs_out_is_replaced(self) -> None:
        asked = self.baker.ok("GET", "/api/stock")["kinds"]
        self.assertTrue(all(one["bags"] == [] and one["buy_g"] == one["needs_g"] for one in asked))
        flour = asked[0]["flour"]
        shelf = [
            {"flour": flour, "name": "Mill", "g": 40.0, "weighed_at": ago(40.0)},
            {"flour": flour, "name": "Shop", "g": 15.0},
            {"flour": "spelt", "name": "Old spelt"},
        ]
        put = self.baker.ok("PUT", "/api/flours", {"flours": shelf})["flours"]
        self.assertEqual([one["name"] for one in put], ["Mill", "Shop", "Old spelt"])
        told = self.kind(flour)
        self.assertEqual([one["name"] for one in told["bags"]], ["Mill", "Shop"])
        self.assertLess(told["bags"][0]["left_g"], 40.0)
        self.assertEqual(told["bags"][1]["left_g"], 15.0)
        self.assertIsNotNone(told["runs_out_at"])
        other = told["instead"][0]
        self.assertEqual((other["jar"], other["flour"]), (self.baker.jar_id, "spelt"))
        self.baker.record({"kind": "flour", "at": ago(0.0), "blends": other["blends"], "note": ""})
        self.assertIsNone(self.kind(flour)["runs_out_at"])
        self.assertGreater(self.kind("spelt")["needs_g"], 0.0)

    def test_a_wrong_weight_names_its_bag(self) -> None:
        wrong = {"flours": [{"flour": "rye", "name": "Mill", "g": -1.0}]}
        self.assertEqual(self.baker.problem("PUT", "/api/flours", wrong)[1:], ("out_of_range", "flours.0.g"))

    def test_a_shelf_of_before_is_read(self) -> None:
        for old in ([{"flour": "rye", "name": "Mill"}], {"shelf": [{"flour": "rye", "name": "Mill"}], "form": 1}):
            Kitchen.objects.update(flours=old)
            twice = [self.baker.ok("GET", "/api/flours")["flours"] for _ in range(2)]
            self.assertEqual(twice[0], twice[1])
            self.assertEqual((twice[0][0]["name"], twice[0][0]["g"]), ("Mill", None))


class LessWaste(TestCase):
    def test_a_running_jar_is_told_and_one_entry_does_it(self) -> None:
        baker = Baker("Ines").sign_up().always_home()
        baker.plan(name="Moth", family="stiff_warm", volume_ml=900.0, height_mm=150.0, choices={}).mix(13.0)
        offers = baker.ok("GET", f"/api/jars/{baker.jar_id}/sparing")
        self.assertEqual({one["how"] for one in offers} & {"smaller", "seldomer"}, {"smaller", "seldomer"})
        smaller = next(one for one in offers if one["how"] == "smaller")
        baker.record(smaller["entry"])
        after = baker.ok("GET", f"/api/jars/{baker.jar_id}/sparing")
        self.assertNotEqual([one["entry"] for one in after if one["how"] == "smaller"], [smaller["entry"]])


class WhereTheFlourWent(TestCase):
    def test_the_balance_closes_and_knows_what_it_cost(self) -> None:
        baker = Baker("Ines").sign_up().always_home()
        giver(baker, "Harbour", 30.0)
        baker.record({"kind": "use", "at": ago(20.0), "g": 20.0, "used_for": "dough", "bake": None, "note": ""})
        shelf = [{"flour": "rye", "name": "Mill rye", "price_per_kg": 2.4}]
        (put,) = baker.ok("PUT", "/api/flours", {"flours": shelf})["flours"]
        self.assertEqual({**put, **shelf[0]}, put)
        told = baker.ok("GET", "/api/flour")
        whole = told["whole"]
        gone = sum(one["flour_g"] for one in whole["went"])
        self.assertAlmostEqual(whole["fed_g"] + whole["other_g"], gone + whole["left_g"], places=6)
        self.assertEqual({one["went"] for one in whole["went"]}, {"unsaid", "discard_jar", "dough"})
        self.assertAlmostEqual(whole["cost"], 10 * 10.0 / 1000.0 * 2.4)
        self.assertEqual(whole["unpriced_g"], 10 * 20.0)
        self.assertEqual([told["names"][row["key"]] for row in told["by_jar"]], ["Harbour"])
        wrong = {"flours": [{"flour": "rye", "name": "Mill rye", "price_per_kg": -1.0}]}
        self.assertEqual(baker.problem("PUT", "/api/flours", wrong)[1:], ("out_of_range", "flours.0.price_per_kg"))
