"""Running the kitchen: one launcher at a time, its children stopped in order, strays of a killed run cleared away."""

from __future__ import annotations

import fcntl
import os
import secrets
import signal
import socket
import subprocess
import time
import urllib.request
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType

from . import say
from .database import Database, free_port
from .place import LOGS, PYTHON, ROOT, RUN, SERVER, VAR
from .toolchain import python_env

USUAL_PORT = 8420
WORKERS = 2

LOCK_FILE = RUN / "launcher.lock"
ADDRESS_FILE = RUN / "address"
WEB_PID = RUN / "web.pid"


class AlreadyRunning(Exception):
    """Another launcher of this checkout is at work; `address` is where it serves, if it already does."""

    def __init__(self, address: str | None) -> None:
        self.address = address


def database() -> Database:
    return Database(VAR / "database", lasting=True)


@contextmanager
def only_one() -> Iterator[None]:
    """Hold the lock of this checkout. Raises AlreadyRunning; a killed launcher's lock is freed by the kernel."""
    RUN.mkdir(parents=True, exist_ok=True)
    with LOCK_FILE.open("a+") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            raise AlreadyRunning(ADDRESS_FILE.read_text() if ADDRESS_FILE.exists() else None) from None
        lock.truncate(0)
        lock.write(str(os.getpid()))
        lock.flush()
        ADDRESS_FILE.unlink(missing_ok=True)
        try:
            yield
        finally:
            ADDRESS_FILE.unlink(missing_ok=True)
            lock.truncate(0)


def secret_key() -> str:
    """Django's signing key."""
    return _secret("secret-key")


def standin_token() -> str:
    """What the simulated thermometer shows when it posts to the demo kitchen."""
    return _secret("standin-token")


def _secret(name: str) -> str:
    """Made at the first start and kept for the owner's eyes only."""
    path = VAR / name
    if not path.exists():
        path.parent.mkdir(parents=True, exist_ok=True)
        path.touch(mode=0o600)
        path.write_text(secrets.token_urlsafe(64))
    return path.read_text()


def django_env(db: Database, *, demo: bool, debug: bool = False) -> dict[str, str]:
    return {
        **python_env(),
        **db.env(),
        "DJANGO_SETTINGS_MODULE": "config.settings",
        "DESPERTAR_SECRET_KEY": secret_key(),
        "DESPERTAR_DEMO": "1" if demo else "0",
        "DESPERTAR_DEBUG": "1" if debug else "0",
        "DESPERTAR_FILES": str(VAR / "files"),
    }


def manage(env: dict[str, str], *arguments: str) -> str:
    return say.run([PYTHON, SERVER / "manage.py", *arguments], log=f"manage-{arguments[0]}", env=env)


SCALE_PORT = 8421


def scale_port() -> int:
    """The simulated scale's usual port, or a free one."""
    return SCALE_PORT if _is_free(SCALE_PORT) else free_port()


def reminders(env: dict[str, str]) -> subprocess.Popen[bytes]:
    """The process that sends due reminders to the postbox, once a minute."""
    with (LOGS / "reminders.log").open("ab") as log:
        return subprocess.Popen(
            [str(PYTHON), str(SERVER / "manage.py"), "remind", "--every", "60"],
            env=env,
            stdin=subprocess.DEVNULL,
            stdout=log,
            stderr=log,
            start_new_session=True,
        )


def standins(port: int, scale: int, token: str) -> list[subprocess.Popen[bytes]]:
    """The simulated scale and thermometer beside a demo kitchen."""
    commands: tuple[list[str], ...] = (
        ["standins.scale", "--port", str(scale)],
        [
            "standins.thermometer",
            f"--to=http://127.0.0.1:{port}/api/degrees",
            # In one word: a token may begin with a dash.
            f"--token={token}",
            "--every=120",
            "--mean=20",
        ],
    )
    LOGS.mkdir(parents=True, exist_ok=True)
    with (LOGS / "standins.log").open("ab") as log:
        return [
            subprocess.Popen(
                [str(PYTHON), "-m", *command],
                cwd=ROOT,
                stdin=subprocess.DEVNULL,
                stdout=log,
                stderr=log,
                start_new_session=True,
            )
            for command in commands
        ]


def _is_free(port: int) -> bool:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError:
            return False
    return True


def choose_port() -> int:
    """The usual port, or a free one (said so) when something else listens there."""
    if _is_free(USUAL_PORT):
        return USUAL_PORT
    port = free_port()
    say.line(f"  Port {USUAL_PORT} is in use by another program; taking {port} instead.")
    return port


def gunicorn(env: dict[str, str], port: int, *, pid_file: Path = WEB_PID) -> subprocess.Popen[bytes]:
    for folder in (LOGS, pid_file.parent):
        folder.mkdir(parents=True, exist_ok=True)
    command: list[str | Path] = [PYTHON, "-m", "gunicorn", "config.wsgi:application"]
    command += ["--chdir", SERVER, "--bind", f"127.0.0.1:{port}", "--pid", pid_file]
    command += ["--workers", str(WORKERS), "--worker-class", "gthread", "--threads", "4"]
    command += ["--graceful-timeout", "5", "--no-control-socket"]
    with (LOGS / "web.log").open("ab") as log:
        return subprocess.Popen(
            [str(part) for part in command],
            env=env,
            stdin=subprocess.DEVNULL,
            stdout=log,
            stderr=log,
            start_new_session=True,
        )


def wait_until_it_answers(port: int, web: subprocess.Popen[bytes]) -> None:
    url = f"http://127.0.0.1:{port}/api/session"
    deadline = time.monotonic() + 60
    while time.monotonic() < deadline:
        if web.poll() is not None:
            raise say.Stop(f"The web server ended at once. See {LOGS / 'web.log'}.")
        with suppress(OSError), urllib.request.urlopen(url, timeout=5) as answer:
            if answer.status == 200:
                return
        time.sleep(0.05)
    raise say.Stop(f"The web server does not answer on port {port}. See {LOGS / 'web.log'}.")


def end(process: subprocess.Popen[bytes]) -> None:
    if process.poll() is None:
        process.terminate()
        try:
            process.wait(15)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait(15)


def clear_strays() -> None:
    """Stop a web server that a killed launcher left behind; the database is taken over instead."""
    with suppress(OSError, ValueError):
        number = int(WEB_PID.read_text().strip())
        if str(WEB_PID).encode() in Path(f"/proc/{number}/cmdline").read_bytes().split(b"\0"):
            os.kill(number, signal.SIGTERM)
            while Path(f"/proc/{number}").exists():
                time.sleep(0.05)
    WEB_PID.unlink(missing_ok=True)


class Asked(Exception):
    """Somebody asked the launcher to stop: Ctrl-C, `./despertar stop`, or the terminal closing."""


def heed_signals() -> None:
    def stop(_number: int, _frame: FrameType | None) -> None:
        # A second Ctrl-C must not cut the clearing up short.
        for number in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
            signal.signal(number, signal.SIG_IGN)
        raise Asked

    for number in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(number, stop)


def stop_running() -> bool:
    """Ask the running launcher to stop, then clear what a killed one left. True when there was something to stop."""
    found = False
    if LOCK_FILE.exists():
        with LOCK_FILE.open("r+") as lock:
            try:
                fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except BlockingIOError:
                found = True
                os.kill(int(lock.read()), signal.SIGTERM)
                fcntl.flock(lock, fcntl.LOCK_EX)
    db = database()
    found = found or WEB_PID.exists() or db.pid() is not None
    clear_strays()
    db.stop()
    return found


def watch(processes: list[subprocess.Popen[bytes]], names: list[str], asleep: Callable[[float], None]) -> None:
    """Wait until asked to stop. Raises Stop when one of the processes ends by itself."""
    while True:
        for process, name in zip(processes, names, strict=True):
            if process.poll() is not None:
                raise say.Stop(f"{name} ended by itself (exit {process.returncode}). See {LOGS}.")
        asleep(0.5)
