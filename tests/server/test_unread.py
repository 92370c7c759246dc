"""A jar that cannot be told is told as that jar, and stops nothing else."""

from __future__ import annotations

import logging
from collections.abc import Callable
from datetime import datetime
from unittest import mock

from django.db.models import F
from django.test import TestCase
from django.utils import timezone

from ferment.doors import assessment
from guidance import services as guidance
from guidance import told_now, unread
from kitchen.models import Jar, Kitchen
from logbook.models import Entry
from reminders import services as reminders

from .base import Baker, feed_body, new_jar, record


class OneBrokenJar(TestCase):
    """A kitchen of two jars, of which one cannot be read."""

    def setUp(self) -> None:
        unread._said.clear()
        self.baker = Baker("Ines").sign_up().always_home().plan(name="Thistle").mix(60.0)
        self.broken = self.baker.jar_id
        self.feed = self.baker.feed(30.0)["id"]
        self.baker.look(20.0)
        self.baker.last_feed = None
        self.baker.plan(name="Harbour").mix(30.0)
        self.sound = self.baker.jar_id

    def break_the_feed(self, **parts: object) -> None:
        entry = Entry.objects.get(id=self.feed)
        entry.body = {**entry.body, **parts}
        entry.save()
        # As after an upgrade: nothing that was read before is known any more.
        Jar.objects.filter(id=self.broken).update(revision=F("revision") + 1)

    def calendar(self) -> str:
        address = self.baker.ok("POST", "/api/calendar")["address"]
        return self.baker.client.get(address).content.decode()

    def assert_kitchen_goes_on(self) -> None:
        kitchen = self.baker.ok("GET", "/api/kitchen")
        self.assertEqual([one["jar"]["name"] for one in kitchen["jars"]], ["Harbour"])
        self.assertEqual([one["name"] for one in kitchen["unread"]], ["Thistle"])
        self.assertEqual(self.baker.ok("GET", f"/api/jars/{self.sound}")["jar"]["name"], "Harbour")
        self.baker.ok("GET", "/api/postbox")
        text = self.calendar()
        self.assertIn("Harbour", text)
        self.assertNotIn("Thistle", text)
        for path in ("", "/plan", "/calendar.ics"):
            status, code, _ = self.baker.problem("GET", f"/api/jars/{self.broken}{path}")
            self.assertEqual((status, code), (409, "jar_unreadable"), path)

    def assert_mended_by_undoing(self, entry: str) -> None:
        opened = self.baker.ok("GET", f"/api/jars/{self.broken}/unread")
        self.assertEqual(opened["stands_on"], entry)
        self.assertEqual(len(opened["log"]), 3)
        self.baker.ok("POST", f"/api/log/{entry}/withdraw")
        self.assertIsNone(self.baker.ok("GET", f"/api/jars/{self.broken}/unread")["cause"])
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["unread"], [])

    def test_an_entry_of_a_form_to_come(self) -> None:
        self.break_the_feed(form=99)
        with self.assertLogs("despertar.guidance", logging.ERROR) as said:
            self.assert_kitchen_goes_on()
        self.assertEqual(len(said.records), 1)
        opened = self.baker.ok("GET", f"/api/jars/{self.broken}/unread")
        self.assertEqual(opened["cause"]["code"], "stored_too_new")
        self.assertEqual([one["entry"] is None for one in opened["log"]], [False, True, False])
        self.assert_mended_by_undoing(self.feed)

    def test_an_entry_with_a_value_that_is_known_no_more(self) -> None:
        self.break_the_feed(flours=[{"flour": "moonwheat", "g": 20.0}])
        self.assert_kitchen_goes_on()
        cause = self.baker.ok("GET", f"/api/jars/{self.broken}/unread")["cause"]
        self.assertEqual((cause["code"], cause["about"]), ("stored_broken", "feed.flours.0.flour"))
        self.assert_mended_by_undoing(self.feed)

    def test_an_entry_that_the_rules_make_nothing_of(self) -> None:
        """Whatever goes wrong in the core, with which entry it began is found."""
        real, real_stood = assessment.assess, assessment.stood

        def fails(door: Callable[..., object]) -> Callable[..., object]:
            def told(setup: object, log: tuple[object, ...], *rest: object) -> object:
                if any(getattr(one, "id", None) == self.feed for one in log):
                    raise ZeroDivisionError
                return door(setup, log, *rest)

            return told

        broken = [
            mock.patch.object(told_now, "stood", fails(real_stood)),
            mock.patch.object(guidance, "assess", fails(real)),
            mock.patch.object(unread, "assess", fails(real)),
        ]
        with broken[0], broken[1], broken[2]:
            self.assert_kitchen_goes_on()
            self.assert_mended_by_undoing(self.feed)

    def test_a_part_that_is_known_no_more_is_passed_over_and_stays(self) -> None:
        self.break_the_feed(poured_from="left")
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["unread"], [])
        self.baker.ok("GET", f"/api/jars/{self.broken}")
        self.assertEqual(Entry.objects.get(id=self.feed).body["poured_from"], "left")

    def test_an_undone_entry_that_cannot_be_read_stays_undone(self) -> None:
        self.break_the_feed(form=99)
        self.baker.ok("POST", f"/api/log/{self.feed}/withdraw")
        self.assertEqual(len(self.baker.ok("GET", f"/api/jars/{self.broken}")["log"]), 2)
        self.assertEqual(self.baker.problem("POST", f"/api/log/{self.feed}/restore"), (409, "jar_unreadable", "id"))

    def test_nothing_more_is_written_into_a_log_that_cannot_be_read(self) -> None:
        self.break_the_feed(form=99)
        body = record(feed_body(1), self.feed)
        self.assertEqual(
            self.baker.problem("POST", f"/api/jars/{self.broken}/log", body), (409, "jar_unreadable", "id")
        )

    def test_a_method_that_cannot_be_read(self) -> None:
        jar = Jar.objects.get(id=self.broken)
        assert jar.method
        jar.method["phases"][0]["after"] = {"kind": "at_the_tide"}
        jar.save()
        self.assert_kitchen_goes_on()
        opened = self.baker.ok("GET", f"/api/jars/{self.broken}/unread")
        self.assertEqual(opened["cause"]["code"], "method_form")
        self.assertIsNone(opened["stands_on"])

    def test_an_option_that_is_called_otherwise_now(self) -> None:
        Jar.objects.filter(id=self.broken).update(choices={"every_moon": 1.0})
        self.assert_kitchen_goes_on()

    def test_others_are_reminded_when_one_cannot_be(self) -> None:
        other = Baker("Noor").sign_up().always_home().plan().mix(30.0)
        real = reminders.remind

        def fails(account: object, now: object) -> tuple[int, datetime]:
            if getattr(account, "name", "") == "Ines":
                raise ZeroDivisionError
            return real(account, now)  # type: ignore[arg-type]

        with mock.patch.object(reminders, "remind", fails), self.assertLogs("despertar.reminders", logging.ERROR):
            self.assertGreater(reminders.remind_all(timezone.now()), 0)
        self.assertTrue(other.ok("GET", "/api/postbox")["sent"])


class WhatIsKept(TestCase):
    def test_a_jar_goes_on_by_the_method_it_was_planned_with(self) -> None:
        baker = Baker("Ines").sign_up().plan().mix(30.0)
        before = baker.jar()["assessment"]["timeline"]
        # The catalogue has lost the family since.
        Jar.objects.filter(id=baker.jar_id).update(family="gone_from_the_catalogue")
        after = baker.jar()["assessment"]["timeline"]
        self.assertEqual([step["plan"] for step in after], [step["plan"] for step in before])

    def test_hours_and_flours_that_cannot_be_read_are_as_if_never_told(self) -> None:
        baker = Baker("Ines").sign_up().plan()
        usual = baker.ok("GET", "/api/hours")
        for hours, flours in (({"monday": []}, [{"name": "x"}]), ({"form": 9}, {"form": 9}), ({"weekday": 3}, 7)):
            with self.subTest(hours=hours):
                Kitchen.objects.update(hours=hours, flours=flours)
                self.assertEqual(baker.ok("GET", "/api/hours"), usual)
                self.assertEqual(baker.ok("GET", "/api/flours"), {"flours": []})
                baker.jar()

    def test_of_a_shelf_only_the_unknown_flour_is_left_out(self) -> None:
        baker = Baker("Ines").sign_up().plan()
        shelf = [{"flour": "moonwheat", "name": "?"}, {"flour": "rye", "name": "Hill rye"}]
        Kitchen.objects.update(flours=shelf)
        (rye,) = baker.ok("GET", "/api/flours")["flours"]
        self.assertEqual({**rye, **shelf[1]}, rye)

    def test_a_new_jar_is_stored_with_its_whole_method(self) -> None:
        baker = Baker("Ines").sign_up()
        jar = baker.ok("POST", "/api/jars", new_jar())
        method = Jar.objects.get(id=jar["id"]).method
        self.assertEqual((method or {}).get("code"), "equal_parts")
