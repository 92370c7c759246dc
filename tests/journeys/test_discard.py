"""The discard jar and the flour ledger: given to at a feed, used, looked at, undone; and where the flour went."""

from __future__ import annotations

from tests.server.base import Baker

from .base import Journey


class NothingWasted(Journey):
    # More is asked for than there is, once.
    expected = ("/api/discard - Failed to load resource: the server responded with a status of 422",)

    def sour_jar(self) -> Baker:
        """Awake, sour and clean, and due for its next feed."""
        baker = self.baker().always_home().plan(name="Thistle").mix(250.0)
        for day in range(1, 10):
            baker.feed(250.0 - 24.0 * day)
            baker.look(
                244.0 - 24.0 * day, level={"value": 2.1, "unit": "times"}, smell=["fruity"], bubbles="throughout"
            )
        return baker

    def test_a_feed_gives_its_discard_and_pancakes_take_it(self) -> None:
        page = self.browser
        baker = self.sour_jar()
        self.enter(baker, "/discard")
        page.sees("Nothing is in it yet.")
        page.open(f"/jars/{baker.jar_id}/feed")
        self.walk_to_the_end()
        page.press("toggle", "Discard jar")
        page.press("button", "It is fed")
        page.press("link", "To the kitchen")
        page.press("link", "Discard jar")
        page.sees("60 g, from today.")
        page.sees("All of it holds rye and spelt (a wheat): gluten.")
        self.assertEqual(page.axe(), [])
        page.type("How much", "500")
        page.press("button", "Take it out")
        page.sees("There is not so much in it. There are 60 g.")
        page.type("How much", "40")
        page.type("What for", "crackers")
        page.press("button", "Take it out")
        page.sees("20 g, from today.")
        page.sees("Taken out 40 g for crackers")
        page.press("button", "Undo")
        page.sees("60 g, from today.")
        page.type("It holds", "60")
        page.press("button", "That large")
        page.sees("The jar itself holds 60 ml.")
        page.sees("It is full.")
        page.press("toggle", "fuzzy spots")
        page.press("button", "Keep this")
        page.sees("Fuzzy, pink or orange: that is spoilage.")
        page.press("button", "Washed")
        page.sees("Empty, and washed.")

    def test_less_waste_before_the_first_spoon(self) -> None:
        page = self.browser
        self.board(self.baker())
        page.press("toggle", "Equal parts by the clock")
        page.sees("the same days, and")
        page.press("button", "Take that size")
        page.sees_not("the same days, and")
        self.assertEqual(page.axe(), [])

    def test_where_the_flour_went_is_read_at_a_glance_and_line_by_line(self) -> None:
        page = self.browser
        baker = self.sour_jar()
        self.enter(baker, "/house")
        page.press("toggle", "whole rye")
        page.type("What you call it", "Mill rye")
        page.type("A kilo costs", "2.40")
        page.press("button", "Put there")
        page.sees("2.40 a kilo")
        page.press("link", "Where the flour went")
        page.one("heading", "Where the flour went")
        page.sees("thrown out")
        page.sees("0.24 and more")
        page.press("toggle", "By month")
        self.assertEqual(page.axe(), [])

    def test_bags_run_down_by_feeds_and_what_runs_out_is_replaced_by_a_press(self) -> None:
        page = self.browser
        baker = self.baker().always_home().plan(name="Thistle").mix(50.0)
        baker.feed(26.0)
        self.enter(baker, "/house")
        for kind, name, much in (
            ("whole rye", "Mill rye", "25"),
            ("whole rye", "Shop rye", "10"),
            ("spelt", "Old spelt", "900"),
        ):
            page.press("toggle", kind)
            page.type("What you call it", name)
            page.type("In the bag", much)
            page.press("button", "Put there")
            page.sees(name)
        page.press("link", "Where the flour went")
        page.sees("35 g left: enough until")
        page.sees("To buy, until")
        self.assertEqual(page.axe(), [])
        page.press("button", "Weigh it Mill rye")
        page.type("In the bag", "5")
        page.press("button", "So much is in it")
        page.sees("15 g left: enough until")
        page.press("button", "Thistle: spelt instead of whole rye")
        page.sees("15 g left; no plan asks for it.")

    def test_less_waste_on_a_running_jar_is_taken_by_a_press(self) -> None:
        page = self.browser
        baker = self.baker().always_home()
        baker.plan(name="Moth", family="stiff_warm", volume_ml=900.0, height_mm=150.0, choices={}).mix(13.0)
        self.enter(baker, f"/jars/{baker.jar_id}/plan")
        page.one("heading", "Less waste from here on")
        page.sees("less thrown out")
        self.assertEqual(page.axe(), [])
        page.press("button", "Waste less so One feed a day")
        page.sees_not("One feed a day")
