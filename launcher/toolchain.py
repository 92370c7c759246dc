"""The virtual environment, the npm packages and the built front end; each made anew only when its sources changed."""

from __future__ import annotations

import os
import shutil
import sys
from pathlib import Path

from . import browser_core, say
from .machine import interpreter, program
from .place import CORE, PACKAGED, PYTHON, ROOT, VAR, VENV, WEB, fingerprint

APP_LOCK = ROOT / "requirements" / "app.txt"
COMPILER_LOCK = ROOT / "requirements" / "compiler.txt"
CHECKS_LOCK = ROOT / "requirements" / "checks.txt"
TOOLS_LOCK = ROOT / "requirements" / "tools.txt"
MANY_LOCK = ROOT / "requirements" / "many.txt"
STORE_LOCK = ROOT / "requirements" / "store.txt"
LOCKS = (APP_LOCK, MANY_LOCK, CHECKS_LOCK, TOOLS_LOCK, STORE_LOCK)
# A stand-in for an object store, in an environment of its own.
STORE = ROOT / "var" / "store"
# The compiled model is kept there whatever house it is for, and its sources are here.
COMPILED = (VAR if PACKAGED else ROOT / "var") / "compiled"
MODEL = CORE / "ferment" / "model"
NPM_LOCK = WEB / "package-lock.json"
# Each language is a build of its own; the made-up one is for the tests.
LANGUAGES = ("en", "pt")
PSEUDO = "pseudo"
WEB_SOURCES = [WEB / name for name in ("src", "build", "public", "index.html", "vite.config.ts", "package-lock.json")]


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
    if PACKAGED:
        return
    made = Stamp(VENV / "made-by", interpreter())
    if not made.fresh or not PYTHON.exists():
        with say.step("Making the virtual environment"):
            shutil.rmtree(VENV, ignore_errors=True)
            say.run([sys.executable, "-m", "venv", VENV], log="venv")
            made.set()
    for lock in [APP_LOCK, *([MANY_LOCK, CHECKS_LOCK] if checks else []), *([TOOLS_LOCK] if tools else [])]:
        _install(VENV, lock)
    _compiler()


def _install(venv: Path, lock: Path) -> None:
    stamp = Stamp(venv / f"installed-{lock.stem}", fingerprint([lock]))
    if stamp.fresh:
        return
    with say.step(f"Installing Python packages ({lock.name})"):
        pip: list[str | Path] = [venv / "bin" / "python", "-m", "pip", "--disable-pip-version-check", "install"]
        say.run([*pip, "--require-hashes", "-r", lock], log=f"pip-{lock.stem}")
        stamp.set()


def store_stand_in() -> None:
    """The object store of the cluster's tests."""
    made = Stamp(STORE / "made-by", interpreter())
    if not made.fresh:
        shutil.rmtree(STORE, ignore_errors=True)
        say.run([sys.executable, "-m", "venv", STORE], log="venv-store")
        made.set()
    _install(STORE, STORE_LOCK)


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


def front_end(*, pseudo: bool = False) -> None:
    """Build the front end, a page for each language, where its sources are newer than what was built, and compress it
    for serving; for the tests in the made-up language too."""
    if PACKAGED:
        return
    dist, sources = WEB / "dist", fingerprint(path for path in WEB_SOURCES if path.exists())
    stamp = Stamp(dist / ".made-from", sources)
    if not stamp.fresh:
        npm_packages()
        _empty(dist)
        for language in LANGUAGES:
            _build(language)
        stamp.set()
    stamp = Stamp(dist / f".made-from-{PSEUDO}", sources)
    if pseudo and not stamp.fresh:
        _build(PSEUDO)
        stamp.set()
    _browser_core(dist)


def _empty(dist: Path) -> None:
    """Of all that was built but the core for the browser, which takes its time and knows what it was made of."""
    for old in dist.glob("*"):
        if old.is_file():
            old.unlink()
        elif old.name != browser_core.KEPT:
            shutil.rmtree(old)


def _browser_core(dist: Path) -> None:
    made_by = Path(browser_core.__file__)
    now = fingerprint([NPM_LOCK, made_by, browser_core.CONTRACT, *browser_core.sources()])
    stamp = Stamp(dist / browser_core.KEPT / ".made-from", now)
    if not stamp.fresh:
        npm_packages()
        with say.step("Laying out the core for the browser"):
            # Ten megabytes as Brotli would take most of a minute of the first start, for a tenth less to fetch.
            browser_core.lay(dist, lambda folder: _compress(folder, "--no-brotli"))
        stamp.set()


def _build(language: str) -> None:
    with say.step(f"Building the front end ({language})"):
        env = {**os.environ, "DESPERTAR_LANGUAGE": language, "VITE_CONTRACT": browser_core.contract_mark()}
        say.run([program("npm"), "run", "build"], log=f"vite-build-{language}", cwd=WEB, env=env)
        _compress(WEB / "dist" / "assets")


def _compress(folder: Path, *how: str) -> None:
    say.run([PYTHON, "-m", "whitenoise.compress", *how, folder], log="compress")


def npm_run(script: str, *arguments: str) -> list[str]:
    return [program("npm"), "run", "--silent", script, *(["--", *arguments] if arguments else [])]


def python_env() -> dict[str, str]:
    """Environment in which the project's own Python runs: the core and the server on the path."""
    return {
        **os.environ,
        "PYTHONPATH": os.pathsep.join([str(ROOT / "core"), str(ROOT / "server"), str(ROOT)]),
        "NUMBA_CACHE_DIR": str(COMPILED),
    }
