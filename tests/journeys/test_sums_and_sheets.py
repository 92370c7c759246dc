"""Sums without a jar, a sheet that was written by hand, and a log too long to come at once."""

from __future__ import annotations

from uuid import uuid4

from django.utils import timezone

from logbook.bodies import to_stored
from logbook.models import Entry
from logbook.wire import RecordIn
from tests.server.base import look_body

from .base import Journey


class Reckoner(Journey):
    expected = ("422 (Unprocessable",)

    def test_a_feed_from_what_is_kept_and_what_is_refused_stays_typed(self) -> None:
        page = self.browser
        self.enter(self.baker().plan(name="Thistle").mix(30.0), "/reckoner")
        page.sees("How much of what, and when is it at its peak?")
        page.type("Kept", "25")
        page.type("Seed : flour : water", "1:3:2")
        page.sees("Keep 25 g, add 50 g water and 75 g white wheat.")
        page.sees("until its peak")
        self.assertIn("amount=25", page.driver.current_url)
        self.assertEqual(page.axe(), [])
        page.type("Kept", "lots")
        page.until("refused", lambda: "number" in page.text() or None)
        self.assertEqual(page.one("textbox", "Kept").get_attribute("value"), "lots")

    def test_every_sum_opens_and_is_readable(self) -> None:
        page = self.browser
        self.enter(self.baker().plan(name="Thistle").mix(30.0), "/reckoner")
        for name, asks in (
            ("How wet", "How wet is it after these feeds"),
            ("A build", "So much starter by that hour"),
            ("A slip", "Too much went in."),
            ("Spoons and units", "How much is that?"),
            ("For a recipe", "The recipe wants another starter"),
        ):
            page.press("link", name)
            page.sees(asks)
            self.assertEqual(page.axe(), [], name)
            self.assertFalse(page.overflows(), name)


class WrittenSheet(Journey):
    def test_two_rows_become_a_look_and_a_feed(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(30.0)
        self.enter(baker, f"/jars/{baker.jar_id}/plan")
        page.press("link", "Enter a written sheet")
        page.sees("A written sheet of Thistle")
        self.assertEqual(page.axe(), [])
        page.type("Level", "1.4")
        page.press("checkbox", "fed then")
        page.type("Note", "from the fridge door")
        page.press("button", "Write them down")
        page.until("written", lambda: len(baker.jar()["log"]) == 3 or None)
        kinds = [one["entry"]["kind"] for one in baker.jar()["log"]]
        self.assertEqual(sorted(kinds), ["feed", "feed", "look"])


class LongLog(Journey):
    def test_what_is_older_comes_when_it_is_asked_for(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Thistle").mix(60.0)
        bodies = [
            RecordIn.model_validate({"id": str(uuid4()), "seen_feed": None, "entry": look_body(59.0 - count / 4.0)})
            for count in range(104)
        ]
        Entry.objects.bulk_create(
            Entry(
                id=one.id,
                jar_id=baker.jar_id,
                kind=one.entry.kind,
                at=one.entry.at,
                body=to_stored(one.entry),
                recorded_at=timezone.now(),
            )
            for one in bodies
        )
        baker.look(0.1, level={"value": 1.2, "unit": "times"})
        self.enter(baker, f"/jars/{baker.jar_id}")
        page.sees("Log")
        page.sees_not("First mix")
        page.press("button", "Show what is older")
        page.sees("First mix")
        page.until("gone", lambda: not page.all("button", "Show what is older") or None)
