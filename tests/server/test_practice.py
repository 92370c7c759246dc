"""Practice over the wire: the story, the judgement, a class; and that none of it enters a kitchen."""

from __future__ import annotations

import csv
import io
import json
from typing import Any

from django.core.cache import cache
from django.test import TestCase

from ferment.practice.door import answer_json
from kitchen.models import Jar
from logbook.models import Entry

from .base import Baker


def ordered(told: Any) -> Any:
    """What of a frame has no order of its own, in one."""
    if isinstance(told, dict):
        return {key: sorted(one) if key in ("top", "smell") else ordered(one) for key, one in told.items()}
    return [ordered(one) for one in told] if isinstance(told, list) else told


class Practising(TestCase):
    def setUp(self) -> None:
        cache.clear()
        self.baker = Baker("Ines").sign_up()

    def ask(self, what: str, *acts: dict[str, Any], situation: str = "hush", seed: int = 3) -> Any:
        return self.baker.ok("POST", f"/api/practice/{what}", {"situation": situation, "seed": seed, "acts": acts})

    def test_the_story_begins_where_the_baker_has_it_and_goes_on_to_its_end(self) -> None:
        told = self.ask("lived")
        hours = [frame["at_h"] for frame in told["frames"]]
        self.assertEqual((hours[0], hours[-1]), (told["begins_h"], told["ends_h"]))
        self.assertEqual(hours, sorted(hours))
        self.assertEqual(told["fed_h"], [0.0, 24.0, 48.0, 72.0])
        binned = self.ask("lived", {"at_h": told["begins_h"] + 5, "what": "bin"})
        self.assertEqual(binned["ended_h"], told["begins_h"] + 5)

    def test_what_was_done_is_judged_by_the_signs(self) -> None:
        begins = self.ask("lived", situation="pink")["begins_h"]
        look = {"at_h": begins + 1, "what": "look", "level": 1.2, "meaning": "spoiled"}
        told = self.ask("told", look, {"at_h": begins + 1.5, "what": "bin"}, situation="pink")
        self.assertEqual((told["ending"], told["is_good"]), ("binned_rightly", True))
        first, last = told["decisions"]
        self.assertEqual((first["meant_rightly"], first["because"]), (True, ["mould"]))
        self.assertEqual((last["opinion"], last["move"]), ("liked", "bin"))

    def test_nothing_of_it_enters_the_kitchen(self) -> None:
        before = (Jar.objects.count(), Entry.objects.count(), self.baker.ok("GET", "/api/kitchen")["jars"])
        self.ask("told", {"at_h": 96.0, "what": "feed"})
        self.assertEqual(
            (Jar.objects.count(), Entry.objects.count(), self.baker.ok("GET", "/api/kitchen")["jars"]), before
        )

    def test_what_cannot_be_is_named(self) -> None:
        for body, field in (
            ({"situation": "hush", "seed": 1, "acts": [{"at_h": 1.0, "what": "feed"}]}, "acts.0.at_h"),
            ({"situation": "hush", "seed": -1, "acts": []}, "seed"),
            ({"situation": "soup", "seed": 1, "acts": []}, "situation"),
            ({"situation": "hush", "seed": 1, "acts": [{"at_h": 90.0, "what": "dance"}]}, "acts.0.what"),
        ):
            with self.subTest(field=field):
                self.assertEqual(self.baker.problem("POST", "/api/practice/lived", body)[::2], (422, field))

    def test_a_class_is_a_table_of_its_results(self) -> None:
        pupils = [
            {"name": "Noor", "situation": "pink", "seed": 1, "acts": [{"at_h": 121.0, "what": "bin"}]},
            {"name": "=SUM(1)", "situation": "pink", "seed": 1, "acts": []},
        ]
        answer = self.baker.client.post("/api/practice/class.csv", {"results": pupils}, content_type="application/json")
        self.assertEqual(answer.status_code, 200)
        rows = list(csv.DictReader(io.StringIO(answer.content.decode())))
        self.assertEqual([row["ending"] for row in rows], ["binned_rightly", "spoiled_kept"])
        self.assertEqual([row["name"] for row in rows], ["Noor", "'=SUM(1)"])
        self.assertEqual(self.baker.problem("POST", "/api/practice/class.csv", {"results": []})[0], 422)

    def test_a_device_by_itself_says_what_the_kitchen_says(self) -> None:
        """The door of the core that a page keeps answers in the shapes of the contract, word for word."""
        acts = [
            {"at_h": 98.0, "what": "look", "level": 1.25, "meaning": "hush"},
            {"at_h": 99.0, "what": "feed_large", "level": None, "meaning": None},
        ]
        body = {"situation": "hush", "seed": 7, "acts": acts}
        for what in ("lived", "told"):
            here = json.loads(answer_json(what, json.dumps(body)))
            self.assertEqual(here["status"], 200)
            self.assertEqual(ordered(here["body"]), ordered(self.baker.ok("POST", f"/api/practice/{what}", body)))
        asked = {**body, "at_h": 110.0}
        hint = json.loads(answer_json("hint", json.dumps(asked)))["body"]
        self.assertTrue(hint["because"])
        self.assertEqual(hint, self.baker.ok("POST", "/api/practice/hint", asked))
        results = {"results": [{"name": "Noor", **body}, {"name": "@x", **body, "acts": []}]}
        table = self.baker.client.post("/api/practice/class.csv", results, content_type="application/json")
        self.assertEqual(json.loads(answer_json("class.csv", json.dumps(results)))["body"], table.content.decode())

    def test_a_device_by_itself_refuses_what_the_kitchen_refuses(self) -> None:
        act = {"at_h": 98.0, "what": "look"}
        for wrong in (
            {"seed": -1},
            {"seed": "seven"},
            {"seed": 1.5},
            {"situation": "soup"},
            {"acts": [{**act, "at_h": 1.0}]},
            {"acts": [{**act, "at_h": "soon"}]},
            {"acts": [{"at_h": 98.0}]},
            {"acts": [act, 7]},
            {"acts": "none"},
            {"acts": [act, {**act, "what": "dance"}]},
            {"acts": [{**act, "level": 99.0}]},
            {"acts": [{**act, "meaning": "luck"}]},
        ):
            body = {"situation": "hush", "seed": 7, "acts": [act], **wrong}
            with self.subTest(**wrong):
                here = json.loads(answer_json("lived", json.dumps(body)))
                status, _, field = self.baker.problem("POST", "/api/practice/lived", body)
                self.assertEqual((here["status"], here["body"]["errors"][0]["field"]), (status, field))
        for hour in ({}, {"at_h": "soon"}, {"at_h": 1.0}):
            body = {"situation": "hush", "seed": 7, "acts": [act], **hour}
            (error,) = json.loads(answer_json("hint", json.dumps(body)))["body"]["errors"]
            self.assertEqual(error["field"], self.baker.problem("POST", "/api/practice/hint", body)[2])
        inside = {"results": [{"name": "Noor", "situation": "hush", "seed": 7, "acts": [{**act, "what": "dance"}]}]}
        (error,) = json.loads(answer_json("class.csv", json.dumps(inside)))["body"]["errors"]
        self.assertEqual(error["field"], self.baker.problem("POST", "/api/practice/class.csv", inside)[2])

    def test_a_jar_of_the_kitchen_might_have_gone_otherwise_and_stays_as_it_is(self) -> None:
        owner = self.baker.plan().mix(80.0)
        for hours in (56.0, 32.0, 8.0):
            owner.feed(hours, keep_g=30.0)
        before = owner.jar()
        body = {"entry": owner.last_feed, "supposed": "larger_feed"}
        told = owner.ok("POST", f"/api/jars/{owner.jar_id}/had-it-been", body)
        self.assertNotEqual(told["was"][-1], told["might"][-1])
        self.assertEqual(told["was"][0], told["might"][0])
        self.assertEqual(owner.jar()["assessment"]["rounds"], before["assessment"]["rounds"])
        first = next(
            one["id"] for one in before["log"] if one["entry"]["kind"] == "feed" and one["entry"]["keep_g"] == 0
        )
        refused = owner.problem(
            "POST", f"/api/jars/{owner.jar_id}/had-it-been", {"entry": first, "supposed": "left_out"}
        )
        self.assertEqual(refused, (422, "not_a_choice", "entry"))
        stranger = Baker("Hugo").sign_up()
        self.assertEqual(stranger.problem("POST", f"/api/jars/{owner.jar_id}/had-it-been", body)[0], 404)

    def test_it_is_for_bakers_who_are_signed_in(self) -> None:
        self.baker.client.logout()
        body = {"situation": "hush", "seed": 1, "acts": []}
        self.assertEqual(self.baker.problem("POST", "/api/practice/lived", body)[0], 401)
