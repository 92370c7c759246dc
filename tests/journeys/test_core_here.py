"""The core that a browser keeps: the same sources under another Python, which must say the same to the last word."""

from __future__ import annotations

import json
import math
import shutil
import subprocess
from pathlib import Path
from typing import Any
from unittest import TestCase

from ferment.practice.door import answer_json
from ferment.practice.judging import in_bad_hands, in_good_hands
from ferment.practice.situations import SITUATIONS
from ferment.practice.terms import Handling, Made, Meaning, SituationCode
from launcher import browser_core
from launcher.place import WEB

HERE = Path(__file__).with_name("core_here.mjs")
SEED = 3
# Judging asks all rules at each act: some of all are enough.
JUDGED = (SituationCode.PINK, SituationCode.OVERFLOW, SituationCode.RYE, SituationCode.HUSH)
# Both work in doubles, by two mathematical libraries.
AS_GOOD_AS = 1e-9


def asked(situation: SituationCode, acts: tuple[Made, ...], **more: object) -> dict[str, object]:
    told = [{"at_h": one.at_h, "what": one.what, "level": one.level, "meaning": one.meaning} for one in acts]
    return {"situation": situation, "seed": SEED, "acts": told, **more}


def differences(one: Any, other: Any, place: str = "") -> list[str]:
    if isinstance(one, dict) and isinstance(other, dict) and one.keys() == other.keys():
        return [line for key in one for line in differences(one[key], other[key], f"{place}.{key}")]
    if isinstance(one, list) and isinstance(other, list) and len(one) == len(other):
        pairs = enumerate(zip(one, other, strict=True))
        return [line for at, (left, right) in pairs for line in differences(left, right, f"{place}[{at}]")]
    if isinstance(one, float) and isinstance(other, float | int):
        return [] if math.isclose(one, other, rel_tol=AS_GOOD_AS, abs_tol=AS_GOOD_AS) else [f"{place}: {one}, {other}"]
    return [] if one == other else [f"{place}: {one}, {other}"]


class TheCoreHere(TestCase):
    def test_it_says_what_the_kitchens_own_says(self) -> None:
        look = Made(SITUATIONS[SituationCode.HUSH].begins_h + 2.0, Handling.LOOK, 1.2, Meaning.HUSH)
        questions: list[tuple[str, dict[str, object]]] = [
            *(("lived", asked(code, in_good_hands(one, SEED))) for code, one in SITUATIONS.items()),
            *(("told", asked(code, in_bad_hands(SITUATIONS[code], SEED))) for code in JUDGED),
            ("told", asked(SituationCode.HUSH, (look,))),
            ("class.csv", {"results": [asked(SituationCode.PINK, (), name="=Noor")]}),
            ("lived", {**asked(SituationCode.HUSH, ()), "seed": -1}),
        ]
        kept = WEB / "dist" / browser_core.KEPT
        (runtime,) = kept.glob("runtime-*")
        (core,) = kept.glob("ferment-*.zip")
        node = shutil.which("node")
        assert node is not None
        done = subprocess.run(
            [node, HERE, runtime, core],
            input="\n".join(json.dumps(one) for one in questions),
            capture_output=True,
            text=True,
            check=False,
            timeout=600,
        )
        self.assertEqual(done.returncode, 0, done.stderr[-2000:])
        answers = [json.loads(line) for line in done.stdout.splitlines()]
        self.assertEqual(len(answers), len(questions))
        for (what, question), answer in zip(questions, answers, strict=True):
            with self.subTest(what=what, situation=question.get("situation")):
                here = json.loads(answer_json(what, json.dumps(question)))
                self.assertEqual(differences(here, answer), [])
        self.assertEqual([one["status"] for one in answers], [200] * (len(answers) - 1) + [422])

    def test_a_browser_is_told_what_there_is_and_how_much(self) -> None:
        dist = WEB / "dist"
        here = json.loads((dist / browser_core.KEPT / "here.json").read_text())
        named = {one["path"]: one["bytes"] for one in here["files"]}
        self.assertIn(here["core"], named)
        for path, size in named.items():
            self.assertEqual((dist / path.removeprefix("/")).stat().st_size, size)
        # What a baker is told that it takes: less than it is, for it comes compressed.
        self.assertLess(here["fetched_bytes"], sum(named.values()))
        self.assertLess(here["fetched_bytes"], 10e6)
