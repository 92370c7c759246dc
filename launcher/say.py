"""What the launcher prints, and how it runs a long step so that the wait is visible."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import threading
import time
from collections.abc import Iterator, Mapping, Sequence
from contextlib import ExitStack, contextmanager, suppress
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
    stdin: str | Path | None = None,
    out: Path | None = None,
    umask: int = -1,
    holding: Sequence[int] = (),
    own_session: bool = True,
) -> str:
    """Run a command with its output kept in `var/log/<log>.log`; on failure show the end of that log.

    It runs in a session of its own, so that a Ctrl-C reaches the launcher alone, which then ends all of it. `stdin` is
    a text or a file; `out` takes what it prints, and the log its complaints alone; what is in `holding` stays open in
    it. One that may ask at the terminal needs the launcher's own session.
    Returns the output, if it was not sent elsewhere. Raises Stop with the last lines when the command fails.
    """
    LOGS.mkdir(parents=True, exist_ok=True)
    path = LOGS / f"{log}.log"
    with ExitStack() as files:
        said = files.enter_context(path.open("w+", encoding="utf-8", errors="replace"))
        sent = files.enter_context(out.open("wb")) if out else said
        given = files.enter_context(stdin.open("rb")) if isinstance(stdin, Path) else None
        process = subprocess.Popen(
            [str(part) for part in command],
            cwd=cwd,
            env={**os.environ, **(env or {})},
            stdin=given or (subprocess.PIPE if stdin is not None else subprocess.DEVNULL),
            stdout=sent,
            stderr=said,
            text=True,
            umask=umask,
            pass_fds=tuple(holding),
            start_new_session=own_session,
        )
        try:
            process.communicate(stdin if isinstance(stdin, str) else None)
        except BaseException:
            with suppress(ProcessLookupError, PermissionError):
                if own_session:
                    os.killpg(process.pid, signal.SIGKILL)
                else:
                    process.kill()
            process.wait()
            raise
        said.seek(0)
        text = said.read()
    if process.returncode != 0:
        tail = "\n".join("    " + row for row in text.strip().splitlines()[-25:])
        raise Stop(f"{Path(str(command[0])).name} failed (exit {process.returncode}). The end of {path}:\n{tail}")
    return text
