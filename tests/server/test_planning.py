"""Before the first spoon and on the way: families compared, hours, plans, what if, method files, reminders."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from unittest.mock import patch
from uuid import uuid4

from django.test import TestCase

from reminders.models import Message
from reminders.services import remind_all

from .base import Baker, ago, new_jar


class Comparing(TestCase):
    def test_families_for_this_kitchen(self) -> None:
        baker = Baker("Ines").sign_up()
        body = {
            "origin": "dried",
            "warmth_c": 22.0,
            "night_c": None,
            "blend": {"rye": 1.0},
            "has_scale": True,
            "starts_at": ago(0),
        }
        warm = baker.ok("POST", "/api/compare", body)
        cold = baker.ok("POST", "/api/compare", {**body, "warmth_c": 17.0})
        self.assertEqual({one["compared"]["origin"] for one in warm}, {"dried"})
        for one, other in zip(warm, cold, strict=True):
            self.assertLess(one["ready_on"]["on"]["likely"], other["ready_on"]["on"]["likely"])
        self.assertEqual(baker.problem("POST", "/api/compare", {**body, "warmth_c": 80})[2], "warmth_c")


class TheBakersHours(TestCase):
    def test_told_they_move_the_plan(self) -> None:
        baker = Baker("Ines").sign_up()
        self.assertEqual(baker.ok("GET", "/api/hours")["weekday"], [{"start": 420, "end": 1350}])
        evenings = {"weekday": [{"start": 1140, "end": 1320}], "weekend": [{"start": 1140, "end": 1320}]}
        self.assertEqual(baker.ok("PUT", "/api/hours", evenings), evenings)
        baker.plan().mix(10.0)
        due = datetime.fromisoformat(baker.jar()["assessment"]["next_move"]["due"])
        lisbon = due.astimezone(UTC)
        self.assertTrue(18 <= lisbon.hour <= 22, due)

    def test_hours_that_are_none_or_overlap_are_named(self) -> None:
        baker = Baker("Ines").sign_up()
        ok = [{"start": 420, "end": 540}]
        for bands, code in (
            ([{"start": 420, "end": 9999}], "hours_form"),
            ([{"start": 420, "end": 600}, {"start": 540, "end": 700}], "hours_overlap"),
        ):
            refused = baker.problem("PUT", "/api/hours", {"weekday": ok, "weekend": bands})
            self.assertEqual(refused, (422, code, "weekend"))


class EarlierJars(TestCase):
    def test_what_they_showed_counts_for_the_next_unless_it_is_left_out(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(150.0)
        for day in range(1, 6):
            baker.feed(150.0 - 24.0 * day)
            baker.look(150.0 - 24.0 * day - 9.0, level={"value": 1.1, "unit": "times"})
        asked = {key: part for key, part in new_jar().items() if key != "id"}
        by_lesson = baker.ok("POST", "/api/preview", asked)
        by_the_book = baker.ok("POST", "/api/preview", {**asked, "by_earlier_jars": False})
        self.assertEqual((by_lesson["taught"]["jars"], by_the_book["taught"]), (1, None))
        self.assertNotEqual(by_lesson["ready_on"], by_the_book["ready_on"])
        for body, taught in ((asked, by_lesson["taught"]), ({**asked, "by_earlier_jars": False}, None)):
            baker.plan(**body)
            self.assertEqual(baker.jar()["assessment"]["taught"], taught)
        # It was taught when it was planned: what the first jar shows later changes nothing of it.
        stranger = Baker("Noor").sign_up()
        self.assertIsNone(stranger.ok("POST", "/api/preview", asked)["taught"])

    def test_a_culture_from_outside_is_not_reckoned_by_them(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(150.0)
        for day in range(1, 6):
            baker.feed(150.0 - 24.0 * day)
            baker.look(150.0 - 24.0 * day - 9.0)
        woken = {**new_jar(), "family": "wake_and_keep", "choices": {"way": "counter"}}
        woken.pop("id")
        self.assertIsNone(baker.ok("POST", "/api/preview", woken)["taught"])


class TheShelf(TestCase):
    def test_flours_by_the_bakers_own_names(self) -> None:
        baker = Baker("Ines").sign_up()
        self.assertEqual(baker.ok("GET", "/api/flours"), {"flours": []})
        unweighed = {"g": None, "weighed_at": None}
        shelf: list[dict[str, object]] = [
            {"id": str(uuid4()), "flour": "rye", "name": "Mill rye", "price_per_kg": None, **unweighed},
            {"id": str(uuid4()), "flour": "spelt", "name": "Aunt's spelt 🌾", "price_per_kg": 3.2, **unweighed},
        ]
        self.assertEqual(baker.ok("PUT", "/api/flours", {"flours": shelf}), {"flours": shelf})
        both = [*shelf, {"flour": "rye", "name": "New rye"}, {**shelf[0], "name": "Mill rye, coarse"}]
        names = [one["name"] for one in baker.ok("PUT", "/api/flours", {"flours": both})["flours"]]
        self.assertEqual(names, ["Mill rye, coarse", "Aunt's spelt 🌾", "New rye"])
        wrong = {"flours": [{"flour": "oak", "name": "x"}]}
        self.assertEqual(baker.problem("PUT", "/api/flours", wrong)[1:], ("not_a_choice", "flours.0.flour"))
        self.assertEqual(Baker("Noor").sign_up().ok("GET", "/api/flours"), {"flours": []})


class Plans(TestCase):
    def test_the_whole_plan_and_what_if(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(30.0)
        found = baker.ok("GET", f"/api/jars/{baker.jar_id}/plan")
        self.assertEqual(found["plan"]["done"]["feeds"], 1)
        self.assertGreaterEqual(len(found["plan"]["steps"]), 7)
        path = f"/api/jars/{baker.jar_id}/plan-otherwise"
        nothing = {"warmth_c": None, "flour": None, "every_h": None, "size": None, "starts_in_h": None}
        warm = baker.ok("POST", path, {**nothing, "warmth_c": 27.0})
        self.assertLess(warm["ready_on"]["on"]["likely"], found["ready_on"]["on"]["likely"])
        self.assertEqual(baker.problem("POST", path, {**nothing, "size": 99})[2], "size")
        self.assertEqual(baker.jar()["jar"]["warmth_c"], 22.0, "nothing was changed by asking")

    def test_a_start_long_past_is_taken_and_one_too_long_past_named(self) -> None:
        baker = Baker("Ines").sign_up()
        baker.plan(starts_at=ago(24 * 6))
        refused = baker.problem("POST", "/api/jars", {**new_jar(), "starts_at": ago(24 * 40)})
        self.assertEqual(refused, (422, "before_the_start", "starts_at"))


class MethodFiles(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up()
        self.file = self.baker.ok("GET", "/api/methods/wet_rye")

    def test_sent_out_brought_in_and_used(self) -> None:
        own = {**self.file, "code": "my_rye"}
        checked = self.baker.ok("POST", "/api/methods/check", {"method": own})
        self.assertEqual((checked["code"], checked["origin"]), ("my_rye", "flour_and_water"))
        self.baker.plan(family="my_rye", method=own, choices={})
        self.assertEqual(self.baker.jar()["jar"]["family"], "my_rye")
        self.baker.mix(30.0)
        self.assertEqual(self.baker.jar()["assessment"]["next_move"]["move"], "feed")

    def test_wrong_too_new_and_unsound_files_are_named(self) -> None:
        for changes, code in (
            ({"despertar_method": 99}, "method_too_new"),
            ({"phases": []}, "method_unsound"),
            ({"phases": "all of them"}, "method_form"),
            ({"code": "x" * 500}, "method_form"),
        ):
            with self.subTest(code):
                refused = self.baker.problem("POST", "/api/methods/check", {"method": {**self.file, **changes}})
                self.assertEqual(refused[:2], (422, code))
        self.assertEqual(self.baker.problem("GET", "/api/methods/none_such")[1], "unknown_family")


class Postboxes(TestCase):
    def at(self, now: datetime, baker: Baker | None = None) -> dict[str, list[dict[str, object]]]:
        """The postbox after everybody was reminded."""
        remind_all(now)
        with patch("django.utils.timezone.now", return_value=now):
            box: dict[str, list[dict[str, object]]] = (baker or self.baker).ok("GET", "/api/postbox")
            return box

    def setUp(self) -> None:
        # A morning, so that the baker's hours are the same whenever this is run.
        self.start = datetime(2026, 3, 2, 8, 0, tzinfo=UTC)
        with patch("django.utils.timezone.now", return_value=self.start):
            self.baker = Baker("Ines").sign_up()
            self.baker.plan(starts_at=self.start.isoformat())
            self.feed(self.start, 0.0)

    def feed(self, at: datetime, keep: float) -> None:
        with patch("django.utils.timezone.now", return_value=at):
            self.baker.feed(0.0, at=at.isoformat(), keep_g=keep)

    def test_one_reminder_an_act_none_for_what_is_done(self) -> None:
        before = self.at(self.start + timedelta(hours=20))
        self.assertEqual(before["sent"], [])
        self.assertTrue(before["to_come"])
        for _ in range(2):
            due = self.at(self.start + timedelta(hours=24.2))
            self.assertEqual([(one["jar"], one["act"]) for one in due["sent"]], [("Thistle", "feed")])
        self.feed(self.start + timedelta(hours=24.5), 30.0)
        after = self.at(self.start + timedelta(hours=30))
        self.assertEqual(len(after["sent"]), 1)

    def test_looking_into_it_sends_nothing(self) -> None:
        with patch("django.utils.timezone.now", return_value=self.start + timedelta(hours=24.2)):
            self.assertEqual(self.baker.ok("GET", "/api/postbox")["sent"], [])
        self.assertEqual(Message.objects.count(), 0)

    def test_what_is_due_again_after_an_undo_is_told_again_and_so_is_what_follows(self) -> None:
        self.at(self.start + timedelta(hours=24.2))
        self.feed(self.start + timedelta(hours=24.5), 30.0)
        with patch("django.utils.timezone.now", return_value=self.start + timedelta(hours=25)):
            self.baker.ok("POST", f"/api/log/{self.baker.last_feed}/withdraw")
            self.baker.last_feed = self.baker.jar()["log"][-1]["id"]
        again = self.at(self.start + timedelta(hours=25.2))
        self.assertEqual([one["act"] for one in again["sent"]], ["feed", "feed"])
        self.feed(self.start + timedelta(hours=25.5), 30.0)
        self.assertEqual(len(self.at(self.start + timedelta(hours=50.2))["sent"]), 3)

    def test_each_of_three_hands_is_told_once_and_none_after_leaving(self) -> None:
        hands = [Baker(name).sign_up() for name in ("Noor", "Hugo")]
        with patch("django.utils.timezone.now", return_value=self.start):
            for hand in hands:
                code = self.baker.ok("POST", "/api/hands/invitations")["code"]
                hand.ok("POST", "/api/hands", {"code": code})
        due = self.start + timedelta(hours=24.2)
        for baker in (self.baker, *hands):
            for _ in range(2):
                self.assertEqual(len(self.at(due, baker)["sent"]), 1, baker.name)
        # One wants to sleep: that one is told nothing, until it is wanted again.
        hugo = hands[1]
        with patch("django.utils.timezone.now", return_value=due):
            self.assertEqual(hugo.ok("PUT", "/api/postbox", {"wanted": False})["to_come"], [])
        self.feed(self.start + timedelta(hours=24.5), 30.0)
        self.assertEqual(len(self.at(self.start + timedelta(hours=48.7), hugo)["sent"]), 1)
        with patch("django.utils.timezone.now", return_value=due):
            self.assertTrue(hugo.ok("PUT", "/api/postbox", {"wanted": True})["to_come"])
        self.assertEqual(len(self.at(self.start + timedelta(hours=48.8), hugo)["sent"]), 2)
        with patch("django.utils.timezone.now", return_value=due):
            left = next(one["id"] for one in self.baker.ok("GET", "/api/hands")["mine"] if one["name"] == "Noor")
            self.baker.ok("DELETE", f"/api/hands/{left}")
        gone = self.at(self.start + timedelta(hours=74), hands[0])
        self.assertEqual((gone["sent"], gone["to_come"]), ([], []))
        # The second came while she was still a hand; after leaving there is none.
        self.assertEqual(Message.objects.filter(account__name="Noor").count(), 2)

    def test_an_act_keeps_its_place_in_the_calendar(self) -> None:
        def uids() -> set[str]:
            text = self.baker.client.get(f"/api/jars/{self.baker.jar_id}/calendar.ics").content.decode()
            return {line for line in text.splitlines() if line.startswith("UID")}

        with patch("django.utils.timezone.now", return_value=self.start + timedelta(hours=24.5)):
            before = uids()
        self.feed(self.start + timedelta(hours=24.5), 30.0)
        with patch("django.utils.timezone.now", return_value=self.start + timedelta(hours=25)):
            self.assertLess(before, uids() | {""})
        self.assertTrue(any("-feed-2@" in one for one in before))

    def test_at_night_it_is_quiet_and_in_the_morning_it_says_how_late(self) -> None:
        with patch("django.utils.timezone.now", return_value=self.start):
            evenings = {"weekday": [{"start": 1140, "end": 1320}], "weekend": [{"start": 1140, "end": 1320}]}
            self.baker.ok("PUT", "/api/hours", evenings)
        night = self.at(self.start + timedelta(hours=39))
        morning = self.at(self.start + timedelta(hours=59.5))
        self.assertLessEqual(len(night["sent"]), 1)
        self.assertTrue(all(18 <= datetime.fromisoformat(str(one["sent_at"])).hour <= 22 for one in morning["sent"]))
