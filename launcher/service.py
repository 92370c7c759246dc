"""As a service of the machine: a systemd unit for this checkout, not as root, begun with the machine, and again."""

from __future__ import annotations

import argparse
import getpass
import os
import pwd
import shlex
import shutil
import subprocess
import sys
from pathlib import Path

from . import say
from .machine import which
from .place import ROOT, VAR

NAME = "despertar.service"
SYSTEM = Path("/etc/systemd/system")
# What the one who starts it set for this house goes with it.
SET = (
    *("DESPERTAR_VAR", "DESPERTAR_PORT", "DESPERTAR_LAN_PORT", "DESPERTAR_TRUST_PORT", "DESPERTAR_BACKUPS"),
    *("DESPERTAR_SIGN_UP", "DESPERTAR_METRICS_PORT", "DESPERTAR_LOGS", "DESPERTAR_CACHE", "DESPERTAR_LEAST_FREE_MB"),
)

UNIT = """\
# Written by ./despertar service. What is changed here is written over by the next one.
[Unit]
Description=Despertar, a kitchen of sourdough starters
After=network-online.target
Wants=network-online.target

[Service]
Type=simple
{user}WorkingDirectory={root}
{environment}ExecStart={python} {root}/despertar start{flags}
# Everything is told to stop in its order; the database takes its time.
KillSignal=SIGTERM
KillMode=mixed
TimeoutStopSec=90
TimeoutStartSec=900
Restart=on-failure
RestartSec=5
StandardOutput=journal
StandardError=journal
SyslogIdentifier=despertar

# It writes where it keeps things and nowhere else, and gains no rights.
NoNewPrivileges=yes
ProtectSystem=strict
ReadWritePaths={writes}
PrivateTmp=yes
PrivateDevices=yes
ProtectControlGroups=yes
ProtectKernelModules=yes
ProtectKernelTunables=yes
RestrictSUIDSGID=yes
LockPersonality=yes
UMask=0077

[Install]
WantedBy={target}
"""


def unit(*, flags: str, user: str | None, writes: tuple[Path, ...]) -> str:
    """`user` is who it runs as; None for a unit of one's own, which runs as who has it."""
    environment = "".join(f"Environment={name}={os.environ[name]}\n" for name in SET if name in os.environ)
    return UNIT.format(
        user=f"User={user}\n" if user else "",
        root=ROOT,
        environment=environment,
        python=sys.executable,
        flags=f" {flags}" if flags else "",
        writes=" ".join(str(path) for path in writes),
        target="multi-user.target" if user else "default.target",
    )


def service(arguments: argparse.Namespace) -> int:
    """Write a systemd unit that starts the kitchen with the machine, not as root, and begins it again when it falls."""
    flags = shlex.join(
        [
            *(["--lan"] if arguments.lan else []),
            *(["--host", arguments.host] if arguments.host else []),
        ]
    )
    writes = (VAR, ROOT / ".venv", ROOT / "web" / "dist", ROOT / "web" / "node_modules")
    if arguments.show:
        say.line(unit(flags=flags, user=None if os.geteuid() else _somebody(arguments.user), writes=writes))
        return 0
    if which("systemctl") is None:
        raise say.Stop("This machine has no systemd. ./despertar service --show prints the unit, to go by.")
    if os.geteuid() == 0:
        return _of_the_machine(arguments.user, flags, writes)
    return _of_ones_own(flags, writes)


def _somebody(asked: str | None) -> str:
    """Who it runs as: the one asked for, or whose this folder is. Raises Stop for root and for nobody known."""
    user = asked or pwd.getpwuid(ROOT.stat().st_uid).pw_name
    try:
        number = pwd.getpwnam(user).pw_uid
    except KeyError:
        raise say.Stop(
            f"There is no user {user} here. Make one of its own: "
            f"adduser --system --group --home {ROOT} {user}; chown -R {user} {ROOT}"
        ) from None
    if number == 0:
        raise say.Stop(
            "A kitchen needs no root. Make it a user of its own, give it this folder, and name it: "
            f"adduser --system --group despertar; chown -R despertar {ROOT}; ./despertar service --user despertar"
        )
    return user


def _of_the_machine(asked: str | None, flags: str, writes: tuple[Path, ...]) -> int:
    user = _somebody(asked)
    file = SYSTEM / NAME
    file.write_text(unit(flags=flags, user=user, writes=writes))
    subprocess.run(["systemctl", "daemon-reload"], check=True)
    subprocess.run(["systemctl", "enable", "--now", NAME], check=True)
    say.line(f"{file}: runs as {user}. journalctl -u despertar shows what it says; systemctl stop despertar ends it.")
    return 0


def _of_ones_own(flags: str, writes: tuple[Path, ...]) -> int:
    folder = Path.home() / ".config" / "systemd" / "user"
    folder.mkdir(parents=True, exist_ok=True)
    (folder / NAME).write_text(unit(flags=flags, user=None, writes=writes))
    subprocess.run(["systemctl", "--user", "daemon-reload"], check=True)
    subprocess.run(["systemctl", "--user", "enable", "--now", NAME], check=True)
    if shutil.which("loginctl"):
        # So that it runs while nobody is signed in.
        subprocess.run(["loginctl", "enable-linger", getpass.getuser()], check=False)
    say.line(f"{folder / NAME}: journalctl --user -u despertar shows what it says.")
    return 0
