"""A kitchen kept since any past version opens today: its schema is brought up, its bodies are read as they were."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any
from uuid import uuid4

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase

import kitchen
from accounts.models import Account
from guidance.services import jar_now, kitchen_now, planned_jar
from kitchen.models import Jar
from reminders.services import postbox_of

START = datetime(2026, 3, 2, 8, 0, tzinfo=UTC)
NOW = START + timedelta(hours=80)
FLOURS = [{"flour": "spelt", "g": 20.0}, {"flour": "rye", "g": 10.0}]
FEED: dict[str, Any] = {"keep_g": 30.0, "flours": FLOURS, "water_g": 30.0, "salt_g": 0.0, "line_mm": None, "note": ""}
LOOK: dict[str, Any] = {
    "level": {"value": 1.5, "unit": "times"},
    "bubbles": "few",
    "top": [],
    "smell": ["yoghurt"],
    "thickness": None,
}
CHOSEN = {"every_hours": 24, "seed_grams": 30.0, "blend": {"spelt": 2.0, "rye": 1.0}}

# What was stored of a feed and of a look, by the first migration of the kitchen with which it was stored so.
Body = dict[str, Any]
BODIES: dict[str, tuple[Body, Body]] = {
    "0001_initial": (FEED, {**LOOK, "note": "first"}),
    "0002_size_and_warmth": ({**FEED, "juice_g": 0.0}, {**LOOK, "note": ""}),
    "0003_ready_after": (
        {**FEED, "juice_g": 0.0, "discard_to": "compost"},
        {**LOOK, "high": {"value": 1.9, "unit": "times"}, "ph": 4.1, "celsius": 22.0, "floats": None, "note": ""},
    ),
}
# The other bodies, as they have been since they were first asked for.
OTHERS: dict[str, list[tuple[str, Body]]] = {
    "0003_ready_after": [("deed", {"did": "stirred", "note": ""}), ("leave", {"until": None, "note": ""})],
    "0009_lineage": [
        ("moved", {"warmth_c": 20.0, "night_c": None, "thermometer": None, "note": ""}),
        (
            "jar",
            {"tare_g": 210.0, "volume_ml": 700.0, "height_mm": 140.0, "flare": 1.0, "line_mm": None, "note": ""},
        ),
        ("flour", {"blends": [{"rye": 1.0}, {"white": 3.0, "spelt": 1.0}], "note": ""}),
        ("rhythm", {"every_h": 12.0, "note": ""}),
        ("amount", {"size": 1.0, "seed_g": 20.0, "flour_parts": None, "hydration_percent": 90.0, "note": ""}),
        ("use", {"g": 5.0, "used_for": "gift", "bake": None, "note": ""}),
        ("put_back", {"flours": [{"flour": "rye", "g": 5.0}], "water_g": 5.0, "note": ""}),
        ("way", {"family": "wake_and_keep", "choices": {"way": "counter"}, "size": 1.0, "note": ""}),
        (
            "bake",
            {
                "mixed_at": (START + timedelta(hours=200)).isoformat(),
                "grams": 50.0,
                "feeds": [],
                "leaves_g": 20.0,
                "every_days": 7,
                "note": "",
            },
        ),
    ],
    "0004_hands_and_thermometer": [("word", {"about": "ready", "yes": False, "note": ""})],
}
PAST = sorted(
    path.stem for path in Path(kitchen.__path__[0], "migrations").glob("0*.py") if path.stem != "0008_keep_the_method"
)


class EveryPastVersion(TransactionTestCase):
    """From each migration of the kitchen on, with a log in the form of its day."""

    def tearDown(self) -> None:
        self.bring_up()

    def bring_up(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(executor.loader.graph.leaf_nodes())

    def as_of(self, name: str) -> Any:
        """The database as that version left it, and its models."""
        executor = MigrationExecutor(connection)
        executor.migrate([("kitchen", name)])
        executor = MigrationExecutor(connection)
        rest = [node for node in executor.loader.graph.leaf_nodes() if node[0] in ("accounts", "logbook")]
        executor.migrate(rest)
        return MigrationExecutor(connection).loader.project_state([("kitchen", name), *rest]).apps

    def lay(self, apps: Any, since: str) -> tuple[str, object, int]:
        account = apps.get_model("accounts", "Account").objects.create(name=f"Ines {since}", time_zone="Europe/Lisbon")
        shelf = apps.get_model("kitchen", "Kitchen").objects.create(id=uuid4(), owner=account)
        jar = apps.get_model("kitchen", "Jar").objects.create(
            id=uuid4(),
            kitchen=shelf,
            name="Thistle",
            family="equal_parts",
            choices=CHOSEN,
            tare_g=200.0,
            volume_ml=400.0,
            height_mm=100.0,
            scale_step=1.0,
            starts_at=START,
        )
        feed, look = next(bodies for name, bodies in reversed(BODIES.items()) if name <= since)
        log: list[tuple[str, Body]] = [
            ("feed", {**feed, "keep_g": 0.0}),
            ("look", look),
            ("feed", feed),
            ("look", look),
        ]
        log += [entry for name, entries in OTHERS.items() if name <= since for entry in entries]
        entries = apps.get_model("logbook", "Entry").objects
        for number, (kind, body) in enumerate(log):
            # None of them after the moment at which the kitchen is opened.
            at = START + timedelta(hours=min(12.0 * number, 66.0 + number * 0.5))
            until = {"until": (at + timedelta(hours=3)).isoformat()} if kind == "leave" else {}
            entries.create(
                id=uuid4(), jar_id=jar.id, kind=kind, at=at, body={**body, **until}, recorded_at=at, recorded_by=account
            )
        return account.name, jar.id, len(log)

    def test_a_kitchen_of_every_past_version_opens(self) -> None:
        self.assertEqual(PAST[0], "0001_initial")
        for since in PAST:
            with self.subTest(since):
                name, jar_id, entries = self.lay(self.as_of(since), since)
                self.bring_up()
                account = Account.objects.get(name=name)
                found = kitchen_now(account, NOW)
                self.assertEqual((len(found.jars), found.unread), (1, []))
                self.assertEqual(len(jar_now(account, found.jars[0].card.id, NOW).entries), entries)
                self.assertEqual(found.jars[0].assessment.day, 4)
                self.assertTrue(planned_jar(account, found.jars[0].card.id, NOW).plan.steps)
                postbox_of(account, NOW)
                if since < "0008":
                    self.assertIsNotNone(Jar.objects.get(id=found.jars[0].card.id).method)
                self.assertEqual(found.jars[0].card.id, jar_id)
