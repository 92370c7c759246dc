"""The matrix of the contract: whatever takes an id of a baker's is not found by another, and tells nobody anything.

Made from the contract, so that a new path stands under it by itself.
"""

from __future__ import annotations

import base64
import json
import tempfile
from typing import Any
from urllib.parse import urlencode
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TestCase, override_settings
from django.utils import timezone

from accounts.models import Account, Passkey
from tests.server.base import Baker, ago
from tests.server.test_photos import jpeg

from .made_up import made_up, operations, takes_files

CALLS = 3


# What is refused before it is asked whose it is would hold nothing: times of today, no odd signs, a photo in base64.
SOUND = {"at": ago(1.0), "until": ago(0.5), "mixed_at": ago(-9.0), "photo": base64.b64encode(jpeg()).decode()}


def calls_of(operation: Any) -> list[tuple[str, str, object]]:
    """A few paths, what is asked of them, and sound bodies by the schema."""
    return [
        (one.path, asked(one.query), sound(one.body) if isinstance(one.body, dict) else None)
        for one in made_up(operation, CALLS)
    ]


def asked(query: dict[str, object] | None) -> str:
    return f"?{urlencode(query, doseq=True)}" if query else ""


def sound(body: object) -> object:
    if isinstance(body, dict):
        return {name: sound_part(name, part) for name, part in body.items()}
    return [sound(part) for part in body] if isinstance(body, list) else body


def sound_part(name: str, part: object) -> object:
    if name == "note":
        return ""
    # A picture by itself, or one with its time.
    return SOUND["photo"] if name == "picture" and isinstance(part, str) else SOUND.get(name) or sound(part)


def a_sheet() -> dict[str, Any]:
    how = {"columns": {}, "dates": "dmy", "level": "mm", "warmth": "c", "flour": "rye"}
    return {"file": SimpleUploadedFile("own.csv", b"date,level\n"), "how": json.dumps(how)}


class Strangers(TestCase):
    def setUp(self) -> None:
        self.owner = Baker("Secret Ada").sign_up().plan(name="Secret jar").mix(60.0)
        entry = self.owner.feed(30.0)["id"]
        jar = self.owner.jar_id
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.enterContext(override_settings(DESPERTAR_FILES=folder.name))
        taken = {"id": str(uuid4()), "at": ago(1.0), "look": None, "points": None}
        taken["photo"] = base64.b64encode(jpeg()).decode()
        photo = self.owner.ok("POST", f"/api/jars/{jar}/photos", taken)["id"]
        station = self.owner.ok("POST", "/api/thermometers", {"place": "Secret shelf"})["station"]["id"]
        code = self.owner.ok("POST", "/api/hands/invitations")["code"]
        helper = Baker("Hugo").sign_up()
        helper.ok("POST", "/api/hands", {"code": code})
        hand = self.owner.ok("GET", "/api/hands")["mine"][0]["id"]
        note = {"id": str(uuid4()), "at": ago(1.0), "shelf": "with_gluten", "act": "looked"}
        self.owner.ok("POST", "/api/discard", note)
        self.ids = {"jar_id": jar, "entry_id": entry, "photo_id": photo, "station_id": station, "hand_id": hand}
        self.ids["note_id"] = note["id"]
        self.ids["visit_id"] = self.owner.ok("GET", "/api/account")["visits"][0]["id"]
        self.ids |= {"camera_id": str(uuid4()), "feed_id": entry}
        camera = {"id": self.ids["camera_id"], "kind": "posts", "every_min": 5.0}
        token = self.owner.ok("POST", f"/api/jars/{jar}/cameras", camera)["token"]
        held = {"Authorization": f"Bearer {token}"}
        self.owner.client.post("/api/frames", jpeg(), content_type="image/jpeg", headers=held)
        self.ids["picture_id"] = str(self.owner.ok("GET", f"/api/jars/{jar}/watch")["cameras"][0]["last"]["picture"])
        other = self.owner.plan(name="Secret other").jar_id
        self.owner.jar_id = jar
        trial = {"id": str(uuid4()), "name": "Secret trial", "jars": [{"jar": jar}, {"jar": other}]}
        self.ids["trial_id"] = self.owner.ok("POST", "/api/trials", trial)["id"]
        ada = Account.objects.get(name="Secret Ada")
        key = Passkey.objects.create(
            account=ada, name="Secret key", credential="x", credential_hash="x", sign_count=0, made_at=timezone.now()
        )
        self.ids["key_id"] = str(key.id)
        self.stranger = Baker("Noor").sign_up()
        self.nobody = Baker("")

    def state(self) -> object:
        return [
            self.owner.ok("GET", path)
            for path in (f"/api/jars/{self.ids['jar_id']}/unread", "/api/hands", "/api/thermometers", "/api/hours")
        ]

    def test_every_path_with_an_id(self) -> None:
        before = self.without_now(self.state())
        held = 0
        for operation in operations():
            names = [part.name for part in operation.path_parameters]
            if not any(name in self.ids for name in names):
                self.assertLessEqual(
                    set(names), {"code", "token", "size", "parcel_id"}, f"{operation.label}: whose is this?"
                )
                continue
            for path, query, body in calls_of(operation):
                with self.subTest(operation.label):
                    place = path.format(**{"size": "large", **self.ids}) + query
                    method = operation.method.upper()
                    if takes_files(operation):
                        status, told = self.stranger.send_files(place, **a_sheet())
                        self.assertEqual((status, told["errors"][0]["code"]), (404, "not_found"))
                        self.assertEqual(self.nobody.send_files(place, **a_sheet())[0], 401)
                        continue
                    self.assertEqual(self.stranger.problem(method, place, body)[:2], (404, "not_found"), body)
                    self.assertEqual(self.nobody.problem(method, place, body)[0], 401)
                    held += 1
        self.assertGreater(held, 60)
        self.assertEqual(self.without_now(self.state()), before)

    @override_settings(DESPERTAR_DEMO=False)
    def test_nothing_else_tells_of_her(self) -> None:
        for operation in operations():
            if list(operation.path_parameters) or operation.label in ("DELETE /api/session", "POST /api/accounts"):
                continue
            if takes_files(operation):
                continue
            for path, query, body in calls_of(operation):
                with self.subTest(operation.label):
                    content = json.dumps(self.stranger.call(operation.method.upper(), path + query, body)[1])
                    self.assertNotIn("Secret", content)
                    for one in self.ids.values():
                        # A number is no secret: it is asked for with a session that may.
                        if not one.isdigit():
                            self.assertNotIn(one, content)
        self.assertEqual(len(self.owner.ok("GET", "/api/kitchen")["jars"]), 2)

    @staticmethod
    def without_now(state: object) -> object:
        return json.loads(json.dumps(state), object_hook=lambda part: {k: v for k, v in part.items() if k != "now"})
