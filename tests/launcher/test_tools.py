"""What the tools that are asked for make of their answers."""

from __future__ import annotations

import json
from unittest import TestCase

from launcher import say, tools


class Audit(TestCase):
    def test_a_package_the_registry_does_not_find_is_not_called_sound(self) -> None:
        out = json.dumps({"dependencies": [{"name": "a", "skip_reason": "not found"}, {"name": "b", "vulns": []}]})
        self.assertEqual(tools._pip_answer(out), tools.Answer((), unknown=1))

    def test_faults_are_told_with_the_version_that_mends_them(self) -> None:
        vulns = [{"id": "X-1", "fix_versions": ["2.1", "3"]}, {"id": "X-2", "fix_versions": []}]
        out = json.dumps({"dependencies": [{"name": "a", "version": "2.0", "vulns": vulns}]})
        told = ("a 2.0: X-1, mended in 2.1, 3", "a 2.0: X-2, mended in none yet")
        self.assertEqual(tools._pip_answer(out), tools.Answer(told))

    def test_npm_counts_by_grade(self) -> None:
        out = json.dumps({"metadata": {"vulnerabilities": {"low": 0, "high": 2, "total": 2}}})
        self.assertEqual(tools._npm_answer(out), tools.Answer(("2 high",)))

    def test_no_answer_is_no_answer(self) -> None:
        for out in ("", "{}", '{"error": "405"}'):
            self.assertIsNone(tools._pip_answer(out))
            self.assertIsNone(tools._npm_answer(out))


class Mutants(TestCase):
    def test_only_rooms_that_there_are(self) -> None:
        with self.assertRaises(say.Stop) as stopped:
            tools.mutants(["attic"])
        self.assertIn("There are verdicts, mixing, record", str(stopped.exception))
