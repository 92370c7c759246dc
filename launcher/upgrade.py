"""The database brought to what the code of today wants: whole, or as it was before, whatever comes between.

A dump is kept before anything is changed, and a mark says that a change is under way. Whoever finds the mark, the next
start or a second one, takes everything back to the dump and begins again; the mark goes when all is done. MariaDB makes
no change of a table undone by itself, so taking back is the only way that does not depend on where it was cut off.
"""

from __future__ import annotations

import json
import os
import shutil
import time
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

from . import say
from .database import NAME, USER, Database
from .place import PYTHON, SERVER, VAR

BACKUPS = VAR / "backups"
KEPT_DUMPS = 5
# So long a program of a launcher that was killed may go on.
OTHERS_END_S = 120.0
# What the mark says where there was nothing to keep.
NOTHING = "nothing"
# The last line of a dump that is whole (mariadb-dump, from memory).
WHOLE = b"-- Dump completed"


@dataclass(frozen=True)
class Schema:
    """How a database stands to the code: holds nothing yet, lacks some changes, or has some that the code lacks."""

    empty: bool
    behind: tuple[str, ...]
    ahead: tuple[str, ...]


def prepare(db: Database, env: dict[str, str], arguments: Sequence[str]) -> None:
    """Mend what was left half-made, bring the schema up, lay what `arguments` ask for.

    Raises Stop for a database that was kept by a newer program; nothing is changed then.
    """
    mark = db.home / "changing"
    if mark.exists():
        say.line("  The last start was cut off while it changed the database: taking that back.")
        _take_back(db, mark.read_text())
    found = schema(db, env)
    if found.ahead:
        raise say.Stop(
            f"This kitchen was last kept by a newer Despertar ({', '.join(found.ahead[:3])}). Start that one: "
            "this older one would lose what it does not know. Nothing was changed."
        )
    if found.behind:
        if found.empty:
            # What an older program may have left half-made holds nothing yet either.
            _begin(mark, NOTHING)
            _take_back(db, NOTHING)
        else:
            dump = _dump(db)
            say.line(f"  What was kept so far is in {dump}.")
            _begin(mark, str(dump))
    if found.behind or arguments:
        say.run(
            [PYTHON, SERVER / "manage.py", "prepare", *arguments], log="manage-prepare", env=env, holding=db.holding
        )
    mark.unlink(missing_ok=True)


def schema(db: Database, env: dict[str, str]) -> Schema:
    command: list[str | Path] = [PYTHON, SERVER / "manage.py", "schema_state"]
    return read_state(say.run(command, log="manage-schema", env=env, holding=db.holding))


def read_state(printed: str) -> Schema:
    """What the command says, whatever warnings stand around it."""
    told = json.loads(next(line for line in printed.splitlines() if line.startswith("{")))
    return Schema(told["empty"], tuple(told["behind"]), tuple(told["ahead"]))


def _begin(mark: Path, what: str) -> None:
    """The mark is on the disk before anything changes."""
    half = mark.with_suffix(".part")
    with half.open("w") as file:
        file.write(what)
        file.flush()
        os.fsync(file.fileno())
    half.replace(mark)


def dump_into(db: Database, path: Path) -> None:
    """Everything of one moment as SQL, while others go on writing. Raises Stop where it is not whole."""
    flags = ("--single-transaction", "--hex-blob", "--skip-lock-tables", NAME)
    db.as_root("mariadb-dump", *flags, log="dump", out=path)
    with path.open("rb") as file:
        file.seek(-min(path.stat().st_size, 200), os.SEEK_END)
        if WHOLE not in file.read():
            raise say.Stop(f"The database could not be kept: {path} is not whole. Nothing was changed.")
        os.fsync(file.fileno())


def _dump(db: Database) -> Path:
    """The same in a file that is whole or not there."""
    BACKUPS.mkdir(parents=True, exist_ok=True)
    path = BACKUPS / time.strftime("before-%Y%m%d-%H%M%S.sql")
    half = path.with_suffix(".part")
    dump_into(db, half)
    half.replace(path)
    for old in sorted(BACKUPS.glob("before-*.sql"))[:-KEPT_DUMPS]:
        old.unlink()
    return path


def _take_back(db: Database, what: str) -> None:
    """The database as it was when the change began, and the photos, where they were changed too."""
    dump = None if what == NOTHING else Path(what)
    if dump is not None and not dump.exists():
        raise say.Stop(f"The database was left half-changed and {dump} is gone. Put it back, or ./despertar reset.")
    _wait_for_others(db)
    empty(db)
    if dump is not None:
        db.as_root("mariadb", NAME, log="restore", stdin=dump)
    before, files = VAR / "files.before", VAR / "files"
    if before.exists():
        shutil.rmtree(files, ignore_errors=True)
        before.rename(files)


def _wait_for_others(db: Database) -> None:
    """Whoever was killed may have left a program of the database's own that still writes into it: it ends by itself.

    Raises Stop where it does not.
    """
    others = (
        "SELECT COUNT(*) FROM information_schema.processlist"
        " WHERE id <> CONNECTION_ID() AND user = SUBSTRING_INDEX(USER(), '@', 1)"
    )
    latest = time.monotonic() + OTHERS_END_S
    while db.as_root("mariadb", "-N", "-B", "-e", others, log="others").strip() != "0":
        if time.monotonic() > latest:
            raise say.Stop("Something else still writes into the database. Stop it, then start again.")
        time.sleep(0.2)


def empty(db: Database) -> None:
    db.as_root("mariadb", "-e", f"DROP DATABASE IF EXISTS `{NAME}`; CREATE DATABASE `{NAME}`", log="empty")


@contextmanager
def changing(db: Database) -> Iterator[None]:
    """Whatever goes wrong meanwhile is taken back, now or by whoever finds the mark."""
    mark = db.home / "changing"
    dump = _dump(db)
    _begin(mark, str(dump))
    try:
        yield
    except BaseException:
        _take_back(db, str(dump))
        mark.unlink(missing_ok=True)
        raise
    mark.unlink(missing_ok=True)


def keep(db: Database) -> Path:
    """A dump to go back to."""
    return _dump(db)


def go_back(db: Database, dump: Path) -> None:
    """The database as such a dump has it, whatever comes between."""
    mark = db.home / "changing"
    _begin(mark, str(dump))
    _take_back(db, str(dump))
    mark.unlink(missing_ok=True)


def ahead_of_this(db: Database, env: dict[str, str], database: str) -> tuple[str, ...]:
    """What changes a database has had that the code of today knows nothing of."""
    db.as_root("mariadb", "-e", f"GRANT ALL ON `{database}`.* TO `{USER}`@`localhost`", log="trial")
    return schema(db, {**env, "DESPERTAR_DB_NAME": database}).ahead
