"""The Debian package on a machine like this one: installed, begun by its unit, removed, found again, and gone."""

from __future__ import annotations

import os
import subprocess
import tempfile
from contextlib import suppress
from pathlib import Path
from typing import ClassVar
from unittest import TestCase, skipUnless

from launcher.place import PYTHON, VERSION
from tests.server.base import PASSWORD
from tests.survival.house import until

from .machine import ADDRESS, ENVIRONMENT, Machine

DOOR = f"https://{ADDRESS}:8443"
AUTHORITY = "/var/lib/despertar/tls/authority.crt"
# A baker of the house, who signs up or in and shows what her jar's log holds.
BAKER = """
import sys
from tests.survival.house import Baker
class Door:
    base = sys.argv[1]
ines = Baker(Door(), "Ines")
if sys.argv[2] == "new":
    ines.sign_up()
else:
    ines.call("GET", "/api/session")
    ines.call("POST", "/api/session", {"name": "Ines", "password": sys.argv[3]})
    ines.jar = ines.call("GET", "/api/kitchen")["jars"][0]["jar"]["id"]
ines.look()
print(len(ines.call("GET", f"/api/jars/{ines.jar}")["log"]))
"""


@skipUnless(os.geteuid() == 0, "a machine to install on is root's to make")
class OnAFreshMachine(TestCase):
    package: ClassVar[Path]
    machine: ClassVar[Machine]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        (cls.package,) = Path(os.environ["DESPERTAR_TEST_PACKAGE"]).glob("*.deb")
        cls.machine = Machine()
        cls.addClassCleanup(cls.machine.switch_off)

    def install(self) -> str:
        return self.machine.run("apt-get", "install", "--yes", str(self.package))

    def start(self) -> subprocess.Popen[bytes]:
        """What systemd would do by the unit: its user, its environment, its command."""
        unit = dict(
            line.split("=", 1)
            for line in self.read("/lib/systemd/system/despertar.service").splitlines()
            if "=" in line
        )
        default = self.read("/etc/default/despertar")
        if ADDRESS not in default:
            self.assertIn('FLAGS="--lan"', default)
            self.machine.run("sed", "-i", f's/="--lan"/="--lan --host {ADDRESS}"/', "/etc/default/despertar")
        script = f". {unit['EnvironmentFile'].lstrip('-')}; exec {unit['ExecStart']}"
        command = self.machine.command("runuser", "-u", unit["User"], "--", "sh", "-c", script)
        said = tempfile.TemporaryFile()  # noqa: SIM115
        self.addCleanup(said.close)
        running = subprocess.Popen(command, env=ENVIRONMENT, stdout=said, stderr=said, start_new_session=True)
        self.addCleanup(self.end, running)
        authority = self.machine.path(AUTHORITY)

        def open_now() -> bool:
            if running.poll() is not None:
                said.seek(0)
                raise AssertionError(said.read().decode())
            ask = ("curl", "--silent", "--fail", "--cacert", authority, f"{DOOR}/health/ready")
            return authority.exists() and self.machine.beside(*ask, env={}).returncode == 0

        until("the door", open_now)
        return running

    def end(self, running: subprocess.Popen[bytes]) -> None:
        if running.poll() is None:
            self.machine.run("despertar", "stop")
            with suppress(subprocess.TimeoutExpired):
                running.wait(90)

    def read(self, name: str) -> str:
        return self.machine.run("cat", name)

    def baker(self, *arguments: str) -> int:
        """How long the log of her jar is, after one more look."""
        trusted = {"REQUESTS_CA_BUNDLE": str(self.machine.path(AUTHORITY))}
        done = self.machine.beside(PYTHON, "-c", BAKER, DOOR, *arguments, env=trusted)
        self.assertEqual(done.returncode, 0, done.stderr)
        return int(done.stdout)

    def test_a_life_of_the_package(self) -> None:
        machine = self.machine
        self.assertEqual(machine.left(), [])
        self.install()
        self.assertIn(f"Version: {VERSION}", machine.run("dpkg", "--status", "despertar"))
        self.assertEqual(machine.run("id", "-un", "despertar").strip(), "despertar")
        wanted = machine.path("/etc/systemd/system/multi-user.target.wants/despertar.service")
        self.assertTrue(wanted.is_symlink())
        self.assertEqual(machine.run("systemd-analyze", "verify", "/lib/systemd/system/despertar.service").strip(), "")
        for unit in ("web", "reminders"):
            shown = f"/usr/lib/despertar/deploy/systemd/despertar-{unit}.service"
            self.assertEqual(machine.run("systemd-analyze", "verify", shown).strip(), "")
        # Nothing of the program is its user's to change, and nothing kept is anybody else's to read.
        own = machine.run("find", "/usr/lib/despertar", "-user", "despertar", "-o", "-perm", "/022", "!", "-type", "l")
        self.assertEqual(own, "")
        self.assertEqual(machine.run("stat", "-c", "%U %a", "/var/lib/despertar").strip(), "despertar 750")

        running = self.start()
        self.assertEqual(self.baker("new"), 2)
        self.assertIn("Ines", machine.run("despertar", "accounts", "list"))
        machine.run("despertar", "backup", "/var/lib/despertar/by-hand.tar.gz")
        self.assertIn("checkout", machine.run("despertar", "test", ok=False))
        self.assertIn("sudo despertar", machine.run("runuser", "-u", "nobody", "--", "despertar", "check", ok=False))
        self.end(running)

        machine.run("apt-get", "remove", "--yes", "despertar")
        self.assertFalse(machine.path("/usr/lib/despertar").is_dir())
        self.assertTrue(machine.path("/var/lib/despertar/by-hand.tar.gz").exists())

        self.install()
        self.end(self.start())
        running = self.start()
        self.assertEqual(self.baker("again", PASSWORD), 3)
        self.end(running)

        machine.run("apt-get", "purge", "--yes", "despertar")
        self.assertEqual(machine.left(), [])
        for book in ("passwd", "group", "shadow"):
            self.assertNotIn("despertar", machine.run("cat", f"/etc/{book}"))
