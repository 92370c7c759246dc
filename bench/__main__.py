"""All measurements, as ratios against a floor of the same run:

PYTHONPATH=core:. .venv/bin/python -m bench [name …]
"""

from __future__ import annotations

import sys
from collections.abc import Callable, Iterator

from . import forecasting, learning, modelling, peaks, planning, readiness, trials, verdicts, waste

BENCHES: dict[str, Callable[[], Iterator[str]]] = {
    "planning": planning.report,
    "modelling": modelling.report,
    "forecasting": forecasting.report,
    "readiness": readiness.report,
    "learning": learning.report,
    "verdicts": verdicts.report,
    "waste": waste.report,
    "trials": trials.report,
    "peaks": peaks.report,
}


def main(names: list[str]) -> int:
    unknown = set(names) - set(BENCHES)
    if unknown:
        sys.stderr.write(f"No such measurement: {', '.join(sorted(unknown))}. There are {', '.join(BENCHES)}.\n")
        return 2
    for name in names or BENCHES:
        sys.stdout.write(f"\n{name}\n" + "".join(f"  {line}\n" for line in BENCHES[name]()))
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
