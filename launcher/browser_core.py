"""The core for a browser: Python and numpy as WebAssembly, and the core's own sources, laid beside the front end.

A page that has fetched them once lives practice jars by the same rules without a network. Pyodide is left as it comes;
of numpy, built for that very Pyodide, what tests or compiles is left out.
"""

from __future__ import annotations

import json
import re
import shutil
import tarfile
import zipfile
from collections.abc import Callable, Iterable, Iterator
from pathlib import Path, PurePosixPath

from .place import CORE, WEB, fingerprint

PACKAGES = WEB / "node_modules"
PYODIDE = PACKAGES / "pyodide"
NUMPY = PACKAGES / "@emscripten-forge" / "numpy"
PYTHON_FILES = ("pyodide.mjs", "pyodide.asm.js", "pyodide.asm.wasm", "python_stdlib.zip", "pyodide-lock.json")
NUMPY_FILE = "numpy.zip"
# The shapes in which it answers, as a page knows them.
CONTRACT = WEB / "src" / "api" / "contract.ts"
KEPT = "python"
UNUSED = re.compile(
    r"/(tests|f2py|testing|_pyinstaller|_examples|doc|include)/|_(umath|rational|flag|ufunc)_tests\.|_simd\.|\.(pyi|a|c|pxd)$"
)
# What of the core no page asks for.
NOT_ASKED = {"cli", "__main__.py"}
# Archives are the same for the same contents.
ONE_DAY = (2000, 1, 1, 0, 0, 0)
SERVED = f"/{KEPT}"


def lay(dist: Path, compress: Callable[[Path], None]) -> None:
    """Lay all of it into `python` there, compressed for serving; `here.json` says what there is, and how large. What
    lies there already and is the same stays."""
    folder = dist / KEPT
    runtime = folder / f"runtime-{_mark(_runtime_sources(), UNUSED.pattern)}"
    core = folder / f"ferment-{_mark(sources())}.zip"
    for old in folder.glob("*"):
        if old.is_file():
            old.unlink()
        elif old != runtime:
            shutil.rmtree(old)
    if not runtime.exists():
        _lay_runtime(runtime, compress)
    _write(core, ((str(path.relative_to(CORE)), path.read_bytes()) for path in sources()))
    files = [*(runtime / name for name in (*PYTHON_FILES, NUMPY_FILE)), core]
    here = {
        "contract": contract_mark(),
        "runtime": f"{SERVED}/{runtime.name}/",
        "core": f"{SERVED}/{core.name}",
        "files": [{"path": f"{SERVED}/{one.relative_to(folder)}", "bytes": one.stat().st_size} for one in files],
        "fetched_bytes": sum(map(_fetched_bytes, files)),
    }
    (folder / "notices.md").write_text(_notices())
    (folder / "here.json").write_text(json.dumps(here))


def contract_mark() -> str:
    """A page takes no answers in shapes that it does not know: it was built with this mark, and so was the core."""
    return _mark([CONTRACT])


def sources() -> list[Path]:
    """What of the core is laid."""
    inside = CORE / "ferment"
    return sorted(path for path in inside.rglob("*.py") if path.relative_to(inside).parts[0] not in NOT_ASKED)


def _lay_runtime(runtime: Path, compress: Callable[[Path], None]) -> None:
    """Whole or not at all: a folder of that name is taken for made."""
    making = runtime.with_name("making")
    making.mkdir(parents=True)
    for name in PYTHON_FILES:
        shutil.copyfile(PYODIDE / name, making / name)
    _write(making / NUMPY_FILE, _numpy())
    compress(making)
    making.rename(runtime)


def _runtime_sources() -> list[Path]:
    return [*(PYODIDE / name for name in PYTHON_FILES), NUMPY]


def _mark(files: list[Path], *extra: str) -> str:
    return fingerprint(files, *extra)[:8]


def _fetched_bytes(file: Path) -> int:
    """As it comes over the wire."""
    compressed = file.with_name(f"{file.name}.gz")
    return (compressed if compressed.exists() else file).stat().st_size


def _write(archive: Path, members: Iterable[tuple[str, bytes]]) -> None:
    with zipfile.ZipFile(archive, "w", zipfile.ZIP_DEFLATED, compresslevel=9) as into:
        for name, data in members:
            into.writestr(zipfile.ZipInfo(name, ONE_DAY), data, zipfile.ZIP_DEFLATED)


def _packed() -> tarfile.TarFile:
    (packed,) = (NUMPY / "pkg").glob("*.tar.gz")
    return tarfile.open(packed)


def _numpy() -> Iterator[tuple[str, bytes]]:
    with _packed() as packed:
        for member in sorted(packed.getmembers(), key=lambda one: one.name):
            _, inside, name = member.name.partition("site-packages/")
            if inside and member.isfile() and PurePosixPath(name).parts[0] == "numpy" and not UNUSED.search(name):
                file = packed.extractfile(member)
                assert file is not None
                yield name, file.read()


def _notices() -> str:
    """What of others is laid here, and its licences."""
    with _packed() as packed:
        names = [one for one in packed.getnames() if "/licenses/" in one]
        files = (packed.extractfile(name) for name in names)
        numpy = "\n".join(file.read().decode() for file in files if file is not None)
    version = json.loads((PYODIDE / "package.json").read_text())["version"]
    built = json.loads((NUMPY / "package.json").read_text())["version"]
    return f"""## pyodide - {version} (MPL-2.0)

Python and its standard library (PSF-2.0) for browsers, as they come; their sources are those of the npm package
`pyodide` {version}.

## @emscripten-forge/numpy - {built} (BSD-3-Clause)

{numpy}"""
