"""A method as JSON: round trip, the published schema, and every refusal with its place."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any
from unittest import TestCase

import jsonschema

from ferment.methods import FAMILIES
from ferment.methods.when_hungry import METHOD as WHEN_HUNGRY
from ferment.protocol.written import MOST_BYTES, from_json, json_schema, read_text, to_json
from ferment.refusal import Refusal, RefusalCode

PUBLISHED = Path(__file__).resolve().parents[3] / "contract" / "method.schema.json"


def own() -> dict[str, Any]:
    """A method file to break."""
    written: dict[str, Any] = json.loads(json.dumps(to_json(WHEN_HUNGRY)))
    return written


class RoundTrip(TestCase):
    def test_every_family(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                self.assertEqual(read_text(json.dumps(to_json(family))), family)

    def test_defaults_may_be_left_out(self) -> None:
        value = own()
        for phase in value["phases"]:
            phase.pop("only")
            phase.pop("then")
        self.assertEqual(from_json(value), WHEN_HUNGRY)


class Schema(TestCase):
    """jsonschema, an independent validator, reads the published schema (JSON Schema 2020-12)."""

    def setUp(self) -> None:
        self.validator = jsonschema.Draft202012Validator(json_schema())

    def test_it_is_a_schema_and_published(self) -> None:
        jsonschema.Draft202012Validator.check_schema(json_schema())
        self.assertEqual(json.loads(PUBLISHED.read_text(encoding="utf-8")), json_schema())

    def test_every_family_is_valid(self) -> None:
        for family in FAMILIES:
            with self.subTest(family.code):
                written = json.loads(json.dumps(to_json(family)))
                self.assertEqual([error.message for error in self.validator.iter_errors(written)], [])

    def test_what_the_reader_refuses_for_its_form_the_schema_refuses_too(self) -> None:
        for place, value in BROKEN:
            with self.subTest(place):
                self.assertFalse(self.validator.is_valid(broken(place, value)))


def broken(place: str, value: object) -> dict[str, Any]:
    """The method file with the thing at a place changed, or taken away."""
    whole = own()
    at: Any = whole
    *path, last = place.replace("[", ".").replace("]", "").split(".")
    for part in path:
        at = at[int(part)] if part.isdigit() else at[part]
    key = int(last) if last.isdigit() else last
    if value is GONE:
        del at[key]
    else:
        at[key] = value
    return whole


GONE = object()
BROKEN: tuple[tuple[str, object], ...] = (
    ("code", 3),
    ("code", ""),
    ("phases", "many"),
    ("phases", GONE),
    ("phases[1].after.latest_h", "late"),
    ("phases[1].after.latest_h", -4),
    ("phases[1].after.latest_h", 1e9),
    ("phases[1].after.beat", 1),
    ("phases[1].after.otherwise", "give_up"),
    ("phases[1].after.sight.at_least", "loads"),
    ("phases[1].turns.usual", 1.5),
    ("phases[1].do[0].kind", "burn"),
    ("phases[1].spell", "abracadabra"),
    ("options[0].least", GONE),
)


class Refusals(TestCase):
    def refused(self, value: object) -> Refusal:
        with self.assertRaises(Refusal) as caught:
            from_json(value)
        return caught.exception

    def test_each_names_its_place(self) -> None:
        for place, value in BROKEN:
            with self.subTest(place):
                refusal = self.refused(broken(place, value))
                self.assertEqual((refusal.code, refusal.field), (RefusalCode.METHOD_FORM, place))
                self.assertTrue(refusal.facts["wanted"])

    def test_versions(self) -> None:
        self.assertEqual(self.refused({**own(), "despertar_method": 2}).code, RefusalCode.METHOD_TOO_NEW)
        for version in (0, None, "1", True):
            with self.subTest(version):
                refusal = self.refused({**own(), "despertar_method": version})
                self.assertEqual((refusal.code, refusal.field), (RefusalCode.METHOD_FORM, "despertar_method"))

    def test_what_is_no_method(self) -> None:
        for text in ("", "[1, 2", "null", "[]", "NaN", '{"despertar_method": NaN}', "[" * 5_000):
            with self.subTest(text[:20]), self.assertRaises(Refusal) as caught:
                read_text(text)
            self.assertEqual(caught.exception.code, RefusalCode.METHOD_FORM)

    def test_too_large(self) -> None:
        with self.assertRaises(Refusal) as caught:
            read_text(" " * (MOST_BYTES + 1))
        self.assertEqual(caught.exception.code, RefusalCode.METHOD_TOO_LARGE)
        many = own()
        many["expect"] = many["expect"] * 40
        self.assertEqual(self.refused(many).code, RefusalCode.METHOD_TOO_LARGE)

    def test_sights_within_sights_within_sights(self) -> None:
        sight: dict[str, Any] = {"kind": "runny"}
        for _ in range(40):
            sight = {"kind": "any_of", "sights": [sight]}
        deep = own()
        deep["phases"][1]["after"]["sight"] = sight
        self.assertEqual(self.refused(deep).facts["wanted"], "fewer levels")
