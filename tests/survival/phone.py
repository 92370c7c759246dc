"""A phone in the house: a browser in a network of its own, which reaches this machine by its second address alone."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import sys
from collections.abc import Mapping, Sequence
from pathlib import Path

from tests.journeys.browser import Browser

from .house import WITHIN_S, until

# Of RFC 1918; nothing of it leaves the machine.
HOUSE, PHONE, STRANGER = "10.77.13.1", "10.77.13.2", "10.77.13.3"

# Somebody is there, though nobody listens at that port.
REACHES = """
import errno, socket, sys
line = socket.socket()
line.settimeout(2)
sys.exit(line.connect_ex((sys.argv[1], 9)) not in (0, errno.ECONNREFUSED))
"""


def _take_up_left() -> None:
    """The cables of runs that were killed: two of them at one address reach nobody."""
    for cable in Path("/run/netns").glob("phone-*"):
        if not Path("/proc", cable.name.removeprefix("phone-")).exists():
            _did("ip", "netns", "delete", cable.name)


class HouseNetwork:
    """Two ends of one cable: the machine's and the phone's. Where the machine lets nobody lay it, the second address of
    its loopback stands in."""

    def __init__(self) -> None:
        self.name = f"phone-{os.getpid()}"
        self.cable = f"dsp{os.getpid() % 100_000}"
        self.is_laid = self._lay()
        self.address = HOUSE if self.is_laid else "127.0.0.2"

    def _lay(self) -> bool:
        _take_up_left()
        if os.geteuid() != 0 or not _did("ip", "netns", "add", self.name):
            return False
        within = ("ip", "netns", "exec", self.name, "ip")
        done = (
            _did("ip", "link", "add", self.cable, "type", "veth", "peer", "name", "phone0", "netns", self.name)
            and _did("ip", "address", "add", f"{HOUSE}/24", "dev", self.cable)
            and _did("ip", "link", "set", self.cable, "up")
            and _did(*within, "address", "add", f"{PHONE}/24", "dev", "phone0")
            and _did(*within, "address", "add", f"{STRANGER}/24", "dev", "phone0")
            and _did(*within, "link", "set", "phone0", "up")
            and _did(*within, "link", "set", "lo", "up")
        )
        if not done:
            self.take_up()
        return done

    def take_up(self) -> None:
        _did("ip", "netns", "delete", self.name)

    def cut(self) -> None:
        """The phone goes out of reach."""
        _did("ip", "link", "set", self.cable, "down")

    def mend(self) -> None:
        """The phone is in reach again, whatever it believed of the machine meanwhile."""
        _did("ip", "link", "set", self.cable, "up")
        until("the cable", lambda: _did(*self.within, sys.executable, "-c", REACHES, HOUSE))

    @property
    def within(self) -> Sequence[str]:
        """What a command of the phone begins with."""
        return ("ip", "netns", "exec", self.name) if self.is_laid else ()


class Phone:
    """A browser with a home of its own, in which it keeps whom it trusts; it is touched, and as small as a phone."""

    def __init__(self, network: HouseNetwork, home: Path) -> None:
        self.network, self.home = network, home
        self.trusted = home / ".pki" / "nssdb"
        self.trusted.mkdir(parents=True)
        _must("certutil", "-N", "-d", f"sql:{self.trusted}", "--empty-password")
        self._browser: Browser | None = None

    def trust(self, certificate: Path) -> None:
        """Install an authority, as its owner does in the settings."""
        _must("certutil", "-A", "-d", f"sql:{self.trusted}", "-n", "house", "-t", "C,,", "-i", str(certificate))

    def fetch(self, url: str) -> bytes:
        command = [*self.network.within, "curl", "--silent", "--fail", "--max-time", "10", url]
        return subprocess.run(command, check=True, capture_output=True).stdout

    def opens(self, url: str, authority: Path, *also: str) -> int:
        """The status that is answered by who is held against this authority alone; 0 where nobody is."""
        return status(self.network.within, url, authority, *also)

    @property
    def browser(self) -> Browser:
        if self._browser is None:
            begins = self.home / "chromium"
            chromium = shutil.which("chromium") or "/usr/bin/chromium"
            inside = " ".join((*self.network.within, "env", f"HOME={self.home}", chromium))
            begins.write_text(f'#!/bin/sh\nexec {inside} "$@"\n')
            begins.chmod(0o755)
            self._browser = Browser(390, 844, begun_by=begins)
            self._browser.driver.execute_cdp_cmd("Emulation.setTouchEmulationEnabled", {"enabled": True})
        return self._browser

    def put_down(self) -> None:
        if self._browser is not None:
            self._browser.quit()
        self._browser = None


def status(within: Sequence[str], url: str, authority: Path, *also: str) -> int:
    command = [*within, "curl", "--silent", "--max-time", "10", "--cacert", str(authority), *also]
    done = subprocess.run(
        [*command, "-o", "/dev/null", "-w", "%{http_code}", url], check=False, capture_output=True, text=True
    )
    return int(done.stdout or 0)


class Caller:
    """Somebody at an address who calls the kitchen without a browser, with a jar of cookies."""

    def __init__(self, within: Sequence[str], address: str, authority: Path, cookies: Path) -> None:
        self.within, self.address, self.authority, self.cookies = within, address, authority, cookies

    def post(self, path: str, body: Mapping[str, str], *also: str) -> int:
        status(self.within, f"{self.address}/api/session", self.authority, "-c", str(self.cookies))
        lines = (line.split("\t") for line in self.cookies.read_text().splitlines())
        token = next(parts[6] for parts in lines if "despertar_csrf" in parts)
        headers = (f"X-CSRFToken: {token}", f"Referer: {self.address}/", "Content-Type: application/json")
        told = [part for header in headers for part in ("-H", header)]
        # A door that leads nowhere is soon known; whoever works behind it is given time.
        patient = ("--max-time", f"{WITHIN_S:.0f}")
        sent = ("-b", str(self.cookies), *told, "-d", json.dumps(body), *patient, *also)
        return status(self.within, f"{self.address}{path}", self.authority, *sent)


def _did(*command: str) -> bool:
    return subprocess.run(command, check=False, capture_output=True).returncode == 0


def _must(*command: str) -> None:
    subprocess.run(command, check=True, capture_output=True)
