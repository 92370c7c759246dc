"""Running the kitchen: one launcher at a time, its children stopped in order, strays of a killed run cleared away."""

from __future__ import annotations

import fcntl
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator, Sequence
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType
from typing import IO

from . import say
from .database import Database, free_port, secret
from .place import LOGS, PYTHON, ROOT, RUN, SERVER, VAR
from .toolchain import python_env

USUAL_PORT = int(os.environ.get("DESPERTAR_PORT", "8420"))
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


# How long the steps of a killed launcher may go on after it.
LEFT_S = 180.0


@contextmanager
def only_one() -> Iterator[int]:
    """Hold the lock of this checkout; gives its file descriptor, for what must not be at work beside a next start.

    Raises AlreadyRunning. A killed launcher's lock is freed by the kernel, when the step that it was in has ended too.
    """
    RUN.mkdir(parents=True, exist_ok=True)
    with LOCK_FILE.open("a+") as lock:
        if not _locked(lock):
            if _launcher_lives(lock):
                raise AlreadyRunning(ADDRESS_FILE.read_text() if ADDRESS_FILE.exists() else None)
            with say.step("Waiting for a step of a killed start to end"):
                _lock_when_free(lock)
        lock.truncate(0)
        lock.write(str(os.getpid()))
        lock.flush()
        ADDRESS_FILE.unlink(missing_ok=True)
        try:
            yield lock.fileno()
        finally:
            ADDRESS_FILE.unlink(missing_ok=True)
            lock.truncate(0)


def _locked(lock: IO[str]) -> bool:
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except BlockingIOError:
        return False
    return True


def _launcher_lives(lock: IO[str]) -> bool:
    """Whether it is a launcher that holds the lock, and not the step that a killed one was in."""
    lock.seek(0)
    number = lock.read().strip()
    # Empty: it has only just begun.
    return not number or Path(f"/proc/{number}").exists()


def _lock_when_free(lock: IO[str]) -> None:
    until = time.monotonic() + LEFT_S
    while not _locked(lock):
        if time.monotonic() > until:
            raise say.Stop(f"A step of a killed start does not end. See {LOGS}; ./despertar stop ends it.")
        time.sleep(0.1)


def secret_key() -> str:
    """Django's signing key."""
    return secret(VAR / "secret-key", 64)


def standin_token() -> str:
    """What the simulated thermometer shows when it posts to the demo kitchen."""
    return secret(VAR / "standin-token", 64)


def camera_token() -> str:
    """The same of the simulated camera."""
    return secret(VAR / "camera-token", 64)


def django_env(db: Database, *, demo: bool, debug: bool = False) -> dict[str, str]:
    return {
        **python_env(),
        **db.env(),
        "DJANGO_SETTINGS_MODULE": "config.settings",
        "DESPERTAR_SECRET_KEY": secret_key(),
        "DESPERTAR_DEMO": "1" if demo else "0",
        "DESPERTAR_DEBUG": "1" if debug else "0",
        "DESPERTAR_FILES": str(VAR / "files"),
        "DESPERTAR_COUNTS": str(VAR / "counts"),
    }


def scale_port() -> int:
    """The simulated scale's usual port, or a free one."""
    return USUAL_PORT + 1 if _is_free(USUAL_PORT + 1) else free_port()


def camera_port() -> int:
    """The same of the simulated camera."""
    return USUAL_PORT + 2 if _is_free(USUAL_PORT + 2) else free_port()


# Every process of a running kitchen carries this in its environment, so that none is ever left behind unknown.
HOUSE = "DESPERTAR_HOUSE"


def begin(log: str, command: Sequence[str | Path], env: dict[str, str]) -> subprocess.Popen[bytes]:
    LOGS.mkdir(parents=True, exist_ok=True)
    with (LOGS / f"{log}.log").open("ab") as out:
        return subprocess.Popen(
            [str(part) for part in command],
            cwd=ROOT,
            env=env,
            stdin=subprocess.DEVNULL,
            stdout=out,
            stderr=out,
            start_new_session=True,
        )


def reminders(env: dict[str, str]) -> subprocess.Popen[bytes]:
    """The process that sends due reminders to the postbox, once a minute."""
    beat = f"--beat={RUN / 'reminders.beat'}"
    return begin("reminders", [PYTHON, SERVER / "manage.py", "remind", "--every=60", beat], env)


METRICS = os.environ.get("DESPERTAR_METRICS_PORT")
COUNTED = RUN / "metrics"


def metrics_env() -> dict[str, str]:
    """Where the processes of the kitchen put down what they count, where somebody asks for it; begun anew each time."""
    if not METRICS:
        return {}
    shutil.rmtree(COUNTED, ignore_errors=True)
    COUNTED.mkdir(parents=True)
    return {"PROMETHEUS_MULTIPROC_DIR": str(COUNTED)}


def metrics(env: dict[str, str]) -> subprocess.Popen[bytes]:
    return begin("metrics", [PYTHON, SERVER / "manage.py", "metrics", f"--port={METRICS}"], env)


def backups(env: dict[str, str]) -> subprocess.Popen[bytes]:
    """The process that keeps a backup of each day; it needs nothing but the launcher."""
    return begin("backups", [sys.executable, "-m", "launcher.daily"], env)


def scale(env: dict[str, str], port: int) -> subprocess.Popen[bytes]:
    """The simulated scale beside a demo kitchen."""
    return begin("standins", [PYTHON, "-m", "standins.scale", "--port", str(port)], env)


def thermometer(env: dict[str, str], kitchen: int) -> subprocess.Popen[bytes]:
    """The simulated thermometer; its token is in its environment, where no other user of the machine sees it."""
    to = f"--to=http://127.0.0.1:{kitchen}/api/degrees"
    return begin("standins", [PYTHON, "-m", "standins.thermometer", to, "--every=120", "--mean=20"], env)


def camera_course(env: dict[str, str]) -> str:
    """How the jar before the simulated camera goes; empty where the demo has been given another."""
    command = [str(PYTHON), str(SERVER / "manage.py"), "camera_course"]
    return subprocess.run(command, env=env, capture_output=True, text=True, check=True).stdout.strip()


def camera(env: dict[str, str], kitchen: int, port: int, course: str) -> subprocess.Popen[bytes]:
    """The simulated camera; its token is in its environment, where no other user of the machine sees it."""
    to = f"--to=http://127.0.0.1:{kitchen}/api/frames"
    told = {**env, "DESPERTAR_CAMERA_COURSE": course}
    return begin("standins", [PYTHON, "-m", "standins.camera", to, f"--port={port}"], told)


def _is_free(port: int) -> bool:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind(("127.0.0.1", port))
        except OSError:
            return False
    return True


# A browser keeps what waits by the address: another port would be another kitchen to it.
PORT_FILE = VAR / "port"
PORT_FREED_S = 15.0


def choose_port() -> int:
    """The port of this kitchen: chosen at its first start, the usual one or else a free one, and the same ever after.

    Raises Stop when another program holds it by now.
    """
    kept = PORT_FILE.read_text().strip() if PORT_FILE.exists() else ""
    asked = os.environ.get("DESPERTAR_PORT")
    if asked or not kept.isdigit():
        port = USUAL_PORT if _is_free(USUAL_PORT) else _another(asked)
        PORT_FILE.write_text(str(port))
        return port
    port = int(kept)
    until = time.monotonic() + PORT_FREED_S
    while not _is_free(port):
        if time.monotonic() > until:
            raise say.Stop(
                f"Another program uses port {port}, at which this kitchen is found. End it and start again; or choose "
                f"another with DESPERTAR_PORT=… ./despertar start: browsers then take it for another kitchen, and what "
                f"waits in them to be sent waits until it is back at {port}."
            )
        time.sleep(0.2)
    return port


def _another(asked: str | None) -> int:
    if asked:
        raise say.Stop(f"Another program uses port {asked}.")
    port = free_port()
    say.line(f"  Port {USUAL_PORT} is in use by another program; this kitchen is found at {port} from now on.")
    return port


def gunicorn(env: dict[str, str], port: int, *, pid_file: Path = WEB_PID) -> subprocess.Popen[bytes]:
    pid_file.parent.mkdir(parents=True, exist_ok=True)
    command: list[str | Path] = [PYTHON, "-m", "gunicorn", "config.wsgi:application"]
    command += ["--chdir", SERVER, "--bind", f"127.0.0.1:{port}", "--pid", pid_file]
    command += ["--workers", str(WORKERS), "--worker-class", "config.worker.PatientWorker"]
    # Loaded once and shared: what the compiled model takes, it takes once.
    command += ["--graceful-timeout", "5", "--no-control-socket", "--preload"]
    return begin("web", command, {**env, **GIVES_BACK})


# The C library keeps what a large photo took unless it is told that such pieces come and go (glibc, mallopt(3)).
GIVES_BACK = {"MALLOC_MMAP_THRESHOLD_": "262144", "MALLOC_TRIM_THRESHOLD_": "1048576", "MALLOC_ARENA_MAX": "2"}


def wait_until_it_answers(port: int, web: subprocess.Popen[bytes]) -> None:
    url = f"http://127.0.0.1:{port}/api/health"
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


def clear_strays() -> int:
    """Stop what a killed launcher left behind, all but the database, which is taken over. Gives how many there were."""
    left = strays()
    for number in left:
        with suppress(ProcessLookupError):
            os.kill(number, signal.SIGTERM)
    until = time.monotonic() + 15
    while still := [number for number in left if Path(f"/proc/{number}/environ").exists() and _is_ours(number)]:
        if time.monotonic() > until:
            for number in still:
                with suppress(ProcessLookupError):
                    os.kill(number, signal.SIGKILL)
        time.sleep(0.05)
    for pid_file in RUN.glob("*.pid"):
        pid_file.unlink(missing_ok=True)
    return len(left)


def strays() -> list[int]:
    """The processes of this kitchen, by their number, whoever began them."""
    return [int(one.name) for one in Path("/proc").iterdir() if one.name.isdigit() and _is_ours(int(one.name))]


def _is_ours(number: int) -> bool:
    try:
        environ = Path(f"/proc/{number}/environ").read_bytes()
    except OSError:
        return False
    return f"{HOUSE}={VAR}".encode() in environ.split(b"\0")


class Asked(Exception):
    """Somebody asked the launcher to stop: Ctrl-C, `./despertar stop`, or the terminal closing."""


_held = False
_asked = False


def heed_signals() -> None:
    def stop(_number: int, _frame: FrameType | None) -> None:
        global _asked
        _asked = True
        if _held:
            say.line("\n  Stopping as soon as the database is whole …")
            return
        # A second Ctrl-C must not cut the clearing up short.
        for number in SIGNALS:
            signal.signal(number, signal.SIG_IGN)
        raise Asked

    for number in SIGNALS:
        signal.signal(number, stop)


SIGNALS = (signal.SIGINT, signal.SIGTERM, signal.SIGHUP)


@contextmanager
def undisturbed() -> Iterator[None]:
    """Whoever asks to stop meanwhile is heard at the end."""
    global _held
    _held = True
    try:
        yield
    finally:
        _held = False
    if _asked:
        for number in SIGNALS:
            signal.signal(number, signal.SIG_IGN)
        raise Asked


def stop_running() -> bool:
    """Ask the running launcher to stop, then clear what a killed one left. True when there was something to stop."""
    found = False
    if LOCK_FILE.exists():
        with LOCK_FILE.open("r+") as lock:
            if not _locked(lock):
                found = True
                if _launcher_lives(lock):
                    lock.seek(0)
                    with suppress(ValueError, ProcessLookupError):
                        os.kill(int(lock.read()), signal.SIGTERM)
                _lock_when_free(lock)
            lock.truncate(0)
    db = database()
    found = found or db.pid() is not None
    found = clear_strays() > 0 or found
    db.stop()
    return found
