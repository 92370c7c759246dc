"""`python -m standins.thermometer --to URL [--every 300]`: posts as a real one does (docs/devices.md).

Its token is taken from DESPERTAR_STANDIN_TOKEN.
"""

from __future__ import annotations

import argparse
import json
import math
import os
import random
import time
import urllib.error
import urllib.request
from collections import deque
from datetime import UTC, datetime, timedelta

KEPT = 400


def celsius_at(at: datetime, mean_c: float, swing_c: float, seed: int = 7) -> float:
    """A kitchen's warmth: warmest at five in the afternoon, coldest at five in the morning; a tenth of chance."""
    hour = at.hour + at.minute / 60.0
    dice = random.Random(f"{seed}.{at:%Y-%m-%dT%H:%M}")  # noqa: S311  (weather, no secret)
    return round(mean_c + swing_c * math.cos((hour - 17.0) / 24.0 * 2.0 * math.pi) + dice.gauss(0.0, 0.1), 1)


def history(now: datetime, hours: float, every: timedelta, mean_c: float, swing_c: float) -> list[dict[str, object]]:
    """What it would have posted in the hours before."""
    count = int(timedelta(hours=hours) / every)
    moments = [now - every * (count - index) for index in range(count)]
    return [{"at": one.isoformat(), "celsius": celsius_at(one, mean_c, swing_c)} for one in moments]


def post(url: str, token: str, readings: list[dict[str, object]]) -> bool:
    """True when they were taken or will never be; false when they are to be sent again."""
    request = urllib.request.Request(  # noqa: S310  (the address is the owner's own)
        url,
        json.dumps({"readings": readings}).encode(),
        {"Content-Type": "application/json", "Authorization": f"Bearer {token}"},
    )
    try:
        with urllib.request.urlopen(request, timeout=10):  # noqa: S310
            return True
    except urllib.error.HTTPError as refused:
        return 400 <= refused.code < 500 and refused.code != 429
    except OSError:
        return False


def main() -> None:
    parser = argparse.ArgumentParser(prog="python -m standins.thermometer", description=__doc__)
    parser.add_argument("--to", required=True, help="such as http://127.0.0.1:8420/api/degrees")
    # In the environment, where other users of the machine do not see it.
    parser.add_argument("--token", default=os.environ.get("DESPERTAR_STANDIN_TOKEN"))
    parser.add_argument("--every", type=float, default=300.0, help="seconds")
    parser.add_argument("--mean", type=float, default=22.0, help="°C")
    parser.add_argument("--swing", type=float, default=1.5, help="°C to both sides")
    arguments = parser.parse_args()
    if not arguments.token:
        parser.error("a token is needed, by --token or in DESPERTAR_STANDIN_TOKEN")
    waiting: deque[dict[str, object]] = deque(maxlen=KEPT)
    while True:
        now = datetime.now(UTC)
        waiting.append({"at": now.isoformat(), "celsius": celsius_at(now, arguments.mean, arguments.swing)})
        if post(arguments.to, arguments.token, list(waiting)):
            waiting.clear()
        time.sleep(arguments.every)


if __name__ == "__main__":
    main()
