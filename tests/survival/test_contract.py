"""Schemathesis over the whole contract, signed in: nothing is answered that the contract does not say, and no fault.

`DESPERTAR_CALLS` sets how many calls of each operation are made up: 3 by itself, hundreds by night.
"""

from __future__ import annotations

import copy
import json
import os
from typing import Any

import requests
from django.test import LiveServerTestCase
from schemathesis import GenerationMode
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_headers_conformance,
    response_schema_conformance,
    status_code_conformance,
)

from tests.core.cli.test_never_a_traceback import places
from tests.server.base import PASSWORD, Baker, ago, feed_body, look_body, new_jar, record

from .made_up import made_up, operations

BY_ITSELF = 3
CALLS = int(os.environ.get("DESPERTAR_CALLS", str(BY_ITSELF)))
CHECKS = [
    not_a_server_error,
    status_code_conformance,
    content_type_conformance,
    response_headers_conformance,
    response_schema_conformance,
]
# Ends the session that all the others are called in; its own test calls it.
LEFT_OUT = "DELETE /api/session"
# What a phone or a script may send that no schema says: text that grows, ends of the calendar, broken and huge bodies.
NASTY_BODIES = (b"", b"{", b"[]", b"null", b"\xff\xfe", b'{"a": NaN}', b"[" * 50_000, b'{"a":' + b"1" * 5_000 + b"}")
NASTY_VALUES: tuple[Any, ...] = (
    *("\u0958" * 31, "\u0958" * 2_000, "a\nb", "\u0000", "\ud800", "", " ", "x" * 10_000, "0001-01-01T00:00:00+14:00"),
    *("9999-12-31T23:59:59-14:00", 1e308, -1, 0, 10**400, True, None, [], {}, [[]], {"kind": []}, "rye", {"rye": 0}),
    *({"rye": -1.0}, {"moonwheat": 1}, ["mould"] * 9),
)


BAKE_WANTED = {"grams": 60, "mixed_at": ago(-30.0), "leaves_g": 20, "every_days": 7}


def changes() -> list[dict[str, Any]]:
    """A body of every kind that changes a jar on the way, is used of it, or is planned."""
    said = {"at": ago(0.5), "note": ""}
    feed = {"at": ago(-2.0), "keep_g": 10, "flours": [{"flour": "rye", "g": 30}], "water_g": 30}
    return [
        {**said, "kind": "moved", "warmth_c": 22, "night_c": None, "thermometer": None},
        {**said, "kind": "jar", "tare_g": 200, "volume_ml": 700, "height_mm": 140, "flare": 1, "line_mm": None},
        {**said, "kind": "flour", "blends": [{"rye": 1}, {"white": 3}]},
        {**said, "kind": "way", "family": "wake_and_keep", "choices": {"way": "counter"}, "size": 1},
        {**said, "kind": "use", "g": 5, "used_for": "gift", "bake": None},
        {**said, "kind": "put_back", "flours": [{"flour": "rye", "g": 5}], "water_g": 5},
        {**said, "kind": "bake", "mixed_at": ago(-9.0), "grams": 50, "feeds": [feed], "leaves_g": 20, "every_days": 7},
    ]


class Contract(LiveServerTestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().plan().mix(60.0)
        self.entry = self.baker.feed(30.0)["id"]
        self.baker.look(20.0)
        self.baker.ok("GET", "/api/session")
        cookies = self.baker.client.cookies
        self.headers = {"X-CSRFToken": cookies["despertar_csrf"].value}
        self.cookies = {name: cookies[name].value for name in ("despertar_session", "despertar_csrf")}
        self.real = {"jar_id": self.baker.jar_id, "entry_id": self.entry, "code": "equal_parts"}

    def operations(self) -> list[Any]:
        return [one for one in operations() if one.label != LEFT_OUT]

    def send(self, case: Any, *, really: bool) -> requests.Response:
        if really and case.path_parameters:
            case.path_parameters |= {name: self.real[name] for name in case.path_parameters if name in self.real}
        answer: requests.Response = case.call(base_url=self.live_server_url, headers=self.headers, cookies=self.cookies)
        return answer

    def test_calls_by_the_schema_and_against_it(self) -> None:
        for operation in self.operations():
            for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE):
                with self.subTest(operation.label, mode=mode.name):
                    made = made_up(operation, CALLS, mode, always_the_same=CALLS <= BY_ITSELF)
                    for number, case in enumerate(made):
                        case.validate_response(self.send(case, really=number % 2 == 0), checks=CHECKS)
        # Whatever was sent, the baker's kitchen opens.
        self.baker.ok("GET", "/api/kitchen")

    def test_bodies_that_are_none(self) -> None:
        for operation in self.operations():
            for case in made_up(operation, 1) if operation.body else ():
                self.send(case, really=True)
                with self.subTest(operation.label):
                    for body in NASTY_BODIES:
                        self.answered(operation, case.method, case.formatted_path, body)

    def test_one_nasty_value_in_a_sound_body(self) -> None:
        known = {operation.label: operation for operation in self.operations()}
        tried = 0
        for label, path, sound in self.sound():
            for number, place in enumerate(places(sound)[1:]):
                # By itself each place gets every third value, another third than its neighbour.
                for value in NASTY_VALUES if CALLS > BY_ITSELF else NASTY_VALUES[number % 3 :: 3]:
                    with self.subTest(label, place=place, value=repr(value)[:40]):
                        method = label.split(" ")[0]
                        self.answered(known[label], method, path, json.dumps(put(sound, place, value)).encode())
                        tried += 1
        self.assertGreater(tried, 500)
        for path in ("kitchen", "flours", "hours", "postbox", "thermometers", "hands", f"jars/{self.baker.jar_id}"):
            self.baker.ok("GET", f"/api/{path}")
        self.assertEqual(self.baker.ok("GET", "/api/kitchen")["unread"], [])

    def sound(self) -> list[tuple[str, str, Any]]:
        """Bodies as the front end sends them: operation, path, body."""
        jar, entry = self.baker.jar_id, self.entry
        method = self.baker.ok("GET", "/api/methods/dried_soak")
        hours = {"weekday": [{"start": 420, "end": 1320}], "weekend": []}
        new = {**new_jar(), "method": None}
        dried = {**new, "family": "dried_soak", "size": 0.05, "choices": {"dried_spoons": 1.0}}
        described = {"days": 3, "since_feed_h": 5, "times": 1.5, "high": 2.0, "bubbles": "few", "top": [], "smell": []}
        return [
            ("POST /api/jars", "/api/jars", new),
            ("POST /api/preview", "/api/preview", {name: part for name, part in dried.items() if name != "id"}),
            ("POST /api/jars/{jar_id}/log", f"/api/jars/{jar}/log", record(look_body(1.0))),
            ("POST /api/jars/{jar_id}/log", f"/api/jars/{jar}/log", record(feed_body(0.5), entry)),
            ("PUT /api/log/{entry_id}", f"/api/log/{entry}", {"revision": 1, "entry": feed_body(30.0)}),
            ("POST /api/jars/{jar_id}/weigh", f"/api/jars/{jar}/weigh", {"keep_g": 3, "water_g": 0, "flours": {}}),
            ("POST /api/jars/{jar_id}/what-if", f"/api/jars/{jar}/what-if", {"warmth_c": 24}),
            ("PUT /api/jars/{jar_id}/place", f"/api/jars/{jar}/place", PLACE),
            ("POST /api/jars/{jar_id}/bakes", f"/api/jars/{jar}/bakes", BAKE_WANTED),
            *(("POST /api/jars/{jar_id}/log", f"/api/jars/{jar}/log", record(body)) for body in changes()),
            ("POST /api/jars/{jar_id}/plan-otherwise", f"/api/jars/{jar}/plan-otherwise", OTHERWISE),
            ("POST /api/signs", "/api/signs", {**described, "thickness": None, "celsius": 20, "begun_sour": False}),
            ("POST /api/compare", "/api/compare", {**COMPARED, "starts_at": ago(0)}),
            ("PUT /api/hours", "/api/hours", hours),
            ("PUT /api/flours", "/api/flours", {"flours": [{"flour": "rye", "name": "Hill rye"}]}),
            ("POST /api/methods/check", "/api/methods/check", {"method": {**method, "phases": method["phases"][:1]}}),
            ("POST /api/accounts", "/api/accounts", {"name": "Noor", "password": PASSWORD, "time_zone": "UTC"}),
        ]

    def answered(self, operation: Any, method: str, path: str, body: bytes) -> None:
        """Something that the contract says of it, in the one shape where it is a refusal."""
        headers = {**self.headers, "Content-Type": "application/json"}
        # Signing up would sign this session in as somebody else.
        cookies = {**self.cookies, **({"despertar_session": ""} if path == "/api/accounts" else {})}
        url = self.live_server_url + path
        sent = requests.request(method, url, data=body, headers=headers, cookies=cookies, timeout=60)
        self.assertLess(sent.status_code, 500, body[:300])
        self.assertIn(str(sent.status_code), operation.definition.raw["responses"], body[:300])
        if sent.status_code >= 400:
            self.assertTrue(sent.json()["errors"][0]["code"], body[:300])


PLACE = {"warmth_c": 24, "night_c": None, "thermometer": None}
OTHERWISE = {"warmth_c": None, "flour": "rye", "every_h": 12, "size": 1.5, "starts_in_h": None}
COMPARED = {"origin": "flour_and_water", "warmth_c": 22, "night_c": None, "blend": {"rye": 1}, "has_scale": True}


def put(sound: Any, place: tuple[Any, ...], value: object) -> Any:
    """The same document with something else in one place."""
    document = copy.deepcopy(sound)
    *way, last = place
    inside = document
    for name in way:
        inside = inside[name]
    inside[last] = value
    return document
