"""Machines of a cluster as processes on loopback: three databases, two web machines, a door, a cache, a store of files.

They run from the files in `deploy/`, with other addresses: what is tested is what is shown.
"""

from __future__ import annotations

import getpass
import os
import re
import secrets
import shutil
import signal
import subprocess
import tempfile
from collections.abc import Mapping
from contextlib import suppress
from pathlib import Path

import requests

from launcher.machine import program
from launcher.place import PYTHON, ROOT, SERVER
from launcher.toolchain import STORE, python_env
from tests.ports import steady_port
from tests.survival.house import until

DEPLOY = ROOT / "deploy"
WITHIN_S = 90.0
BUCKET = "despertar"
NAME = "127.0.0.1"


PYTHONS_OWN = ("PYTHONPATH", "NUMBA_CACHE_DIR")


def bare() -> dict[str, str]:
    """This process's environment without what it is told of a kitchen of its own."""
    return {name: told for name, told in os.environ.items() if not name.startswith(("DESPERTAR_", "DJANGO_"))}


class Machine:
    """One process with its children, killed as by a power cut."""

    def __init__(self, name: str, home: Path) -> None:
        self.name, self.home = name, home
        self.log = home / f"{name}.log"
        self.process: subprocess.Popen[bytes] | None = None

    def run(self, command: list[str | Path], env: Mapping[str, str] | None = None) -> None:
        with self.log.open("ab") as out:
            self.process = subprocess.Popen(
                [str(part) for part in command],
                cwd=ROOT,
                env={**bare(), **(env or {})},
                stdin=subprocess.DEVNULL,
                stdout=out,
                stderr=out,
                start_new_session=True,
            )

    @property
    def lives(self) -> bool:
        return self.process is not None and self.process.poll() is None

    def signal(self, number: int) -> None:
        """To the process and all that it began."""
        if self.process is not None:
            with suppress(ProcessLookupError):
                os.killpg(self.process.pid, number)

    def kill(self) -> None:
        self.signal(signal.SIGKILL)
        if self.process is not None:
            self.process.wait(WITHIN_S)

    def said(self) -> str:
        return self.log.read_text(errors="replace")[-3000:] if self.log.exists() else ""


class Node(Machine):
    """A machine of the database: MariaDB with Galera, by `deploy/database/galera.cnf`."""

    def __init__(self, name: str, home: Path) -> None:
        super().__init__(name, home / name)
        self.data = self.home / "data"
        self.home.mkdir()
        self.log = home / f"{name}.log"
        self.port, self.galera, self.ist, self.sst = (steady_port() for _ in range(4))
        self.socket = self.home / "mariadb.sock"
        # Root's databases run as Debian's own user: the copy that a joining machine is given refuses root.
        self.user = "mysql" if os.geteuid() == 0 else getpass.getuser()
        self.empty()

    def empty(self) -> None:
        """A machine with nothing on its disk."""
        shutil.rmtree(self.data, ignore_errors=True)
        self.data.mkdir()
        if os.geteuid() == 0:
            for folder in (self.home, self.data):
                shutil.chown(folder, "mysql", "mysql")

    def initialise(self) -> None:
        command = [
            program("mariadb-install-db"),
            "--no-defaults",
            f"--datadir={self.data}",
            f"--user={self.user}",
            "--skip-test-db",
            "--skip-name-resolve",
            "--auth-root-authentication-method=socket",
            f"--auth-root-socket-user={getpass.getuser()}",
        ]
        subprocess.run(command, check=True, capture_output=True)

    def start(self, others: list[Node], *, first: bool = False) -> None:
        shared = (DEPLOY / "database" / "galera.cnf").read_text()
        (provider,) = [line for line in shared.splitlines() if line.startswith("wsrep-provider-options")]
        own = [
            f"base_port={self.galera}",
            f"gmcast.listen_addr=tcp://127.0.0.1:{self.galera}",
            f"ist.recv_addr=127.0.0.1:{self.ist}",
        ]
        options = ";".join([provider.split("=", 1)[1].strip().strip('"'), *own])
        command: list[str | Path] = [
            program("mariadbd"),
            f"--defaults-file={DEPLOY / 'database' / 'galera.cnf'}",
            f"--user={self.user}",
            f"--datadir={self.data}",
            f"--socket={self.socket}",
            f"--pid-file={self.home / 'mariadb.pid'}",
            f"--tmpdir={self.home}",
            "--bind-address=127.0.0.1",
            f"--port={self.port}",
            f"--wsrep-node-name={self.name}",
            f"--wsrep-node-address=127.0.0.1:{self.galera}",
            f"--wsrep-sst-receive-address=127.0.0.1:{self.sst}",
            f"--wsrep-provider-options={options}",
            "--wsrep-cluster-address=gcomm://" + ",".join(f"127.0.0.1:{one.galera}" for one in others),
        ]
        self.run([*command, "--wsrep-new-cluster"] if first else [*command, *self._where_it_stood(command)])
        until(f"{self.name} to take part", lambda: self.is_ready() or not self.lives)
        if not self.lives:
            raise AssertionError(f"{self.name} ended at once:\n{self.said()}")

    def _where_it_stood(self, command: list[str | Path]) -> list[str]:
        """As Debian's unit does by `galera_recovery`: then only what it missed is sent to it, not everything."""
        if not (self.data / "grastate.dat").exists():
            return []
        asked = [*map(str, command), "--wsrep-recover", "--disable-log-error"]
        done = subprocess.run(asked, capture_output=True, text=True, check=True, timeout=WITHIN_S)
        (told,) = re.findall(r"WSREP: Recovered position: *(\S+)", done.stdout + done.stderr)
        return [f"--wsrep-start-position={told}"]

    def sql(self, statement: str, database: str = "") -> list[list[str]]:
        """What this machine itself says. Raises OSError where it does not answer."""
        command = [program("mariadb"), "--no-defaults", f"--socket={self.socket}", "--connect-timeout=3", "-N", "-B"]
        done = subprocess.run(
            [*command, *([database] if database else [])],
            input=statement,
            capture_output=True,
            text=True,
            check=False,
            timeout=WITHIN_S,
        )
        if done.returncode:
            raise OSError(done.stderr)
        return [line.split("\t") for line in done.stdout.splitlines()]

    def status(self, name: str) -> str:
        told = self.sql(f"SHOW STATUS LIKE '{name}'")
        return told[0][1] if told else ""

    def is_ready(self) -> bool:
        with suppress(OSError):
            return self.status("wsrep_ready") == "ON" and self.status("wsrep_local_state_comment") == "Synced"
        return False


class Cluster:
    """All of it, begun in its order; `base` is the door."""

    def __init__(self) -> None:
        self.home = Path(tempfile.mkdtemp(prefix="despertar-cluster-", dir="/var/tmp"))
        self.home.chmod(0o755)
        self.password = secrets.token_urlsafe(24)
        self.nodes = [Node(f"db{number}", self.home) for number in (1, 2, 3)]
        self.cache = Machine("cache", self.home)
        self.store = Machine("store", self.home)
        self.door = Machine("door", self.home)
        self.ways = [Machine(f"way{number}", self.home) for number in (1, 2)]
        self.webs = [Machine(f"web{number}", self.home) for number in (1, 2)]
        self.workers = [Machine(f"reminders{number}", self.home) for number in (1, 2)]
        self.beats = [self.home / f"beat{number}" for number in (1, 2)]
        self.ports = {name: steady_port() for name in ("cache", "store", "door", "way1", "way2", "web1", "web2")}
        self.base = f"https://{NAME}:{self.ports['door']}"
        self.certificate = self.home / "door.pem"

    # --- beginning ---

    def start(self) -> None:
        self._certify()
        self.start_databases()
        self.start_cache()
        self.start_store()
        for number in (1, 2):
            self.haproxy(self.ways[number - 1], "database.cfg", self.way_env(number))
        self.manage(1, "prepare")
        for number in (1, 2):
            self.start_web(number)
        self.haproxy(self.door, "door.cfg", self.door_env())
        until("an open door", lambda: all(self.answers() for _ in range(4)))
        for number in (1, 2):
            command: list[str | Path] = [PYTHON, SERVER / "manage.py", "remind", "--every=1"]
            command.append(f"--beat={self.beats[number - 1]}")
            self.workers[number - 1].run(command, self.web_env(number))

    def start_databases(self) -> None:
        first, *others = self.nodes
        first.initialise()
        first.start(self.nodes, first=True)
        accounts = (DEPLOY / "database" / "accounts.sql").read_text()
        first.sql(accounts.replace("the-password-of-web.env", self.password))
        for one in others:
            one.start(self.nodes)

    def start_cache(self) -> None:
        config = DEPLOY / "cache" / "redis.conf"
        self.cache.run([program("redis-server"), config, "--port", str(self.ports["cache"]), "--bind", NAME])

    def start_store(self) -> None:
        port = self.ports["store"]
        self.store.run([STORE / "bin" / "python", "-m", "moto.server", "-H", NAME, "-p", str(port)])
        until("the store", lambda: _answers(f"http://{NAME}:{port}/moto-api/"))
        requests.put(f"http://{NAME}:{port}/{BUCKET}", timeout=10).raise_for_status()

    def start_web(self, number: int) -> None:
        command: list[str | Path] = [PYTHON, "-m", "gunicorn", "config.wsgi:application"]
        command += ["--chdir", SERVER, "--config", DEPLOY / "web" / "gunicorn.conf.py"]
        self.webs[number - 1].run([*command, "--bind", f"{NAME}:{self.ports[f'web{number}']}"], self.web_env(number))

    def haproxy(self, machine: Machine, config: str, env: Mapping[str, str]) -> None:
        machine.run([program("haproxy"), "-W", "-db", "-f", DEPLOY / "proxy" / config], env)

    def manage(self, number: int, *arguments: str) -> str:
        command = [str(PYTHON), str(SERVER / "manage.py"), *arguments]
        env = {**bare(), **self.web_env(number)}
        done = subprocess.run(command, cwd=ROOT, env=env, capture_output=True, text=True, check=False)
        if done.returncode:
            raise AssertionError(done.stdout + done.stderr)
        return done.stdout

    def _certify(self) -> None:
        """A certificate of the door's own, as one of an authority would stand there."""
        key, made = self.home / "door.key", self.home / "door.crt"
        command = [program("openssl"), "req", "-x509", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:prime256v1"]
        command += ["-nodes", "-days", "2", "-subj", "/CN=despertar", "-addext", f"subjectAltName=IP:{NAME}"]
        subprocess.run([*command, "-keyout", key, "-out", made], check=True, capture_output=True)
        self.certificate.write_text(made.read_text() + key.read_text())

    # --- what each is told ---

    def way_env(self, number: int) -> dict[str, str]:
        nodes = {f"DB{at}": f"{NAME}:{node.port}" for at, node in enumerate(self.nodes, 1)}
        return {"HERE": f"{NAME}:{self.ports[f'way{number}']}", **nodes}

    def door_env(self) -> dict[str, str]:
        webs = {f"WEB{number}": f"{NAME}:{self.ports[f'web{number}']}" for number in (1, 2)}
        return {
            "DOOR": f"{NAME}:{self.ports['door']}",
            "CERTIFICATE": str(self.certificate),
            "NAME": NAME,
            **webs,
        }

    def web_env(self, number: int) -> dict[str, str]:
        """Nothing in it is a folder in which state lies: that one is empty, and must stay so."""
        return {
            **{name: told for name, told in python_env().items() if name in PYTHONS_OWN},
            "DJANGO_SETTINGS_MODULE": "config.settings",
            "DESPERTAR_SECRET_KEY": self.password * 2,
            "DESPERTAR_FILES": str(self.home / f"nothing{number}"),
            "DESPERTAR_DB_HOST": NAME,
            "DESPERTAR_DB_PORT": str(self.ports[f"way{number}"]),
            "DESPERTAR_DB_PASSWORD": self.password,
            "DESPERTAR_DB_CLUSTER": "1",
            "DESPERTAR_CACHE": f"redis://{NAME}:{self.ports['cache']}/0",
            "DESPERTAR_S3_BUCKET": BUCKET,
            "DESPERTAR_S3_ENDPOINT": f"http://{NAME}:{self.ports['store']}",
            "AWS_ACCESS_KEY_ID": "web",
            "AWS_SECRET_ACCESS_KEY": "of-the-stand-in",
            "DESPERTAR_PROXIES": "1",
            "DESPERTAR_HTTPS": "1",
        }

    # --- looking and ending ---

    def answers(self) -> bool:
        return _answers(f"{self.base}/health/ready", str(self.certificate))

    def web_answers(self, number: int) -> bool:
        return _answers(f"http://{NAME}:{self.ports[f'web{number}']}/health/ready")

    @property
    def machines(self) -> list[Machine]:
        return [*self.workers, self.door, *self.webs, *self.ways, self.cache, self.store, *reversed(self.nodes)]

    def said(self) -> str:
        return "\n".join(f"── {machine.name}\n{machine.said()}" for machine in self.machines)

    def close(self) -> None:
        for machine in self.machines:
            machine.kill()
        shutil.rmtree(self.home, ignore_errors=True)


def _answers(url: str, authority: str | None = None) -> bool:
    with suppress(requests.RequestException):
        return requests.get(url, timeout=3, verify=authority or True).status_code == 200
    return False
