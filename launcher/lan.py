"""The kitchen on the house network: over HTTPS, by nginx, which alone is reached from outside this machine."""

from __future__ import annotations

import html
import json
import os
import shutil
import socket
import subprocess
import time
from dataclasses import dataclass
from pathlib import Path

from . import say, serving
from .machine import program
from .place import LOGS, PYTHON, ROOT, RUN, VAR

TLS = VAR / "tls"
PUBLIC = VAR / "tls-public"
PORT, TRUST_PORT = (
    int(os.environ.get("DESPERTAR_LAN_PORT", "8443")),
    int(os.environ.get("DESPERTAR_TRUST_PORT", "8480")),
)
TEMPLATES = ROOT / "launcher" / "templates"
# Addresses for documentation (RFC 5737): nothing is sent, the kernel only says by which way it would go.
SOMEWHERE = ("192.0.2.1", 9)


@dataclass(frozen=True)
class Door:
    """How the house is reached: its names, the first of them told; a certificate and key of one's own, or none."""

    names: tuple[str, ...]
    certificate: Path | None = None
    key: Path | None = None

    @property
    def host(self) -> str:
        return self.names[0]

    @property
    def address(self) -> str:
        return f"https://{self.host}:{PORT}/"

    @property
    def trust_address(self) -> str:
        return f"http://{self.host}:{TRUST_PORT}/"

    def env(self) -> dict[str, str]:
        """What the application has to know: its names, that it is served over HTTPS, and by one proxy of its own."""
        return {
            "DESPERTAR_HOSTS": ",".join((*self.names, "127.0.0.1", "localhost")),
            "DESPERTAR_HTTPS": "1",
            "DESPERTAR_HTTPS_HOST": f"{self.host}:{PORT}",
            "DESPERTAR_PROXIES": "1",
            "DESPERTAR_SIGN_UP": os.environ.get("DESPERTAR_SIGN_UP", "invited"),
        }


def door(asked: str | None, certificate: Path | None, key: Path | None) -> Door:
    """Raises Stop where the machine is in no network, or where one half of the baker's own certificate is missing."""
    if (certificate is None) != (key is None):
        raise say.Stop("A certificate of your own needs both: --certificate FILE and --key FILE.")
    for file in (certificate, key):
        if file is not None and not file.is_file():
            raise say.Stop(f"There is no file {file}.")
    address = asked or own_address()
    if address is None:
        raise say.Stop(
            "This machine has no address in a network. Connect it, or name one: ./despertar start --lan --host ADDRESS."
        )
    name = socket.gethostname().split(".")[0].lower()
    also = (f"{name}.local",) if name and name != "localhost" and certificate is None else ()
    names = tuple(dict.fromkeys((address, *also)))
    return Door(names, certificate, key)


def own_address() -> str | None:
    """The address by which this machine would send into its network."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(SOMEWHERE)
        except OSError:
            return None
        address: str = probe.getsockname()[0]
    return None if address.startswith("127.") else address


@dataclass(frozen=True)
class Trust:
    """What a phone has to be told once: the fingerprint to compare, and a code to scan (rows of dark and light)."""

    fingerprint: str
    code: tuple[str, ...]


def certify(way: Door) -> Trust | None:
    """The house's certificate for its names of today; None where the baker has one of their own."""
    if way.certificate is not None:
        return None
    command = [PYTHON, "-m", "launcher.authority", "--into", TLS, "--code", way.trust_address, *way.names]
    done = subprocess.run(
        [str(part) for part in command], cwd=ROOT, capture_output=True, text=True, check=False, env=os.environ
    )
    told = json.loads(done.stdout) if done.stdout.startswith("{") else {}
    if "unfit" in told:
        raise say.Stop(
            f"The house's authority may not sign for {told['unfit']}: it was made when this machine had other names. "
            f"Delete {TLS} to make a new one (phones and laptops have to install it again), or name an address that it "
            "may sign for with --host."
        )
    if done.returncode != 0:
        raise say.Stop(f"The certificate could not be made:\n{done.stderr[-2000:]}")
    PUBLIC.mkdir(mode=0o755, parents=True, exist_ok=True)
    shutil.copyfile(TLS / "authority.crt", PUBLIC / "despertar.crt")
    for page in TEMPLATES.glob("trust.*.html"):
        text = page.read_text(encoding="utf-8")
        rows = "<br>".join(fingerprint_rows(told["fingerprint"]))
        text = text.replace("@ADDRESS@", html.escape(way.address)).replace("@FINGERPRINT@", rows)
        (PUBLIC / page.name).write_text(text, encoding="utf-8")
    for file in PUBLIC.iterdir():
        file.chmod(0o644)
    return Trust(told["fingerprint"], tuple(told["code"]))


def fingerprint_rows(fingerprint: str) -> list[str]:
    """Eight pairs a row: a phone has no room for more, and an eye loses its place in one long one."""
    pairs = fingerprint.split(":")
    return [" ".join(pairs[at : at + 8]) for at in range(0, len(pairs), 8)]


def configuration(way: Door, port: int) -> Path:
    """Nginx's own words, made of the template."""
    home = VAR / "nginx"
    for folder in ("body", "proxy", "fastcgi", "uwsgi", "scgi"):
        (home / folder).mkdir(mode=0o700, parents=True, exist_ok=True)
    own = way.certificate is not None
    values = {
        "@HOME@": str(home),
        # As who started it; nginx leaves root for a user who may not read what is kept here.
        "@USER@": "user root;" if os.geteuid() == 0 else "",
        "@PID@": str(RUN / "nginx.pid"),
        "@LOG@": str(LOGS / "nginx.log"),
        "@NAMES@": " ".join(way.names),
        "@PORT@": str(PORT),
        "@TRUST_PORT@": str(TRUST_PORT),
        "@HOST@": way.host,
        "@KITCHEN@": f"127.0.0.1:{port}",
        "@CERTIFICATE@": str(way.certificate if own else TLS / "house.crt"),
        "@KEY@": str(way.key if own else TLS / "house.key"),
        "@PUBLIC@": str(PUBLIC),
    }
    text = (TEMPLATES / "nginx.conf").read_text(encoding="utf-8")
    for place, value in values.items():
        text = text.replace(place, value)
    file = home / "nginx.conf"
    file.write_text(text, encoding="utf-8")
    return file


def nginx(way: Door, port: int, env: dict[str, str]) -> subprocess.Popen[bytes]:
    """Begin it; raises Stop for words that it does not take, such as a certificate that does not fit its key."""
    file = configuration(way, port)
    command = [program("nginx"), "-p", str(VAR / "nginx"), "-c", str(file), "-e", str(LOGS / "nginx.log")]
    told = subprocess.run([*command, "-t"], capture_output=True, text=True, check=False)
    if told.returncode != 0:
        raise say.Stop(f"The door to the house network does not open:\n{told.stderr[-2000:]}")
    return serving.begin("nginx", command, env)


OPENS_WITHIN_S = 15.0


def wait_until_open(door: subprocess.Popen[bytes]) -> None:
    """Raises Stop where nobody comes in by it, such as when another program has its port."""
    until = time.monotonic() + OPENS_WITHIN_S
    while door.poll() is None and time.monotonic() < until:
        try:
            socket.create_connection(("127.0.0.1", PORT), timeout=1.0).close()
        except OSError:
            time.sleep(0.05)
        else:
            return
    raise say.Stop(f"The door to the house network does not open. See {LOGS / 'nginx.log'}.")


def draw(code: tuple[str, ...]) -> str:
    """A QR code in half blocks: two rows in a line, dark on light whatever the terminal's colours."""
    rows = [*code, " " * len(code[0])] if len(code) % 2 else list(code)
    lines = []
    for upper, lower in zip(rows[::2], rows[1::2], strict=True):
        pairs = zip(upper, lower, strict=True)
        lines.append("  \x1b[30;107m" + "".join(HALVES[pair] for pair in pairs) + "\x1b[0m")
    return "\n".join(lines)


HALVES = {("#", "#"): "█", ("#", " "): "▀", (" ", "#"): "▄", (" ", " "): " "}
