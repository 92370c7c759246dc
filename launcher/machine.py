"""What the machine must have: Debian's packages, found by what they provide rather than by name."""

from __future__ import annotations

import os
import re
import shutil
import subprocess
import sys
import sysconfig
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from importlib.util import find_spec
from pathlib import Path

from . import say
from .place import PACKAGED

NODE_AT_LEAST = (20, 19)
# A machine that has just been started installs its own updates first.
WAITS_ITS_TURN = ("--option", "DPkg::Lock::Timeout=300")


@dataclass(frozen=True)
class Need:
    """One thing the machine must provide, and the Debian package that brings it."""

    package: str
    is_there: Callable[[], bool]
    # Only for making what a Debian package brings made.
    makes: bool = False


def which(name: str) -> str | None:
    """Like shutil.which, with the sbin folders that an ordinary user's PATH lacks."""
    path = os.pathsep.join([os.environ.get("PATH", ""), "/usr/local/sbin", "/usr/sbin", "/sbin"])
    return shutil.which(name, path=path)


def program(name: str) -> str:
    """Full path of a program that `require` has made sure of."""
    found = which(name)
    if found is None:
        raise say.Stop(f"The program {name} is missing.")
    return found


def _python_headers() -> bool:
    return Path(sysconfig.get_paths()["include"], "Python.h").exists()


def _has(name: str) -> Callable[[], bool]:
    return lambda: which(name) is not None


TO_RUN = (
    Need("mariadb-server", _has("mariadbd")),
    Need("mariadb-client", _has("mariadb-dump")),
    Need("libmariadb-dev", _has("mariadb_config"), makes=True),
    Need("pkg-config", _has("pkg-config"), makes=True),
    Need("gcc", _has("gcc"), makes=True),
    Need("python3-venv", lambda: find_spec("ensurepip") is not None, makes=True),
    Need("python3-dev", _python_headers, makes=True),
    Need("fonts-dejavu-core", Path("/usr/share/fonts/truetype/dejavu/DejaVuSans-Bold.ttf").exists),
)
# The door to the house network.
TO_SERVE_A_HOUSE = (Need("nginx", _has("nginx")),)
# Of Debian's Python, whichever runs this: the package is made of that one.
TO_PACKAGE = (
    *TO_RUN,
    Need("debhelper", _has("dh")),
    Need("dpkg-dev", _has("dpkg-buildpackage")),
    Need("python3-venv", lambda: any(Path("/usr/lib").glob("python3.*/ensurepip"))),
    Need("python3-dev", lambda: any(Path("/usr/include").glob("python3.*/Python.h"))),
)
TO_TEST = (
    *TO_RUN,
    *TO_SERVE_A_HOUSE,
    Need("chromium", _has("chromium")),
    Need("chromium-driver", _has("chromedriver")),
    # Opens what goes out, as a spreadsheet would.
    Need("gnumeric", _has("ssconvert")),
    # A phone of one's own: its network, and what it trusts.
    Need("curl", _has("curl")),
    Need("openssl", _has("openssl")),
    Need("iproute2", _has("ip")),
    Need("libnss3-tools", _has("certutil")),
    # A cluster of one's own: its database's copies, its cache, its door.
    Need("galera-4", Path("/usr/lib/libgalera_smm.so").exists),
    Need("mariadb-backup", _has("mariadb-backup")),
    Need("socat", _has("socat")),
    Need("redis-server", _has("redis-server")),
    Need("haproxy", _has("haproxy")),
    *TO_PACKAGE,
)


def require(needs: tuple[Need, ...]) -> None:
    """Install what is missing, or say exactly what to install.

    Raises Stop when something is missing and there is neither root nor sudo.
    """
    if not PACKAGED:
        check_node()
        _forget_policy()
    missing = list(
        dict.fromkeys(need.package for need in needs if not (PACKAGED and need.makes) and not need.is_there())
    )
    if not missing:
        return
    if PACKAGED:
        raise say.Stop(f"This machine lacks {', '.join(missing)}. As root: apt install {' '.join(missing)}")
    command = ["apt-get", "install", "--yes", "--no-install-recommends", *missing]
    by_hand = f"apt-get update && {' '.join(command)}"
    if which("apt-get") is None:
        raise say.Stop(f"This machine lacks {', '.join(missing)} (Debian's names). Install them and start again.")
    as_root: list[str] = []
    if os.geteuid() != 0:
        if which("sudo") is None:
            raise say.Stop(f"Not root, and no sudo here. As root, run:\n\n    {by_hand}\n\nthen start again.")
        as_root = ["sudo"]
        # Ask for the password now: the steps below keep their output out of sight.
        if subprocess.run(["sudo", "-v"], check=False).returncode != 0:
            raise say.Stop(f"sudo was refused. As root, run:\n\n    {by_hand}\n\nthen start again.")
    env = {"DEBIAN_FRONTEND": "noninteractive"}
    with say.step("Reading Debian's package lists"):
        say.run([*as_root, "apt-get", "update"], log="apt-update", env=env, umask=0o022, own_session=False)
    with say.step(f"Installing {', '.join(missing)}"), _nothing_begins(as_root):
        install = [*as_root, "env", "DEBIAN_FRONTEND=noninteractive", *command, *WAITS_ITS_TURN]
        # What is installed is for all users of the machine.
        say.run(install, log="apt-install", env=env, umask=0o022, own_session=False)
    still = [need.package for need in needs if not need.is_there()]
    if still:
        raise say.Stop(f"apt-get ended well, yet {', '.join(still)} did not bring what is needed. See var/log.")


# Debian's packages of servers begin them at once, MariaDB's and nginx's own, one of them open to the network. Where no
# policy stands, this one keeps them from it for so long (Debian Policy 9.3.3; exit status 101: not allowed).
POLICY = Path("/usr/sbin/policy-rc.d")
OURS = "# Of Despertar, while it installs."


@contextmanager
def _nothing_begins(as_root: list[str]) -> Iterator[None]:
    # One of ours was left by an installation that was killed.
    if POLICY.exists() and OURS not in POLICY.read_text(errors="replace"):
        yield
        return
    script = f"printf '#!/bin/sh\\n{OURS}\\nexit 101\\n' > {POLICY} && chmod 755 {POLICY}"
    subprocess.run([*as_root, "sh", "-c", script], check=False)
    try:
        yield
    finally:
        subprocess.run([*as_root, "rm", "-f", str(POLICY)], check=False)


def _forget_policy() -> None:
    """What a killed installation left would keep every server of the machine from beginning."""
    if os.geteuid() == 0 and POLICY.exists() and OURS in POLICY.read_text(errors="replace"):
        POLICY.unlink(missing_ok=True)


def check_node() -> None:
    """Node and npm come with the machine; Debian 12's own are too old for the build."""
    wanted = ".".join(map(str, NODE_AT_LEAST))
    if which("node") is None or which("npm") is None:
        raise say.Stop(f"Node.js {wanted} or newer with npm is needed and was not found.")
    text = subprocess.run(["node", "--version"], capture_output=True, text=True, check=True).stdout
    found = re.match(r"v(\d+)\.(\d+)", text)
    if found is None or (int(found[1]), int(found[2])) < NODE_AT_LEAST:
        raise say.Stop(f"Node.js {wanted} or newer is needed; this is {text.strip()}.")


def interpreter() -> str:
    """Tells one Python from another, so that a virtual environment made by an old one is made anew.

    The same whether it runs itself or out of an environment made of it.
    """
    return f"{sys.base_prefix} {sys.version}"
