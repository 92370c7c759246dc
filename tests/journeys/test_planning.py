"""Before the first spoon, and on the way: ways side by side, hours, a file brought in, the whole plan, the calendar."""

from __future__ import annotations

import json
import tempfile
from pathlib import Path
from typing import Any

from django.utils import timezone
from selenium.webdriver.common.keys import Keys

from reminders.services import remind_all

from .base import PASSWORD, Journey


class ANewUser(Journey):
    # A number half typed is a number too, and may be one that no kitchen has.
    expected = ("422 (Unprocessable",)

    def test_from_sign_up_to_a_planned_jar_without_reading(self) -> None:
        page = self.browser
        page.sign_up("Ines", PASSWORD)
        page.press("link", "Flour and water")
        self.answer("Yes", "whole rye", "the kitchen", "usual", "Most of the day")
        page.sees("Likely ready on day")
        page.press("button", "Put it on the shelf")
        page.sees("now.")
        page.one("link", "Mix it")

    def test_a_cooler_room_visibly_moves_the_course(self) -> None:
        page = self.browser
        self.board(self.baker())

        def day() -> int:
            heading = page.until("the day", lambda: page.text().partition("Likely ready on day ")[2] or None)
            return int(heading.split()[0])

        page.type("Warmth where it stands", "24")
        page.sees("Likely ready on day")
        warm = day()
        page.type("Warmth where it stands", "17")
        page.until("a later day", lambda: True if day() > warm else None)


def _beside(jars: list[dict[str, Any]]) -> dict[str, Any] | None:
    """The first jar, once it stands beside a thermometer."""
    jar: dict[str, Any] = jars[0]["jar"]
    return jar if jar["thermometer"] else None


class Choosing(Journey):
    def test_half_the_size_is_half_of_everything(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("toggle", "Equal parts by the clock")
        page.sees("Add 45 g water, add 45 g whole wheat.")
        page.press("toggle", "half of it")
        page.sees("Keep 15 g, add 15 g water, add 15 g whole wheat.")

    def test_a_scale_that_tells_tenths_of_a_gram(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("toggle", "Equal parts by the clock")
        page.press("toggle", "half of it")
        page.sees("Add 23 g water, add 23 g whole wheat.")
        page.press("toggle", "0.1 g")
        page.sees("Add 22.5 g water, add 22.5 g whole wheat.")

    def test_a_usual_jar_in_a_usual_place_or_beside_a_thermometer(self) -> None:
        page = self.browser
        owner = self.baker()
        station = owner.ok("POST", "/api/thermometers", {"place": "Larder"})["station"]["id"]
        self.board(owner)
        page.press("toggle", "top of the fridge")
        self.assertEqual(page.one("textbox", "Warmth where it stands").get_attribute("value"), "25")
        page.press("toggle", "large")
        page.press("toggle", "Larder")
        page.press("button", "Put it on the shelf")
        page.one("link", "Mix it")
        jar = page.until("the jar beside it", lambda: _beside(owner.ok("GET", "/api/kitchen")["jars"]))
        self.assertEqual((jar["thermometer"], jar["volume_ml"], jar["warmth_c"]), (station, 500.0, 25.0))

    def test_each_way_tells_its_day_and_what_speaks_against_it(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("toggle", "Spoons and a ruler")
        page.press("toggle", "whole wheat")
        page.press("toggle", "whole rye")
        page.sees("Against it here: seldom doubles in time.")
        self.assertIn("after day", page.text())

    def test_ways_side_by_side_sorted_and_taken(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("disclosure", "Side by side")
        page.until("the ways", lambda: True if len(page.all("row")) > 8 else None)
        page.press("button", "Taken out")
        rows = [page.spaced(row) for row in page.all("row")][1:]
        out = [int(row.split(" g")[-2].split()[-1]) for row in rows]
        self.assertEqual(out, sorted(out))
        self.assertEqual(page.axe(), [])
        page.press("button", "Take it: Small seed, big meal")
        page.sees("Little kept, much added, once a day.")

    def test_a_flour_of_ones_own_stands_first_and_on_the_shopping_list(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.type("Name", "Thistle")
        page.press("disclosure", "Flours on your shelf")
        page.type("What you call it", "Mill rye")
        page.press("button", "Put there")
        page.press("toggle", "Mill rye")
        page.press("toggle", "whole wheat")
        page.press("button", "Put it on the shelf")
        page.press("link", "Plan")
        page.sees("Still to buy")
        page.sees("Mill rye")

    def test_begun_before_it_is_written_down_as_the_way_asks(self) -> None:
        page = self.browser
        owner = self.baker()
        self.board(owner)
        page.type("Name", "Thistle")
        page.press("toggle", "Other time")
        field = page.one("textbox", "Date and time")
        script = (
            "const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;"
            "const at = new Date(Date.now() - 70 * 3600000).toISOString().slice(0, 16);"
            "set.call(arguments[0], at); arguments[0].dispatchEvent(new Event('input', {bubbles: true}));"
        )
        page.driver.execute_script(script, field)
        page.sees("What was done since")
        page.press("button", "Put it on the shelf")
        page.one("tab", "Thistle")
        owner.jar_id = owner.ok("GET", "/api/kitchen")["jars"][0]["jar"]["id"]
        page.until("three feeds", lambda: True if owner.jar()["assessment"]["totals"]["feeds"] >= 3 else None)

    def test_a_method_file_is_sent_out_brought_in_and_a_wrong_one_named(self) -> None:
        type(self).expected = ("422 (Unprocessable",)
        page = self.browser
        owner = self.baker()
        method = {**owner.ok("GET", "/api/methods/wet_rye"), "code": "my_rye"}
        with tempfile.TemporaryDirectory() as folder:
            good, bad = Path(folder, "good.json"), Path(folder, "bad.json")
            good.write_text(json.dumps(method))
            bad.write_text(json.dumps({**method, "phases": []}))
            self.board(owner)
            page.type("Name", "Thistle")
            page.press("disclosure", "A way as a file")
            page.choose_file("Method file", bad)
            page.one("alert", "")
            page.choose_file("Method file", good)
            page.sees("my rye")
            page.press("button", "Use it for this jar")
            page.sees("This jar goes by the file that was brought in")
            self.assertEqual(page.one("textbox", "Name").get_attribute("value"), "Thistle")
            page.press("button", "Put it on the shelf")
            page.sees("Mix Thistle now.")
        self.assertEqual(owner.ok("GET", "/api/kitchen")["jars"][0]["jar"]["family"], "my_rye")


class ThePlan(Journey):
    def setUp(self) -> None:
        super().setUp()
        self.owner = self.baker().plan(name="Thistle").mix(50.0)
        self.owner.feed(20.0)

    def test_days_gone_and_to_come_what_if_and_the_papers(self) -> None:
        page = self.browser
        self.enter(self.owner)
        page.press("link", "Plan")
        page.one("heading", "Plan of Thistle")
        page.sees("Still to buy")
        page.press("disclosure", "The ")
        page.sees("✓")
        page.press("toggle", "half the size")
        page.sees("flour instead of")
        page.press("toggle", "twice a day")
        page.sees("feeds instead of")
        for name in ("Sheet for the fridge door", "Jar labels", "As a calendar file"):
            href = page.one("link", name).get_attribute("href") or ""
            self.assertEqual(self.owner.client.get(href.removeprefix(page.base)).status_code, 200, name)
        self.assertEqual(page.axe(), [])
        page.size(360, 800)
        self.assertFalse(page.overflows())

    def test_hours_are_dragged_by_the_keyboard_and_move_the_next_time(self) -> None:
        page = self.browser
        self.enter(self.owner, "/house")
        page.sees("07:00 to 22:30")
        page.one("slider", "Weekdays: home from").send_keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)
        page.sees("08:00 to 22:30")
        page.press("button", "Weekends: out in between")
        page.sees("07:00 to 09:00 and 19:00 to 22:30")
        page.until(
            "the hours",
            lambda: True if self.owner.ok("GET", "/api/hours")["weekday"][0]["start"] == 480 else None,
        )

    def test_reminders_and_the_calendars_private_address(self) -> None:
        page = self.browser
        self.enter(self.owner, "/house")
        page.sees("Feed Thistle.")
        page.press("button", "Make an address")
        page.sees("Shown this once.")
        self.assertIn("/api/calendar/", page.text())
        page.press("button", "End it")
        page.sees_not("Shown this once.")

    def test_a_notice_of_the_browser_comes_once_for_what_is_due(self) -> None:
        page = self.browser
        # What the browser would show is written down instead, to be read here.
        recorder = (
            "window.shown = [];"
            "const Real = window.Notification;"
            "window.Notification = class { constructor(title, { body }) { shown.push(`${title}: ${body}`); }"
            " static get permission() { return Real.permission; }"
            " static requestPermission() { return Real.requestPermission(); } };"
        )
        allowed = {"permissions": ["notifications"], "origin": self.live_server_url}
        page.driver.execute_cdp_cmd("Browser.grantPermissions", allowed)
        self.addCleanup(page.driver.execute_cdp_cmd, "Browser.resetPermissions", {})
        added = page.driver.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": recorder})
        self.addCleanup(page.driver.execute_cdp_cmd, "Page.removeScriptToEvaluateOnNewDocument", added)

        def shown() -> list[str]:
            told: list[str] = page.driver.execute_script("return window.shown")
            return told

        baker = self.baker("Noor").always_home().plan(name="Pebble").mix(24.2)
        remind_all(timezone.now())
        self.enter(baker, "/house")
        page.sees("Feed Pebble.")
        self.assertEqual(shown(), [])
        page.press("button", "Notices in this browser too")
        page.until("the notice", lambda: shown() or None)
        self.assertEqual(shown(), ["Pebble: Feed Pebble."])
        page.open("/")
        page.sees("Feed Pebble now.")
        self.assertEqual(shown(), [])
