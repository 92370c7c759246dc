"""Every check and test of the project, counted. A check counts as one; a test runner's tests count one by one."""

from __future__ import annotations

import gzip
import json
import os
import re
import shutil
import subprocess
import tempfile
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from functools import partial
from pathlib import Path

from . import package, say, serving, toolchain
from .database import Database
from .place import CONTRACT, CORE, PYTHON, ROOT, SERVER, VAR, WEB, fingerprint

Counts = tuple[int, int]


@dataclass(frozen=True)
class Check:
    """One line of the report. `run` gets the environment for the project's Python and gives (passed, failed)."""

    group: str
    title: str
    run: Callable[[dict[str, str]], Counts]


def tool(*command: str | Path, cwd: Path = ROOT) -> Callable[[dict[str, str]], Counts]:
    """A check that is a command: it passes when the command exits 0, else its output is shown."""

    def run(env: dict[str, str]) -> Counts:
        done = subprocess.run(
            [str(part) for part in command], cwd=cwd, env=env, capture_output=True, text=True, check=False
        )
        if done.returncode != 0:
            # Said with its name: others run beside it.
            said = (done.stdout + done.stderr).rstrip()
            say.line(f"{Path(str(command[0])).name} {' '.join(map(str, command[1:3]))} says:\n{said}")
            return 0, 1
        return 1, 0

    return run


def manage(*arguments: str) -> Callable[[dict[str, str]], Counts]:
    return tool(PYTHON, SERVER / "manage.py", *arguments)


def deployment(env: dict[str, str]) -> Counts:
    """Django's own review of the settings, as they stand behind TLS."""
    return manage("check", "--deploy", "--fail-level=WARNING")({**env, "DESPERTAR_HTTPS": "1"})


def npm(script: str, *arguments: str) -> Callable[[dict[str, str]], Counts]:
    return lambda env: tool(*toolchain.npm_run(script, *arguments), cwd=WEB)(env)


def contract(env: dict[str, str]) -> Counts:
    """The committed contract and the client's types are what the server's code says today."""
    with tempfile.TemporaryDirectory() as folder:
        fresh = Path(folder, "openapi.json")
        types = Path(folder, "contract.ts")
        made = write_contract(env, fresh, types)
        if made != (1, 0):
            return made
        if fresh.read_bytes() != CONTRACT.read_bytes() or types.read_bytes() != CLIENT_TYPES.read_bytes():
            say.line("The API has moved on: ./despertar contract writes the contract and the client's types anew.")
            return 0, 1
    return 1, 0


CLIENT_TYPES = WEB / "src" / "api" / "contract.ts"


def write_contract(env: dict[str, str], schema: Path, types: Path) -> Counts:
    export: list[str | Path] = [PYTHON, SERVER / "manage.py", "export_openapi_schema", "--api", "config.api.api"]
    done = tool(*export, "--indent", "2", "--sorted", "--output", schema)(env)
    if done != (1, 0):
        return done
    flags = ["--root-types", "--root-types-no-schema-prefix", "--alphabetize"]
    return tool(WEB / "node_modules" / ".bin" / "openapi-typescript", schema, *flags, "--output", types, cwd=WEB)(env)


def django_tests(*labels: str, covered: bool = False) -> Callable[[dict[str, str]], Counts]:
    """Tests by Django's runner, in as many processes as there are cores.

    `covered` also measures which branches of the core they run: one check more, which passes from the share on that
    `pyproject.toml` asks for.
    """

    def run(env: dict[str, str]) -> Counts:
        with tempfile.TemporaryDirectory() as folder:
            counts = Path(folder, "counts.json")
            measured = ["-m", "coverage", "run"] if covered else []
            command: list[str | Path] = [PYTHON, *measured, SERVER / "manage.py", "test", *labels, "--noinput"]
            command += ["--top-level-directory", ROOT, "--buffer", "--parallel", str(os.cpu_count() or 2)]
            told = {**env, "DESPERTAR_TEST_COUNTS": str(counts), "COVERAGE_FILE": str(Path(folder, "coverage"))}
            done = subprocess.run([str(part) for part in command], cwd=ROOT, env=told, check=False)
            passed, failed = _counted(counts, done.returncode)
            if covered:
                enough = _coverage(told)
                passed, failed = passed + enough, failed + 1 - enough
            return passed, failed

    return run


def _coverage(env: dict[str, str]) -> int:
    """1 when enough of the branches were run, else 0; the report is shown."""
    for act in (["combine", "--quiet"], ["report"]):
        command = [str(PYTHON), "-m", "coverage", *act]
        done = subprocess.run(command, cwd=ROOT, env=env, capture_output=True, text=True, check=False)
        say.line((done.stdout + done.stderr).rstrip())
        if done.returncode != 0:
            return 0
    return 1


def web_tests(env: dict[str, str]) -> Counts:
    with tempfile.TemporaryDirectory() as folder:
        report = Path(folder, "report.json")
        command = toolchain.npm_run("test", "--reporter=default", "--reporter=json", f"--outputFile.json={report}")
        done = subprocess.run(command, cwd=WEB, env=env, check=False)
        return _counted(report, done.returncode, "numPassedTests", "numFailedTests")


def _counted(report: Path, code: int, passed: str = "passed", failed: str = "failed") -> Counts:
    """Counts from a runner's report; a runner that failed without counting a failure counts as one."""
    if not report.exists():
        return 0, 1
    numbers = json.loads(report.read_text())
    return numbers[passed], max(numbers[failed], 1 if code != 0 else 0)


def built_front_end(_: dict[str, str]) -> Counts:
    toolchain.front_end(pseudo=True)
    return 1, 0


def store_stand_in(_: dict[str, str]) -> Counts:
    toolchain.store_stand_in()
    return 1, 0


PACKAGES = VAR / "package"


def debian_package(_: dict[str, str]) -> Counts:
    package.build(PACKAGES)
    return 1, 0


def on_a_machine(env: dict[str, str]) -> Counts:
    return django_tests("tests.package")({**env, "DESPERTAR_TEST_PACKAGE": str(PACKAGES)})


# What a phone gets before the kitchen is drawn: the scripts that the page names, as gzip sends them.
FIRST_SCRIPT_BYTES = 170_000


def first_script(_: dict[str, str]) -> Counts:
    """The scripts that come before the first page together are no heavier than they may be."""
    sent = {language: _first_script(language) for language in toolchain.LANGUAGES}
    told = ", ".join(f"{language} {size / 1000:.0f}" for language, size in sent.items())
    say.line(f"{told} of {FIRST_SCRIPT_BYTES / 1000:.0f} kB")
    return (1, 0) if all(0 < size <= FIRST_SCRIPT_BYTES for size in sent.values()) else (0, 1)


def _first_script(language: str) -> int:
    dist = WEB / "dist"
    named = re.findall(r"assets/[^\"]+\.js", (dist / f"{language}.html").read_text())
    return sum(len(gzip.compress((dist / name).read_bytes())) for name in named)


OURS = ("launcher", "eye", "standins", "tests", "bench", "despertar")
PYTHON_TREES = [CORE / "ferment", SERVER, *(ROOT / name for name in OURS)]
RUFF = PYTHON.parent / "ruff"
MYPY = PYTHON.parent / "mypy"

CHECKS = (
    Check("checks", "Python lint", tool(RUFF, "check", *PYTHON_TREES)),
    Check("checks", "Python format", tool(RUFF, "format", "--check", *PYTHON_TREES)),
    Check("checks", "Python types", tool(MYPY)),
    Check("checks", "Python import rules", tool(PYTHON.parent / "lint-imports")),
    Check("checks", "Migrations match the models", manage("makemigrations", "--check")),
    Check("checks", "Deployment settings", deployment),
    Check("checks", "Contract", contract),
    Check("checks", "Web lint", npm("lint")),
    Check("checks", "Web types", npm("types")),
    Check("checks", "Web import rules", npm("rooms")),
    Check("web", "Web tests", web_tests),
    Check("core", "Core tests, and the share of its branches that they run", django_tests("tests.core", covered=True)),
    Check("server", "Server tests", django_tests("tests.server", "tests.launcher", "tests.standins", "tests.eye")),
    Check("journeys", "Front end builds", built_front_end),
    Check("journeys", "What comes before the first page", first_script),
    Check("journeys", "Browser journeys", django_tests("tests.journeys")),
    Check("survival", "Front end stands", built_front_end),
    Check("survival", "Survival of the house", django_tests("tests.survival")),
    Check("package", "Debian package builds", debian_package),
    Check("package", "Debian package on a machine", on_a_machine),
    Check("cluster", "The object store's stand-in", store_stand_in),
    Check("cluster", "A cluster of machines", django_tests("tests.cluster")),
)
QUICK = "checks"
GROUPS = tuple(dict.fromkeys(check.group for check in CHECKS))


def test_database() -> Database:
    """In memory where the machine allows, so that making test databases is quick."""
    mark = fingerprint([], str(ROOT))[:12]
    memory = Path("/dev/shm")
    home = memory / f"despertar-test-{os.getuid()}-{mark}" if os.access(memory, os.W_OK) else VAR / "test-database"
    return Database(home, lasting=False)


def _results(wanted: list[Check], env: dict[str, str]) -> Iterator[tuple[Check, Callable[[], Counts]]]:
    """Each check with what waits for its result, in their order. Those that are one command each run beside each
    other, one a core; the others one after another, for they use all cores by themselves."""
    beside = [check for check in wanted if check.group == QUICK]
    with ThreadPoolExecutor(max_workers=os.cpu_count() or 1) as pool:
        begun = {check.title: pool.submit(check.run, env) for check in beside}
        for check in wanted:
            yield check, begun[check.title].result if check in beside else partial(check.run, env)


def run_all(only: list[str]) -> int:
    passed = failed = 0
    db = test_database()
    try:
        with say.step("Starting a database for the tests"):
            db.start()
        env = {
            **serving.django_env(db, demo=True),
            "PATH": f"{PYTHON.parent}{os.pathsep}{os.environ['PATH']}",
            # What tests keep as files goes with their database.
            "DESPERTAR_FILES": str(db.home / "files"),
            # Each process of the tests counts for itself.
            "DESPERTAR_COUNTS": "",
        }
        wanted = [check for check in CHECKS if not only or check.group in only]
        for check, result in _results(wanted, env):
            say.line(f"\n── {check.title}")
            began = time.monotonic()
            won, lost = result()
            say.line(f"   {won} passed, {lost} failed, waited for {time.monotonic() - began:.0f} s")
            passed, failed = passed + won, failed + lost
    finally:
        db.stop()
        shutil.rmtree(db.home, ignore_errors=True)
    say.line(f"\n{passed} passed, {failed} failed")
    return 1 if failed or not passed else 0
