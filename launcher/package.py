"""The Debian package: a program with all that it runs on, built with Debian's own tools (debhelper, dpkg-dev)."""

from __future__ import annotations

import argparse
import os
import shutil
import subprocess
from email.utils import format_datetime
from pathlib import Path

from . import clock, machine, say, toolchain
from .machine import program
from .place import PACKAGED_MARK, ROOT, VAR, VERSION

PLACE = Path("/usr/lib/despertar")
# Debian's own, which the package depends on: the environment is made of it.
SYSTEM_PYTHON = Path("/usr/bin/python3")
SOURCES = (
    "despertar",
    "launcher",
    "core",
    "eye",
    "server",
    "standins",
    "deploy",
    "requirements",
    "contract",
    "pyproject.toml",
)
MADE = Path("web", "dist")
DOCS = Path("docs", "keeping-a-house.md")
LEFT_OUT = shutil.ignore_patterns("__pycache__", "*.pyc", "*.in", "checks.txt", "tools.txt", "store.txt")


def package(arguments: argparse.Namespace) -> int:
    """Build a Debian package of this checkout, for machines like this one."""
    file = build(arguments.folder or VAR / "package")
    say.line(
        f"{file}\n\n    apt install {file}\n\ninstalls it, with all that it needs of Debian, and begins the kitchen."
    )
    return 0


def build(folder: Path) -> Path:
    """The package file, in `folder`. Raises Stop where Debian's tools or its Python are not here."""
    machine.require(machine.TO_PACKAGE)
    toolchain.python_packages(checks=False)
    toolchain.front_end()
    for old in folder.glob("despertar_*"):
        old.unlink()
    tree = folder / f"despertar-{VERSION}"
    shutil.rmtree(tree, ignore_errors=True)
    with say.step("Laying out the program"):
        _lay(tree / "program")
    _environment(tree / "program")
    with say.step("Building the package"):
        shutil.copytree(ROOT / "packaging" / "debian", tree / "debian")
        shutil.copytree(ROOT / "packaging" / "bin", tree / "bin")
        (tree / "debian" / "changelog").write_text(_changelog())
        # What others may read is theirs to read: the package is for all users of a machine.
        env = {**os.environ, "DEB_BUILD_OPTIONS": "nocheck"}
        say.run([program("dpkg-buildpackage"), "-b", "-us", "-uc"], log="package", cwd=tree, env=env, umask=0o022)
    shutil.rmtree(tree)
    (file,) = folder.glob(f"despertar_{VERSION}_*.deb")
    return file


def _lay(to: Path) -> None:
    to.mkdir(parents=True)
    for name in SOURCES:
        source = ROOT / name
        if source.is_dir():
            shutil.copytree(source, to / name, ignore=LEFT_OUT)
        else:
            shutil.copy2(source, to / name)
    shutil.copytree(ROOT / MADE, to / MADE, ignore=shutil.ignore_patterns(".made-from*", "pseudo*"))
    (to / DOCS).parent.mkdir()
    shutil.copy2(ROOT / DOCS, to / DOCS)
    (to / PACKAGED_MARK).touch()


def _environment(tree: Path) -> None:
    """Python's packages as locked, made here and run at `PLACE`: what names the place is written anew."""
    venv = tree / ".venv"
    with say.step("Making its Python environment"):
        say.run([SYSTEM_PYTHON, "-m", "venv", venv], log="package-venv", umask=0o022)
        pip: list[str | Path] = [venv / "bin" / "python", "-m", "pip", "--disable-pip-version-check", "install"]
        for lock in (toolchain.APP_LOCK, toolchain.MANY_LOCK):
            say.run([*pip, "--no-compile", "--require-hashes", "-r", lock], log="package-pip", umask=0o022)
        wheels = [*pip, "--no-compile", "--require-hashes", "--only-binary", ":all:", "-r", toolchain.COMPILER_LOCK]
        say.run(wheels, log="package-pip", umask=0o022)
    site = next((venv / "lib").glob("python3.*/site-packages"))
    # What a kitchen never runs: pip, and the packages' own tests.
    say.run([venv / "bin" / "python", "-m", "pip", "uninstall", "-y", "setuptools", "pip"], log="package-pip")
    for tests in [*site.glob("*/tests"), *site.glob("numpy/**/tests")]:
        shutil.rmtree(tests, ignore_errors=True)
    with say.step("Compiling it"):
        # By their contents, not by their times: a package's files are all of one day.
        compile_all = [venv / "bin" / "python", "-m", "compileall", "-q", "-j", "0"]
        command = [*compile_all, "--invalidation-mode", "unchecked-hash", "-s", tree, "-p", PLACE, tree]
        # A few files among the packages are of other Pythons; they are never imported.
        subprocess.run([str(part) for part in command], check=False, capture_output=True)
    for file in (venv / "bin").iterdir():
        if file.is_symlink() or not file.is_file():
            continue
        text = file.read_bytes()
        if text.startswith(b"#!") and str(tree).encode() in text:
            file.write_bytes(text.replace(str(tree).encode(), str(PLACE).encode()))
    for name in ("activate", "activate.csh", "activate.fish", "Activate.ps1"):
        (venv / "bin" / name).unlink(missing_ok=True)
    config = venv / "pyvenv.cfg"
    config.write_text(config.read_text().replace(str(tree), str(PLACE)))


def _changelog() -> str:
    now = format_datetime(clock.now())
    who = "The founders of Despertar <founders@despertar.example>"
    return f"despertar ({VERSION}) unstable; urgency=medium\n\n  * As told in CHANGELOG.md.\n\n -- {who}  {now}\n"
