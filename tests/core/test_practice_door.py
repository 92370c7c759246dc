"""What a page asks of practice, answered as JSON."""

from __future__ import annotations

import csv
import json
from typing import Any
from unittest import TestCase

from ferment.practice.door import answer_json
from ferment.practice.situations import SITUATIONS
from ferment.practice.terms import SituationCode
from ferment.record.log import Top

PINK = SITUATIONS[SituationCode.PINK]
BINNED = {"at_h": PINK.begins_h + 1.0, "what": "bin"}


def answered(what: str, **asked: Any) -> Any:
    told = json.loads(answer_json(what, json.dumps({"situation": "pink", "seed": 3, "acts": [], **asked})))
    return told["body"] if told["status"] == 200 else (told["status"], told["body"]["errors"][0]["field"])


class TheDoor(TestCase):
    def test_a_story_is_told_from_where_the_baker_has_the_jar_to_its_end(self) -> None:
        told = answered("lived", acts=[BINNED])
        self.assertEqual((told["begins_h"], told["ended_h"]), (PINK.begins_h, BINNED["at_h"]))
        self.assertAlmostEqual(sum(told["flours"].values()), 1.0)
        self.assertEqual(told["frames"][0]["at_h"], PINK.begins_h)
        self.assertIn(Top.COLOURED_STREAKS, told["frames"][0]["top"])

    def test_what_has_no_order_is_told_in_one(self) -> None:
        told = answered("lived", situation="late_liquid")
        for frame in told["frames"]:
            self.assertEqual((frame["top"], frame["smell"]), (sorted(frame["top"]), sorted(frame["smell"])))

    def test_a_judgement_names_each_act(self) -> None:
        look = {"at_h": PINK.begins_h + 0.5, "what": "look", "level": 1.2, "meaning": "spoiled"}
        told = answered("told", acts=[look, BINNED])
        self.assertEqual((told["ending"], told["is_good"]), ("binned_rightly", True))
        first, last = told["decisions"]
        self.assertEqual((first["level"], first["meaning"], first["meant_rightly"]), (1.2, "spoiled", True))
        self.assertEqual((last["what"], last["opinion"]), ("bin", "liked"))

    def test_a_hint_is_what_a_look_at_that_hour_would_be_told(self) -> None:
        at_h = PINK.begins_h + 0.5
        hint = answered("hint", at_h=at_h)
        told = answered("told", acts=[{"at_h": at_h, "what": "look"}])
        self.assertEqual(hint["because"], told["decisions"][0]["because"])
        self.assertIn("mould", hint["because"])

    def test_a_hint_knows_what_was_done_by_then_and_nothing_after(self) -> None:
        feeds = [{"at_h": 96.0 + 12.0 * number, "what": "feed"} for number in range(4)]
        fed, all_of_it = (answered("hint", situation="hush", acts=acts, at_h=121.0) for acts in (feeds[:3], feeds))
        self.assertEqual(fed, all_of_it)
        self.assertNotEqual(fed, answered("hint", situation="hush", at_h=121.0))

    def test_a_class_is_a_table(self) -> None:
        pupils = [
            {"situation": "pink", "seed": 3, "acts": acts, "name": name}
            for name, acts in (("Noor", [BINNED]), ("=A1", []))
        ]
        rows = list(csv.DictReader(answered("class.csv", results=pupils).splitlines()))
        self.assertEqual([row["name"] for row in rows], ["Noor", "'=A1"])
        self.assertEqual([row["ending"] for row in rows], ["binned_rightly", "spoiled_kept"])

    def test_what_cannot_be_is_named_by_its_place(self) -> None:
        for wrong, field in (
            ({"situation": "soup"}, "situation"),
            ({"situation": 7}, "situation"),
            ({"seed": True}, "seed"),
            ({"acts": [{"at_h": "soon", "what": "bin"}]}, "acts.0.at_h"),
            ({"acts": [BINNED, {**BINNED, "meaning": "luck"}]}, "acts.1.meaning"),
        ):
            with self.subTest(field=field):
                self.assertEqual(answered("lived", **wrong), (422, field))
        for hour in ({}, {"at_h": "soon"}, {"at_h": PINK.ends_h + 0.1}):
            with self.subTest(hour=hour):
                self.assertEqual(answered("hint", **hour), (422, "at_h"))
        self.assertEqual(answered("class.csv", results=[]), (422, "results"))
        pupil = {"situation": "pink", "seed": 3, "acts": [{**BINNED, "what": "dance"}], "name": "Noor"}
        self.assertEqual(answered("class.csv", results=[pupil]), (422, "results.0.acts.0.what"))
