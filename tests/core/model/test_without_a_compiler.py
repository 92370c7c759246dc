"""Where there is no compiler, the same equations run as plain Python and say the same."""

from __future__ import annotations

import json
import subprocess
import sys
from unittest import TestCase

RUN = """
import json, sys
if sys.argv[1] == "without":
    sys.modules["numba"] = None
from ferment.kitchen.flours import Flour, FlourGrams
from ferment.model.jar import BOOK, after_feed
from ferment.model.runs import run, warm_up
jar = after_feed(None, BOOK, 0.0, (FlourGrams(Flour.RYE, 50.0),), 60.0)
print(json.dumps([warm_up(), *run(jar, 0.0, 30.0, lambda hour: 20.0 + hour / 6.0).end.state]))
"""


class Without(TestCase):
    def told(self, how: str) -> list[float]:
        done = subprocess.run([sys.executable, "-c", RUN, how], capture_output=True, text=True, check=True)
        found: list[float] = json.loads(done.stdout)
        return found

    def test_the_same_answers(self) -> None:
        with_it, without = self.told("with"), self.told("without")
        self.assertFalse(without[0])
        for mine, plain in zip(with_it[1:], without[1:], strict=True):
            self.assertAlmostEqual(mine, plain, delta=1e-9 * max(1.0, abs(plain)))
