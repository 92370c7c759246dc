"""Trials over the wire: begun with jars that run and with new ones, told, ended each way, and taken up again."""

from __future__ import annotations

import base64
from datetime import timedelta
from io import BytesIO
from typing import Any
from unittest import mock
from uuid import uuid4

from django.test import TestCase
from django.utils import timezone
from pypdf import PdfReader

from demo.pictures import jar_picture

from .base import Baker, ago, files_of_its_own, new_jar

WHOLE_WHEAT = {"first_blend": {"whole_wheat": 1.0}, "blend": {"whole_wheat": 1.0}}


def of(*jars: object) -> dict[str, Any]:
    return {"id": str(uuid4()), "name": "Which flour", "jars": list(jars)}


class Trials(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home()

    def raised(self, name: str, feeds: int = 6, **changes: object) -> str:
        """A jar that was fed for some days, doubled since the fourth, and smells fit to eat."""
        self.baker.plan(name=name, starts_at=ago(24.0 * feeds + 6.0), **changes)
        self.baker.last_feed = None
        for number in range(feeds):
            at = 24.0 * (feeds - number) + 6.0
            self.baker.feed(at, keep_g=30.0 if number else 0.0)
            self.baker.look(at - 7.0, smell=["fruity"], level={"value": 2.2 if number > 2 else 1.3, "unit": "times"})
        return self.baker.jar_id

    def begin(self, *jars: str) -> dict[str, Any]:
        return self.baker.ok("POST", "/api/trials", of(*({"jar": jar} for jar in jars)))  # type: ignore[no-any-return]


class Beginning(Trials):
    def test_new_jars_with_one_difference_all_at_once(self) -> None:
        jars = [{**new_jar(), "name": "White", "choices": {**WHOLE_WHEAT, "every_hours": 24}}]
        jars.append(
            {
                **jars[0],
                "id": str(uuid4()),
                "name": "Rye",
                "choices": {"blend": {"rye": 1.0}, "first_blend": {"rye": 1.0}},
            }
        )
        asked = of(*({"new": jar} for jar in jars))
        made = self.baker.ok("POST", "/api/trials", asked)
        self.assertEqual([one["name"] for one in made["places"]], ["White", "Rye"])
        self.assertEqual(self.baker.ok("POST", "/api/trials", asked), made)
        self.assertEqual(len(self.baker.ok("GET", "/api/kitchen")["jars"]), 2)
        told = self.baker.ok("GET", f"/api/trials/{made['id']}")
        self.assertEqual((told["beside"]["apart"], told["food"]), (["flour"], []))
        (water,) = told["together"]
        self.assertEqual((water["ingredient"], len(water["shares"])), ("water", 2))

    def test_one_jar_that_is_refused_leaves_nothing_and_says_which(self) -> None:
        jars = [new_jar(), {**new_jar(), "id": str(uuid4()), "warmth_c": 90.0}]
        asked = of(*({"new": jar} for jar in jars))
        self.assertEqual(self.baker.problem("POST", "/api/trials", asked), (422, "out_of_range", "jars.1.warmth_c"))
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["jars"], [])
        self.assertEqual(self.baker.ok("GET", "/api/trials"), [])

    def test_two_to_four_each_once(self) -> None:
        jars = [{"new": {**new_jar(), "name": f"Jar {number}"}} for number in range(5)]
        for some in (jars[:1], jars, [jars[0], jars[0]]):
            self.assertEqual(self.baker.problem("POST", "/api/trials", of(*some)), (422, "out_of_range", "jars"))
        self.assertEqual(self.baker.problem("POST", "/api/trials", of({}, {})), (422, "missing", "jars.0.jar"))
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["jars"], [])

    def test_the_same_id_with_other_jars_is_refused(self) -> None:
        one, two, three = (self.baker.plan(name=name).jar_id for name in "abc")
        made = self.begin(one, two)
        again = {**of({"jar": one}, {"jar": three}), "id": made["id"]}
        self.assertEqual(self.baker.problem("POST", "/api/trials", again)[:2], (409, "id_taken"))

    def test_a_pinch_of_yeast_is_what_differs(self) -> None:
        jars = [{"new": new_jar()}, {"new": {**new_jar(), "name": "For show"}, "yeast": True}]
        made = self.baker.ok("POST", "/api/trials", of(*jars))
        self.assertEqual([one["yeast"] for one in made["places"]], [False, True])
        self.assertEqual(self.baker.ok("GET", f"/api/trials/{made['id']}")["beside"]["apart"], ["yeast"])

    def test_another_bakers(self) -> None:
        theirs = Baker("Noor").sign_up().plan(name="Theirs")
        mine = self.baker.plan(name="Mine").jar_id
        asked = of({"jar": mine}, {"jar": theirs.jar_id})
        self.assertEqual(self.baker.problem("POST", "/api/trials", asked)[:2], (404, "not_found"))
        made = self.begin(mine, self.baker.plan(name="Other").jar_id)
        self.assertEqual(theirs.ok("GET", "/api/trials"), [])
        for method, path, body in (
            ("GET", "", None),
            ("PUT", "/name", {"name": "Mine now"}),
            ("POST", "/end", {"ends": {}}),
            ("POST", "/resume", None),
        ):
            with self.subTest(path):
                self.assertEqual(
                    theirs.problem(method, f"/api/trials/{made['id']}{path}", body)[:2], (404, "not_found")
                )
        taken = {**of({"jar": theirs.jar_id}, {"jar": theirs.plan(name="More").jar_id}), "id": made["id"]}
        self.assertEqual(theirs.problem("POST", "/api/trials", taken)[:2], (409, "id_taken"))

    def test_it_is_named_anew(self) -> None:
        made = self.begin(*(self.baker.plan(name=name).jar_id for name in "ab"))
        self.baker.ok("PUT", f"/api/trials/{made['id']}/name", {"name": "Salt or none"})
        self.assertEqual([one["name"] for one in self.baker.ok("GET", "/api/trials")], ["Salt or none"])
        self.assertEqual(self.baker.problem("PUT", f"/api/trials/{made['id']}/name", {"name": " "})[0], 422)


class Ending(Trials):
    def setUp(self) -> None:
        super().setUp()
        self.jars = [self.raised(name) for name in ("Kept", "Used", "Spare", "Discard")]
        self.trial = self.begin(*self.jars)
        self.path = f"/api/trials/{self.trial['id']}"
        self.ends = dict(zip(self.jars, ("kept", "used", "spare", "discard"), strict=True))

    def test_each_end_is_written_down_and_the_page_stays(self) -> None:
        before = self.baker.ok("GET", self.path)
        self.assertEqual(before["food"], self.jars)
        ended = self.baker.ok("POST", f"{self.path}/end", {"ends": self.ends})
        self.assertEqual([one["ended_as"] for one in ended["places"]], ["kept", "used", "spare", "discard"])
        kitchen = self.baker.ok("GET", "/api/kitchen")
        self.assertEqual([one["jar"]["name"] for one in kitchen["jars"]], ["Kept", "Spare"])
        logs = {jar: [one["entry"] for one in self.baker.ok("GET", f"/api/jars/{jar}")["log"][:2]] for jar in self.jars}
        self.assertEqual(logs[self.jars[0]][0]["kind"], "look")
        used, given = ([one["used_for"] for one in logs[jar] if one["kind"] == "use"] for jar in self.jars[1::2])
        self.assertEqual((used, given), (["dough"], ["discard_jar"]))
        self.assertEqual(logs[self.jars[2]][0]["kind"], "way")
        (shelf,) = self.baker.ok("GET", "/api/discard")["jars"]
        self.assertAlmostEqual(shelf["total_g"], 90.0, delta=1.0)
        after = self.baker.ok("GET", self.path)
        self.assertEqual(after["together"], [])
        for told in (before, after):
            for jar in told["beside"]["jars"]:
                # The hours of one that sleeps run on to the end.
                jar.pop("woken")
        self.assertEqual(after["beside"], before["beside"])
        self.assertEqual(self.baker.ok("POST", f"{self.path}/end", {"ends": self.ends}), ended)
        other = {**self.ends, self.jars[0]: "bin"}
        self.assertEqual(
            self.baker.problem("POST", f"{self.path}/end", {"ends": other})[:2], (409, "changed_meanwhile")
        )

    def test_taken_up_again_nothing_of_the_end_is_left(self) -> None:
        pages = [self.baker.ok("GET", f"/api/jars/{jar}")["assessment"]["in_jar"] for jar in self.jars]
        for _ in range(2):
            self.baker.ok("POST", f"{self.path}/end", {"ends": self.ends})
            resumed = self.baker.ok("POST", f"{self.path}/resume")
            self.assertEqual((resumed["ended_at"], {one["ended_as"] for one in resumed["places"]}), (None, {None}))
            self.assertEqual(len(self.baker.ok("GET", "/api/kitchen")["jars"]), 4)
            now = [self.baker.ok("GET", f"/api/jars/{jar}")["assessment"]["in_jar"] for jar in self.jars]
            self.assertEqual(now, pages)
        self.assertEqual(self.baker.ok("POST", f"{self.path}/resume"), resumed)

    def test_none_is_left_out(self) -> None:
        some = dict(list(self.ends.items())[:3])
        for ends in (some, {**some, str(uuid4()): "bin"}):
            self.assertEqual(self.baker.problem("POST", f"{self.path}/end", {"ends": ends}), (422, "missing", "ends"))

    def test_what_is_no_food_is_not_eaten_and_nothing_ends(self) -> None:
        asleep = self.baker.plan(name="Asleep", starts_at=ago(20.0)).jar_id
        self.baker.last_feed = None
        self.baker.mix(20.0)
        made = self.begin(self.jars[0], asleep)
        for how in ("used", "spare", "discard"):
            ends = {self.jars[0]: "used", asleep: how}
            found = self.baker.problem("POST", f"/api/trials/{made['id']}/end", {"ends": ends})
            self.assertEqual(found, (422, "discard_is_no_food", f"ends.{asleep}"))
        self.assertEqual(len(self.baker.ok("GET", "/api/kitchen")["jars"]), 5)
        self.baker.ok("POST", f"/api/trials/{made['id']}/end", {"ends": {self.jars[0]: "kept", asleep: "bin"}})
        self.assertEqual(self.baker.ok("GET", f"/api/jars/{asleep}")["log"][0]["entry"]["kind"], "bin")

    def test_one_that_was_binned_on_the_way_ends_as_it_is(self) -> None:
        self.baker.jar_id = self.jars[3]
        self.baker.record({"kind": "bin", "at": ago(0.5), "note": ""})
        self.baker.ok("POST", f"{self.path}/end", {"ends": {**self.ends, self.jars[3]: "bin"}})
        log = self.baker.ok("GET", f"/api/jars/{self.jars[3]}")["log"]
        self.assertEqual(sum(one["entry"]["kind"] == "bin" for one in log), 1)

    def test_what_is_written_later_does_not_change_what_it_found(self) -> None:
        self.baker.ok("POST", f"{self.path}/end", {"ends": dict.fromkeys(self.jars, "kept")})
        found = self.baker.ok("GET", self.path)["beside"]
        later = timezone.now() + timedelta(days=2)
        with mock.patch.object(timezone, "now", return_value=later):
            self.baker.jar_id = self.jars[0]
            self.baker.last_feed = self.baker.jar()["assessment"]["rounds"][-1]["feed_id"]
            self.baker.feed(-40.0)
            self.assertEqual(self.baker.ok("GET", self.path)["beside"], found)


class Photos(Trials):
    def test_one_photo_of_all_is_of_the_plain_jar_and_of_no_look(self) -> None:
        files_of_its_own(self)
        first, second = (self.baker.plan(name=name).jar_id for name in "ab")
        made = self.begin(first, second)
        picture, _ = jar_picture(1.5, 0.3, 1)
        for number, look in enumerate((None, str(uuid4()))):
            sent = {
                "id": str(uuid4()),
                "at": ago(-0.01 * number),
                "look": look,
                "points": None,
                "photo": base64.b64encode(picture).decode(),
            }
            self.baker.ok("POST", f"/api/jars/{first}/photos", sent)
        told = self.baker.ok("GET", f"/api/trials/{made['id']}")
        self.assertEqual([one["look"] for one in told["photos"]], [None])


class Paper(Trials):
    def text(self, path: str) -> str:
        read = PdfReader(BytesIO(self.baker.client.get(path).content))
        return "\n".join(page.extract_text() for page in read.pages)

    def test_one_sheet_for_all_round_by_round_the_plain_one_first(self) -> None:
        plain, rye = self.raised("Plain", 3), self.raised("Rye", 3)
        made = self.begin(plain, rye)
        lines = self.text(f"/api/trials/{made['id']}/sheet.pdf").split("\n")
        self.assertIn("Plain, Rye · the plain one first, one spatula each", lines)
        said = [line.split(":")[0] for line in lines if line.startswith(("Plain: ", "Rye: "))]
        self.assertGreaterEqual(len(said), 8)
        self.assertEqual(said, ["Plain", "Rye"] * (len(said) // 2))

    def test_labels_for_all_stand_by_the_hour(self) -> None:
        made = self.begin(self.raised("Plain", 3), self.raised("Rye", 3))
        names = [
            line for line in self.text(f"/api/trials/{made['id']}/labels.pdf").split("\n") if line in ("Plain", "Rye")
        ]
        self.assertEqual(names[:4], ["Plain", "Rye", "Plain", "Rye"])

    def test_with_nothing_planned_it_says_so(self) -> None:
        jars = [self.baker.plan(name=name, starts_at=ago(2.0)).jar_id for name in "ab"]
        for jar in jars:
            self.baker.jar_id, self.baker.last_feed = jar, None
            self.baker.mix(2.0)
            self.baker.record({"kind": "bin", "at": ago(1.0), "note": ""})
        made = self.begin(*jars)
        self.assertIn("Nothing is planned.", self.text(f"/api/trials/{made['id']}/sheet.pdf"))
        self.assertIn("No feed is planned.", self.text(f"/api/trials/{made['id']}/labels.pdf"))
