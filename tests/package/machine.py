"""A machine like this one to install on: its files lie over this one's, its network and processes are its own, and all
of it is gone when it is switched off."""

from __future__ import annotations

import os
import shutil
import subprocess
import tempfile
from pathlib import Path

from launcher.place import ROOT

ADDRESS = "10.77.14.1"
ENVIRONMENT = {
    "PATH": "/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin",
    "DEBIAN_FRONTEND": "noninteractive",
    "HOME": "/root",
    "LC_ALL": "C.UTF-8",
}


class Machine:
    """`written` is the folder of what differs from the machine below. Raises OSError where it cannot be set up."""

    def __init__(self) -> None:
        self.folder = Path(tempfile.mkdtemp(prefix="despertar-machine-", dir="/var/tmp"))
        self.written, self.root = self.folder / "written", self.folder / "root"
        for one in (self.written, self.folder / "work", self.root):
            one.mkdir()
        # Of the two the upper one lends its rights to the whole machine's root.
        for one in (self.folder, self.written):
            one.chmod(0o755)
        # It holds the namespaces; with it all mounts and processes go.
        self.holder = subprocess.Popen(
            ["unshare", "--mount", "--pid", "--net", "--ipc", "--uts", "--fork", "--kill-child", "sleep", "infinity"],
            start_new_session=True,
        )
        try:
            self._furnish()
        except BaseException:
            self.switch_off()
            raise

    def _furnish(self) -> None:
        layers = f"lowerdir=/,upperdir={self.written},workdir={self.folder / 'work'}"
        root = self.root
        for command in (
            f"mount -t overlay overlay -o {layers} {root}",
            f"mount -t proc proc {root}/proc",
            f"mount --rbind /dev {root}/dev",
            f"mount -t tmpfs tmpfs {root}/run",
            "ip link set lo up",
            "ip link add house0 type veth peer name house1",
            f"ip address add {ADDRESS}/24 dev house0",
            "ip link set house0 up",
            "ip link set house1 up",
        ):
            done = subprocess.run([*self._within(), "sh", "-c", command], capture_output=True, text=True, check=False)
            if done.returncode:
                raise OSError(f"{command}: {done.stderr}")

    def _within(self) -> list[str]:
        """What a command in its namespaces begins with, before its own root."""
        children = Path(f"/proc/{self.holder.pid}/task/{self.holder.pid}/children")
        while not (inner := children.read_text().split()):
            if self.holder.poll() is not None:
                raise OSError("it could not be switched on")
        return ["nsenter", "--target", inner[0], "--mount", "--pid", "--net", "--ipc", "--uts"]

    def command(self, *command: str) -> list[str]:
        return [*self._within(), "chroot", str(self.root), *command]

    def run(self, *command: str, ok: bool = True) -> str:
        """As root of it; what it prints. Raises AssertionError where it fails."""
        done = subprocess.run(
            self.command(*command), env=ENVIRONMENT, capture_output=True, text=True, check=False, timeout=300
        )
        if ok and done.returncode:
            raise AssertionError(f"{' '.join(command)} failed:\n{done.stdout}{done.stderr}")
        return done.stdout + done.stderr

    def beside(self, *command: str | Path, env: dict[str, str]) -> subprocess.CompletedProcess[str]:
        """A program of this machine's in the other's network."""
        within = [*self._within()[:3], "--net"]
        parts = [*within, *(str(part) for part in command)]
        return subprocess.run(
            parts, cwd=ROOT, env={**os.environ, **env}, capture_output=True, text=True, check=False, timeout=300
        )

    def path(self, name: str) -> Path:
        """Where a file that it has written lies here."""
        return self.written / name.lstrip("/")

    def left(self) -> list[str]:
        """Every file and folder it has written by a name that is ours; what was only taken away does not count."""
        return sorted(
            str(one.relative_to(self.written))
            for one in self.written.rglob("*")
            if "despertar" in one.name and not one.is_char_device()
        )

    def switch_off(self) -> None:
        self.holder.kill()
        self.holder.wait(30)
        shutil.rmtree(self.folder, ignore_errors=True)
