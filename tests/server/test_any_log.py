"""Whatever admission took, every page, paper, calendar and the postbox answer: the doors' own fuzz, over the wire."""

from __future__ import annotations

import json
from dataclasses import replace
from datetime import datetime
from uuid import uuid4

from django.utils import timezone
from hypothesis import HealthCheck, given, settings
from hypothesis.extra.django import TestCase

from accounts.models import Account
from exchange.formats import ical, paper
from exchange.services import plan_of_jar, plans_of_kitchen
from ferment.record.log import Log
from ferment.setups import Setup
from guidance import pages
from guidance import services as guidance
from kitchen.models import Jar
from kitchen.services import plan_jar
from logbook.bodies import from_core, to_stored
from logbook.models import Entry
from reminders.services import postbox_of
from tests.core.builders import setup
from tests.core.doors.test_reading_never_refuses import EXAMPLES, lives

BASE = "http://127.0.0.1"


def strictly(document: bytes) -> object:
    def no_number(name: str) -> object:
        raise AssertionError(f"{name} in an answer")

    return json.loads(document, parse_constant=no_number)


class AnyLog(TestCase):
    @settings(max_examples=EXAMPLES // 5, deadline=None, suppress_health_check=list(HealthCheck))
    @given(lives())
    def test_every_page_answers(self, life: tuple[Setup, Log, datetime]) -> None:
        chosen, log, now = life
        account = Account.objects.create(name=str(uuid4()), time_zone="Europe/Lisbon")
        card = plan_jar(account, uuid4(), "Thistle", chosen, chosen.starts_at)
        Entry.objects.bulk_create(
            Entry(id=uuid4(), jar_id=card.id, kind=body.kind, at=body.at, body=to_stored(body), recorded_at=now)
            for body in map(from_core, log)
        )
        kitchen = guidance.kitchen_now(account, now)
        self.assertEqual(kitchen.unread, [])
        strictly(pages.kitchen_page(account, now))
        strictly(pages.jar_page(account, card.id, now))
        strictly(pages.plan_page(account, card.id, now))
        self.assertTrue(ical.calendar(plans_of_kitchen(account, BASE, now), "Kitchen", now).startswith(b"BEGIN"))
        self.assertTrue(paper.sheet(plan_of_jar(account, card.id, BASE, now)).startswith(b"%PDF"))
        postbox_of(account, now)


class OldNames(TestCase):
    def test_a_name_of_two_lines_from_before_they_were_refused(self) -> None:
        account = Account.objects.create(name="Ines", time_zone="Europe/Lisbon")
        card = plan_jar(account, uuid4(), "Thistle", replace(setup(), starts_at=timezone.now()), timezone.now())
        Jar.objects.filter(id=card.id).update(name="Thistle\r\nSUMMARY:x\nand more")
        told = ical.calendar(plans_of_kitchen(account, BASE, timezone.now()), "Kitchen", timezone.now())
        self.assertNotIn(b"\r\nSUMMARY:x\r\n", told)
        plan = plan_of_jar(account, card.id, BASE, timezone.now())
        self.assertEqual(plan.name, "Thistle SUMMARY:x and more")
        self.assertTrue(paper.labels(plan).startswith(b"%PDF"))
