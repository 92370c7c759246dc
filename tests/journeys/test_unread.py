"""A jar that cannot be told: the kitchen goes on, and the jar is mended on its own page."""

from __future__ import annotations

from logbook.models import Entry

from .base import Journey


class OneBrokenJar(Journey):
    expected = ("409 (Conflict)",)

    def test_seen_in_the_kitchen_and_mended_by_undoing(self) -> None:
        page = self.browser
        baker = self.baker().plan(name="Harbour").mix(30.0)
        baker.last_feed = None
        baker.plan(name="Thistle").mix(60.0)
        fed = baker.feed(30.0)["id"]
        entry = Entry.objects.get(id=fed)
        Entry.objects.filter(id=fed).update(body={**entry.body, "form": 99})
        self.enter(baker)
        page.one("tab", "Harbour")
        page.sees("Thistle cannot be read just now.")
        self.assertEqual(page.axe(), [])
        page.press("link", "See why, and mend Thistle")
        page.sees("This was written by a newer Despertar.")
        page.sees("What it says cannot be read here.")
        self.assertEqual(page.axe(), [])
        page.press("button", "Undo this entry")
        page.sees("Rise line")
        page.open(f"/jars/{baker.jar_id}/feed")
        page.sees("Thistle")
