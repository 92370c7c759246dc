"""What the launcher prints, and how it runs a long step so that the wait is visible."""

from __future__ import annotations

import os
import subprocess
import sys
import threading
import time
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from pathlib import Path

from .place import LOGS


class Stop(Exception):
    """The command cannot go on; the text says why and what would help."""


def line(text: str = "") -> None:
    print(text, flush=True)


@contextmanager
def step(title: str) -> Iterator[None]:
    """Print a title, show that time passes while the body runs, then how long it took."""
    began = time.monotonic()
    done = threading.Event()
    tty = sys.stdout.isatty()

    def tick() -> None:
        while not done.wait(1.0 if tty else 15.0):
            elapsed = int(time.monotonic() - began)
            print(f"\r  {title} … {elapsed} s" if tty else f"    … {elapsed} s", end="" if tty else "\n", flush=True)

    print(f"  {title} …", end="" if tty else "\n", flush=True)
    ticker = threading.Thread(target=tick, daemon=True)
    ticker.start()
    try:
        yield
    except BaseException:
        done.set()
        ticker.join()
        print(f"\r  {title}: failed", flush=True)
        raise
    done.set()
    ticker.join()
    print(f"\r  {title}: done in {time.monotonic() - began:.1f} s", flush=True)


def run(
    command: Sequence[str | Path],
    *,
    log: str,
    cwd: Path | None = None,
    env: Mapping[str, str] | None = None,
    stdin: str | None = None,
) -> str:
    """Run a command with its output kept in `var/log/<log>.log`; on failure show the end of that log.

    Returns the output. Raises Stop with the last lines when the command fails.
    """
    LOGS.mkdir(parents=True, exist_ok=True)
    path = LOGS / f"{log}.log"
    with path.open("w+", encoding="utf-8", errors="replace") as out:
        result = subprocess.run(
            [str(part) for part in command],
            cwd=cwd,
            env={**os.environ, **(env or {})},
            input=stdin,
            stdin=None if stdin is not None else subprocess.DEVNULL,
            stdout=out,
            stderr=subprocess.STDOUT,
            text=True,
            check=False,
        )
        out.seek(0)
        text = out.read()
    if result.returncode != 0:
        tail = "\n".join("    " + row for row in text.strip().splitlines()[-25:])
        raise Stop(f"{Path(str(command[0])).name} failed (exit {result.returncode}). The end of {path}:\n{tail}")
    return text
