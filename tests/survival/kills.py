"""`python -m tests.survival.kills [--kills 1000] [--cuts 12] [--seed 1]`: the long campaign against the house.

Kills worker, master, database, reminders and launcher at random while three bakers write; then cuts off first starts
and upgrades after each half second, by Ctrl-C and by kill. Prints what it found; exits 1 for anything lost or doubled.
"""

from __future__ import annotations

import argparse
import random
import signal
import subprocess
import sys
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from dataclasses import dataclass

from .house import Baker, House, kept, kill, until

TARGETS = ("worker", "web-server", "database", "reminders", "launcher")
PAST = "0003_ready_after"


@dataclass(frozen=True)
class Found:
    """What a campaign came to."""

    kills: Counter[str]
    confirmed: int
    lost: int
    doubled: int
    strays: int


def write_and_kill(kills: int, dice: random.Random, bakers: int = 3) -> Found:
    """So many kills while bakers write. Every confirmed look must stand in the log once."""
    house = House()
    done: Counter[str] = Counter()
    try:
        house.start()
        writing = [Baker(house, f"Baker {number}").sign_up() for number in range(bakers)]
        for one in writing:
            one.begin()
        while done.total() < kills:
            what = dice.choice(TARGETS)
            _write_a_little(writing, dice.randrange(6))
            if not kill(house, what):
                continue
            done[what] += 1
            if what == "launcher":
                house.wait()
                house.start()
            until("an open door", house.opens)
        for one in writing:
            one.end()
        ids = {row[0].replace("-", "") for row in house.sql("SELECT id FROM logbook_entry WHERE kind = 'look'")}
        confirmed = {one_id.replace("-", "") for one in writing for one_id in one.confirmed}
        doubled = sum(times - 1 for times in kept(house).values())
        house.stop()
        return Found(done, len(confirmed), len(confirmed - ids), doubled, len(house.left()))
    finally:
        house.close()


def _write_a_little(writing: list[Baker], looks: int) -> None:
    wanted = sum(len(one.confirmed) for one in writing) + looks
    until("a few looks", lambda: sum(len(one.confirmed) for one in writing) >= wanted)


def cut_off_first_start(after_s: float, number: int) -> None:
    """A first start is cut off; the next one opens an empty kitchen. Raises AssertionError."""
    house = House()
    try:
        _cut(house, after_s, number)
        house.start()
        Baker(house, "Ines").sign_up().look()
    finally:
        house.close()


def cut_off_upgrade(house: House, after_s: float, number: int) -> None:
    """An upgrade with data is cut off; the next start has all of it. Raises AssertionError."""
    before = house.sql("SELECT id, body FROM logbook_entry ORDER BY id")
    house.manage("migrate", "kitchen", PAST, "--verbosity", "0")
    house.stop()
    _cut(house, after_s, number)
    house.start()
    assert house.sql("SELECT id, body FROM logbook_entry ORDER BY id") == before, "the log changed"
    assert not (house.var / "database" / "changing").exists(), "the mark stayed"


def _cut(house: House, after_s: float, number: int) -> None:
    house.begin()
    assert house.launcher is not None
    with suppress(subprocess.TimeoutExpired):
        house.launcher.wait(after_s)
    house.signal(number)
    house.wait()


def main() -> int:
    parser = argparse.ArgumentParser(prog="python -m tests.survival.kills", description=__doc__)
    parser.add_argument("--kills", type=int, default=1_000)
    parser.add_argument("--cuts", type=int, default=12, help="half seconds of a start that are cut off")
    parser.add_argument("--seed", type=int, default=1)
    arguments = parser.parse_args()
    bad = 0
    if arguments.kills:
        found = write_and_kill(arguments.kills, random.Random(arguments.seed))
        print(
            f"{dict(found.kills)}: {found.confirmed} confirmed, {found.lost} lost, {found.doubled} doubled, "
            f"{found.strays} strays",
            flush=True,
        )
        bad += found.lost + found.doubled + found.strays
    for name, number in (("Ctrl-C", signal.SIGINT), ("kill -9", signal.SIGKILL)):
        broken = sum(not _holds(cut_off_first_start, half / 2, number) for half in range(1, arguments.cuts + 1))
        print(f"first start, {name}: {arguments.cuts} cut off, {broken} broken", flush=True)
        house = House()
        house.start()
        baker = Baker(house, "Ines").sign_up()
        for _ in range(20):
            baker.look()
        worse = sum(not _holds(cut_off_upgrade, house, half / 2, number) for half in range(1, arguments.cuts + 1))
        house.close()
        print(f"upgrade with data, {name}: {arguments.cuts} cut off, {worse} broken", flush=True)
        bad += broken + worse
    return 1 if bad else 0


def _holds(what: Callable[..., None], *arguments: object) -> bool:
    try:
        what(*arguments)
    except AssertionError as error:
        print(f"  {arguments}: {error}", flush=True)
        return False
    return True


if __name__ == "__main__":
    sys.exit(main())
