"""The core as a house: a name stands for one thing, and each room says what it is for."""

from __future__ import annotations

import ast
from collections import defaultdict
from pathlib import Path
from unittest import TestCase

CORE = Path(__file__).resolve().parents[2] / "core" / "ferment"
# What each method and each sign is called in its own file.
EACH_HAS_ONE = {"METHOD", "SIGN"}
# Each command reads as the room of the thing that it answers for.
ROOMS = sorted(path.parent for path in CORE.rglob("__init__.py"))


class Names(TestCase):
    def test_no_public_class_or_function_has_a_namesake(self) -> None:
        places: defaultdict[str, list[str]] = defaultdict(list)
        for path in sorted(CORE.rglob("*.py")):
            for node in ast.parse(path.read_text(encoding="utf-8")).body:
                if isinstance(node, ast.ClassDef | ast.FunctionDef) and not node.name.startswith("_"):
                    places[node.name].append(str(path.relative_to(CORE)))
        twice = {name: where for name, where in places.items() if len(where) > 1}
        self.assertEqual(twice, {})

    def test_every_room_says_what_it_is_for(self) -> None:
        for room in ROOMS:
            with self.subTest(room.name):
                doc = ast.get_docstring(ast.parse((room / "__init__.py").read_text(encoding="utf-8")))
                self.assertGreater(len(doc or ""), 60)
