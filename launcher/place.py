"""Where things are. Everything the launcher makes lies under `var/`, `.venv/` or the front end's own folders."""

from __future__ import annotations

import hashlib
import os
import tomllib
from collections.abc import Iterable
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
CORE = ROOT / "core"
SERVER = ROOT / "server"
WEB = ROOT / "web"
VENV = ROOT / ".venv"
# Told once, by the project's own file.
VERSION: str = tomllib.loads((ROOT / "pyproject.toml").read_text(encoding="utf-8"))["project"]["version"]
# A Debian package leaves this beside the program: all is made already, and what is kept has a place of its own.
PACKAGED_MARK = "packaged"
PACKAGED = (ROOT / PACKAGED_MARK).exists()
# Everything that is kept; another place is for trying things out beside the kitchen.
VAR = Path(os.environ.get("DESPERTAR_VAR") or ("/var/lib/despertar" if PACKAGED else ROOT / "var")).resolve()
LOGS = VAR / "log"
RUN = VAR / "run"
CONTRACT = ROOT / "contract" / "openapi.json"

PYTHON = VENV / "bin" / "python"


def fingerprint(paths: Iterable[Path], *extra: str) -> str:
    """A hash of the names and contents of files, whole folders included; tells when a build is stale."""
    digest = hashlib.sha256("\0".join(extra).encode())
    for path in paths:
        files = sorted(path.rglob("*")) if path.is_dir() else [path]
        for file in files:
            if file.is_file():
                digest.update(str(file.relative_to(ROOT)).encode() + b"\0" + file.read_bytes())
    return digest.hexdigest()
