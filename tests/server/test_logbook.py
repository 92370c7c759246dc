"""Recording, correcting, undoing; safe to send twice; two devices at once."""

from __future__ import annotations

from urllib.parse import urlencode
from uuid import uuid4

from django.test import TestCase

from logbook.reading import MOST_SENT

from .base import Baker, ago, feed_body, look_body, record


class Recording(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.log = f"/api/jars/{self.baker.jar_id}/log"

    def test_a_feed_and_a_look_show_at_once(self) -> None:
        self.baker.feed(6.0)
        self.baker.look(1.0, level={"value": 80, "unit": "percent"}, bubbles="few", top=["domed"], smell=["fruity"])
        jar = self.baker.jar()
        assessment = jar["assessment"]
        self.assertEqual(assessment["since_feed"]["last"]["times"], 1.8)
        self.assertEqual((assessment["since_feed"]["bubbles"], assessment["since_feed"]["top"]), ("few", ["domed"]))
        self.assertEqual(assessment["in_jar"]["total_g"], 90.0)
        self.assertEqual([entry["entry"]["kind"] for entry in jar["log"]], ["look", "feed", "feed"])
        self.assertEqual(jar["log"][0]["recorded_by"], "Ines")

    def test_sent_twice_makes_one(self) -> None:
        body = record(feed_body(6.0), self.baker.last_feed)
        first = self.baker.ok("POST", self.log, body)
        self.assertEqual(self.baker.ok("POST", self.log, body), first)
        self.assertEqual(len(self.baker.jar()["log"]), 2)

    def test_deeds_and_leaving_alone_move_the_plan(self) -> None:
        leave = {"kind": "leave", "at": ago(1), "until": ago(-20), "note": ""}
        self.baker.ok("POST", self.log, record(leave))
        move = self.baker.jar()["assessment"]["next_move"]
        self.assertEqual(move["state"], "not_yet")
        skip = {"kind": "deed", "at": ago(0.5), "did": "skipped", "note": "away"}
        self.baker.ok("POST", self.log, record(skip))
        changes = [change["code"] for change in self.baker.jar()["assessment"]["changes"]]
        self.assertEqual(changes[:2], ["left_alone", "skipped"])
        too_long = {**leave, "until": ago(-24 * 30)}
        self.assertEqual(self.baker.problem("POST", self.log, record(too_long))[1:], ("away_too_long", "until"))
        dance = {**skip, "did": "danced"}
        self.assertEqual(self.baker.problem("POST", self.log, record(dance))[1:], ("not_a_choice", "did"))

    def test_refusals_by_field(self) -> None:
        feed, look = feed_body, look_body
        cases = (
            (feed(6, keep_g=-1), "keep_g", "out_of_range"),
            (feed(6, keep_g=0), "keep_g", "nothing_kept"),
            (feed(6, keep_g=500), "keep_g", "keeps_more_than_there_is"),
            (feed(6, keep_g="some"), "keep_g", "not_a_number"),
            (feed(6, water_g=1e12), "water_g", "out_of_range"),
            (feed(6, flours=[{"flour": "oak", "g": 3}]), "flours.0.flour", "not_a_choice"),
            (feed(6, flours=[]), "flours", "no_flour"),
            (feed(6, flours=[{"flour": "rye", "g": 1}] * 9), "flours", "too_long"),
            (feed(-2), "at", "in_the_future"),
            (feed(40), "at", "before_the_last_feed"),
            (look(6, level={"value": 99, "unit": "times"}), "level", "level_above_rim"),
            (look(6, level={"value": "high", "unit": "mm"}), "level.value", "not_a_number"),
            (look(6, level={"value": 2, "unit": "fathoms"}), "level.unit", "not_a_choice"),
            (look(6, level=None), "level", "empty_look"),
            (look(6, level=None, note="   "), "level", "empty_look"),
            (look(6, note="n" * 10_000), "note", "too_long"),
            (look(6, note="\ud800"), "note", "not_text"),
            (look(40), "at", "before_the_start"),
            ({**look(6), "at": "yesterday"}, "at", "not_a_time"),
            ({**look(6), "kind": "dance"}, "", "not_a_choice"),
        )
        for entry, field, code in cases:
            with self.subTest(f"{field} {code}"):
                found = self.baker.problem("POST", self.log, record(entry, self.baker.last_feed))
                self.assertEqual(found, (422, code, field))
        self.assertEqual(len(self.baker.jar()["log"]), 1)

    def test_a_problem_says_what_would_do(self) -> None:
        _, answer = self.baker.call("POST", self.log, record(feed_body(6, keep_g=500), self.baker.last_feed))
        self.assertEqual(answer["errors"][0]["facts"], {"there_is_g": 60.0})

    def test_notes_of_any_script(self) -> None:
        note = "🫧 نشيط جدًا\nשלום — 膨らんだ"
        self.baker.look(1.0, note=note)
        self.assertEqual(self.baker.jar()["log"][0]["entry"]["note"], note)

    def test_mould_changes_the_next_move_to_one_act(self) -> None:
        self.baker.look(1.0, top=["coloured_streaks"])
        assessment = self.baker.jar()["assessment"]
        self.assertEqual((assessment["next_move"]["move"], assessment["findings"][0]["sign"]), ("bin", "mould"))
        self.baker.ok("POST", self.log, record({"kind": "bin", "at": ago(0), "note": ""}))
        self.assertEqual(self.baker.jar()["assessment"]["next_move"]["move"], "binned")
        refused = self.baker.problem("POST", self.log, record(feed_body(0), self.baker.last_feed))
        self.assertEqual(refused, (422, "jar_is_binned", "at"))


class TwoDevices(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(30.0)
        self.log = f"/api/jars/{self.baker.jar_id}/log"

    def test_a_feed_the_other_device_did_not_know_of_is_shown_first(self) -> None:
        seen = self.baker.last_feed
        theirs = self.baker.ok("POST", self.log, record(feed_body(6.0), seen))
        mine = record(feed_body(5.5), seen)
        status, answer = self.baker.call("POST", self.log, mine)
        problem = answer["errors"][0]
        self.assertEqual((status, problem["code"], problem["facts"]["id"]), (409, "fed_meanwhile", theirs["id"]))
        self.assertEqual(problem["facts"]["flour_g"], 30.0)
        self.baker.ok("POST", self.log, {**mine, "seen_feed": theirs["id"]})
        self.assertEqual(len(self.baker.jar()["log"]), 3)

    def test_two_looks_both_stand(self) -> None:
        self.baker.look(2.0)
        self.baker.look(2.0)
        self.assertEqual(len(self.baker.jar()["log"]), 3)

    def test_two_corrections_of_one_entry(self) -> None:
        look = self.baker.look(2.0)
        path = f"/api/log/{look['id']}"
        changed = {**look["entry"], "note": "from the phone"}
        self.baker.ok("PUT", path, {"revision": 1, "entry": changed})
        other = {**look["entry"], "note": "from the laptop"}
        self.assertEqual(
            self.baker.problem("PUT", path, {"revision": 1, "entry": other}), (409, "changed_meanwhile", "id")
        )
        again = self.baker.ok("PUT", path, {"revision": 1, "entry": changed})
        self.assertEqual((again["revision"], again["entry"]["note"]), (2, "from the phone"))


class Correcting(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(50.0)
        self.feed = self.baker.feed(26.0)
        self.look = self.baker.look(20.0, level={"value": 1.5, "unit": "times"})

    def test_what_it_said_before_is_kept(self) -> None:
        entry = {**self.look["entry"], "level": {"value": 1.75, "unit": "times"}}
        self.baker.ok("PUT", f"/api/log/{self.look['id']}", {"revision": 1, "entry": entry})
        self.assertEqual(self.baker.jar()["assessment"]["since_feed"]["last"]["times"], 1.75)
        history = self.baker.ok("GET", f"/api/log/{self.look['id']}/history")
        self.assertEqual([(one["what"], one["made_by"]) for one in history], [("amended", "Ines")])
        self.assertEqual(history[0]["before"]["level"]["value"], 1.5)

    def test_a_corrected_time_moves_the_plan(self) -> None:
        self.baker.always_home()
        due = self.baker.jar()["assessment"]["next_move"]["due"]
        entry = {**self.feed["entry"], "at": ago(21.0)}
        self.baker.ok("PUT", f"/api/log/{self.feed['id']}", {"revision": 1, "entry": entry})
        self.assertNotEqual(self.baker.jar()["assessment"]["next_move"]["due"], due)

    def test_a_correction_is_checked_like_a_new_entry(self) -> None:
        path = f"/api/log/{self.feed['id']}"
        cases = ((ago(60), "before_the_last_feed"), (ago(-5), "in_the_future"))
        for at, code in cases:
            entry = {**self.feed["entry"], "at": at}
            self.assertEqual(self.baker.problem("PUT", path, {"revision": 1, "entry": entry}), (422, code, "at"))
        other_kind = {"revision": 1, "entry": look_body(3)}
        self.assertEqual(self.baker.problem("PUT", path, other_kind), (422, "not_accepted", "kind"))

    def test_undo_and_put_back(self) -> None:
        path = f"/api/log/{self.feed['id']}"
        for _ in range(2):
            self.assertTrue(self.baker.ok("POST", f"{path}/withdraw")["withdrawn"])
        self.assertEqual(self.baker.jar()["assessment"]["totals"]["feeds"], 1)
        for _ in range(2):
            self.assertFalse(self.baker.ok("POST", f"{path}/restore")["withdrawn"])
        self.assertEqual(self.baker.jar()["assessment"]["totals"]["feeds"], 2)

    def test_a_first_mix_with_feeds_on_it_stays(self) -> None:
        mix = self.baker.jar()["log"][-1]["id"]
        refused = self.baker.problem("POST", f"/api/log/{mix}/withdraw")
        self.assertEqual(refused, (422, "first_mix_has_feeds", "id"))

    def test_putting_back_what_no_longer_fits_is_refused(self) -> None:
        """Its place was taken meanwhile by a feed of the same minute."""
        self.baker.ok("POST", f"/api/log/{self.feed['id']}/withdraw")
        self.baker.last_feed = self.baker.jar()["log"][-1]["id"]
        self.baker.feed(0, at=self.feed["entry"]["at"])
        refused = self.baker.problem("POST", f"/api/log/{self.feed['id']}/restore")
        self.assertEqual(refused, (422, "after_the_next_feed", "at"))

    def test_an_entry_that_is_not_there(self) -> None:
        self.assertEqual(self.baker.problem("POST", f"/api/log/{uuid4()}/withdraw"), (404, "not_found", "id"))


class ALongLog(TestCase):
    def test_an_opened_jar_has_the_latest_and_what_is_older_is_asked_for(self) -> None:
        baker = Baker("Ines").sign_up().always_home().plan().mix(60.0)
        for count in range(MOST_SENT + 5):
            baker.look(59.0 - count / 4.0)
        opened = baker.jar()
        path = f"/api/jars/{baker.jar_id}/log"
        older = baker.ok("GET", f"{path}?{urlencode({'until': opened['older_until']})}")
        self.assertEqual((len(opened["log"]), len(older)), (MOST_SENT, 6))
        self.assertEqual(older[-1]["entry"]["kind"], "feed")
        times = [one["entry"]["at"] for one in (*opened["log"], *older)]
        self.assertEqual(times, sorted(times, reverse=True))
        other = Baker("Rui").sign_up()
        query = urlencode({"until": opened["older_until"]})
        self.assertEqual(other.problem("GET", f"{path}?{query}"), (404, "not_found", "id"))
        self.assertEqual(baker.problem("GET", f"{path}?until=soon")[0], 422)

    def test_a_short_one_is_whole(self) -> None:
        self.assertIsNone(Baker("Ines").sign_up().plan().mix(60.0).jar()["older_until"])
