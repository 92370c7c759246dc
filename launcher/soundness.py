"""How the house stands, in plain words: what is well, and what is not with what to do about it."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from datetime import datetime, timedelta

from . import backup, daily, lan, say, upgrade, watching
from .database import NAME, Database
from .machine import which
from .place import LOGS, PYTHON, RUN, VAR, VERSION

LEAST_FREE = 500_000_000
# A day, and the hours in which the next one may be tried again.
OLD_BACKUP = timedelta(hours=36)
QUIET_REMINDERS = timedelta(minutes=10)
RENEW = timedelta(days=30)
MINUTE, HOUR = timedelta(minutes=1), timedelta(hours=1)

# The database says how much it holds, and when something was last written down.
SIZE = (
    "SELECT ROUND(SUM(data_length + index_length) / 1e6) FROM information_schema.tables WHERE table_schema = DATABASE()"
)
COUNTS = "SELECT COUNT(*) FROM accounts_account WHERE is_demo = 0; SELECT COUNT(*) FROM kitchen_jar"
LATEST = "SELECT COALESCE(MAX(UNIX_TIMESTAMP(recorded_at)), 0) FROM logbook_entry"


@dataclass(frozen=True)
class Finding:
    is_well: bool
    said: str


Ask = Callable[[Database, dict[str, str], datetime], Iterator[Finding]]


def findings(db: Database, env: dict[str, str], now: datetime) -> Iterator[Finding]:
    """In the order in which a house is looked over; what cannot be asked says so itself."""
    for name, ask in ASKED.items():
        try:
            yield from ask(db, env, now)
        except (say.Stop, OSError, ValueError) as trouble:
            yield care(f"{name}: this could not be looked at. {trouble}")


def well(said: str) -> Finding:
    return Finding(is_well=True, said=said)


def care(said: str) -> Finding:
    return Finding(is_well=False, said=said)


def versions(db: Database, env: dict[str, str], _now: datetime) -> Iterator[Finding]:
    found = upgrade.schema(db, env)
    if found.ahead:
        yield care(f"Versions: the kitchen was kept by a newer Despertar than this one ({found.ahead[0]}).")
    elif found.behind:
        yield care(f"Versions: {len(found.behind)} changes of the database wait for the next start.")
    else:
        yield well(f"Versions: Despertar {VERSION}, its database up to date.")


def database(db: Database, _env: dict[str, str], _now: datetime) -> Iterator[Finding]:
    size, accounts, jars = _asked(db, f"{SIZE}; {COUNTS}")
    yield well(f"Database: answers; {size} MB, {accounts} accounts, {jars} jars.")


def disk(_db: Database, _env: dict[str, str], _now: datetime) -> Iterator[Finding]:
    for place in sorted({VAR, backup.FOLDER if backup.FOLDER.exists() else VAR}):
        free = shutil.disk_usage(place).free
        told = f"Disk: {free / 1e6:.0f} MB free at {place}."
        yield well(told) if free >= LEAST_FREE else care(f"{told} Make room: below 100 MB nothing more is written.")


def backups(_db: Database, _env: dict[str, str], now: datetime) -> Iterator[Finding]:
    age = daily.latest(now)
    one_a_day = "One a day is made while the kitchen runs."
    if daily.FAILED.exists():
        yield care(f"Backups: the last one failed. {daily.FAILED.read_text()}")
    elif age is None:
        yield care(f"Backups: there is none yet. {one_a_day}")
    else:
        told = f"Backups: the last is {age / HOUR:.0f} hours old, in {backup.FOLDER}."
        yield well(told) if age <= OLD_BACKUP else care(f"{told} {one_a_day}")


def reminders(_db: Database, _env: dict[str, str], now: datetime) -> Iterator[Finding]:
    beat = RUN / "reminders.beat"
    if not watching.is_running():
        yield well("Reminders: the kitchen does not run, so none are sent.")
    elif not beat.exists():
        yield care("Reminders: there was no round of them yet; they go out once a minute.")
    else:
        quiet = now - datetime.fromtimestamp(beat.stat().st_mtime, now.tzinfo)
        told = f"Reminders: the last round was {quiet / MINUTE:.0f} minutes ago."
        late = f"{told} They go out once a minute: see {LOGS / 'reminders.log'}."
        yield well(told) if quiet <= QUIET_REMINDERS else care(late)


def clock(db: Database, _env: dict[str, str], now: datetime) -> Iterator[Finding]:
    (latest,) = _asked(db, LATEST)
    if float(latest) > (now + MINUTE).timestamp():
        then = datetime.fromtimestamp(float(latest), now.tzinfo)
        yield care(f"Clock: it says {now:%Y-%m-%d %H:%M}, yet something was written down at {then:%Y-%m-%d %H:%M}.")
        return
    follows = _follows_a_time_server()
    if follows == "no":
        yield care(f"Clock: {now:%Y-%m-%d %H:%M}, but it follows no time server, and what is due goes by it.")
    else:
        yield well(f"Clock: {now:%Y-%m-%d %H:%M}{', by a time server' if follows == 'yes' else ''}.")


def certificate(_db: Database, _env: dict[str, str], now: datetime) -> Iterator[Finding]:
    if not (lan.TLS / "house.crt").exists():
        yield well("Certificate: none of the house's own; it was never opened to the house network.")
        return
    command = [str(PYTHON), "-m", "launcher.authority", "--into", str(lan.TLS), "--until"]
    done = subprocess.run(command, capture_output=True, text=True, check=False, env=os.environ)
    until = datetime.fromisoformat(json.loads(done.stdout)["until"])
    told = f"Certificate: good until {until:%Y-%m-%d}."
    yield well(told) if until - now >= RENEW else care(f"{told} The next ./despertar start --lan makes a new one.")


ASKED: dict[str, Ask] = {
    "Versions": versions,
    "Database": database,
    "Disk": disk,
    "Backups": backups,
    "Reminders": reminders,
    "Clock": clock,
    "Certificate": certificate,
}


def _asked(db: Database, sql: str) -> list[str]:
    return db.as_root("mariadb", NAME, "-N", "-B", "-e", sql, log="check").split()


def _follows_a_time_server() -> str:
    """`yes`, `no`, or nothing where nobody can be asked."""
    program = which("timedatectl")
    if program is None:
        return ""
    command = [program, "show", "--property=NTPSynchronized", "--value"]
    return subprocess.run(command, capture_output=True, text=True, check=False, timeout=10).stdout.strip()
