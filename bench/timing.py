"""Best of several runs, in milliseconds: the least disturbed one on a machine that does other things too."""

from __future__ import annotations

import time
from collections.abc import Callable


def best_ms(act: Callable[[], object], runs: int = 7) -> float:
    best = float("inf")
    for _ in range(runs):
        began = time.perf_counter()
        act()
        best = min(best, time.perf_counter() - began)
    return best * 1000.0
