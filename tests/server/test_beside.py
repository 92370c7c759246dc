"""Jars side by side, over the wire: whose they are, how many, and what is told of them."""

from __future__ import annotations

from django.test import TestCase

from .base import Baker


class SideBySide(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home()
        self.jars = []
        for name, flour in (("Plain", "whole_wheat"), ("Dark", "rye")):
            self.baker.plan(name=name)
            self.baker.last_feed = None
            self.baker.feed(50.0, keep_g=0.0, flours=[{"flour": flour, "g": 30.0}])
            self.baker.look(40.0, smell=["fruity"], level={"value": 1.4, "unit": "times"})
            self.jars.append(self.baker.jar_id)

    def test_what_differs_and_what_was_read(self) -> None:
        plain, dark = self.jars
        told = self.baker.ok("GET", f"/api/jars/{plain}/beside?other={dark}")
        self.assertEqual((told["apart"], told["differences"]), (["flour"], []))
        self.assertEqual([jar["name"] for jar in told["jars"]], ["Plain", "Dark"])
        self.assertEqual([(jar["smells"], jar["smelt_of"]) for jar in told["jars"]], [({"fruity": 1}, 1)] * 2)
        self.assertEqual([jar["rounds"][0]["levels"][0]["times"] for jar in told["jars"]], [1.4, 1.4])
        self.assertEqual({jar["grown_since"] for jar in told["jars"]}, {None})

    def test_two_to_four_each_once(self) -> None:
        plain, dark = self.jars
        path = f"/api/jars/{plain}/beside"
        more = []
        for name in ("Third", "Fourth", "Fifth"):
            self.baker.plan(name=name)
            more.append(self.baker.jar_id)
        for others in ([plain], [dark, dark], [dark, *more]):
            with self.subTest(len(others)):
                query = "&".join(f"other={one}" for one in others)
                status, code, field = self.baker.problem("GET", f"{path}?{query}")
                self.assertEqual((status, code, field), (422, "out_of_range", "other"))
        self.assertEqual(self.baker.problem("GET", path)[:2], (422, "missing"))

    def test_another_bakers_jar_stands_beside_none(self) -> None:
        stranger = Baker("Noor").sign_up().plan(name="Theirs").mix(20.0)
        mine, theirs = self.jars[0], stranger.jar_id
        self.assertEqual(self.baker.problem("GET", f"/api/jars/{mine}/beside?other={theirs}")[:2], (404, "not_found"))
        self.assertEqual(stranger.problem("GET", f"/api/jars/{theirs}/beside?other={mine}")[:2], (404, "not_found"))
