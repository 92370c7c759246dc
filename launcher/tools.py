"""Checks that are asked for and are no part of the tests: known faults in what is locked, and mutants of the core."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from . import say, toolchain
from .machine import program
from .place import CORE, PYTHON, ROOT, VAR, WEB

BIN = PYTHON.parent

# --- known faults ---


def audit() -> int:
    """Ask the registries for known faults in what the lock files name.

    0 where there are none, 1 for some, 2 where something stays unknown.
    """
    toolchain.python_packages(checks=True, tools=True)
    toolchain.npm_packages()
    worst = 0
    for lock in toolchain.LOCKS:
        pip: list[str | Path] = [BIN / "pip-audit", "--disable-pip", "--require-hashes", "-r", lock, "-f", "json"]
        worst = max(worst, _told(lock.name, _pip_answer(_asked(pip, ROOT))))
    npm: list[str | Path] = [program("npm"), "audit", "--json"]
    return max(worst, _told(toolchain.NPM_LOCK.name, _npm_answer(_asked(npm, WEB))))


@dataclass(frozen=True)
class Answer:
    """What the registry said of one lock file: its faults, and the packages of which it knew nothing."""

    faults: tuple[str, ...]
    unknown: int = 0


def _asked(command: Sequence[str | Path], cwd: Path) -> str:
    parts = [str(part) for part in command]
    return subprocess.run(parts, cwd=cwd, capture_output=True, text=True, check=False).stdout


def _told(name: str, answer: Answer | None) -> int:
    if answer is None:
        say.line(f"{name}: the registry did not answer; nothing is known of it.")
        return 2
    for fault in answer.faults:
        say.line(f"{name}: {fault}")
    if answer.unknown:
        say.line(f"{name}: of {answer.unknown} packages the registry knows nothing.")
    elif not answer.faults:
        say.line(f"{name}: no known fault.")
    return 1 if answer.faults else 2 if answer.unknown else 0


def _pip_answer(out: str) -> Answer | None:
    """None where there was no answer. A package that the registry did not find is skipped there, and told here."""
    try:
        packages = json.loads(out)["dependencies"]
    except (ValueError, KeyError):
        return None
    faults = tuple(
        f"{one['name']} {one['version']}: {fault['id']}, mended in {', '.join(fault['fix_versions']) or 'none yet'}"
        for one in packages
        for fault in one.get("vulns", ())
    )
    return Answer(faults, sum("skip_reason" in one for one in packages))


def _npm_answer(out: str) -> Answer | None:
    try:
        counted = json.loads(out)["metadata"]["vulnerabilities"]
    except (ValueError, KeyError):
        return None
    return Answer(tuple(f"{count} {grade}" for grade, count in counted.items() if count and grade != "total"))


# --- mutants ---

# The rooms whose every line is a rule of the job.
ROOMS = ("verdicts", "mixing", "record")
RUN = VAR / "mutants"
# Few examples, always the same ones: a mutant must not live or die by chance.
PROFILE = """\
from hypothesis import HealthCheck, settings

settings.register_profile(
    "mutants", max_examples=20, deadline=None, derandomize=True, database=None,
    suppress_health_check=list(HealthCheck),
)
settings.load_profile("mutants")
"""


def mutants(rooms: Sequence[str]) -> int:
    """Break rooms of the core on purpose, one line at a time, and list what no test noticed.

    Works on a copy under `var/`. 0 where at least nine of ten were noticed.
    """
    unknown = set(rooms) - set(ROOMS)
    if unknown:
        raise say.Stop(f"No such room: {', '.join(sorted(unknown))}. There are {', '.join(ROOMS)}.")
    toolchain.python_packages(checks=True, tools=True)
    chosen = tuple(rooms) or ROOMS
    shutil.rmtree(RUN, ignore_errors=True)
    shutil.copytree(CORE / "ferment", RUN / "ferment")
    shutil.copytree(ROOT / "contract", RUN / "contract")
    shutil.copytree(ROOT / "tests" / "core", RUN / "tests" / "core")
    (RUN / "tests" / "__init__.py").touch()
    (RUN / "tests" / "core" / "conftest.py").write_text(PROFILE)
    (RUN / "pyproject.toml").write_text(_settings(chosen))
    env = {name: value for name, value in os.environ.items() if name != "PYTHONPATH"}
    done = subprocess.run([BIN / "mutmut", "run"], cwd=RUN, env=env, check=False)
    return _reported(chosen) if done.returncode == 0 else done.returncode


def _settings(rooms: Sequence[str]) -> str:
    only = [f"ferment/{room}/*.py" for room in rooms]
    tests = [f"tests/core/{room}" for room in rooms]
    return f"""\
[tool.mutmut]
source_paths = ["ferment"]
only_mutate = {json.dumps(only)}
pytest_add_cli_args_test_selection = {json.dumps(tests)}
pytest_add_cli_args = ["-q", "-x", "-p", "no:cacheprovider"]
also_copy = ["contract", "tests"]
use_git_change_detection = false
"""


# What mutmut keeps of a mutant that its tests let pass, and of one that no test ran.
SURVIVED, UNTESTED = 0, 33


def _reported(rooms: Sequence[str]) -> int:
    """Each room's count, and every mutant that lives, in `var/mutants/alive.txt`."""
    alive: list[str] = []
    made: Counter[str] = Counter()
    noticed: Counter[str] = Counter()
    for kept in sorted((RUN / "mutants" / "ferment").rglob("*.meta")):
        room = kept.parent.name
        for name, code in json.loads(kept.read_text())["exit_code_by_key"].items():
            made[room] += 1
            if code in (SURVIVED, UNTESTED, None):
                alive.append(name)
            else:
                noticed[room] += 1
    (RUN / "alive.txt").write_text("".join(f"{name}\n" for name in alive))
    for room in rooms:
        say.line(f"{room}: {noticed[room]} of {made[room]} noticed")
    share = noticed.total() / max(1, made.total())
    say.line(f"{share:.1%} noticed; `mutmut show NAME` in {RUN} shows one of those in alive.txt")
    return 0 if share >= 0.9 else 1
