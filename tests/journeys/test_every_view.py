"""Every main view, by day and by night: no violation that axe-core knows, and a heading that says where one is."""

from __future__ import annotations

from .base import Journey

WITHOUT_A_JAR = ("/", "/new", "/trials", "/signs", "/house", "/yours", "/flour", "/discard", "/practice")


class EveryView(Journey):
    def check(self, name: str) -> None:
        with self.subTest(name):
            self.assertEqual(self.browser.axe(), [])

    def test_the_door(self) -> None:
        self.browser.open("/")
        self.browser.one("button", "Sign in")
        self.check("welcome")

    def test_an_empty_shelf(self) -> None:
        self.enter(self.baker())
        self.browser.sees("The shelf is empty.")
        self.check("empty shelf")

    def test_the_demo_kitchen(self) -> None:
        page = self.browser
        self.enter_demo()
        page.press("tab", "Harbour")
        jar = page.one("link", "Rise line and log").get_attribute("href")
        assert jar is not None
        name = page.name(page.one("tab", "Harbour")).split()[0]
        views: tuple[tuple[str, str, str], ...] = (
            ("/", "tab", name),
            ("/new", "heading", "A new jar"),
            ("/signs", "heading", "What does it show"),
            ("/trials", "heading", "Side by side"),
            ("/house", "heading", "Several hands"),
            ("/yours", "heading", "Your data"),
            ("/flour", "heading", "Where the flour went"),
            ("/discard", "heading", "Discard jar"),
            ("/practice", "heading", "Practice"),
            ("", "heading", name),
        )
        views += (("/look", "heading", "Look at"), ("/feed", "heading", "Feed"))
        views += (("/bin", "heading", "Bin all of"), ("/plan", "heading", "Plan of"))
        views += (("/change", "heading", "What changes"), ("/keep", "heading", "How often"))
        views += (
            ("/bake", "heading", "A bake with"),
            ("/part", "heading", "Take some of"),
            ("/away", "heading", "Away"),
            ("/beside", "heading", "Side by side"),
        )
        for theme in ("day", "night"):
            if theme == "night":
                page.press("button", "Dim for the night")
            for path, role, heading in views:
                page.open(path if path in WITHOUT_A_JAR else jar.removeprefix(page.base) + path)
                page.one(role, heading)
                for fold in page.all("disclosure"):
                    page.press_element(fold)
                self.check(f"{heading} by {theme}")
            page.open("/trials")
            page.press("link", "All rye, or with half-white")
            page.one("heading", "What it did")
            for fold in page.all("disclosure"):
                page.press_element(fold)
            self.check(f"a trial by {theme}")

    def test_an_address_that_leads_nowhere(self) -> None:
        self.enter(self.baker(), "/nowhere/at/all")
        self.browser.sees("There is nothing at this address.")
        self.check("nowhere")

    def test_another_bakers_jar_is_not_here(self) -> None:
        type(self).expected = ("404 (Not Found)",)
        owner = self.baker("Noor").plan()
        self.enter(self.baker(), f"/jars/{owner.jar_id}")
        self.browser.sees("This jar is not on your shelf.")

    def test_the_rise_line_is_a_table_too(self) -> None:
        page = self.browser
        owner = self.baker().plan(name="Thistle").mix(20.0)
        owner.look(10.0)
        self.enter(owner, f"/jars/{owner.jar_id}")
        page.press("disclosure", "The same as a table")
        rows = page.until("the table", lambda: page.all("row") or None)
        told = [page.spaced(row) for row in rows]
        self.assertRegex(told[1], "First mix 1 ×$")
        self.assertRegex(told[2], "Look 1.5 ×$")
        self.assertRegex(told[3], "Forecast .* between ")
