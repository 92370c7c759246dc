"""The virtual environment, the npm packages and the built front end; each made anew only when its sources changed."""

from __future__ import annotations

import os
import shutil
import sys
from pathlib import Path

from . import say
from .machine import interpreter, program
from .place import CORE, PYTHON, ROOT, VENV, WEB, fingerprint

APP_LOCK = ROOT / "requirements" / "app.txt"
COMPILER_LOCK = ROOT / "requirements" / "compiler.txt"
CHECKS_LOCK = ROOT / "requirements" / "checks.txt"
TOOLS_LOCK = ROOT / "requirements" / "tools.txt"
# The compiled model is kept there whatever house it is for, and its sources are here.
COMPILED = ROOT / "var" / "compiled"
MODEL = CORE / "ferment" / "model"
NPM_LOCK = WEB / "package-lock.json"
WEB_SOURCES = [WEB / name for name in ("src", "public", "index.html", "vite.config.ts", "package-lock.json")]


class Stamp:
    """Remembers from which sources something was made."""

    def __init__(self, path: Path, now: str) -> None:
        self.path, self.now = path, now

    @property
    def fresh(self) -> bool:
        return self.path.exists() and self.path.read_text() == self.now

    def set(self) -> None:
        self.path.parent.mkdir(parents=True, exist_ok=True)
        self.path.write_text(self.now)


def python_packages(*, checks: bool, tools: bool = False) -> None:
    """Make `.venv` and install the locked packages; those for the checks and for the tools too when asked."""
    made = Stamp(VENV / "made-by", interpreter())
    if not made.fresh or not PYTHON.exists():
        with say.step("Making the virtual environment"):
            shutil.rmtree(VENV, ignore_errors=True)
            say.run([sys.executable, "-m", "venv", VENV], log="venv")
            made.set()
    locks = [APP_LOCK, *([CHECKS_LOCK] if checks else []), *([TOOLS_LOCK] if tools else [])]
    for lock in locks:
        stamp = Stamp(VENV / f"installed-{lock.stem}", fingerprint([lock]))
        if stamp.fresh:
            continue
        with say.step(f"Installing Python packages ({lock.name})"):
            pip: list[str | Path] = [
                PYTHON,
                "-m",
                "pip",
                "--disable-pip-version-check",
                "install",
                "--require-hashes",
                "-r",
                lock,
            ]
            say.run(pip, log=f"pip-{lock.stem}")
            stamp.set()
    _compiler()


def _compiler() -> None:
    """The compiler of the jar model, where there is a wheel of it for this machine; asked for once."""
    stamp = Stamp(VENV / "installed-compiler", fingerprint([COMPILER_LOCK]))
    if stamp.fresh:
        return
    try:
        with say.step("Installing the compiler of the jar model"):
            pip: list[str | Path] = [PYTHON, "-m", "pip", "--disable-pip-version-check", "install"]
            pip += ["--require-hashes"]
            say.run([*pip, "--only-binary", ":all:", "-r", COMPILER_LOCK], log="pip-compiler")
    except say.Stop:
        say.line("  None for this machine: the jar model runs as plain Python, with the same answers, slower.")
    stamp.set()


def jar_model() -> None:
    """Compile the model's inner loop before anybody waits for it."""
    stamp = Stamp(COMPILED / ".made-from", fingerprint([COMPILER_LOCK, *sorted(MODEL.glob("*.py"))]))
    if stamp.fresh:
        return
    with say.step("Compiling the jar model"):
        say.run([PYTHON, "-c", "from ferment.model.runs import warm_up; warm_up()"], log="model", env=python_env())
        stamp.set()


def npm_packages() -> None:
    stamp = Stamp(WEB / "node_modules" / ".made-from", fingerprint([NPM_LOCK]))
    if stamp.fresh:
        return
    with say.step("Installing front-end packages (npm ci)"):
        say.run([program("npm"), "ci", "--no-audit", "--no-fund"], log="npm-ci", cwd=WEB)
        stamp.set()


def front_end() -> None:
    """Build the front end when its sources are newer than what was built, and compress it for serving."""
    stamp = Stamp(WEB / "dist" / ".made-from", fingerprint(path for path in WEB_SOURCES if path.exists()))
    if stamp.fresh:
        return
    npm_packages()
    with say.step("Building the front end"):
        say.run([program("npm"), "run", "build"], log="vite-build", cwd=WEB)
        say.run([PYTHON, "-m", "whitenoise.compress", WEB / "dist" / "assets"], log="compress")
        stamp.set()


def npm_run(script: str, *arguments: str) -> list[str]:
    return [program("npm"), "run", "--silent", script, *(["--", *arguments] if arguments else [])]


def python_env() -> dict[str, str]:
    """Environment in which the project's own Python runs: the core and the server on the path."""
    return {
        **os.environ,
        "PYTHONPATH": os.pathsep.join([str(ROOT / "core"), str(ROOT / "server"), str(ROOT)]),
        "NUMBA_CACHE_DIR": str(COMPILED),
    }
