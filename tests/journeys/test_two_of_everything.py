"""Two pages, two bakers on one device, a device without room, a server that stumbles, a session that ended, a newer
version: nothing lost, nothing under a wrong name."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from unittest import mock

from django.contrib.sessions.models import Session
from django.db import OperationalError

from logbook import services as logbook
from logbook.models import Entry

from .base import PASSWORD, Journey


@contextmanager
def writes_fail(error: type[Exception], only: str = "") -> Iterator[None]:
    """Every entry whose note begins so goes wrong, as often as it is sent."""
    real = logbook.record

    def record(account: object, jar_id: object, entry_id: object, body: object, *rest: object) -> object:
        if getattr(body, "note", "").startswith(only):
            raise error
        return real(account, jar_id, entry_id, body, *rest)  # type: ignore[arg-type]

    with mock.patch.object(logbook, "record", record):
        yield


class OneWrite(Journey):
    expected = (
        # Cut off, the browser cannot fetch what it shows the application by.
        "following icon from the Manifest",
        "500 (Internal",
        "503 (Service",
        "422 (Unprocessable",
        "409 (Conflict",
    )

    def look(self, note: str, jar: str = "") -> None:
        page = self.browser
        page.open(f"/jars/{jar or self.owner.jar_id}/look")
        page.press("toggle", "a few")
        page.type("Note", note)
        page.press("button", "Save the look")

    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(self.owner)

    def notes(self) -> list[str]:
        written = Entry.objects.filter(jar_id=self.owner.jar_id).values_list("body", flat=True)
        return sorted(body["note"] for body in written if body["note"])

    def holds(self, *notes: str) -> None:
        """The log comes to hold these and no others."""
        self.browser.until(f"the notes {notes}", lambda: self.notes() == sorted(notes) or None)

    def test_over_which_the_server_stumbles_for_ever_stands_before_no_other(self) -> None:
        page = self.browser
        with writes_fail(ZeroDivisionError, "bad"):
            self.look("bad")
            page.sees("The kitchen stumbles over this: Look at Thistle.")
            self.assertEqual(page.axe(), [])
            self.look("good")
            page.sees("Look saved.")
            self.holds("good")
            page.sees("The kitchen stumbles over this")
            # It can be looked at and mended where it was typed.
            page.press("button", "Open it again")
            page.until("the note", lambda: page.one("textbox", "Note").get_attribute("value") == "bad" or None)
            page.type("Note", "mended")
            page.press("button", "Save the look")
            page.sees("Look saved.")
        page.sees_not("The kitchen stumbles over this")
        self.holds("good", "mended")

    def test_that_waits_can_be_let_go(self) -> None:
        page = self.browser
        with writes_fail(OperationalError):
            self.look("waits")
            page.sees("Not sent yet: Look at Thistle.")
            page.press("disclosure", "Not sent yet")
            page.press("button", "Let it go")
            page.sees("It never reached the kitchen")
            page.press_element(page.all("button", "Let it go")[-1])
            page.sees_not("Not sent yet")
        page.driver.refresh()
        page.sees("Thistle")
        self.assertEqual(self.notes(), [])

    def test_without_room_on_the_device_is_never_called_kept(self) -> None:
        page = self.browser
        page.open(f"/jars/{self.owner.jar_id}/look")
        page.driver.execute_script(
            "IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); }"
        )
        page.press("toggle", "a few")
        page.type("Note", "no room")
        with writes_fail(OperationalError):
            page.press("button", "Save the look")
            page.sees("There is no room left")
            page.sees_not("Kept on this device")
        self.assertEqual(page.one("textbox", "Note").get_attribute("value"), "no room")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        self.holds("no room")

    def test_from_each_of_two_pages_arrives_once(self) -> None:
        page = self.browser
        first = page.driver.current_window_handle
        with writes_fail(OperationalError):
            self.look("first page")
            page.sees("Not sent yet")
            page.driver.switch_to.new_window("tab")
            second = page.driver.current_window_handle
            self.addCleanup(self.close, first, second)
            self.look("second page")
            page.sees("Not sent yet: Look at Thistle, Look at Thistle")
        page.sees_not("Not sent yet")
        page.driver.switch_to.window(first)
        page.sees_not("Not sent yet")
        self.holds("first page", "second page")

    def close(self, first: str, second: str) -> None:
        self.browser.driver.switch_to.window(second)
        self.browser.driver.close()
        self.browser.driver.switch_to.window(first)

    def test_of_one_baker_never_goes_out_as_another(self) -> None:
        page = self.browser
        self.baker("Noor").plan(name="Of Noor").mix(10.0)
        with writes_fail(OperationalError):
            self.look("of Ines")
            page.sees("Not sent yet")
            page.press("button", "Account of Ines")
            page.press("menuitem", "Sign out")
            page.sees("Still to be sent: Look at Thistle.")
            page.press("button", "Sign out all the same")
            page.one("button", "Sign in")
        self.sign_in("Noor")
        page.sees("Of Noor")
        page.sees_not("Not sent yet")
        page.sees_not("Thistle")
        page.open(f"/jars/{self.owner.jar_id}/look")
        page.sees_not("of Ines")
        self.assertEqual(self.notes(), [])
        page.open("/")
        page.press("button", "Account of Noor")
        page.press("menuitem", "Sign out")
        page.one("button", "Sign in")
        self.sign_in("Ines")
        page.sees("Thistle")
        page.until("the look", lambda: True if self.notes() == ["of Ines"] else None)

    def sign_in(self, name: str) -> None:
        page = self.browser
        page.type("Name", name)
        page.type("Password", PASSWORD)
        page.press_element(page.all("button", "Sign in")[-1])


class TheClock(Journey):
    def test_of_a_device_that_is_ahead_loses_no_look(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(10.0)
        ahead = (
            "const There = Date, by = 6 * 60e3;"
            "Date = class extends There { constructor(...a) { a.length ? super(...a) : super(There.now() + by); }"
            " static now() { return There.now() + by; } };"
        )
        script = page.driver.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": ahead})
        self.addCleanup(page.driver.execute_cdp_cmd, "Page.removeScriptToEvaluateOnNewDocument", script)
        self.enter(owner, f"/jars/{owner.jar_id}/look")
        page.press("toggle", "a few")
        page.press("button", "Save the look")
        page.sees("Look saved.")
        self.assertEqual(len(owner.jar()["log"]), 2)


class Ended(Journey):
    expected = ("401 (Unauthorized",)

    def test_a_session_that_ended_leaves_nothing_of_the_kitchen_behind(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(owner)
        page.sees("Thistle")
        Session.objects.all().delete()

        def shown_out() -> bool | None:
            if page.all("button", "Sign in"):
                return True
            for link in page.all("link", "Signs"):
                page.press_element(link)
            return None

        # The page asks for things of its own accord too: whichever comes first is told that nobody is signed in.
        page.until("the door", shown_out)
        page.sees_not("Thistle")
        kept = page.driver.execute_async_script("caches.has('kitchen').then(arguments[0])")
        self.assertFalse(kept)


class Newer(Journey):
    expected = (
        "Failed to load resource",
        "Failed to fetch dynamically",
        "ERR_BLOCKED",
        "error loading dynamically",
        "Importing",
    )

    def test_a_page_that_a_newer_version_took_away_says_so(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(10.0)
        self.enter(owner)
        page.sees("Thistle")
        page.driver.execute_cdp_cmd("Network.enable", {})
        page.driver.execute_cdp_cmd("Network.setBypassServiceWorker", {"bypass": True})
        page.driver.execute_cdp_cmd(
            "Network.setBlockedURLs", {"urls": ["*/assets/signs*", "*/assets/Page*", "*/assets/*.js"]}
        )
        self.addCleanup(page.driver.execute_cdp_cmd, "Network.setBlockedURLs", {"urls": []})
        page.press("link", "Signs")
        page.sees("A newer version is here.")
        self.assertEqual(page.all("heading", "There is nothing"), [])
        self.block()
        page.press("button", "Go on with it")
        page.sees_not("A newer version is here.")

    def block(self, *urls: str) -> None:
        self.browser.driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": list(urls)})


class Hours(Journey):
    def test_of_two_open_pages_the_last_told_stay(self) -> None:
        page = self.browser
        owner = self.baker()
        self.enter(owner, "/house")
        page.sees("Your hours")
        changed = {"weekday": [{"start": 300, "end": 600}], "weekend": [{"start": 300, "end": 600}]}
        owner.ok("PUT", "/api/hours", changed)
        page.until("what the other device told", self.looks_again)
        # What another device told was not sent back.
        self.assertEqual(owner.ok("GET", "/api/hours"), changed)

    def looks_again(self) -> bool | None:
        """The page asks anew when it is looked at again, some seconds after it asked last."""
        self.browser.driver.execute_script("dispatchEvent(new Event('visibilitychange'))")
        return True if "05:00" in self.browser.text() else None

    def test_the_time_zone_is_changed_and_told(self) -> None:
        page = self.browser
        owner = self.baker()
        self.enter(owner, "/house")
        page.type("Time zone", "Asia/Tokyo")
        page.press("button", "Go by Asia/Tokyo")
        page.sees_not("Go by Asia/Tokyo")
        self.assertEqual(owner.ok("GET", "/api/session")["account"]["time_zone"], "Asia/Tokyo")
