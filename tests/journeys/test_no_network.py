"""The server gone in the middle of a feed, and the page reloaded: it goes on where it was."""

from __future__ import annotations

from typing import Any

from django.core.servers.basehttp import ThreadedWSGIServer
from django.test.testcases import LiveServerThread, QuietWSGIRequestHandler

from .base import Journey


class OneAnswerEach(QuietWSGIRequestHandler):
    """Closes after each answer: no connection outlives the server."""

    protocol_version = "HTTP/1.0"


class GoneWhenStopped(LiveServerThread):
    def _create_server(self, connections_override: Any = None) -> ThreadedWSGIServer:
        return ThreadedWSGIServer(
            (self.host, self.port),
            OneAnswerEach,
            allow_reuse_address=False,
            connections_override=connections_override,
        )


ACTIVE = """
const done = arguments[arguments.length - 1];
navigator.serviceWorker.ready.then(() => fetch("/api/session")).then(() => done(true));
"""


class NoNetwork(Journey):
    server_thread_class = GoneWhenStopped
    # A request may be under way when the server goes, and the browser names that by how far it had come.
    expected = (
        "ERR_CONNECTION_REFUSED",
        "ERR_CONNECTION_RESET",
        "ERR_SOCKET_NOT_CONNECTED",
        "ERR_FAILED",
        "Failed to fetch",
        "no-response",
    )

    def test_a_reload_goes_on_and_what_is_saved_waits(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(24.0)
        self.enter(owner)
        page.driver.execute_async_script(ACTIVE)
        # What is seen once the worker is there is what it keeps.
        page.open("/")
        page.one("link", "Feed")
        page.open(f"/jars/{owner.jar_id}/feed")
        page.press("button", "Next")
        page.type("Water, if not 30 g", "33")
        page.sees("263 g")
        self.server_thread.terminate()
        page.driver.refresh()
        page.sees("Step 2 of 5")
        self.assertEqual(page.one("textbox", "Water, if not 30 g").get_attribute("value"), "33")
        page.sees("263 g")
        self.walk_to_the_end()
        page.press("button", "It is fed")
        page.sees("Not sent yet: Feed of Thistle.")
        page.sees("Thistle is fed.")
        page.press("link", "To the kitchen")
        page.one("tab", "Thistle")
