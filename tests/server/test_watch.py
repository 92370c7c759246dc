"""Reminders by their time: a kitchen is looked at when something may be due or has changed, not every minute."""

from __future__ import annotations

from datetime import timedelta
from unittest import mock

from django.db import OperationalError
from django.test import TestCase
from django.utils import timezone

from accounts.models import Account
from guidance.services import kitchen_now
from reminders import services
from reminders.models import Message, Watch

from .base import Baker


class Watches(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home().plan().mix(20.0)
        self.now = timezone.now()

    def looks(self, now_h: float) -> int:
        """How many kitchens are worked out when everybody is to be reminded so many hours from now."""
        with mock.patch.object(services, "kitchen_now", wraps=kitchen_now) as asked:
            services.remind_all(self.now + timedelta(hours=now_h))
        return asked.call_count

    def test_looked_at_once_until_something_may_be_due(self) -> None:
        self.assertEqual([self.looks(0.0), self.looks(0.02), self.looks(0.5)], [1, 0, 0])
        self.assertEqual(self.looks(1.1), 1)

    def test_the_next_act_is_not_missed(self) -> None:
        due = self.baker.jar()["assessment"]["next_move"]["due"]
        self.looks(0.0)
        watch = Watch.objects.get()
        for _ in range(12):
            services.remind_all(watch.next_at)
            watch.refresh_from_db()
            if Message.objects.exists():
                break
        message = Message.objects.get()
        self.assertEqual(message.due.isoformat()[:16], due[:16])
        self.assertLess(message.sent_at - message.due, timedelta(minutes=1))

    def test_what_is_written_or_changed_is_looked_at_again(self) -> None:
        self.looks(0.0)
        self.baker.look(0.0)
        self.assertEqual([self.looks(0.02), self.looks(0.04)], [1, 0])
        self.baker.ok("PUT", "/api/hours", {"weekday": [], "weekend": []})
        self.assertEqual([self.looks(0.06), self.looks(0.08)], [1, 0])
        self.baker.plan(name="Fern")
        self.assertEqual(self.looks(0.10), 1)
        self.baker.ok("PUT", f"/api/jars/{self.baker.jar_id}/shelf", {"on_shelf": False})
        self.assertEqual(self.looks(0.12), 1)

    def test_of_two_workers_one_looks(self) -> None:
        with mock.patch.object(services, "kitchen_now", wraps=kitchen_now) as asked:
            services.remind_all(self.now)
            services.remind_all(self.now + timedelta(seconds=3))
        self.assertEqual(asked.call_count, 1)

    def test_what_a_worker_took_and_died_over_is_taken_in_the_next_round(self) -> None:
        with mock.patch.object(services, "remind", side_effect=OperationalError(2013, "gone")):
            self.assertRaises(OperationalError, services.remind_all, self.now)
        self.assertEqual([self.looks(0.001), self.looks(0.02)], [0, 1])

    def test_what_the_database_takes_back_is_tried_again(self) -> None:
        met = OperationalError(1213, "Deadlock found when trying to get lock; try restarting transaction")
        real = services.remind
        with mock.patch.object(services, "remind", side_effect=[met, met, real(self.baker_account(), self.now)]):
            services.remind_all(self.now)
        self.assertGreater(Watch.objects.get().next_at, self.now)

    def test_a_clock_put_back_keeps_nobody_waiting(self) -> None:
        self.looks(48.0)
        self.baker.look(0.0)
        self.assertEqual(self.looks(0.0), 1)

    def baker_account(self) -> Account:
        return Account.objects.get(name=self.baker.name)
