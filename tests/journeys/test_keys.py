"""Keys of a laptop: they press what is there, are off where one types, and go away by one switch."""

from __future__ import annotations

from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from logbook.models import Entry

from .base import Journey


class KeysOfALaptop(Journey):
    def letter(self, *letters: str) -> None:
        self.browser.driver.find_element(By.TAG_NAME, "body").send_keys(*letters)

    def test_they_lead_about_and_undo(self) -> None:
        page = self.browser
        baker = self.baker().always_home()
        baker.plan(name="Heron").mix(30.0)
        baker.last_feed = None
        baker.plan(name="Moth").mix(30.0)
        baker.look(2.0)
        self.enter(baker)
        page.one("tab", "Heron")
        first = page.until("a chosen jar", lambda: self.chosen())
        self.letter("j")
        page.until("the next jar", lambda: True if self.chosen() not in (None, first) else None)
        self.letter("l")
        page.one("heading", "Look at")
        self.letter("s")
        page.one("heading", "What does it show")
        self.letter("k")
        page.one("tab", "Moth")
        page.open(f"/jars/{baker.jar_id}")
        page.sees("Undo the latest")
        self.letter("u")
        page.sees("Undone: look.")

    def chosen(self) -> str | None:
        tabs = [one for one in self.browser.all("tab") if one.get_attribute("aria-selected") == "true"]
        return self.browser.name(tabs[0]) if tabs else None

    def test_they_are_listed_shown_and_turned_off(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Moth").mix(30.0)
        self.enter(baker)
        page.one("tab", "Moth")
        self.letter("?")
        page.sees("The next jar on the shelf")
        self.assertEqual(page.axe(), [])
        page.press("checkbox", "Show them on their buttons")
        page.press("button", "Close")
        page.one("link", "Look L")
        self.letter("?")
        page.press("checkbox", "Keys are on")
        page.press("button", "Close")
        page.one("link", "Look")
        self.letter("s", "?")
        page.sees_not("The next jar on the shelf")
        page.one("tab", "Moth")

    def test_who_types_types(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Moth").mix(30.0)
        self.enter(baker, f"/jars/{baker.jar_id}/look")
        note = page.one("textbox", "Note")
        note.send_keys("f s n ?")
        self.assertEqual(note.get_attribute("value"), "f s n ?")
        note.send_keys(Keys.TAB)
        page.one("heading", "Look at")

    def test_a_line_is_a_look_or_a_feed_once_it_is_understood(self) -> None:
        page = self.browser
        self.enter(self.baker().always_home().plan(name="Moth").mix(30.0))
        page.one("textbox", "In a line")
        self.letter("q")
        line = page.driver.switch_to.active_element
        line.send_keys("1.8x domed apple, lively")
        page.sees("Look: 1.8 × · domed · smells of apple, fruit")
        page.sees("Not understood, kept as a note: lively")
        self.assertEqual(page.axe(), [])
        line.send_keys(Keys.ENTER)
        page.sees("1.8 × today")
        line.send_keys("fed 30 30")
        page.sees("Write what you saw")
        line.send_keys(" 30", Keys.ENTER)
        page.sees("Feed of Moth")
        kinds = Entry.objects.filter(withdrawn_at=None).order_by("recorded_at").values_list("kind", flat=True)
        page.until("both written", lambda: list(kinds.all()) == ["feed", "look", "feed"] or None)
