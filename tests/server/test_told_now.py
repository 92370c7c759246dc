"""What is kept of a minute is what would be worked out anew, and never of before the last write."""

from __future__ import annotations

from datetime import timedelta
from unittest import mock
from uuid import uuid4

from django.test import TestCase
from django.utils import timezone

from ferment.doors.assessment import assess
from ferment.record.log import Log
from guidance import services as guidance
from guidance import told_now as kept
from kitchen.cards import JarCard, Lineage

from ..core.builders import START, daily, hours, look, setup
from .base import Baker


def card(log: Log) -> JarCard:
    return JarCard(
        uuid4(),
        uuid4(),
        "Thistle",
        on_shelf=True,
        owner="Ines",
        revision=len(log),
        setup=setup(),
        thermometer=None,
        lineage=Lineage(None, ()),
    )


class ToldNow(TestCase):
    def test_the_same_with_and_without(self) -> None:
        log = (*daily(3), look(80, 1.4))
        jar = card(log)
        for late_s in (0.0, 17.0, 59.0):
            now = START + hours(90) + timedelta(seconds=late_s)
            with self.subTest(seconds=late_s):
                told = kept.told_now(jar, log, now)
                self.assertEqual(told.assessment, assess(setup(), log, kept.moment_of(setup(), log, now)))
                self.assertIs(kept.told_now(jar, log, now), told)

    def test_the_same_at_another_worker_which_follows_no_log_again(self) -> None:
        log = (*daily(3), look(80, 1.4))
        jar, now = card(log), START + hours(90)
        told = kept.told_now(jar, log, now).assessment
        kept._kept.clear()
        with mock.patch.object(kept, "forecast", side_effect=AssertionError):
            self.assertEqual(kept.told_now(jar, log, now).assessment, told)

    def test_an_entry_of_this_minute_is_no_future(self) -> None:
        now = START + hours(90) + timedelta(seconds=40)
        log = (*daily(3), look(90, 1.5))
        late = (*daily(3), look(90 + 30 / 3600, 1.5))
        ahead = (*daily(3), look(90 + 50 / 3600, 1.5))
        self.assertEqual(kept.moment_of(setup(), log, now), START + hours(90))
        self.assertEqual(kept.moment_of(setup(), late, now), START + hours(90 + 30 / 3600))
        self.assertEqual(kept.holds_until(setup(), log, now), START + hours(90) + timedelta(seconds=60))
        self.assertEqual(kept.holds_until(setup(), ahead, now), START + hours(90) + timedelta(seconds=50))

    def test_a_write_is_seen_at_once(self) -> None:
        baker = Baker("Ines").sign_up().always_home().plan().mix(20.0)
        before = baker.jar()["assessment"]["since_feed"]["last"]
        baker.look(0.0, level={"value": 1.3, "unit": "times"})
        after = baker.jar()["assessment"]["since_feed"]["last"]
        self.assertEqual((before, after["times"]), (None, 1.3))

    def test_asked_twice_it_is_worked_out_once(self) -> None:
        baker = Baker("Ines").sign_up().always_home().plan().mix(20.0)
        now = timezone.now().replace(second=10)
        with mock.patch("django.utils.timezone.now", return_value=now):
            baker.jar()
            with mock.patch.object(kept, "stood", side_effect=AssertionError):
                baker.ok("GET", "/api/kitchen")
                baker.jar()
            with mock.patch.object(guidance, "jar_now", side_effect=AssertionError):
                baker.jar()
