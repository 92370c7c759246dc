"""What keeps a house safe: backups, putting one back, upgrades that can be taken back, and how it all stands."""

from __future__ import annotations

import argparse
import json
import os
from contextlib import nullcontext

from . import backup, clock, say, serving, soundness, toolchain, upgrade, watching
from .database import Database
from .house import opened, set_up
from .place import PYTHON, SERVER, VAR, VERSION


def write_backup(arguments: argparse.Namespace) -> int:
    """Write all that is kept to a file, verified, while the kitchen runs or not."""
    now = clock.now()
    file = (arguments.file or backup.FOLDER / now.strftime("despertar-%Y%m%d-%H%M%S.tar.gz")).absolute()
    with opened() as (db, _), say.step("Writing a backup and reading it again"):
        told = backup.write(db, file, now)
    say.line(f"{file}: {told}, {file.stat().st_size / 1e6:.1f} MB.")
    if arguments.keys:
        names = backup.write_keys(arguments.keys.absolute())
        say.line(f"{arguments.keys}: {', '.join(names)}. Keep it apart: who has it can stand in for this house.")
    else:
        say.line("Its keys are not in it: after a restore elsewhere one signs in again. --keys FILE writes them apart.")
    return 0


def restore(arguments: argparse.Namespace) -> int:
    """Put a backup back, in place of what is kept now, while the kitchen runs or not."""
    if not PYTHON.exists():
        set_up()
    VAR.mkdir(mode=0o700, parents=True, exist_ok=True)
    file = arguments.file.absolute()
    if not arguments.yes:
        say.line(f"This puts {file} in place of every jar, log and account kept in {VAR}.")
        if typed("restore") != "restore":
            say.line("Nothing was changed.")
            return 1
    with opened(makes=True) as (db, env):
        rest = watching.at_rest() if env is None else nullcontext()
        told_env = env or {**os.environ, **serving.django_env(db, demo=False)}
        with rest, say.step("Putting the backup back"):
            told = backup.put_back(db, told_env, file)
        if env is not None:
            with serving.undisturbed(), say.step("Preparing the kitchen"):
                upgrade.prepare(db, told_env, [])
    say.line(f"Restored: {told}, of {told.made_at:%Y-%m-%d %H:%M}, by Despertar {told.program}.")
    return 0


def upgrade_house(_: argparse.Namespace) -> int:
    """Bring what is kept to what this Despertar wants: backed up, changed, looked at, taken back if it is not well."""
    set_up()
    toolchain.front_end()
    db = serving.database()
    try:
        with serving.only_one() as lock:
            db.holding = (lock,)
            try:
                return _upgraded(db)
            finally:
                db.stop()
    except serving.AlreadyRunning:
        raise say.Stop(
            "The kitchen runs, by the Despertar of before. ./despertar stop, then ./despertar upgrade."
        ) from None


def _upgraded(db: Database) -> int:
    db.start()
    env = {**os.environ, **serving.django_env(db, demo=False)}
    now = clock.now()
    with say.step("Writing a backup and reading it again"):
        told = backup.write(db, backup.FOLDER / now.strftime("before-upgrade-%Y%m%d-%H%M%S.tar.gz"), now)
    dump = upgrade.keep(db)
    try:
        with serving.undisturbed(), say.step("Changing the database"):
            upgrade.prepare(db, env, [])
        with say.step("Telling every kitchen once"):
            sound = say.run([PYTHON, SERVER / "manage.py", "sound"], log="manage-sound", env=env)
    except say.Stop as reason:
        with serving.undisturbed(), say.step("Taking it back"):
            upgrade.go_back(db, dump)
        raise say.Stop(f"The upgrade did not go well and was taken back: everything is as it was. {reason}") from reason
    found = json.loads(next(line for line in sound.splitlines() if line.startswith("{")))
    say.line(f"Upgraded to {VERSION}: {told}; {found['told']} jars told.")
    if found["unread"]:
        say.line(f"{found['unread']} jars cannot be read by this version; each says why on its own page.")
    return 0


def check(_: argparse.Namespace) -> int:
    """Say in plain words what is well in this house and what is not."""
    with opened() as (db, env):
        told_env = env or {**os.environ, **serving.django_env(db, demo=False)}
        found = list(soundness.findings(db, told_env, clock.now()))
    for one in found:
        say.line(f"  {'well ' if one.is_well else 'CARE '} {one.said}")
    return 0 if all(one.is_well for one in found) else 1


def typed(wanted: str) -> str:
    try:
        return input(f"Type {wanted} to go on: ").strip()
    except EOFError:
        return ""
