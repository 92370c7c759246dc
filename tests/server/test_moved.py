"""A feed or a look that was noted with the wrong jar in hand goes over to its own, its photos with it."""

from __future__ import annotations

import base64
from uuid import uuid4

from django.test import TestCase

from photos.models import Photo

from .base import Baker, ago, files_of_its_own, look_body, new_jar
from .test_photos import jpeg


class Moved(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        self.baker = Baker("Ines").sign_up().always_home().plan().mix(50.0)
        self.wrong = self.baker.jar_id
        self.baker.last_feed = None
        self.baker.plan(name="Fern").mix(49.0)
        self.right = self.baker.jar_id

    def levels(self, jar_id: str) -> list[str]:
        self.baker.jar_id = jar_id
        return [one["id"] for one in self.baker.jar()["log"]]

    def test_a_look_with_its_photo(self) -> None:
        self.baker.jar_id = self.wrong
        look = self.baker.look(2.0)["id"]
        photo = {
            "id": str(uuid4()),
            "at": ago(2.0),
            "look": look,
            "points": None,
            "photo": base64.b64encode(jpeg()).decode(),
        }
        self.baker.ok("POST", f"/api/jars/{self.wrong}/photos", photo)
        for _ in range(2):
            self.baker.ok("POST", f"/api/log/{look}/move", {"jar_id": self.right})
        self.assertNotIn(look, self.levels(self.wrong))
        self.assertIn(look, self.levels(self.right))
        self.assertEqual(str(Photo.objects.get(id=photo["id"]).jar_id), self.right)
        self.assertEqual(self.baker.client.get(f"/api/photos/{photo['id']}/large").status_code, 200)
        told = self.baker.ok("GET", f"/api/log/{look}/history")
        self.assertEqual([one["what"] for one in told], ["moved"])

    def test_a_feed_that_does_not_fit_there_stays(self) -> None:
        fed = self.baker.feed(20.0)["id"]
        self.wrong = self.baker.jar_id
        self.baker.plan(name="Moss")
        status, _, field = self.baker.problem("POST", f"/api/log/{fed}/move", {"jar_id": self.baker.jar_id})
        self.assertEqual((status, field), (422, "keep_g"))
        self.assertIn(fed, self.levels(self.wrong))

    def test_another_bakers_jar_is_out_of_reach(self) -> None:
        look = self.baker.record(look_body(2.0))["id"]
        other = Baker("Nour").sign_up().plan()
        self.assertEqual(self.baker.call("POST", f"/api/log/{look}/move", {"jar_id": other.jar_id})[0], 404)
        self.assertEqual(other.call("POST", f"/api/log/{look}/move", {"jar_id": other.jar_id})[0], 404)

    def test_what_is_of_the_jar_alone_stays(self) -> None:
        deed = self.baker.deed(1.0, "stirred")["id"]
        status, code, _ = self.baker.problem("POST", f"/api/log/{deed}/move", {"jar_id": self.wrong})
        self.assertEqual((status, code), (422, "not_accepted"))


class WithoutAScale(TestCase):
    def test_a_jar_is_planned_and_told_in_spoons(self) -> None:
        baker = Baker("Ines").sign_up().always_home()
        baker.plan(family="by_feel", choices={}, scale_step=None, size=None, tare_g=0.0)
        found = baker.jar()
        self.assertIsNone(found["jar"]["scale_step"])
        self.assertLess(found["jar"]["size"], 1.0)
        self.assertTrue(found["assessment"]["stands"]["by_hand"])
        walk = found["sheet"]["scale_walk"]
        self.assertNotIn("empty_jar", [step["do"] for step in walk])
        self.assertTrue(all(step["in_spoons"] for step in walk))
        self.assertTrue(found["sheet"]["plan"]["by_hand"]["water"])

    def test_a_new_jar_without_a_size_takes_what_fits(self) -> None:
        made = {**new_jar(), "family": "by_feel", "choices": {}}
        status, code, _ = Baker("Nour").sign_up().problem("POST", "/api/jars", {**made, "size": 1.0})
        self.assertEqual((status, code), (422, "jar_too_small"))
