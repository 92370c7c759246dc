"""A private MariaDB: its own data folder, socket, port and log. The machine's own server is never touched."""

from __future__ import annotations

import hashlib
import os
import pwd
import secrets
import shutil
import signal
import socket
import subprocess
import tempfile
import time
from pathlib import Path
from typing import Any

from . import say
from .machine import program
from .place import LOGS

NAME = "despertar"
# Not the name of whoever may run this: MariaDB knows that one by its socket, as the owner of all.
USER = "kitchen"
# The kernel's limit for a Unix socket path is 108 bytes with the closing zero.
SOCKET_PATH_LIMIT = 100

CONFIG = """\
[mariadbd]
datadir = {data}
socket = {socket}
pid-file = {pid}
log-error = {log}
tmpdir = {tmp}
bind-address = 127.0.0.1
port = {port}
skip-name-resolve
skip-log-bin
character-set-server = utf8mb4
collation-server = utf8mb4_uca1400_ai_ci
default-time-zone = +00:00
sql-mode = TRADITIONAL
transaction-isolation = READ-COMMITTED
innodb-buffer-pool-size = 128M
innodb-log-file-size = 48M
performance-schema = OFF
{durability}
"""


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


def secret(path: Path, length: int) -> str:
    """Made at the first need, whole or not at all, for the owner's eyes only; an empty file is made anew."""
    if not path.exists() or not path.read_text().strip():
        path.parent.mkdir(parents=True, exist_ok=True)
        half = path.with_suffix(".part")
        half.unlink(missing_ok=True)
        half.touch(mode=0o600)
        half.write_text(secrets.token_urlsafe(length))
        half.replace(path)
    return path.read_text()


class Database:
    """One private server. `home` holds all of it; with `lasting` false it may lose data in a power cut."""

    def __init__(self, home: Path, *, lasting: bool) -> None:
        self.home = home
        self.lasting = lasting
        self.data = home / "data"
        self.pid_file = home / "mariadb.pid"
        self.config = home / "mariadb.cnf"
        self.log = LOGS / f"mariadb-{home.name}.log"
        self.socket = self._socket_path()
        # What its steps keep open: a launcher's lock, so that no next start works beside a step of a killed one.
        self.holding: tuple[int, ...] = ()

    def _socket_path(self) -> Path:
        path = self.home / "mariadb.sock"
        if len(bytes(path)) <= SOCKET_PATH_LIMIT:
            return path
        mark = hashlib.sha256(bytes(path)).hexdigest()[:12]
        return Path(tempfile.gettempdir(), f"despertar-{os.getuid()}-{mark}", "mariadb.sock")

    # --- life ---

    def start(self) -> None:
        """Start the server, or take over one of ours that a killed launcher left running."""
        if self.pid() is not None and self._answers():
            self._grant()
            return
        self.stop()
        for folder in (self.home, self.home / "tmp", LOGS):
            folder.mkdir(parents=True, exist_ok=True)
        self.socket.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
        self.home.chmod(0o700)
        if not (self.home / "initialised").exists():
            self._initialise()
        for _ in range(3):
            if self._try_start():
                break
        else:
            raise say.Stop(f"MariaDB did not start. The end of {self.log}:\n{self._log_tail()}")
        self._grant()

    def stop(self) -> None:
        pid = self.pid()
        if pid is None:
            return
        os.kill(pid, signal.SIGTERM)
        for _ in range(600):
            if self.pid() is None:
                return
            time.sleep(0.05)
        # It is stopped or stuck; it comes up again from its own log as after a power cut.
        os.kill(pid, signal.SIGKILL)
        while self.pid() is not None:
            time.sleep(0.05)

    def pid(self) -> int | None:
        """The process that serves our data folder, if it lives. A number reused by another program does not count."""
        try:
            number = int(self.pid_file.read_text().strip())
        except (OSError, ValueError):
            # It has only just begun, and has not written its number down yet.
            return next((int(one.name) for one in Path("/proc").iterdir() if self._is_ours(one.name)), None)
        return number if self._is_ours(str(number)) else None

    def as_root(self, name: str, *arguments: str, log: str, **io: Any) -> str:
        """One of MariaDB's own programs on this server, as who started it."""
        command = [program(name), "--no-defaults", f"--socket={self.socket}", *arguments]
        return say.run(command, log=f"mariadb-{log}-{self.home.name}", holding=self.holding, **io)

    def _is_ours(self, number: str) -> bool:
        try:
            command = Path(f"/proc/{number}/cmdline").read_bytes().split(b"\0")
        except OSError:
            return False
        return f"--defaults-file={self.config}".encode() in command

    # --- for Django ---

    def password(self) -> str:
        return secret(self.home / "password", 32)

    def env(self) -> dict[str, str]:
        return {
            "DESPERTAR_DB_SOCKET": str(self.socket),
            "DESPERTAR_DB_NAME": NAME,
            "DESPERTAR_DB_USER": USER,
            "DESPERTAR_DB_PASSWORD": self.password(),
        }

    # --- inside ---

    def _initialise(self) -> None:
        # What an interrupted first start left holds nothing yet.
        shutil.rmtree(self.data, ignore_errors=True)
        # By its number: what the environment says of a name may be another's.
        user = pwd.getpwuid(os.geteuid()).pw_name
        command = [
            program("mariadb-install-db"),
            "--no-defaults",
            f"--datadir={self.data}",
            "--skip-test-db",
            "--skip-name-resolve",
            "--auth-root-authentication-method=socket",
            f"--auth-root-socket-user={user}",
            *(["--user=root"] if os.geteuid() == 0 else []),
        ]
        say.run(command, log=f"mariadb-init-{self.home.name}", holding=self.holding)
        (self.home / "initialised").touch()

    def _try_start(self) -> bool:
        durability = "" if self.lasting else "innodb-flush-log-at-trx-commit = 0\ninnodb-doublewrite = OFF"
        self.config.write_text(
            CONFIG.format(
                data=self.data,
                socket=self.socket,
                pid=self.pid_file,
                log=self.log,
                tmp=self.home / "tmp",
                port=free_port(),
                durability=durability,
            )
        )
        server = subprocess.Popen(
            [
                program("mariadbd"),
                f"--defaults-file={self.config}",
                *(["--user=root"] if os.geteuid() == 0 else []),
            ],
            stdin=subprocess.DEVNULL,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            start_new_session=True,
        )
        deadline = time.monotonic() + 60
        while time.monotonic() < deadline:
            if server.poll() is not None:
                return False
            if self._answers():
                return True
            time.sleep(0.05)
        server.terminate()
        server.wait(30)
        return False

    def _answers(self) -> bool:
        ping = [program("mariadb-admin"), "--no-defaults", f"--socket={self.socket}", "--connect-timeout=5", "ping"]
        try:
            return subprocess.run(ping, capture_output=True, check=False, timeout=10).returncode == 0
        except subprocess.TimeoutExpired:
            return False

    def _grant(self) -> None:
        granted = self.home / "granted"
        mark = hashlib.sha256(f"{USER} {self.password()}".encode()).hexdigest()
        if granted.exists() and granted.read_text() == mark:
            return
        sql = f"""
            CREATE DATABASE IF NOT EXISTS `{NAME}`;
            CREATE USER IF NOT EXISTS `{USER}`@`localhost`;
            ALTER USER `{USER}`@`localhost` IDENTIFIED BY '{self.password()}';
            GRANT ALL ON `{NAME}`.* TO `{USER}`@`localhost`;
            GRANT ALL ON `test\\_{NAME}%`.* TO `{USER}`@`localhost`;
        """
        self.as_root("mariadb", log="grant", stdin=sql)
        granted.write_text(mark)

    def _log_tail(self) -> str:
        if not self.log.exists():
            return "    (empty)"
        return "\n".join("    " + row for row in self.log.read_text(errors="replace").splitlines()[-15:])
