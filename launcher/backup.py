"""All that is kept, in one file: written while the kitchen runs, read again before it counts, kept by a rule, put back.

A gzipped tar of a dump of one moment (`database.sql`), the photos below `files/`, and last a `manifest.json` with the
SHA-256 of every member. Photos never change once they are written, so what was added after the dump does no harm. Keys
stand apart: what signs sessions and vouches for the house is in no backup unless it is asked for, in a file of its own.
"""

from __future__ import annotations

import hashlib
import io
import json
import os
import re
import shutil
import tarfile
import time
from collections.abc import Iterable
from contextlib import suppress
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path, PurePosixPath

from . import say, upgrade
from .database import NAME, Database
from .place import VAR
from .place import VERSION as PROGRAM_VERSION

FORMAT, VERSION = "despertar.backup", 1
FOLDER = Path(os.environ.get("DESPERTAR_BACKUPS") or VAR / "backups").resolve()
FILES = VAR / "files"
KEYS = ("secret-key", "tls/authority.key", "tls/authority.crt", "tls/house.key", "tls/house.crt")
# Where a backup is loaded to see that it can be: each process has its own, for the daily one may be at it too.
TRIALS = f"{NAME}_trial_"
TRIAL = f"{TRIALS}{os.getpid()}"
DUMP, MANIFEST = "database.sql", "manifest.json"
DAYS, WEEKS = 7, 4
DAILY = re.compile(r"daily-(\d{8}-\d{6})\.tar\.gz$")


@dataclass(frozen=True)
class Told:
    """What a backup says of itself, and what was found in it: how many accounts, entries and photos."""

    made_at: datetime
    program: str
    accounts: int
    entries: int
    photos: int

    def __str__(self) -> str:
        return f"{self.accounts} accounts, {self.entries} entries, {self.photos} photos"


def write(db: Database, to: Path, now: datetime) -> Told:
    """Write a backup and read it again, into a database of its own. Raises Stop; no file is left then."""
    to.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    _check_room(to.parent)
    half = to.with_name(f"{to.name}.part")
    dump = to.with_name(f"{to.name}.sql.part")
    try:
        upgrade.dump_into(db, dump)
        hashes: dict[str, str] = {}
        half.unlink(missing_ok=True)
        half.touch(mode=0o600)
        with half.open("wb") as out, tarfile.open(fileobj=out, mode="w:gz", compresslevel=6) as tar:
            _add(tar, dump, DUMP, hashes)
            for file in sorted(FILES.rglob("*")) if FILES.is_dir() else ():
                # What is on its way in is nobody's yet.
                if file.is_file() and file.suffix != ".part" and "incoming" not in file.relative_to(FILES).parts:
                    with suppress(FileNotFoundError):
                        _add(tar, file, f"files/{file.relative_to(FILES).as_posix()}", hashes)
            manifest = {
                "format": FORMAT,
                "version": VERSION,
                "program": PROGRAM_VERSION,
                "made_at": now.isoformat(),
                "sha256": hashes,
            }
            _add_text(tar, MANIFEST, json.dumps(manifest, indent=1))
        with half.open("rb") as whole:
            os.fsync(whole.fileno())
        told = _verify(db, half, dump)
        half.replace(to)
        return told
    except OSError as error:
        raise say.Stop(f"The backup could not be written to {to}: {error.strerror}.") from error
    finally:
        half.unlink(missing_ok=True)
        dump.unlink(missing_ok=True)


def write_keys(to: Path) -> list[str]:
    """What vouches for this house and signs its sessions, for who moves it elsewhere. Answers what is in it."""
    there = [name for name in KEYS if (VAR / name).exists()]
    to.unlink(missing_ok=True)
    to.touch(mode=0o600)
    with tarfile.open(to, "w:gz") as tar:
        for name in there:
            tar.add(VAR / name, arcname=name)
    return there


def put_back(db: Database, env: dict[str, str], file: Path) -> Told:
    """The database and the photos as a backup has them. What stood here is dumped first; whatever goes wrong on the
    way, this run or the next start takes it back.

    Raises Stop for a file that is no backup, is not whole, or was made by a newer program; nothing is changed then.
    """
    coming = VAR / "coming"
    shutil.rmtree(coming, ignore_errors=True)
    try:
        coming.mkdir(mode=0o700, parents=True)
        _unpack(file, coming)
        told = _load_on_trial(db, coming / DUMP, _names(coming), _manifest(coming))
        ahead = upgrade.ahead_of_this(db, env, TRIAL)
        _drop_trial(db)
        if ahead:
            raise say.Stop(
                f"{file} was made by a newer Despertar ({', '.join(ahead[:3])}). Restore it with that one. "
                "Nothing was changed."
            )
        with upgrade.changing(db):
            upgrade.empty(db)
            db.as_root("mariadb", NAME, log="restore", stdin=coming / DUMP)
            _swap_files(coming / "files")
        shutil.rmtree(VAR / "files.before", ignore_errors=True)
        return told
    finally:
        shutil.rmtree(coming, ignore_errors=True)


def to_be_kept(names: Iterable[str], now: datetime) -> set[str]:
    """Of the daily ones: the last of each of the latest seven days, and of each of the latest four weeks."""
    made = sorted((at, name) for name in names if (at := made_at(name)) is not None)
    days = {at.date(): name for at, name in made if now - at <= timedelta(days=DAYS)}
    weeks = {at.isocalendar()[:2]: name for at, name in made if now - at <= timedelta(weeks=WEEKS)}
    latest = {name for _, name in made[-1:]}
    return {*days.values(), *weeks.values(), *latest}


def made_at(name: str) -> datetime | None:
    found = DAILY.search(name)
    return datetime.strptime(found[1], "%Y%m%d-%H%M%S").astimezone() if found else None


def daily_name(now: datetime) -> str:
    return now.strftime("daily-%Y%m%d-%H%M%S.tar.gz")


def forget_old(folder: Path, now: datetime) -> None:
    daily = {file.name: file for file in folder.glob("daily-*.tar.gz")}
    kept = to_be_kept(daily, now)
    for name, file in daily.items():
        if name not in kept:
            file.unlink(missing_ok=True)


# --- inside ---


def _check_room(folder: Path) -> None:
    """A disk that a backup would fill serves nobody."""
    needed = sum(file.stat().st_size for file in FILES.rglob("*") if file.is_file()) if FILES.is_dir() else 0
    free = shutil.disk_usage(folder).free
    if free < needed + 100_000_000:
        raise say.Stop(
            f"There is too little room for a backup in {folder}: {free / 1e6:.0f} MB are free, about "
            f"{needed / 1e6 + 100:.0f} MB are needed. DESPERTAR_BACKUPS names another place."
        )


def _add(tar: tarfile.TarFile, file: Path, name: str, hashes: dict[str, str]) -> None:
    hashes[name] = _hash(file)
    tar.add(file, arcname=name)


def _add_text(tar: tarfile.TarFile, name: str, text: str) -> None:
    content = text.encode()
    about = tarfile.TarInfo(name)
    about.size, about.mode, about.mtime = len(content), 0o600, int(time.time())
    tar.addfile(about, io.BytesIO(content))


def _hash(file: Path) -> str:
    with file.open("rb") as content:
        return hashlib.file_digest(content, "sha256").hexdigest()


def _verify(db: Database, file: Path, dump: Path) -> Told:
    """Every member is what the manifest says, the dump can be loaded, and every photo that it names is there."""
    found: dict[str, str] = {}
    manifest: dict[str, object] = {}
    with tarfile.open(file, "r:gz") as tar:
        for member in tar:
            content = tar.extractfile(member)
            if content is None:
                continue
            if member.name == MANIFEST:
                manifest = json.load(content)
            else:
                found[member.name] = hashlib.file_digest(content, "sha256").hexdigest()  # type: ignore[arg-type]
    if found != manifest.get("sha256"):
        raise say.Stop("The backup does not read as it was written. Is the disk sound?")
    try:
        return _load_on_trial(db, dump, set(found), manifest)
    finally:
        _drop_trial(db)


def _load_on_trial(db: Database, dump: Path, names: set[str], manifest: dict[str, object]) -> Told:
    _forget_trials(db)
    db.as_root("mariadb", "-e", f"CREATE DATABASE `{TRIAL}`", log="trial")
    db.as_root("mariadb", TRIAL, log="trial", stdin=dump)
    asked = (
        "SELECT COUNT(*) FROM accounts_account; SELECT COUNT(*) FROM logbook_entry;"
        "SELECT CONCAT('files/photos/', REPLACE(jar_id, '-', ''), '/', REPLACE(id, '-', '')) FROM photos_photo"
        " WHERE withdrawn_at IS NULL"
    )
    accounts, entries, *photos = db.as_root("mariadb", TRIAL, "-N", "-B", "-e", asked, log="trial").split()
    plain = {name.replace("-", "") for name in names}
    missing = [one for one in photos if f"{one}.large.jpg" not in plain]
    if missing:
        raise say.Stop(
            f"{len(missing)} photos that the database names are missing among the files, such as {missing[0]}."
        )
    made = datetime.fromisoformat(str(manifest.get("made_at")))
    return Told(made, str(manifest.get("program")), int(accounts), int(entries), len(photos))


def _drop_trial(db: Database, name: str = TRIAL) -> None:
    db.as_root("mariadb", "-e", f"DROP DATABASE IF EXISTS `{name}`", log="trial")


def _forget_trials(db: Database) -> None:
    """One's own, and those of processes that were killed."""
    for name in db.as_root("mariadb", "-N", "-B", "-e", f"SHOW DATABASES LIKE '{TRIALS}%'", log="trial").split():
        if name == TRIAL or not Path(f"/proc/{name.removeprefix(TRIALS)}").exists():
            _drop_trial(db, name)


def _unpack(file: Path, into: Path) -> None:
    """Every member by its own name below the folder, and nothing else: no links, no ways out of it."""
    if not file.is_file():
        raise say.Stop(f"There is no file {file}.")
    try:
        with tarfile.open(file, "r:gz") as tar:
            for member in tar:
                path = PurePosixPath(member.name)
                if not member.isfile() or path.is_absolute() or ".." in path.parts:
                    raise say.Stop(f"{file} is no backup of Despertar: {member.name} does not belong in one.")
                content = tar.extractfile(member)
                assert content is not None
                target = into / path
                target.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
                with target.open("wb") as out:
                    shutil.copyfileobj(content, out)
    except (tarfile.TarError, EOFError, OSError) as error:
        raise say.Stop(f"{file} is no backup of Despertar, or is not whole: {error}.") from error
    manifest = _manifest(into)
    if manifest.get("format") != FORMAT:
        raise say.Stop(f"{file} is no backup of Despertar.")
    if int(str(manifest.get("version", 0))) > VERSION:
        raise say.Stop(f"{file} was made by a newer Despertar. Restore it with that one. Nothing was changed.")
    if {name: _hash(into / name) for name in _names(into)} != manifest.get("sha256"):
        raise say.Stop(f"{file} is not whole: what is in it is not what was put in. Nothing was changed.")


def _names(folder: Path) -> set[str]:
    files = (file.relative_to(folder).as_posix() for file in folder.rglob("*") if file.is_file())
    return {name for name in files if name != MANIFEST}


def _manifest(folder: Path) -> dict[str, object]:
    try:
        told = json.loads((folder / MANIFEST).read_text())
    except (OSError, ValueError):
        return {}
    return told if isinstance(told, dict) else {}


def _swap_files(coming: Path) -> None:
    """By two renames; who finds `files.before` beside a mark of a change puts it back (`upgrade`)."""
    before = VAR / "files.before"
    shutil.rmtree(before, ignore_errors=True)
    coming.mkdir(mode=0o700, exist_ok=True)
    if FILES.exists():
        FILES.rename(before)
    coming.rename(FILES)
